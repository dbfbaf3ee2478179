"""A pair: two piped pieces with a filling between their flat sides."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Literal

from kindwhisk.core.builds.frame import FrameBase, of_place
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.region import Point, Region, box, region
from kindwhisk.core.finishing.bodies import Body, PairsBody
from kindwhisk.core.tins.pieces import PipedPiece

POINTS = 15


class Paired(FrameBase):
    """``count`` pairs of one piece."""

    frame: Literal["paired"] = "paired"
    piece: PipedPiece

    def thickness_mm(self, part: Part, parts: Sequence[Part]) -> float | None:  # noqa: ARG002
        """Of the filling over the piece's base."""
        if part.place is not Place.FILLING:
            return None
        return self.volume_ml(part) * 1000 / self.piece.base_mm2()

    def regions(self, parts: Sequence[Part]) -> tuple[Region, ...]:
        """A piece upside down, the filling, and a piece on it."""
        found: list[Region] = []
        shells = of_place(parts, Place.LAYER)
        height = self.piece.height_mm
        if shells:
            # Two pieces share what a pair holds of them.
            each = sum(self.volume_ml(p) for p in shells) / 2
            height *= each / self.piece.volume_ml()
        scale = height / self.piece.height_mm
        line = [(outer, h * scale) for h, outer, _ in self.piece.outline(POINTS)]
        level = height
        if shells:
            low: list[Point] = [(x, height - y) for x, y in line]
            found.append(region(shells[0], _both_sides(low), self.share * (1 if len(shells) > 1 else 0.5)))
        for part in of_place(parts, Place.FILLING):
            thick = self.thickness_mm(part, parts) or 0.0
            half = self.piece.width_mm / 2 * 0.97
            found.append(region(part, box(-half, half, level, level + thick), self.share, thick))
            level += thick
        if shells:
            high: list[Point] = [(x, level + y) for x, y in line]
            found.append(region(shells[-1], _both_sides(high), self.share * (1 if len(shells) > 1 else 0.5)))
        return tuple(found)

    def body(self, parts: Sequence[Part]) -> Body:  # noqa: ARG002
        """Pairs, all of them."""
        return PairsBody(diameter_mm=self.piece.width_mm, pairs=self.count)


def _both_sides(right: list[Point]) -> list[Point]:
    return right + [(-x, y) for x, y in right[::-1]]
