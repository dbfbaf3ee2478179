"""One writer at a time over a data file; what could not be kept is said, never acknowledged."""

from __future__ import annotations

from collections.abc import Callable, Iterator
from contextlib import contextmanager
from sqlite3 import Error
from threading import RLock

from peewee import DatabaseError, InterfaceError, SqliteDatabase

from kindwhisk.store.keeping.standing import Standing
from kindwhisk.store.trouble import trouble_of


class Writer:
    """Lets one thread write at a time."""

    def __init__(self, database: SqliteDatabase, standing: Standing) -> None:
        self._database, self._standing = database, standing
        self._lock = RLock()
        self.on_undone: list[Callable[[], None]] = []
        """What is to be done once something that was begun was not kept."""

    @contextmanager
    def _alone(self) -> Iterator[None]:
        with self._lock:
            self._standing.check()
            try:
                yield
            except (Error, DatabaseError, InterfaceError) as error:
                why = trouble_of(error)
                if why is None:
                    raise
                raise self._standing.hit(why) from error
            self._standing.check()

    @contextmanager
    def mending(self) -> Iterator[None]:
        """Nobody writes while all of the data are put right; what happens inside is no transaction of this.

        Raises:
            DataTrouble: the data file did not take it, or is not where it was.
        """
        with self._alone():
            yield
            self._standing.mended()

    def try_out(self) -> None:
        """Write what changes nothing, to see whether it can be done again.

        Raises:
            DataTrouble: it can't.
        """
        with self():
            version = self._database.pragma("user_version")
            self._database.pragma("user_version", version + 1)
            self._database.pragma("user_version", version)

    @contextmanager
    def __call__(self) -> Iterator[None]:
        """What happens inside is on the disk, whole or not at all, when it ends.

        Raises:
            DataTrouble: the data file did not take it, or is not where it was.
        """
        try:
            with self._alone():
                self._standing.check_sound()
                with self._database.atomic("IMMEDIATE"):
                    yield
            self._standing.went_well()
        except BaseException:
            for undone in self.on_undone:
                undone()
            raise
