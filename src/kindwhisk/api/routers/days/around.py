"""Around a day's plan: one weighing, what to buy, what it costs, the sheet on paper, the calendar."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import date, datetime, timedelta, timezone
from typing import Annotated, NamedTuple

from fastapi import APIRouter, Query, Request
from fastapi.concurrency import run_in_threadpool
from fastapi.responses import Response
from pydantic import BaseModel

from kindwhisk.api.dependencies import BenchHere, PreparingHere
from kindwhisk.api.preparing import Preparing
from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.days.planning import made
from kindwhisk.bench.bench import Bench
from kindwhisk.bench.days.gathered import Day
from kindwhisk.bench.days.item import DayItem
from kindwhisk.bench.days.view import DayPlanView, view
from kindwhisk.core.day.cost import OrderCost, order_cost
from kindwhisk.core.day.first import starting_plan
from kindwhisk.core.day.joined import PART
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.day.shopping import ToBuy, shopping
from kindwhisk.core.day.supply import THAW_S
from kindwhisk.core.day.weigh_up import Batch, OutOfTheCold, WeighUp, weigh_up
from kindwhisk.formats import day_ics, day_sheet_pdf
from kindwhisk.formats.paper import Paper

router = APIRouter(prefix="/api/days", tags=["days"], responses=refusals(400, 404, 422, 503))
Offset = Annotated[int | None, Query(ge=-900, le=900)]
"""How many minutes the clock on the wall is before UTC; the server's own where it is not told."""


class Shopping(BaseModel):
    """What to buy; ``amount`` is what it costs as far as prices are known, ``unpriced`` what has none."""

    rows: tuple[ToBuy, ...]
    amount: float
    unpriced: tuple[str, ...]


class DayCost(BaseModel):
    """What the day's bakes cost, one by one and together."""

    orders: tuple[OrderCost, ...]
    goods: float
    hands: float | None
    total: float


class _Planned(NamedTuple):
    day: Day
    plan: DayPlan

    def hands_s(self, item: DayItem) -> float:
        """How long somebody is busy with it, and its share of the parts that are made for it."""
        found = sum(p.end_s - p.start_s for i, p in self.plan.of(item.id).items() if item.bake.by_id[i].hands)
        for part in (i for i in self.day.items if i.part):
            mine = [i for i in part.dues if i.partition(PART)[0] in item.dues]
            share = sum(part.shares.get(i, 1 / len(part.dues)) for i in mine)
            found += share * self.hands_s(part) if share else 0.0
        return found

    @property
    def shown(self) -> DayPlanView:
        return view(self.day, self.plan)

    @property
    def batches(self) -> list[Batch]:
        found = []
        for item in self.day.items:
            starts = {i: self.day.moment(p.start_s) for i, p in self.plan.of(item.id).items()}
            begun = frozenset(item.bake.known) | item.given
            found.append(Batch(item.id, item.bake.title, item.formula, starts, begun, self._frozen(item)))
        return found

    def _frozen(self, item: DayItem) -> tuple[OutOfTheCold, ...]:
        """Its parts that come out of the freezer, to thaw in time for the first step that takes them."""
        places, names = self.plan.of(item.id), {o.id: o.name for o in item.offers}
        found: dict[str, OutOfTheCold] = {}
        for supply in item.bake.supplies:
            place = places.get(supply.later)
            if supply.at_least_s < THAW_S or place is None or supply.later in item.bake.known:
                continue
            steps = (s for s in item.formula.steps if s.component == supply.component)
            out = OutOfTheCold(
                name=f"{names.get(supply.component, supply.component)}, frozen",
                grams=sum(p.grams for s in steps for p in s.weighed),
                at=self.day.moment(place.start_s - THAW_S),
                for_titles=(item.bake.title,),
            )
            found[supply.component] = min(out, found.get(supply.component, out), key=lambda o: o.at)
        return tuple(found.values())


async def _planned(request: Request, bench: Bench, preparing: Preparing, on: date, offset: int | None) -> _Planned:
    """What is due on a day, or runs, where the plan in force has it; what is in none is put between."""
    zone = datetime.now().astimezone().tzinfo if offset is None else timezone(timedelta(minutes=offset))
    start = datetime(on.year, on.month, on.day, tzinfo=zone)
    now = bench.clock.now().astimezone(zone)
    known = await run_in_threadpool(bench.knows, now, max(now, start + timedelta(days=1)), None)
    here = await made(request, bench, preparing, known.on(on))
    day = here.day
    placed = await run_in_threadpool(starting_plan, day.bakes, day.planned, day.here, day.now_s)
    return _Planned(day, told(placed, day.bakes))


def _weighed(bench: Bench, batches: Sequence[Batch]) -> WeighUp:
    """What the day's batches take, in eggs as this kitchen's own have weighed."""
    size = bench.kitchen.eggs
    return weigh_up(batches, size, bench.record().one_egg(size))


@router.get("/{on}/weigh")
async def weigh(
    request: Request, bench: BenchHere, preparing: PreparingHere, on: date, offset: Offset = None
) -> WeighUp:
    """One weighing for the day: every ingredient once, eggs to crack, what comes out of the cold and when."""
    found = await _planned(request, bench, preparing, on, offset)
    return await run_in_threadpool(_weighed, bench, found.batches)


@router.get("/{on}/shopping")
async def to_buy(
    request: Request, bench: BenchHere, preparing: PreparingHere, on: date, offset: Offset = None
) -> Shopping:
    """What the day needs against what there is."""
    found = await _planned(request, bench, preparing, on, offset)
    needed: dict[str, float] = {}
    for batch in found.batches:
        for step in batch.formula.steps:
            if step.id not in batch.begun:
                for portion in step.weighed:
                    needed[portion.ingredient] = needed.get(portion.ingredient, 0.0) + portion.grams
    rows = shopping(needed, bench.store.stocks.all())
    return Shopping(
        rows=rows,
        amount=sum(r.amount or 0.0 for r in rows),
        unpriced=tuple(r.name for r in rows if r.buy_g > 0 and r.amount is None),
    )


@router.get("/{on}/cost")
async def costs(
    request: Request, bench: BenchHere, preparing: PreparingHere, on: date, offset: Offset = None
) -> DayCost:
    """What each bake of the day costs: its goods by the kitchen's prices, and its hands."""
    found = await _planned(request, bench, preparing, on, offset)
    kitchen = bench.kitchen
    orders = tuple(
        order_cost(item.id, item.formula, bench.prices, found.hands_s(item), kitchen.hand_per_h, item.pieces)
        for item in found.day.items
        if not item.part
    )
    hands = None if kitchen.hand_per_h is None else sum(o.hands or 0.0 for o in orders)
    goods = sum(o.goods for o in orders)
    return DayCost(orders=orders, goods=goods, hands=hands, total=goods + (hands or 0.0))


@router.get("/{on}/sheet.pdf", response_class=Response, responses={200: {"content": {"application/pdf": {}}}})
async def sheet(
    request: Request,
    bench: BenchHere,
    preparing: PreparingHere,
    on: date,
    paper: Paper = Paper.A4,
    offset: Offset = None,
) -> Response:
    """The day on paper."""
    found = await _planned(request, bench, preparing, on, offset)
    kitchen = bench.kitchen
    weighed = await run_in_threadpool(_weighed, bench, found.batches)
    shown = await run_in_threadpool(lambda: found.shown)
    pages = await run_in_threadpool(day_sheet_pdf.write, shown, weighed, kitchen.name, paper)
    return Response(pages, media_type="application/pdf", headers={"Content-Disposition": 'inline; filename="day.pdf"'})


@router.get("/{on}.ics", response_class=Response, responses={200: {"content": {"text/calendar": {}}}})
async def calendar(
    request: Request, bench: BenchHere, preparing: PreparingHere, on: date, offset: Offset = None
) -> Response:
    """The day as iCalendar."""
    found = await _planned(request, bench, preparing, on, offset)
    shown = await run_in_threadpool(lambda: found.shown)
    return Response(
        day_ics.write(shown, bench.clock.now()),
        media_type="text/calendar; charset=utf-8",
        headers={"Content-Disposition": f'attachment; filename="{on.isoformat()}.ics"'},
    )
