"""Pieces piped onto a tray: their shape, what one weighs, how many a tray takes."""

from __future__ import annotations

import math

from pydantic import Field

from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, RoundDimensions, RoundTin, Tin
from kindwhisk.core.values.model import Value

GAP_MM = 20.0
MARGIN_MM = 15.0


class PipedPiece(Value):
    """A mound (``length_mm`` is None: a cap of a sphere) or a finger (half a cylinder with round ends), in mm."""

    width_mm: float = Field(ge=5, le=400)
    height_mm: float = Field(ge=2, le=120)
    length_mm: float | None = Field(default=None, ge=10, le=600)
    gap_mm: float = Field(default=GAP_MM, ge=0, le=100)

    def volume_ml(self) -> float:
        """Volume of one in ml. Source: analytic."""
        r, h = self.width_mm / 2, self.height_mm
        cap = math.pi * h * (3 * r**2 + h**2) / 6
        if self.length_mm is None:
            return cap / 1000
        # The cut through a finger: a parabola as high as the finger.
        return (cap + 2 / 3 * self.width_mm * h * max(0.0, self.length_mm - self.width_mm)) / 1000

    def outline(self, points: int = 13) -> list[tuple[float, float]]:
        """The cut through it as (height, half-width) in mm, from the tray up."""
        heights = [self.height_mm * i / (points - 1) for i in range(points)]
        return [(h, self.width_mm / 2 * math.sqrt(max(0.0, 1 - h / self.height_mm))) for h in heights]

    def mould(self) -> Tin:
        """A tin of the same base and mean height: what oven and rack see of a piece."""
        r = self.width_mm / 2
        base = math.pi * r**2
        if self.length_mm is not None:
            base += self.width_mm * max(0.0, self.length_mm - self.width_mm)
        depth = max(1.0, self.volume_ml() * 1000 / base)
        if self.length_mm is None:
            return RoundTin(dimensions=RoundDimensions(diameter_mm=self.width_mm, depth_mm=depth))
        return BoxTin(
            shape="rectangular",
            dimensions=BoxDimensions(width_mm=self.width_mm, length_mm=max(1.0, base / self.width_mm), depth_mm=depth),
        )

    def on_tray(self, width_mm: float, length_mm: float) -> int:
        """How many stand on a tray: the best of staggered rows both ways and the square grid; fingers in files."""
        free = (width_mm - 2 * MARGIN_MM, length_mm - 2 * MARGIN_MM)
        if self.length_mm is not None:
            across, along = self.width_mm, self.length_mm
            both = (free, free[::-1])
            return max(_files(a, across, self.gap_mm) * _files(b, along, self.gap_mm) for a, b in both)
        return max(
            _files(free[0], self.width_mm, self.gap_mm) * _files(free[1], self.width_mm, self.gap_mm),
            _staggered(free[0], free[1], self.width_mm, self.gap_mm),
            _staggered(free[1], free[0], self.width_mm, self.gap_mm),
        )


def _files(room: float, size: float, gap: float) -> int:
    return max(0, math.floor((room + gap) / (size + gap) + 1e-9))


def _staggered(across: float, along: float, size: float, gap: float) -> int:
    pitch = size + gap
    rows = 0 if along < size else 1 + math.floor((along - size) / (pitch * math.sqrt(3) / 2) + 1e-9)
    even, odd = _files(across, size, gap), _files(across - pitch / 2, size, gap)
    return math.ceil(rows / 2) * even + (rows // 2) * odd
