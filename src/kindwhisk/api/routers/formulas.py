"""The Book: formulas, their forecasts, in and out."""

from __future__ import annotations

import json
from typing import Annotated, Any

from fastapi import APIRouter, Query
from fastapi.responses import JSONResponse
from pydantic import BaseModel, TypeAdapter, ValidationError

from kindwhisk.api.problems import refusals
from kindwhisk.bench.record import kitchen_record
from kindwhisk.core.balance import Ratio
from kindwhisk.core.errors import CraftError
from kindwhisk.core.faults import faults
from kindwhisk.core.process.forecast import Caveat, IngredientTotal, StepForecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.scaling import EggNeed, Scaled, Wish, scale
from kindwhisk.core.schools import School
from kindwhisk.core.tins import Tin
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.formats import recipe_jsonld
from kindwhisk.store import formulas, kitchens
from kindwhisk.store.formulas import FormulaEntry

router = APIRouter(prefix="/api/formulas", tags=["book"], responses=refusals(400, 404, 422))
_tin = TypeAdapter[Tin](Tin)

Positive = Annotated[float | None, Query(gt=0, le=1_000_000, allow_inf_nan=False)]


class FormulaView(BaseModel):
    """A formula with its number and the choices it makes."""

    version: int
    formula: Formula
    schools: tuple[School, ...]


class Saved(BaseModel):
    """What was kept."""

    id: str
    version: int


class ForecastView(BaseModel):
    """The forecast of a formula in the amounts asked for."""

    formula_id: str
    version: int
    title: str
    technique: str
    factor: float
    tin_name: str
    tin: Tin | None
    tin_count: int
    oven: str
    total_g: float
    eggs: EggNeed | None
    steps: tuple[StepForecast, ...]
    ingredients: tuple[IngredientTotal, ...]
    warnings: tuple[Caveat, ...]
    balance: tuple[Ratio, ...]
    allergens: tuple[str, ...]


def read_tin(text: str | None) -> str | Tin | None:
    """A tin as a query gives it: an id of the kitchen, or the tin itself as JSON.

    Raises:
        CraftError: the JSON is no tin.
    """
    if text is None or not text.lstrip().startswith("{"):
        return text
    try:
        document = json.loads(text)
    except ValueError:
        document = None
    try:
        return _tin.validate_json(text)
    except ValidationError as error:
        first = faults(error.errors(include_url=False), document)[0]
        raise CraftError(
            f"This tin can't be: {first.sentence}",
            field=f"tin.{first.field}" if first.field else "tin",
            remedy='Give inside measures, as {"shape": "round", "dimensions": {"diameter_mm": 200, "depth_mm": 60}}, '
            "or the id of a tin of this kitchen.",
        ) from error


def scaled(formula_id: str, wish: Wish) -> tuple[int, Scaled]:
    """A formula of the Book in the amounts asked for, in this kitchen with its record."""
    version, formula = formulas.get(formula_id)
    _, kitchen = kitchens.current()
    return version, scale(formula, kitchen, wish, kitchen_record(formula_id))


@router.get("")
def listed() -> list[FormulaEntry]:
    """Every formula of the Book."""
    return formulas.entries()


@router.post("", status_code=201)
def read_in(recipe: dict[str, Any]) -> Saved:
    """Keep a formula from a schema.org Recipe that carries our process; a changed one becomes a new version."""
    formula = recipe_jsonld.read(recipe)
    return Saved(id=formula.id, version=formulas.save(formula))


@router.post("/shipped", status_code=201)
def take_shipped() -> list[Saved]:
    """Put the formulas that ship with the product into the Book; one that is there already stays as it is."""
    there = {entry.id for entry in formulas.entries()}
    return [Saved(id=f.id, version=formulas.save(f)) for f in demo_formulas() if f.id not in there]


@router.get("/{formula_id}.jsonld", response_class=JSONResponse)
def written(formula_id: str) -> JSONResponse:
    """The formula as a schema.org Recipe."""
    _, made = scaled(formula_id, Wish())
    document = recipe_jsonld.write(made.formula, made.forecast)
    return JSONResponse(
        json.loads(json.dumps(document)),
        media_type="application/ld+json",
        headers={"Content-Disposition": f'attachment; filename="{made.formula.id}.jsonld"'},
    )


@router.get("/{formula_id}")
def one(formula_id: str) -> FormulaView:
    """A formula as it stands in the Book."""
    version, formula = formulas.get(formula_id)
    return FormulaView(version=version, formula=formula, schools=formula.schools)


@router.get("/{formula_id}/forecast")
def forecast(
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
    version, made = scaled(formula_id, wish)
    return ForecastView(
        formula_id=formula_id,
        version=version,
        title=made.formula.title,
        technique=made.formula.technique.value,
        factor=made.factor,
        tin_name=made.tin_name,
        tin=made.tin,
        tin_count=made.tin_count,
        oven=made.oven,
        total_g=made.forecast.total_g,
        eggs=made.eggs,
        steps=made.forecast.steps,
        ingredients=made.forecast.ingredients,
        warnings=made.forecast.warnings,
        balance=made.forecast.balance,
        allergens=made.forecast.allergens,
    )
