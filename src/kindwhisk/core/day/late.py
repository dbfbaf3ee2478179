"""As late as may be: what the solver left lying about early, where nothing was gained by it.

A plan is judged by its first hand and its last; in between each step goes where it waits least for the next.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from kindwhisk.core.day.resources import GRID_S, DayResources
from kindwhisk.core.day.supply import taken_from
from kindwhisk.core.day.timetable import Lying, Timetable
from kindwhisk.core.day.work import DayBake, DayTask, Key, Placed

MOST_TRIES = 60


def as_late_as_may_be(placed: Sequence[Placed], bakes: Sequence[DayBake], resources: DayResources) -> list[Placed]:
    """The same plan with each step that needs no oven and no mixer's bowl moved as near to the next as there is room,
    and no oven that heats for longer than it has to.

    Bakes under way stay as they are, and so does what was pinned.
    """
    at = {p.key: p for p in placed}
    work = {(b.id, t.id): (b, t) for b in bakes for t in b.tasks}
    timetable = Timetable(resources)
    for key, one in at.items():
        timetable.take(work[key][1], one)
    in_bowls = {(b.id, i) for b in bakes for s in b.stays for i in s.steps}
    ends = {b.id: max(p.end_s for p in at.values() if p.bake == b.id) for b in bakes if b.tasks}
    ends |= {b.id: max(b.aims_s, ends[b.id]) for b in bakes if b.tasks and not b.is_set}
    supplies = [(b.id, s) for b in bakes for s in b.supplies]
    taken = {(bake, s.later) for bake, s in supplies}
    makers = {s.maker for _, s in supplies}
    for key in sorted(at, key=lambda k: -at[k].start_s):
        bake, task = work[key]
        if bake.known or task.id in bake.pinned:
            continue
        if task.heat is not None and task.heat.heats:
            timetable.give_back(task, at[key])
            at[key] = _no_longer_than_needed(timetable, bake, task, at)
            timetable.take(task, at[key])
        if task.heat is not None or key in in_bowls or key in taken:
            continue
        if bake.id in makers:
            # What takes from it lies after it, and was drawn together before.
            _, high = taken_from(supplies, {k: p.start_s for k, p in at.items()}, bake.id)
            ends[bake.id] = min(ends[bake.id], high)
        timetable.give_back(task, at[key])
        at[key] = _later(timetable, bake, task, at, _most(bake, task, at, ends[bake.id]))
        timetable.take(task, at[key])
    return list(at.values())


def _most(bake: DayBake, task: DayTask, at: Mapping[Key, Placed], end_s: float) -> float:
    """The latest start that needs and windows allow."""
    lasts = at[bake.id, task.id].end_s - at[bake.id, task.id].start_s
    most = [end_s - lasts]
    for lag in bake.lags:
        if lag.earlier == task.id:
            most.append(at[bake.id, lag.later].start_s - lag.at_least_s - (lasts if lag.from_end else 0.0))
        elif lag.later == task.id and lag.at_most_s is not None:
            before = at[bake.id, lag.earlier]
            most.append((before.end_s if lag.from_end else before.start_s) + lag.at_most_s)
    return min(most)


def _no_longer_than_needed(timetable: Timetable, bake: DayBake, task: DayTask, at: Mapping[Key, Placed]) -> Placed:
    own = at[bake.id, task.id]
    while_it_heats = [at[bake.id, g.later].start_s for g in bake.lags if g.earlier == task.id and not g.from_end]
    needed = min([own.end_s - timetable.heating_s(task, own.oven, own.end_s), *while_it_heats])
    return own.model_copy(update={"start_s": max(own.start_s, needed)})


def _later(timetable: Timetable, bake: DayBake, task: DayTask, at: Mapping[Key, Placed], most_s: float) -> Placed:
    own = at[bake.id, task.id]
    start = most_s // GRID_S * GRID_S
    for _ in range(MOST_TRIES):
        if start <= own.start_s:
            break
        room = timetable.room(Lying(task, start, own.end_s - own.start_s), bake.id, own.oven)
        if room.fits:
            end = start + own.end_s - own.start_s
            return own.model_copy(update={"start_s": start, "end_s": end, "person": room.person, "mixer": room.mixer})
        start = min(start - GRID_S, room.sooner_s // GRID_S * GRID_S)
    return own
