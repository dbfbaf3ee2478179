"""Plans that were taken for a day; each is kept, and the last one is in force."""

from __future__ import annotations

from datetime import UTC, date, datetime

from peewee import SqliteDatabase

from kindwhisk.store.models import DayPlanRow, bound
from kindwhisk.store.writing import Writer


class DayPlans:
    """The plans of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(DayPlanRow, database), writing

    def keep(self, day: date, document: str) -> int:
        """Keep a plan, as JSON; returns its number."""
        with self._writing():
            row = self._rows.create(day=day.isoformat(), made_at=datetime.now(UTC).isoformat(), document=document)
        return int(row.id)

    def last(self, day: date) -> tuple[int, str] | None:
        """The plan in force on a day with its number; None where there is none."""
        row = self._rows.select().where(self._rows.day == day.isoformat()).order_by(self._rows.id.desc()).first()
        return None if row is None else (int(row.id), str(row.document))
