"""What a bake takes from another one: a part that was made beforehand, or once for several."""

from __future__ import annotations

import math
from collections.abc import Iterable, Iterator, Mapping, Sequence
from itertools import permutations

from kindwhisk.core.planning.tasks import Lag
from kindwhisk.core.values.model import Value

FREEZE_S, THAW_S = 4 * 3600.0, 8 * 3600.0
"""Until a part is frozen through, and until it has thawed in the cold, over night. Trade habit."""


class Supply(Value):
    """Step ``later`` takes a part between ``at_least_s`` and ``at_most_s`` (None: nobody says) after the end of the
    bake ``maker`` that makes it."""

    component: str
    later: str
    maker: str = ""
    at_least_s: float = 0.0
    at_most_s: float | None = None


def supplies_of(
    component: str, given: frozenset[str], lags: Iterable[Lag], keeps_s: float | None, *, frozen: bool
) -> tuple[Supply, ...]:
    """What is left to wait for where the steps ``given`` are done elsewhere.

    Args:
        component: that they make.
        given: the ids of its steps.
        lags: of the whole process.
        keeps_s: how long the part keeps, as it is kept.
        frozen: it comes out of the freezer, and what it holds fresh does not count.
    """
    found: dict[str, tuple[float, float | None]] = {}
    for lag in lags:
        if lag.earlier not in given or lag.later in given:
            continue
        least, most = found.get(lag.later, (FREEZE_S + THAW_S if frozen else 0.0, keeps_s))
        if lag.from_end and lag.at_most_s is not None and not frozen:
            most = lag.at_most_s if most is None else min(most, lag.at_most_s)
        found[lag.later] = (max(least, lag.at_least_s) if lag.from_end else least, most)
    return tuple(
        Supply(component=component, later=later, at_least_s=least, at_most_s=most)
        for later, (least, most) in found.items()
    )


def kept_together(supplies: Sequence[Supply], lags: Iterable[Lag]) -> Iterator[Lag]:
    """What takes the same part is no farther apart than it keeps, as far as the one comes after the other."""
    after: dict[str, set[str]] = {}
    for lag in lags:
        after.setdefault(lag.earlier, set()).add(lag.later)
    for first, last in permutations(supplies, 2):
        if first.component == last.component and last.at_most_s is not None and _leads(first.later, last.later, after):
            most = last.at_most_s - first.at_least_s
            yield Lag(earlier=first.later, later=last.later, at_most_s=most, from_end=False)


def _leads(first: str, last: str, after: Mapping[str, set[str]]) -> bool:
    seen, waiting = {first}, [first]
    while waiting:
        for step in after.get(waiting.pop(), set()) - seen:
            seen.add(step)
            waiting.append(step)
    return last in seen


def taken_from(
    supplies: Iterable[tuple[str, Supply]], starts: Mapping[tuple[str, str], float], maker: str
) -> tuple[float, float]:
    """From when to when a maker may be over, by where those lie that take from it (bake and supply)."""
    low, high = -math.inf, math.inf
    for bake, supply in supplies:
        start = starts.get((bake, supply.later))
        if supply.maker != maker or start is None:
            continue
        high = min(high, start - supply.at_least_s)
        if supply.at_most_s is not None:
            low = max(low, start - supply.at_most_s)
    return low, high
