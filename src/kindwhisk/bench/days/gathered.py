"""What a day is made of at a moment: what is ordered and not begun, and the bakes that are under way."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping, Sequence
from datetime import datetime, timedelta
from typing import NamedTuple

from kindwhisk.bench.log.planned import PlannedStep
from kindwhisk.bench.log.progress import StepStatus
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.day.alone import alone
from kindwhisk.core.day.bowls import stays_of
from kindwhisk.core.day.joined import MARK, PART
from kindwhisk.core.day.order import WEIGHTS, Due, Sure
from kindwhisk.core.day.parts import PartOffer, elsewhere, offers_of
from kindwhisk.core.day.prepared import Prepared
from kindwhisk.core.day.resources import GRID_S, DayResources, resources_of
from kindwhisk.core.day.slack import chain
from kindwhisk.core.day.work import DayBake, Known, Laid, Placed, on_grid, tasks_of
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.formula import Formula

PAST_LAST_S = 30 * 3600.0
"""So far past the last that is due a plan may reach: what can't be in time still finds its place."""


Seconds = Callable[[datetime], float]


class DayItem(NamedTuple):
    """A bake of the day: what is ordered (where it was), how it is made, and the running bake that it is by now.

    ``part`` is the component that it makes for others, each with its share; ``given`` are steps done elsewhere.
    """

    id: str
    due: Due | None
    due_at: datetime
    formula: Formula
    forecast: Forecast
    bake: DayBake
    running: Moment | None = None
    batch: str = ""
    pieces: int = 1
    part: str = ""
    shares: Mapping[str, float] = {}
    offers: tuple[PartOffer, ...] = ()
    given: frozenset[str] = frozenset()

    @property
    def dues(self) -> frozenset[str]:
        """Everything that is due and made in it."""
        return frozenset(self.due.id.split(MARK)) if self.due else frozenset()

    @property
    def sure(self) -> Sure:
        """How sure it is; what was begun without an order is."""
        return self.due.order.sure if self.due else Sure.CERTAIN


class Day(NamedTuple):
    """All of it, in seconds from ``start``; ``planned`` is where the plan in force has each step."""

    start: datetime
    now_s: float
    items: tuple[DayItem, ...]
    here: DayResources
    planned: Mapping[tuple[str, str], Placed]

    @property
    def bakes(self) -> tuple[DayBake, ...]:
        """The work alone."""
        return tuple(i.bake for i in self.items)

    def moment(self, seconds: float) -> datetime:
        """A moment of the plan on the clock."""
        return self.start + timedelta(seconds=seconds)


class Ordered(NamedTuple):
    """What is due and not begun, with how it is made; ``part``: the component of it that is made beforehand."""

    due: Due
    prepared: Prepared
    part: str = ""


class When(NamedTuple):
    """What seconds are counted from, and the moment that it is: nothing that was not begun starts before it."""

    start: datetime
    now: datetime


def gathered(
    when: When,
    kitchen: Kitchen,
    ordered: Sequence[Ordered],
    running: Mapping[str, tuple[Moment, Due | None]],
    planned: Mapping[str, Sequence[PlannedStep]],
    pinned: Mapping[str, Mapping[str, datetime]],
) -> Day:
    """The day.

    Args:
        when: it begins, and it is.
        kitchen: with its people, hours and ovens.
        ordered: what is still to be begun.
        running: bakes under way by their ids, with the order that each is of.
        planned: steps of the plan in force for what is not begun, by the id of what is due.
        pinned: starts that somebody has set, by bake and step.
    """

    def seconds(moment: datetime) -> float:
        return round((moment - when.start).total_seconds(), 3)

    items = [_of_order(o, seconds, pinned.get(o.due.id, {})) for o in ordered]
    items += [_under_way(i, at, due, seconds, pinned.get(i, {})) for i, (at, due) in running.items()]
    items = [i._replace(bake=_supplied(i, items)) for i in items]
    last = max([seconds(when.now), *(i.bake.due_s for i in items)])
    places: dict[tuple[str, str], Placed] = {}
    for item in items:
        steps = item.running.document.planned if item.running else planned.get(item.id, ())
        for one in steps:
            if one.step in item.bake.by_id:
                places[item.id, one.step] = Placed(
                    bake=item.id, step=one.step, start_s=seconds(one.start), end_s=seconds(one.end),
                    person=one.person, mixer=one.mixer, oven=one.oven,
                )  # fmt: skip
    length = last + PAST_LAST_S
    here = resources_of(kitchen, when.start, length)
    aimed = [i if i.running else i._replace(bake=_aimed(i.bake, here)) for i in items]
    wholes = [i for i in aimed if i.bake.supplies]
    made = tuple(i._replace(bake=_made_for(i.bake, wholes, here)) if i.part else i for i in aimed)
    return Day(when.start, max(0.0, seconds(when.now)), made, here, places)


def _supplied(item: DayItem, items: Sequence[DayItem]) -> DayBake:
    """A bake that knows which others make its parts."""
    found = []
    for supply in item.bake.supplies:
        parts = {f"{due}{PART}{supply.component}" for due in item.dues}
        found += [supply.model_copy(update={"maker": other.id}) for other in items if parts & other.dues]
    return item.bake.model_copy(update={"supplies": tuple(found)})


def _made_for(bake: DayBake, wholes: Sequence[DayItem], here: DayResources) -> DayBake:
    """A part aims to be there when the first bake that takes it would, were it alone."""
    aims = [bake.aims_s]
    for whole in wholes:
        starts = alone(whole.bake, here, next(iter(whole.bake.ovens), "")) if not whole.running else None
        for supply in whole.bake.supplies:
            if supply.maker == bake.id and starts is not None:
                aims.append(whole.bake.aims_s + starts[supply.later] - supply.at_least_s)
    return bake.model_copy(update={"aim_s": min(aims) // GRID_S * GRID_S})


def _aimed(bake: DayBake, here: DayResources) -> DayBake:
    """A bake that aims to be over so much sooner that it is in time though what it waits for takes longer than
    likely."""
    oven = next(iter(bake.ovens), "")
    starts = alone(bake, here, oven)
    if starts is None:
        return bake
    placed = [Placed(bake=bake.id, step=i, start_s=s, end_s=s + bake.by_id[i].lasts_s(oven)) for i, s in starts.items()]
    doubt = math.sqrt(sum(bake.by_id[b.step].later_s ** 2 for b in chain(placed, (bake,), bake.id)))
    return bake.model_copy(update={"aim_s": bake.due_s - on_grid(doubt)})


def _of_order(ordered: Ordered, seconds: Seconds, pinned: Mapping[str, datetime]) -> DayItem:
    due, prepared, part = ordered
    scaled, tasks = prepared.scaled, prepared.tasks
    ids = {t.id for t in tasks}
    bake = DayBake(
        id=due.id,
        title=scaled.formula.title,
        due_s=seconds(due.due_at),
        weight=WEIGHTS[due.order.sure],
        ovens=prepared.ovens,
        tasks=tasks,
        lags=prepared.lags,
        stays=prepared.stays,
        supplies=prepared.supplies,
        pinned={i: seconds(at) for i, at in pinned.items() if i in ids},
    )
    tins = scaled.tin_name and scaled.formula.fill is not None
    batch = f"{scaled.tin_count} × {scaled.tin_name}" if tins else f"{scaled.forecast.total_g:.0f} g"
    return DayItem(
        due.id, due, due.due_at, scaled.formula, scaled.forecast, bake, batch=batch, pieces=max(1, scaled.tin_count),
        part=part, shares=prepared.shares, offers=prepared.offers, given=prepared.given,
    )  # fmt: skip


def _under_way(bake_id: str, at: Moment, due: Due | None, seconds: Seconds, pinned: Mapping[str, datetime]) -> DayItem:
    """A bake as it stands: what was begun is known, and ends when it is expected to."""
    made, document = at.walked, at.document
    tasks, lags = tasks_of({document.oven: Laid(made.formula, made.forecast, made.steps)})
    known: dict[str, Known] = {}
    by_id = {t.id: t for t in tasks}
    for step, own in at.progress.steps.items():
        if own.started_at is None or step not in at.expected:
            continue
        over = own.status is not StepStatus.RUNNING
        end = own.ended_at if over and own.ended_at else max(at.now, at.expected[step][1])
        plan, task = document.plan_of(step), by_id.get(step)
        if task is None:
            continue
        known[step] = Known(
            start_s=seconds(own.started_at),
            end_s=max(seconds(own.started_at), seconds(end)),
            person=((plan.person if plan else "") or document.hands) if task.hands else "",
            mixer=plan.mixer if plan and task.mixer else "",
            oven=document.went_into.get(step, document.oven) if task.heat else "",
            over=over,
        )
    skipped = {i for i, own in at.progress.steps.items() if own.status is StepStatus.SKIPPED}
    offers = offers_of(made.formula, made.steps, lags)
    given, supplies = elsewhere(offers, due.order.beforehand if due else (), lags)
    given &= skipped
    gone = {t.id for t in tasks if (at.progress.is_over(t.id) and t.id not in known) or t.id in given}
    known = {i: k for i, k in known.items() if i not in gone}
    tasks = tuple(t for t in tasks if t.id not in gone)
    ids = {t.id for t in tasks}
    bake = DayBake(
        id=bake_id,
        title=at.log.title,
        due_s=seconds(due.due_at if due else document.ready_at),
        weight=WEIGHTS[due.order.sure if due else Sure.CERTAIN],
        ovens=(document.oven,),
        tasks=tasks,
        lags=tuple(g for g in lags if g.earlier in ids and g.later in ids),
        stays=tuple(s for s in stays_of(made.formula) if s.first not in gone),
        supplies=tuple(s for s in supplies if s.later in ids),
        known=known,
        pinned={i: seconds(t) for i, t in pinned.items() if i in ids and i not in known},
    )
    return DayItem(
        bake_id,
        due,
        due.due_at if due else document.ready_at,
        made.formula,
        made.forecast,
        bake,
        running=at,
        batch=f"{document.tin_count} × {document.tin_name}" if document.tin_name else "",
        pieces=max(1, document.tin_count),
        part=due.id.partition(PART)[2] if due else "",
        offers=offers,
        given=given,
    )
