"""The kitchen profile, every saved revision of it."""

from __future__ import annotations

from datetime import UTC, datetime
from functools import lru_cache

from peewee import SqliteDatabase

from kindwhisk.core.kitchen import Kitchen
from kindwhisk.store.models import KitchenRevision, bound
from kindwhisk.store.writing import Writer


@lru_cache(maxsize=16)
def _parsed(document: str) -> Kitchen:
    return Kitchen.model_validate_json(document)


class Kitchens:
    """The revisions of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(KitchenRevision, database), writing

    def current(self) -> tuple[int, Kitchen]:
        """The number and the profile in force; a plain kitchen as number 0 when none was saved."""
        row = self._rows.select().order_by(self._rows.id.desc()).first()
        return (0, Kitchen()) if row is None else (row.id, _parsed(row.document))

    def save(self, kitchen: Kitchen) -> int:
        """Keep a new revision; returns its number."""
        with self._writing():
            row = self._rows.create(saved_at=datetime.now(UTC).isoformat(), document=kitchen.model_dump_json())
            return int(row.id)
