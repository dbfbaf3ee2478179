"""A browning map: a tray of shells or slices, baked once and marked place by place, tells the oven's hot side."""

from __future__ import annotations

import math
from enum import IntEnum
from typing import Annotated

import numpy as np
from pydantic import Field, model_validator

from kindwhisk.core.values.model import Value
from kindwhisk.core.warmth.browning import BROWN_PER_K


class Brown(IntEnum):
    """How brown a piece is."""

    WHITE = 0
    CREAM = 1
    GOLD = 2
    BROWN = 3
    DARK = 4


TIMES_AS_BROWN = 1.6
"""Each grade is this many times as brown as the one before. Chosen by eye."""
K_PER_GRADE = BROWN_PER_K * math.log(TIMES_AS_BROWN)
"""So many K hotter a place looks, that browns by a grade more in the same time."""
EVEN_K = 5.0
"""An oven that differs by less is called even."""
Grades = Annotated[tuple[Brown | None, ...], Field(min_length=2, max_length=12)]


class BrowningMap(Value):
    """Grades in rows from the back of the oven to the door, each from left to right; None where nothing lay."""

    rows: tuple[Grades, ...] = Field(min_length=2, max_length=12)

    @model_validator(mode="after")
    def _is_a_grid(self) -> BrowningMap:
        if len({len(r) for r in self.rows}) != 1:
            raise ValueError("all rows of 'rows' must be equally long: mark empty places with null")
        if sum(g is not None for r in self.rows for g in r) < 4:
            raise ValueError("'rows' needs at least four marked places")
        return self


class HotSide(Value):
    """What a map tells. ``spread_k`` from the coolest to the hottest corner; ``side`` in words, empty for an even oven;
    ``places_k`` how much hotter each place is than the middle of all, as the plane through the marks has it;
    ``sure`` is what the plane explains of the marks (0 to 1)."""

    side: str
    spread_k: float
    places_k: tuple[tuple[float, ...], ...]
    sure: float
    advice: str
    k_per_grade: float = K_PER_GRADE


def hot_side(marked: BrowningMap) -> HotSide:
    """The hot side by a plane through all marks.

    ``g = a + b x + c y`` by least squares, x and y from -1 to 1 (left to right, door to back), g in grades; a grade is
    ``18 K ln 1.6``: browning grows by a factor e in 18 K. ``sure`` is 1 less the share of the marks' variance that the
    plane leaves. Source: linear regression; the grade is chosen by eye.
    """
    rows, columns = len(marked.rows), len(marked.rows[0])
    found = [
        (2 * j / (columns - 1) - 1, 1 - 2 * i / (rows - 1), float(g))
        for i, row in enumerate(marked.rows)
        for j, g in enumerate(row)
        if g is not None
    ]
    across, back, grades = (np.array(v) for v in zip(*found, strict=True))
    plane = np.column_stack((np.ones_like(across), across, back))
    (middle, right, behind), *_ = np.linalg.lstsq(plane, grades, rcond=None)
    left_over = float(((plane @ np.array((middle, right, behind)) - grades) ** 2).sum())
    whole = float(((grades - grades.mean()) ** 2).sum())
    sure = 1 - left_over / whole if whole > 0 else 0.0
    spread = 2 * (abs(right) + abs(behind)) * K_PER_GRADE
    places = tuple(
        tuple(
            float((right * (2 * j / (columns - 1) - 1) + behind * (1 - 2 * i / (rows - 1))) * K_PER_GRADE)
            for j in range(columns)
        )
        for i in range(rows)
    )
    side = _named(float(right), float(behind)) if spread >= EVEN_K and sure > 0.2 else ""
    if not side:
        advice = "Even enough: turn only what is large."
    else:
        advice = f"The {side} browns as if it were {spread:.0f} °C hotter than across from it: turn once it has set."
    return HotSide(side=side, spread_k=float(spread), places_k=places, sure=sure, advice=advice)


def _named(right: float, behind: float) -> str:
    names = []
    large = max(abs(right), abs(behind))
    if abs(behind) >= 0.4 * large:
        names.append("back" if behind > 0 else "door side")
    if abs(right) >= 0.4 * large:
        names.append("right" if right > 0 else "left")
    return " ".join(names)
