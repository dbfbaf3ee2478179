"""What every tin can tell of itself. A new shape is one module that brings these, and a line in the union."""

from __future__ import annotations

import math
from typing import Annotated, Any, ClassVar, NamedTuple, Self

from pydantic import Field

from kindwhisk.core.tins.paper import PaperShape
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.solving import rising_root

Millimetres = Annotated[float, Field(ge=1, le=2000)]
ROUND_AND_SQUARE = "round and square"
LEVEL_MM = 1e-7
"""How exactly a level is found."""


class Dimensions(Value):
    """Lengths inside the tin, in mm."""


class Footprint(NamedTuple):
    """A level cut through the tin: ``outer`` and ``inner`` are half-widths in mm as seen from the front."""

    area_mm2: float
    perimeter_mm: float
    outer_mm: float
    inner_mm: float = 0.0


def circle(diameter: float) -> tuple[float, float]:
    """Area (mm²) and circumference (mm)."""
    return math.pi * diameter**2 / 4, math.pi * diameter


def between(bottom: float, top: float, share: float) -> float:
    """Straight from ``bottom`` to ``top``."""
    return bottom + (top - bottom) * share


class Shape(Value):
    """A tin by its inner lengths; ``cut`` and ``lining`` are what a new shape can't do without.

    Class attributes: ``round`` is whether batters poured into its middle spread as rings; ``words`` are those that
    recipes call it by, in five languages, as a pattern (empty: it is not read from recipes); ``firsts`` are the lengths
    that it begins with when it is entered, by the name of its shape; ``measures`` is what those lengths are called.
    """

    round: ClassVar[bool] = False
    words: ClassVar[str] = ""
    firsts: ClassVar[dict[str, dict[str, float]]]
    measures: ClassVar[dict[str, str]]

    shape: str
    dimensions: Any

    @property
    def family(self) -> str:
        """The tins whose bakes err alike."""
        return self.shape

    @property
    def flat(self) -> bool:
        """Whether it holds a sheet rather than a cake."""
        return False

    @property
    def depth_mm(self) -> float:
        """Height of the rim above the bottom."""
        return float(self.dimensions.depth_mm)

    def cut(self, height_mm: float) -> Footprint:
        """The level cut at a height; above the rim the tin is taken as going straight on."""
        raise NotImplementedError

    def lining(self) -> tuple[PaperShape, ...]:
        """All the paper that lines it, base and walls."""
        raise NotImplementedError

    @classmethod
    def named_by(cls, text: str, sizes: tuple[float, ...], depth: float | None) -> Self | None:
        """The tin that a text names, with one length or two (mm, the shorter first) and perhaps its depth; None where
        it names another."""
        return None

    @property
    def rings_grow(self) -> float:
        """The power of the distance from the middle that its rings grow with: 1 for a disc, 0 for an endless strip,
        the width over the length for a rectangle."""
        return 1.0

    def half_widths_mm(self, height_mm: float) -> tuple[float, float]:
        """The least way from the middle to the wall, and to the tube (0 without one), at a height."""
        cut = self.cut(height_mm)
        return cut.outer_mm, cut.inner_mm

    @property
    def tray_mm(self) -> tuple[float, float]:
        """Width and length of what pieces are piped onto; a round one counts as the square inside it."""
        side = 2 * self.cut(0).outer_mm / math.sqrt(2)
        return side, side

    def half_size(self) -> Self:
        """A tin of half the volume, as deep."""
        return self.resized(math.sqrt(0.5))

    def resized(self, factor: float) -> Self:
        """A tin of the same depth with its other lengths times ``factor``."""
        lengths = {
            name: value if name == "depth_mm" or value is None else value * factor for name, value in self.dimensions
        }
        return self.model_copy(update={"dimensions": type(self.dimensions).model_validate(lengths)})

    def volume_ml(self, height_mm: float | None = None) -> float:
        """Volume below a height (default the rim) in ml.

        Every shape has a cut whose area is a quadratic of the height, so Simpson's rule is exact.
        """
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
        if volume_ml <= 0:
            return 0.0
        return rising_root(
            lambda height: self.volume_ml(height) - volume_ml,
            0.0,
            self.depth_mm,
            within=LEVEL_MM,
            slope=lambda height: self.cut(height).area_mm2 / 1000,
            guess=self.depth_mm * volume_ml / full,
        )

    def heated_area_mm2(self, height_mm: float) -> float:
        """Bottom, walls (outer and tube) and open top of a content this high."""
        bottom, top = self.cut(0), self.cut(min(height_mm, self.depth_mm))
        walls = height_mm * (bottom.perimeter_mm + top.perimeter_mm) / 2
        return bottom.area_mm2 + top.area_mm2 + walls
