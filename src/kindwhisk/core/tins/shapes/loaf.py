"""Loaf tins: a rectangular bottom and sloping walls."""

from __future__ import annotations

import math
import re
from typing import ClassVar, Literal, Self

from kindwhisk.core.tins.paper import PaperShape, paper
from kindwhisk.core.tins.shapes.shape import Dimensions, Footprint, Millimetres, Shape, between

USUAL_WIDTH, USUAL_BOTTOM_WIDTH, USUAL_BOTTOM_LENGTH, USUAL_DEPTH_MM = 0.42, 0.85, 0.92, 65.0
"""Its width to its length at the rim, and what the bottom is of both; its depth. Trade habit: ask."""


class LoafDimensions(Dimensions):
    """Sloping walls: bottom and top widths and lengths."""

    bottom_width_mm: Millimetres
    bottom_length_mm: Millimetres
    top_width_mm: Millimetres
    top_length_mm: Millimetres
    depth_mm: Millimetres


class LoafTin(Shape):
    """A tin with a rectangular bottom and sloping walls."""

    words: ClassVar[str] = r"loaf|cake tin \(loaf|moule à cake|plumcake|パウンド"
    firsts: ClassVar[dict[str, dict[str, float]]] = {
        "loaf": {
            "bottom_width_mm": 85,
            "bottom_length_mm": 210,
            "top_width_mm": 105,
            "top_length_mm": 230,
            "depth_mm": 65,
        }
    }
    measures: ClassVar[dict[str, str]] = {
        "bottom_width_mm": "bottom, wide",
        "bottom_length_mm": "bottom, long",
        "top_width_mm": "top, wide",
        "top_length_mm": "top, long",
        "depth_mm": "deep",
    }

    shape: Literal["loaf"] = "loaf"
    dimensions: LoafDimensions

    @classmethod
    def named_by(cls, text: str, sizes: tuple[float, ...], depth: float | None) -> Self | None:
        """By its length at the rim, or both sides there."""
        if not re.search(cls.words, text):
            return None
        width, length = sizes if len(sizes) == 2 else (sizes[0] * USUAL_WIDTH, sizes[0])
        return cls(
            dimensions=LoafDimensions(
                bottom_width_mm=round(width * USUAL_BOTTOM_WIDTH),
                bottom_length_mm=round(length * USUAL_BOTTOM_LENGTH),
                top_width_mm=round(width),
                top_length_mm=round(length),
                depth_mm=round(depth or USUAL_DEPTH_MM),
            )
        )

    def cut(self, height_mm: float) -> Footprint:
        """The rectangle at a height."""
        d = self.dimensions
        share = min(1.0, height_mm / d.depth_mm)
        width = between(d.bottom_width_mm, d.top_width_mm, share)
        length = between(d.bottom_length_mm, d.top_length_mm, share)
        return Footprint(area_mm2=width * length, perimeter_mm=2 * (width + length), outer_mm=width / 2)

    @property
    def rings_grow(self) -> float:
        """The width over the length, half way up."""
        d = self.dimensions
        width, length = sorted((d.bottom_width_mm + d.top_width_mm, d.bottom_length_mm + d.top_length_mm))
        return width / length

    def lining(self) -> tuple[PaperShape, ...]:
        """The net of its base and sloping walls."""
        d = self.dimensions
        w, n = d.bottom_width_mm, d.bottom_length_mm
        out_w, out_n = (d.top_width_mm - w) / 2, (d.top_length_mm - n) / 2
        side, end = math.hypot(d.depth_mm, out_w), math.hypot(d.depth_mm, out_n)
        net = [
            (0.0, 0.0), (-out_w, -end), (w + out_w, -end), (w, 0.0), (w + side, -out_n), (w + side, n + out_n),
            (w, n), (w + out_w, n + end), (-out_w, n + end), (0.0, n), (-side, n + out_n), (-side, -out_n),
        ]  # fmt: skip
        base = [(0.0, 0.0), (w, 0.0), (w, n), (0.0, n), (0.0, 0.0)]
        return (
            paper(
                "base and walls",
                f"net on a base of {w:.0f} × {n:.0f} mm, walls of {side:.0f} and {end:.0f} mm",
                [net],
                note="Fold up along the dotted lines; butter holds the corners.",
                folds=[base],
            ),
        )
