"""Bakes and their append-only events."""

from __future__ import annotations

from datetime import datetime
from typing import Any, NamedTuple

from peewee import SqliteDatabase, fn

from kindwhisk.core.values.errors import CraftError
from kindwhisk.store.models import BakeRow, EventRow, bound

EARLIER = "earlier"
"""The status of a bake that was read in from a file: there is no more of it than its line."""


class Told(NamedTuple):
    """A bake that is over, in short: what it was of, when it began, and its summary."""

    id: str
    formula: str
    title: str
    started_at: str
    summary: dict[str, Any]


class Bakes:
    """The bakes of one data file."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._bakes, self._events = bound(BakeRow, database), bound(EventRow, database)

    def create(self, **fields: Any) -> None:
        """Keep a new bake, by the fields of its row."""
        self._bakes.create(**fields)

    def find_by_key(self, client_key: str) -> BakeRow | None:
        """The bake that this key started, if it did."""
        found: BakeRow | None = self._bakes.get_or_none(self._bakes.client_key == client_key)
        return found

    def get(self, bake_id: str) -> BakeRow:
        """The bake of that id.

        Raises:
            CraftError: there is none.
        """
        row: BakeRow | None = self._bakes.get_or_none(self._bakes.id == bake_id)
        if row is None:
            raise CraftError(
                f"There is no bake '{bake_id}'.", field="bake_id", remedy="Open it from Today or from the Log."
            )
        return row

    def listed(
        self, status: str | None = None, formula: str | None = None, limit: int = 200, before: str | None = None
    ) -> list[BakeRow]:
        """Bakes, the newest first; only those that are listed after the one of the id ``before``.

        Raises:
            CraftError: there is no such bake.
        """
        rows = self._bakes
        query = rows.select().order_by(rows.started_at.desc(), rows.id.desc()).limit(limit)
        if before is not None:
            last = self.get(before)
            query = query.where(
                (rows.started_at < last.started_at) | ((rows.started_at == last.started_at) & (rows.id < last.id))
            )
        if status is not None:
            query = query.where(self._bakes.status == status)
        if formula is not None:
            query = query.where(self._bakes.formula == formula)
        return list(query)

    def begun(self, since: datetime, until: datetime) -> list[str]:
        """Ids of the bakes that began here in a stretch of time and were not abandoned, the first one first."""
        rows = self._bakes
        begun = rows.started_at.between(since.isoformat(), until.isoformat())
        query = rows.select(rows.id).where(begun, rows.status.not_in(("abandoned", EARLIER))).order_by(rows.started_at)
        return [str(row.id) for row in query]

    def told(self, limit: int = 200) -> list[Told]:
        """Bakes that are over, the newest first, without their documents."""
        fields = (self._bakes.id, self._bakes.formula, self._bakes.title, self._bakes.started_at, self._bakes.summary)
        over = (
            self._bakes.select(*fields)
            .where(self._bakes.summary.is_null(False))
            .order_by(self._bakes.started_at.desc())
        )
        return [Told(r.id, r.formula, r.title, r.started_at, r.summary) for r in over.limit(limit) if r.summary]

    def without(self, field: str) -> list[str]:
        """Ids of bakes that are over and whose summary has no such field."""
        over = self._bakes.select(self._bakes.id).where(self._bakes.summary.is_null(False))
        return [str(r.id) for r in over.where(self._bakes.summary[field].is_null())]

    def events(self, bake_id: str, after: int = 0) -> list[EventRow]:
        """The events of a bake in order; only those after a sequence."""
        rows = self._events
        return list(rows.select().where((rows.bake == bake_id) & (rows.sequence > after)).order_by(rows.sequence))

    def has_key(self, bake_id: str, client_key: str) -> bool:
        """Whether an event with this key is there already."""
        query = self._events.select().where((self._events.bake == bake_id) & (self._events.client_key == client_key))
        return bool(query.exists())

    def append(self, bake_id: str, *, at: str, kind: str, payload: str, client_key: str) -> EventRow:
        """Add an event at the end."""
        last = self._events.select(fn.MAX(self._events.sequence)).where(self._events.bake == bake_id).scalar() or 0
        row: EventRow = self._events.create(
            bake=bake_id, sequence=last + 1, at=at, kind=kind, payload=payload, client_key=client_key
        )
        return row

    def set_outcome(self, bake_id: str, status: str, summary: dict[str, Any] | None) -> None:
        """Keep what the events amount to, for lists and for learning."""
        self._bakes.update(status=status, summary=summary).where(self._bakes.id == bake_id).execute()

    def after(self, event_id: int, limit: int = 500) -> list[EventRow]:
        """Events of all bakes after an id of the live stream."""
        return list(self._events.select().where(self._events.id > event_id).order_by(self._events.id).limit(limit))

    def last_event_id(self) -> int:
        """The newest id of the live stream; 0 before the first event."""
        return int(self._events.select(fn.MAX(self._events.id)).scalar() or 0)

    def latest_moment(self) -> str | None:
        """The latest moment of any event; None before the first."""
        last: str | None = self._events.select(fn.MAX(self._events.at)).scalar()
        return last
