"""Sugar syrup: how hot it boils at a concentration, and what water is left at a temperature."""

from __future__ import annotations

import math
from collections.abc import Callable
from functools import cache

from kindwhisk.core.air import SEA_LEVEL_KPA, pressure_kpa, saturation_kpa
from kindwhisk.core.estimate import Basis, Estimate

BOILING_RISE: tuple[tuple[float, float], ...] = (
    (0, 0), (10, 0.15), (20, 0.35), (30, 0.65), (40, 1.08), (50, 1.80), (60, 2.95), (65, 3.80), (70, 5.0), (75, 6.8),
    (80, 9.45), (82, 11.0), (84, 12.8), (85, 13.9), (86, 15.2), (88, 18.2), (90, 22.0), (92, 27.2), (94, 34.3),
    (95, 38.9), (96, 44.2), (97, 50.2), (98, 57.5), (98.5, 61.3), (99, 64.0), (99.5, 66.2),
)  # fmt: skip
"""Sucrose in percent by mass, kelvin over the boiling point of water at sea level. Recalled."""
WATER_BOILS_C = 99.974

STAGES: tuple[tuple[float, float, str], ...] = (
    (102, 112, "thread"),
    (112, 117, "soft ball"),
    (117, 121, "firm ball"),
    (121, 132, "hard ball"),
    (132, 146, "soft crack"),
    (146, 160, "hard crack"),
    (160, 180, "caramel"),
)
"""From, to (C at sea level) and name. Published ranges, joined where they leave a gap."""

NET_POWER_W = (350.0, 550.0, 850.0)
"""What reaches a small pot of syrup. Trade habit, learned per pan later."""
LATENT_KJ_PER_KG = 2250.0
SYRUP_HEAT_CAPACITY = 2.7
WATER_PER_SUGAR = 0.3
"""Water to begin with, a gram of sugar: enough to dissolve it before it boils. Trade habit."""
HIGHEST_PERCENT = 99.5


@cache
def _rise() -> Callable[[float], float]:
    from scipy.interpolate import PchipInterpolator

    curve = PchipInterpolator([p for p, _ in BOILING_RISE], [k for _, k in BOILING_RISE])
    return lambda percent: float(curve(percent))


def boiling_c(sucrose_percent: float, altitude_m: float = 0.0) -> float:
    """Where a syrup boils, in C. Valid from 0 to 99.5 % sucrose by mass.

    At altitude the same syrup boils where its vapour reaches the lower pressure (same water activity).
    """
    at_sea_level = WATER_BOILS_C + _rise()(min(max(sucrose_percent, 0.0), HIGHEST_PERCENT))
    return at_altitude_c(at_sea_level, altitude_m)


def at_altitude_c(sea_level_c: float, altitude_m: float) -> float:
    """The temperature at this altitude of a syrup that boils at ``sea_level_c`` at sea level."""
    if altitude_m == 0:
        return sea_level_c
    wanted = saturation_kpa(sea_level_c) * pressure_kpa(altitude_m) / SEA_LEVEL_KPA
    low, high = sea_level_c - 40, sea_level_c + 10
    for _ in range(50):
        middle = (low + high) / 2
        low, high = (middle, high) if saturation_kpa(middle) < wanted else (low, middle)
    return (low + high) / 2


def concentration_percent(sea_level_c: float) -> float:
    """Sucrose in percent of a syrup that boils at ``sea_level_c`` (C at sea level); 0 below water's boiling point."""
    low, high = 0.0, HIGHEST_PERCENT
    for _ in range(50):
        middle = (low + high) / 2
        low, high = (middle, high) if boiling_c(middle) < sea_level_c else (low, middle)
    return (low + high) / 2


def water_left_g(sugar_g: float, sea_level_c: float) -> float:
    """Grams of water in a syrup of ``sugar_g`` that has boiled to ``sea_level_c``."""
    share = concentration_percent(sea_level_c) / 100
    return sugar_g * (1 - share) / share if share > 0 else math.inf


def boil_s(syrup_g: float, water_off_g: float, from_c: float, to_c: float) -> Estimate:
    """Seconds from ``from_c`` until ``water_off_g`` are driven off and ``to_c`` is reached."""
    heat_kj = (syrup_g * SYRUP_HEAT_CAPACITY * max(0.0, to_c - from_c) + water_off_g * LATENT_KJ_PER_KG) / 1000
    low, likely, high = (1000 * heat_kj / power for power in reversed(NET_POWER_W))
    return Estimate(low=low, likely=likely, high=high, basis=Basis.MODEL)


def stage_name(sea_level_c: float) -> str:
    """What a syrup at this temperature (C at sea level) is called; empty below the thread."""
    return next((name for low, high, name in STAGES if low <= sea_level_c < high), "")
