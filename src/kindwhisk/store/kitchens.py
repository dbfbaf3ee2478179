"""The kitchen profile, every saved revision of it."""

from __future__ import annotations

from datetime import UTC, datetime

from kindwhisk.core.kitchen import Kitchen
from kindwhisk.store.models import KitchenRevision


def current() -> tuple[int, Kitchen]:
    """The revision in force and its number; a plain kitchen as number 0 when none was saved."""
    row = KitchenRevision.select().order_by(KitchenRevision.id.desc()).first()
    return (0, Kitchen()) if row is None else (row.id, Kitchen.model_validate_json(row.document))


def save(kitchen: Kitchen) -> int:
    """Keep a new revision; returns its number."""
    row = KitchenRevision.create(saved_at=datetime.now(UTC).isoformat(), document=kitchen.model_dump_json())
    return int(row.id)
