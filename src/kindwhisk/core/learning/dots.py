"""A dot: what one bake showed of a figure, beside what was expected of it."""

from __future__ import annotations

import math
from functools import lru_cache

from pydantic import Field

from kindwhisk.core.learning.effects import WRONG_SHARE, Belief, Learned, Observation, learn
from kindwhisk.core.learning.figures import LOOK_NOISE, SPREADS, Figure, priors
from kindwhisk.core.values.estimate import RANGE_SD, Estimate
from kindwhisk.core.values.model import Value

MOST = 80
"""So many of the last dots of a figure count: kitchens change."""


class Dot(Value):
    """A figure of a bake against the model's; ``title`` is the step's.

    ``effects`` are what it depended on (mixer, hands, kind, formula), ``modelled`` what the model said before anything
    was learned, ``doubt`` the standard deviation of that one's logarithm by its own range. ``above``: all that is known
    is that it was more than ``observed``.
    """

    id: str
    title: str = ""
    figure: Figure
    effects: tuple[str, ...]
    observed: float = Field(gt=0, allow_inf_nan=False)
    modelled: float = Field(gt=0, allow_inf_nan=False)
    doubt: float = Field(default=0.0, ge=0, allow_inf_nan=False)
    above: bool = False

    def __hash__(self) -> int:
        """By its name: many of them are looked up together, often."""
        return hash((self.id, self.figure))

    @property
    def observation(self) -> Observation:
        """As a sum of effects."""
        noise = LOOK_NOISE if self.above else SPREADS[self.figure].noise
        return Observation(math.log(self.observed / self.modelled), self.effects, noise, self.above)


def doubt_of(figure: Estimate) -> float:
    """The standard deviation of the logarithm of a positive figure, by its range."""
    return math.log(figure.high / figure.low) / (2 * RANGE_SD) if figure.low > 0 else 0.0


@lru_cache(maxsize=128)
def learned(dots: tuple[Dot, ...], wrong: float = WRONG_SHARE) -> Learned:
    """What the last dots of one figure tell of all their effects."""
    told = dots[-MOST:]
    before: dict[str, float] = {}
    for dot in told:
        for name, sd in priors(dot.figure, dot.effects, dot.doubt).items():
            before[name] = max(sd, before.get(name, 0.0))
    return learn([d.observation for d in told], before, wrong)


def trust(dots: tuple[Dot, ...]) -> dict[str, float]:
    """How far each of the last dots of one figure was trusted (0 to 1), by its id."""
    return dict(zip((d.id for d in dots[-MOST:]), learned(dots).trusted, strict=True))


def belief(dots: tuple[Dot, ...], figure: Figure, effects: tuple[str, ...], doubt: float = 0.0) -> Belief:
    """Of the logarithm of a figure's factor: the sum of its effects, by the dots of that figure."""
    return learned(dots).sum_of(effects, priors(figure, effects, doubt))
