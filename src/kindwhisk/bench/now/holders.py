"""Which bake a probe is in, where several want the same one: the last that began a step with it.

Somebody who says where it is (``probe_placed``) is right.
"""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Mapping
from datetime import datetime, timedelta
from threading import Lock

from kindwhisk.bench.log.document import parse
from kindwhisk.bench.log.log import Logs
from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.log.projection import project
from kindwhisk.core.kitchen import ProbePlace
from kindwhisk.store.database import Store

CARRIED = frozenset({ProbePlace.POT, ProbePlace.BOWL, ProbePlace.CRUMB})
"""Places of probes that go from one thing to the next."""
LONGEST = timedelta(days=2)
"""A bake that began so long before has no step that begins now. Chosen."""
HELD = 64
"""So many bakes are kept at hand, as they were read last."""


class Holders:
    """Of all bakes of a data file. May be asked from any thread."""

    def __init__(self, store: Store, logs: Logs) -> None:
        self._store, self._logs = store, logs
        self._known: OrderedDict[tuple[str, int], Mapping[ProbePlace, tuple[datetime, ...]]] = OrderedDict()
        self._lock = Lock()

    def left_at(self, bake: str, place: ProbePlace | None, since: datetime, until: datetime) -> datetime | None:
        """When the probe of a place went into another bake, after it had gone into this one; None where it did not."""
        if place not in CARRIED:
            return None
        others = (i for i in self._store.bakes.begun(since - LONGEST, until) if i != bake)
        begun = (at for other in others for at in self._starts(other).get(place, ()) if since < at < until)
        return min(begun, default=None)

    def _starts(self, bake: str) -> Mapping[ProbePlace, tuple[datetime, ...]]:
        """When a bake began steps that take a probe as it lives, by its place."""
        log = self._logs.read(bake)
        key = (bake, log.happened[-1].sequence if log.happened else 0)
        with self._lock:
            known = self._known.get(key)
        if known is None:
            known = self._known_from(project(log.happened, log.began_at, log.text))
            with self._lock:
                self._known[key] = known
                while len(self._known) > HELD:
                    self._known.popitem(last=False)
        return known

    @staticmethod
    def _known_from(progress: Progress) -> Mapping[ProbePlace, tuple[datetime, ...]]:
        found: dict[ProbePlace, tuple[datetime, ...]] = {}
        for step in parse(progress.text).formula.steps:
            own = progress.steps.get(step.id)
            if step.probe is None or own is None or own.started_at is None or step.id in progress.probes:
                continue
            if own.status in {StepStatus.RUNNING, StepStatus.DONE} and own.time_counts:
                found[step.probe] = (*found.get(step.probe, ()), own.started_at)
        return found
