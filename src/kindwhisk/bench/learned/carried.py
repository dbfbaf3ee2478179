"""What a crumb's probe showed after the oven: by how much the middle went on warming on the rack."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import timedelta

from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.core.baking.carry_over import LEAST_K, LOOKS_ON_S, carry_over
from kindwhisk.core.baking.course import Sets
from kindwhisk.core.baking.predict import done_s
from kindwhisk.core.baking.reference import family
from kindwhisk.core.kitchen import Kitchen, ProbePlace
from kindwhisk.core.learning.dots import Dot
from kindwhisk.core.learning.figures import Figure, effect
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.store.probes import Probes

STILL_IN_K, STILL_IN_S, LEAST_READINGS = 1.5, 90.0, 3
"""A probe that was left in shows no jump in its first readings on the rack. Chosen."""


def carry_effects(kind: str) -> tuple[str, ...]:
    """What a carry-over depends on: the family of its bake."""
    return (effect("family", kind),)


def carried(made: WalkedBake, progress: Progress, kitchen: Kitchen, probes: Probes) -> Iterator[Dot]:
    """A dot for each bake whose probe was left in the crumb on the rack."""
    probe = next((t.id for t in kitchen.thermometers if t.place is ProbePlace.CRUMB), None)
    for step in made.formula.steps:
        own = progress.steps.get(step.id)
        crumb = isinstance(step, BakeStep) and step.sets is Sets.CRUMB
        if probe is None or not crumb or own is None or own.status is not StepStatus.DONE or own.ended_at is None:
            continue
        assert isinstance(step, BakeStep)
        out = own.ended_at
        before = [r.celsius for r in probes.between(probe, out - timedelta(seconds=STILL_IN_S), out)]
        after = [r.celsius for r in probes.between(probe, out, out + timedelta(seconds=LOOKS_ON_S))]
        if not before or len(after) < LEAST_READINGS or abs(after[0] - before[-1]) > STILL_IN_K:
            continue
        rise = max(after) - before[-1]
        if rise < LEAST_K:
            continue
        place = made.places[step.id]
        content = step.in_oven(made.before[step.id], place)
        modelled = carry_over(content, done_s(content), kitchen.air_c).rise_k
        if modelled < LEAST_K:
            continue
        yield Dot(
            id=f"{step.id}/{Figure.CARRY.name.lower()}",
            title=step.title,
            figure=Figure.CARRY,
            effects=carry_effects(family(content)),
            observed=rise,
            modelled=modelled,
        )
