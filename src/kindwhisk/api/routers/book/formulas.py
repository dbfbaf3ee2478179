"""Formulas: the list, one of them, its forecast, scaled, and its balance."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, ConfigDict

from kindwhisk.api.dependencies import BenchHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.book.views import (
    ForecastView,
    FormulaView,
    forecast_view,
    made,
    read_tin,
    scaled,
    view,
)
from kindwhisk.core.foams.balance import Ratio
from kindwhisk.core.ingredients.allergens import LISTS, NAMES, may_hold
from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.held import Held
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.vessels.section import Section
from kindwhisk.core.vessels.vessel import VesselForm
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.store.formulas import FormulaEntry

router = APIRouter(prefix="/api/formulas", tags=["book"], responses=refusals(400, 404, 422))

Positive = Annotated[float | None, Query(gt=0, le=1_000_000, allow_inf_nan=False)]


class Saved(BaseModel):
    """What was kept."""

    id: str
    version: int


class Glance(FormulaEntry, Held):
    """A formula at a glance: its vessels at their fullest, and what it asks of a day.

    ``not_without`` are allergens, and groups of the list, that can't be ruled out in it.
    """

    tin_name: str
    tin_count: int
    total_g: float
    servings: int
    components: tuple[str, ...]
    not_without: tuple[str, ...]
    hands_s: float
    waiting_s: float
    sections: tuple[Section, ...]


class WishBody(Wish):
    """What the baker knows: at most one amount, and perhaps the tins."""

    model_config = ConfigDict(frozen=True, extra="forbid", strict=True)

    def wish(self) -> Wish:
        """The wish alone."""
        return Wish.model_validate(dict(self))


def _spent(forecast: Forecast, attention: Attention) -> float:
    return sum(s.duration_s.likely for s in forecast.steps if s.attention is attention)


@router.get("")
def listed(store: StoreHere) -> list[FormulaEntry]:
    """Every formula of the Book."""
    return store.formulas.entries()


@router.get("/glances")
def glances(bench: BenchHere) -> list[Glance]:
    """Every formula of the Book as a page of it shows them."""
    found = []
    law = bench.kitchen.allergen_law
    choices = (*LISTS[law], *NAMES)
    for entry in bench.store.formulas.entries():
        _, formula = bench.store.formulas.get(entry.id)
        one = made(bench, formula, Wish())
        fullest: dict[str, Section] = {}
        for step in one.forecast.steps:
            if step.section is None or step.section.form in {VesselForm.RACK} or step.vessel in {"rack", "paper"}:
                continue
            known = fullest.get(step.vessel)
            if known is None or step.section.volume_ml.likely > known.volume_ml.likely:
                fullest[step.vessel] = step.section

        found.append(
            Glance(
                **entry.model_dump(),
                tin_name=one.fills[0].name if one.fills else "",
                tin_count=one.fills[0].count if one.fills else 0,
                total_g=one.forecast.total_g,
                servings=formula.servings,
                components=tuple(c.name for c in formula.components),
                **one.forecast.held,
                not_without=tuple(a for a in choices if may_hold(one.forecast.holds, a, law)),
                hands_s=_spent(one.forecast, Attention.THROUGHOUT),
                waiting_s=_spent(one.forecast, Attention.NONE),
                sections=tuple(fullest.values()),
            )
        )
    return found


@router.post("/shipped", status_code=201)
def take_shipped(store: StoreHere) -> list[Saved]:
    """Put the formulas that ship with the product into the Book; one that is there already stays as it is."""
    there = {entry.id for entry in store.formulas.entries()}
    return [Saved(id=f.id, version=store.formulas.save(f)) for f in demo_formulas() if f.id not in there]


@router.get("/{formula_id}")
def one(store: StoreHere, formula_id: str) -> FormulaView:
    """A formula as it stands in the Book."""
    return view(*store.formulas.get(formula_id))


@router.get("/{formula_id}/forecast")
def forecast(
    bench: BenchHere,
    formula_id: str,
    tin: Annotated[str | None, Query(max_length=500)] = None,
    tin_count: Annotated[int | None, Query(ge=1, le=99)] = None,
    eggs: Annotated[float | None, Query(gt=0, le=10_000, allow_inf_nan=False)] = None,
    whites_g: Positive = None,
    total_g: Positive = None,
    oven: Annotated[str | None, Query(max_length=40)] = None,
) -> ForecastView:
    """The forecast for a tin, a number of eggs, the whites in the bowl, or a total."""
    wish = Wish(tin=read_tin(tin), tin_count=tin_count, eggs=eggs, whites_g=whites_g, total_g=total_g, oven=oven)
    return forecast_view(bench, *scaled(bench, formula_id, wish))


@router.post("/{formula_id}/scale")
def scale_to(bench: BenchHere, formula_id: str, body: WishBody) -> ForecastView:
    """The formula from whatever the baker knows: grams by component, leftovers, and how each tin is filled."""
    return forecast_view(bench, *scaled(bench, formula_id, body.wish()))


@router.get("/{formula_id}/balance")
def balance(bench: BenchHere, formula_id: str) -> tuple[Ratio, ...]:
    """Every ratio that decides, on its band for the class and the method, with what each side does."""
    _, found = scaled(bench, formula_id, Wish())
    return found.forecast.balance
