"""What was cooked and cools: from hot to cold in two stages, as its readings tell, against the kitchen's own rule."""

from __future__ import annotations

from datetime import datetime

from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.finished import perishable
from kindwhisk.core.process.formula import upstream
from kindwhisk.core.shelf_life.cooling_rule import CooledDown, judge
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.model import Value

COUNTED = frozenset({Quantity.CONTENT_TEMPERATURE, Quantity.CORE_TEMPERATURE})


class CooledNow(Value):
    """Something that was cooked in a step and cools since: the step, its title, and how it goes."""

    step: str
    title: str
    cooled: CooledDown


def cooled_now(made: WalkedBake, progress: Progress, kitchen: Kitchen, now: datetime) -> tuple[CooledNow, ...]:
    """Every content with egg or dairy that a step cooked hotter than the rule begins at, and no oven baked since.

    It counts from readings alone: the end of the cooking, and what was read at the steps that its content went to.
    """
    rule, found = kitchen.cooling, []
    for step in made.formula.steps:
        own = progress.steps.get(step.id)
        hot = made.materials[step.id]
        cooked = hot.temperature_c >= rule.from_c and made.before[step.id].temperature_c < hot.temperature_c
        if own is None or own.status is not StepStatus.DONE or own.ended_at is None or not cooked:
            continue
        if not perishable(hot):
            continue
        after = {s.id for s in made.formula.steps if step.id in upstream(made.formula, s.id)}
        if any(made.materials[i].baked and not perishable(made.materials[i]) for i in after):
            continue
        began = own.ended_at
        points = [(0.0, hot.temperature_c)] + [
            ((r.at - began).total_seconds(), r.value)
            for r in progress.readings
            if r.step in after and r.quantity in COUNTED and r.counts and r.at >= began
        ]
        until = (now - began).total_seconds()
        found.append(CooledNow(step=step.id, title=step.title, cooled=judge(_over(points, rule.from_c), until, rule)))
    return tuple(found)


def _over(points: list[tuple[float, float]], from_c: float) -> list[tuple[float, float]]:
    """From the moment at which it was last as hot as the rule begins at."""
    last = max((i for i, (_, c) in enumerate(points) if c >= from_c), default=0)
    return points[last:]
