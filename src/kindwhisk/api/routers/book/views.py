"""What a page is told of a formula in the amounts asked for."""

from __future__ import annotations

import json
from functools import lru_cache

from pydantic import BaseModel, TypeAdapter, ValidationError

from kindwhisk.bench.bench import Bench
from kindwhisk.core.foams.balance import Method, Ratio
from kindwhisk.core.folding.plan import FoldSchool
from kindwhisk.core.ingredients.allergens import holds
from kindwhisk.core.ingredients.eggs import EggNeed
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.cost import Cost, cost
from kindwhisk.core.process.finished import Offcut
from kindwhisk.core.process.fold_schools import folds
from kindwhisk.core.process.folds import FoldCourse
from kindwhisk.core.process.forecast import Caveat, StepForecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.held import Held
from kindwhisk.core.process.meringue import meringues
from kindwhisk.core.process.parts import ComponentView, IngredientTotal
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.process.scaling import Depth, Scaled, TinFill, scale
from kindwhisk.core.process.schools import School
from kindwhisk.core.process.washing import WashPlan
from kindwhisk.core.process.weigh_list import ComponentList, weigh_list
from kindwhisk.core.process.wish import LONGEST_TIN_ID, Wish
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.faults import faults

_tin = TypeAdapter[Tin](Tin)


class FormulaView(BaseModel):
    """A formula with its number, the choices it makes, and its meringues and folds by the step that finishes each.

    ``goods`` are the names of what it is made with that is not of the ingredient table, by id; ``allergens`` are
    complete only while ``allergens_unknown`` is empty.
    """

    version: int
    formula: Formula
    schools: tuple[School, ...]
    meringues: dict[str, Method]
    folds: dict[str, FoldSchool]
    goods: dict[str, str]
    allergens: tuple[str, ...]
    allergens_unknown: tuple[str, ...]


class ForecastView(Held):
    """The forecast of a formula in the amounts asked for; version 0 is one that is not in the Book."""

    formula_id: str
    version: int
    title: str
    technique: str
    factor: float
    tin_name: str
    tin: Tin
    tin_count: int
    fills: tuple[TinFill, ...]
    depth: Depth | None
    oven: str
    total_g: float
    servings: float
    eggs: EggNeed | None
    steps: tuple[StepForecast, ...]
    ingredients: tuple[IngredientTotal, ...]
    components: tuple[ComponentView, ...]
    weighings: tuple[ComponentList, ...]
    warnings: tuple[Caveat, ...]
    balance: tuple[Ratio, ...]
    folds: tuple[FoldCourse, ...]
    washing: WashPlan
    cost: Cost
    besides: tuple[str, ...]
    offcuts: tuple[Offcut, ...]


A_TIN = (
    'Give inside measures, as {"shape": "round", "dimensions": {"diameter_mm": 200, "depth_mm": 60}}, '
    "or the id of a tin of this kitchen."
)


def read_tin(text: str | None) -> str | Tin | None:
    """A tin as a query gives it: an id of the kitchen, or the tin itself as JSON.

    Raises:
        CraftError: the JSON is no tin, or no id is as long.
    """
    if text is None:
        return None
    if not text.lstrip().startswith("{"):
        if len(text) > LONGEST_TIN_ID:
            raise CraftError(f"There is no tin '{text[:20]}…' in this kitchen.", field="tin", remedy=A_TIN)
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
            f"This tin is not possible: {first.sentence}",
            field=f"tin.{first.field}" if first.field else "tin",
            remedy=A_TIN,
        ) from error


@lru_cache(maxsize=128)
def _as_written(formula_json: str, kitchen_json: str, record_json: str) -> Scaled:
    """The formula in its own amounts: asked for by every list of the Book, and the same until something is saved."""
    return scale(
        Formula.model_validate_json(formula_json),
        Kitchen.model_validate_json(kitchen_json),
        Wish(),
        KitchenRecord.model_validate_json(record_json),
    )


def made(bench: Bench, formula: Formula, wish: Wish) -> Scaled:
    """A formula in the amounts asked for, in this kitchen with its record."""
    kitchen, record = bench.kitchen, bench.record()
    if wish == Wish():
        return _as_written(formula.model_dump_json(), kitchen.model_dump_json(), record.model_dump_json())
    return scale(formula, kitchen, wish, record)


def scaled(bench: Bench, formula_id: str, wish: Wish, version: int | None = None) -> tuple[int, Scaled]:
    """A formula of the Book in the amounts asked for, with its version."""
    number, formula = bench.store.formulas.get(formula_id, version)
    return number, made(bench, formula, wish)


def view(version: int, formula: Formula) -> FormulaView:
    """The formula as it stands."""
    held = holds(formula.ingredients())
    return FormulaView(
        version=version,
        formula=formula,
        schools=formula.schools,
        meringues=meringues(formula),
        folds={i: f.school for i, f in folds(formula).items()},
        goods={good.id: good.name for good in formula.goods},
        allergens=held.allergens,
        allergens_unknown=held.unknown,
    )


def forecast_view(bench: Bench, version: int, one: Scaled) -> ForecastView:
    """The forecast for a page."""
    seen = one.forecast
    return ForecastView(
        formula_id=one.formula.id,
        version=version,
        title=one.formula.title,
        technique=one.formula.technique.value,
        factor=one.factor,
        tin_name=one.tin_name,
        tin=one.tin,
        tin_count=one.tin_count,
        fills=one.fills,
        depth=one.depth,
        oven=one.oven,
        total_g=seen.total_g,
        servings=one.formula.servings * one.factor,
        eggs=one.eggs,
        steps=seen.steps,
        ingredients=seen.ingredients,
        components=seen.components,
        weighings=weigh_list(seen),
        warnings=seen.warnings,
        balance=seen.balance,
        folds=seen.folds,
        washing=seen.washing,
        besides=seen.besides,
        offcuts=seen.offcuts,
        cost=cost(one.formula, bench.prices),
        **seen.held,
    )
