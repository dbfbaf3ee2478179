"""Round tins with a tube in the middle."""

from __future__ import annotations

import re
from typing import ClassVar, Literal, Self

from pydantic import model_validator

from kindwhisk.core.tins import paper
from kindwhisk.core.tins.paper import PaperShape
from kindwhisk.core.tins.shapes.round import RoundDimensions
from kindwhisk.core.tins.shapes.shape import Footprint, Millimetres, Shape, between, circle

USUAL_BOTTOM, USUAL_DEPTH, USUAL_TUBE, USUAL_TUBE_TOP = 0.89, 0.46, 0.32, 0.27
"""Of its width at the rim, where no more is told. Trade habit: ask."""


class TubeDimensions(RoundDimensions):
    """A round tin with a tube in the middle, ``tube_diameter_mm`` at the bottom."""

    tube_diameter_mm: Millimetres
    tube_top_diameter_mm: Millimetres | None = None

    @model_validator(mode="after")
    def _tube_fits(self) -> Self:
        if self.tube_diameter_mm >= self.diameter_mm or (self.tube_top_diameter_mm or 0) >= self.top:
            raise ValueError("tube_diameter_mm must be smaller than diameter_mm: measure both inside")
        return self


class TubeTin(Shape):
    """A round tin with a tube in the middle, both straight or tapered."""

    round: ClassVar[bool] = True
    words: ClassVar[str] = (
        r"tube|angel(?:[- ]food|(?: cake)? (?:tin|pan|mould))|chiffon|シフォン|"
        r"ciambella|savarin|chimney|cheminée|bundt|khuôn ống|funnel"
    )
    firsts: ClassVar[dict[str, dict[str, float]]] = {
        "tube": {
            "diameter_mm": 160,
            "top_diameter_mm": 180,
            "depth_mm": 90,
            "tube_diameter_mm": 60,
            "tube_top_diameter_mm": 50,
        }
    }
    measures: ClassVar[dict[str, str]] = {
        "diameter_mm": "across the bottom",
        "top_diameter_mm": "across the top",
        "depth_mm": "deep",
        "tube_diameter_mm": "tube, bottom",
        "tube_top_diameter_mm": "tube, top",
    }

    shape: Literal["tube"] = "tube"
    dimensions: TubeDimensions

    @classmethod
    def named_by(cls, text: str, sizes: tuple[float, ...], depth: float | None) -> Self | None:
        """By its width at the rim."""
        if len(sizes) != 1 or not re.search(cls.words, text):
            return None
        across = sizes[0]
        return cls(
            dimensions=TubeDimensions(
                diameter_mm=round(across * USUAL_BOTTOM),
                top_diameter_mm=round(across),
                depth_mm=depth or round(across * USUAL_DEPTH),
                tube_diameter_mm=round(across * USUAL_TUBE),
                tube_top_diameter_mm=round(across * USUAL_TUBE_TOP),
            )
        )

    def cut(self, height_mm: float) -> Footprint:
        """The ring at a height."""
        d = self.dimensions
        share = min(1.0, height_mm / d.depth_mm)
        outer = between(d.diameter_mm, d.top, share)
        inner = between(d.tube_diameter_mm, d.tube_top_diameter_mm or d.tube_diameter_mm, share)
        (outer_area, outer_line), (inner_area, inner_line) = circle(outer), circle(inner)
        return Footprint(
            area_mm2=outer_area - inner_area,
            perimeter_mm=outer_line + inner_line,
            outer_mm=outer / 2,
            inner_mm=inner / 2,
        )

    def lining(self) -> tuple[PaperShape, ...]:
        """A ring and two strips."""
        d = self.dimensions
        top = d.tube_top_diameter_mm or d.tube_diameter_mm
        return (
            paper.disc(d.diameter_mm, d.tube_diameter_mm),
            paper.wall("wall", d.diameter_mm, d.top, d.depth_mm),
            paper.wall("tube", d.tube_diameter_mm, top, d.depth_mm),
        )
