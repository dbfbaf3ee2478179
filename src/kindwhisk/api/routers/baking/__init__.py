"""Baking as calculations without a state: when a bake is done, what would change it, and its forecast."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Request
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.beside import beside
from kindwhisk.api.dependencies import BenchHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.baking.views import AnswerView, Asks, Baked, BakeForecast, CarryView
from kindwhisk.api.sums import crumb_told, what_ifs
from kindwhisk.bench.learned.carried import carry_effects
from kindwhisk.bench.ovens.baking import reckon
from kindwhisk.core.baking.asked import Asked
from kindwhisk.core.baking.reference import family
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.process.bake_asked import asked_of
from kindwhisk.core.values.errors import CraftError

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 404, 422, 503))

MOST_READINGS = 5000
STRICT = ConfigDict(frozen=True, extra="forbid", strict=True)


class BakeBody(Asked):
    """A bake that is asked about. ``batter_g`` goes into one tin, or onto one tray as pieces.

    With ``oven`` (an id of this kitchen's) and ``formula``, what was learned of them is in the minutes. ``trays`` are
    how many there are in all, ``racks`` how many are in use at once.
    """

    model_config = STRICT


class CoreReading(BaseModel):
    """A reading of the middle."""

    model_config = STRICT

    t_s: float = Field(ge=0, le=172_800, allow_inf_nan=False)
    core_c: float = Field(ge=-30, le=320, allow_inf_nan=False)


class ForecastBody(BakeBody):
    """A bake that runs: readings of its middle, in seconds since it went in; ``now_s`` is the last one's moment."""

    readings: Annotated[list[CoreReading], Field(min_length=1, max_length=MOST_READINGS)]
    now_s: float | None = Field(default=None, ge=0, le=172_800, allow_inf_nan=False)


@router.post("/bake")
def bake(bench: BenchHere, body: BakeBody) -> Baked:
    """When this batter in this tin in this oven is done, with its curves, looks and risks."""
    reckoned = reckon(bench, body)
    return Baked.of(body, reckoned.content, reckoned.made, bench.kitchen.air_c)


@router.post("/bake/what-if")
async def what_if(bench: BenchHere, body: BakeBody, asked: Request) -> Asks:
    """The same batter in other tins, hotter, with a fan, on two racks, from a cold oven; and on the rack after."""
    kitchen = await run_in_threadpool(lambda: bench.kitchen)
    reckoned = await run_in_threadpool(reckon, bench, body)
    shelf = tuple((t.name, t.tin) for t in kitchen.tins)
    effects = carry_effects(family(reckoned.content))
    own = await run_in_threadpool(lambda: bench.record().factor(Figure.CARRY, effects))
    found, carried = await beside(asked, what_ifs, reckoned, shelf, body.trays, kitchen.air_c)
    return Asks(
        answers=tuple(AnswerView.of(a) for a in found),
        carry_over=tuple(CarryView.of(e, c, own) for e, c in carried),
    )


@router.post("/bake/forecast")
async def forecast(bench: BenchHere, body: ForecastBody, asked: Request) -> BakeForecast:
    """Seconds to done by readings of the middle, with their range; null with ``why`` where they can't tell."""
    times = [r.t_s for r in body.readings]
    if times != sorted(times):
        raise CraftError("The readings are not in order.", field="readings", remedy="Send them by their 't_s'.")
    reckoned = await run_in_threadpool(reckon, bench, body)
    follower = await beside(asked, crumb_told, reckoned, [(r.t_s, r.core_c) for r in body.readings])
    return BakeForecast.of(follower, times[-1] if body.now_s is None else body.now_s)


@router.get("/bake/of/{formula_id}")
def of_formula(bench: BenchHere, formula_id: str) -> Asked:
    """The bake of a formula in its own tin, to be asked about."""
    return asked_of(bench.store.formulas.get(formula_id)[1], bench.kitchen)
