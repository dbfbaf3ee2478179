"""A plan of the day as a page shows it: on the clock of the wall, with what is late and why, and where there is
slack."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from datetime import datetime

from kindwhisk.bench.days.gathered import Day
from kindwhisk.bench.days.item import DayItem
from kindwhisk.core.braid import Braid, braid
from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.hands import walks
from kindwhisk.core.day.joined import MARK
from kindwhisk.core.day.order import Sure
from kindwhisk.core.day.plan import DayPlan
from kindwhisk.core.day.slack import CRITICAL_S, chain, slack, why_late
from kindwhisk.core.day.work import DayTask, Placed
from kindwhisk.core.people import Span
from kindwhisk.core.planning.because import duration_in_words
from kindwhisk.core.values.model import Value

MOVED_S = 120.0


class DayStep(Value):
    """A step on the day's clock: whose hands, which mixer and oven, and how much later it could be; ``critical``: not
    at all."""

    step: str
    title: str
    kind: str
    start_at: datetime
    end_at: datetime
    hands: bool
    person: str
    mixer: str
    oven: str
    oven_c: float | None
    begun: bool
    over: bool
    pinned: bool
    slack_s: float
    critical: bool


class PartOfBake(Value):
    """A part that could be made by itself: how long it keeps cold and in the freezer (None: it does not freeze well),
    whether it is made beforehand, and which other bakes of the day take the same."""

    id: str
    name: str
    keeps_s: float
    frozen_s: float | None
    beforehand: bool
    frozen: bool
    also_for: tuple[str, ...]


class PlannedBake(Value):
    """A bake of the day, for one order or several (``orders``) in one go; ``bake`` is its id at the bench once it was
    begun. It is ready between ``ready_low_at`` and ``ready_high_at``, by how sure the steps are that it waits for.
    ``part`` is the component that it makes for others (empty: it is a whole), ``parts`` are its own."""

    id: str
    bake: str
    order: str
    orders: tuple[str, ...]
    formula_id: str
    title: str
    batch: str
    due_at: datetime
    sure: Sure
    goes_to: str
    start_at: datetime
    ready_at: datetime
    ready_low_at: datetime
    ready_high_at: datetime
    late_by_s: float
    because: str
    part: str
    parts: tuple[PartOfBake, ...]
    steps: tuple[DayStep, ...]
    braid: Braid


class Shared(Value):
    """Something that is shared, with when it is not there, in seconds from the plan's start."""

    id: str
    name: str
    away: tuple[Span, ...] = ()


class DayPlanView(Value):
    """A plan. ``cost`` is what it is judged by (weighted minutes of lateness and waiting), ``bound`` below what no plan
    can come, ``gap`` the share of it that may still be saved. ``broken`` is what in it can't be done."""

    start_at: datetime
    end_at: datetime
    now_s: float
    bakes: tuple[PlannedBake, ...]
    late: tuple[str, ...]
    because: str
    waits_s: float
    walks: int
    cost: float
    bound: float | None
    gap: float | None
    broken: tuple[str, ...]
    people: tuple[Shared, ...]
    mixers: tuple[Shared, ...]
    ovens: tuple[Shared, ...]


def view(day: Day, plan: DayPlan) -> DayPlanView:
    """A plan of a day as it is told."""
    spare = slack(plan.placed, day.bakes)
    titles = {i.id: i.bake.title for i in day.items}
    late = {one.bake: one.by_s for one in plan.late}
    why = {
        i.id: why_late(chain(plan.placed, day.bakes, i.id), i.bake, titles, late[i.id])
        for i in day.items
        if i.id in late
    }
    bakes = tuple(_bake(day, item, plan, spare, why.get(item.id, "")) for item in day.items if plan.of(item.id))
    ends = [b.ready_at for b in bakes] + [b.due_at for b in bakes]
    return DayPlanView(
        start_at=day.start,
        end_at=max(ends, default=day.start),
        now_s=day.now_s,
        bakes=tuple(sorted(bakes, key=lambda b: (b.due_at, b.start_at))),
        late=tuple(late),
        because=" ".join(why.values()) or _in_time(bakes, plan),
        waits_s=plan.waits_s,
        walks=walks(plan.placed),
        cost=plan.cost,
        bound=plan.bound,
        gap=plan.gap,
        broken=tuple(b.says for b in breaches(plan.placed, day.bakes, day.here, day.now_s)),
        people=tuple(Shared(id=h.id, name=h.name, away=h.away) for h in day.here.people),
        mixers=tuple(Shared(id=m.id, name=m.name) for m in day.here.mixers),
        ovens=tuple(Shared(id=o.id, name=o.name, away=o.shut) for o in day.here.ovens),
    )


def _in_time(bakes: Sequence[PlannedBake], plan: DayPlan) -> str:
    if not bakes:
        return "Nothing is due."
    first = min(bakes, key=lambda b: b.start_at)
    taken = duration_in_words(plan.waits_s)
    begins = f"It begins with {first.title} at {first.start_at:%H:%M}"
    return f"{begins}; from first hand to due they take {taken} together."


def _bake(day: Day, item: DayItem, plan: DayPlan, spare: Mapping[tuple[str, str], float], why: str) -> PlannedBake:
    places = plan.of(item.id)
    end = max(p.end_s for p in places.values())
    steps = tuple(
        _step(day, item, p, spare.get(p.key, 0.0)) for p in sorted(places.values(), key=lambda p: (p.start_s, p.end_s))
    )
    order = item.due.order if item.due else None
    by_id = {i.id: i.bake for i in day.items}
    ahead = [
        by_id[b.bake].by_id[b.step]
        for b in chain(plan.placed, day.bakes, item.id)
        if not (b.step in by_id[b.bake].known and by_id[b.bake].known[b.step].over)
    ]
    return PlannedBake(
        id=item.id,
        bake=item.id if item.running else "",
        order=order.id if order else "",
        orders=tuple(item.due.id.split(MARK)) if item.due else (),
        formula_id=item.formula.id,
        title=item.bake.title,
        batch=item.batch,
        due_at=item.due_at,
        sure=item.sure,
        goes_to=order.goes_to if order else "",
        start_at=day.moment(min(p.start_s for p in places.values())),
        ready_at=day.moment(end),
        ready_low_at=day.moment(end - _doubt(ahead, "sooner_s")),
        ready_high_at=day.moment(end + _doubt(ahead, "later_s")),
        late_by_s=max(0.0, end - item.bake.due_s),
        because=why,
        part=item.part,
        parts=_parts(day, item),
        steps=steps,
        braid=braid(item.forecast, {i: (p.start_s, p.end_s) for i, p in places.items()}),
    )


def _parts(day: Day, item: DayItem) -> tuple[PartOfBake, ...]:
    chosen = {b.component: b for b in item.due.order.beforehand} if item.due else {}
    others = [i for i in day.items if i is not item]
    return tuple(
        PartOfBake(
            id=offer.id,
            name=offer.name,
            keeps_s=offer.keeps_s,
            frozen_s=offer.frozen_s,
            beforehand=offer.id in chosen,
            frozen=offer.id in chosen and chosen[offer.id].frozen,
            also_for=tuple(
                dict.fromkeys(
                    o.bake.title for o in others if offer.making and offer.making in {f.making for f in o.offers}
                )
            ),
        )
        for offer in item.offers
    )


def _step(day: Day, item: DayItem, placed: Placed, spare: float) -> DayStep:
    task = item.bake.by_id[placed.step]
    known = item.bake.known.get(placed.step)
    return DayStep(
        step=task.id,
        title=task.title,
        kind=task.kind,
        start_at=day.moment(placed.start_s),
        end_at=day.moment(placed.end_s),
        hands=task.hands,
        person=placed.person,
        mixer=placed.mixer,
        oven=placed.oven,
        oven_c=task.heat.celsius if task.heat else None,
        begun=known is not None,
        over=known is not None and known.over,
        pinned=placed.step in item.bake.pinned,
        slack_s=spare,
        critical=known is None and spare < CRITICAL_S,
    )


def _doubt(tasks: Sequence[DayTask], which: str) -> float:
    """How much sooner or later the last of these may be over, where each goes its own way."""
    return math.sqrt(sum(getattr(t, which) ** 2 for t in tasks))


class Move(Value):
    """A step that lies elsewhere than it was counted on: when it was to begin, when it begins now, with whom, and in
    which other oven (empty: in the same)."""

    bake: str
    title: str
    step: str
    step_title: str
    was_at: datetime
    now_at: datetime
    was_person: str
    now_person: str
    oven: str
    says: str


def moves(day: Day, plan: DayPlan) -> tuple[Move, ...]:
    """What changes against the plan in force, the soonest first; steps that were begun move nowhere."""
    found = []
    names = {h.id: h.name for h in day.here.people}
    ovens = {o.id: o.name for o in day.here.ovens}
    for item in day.items:
        for step, placed in plan.of(item.id).items():
            was = day.planned.get((item.id, step))
            if was is None or step in item.bake.known:
                continue
            later = placed.start_s - was.start_s
            other = bool(was.person) and was.person != placed.person and item.bake.by_id[step].hands
            oven = placed.oven if was.oven and was.oven != placed.oven else ""
            if abs(later) <= MOVED_S and not other and not oven:
                continue
            says = f"{day.moment(was.start_s):%H:%M} → {day.moment(placed.start_s):%H:%M}"
            if other:
                says += f", {names.get(placed.person) or placed.person}"
            if oven:
                says += f", {ovens.get(oven, oven)}"
            found.append(
                Move(
                    bake=item.id,
                    title=item.bake.title,
                    step=step,
                    step_title=item.bake.by_id[step].title,
                    was_at=day.moment(was.start_s),
                    now_at=day.moment(placed.start_s),
                    was_person=was.person,
                    now_person=placed.person,
                    oven=oven,
                    says=says,
                )
            )
    return tuple(sorted(found, key=lambda m: m.now_at))
