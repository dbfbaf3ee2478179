"""Warming over water or on a low hob."""

import math

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate

BATH_C = 85.0
"""Barely simmering water under a bowl. Trade habit."""
BATH_W_PER_K = (3.0, 5.0, 8.0)
"""Heat that a bowl over simmering water passes on, per kelvin. Trade habit, learned per bowl."""
LOW_HOB_W = 180.0


def over_water_s(material: Material, to_c: float, bath_c: float = BATH_C) -> Estimate:
    """Seconds over simmering water: ``C/UA ln((Tb - T0)/(Tb - T))``.

    Raises:
        CraftError: the target is not below the bath.
    """
    if to_c >= bath_c:
        raise CraftError(
            f"Water at {bath_c:.0f} °C cannot warm anything to {to_c:.0f} °C.",
            field="target_c",
            remedy=f"Choose a target below {bath_c:.0f} °C.",
        )
    if to_c <= material.temperature_c:
        return Estimate.exact(0.0, Basis.MODEL)
    capacity = material.mass_g * material.composition.heat_capacity()
    rise = math.log((bath_c - material.temperature_c) / (bath_c - to_c))
    low, likely, high = (capacity / ua * rise for ua in reversed(BATH_W_PER_K))
    return Estimate(low=low, likely=likely, high=high, basis=Basis.MODEL)


def on_hob_s(material: Material, to_c: float) -> Estimate:
    """Seconds in a small pot on a low hob, half a minute for the pot itself."""
    heat = material.mass_g * material.composition.heat_capacity() * max(0.0, to_c - material.temperature_c)
    return Estimate.around(30 + heat / LOW_HOB_W, 0.4, Basis.HABIT)
