"""How many tins, and which: a batter shared out over what stands on the shelf, and what to do with the rest."""

from __future__ import annotations

import heapq
from collections.abc import Iterator, Sequence
from typing import NamedTuple

from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.tins.standing import SHEET_MM, USUAL, FillBand
from kindwhisk.core.values.model import Value

CUP_ML, CUP_FILL = 90.0, 0.6
"""A small paper case, and what it is filled to."""
LEAST_REST = 0.02
TOO_MANY, REST_WEIGHT, TINS_WEIGHT, MIXED_WEIGHT = 4, 1.5, 0.02, 0.05
SHOWN = 5


class OnShelf(Value):
    """Tins of one kind at hand."""

    id: str
    name: str
    tin: Tin
    count: int


class Share(Value):
    """So many tins of one kind, each with its share of the batter."""

    id: str
    name: str
    count: int
    each_ml: float
    fill_fraction: float
    level_mm: float


class Allotment(Value):
    """A way to share a batter out. ``rest_ml`` goes into neither; ``cases`` small paper cases would take it."""

    shares: tuple[Share, ...]
    rest_ml: float
    cases: int
    says: str


def _good_ml(tin: Tin, band: FillBand) -> tuple[float, float, float]:
    """Volumes (ml) at the band's ends and middle: a sheet goes by thickness."""
    if tin.flat:
        low, good, high = (tin.volume_ml(mm) for mm in SHEET_MM)
        return low, good, high
    whole = tin.volume_ml()
    return band.low * whole, band.good * whole, band.high * whole


class _Kind(NamedTuple):
    """Tins of one kind, with what each holds at the band's ends and middle (ml)."""

    tins: OnShelf
    ml: tuple[float, float, float]


Way = tuple[tuple[_Kind, int], ...]


def _ways(shelf: Sequence[_Kind]) -> Iterator[Way]:
    for i, one in enumerate(shelf):
        for count in range(1, min(one.tins.count, TOO_MANY) + 1):
            yield ((one, count),)
            for other in shelf[i + 1 :]:
                if one.tins.tin.flat == other.tins.tin.flat:
                    yield ((one, count), (other, 1))


def share_out(batter_ml: float, shelf: Sequence[OnShelf], band: FillBand = USUAL) -> tuple[Allotment, ...]:
    """The best ways to share ``batter_ml`` over the tins of the shelf, best first; empty where it fills none of them.

    All tins of a way are filled to the same part of what is good for them. Where they would be too full, what is more
    than their good fill is the rest.
    """
    kinds = [_Kind(t, _good_ml(t.tin, band)) for t in shelf]
    ways = ((off, way) for way in _ways(kinds) if (off := _off(batter_ml, way)) is not None)
    best = heapq.nsmallest(SHOWN, ways, key=lambda found: found[0])
    return tuple(_allotment(batter_ml, way) for _, way in best)


def _filled(batter_ml: float, way: Way) -> tuple[float, float] | None:
    """How much goes into the tins, and how much would be good for them (ml); None where it does not fill them."""
    low, good, high = (sum(n * kind.ml[i] for kind, n in way) for i in range(3))
    if batter_ml < low:
        return None
    return (batter_ml if batter_ml <= high else good), good


def _off(batter_ml: float, way: Way) -> float | None:
    """How far a way is from the best that could be; None where the batter does not fill it."""
    found = _filled(batter_ml, way)
    if found is None:
        return None
    filled, good = found
    number = sum(n for _, n in way)
    off = abs(filled / good - 1) + REST_WEIGHT * (batter_ml - filled) / batter_ml + TINS_WEIGHT * number
    return off + MIXED_WEIGHT * (len(way) - 1)


def _allotment(batter_ml: float, way: Way) -> Allotment:
    filled, good = _filled(batter_ml, way) or (0.0, 1.0)
    shares = []
    for kind, count in way:
        each, tin = filled / good * kind.ml[1], kind.tins.tin
        shares.append(
            Share(
                id=kind.tins.id,
                name=kind.tins.name,
                count=count,
                each_ml=each,
                fill_fraction=each / tin.volume_ml(),
                level_mm=tin.level_mm(each),
            )
        )
    rest = batter_ml - filled
    rest = rest if rest > LEAST_REST * batter_ml else 0.0
    cases = round(rest / (CUP_ML * CUP_FILL)) if rest else 0
    return Allotment(shares=tuple(shares), rest_ml=rest, cases=cases, says=_says(rest, cases))


def _says(rest_ml: float, cases: int) -> str:
    if not rest_ml:
        return "Nothing is left over."
    if not cases:
        return f"{rest_ml:.0f} ml are left: a spoon on paper, baked beside it, shows when it is done."
    return f"{rest_ml:.0f} ml are left: {cases} small paper {'case' if cases == 1 else 'cases'}, out of the oven first."
