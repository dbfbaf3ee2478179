"""What a day is made of at a moment: what is ordered and not begun, and the bakes that are under way."""

from __future__ import annotations

import math
from collections.abc import Mapping, Sequence
from datetime import datetime, timedelta
from typing import NamedTuple

from kindwhisk.bench.days.item import DayItem, Seconds
from kindwhisk.bench.days.under_way import under_way
from kindwhisk.bench.log.planned import PlannedStep
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.day.alone import alone
from kindwhisk.core.day.joined import PART
from kindwhisk.core.day.order import WEIGHTS, Due
from kindwhisk.core.day.prepared import Prepared
from kindwhisk.core.day.resources import GRID_S, DayResources, resources_of
from kindwhisk.core.day.slack import chain
from kindwhisk.core.day.work import DayBake, Placed, on_grid
from kindwhisk.core.kitchen import Kitchen

PAST_LAST_S = 30 * 3600.0
"""So far past the last that is due a plan may reach: what can't be in time still finds its place."""


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
    items += [under_way(i, at, due, kitchen, seconds, pinned.get(i, {})) for i, (at, due) in running.items()]
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
