"""The day's desk: what is due, gathered with what is under way; plans taken up, bakes begun as they were planned."""

from __future__ import annotations

import hashlib
from collections.abc import Iterator, Mapping, Sequence
from datetime import date, datetime, timedelta
from typing import NamedTuple

from pydantic import Field, TypeAdapter

from kindwhisk.bench.commands import Commands, document_of
from kindwhisk.bench.days.gathered import Day, Ordered, When, gathered
from kindwhisk.bench.days.wanted import Knows, Wanted, parts_beforehand
from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.planned import PlannedStep
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.joined import MARK, PART
from kindwhisk.core.day.order import Due, Order, dues
from kindwhisk.core.day.plan import DayPlan
from kindwhisk.core.day.prepared import Prepared
from kindwhisk.core.day.work import Placed
from kindwhisk.core.process.changes.oven import OtherOven
from kindwhisk.core.process.formula import upstream
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.store.models import BakeRow

MOST_BAKES = 40
FURTHEST = timedelta(days=14)
MADE_APART = "Made by itself, in a bake of its own."
LATE = timedelta(hours=6)
"""What should have been ready so long ago, and was not begun, is still planned: late."""


class PlannedWork(Value):
    """Where a plan has the steps of a bake, by the id of what is due, or of the bake under way."""

    id: str = Field(max_length=120)
    steps: tuple[PlannedStep, ...] = Field(max_length=400, strict=False)


_works: TypeAdapter[tuple[PlannedWork, ...]] = TypeAdapter(tuple[PlannedWork, ...])


def works_of(day: Day, plan: DayPlan) -> tuple[PlannedWork, ...]:
    """A plan on the clock of the wall, as it is taken up."""
    return tuple(
        PlannedWork(
            id=item.id,
            steps=tuple(
                PlannedStep(
                    step=p.step,
                    start=day.moment(p.start_s),
                    end=day.moment(p.end_s),
                    person=p.person,
                    mixer=p.mixer,
                    oven=p.oven,
                )
                for p in plan.of(item.id).values()
            ),
        )
        for item in day.items
    )


class Taking(NamedTuple):
    """A plan to be taken up, what of it begins now, and the key of the request."""

    works: tuple[PlannedWork, ...]
    begin: tuple[str, ...]
    key: str


def _key(*parts: str) -> str:
    """The key of an event that comes of a request: the same again is kept once."""
    return hashlib.sha256(":".join(parts).encode()).hexdigest()[:40]


def _named(order: Order, number: int) -> Order:
    """An order that is not kept goes by its number."""
    return order if order.id else order.model_copy(update={"id": f"o{number}"})


class Days(Commands):
    """Plans of days, and what comes of them."""

    def knows(
        self,
        start: datetime | None = None,
        until: datetime | None = None,
        orders: Sequence[Order] | None = None,
        now: datetime | None = None,
    ) -> Knows:
        """What is due from ``start`` to ``until``, and what is under way.

        Args:
            start: the first moment that may be used; now, where none is given or it has passed.
            until: by then it has to be due; the end of the next day where none is given.
            orders: instead of those that are kept.
            now: the moment that it is.

        Raises:
            CraftError: too much is due, it is too far ahead, or a formula is not there.
        """
        here = now or self.clock.now()
        begin = (start if start and start > here else here).replace(second=0, microsecond=0)
        last = until or (begin + timedelta(days=1)).replace(hour=23, minute=59)
        if last > begin + FURTHEST:
            raise CraftError(
                "That is more than two weeks ahead.", field="until", remedy="Plan up to two weeks from its start."
            )
        zone = begin.tzinfo
        wanted: list[Wanted] = []
        running: dict[str, tuple[Moment, Due | None]] = {}
        named = None if orders is None else [_named(o, number) for number, o in enumerate(orders, 1)]
        for due in dues(self.store.orders.all() if named is None else named, begin - timedelta(days=1), last):
            row = self._bake_of(due.id) if named is None else None
            if row is not None and row.status == "running":
                running.setdefault(str(row.id), (self.moment(str(row.id), here), due))
            elif row is not None or due.due_at <= begin - LATE:
                continue
            if row is not None and not due.order.beforehand:
                continue
            version, formula = self.store.formulas.get(due.order.formula)
            whole = Wanted(due._replace(due_at=due.due_at.astimezone(zone)), formula, version)
            if row is None:
                wanted.append(whole)
            for part in parts_beforehand(whole):
                made = self._bake_of(part.due.id) if named is None else None
                if made is not None and made.status == "running":
                    at, first = running.get(str(made.id)) or (self.moment(str(made.id), here), None)
                    due_of = part.due if first is None else first._replace(id=f"{first.id}{MARK}{part.due.id}")
                    running[str(made.id)] = (at, due_of)
                elif made is None:
                    wanted.append(part)
        if len(wanted) > MOST_BAKES:
            raise CraftError(
                f"More than {MOST_BAKES} are due.", field="orders", remedy="Plan a shorter time, or fewer of them."
            )
        for row in self.store.bakes.listed(status="running") if named is None else ():
            running.setdefault(str(row.id), (self.moment(str(row.id), here), None))
        in_force = self._in_force(begin.date())
        if named is None:
            wanted += self._ahead(last, begin + FURTHEST, in_force)
        revision, kitchen = self.store.kitchens.current()
        ids = {w.due.id for w in wanted}
        planned = {i: s for i, s in in_force.items() if ids.issuperset(i.split(MARK))}
        when = When(min([begin, *(at.began_at.astimezone(zone) for at, _ in running.values())]), begin)
        return Knows(when, kitchen, revision, self.record(), tuple(wanted), running, planned)

    def _ahead(
        self, last: datetime, furthest: datetime, in_force: Mapping[str, Sequence[PlannedStep]]
    ) -> Iterator[Wanted]:
        """Parts that are planned to begin by ``last`` for what is due after it."""
        first = {i: min(s.start for s in steps) for ids, steps in in_force.items() if steps for i in ids.split(MARK)}
        for due in dues((o for o in self.store.orders.all() if o.beforehand), last, furthest):
            version, formula = self.store.formulas.get(due.order.formula)
            for part in parts_beforehand(Wanted(due, formula, version)):
                begins = first.get(part.due.id)
                if begins is not None and begins < last and self._bake_of(part.due.id) is None:
                    yield part

    def gather(
        self, known: Knows, prepared: Mapping[str, Prepared], pinned: Mapping[str, Mapping[str, datetime]]
    ) -> Day:
        """The day, of what is known and was prepared, by the ids of what is due."""
        ordered = [Ordered(w.due, prepared[w.due.id], w.part) for w in known.wanted if w.due.id in prepared]
        return gathered(known.when, known.kitchen, ordered, known.running, known.planned, pinned)

    def take(self, known: Knows, prepared: Mapping[str, Prepared], taking: Taking) -> tuple[str, ...]:
        """Take a plan up: what is under way moves with it, what is to begin is begun; returns those bakes.

        What was begun meanwhile is not begun twice.

        Raises:
            CraftError: it can't be done as things stand, or names what is not due.
        """
        day = self.gather(known, prepared, {})
        items = {i.id: i for i in day.items}
        since = {i: bake for bake, (_, due) in known.running.items() if due for i in due.id.split(MARK)}
        works = tuple(w for w in taking.works if not since.keys() & w.id.split(MARK))
        unknown = [w.id for w in works if w.id not in items]
        unknown += [i for i in taking.begin if i not in prepared and not since.keys() & i.split(MARK)]
        if unknown:
            raise CraftError(
                f"'{unknown[0]}' is not due, or was begun meanwhile.", field="bakes", remedy="Plan the day again."
            )
        placed = [
            Placed(
                bake=w.id, step=s.step, start_s=(s.start - day.start).total_seconds(),
                end_s=(s.end - day.start).total_seconds(), person=s.person, mixer=s.mixer, oven=s.oven,
            )
            for w in works
            for s in w.steps
        ]  # fmt: skip
        self._check(day, placed, {w.id for w in works})
        begun = list(dict.fromkeys(since[p] for i in taking.begin for p in i.split(MARK) if p in since))
        with self.store.writing():
            self.store.day_plans.keep(known.when.now.date(), _works.dump_json(works).decode())
            for work in works:
                if work.id in known.running:
                    self._moved(known.running[work.id][0], work, taking.key)
                elif work.id in taking.begin:
                    begun.append(self._begin(known, prepared[work.id], work, taking.key))
        self.hub.wake()
        return tuple(begun)

    def _check(self, day: Day, placed: Sequence[Placed], ids: set[str]) -> None:
        """Let a plan pass that can be done; windows behind what was begun, and what has passed meanwhile, aside."""
        bakes = [b for b in day.bakes if b.id in ids]
        grave = [b for b in breaches(placed, bakes, day.here) if b.rule not in {"begun", "window", "length", "heat"}]
        if grave:
            raise CraftError(
                f"That plan can't be done any more: {grave[0].says}", field="bakes", remedy="Plan the day again."
            )

    def _moved(self, at: Moment, work: PlannedWork, key: str) -> None:
        """A bake under way goes on by another plan; what was begun keeps the plan that it was begun by."""
        begun = {p.step: p for p in at.document.planned if p.step in at.progress.steps}
        given = {p.step: p for p in work.steps}
        oven = next((p.oven for i, p in given.items() if p.oven and i not in begun), at.document.oven)
        if oven != at.document.oven:
            change = OtherOven(oven=oven)
            changed = ev.Changed(kind="changed", client_key=_key(key, at.log.id, oven), change=change)
            self.post(at.log.id, changed)
            at = self.moment(at.log.id)
        steps = tuple({**{p.step: p for p in at.document.planned}, **given, **begun}.values())
        if steps == at.document.planned:
            return
        moved = ev.DayMoved(kind="day_moved", client_key=_key(key, at.log.id, "day"), planned=steps)
        self.post(at.log.id, moved)

    def _begin(self, known: Knows, prepared: Prepared, work: PlannedWork, key: str) -> str:
        parts = work.id.split(MARK)
        since = next((row for row in map(self._bake_of, parts) if row is not None), None)
        if since is not None:
            return str(since.id)
        wanted = next(w for w in known.wanted if w.due.id == work.id)
        people = [s.person for s in work.steps if s.person]
        named = {p.id for p in known.kitchen.people}
        most = max(dict.fromkeys(people), key=people.count, default="")
        oven = next((s.oven for s in work.steps if s.oven), prepared.scaled.oven)
        scaled = prepared.scaled.model_copy(update={"oven": oven})
        made_in = (wanted.version, known.revision, known.kitchen, known.record)
        document = document_of(scaled, made_in, most if most in named else "", wanted.due.due_at, work.steps)
        began = min([known.when.now, *(s.start for s in work.steps)])
        bake_id = self._begun(document, began, f"{key}:{work.id}")
        self.store.orders.began(parts, bake_id)
        self._given(bake_id, prepared, wanted, (key, known.when.now))
        return bake_id

    def _given(self, bake_id: str, prepared: Prepared, wanted: Wanted, told: tuple[str, datetime]) -> None:
        """What is made in another bake is not done again in this one; where that is over, from then it waits."""
        formula, (key, now) = prepared.scaled.formula, told
        for offer in prepared.offers:
            steps = [i for i in offer.steps if i in prepared.given]
            if not steps:
                continue
            ended = self._made_at([f"{due}{PART}{offer.id}" for due in wanted.due.id.split(MARK)])
            whole = [s.id for s in formula.steps if s.component == offer.id]
            done = upstream(formula, whole[-1]) | {whole[-1]} if ended else set()
            if ended:
                of_key = _key(key, bake_id, offer.id)
                before = ev.DoneBefore(kind="done_before", client_key=of_key, at=now, step=whole[-1], when=ended)
                self.post(bake_id, before)
            for step in steps:
                if step not in done:
                    of_key = _key(key, bake_id, step)
                    skipped = ev.StepSkipped(
                        kind="step_skipped", client_key=of_key, at=now, step=step, reason=MADE_APART
                    )
                    self.post(bake_id, skipped)

    def _made_at(self, parts: Sequence[str]) -> datetime | None:
        """When a part was there that was made in bakes of its own; None while it is not."""
        rows = [row for row in map(self._bake_of, parts) if row is not None]
        ends: list[datetime | None] = []
        for row in rows:
            at = self.moment(str(row.id))
            ends += [at.progress.ended(s.id) for s in at.walked.forecast.steps]
        return max(e for e in ends if e) if ends and all(ends) else None

    def _bake_of(self, due_id: str) -> BakeRow | None:
        """The bake that what is due became; None where none was begun, or all were lost."""
        rows = (self.store.bakes.get(bake) for bake in self.store.orders.bakes_of(due_id))
        return next((row for row in rows if row.status != "abandoned"), None)

    def _in_force(self, day: date) -> dict[str, tuple[PlannedStep, ...]]:
        """Where the plan in force has what is due: the last one that was taken up for it."""
        found: dict[str, tuple[PlannedStep, ...]] = {}
        for ago in range(FURTHEST.days, -1, -1):
            kept = self.store.day_plans.last(day - timedelta(days=ago))
            if kept is None:
                continue
            works = _works.validate_json(kept[1])
            anew = {i for w in works for i in w.id.split(MARK)}
            found = {i: s for i, s in found.items() if anew.isdisjoint(i.split(MARK))}
            found |= {w.id: w.steps for w in works}
        return found
