"""Pieces piped onto a tray: their shape, what one weighs, how many a tray takes."""

from __future__ import annotations

import math
from enum import StrEnum

from pydantic import Field

from kindwhisk.core.tins.layout import GAP_MM, MARGIN_MM, Layout, lay_out
from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, RoundDimensions, RoundTin, Tin
from kindwhisk.core.values.model import Value

KISS_TAPER = 0.7
"""A kiss is as wide at height h as ``(1 - h/H)`` to this power: between a cone (1) and a paraboloid (1/2). By eye."""


class PieceShape(StrEnum):
    """What is piped: a mound that levels itself, a line, a drop with a tip, a closed line, a thin line."""

    ROUND = "round"
    FINGER = "finger"
    KISS = "kiss"
    RING = "ring"
    STICK = "stick"


class PipedPiece(Value):
    """One piece as it lies on the tray, in mm: ``width_mm`` across, for a ring its outer diameter with a ``cord_mm``.

    Without a ``shape`` it is round, or with a length a finger.
    """

    width_mm: float = Field(ge=3, le=400)
    height_mm: float = Field(ge=2, le=120)
    length_mm: float | None = Field(default=None, ge=10, le=600)
    gap_mm: float = Field(default=GAP_MM, ge=0, le=100)
    shape: PieceShape | None = None
    cord_mm: float | None = Field(default=None, ge=3, le=100)

    @property
    def form(self) -> PieceShape:
        """Its shape."""
        if self.shape is not None:
            return self.shape
        return PieceShape.ROUND if self.length_mm is None else PieceShape.FINGER

    @property
    def cord(self) -> float:
        """Of a ring, how wide the line is that it is piped from, in mm; a third of its width where that is not told."""
        return min(self.cord_mm or self.width_mm / 3, self.width_mm / 2)

    @property
    def straight_mm(self) -> float:
        """Of a finger or stick, its length between the round ends."""
        return max(0.0, (self.length_mm or self.width_mm) - self.width_mm)

    def volume_ml(self) -> float:
        """Volume of one in ml. Source: analytic; a round one is the cap of a sphere, a line is cut as a parabola."""
        r, h = self.width_mm / 2, self.height_mm
        if self.form is PieceShape.KISS:
            return math.pi * r**2 * h / (2 * KISS_TAPER + 1) / 1000
        if self.form is PieceShape.RING:
            return 2 / 3 * self.cord * h * math.pi * (self.width_mm - self.cord) / 1000
        cap = math.pi * h * (3 * r**2 + h**2) / 6
        if self.form is PieceShape.ROUND:
            return cap / 1000
        return (cap + 2 / 3 * self.width_mm * h * self.straight_mm) / 1000

    def base_mm2(self) -> float:
        """The area that it covers."""
        if self.form is PieceShape.RING:
            return math.pi * self.cord * (self.width_mm - self.cord)
        base = math.pi * self.width_mm**2 / 4
        return base if self.form in {PieceShape.ROUND, PieceShape.KISS} else base + self.width_mm * self.straight_mm

    def outline(self, points: int = 13) -> list[tuple[float, float, float]]:
        """The cut through it as (height, outer and inner half-width) in mm, from the tray up."""
        power = KISS_TAPER if self.form is PieceShape.KISS else 0.5
        found = []
        for i in range(points):
            share = max(0.0, 1 - i / (points - 1)) ** power
            if self.form is PieceShape.RING:
                middle, half = (self.width_mm - self.cord) / 2, self.cord / 2 * share
                found.append((self.height_mm * i / (points - 1), middle + half, middle - half))
            else:
                found.append((self.height_mm * i / (points - 1), self.width_mm / 2 * share, 0.0))
        return found

    def mould(self) -> Tin:
        """A tin of the same base and mean height: what oven and rack see of a piece."""
        base = self.base_mm2()
        depth = max(1.0, self.volume_ml() * 1000 / base)
        if self.form in {PieceShape.ROUND, PieceShape.KISS}:
            return RoundTin(dimensions=RoundDimensions(diameter_mm=self.width_mm, depth_mm=depth))
        wide = self.cord if self.form is PieceShape.RING else self.width_mm
        return BoxTin(
            shape="rectangular",
            dimensions=BoxDimensions(width_mm=wide, length_mm=max(1.0, base / wide), depth_mm=depth),
        )

    @property
    def footprint_mm(self) -> tuple[float, float]:
        """Width and length of the room that it takes."""
        long = self.form in {PieceShape.FINGER, PieceShape.STICK}
        return self.width_mm, max(self.width_mm, self.length_mm or 0.0) if long else self.width_mm

    def laid_out(self, width_mm: float, length_mm: float, margin_mm: float = MARGIN_MM) -> Layout:
        """How most of them stand on a tray."""
        return lay_out(self.footprint_mm, (width_mm, length_mm), self.gap_mm, margin_mm)

    def on_tray(self, width_mm: float, length_mm: float) -> int:
        """How many stand on a tray."""
        return len(self.laid_out(width_mm, length_mm).spots)
