"""How many tins, and which: a batter shared out over what stands on the shelf, and what to do with the rest."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

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


def _ways(shelf: Sequence[OnShelf]) -> Iterator[tuple[tuple[OnShelf, int], ...]]:
    for i, one in enumerate(shelf):
        for count in range(1, min(one.count, TOO_MANY) + 1):
            yield ((one, count),)
            for other in shelf[i + 1 :]:
                if (one.tin.flat) == (other.tin.flat):
                    yield ((one, count), (other, 1))


def share_out(batter_ml: float, shelf: Sequence[OnShelf], band: FillBand = USUAL) -> tuple[Allotment, ...]:
    """The best ways to share ``batter_ml`` over the tins of the shelf, best first; empty where it fills none of them.

    All tins of a way are filled to the same part of what is good for them. Where they would be too full, what is more
    than their good fill is the rest.
    """
    found: list[tuple[float, Allotment]] = []
    for way in _ways(shelf):
        low, good, high = (
            sum(n * _good_ml(t.tin, band)[i] for t, n in way) for i in range(3)
        )  # fmt: skip
        if batter_ml < low:
            continue
        filled = batter_ml if batter_ml <= high else good
        rest = batter_ml - filled
        number = sum(n for _, n in way)
        off = abs(filled / good - 1) + REST_WEIGHT * rest / batter_ml + TINS_WEIGHT * number
        off += MIXED_WEIGHT * (len(way) - 1)
        shares = []
        for tin, count in way:
            each = filled / good * _good_ml(tin.tin, band)[1]
            shares.append(
                Share(
                    id=tin.id,
                    name=tin.name,
                    count=count,
                    each_ml=each,
                    fill_fraction=each / tin.tin.volume_ml(),
                    level_mm=tin.tin.level_mm(each),
                )
            )
        rest = rest if rest > LEAST_REST * batter_ml else 0.0
        cases = round(rest / (CUP_ML * CUP_FILL)) if rest else 0
        found.append((off, Allotment(shares=tuple(shares), rest_ml=rest, cases=cases, says=_says(rest, cases))))
    found.sort(key=lambda f: f[0])
    return tuple(a for _, a in found[:SHOWN])


def _says(rest_ml: float, cases: int) -> str:
    if not rest_ml:
        return "Nothing is left over."
    if not cases:
        return f"{rest_ml:.0f} ml are left: a spoon on paper, baked beside it, shows when it is done."
    return f"{rest_ml:.0f} ml are left: {cases} small paper {'case' if cases == 1 else 'cases'}, out of the oven first."
