"""Plans of days: at once, better while one looks, pushed when it slips, and taken up."""

from __future__ import annotations

from collections.abc import AsyncIterator
from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Request
from fastapi.concurrency import run_in_threadpool
from fastapi.sse import EventSourceResponse, ServerSentEvent
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api import sums
from kindwhisk.api.beside import beside
from kindwhisk.api.dependencies import BenchHere, PreparingHere
from kindwhisk.api.preparing import Preparing, Refused, chosen_ovens
from kindwhisk.api.problems import ProblemError, refusals
from kindwhisk.api.routers.plans import When
from kindwhisk.bench.bench import Bench
from kindwhisk.bench.days.desk import PlannedWork, Taking
from kindwhisk.bench.days.gathered import Day
from kindwhisk.bench.days.view import DayPlanView, Move, moves, view
from kindwhisk.bench.days.wanted import Knows
from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.first import starting_plan
from kindwhisk.core.day.joined import MARK
from kindwhisk.core.day.model import Asked
from kindwhisk.core.day.order import Order
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.day.ways import Way

router = APIRouter(prefix="/api/days", tags=["days"], responses=refusals(400, 404, 409, 422, 503))
ROUNDS_S = (1.0, 3.0, 6.0, 10.0, 20.0)
"""A better plan is looked for in rounds, each from where the last one came to."""
DONE_GAP = 0.001


class Pin(BaseModel):
    """A step that is to begin at a moment."""

    model_config = ConfigDict(extra="forbid", strict=True)

    bake: str = Field(max_length=120)
    step: str = Field(max_length=80)
    at: When


class DayRequest(BaseModel):
    """A stretch of time to be planned: what is due in it and not begun, and all that is under way.

    ``orders`` are planned instead of those that are kept, ``base`` is the plan that one begins from instead of the one
    in force; ``seconds`` is how long a better plan is looked for.
    """

    model_config = ConfigDict(extra="forbid", strict=True, populate_by_name=True)

    from_: When | None = Field(default=None, alias="from")
    until: When | None = None
    orders: list[Order] | None = Field(default=None, max_length=100)
    base: list[PlannedWork] = Field(default=[], max_length=100)
    pinned: list[Pin] = Field(default=[], max_length=400)
    seconds: Annotated[float, Field(ge=0, le=20, allow_inf_nan=False)] = 1.0


class DayAnswer(DayPlanView):
    """A plan, and the orders that can't be made as they are asked for."""

    refused: tuple[Refused, ...]


class ReplanRequest(BaseModel):
    """``now`` is the moment that it is taken to be; ``seconds`` how long a better plan than the pushed one is looked
    for."""

    model_config = ConfigDict(extra="forbid", strict=True)

    now: When | None = None
    until: When | None = None
    pinned: list[Pin] = Field(default=[], max_length=400)
    seconds: Annotated[float, Field(ge=0, le=20, allow_inf_nan=False)] = 0.3


class Replanned(BaseModel):
    """The day pushed right as it comes, and a better plan with few moves (None where none was found in the time); each
    with what changes against the plan in force. ``slipped``: the pushed one is not the plan in force any more."""

    pushed: DayAnswer
    pushed_moves: tuple[Move, ...]
    better: DayAnswer | None
    better_moves: tuple[Move, ...]
    slipped: bool


class TakeRequest(BaseModel):
    """A plan to be taken up, by its bakes' ids; those named in ``begin`` begin."""

    model_config = ConfigDict(extra="forbid", strict=True, populate_by_name=True)

    from_: When | None = Field(default=None, alias="from")
    until: When | None = None
    works: list[PlannedWork] = Field(max_length=100)
    begin: list[Annotated[str, Field(max_length=120)]] = Field(default=[], max_length=100)
    client_key: Annotated[str, Field(min_length=8, max_length=80)]


class BakesBegun(BaseModel):
    """The bakes that began."""

    bakes: tuple[str, ...]


class _Made(BaseModel):
    model_config = ConfigDict(arbitrary_types_allowed=True)

    day: Day
    refused: tuple[Refused, ...]

    def answer(self, plan: DayPlan) -> DayAnswer:
        shown = view(self.day, plan)
        return DayAnswer(**{n: getattr(shown, n) for n in DayPlanView.model_fields}, refused=self.refused)

    def first(self) -> DayPlan:
        day = self.day
        return told(starting_plan(day.bakes, day.planned, day.here, day.now_s), day.bakes)


async def made(
    request: Request, bench: Bench, preparing: Preparing, known: Knows, pinned: list[Pin] | None = None
) -> _Made:
    """A day gathered, with what could not be prepared; what several orders have in common is made in one go where that
    is no later and saves hands."""
    pins: dict[str, dict[str, datetime]] = {}
    for pin in pinned or ():
        pins.setdefault(pin.bake, {})[pin.step] = pin.at
    singles = await _gathered(request, bench, preparing, known, pins)
    refused = {r.id for r in singles.refused}
    joints = [j for j in known.joints if refused.isdisjoint(j.due.id.split(MARK))]
    named = {i for i in (*known.planned, *pins) if MARK in i}
    ids = {w.due.id for w in known.wanted}
    if not joints or pins.keys() & ids:
        return singles
    if named:
        return await _gathered(request, bench, preparing, known.with_joints(named), pins)
    if ids <= known.planned.keys():
        # The plan in force has decided it.
        return singles
    apart = await run_in_threadpool(_judged, singles)
    ways = (joints, [j for j in joints if j.part], [j for j in joints if not j.part])
    for joined in dict.fromkeys(frozenset(j.due.id for j in way) for way in ways if way):
        one_go = await _gathered(request, bench, preparing, known.with_joints(joined), pins)
        if not one_go.refused and await run_in_threadpool(_judged, one_go) <= apart:
            return one_go
    return singles


def _judged(made: _Made) -> tuple[int, float]:
    """How many rules a first plan breaks, and how late it is in all."""
    plan, day = made.first(), made.day
    return len(breaches(plan.placed, day.bakes, day.here, day.now_s)), sum(p.by_s for p in plan.late)


async def _gathered(
    request: Request, bench: Bench, preparing: Preparing, known: Knows, pins: dict[str, dict[str, datetime]]
) -> _Made:
    ready = await preparing.ready(request, known)
    day = await run_in_threadpool(bench.gather, known, ready.prepared, pins)
    return _Made(day=day, refused=ready.refused)


async def _better(request: Request, day: Day, plan: DayPlan, seconds: float, *, keeps: bool = False) -> DayPlan | None:
    asked = Asked(now_s=day.now_s, hint=plan.placed, keeps=keeps, seconds=seconds)
    return await beside(request, sums.day_solved, day.bakes, day.here, asked)


async def _asked(request: Request, bench: Bench, preparing: Preparing, body: DayRequest) -> _Made:
    known = await run_in_threadpool(bench.knows, body.from_, body.until, body.orders)
    if body.base:
        known = known._replace(planned={w.id: w.steps for w in body.base})
    return await made(request, bench, preparing, known, body.pinned)


@router.post("/plan")
async def plan(request: Request, bench: BenchHere, preparing: PreparingHere, body: DayRequest) -> DayAnswer:
    """A plan: the first at once where ``seconds`` is 0, else the best that was found in the time."""
    here = await _asked(request, bench, preparing, body)
    found = await run_in_threadpool(here.first)
    if body.seconds > 0:
        found = await _better(request, here.day, found, body.seconds) or found
    return await run_in_threadpool(here.answer, found)


@router.post("/plan/stream", response_class=EventSourceResponse)
async def improving(
    request: Request, bench: BenchHere, preparing: PreparingHere, body: DayRequest
) -> AsyncIterator[ServerSentEvent]:
    """The first plan at once, and better ones as they are found; it ends when none can be better by a thousandth, when
    nobody looks any more, or after its rounds."""
    here = await _asked(request, bench, preparing, body)
    best = await run_in_threadpool(here.first)
    yield ServerSentEvent(event="plan", data=await run_in_threadpool(here.answer, best))
    for seconds in ROUNDS_S:
        try:
            found = await _better(request, here.day, best, seconds)
        except ProblemError:
            # Nobody looks any more, or it can't be sought: what was found so far stands.
            return
        if found is not None and (best.bound is None or found.cost < best.cost or found.bound != best.bound):
            best = found
            yield ServerSentEvent(event="plan", data=await run_in_threadpool(here.answer, best))
        if best.gap is not None and best.gap <= DONE_GAP:
            break
    yield ServerSentEvent(event="done", data={"gap": best.gap})


@router.post("/ways")
async def tried(request: Request, bench: BenchHere, preparing: PreparingHere, body: DayRequest) -> tuple[Way, ...]:
    """Where not all can be in time: the smallest changes that would help, each tried by a plan of its own."""
    here = await _asked(request, bench, preparing, body)
    first = await run_in_threadpool(here.first)
    best = await _better(request, here.day, first, max(1.0, body.seconds)) or first
    return await beside(request, sums.day_ways, best, here.day.bakes, here.day.here, here.day.now_s)


@router.post("/replan")
async def replan(request: Request, bench: BenchHere, preparing: PreparingHere, body: ReplanRequest) -> Replanned:
    """The day as it stands: everything that slipped pushed right, and a better plan with few moves."""
    known = await run_in_threadpool(bench.knows, None, body.until, None, body.now)
    here = await made(request, bench, preparing, known, body.pinned)
    pushed = await run_in_threadpool(here.first)
    better = await _better(request, here.day, pushed, body.seconds, keeps=True) if body.seconds > 0 else None
    if better is not None and better.cost >= pushed.cost:
        better = None
    changed = moves(here.day, pushed)
    return Replanned(
        pushed=await run_in_threadpool(here.answer, pushed),
        pushed_moves=changed,
        better=None if better is None else await run_in_threadpool(here.answer, better),
        better_moves=() if better is None else moves(here.day, better),
        slipped=bool(changed),
    )


@router.post("/take")
async def take(request: Request, bench: BenchHere, preparing: PreparingHere, body: TakeRequest) -> BakesBegun:
    """Take a plan up: what is under way moves with it, what is named begins. Acknowledged once it is on the disk."""
    known = await run_in_threadpool(bench.knows, body.from_, body.until, None)
    known = known.with_joints([w.id for w in body.works])
    ovens = chosen_ovens([(w.id, [s.oven for s in w.steps]) for w in body.works])
    ready = await preparing.ready(request, known, ovens)
    taking = Taking(tuple(body.works), tuple(body.begin), body.client_key)
    return BakesBegun(bakes=await run_in_threadpool(bench.take, known, ready.prepared, taking))
