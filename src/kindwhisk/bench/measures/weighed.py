"""What was weighed in and what came out of it: the loss in the oven, the soak, the colour."""

from __future__ import annotations

from collections.abc import Iterator

from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.measures import BakeMeasure, measure
from kindwhisk.core.piping.colouring import doses_in
from kindwhisk.core.process.formula import upstream
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.estimate import Basis, Estimate

HELD = Estimate(low=20, likely=70, high=100, basis=Basis.HABIT)
"""Percent of what a crumb, or a skin, stands. Trade habit."""
STILL_WHOLE = frozenset({"knock", "invert", "cool", "rest"})
"""After these it stands in its tin as it came out of the oven."""


def weighed(at: Moment) -> Iterator[BakeMeasure]:
    """All of them, as far as they can be told."""
    yield from _losses(at)
    for step in at.walked.formula.steps:
        if isinstance(step, SoakStep):
            given, takes = step.given_and_held(at.walked.intakes[step.id])
            if takes.high > 0:
                yield measure(
                    f"{step.id}/soak", f"{step.title}: of what it holds", 100 * given / takes.high, "%", expected=HELD,
                    step=step.id, trend=False,
                )  # fmt: skip
        if isinstance(step, BakeStep):
            for dose in doses_in(at.walked.before[step.id]):
                if dose.limit_g:
                    yield measure(
                        f"{step.id}/colour", f"{step.title}: colour, of what a skin stands",
                        100 * dose.grams / dose.limit_g, "%", expected=HELD, step=step.id, trend=False,
                    )  # fmt: skip


def _losses(at: Moment) -> Iterator[BakeMeasure]:
    """Weighed before the oven and after it, in the same tin, whose own weight cancels out."""
    made, masses = at.walked, dict[str, float]()
    for reading in at.progress.readings:
        if reading.quantity is Quantity.MASS and reading.counts and reading.eggs is None:
            masses[reading.step] = reading.value
    reach = {s.id: upstream(made.formula, s.id) for s in made.formula.steps}
    for step in made.formula.steps:
        view = made.forecast.step(step.id).bake
        if not isinstance(step, BakeStep) or view is None:
            continue
        batter = made.before[step.id].mass_g * made.places[step.id].tins.share
        before = [g for i, g in masses.items() if i in reach[step.id]]
        after = [
            masses[s.id]
            for s in made.formula.steps
            if s.id in masses and (s.id == step.id or (step.id in reach[s.id] and s.kind in STILL_WHOLE))
        ]
        if before and after and batter > 0 and before[-1] > after[0]:
            yield measure(
                f"{step.id}/loss", f"{step.title}: lost", 100 * (before[-1] - after[0]) / batter, "%",
                expected=view.lost.scaled(100), step=step.id,
            )  # fmt: skip
