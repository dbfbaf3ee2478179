"""Cooling in still air: from the oven's heat to the temperature of the next gate."""

import math

from kindwhisk.core.errors import CraftError
from kindwhisk.core.estimate import Basis, Estimate

ON_RACK_W_PER_M2K = 8.0
IN_TIN_INVERTED_W_PER_M2K = 4.5
HEAT_CAPACITY = 2900.0
EVAPORATION_HELPS = 0.85
"""Heat loss on all sides, the heat of a moist crumb (J/kg K), and what drying takes off. Recalled."""


def cooling_s(
    mass_g: float, area_mm2: float, from_c: float, to_c: float, air_c: float, loss_w_per_m2k: float
) -> Estimate:
    """Seconds from ``from_c`` to ``to_c`` in air at ``air_c``.

    Raises:
        CraftError: ``to_c`` is not above the air.
    """
    if to_c <= air_c:
        raise CraftError(
            f"Nothing cools to {to_c:.0f} C in a kitchen at {air_c:.0f} C.",
            field="target_c",
            remedy="Choose a target at least 1 C above the kitchen's air, or chill it.",
        )
    if from_c <= to_c:
        return Estimate.exact(0.0, Basis.MODEL)
    per_area = (mass_g / 1000) / (area_mm2 / 1e6)
    time = per_area * HEAT_CAPACITY / loss_w_per_m2k * math.log((from_c - air_c) / (to_c - air_c))
    return Estimate.around(time * EVAPORATION_HELPS, 0.25, Basis.MODEL)
