"""A data file looked at before it is opened: nothing is written here, and whatever is wrong is one paragraph."""

from __future__ import annotations

import os
import sqlite3
import tempfile
from datetime import datetime
from pathlib import Path

from kindwhisk.core.values.model import Value
from kindwhisk.store.trouble import DataTrouble, TroubleKind

FILE_NAME = "kindwhisk.sqlite3"
MIGRATIONS = Path(__file__).parents[1] / "migrations"
HISTORY = "schema_migration"
SOON_CHECKED = 64_000_000
"""Bytes: what is larger is checked once the server runs, for it would wait for seconds."""

OTHER_FOLDER = "or give another folder with --data"
RESTORE = "restore a backup with './whisk restore FILE --data FOLDER'"


class Seen(Value):
    """What a data file holds, at a look: how many of each, what happened last, and which version wrote it."""

    bakes: int
    running: int
    formulas: int
    readings: int
    events: int
    last_at: datetime | None
    last_title: str
    newest_migration: str
    newer: bool


def known_migrations() -> list[str]:
    """The names of the migrations of this version, in order."""
    return sorted(p.stem for p in MIGRATIONS.glob("[0-9]*.py"))


def _unfit(message: str, remedy: str) -> DataTrouble:
    return DataTrouble(message, kind=TroubleKind.UNFIT, remedy=remedy)


def read_only(path: Path) -> sqlite3.Connection:
    """A connection that writes nothing into the data file."""
    return sqlite3.connect(f"{path.resolve().as_uri()}?mode=ro", uri=True)


def check_folder(folder: Path) -> None:
    """Make the folder, if need be, and see that it can be written.

    Raises:
        DataTrouble: it can't be.
    """
    for parent in (folder, *folder.parents):
        if parent.exists() and not parent.is_dir():
            raise _unfit(
                f"The data folder {folder} can't be: {parent} is a file, not a folder. It was left as it is.",
                "Move it away, or give another folder with --data.",
            )
    try:
        folder.mkdir(parents=True, exist_ok=True)
        with tempfile.TemporaryFile(dir=folder):
            pass
    except OSError as error:
        raise _unfit(
            f"The data folder {folder} can't be written ({error.strerror}). Nothing in it was changed.",
            f"Let this user write in it (see 'ls -ld {folder}' and 'df -h {folder}'), {OTHER_FOLDER}.",
        ) from error


def look(path: Path, *, checked: bool = True) -> Seen:
    """What a data file holds.

    Args:
        path: of the file.
        checked: look through all of it for damage, too.

    Raises:
        DataTrouble: it is no data file of Kind Whisk, or a damaged one.
    """
    if not path.exists():
        raise _unfit(f"There is no file {path}.", "Check the name.")
    if not path.is_file():
        raise _unfit(
            f"{path} is not a file. It was left as it is.", f"Move it away and {RESTORE}, {OTHER_FOLDER}."
        )  # fmt: skip
    if not os.access(path, os.R_OK):
        raise _unfit(
            f"{path} can't be read by this user. It was left as it is.",
            f"Give this user the right to read and write it, {OTHER_FOLDER}.",
        )
    with path.open("rb") as file:
        head = file.read(16)
    if head != b"SQLite format 3\0":
        what = "is empty" if not head else "is not a data file of Kind Whisk, or its beginning is damaged"
        raise _unfit(
            f"{path} {what}. It was left as it is.", f"Move it away, then {RESTORE} or begin anew; {OTHER_FOLDER}."
        )
    try:
        connection = read_only(path)
        try:
            return _seen(connection, path, checked)
        finally:
            connection.close()
    except sqlite3.DatabaseError as error:
        raise damaged(path, str(error)) from error


def damaged(path: Path, found: str) -> DataTrouble:
    """It is a data file, and something in it can't be read."""
    return DataTrouble(
        f"{path} is damaged ({found}). It was left as it is.",
        kind=TroubleKind.DAMAGED,
        remedy=f"Save what can be read with './whisk export FILE.zip --data {path.parent}', then {RESTORE}, "
        f"{OTHER_FOLDER}.",
    )


def check_through(path: Path, connection: sqlite3.Connection, *, full: bool = False) -> None:
    """Look through a data file for damage; ``full`` compares indexes and tables as well.

    Raises:
        DataTrouble: something is damaged.
    """
    try:
        found = str(connection.execute(f"PRAGMA {'integrity_check' if full else 'quick_check'}(1)").fetchone()[0])
    except sqlite3.DatabaseError as error:
        raise damaged(path, str(error)) from error
    if found != "ok":
        raise damaged(path, found.replace("\n", " ")[:200])


def _seen(connection: sqlite3.Connection, path: Path, checked: bool) -> Seen:
    tables = {r[0] for r in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
    if not tables:
        raise _unfit(
            f"{path} holds nothing: it was copied without its '-wal' file while Kind Whisk ran, or cut off. "
            "It was left as it is.",
            f"Move it away, then {RESTORE} or begin anew; {OTHER_FOLDER}.",
        )
    if not {HISTORY, "bakerow", "eventrow", "formulaversion"} <= tables:
        raise _unfit(
            f"{path} belongs to another program. It was left as it is.", "Give another folder with --data."
        )  # fmt: skip
    if checked:
        check_through(path, connection)
    applied = sorted(r[0] for r in connection.execute(f'SELECT name FROM "{HISTORY}"'))
    one = connection.execute
    last = one("SELECT e.at, b.title FROM eventrow e LEFT JOIN bakerow b ON b.id = e.bake_id ORDER BY e.id DESC")
    at, title = last.fetchone() or (None, "")
    return Seen(
        bakes=one("SELECT count(*) FROM bakerow").fetchone()[0],
        running=one("SELECT count(*) FROM bakerow WHERE status = 'running'").fetchone()[0],
        formulas=one("SELECT count(DISTINCT formula) FROM formulaversion").fetchone()[0],
        readings=one("SELECT count(*) FROM probereading").fetchone()[0] if "probereading" in tables else 0,
        events=one("SELECT count(*) FROM eventrow").fetchone()[0],
        last_at=datetime.fromisoformat(at) if at else None,
        last_title=str(title or ""),
        newest_migration=applied[-1] if applied else "",
        newer=not set(applied) <= set(known_migrations()),
    )


def check_fit(folder: Path) -> bool:
    """See that the data folder can be served; True for one without a data file yet.

    Raises:
        DataTrouble: it can't be; the file that is there was left as it is.
    """
    check_folder(folder)
    path = folder / FILE_NAME
    if not path.exists() and not path.is_symlink():
        return True
    seen = look(path, checked=path.is_file() and path.stat().st_size <= SOON_CHECKED)
    if seen.newer:
        raise _unfit(
            f"{path} was written by a newer Kind Whisk ({seen.newest_migration}; {seen.bakes} bakes). It was left as "
            "it is, for this version would not understand all of it.",
            f"Start the newer version; or look at it ('./whisk look {path}'), save it in the open format "
            f"('./whisk export FILE.zip --data {folder}'), or {RESTORE}; {OTHER_FOLDER}.",
        )
    if not os.access(path, os.W_OK):
        raise _unfit(
            f"{path} can't be written by this user. It was left as it is.",
            f"Give this user the right to write it, {OTHER_FOLDER}.",
        )
    return False
