"""Lining: the paper that a tin wants, as flat shapes of true size."""

from __future__ import annotations

import math
from collections.abc import Sequence
from typing import assert_never

from kindwhisk.core.tins.shapes import BoxTin, HalfSphereTin, LoafTin, RoundTin, Tin, TubeTin
from kindwhisk.core.values.model import Value

OVERLAP_MM = 15.0
"""By which a strip laps over itself."""
ARC_STEP = math.radians(1.0)
GORES = 8
STRAIGHT_MM = 0.5
"""A wall that leans less than this over its height is cut as a straight strip."""

Point = tuple[float, float]


class PaperShape(Value):
    """A piece of paper to cut: ``count`` of it. Points in mm, x to the right, y upward; lines are closed if ``cuts``.

    ``cuts`` are cut, ``folds`` are creased and stay open.
    """

    name: str
    count: int
    size: str
    note: str
    cuts: tuple[tuple[Point, ...], ...]
    folds: tuple[tuple[Point, ...], ...] = ()

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


def shape(
    name: str,
    size: str,
    cuts: Sequence[Sequence[Point]],
    *,
    note: str = "",
    count: int = 1,
    folds: Sequence[Sequence[Point]] = (),
) -> PaperShape:
    """A shape with its lower left corner in the origin."""
    left = min(x for line in cuts for x, _ in line)
    bottom = min(y for line in cuts for _, y in line)
    by = (-left, -bottom)
    return PaperShape(name=name, count=count, size=size, note=note, cuts=_moved(cuts, by), folds=_moved(folds, by))


def _arc(radius: float, start: float, end: float) -> list[Point]:
    steps = max(2, math.ceil(abs(end - start) / ARC_STEP))
    turn = (end - start) / steps
    return [(radius * math.cos(start + i * turn), radius * math.sin(start + i * turn)) for i in range(steps + 1)]


def _circle(diameter: float) -> list[Point]:
    return _arc(diameter / 2, 0, 2 * math.pi)[:-1]


def _disc(diameter: float, hole: float = 0.0) -> PaperShape:
    if not hole:
        return shape("base", f"disc of {diameter:.0f} mm", [_circle(diameter)])
    return shape(
        "base",
        f"ring of {diameter:.0f} mm with a hole of {hole:.0f} mm",
        [_circle(diameter), _circle(hole)],
        note="Cut in from one side to lay it around the tube.",
    )


def _wall(name: str, bottom: float, top: float, depth: float) -> PaperShape:
    """The wall of a round tin laid flat: a strip, or for a tapered one a piece of a ring."""
    lean = (top - bottom) / 2
    if abs(lean) < STRAIGHT_MM:
        length = math.pi * bottom + OVERLAP_MM
        corners = [(0.0, 0.0), (length, 0.0), (length, depth), (0.0, depth)]
        return shape(
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
    return shape(
        name,
        f"curved strip, {slant:.0f} mm wide, {2 * math.pi * wide:.0f} mm along its long edge",
        [[*_arc(outer, start, end), *_arc(inner, end, start)]],
        note=f"{OVERLAP_MM:.0f} mm lap over; the long edge is the wider end.",
        folds=[[(r * math.cos(edge), r * math.sin(edge)) for r in (inner, outer)]],
    )


def _round(tin: RoundTin) -> tuple[PaperShape, ...]:
    d = tin.dimensions
    return _disc(d.diameter_mm), _wall("wall", d.diameter_mm, d.top, d.depth_mm)


def _tube(tin: TubeTin) -> tuple[PaperShape, ...]:
    d = tin.dimensions
    top = d.tube_top_diameter_mm or d.tube_diameter_mm
    return (
        _disc(d.diameter_mm, d.tube_diameter_mm),
        _wall("wall", d.diameter_mm, d.top, d.depth_mm),
        _wall("tube", d.tube_diameter_mm, top, d.depth_mm),
    )


def _box(tin: BoxTin) -> tuple[PaperShape, ...]:
    """One sheet with its corners cut in, so that the sides fold up and lap."""
    d = tin.dimensions
    w, n, h = d.width_mm, d.length_mm, d.depth_mm
    sheet = [(0.0, 0.0), (w + 2 * h, 0.0), (w + 2 * h, n + 2 * h), (0.0, n + 2 * h)]
    corners = [((0.0, 0.0), (h, h)), ((w + 2 * h, 0.0), (h + w, h))]
    corners += [((w + 2 * h, n + 2 * h), (h + w, h + n)), ((0.0, n + 2 * h), (h, h + n))]
    base = [(h, h), (h + w, h), (h + w, h + n), (h, h + n), (h, h)]
    return (
        shape(
            "base and walls",
            f"sheet of {w + 2 * h:.0f} × {n + 2 * h:.0f} mm, cut {h * math.sqrt(2):.0f} mm into each corner",
            [sheet, *([a, b] for a, b in corners)],
            note="Fold up along the dotted lines, lap the corners behind each other.",
            folds=[base],
        ),
    )


def _loaf(tin: LoafTin) -> tuple[PaperShape, ...]:
    """The net of a tin with sloping walls."""
    d = tin.dimensions
    w, n = d.bottom_width_mm, d.bottom_length_mm
    out_w, out_n = (d.top_width_mm - w) / 2, (d.top_length_mm - n) / 2
    side, end = math.hypot(d.depth_mm, out_w), math.hypot(d.depth_mm, out_n)
    net = [
        (0.0, 0.0), (-out_w, -end), (w + out_w, -end), (w, 0.0), (w + side, -out_n), (w + side, n + out_n),
        (w, n), (w + out_w, n + end), (-out_w, n + end), (0.0, n), (-side, n + out_n), (-side, -out_n),
    ]  # fmt: skip
    base = [(0.0, 0.0), (w, 0.0), (w, n), (0.0, n), (0.0, 0.0)]
    return (
        shape(
            "base and walls",
            f"net on a base of {w:.0f} × {n:.0f} mm, walls of {side:.0f} and {end:.0f} mm",
            [net],
            note="Fold up along the dotted lines; butter holds the corners.",
            folds=[base],
        ),
    )


def _half_sphere(tin: HalfSphereTin) -> tuple[PaperShape, ...]:
    """Petals from the pole to the rim."""
    radius = tin.dimensions.diameter_mm / 2
    length = math.pi * radius / 2

    def half(along: float) -> float:
        return math.pi / GORES * radius * math.sin(along / radius)

    steps = [length * i / 40 for i in range(41)]
    outline = [(half(s), s) for s in steps] + [(-half(s), s) for s in reversed(steps[1:])]
    return (
        shape(
            "petal",
            f"{2 * half(length):.0f} mm at the rim, {length:.0f} mm long",
            [outline],
            count=GORES,
            note="Lay them tip to tip at the bottom.",
        ),
    )


def lining(tin: Tin) -> tuple[PaperShape, ...]:
    """All the paper that lines a tin, base and walls."""
    match tin:
        case RoundTin():
            return _round(tin)
        case TubeTin():
            return _tube(tin)
        case BoxTin():
            return _box(tin)
        case LoafTin():
            return _loaf(tin)
        case HalfSphereTin():
            return _half_sphere(tin)
        case _:
            assert_never(tin)
