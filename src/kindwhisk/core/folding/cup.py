"""Reading a density: by cup and scale, in grams per 100 ml, or, out of reach of a scale, by how a ribbon lies."""

from __future__ import annotations

import numpy as np

from kindwhisk.core.foams.foam import Foam
from kindwhisk.core.folding.deflating import density_of_flow, flow
from kindwhisk.core.values.bands import Quantity, check_plausible
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate

COLDEST_C, HOTTEST_C = 1.0, 60.0
KELL = (999.83952, 16.945176, -7.9870401e-3, -46.170461e-6, 105.56302e-9, -280.54253e-12)
RIBBON: tuple[tuple[float, float], ...] = (
    (1.0, 0.50),
    (3.0, 0.38),
    (5.0, 0.31),
    (8.0, 0.25),
    (12.0, 0.215),
    (20.0, 0.19),
)
"""Seconds for which a ribbon of whole-egg foam can be read on top, and its g/ml. Trade habit."""
BATTER_RIBBON: tuple[tuple[float, float], ...] = ((1.0, 0.62), (3.0, 0.50), (6.0, 0.43), (10.0, 0.37), (20.0, 0.31))
"""The same for a folded sponge batter. Trade habit."""
BY_RIBBON: dict[Foam, tuple[tuple[float, float], ...]] = {
    Foam.RIBBON: RIBBON,
    Foam.CHIFFON_BATTER: BATTER_RIBBON,
    Foam.GENOISE_BATTER: BATTER_RIBBON,
    Foam.ROLL_BATTER: BATTER_RIBBON,
}
RIBBON_SPREAD = 0.15


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


def water_g_per_ml(celsius: float) -> float:
    """Density of water in g/ml, 1 to 60 C. Source: Kell's equation, published."""
    kg_per_m3 = np.polynomial.polynomial.polyval(celsius, KELL) / (1 + 16.879850e-3 * celsius)
    return float(kg_per_m3) / 1000


def cup_volume_ml(empty_g: float, water_g: float, celsius: float = 20.0) -> float:
    """What a cup holds in ml, weighed empty and level full of water of a temperature (C).

    Raises:
        CraftError: it is not heavier full than empty, or the water is frozen or hot.
    """
    if water_g <= empty_g:
        raise CraftError(
            f"Full of water the cup ({water_g:g} g) must weigh more than empty ({empty_g:g} g).",
            field="water_g",
            remedy="Weigh cup and water together, without taring.",
        )
    if not COLDEST_C <= celsius <= HOTTEST_C:
        raise CraftError(
            f"Water of {celsius:g} °C is no measure for a cup.", field="water_c", remedy="Use tap water, 5 to 30 °C."
        )
    return (water_g - empty_g) / water_g_per_ml(celsius)


def told_by_ribbon(foam: Foam | None) -> bool:
    """Whether the ribbon of this foam or batter tells anything."""
    return foam in BY_RIBBON or foam is Foam.SHELL_BATTER


def density_by_ribbon(foam: Foam, seconds: float) -> Estimate:
    """g/ml by the seconds for which a ribbon lies on top: rough, where a scale is out of reach.

    Raises:
        CraftError: this foam makes no ribbon.
    """
    if foam is Foam.SHELL_BATTER:
        return density_of_flow(seconds)
    rows = BY_RIBBON.get(foam)
    if rows is None:
        raise CraftError(f"A {foam.value} makes no ribbon.", field="seconds", remedy="Weigh a cup of it.")
    lasts, density = zip(*rows, strict=True)
    return Estimate.around(float(np.interp(seconds, lasts, density)), RIBBON_SPREAD, Basis.HABIT)


def weighed_or_ribbon(foam: Foam, band: Estimate) -> str:
    """How to read a content's density, in words; with the seconds of a ribbon within its band where one tells."""
    if not told_by_ribbon(foam):
        return "Level cup, weighed."
    quick, slow = seconds_of_ribbon(foam, band.high), seconds_of_ribbon(foam, band.low)
    return f"Level cup, weighed; without a scale: a ribbon lies {quick:.0f} to {slow:.0f} s."


def seconds_of_ribbon(foam: Foam, density: float) -> float:
    """How long a ribbon of that density (g/ml) lies: the inverse of :func:`density_by_ribbon`, within its table."""
    if foam is Foam.SHELL_BATTER:
        return flow(density)[0]
    lasts, densities = zip(*reversed(BY_RIBBON[foam]), strict=True)
    return float(np.interp(density, densities, lasts))
