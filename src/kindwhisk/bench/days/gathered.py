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
from kindwhisk.core.day.order import WEIGHTS, Due, Sure
from kindwhisk.core.day.prepared import Prepared
from kindwhisk.core.day.resources import DayResources, resources_of
from kindwhisk.core.day.slack import chain
from kindwhisk.core.day.work import DayBake, Known, Laid, Placed, on_grid, tasks_of
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.formula import Formula

PAST_LAST_S = 30 * 3600.0
"""So far past the last that is due a plan may reach: what can't be in time still finds its place."""


Seconds = Callable[[datetime], float]


class DayItem(NamedTuple):
    """A bake of the day: what is ordered (where it was), how it is made, and the running bake that it is by now."""

    id: str
    due: Due | None
    due_at: datetime
    formula: Formula
    forecast: Forecast
    bake: DayBake
    running: Moment | None = None
    batch: str = ""
    pieces: int = 1

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
    """What is due and not begun, with how it is made."""

    due: Due
    prepared: Prepared


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
    aimed = tuple(i if i.running else i._replace(bake=_aimed(i.bake, here)) for i in items)
    return Day(when.start, max(0.0, seconds(when.now)), aimed, here, places)


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
    due, (scaled, ovens, tasks, lags, stays) = ordered
    ids = {t.id for t in tasks}
    bake = DayBake(
        id=due.id,
        title=scaled.formula.title,
        due_s=seconds(due.due_at),
        weight=WEIGHTS[due.order.sure],
        ovens=ovens,
        tasks=tasks,
        lags=lags,
        stays=stays,
        pinned={i: seconds(at) for i, at in pinned.items() if i in ids},
    )
    batch = f"{scaled.tin_count} × {scaled.tin_name}" if scaled.tin_name else f"{scaled.forecast.total_g:.0f} g"
    return DayItem(
        due.id, due, due.due_at, scaled.formula, scaled.forecast, bake, batch=batch, pieces=max(1, scaled.tin_count)
    )


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
    gone = {i for i in (t.id for t in tasks) if at.progress.is_over(i) and i not in known}
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
        stays=stays_of(made.formula),
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
    )
