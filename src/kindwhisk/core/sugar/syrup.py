"""Sugar syrup at rest: how hot it boils at a concentration, and what it holds at a temperature.

Pressures are absolute, in kPa; ``air.pressure_kpa`` turns an altitude into one.
"""

from __future__ import annotations

import math
from bisect import bisect_left
from collections.abc import Callable, Iterable
from functools import cache, lru_cache

from kindwhisk.core.ingredients import counts_as
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.solving import rising_root
from kindwhisk.core.warmth.air import SEA_LEVEL_KPA, saturation_kpa

BOILING_RISE: tuple[tuple[float, float], ...] = (
    (0, 0), (10, 0.15), (20, 0.35), (30, 0.65), (40, 1.08), (50, 1.80), (60, 2.95), (65, 3.80), (70, 5.0), (75, 6.8),
    (80, 9.45), (82, 11.0), (84, 12.8), (85, 13.9), (86, 15.2), (88, 18.2), (90, 22.0), (92, 27.2), (94, 34.3),
    (95, 38.9), (96, 44.2), (97, 50.2), (98, 57.5), (98.5, 61.3), (99, 64.0), (99.5, 66.2),
)  # fmt: skip
"""Sucrose in percent by mass, kelvin over the boiling point of water at sea level. Recalled."""
HALF_WIDTH_K: tuple[tuple[float, float], ...] = (
    (60, 0.15), (75, 0.5), (80, 0.8), (85, 1.1), (90, 1.8), (94, 2.8), (97, 4.0), (100, 5.0),
)  # fmt: skip
"""Up to a percentage of sucrose, how far the table may be off, in K: about a twelfth of the rise, by which published
tables differ. Recalled."""
WATER_BOILS_C = 99.974
HIGHEST_PERCENT = 99.5

OTHER_SUGARS: dict[str, tuple[float, float]] = {
    "invert-syrup": (1.25, 0.15),
    "honey": (1.20, 0.15),
    "golden-syrup": (1.10, 0.15),
    "glucose-syrup": (0.90, 0.15),
    "trehalose": (1.0, 0.05),
    "isomalt": (1.0, 0.10),
}
"""Boiling-point rise of a sugar over that of as much sucrose, give or take. Invert after Norrish's equation between
80 and 88 %; the others recalled."""


@cache
def _rise() -> Callable[[float], float]:
    from scipy.interpolate import PchipInterpolator

    curve = PchipInterpolator([p for p, _ in BOILING_RISE], [k for _, k in BOILING_RISE])
    return lambda percent: float(curve(percent))


def half_width_k(sucrose_percent: float) -> float:
    """How far off the boiling point at this concentration may be, in K."""
    limits = [upto for upto, _ in HALF_WIDTH_K]
    return HALF_WIDTH_K[min(bisect_left(limits, sucrose_percent), len(limits) - 1)][1]


def boiling_c(sucrose_percent: float, pressure_kpa: float = SEA_LEVEL_KPA, rise_factor: float = 1.0) -> float:
    """Where a syrup boils, in C. Valid from 0 to 99.5 % sugar by mass.

    At a lower pressure the same syrup boils where its vapour reaches it (same water activity).
    ``rise_factor`` is :func:`rise_factor` of sugars other than sucrose.
    """
    percent = min(max(sucrose_percent, 0.0), HIGHEST_PERCENT)
    return at_pressure_c(WATER_BOILS_C + rise_factor * _rise()(percent), pressure_kpa)


def boiling(sucrose_percent: float, pressure_kpa: float = SEA_LEVEL_KPA) -> Estimate:
    """:func:`boiling_c` with its range.

    Raises:
        CraftError: the concentration is outside 0 to 99.5 %.
    """
    if not 0 <= sucrose_percent <= HIGHEST_PERCENT:
        raise CraftError(
            f"{sucrose_percent:g} % of sugar is no syrup that boils.",
            field="sucrose_percent",
            remedy=f"Give between 0 and {HIGHEST_PERCENT:g} percent by mass.",
        )
    likely, half = boiling_c(sucrose_percent, pressure_kpa), half_width_k(sucrose_percent)
    return Estimate(low=likely - half, likely=likely, high=likely + half, basis=Basis.RECALLED)


@lru_cache(maxsize=4096)
def at_pressure_c(sea_level_c: float, pressure_kpa: float) -> float:
    """The temperature at this pressure of a syrup that boils at ``sea_level_c`` at sea level."""
    if math.isclose(pressure_kpa, SEA_LEVEL_KPA, rel_tol=1e-9):
        return sea_level_c
    return _same_activity(sea_level_c, pressure_kpa / SEA_LEVEL_KPA)


@lru_cache(maxsize=4096)
def at_sea_level_c(here_c: float, pressure_kpa: float) -> float:
    """The temperature that a syrup boiling at ``here_c`` at this pressure has at sea level."""
    if math.isclose(pressure_kpa, SEA_LEVEL_KPA, rel_tol=1e-9):
        return here_c
    return _same_activity(here_c, SEA_LEVEL_KPA / pressure_kpa)


def _same_activity(celsius: float, ratio: float) -> float:
    """Where the saturation pressure is ``ratio`` times that at ``celsius``."""
    wanted = saturation_kpa(celsius) * ratio
    return rising_root(lambda c: saturation_kpa(c) - wanted, celsius - 60, celsius + 60)


def concentration_percent(sea_level_c: float, rise_factor: float = 1.0) -> float:
    """Sugar in percent of a syrup that boils at ``sea_level_c`` (C at sea level); 0 below water's boiling point."""
    return rising_root(lambda p: boiling_c(p, rise_factor=rise_factor) - sea_level_c, 0.0, HIGHEST_PERCENT)


def concentration(temperature_c: float, pressure_kpa: float = SEA_LEVEL_KPA) -> Estimate:
    """Sucrose in percent of a syrup that boils at this temperature here, with its range."""
    level = at_sea_level_c(temperature_c, pressure_kpa)
    likely = concentration_percent(level)
    half = half_width_k(likely)
    return Estimate(
        low=concentration_percent(level - half),
        likely=likely,
        high=concentration_percent(level + half),
        basis=Basis.RECALLED,
    )


def check_other_sugars(ids: Iterable[str]) -> None:
    """Let sugars pass of which it is known how they shift where a syrup boils.

    Raises:
        CraftError: one of them is none of these.
    """
    for name in ids:
        if name not in OTHER_SUGARS:
            raise CraftError(
                f"How '{name}' shifts the boiling point is not known.",
                field="beside",
                remedy=f"Give one of {', '.join(OTHER_SUGARS)}; or count it as sugar.",
            )


def rise_factor(content: Material) -> Estimate:
    """Boiling-point rise of these sugars over that of as much sucrose: 1 for sucrose alone."""
    sugars = {i: Material(parts={i: g}) for i, g in content.parts.items()}
    grams = {i: m.composition.sugars * m.mass_g for i, m in sugars.items()}
    whole = sum(grams.values())
    if whole <= 0:
        return Estimate.exact(1.0, Basis.RECALLED)
    likely = sum(g * OTHER_SUGARS.get(counts_as(i), (1.0, 0.0))[0] for i, g in grams.items()) / whole
    half = sum(g * OTHER_SUGARS.get(counts_as(i), (1.0, 0.0))[1] for i, g in grams.items()) / whole
    return Estimate(low=likely - half, likely=likely, high=likely + half, basis=Basis.RECALLED)
