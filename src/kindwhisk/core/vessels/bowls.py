"""A content cut through in a bowl where only its density is known: for what has no formula behind it."""

from __future__ import annotations

from kindwhisk.core.folding.airy import Airy
from kindwhisk.core.ingredients import colour
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.vessels.section import Section, of_content
from kindwhisk.core.vessels.vessel import Vessel, VesselForm

USUAL: dict[str, dict[str, float]] = {
    "base": {"egg-yolk": 22, "oil-neutral": 14, "milk": 20, "cake-flour": 28, "sugar": 8},
    "foam": {"egg-white": 70, "sugar": 30},
    "batter": {"egg-white": 34, "sugar": 20, "egg-yolk": 14, "oil-neutral": 8, "milk": 10, "cake-flour": 16},
}
"""Usual goods of each, for their colour. Model."""
LARGEST = (260.0, 140.0)
ROOM = 1.15


def usual(kind: str, mass_g: float) -> Material:
    """Usual goods of a ``base``, a ``foam`` or a ``batter``, without bubbles."""
    parts = USUAL[kind]
    return Material(parts={i: g * mass_g / sum(parts.values()) for i, g in parts.items()})


def bowl_for(volume_ml: float) -> Vessel:
    """A bowl of usual proportions that holds so much with room to fold."""
    diameter, height = LARGEST
    bowl = Vessel(id="bowl", name="bowl", form=VesselForm.BOWL, diameter_mm=diameter, height_mm=height)
    scale = (ROOM * volume_ml / bowl.volume_ml(height)) ** (1 / 3)
    return bowl.model_copy(
        update={"diameter_mm": min(3000.0, max(60.0, diameter * scale)), "height_mm": max(32.0, height * scale)}
    )


def section_of(content: Airy, colour_of: str, bowl: Vessel, name: str) -> Section:
    """The bowl with a content in it; colours are those of usual goods."""
    goods = usual(colour_of, content.mass_g)
    shown = colour.mixed(goods.parts, air_fraction=content.gas_ml / content.volume_ml)
    volume = Estimate.exact(content.volume_ml, Basis.FORMULA)
    named = bowl.model_copy(update={"name": name})
    return of_content(named, volume, content.free_ml, content.mass_g, shown)
