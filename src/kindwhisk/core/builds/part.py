"""A part of a build: what it is, where it lies, and what it is made of."""

from __future__ import annotations

from enum import StrEnum

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.model import Value


class Place(StrEnum):
    """Where a part of a build lies."""

    BASE = "base"
    LAYER = "layer"
    FILLING = "filling"
    WALL = "wall"
    LID = "lid"
    COAT = "coat"
    TOP = "on top"
    OFFCUT = "offcut"


CRUMBS = frozenset({Place.BASE, Place.LAYER, Place.WALL, Place.LID})
"""Places of what was baked and stands by itself."""


class Part(Value):
    """``content`` is that of all equal products together. ``taper`` is the share of its thickness that is missing at
    its far end, ``on_top`` and ``on_side`` where a coat lies."""

    name: str
    place: Place
    content: Material
    taper: float = 0.0
    on_top: bool = True
    on_side: bool = False

    def of(self, content: Material) -> Part:
        """The same part with another content."""
        return self.model_copy(update={"content": content})
