"""The day slips: everything that is not begun moves right at once, in the order that was planned.

What may not wait for each other moves as one piece, so that no foam is made before there is room for its oven.
"""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence

from kindwhisk.core.day.resources import GRID_S, DayResources
from kindwhisk.core.day.timetable import Laid, Lying, Timetable
from kindwhisk.core.day.work import DayBake, DayTask, Key, Placed
from kindwhisk.core.process.gate import BINDS_S

MOST_MOVES = 500


def pieces(bake: DayBake) -> list[list[DayTask]]:
    """The steps that are not begun, those together that may not wait for each other, in their order."""
    ahead = {t.id: t for t in bake.ahead}
    head = {i: i for i in ahead}

    def top(step: str) -> str:
        while head[step] != step:
            step = head[step]
        return step

    linked = [
        (g.earlier, g.later)
        for g in bake.lags
        if g.earlier in ahead
        and g.later in ahead
        and ((g.at_most_s is not None and g.at_most_s <= BINDS_S) or _is_heated(bake, g.earlier, g.later))
    ]
    for earlier, later in linked:
        head[top(earlier)] = top(later)
    needs = {(g.earlier, g.later) for g in bake.lags if g.earlier in ahead and g.later in ahead}
    while True:
        # Two pieces that wait for each other are one.
        after = _reach({(top(a), top(b)) for a, b in needs if top(a) != top(b)})
        mutual = next(((a, b) for a in after for b in after[a] if a != b and a in after.get(b, ())), None)
        if mutual is None:
            break
        head[mutual[0]] = mutual[1]
    joined: dict[str, list[DayTask]] = {}
    for step, task in ahead.items():
        joined.setdefault(top(step), []).append(task)
    return list(joined.values())


def _reach(arcs: set[tuple[str, str]]) -> dict[str, set[str]]:
    """From each end of an arc all that can be got to."""
    found: dict[str, set[str]] = {}
    for earlier, later in arcs:
        found.setdefault(earlier, set()).add(later)
    grew = True
    while grew:
        grew = False
        for reached in found.values():
            before = len(reached)
            reached.update(*[found.get(i, set()) for i in reached])
            grew = grew or len(reached) > before
    return found


def _is_heated(bake: DayBake, earlier: str, later: str) -> bool:
    """Whether a step brings the oven there for another: nothing of another temperature may come between."""
    heat, bakes = bake.by_id[earlier].heat, bake.by_id[later].heat
    return heat is not None and heat.heats and bakes is not None


def push(
    bakes: Sequence[DayBake], planned: Mapping[Key, Placed], resources: DayResources, now_s: float
) -> list[Placed]:
    """Where every step comes to lie. What runs ends when it should, but not before now; what is over stays.

    A step that was planned nowhere comes after what it needs. What finds no room before the end of the time that is
    looked at is laid there all the same.
    """
    planned = _with_what_is_pinned(bakes, planned)
    timetable, found = Timetable(resources), {}
    made_by = {b.id: [(b.id, t.id) for t in b.tasks] for b in bakes}
    queue: list[tuple[float, DayBake, list[DayTask]]] = []
    now_s = math.ceil(now_s / GRID_S) * GRID_S
    for bake in bakes:
        for step, known in bake.known.items():
            end = known.end_s if known.over else max(known.end_s, now_s)
            before = planned.get((bake.id, step))
            one = Placed(
                bake=bake.id, step=step, start_s=known.start_s, end_s=end,
                person=known.person or (before.person if before else ""),
                mixer=known.mixer or (before.mixer if before else ""),
                oven=known.oven or (before.oven if before else ""),
            )  # fmt: skip
            found[one.key] = one
            if not known.over and step in bake.by_id:
                timetable.take(bake.by_id[step], one)
        timetable.hold(bake, [found[bake.id, i] for i in bake.known])
        for piece in pieces(bake):
            starts = [planned[bake.id, t.id].start_s for t in piece if (bake.id, t.id) in planned]
            queue.append((min(starts, default=math.inf), bake, piece))
    while queue:
        # The first as it was planned, of those whose needs are all placed.
        ready = [q for q in queue if _ready(q[1], q[2], found, made_by)]
        nearest = min(ready or queue, key=lambda q: q[0])
        queue.remove(nearest)
        _, bake, piece = nearest
        for one in _put(timetable, bake, piece, planned, found, now_s):
            found[one.key] = one
    return sorted(found.values(), key=lambda p: (p.start_s, p.end_s))


def _with_what_is_pinned(bakes: Sequence[DayBake], planned: Mapping[Key, Placed]) -> Mapping[Key, Placed]:
    """The plan, in which all of a bake that is ahead moves with the step that was set to another time."""
    found = dict(planned)
    for bake in bakes:
        moved = [at - planned[bake.id, i].start_s for i, at in bake.pinned.items() if (bake.id, i) in planned]
        by = max(moved, key=abs, default=0.0)
        for key in ((bake.id, t.id) for t in bake.ahead):
            if by and key in planned:
                own = planned[key]
                found[key] = own.model_copy(update={"start_s": own.start_s + by, "end_s": own.end_s + by})
    return found


def _ready(
    bake: DayBake, piece: Sequence[DayTask], found: Mapping[Key, Placed], made_by: Mapping[str, Sequence[Key]]
) -> bool:
    own = {t.id for t in piece}
    parts = [k for s in bake.supplies if s.later in own for k in made_by.get(s.maker, ())]
    needs = [(bake.id, g.earlier) for g in bake.lags if g.later in own and g.earlier not in own]
    return all(key in found for key in (*parts, *needs))


def _put(
    timetable: Timetable,
    bake: DayBake,
    piece: Sequence[DayTask],
    planned: Mapping[Key, Placed],
    found: Mapping[Key, Placed],
    now_s: float,
) -> list[Placed]:
    oven = _oven(bake, planned, found)
    offsets = _offsets(bake, piece, planned, oven)
    own = [planned[bake.id, t.id] for t in piece if (bake.id, t.id) in planned]
    first = min((p.start_s for p in own if not _heats(bake.by_id[p.step])), default=now_s)
    earliest = max(now_s, bake.earliest_s)
    at = max(first, earliest)
    for lag in bake.lags:
        earlier = found.get((bake.id, lag.earlier))
        if earlier is None or lag.later not in offsets:
            continue
        begins = earlier.end_s if lag.from_end else earlier.start_s
        # What heats is told by when it is hot; how long that takes is seen when it is laid.
        at = max(at, begins + lag.at_least_s - offsets[lag.later])

    for supply in bake.supplies:
        made = [p.end_s for p in found.values() if p.bake == supply.maker]
        if made and supply.later in offsets:
            at = max(at, max(made) + supply.at_least_s - offsets[supply.later])

    def laid(at_s: float, *, whatever: bool = False) -> Laid:
        steps = _lying(timetable, bake, offsets, planned, (oven, at_s))
        return timetable.lay(bake, oven, steps, earliest, whatever=whatever)

    pinned = [bake.pinned[i] - offsets[i] for i in offsets if i in bake.pinned]
    if pinned:
        return laid(max(pinned[0], now_s), whatever=True).placed
    for _ in range(MOST_MOVES):
        found_room = laid(at)
        if found_room.placed:
            return found_room.placed
        if at + found_room.later_s > timetable.resources.length_s:
            break
        at += math.ceil(found_room.later_s / GRID_S) * GRID_S
    return laid(at, whatever=True).placed


def _oven(bake: DayBake, planned: Mapping[Key, Placed], found: Mapping[Key, Placed]) -> str:
    """Which oven the bake goes into: that of what was begun, else as it was planned."""
    own = [p.oven for p in (*found.values(), *planned.values()) if p.bake == bake.id and p.oven in bake.ovens]
    return own[0] if own else next(iter(bake.ovens), "")


def _offsets(bake: DayBake, piece: Sequence[DayTask], planned: Mapping[Key, Placed], oven: str) -> dict[str, float]:
    """Starts within a piece as they were planned, from its first; of a step that heats, when the oven is hot.

    What was not planned follows what it needs.
    """
    known = {}
    for task in piece:
        own = planned.get((bake.id, task.id))
        if own is not None:
            known[task.id] = own.end_s if _heats(task) else own.start_s
    for _ in piece:
        for task in piece:
            if task.id not in known:
                needs = [g.earlier for g in bake.lags if g.later == task.id and g.earlier in known]
                after = [known[i] + (0 if _heats(bake.by_id[i]) else bake.by_id[i].lasts_s(oven)) for i in needs]
                known[task.id] = max(after, default=0.0)
    first = min((s for i, s in known.items() if not _heats(bake.by_id[i])), default=min(known.values()))
    found = {i: GRID_S * round((start - first) / GRID_S) for i, start in known.items()}
    for _ in piece:
        # A plan of one bake alone is finer than the day's: here each step takes its half minutes.
        for lag in (g for g in bake.lags if g.earlier in found and g.later in found):
            earlier = bake.by_id[lag.earlier]
            lasts = 0.0 if _heats(earlier) or not lag.from_end else earlier.lasts_s(oven)
            if not (_heats(earlier) and not lag.from_end):
                found[lag.later] = max(found[lag.later], found[lag.earlier] + lasts + lag.at_least_s)
    return found


def _heats(task: DayTask) -> bool:
    return task.heat is not None and task.heat.heats


def _lying(
    timetable: Timetable,
    bake: DayBake,
    offsets: Mapping[str, float],
    planned: Mapping[Key, Placed],
    where: tuple[str, float],
) -> list[Lying]:
    """The steps of a piece in an oven from a moment on; what heats begins so long before as it has to."""
    oven, at_s = where
    found = []
    for step in sorted(offsets, key=lambda i: offsets[i]):
        task, start = bake.by_id[step], at_s + offsets[step]
        lasts = task.lasts_s(oven)
        if _heats(task):
            lasts = timetable.heating_s(task, oven, start) if oven else lasts
            # What may begin once it heats is not held up by an oven that would be hot in a minute.
            begun = [
                at_s + offsets[g.later]
                for g in bake.lags
                if g.earlier == step and not g.from_end and g.later in offsets
            ]
            hot, start = start, min([start - lasts, *begun])
            lasts = hot - start
        found.append(Lying(task, start, lasts, planned.get((bake.id, step))))
    return found
