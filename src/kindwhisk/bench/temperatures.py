"""A running step followed by its thermometers: outside probes and typed readings together, in their order."""

from __future__ import annotations

from collections import OrderedDict
from dataclasses import dataclass
from datetime import datetime
from threading import Lock

from kindwhisk.bench.projection import Progress, StepStatus
from kindwhisk.core.bands import Quantity
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.material import Material
from kindwhisk.core.model import Value
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.watching import Watch, Watching
from kindwhisk.store import probes

FOLLOWED_AT_ONCE = 64


@dataclass
class Followed:
    """A step with what its readings have told so far; ``last_ms`` is the moment of the last one that was taken."""

    watching: Watching
    probe: str | None
    typed: tuple[tuple[int, float], ...] = ()
    last_ms: int = -1
    from_probe: int = 0


class StepWatch(Value):
    """What a step's readings tell, and the probe that they came from."""

    watch: Watch
    probe: str | None


Key = tuple[str, str, datetime]
_followed: OrderedDict[Key, Followed] = OrderedDict()
_guard = Lock()


def probe_for(step: Step, progress: Progress, kitchen: Kitchen, since: datetime, until: datetime) -> str | None:
    """The probe that follows a step: the one put there, else the one whose place it is and that has sent something."""
    placed = progress.probes.get(step.id)
    if placed is not None:
        return placed or None
    if step.probe is None:
        return None
    there = [t.id for t in kitchen.thermometers if t.place is step.probe]
    return next((i for i in there if probes.count(i, since, until)), there[0] if there else None)


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
    probe = probe_for(step, progress, kitchen, since, until)
    typed = tuple(
        (probes.milliseconds(r.at), r.value)
        for r in progress.readings
        if r.step == step.id and r.quantity is Quantity.CONTENT_TEMPERATURE and since <= r.at <= until
    )
    key = (bake, step.id, since)
    with _guard:
        known = _followed.get(key)
        if known is None or not _goes_on(known, probe, typed, since, until):
            watching = step.watching(*materials, setting)
            if watching is None:
                return None
            known = Followed(watching, probe)
        new = probes.between(probe, since, until, after_ms=known.last_ms) if probe else []
        known.from_probe += len(new)
        began = probes.milliseconds(since)
        for at_ms, celsius in sorted([*((k.at_ms, k.celsius) for k in new), *typed[len(known.typed) :]]):
            known.watching.take((at_ms - began) / 1000, celsius)
            known.last_ms = max(known.last_ms, at_ms)
        known.typed = typed
        _followed[key] = known
        _followed.move_to_end(key)
        while len(_followed) > FOLLOWED_AT_ONCE:
            _followed.popitem(last=False)
        return StepWatch(watch=known.watching.view((until - since).total_seconds()), probe=probe)


def _goes_on(
    known: Followed, probe: str | None, typed: tuple[tuple[int, float], ...], since: datetime, until: datetime
) -> bool:
    """Whether the new readings only add to those that were taken."""
    if known.probe != probe or known.typed != typed[: len(known.typed)] or known.last_ms > probes.milliseconds(until):
        return False
    if any(ms <= known.last_ms for ms, _ in typed[len(known.typed) :]):
        return False
    return probe is None or probes.count(probe, since, known.last_ms) == known.from_probe
