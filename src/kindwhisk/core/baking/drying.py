"""Meringue dried through: a wet middle that shrinks behind a dry foam.

At the front between both, the heat that comes in through the dry foam is what the vapour takes that leaves through it.
"""

from __future__ import annotations

from collections.abc import Callable
from typing import NamedTuple

from kindwhisk.core.baking.crumb import LATENT_J_PER_KG
from kindwhisk.core.baking.faces import AIR_W_PER_M2K, BATTER_EMISSIVITY, LEWIS, radiates, vapour_kg_per_m3
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.values.solving import rising_root
from kindwhisk.core.warmth.air import saturation_kpa

LEFT_WATER = 0.03
"""Water left in a meringue that is dried through, of its mass. Recalled."""
WET_ACTIVITY = 0.82
"""Of the syrup in its walls. Recalled: white with once to twice its weight of sugar."""
DIFFUSES_M2_PER_S = 7e-6
"""Water vapour through dry meringue, a fraction of that through air (3.3e-5 at 80 C). Recalled, unchecked."""
DRY_CONDUCTS_W_PER_MK = 0.06
"""Dry meringue. Recalled, unchecked."""
OVEN_VAPOUR = 0.02
"""kg of vapour in a cubic metre of a vented oven's air. Trade habit."""
STEPS = 120
SHORTEST_S = 60.0
"""What holds no water to lose is dry at once; a minute stands for that."""


class Drying(NamedTuple):
    """Points as (s, front C, surface C, oven C, share dried, share of mass lost), and when it is done."""

    points: tuple[tuple[float, float, float, float, float, float], ...]
    done_s: float | None


def _front(oven_c: float, heat_w: float, moves_m_per_s: float) -> tuple[float, float]:
    """Where heat in and vapour out agree: the front's temperature (C), and kg/(m2 s)."""

    def leaves(front_c: float) -> float:
        """Heat that vapour takes away, less what comes in (W/m2)."""
        vapour = WET_ACTIVITY * vapour_kg_per_m3(front_c, saturation_kpa(front_c)) - OVEN_VAPOUR
        return max(0.0, moves_m_per_s * vapour) * LATENT_J_PER_KG - heat_w * (oven_c - front_c)

    front_c = rising_root(leaves, 5.0, min(oven_c, 99.9))
    return front_c, max(0.0, heat_w * (oven_c - front_c) / LATENT_J_PER_KG)


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
    """Dry a piece of ``thickness_mm`` (volume per open area) and ``density`` (g/ml) with ``water`` by mass.

    ``oven`` is its air in C by seconds.
    """
    depth = thickness_mm / 1000
    goes = max(0.0, water - LEFT_WATER) / (1 - LEFT_WATER)
    per_m2 = density * 1000 * depth * goes
    if per_m2 <= 0:
        return Drying(((0.0, start_c, start_c, oven(0), 1.0, 0.0),), SHORTEST_S)
    air = AIR_W_PER_M2K[OvenMode.FAN if fan else OvenMode.STATIC]
    lost, t_s = 0.0, 0.0
    points = [(0.0, start_c, start_c, oven(0), 0.0, 0.0)]
    surface = start_c
    while lost < per_m2 and t_s < longest_s:
        celsius, dried = oven(t_s), depth * lost / per_m2
        outside = air + radiates(BATTER_EMISSIVITY, celsius, surface)
        heat = 1 / (1 / outside + dried / DRY_CONDUCTS_W_PER_MK)
        moves = 1 / (1 / (air * LEWIS) + dried / DIFFUSES_M2_PER_S)
        front, rate = _front(celsius, heat, moves)
        surface = front + (celsius - front) * (1 - heat / outside)
        if rate <= 0:
            return Drying(tuple(points), None)
        # Equal steps of what dries, not of time: the last of it takes longest.
        seconds = min(per_m2 / STEPS / rate, 300.0)
        if lost + rate * seconds >= per_m2 * 0.999:
            seconds, lost = (per_m2 - lost) / rate, per_m2
        else:
            lost += rate * seconds
        t_s += seconds
        points.append((t_s, front, surface, celsius, lost / per_m2, goes * lost / per_m2))
    return Drying(tuple(points), t_s if lost >= per_m2 else None)
