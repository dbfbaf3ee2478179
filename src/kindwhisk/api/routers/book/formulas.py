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
    read_tin,
    scaled,
    view,
)
from kindwhisk.core.foams.balance import Ratio
from kindwhisk.core.process.wish import Wish
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.store.formulas import FormulaEntry

router = APIRouter(prefix="/api/formulas", tags=["book"], responses=refusals(400, 404, 422))

Positive = Annotated[float | None, Query(gt=0, le=1_000_000, allow_inf_nan=False)]


class Saved(BaseModel):
    """What was kept."""

    id: str
    version: int


class WishBody(Wish):
    """What the baker knows: at most one amount, and perhaps the tins."""

    model_config = ConfigDict(frozen=True, extra="forbid", strict=True)

    def wish(self) -> Wish:
        """The wish alone."""
        return Wish.model_validate(dict(self))


@router.get("")
def listed(store: StoreHere) -> list[FormulaEntry]:
    """Every formula of the Book."""
    return store.formulas.entries()


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
