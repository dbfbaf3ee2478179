"""Opening the data file: one SQLite file, written through to disk, migrated to this version."""

from __future__ import annotations

import contextlib
import sqlite3
from pathlib import Path
from threading import Lock
from typing import Any
from weakref import WeakSet

from peewee import PeeweeException, SqliteDatabase

from kindwhisk.store.bakes import Bakes
from kindwhisk.store.checkpoints import Checkpoints
from kindwhisk.store.clock_moves import ClockMoves
from kindwhisk.store.day_plans import DayPlans
from kindwhisk.store.formulas import Formulas
from kindwhisk.store.glances import Glances
from kindwhisk.store.goods import Goods
from kindwhisk.store.keeping.backups import Backups
from kindwhisk.store.keeping.copies import copied
from kindwhisk.store.keeping.looking import (
    FILE_NAME,
    MIGRATIONS,
    check_fit,
    check_through,
    known_migrations,
    read_only,
)
from kindwhisk.store.keeping.restoring import ASIDE, restore_live
from kindwhisk.store.keeping.standing import Standing
from kindwhisk.store.kitchens import Kitchens
from kindwhisk.store.log import LogPages
from kindwhisk.store.orders import Orders
from kindwhisk.store.oven_notes import OvenNotes
from kindwhisk.store.photos import Photos
from kindwhisk.store.probes import Probes
from kindwhisk.store.questions import Questions
from kindwhisk.store.sessions import KeptSessions
from kindwhisk.store.stocks import Stocks
from kindwhisk.store.trouble import DataTrouble, trouble_of
from kindwhisk.store.writing import Writer

PRAGMAS = {"journal_mode": "wal", "synchronous": "full", "foreign_keys": 1, "busy_timeout": 5000}


class _Connection(sqlite3.Connection):
    """A connection that can be known of without being held: it goes with its thread."""


class DataFile(SqliteDatabase):
    """A data file with one connection a thread, all of which can be let go of at once."""

    def __init__(self, path: Path) -> None:
        super().__init__(str(path), pragmas=PRAGMAS, check_same_thread=False, factory=_Connection)
        self.opened: WeakSet[_Connection] = WeakSet()
        self._opening = Lock()

    def _connect(self) -> Any:
        connection = super()._connect()  # type: ignore[misc]
        with self._opening:
            self.opened.add(connection)
        return connection

    def let_go(self) -> None:
        """Bring everything into the one file, and close every thread's connection."""
        self.close()
        with self._opening:
            for connection in list(self.opened):
                connection.close()
        last = sqlite3.connect(self.database)
        try:
            last.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        except sqlite3.DatabaseError:
            pass  # full, or gone: it stays in the log beside the file, and is read from there at the next start
        finally:
            last.close()


class Store:
    """A data file that is open, with all that is kept in it. Safe from any thread."""

    def __init__(self, database: DataFile, path: Path) -> None:
        self.database, self.path = database, path
        # As long as one connection is open, its log stays where it is.
        self._keeper = sqlite3.connect(path, check_same_thread=False)
        self._keeper.execute("SELECT count(*) FROM sqlite_master").fetchone()
        self.standing = Standing(path)
        self.backups = Backups(path)
        self.writing = Writer(database, self.standing)
        self.bakes = Bakes(database)
        self.log = LogPages(database)
        self.questions = Questions(database, self.writing)
        self.photos = Photos(path.parent)
        self.goods = Goods(database, self.writing)
        self.formulas = Formulas(database, self.writing, self.goods)
        self.kitchens = Kitchens(database, self.writing)
        self.oven_notes = OvenNotes(database, self.writing)
        self.probes = Probes(database, self.writing)
        self.checkpoints = Checkpoints(database, self.writing)
        self.clock_moves = ClockMoves(database, self.writing)
        self.sessions = KeptSessions(database, self.writing)
        self.glances = Glances(database, self.writing)
        self.orders = Orders(database, self.writing)
        self.day_plans = DayPlans(database, self.writing)
        self.stocks = Stocks(database, self.writing)

    def restore(self, copy: Path) -> Path:
        """Put what a copy holds in the place of all that is here; returns where the present data are kept.

        Raises:
            DataTrouble: the copy is unfit, or the present data can't be kept aside; nothing was changed.
        """
        with self.writing.mending():
            devices = self.sessions.all()
            kept = restore_live(self.path, copy, self._keeper)
            migrate(self.database)
            self.goods.read_again()
        self.sessions.replace(devices)
        return kept

    def tidy(self) -> None:
        """Bring what lies in the log beside the file into it, as far as nobody reads there."""
        with contextlib.suppress(sqlite3.Error):
            self._keeper.execute("PRAGMA wal_checkpoint(PASSIVE)").fetchone()

    def check_through(self) -> None:
        """Look through all of the file for damage, indexes and tables against each other.

        Raises:
            DataTrouble: something is damaged; it is said on every page from then on.
        """
        try:
            with contextlib.closing(read_only(self.path)) as connection:
                check_through(self.path, connection, full=True)
        except DataTrouble as why:
            raise self.standing.hit(why) from why
        self.standing.mended()

    def close(self) -> None:
        """Let go of the file; everything lies in it then."""
        self._keeper.close()
        self.database.let_go()


def open_store(folder: Path) -> Store:
    """Open (and make, if need be) the data file in ``folder`` and bring it up to date.

    Every commit is on the disk before it returns (``synchronous = FULL``), so what was acknowledged
    survives a crash or a power cut. A file of an older version is copied aside before it is changed.

    Raises:
        DataTrouble: the folder or the file can't be used; nothing was changed.
    """
    path = folder / FILE_NAME
    if check_fit(folder):
        _made(path)
    database = DataFile(path)
    try:
        missing = set(known_migrations()) - _applied(database)
        if missing:
            copied(path, folder / ASIDE / f"before-{max(missing)}.sqlite3")
            migrate(database)
    except PeeweeException as error:
        raise trouble_of(error) or error from error
    return Store(database, path)


def _made(path: Path) -> None:
    """A new data file, whole from the moment at which it is there."""
    new = path.with_name(path.name + ".new")
    new.unlink(missing_ok=True)
    database = SqliteDatabase(str(new))
    migrate(database)
    database.close()
    new.replace(path)


def _applied(database: SqliteDatabase) -> set[str]:
    from playhouse.migrations import Runner

    return {str(name) for name in Runner(database, str(MIGRATIONS)).applied()}


def migrate(database: SqliteDatabase) -> list[str]:
    """Apply what an older data file still lacks; returns the names of the migrations that ran."""
    from playhouse.migrations import Runner

    return [str(name) for name in Runner(database, str(MIGRATIONS)).up() or ()]
