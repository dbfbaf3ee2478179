"""How pieces stand on a tray: staggered or in rows, the way that takes most; every place by its middle."""

from __future__ import annotations

import math
from enum import StrEnum
from typing import NamedTuple

from kindwhisk.core.values.model import Value

GAP_MM = 20.0
MARGIN_MM = 15.0
FITS = 1e-9
"""A row that misses by less than this fits."""


class Arrangement(StrEnum):
    """How rows follow each other."""

    ROWS = "in rows"
    STAGGERED = "staggered"


class Spot(Value):
    """The middle of a piece, in mm from the tray's lower left corner."""

    x_mm: float
    y_mm: float


class Layout(Value):
    """Pieces of ``across_mm`` by ``along_mm`` (as they lie, once they have spread) on a tray, row by row."""

    width_mm: float
    length_mm: float
    margin_mm: float
    gap_mm: float
    across_mm: float
    along_mm: float
    arrangement: Arrangement
    spots: tuple[Spot, ...]


class _Rows(NamedTuple):
    """Rows along x: how many pieces stand in each, how far apart they are, how far each row is from the next."""

    counts: tuple[int, ...]
    pitch: float
    rise: float
    shift: float

    @property
    def number(self) -> int:
        return sum(self.counts)


def _files(room: float, size: float, gap: float) -> int:
    return max(0, math.floor((room + gap) / (size + gap) + FITS))


def _in_rows(across: float, along: float, size: tuple[float, float], gap: float) -> _Rows:
    each = _files(across, size[0], gap)
    return _Rows((each,) * (_files(along, size[1], gap) if each else 0), size[0] + gap, size[1] + gap, 0.0)


def _staggered(across: float, along: float, size: float, gap: float) -> _Rows:
    """Each second row stands in the gaps of the one before: rows are nearer by √3/2."""
    pitch = size + gap
    rise = pitch * math.sqrt(3) / 2
    rows = 0 if along < size else 1 + math.floor((along - size) / rise + FITS)
    even, odd = _files(across, size, gap), _files(across - pitch / 2, size, gap)
    return _Rows(tuple(odd if i % 2 else even for i in range(rows)) if even else (), pitch, rise, pitch / 2)


def _spots(rows: _Rows, tray: tuple[float, float], size: tuple[float, float]) -> list[tuple[float, float]]:
    """The middles, the whole block in the middle of the tray."""
    ends = [rows.shift * (i % 2) + (n - 1) * rows.pitch for i, n in enumerate(rows.counts) if n]
    wide = max(ends, default=0.0) + size[0]
    high = (len(rows.counts) - 1) * rows.rise + size[1]
    left, low = (tray[0] - wide + size[0]) / 2, (tray[1] - high + size[1]) / 2
    return [
        (left + rows.shift * (i % 2) + k * rows.pitch, low + i * rows.rise)
        for i, n in enumerate(rows.counts)
        for k in range(n)
    ]


def lay_out(
    size: tuple[float, float], tray: tuple[float, float], gap: float = GAP_MM, margin: float = MARGIN_MM
) -> Layout:
    """The layout that takes most pieces of ``size`` (mm; round ones have two equal sides), with ``gap`` between them
    and ``margin`` to the tray's edge: rows or staggered, along the tray or across; rows where nothing is gained.

    Staggered rows are for round pieces: long ones would not be nearer for it. Source: geometry.
    """
    free = (tray[0] - 2 * margin, tray[1] - 2 * margin)
    is_round = abs(size[0] - size[1]) < FITS
    # How the pieces lie, whether rows run along the tray's other side, and the rows; the simplest first.
    ways: list[tuple[tuple[float, float], bool, _Rows]] = [(size, False, _in_rows(*free, size, gap))]
    if is_round:
        ways += [(size, False, _staggered(*free, size[0], gap)), (size, True, _staggered(*free[::-1], size[0], gap))]
    else:
        ways.append((size[::-1], False, _in_rows(*free, size[::-1], gap)))
    (across, along), turned, rows = max(ways, key=lambda way: way[2].number)
    spots = _spots(rows, tray[::-1] if turned else tray, (across, along))
    placed = [(y, x) for x, y in spots] if turned else spots
    return Layout(
        width_mm=tray[0],
        length_mm=tray[1],
        margin_mm=margin,
        gap_mm=gap,
        across_mm=across,
        along_mm=along,
        arrangement=Arrangement.STAGGERED if rows.shift else Arrangement.ROWS,
        spots=tuple(Spot(x_mm=x, y_mm=y) for x, y in placed),
    )
