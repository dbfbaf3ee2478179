"""Goods: the kitchen's own with what their labels say, and the table's foods, by any of their names."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query
from fastapi.responses import Response
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import KitchenHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.core.ingredients import Composition, Ingredient, ingredient
from kindwhisk.core.ingredients.allergens import LISTS, NAMES, Law, contains, holds, labels
from kindwhisk.core.ingredients.goods import Good
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.reading.naming import found_by
from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats import goods_csv
from kindwhisk.store.database import Store

router = APIRouter(prefix="/api/goods", tags=["goods"], responses=refusals(400, 404, 422))
MOST_FOUND = 40


class GoodBody(Good):
    """A good as it is entered."""

    model_config = ConfigDict(frozen=True, extra="forbid")

    key: str = Field(default="", max_length=0)


class GoodEntry(BaseModel):
    """A food of the table or a good of the kitchen's own.

    ``good`` is the latter as it was entered; ``used_in`` are formulas of the Book that are made with it.
    """

    id: str
    key: str
    name: str
    kind: str
    own: bool
    good: Good | None
    composition: Composition
    density_g_per_ml: float
    cup_g: float
    piece_g: float | None
    known: bool
    allergens: tuple[str, ...]
    allergens_often: tuple[str, ...]
    allergens_unknown: bool
    contains: str
    labels: str
    source: str
    basis: str
    used_in: tuple[str, ...] = ()


class Kept(BaseModel):
    """A good that was kept, and the formulas of the Book that were brought up to it as new versions."""

    good: Good
    id: str
    formulas: tuple[str, ...]


class CsvText(BaseModel):
    """A table of goods."""

    model_config = ConfigDict(extra="forbid", strict=True)

    text: str = Field(max_length=2_000_000)


class ReadIn(BaseModel):
    """What a table brought: keys of goods that are new, and of those that were changed."""

    added: tuple[str, ...]
    changed: tuple[str, ...]
    formulas: tuple[str, ...]


class AllergenList(BaseModel):
    """A law's list: its groups, each with the allergens that it gathers, and what each is called."""

    law: Law
    groups: dict[str, tuple[str, ...]]
    names: dict[str, str]


def _entry(item: Ingredient, kitchen: Kitchen, good: Good | None = None, used_in: tuple[str, ...] = ()) -> GoodEntry:
    held = holds((item,))
    return GoodEntry(
        id=item.id,
        key=good.key if good else "",
        name=item.name,
        kind=item.kind,
        own=good is not None,
        good=good,
        composition=item.composition,
        density_g_per_ml=item.density_g_per_ml,
        cup_g=item.bulk_g_per_ml * 236.588,
        piece_g=item.piece.grams if item.piece else None,
        known=item.known,
        allergens=item.allergens,
        allergens_often=item.often,
        allergens_unknown=not item.allergens_known,
        contains=contains(held, kitchen.allergen_law),
        labels=labels(held, kitchen.allergen_law),
        source=item.source,
        basis=item.basis.value,
        used_in=used_in,
    )


@router.get("")
def listed(
    store: StoreHere,
    kitchen: KitchenHere,
    find: Annotated[str, Query(max_length=80)] = "",
) -> list[GoodEntry]:
    """The kitchen's own goods; with ``find``, those and the table's foods that go by such a name, the nearest first."""
    shelf = store.goods.all()
    if not find.strip():
        used = store.formulas.using({g.id for g in shelf})
        return [_entry(g.ingredient(), kitchen, g, tuple(used.get(g.id, ()))) for g in shelf]
    own = {g.id: g for g in shelf}
    return [_entry(ingredient(i), kitchen, own.get(i)) for i in found_by(find, shelf)[:MOST_FOUND]]


@router.get("/allergens")
def allergens(kitchen: KitchenHere) -> AllergenList:
    """The list of allergens by this kitchen's law."""
    return AllergenList(law=kitchen.allergen_law, groups=dict(LISTS[kitchen.allergen_law]), names=NAMES)


@router.get("/csv", response_class=Response, responses={200: {"content": {"text/csv": {"schema": {"type": "string"}}}}})
def as_csv(store: StoreHere) -> Response:
    """The kitchen's own goods as a table."""
    return Response(
        goods_csv.write(store.goods.all()),
        media_type="text/csv; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="goods.csv"'},
    )


@router.post("/csv")
def from_csv(store: StoreHere, body: CsvText) -> ReadIn:
    """Read a table of goods: one whose name is known is changed, others are added. All of them, or none."""
    goods = goods_csv.read(body.text)
    known = {g.name.casefold(): g for g in store.goods.all()}
    names = [g.name.casefold() for g in goods]
    twice = next((n for n in names if names.count(n) > 1), None)
    if twice is not None:
        raise CraftError(f"“{twice}” stands twice in the table.", field="name", remedy="Keep one of the two rows.")
    added: list[str] = []
    changed: list[str] = []
    formulas: list[str] = []
    with store.writing():
        for good in goods:
            old = known.get(good.name.casefold())
            kept = store.goods.add(good) if old is None else store.goods.replace(old.key, good)
            (added if old is None else changed).append(kept.key)
            formulas += _followed(store, kept, old)
    return ReadIn(added=tuple(added), changed=tuple(changed), formulas=tuple(dict.fromkeys(formulas)))


def _followed(store: Store, good: Good, old: Good | None) -> list[str]:
    """Formulas of the Book that are made with the good as it was, or with one by its name, get it in a new version."""
    before = {old.id} if old is not None else set()
    names = {n.casefold() for n in (good.name, *good.synonyms)}
    return store.formulas.follow(
        good, lambda other: other.id in before or (not other.key and other.name.casefold() in names)
    )


@router.post("", status_code=201)
def add(store: StoreHere, body: GoodBody) -> Kept:
    """Put a good on the shelf. Formulas that name it by words not known until now are made with it from here on."""
    with store.writing():
        good = store.goods.add(Good.model_validate(dict(body)))
        return Kept(good=good, id=good.id, formulas=tuple(_followed(store, good, None)))


@router.get("/{key}")
def one(store: StoreHere, kitchen: KitchenHere, key: str) -> GoodEntry:
    """A good of the kitchen's own."""
    good = store.goods.get(key)
    used = store.formulas.using({good.id})
    return _entry(good.ingredient(), kitchen, good, tuple(used.get(good.id, ())))


@router.put("/{key}")
def change(store: StoreHere, key: str, body: GoodBody) -> Kept:
    """Change a good. Formulas made with it get a new version; bakes of the past keep what they were made with."""
    with store.writing():
        old = store.goods.get(key)
        good = store.goods.replace(key, Good.model_validate(dict(body)))
        return Kept(good=good, id=good.id, formulas=tuple(_followed(store, good, old)))


@router.delete("/{key}", status_code=204)
def remove(store: StoreHere, key: str) -> None:
    """Take a good off the shelf. Formulas that are made with it keep it as it was."""
    store.goods.remove(key)
