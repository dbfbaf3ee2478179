"""The corpus of orders as they are jotted down, and what is read of it."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime, timedelta, timezone
from functools import cache
from pathlib import Path
from typing import NamedTuple

from kindwhisk.core.day.order import Order, Sure
from kindwhisk.core.day.order_text import KnownFormula, ReadOrders, known, read_orders
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen

NOW = datetime(2026, 12, 1, 10, 0, tzinfo=timezone(timedelta(hours=1)))
SURE = {Sure.CERTAIN: "", Sure.LIKELY: "likely", Sure.SPARE: "spare"}


class Jotted(NamedTuple):
    """A text, what it means, and whether it was set aside."""

    text: str
    means: str
    aside: bool


def corpus() -> Iterator[Jotted]:
    for line in (Path(__file__).parent / "jotted.txt").read_text().splitlines():
        if line and not line.startswith("#"):
            text, means = line.removeprefix("* ").split(" => ")
            yield Jotted(text, means, line.startswith("* "))


@cache
def formulas() -> tuple[KnownFormula, ...]:
    return tuple(known(f) for f in demo_formulas())


def read(text: str) -> ReadOrders:
    return read_orders(text, NOW, formulas(), demo_kitchen())


def _said(order: Order) -> str:
    wish = order.wish.model_dump(exclude_none=True, exclude_defaults=True)
    amount = ",".join(f"{k}={v:g}" if isinstance(v, float) else f"{k}={v}" for k, v in wish.items()) or "-"
    parts = [order.formula, amount, f"{order.due_at:%Y-%m-%dT%H:%M}"]
    parts += [f"to:{order.goes_to.replace(' ', '_')}"] if order.goes_to else []
    parts += [SURE[order.sure]] if SURE[order.sure] else []
    parts += ["every:" + "".join(map(str, order.every))] if order.every else []
    return " ".join(parts)


def told(text: str) -> str:
    """What was read of a text, as the corpus writes it."""
    found = read(text)
    return "?" if found.unread else " | ".join(map(_said, found.orders))
