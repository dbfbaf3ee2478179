"""Macaronage: meringue and dry goods folded together and then pressed, on purpose, until the batter flows.

Flow, figure-eight and spread by density are trade habit: hands that call a batter ready agree on how it runs, and a cup
gives it a number.
"""

from __future__ import annotations

import numpy as np

from kindwhisk.core.folding.strokes import PRESSED_LOSS, strokes
from kindwhisk.core.values.bands import Place
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

TARGET = (0.75, 0.85, 0.95)
"""g/ml low, likely, high of a batter that is ready. Trade habit."""

FLOW: tuple[tuple[float, float, float], ...] = (
    (0.60, 90.0, 0.0),
    (0.70, 60.0, 1.0),
    (0.75, 42.0, 2.0),
    (0.85, 25.0, 4.0),
    (0.95, 13.0, 7.0),
    (1.05, 6.0, 11.0),
)
"""g/ml; seconds until a ribbon has sunk back; mm that a 40 mm mound spreads in half a minute. Trade habit."""


class InTheOven(Value):
    """What a batter that is too stiff or too loose does in the oven."""

    place: Place
    means: str
    can_do: str


TOO_STIFF = InTheOven(
    place=Place.LOW,
    means="Tails stay and the tops crack; shells stand tall with an empty dome and a small foot.",
    can_do="Press on against the wall, then lift a ribbon again.",
)
READY = InTheOven(
    place=Place.WITHIN, means="Tops level themselves, feet rise straight.", can_do="Into the bag, and pipe."
)
TOO_LOOSE = InTheOven(
    place=Place.HIGH,
    means="It runs flat: neighbours touch, feet spread outward or stay away, the shell is thin and chewy.",
    can_do="It can't be put back. Pipe smaller and wider apart, rest longer; next time stop ten presses sooner.",
)


def flow(density: float) -> tuple[float, float]:
    """Seconds for a ribbon to sink back and mm of spread, at a density (g/ml); straight between the rows."""
    at, seconds, spread = zip(*FLOW, strict=True)
    return float(np.interp(density, at, seconds)), float(np.interp(density, at, spread))


def density_of_flow(seconds: float) -> Estimate:
    """g/ml of a macaron batter whose ribbon sinks back in so many seconds. Rough: a tenth either way."""
    at, sinks, _ = zip(*reversed(FLOW), strict=True)
    return Estimate.around(float(np.interp(seconds, sinks, at)), 0.1, Basis.HABIT)


def ribbon_s(target: Estimate) -> tuple[float, float]:
    """Seconds, fewest and most, in which a ribbon sinks back within a target band (g/ml)."""
    return flow(target.high)[0], flow(target.low)[0]


def spread_mm(target: Estimate) -> tuple[float, float]:
    """How much wider a 40 mm mound gets in half a minute within a target band (g/ml)."""
    return flow(target.low)[1], flow(target.high)[1]


def in_the_oven(density: float, target: Estimate) -> InTheOven:
    """What a batter of this density (g/ml) will do, against its target band."""
    if density < target.low:
        return TOO_STIFF
    return READY if density <= target.high else TOO_LOOSE


def presses(mass_g: float, free_ml: float, density: float, target: float) -> Estimate:
    """Presses against the wall from a density to the target (g/ml); 0 where it is there."""
    now, then = (max(mass_g / d - free_ml, 1e-6) for d in (density, target))
    if then >= now:
        return Estimate.exact(0.0, Basis.HABIT)
    return strokes(then / now, PRESSED_LOSS)
