"""The live hub: tells open pages that something is on disk, with resume from the last id seen.

What was written is read from the disk once, however many pages listen; each takes it from there.
"""

from __future__ import annotations

import asyncio
from collections import deque
from collections.abc import AsyncIterator
from datetime import datetime
from threading import Event, Lock

from kindwhisk.core.values.model import Value
from kindwhisk.store.database import Store
from kindwhisk.store.models import EventRow

IDLE_S = 15.0
BETWEEN_READS_S = 0.2
REMEMBERED = 500
"""So many changes are held for those that listen; who was away for longer is told by the disk."""


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


class Told(Value):
    """Something that concerns every page: there is a ``notice`` to look at, or other data were put in place."""

    about: str


NOTICE, RESTORED = Told(about="notice"), Told(about="restored")


def _change(row: EventRow) -> Change:
    return Change(id=row.id, bake=row.bake, sequence=row.sequence, kind=row.kind)


class Hub:
    """Wakes listeners. The events themselves come from the disk, so a listener that was away misses none.

    ``reads`` is set whenever a probe has read something; ``epoch`` counts how often other data were put in place.
    """

    def __init__(self, store: Store) -> None:
        self._store = store
        self._loop: asyncio.AbstractEventLoop | None = None
        self._waiting: set[asyncio.Event] = set()
        self._latest: dict[str, tuple[int, ProbeRead]] = {}
        self._reads = self._notices = self._wakes = 0
        self._lock = Lock()
        self._recent: deque[Change] = deque(maxlen=REMEMBERED)
        self._known_to: int | None = None
        self._looked_at = -1
        self._looking = asyncio.Lock()
        self.reads = Event()
        self.epoch = 0
        self._wake_planned = False

    @property
    def listeners(self) -> int:
        """How many listen now."""
        return len(self._waiting)

    @property
    def heard(self) -> tuple[int, int]:
        """What has been told so far: it differs whenever something was."""
        return self._wakes, self._reads

    def attach(self, loop: asyncio.AbstractEventLoop) -> None:
        """Bind to the loop that listeners run in."""
        self._loop = loop

    def wake(self) -> None:
        """Something was written; may be called from any thread."""
        with self._lock:
            self._wakes += 1
        if self._loop is not None and not self._loop.is_closed():
            self._loop.call_soon_threadsafe(self._wake_all)

    def notice(self) -> None:
        """There is something that every page has to know; may be called from any thread."""
        self._notices += 1
        self.wake()

    def restored(self) -> None:
        """Other data were put in place; may be called from any thread."""
        self.epoch += 1
        self.notice()

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

    async def _since(self, after: int) -> list[Change]:
        """What came after an id: one look at the disk serves all that ask meanwhile."""
        async with self._looking:
            if self._known_to is None:
                self._known_to = await asyncio.to_thread(self._store.bakes.last_event_id)
            if self._looked_at != self._wakes:
                self._looked_at = self._wakes
                while rows := await asyncio.to_thread(self._store.bakes.after, self._known_to):
                    self._recent.extend(_change(row) for row in rows)
                    self._known_to = int(rows[-1].id)
            if after >= self._known_to or (self._recent and self._recent[0].id <= after + 1):
                return [c for c in self._recent if c.id > after]
        return [_change(row) for row in await asyncio.to_thread(self._store.bakes.after, after)]

    async def _from_now(self) -> int:
        """The newest id, after other data were put in place."""
        async with self._looking:
            self._recent.clear()
            self._known_to = await asyncio.to_thread(self._store.bakes.last_event_id)
            return self._known_to

    async def changes(self, after: int) -> AsyncIterator[Change | ProbeRead | Told | None]:
        """Everything after an id, then whatever comes; None when nothing came for a while."""
        heard, noticed, epoch = self._reads, self._notices, self.epoch
        signal = asyncio.Event()
        self._waiting.add(signal)
        try:
            while True:
                signal.clear()
                if epoch != self.epoch:
                    epoch, after = self.epoch, await self._from_now()
                    yield RESTORED
                rows = await self._since(after)
                for row in rows:
                    after = row.id
                    yield row
                heard, told = self._read_since(heard)
                for read in told:
                    yield read
                noticing = noticed != self._notices
                if noticing:
                    noticed = self._notices
                    yield NOTICE
                if rows or told or noticing:
                    continue
                try:
                    await asyncio.wait_for(signal.wait(), IDLE_S)
                except TimeoutError:
                    yield None
        finally:
            self._waiting.discard(signal)
