"""Calculations without a state: a page asks while a slider moves, others may ask too."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import KitchenHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.core.folding.airy import Airy
from kindwhisk.core.folding.cup import density_from_cup
from kindwhisk.core.ingredients import ingredient_table
from kindwhisk.core.ingredients.eggs import EggParts, EggSize, egg_parts
from kindwhisk.core.reading import line
from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.naming import shelf_of
from kindwhisk.core.reading.quantities import Understood, Wanted, read_quantity
from kindwhisk.core.tins.rise import USUAL_FREE
from kindwhisk.core.vessels.bowls import section_of
from kindwhisk.core.vessels.section import Section
from kindwhisk.core.vessels.vessel import cup_vessel

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 422))


class LineText(BaseModel):
    """An ingredient line as somebody wrote it."""

    model_config = ConfigDict(extra="forbid", strict=True)

    text: str = Field(max_length=400)


class IngredientEntry(BaseModel):
    """An ingredient of the table."""

    id: str
    name: str
    kind: str
    allergens: tuple[str, ...]
    allergens_unknown: bool


class CupReading(BaseModel):
    """A cup, empty and full, and what it holds."""

    model_config = ConfigDict(extra="forbid", strict=True)

    full_g: float = Field(gt=0, le=10_000, allow_inf_nan=False)
    empty_g: float = Field(ge=0, le=5000, allow_inf_nan=False)
    volume_ml: float = Field(gt=5, le=5000, allow_inf_nan=False)


class Density(BaseModel):
    """g/ml of what filled the cup, and the cup cut in half."""

    density_g_per_ml: float
    section: Section


@router.get("/eggs")
def eggs(
    size: EggSize = EggSize.EU_M, count: Annotated[float, Query(ge=0, le=10_000, allow_inf_nan=False)] = 1
) -> EggParts:
    """Grams of white, yolk and whole egg out of some eggs of a size class."""
    return egg_parts(size, count)


@router.get("/ingredients")
def ingredients(store: StoreHere) -> list[IngredientEntry]:
    """The ingredient table with the kitchen's own goods, by name."""
    own = [g.ingredient() for g in store.goods.all()]
    rows = sorted((*own, *ingredient_table().values()), key=lambda i: i.name.casefold())
    return [
        IngredientEntry(
            id=i.id, name=i.name, kind=i.kind, allergens=i.allergens, allergens_unknown=not i.allergens_known
        )
        for i in rows
    ]


@router.post("/read-line")
def read_line(kitchen: KitchenHere, store: StoreHere, body: LineText) -> ReadLine:
    """One ingredient line in grams, with its range, a note, and how sure that is."""
    return line.read_line(body.text, kitchen.eggs, shelf_of(store.goods.all()))


@router.get("/quantity")
def quantity(
    kitchen: KitchenHere,
    text: Annotated[str, Query(max_length=60)],
    wanted: Wanted,
    ingredient: Annotated[str | None, Query(max_length=60)] = None,
) -> Understood:
    """What a baker's words mean in the unit inside: ``1/2 cup``, ``325 F``, ``3 eggs``."""
    return read_quantity(text, wanted, ingredient_id=ingredient, eggs=kitchen.eggs)


@router.post("/density")
def density(cup: CupReading) -> Density:
    """The density of what fills a cup level."""
    density = density_from_cup(cup.full_g, cup.empty_g, cup.volume_ml)
    content = Airy.at(cup.full_g - cup.empty_g, density, USUAL_FREE)
    return Density(density_g_per_ml=density, section=section_of(content, "batter", cup_vessel(cup.volume_ml), "cup"))
