"""Plans on the clock of the wall: of a bake to come, and of what is ahead of one under way."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from datetime import datetime, timedelta
from typing import NamedTuple

from kindwhisk.bench.log.planned import PlannedStep
from kindwhisk.core.braid import Braid, braid
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.planning.because import Driver, in_words
from kindwhisk.core.planning.push import Actual, push
from kindwhisk.core.planning.solver import plan
from kindwhisk.core.planning.tasks import job
from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

FURTHEST = timedelta(days=14)


class PlanView(Value):
    """When each step starts and ends, whether it is ready in time, and why not; ``best``: no order is any better."""

    steps: tuple[PlannedStep, ...]
    start_at: datetime
    ready_at: datetime
    ready_low_at: datetime
    ready_high_at: datetime
    wanted_at: datetime
    late_by_s: float
    best: bool
    because: str
    drivers: tuple[Driver, ...]
    braid: Braid
    braid_origin: datetime


def plan_backward(forecast: Forecast, kitchen: Kitchen, ready_at: datetime | None, not_before: datetime) -> PlanView:
    """Plan one bake backward from ``ready_at``, or to be over as soon as it can be; nothing starts before
    ``not_before``.

    Raises:
        CraftError: ``ready_at`` is not ahead, is too far ahead, or no order keeps the hold windows.
    """
    if ready_at is not None:
        check_ahead(ready_at, not_before)
    due_s = 0.0 if ready_at is None else (ready_at - not_before).total_seconds()
    made = plan(job(forecast), due_s, hob_rings=kitchen.hob_rings)
    soonest = ready_at is None

    def moment(seconds: float) -> datetime:
        return not_before + timedelta(seconds=seconds)

    times = {p.id: (p.start_s, p.end_s) for p in made.placed}
    steps = tuple(PlannedStep(step=p.id, start=moment(p.start_s), end=moment(p.end_s)) for p in made.placed)
    return PlanView(
        steps=steps,
        start_at=steps[0].start,
        ready_at=moment(made.ready_s),
        ready_low_at=moment(made.ready_low_s),
        ready_high_at=moment(made.ready_high_s),
        wanted_at=moment(made.ready_s) if ready_at is None else ready_at,
        late_by_s=0.0 if soonest else made.late_by_s,
        best=made.best,
        because=in_words(made.drivers, 0.0, best=made.best) if soonest else made.because,
        drivers=made.drivers,
        braid=braid(forecast, times),
        braid_origin=not_before,
    )


def check_ahead(ready_at: datetime, not_before: datetime) -> None:
    """Let a moment pass if it is ahead, and no more than two weeks.

    Raises:
        CraftError: it is not.
    """
    if ready_at <= not_before:
        raise CraftError("That time has passed.", field="ready_at", remedy="Choose a time in the future.")
    if ready_at > not_before + FURTHEST:
        raise CraftError(
            "That time is more than two weeks away.",
            field="ready_at",
            remedy="Choose a time within the next two weeks.",
        )


class Replan(Value):
    """The steps of a bake under way placed anew, and when it should be over, with its range.

    ``because`` says what drives that; or that no order of the steps ahead keeps every window: then they follow each
    other as they come, and no range is known.
    """

    steps: tuple[PlannedStep, ...]
    ready_at: datetime
    ready_low_at: datetime
    ready_high_at: datetime
    because: str


class Ahead(NamedTuple):
    """Where a plan of what is still ahead begins.

    ``known`` are starts and ends of the steps that were begun, ``not_before`` when the others may begin, and ``now``
    when those of ``at_once`` may all the same.
    """

    began_at: datetime
    now: datetime
    known: Mapping[str, tuple[datetime, datetime]]
    not_before: datetime
    at_once: Collection[str] = ()


def replan(forecast: Forecast, kitchen: Kitchen, ready_at: datetime | None, ahead: Ahead) -> Replan:
    """Place what is ahead, to be over at ``ready_at`` or as soon as it can be; what was begun stays as it is."""

    def seconds(moment: datetime) -> float:
        return (moment - ahead.began_at).total_seconds()

    work = job(forecast)
    known = {i: (seconds(a), seconds(b)) for i, (a, b) in ahead.known.items()}
    now, free = seconds(ahead.now), seconds(max(ahead.now, ahead.not_before))
    due = free if ready_at is None else seconds(ready_at)
    rings = kitchen.hob_rings
    try:
        at_once = dict.fromkeys(ahead.at_once, now)
        made = plan(work, due, hob_rings=rings, known=known, from_s=free, at_once=at_once)
        times, because = {p.id: (p.start_s, p.end_s) for p in made.placed}, made.because
        if ready_at is None:
            because = in_words(made.drivers, 0.0, best=made.best)
    except CraftError as none:
        begun = {i: Actual(start_s=a, end_s=b) for i, (a, b) in known.items()}
        as_it_comes = {t.id: (free + n, free + n) for n, t in enumerate(work.tasks)} | known
        times, made, because = push(work, as_it_comes, begun, now), None, f"{none.message} {none.remedy}"
    steps = tuple(
        PlannedStep(step=i, start=ahead.began_at + timedelta(seconds=a), end=ahead.began_at + timedelta(seconds=b))
        for i, (a, b) in sorted(times.items(), key=lambda item: item[1])
    )
    ready = max(s.end for s in steps)
    below, above = (0.0, 0.0) if made is None else (made.ready_s - made.ready_low_s, made.ready_high_s - made.ready_s)
    return Replan(
        steps=steps,
        ready_at=ready,
        ready_low_at=ready - timedelta(seconds=below),
        ready_high_at=ready + timedelta(seconds=above),
        because=because,
    )
