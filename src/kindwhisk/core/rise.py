"""Rise: how high a foam batter stands at the moment it sets, and after it has settled."""

from kindwhisk.core.air import pressure_kpa, saturation_kpa
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.material import Material

SETTING_C = 86.0
WATER_ACTIVITY = 0.95
KEPT = (0.4, 0.6, 0.8)
"""Share of the gas and vapour that the walls of the bubbles hold until setting. Trade habit."""
SETTLES = (0.05, 0.10, 0.15)
"""Share of the volume lost between setting and cold. Trade habit."""


def gas_growth(from_c: float, altitude_m: float) -> float:
    """How many times a bubble's volume grows from ``from_c`` to setting, warm and filled with vapour."""
    pressure = pressure_kpa(altitude_m)
    dry = pressure - WATER_ACTIVITY * saturation_kpa(SETTING_C)
    start = pressure - WATER_ACTIVITY * saturation_kpa(min(from_c, 60.0))
    return (SETTING_C + 273.15) / (from_c + 273.15) * start / max(dry, 5.0)


def risen_volume_ml(batter: Material, altitude_m: float) -> Estimate:
    """Volume at setting in ml.

    Source: ideal gas and saturated vapour; the kept share is trade habit. Too sensitive near setting to be
    trusted absolutely: heights measured in this kitchen lead.
    """
    grown = batter.gas_ml.likely * gas_growth(batter.temperature_c, altitude_m)
    free = batter.gas_free_volume_ml
    floor = batter.volume_ml.likely
    low, likely, high = (max(floor, free + kept * grown) for kept in KEPT)
    return Estimate(low=low, likely=likely, high=high, basis=Basis.MODEL)


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
