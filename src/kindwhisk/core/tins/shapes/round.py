"""Round tins, straight or tapered."""

from __future__ import annotations

from typing import ClassVar, Literal, Self

from kindwhisk.core.tins import paper
from kindwhisk.core.tins.paper import PaperShape
from kindwhisk.core.tins.shapes.shape import (
    ROUND_AND_SQUARE,
    Dimensions,
    Footprint,
    Millimetres,
    Shape,
    between,
    circle,
)

USUAL_DEPTH_MM = 60.0
"""Of one that is named without a depth. Trade habit: ask."""


class RoundDimensions(Dimensions):
    """``diameter_mm`` is at the bottom; a taper adds ``top_diameter_mm``."""

    diameter_mm: Millimetres
    depth_mm: Millimetres
    top_diameter_mm: Millimetres | None = None

    @property
    def top(self) -> float:
        """Diameter at the rim in mm."""
        return self.top_diameter_mm or self.diameter_mm


class RoundTin(Shape):
    """A round tin, straight or tapered."""

    round: ClassVar[bool] = True
    words: ClassVar[str] = (
        r"\bpans?\b|\btins?\b|mou?ld|\brings?\b|springform|moules?|cercles?|stamp[oi]|tortier[ae]|anell[oi]|型|khuôn"
    )
    firsts: ClassVar[dict[str, dict[str, float]]] = {"round": {"diameter_mm": 180, "depth_mm": 60}}
    measures: ClassVar[dict[str, str]] = {
        "diameter_mm": "across the bottom",
        "top_diameter_mm": "across the top",
        "depth_mm": "deep",
    }

    shape: Literal["round"] = "round"
    dimensions: RoundDimensions

    @property
    def family(self) -> str:
        """It errs as square ones do."""
        return ROUND_AND_SQUARE

    @classmethod
    def named_by(cls, text: str, sizes: tuple[float, ...], depth: float | None) -> Self | None:
        """By its diameter, whatever else it is called."""
        if len(sizes) != 1:
            return None
        return cls(dimensions=RoundDimensions(diameter_mm=round(sizes[0]), depth_mm=depth or USUAL_DEPTH_MM))

    def cut(self, height_mm: float) -> Footprint:
        """The disc at a height."""
        d = self.dimensions
        diameter = between(d.diameter_mm, d.top, min(1.0, height_mm / d.depth_mm))
        area, perimeter = circle(diameter)
        return Footprint(area_mm2=area, perimeter_mm=perimeter, outer_mm=diameter / 2)

    def lining(self) -> tuple[PaperShape, ...]:
        """A disc and a strip."""
        d = self.dimensions
        return paper.disc(d.diameter_mm), paper.wall("wall", d.diameter_mm, d.top, d.depth_mm)
