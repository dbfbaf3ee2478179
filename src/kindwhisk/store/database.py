"""Opening the data file: one SQLite file, written through to disk, migrated to this version."""

from __future__ import annotations

from pathlib import Path

from peewee import SqliteDatabase

from kindwhisk.store.models import ALL, proxy

FILE_NAME = "kindwhisk.sqlite3"
MIGRATIONS = Path(__file__).parent / "migrations"


def open_database(folder: Path) -> SqliteDatabase:
    """Open (and make, if need be) the data file in ``folder`` and bring it up to date.

    Every commit is on the disk before it returns (``synchronous = FULL``), so what was acknowledged
    survives a crash or a power cut.
    """
    folder.mkdir(parents=True, exist_ok=True)
    database = SqliteDatabase(
        str(folder / FILE_NAME),
        pragmas={
            "journal_mode": "wal",
            "synchronous": "full",
            "foreign_keys": 1,
            "busy_timeout": 5000,
        },
        check_same_thread=False,
    )
    proxy.initialize(database)
    database.bind(ALL, bind_refs=False, bind_backrefs=False)
    migrate(database)
    return database


def migrate(database: SqliteDatabase) -> list[str]:
    """Apply what an older data file still lacks; returns the names of the migrations that ran."""
    from playhouse.migrations import Runner

    return [str(name) for name in Runner(database, str(MIGRATIONS)).up() or ()]
