"""A plan looked over by the rules of the kitchen alone, by no means that made it: what in it can't be done.

It goes from moment to moment and counts; it knows neither the solver nor the timetable.
"""

from __future__ import annotations

from collections.abc import Iterator, Mapping, Sequence
from itertools import pairwise

from kindwhisk.core.day.resources import WASH_S, DayResources, OvenRoom
from kindwhisk.core.day.work import DayBake, DayTask, Key, Placed
from kindwhisk.core.values.model import Value

NEAR_S = 1.0


class Breach(Value):
    """A rule that a plan breaks: which, at which step of which bake, and in words."""

    rule: str
    bake: str
    step: str
    says: str


def breaches(
    placed: Sequence[Placed], bakes: Sequence[DayBake], resources: DayResources, now_s: float = 0.0
) -> list[Breach]:
    """All of it. What was begun before is judged only for where it lies, and for what goes on beside it."""
    at = {p.key: p for p in placed}
    work = {(b.id, t.id): t for b in bakes for t in b.tasks}
    found = list(_missing(at, work))
    if found:
        return found
    for bake in bakes:
        found += _times(bake, at, now_s)
        found += _lags(bake, at)
        found += _supplies(bake, placed)
    ahead = {(b.id, t.id) for b in bakes for t in b.ahead}
    found += _people(at, work, resources, ahead)
    found += _mixers(at, work, resources, ahead)
    found += _bowls(at, bakes, resources, ahead)
    found += _counted(at, work, resources, ahead)
    for room in resources.ovens:
        found += _oven(room, at, work, bakes, ahead)
    return found


def _missing(at: Mapping[Key, Placed], work: Mapping[Key, DayTask]) -> Iterator[Breach]:
    for bake, step in work.keys() - at.keys():
        yield Breach(rule="whole", bake=bake, step=step, says=f"“{work[bake, step].title}” is not in the plan.")


def _times(bake: DayBake, at: Mapping[Key, Placed], now_s: float) -> Iterator[Breach]:
    for task in bake.tasks:
        own, known = at[bake.id, task.id], bake.known.get(task.id)
        if known is not None:
            if abs(own.start_s - known.start_s) > NEAR_S or (known.over and abs(own.end_s - known.end_s) > NEAR_S):
                yield _says("begun", bake.id, task, "was begun, and was moved")
            continue
        if own.start_s < max(now_s, bake.earliest_s) - NEAR_S and task.id not in bake.pinned:
            yield _says("ahead", bake.id, task, "begins before it may")
        pinned = bake.pinned.get(task.id)
        if pinned is not None and abs(own.start_s - pinned) > 30 + NEAR_S:
            yield _says("pinned", bake.id, task, "was pinned, and was moved")
        wanted = task.lasts_s(own.oven)
        heats = task.heat is not None and task.heat.heats
        if not heats and abs(own.end_s - own.start_s - wanted) > NEAR_S:
            yield _says("length", bake.id, task, f"lasts {wanted:.0f} s, not {own.end_s - own.start_s:.0f}")


def _lags(bake: DayBake, at: Mapping[Key, Placed]) -> Iterator[Breach]:
    for lag in bake.lags:
        if lag.later in bake.known:
            continue
        earlier, later = at[bake.id, lag.earlier], at[bake.id, lag.later]
        waits = later.start_s - (earlier.end_s if lag.from_end else earlier.start_s)
        if waits < lag.at_least_s - NEAR_S:
            yield _says("order", bake.id, bake.by_id[lag.later], "begins before what it needs")
        free = lag.earlier in bake.known or lag.later in bake.pinned
        if not free and lag.at_most_s is not None and waits > lag.at_most_s + NEAR_S:
            yield _says("window", bake.id, bake.by_id[lag.later], f"waits {waits:.0f} s, {lag.at_most_s:.0f} hold")


def _overlap(one: Placed, start_s: float, end_s: float) -> bool:
    return start_s < one.end_s - NEAR_S and end_s > one.start_s + NEAR_S


def _holds(one: Placed, moment: float) -> bool:
    """Whether it goes on at a moment, or begins at it."""
    return one.start_s <= moment + NEAR_S and one.end_s > moment + NEAR_S


def _supplies(bake: DayBake, placed: Sequence[Placed]) -> Iterator[Breach]:
    """What another bake makes is over before it is taken, and not for longer than it keeps."""
    for supply in bake.supplies:
        ends = [p.end_s for p in placed if p.bake == supply.maker]
        own = [p.start_s for p in placed if p.key == (bake.id, supply.later)]
        if not ends or not own or supply.later in bake.known:
            continue
        waits = own[0] - max(ends)
        if waits < supply.at_least_s - NEAR_S:
            yield _says("supply", bake.id, bake.by_id[supply.later], "takes what is not made yet")
        if supply.at_most_s is not None and waits > supply.at_most_s + NEAR_S:
            yield _says("keeps", bake.id, bake.by_id[supply.later], "takes what was made too long before")


def _people(
    at: Mapping[Key, Placed], work: Mapping[Key, DayTask], resources: DayResources, ahead: set[Key]
) -> Iterator[Breach]:
    people = {h.id: h for h in resources.people}
    theirs: dict[str, list[Key]] = {}
    for key, task in work.items():
        if not task.hands:
            continue
        who = at[key].person
        if who not in people:
            if key in ahead:
                yield _says("hands", key[0], task, "has nobody")
            continue
        theirs.setdefault(who, []).append(key)
        if key in ahead and not people[who].may(task.craft) and any(h.may(task.craft) for h in resources.people):
            yield _says("may", key[0], task, f"is with {who}, who does no such work")
        over = [
            s for s in people[who].away if s.start_s < at[key].end_s - NEAR_S and s.end_s > at[key].start_s + NEAR_S
        ]
        if key in ahead and over:
            yield _says("hours", key[0], task, f"is with {who}, who is not here then")
    for keys in theirs.values():
        for a, b in pairwise(sorted(keys, key=lambda k: (at[k].start_s, at[k].end_s))):
            if at[b].start_s < at[a].end_s - NEAR_S and b in ahead:
                yield _says("hands", b[0], work[b], f"wants the hands that “{work[a].title}” has")


def _mixers(
    at: Mapping[Key, Placed], work: Mapping[Key, DayTask], resources: DayResources, ahead: set[Key]
) -> Iterator[Breach]:
    known = {m.id for m in resources.mixers}
    used: dict[str, list[Key]] = {}
    for key, task in work.items():
        if task.mixer and known:
            used.setdefault(at[key].mixer, []).append(key)
            if at[key].mixer not in known and key in ahead:
                yield _says("mixer", key[0], task, "has no mixer")
    for keys in used.values():
        for key in keys:
            if key in ahead and any(k != key and _holds(at[k], at[key].start_s) for k in keys):
                yield _says("mixer", key[0], work[key], "wants a mixer that is in use")


def _bowls(
    at: Mapping[Key, Placed], bakes: Sequence[DayBake], resources: DayResources, ahead: set[Key]
) -> Iterator[Breach]:
    """Each bowl holds one thing from the whisk until the last of it is out; one alone is washed between fat and
    whites."""
    held = []
    for bake in bakes:
        for stay in bake.stays:
            own = [at[bake.id, i] for i in (stay.first, *stay.until) if (bake.id, i) in at]
            if (bake.id, stay.first) in at:
                held.append((bake, stay, at[bake.id, stay.first].start_s, max(p.end_s for p in own)))
    most = max([1, resources.bowls, *(len({s.vessel for s in b.stays}) for b in bakes)])
    for bake, stay, start, _ in held if resources.mixers else ():
        if (bake.id, stay.first) not in ahead:
            continue
        inside = [h for h in held if h[2] <= start + NEAR_S and h[3] > start + NEAR_S]
        if len(inside) > most:
            yield _says("bowl", bake.id, bake.by_id[stay.first], f"finds {most} bowls and {len(inside)} are wanted")
        before = [h for h in held if h[0].id != bake.id and h[1].greasy and h[3] <= start + NEAR_S]
        if most == 1 and stay.clean and any(start - h[3] < WASH_S - NEAR_S for h in before):
            says = "needs a bowl that had fat in it, and there is no time to wash it"
            yield _says("wash", bake.id, bake.by_id[stay.first], says)


def _counted(
    at: Mapping[Key, Placed], work: Mapping[Key, DayTask], resources: DayResources, ahead: set[Key]
) -> Iterator[Breach]:
    """Rings and places: how many are taken at every moment at which one is taken."""
    for name, most, takes in (
        ("hob", resources.rings, {k: 1 for k, t in work.items() if t.hob}),
        *((p.value, n, {k: t.places for k, t in work.items() if t.stands is p}) for p, n in resources.places.items()),
    ):
        for key in takes.keys() & ahead:
            moment = at[key].start_s
            used = {
                k: n for k, n in takes.items() if at[k].start_s <= moment + NEAR_S and at[k].end_s > moment + NEAR_S
            }
            # What takes more than there is stands all the same, but alone.
            if sum(used.values()) > max(most, *used.values()):
                yield _says(name, key[0], work[key], f"finds {most} and {sum(used.values())} are taken")


def _oven(
    room: OvenRoom, at: Mapping[Key, Placed], work: Mapping[Key, DayTask], bakes: Sequence[DayBake], ahead: set[Key]
) -> Iterator[Breach]:
    """One temperature at a time, racks for all that is in it, and the time to get from one to the next."""
    here = {k: t for k, t in work.items() if t.heat is not None and at[k].oven == room.id}
    stays = sorted(_stays(here, at, bakes), key=lambda s: s[1])
    for key, task in here.items():
        if task.heat is None or task.heat.heats or key not in ahead:
            continue
        moment = at[key].start_s
        racks = [h.racks for k, t in here.items() if _holds(at[k], moment) and (h := t.heat) is not None]
        if sum(racks) > max(room.racks, *racks):
            yield _says("oven", key[0], task, f"finds no free rack in {room.name}")
    for first, a_start, a_end, a_c in stays:
        for second, b_start, b_end, b_c in stays:
            if first == second or abs(a_c - b_c) < 0.5 or second not in ahead:
                continue
            if a_start < b_end - NEAR_S and b_start < a_end - NEAR_S:
                yield _says("oven", second[0], work[second], f"wants {b_c:.0f} °C where {room.name} is at {a_c:.0f}")
    for key, start, end, celsius in stays:
        task = work[key]
        if task.heat is None or not task.heat.heats or key not in ahead:
            continue
        lasts = at[key].end_s - at[key].start_s
        if lasts < _needs_s(room, task, start, celsius, [s for s in stays if s[0] != key]) - 30 - NEAR_S:
            yield _says("heat", key[0], task, f"heats for {lasts:.0f} s, which is not enough")
        del end


def _needs_s(
    room: OvenRoom, task: DayTask, start: float, celsius: float, others: Sequence[tuple[Key, float, float, float]]
) -> float:
    """How long it has to heat: from cold, from what was left on for it, or not at all."""
    cold = task.lasts_s(room.id)
    if any(s <= start + NEAR_S and e >= start - 1800 - NEAR_S and abs(c - celsius) < 0.5 for _, s, e, c in others):
        return 0.0
    before = [(e, c) for _, s, e, c in others if e <= start + NEAR_S and e >= start - 1800 - NEAR_S]
    if not before:
        return cold
    return min(cold, room.change_s(max(before)[1], celsius))


def _stays(
    here: Mapping[Key, DayTask], at: Mapping[Key, Placed], bakes: Sequence[DayBake]
) -> Iterator[tuple[Key, float, float, float]]:
    """From when the oven heats for a bake to when it comes out; each with its first step."""
    by_id = {b.id: b for b in bakes}
    ends: dict[Key, float] = {}
    for key, task in here.items():
        if task.heat is None or task.heat.heats:
            continue
        needs = {g.earlier for g in by_id[key[0]].lags if g.later == key[1]}
        heats = [(key[0], i) for i in needs if (key[0], i) in here and (h := here[key[0], i].heat) and h.heats]
        first = heats[0] if heats else key
        ends[first] = max(ends.get(first, 0.0), at[key].end_s)
    for first, end in ends.items():
        heat = here[first].heat
        assert heat is not None
        yield first, at[first].start_s, end, heat.celsius


def _says(rule: str, bake: str, task: DayTask, what: str) -> Breach:
    return Breach(rule=rule, bake=bake, step=task.id, says=f"“{task.title}” {what}.")
