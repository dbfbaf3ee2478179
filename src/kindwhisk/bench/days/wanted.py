"""What is due and not begun, its parts apart, and everything else that a plan of it rests on."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping, Sequence
from datetime import date
from typing import NamedTuple

from kindwhisk.bench.days.gathered import When
from kindwhisk.bench.log.planned import PlannedStep
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.day.joined import MARK, PART, parts_together, together
from kindwhisk.core.day.order import Due
from kindwhisk.core.day.parts import alone_making, made_alone
from kindwhisk.core.day.prepared import PartSource, Prepared, prepare, prepare_part, without
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.record import KitchenRecord


class Wanted(NamedTuple):
    """What is due and not begun, with what is needed to prepare it.

    Of a part that is made beforehand, ``sources`` are what it is made for.
    """

    due: Due
    formula: Formula
    version: int
    sources: tuple[PartSource, ...] = ()

    @property
    def part(self) -> str:
        """The component that is made by itself; empty for the whole."""
        return self.sources[0].component if self.sources else ""

    def prepared(self, kitchen: Kitchen, record: KitchenRecord) -> Prepared:
        """Everything that its plan has to know.

        Raises:
            CraftError: its wish can't be met.
        """
        if self.sources:
            return prepare_part(self.sources, kitchen, record)
        order = self.due.order
        return without(prepare(self.formula, kitchen, order.wish, record), order.beforehand)


def parts_beforehand(whole: Wanted) -> Iterator[Wanted]:
    """What of it is made beforehand, as far as it can be made by itself."""
    for one in whole.due.order.beforehand:
        if made_alone(whole.formula, one.component) and one.component != whole.formula.steps[-1].component:
            due = whole.due._replace(id=f"{whole.due.id}{PART}{one.component}")
            source = PartSource(due.id, whole.formula, whole.due.order.wish, one.component)
            yield whole._replace(due=due, sources=(source,))


def _once(parts: Sequence[Wanted]) -> Wanted:
    """Several parts as one, for the first that is due."""
    soonest = min(parts, key=lambda w: w.due.due_at)
    due = soonest.due._replace(id=MARK.join(w.due.id for w in parts))
    return soonest._replace(due=due, sources=tuple(s for w in parts for s in w.sources))


class Knows(NamedTuple):
    """Everything that a plan of a stretch of time rests on; what is wanted has still to be prepared."""

    when: When
    kitchen: Kitchen
    revision: int
    record: KitchenRecord
    wanted: tuple[Wanted, ...]
    running: Mapping[str, tuple[Moment, Due | None]]
    planned: Mapping[str, Sequence[PlannedStep]]

    @property
    def joints(self) -> tuple[Wanted, ...]:
        """What of it could be made in one go."""
        by_id = {w.due.id: w for w in self.wanted}
        made = together([(w.due, w.formula) for w in self.wanted if not w.part], self.kitchen)
        parts = parts_together([(w.due, alone_making(w.formula, w.part)) for w in self.wanted if w.part])
        return (
            *(by_id[due.id.split(MARK)[0]]._replace(due=due) for due in made),
            *(_once([by_id[d.id] for d in dues]) for dues in parts),
        )

    def on(self, day: date) -> Knows:
        """What is made for a day: all that is due then, and the parts that are planned to begin on it."""
        zone = self.when.now.tzinfo
        begins = {
            i: min(s.start for s in steps).astimezone(zone).date()
            for ids, steps in self.planned.items()
            if steps
            for i in ids.split(MARK)
        }
        parts = {w.due.id: begins[w.due.id] for w in self.wanted if w.part and w.due.id in begins}
        days = {w.due.id: parts.get(w.due.id, w.due.due_at.date()) for w in self.wanted}
        return self._replace(wanted=tuple(w for w in self.wanted if days[w.due.id] == day))

    def with_joints(self, ids: Collection[str]) -> Knows:
        """The same, with those made in one go that these ids join."""
        chosen = [j for j in self.joints if j.due.id in ids]
        gone = {i for j in chosen for i in j.due.id.split(MARK)}
        return self._replace(wanted=(*(w for w in self.wanted if w.due.id not in gone), *chosen))
