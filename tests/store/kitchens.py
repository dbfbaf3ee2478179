"""A small kitchen on the disk."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from pathlib import Path

from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.store.database import Store, open_store
from kindwhisk.store.probes import StoredReading, milliseconds

NOON = datetime(2026, 11, 2, 12, 0, tzinfo=UTC)


def a_kitchen(folder: Path, bakes: int = 1) -> Store:
    """Open, with two formulas, a kitchen, some bakes with two events each, and 300 readings."""
    store = open_store(folder)
    store.kitchens.save(demo_kitchen())
    for formula in demo_formulas()[:2]:
        store.formulas.save(formula)
    for n in range(bakes):
        with store.writing():
            store.bakes.create(
                id=f"bake-{n}", formula="tea-chiffon", version=1, title="Tea chiffon", started_at=NOON.isoformat(),
                status="running", client_key=f"key-{n}", document='{"a":1}',
            )  # fmt: skip
            for k in range(2):
                store.bakes.append(
                    f"bake-{n}", at=(NOON + timedelta(minutes=k)).isoformat(), kind="note_added",
                    payload='{"kind":"note_added","text":"=tea"}', client_key=f"note-{k}",
                )  # fmt: skip
    first = milliseconds(NOON)
    store.probes.keep([StoredReading("pot", f"k{s}", first + 1000 * s, 20 + s / 7, 19.5 + s / 7) for s in range(300)])
    return store
