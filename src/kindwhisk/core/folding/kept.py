"""How much of its air a foam keeps when it meets something denser.

The model: a foam that is folded in keeps ``1 - A - B |ln(density of base / density of foam)|`` of its gas, so a base
that has been lightened first costs less; what the base already holds loses a further share with each addition; foam
that is sacrificed to lighten the base keeps half. The form follows from densities drawn together; the constants are
trade habit, and each kitchen's own cups replace them.
"""

from __future__ import annotations

import math
from enum import StrEnum
from typing import NamedTuple

from kindwhisk.core.learning.figures import Figure, prior_sd
from kindwhisk.core.values.estimate import RANGE_SD


class Manner(StrEnum):
    """How a foam and what it meets are brought together."""

    SACRIFICE = "sacrifice"
    FOLD = "fold"
    INTO_FOAM = "base into the foam"
    SIFT_OVER = "sift over"
    IN_TURNS = "dry and liquid in turns"
    STIR = "stir"


SACRIFICE_KEEPS = 0.5
FIXED_LOSS = 0.08
CONTRAST_LOSS = 0.22
BASE_LOSS = 0.06
SIFT_OVER_KEEPS = 0.84
STIR_KEEPS = 0.35
SPREAD = math.exp(RANGE_SD * prior_sd(Figure.AIR)) - 1
"""Air kept is uncertain by this share before a cup has been weighed: the spread of hands, manners and formulas."""
AS_IT_SHOULD = 0.12
"""A fold that keeps no less than this share below what is expected is as it should be. Trade habit."""

ALIKE_WITHIN = 0.35
"""Contents whose densities differ by less than this (in their logarithm) err the more alike the nearer they are: which
of two equal ones is called the foam must not matter. Chosen."""
AERATED_BELOW = 0.9
"""A content lighter than this (g/ml) counts as a foam."""


class GasShares(NamedTuple):
    """Shares of its own gas (0 to 1) that the lighter and the heavier content keep."""

    light: float
    heavy: float


def fold_keeps(base_density: float, foam_density: float, base_per_foam: float = 1.0) -> float:
    """Share of the gas that a foam keeps when it is folded with a base (g/ml both).

    ``base_per_foam`` is their mass ratio: a small addition needs fewer strokes, a base heavier than the foam
    no more than an equal one.
    """
    contrast = abs(math.log(base_density / foam_density)) * min(1.0, base_per_foam)
    return min(1.0, max(0.0, 1 - FIXED_LOSS - CONTRAST_LOSS * contrast))


def keeps(manner: Manner, light: float, heavy: float, heavy_per_light: float, parts: int = 1) -> GasShares:
    """What one addition leaves of both gases.

    Args:
        manner: how they meet.
        light, heavy: their densities in g/ml.
        heavy_per_light: their mass ratio.
        parts: how many layers a sifting is done in; each costs its part.
    """
    if manner is Manner.SACRIFICE:
        return GasShares(SACRIFICE_KEEPS, SACRIFICE_KEEPS)
    if manner is Manner.STIR:
        return GasShares(STIR_KEEPS, STIR_KEEPS)
    if manner is Manner.SIFT_OVER:
        foam = equal = SIFT_OVER_KEEPS ** (1 / parts)
    else:
        foam, equal = fold_keeps(heavy, light, heavy_per_light), 1 - FIXED_LOSS
    apart = min(1.0, abs(math.log(heavy / light)) / ALIKE_WITHIN)
    return GasShares(foam, equal + (1 - BASE_LOSS - equal) * apart)
