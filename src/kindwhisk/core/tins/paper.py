"""Paper that lines a tin, as flat shapes of true size, and the pieces that such shapes are made of."""

from __future__ import annotations

import math
from collections.abc import Sequence

from kindwhisk.core.values.model import Value

OVERLAP_MM = 15.0
"""By which a strip laps over itself."""
ARC_STEP = math.radians(1.0)
STRAIGHT_MM = 0.5
"""A wall that leans less than this over its height is cut as a straight strip."""

Point = tuple[float, float]


class PaperShape(Value):
    """A piece of paper to cut: ``count`` of it. Points in mm, x to the right, y upward; lines are closed if ``cuts``.

    ``cuts`` are cut, ``folds`` are creased and stay open, ``marks`` are only drawn.
    """

    name: str
    count: int
    size: str
    note: str
    cuts: tuple[tuple[Point, ...], ...]
    folds: tuple[tuple[Point, ...], ...] = ()
    marks: tuple[tuple[Point, ...], ...] = ()

    @property
    def width_mm(self) -> float:
        """From side to side."""
        xs = [x for line in self.cuts for x, _ in line]
        return max(xs) - min(xs)

    @property
    def height_mm(self) -> float:
        """From bottom to top."""
        ys = [y for line in self.cuts for _, y in line]
        return max(ys) - min(ys)


def _moved(lines: Sequence[Sequence[Point]], by: Point) -> tuple[tuple[Point, ...], ...]:
    return tuple(tuple((x + by[0], y + by[1]) for x, y in line) for line in lines)


def paper(
    name: str,
    size: str,
    cuts: Sequence[Sequence[Point]],
    *,
    note: str = "",
    count: int = 1,
    folds: Sequence[Sequence[Point]] = (),
    marks: Sequence[Sequence[Point]] = (),
) -> PaperShape:
    """A shape with its lower left corner in the origin."""
    left = min(x for line in cuts for x, _ in line)
    bottom = min(y for line in cuts for _, y in line)
    by = (-left, -bottom)
    return PaperShape(
        name=name,
        count=count,
        size=size,
        note=note,
        cuts=_moved(cuts, by),
        folds=_moved(folds, by),
        marks=_moved(marks, by),
    )


def arc(radius: float, start: float, end: float) -> list[Point]:
    """Points along a circle, from an angle to another."""
    steps = max(2, math.ceil(abs(end - start) / ARC_STEP))
    turn = (end - start) / steps
    return [(radius * math.cos(start + i * turn), radius * math.sin(start + i * turn)) for i in range(steps + 1)]


def _circle(diameter: float) -> list[Point]:
    return arc(diameter / 2, 0, 2 * math.pi)[:-1]


def disc(diameter: float, hole: float = 0.0) -> PaperShape:
    """The base of a round tin, with a hole for its tube."""
    if not hole:
        return paper("base", f"disc of {diameter:.0f} mm", [_circle(diameter)])
    return paper(
        "base",
        f"ring of {diameter:.0f} mm with a hole of {hole:.0f} mm",
        [_circle(diameter), _circle(hole)],
        note="Cut in from one side to lay it around the tube.",
    )


def wall(name: str, bottom: float, top: float, depth: float) -> PaperShape:
    """The wall of a round tin laid flat: a strip, or for a tapered one a piece of a ring."""
    lean = (top - bottom) / 2
    if abs(lean) < STRAIGHT_MM:
        length = math.pi * bottom + OVERLAP_MM
        corners = [(0.0, 0.0), (length, 0.0), (length, depth), (0.0, depth)]
        return paper(
            name,
            f"strip of {length:.0f} × {depth:.0f} mm",
            [corners],
            note=f"{OVERLAP_MM:.0f} mm lap over.",
            folds=[[(length - OVERLAP_MM, 0.0), (length - OVERLAP_MM, depth)]],
        )
    slant = math.hypot(depth, lean)
    narrow, wide = sorted((bottom / 2, top / 2))
    inner = narrow * slant / abs(lean)
    outer = inner + slant
    turn = 2 * math.pi * narrow / inner
    lap = OVERLAP_MM / outer
    start = math.pi / 2 - (turn + lap) / 2
    end = start + turn + lap
    edge = end - lap
    return paper(
        name,
        f"curved strip, {slant:.0f} mm wide, {2 * math.pi * wide:.0f} mm along its long edge",
        [[*arc(outer, start, end), *arc(inner, end, start)]],
        note=f"{OVERLAP_MM:.0f} mm lap over; the long edge is the wider end.",
        folds=[[(r * math.cos(edge), r * math.sin(edge)) for r in (inner, outer)]],
    )
