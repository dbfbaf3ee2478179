"""The live hub: tells open pages that something is on disk, with resume from the last id seen."""

from __future__ import annotations

import asyncio
from collections.abc import AsyncIterator

from kindwhisk.core.model import Value
from kindwhisk.store import bakes

IDLE_S = 15.0


class Change(Value):
    """An event of a bake that is now on disk."""

    id: int
    bake: str
    sequence: int
    kind: str


class Hub:
    """Wakes listeners. The events themselves come from the disk, so a listener that was away misses none."""

    def __init__(self) -> None:
        self._loop: asyncio.AbstractEventLoop | None = None
        self._waiting: set[asyncio.Event] = set()

    def attach(self, loop: asyncio.AbstractEventLoop) -> None:
        """Bind to the loop that listeners run in."""
        self._loop = loop

    def wake(self) -> None:
        """Something was written; may be called from any thread."""
        if self._loop is not None and not self._loop.is_closed():
            self._loop.call_soon_threadsafe(self._wake_all)

    def _wake_all(self) -> None:
        for event in self._waiting:
            event.set()

    async def changes(self, after: int) -> AsyncIterator[Change | None]:
        """Everything after an id, then whatever comes; None when nothing came for a while."""
        signal = asyncio.Event()
        self._waiting.add(signal)
        try:
            while True:
                signal.clear()
                rows = await asyncio.to_thread(bakes.after, after)
                for row in rows:
                    after = row.id
                    yield Change(id=row.id, bake=row.bake_id, sequence=row.sequence, kind=row.kind)
                if rows:
                    continue
                try:
                    await asyncio.wait_for(signal.wait(), IDLE_S)
                except TimeoutError:
                    yield None
        finally:
            self._waiting.discard(signal)
