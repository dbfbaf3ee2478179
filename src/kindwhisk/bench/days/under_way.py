"""A bake that is under way, as the plan of the day has to know it."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime

from kindwhisk.bench.days.item import DayItem, Seconds
from kindwhisk.bench.log.progress import StepStatus
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.day.bowls import stays_of
from kindwhisk.core.day.joined import PART
from kindwhisk.core.day.order import WEIGHTS, Due, Sure
from kindwhisk.core.day.parts import elsewhere, offers_of
from kindwhisk.core.day.prepared import MOST_OVENS
from kindwhisk.core.day.work import DayBake, Known, Laid, tasks_of
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.changes.oven import OtherOven
from kindwhisk.core.process.forecast import forecast_of, walk_prepared
from kindwhisk.core.values.errors import CraftError


def under_way(
    bake_id: str, at: Moment, due: Due | None, kitchen: Kitchen, seconds: Seconds, pinned: Mapping[str, datetime]
) -> DayItem:
    """A bake as it stands: what was begun is known, and ends when it is expected to.

    ``kitchen`` is as it is now: where the oven that it was to go into is out of use, it may go into another one.
    """
    made, document = at.walked, at.document
    others, to_redo = _other_ovens(at, kitchen)
    laid = {document.oven: Laid(made.formula, made.forecast, made.steps)}
    tasks, lags = tasks_of(others or laid)
    known: dict[str, Known] = {}
    by_id = {t.id: t for t in tasks}
    for step, own in at.progress.steps.items():
        if own.started_at is None or step not in at.expected:
            continue
        over = own.status is not StepStatus.RUNNING
        end = own.ended_at if over and own.ended_at else max(at.now, at.expected[step][1])
        plan, task = document.plan_of(step), by_id.get(step)
        if task is None or step in to_redo:
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
        ovens=tuple(others or laid),
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


def _other_ovens(at: Moment, kitchen: Kitchen) -> tuple[dict[str, Laid], frozenset[str]]:
    """How it would be in each other oven, where its own is out of use and something is still to go into it; and what
    was heated in vain."""
    document, now = at.document, at.now
    out = {o.id for o in kitchen.ovens if o.out_until is not None and o.out_until > now}
    known = {o.id for o in document.kitchen.ovens} & {o.id for o in kitchen.ovens} - out
    found: dict[str, Laid] = {}
    to_redo: frozenset[str] = frozenset()
    if document.oven not in out:
        return found, to_redo
    for oven in sorted(known)[:MOST_OVENS]:
        try:
            followed = OtherOven(oven=oven).followed(document, at.progress.standing(now))
        except CraftError:
            # Nothing is to be baked any more, or not in that one.
            continue
        walked = tuple(walk_prepared(followed.course.formula, followed.course.setting, at.walked.observed))
        steps = tuple(w.step for w in walked)
        full = followed.course.formula.model_copy(update={"steps": steps})
        found[oven] = Laid(full, forecast_of(followed.course.formula, walked), walked)
        to_redo |= followed.to_redo
    return found, to_redo
