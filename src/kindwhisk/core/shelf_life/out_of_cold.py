"""Time above 5 °C, summed through the whole job from steps and readings, beside its limits."""

from __future__ import annotations

from collections.abc import Iterable
from typing import NamedTuple

from kindwhisk.core.values.model import Value

COLD_C = 5.0
IN_ALL_H, DISCARD_H = 2.0, 4.0
"""Hours out of the cold for cream, custard, mousse, curd and what is soaked in milk: trade habit; then thrown away:
FDA Food Code 3-501.19, published, which asks for a written plan."""
HABIT, FOOD_CODE = "trade habit", "FDA Food Code 3-501.19, published"


class Stretch(NamedTuple):
    """A content at a temperature from one second to another; ``measured``: by a thermometer, not the process alone."""

    from_s: float
    to_s: float
    temperature_c: float
    measured: bool = False


class OutOfCold(Value):
    """How long a content has been above 5 C in all.

    Attributes:
        seconds: in all; ``measured_s`` how much of it a thermometer told.
        left_s: until the kitchen's limit; 0 when it is over.
        over: past its limit; ``discard``: past the time after which guidance says to throw it away.
        says: in words, with the source of each limit.
    """

    seconds: float
    measured_s: float
    limit_h: float
    left_s: float
    over: bool
    discard: bool
    says: str


def out_of_cold(stretches: Iterable[Stretch], limit_h: float | None = None) -> OutOfCold:
    """Sum up what was above 5 C; ``limit_h`` is the kitchen's own rule."""
    total = measured = 0.0
    for one in stretches:
        if one.temperature_c > COLD_C and one.to_s > one.from_s:
            total += one.to_s - one.from_s
            measured += (one.to_s - one.from_s) if one.measured else 0.0
    limit = IN_ALL_H if limit_h is None else limit_h
    source = "this kitchen’s rule" if limit_h is not None else HABIT
    over, discard = total > 3600 * limit, total > 3600 * DISCARD_H
    minutes = total / 60
    if discard:
        says = f"{minutes:.0f} min above 5 °C: guidance says to throw it away after {DISCARD_H:.0f} h ({FOOD_CODE})."
    elif over:
        says = f"{minutes:.0f} min above 5 °C: more than the {limit:g} h ({source}). Your own rule decides."
    else:
        says = f"{minutes:.0f} min above 5 °C so far; {limit:g} h in all is the limit ({source})."
    return OutOfCold(
        seconds=total,
        measured_s=measured,
        limit_h=limit,
        left_s=max(0.0, 3600 * limit - total),
        over=over,
        discard=discard,
        says=says,
    )
