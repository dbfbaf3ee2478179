"""The live hub: tells open pages that something is on disk, with resume from the last id seen."""

from __future__ import annotations

import asyncio
from collections.abc import AsyncIterator
from datetime import datetime
from threading import Event, Lock

from kindwhisk.core.values.model import Value
from kindwhisk.store.database import Store

IDLE_S = 15.0
BETWEEN_READS_S = 0.2


class Change(Value):
    """An event of a bake that is now on disk."""

    id: int
    bake: str
    sequence: int
    kind: str


class ProbeRead(Value):
    """The latest reading of a probe (C) that is now on disk."""

    probe: str
    at: datetime
    celsius: float


class Hub:
    """Wakes listeners. The events themselves come from the disk, so a listener that was away misses none.

    ``reads`` is set whenever a probe has read something.
    """

    def __init__(self, store: Store) -> None:
        self._store = store
        self._loop: asyncio.AbstractEventLoop | None = None
        self._waiting: set[asyncio.Event] = set()
        self._latest: dict[str, tuple[int, ProbeRead]] = {}
        self._reads = 0
        self._lock = Lock()
        self.reads = Event()
        self._wake_planned = False

    def attach(self, loop: asyncio.AbstractEventLoop) -> None:
        """Bind to the loop that listeners run in."""
        self._loop = loop

    def wake(self) -> None:
        """Something was written; may be called from any thread."""
        if self._loop is not None and not self._loop.is_closed():
            self._loop.call_soon_threadsafe(self._wake_all)

    def read(self, probe: str, at: datetime, celsius: float) -> None:
        """A probe's reading was written; listeners are told a few times a second at most."""
        self.reads.set()
        with self._lock:
            self._reads += 1
            self._latest[probe] = (self._reads, ProbeRead(probe=probe, at=at, celsius=celsius))
        if self._loop is not None and not self._loop.is_closed():
            self._loop.call_soon_threadsafe(self._wake_soon)

    def _wake_soon(self) -> None:
        if not self._wake_planned and self._loop is not None:
            self._wake_planned = True
            self._loop.call_later(BETWEEN_READS_S, self._wake_all)

    def _wake_all(self) -> None:
        self._wake_planned = False
        for event in self._waiting:
            event.set()

    def _read_since(self, heard: int) -> tuple[int, list[ProbeRead]]:
        """How many readings there were by now, and the latest one of each probe that read since so many."""
        with self._lock:
            return self._reads, [read for number, read in self._latest.values() if number > heard]

    async def changes(self, after: int) -> AsyncIterator[Change | ProbeRead | None]:
        """Everything after an id, then whatever comes; None when nothing came for a while."""
        heard = self._reads
        signal = asyncio.Event()
        self._waiting.add(signal)
        try:
            while True:
                signal.clear()
                rows = await asyncio.to_thread(self._store.bakes.after, after)
                for row in rows:
                    after = row.id
                    yield Change(id=row.id, bake=row.bake, sequence=row.sequence, kind=row.kind)
                heard, told = self._read_since(heard)
                for read in told:
                    yield read
                if rows or told:
                    continue
                try:
                    await asyncio.wait_for(signal.wait(), IDLE_S)
                except TimeoutError:
                    yield None
        finally:
            self._waiting.discard(signal)
