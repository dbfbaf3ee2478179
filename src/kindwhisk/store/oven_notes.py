"""What is noted of ovens: thermometer readings, browning maps, and what is not to count; append-only."""

from __future__ import annotations

from datetime import UTC, datetime

from kindwhisk.store.models import OvenNote


def keep(oven: str, *, kind: str, payload: str, client_key: str) -> int:
    """Keep a note and return its number; the same key again changes nothing."""
    known: OvenNote | None = OvenNote.get_or_none(OvenNote.client_key == client_key)
    if known is not None:
        return int(known.id)
    row = OvenNote.create(
        oven=oven, at=datetime.now(UTC).isoformat(), kind=kind, payload=payload, client_key=client_key
    )
    return int(row.id)


def listed() -> list[OvenNote]:
    """All notes of all ovens, in order."""
    return list(OvenNote.select().order_by(OvenNote.id))
