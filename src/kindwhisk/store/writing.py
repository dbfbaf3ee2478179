"""One writer at a time over a data file."""

from __future__ import annotations

from collections.abc import Iterator
from contextlib import contextmanager
from threading import RLock

from peewee import SqliteDatabase


class Writer:
    """Lets one thread write at a time."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._database = database
        self._lock = RLock()

    @contextmanager
    def __call__(self) -> Iterator[None]:
        """What happens inside is on the disk, whole or not at all, when it ends."""
        with self._lock, self._database.atomic("IMMEDIATE"):
            yield
