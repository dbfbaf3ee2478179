"""Tins: their real shape, how high a batter stands in them, and how much they hold.

A tin is ``{"shape": ..., "dimensions": {...}}`` in millimetres. Every shape here has a cross-section whose
area is a quadratic of the height, so Simpson's rule gives the volume below any height exactly.
"""

from __future__ import annotations

import math
from typing import Annotated, Literal, NamedTuple, Self

from pydantic import Field, model_validator

from kindwhisk.core.values.model import Value

Millimetres = Annotated[float, Field(ge=1, le=2000)]


LEVEL_MM = 1e-7
"""How exactly a level is found."""


class _Dimensions(Value):
    """Lengths inside the tin, in mm."""


class RoundDimensions(_Dimensions):
    """``diameter_mm`` is at the bottom; a taper adds ``top_diameter_mm``."""

    diameter_mm: Millimetres
    depth_mm: Millimetres
    top_diameter_mm: Millimetres | None = None

    @property
    def top(self) -> float:
        """Diameter at the rim in mm."""
        return self.top_diameter_mm or self.diameter_mm


class TubeDimensions(RoundDimensions):
    """A round tin with a tube in the middle, ``tube_diameter_mm`` at the bottom."""

    tube_diameter_mm: Millimetres
    tube_top_diameter_mm: Millimetres | None = None

    @model_validator(mode="after")
    def _tube_fits(self) -> Self:
        if self.tube_diameter_mm >= self.diameter_mm or (self.tube_top_diameter_mm or 0) >= self.top:
            raise ValueError("tube_diameter_mm must be smaller than diameter_mm: measure both inside")
        return self


class BoxDimensions(_Dimensions):
    """Straight walls."""

    width_mm: Millimetres
    length_mm: Millimetres
    depth_mm: Millimetres


class LoafDimensions(_Dimensions):
    """Sloping walls: bottom and top widths and lengths."""

    bottom_width_mm: Millimetres
    bottom_length_mm: Millimetres
    top_width_mm: Millimetres
    top_length_mm: Millimetres
    depth_mm: Millimetres


class HalfSphereDimensions(_Dimensions):
    """A bowl of half a sphere, open at its full diameter."""

    diameter_mm: Millimetres


class Footprint(NamedTuple):
    """A level cut through the tin: ``outer`` and ``inner`` are half-widths in mm as seen from the front."""

    area_mm2: float
    perimeter_mm: float
    outer_mm: float
    inner_mm: float = 0.0


def _circle(diameter: float) -> tuple[float, float]:
    return math.pi * diameter**2 / 4, math.pi * diameter


def _between(bottom: float, top: float, share: float) -> float:
    return bottom + (top - bottom) * share


class _Shape(Value):
    """What every shape can tell; ``cut`` is all that a new shape has to bring."""

    @property
    def depth_mm(self) -> float:
        """Height of the rim above the bottom."""
        raise NotImplementedError

    def cut(self, height_mm: float) -> Footprint:
        """The level cut at a height; above the rim the tin is taken as going straight on."""
        raise NotImplementedError

    def volume_ml(self, height_mm: float | None = None) -> float:
        """Volume below a height (default the rim) in ml."""
        depth = self.depth_mm
        height = depth if height_mm is None else max(0.0, height_mm)
        inside = min(height, depth)
        areas = (self.cut(0).area_mm2, self.cut(inside / 2).area_mm2, self.cut(inside).area_mm2)
        volume = inside * (areas[0] + 4 * areas[1] + areas[2]) / 6
        return (volume + (height - inside) * self.cut(depth).area_mm2) / 1000

    def level_mm(self, volume_ml: float) -> float:
        """Height at which a volume stands; above the rim as in a straight collar."""
        full = self.volume_ml()
        if volume_ml >= full:
            return self.depth_mm + (volume_ml - full) * 1000 / self.cut(self.depth_mm).area_mm2
        low, high = 0.0, self.depth_mm
        height = high * max(0.0, volume_ml) / full
        for _ in range(60):
            missing = (volume_ml - self.volume_ml(height)) * 1000
            low, high = (height, high) if missing > 0 else (low, height)
            area = self.cut(height).area_mm2
            step = missing / area if area > 0 else 0.0
            # Newton, for the area is the slope of the volume; halving where that would leave the bracket.
            following = height + step if low < height + step < high else (low + high) / 2
            if abs(following - height) < LEVEL_MM:
                return following
            height = following
        return height

    def heated_area_mm2(self, height_mm: float) -> float:
        """Bottom, walls (outer and tube) and open top of a content this high."""
        bottom, top = self.cut(0), self.cut(min(height_mm, self.depth_mm))
        walls = height_mm * (bottom.perimeter_mm + top.perimeter_mm) / 2
        return bottom.area_mm2 + top.area_mm2 + walls


class RoundTin(_Shape):
    """A round tin, straight or tapered."""

    shape: Literal["round"] = "round"
    dimensions: RoundDimensions

    @property
    def depth_mm(self) -> float:
        """Height of the rim above the bottom."""
        return self.dimensions.depth_mm

    def cut(self, height_mm: float) -> Footprint:
        """The disc at a height."""
        d = self.dimensions
        diameter = _between(d.diameter_mm, d.top, min(1.0, height_mm / d.depth_mm))
        area, perimeter = _circle(diameter)
        return Footprint(area_mm2=area, perimeter_mm=perimeter, outer_mm=diameter / 2)


class TubeTin(_Shape):
    """A round tin with a tube in the middle, both straight or tapered."""

    shape: Literal["tube"] = "tube"
    dimensions: TubeDimensions

    @property
    def depth_mm(self) -> float:
        """Height of the rim above the bottom."""
        return self.dimensions.depth_mm

    def cut(self, height_mm: float) -> Footprint:
        """The ring at a height."""
        d = self.dimensions
        share = min(1.0, height_mm / d.depth_mm)
        outer = _between(d.diameter_mm, d.top, share)
        inner = _between(d.tube_diameter_mm, d.tube_top_diameter_mm or d.tube_diameter_mm, share)
        (outer_area, outer_line), (inner_area, inner_line) = _circle(outer), _circle(inner)
        return Footprint(
            area_mm2=outer_area - inner_area,
            perimeter_mm=outer_line + inner_line,
            outer_mm=outer / 2,
            inner_mm=inner / 2,
        )


class BoxTin(_Shape):
    """A square or rectangular tin, or a sheet, with straight walls."""

    shape: Literal["square", "rectangular", "sheet"]
    dimensions: BoxDimensions

    @property
    def depth_mm(self) -> float:
        """Height of the rim above the bottom."""
        return self.dimensions.depth_mm

    def cut(self, height_mm: float) -> Footprint:  # noqa: ARG002 - the same at every height
        """The rectangle."""
        d = self.dimensions
        return Footprint(
            area_mm2=d.width_mm * d.length_mm,
            perimeter_mm=2 * (d.width_mm + d.length_mm),
            outer_mm=d.width_mm / 2,
        )


class LoafTin(_Shape):
    """A tin with a rectangular bottom and sloping walls."""

    shape: Literal["loaf"] = "loaf"
    dimensions: LoafDimensions

    @property
    def depth_mm(self) -> float:
        """Height of the rim above the bottom."""
        return self.dimensions.depth_mm

    def cut(self, height_mm: float) -> Footprint:
        """The rectangle at a height."""
        d = self.dimensions
        share = min(1.0, height_mm / d.depth_mm)
        width = _between(d.bottom_width_mm, d.top_width_mm, share)
        length = _between(d.bottom_length_mm, d.top_length_mm, share)
        return Footprint(area_mm2=width * length, perimeter_mm=2 * (width + length), outer_mm=width / 2)


class HalfSphereTin(_Shape):
    """Half a sphere, standing on its round end."""

    shape: Literal["half-sphere"] = "half-sphere"
    dimensions: HalfSphereDimensions

    @property
    def depth_mm(self) -> float:
        """Height of the rim above the bottom."""
        return self.dimensions.diameter_mm / 2

    def cut(self, height_mm: float) -> Footprint:
        """The disc at a height."""
        radius = self.dimensions.diameter_mm / 2
        below = max(0.0, radius - height_mm)
        area, perimeter = _circle(2 * math.sqrt(max(0.0, radius**2 - below**2)))
        return Footprint(area_mm2=area, perimeter_mm=perimeter, outer_mm=math.sqrt(area / math.pi))


Tin = Annotated[RoundTin | TubeTin | BoxTin | LoafTin | HalfSphereTin, Field(discriminator="shape")]


def profile(tin: _Shape, points: int = 13) -> list[tuple[float, float, float]]:
    """The wall from the bottom to the rim as (height, outer half-width, inner half-width), all mm."""
    heights = [tin.depth_mm * i / (points - 1) for i in range(points)]
    return [(h, tin.cut(h).outer_mm, tin.cut(h).inner_mm) for h in heights]
