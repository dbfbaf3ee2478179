"""Whether pieces stay where they are in a batter until it sets, by their size and the batter's air.

A foam carries what is lighter than its yield stress allows: a ball stays while Δρ g d < 21 τ (Beris and others,
1985, recalled). A cold batter of a foam has tens of pascals and carries almost anything; on its way to setting it is
many times weaker. Both stresses are trade habit put into numbers: a hint, not a forecast.
"""

from __future__ import annotations

import math

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.model import Value

BALL_HOLDS = 21.0
FOAM_PA = 45.0
"""Yield stress of a cold batter that were all air, in Pa; it goes with the square of the share of air. Habit."""
THIN_PA = 1.5
"""What flour and egg give without any air, in Pa. Habit."""
WARM = 1 / 6
"""What is left of it before the crumb sets. Habit."""
GRAVITY = 9.81


class Sinking(Value):
    """Pieces that would not stay: what, their size and the size that stays, in mm."""

    name: str
    size_mm: float
    stays_mm: float


def stays_mm(piece_g_per_ml: float, batter: Material) -> float:
    """Size in mm of a ball that stays in the batter until it sets; infinite for what is no denser than it."""
    denser = 1000 * (piece_g_per_ml - batter.density_g_per_ml.likely)
    if denser <= 0:
        return float("inf")
    stress = WARM * (THIN_PA + FOAM_PA * batter.air_fraction**2)
    return 1000 * BALL_HOLDS * stress / (denser * GRAVITY)


def sinking(batter: Material) -> tuple[Sinking, ...]:
    """The pieces of a batter that sink before it sets, the largest first."""
    found = []
    for ingredient_id in batter.parts:
        item = ingredient(ingredient_id)
        if item.piece is None:
            continue
        stays = stays_mm(item.density_g_per_ml, batter)
        # A flake is held by its mass, not by its length.
        as_ball = 10 * (6 * item.piece.grams / item.density_g_per_ml / math.pi) ** (1 / 3)
        if as_ball > stays:
            found.append(Sinking(name=item.name, size_mm=item.piece.size_mm, stays_mm=stays))
    return tuple(sorted(found, key=lambda s: -s.size_mm))
