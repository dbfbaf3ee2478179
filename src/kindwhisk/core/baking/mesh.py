"""A tin's content in cells: rings from the middle outward, layers from the bottom up, all finer near a surface.

Rings grow with the distance from the middle to a power: 1 for a disc, 0 for an endless strip, the width over the
length for a rectangle. So a rectangle keeps both its least way to the wall and its volume to the wall's area.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from kindwhisk.core.baking.crumb import Array
from kindwhisk.core.tins.shapes import Tin

LEAST_MM = 0.5
"""A content lower than this counts as this high."""


@dataclass(frozen=True)
class Mesh:
    """Cells as (layer, ring) arrays in metres, square and cubic metres.

    ``volume``; ``side`` is the area between each ring and the next one out (the last one is the wall's), ``tube`` that
    of the innermost ring towards a tube (0 without one); ``level`` that between each layer and the next one up (the
    last one is the open top), ``base`` the tin's bottom. ``thick`` and ``wide`` are a cell's height and width.
    """

    volume: Array
    side: Array
    tube: Array
    level: Array
    base: Array
    thick: Array
    wide: Array

    @property
    def shape(self) -> tuple[int, int]:
        """Layers and rings."""
        layers, rings = self.volume.shape
        return layers, rings


CLOSER = 0.3
"""How much finer cells are near a surface. Chosen with the numbers of cells so that minutes stay within 2 % of a fine
mesh."""


def _edges(cells: int, *, both: bool) -> Array:
    """Cell edges from 0 to 1, closer at 1, or at both ends."""
    even = np.linspace(0.0, 1.0, cells + 1)
    shaped: Array = (1 - np.cos(np.pi * even)) / 2 if both else np.sin(np.pi / 2 * even)
    return (1 - CLOSER) * even + CLOSER * shaped


def _rings(inner: float, outer: float, power: float, edges: Array) -> tuple[Array, Array]:
    """Edges of rings in metres, and what lies within each edge as a share of the whole cut."""
    radii = inner + (outer - inner) * edges
    within = (radii ** (power + 1) - inner ** (power + 1)) / (outer ** (power + 1) - inner ** (power + 1))
    return radii, within


def mesh(tin: Tin, fill_mm: float, layers: int, rings: int, stretch: float = 1.0) -> Mesh:
    """The content of a tin filled to ``fill_mm``, ``stretch`` times as high as it is filled (it rises)."""
    fill = max(fill_mm, LEAST_MM)
    power = tin.rings_grow
    hollow = tin.cut(0).inner_mm > 0
    across, up = _edges(rings, both=hollow), _edges(layers, both=True)
    volume, side = np.empty((layers, rings)), np.empty((layers, rings))
    level, wide, tube = np.empty((layers, rings)), np.empty((layers, rings)), np.zeros(layers)
    base = np.empty(rings)
    heights = fill * up
    for k in range(layers):
        low, high = heights[k], heights[k + 1]
        middle, top = tin.cut((low + high) / 2), tin.cut(high)
        area = (tin.volume_ml(high) - tin.volume_ml(low)) * 1e-6 / ((high - low) / 1000)
        outer, inner = (w / 1000 for w in tin.half_widths_mm((low + high) / 2))
        radii, within = _rings(inner, outer, power, across)
        thick = (high - low) / 1000
        volume[k] = np.diff(within) * area * thick
        # Area of each face from how much volume lies beyond a thin step of the radius.
        faces = area * (power + 1) * radii**power / (outer ** (power + 1) - inner ** (power + 1))
        side[k] = faces[1:] * thick
        lean = _lean(tin, low, high)
        side[k, -1] = middle.perimeter_mm * 1e-3 * thick * lean if not hollow else side[k, -1] * lean
        tube[k] = faces[0] * thick if hollow else 0.0
        level[k] = np.diff(within) * top.area_mm2 * 1e-6
        wide[k] = np.diff(radii)
        if k == 0:
            base[:] = np.diff(within) * max(tin.cut(0).area_mm2 * 1e-6, area * 0.2)
    thicks = np.repeat(np.diff(heights)[:, None] / 1000, rings, axis=1) * stretch
    return Mesh(
        volume=volume * stretch,
        side=side * stretch,
        tube=tube * stretch,
        level=level,
        base=base,
        thick=thicks,
        wide=wide,
    )


def _lean(tin: Tin, low_mm: float, high_mm: float) -> float:
    """How much longer a slanting wall is than an upright one."""
    below, above = tin.cut(low_mm), tin.cut(high_mm)
    return float(np.hypot(1.0, (above.outer_mm - below.outer_mm) / (high_mm - low_mm)))
