"""The parts of a build as areas of its cut, to scale."""

from __future__ import annotations

from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.values.model import Value

Point = tuple[float, float]


class Region(Value):
    """One part where it is cut through: ``x_mm`` and ``y_mm`` are the points of a closed line, from the middle and up
    from the board.

    ``grams`` and ``thickness_mm`` are those of this part in one product; no thickness where it is not spread.
    """

    name: str
    place: Place
    colour: str
    baked: bool
    air_fraction: float
    grams: float
    thickness_mm: float | None
    x_mm: tuple[float, ...]
    y_mm: tuple[float, ...]


def region(part: Part, points: list[Point], share: float, thickness_mm: float | None = None) -> Region:
    """The region of a part of which one product holds ``share``."""
    return Region(
        name=part.name,
        place=part.place,
        colour=part.content.colour,
        baked=part.content.baked,
        air_fraction=part.content.air_fraction,
        grams=part.content.mass_g * share,
        thickness_mm=thickness_mm,
        x_mm=tuple(round(x, 2) for x, _ in points),
        y_mm=tuple(round(y, 2) for _, y in points),
    )


def box(left: float, right: float, low: float, high: float) -> list[Point]:
    """An upright rectangle."""
    return [(left, low), (right, low), (right, high), (left, high)]
