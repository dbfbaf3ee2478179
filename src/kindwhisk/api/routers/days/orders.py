"""Orders: kept, jotted down as text, as a table both ways."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Query
from fastapi.responses import Response
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import BenchHere, KitchenHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.plans import When
from kindwhisk.core.day.order import Order, in_words
from kindwhisk.core.day.order_text import KnownFormula, ReadOrders, as_text, known, read_orders
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats import orders_csv
from kindwhisk.store.database import Store

router = APIRouter(prefix="/api/orders", tags=["days"], responses=refusals(400, 404, 422))
MOST_AT_ONCE = 400
Key = Annotated[str, Field(min_length=8, max_length=80)]


class OrderBody(Order):
    """An order as it is entered."""

    model_config = ConfigDict(frozen=True, extra="forbid", strict=True)

    id: str = Field(default="", max_length=0)


class NewOrders(BaseModel):
    """Orders to be kept, all or none; the key makes a repeated post keep nothing twice."""

    model_config = ConfigDict(extra="forbid", strict=True)

    orders: list[OrderBody] = Field(min_length=1, max_length=MOST_AT_ONCE)
    client_key: Key


class OrderText(BaseModel):
    """Orders as they are jotted down; days and hours are told by the clock of ``now``."""

    model_config = ConfigDict(extra="forbid", strict=True)

    text: str = Field(max_length=20_000)
    now: When | None = None


class OrderTable(BaseModel):
    """A table of orders; moments without an offset are told by the clock of ``now``."""

    model_config = ConfigDict(extra="forbid", strict=True)

    text: str = Field(max_length=2_000_000)
    client_key: Key
    now: When | None = None


class OrderView(BaseModel):
    """An order with its formula's title, what it amounts to in words, when it comes again, and as it would be jotted
    down."""

    order: Order
    title: str
    amount: str
    again: str
    text: str


def _amount(wish: Wish, tins: dict[str, str]) -> str:
    said = []
    if wish.tin_count or wish.tin is not None:
        name = tins.get(wish.tin, wish.tin) if isinstance(wish.tin, str) else ""
        said.append(f"{wish.tin_count or 1} × {name}" if name else f"{wish.tin_count or 1} ×")
    if wish.pieces:
        said.append(f"{wish.pieces} pieces")
    if wish.servings:
        said.append(f"{wish.servings:g} servings")
    if wish.total_g:
        said.append(f"{wish.total_g:g} g")
    if wish.eggs:
        said.append(f"{wish.eggs:g} eggs")
    return ", ".join(said) or "as the formula"


def _views(store: Store, orders: list[Order]) -> list[OrderView]:
    titles = {e.id: e.title for e in store.formulas.entries()}
    kitchen = store.kitchens.current()[1]
    tins = {t.id: t.name for t in kitchen.tins}
    named = {o.formula: KnownFormula(o.formula, titles.get(o.formula, o.formula), "", False, "") for o in orders}
    return [
        OrderView(
            order=o,
            title=titles.get(o.formula, o.formula),
            amount=_amount(o.wish, tins),
            again=in_words(o),
            text=as_text(o, named[o.formula], kitchen),
        )
        for o in orders
    ]


def _check(store: Store, orders: list[OrderBody]) -> list[Order]:
    """Let orders pass whose formula is there, and that ask for one amount.

    Raises:
        CraftError: one is not; its place is named.
    """
    titles = {e.id for e in store.formulas.entries()}
    for number, order in enumerate(orders):
        if order.formula not in titles:
            raise CraftError(
                f"There is no formula '{order.formula}'.",
                field=f"orders.{number}.formula",
                remedy="Choose one of the Book.",
            )
        order.wish.check_one_amount()
    return [Order.model_validate(o.model_dump()) for o in orders]


@router.get("")
def listed(store: StoreHere) -> list[OrderView]:
    """Every order, the soonest due first."""
    return _views(store, list(store.orders.all()))


@router.post("", status_code=201)
def add(store: StoreHere, body: NewOrders) -> list[OrderView]:
    """Keep orders."""
    return _views(store, list(store.orders.add(_check(store, body.orders), body.client_key)))


@router.post("/read")
def read(store: StoreHere, bench: BenchHere, kitchen: KitchenHere, body: OrderText) -> ReadOrders:
    """Orders of a text; nothing is kept. What is not understood comes back with what would help."""
    formulas = [known(store.formulas.get(e.id)[1]) for e in store.formulas.entries()]
    return read_orders(body.text, body.now or bench.clock.now().astimezone(), formulas, kitchen)


@router.get(".csv", response_class=Response, responses={200: {"content": {"text/csv": {}}}})
def as_table(store: StoreHere) -> Response:
    """All orders as a table."""
    titles = {e.id: e.title for e in store.formulas.entries()}
    return Response(
        orders_csv.write(store.orders.all(), titles),
        media_type="text/csv; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="orders.csv"'},
    )


@router.post("/csv", status_code=201)
def from_table(store: StoreHere, bench: BenchHere, body: OrderTable) -> list[OrderView]:
    """Keep the orders of a table, all or none."""
    ids = {e.title.lower(): e.id for e in store.formulas.entries()}
    now: datetime = body.now or bench.clock.now().astimezone()
    return _views(store, list(store.orders.add(orders_csv.read(body.text, ids, now), body.client_key)))


@router.get("/{order_id}")
def one(store: StoreHere, order_id: str) -> OrderView:
    """An order."""
    return _views(store, [store.orders.get(order_id)])[0]


@router.put("/{order_id}")
def replace(store: StoreHere, order_id: str, body: OrderBody) -> OrderView:
    """Put an order in the place of the one of that id."""
    return _views(store, [store.orders.replace(order_id, _check(store, [body])[0])])[0]


@router.delete("/{order_id}")
def remove(store: StoreHere, order_id: str, on: Annotated[datetime | None, Query()] = None) -> OrderView:
    """Take an order away, or (``on``) only one day of those on which it comes again; answers with what it was."""
    order = store.orders.get(order_id)
    if on is not None and order.every:
        but = tuple(sorted({*order.but, on.date()}))[-400:]
        store.orders.replace(order_id, order.model_copy(update={"but": but}))
    else:
        store.orders.remove(order_id)
    return _views(store, [order])[0]
