"""A roll: a sheet and its filling as a spiral, a coat round it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from itertools import accumulate, pairwise
from typing import Literal

from kindwhisk.core.builds.frame import FrameBase, of_place
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.region import Point, Region, region
from kindwhisk.core.finishing.bodies import Body, RollBody
from kindwhisk.core.finishing.rolling import BEVEL_TIMES, Roll, filling_mm, mean_filling_mm, spiral, tapered

EVERY = 4
THINNEST_MM = 0.5


class Rolled(FrameBase):
    """A sheet ``along_mm`` in the direction of rolling and ``across_mm`` beside it; ``outside`` is true where its baked
    face looks outward."""

    frame: Literal["rolled"] = "rolled"
    along_mm: float
    across_mm: float
    taper: float = 0.0
    outside: bool = False

    def _mean_mm(self, parts: Sequence[Part], *places: Place) -> float:
        return sum(self.volume_ml(p) for p in of_place(parts, *places)) * 1000 / (self.along_mm * self.across_mm)

    def _full_mm(self, parts: Sequence[Part]) -> float:
        """How thick the filling lies where it is thickest: thinner over the last third."""
        return self._mean_mm(parts, Place.FILLING) / mean_filling_mm(1.0, self.taper)

    def made(self, parts: Sequence[Part]) -> Roll:
        """Its diameter, turns and strain."""
        sheet = max(THINNEST_MM, self._mean_mm(parts, Place.LAYER))
        return tapered(self.along_mm, sheet, self._full_mm(parts), self.taper)

    def thickness_mm(self, part: Part, parts: Sequence[Part]) -> float | None:
        """Mean over the sheet; a coat's over the outside."""
        if part.place is Place.COAT:
            return self.volume_ml(part) * 1000 / (math.pi * self.made(parts).diameter_mm * self.across_mm)
        return self._mean_mm([part], part.place)

    def regions(self, parts: Sequence[Part]) -> tuple[Region, ...]:
        """The spiral of the sheet, the spirals of what lies on it, and the coat; the roll rests on its board."""
        sheet = max(THINNEST_MM, self._mean_mm(parts, Place.LAYER))
        full = self._full_mm(parts)
        line = self._line(sheet, full)
        radius = max(out for *_, out in line)
        turned = line[-1][0] + math.pi / 2
        coats = [(part, self.thickness_mm(part, parts) or 0.0) for part in of_place(parts, Place.COAT)]
        # It rests on its board by its lowest turn, or by its coat.
        low = max(*(-out * math.sin(a - turned) for a, _, out in line), *(radius + thick for _, thick in coats))
        beside = [out * math.cos(a - turned) for a, _, out in line]
        middle = (min(beside) + max(beside)) / 2

        def at(angle: float, r: float) -> Point:
            # The end of the sheet, its seam, lies below.
            a = angle - turned
            return r * math.cos(a) - middle, low + r * math.sin(a)

        found: list[Region] = []
        for part, thick in coats:
            ring = [
                (
                    (radius + thick) * math.cos(math.tau * i / 72) - middle,
                    low + (radius + thick) * math.sin(math.tau * i / 72),
                )
                for i in range(73)
            ]
            found.append(region(part, ring, self.share, thick))
        for part in of_place(parts, Place.TOP):
            found.append(region(part, self._ridge(part, max(at(a, out)[1] for a, _, out in line)), self.share))
        fillings = of_place(parts, Place.FILLING)
        means = [self._mean_mm([p], Place.FILLING) for p in fillings]
        whole = sum(means) or 1.0

        def below(share: float) -> list[Point]:
            """The line so far into the fillings, from the crumb that they lie on."""
            last = max(1, len(line) - 1)
            thick = [filling_mm(full, self.taper, i / last) * share for i in range(len(line))]
            return [at(a, max(0.0, inner - t)) for (a, inner, _), t in zip(line, thick, strict=True)]

        laid = list(accumulate(means, initial=0.0))
        for part, (upper, lower), mean in zip(fillings, pairwise(laid), means, strict=True):
            found.append(region(part, below(upper / whole) + below(lower / whole)[::-1], self.share, mean))
        for part in of_place(parts, Place.LAYER):
            outer = [at(a, out) for a, _, out in line]
            inside = [at(a, inner) for a, inner, _ in line]
            found.append(region(part, outer + inside[::-1], self.share, sheet))
        return tuple(found)

    def _line(self, sheet: float, full: float) -> list[tuple[float, float, float]]:
        """Angle, inner and outer radius of the crumb; its far end is cut slanting and lies flat on the last turn."""
        found = spiral(self.along_mm, sheet, full, self.taper)
        last = len(found) - 1
        slants = min(self.along_mm, BEVEL_TIMES * sheet)

        def there(i: int) -> float:
            return min(1.0, self.along_mm * (1 - i / last) / slants)

        whole = [(a, inner, inner + (out - inner) * there(i)) for i, (a, inner, out) in enumerate(found)]
        return whole[::EVERY]

    def _ridge(self, part: Part, top: float) -> list[Point]:
        """What is piped along the top: half a circle of its volume over the roll's length."""
        half = math.sqrt(2 * self.volume_ml(part) * 1000 / self.across_mm / math.pi)
        low = top - half / 6
        turns = [math.pi * i / 16 for i in range(17)]
        return [(half * math.cos(a), low + half * math.sin(a)) for a in turns]

    def body(self, parts: Sequence[Part]) -> Body:
        """A roll."""
        return RollBody(
            length_mm=self.along_mm,
            width_mm=self.across_mm,
            thickness_mm=max(THINNEST_MM, self._mean_mm(parts, Place.LAYER)),
            filling_mm=min(60.0, self._full_mm(parts)),
        )
