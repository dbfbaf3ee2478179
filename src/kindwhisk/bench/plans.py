"""A plan on the clock of the wall: the solver's seconds as moments."""

from __future__ import annotations

from datetime import datetime, timedelta

from kindwhisk.bench.log.document import PlannedStep
from kindwhisk.core.braid import Braid, braid
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.planning.because import Driver
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


def plan_backward(forecast: Forecast, kitchen: Kitchen, ready_at: datetime, not_before: datetime) -> PlanView:
    """Plan one bake backward from ``ready_at``; nothing starts before ``not_before``.

    Raises:
        CraftError: ``ready_at`` is not ahead, is too far ahead, or no order keeps the hold windows.
    """
    if ready_at <= not_before:
        raise CraftError("That time has passed.", field="ready_at", remedy="Choose a time in the future.")
    if ready_at > not_before + FURTHEST:
        raise CraftError(
            "That time is more than two weeks away.",
            field="ready_at",
            remedy="Choose a time within the next two weeks.",
        )
    made = plan(job(forecast), (ready_at - not_before).total_seconds(), hob_rings=kitchen.hob_rings)

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
        wanted_at=ready_at,
        late_by_s=made.late_by_s,
        best=made.best,
        because=made.because,
        drivers=made.drivers,
        braid=braid(forecast, times),
        braid_origin=not_before,
    )
