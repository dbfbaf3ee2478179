"""Cooling what was cooked in two stages: by guidance or the kitchen's own hours, judged by readings."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

from pydantic import Field

from kindwhisk.core.values.model import Value

SOURCE = "FDA Food Code 3-501.14, published"


class CoolingRule(Value):
    """From ``from_c`` to ``middle_c`` within ``first_h``, and on to ``to_c`` within ``second_h`` more."""

    from_c: float = Field(default=57, ge=40, le=100)
    middle_c: float = Field(default=21, ge=10, le=40)
    to_c: float = Field(default=5, ge=0, le=15)
    first_h: float = Field(default=2, gt=0, le=24)
    second_h: float = Field(default=4, gt=0, le=48)


FOOD_CODE = CoolingRule()


class CooledDown(Value):
    """How a cooling went: hours of each stage (None: not yet there), whether a limit is past, and what to do."""

    first_h: float | None
    second_h: float | None
    late: bool
    says: str
    do: str


def _crossed(points: Sequence[tuple[float, float]], to_c: float) -> float | None:
    """The second at which readings fall to a temperature for good, between the two that lie on either side."""
    found = None
    for (t0, c0), (t1, c1) in pairwise(points):
        if c0 > to_c >= c1:
            found = t0 + (t1 - t0) * (c0 - to_c) / (c0 - c1)
        elif c1 > to_c:
            found = None
    if found is None and points and points[0][1] <= to_c:
        return points[0][0]
    return found


def judge(readings: Sequence[tuple[float, float]], now_s: float, rule: CoolingRule = FOOD_CODE) -> CooledDown:
    """Readings (seconds, C) in order of a content that cools, against a rule, at a moment."""
    began = _crossed(readings, rule.from_c)
    if began is None:
        return CooledDown(
            first_h=None,
            second_h=None,
            late=False,
            says=f"It counts from {rule.from_c:.0f} °C down.",
            do="Spread it thin in a cold tray, film on its face.",
        )
    middle, cold = _crossed(readings, rule.middle_c), _crossed(readings, rule.to_c)
    first = (middle - began) / 3600 if middle is not None else None
    second = (cold - middle) / 3600 if cold is not None and middle is not None else None
    so_far = (now_s - began) / 3600
    late_first = (first if first is not None else so_far) > rule.first_h
    on = 0.0 if middle is None else (now_s - middle) / 3600
    late_second = middle is not None and (second if second is not None else on) > rule.second_h
    source = SOURCE if rule == FOOD_CODE else "this kitchen’s rule"
    limit = (
        f"{rule.from_c:.0f} to {rule.middle_c:.0f} °C within {rule.first_h:g} h, "
        f"to {rule.to_c:.0f} °C within {rule.second_h:g} h more ({source})"
    )
    if late_first or late_second:
        return CooledDown(
            first_h=first,
            second_h=second,
            late=True,
            says=f"Slower than {limit}.",
            do="Ask whoever is responsible; guidance is to throw it away.",
        )
    there = cold is not None
    return CooledDown(
        first_h=first,
        second_h=second,
        late=False,
        says=f"Cooled down: {limit}." if there else f"On its way: {limit}.",
        do="Into the cold, covered." if there else "Thin layer, cold tray, stir; an ice bath is quicker.",
    )
