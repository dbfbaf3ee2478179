"""How warm results are that a thermometer was in: a crumb as it was left, and what it has lost since."""

from __future__ import annotations

import math
from datetime import datetime

from kindwhisk.bench.log.document import digest
from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.now.following import Following, StepAtHand
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.steps.base import StepBase

STEP_S, STEP_K = 30.0, 0.5
"""So coarse is what it loses told, that nothing is computed anew each second. Chosen."""


def warmth_seen(
    bake: str, made: WalkedBake, progress: Progress, following: Following, kitchen: Kitchen, now: datetime
) -> tuple[tuple[str, float], ...]:
    """How warm (C) each finished result is now, or was when it was taken, by its own last reading."""
    found = []
    for step in made.formula.steps:
        own = progress.steps.get(step.id)
        if not step.ends_as_read or own is None or own.status is not StepStatus.DONE or own.ended_at is None:
            continue
        at = StepAtHand(
            bake, digest(made.text), step, made.at_first(step.id), made.materials[step.id], made.places[step.id]
        )
        seen = following.watch(at, progress, kitchen, now)
        if seen is None or seen.watch.now_c is None:
            continue
        taken = [
            t.started_at
            for s in made.formula.steps
            if step.id in s.taken_from and (t := progress.steps.get(s.id)) and t.started_at is not None
        ]
        waited = max(0.0, (min(taken, default=now) - own.ended_at).total_seconds())
        waited = waited if taken else STEP_S * math.floor(waited / STEP_S)
        air = kitchen.air_c
        left = math.exp(-waited / _tau_s(step, made, air))
        celsius = air + (seen.watch.now_c - air) * left
        found.append((step.id, STEP_K * round(celsius / STEP_K)))
    return tuple(found)


def _tau_s(step: StepBase, made: WalkedBake, air_c: float) -> float:
    """The pace at which a result closes in on the air, by its step's own forecast."""
    before, after = made.before[step.id].temperature_c, made.materials[step.id].temperature_c
    if (after - air_c) * (before - air_c) <= 0 or abs(after - air_c) >= abs(before - air_c):
        return math.inf
    return max(60.0, made.forecast.step(step.id).duration_s.likely / math.log((before - air_c) / (after - air_c)))
