"""A dome: a shell of crumb over a filling, closed below by a lid, covered outside."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Literal

from kindwhisk.core.builds.frame import NO_THICKNESS, FrameBase, of_place
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.region import Point, Region, region
from kindwhisk.core.finishing.bodies import Body, DomeBody
from kindwhisk.core.finishing.dome import dome, segment_ml
from kindwhisk.core.values.solving import rising_root

POINTS = 40


class Domed(FrameBase):
    """A half-sphere of ``radius_mm`` on its flat face, with a wall and a lid."""

    frame: Literal["domed"] = "domed"
    radius_mm: float
    wall_mm: float
    lid_mm: float

    @property
    def cavity_ml(self) -> float:
        """What it takes of a filling."""
        return dome(self.radius_mm, self.wall_mm, self.lid_mm).cavity_ml

    def thickness_mm(self, part: Part, parts: Sequence[Part]) -> float | None:  # noqa: ARG002
        """Of wall, lid and coat."""
        if part.place is Place.WALL:
            return self.wall_mm
        if part.place is Place.LID:
            return self.lid_mm
        if part.place is Place.COAT:
            return self.volume_ml(part) * 1000 / (2 * math.pi * self.radius_mm**2)
        return None

    def _cap(self, radius: float, low: float, high: float, bottom: float = 0.0) -> list[Point]:
        """A slice of a half-sphere between two heights: left side up, right side down."""
        steps = [low + (high - low) * (1 - (1 - i / POINTS) ** 2) for i in range(POINTS + 1)]
        left = [(-math.sqrt(max(0.0, radius**2 - h**2)), h + bottom) for h in steps]
        return left + [(-x, y) for x, y in left[::-1]]

    def regions(self, parts: Sequence[Part]) -> tuple[Region, ...]:
        """Coat, wall, then what fills the hollow from its top down, and the lid."""
        share, r, inner = self.share, self.radius_mm, self.radius_mm - self.wall_mm
        found: list[Region] = []
        grown = r + sum(self.thickness_mm(p, parts) or 0.0 for p in of_place(parts, Place.COAT))
        for part in reversed(of_place(parts, Place.COAT)):
            thick = self.thickness_mm(part, parts) or 0.0
            if thick > NO_THICKNESS:
                found.append(region(part, self._cap(grown, 0.0, grown), share, thick))
                grown -= thick
        for part in of_place(parts, Place.WALL):
            # Hollow: out along its face, back along the room inside.
            shell = self._cap(r, self.lid_mm, r) + self._cap(inner, self.lid_mm, inner)[::-1]
            found.append(region(part, shell, share, self.wall_mm))
        for part in of_place(parts, Place.LID):
            found.append(region(part, self._cap(r, 0.0, self.lid_mm), share, self.lid_mm))
        # It is filled upside down: the first filling lies at the top of the dome.
        high = inner
        for part in of_place(parts, Place.FILLING):
            volume = min(self.volume_ml(part), segment_ml(inner, self.lid_mm, high))
            low = high - _depth_mm(inner, high, volume, high - self.lid_mm)
            found.append(region(part, self._cap(inner, low, high), share))
            high = low
        return tuple(found)

    def body(self, parts: Sequence[Part]) -> Body:  # noqa: ARG002
        """A dome."""
        return DomeBody(diameter_mm=2 * self.radius_mm, wall_mm=self.wall_mm, lid_mm=self.lid_mm)


def _depth_mm(radius: float, high: float, volume_ml: float, most_mm: float) -> float:
    """How deep a volume lies below a height in a half-sphere."""
    if volume_ml <= 0 or most_mm <= 0:
        return 0.0
    return rising_root(lambda d: segment_ml(radius, high - d, high) - volume_ml, 0.0, most_mm)
