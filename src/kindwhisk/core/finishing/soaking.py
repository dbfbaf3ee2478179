"""Soaking a crumb: how much it can take before it weeps."""

from __future__ import annotations

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.estimate import Basis, Estimate

CRUMB_SOLID_DENSITY = 1.25
BRUSHED = (0.12, 0.22, 0.40)
FLOODED = (0.55, 0.70, 0.80)
"""Share of the pores that is filled: brushed and bagged, or stood in milk. Trade habit."""


def room_ml(crumb: Material) -> float:
    """Volume of the crumb's pores in ml: ``1 - density/1.25`` of its volume."""
    volume = crumb.volume_ml.likely
    density = crumb.mass_g / volume if volume > 0 else CRUMB_SOLID_DENSITY
    return max(0.0, volume * (1 - density / CRUMB_SOLID_DENSITY))


def takes_ml(crumb: Material, *, flooded: bool) -> Estimate:
    """Millilitres that it takes without weeping."""
    low, likely, high = (room_ml(crumb) * share for share in (FLOODED if flooded else BRUSHED))
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)


def soaked(crumb: Material, soak: Material, together: Material) -> Material:
    """The mixture ``together``: liquid goes into the pores, so that the crumb keeps its volume while there is room."""
    left = max(0.0, crumb.gas_ml.likely - soak.gas_free_volume_ml)
    share = left / crumb.gas_ml.likely if crumb.gas_ml.likely > 0 else 0.0
    return together.with_gas(crumb.gas_ml.scaled(share))
