"""Ovens in the solver's terms: racks at one temperature, and the way from one temperature to the next."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from itertools import combinations
from typing import TYPE_CHECKING, Any, NamedTuple

from kindwhisk.core.day.resources import LEFT_ON_S
from kindwhisk.core.day.work import DayBake, DayTask, on_grid, units

if TYPE_CHECKING:
    from kindwhisk.core.day.model import Model


class Block(NamedTuple):
    """An oven kept at one temperature: from when it begins to heat to the end of the last that bakes in it."""

    bake: str
    celsius: float
    start: Any
    hot: Any
    end: Any
    heat: Any
    cold: int
    present: Mapping[str, Any]


class Ovens:
    """What the ovens of a day allow, added to its model."""

    def __init__(self, of: Model) -> None:
        self.of = of
        blocks = [block for bake in self.of.bakes for block in self._blocks(bake)]
        for room in self.of.resources.ovens:
            tasks = [(k, b, t) for k, b, t in self.of.ahead() if t.heat and not t.heat.heats and room.id in b.ovens]
            baked = [(self.of.only_if(k, self.of.oven[b.id][room.id]), t.heat.racks) for k, b, t in tasks if t.heat]
            going = [
                (span, t.heat.racks) for b, t, span in self.of.going() if t.heat and b.known[t.id].oven in {room.id, ""}
            ]
            both = [(span, min(n, room.racks)) for span, n in (*baked, *going)]
            if both:
                most = max(room.racks, sum(min(n, room.racks) for _, n in going))
                self.of.cp.add_cumulative([s for s, _ in both], [n for _, n in both], most)
            here = [b for b in blocks if room.id in b.present]
            for shut in room.shut:
                for block in here:
                    self._apart(block, units(shut.start_s), units(shut.end_s), room.id)
            for a, b in combinations(here, 2):
                if abs(a.celsius - b.celsius) >= 0.5:
                    self._one_after_another(a, b, room.id)
        for block in blocks:
            self._warm(block, blocks)

    def _apart(self, block: Block, start: int, end: int, oven: str) -> None:
        before = self.of.cp.new_bool_var("before it is shut")
        self.of.cp.add(block.end <= start).only_enforce_if(before, block.present[oven])
        self.of.cp.add(block.start >= end).only_enforce_if(~before, block.present[oven])

    def _blocks(self, bake: DayBake) -> list[Block]:
        """A bake's stays in the oven, each from its heating on."""
        found = []
        baking = [t for t in bake.tasks if t.heat and not t.heat.heats]
        heating = [t for t in bake.tasks if t.heat and t.heat.heats]
        needs = {t.id: {g.earlier for g in bake.lags if g.later == t.id} for t in bake.tasks}
        grouped: dict[str, list[DayTask]] = {}
        for task in baking:
            own = next((h.id for h in heating if h.id in needs[task.id]), None)
            if own is None:
                own = next(
                    (h.id for h in heating if h.heat and task.heat and h.heat.celsius == task.heat.celsius), task.id
                )
            grouped.setdefault(own, []).append(task)
        for first, tasks in grouped.items():
            keys = [(bake.id, t.id) for t in tasks]
            if all(i in bake.known and units(bake.known[i].end_s) <= self.of.now for _, i in keys):
                continue
            head = bake.by_id[first]
            end = self.of.cp.new_int_var(0, 2 * self.of.horizon, f"oven free of {bake.id} {first}")
            self.of.cp.add_max_equality(end, [self.of.end[k] for k in keys])
            heats = head.heat is not None and head.heat.heats and first not in bake.known
            start = self.of.start[bake.id, first]
            found.append(
                Block(
                    bake=bake.id,
                    celsius=tasks[0].heat.celsius if tasks[0].heat else 0.0,
                    start=start,
                    hot=self.of.end[bake.id, first] if head.heat and head.heat.heats else start,
                    end=end,
                    heat=self.of.length[bake.id, first] if heats else None,
                    cold=max((units(head.lasts_s(o)) for o in bake.ovens), default=1) if heats else 0,
                    present=self.of.oven[bake.id],
                )
            )
        return found

    def _one_after_another(self, a: Block, b: Block, oven: str) -> None:
        """Two temperatures in one oven: the way between them lies in the second's heating, or before it."""
        room = self.of.resources.oven(oven)
        both = [a.present[oven], b.present[oven]]
        first = self.of.cp.new_bool_var(f"{a.bake} before {b.bake} in {oven}")
        for literal, one, other in ((first, a, b), (~first, b, a)):
            way = max(0, units(on_grid(room.change_s(one.celsius, other.celsius))) - other.cold)
            self.of.cp.add(other.start >= one.end + way).only_enforce_if(literal, *both)

    def _warm(self, block: Block, blocks: Sequence[Block]) -> None:
        """How long it heats: from cold, or from what another left."""
        if block.heat is None:
            return
        cold = self.of.cp.new_bool_var(f"{block.bake} heats from cold")
        sources = [cold]
        for oven, present in block.present.items():
            own = next(b for b in self.of.bakes if b.id == block.bake)
            head = next(t for t in own.tasks if t.heat and t.heat.heats and abs(t.heat.celsius - block.celsius) < 0.5)
            self.of.cp.add(block.heat == units(head.lasts_s(oven))).only_enforce_if(cold, present)
            for other in blocks:
                if other is block or oven not in other.present:
                    continue
                change = self.of.resources.oven(oven).change_s(other.celsius, block.celsius)
                way = units(on_grid(change))
                if way >= block.cold:
                    continue
                warm = self.of.cp.new_bool_var(f"{block.bake} heats after {other.bake}")
                sources.append(warm)
                self.of.cp.add_implication(warm, present)
                self.of.cp.add_implication(warm, other.present[oven])
                self.of.cp.add(block.heat == way).only_enforce_if(warm)
                begins = other.hot if change == 0 else other.end
                self.of.cp.add(block.start >= begins).only_enforce_if(warm)
                self.of.cp.add(block.start <= other.end + units(LEFT_ON_S)).only_enforce_if(warm)
                self._nothing_between(warm, (other, block), oven, blocks)
        self.of.cp.add_exactly_one(sources)

    def _nothing_between(self, warm: Any, pair: tuple[Block, Block], oven: str, blocks: Sequence[Block]) -> None:
        """No third temperature lies between what leaves an oven warm and what finds it so."""
        other, block = pair
        for third in blocks:
            if third in pair or oven not in third.present:
                continue
            if min(abs(third.celsius - other.celsius), abs(third.celsius - block.celsius)) < 0.5:
                continue
            before = self.of.cp.new_bool_var("third before")
            both = [warm, third.present[oven]]
            self.of.cp.add(third.end <= other.start).only_enforce_if(before, *both)
            self.of.cp.add(third.start >= block.end).only_enforce_if(~before, *both)
