"""Square and rectangular tins, and sheets."""

from __future__ import annotations

import math
import re
from typing import ClassVar, Literal, Self

from kindwhisk.core.tins.paper import PaperShape, paper
from kindwhisk.core.tins.shapes.shape import ROUND_AND_SQUARE, Dimensions, Footprint, Millimetres, Shape

USUAL_DEPTH_MM, USUAL_SHEET_DEPTH_MM, SHEET_UP_TO_MM = 50.0, 20.0, 30.0
"""Of one that is named without a depth, and up to which depth it is a sheet. Trade habit: ask."""
SHEET_WORDS = (
    r"sheet|jelly[- ]roll|swiss roll|roll tin|tray|baking sheet|half[- ]sheet|baking dish|frame|"
    r"cadre|plaque|teglia|天板|ロール|khay"
)
SQUARE_WORDS = r"square|carré|quadrat|角型|vuông"
EQUAL_MM = 2.0


class BoxDimensions(Dimensions):
    """Straight walls."""

    width_mm: Millimetres
    length_mm: Millimetres
    depth_mm: Millimetres


class BoxTin(Shape):
    """A square or rectangular tin, or a sheet, with straight walls."""

    words: ClassVar[str] = f"{SHEET_WORDS}|{SQUARE_WORDS}"
    firsts: ClassVar[dict[str, dict[str, float]]] = {
        "square": {"width_mm": 180, "length_mm": 180, "depth_mm": 60},
        "rectangular": {"width_mm": 200, "length_mm": 300, "depth_mm": 50},
        "sheet": {"width_mm": 300, "length_mm": 400, "depth_mm": 25},
    }
    measures: ClassVar[dict[str, str]] = {"width_mm": "wide", "length_mm": "long", "depth_mm": "deep"}

    shape: Literal["square", "rectangular", "sheet"]
    dimensions: BoxDimensions

    @property
    def family(self) -> str:
        """Sheets err apart from deeper ones."""
        return self.shape if self.flat else ROUND_AND_SQUARE

    @property
    def flat(self) -> bool:
        """Whether it is a sheet."""
        return self.shape == "sheet"

    @classmethod
    def named_by(cls, text: str, sizes: tuple[float, ...], depth: float | None) -> Self | None:
        """By both sides, or by one where it is called square; the words or a low wall make it a sheet."""
        if len(sizes) == 1 and not re.search(SQUARE_WORDS, text):
            return None
        width, length = sizes[0], sizes[-1]
        low = depth is not None and depth <= SHEET_UP_TO_MM
        sheet = len(sizes) == 2 and (bool(re.search(SHEET_WORDS, text)) or low)
        return cls(
            shape="sheet" if sheet else "square" if length - width < EQUAL_MM else "rectangular",
            dimensions=BoxDimensions(
                width_mm=round(width),
                length_mm=round(length),
                depth_mm=round(depth or (USUAL_SHEET_DEPTH_MM if sheet else USUAL_DEPTH_MM)),
            ),
        )

    def cut(self, height_mm: float) -> Footprint:
        """The rectangle."""
        d = self.dimensions
        return Footprint(
            area_mm2=d.width_mm * d.length_mm,
            perimeter_mm=2 * (d.width_mm + d.length_mm),
            outer_mm=d.width_mm / 2,
        )

    @property
    def rings_grow(self) -> float:
        """The width over the length."""
        width, length = sorted((self.dimensions.width_mm, self.dimensions.length_mm))
        return width / length

    def half_widths_mm(self, height_mm: float) -> tuple[float, float]:
        """Half of its shorter side."""
        return min(self.dimensions.width_mm, self.dimensions.length_mm) / 2, 0.0

    @property
    def tray_mm(self) -> tuple[float, float]:
        """Its sides."""
        return self.dimensions.width_mm, self.dimensions.length_mm

    def lining(self) -> tuple[PaperShape, ...]:
        """One sheet with its corners cut in, so that the sides fold up and lap."""
        d = self.dimensions
        w, n, h = d.width_mm, d.length_mm, d.depth_mm
        sheet = [(0.0, 0.0), (w + 2 * h, 0.0), (w + 2 * h, n + 2 * h), (0.0, n + 2 * h)]
        corners = [((0.0, 0.0), (h, h)), ((w + 2 * h, 0.0), (h + w, h))]
        corners += [((w + 2 * h, n + 2 * h), (h + w, h + n)), ((0.0, n + 2 * h), (h, h + n))]
        base = [(h, h), (h + w, h), (h + w, h + n), (h, h + n), (h, h)]
        return (
            paper(
                "base and walls",
                f"sheet of {w + 2 * h:.0f} × {n + 2 * h:.0f} mm, cut {h * math.sqrt(2):.0f} mm into each corner",
                [sheet, *([a, b] for a, b in corners)],
                note="Fold up along the dotted lines, lap the corners behind each other.",
                folds=[base],
            ),
        )
