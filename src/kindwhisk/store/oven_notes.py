"""What is noted of ovens: thermometer readings, browning maps, and what is not to count; append-only."""

from __future__ import annotations

from datetime import UTC, datetime

from peewee import SqliteDatabase, fn

from kindwhisk.store.models import OvenNote, bound
from kindwhisk.store.writing import Writer


class OvenNotes:
    """The notes of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(OvenNote, database), writing

    def keep(self, oven: str, *, kind: str, payload: str, client_key: str) -> int:
        """Keep a note and return its number; the same key again changes nothing."""
        with self._writing():
            known: OvenNote | None = self._rows.get_or_none(self._rows.client_key == client_key)
            if known is not None:
                return int(known.id)
            row = self._rows.create(
                oven=oven, at=datetime.now(UTC).isoformat(), kind=kind, payload=payload, client_key=client_key
            )
            return int(row.id)

    def listed(self) -> list[OvenNote]:
        """All notes of all ovens, in order."""
        return list(self._rows.select().order_by(self._rows.id))

    def last_id(self) -> int:
        """The number of the newest note; 0 before the first."""
        return int(self._rows.select(fn.MAX(self._rows.id)).scalar() or 0)
