"""What is taken when: steps laid one by one over what a day shares, each where there is room.

It decides nothing: it says whether a step fits at a moment, and where it would fit next or would have fitted before.
"""

from __future__ import annotations

import math
from collections.abc import Callable, Iterable, Sequence
from typing import NamedTuple

from kindwhisk.core.day.bowls import Stay, at_least, span_s
from kindwhisk.core.day.resources import GRID_S, LEFT_ON_S, WASH_S, DayResources, OvenRoom
from kindwhisk.core.day.work import DayBake, DayTask, Key, Placed, on_grid

NEAR_S = 1e-6


class Room(NamedTuple):
    """Where a step fits: at ``at_s`` itself (``fits``), else not before ``later_s`` nor after ``sooner_s``."""

    fits: bool
    later_s: float = -math.inf
    sooner_s: float = math.inf
    person: str = ""
    mixer: str = ""


class Lying(NamedTuple):
    """A step of a bake where it is to lie; ``planned``: with whom, where they are free."""

    task: DayTask
    start_s: float
    lasts_s: float
    planned: Placed | None = None


class Laid(NamedTuple):
    """What was laid; nothing where something does not fit, and then how far all have to move later, or sooner (below
    zero), for that to fit."""

    placed: list[Placed]
    later_s: float = 0.0
    sooner_s: float = 0.0


class _Busy(NamedTuple):
    start_s: float
    end_s: float
    task: DayTask | None = None
    amount: int = 1
    bake: str = ""


def _over(start: float, end: float, busy: Iterable[_Busy]) -> list[_Busy]:
    return [b for b in busy if b.start_s < end - NEAR_S and b.end_s > start + NEAR_S]


class Timetable:
    """Steps placed so far."""

    def __init__(self, resources: DayResources) -> None:
        self.resources = resources
        self._people = {h.id: [_Busy(s.start_s, s.end_s) for s in h.away] for h in resources.people}
        self._mixers: dict[str, list[_Busy]] = {m.id: [] for m in resources.mixers}
        self._hob: list[_Busy] = []
        self._ovens = {o.id: [_Busy(s.start_s, s.end_s) for s in o.shut] for o in resources.ovens}
        self._stands: dict[str, list[_Busy]] = {s: [] for s in resources.places}
        self._bowls: dict[Key, tuple[_Busy, Stay]] = {}
        self._last_by_bake: dict[str, str] = {}

    def lay(
        self, bake: DayBake, oven: str, steps: Sequence[Lying], earliest_s: float = -math.inf, *, whatever: bool = False
    ) -> Laid:
        """Lay steps of a bake, all or none; ``whatever``: all, whether they fit or not."""
        done: list[tuple[DayTask, Placed]] = []
        for one in steps:
            task, start = one.task, one.start_s
            room = self.room(one, bake.id, oven)
            early = earliest_s - start
            if (not room.fits or early > 0) and not whatever:
                for own, placed in done:
                    self.give_back(own, placed)
                later = max(GRID_S, early, 0.0 if room.fits else room.later_s - start)
                return Laid([], later, -GRID_S if room.fits else min(-GRID_S, room.sooner_s - start))
            placed = Placed(
                bake=bake.id, step=task.id, start_s=start, end_s=start + one.lasts_s, person=room.person,
                mixer=room.mixer, oven=oven if task.heat is not None else "",
            )  # fmt: skip
            self.take(task, placed)
            done.append((task, placed))
        bowls = self._bowls_for(bake, [p for _, p in done])
        if not bowls.fits and not whatever:
            for own, placed in done:
                self.give_back(own, placed)
            return Laid([], max(GRID_S, bowls.later_s), min(-GRID_S, bowls.sooner_s))
        self.hold(bake, [p for _, p in done])
        return Laid([p for _, p in done])

    def hold(self, bake: DayBake, placed: Iterable[Placed]) -> None:
        """Keep the mixer's bowls for what is whipped in them, as far as it is placed."""
        times = {p.step: (p.start_s, p.end_s) for p in placed}
        for stay in bake.stays:
            span, key = span_s(stay, times), (bake.id, stay.first)
            ends = [times[i][1] for i in stay.until if i in times]
            if span is not None:
                self._bowls[key] = (_Busy(*span, bake=bake.id), stay)
            elif key in self._bowls and ends:
                # It was whipped before: what takes it comes now.
                busy, _ = self._bowls[key]
                self._bowls[key] = (busy._replace(end_s=max(busy.end_s, *ends)), stay)

    def _bowls_for(self, bake: DayBake, placed: Iterable[Placed]) -> Room:
        """Whether there is a bowl for all that is whipped; else by how much all of it has to move."""
        times = {p.step: (p.start_s, p.end_s) for p in placed}
        most = at_least((bake.stays,), self.resources.bowls)
        later, sooner, fits = 0.0, 0.0, True
        for stay in bake.stays:
            span = span_s(stay, times)
            if span is None or not self.resources.mixers:
                continue
            others = [_washed(busy, own, stay, most) for (i, _), (busy, own) in self._bowls.items() if i != bake.id]
            room = _several(others, 1, most, *span)
            if not room.fits:
                fits, later, sooner = False, max(later, room.later_s - span[0]), min(sooner, room.sooner_s - span[0])
        return Room(fits, later, sooner)

    def room(self, lying: Lying, bake: str, oven: str) -> Room:
        """Whether a step of a bake fits where it is to lie, with whose hands and in which mixer."""
        task, at_s, lasts_s, planned = lying
        end = at_s + lasts_s
        parts = []
        person = mixer = ""
        if task.hands:
            wished = planned.person if planned else ""
            last = self._last_by_bake.get(bake)
            order = sorted(self.resources.people, key=lambda h: (h.id != wished, h.id != last))
            able = [h.id for h in order if h.may(task.craft)]
            person, found = self._one_of(able, at_s, end, lambda i: self._people[i])
            parts.append(found)
        if task.mixer and self.resources.mixers:
            mixer, found = self._one_of(list(self._mixers), at_s, end, lambda i: self._mixers[i])
            parts.append(found)
        if task.hob:
            parts.append(_several(self._hob, 1, self.resources.rings, at_s, end))
        if task.heat is not None and oven in self._ovens:
            parts.append(self._in_oven(task, bake, self.resources.oven(oven), (at_s, end)))
        if task.stands is not None:
            most = max(self.resources.places[task.stands], task.places)
            parts.append(_several(self._stands[task.stands], task.places, most, at_s, end))
        blocked = [p for p in parts if not p.fits]
        if not blocked:
            return Room(True, person=person, mixer=mixer)
        return Room(False, max(p.later_s for p in blocked), min(p.sooner_s for p in blocked))

    def heating_s(self, task: DayTask, oven: str, hot_at_s: float) -> float:
        """How long a step that heats has to, to be hot at a moment: from cold, or from what was left on for it."""
        assert task.heat is not None
        cold, room = task.lasts_s(oven), self.resources.oven(oven)
        ways = []
        for busy in self._ovens[oven]:
            heat = busy.task.heat if busy.task is not None else None
            if heat is None or (heat.heats and abs(heat.celsius - task.heat.celsius) >= 0.5):
                continue
            way = room.change_s(heat.celsius, task.heat.celsius)
            begins = hot_at_s - on_grid(way)
            # Where it was brought to the same degrees for another, it is hot from then on.
            from_s = busy.start_s if way == 0 and not heat.heats else busy.end_s
            left_on = busy.end_s >= begins - LEFT_ON_S and from_s <= begins
            if left_on:
                ways.append((busy.end_s, on_grid(way)))
        return min(cold, max(ways)[1]) if ways else cold

    def take(self, task: DayTask, placed: Placed) -> None:
        """Lay a step where it is placed, whether it fits or not."""
        busy = _Busy(placed.start_s, placed.end_s, task, task.places, placed.bake)
        for rows in self._rows(task, placed):
            rows.append(busy)
        if placed.person:
            self._last_by_bake[placed.bake] = placed.person

    def give_back(self, task: DayTask, placed: Placed) -> None:
        """Take a step away again."""
        busy = _Busy(placed.start_s, placed.end_s, task, task.places, placed.bake)
        for rows in self._rows(task, placed):
            rows.remove(busy)
        self._bowls.pop(placed.key, None)

    def _rows(self, task: DayTask, placed: Placed) -> list[list[_Busy]]:
        rows = []
        if placed.person in self._people:
            rows.append(self._people[placed.person])
        if placed.mixer in self._mixers:
            rows.append(self._mixers[placed.mixer])
        if task.hob:
            rows.append(self._hob)
        if task.heat is not None and placed.oven in self._ovens:
            rows.append(self._ovens[placed.oven])
        if task.stands is not None:
            rows.append(self._stands[task.stands])
        return rows

    def _one_of(
        self, ids: Sequence[str], at_s: float, end: float, rows: Callable[[str], Sequence[_Busy]]
    ) -> tuple[str, Room]:
        """The first of several that is free, or when the first of them will be, or the last was."""
        later, sooner = math.inf, -math.inf
        for own in ids:
            over = _over(at_s, end, rows(own))
            if not over:
                return own, Room(True)
            later = min(later, max(b.end_s for b in over))
            sooner = max(sooner, min(b.start_s for b in over) - (end - at_s))
        return "", Room(False, later, sooner)

    def _in_oven(self, task: DayTask, bake: str, oven: OvenRoom, times: tuple[float, float]) -> Room:
        """Racks at one temperature, kept from when it was brought there; the way from one to another before and
        after."""
        assert task.heat is not None
        own = task.heat
        at_s, end = times
        hot = [b.end_s for b in self._ovens[oven.id] if b.bake == bake and _heats(b, own.celsius) and b.end_s <= at_s]
        kept_s = at_s if own.heats else max(hot, default=at_s)
        alike, others = [], []
        for busy in self._ovens[oven.id]:
            heat = busy.task.heat if busy.task is not None else None
            if heat is not None and abs(heat.celsius - own.celsius) < 0.5:
                alike.append(_Busy(busy.start_s, busy.end_s, busy.task, heat.racks))
            elif heat is None:
                others.append(busy)
            else:
                # A step that heats brings as much of the way with it as it lasts.
                before = oven.change_s(heat.celsius, own.celsius) - (end - at_s if own.heats else 0.0)
                after = oven.change_s(own.celsius, heat.celsius) - (busy.end_s - busy.start_s if heat.heats else 0.0)
                others.append(_Busy(busy.start_s - max(0.0, after), busy.end_s + max(0.0, before)))
        over = _over(kept_s, end, others)
        if over:
            length = end - at_s
            return Room(False, max(b.end_s for b in over), min(b.start_s for b in over) - length)
        return _several(alike, own.racks, max(oven.racks, own.racks), at_s, end)


def _washed(busy: _Busy, other: Stay, own: Stay, bowls: int) -> _Busy:
    """Another's stay in a bowl, as long as it keeps this one out: with one bowl, the wash between fat and whites."""
    before = WASH_S if bowls == 1 and own.greasy and other.clean else 0.0
    after = WASH_S if bowls == 1 and other.greasy and own.clean else 0.0
    return _Busy(busy.start_s - before, busy.end_s + after)


def _heats(busy: _Busy, celsius: float) -> bool:
    heat = busy.task.heat if busy.task is not None else None
    return heat is not None and heat.heats and abs(heat.celsius - celsius) < 0.5


def _several(rows: Iterable[_Busy], amount: int, most: int, at_s: float, end: float) -> Room:
    """Room for ``amount`` among what is taken of ``most``."""
    over = _over(at_s, end, (b for b in rows if b.amount))
    if not over or not amount:
        return Room(True)
    edges = [at_s, *(b.start_s for b in over if b.start_s > at_s)]
    used = max(sum(b.amount for b in over if b.start_s <= t + NEAR_S and b.end_s > t + NEAR_S) for t in edges)
    if used + amount <= most:
        return Room(True)
    return Room(False, min(b.end_s for b in over), max(b.start_s for b in over) - (end - at_s))
