"""A bake by itself, backward from its end: how its strands meet when it has the kitchen to itself.

Every step begins as late as needs and windows let it; where two then want the same thing at once, one is put before
the other, that which moves less first, and where that breaks a window, the other way round.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from itertools import combinations
from typing import NamedTuple

from kindwhisk.core.day.resources import DayResources
from kindwhisk.core.day.work import DayBake, DayTask

MOST_TRIES = 400
NEAR_S = 1e-6


class _Arc(NamedTuple):
    """``later`` starts at least ``by_s`` after the start of ``earlier``."""

    earlier: str
    later: str
    by_s: float


def alone(bake: DayBake, resources: DayResources, oven: str) -> dict[str, float] | None:
    """Starts of all steps in seconds before the end (below zero), in that oven; None where no order was found.

    Hours are left aside, and one pair of hands does it all.
    """
    lasts = {t.id: t.lasts_s(oven) for t in bake.tasks}
    arcs: list[_Arc] = []
    for lag in bake.lags:
        begin = lasts[lag.earlier] if lag.from_end else 0.0
        arcs.append(_Arc(lag.earlier, lag.later, begin + lag.at_least_s))
        if lag.at_most_s is not None:
            arcs.append(_Arc(lag.later, lag.earlier, -(begin + lag.at_most_s)))
    racks = next((o.racks for o in resources.ovens if o.id == oven), 1)
    tries = [MOST_TRIES]
    return _settled(bake.tasks, lasts, arcs, _Limits(racks, resources.rings, max(1, len(resources.mixers))), tries)


class _Limits(NamedTuple):
    racks: int
    rings: int
    mixers: int


def _latest(lasts: Mapping[str, float], arcs: Sequence[_Arc]) -> dict[str, float] | None:
    """The latest starts that keep all arcs; None where they contradict each other."""
    start = {i: -s for i, s in lasts.items()}
    for _ in range(len(lasts) + 1):
        moved = False
        for earlier, later, by_s in arcs:
            most = start[later] - by_s
            if start[earlier] > most + NEAR_S:
                start[earlier] = most
                moved = True
        if not moved:
            return start
    return None


def _settled(
    tasks: Sequence[DayTask], lasts: Mapping[str, float], arcs: list[_Arc], limits: _Limits, tries: list[int]
) -> dict[str, float] | None:
    tries[0] -= 1
    start = _latest(lasts, arcs) if tries[0] >= 0 else None
    if start is None:
        return None
    pair = _conflict(tasks, start, lasts, limits)
    if pair is None:
        return start
    a, b = pair
    before = _Arc(a.id, b.id, lasts[a.id])
    after = _Arc(b.id, a.id, lasts[b.id])
    moves = {arc: start[arc.earlier] + arc.by_s - start[arc.later] for arc in (before, after)}
    for arc in sorted(moves, key=lambda m: moves[m]):
        found = _settled(tasks, lasts, [*arcs, arc], limits, tries)
        if found is not None:
            return found
    return None


def _conflict(
    tasks: Sequence[DayTask], start: Mapping[str, float], lasts: Mapping[str, float], limits: _Limits
) -> tuple[DayTask, DayTask] | None:
    """Two steps that want the same at once, the latest of them."""
    found = None
    latest = -float("inf")
    for a, b in combinations(tasks, 2):
        begin = max(start[a.id], start[b.id])
        if begin < latest or begin >= min(start[a.id] + lasts[a.id], start[b.id] + lasts[b.id]) - NEAR_S:
            continue
        if _clash(a, b, limits) or (a.hob and b.hob and _more_pots(tasks, start, lasts, begin, limits.rings)):
            found, latest = (a, b), begin
    return found


def _clash(a: DayTask, b: DayTask, limits: _Limits) -> bool:
    if (a.hands and b.hands) or (a.mixer and b.mixer and limits.mixers == 1):
        return True
    if a.heat is None or b.heat is None:
        return False
    # A step that takes no rack keeps the oven from being opened all the same.
    return abs(a.heat.celsius - b.heat.celsius) >= 0.5 or a.heat.racks + b.heat.racks > limits.racks


def _more_pots(
    tasks: Sequence[DayTask], start: Mapping[str, float], lasts: Mapping[str, float], at_s: float, rings: int
) -> bool:
    return sum(t.hob and start[t.id] <= at_s + NEAR_S < start[t.id] + lasts[t.id] for t in tasks) > rings
