"""Meringue dried through: thin-layer drying, from a crust over leathery to dry.

Moisture leaves a foam the slower the less of it is left: it has to diffuse through walls of ever thicker syrup.
Thin-layer laws say that for many foods by a few figures; here they are set so that usual dried meringues take their
usual time.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from typing import NamedTuple

LEFT_WATER = 0.03
"""Water left in a meringue that is dried through, of its mass. Recalled."""
LEATHERY_WATER, CRUSTED_WATER = 0.08, 0.20
"""Below the first it snaps outside and gives in the middle, below the second it has a crust and is soft within; above
it is wet. Of its mass; trade habit."""
SHAPE = 0.9
"""Page's exponent, a little below 1: the rate falls as the walls dry. Recalled for sugared foams, unchecked."""
USUAL_MIN, USUAL_MM, USUAL_DENSITY, USUAL_C, USUAL_WATER = 155.0, 10.0, 0.30, 100.0, 0.33
"""So many minutes until 10 mm (volume over surface) of 0.30 g/ml with a third of water are dry in a static oven at
100 C. Fitted to usual bakes of the trade, as are the next three."""
THICKNESS_POWER = 0.74
PER_KELVIN = 0.0215
"""So much slower by each kelvin less, as a logarithm: an activation energy of 25 kJ/mol."""
FAN_TAKES = 0.75
STEP_S = 60.0
SHORTEST_S = 60.0
"""What holds no water to lose is dry at once; a minute stands for that."""


class Drying(NamedTuple):
    """Points as (s, middle C, surface C, oven C, share dried, share of mass lost), and when it is done."""

    points: tuple[tuple[float, float, float, float, float, float], ...]
    done_s: float | None


TEXTURES = (
    ("crusted, soft within", CRUSTED_WATER),
    ("leathery in the middle", LEATHERY_WATER),
    ("dry through", LEFT_WATER),
)
"""From so much water down, by mass."""


def texture(water: float) -> str:
    """What a meringue with this share of water by mass is like."""
    return next((name for name, most in reversed(TEXTURES) if water <= most * 1.001), "wet")


def _ratio(water: float) -> float:
    """Water to dry matter."""
    return water / (1 - water)


def usual_s(thickness_mm: float, density: float, oven_c: float, *, fan: bool) -> float:
    """Seconds until a foam with a third of water is dry through.

    ``t = 155 min (d/10 mm rho/0.30)^0.74 exp(0.0215 (100 - T))``, three quarters of it with a fan: ``d`` its volume
    over all of its surface. Valid from 70 to 140 C.
    """
    per_area = thickness_mm / USUAL_MM * density / USUAL_DENSITY
    minutes = USUAL_MIN * math.pow(per_area, THICKNESS_POWER) * math.exp(PER_KELVIN * (USUAL_C - oven_c))
    return 60 * minutes * (FAN_TAKES if fan else 1.0)


def dry(
    *,
    thickness_mm: float,
    density: float,
    water: float,
    start_c: float,
    fan: bool,
    oven: Callable[[float], float],
    longest_s: float,
) -> Drying:
    """Dry a piece of ``thickness_mm`` (volume over surface) and ``density`` (g/ml) with ``water`` by mass.

    Moisture ratio ``MR = exp(-x^0.9)``, where ``dx/dt`` follows the oven's air: ``oven`` is that in C by seconds.

    Source: Page's thin-layer law, published; its figures fitted to usual bakes.
    """
    goes = max(0.0, water - LEFT_WATER) / (1 - LEFT_WATER)
    if goes <= 0:
        return Drying(((0.0, start_c, start_c, oven(0), 1.0, 0.0),), SHORTEST_S)
    usual_x = math.log(_ratio(USUAL_WATER) / _ratio(LEFT_WATER)) ** (1 / SHAPE)
    ends_x = math.log(_ratio(water) / _ratio(LEFT_WATER)) ** (1 / SHAPE)
    points = [(0.0, start_c, start_c, oven(0), 0.0, 0.0)]
    x, t_s = 0.0, 0.0
    while x < ends_x and t_s < longest_s:
        celsius = oven(t_s + STEP_S / 2)
        rate = usual_x / usual_s(thickness_mm, density, celsius, fan=fan)
        step = min(STEP_S, (ends_x - x) / rate)
        x, t_s = x + rate * step, t_s + step
        left = _ratio(water) * math.exp(-(x**SHAPE))
        now = left / (1 + left)
        dried = min(1.0, (water - now) / (water - LEFT_WATER))
        # What still evaporates keeps it cooler than the air; the surface first takes the oven's warmth.
        cooler = (celsius - start_c) * (1 - dried)
        lost = 1 - (1 - water) / (1 - now)
        points.append((t_s, celsius - cooler, celsius - cooler * (1 - dried), celsius, dried, lost))
    return Drying(tuple(points), t_s if x >= ends_x else None)
