"""Opening the data file: one SQLite file, written through to disk, migrated to this version."""

from __future__ import annotations

from pathlib import Path

from peewee import SqliteDatabase

from kindwhisk.store.bakes import Bakes
from kindwhisk.store.checkpoints import Checkpoints
from kindwhisk.store.formulas import Formulas
from kindwhisk.store.goods import Goods
from kindwhisk.store.kitchens import Kitchens
from kindwhisk.store.oven_notes import OvenNotes
from kindwhisk.store.probes import Probes
from kindwhisk.store.writing import Writer

FILE_NAME = "kindwhisk.sqlite3"
MIGRATIONS = Path(__file__).parent / "migrations"


class Store:
    """A data file that is open, with all that is kept in it. Safe from any thread."""

    def __init__(self, database: SqliteDatabase) -> None:
        self.database = database
        self.writing = Writer(database)
        self.bakes = Bakes(database)
        self.goods = Goods(database, self.writing)
        self.formulas = Formulas(database, self.writing, self.goods)
        self.kitchens = Kitchens(database)
        self.oven_notes = OvenNotes(database, self.writing)
        self.probes = Probes(database, self.writing)
        self.checkpoints = Checkpoints(database, self.writing)

    def close(self) -> None:
        """Let go of the file."""
        self.database.close()


def open_store(folder: Path) -> Store:
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
    migrate(database)
    return Store(database)


def migrate(database: SqliteDatabase) -> list[str]:
    """Apply what an older data file still lacks; returns the names of the migrations that ran."""
    from playhouse.migrations import Runner

    return [str(name) for name in Runner(database, str(MIGRATIONS)).up() or ()]
