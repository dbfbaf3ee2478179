"""Bakes and their append-only events."""

from __future__ import annotations

from typing import Any, NamedTuple

from peewee import fn

from kindwhisk.core.values.errors import CraftError
from kindwhisk.store.models import BakeRow, EventRow


def create(row: BakeRow) -> None:
    """Keep a new bake."""
    row.save(force_insert=True)


def find_by_key(client_key: str) -> BakeRow | None:
    """The bake that this key started, if it did."""
    found: BakeRow | None = BakeRow.get_or_none(BakeRow.client_key == client_key)
    return found


def get(bake_id: str) -> BakeRow:
    """The bake of that id.

    Raises:
        CraftError: there is none.
    """
    row: BakeRow | None = BakeRow.get_or_none(BakeRow.id == bake_id)
    if row is None:
        raise CraftError(
            f"There is no bake '{bake_id}'.", field="bake_id", remedy="Open it from Today or from the Log."
        )
    return row


def listed(status: str | None = None, formula: str | None = None, limit: int = 200) -> list[BakeRow]:
    """Bakes, the newest first."""
    query = BakeRow.select().order_by(BakeRow.started_at.desc()).limit(limit)
    if status is not None:
        query = query.where(BakeRow.status == status)
    if formula is not None:
        query = query.where(BakeRow.formula == formula)
    return list(query)


class Told(NamedTuple):
    """A bake that is over, in short: what it was of, when it began, and its summary."""

    id: str
    formula: str
    title: str
    started_at: str
    summary: dict[str, Any]


def told(limit: int = 200) -> list[Told]:
    """Bakes that are over, the newest first, without their documents."""
    fields = (BakeRow.id, BakeRow.formula, BakeRow.title, BakeRow.started_at, BakeRow.summary)
    over = BakeRow.select(*fields).where(BakeRow.summary.is_null(False)).order_by(BakeRow.started_at.desc())
    return [Told(r.id, r.formula, r.title, r.started_at, r.summary) for r in over.limit(limit) if r.summary]


def events(bake_id: str) -> list[EventRow]:
    """All events of a bake in order."""
    return list(EventRow.select().where(EventRow.bake == bake_id).order_by(EventRow.sequence))


def has_key(bake_id: str, client_key: str) -> bool:
    """Whether an event with this key is there already."""
    query = EventRow.select().where((EventRow.bake == bake_id) & (EventRow.client_key == client_key))
    return bool(query.exists())


def append(bake_id: str, *, at: str, kind: str, payload: str, client_key: str) -> EventRow:
    """Add an event at the end."""
    last = EventRow.select(fn.MAX(EventRow.sequence)).where(EventRow.bake == bake_id).scalar() or 0
    row: EventRow = EventRow.create(
        bake=bake_id, sequence=last + 1, at=at, kind=kind, payload=payload, client_key=client_key
    )
    return row


def set_outcome(bake_id: str, status: str, summary: dict[str, Any] | None) -> None:
    """Keep what the events amount to, for lists and for learning."""
    BakeRow.update(status=status, summary=summary).where(BakeRow.id == bake_id).execute()


def after(event_id: int, limit: int = 500) -> list[EventRow]:
    """Events of all bakes after an id of the live stream."""
    return list(EventRow.select().where(EventRow.id > event_id).order_by(EventRow.id).limit(limit))


def last_event_id() -> int:
    """The newest id of the live stream; 0 before the first event."""
    return int(EventRow.select(fn.MAX(EventRow.id)).scalar() or 0)


def latest_moment() -> str | None:
    """The latest moment of any event; None before the first."""
    last: str | None = EventRow.select(fn.MAX(EventRow.at)).scalar()
    return last
