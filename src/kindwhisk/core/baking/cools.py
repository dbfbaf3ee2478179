"""How a bake cools once it is out: hanging in its tin, or free on a rack."""

from __future__ import annotations

from kindwhisk.core.baking.asked import Asked
from kindwhisk.core.baking.cooling import Hot, cooling
from kindwhisk.core.baking.course import InOven
from kindwhisk.core.baking.predict import Prediction
from kindwhisk.core.baking.straight_after import straight_after
from kindwhisk.core.warmth.cooling import Cooling, How

STANDS = 1.25
"""A cold cake stands so many times as high as its batter did. Trade habit."""


def cooling_after(asked: Asked, content: InOven, made: Prediction, air_c: float) -> Cooling:
    """When what comes out of the oven may be turned out, rolled, creamed and cut, in air at ``air_c``."""
    hangs = any(n.id == "invert" for n in straight_after(asked.technique))
    raw_g = content.tin.volume_ml(content.fill_mm) * content.density if content.free else asked.batter_g
    left_g = raw_g * (1 - made.at(made.done_s.likely).lost)
    how = How.HANGING if hangs else How.RACK
    return cooling(Hot(content.tin, STANDS * content.fill_mm, left_g, how, air_c), asked.technique)
