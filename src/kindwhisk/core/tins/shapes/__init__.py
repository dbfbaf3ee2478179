"""Tins: their real shape, how high a batter stands in them, how much they hold, and the paper that lines them.

A tin is ``{"shape": ..., "dimensions": {...}}`` in millimetres. A new shape is one module here and one line in the
union: nothing else lists shapes by hand.
"""

from __future__ import annotations

import typing
from typing import Annotated

from pydantic import Field

from kindwhisk.core.tins.shapes.box import BoxDimensions, BoxTin
from kindwhisk.core.tins.shapes.half_sphere import HalfSphereDimensions, HalfSphereTin
from kindwhisk.core.tins.shapes.loaf import LoafDimensions, LoafTin
from kindwhisk.core.tins.shapes.round import RoundDimensions, RoundTin
from kindwhisk.core.tins.shapes.shape import Footprint, Shape
from kindwhisk.core.tins.shapes.tube import TubeDimensions, TubeTin
from kindwhisk.core.values.model import Value

Tin = Annotated[
    RoundTin
    | TubeTin
    | BoxTin
    | LoafTin
    | HalfSphereTin,
    Field(discriminator="shape"),
]  # fmt: skip

SHAPES: tuple[type[Shape], ...] = typing.get_args(typing.get_args(Tin)[0])
"""The classes of the union, in its order."""


class Measure(Value):
    """A length of a shape: its field, what it is called, and what it begins with (None: left out)."""

    name: str
    label: str
    first_mm: float | None


class ShapeView(Value):
    """A shape as it is entered: its lengths in order, and a tin to begin from."""

    shape: str
    measures: tuple[Measure, ...]
    first: Tin


def shape_views() -> tuple[ShapeView, ...]:
    """Every shape that a tin can have."""
    return tuple(
        ShapeView(
            shape=name,
            measures=tuple(
                Measure(name=field, label=label, first_mm=lengths.get(field)) for field, label in kind.measures.items()
            ),
            first=kind.model_validate({"shape": name, "dimensions": lengths}),
        )
        for kind in SHAPES
        for name, lengths in kind.firsts.items()
    )


def profile(tin: Shape, points: int = 13) -> list[tuple[float, float, float]]:
    """The wall from the bottom to the rim as (height, outer half-width, inner half-width), all mm."""
    heights = [tin.depth_mm * i / (points - 1) for i in range(points)]
    return [(h, tin.cut(h).outer_mm, tin.cut(h).inner_mm) for h in heights]


__all__ = [
    "SHAPES",
    "BoxDimensions",
    "BoxTin",
    "Footprint",
    "HalfSphereDimensions",
    "HalfSphereTin",
    "LoafDimensions",
    "LoafTin",
    "Measure",
    "RoundDimensions",
    "RoundTin",
    "Shape",
    "ShapeView",
    "Tin",
    "TubeDimensions",
    "TubeTin",
    "profile",
    "shape_views",
]
