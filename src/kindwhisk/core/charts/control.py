"""A control chart of single values: limits from the values themselves, and the value at which a change began.

Limits lie 2.66 mean moving ranges from the mean (the published constant 3 / 1.128). Where single wild values would
widen them, the median moving range is taken (3.145 of it, 3 / 0.954). A single value beyond them is a special one. A
lasting change begins where the means before and after it differ most for their numbers, if that is more than noise
does; what lies on either side is looked through in turn. Each stretch between changes has limits of its own.

Sources: Shewhart 1931 (limits); Hawkins 1977 (a shift in location, by the largest of the standardised differences); the
NIST/SEMATECH e-Handbook of Statistical Methods, 6.3.2 (its examples are in the tests). How much is more than noise was
found by simulation.
"""

from __future__ import annotations

import statistics
from collections.abc import Sequence
from itertools import pairwise
from typing import NamedTuple

import numpy as np

MEAN_RANGE_TO_SD = 1.128
MEDIAN_RANGE_TO_SD = 0.954
"""Expected mean and median of the difference of two values, in standard deviations. Published."""
LIMIT_SD = 3.0
DECISION_SD, DOUBT_OF_FEW = 3.15, 3.0
"""A change is called at so many standard deviations, and at more where there are few values. Simulated."""
NEIGHBOURS, HELD_SD = 2, 2.0
"""A value further than this from the median of so many neighbours on either side counts for no more. Simulated."""
LEAST_FOR_LIMITS = 6
"""With fewer values there are no limits to speak of. Chosen."""
LEAST_ALIKE = 3
"""A change has to have held for so many values. Chosen."""


class Limits(NamedTuple):
    """Centre and limits, and the standard deviation that they are made of."""

    centre: float
    low: float
    high: float
    sd: float

    def holds(self, value: float) -> bool:
        """Whether a value lies within them."""
        return self.low <= value <= self.high


class Change(NamedTuple):
    """From value number ``begins`` (0 is the first) on it is another process; it was noticed at ``noticed``."""

    begins: int
    noticed: int
    before: float
    after: float


class Chart(NamedTuple):
    """A measure's stretches between changes, each as (first, limits or None), the changes, and the values that lie
    beyond the limits of their stretch."""

    stretches: tuple[tuple[int, Limits | None], ...]
    changes: tuple[Change, ...]
    beyond: tuple[int, ...]


def moving_ranges(values: Sequence[float]) -> list[float]:
    """Differences of neighbours, without their sign."""
    return [abs(b - a) for a, b in pairwise(values)]


def limits(values: Sequence[float], *, robust: bool = False) -> Limits:
    """Of at least two values in the order in which they were measured. ``robust``: by medians.

    Raises:
        ValueError: there are fewer than two.
    """
    if len(values) < 2:
        raise ValueError("limits need two values")
    ranges = moving_ranges(values)
    if robust:
        centre, sd = statistics.median(values), statistics.median(ranges) / MEDIAN_RANGE_TO_SD
    else:
        centre, sd = statistics.fmean(values), statistics.fmean(ranges) / MEAN_RANGE_TO_SD
    return Limits(centre, centre - LIMIT_SD * sd, centre + LIMIT_SD * sd, sd)


def _without_wild_ones(values: Sequence[float], sd: float) -> np.ndarray[tuple[int, ...], np.dtype[np.float64]]:
    """The values, none far from the median of its neighbours: one slip is no change."""
    near = [statistics.median(values[max(0, i - NEIGHBOURS) : i + NEIGHBOURS + 1]) for i in range(len(values))]
    middle = np.array(near)
    held: np.ndarray[tuple[int, ...], np.dtype[np.float64]] = np.clip(
        np.array(values, dtype=float), middle - HELD_SD * sd, middle + HELD_SD * sd
    )
    return held


def _change(values: Sequence[float], sd: float) -> int | None:
    """Where the values most probably became others; None where that is no more than noise."""
    count = len(values)
    if sd <= 0 or count < LEAST_FOR_LIMITS:
        return None
    held = _without_wild_ones(values, sd)
    before = np.arange(1, count)
    sums = np.cumsum(held)[:-1]
    apart = np.abs(sums / before - (held.sum() - sums) / (count - before))
    told = apart * np.sqrt(before * (count - before) / count) / sd
    told[: LEAST_ALIKE - 1] = 0
    told[count - LEAST_ALIKE :] = 0
    best = int(np.argmax(told))
    # With few values the spread itself is hardly known.
    return best + 1 if told[best] > DECISION_SD * (1 + DOUBT_OF_FEW / count) else None


def chart(values: Sequence[float]) -> Chart:
    """The chart of a measure, its values in the order of the bakes; of fewer than six there are no limits."""
    if len(values) < LEAST_FOR_LIMITS:
        return Chart(((0, None),), (), ())
    begins = sorted(_changes(list(values), 0))
    edges = [0, *begins, len(values)]
    stretches, beyond, middles = [], list[int](), []
    for first, after in pairwise(edges):
        part = values[first:after]
        own = limits(part, robust=True) if len(part) >= LEAST_FOR_LIMITS else None
        stretches.append((first, own))
        middles.append(statistics.median(part))
        if own is not None and own.sd > 0:
            beyond += [first + i for i, v in enumerate(part) if not own.holds(v)]
    changes = [
        Change(at, _noticed(values, start, at), middles[i], middles[i + 1])
        for i, (start, at) in enumerate(zip(edges, begins, strict=False))
    ]
    return Chart(tuple(stretches), tuple(changes), tuple(beyond))


def _changes(values: Sequence[float], first: int) -> list[int]:
    """All of them, by halving again and again."""
    if len(values) < LEAST_FOR_LIMITS:
        return []
    at = _change(values, limits(values, robust=True).sd)
    if at is None:
        return []
    return [*_changes(values[:at], first), first + at, *_changes(values[at:], first + at)]


def _noticed(values: Sequence[float], start: int, begins: int) -> int:
    """The first value with which a change could have been called."""
    for upto in range(begins + LEAST_ALIKE, len(values) + 1):
        part = values[start:upto]
        if len(part) >= LEAST_FOR_LIMITS and _change(part, limits(part, robust=True).sd) is not None:
            return upto - 1
    return len(values) - 1
