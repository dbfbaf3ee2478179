"""Folding: how much of the air survives when a foam meets a denser base.

The model: folded-in foam keeps ``1 - A - B |ln(density of base / density of foam)|`` of its gas, so a base
that has been lightened first costs less; what the base already holds loses a further share; foam that is
sacrificed to lighten the base keeps half. The form follows from densities drawn together; the constants are
trade habit and each kitchen's own cups replace them.
"""

from __future__ import annotations

import math
from enum import StrEnum

from kindwhisk.core.bands import Quantity, check_plausible
from kindwhisk.core.errors import CraftError
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.material import Material, combine


class Manner(StrEnum):
    """How a foam and what it meets are brought together."""

    SACRIFICE = "sacrifice"
    FOLD = "fold"
    SIFT_OVER = "sift over"
    STIR = "stir"
    DEFLATE = "deflate"


SACRIFICE_KEEPS = 0.5
FIXED_LOSS = 0.08
CONTRAST_LOSS = 0.22
BASE_LOSS = 0.06
SIFT_OVER_KEEPS = 0.84
STIR_KEEPS = 0.35
DEFLATE_KEEPS = 0.38
SPREAD = 0.12
"""Air kept is uncertain by about this share before a cup has been weighed. Trade habit."""

AERATED_BELOW = 0.9
"""A content lighter than this (g/ml) counts as a foam."""


def fold_keeps(base_density: float, foam_density: float, base_per_foam: float = 1.0) -> float:
    """Share of the gas that a foam keeps when it is folded with a base (g/ml both).

    ``base_per_foam`` is their mass ratio: a small addition needs fewer strokes, a base heavier than the foam
    no more than an equal one.
    """
    contrast = abs(math.log(base_density / foam_density)) * min(1.0, base_per_foam)
    return min(1.0, max(0.0, 1 - FIXED_LOSS - CONTRAST_LOSS * contrast))


def sacrifice_then_fold_keeps(share: float, lightened_density: float, foam_density: float) -> float:
    """Share of all of the foam's gas kept when ``share`` of it is sacrificed first (0 to 1)."""
    return share * SACRIFICE_KEEPS * (1 - BASE_LOSS) + (1 - share) * fold_keeps(lightened_density, foam_density)


def bring_together(materials: list[Material], manner: Manner) -> Material:
    """The mixture with the gas that is left; mass is conserved, gas never grows.

    The lightest content is the foam, the others are what it meets.
    """
    mixture = combine(materials)
    foams = sorted((m for m in materials if m.gas_ml.likely > 0), key=lambda m: m.density_g_per_ml.likely)
    if not foams:
        return mixture
    foam = foams[0]
    others = [m for m in materials if m is not foam and m.mass_g > 0]
    if not others:
        return mixture
    base = combine(others)
    kept = {
        Manner.SACRIFICE: SACRIFICE_KEEPS,
        Manner.SIFT_OVER: SIFT_OVER_KEEPS,
        Manner.STIR: STIR_KEEPS,
        Manner.DEFLATE: DEFLATE_KEEPS,
        Manner.FOLD: fold_keeps(base.density_g_per_ml.likely, foam.density_g_per_ml.likely, base.mass_g / foam.mass_g),
    }[manner]
    base_kept = 1 - BASE_LOSS if manner in {Manner.FOLD, Manner.SIFT_OVER} else kept
    likely = foam.gas_ml.likely * kept + base.gas_ml.likely * base_kept
    # The range carries that of the foam on: loss and start err independently.
    start = foam.gas_ml.plus(base.gas_ml) if base.gas_ml.likely > 0 else foam.gas_ml
    up = math.hypot(SPREAD, start.high / start.likely - 1)
    down = math.hypot(SPREAD, 1 - start.low / start.likely)
    return mixture.with_gas(
        Estimate(
            low=likely * (1 - min(down, 0.95)),
            likely=likely,
            high=max(likely, min(start.high, likely * (1 + up))),
            basis=Basis.weakest((Basis.HABIT, start.basis)),
        )
    )


def density_from_cup(full_g: float, empty_g: float, volume_ml: float) -> float:
    """Density in g/ml of what fills a cup level.

    Raises:
        CraftError: the cup is not heavier full than empty, or nothing is as light or heavy as that.
    """
    if full_g <= empty_g:
        raise CraftError(
            f"The full cup ({full_g:g} g) must weigh more than the empty one ({empty_g:g} g).",
            field="full_g",
            remedy="Weigh the cup filled level, without taring, or enter 0 for the empty cup if you tared.",
        )
    density = (full_g - empty_g) / volume_ml
    check_plausible(density, Quantity.DENSITY, "full_g")
    return density


def air_kept(before: list[Material], measured_density: float) -> float:
    """Share of the gas that is still there after a fold whose batter was weighed (g/ml)."""
    mixture = combine(before)
    started = sum(m.gas_ml.likely for m in before)
    left = max(0.0, mixture.mass_g / measured_density - mixture.gas_free_volume_ml)
    return left / started if started > 0 else 0.0
