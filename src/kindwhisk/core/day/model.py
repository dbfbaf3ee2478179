"""A day in the solver's terms: what every step may do, and what is wanted.

Needs, windows and resources are hard. What was begun stays as it is; a window behind it that is overrun costs more than
any lateness.
"""

from __future__ import annotations

from collections.abc import Sequence
from itertools import product
from typing import Any, NamedTuple

from kindwhisk.core.day.bowls import Stay, at_least
from kindwhisk.core.day.oven_model import Ovens
from kindwhisk.core.day.plan import LATE, NEAR, WAIT
from kindwhisk.core.day.resources import GRID_S, WASH_S, DayResources
from kindwhisk.core.day.work import DayBake, DayTask, Key, Placed, units
from kindwhisk.core.planning.tasks import Lag
from kindwhisk.core.storage import Storage

OVER = 20_000
"""A unit by which something that stands waits longer than it holds; heavier than any lateness. Chosen."""
MOVED, MOVED_S = 40, 120.0
"""A step that lies more than two minutes from where it was counts like so many units of waiting. Chosen."""


class Asked(NamedTuple):
    """``hint`` is a plan to begin from; ``keeps``: the steps of it stay where they are as far as they can. Nothing
    begins before ``now_s``."""

    now_s: float = 0.0
    hint: tuple[Placed, ...] = ()
    keeps: bool = False
    seconds: float = 5.0


class Model:
    """The day in the solver's terms; times in units of half a minute."""

    def __init__(self, bakes: Sequence[DayBake], resources: DayResources, asked: Asked) -> None:
        from ortools.sat.python import cp_model

        self.cp: Any = cp_model.CpModel()
        self.bakes, self.resources, self.asked = bakes, resources, asked
        self.horizon = units(resources.length_s)
        self.now = units(asked.now_s)
        self.start: dict[Key, Any] = {}
        self.length: dict[Key, Any] = {}
        self.end: dict[Key, Any] = {}
        self.span: dict[Key, Any] = {}
        self.person: dict[Key, dict[str, Any]] = {}
        self.mixer: dict[Key, dict[str, Any]] = {}
        self.oven: dict[str, dict[str, Any]] = {}
        self.costs: list[Any] = []
        for bake in bakes:
            self._bake(bake)
        self.over = {b.id: self._over(b) for b in bakes if b.tasks}
        self._supplies()
        self._hands()
        self._mixers()
        self._bowls()
        self._hob_and_places()
        Ovens(self)
        self._aims()

    # --- each bake ---
    def _bake(self, bake: DayBake) -> None:
        cp = self.cp
        first_s = max(self.asked.now_s, bake.earliest_s)
        self.oven[bake.id] = {o: cp.new_bool_var(f"{bake.id} in {o}") for o in bake.ovens}
        if bake.ovens:
            cp.add_exactly_one(self.oven[bake.id].values())
        used = {k.oven for k in bake.known.values() if k.oven}
        for oven in used & set(bake.ovens):
            cp.add(self.oven[bake.id][oven] == 1)
        for task in bake.tasks:
            key = (bake.id, task.id)
            known = bake.known.get(task.id)
            if known is not None:
                self.start[key], self.end[key] = units(known.start_s), max(1, units(known.end_s))
                self.length[key] = self.end[key] - self.start[key]
                continue
            pinned = bake.pinned.get(task.id)
            low, high = (units(first_s), self.horizon) if pinned is None else (units(pinned), units(pinned))
            self.start[key] = cp.new_int_var(low, high, f"start {key}")
            self.length[key] = self._length(bake, task)
            self.end[key] = cp.new_int_var(low, 2 * self.horizon, f"end {key}")
            self.span[key] = cp.new_interval_var(self.start[key], self.length[key], self.end[key], f"at {key}")
        for lag in bake.lags:
            self._lag(bake, lag)

    def _length(self, bake: DayBake, task: DayTask) -> Any:
        if task.heat is None:
            return units(task.seconds)
        by_oven = {o: units(task.lasts_s(o)) for o in bake.ovens}
        if task.heat.heats:
            return self.cp.new_int_var(1, max(by_oven.values(), default=units(task.seconds)), f"heat {task.id}")
        if len(set(by_oven.values())) <= 1:
            return next(iter(by_oven.values()), units(task.seconds))
        length = self.cp.new_int_var(min(by_oven.values()), max(by_oven.values()), f"lasts {task.id}")
        for oven, lasts in by_oven.items():
            self.cp.add(length == lasts).only_enforce_if(self.oven[bake.id][oven])
        return length

    def _lag(self, bake: DayBake, lag: Lag) -> None:
        later, earlier = (bake.id, lag.later), (bake.id, lag.earlier)
        if lag.later in bake.known:
            return
        begin = self.end[earlier] if lag.from_end else self.start[earlier]
        self.cp.add(self.start[later] >= begin + units(lag.at_least_s))
        if lag.at_most_s is not None:
            soft = lag.earlier in bake.known or lag.later in bake.pinned
            self._at_most(later, begin + units(lag.at_most_s), soft=soft)

    def _over(self, bake: DayBake) -> Any:
        """When the last of a bake is done."""
        end = self.cp.new_int_var(0, 2 * self.horizon, f"end of {bake.id}")
        self.cp.add_max_equality(end, [self.end[bake.id, t.id] for t in bake.tasks])
        return end

    def _supplies(self) -> None:
        """What is made in another bake is there, and still good, when it is taken."""
        begun = {b.id for b in self.bakes if b.known or b.pinned}
        for bake in self.bakes:
            for supply in bake.supplies:
                made, later = self.over.get(supply.maker), (bake.id, supply.later)
                if made is None or supply.later in bake.known or later not in self.start:
                    continue
                self.cp.add(self.start[later] >= made + units(supply.at_least_s))
                if supply.at_most_s is not None:
                    soft = supply.later in bake.pinned or supply.maker in begun
                    self._at_most(later, made + units(supply.at_most_s), soft=soft)

    def _at_most(self, later: Key, most: Any, *, soft: bool) -> None:
        """A step begins by then; ``soft``: nobody can help it any more."""
        if soft:
            over = self.cp.new_int_var(0, 2 * self.horizon, f"over {later}")
            self.costs.append(OVER * over)
            most = most + over
        self.cp.add(self.start[later] <= most)

    def ahead(self) -> list[tuple[Key, DayBake, DayTask]]:
        """Every step that was not begun."""
        return [((b.id, t.id), b, t) for b in self.bakes for t in b.ahead]

    def going(self) -> list[tuple[DayBake, DayTask, Any]]:
        """What was begun and is not over: it keeps what it uses until then."""
        return [
            (
                b,
                b.by_id[i],
                self.cp.new_fixed_size_interval_var(self.now, units(k.end_s) - self.now, f"runs {b.id} {i}"),
            )
            for b in self.bakes
            for i, k in b.known.items()
            if i in b.by_id and units(k.end_s) > self.now
        ]

    # --- what is shared ---
    def _hands(self) -> None:
        hands = [(k, t) for k, _, t in self.ahead() if t.hands]
        people = self.resources.people
        going = [(b.known[t.id].person, span) for b, t, span in self.going() if t.hands]
        if self.resources.alike:
            shut = [self.fixed(s.start_s, s.end_s) for s in people[0].away]
            spans = [*(self.span[k] for k, _ in hands), *(s for _, s in going)]
            if len(people) == 1 and len(going) <= 1:
                self.cp.add_no_overlap([*spans, *shut] if not going else [*(self.span[k] for k, _ in hands), *shut])
                for _, span in going:
                    self._after(hands, span)
            else:
                most = max(len(people), len(going))
                self.cp.add_cumulative([*spans, *shut], [1] * len(spans) + [most] * len(shut), most)
            return
        for key, task in hands:
            able = [h for h in people if h.may(task.craft)] or list(people)
            self.person[key] = {h.id: self.cp.new_bool_var(f"{h.id} does {key}") for h in able}
            self.cp.add_exactly_one(self.person[key].values())
        for one in people:
            mine = [self.only_if(k, self.person[k][one.id]) for k, _ in hands if one.id in self.person[k]]
            self.cp.add_no_overlap([*mine, *(self.fixed(s.start_s, s.end_s) for s in one.away)])
            for who, span in going:
                if who == one.id:
                    for k, _ in hands:
                        if one.id in self.person[k]:
                            self.cp.add(self.start[k] >= span.end_expr()).only_enforce_if(self.person[k][one.id])

    def _after(self, hands: Sequence[tuple[Key, DayTask]], span: Any) -> None:
        for key, _ in hands:
            self.cp.add(self.start[key] >= span.end_expr())

    def fixed(self, start_s: float, end_s: float) -> Any:
        """A stretch that is taken, whatever is placed."""
        return self.cp.new_fixed_size_interval_var(units(start_s), max(1, units(end_s - start_s)), "shut")

    def only_if(self, key: Key, present: Any) -> Any:
        """A step's stretch, where a literal holds."""
        return self.cp.new_optional_interval_var(
            self.start[key], self.length[key], self.end[key], present, f"{key} if {present}"
        )

    def _mixers(self) -> None:
        mixers = self.resources.mixers
        used = [(k, t) for k, _, t in self.ahead() if t.mixer]
        if not mixers:
            return
        for key, _ in used:
            self.mixer[key] = {m.id: self.cp.new_bool_var(f"{key} in {m.id}") for m in mixers}
            self.cp.add_exactly_one(self.mixer[key].values())
        going = [(b.known[t.id].mixer or mixers[0].id, span) for b, t, span in self.going() if t.mixer]
        for mixer in mixers:
            self.cp.add_no_overlap([self.only_if(k, self.mixer[k][mixer.id]) for k, _ in used])
            for which, span in going:
                for key, _ in used:
                    if which == mixer.id:
                        self.cp.add(self.start[key] >= span.end_expr()).only_enforce_if(self.mixer[key][mixer.id])

    def _bowls(self) -> None:
        """What is whipped keeps its bowl until it has left it; one that is alone is washed between fat and whites."""
        held: list[tuple[str, Stay, Any, Any]] = []
        for bake in self.bakes:
            for stay in bake.stays:
                keys = [(bake.id, i) for i in stay.steps if i in bake.by_id]
                begun = stay.first in bake.by_id
                over = all(i in bake.known and units(bake.known[i].end_s) <= self.now for _, i in keys)
                if begun and not over:
                    end = self.cp.new_int_var(0, 2 * self.horizon, f"bowl of {bake.id} {stay.first} free")
                    self.cp.add_max_equality(end, [self.end[k] for k in keys])
                    held.append((bake.id, stay, self.start[bake.id, stay.first], end))
        if not held or not self.resources.mixers:
            return
        going = sum(isinstance(start, int) for _, _, start, _ in held)
        most = max(at_least((b.stays for b in self.bakes), self.resources.bowls), going)
        spans = []
        for bake_id, stay, start, end in held:
            size = self.cp.new_int_var(0, 2 * self.horizon, f"bowl of {bake_id} {stay.first} held")
            spans.append(self.cp.new_interval_var(start, size, end, f"bowl of {bake_id} {stay.first}"))
        self.cp.add_cumulative(spans, [1] * len(spans), most)
        if most > 1:
            return
        wash = units(WASH_S)
        for (a, fat, a_start, a_end), (b, whites, b_start, b_end) in product(held, held):
            if a == b or not fat.greasy or not whites.clean:
                continue
            first = self.cp.new_bool_var(f"{a} {fat.first} before {b} {whites.first}")
            self.cp.add(b_start >= a_end + wash).only_enforce_if(first)
            self.cp.add(a_start >= b_end).only_enforce_if(~first)

    def _hob_and_places(self) -> None:
        going = self.going()
        pots = [self.span[k] for k, _, t in self.ahead() if t.hob]
        held = [span for _, t, span in going if t.hob]
        if pots:
            most = max(self.resources.rings, len(held))
            self.cp.add_cumulative([*pots, *held], [1] * (len(pots) + len(held)), most)
        for place in Storage:
            spans = [(self.span[k], t.places) for k, _, t in self.ahead() if t.stands is place]
            stand = [(span, t.places) for _, t, span in going if t.stands is place]
            if spans:
                # What takes more than there is stands all the same, but alone.
                room = max(1, self.resources.places[place])
                both = [(span, min(n, room)) for span, n in (*spans, *stand)]
                most = max(room, sum(min(n, room) for _, n in stand))
                self.cp.add_cumulative([s for s, _ in both], [n for _, n in both], most)

    # --- what is wanted ---
    def _aims(self) -> None:
        cp = self.cp
        for bake in self.bakes:
            keys = [(bake.id, t.id) for t in bake.tasks]
            if not keys:
                continue
            end = self.over[bake.id]
            due, aim = (int(s // GRID_S) for s in (bake.due_s, bake.aims_s))
            over = cp.new_int_var(min(aim, 0), 2 * self.horizon, f"over of {bake.id}")
            cp.add_max_equality(over, [end, aim])
            late = cp.new_int_var(0, 2 * self.horizon, f"late of {bake.id}")
            cp.add(late >= end - due)
            first = cp.new_int_var(-self.horizon, self.horizon, f"first of {bake.id}")
            for key in keys:
                cp.add(first <= self.start[key])
            # What is late has been behind its aim for all the time between.
            near, much = int(NEAR) * bake.weight, int(LATE - NEAR) * bake.weight
            self.costs.append(near * (over - aim) + much * late + int(WAIT) * ((end if bake.is_set else over) - first))
            hinted = [p for p in self.asked.hint if p.bake == bake.id]
            if hinted:
                ends = max(units(p.end_s) for p in hinted)
                cp.add_hint(end, ends)
                cp.add_hint(over, max(ends, aim))
                cp.add_hint(late, max(0, ends - due))
                cp.add_hint(first, min(units(p.start_s) for p in hinted))
                used = {p.oven for p in hinted if p.oven}
                for oven, literal in self.oven[bake.id].items():
                    cp.add_hint(literal, oven in used)
        for placed in self.asked.hint:
            start = self.start.get(placed.key)
            if start is None or isinstance(start, int):
                continue
            at = units(placed.start_s)
            cp.add_hint(start, at)
            if not isinstance(self.length[placed.key], int):
                cp.add_hint(self.length[placed.key], units(placed.end_s - placed.start_s))
            for found, own in ((self.person, placed.person), (self.mixer, placed.mixer)):
                for which, literal in found.get(placed.key, {}).items():
                    cp.add_hint(literal, which == own)
            if self.asked.keeps:
                moved = cp.new_bool_var(f"moved {placed.key}")
                slack = units(MOVED_S)
                cp.add_linear_constraint(start, at - slack, at + slack).only_enforce_if(~moved)
                self.costs.append(MOVED * moved)
        cp.minimize(sum(self.costs))
