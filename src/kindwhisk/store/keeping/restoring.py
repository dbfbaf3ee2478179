"""A copy put in the place of the present data, which are kept aside."""

from __future__ import annotations

import shutil
import sqlite3
from datetime import UTC, datetime
from pathlib import Path

from kindwhisk.store.keeping.copies import copied
from kindwhisk.store.keeping.looking import FILE_NAME, Seen, check_folder, look, read_only
from kindwhisk.store.photos import photos_along
from kindwhisk.store.trouble import DataTrouble, TroubleKind

ASIDE = "aside"
"""The folder, beside the data file, where what was replaced is kept."""


def aside(folder: Path, why: str) -> Path:
    """Where something that is replaced now is kept."""
    return folder / ASIDE / f"{why}-{datetime.now(UTC):%Y%m%dT%H%M%S%f}.sqlite3"


def fit_to_restore(copy: Path) -> Seen:
    """What a copy holds.

    Raises:
        DataTrouble: it is no data file, a damaged one, or one of a newer version.
    """
    seen = look(copy)
    if seen.newer:
        raise DataTrouble(
            f"{copy} was made by a newer Kind Whisk ({seen.newest_migration}).",
            kind=TroubleKind.UNFIT,
            remedy="Restore it with that version. Nothing was changed.",
        )
    return seen


def restore_into(folder: Path, copy: Path) -> Path | None:
    """Put a copy in the place of the data file of a folder that no server uses; where the present one is kept.

    Raises:
        DataTrouble: the copy is unfit, or the folder can't be written; the present data are as they were.
    """
    fit_to_restore(copy)
    check_folder(folder)
    path, new = folder / FILE_NAME, folder / f"{FILE_NAME}.new"
    copied(copy, new)
    kept = None
    if path.exists():
        kept = aside(folder, "before-restore")
        kept.parent.mkdir(exist_ok=True)
        for end in ("", "-wal", "-shm"):
            beside = path.with_name(path.name + end)
            if beside.exists():
                beside.replace(kept.with_name(kept.name + end))
    new.replace(path)
    photos_along(copy, path)
    return kept


def _as_it_lies(path: Path, kept: Path) -> None:
    """Keep what is damaged as it is, for whoever may read more of it one day."""
    for end in ("", "-wal"):
        beside = path.with_name(path.name + end)
        if beside.exists():
            shutil.copyfile(beside, kept.with_name(kept.name + end))


def restore_live(path: Path, copy: Path, into: sqlite3.Connection) -> Path:
    """Put what a copy holds into a data file that is open, in one transaction; where the present data are kept.

    The caller lets nobody write meanwhile. A reader sees all of the old or all of the new.

    Raises:
        DataTrouble: the copy is unfit, or the present data can't be kept aside; nothing was changed.
    """
    fit_to_restore(copy)
    kept = aside(path.parent, "before-restore")
    try:
        copied(path, kept)
    except DataTrouble as why:
        if why.kind is not TroubleKind.DAMAGED:
            raise
        _as_it_lies(path, kept)
    source = read_only(copy)
    try:
        source.backup(into)
    finally:
        source.close()
    photos_along(copy, path)
    return kept
