"""What was measured of a bake, and what it was made with: figures and facts that bakes are compared by."""

from __future__ import annotations

import math

from pydantic import Field

from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

MOST_OFF = 40.0
GOOD_STARS = 4
"""A bake that came out so well tells how things should be. Trade habit."""


class BakeMeasure(Value):
    """A figure of a bake: ``value`` in ``unit``, and the range that was to be expected where there is one,
    with where that comes from and how many bakes stand behind it.

    ``key`` names it over all bakes of a formula (the step and what of it), ``words`` for a baker. ``of`` is the model's
    value before anything was learned: what a time is held against when bakes of other sizes are compared; None where
    the value itself is. ``trend``: it is worth following from bake to bake.
    """

    key: str
    words: str
    unit: str = ""
    value: float = Field(allow_inf_nan=False)
    low: float | None = None
    likely: float | None = None
    high: float | None = None
    of: float | None = Field(default=None, gt=0)
    basis: Basis | None = None
    bakes: int = 0
    step: str = ""
    trend: bool = True

    @property
    def off(self) -> float | None:
        """By how many standard deviations it lies above what was to be expected; None where nothing was."""
        if self.low is None or self.high is None or self.likely is None:
            return None
        return off_by_range(self.value, self.low, self.likely, self.high)

    @property
    def compared(self) -> float:
        """What bakes of several sizes are compared by: the value, or its share of the model's."""
        return self.value / self.of if self.of else self.value


class Fact(Value):
    """Something that a bake was made with, in words."""

    key: str
    words: str
    said: str


def off_by_range(value: float, low: float, likely: float, high: float) -> float:
    """By how many standard deviations a value lies from the likely one, each side by its own part of the range."""
    side = high - likely if value >= likely else likely - low
    if side <= 0:
        return 0.0 if value == likely else math.copysign(MOST_OFF, value - likely)
    return max(-MOST_OFF, min(MOST_OFF, (value - likely) / (side / RANGE_SD)))


def measure(  # noqa: PLR0913 - one field a parameter
    key: str,
    words: str,
    value: float,
    unit: str = "",
    *,
    expected: Estimate | None = None,
    of: float | None = None,
    step: str = "",
    trend: bool = True,
    scale: float = 1.0,
) -> BakeMeasure:
    """A figure with what was expected of it; both are multiplied by ``scale`` to come to the unit."""
    ends = (None, None, None) if expected is None else (expected.low, expected.likely, expected.high)
    low, likely, high = (None if e is None else e * scale for e in ends)
    return BakeMeasure(
        key=key, words=words, unit=unit, value=value * scale, low=low, likely=likely, high=high,
        basis=expected.basis if expected else None, bakes=expected.bakes if expected else 0,
        of=None if of is None or of <= 0 else of * scale, step=step, trend=trend,
    )  # fmt: skip
