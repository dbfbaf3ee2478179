"""Orders: what is to be ready when, how sure that is, and where it goes; once, or every week."""

from __future__ import annotations

from collections.abc import Iterable, Iterator
from datetime import date, datetime, timedelta
from enum import StrEnum
from typing import Annotated, NamedTuple

from pydantic import AwareDatetime, Field

from kindwhisk.core.people import WEEK
from kindwhisk.core.process.components import ComponentId
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.model import Value

WEEKDAYS = ("Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday")


class Sure(StrEnum):
    """How sure an order is: what is not sure gives way."""

    CERTAIN = "certain"
    LIKELY = "likely"
    SPARE = "if there is time"


WEIGHTS = {Sure.CERTAIN: 4, Sure.LIKELY: 2, Sure.SPARE: 1}
"""What a minute late costs, against each other. Chosen."""


class Beforehand(Value):
    """A component that is made by itself before the rest, and kept cold or ``frozen``."""

    component: ComponentId
    frozen: bool = False


class Order(Value):
    """What is to be made, how much of it, and by when.

    ``every`` are days of the week (0 is Monday) on which it is wanted again at that time; ``but`` are dates of these
    on which it is not. ``beforehand`` are components that are made by themselves, for it alone or for several orders.
    """

    id: Annotated[str, Field(max_length=40, pattern=r"^[a-z0-9-]*$")] = ""
    formula: Annotated[str, Field(min_length=1, max_length=60)]
    wish: Wish = Wish()
    due_at: Annotated[AwareDatetime, Field(strict=False)]
    sure: Annotated[Sure, Field(strict=False)] = Sure.CERTAIN
    goes_to: Annotated[str, Field(max_length=80)] = ""
    note: Annotated[str, Field(max_length=200)] = ""
    every: tuple[Annotated[int, Field(ge=0, lt=WEEK)], ...] = Field(default=(), max_length=WEEK, strict=False)
    but: tuple[Annotated[date, Field(strict=False)], ...] = Field(default=(), max_length=400, strict=False)
    beforehand: tuple[Beforehand, ...] = Field(default=(), max_length=20, strict=False)


class Due(NamedTuple):
    """An order on one of its days; ``id`` names both."""

    id: str
    order: Order
    due_at: datetime


def dues(orders: Iterable[Order], start: datetime, end: datetime) -> list[Due]:
    """What is due after ``start`` and by ``end``, the soonest first."""
    found = [due for order in orders for due in _of(order, start, end)]
    return sorted(found, key=lambda d: (d.due_at, d.id))


def _of(order: Order, start: datetime, end: datetime) -> Iterator[Due]:
    if not order.every:
        if start < order.due_at <= end:
            yield Due(order.id, order, order.due_at)
        return
    day = max(start, order.due_at) - timedelta(days=1)
    while day.date() <= end.astimezone(order.due_at.tzinfo).date() + timedelta(days=1):
        at = order.due_at.replace(year=day.year, month=day.month, day=day.day)
        wanted = at.weekday() in order.every and at.date() not in order.but
        if wanted and at >= order.due_at and start < at <= end:
            yield Due(f"{order.id}-{at:%Y%m%d}", order, at)
        day += timedelta(days=1)


def in_words(order: Order) -> str:
    """When it is wanted, where it comes again: ``every Saturday, 09:00``."""
    if not order.every:
        return ""
    days = "day" if len(order.every) == WEEK else ", ".join(WEEKDAYS[d] for d in sorted(order.every))
    return f"every {days}, {order.due_at:%H:%M}"
