"""The log of a bake as it lies on the disk: what it started from, and what happened in it, in order."""

from __future__ import annotations

from collections import OrderedDict
from datetime import datetime
from threading import Lock
from typing import NamedTuple

from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.document import BakeDocument, parse
from kindwhisk.core.values.errors import CraftError
from kindwhisk.store.bakes import EARLIER
from kindwhisk.store.database import Store

HELD_AT_ONCE = 64


class BakeLog(NamedTuple):
    """A bake with its events. ``text`` is the document that it began with."""

    id: str
    title: str
    began_at: datetime
    text: str
    happened: tuple[ev.Happened, ...]

    @property
    def document(self) -> BakeDocument:
        """What it started from."""
        return parse(self.text)

    @property
    def last_at(self) -> datetime:
        """The moment of its last event, or of its beginning."""
        return self.happened[-1].at if self.happened else self.began_at

    def and_then(self, event: ev.Happened) -> BakeLog:
        """The same log with one more event."""
        return self._replace(happened=(*self.happened, event))


class Logs:
    """Reads logs. Events are only ever added, so those that were read once are not read again."""

    def __init__(self, store: Store) -> None:
        self._store = store
        self._held: OrderedDict[str, BakeLog] = OrderedDict()
        self._lock = Lock()

    def read(self, bake_id: str) -> BakeLog:
        """The log of a bake.

        Raises:
            CraftError: there is no such bake.
        """
        with self._lock:
            known = self._held.get(bake_id)
        if known is None:
            row = self._store.bakes.get(bake_id)
            if row.status == EARLIER:
                raise CraftError(
                    "That bake was read in from a file: there is no more of it than its line in the Log.",
                    field="bake_id",
                    remedy="See its line, or put it beside another one.",
                )
            known = BakeLog(str(row.id), str(row.title), datetime.fromisoformat(row.started_at), str(row.document), ())
        new = self._store.bakes.events(bake_id, after=known.happened[-1].sequence if known.happened else 0)
        if new:
            known = known._replace(happened=(*known.happened, *(_happened(r.sequence, r.at, r.payload) for r in new)))
        with self._lock:
            self._held[bake_id] = known
            self._held.move_to_end(bake_id)
            while len(self._held) > HELD_AT_ONCE:
                self._held.popitem(last=False)
        return known

    def add(self, log: BakeLog, at: datetime, event: ev.BenchEvent) -> BakeLog:
        """Write an event at the end of a log, inside the caller's transaction; the log with it."""
        row = self._store.bakes.append(
            log.id, at=at.isoformat(), kind=event.kind, payload=event.model_dump_json(), client_key=event.client_key
        )
        return log.and_then(ev.Happened(sequence=row.sequence, at=at, event=event))


def _happened(sequence: int, at: str, payload: str) -> ev.Happened:
    return ev.Happened(sequence=sequence, at=datetime.fromisoformat(at), event=ev.event_adapter.validate_json(payload))
