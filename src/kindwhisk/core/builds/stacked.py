"""A stack: layers and fillings on one another, within a ring or free, a wall round them, a coat, something on top."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import Literal

from kindwhisk.core.builds.frame import NO_THICKNESS, FrameBase, of_place
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.region import Region, box, region
from kindwhisk.core.finishing.bodies import Body, RoundBody, SquareBody

INSIDE = (Place.BASE, Place.LAYER, Place.FILLING)
ROUNDED = 12


class Stacked(FrameBase):
    """``across_mm`` wide; ``length_mm`` long, or round where that is None.

    ``wall_mm`` is how thick a wall round it stands, ``wall_high_mm`` how high; ``disc_mm`` the width of a base cut
    to fit inside it.
    """

    frame: Literal["stacked"] = "stacked"
    across_mm: float
    length_mm: float | None = None
    wall_mm: float = 0.0
    wall_high_mm: float = 0.0

    def _area(self, inset_mm: float) -> float:
        across = max(1.0, self.across_mm - 2 * inset_mm)
        if self.length_mm is None:
            return math.pi * across**2 / 4
        return across * max(1.0, self.length_mm - 2 * inset_mm)

    @property
    def outside_mm2(self) -> float:
        """Of the whole footprint."""
        return self._area(0.0)

    @property
    def inside_mm2(self) -> float:
        """Of what lies within the wall."""
        return self._area(self.wall_mm)

    @property
    def around_mm(self) -> float:
        """Round the outside."""
        if self.length_mm is None:
            return math.pi * self.across_mm
        return 2 * (self.across_mm + self.length_mm)

    def thickness_mm(self, part: Part, parts: Sequence[Part]) -> float | None:
        """Volume over the area that it covers."""
        volume = self.volume_ml(part) * 1000
        if part.place in INSIDE:
            return volume / self.inside_mm2
        if part.place is Place.WALL:
            return self.wall_mm
        if part.place is Place.COAT:
            area = (part.on_top * self.outside_mm2) + (part.on_side * self.around_mm * self.height_mm(parts))
            return volume / area if area > 0 else None
        return None

    def height_mm(self, parts: Sequence[Part]) -> float:
        """Of all that lies on one another, or the wall where that is higher; without coat and what is on top."""
        inside = sum(self.volume_ml(p) * 1000 / self.inside_mm2 for p in parts if p.place in INSIDE)
        return max(inside, self.wall_high_mm if of_place(parts, Place.WALL) else 0.0)

    def regions(self, parts: Sequence[Part]) -> tuple[Region, ...]:
        """From the board up; the wall on both sides, the coat round it all, the top last."""
        half, share = self.across_mm / 2, self.share
        found: list[Region] = []
        inner = half - self.wall_mm
        level = 0.0
        for part in of_place(parts, *INSIDE):
            thick = self.thickness_mm(part, parts) or 0.0
            if thick < NO_THICKNESS:
                continue
            found.append(region(part, box(-inner, inner, level, level + thick), share, thick))
            level += thick
        for part in of_place(parts, Place.WALL):
            for left, right in ((-half, -inner), (inner, half)):
                found.append(region(part, _finger(left, right, self.wall_high_mm), share, self.wall_mm))
        side, top = half, self.height_mm(parts)
        for part in of_place(parts, Place.COAT):
            thick = self.thickness_mm(part, parts) or 0.0
            if thick < NO_THICKNESS:
                continue
            if part.on_side and part.on_top:
                arch = [(-side, 0.0), (-side, top), (side, top), (side, 0.0)]
                outer = [
                    (side + thick, 0.0),
                    (side + thick, top + thick),
                    (-side - thick, top + thick),
                    (-side - thick, 0.0),
                ]
                found.append(region(part, arch + outer, share, thick))
                side, top = side + thick, top + thick
            elif part.on_side:
                found += [
                    region(part, box(side, side + thick, 0.0, top), share, thick),
                    region(part, box(-side - thick, -side, 0.0, top), share, thick),
                ]
                side += thick
            else:
                # Within a wall that stands higher, a coat lies on the filling.
                low, wide = (level, inner) if self.wall_mm and level < top else (top, side)
                thick = self.volume_ml(part) * 1000 / (self.inside_mm2 if wide == inner else self.outside_mm2)
                found.append(region(part, box(-wide, wide, low, low + thick), share, thick))
                level = low + thick
                top = max(top, level)
        for part in of_place(parts, Place.TOP):
            volume = self.volume_ml(part) * 1000
            # Within a wall it first fills the room up to the rim.
            room = max(0.0, top - level) * self.inside_mm2 if self.wall_mm else 0.0
            low, half = (level, inner) if room > 0 else (top, side)
            sunk = min(room, volume) / self.inside_mm2
            thick = (volume - min(room, volume)) / self.outside_mm2
            outline = box(-half, half, low, low + sunk)
            if thick > NO_THICKNESS:
                outline = [(half, low), *([(-half, low)] if sunk else []), *_mounds(half, low + sunk, thick)[1:]]
            found.append(region(part, outline, share))
            level = low + sunk
            top = max(top, level) + thick
        return tuple(found)

    def body(self, parts: Sequence[Part]) -> Body:
        """A round or square body with as many layers as lie in it."""
        layers = max(1, len(of_place(parts, Place.BASE, Place.LAYER)))
        height = max(1.0, self.height_mm(parts))
        if self.length_mm is None:
            inner = self.across_mm - 2 * self.wall_mm if self.wall_mm else None
            return RoundBody(diameter_mm=self.across_mm, height_mm=height, layers=layers, inner_mm=inner)
        return SquareBody(width_mm=self.across_mm, length_mm=self.length_mm, height_mm=height, layers=layers)


def _finger(left: float, right: float, high: float) -> list[tuple[float, float]]:
    """A finger that stands upright: its head is round."""
    middle, half = (left + right) / 2, (right - left) / 2
    straight = max(0.0, high - half)
    head = [
        (middle + half * math.cos(math.pi * i / ROUNDED), straight + half * math.sin(math.pi * i / ROUNDED))
        for i in range(ROUNDED + 1)
    ]
    return [(left, 0.0), (right, 0.0), *head]


def _mounds(half: float, low: float, thick: float, number: int = 5) -> list[tuple[float, float]]:
    """Mounds of the same area as an even layer: what is piped or laid on top."""
    line: list[tuple[float, float]] = [(half, low), (-half, low)]
    wide = 2 * half / number
    # A half-ellipse as wide as a mound has π/4 of its box.
    high = thick * 4 / math.pi
    for n in range(number):
        middle = -half + (n + 0.5) * wide
        line += [
            (middle - wide / 2 * math.cos(math.pi * i / ROUNDED), low + high * math.sin(math.pi * i / ROUNDED))
            for i in range(ROUNDED + 1)
        ]
    return line
