"""A first plan, at once: bake by bake, each as its strands meet when it is alone, put where the day has room for it."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

from kindwhisk.core.day.alone import alone
from kindwhisk.core.day.push import push
from kindwhisk.core.day.resources import GRID_S, DayResources
from kindwhisk.core.day.supply import taken_from
from kindwhisk.core.day.timetable import Laid, Lying, Timetable
from kindwhisk.core.day.work import DayBake, Key, Placed

MOST_MOVES = 3000


def put(
    timetable: Timetable, bake: DayBake, starts: Mapping[str, float], oven: str, end_s: float, earliest_s: float
) -> list[Placed]:
    """A bake put so that it ends at ``end_s`` or as little before as there is room, else as soon after as there is.

    ``starts`` are seconds before its end. Nothing is laid where it fits nowhere.
    """
    first, limit = min(starts.values()), timetable.resources.length_s
    tasks = sorted((bake.by_id[i] for i in starts), key=lambda t: starts[t.id])

    def at_end(end: float) -> Laid:
        return timetable.lay(bake, oven, [Lying(t, end + starts[t.id], t.lasts_s(oven)) for t in tasks])

    at = end_s
    for _ in range(MOST_MOVES):
        if at + first < earliest_s:
            break
        laid = at_end(at)
        if laid.placed:
            return laid.placed
        if math.isinf(laid.sooner_s):
            break
        at += laid.sooner_s
    at = max(end_s, earliest_s - first)
    for _ in range(MOST_MOVES):
        if at > limit:
            break
        laid = at_end(at)
        if laid.placed:
            return laid.placed
        if math.isinf(laid.later_s):
            break
        at += laid.later_s
    return []


def first_plan(bakes: Sequence[DayBake], resources: DayResources, now_s: float = 0.0) -> list[Placed] | None:
    """Every bake put as it is alone, the heaviest and then the soonest due first; none of them is under way or pinned.

    Returns None where one fits nowhere.
    """
    return _put_all(Timetable(resources), bakes, now_s)


def starting_plan(
    bakes: Sequence[DayBake], planned: Mapping[Key, Placed], resources: DayResources, now_s: float
) -> list[Placed]:
    """Where every step lies to begin with: what was planned or begun is pushed as it comes, what is new is put between.

    What fits nowhere is laid behind all else, all the same.
    """
    old = [b for b in bakes if b.known or b.pinned or any((b.id, t.id) in planned for t in b.tasks)]
    new = [b for b in bakes if b not in old]
    found = push(old, planned, resources, now_s)
    timetable = Timetable(resources)
    work = {(b.id, t.id): t for b in old for t in b.tasks}
    for one in found:
        if one.end_s > now_s:
            timetable.take(work[one.key], one)
    for bake in old:
        timetable.hold(bake, [p for p in found if p.bake == bake.id and p.end_s > now_s])
    put_between = _put_all(timetable, new, now_s, found)
    return [*found, *put_between] if put_between is not None else push(bakes, planned, resources, now_s)


def _put_all(
    timetable: Timetable, bakes: Sequence[DayBake], now_s: float, there: Sequence[Placed] = ()
) -> list[Placed] | None:
    """All of them, those that take from another one before it: a part is made as late as may be."""
    found: list[Placed] = []
    makers = {s.maker for b in bakes for s in b.supplies}
    supplies = [(b.id, s) for b in bakes for s in b.supplies]
    for bake in sorted(bakes, key=lambda b: (b.id in makers, -b.weight, b.due_s)):
        starts = {p.key: p.start_s for p in (*there, *found)}
        low, high = taken_from(supplies, starts, bake.id)
        ends: dict[str, float] = {}
        for one in (*there, *found):
            ends[one.bake] = max(one.end_s, ends.get(one.bake, 0.0))
        laid = [_tried(timetable, bake, oven, now_s, (high, ends)) for oven in bake.ovens or ("",)]
        best = min((one for one in laid if one), key=lambda one: max(p.end_s for p in one), default=None)
        if best is None or not low <= max(p.end_s for p in best) <= high:
            return None
        for own in best:
            timetable.take(bake.by_id[own.step], own)
        timetable.hold(bake, best)
        found += best
    return found


def _tried(
    timetable: Timetable, bake: DayBake, oven: str, now_s: float, bounds: tuple[float, Mapping[str, float]]
) -> list[Placed]:
    """Where a bake would lie in an oven; nothing is taken by that.

    ``bounds`` are by when it has to be over, and when those are over that it takes from.
    """
    starts = alone(bake, timetable.resources, oven)
    if starts is None:
        return []
    high, ends = bounds
    first, earliest = min(starts.values()), max(now_s, bake.earliest_s)
    for supply in bake.supplies:
        if supply.maker in ends and supply.later in starts:
            earliest = max(earliest, ends[supply.maker] + supply.at_least_s - starts[supply.later] + first)
    end_s = min(bake.aims_s, high) // GRID_S * GRID_S
    laid = put(timetable, bake, starts, oven, end_s, earliest)
    for own in laid:
        timetable.give_back(bake.by_id[own.step], own)
    return laid
