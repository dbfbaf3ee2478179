"""A running step followed by its thermometers: outside probes and typed readings together, in their order."""

from __future__ import annotations

from collections import OrderedDict
from dataclasses import dataclass, field
from datetime import datetime
from threading import Lock

from kindwhisk.bench.log.projection import Progress, StepStatus
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.kitchen import Kitchen, ProbePlace
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.watching import Watch, Watching
from kindwhisk.core.values.model import Value
from kindwhisk.store import probes

FOLLOWED_AT_ONCE = 64


Typed = tuple[tuple[int, float], ...]


@dataclass
class Followed:
    """A step with what its readings have told so far; ``last_ms`` is the moment of the last one that was taken.

    ``beside`` is a probe around it, such as the oven's; ``taken`` counts what came from each probe.
    """

    watching: Watching
    probe: str | None
    beside: str | None = None
    typed: Typed = ()
    last_ms: int = -1
    taken: dict[str, int] = field(default_factory=dict)


class StepWatch(Value):
    """What a step's readings tell, and the probe that they came from."""

    watch: Watch
    probe: str | None
    beside: str | None = None


Key = tuple[str, str, datetime]
_followed: OrderedDict[Key, Followed] = OrderedDict()
_guard = Lock()


def _living_in(place: ProbePlace | None, kitchen: Kitchen, since: datetime, until: datetime) -> str | None:
    """The thermometer of a place: the first one there that has sent something, else the first."""
    there = [t.id for t in kitchen.thermometers if place is not None and t.place is place]
    return next((i for i in there if probes.count(i, since, until)), there[0] if there else None)


def probe_for(step: Step, progress: Progress, kitchen: Kitchen, since: datetime, until: datetime) -> str | None:
    """The probe that follows a step: the one put there, else the one whose place it is and that has sent something."""
    placed = progress.probes.get(step.id)
    if placed is not None:
        return placed or None
    return _living_in(step.probe, kitchen, since, until)


def watched(
    bake: str,
    step: Step,
    progress: Progress,
    kitchen: Kitchen,
    materials: tuple[Material, Material],
    setting: Setting,
    now: datetime,
) -> StepWatch | None:
    """The step with all readings up to a moment; None for one that no thermometer follows.

    What was taken once is not taken again: only a reading that comes late, or one that was taken back, starts it
    afresh. The answer is the same either way.
    """
    own = progress.steps.get(step.id)
    if own is None or own.started_at is None or own.status not in {StepStatus.RUNNING, StepStatus.DONE}:
        return None
    since, until = own.started_at, min(now, own.ended_at or now)
    probe, beside = probe_for(step, progress, kitchen, since, until), _living_in(step.beside, kitchen, since, until)
    typed = tuple(
        (probes.milliseconds(r.at), r.value)
        for r in progress.readings
        if r.step == step.id and r.quantity is step.reads and since <= r.at <= until
    )
    key = (bake, step.id, since)
    with _guard:
        known = _followed.get(key)
        if known is None or not _goes_on(known, probe, beside, typed, since, until):
            watching = step.watching(*materials, setting)
            if watching is None:
                return None
            known = Followed(watching, probe, beside)
        began, after_ms = probes.milliseconds(since), known.last_ms
        events = [(ms, True, c) for ms, c in typed[len(known.typed) :]]
        for name, inside in ((probe, True), (beside, False)):
            new = probes.between(name, since, until, after_ms=after_ms) if name else []
            events += [(k.at_ms, inside, k.celsius) for k in new]
            if name:
                known.taken[name] = known.taken.get(name, 0) + len(new)
        for at_ms, inside, celsius in sorted(events):
            take = known.watching.take if inside else known.watching.take_beside
            take((at_ms - began) / 1000, celsius)
            known.last_ms = max(known.last_ms, at_ms)
        known.typed = typed
        _followed[key] = known
        _followed.move_to_end(key)
        while len(_followed) > FOLLOWED_AT_ONCE:
            _followed.popitem(last=False)
        view = known.watching.view((until - since).total_seconds())
        return StepWatch(watch=view, probe=probe, beside=beside)


def _goes_on(
    known: Followed, probe: str | None, beside: str | None, typed: Typed, since: datetime, until: datetime
) -> bool:
    """Whether the new readings only add to those that were taken."""
    if (known.probe, known.beside) != (probe, beside) or known.typed != typed[: len(known.typed)]:
        return False
    if known.last_ms > probes.milliseconds(until) or any(ms <= known.last_ms for ms, _ in typed[len(known.typed) :]):
        return False
    return all(probes.count(name, since, known.last_ms) == known.taken.get(name, 0) for name in (probe, beside) if name)
