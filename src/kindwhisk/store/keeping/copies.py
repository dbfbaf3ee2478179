"""Copies of the data file: made while bakes run, looked through before they count, and let go of in turn."""

from __future__ import annotations

import contextlib
import os
import sqlite3
from datetime import UTC, datetime
from pathlib import Path
from typing import NamedTuple

from kindwhisk.store.keeping.looking import Seen, check_through, look, read_only
from kindwhisk.store.keeping.rotation import staying
from kindwhisk.store.trouble import DataTrouble, TroubleKind, trouble_of

NAMED = "kindwhisk-%Y%m%dT%H%M%SZ.sqlite3"
PAGES_AT_ONCE = 4_000
"""So many at a time: whoever writes meanwhile waits for no more than that."""


class Copy(NamedTuple):
    """A copy that lies in a folder."""

    path: Path
    made_at: datetime
    size_bytes: int


def copied(source: Path, target: Path) -> Seen:
    """Copy a data file, whole as it is at one moment, whoever writes meanwhile; what was copied, looked through.

    The copy takes its name only once all of it is on the disk and was found sound.

    Raises:
        DataTrouble: the source is damaged, or the target can't be written; no half copy is left.
    """
    if not source.is_file():
        raise _not_made(target, f"there is no {source}")
    half = target.with_name(target.name + ".half")
    try:
        target.parent.mkdir(parents=True, exist_ok=True)
        half.unlink(missing_ok=True)
        _copy(source, half)
        seen = _sound(source, half)
        with half.open("rb") as file:
            os.fsync(file.fileno())
        half.replace(target)
        _on_disk(target.parent)
    except OSError as error:
        raise _not_made(target, error.strerror or str(error)) from error
    except sqlite3.Error as error:
        why = trouble_of(error)
        raise _not_made(target, why.message if why else str(error)) from error
    finally:
        for left in (half, half.with_name(half.name + "-wal"), half.with_name(half.name + "-shm")):
            with contextlib.suppress(OSError):
                left.unlink()
    return seen


def _copy(source: Path, target: Path) -> None:
    reading, writing = read_only(source), sqlite3.connect(target)
    try:
        reading.backup(writing, pages=PAGES_AT_ONCE)
        # Alone it has to open, also where nothing may be written beside it.
        writing.execute("PRAGMA journal_mode = delete").fetchone()
        # Who is let in is a matter of the data in use: no copy lets anybody in who was shut out since.
        if writing.execute("SELECT 1 FROM sqlite_master WHERE name = 'session'").fetchone():
            writing.execute("DELETE FROM session")
            writing.commit()
    finally:
        reading.close()
        writing.close()


def _sound(source: Path, copy: Path) -> Seen:
    """What a copy holds that was looked through, its indexes too.

    Raises:
        DataTrouble: the source is damaged, and so is its copy.
    """
    try:
        with contextlib.closing(read_only(copy)) as connection:
            check_through(copy, connection, full=True)
        return look(copy, checked=False)
    except DataTrouble as why:
        found = why.message.replace(str(copy), str(source))
        raise DataTrouble(
            found, kind=why.kind, remedy=why.remedy.replace(str(copy.parent), str(source.parent))
        ) from why


def _on_disk(folder: Path) -> None:
    place = os.open(folder, os.O_RDONLY)
    try:
        os.fsync(place)
    finally:
        os.close(place)


def _not_made(target: Path, why: str) -> DataTrouble:
    return DataTrouble(
        f"The backup {target} was not made ({why.rstrip('.')}).",
        kind=TroubleKind.FAILED,
        remedy="The data themselves are as they were. See whether that folder is there, may be written and has room.",
    )


def name_of(moment: datetime) -> str:
    """The file name of a copy made at a moment."""
    return moment.astimezone(UTC).strftime(NAMED)


def copies_in(folder: Path) -> list[Copy]:
    """The copies that lie in a folder, the newest first; other files are let be."""
    found = []
    for path in folder.glob("kindwhisk-*.sqlite3") if folder.is_dir() else ():
        try:
            made = datetime.strptime(path.name, NAMED).replace(tzinfo=UTC)
            found.append(Copy(path, made, path.stat().st_size))
        except (ValueError, OSError):
            continue
    return sorted(found, key=lambda c: c.made_at, reverse=True)


def let_go(folder: Path) -> list[Path]:
    """Let go of the copies whose turn it is; returns which."""
    there = copies_in(folder)
    stay = staying(c.made_at for c in there)
    gone = [c.path for c in there if c.made_at not in stay]
    for path in gone:
        path.unlink(missing_ok=True)
    return gone
