"""Rise: how high a foam batter stands at the moment it sets, and after it has settled."""

from __future__ import annotations

import math

from kindwhisk.core.ingredients.leaveners import as_baking_powder_g
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.learning.expected import UNLEARNED, Factor
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.warmth.air import pressure_kpa, saturation_kpa

SETTING_C = 86.0
WATER_ACTIVITY = 0.95
KEPT = (0.4, 0.6, 0.8)
"""Share of the gas and vapour that the walls of the bubbles hold until setting. Trade habit."""
RISE_DOUBT = 0.17
"""Standard deviation of the logarithm of a modelled height, by the range of the kept share for a usual sponge."""
USUAL_FREE = 1.13
"""g/ml of a sponge batter without bubbles, where its goods are not told. Bake reference model."""
POWDER_ML_PER_G, POWDER_WORKS = 72.0, 0.6
"""Carbon dioxide of a gram of baking powder, and the share that works in the batter. Recalled."""
SETTLES = (0.05, 0.10, 0.15)
"""Share of the volume lost between setting and cold. Trade habit."""


def gas_growth(from_c: float, altitude_m: float) -> float:
    """How many times a bubble's volume grows from ``from_c`` (C) to setting at 86 C.

    ``(T_s/T_0) (p - a e(T_0))/(p - a e(T_s))``: temperatures in kelvin, p the air's pressure at ``altitude_m``, e the
    saturated vapour's, a its activity over the batter (0.95). Source: ideal gas, published.
    """
    pressure = pressure_kpa(altitude_m)
    dry = pressure - WATER_ACTIVITY * saturation_kpa(SETTING_C)
    start = pressure - WATER_ACTIVITY * saturation_kpa(min(from_c, 60.0))
    return (SETTING_C + 273.15) / (from_c + 273.15) * start / max(dry, 5.0)


def leavened_ml(powder_g: float) -> float:
    """Gas in ml, at room temperature, that baking powder gives to a batter."""
    return powder_g * POWDER_ML_PER_G * POWDER_WORKS


def risen_ml(
    free_ml: float,
    gas_ml: float,
    from_c: float,
    altitude_m: float,
    powder_g: float = 0.0,
    learned: Factor = UNLEARNED,
) -> Estimate:
    """Volume at setting in ml.

    ``V = (V_free + k g (V_gas + V_CO2)) f``, never less than the batter's own: g by :func:`gas_growth`, k what the
    bubbles' walls hold (0.4, 0.6, 0.8), f this kitchen's own factor.

    Args:
        free_ml, gas_ml: of the batter, without and of bubbles.
        from_c: C of the batter.
        altitude_m: m above the sea.
        powder_g: baking powder in it.
        learned: how high this kitchen's own stood, cold, against the model.

    Source: ideal gas and saturated vapour; the kept share is trade habit. Too sensitive near setting to be
    trusted absolutely: heights measured in this kitchen lead.
    """
    grown = (gas_ml + leavened_ml(powder_g)) * gas_growth(from_c, altitude_m)
    floor = free_ml + gas_ml
    low, likely, high = (max(floor, (free_ml + kept * grown) * learned.factor) for kept in KEPT)
    if not learned.bakes:
        return Estimate(low=low, likely=likely, high=high, basis=Basis.weakest((Basis.MODEL, Basis.HABIT)))
    spread = math.exp(RANGE_SD * learned.log_sd) - 1
    return Estimate(
        low=max(floor, likely / (1 + spread)),
        likely=likely,
        high=likely * (1 + spread),
        basis=Basis.KITCHEN,
        bakes=learned.bakes,
    )


def risen_volume_ml(batter: Material, altitude_m: float, learned: Factor = UNLEARNED) -> Estimate:
    """Volume of a batter at setting in ml: see :func:`risen_ml`."""
    gas, powder = batter.gas_ml.likely, as_baking_powder_g(batter)
    return risen_ml(batter.gas_free_volume_ml, gas, batter.temperature_c, altitude_m, powder, learned)


HIGHEST_AT = 0.75
"""Share of the baking time after which a sponge stands highest. Trade habit."""


def share_risen(share: float) -> tuple[float, float]:
    """How much of the rise and the settling is over after ``share`` of the time (all 0 to 1). For the eye only."""
    if share <= HIGHEST_AT:
        return (share / HIGHEST_AT) ** 1.3, 0.0
    return 1.0, (share - HIGHEST_AT) / (1 - HIGHEST_AT)


def settled_volume_ml(risen: Estimate) -> Estimate:
    """Volume in ml after cooling."""
    return Estimate(
        low=risen.low * (1 - SETTLES[2]),
        likely=risen.likely * (1 - SETTLES[1]),
        high=risen.high * (1 - SETTLES[0]),
        basis=Basis.HABIT,
    )
