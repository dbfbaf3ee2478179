"""A figure that is expected at the bench: by the model alone, and as this kitchen's own bakes have it."""

from __future__ import annotations

import math
from typing import NamedTuple

from kindwhisk.core.learning.dots import MOST, Dot, belief, doubt_of
from kindwhisk.core.learning.effects import Belief
from kindwhisk.core.learning.figures import SPREADS, Figure
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

ASKED_SD = 3.0
"""What lies further off than so many standard deviations is asked about. Chosen."""


class Factor(NamedTuple):
    """What a kitchen's own bakes make of a modelled figure: a factor, the standard deviation of its logarithm for the
    next bake, and the bakes behind it."""

    factor: float = 1.0
    log_sd: float = 0.0
    bakes: int = 0


UNLEARNED = Factor()
"""The model as it is."""


def range_of(told: Belief, bakes: int) -> Estimate:
    """The factor that a belief of its logarithm stands for, without what bakes differ by anyway."""
    middle, wide = math.exp(told.mean), math.exp(RANGE_SD * told.sd)
    basis = Basis.KITCHEN if bakes else Basis.HABIT
    return Estimate(low=middle / wide, likely=middle, high=middle * wide, basis=basis, bakes=bakes)


def factor(dots: tuple[Dot, ...], figure: Figure, effects: tuple[str, ...], doubt: float = 0.0) -> Factor:
    """The factor on a figure whose model is unsure by ``doubt`` (a standard deviation of the logarithm).

    ``f = exp(m)``, with a standard deviation of what is not known of the effects and of what bakes differ by anyway:
    without any evidence that is the priors' own. ``bakes`` are those that shared an effect with it.
    """
    told = belief(dots, figure, effects, doubt)
    # A dot is called by its bake first: several trays of one bake are one bake.
    behind = {d.id.partition("/")[0] for d in dots[-MOST:] if not d.above and not set(effects).isdisjoint(d.effects)}
    return Factor(math.exp(told.mean), math.hypot(told.sd, SPREADS[figure].noise), len(behind))


class Expected(Value):
    """A figure that a step is expected to show: by the model alone, and as this kitchen's own bakes have it."""

    figure: Figure
    effects: tuple[str, ...]
    modelled: Estimate
    made: Estimate

    @property
    def doubt(self) -> float:
        """The standard deviation of the model's logarithm."""
        return doubt_of(self.modelled)


def expected(dots: tuple[Dot, ...], figure: Figure, effects: tuple[str, ...], modelled: Estimate) -> Expected:
    """A modelled figure (positive, in any unit) with the factor that the dots of that figure have taught.

    Its range is the factor's; without bakes it is never less than the model's own.
    """
    own = factor(dots, figure, effects, doubt_of(modelled))
    wide = math.exp(RANGE_SD * own.log_sd) - 1
    shifted = modelled.scaled(own.factor)
    if own.bakes:
        made = Estimate.around(shifted.likely, wide, Basis.KITCHEN).model_copy(update={"bakes": own.bakes})
    else:
        prior = Estimate.around(shifted.likely, wide, modelled.basis)
        ends = {"low": min(shifted.low, prior.low), "high": max(shifted.high, prior.high)}
        made = shifted.model_copy(update=ends)
    return Expected(figure=figure, effects=effects, modelled=modelled, made=made)


def off_by(value: float, figure: Estimate) -> float:
    """How many standard deviations a positive value lies from a figure's likely one, by the logarithm and its side of
    the range; below 0 where it is less. Endless where the figure has no range."""
    away = math.log(value / figure.likely)
    side = figure.high / figure.likely if away > 0 else figure.likely / figure.low
    return away / (math.log(side) / RANGE_SD) if side > 1 else math.copysign(math.inf, away) if away else 0.0
