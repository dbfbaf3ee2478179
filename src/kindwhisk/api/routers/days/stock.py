"""Stock: what there is of an ingredient, and what it costs."""

from __future__ import annotations

from fastapi import APIRouter
from fastapi.responses import Response
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.core.day.stock import StockItem
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.known import ingredient_table
from kindwhisk.formats import stock_csv
from kindwhisk.store.database import Store

router = APIRouter(prefix="/api/stock", tags=["days"], responses=refusals(400, 404, 422))


class StockRow(BaseModel):
    """An ingredient with what there is of it."""

    item: StockItem
    name: str


class StockBody(BaseModel):
    """What there is of some ingredients; of the others it stays as it was."""

    model_config = ConfigDict(extra="forbid", strict=True)

    items: list[StockItem] = Field(min_length=1, max_length=2000)


class StockTable(BaseModel):
    """A table of what there is."""

    model_config = ConfigDict(extra="forbid", strict=True)

    text: str = Field(max_length=2_000_000)


def known_names(store: Store) -> dict[str, str]:
    """Ids of ingredients and of the kitchen's own goods, by their names in small letters."""
    table = {i.name.lower(): i.id for i in ingredient_table().values()}
    return {**table, **{g.name.lower(): g.id for g in store.goods.all()}}


def _rows(store: Store) -> list[StockRow]:
    return [StockRow(item=s, name=ingredient(s.ingredient).name) for s in store.stocks.all().values()]


@router.get("")
def listed(store: StoreHere) -> list[StockRow]:
    """Everything of which it was told what there is."""
    return _rows(store)


@router.put("")
def put(store: StoreHere, body: StockBody) -> list[StockRow]:
    """Tell what there is; every ingredient has to be known."""
    for item in body.items:
        ingredient(item.ingredient)
    store.stocks.put(body.items)
    return _rows(store)


@router.get(".csv", response_class=Response, responses={200: {"content": {"text/csv": {}}}})
def as_table(store: StoreHere) -> Response:
    """The stock as a table."""
    items = store.stocks.all()
    return Response(
        stock_csv.write(items.values(), {i: ingredient(i).name for i in items}),
        media_type="text/csv; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="stock.csv"'},
    )


@router.post("/csv")
def from_table(store: StoreHere, body: StockTable) -> list[StockRow]:
    """Take what a table tells, all or none."""
    store.stocks.put(stock_csv.read(body.text, known_names(store)))
    return _rows(store)
