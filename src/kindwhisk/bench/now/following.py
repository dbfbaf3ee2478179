"""Running steps followed by their thermometers: outside probes and typed readings together, in their order.

What readings have told of a step follows from the step and its readings alone. To spare taking thousands of them at
each look, what was told by some moments is kept, in memory and on the disk. A look goes on from the latest of those
that still hold: that rest on the same step, the same typed readings, and all probe readings up to their moment.
"""

from __future__ import annotations

import hashlib
from collections import OrderedDict
from dataclasses import dataclass, field
from datetime import datetime
from functools import cache
from operator import itemgetter
from pathlib import Path
from threading import Lock
from typing import NamedTuple

import kindwhisk.core
from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.now.holders import Holders
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.kitchen import Kitchen, ProbePlace
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.watching import Watch, Watching
from kindwhisk.core.values.memory import from_text, to_text
from kindwhisk.core.values.model import Value
from kindwhisk.store.checkpoints import StoredCheckpoint
from kindwhisk.store.database import Store
from kindwhisk.store.probes import milliseconds

FOLLOWED_AT_ONCE = 64
CHECKED_EVERY = 50
"""After so many readings what they told is kept on the disk: that few are taken again after a start."""
CHECKPOINTS = 6
READ_AT_ONCE = 20_000

Typed = tuple[tuple[int, float], ...]
"""Typed readings: milliseconds since 1970, and C."""


class StepWatch(Value):
    """What a step's readings tell, and the probe that they came from; ``beside`` is one around it, as the oven's."""

    watch: Watch
    probe: str | None
    beside: str | None = None


class StepAtHand(NamedTuple):
    """A step with what its watching is made from; ``origin`` stands for the document of its bake."""

    bake: str
    origin: str
    step: Step
    before: Material
    after: Material
    setting: Setting


class _Stretch(NamedTuple):
    """Which readings count: since when, until when (both in milliseconds since 1970), of which probes."""

    since_ms: int
    until_ms: int
    probe: str | None
    beside: str | None
    typed: Typed
    left_ms: int | None = None
    """When the probe inside went elsewhere."""

    @property
    def probes(self) -> list[tuple[str, bool]]:
        """The probes, and whether each is the one inside."""
        return [(name, inside) for name, inside in ((self.probe, True), (self.beside, False)) if name]

    def typed_by(self, at_ms: int) -> str:
        """The typed readings up to a moment, in short."""
        return _digest(*(f"{ms}:{c!r}" for ms, c in self.typed if ms <= at_ms))


@dataclass
class _Followed:
    """A step that is followed: the watching as it stands, and what it told by earlier moments."""

    basis: str
    watching: Watching | None = None
    at_ms: int = -1
    upto_id: int = 0
    typed: str = ""
    unkept: int = 0
    checkpoints: list[StoredCheckpoint] = field(default_factory=list)
    lock: Lock = field(default_factory=Lock)


def _digest(*parts: str) -> str:
    return hashlib.sha256("\n".join(parts).encode()).hexdigest()[:24]


@cache
def _craft() -> str:
    """The craft that this server works by: what another version of it remembered is not gone on from."""
    folder = Path(kindwhisk.core.__file__).parent
    return _digest(*(hashlib.sha256(f.read_bytes()).hexdigest() for f in sorted(folder.rglob("*.py"))))


class Following:
    """Follows the steps of all bakes of a data file. May be asked from any thread."""

    def __init__(self, store: Store, holders: Holders) -> None:
        self._store, self._holders = store, holders
        self._followed: OrderedDict[tuple[str, str], _Followed] = OrderedDict()
        self._lock = Lock()

    def watch(self, at: StepAtHand, progress: Progress, kitchen: Kitchen, now: datetime) -> StepWatch | None:
        """The step with all readings up to a moment; None for one that no thermometer follows."""
        own = progress.steps.get(at.step.id)
        if own is None or own.started_at is None or own.status not in {StepStatus.RUNNING, StepStatus.DONE}:
            return None
        since, until = own.started_at, min(now, own.ended_at or now)
        since_ms, until_ms = milliseconds(since), milliseconds(until)
        placed = progress.probes.get(at.step.id)
        probe = self._living_in(at.step.probe, kitchen, since_ms, until_ms) if placed is None else placed or None
        left = None if placed is not None else self._left_at(at, kitchen, since, until)
        stretch = _Stretch(
            since_ms,
            until_ms,
            probe,
            self._living_in(at.step.beside, kitchen, since_ms, until_ms),
            tuple(
                (milliseconds(r.at), r.value)
                for r in progress.readings
                if r.step == at.step.id and r.quantity is at.step.reads and since <= r.at <= until
            ),
            left,
        )
        basis = _digest(
            _craft(),
            at.origin,
            at.before.model_dump_json(),
            at.after.model_dump_json(),
            repr(at.setting.tins),
            f"{at.step.id} {since_ms} {stretch.probe} {stretch.beside} {left}",
        )
        known = self._known(at, basis)
        with known.lock:
            watching = self._taken(at, known, stretch)
            if watching is None:
                return None
            view = watching.view((until - since).total_seconds())
        if left is not None:
            # What it read last is not what it is now.
            view = view.model_copy(update={"now_c": None})
        return StepWatch(watch=view, probe=stretch.probe if left is None else None, beside=stretch.beside)

    def _left_at(self, at: StepAtHand, kitchen: Kitchen, since: datetime, until: datetime) -> int | None:
        """When the probe of the step's place went into another bake, where there is one alone."""
        if sum(t.place is at.step.probe for t in kitchen.thermometers) != 1:
            return None
        left = self._holders.left_at(at.bake, at.step.probe, since, until)
        return None if left is None else milliseconds(left)

    def humidity_percent(self, kitchen: Kitchen, since: datetime, until: datetime) -> float | None:
        """What the room's hygrometer read in a stretch of time, in the mean; None where there is none, or it was
        silent. In whole percent: no forecast is surer."""
        own = kitchen.hygrometer
        if own is None:
            return None
        mean = self._store.probes.mean(own.id, milliseconds(since), milliseconds(until))
        return None if mean is None else float(round(mean))

    def _living_in(self, place: ProbePlace | None, kitchen: Kitchen, since_ms: int, until_ms: int) -> str | None:
        """The thermometer of a place: the first one there that has sent something, else the first."""
        there = [t.id for t in kitchen.thermometers if place is not None and t.place is place]
        sent = (i for i in there if self._store.probes.has_any(i, since_ms, until_ms))
        return there[0] if len(there) == 1 else next(sent, there[0] if there else None)

    def _known(self, at: StepAtHand, basis: str) -> _Followed:
        key = (at.bake, at.step.id)
        with self._lock:
            known = self._followed.get(key)
            if known is None or known.basis != basis:
                held = [c for c in self._store.checkpoints.of(*key) if c.basis == basis]
                known = self._followed[key] = _Followed(basis, checkpoints=held)
            self._followed.move_to_end(key)
            while len(self._followed) > FOLLOWED_AT_ONCE:
                self._followed.popitem(last=False)
        return known

    def _holds(self, at_ms: int, from_id: int, typed: str, stretch: _Stretch, upto_id: int) -> bool:
        """Whether something told by a moment still holds: nothing that lies before it has come or gone since."""
        if typed != stretch.typed_by(at_ms):
            return False
        late = self._store.probes.came_late
        return not any(late(p, stretch.since_ms, at_ms, from_id, upto_id) for p, _ in stretch.probes)

    def _taken(self, at: StepAtHand, known: _Followed, stretch: _Stretch) -> Watching | None:
        """The step's watching with all of the stretch's readings taken."""
        upto_id = self._store.probes.last_id()
        live = known.watching
        if live is not None and not self._holds(known.at_ms, known.upto_id, known.typed, stretch, upto_id):
            live = known.watching = None
        from_ms = known.at_ms
        if (
            live is None
            or from_ms > stretch.until_ms
            or any(from_ms < c.at_ms <= stretch.until_ms for c in known.checkpoints)
        ):
            made = at.step.watching(at.before, at.after, at.setting)
            if made is None:
                return None
            from_ms = self._resume(made, known, stretch, upto_id)
            if live is not None and known.at_ms > stretch.until_ms:
                # A look at an earlier moment: what is known of later ones stays.
                self._take(made, from_ms, stretch, upto_id)
                return made
            live = known.watching = made
            known.unkept = 0
        number, last_ms = self._take(live, from_ms, stretch, upto_id)
        known.at_ms, known.upto_id, known.typed = last_ms, upto_id, stretch.typed_by(last_ms)
        known.unkept += number
        if known.unkept >= CHECKED_EVERY:
            self._check(at, known, live)
        return live

    def _resume(self, watching: Watching, known: _Followed, stretch: _Stretch, upto_id: int) -> int:
        """Let it go on from the latest checkpoint that holds, and return its moment; those that don't are dropped."""
        for checkpoint in reversed(known.checkpoints):
            if checkpoint.at_ms > stretch.until_ms:
                continue
            memory = from_text(checkpoint.memory)
            if self._holds(checkpoint.at_ms, checkpoint.upto_id, memory["typed"], stretch, upto_id):
                watching.remember(memory["watching"])
                return checkpoint.at_ms
            known.checkpoints.remove(checkpoint)
        return -1

    def _take(self, watching: Watching, after_ms: int, stretch: _Stretch, upto_id: int) -> tuple[int, int]:
        """Take what is later than ``after_ms``; how many that were, and the moment of the last one."""
        number, last_ms, page = 0, after_ms, READ_AT_ONCE
        while True:
            found = [(ms, watching.take_by_hand, c) for ms, c in stretch.typed if ms > last_ms]
            from_ms, upto_ms = max(stretch.since_ms, last_ms + 1), stretch.until_ms
            for name, inside in stretch.probes:
                last = min(stretch.until_ms, stretch.left_ms or stretch.until_ms) if inside else stretch.until_ms
                rows = self._store.probes.between_ms(name, from_ms, last, upto_id, page)
                take = watching.take if inside else watching.take_beside
                found += [(ms, take, c) for ms, c in rows]
                if len(rows) == page:
                    # Of a moment that was cut in two, nothing yet.
                    upto_ms = min(upto_ms, rows[-1][0] - 1)
            if upto_ms < from_ms and upto_ms < stretch.until_ms:
                page *= 2
                continue
            for ms, take, celsius in sorted((r for r in found if r[0] <= upto_ms), key=itemgetter(0)):
                take((ms - stretch.since_ms) / 1000, celsius)
                number, last_ms = number + 1, ms
            if upto_ms == stretch.until_ms:
                return number, last_ms
            last_ms = upto_ms

    def _check(self, at: StepAtHand, known: _Followed, watching: Watching) -> None:
        """Keep what was told by now on the disk; of earlier moments ever fewer the further back they lie."""
        memory = to_text({"typed": known.typed, "watching": watching.remembered()})
        now = StoredCheckpoint(known.at_ms, known.basis, known.upto_id, memory)
        known.checkpoints = thinned([*(c for c in known.checkpoints if c.at_ms < known.at_ms), now])
        known.unkept = 0
        self._store.checkpoints.replace(at.bake, at.step.id, known.checkpoints)


def thinned(checkpoints: list[StoredCheckpoint]) -> list[StoredCheckpoint]:
    """At most :data:`CHECKPOINTS` of them: the newest, and before it ever fewer the further back they lie."""
    kept = list(checkpoints)
    while len(kept) > CHECKPOINTS:
        newest = kept[-1].at_ms
        # Of all between the oldest and the newest, the one whose neighbours lie nearest for its age.
        ages = [newest - c.at_ms + 1 for c in kept]
        least = min(range(1, len(kept) - 1), key=lambda i: ages[i - 1] / ages[i + 1])
        del kept[least]
    return kept
