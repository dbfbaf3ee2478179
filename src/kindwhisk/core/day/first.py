"""A first plan, at once: bake by bake, each as its strands meet when it is alone, put where the day has room for it."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

from kindwhisk.core.day.alone import alone
from kindwhisk.core.day.resources import DayResources
from kindwhisk.core.day.timetable import Timetable
from kindwhisk.core.day.work import DayBake, DayTask, Placed

MOST_MOVES = 3000
GROW_S = 1.0


def place(
    timetable: Timetable, bake: DayBake, starts: Mapping[str, float], oven: str, at_s: float
) -> tuple[list[Placed], float, float]:
    """Lay steps with their distances from ``at_s``; where one does not fit, nothing is laid, and it is said how far all
    of them have to move later, or sooner (below zero), for that one to fit.

    A step that was pinned stays where it is told.
    """
    laid: list[tuple[DayTask, Placed]] = []
    for task in sorted((bake.by_id[i] for i in starts), key=lambda t: starts[t.id]):
        start = at_s + starts[task.id]
        room = timetable.room(task, bake.id, oven, start)
        if not room.fits:
            for own, placed in laid:
                timetable.give_back(own, placed)
            return [], max(GROW_S, room.later_s - start), min(-GROW_S, room.sooner_s - start)
        placed = Placed(
            bake=bake.id,
            step=task.id,
            start_s=start,
            end_s=start + task.lasts_s(oven),
            person=room.person,
            mixer=room.mixer,
            oven=oven if task.heat is not None else "",
        )
        timetable.take(task, placed)
        laid.append((task, placed))
    return [p for _, p in laid], 0.0, 0.0


def put(
    timetable: Timetable, bake: DayBake, starts: Mapping[str, float], oven: str, end_s: float, earliest_s: float
) -> list[Placed]:
    """A bake put so that it ends at ``end_s`` or as little before as there is room, else as soon after as there is.

    ``starts`` are seconds before its end. Nothing is laid where it fits nowhere.
    """
    first, limit = min(starts.values()), timetable.resources.length_s
    at = end_s
    for _ in range(MOST_MOVES):
        if at + first < earliest_s:
            break
        laid, _, sooner = place(timetable, bake, starts, oven, at)
        if laid:
            return laid
        if math.isinf(sooner):
            break
        at += sooner
    at = max(end_s, earliest_s - first)
    for _ in range(MOST_MOVES):
        if at > limit:
            break
        laid, later, _ = place(timetable, bake, starts, oven, at)
        if laid:
            return laid
        if math.isinf(later):
            break
        at += later
    return []


def first_plan(bakes: Sequence[DayBake], resources: DayResources, now_s: float = 0.0) -> list[Placed] | None:
    """Every bake that was not begun, put as it is alone, the heaviest and then the soonest due first.

    What was begun goes on as it is known. Returns None where one fits nowhere, or is under way or pinned: then its
    order has to be sought.
    """
    if any(b.known or b.pinned for b in bakes):
        return None
    timetable = Timetable(resources)
    found: list[Placed] = []
    for bake in sorted(bakes, key=lambda b: (-b.weight, b.due_s)):
        best: list[Placed] = []
        for oven in bake.ovens or ("",):
            starts = alone(bake, resources, oven)
            if starts is None:
                continue
            laid = put(timetable, bake, starts, oven, bake.due_s, max(now_s, bake.earliest_s))
            if laid and (not best or max(p.end_s for p in laid) < max(p.end_s for p in best)):
                for own in best:
                    timetable.give_back(bake.by_id[own.step], own)
                best = laid
            elif laid:
                for own in laid:
                    timetable.give_back(bake.by_id[own.step], own)
        if not best:
            return None
        found += best
    return found
