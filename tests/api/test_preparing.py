"""Orders are prepared once, and again only when something that they rest on has changed."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from typing import Any

import pytest
from fastapi import Request

from kindwhisk.api import preparing as preparing_module
from kindwhisk.api.preparing import Preparing
from kindwhisk.bench.bench import Bench
from kindwhisk.bench.days.wanted import Knows
from kindwhisk.core.day.order import Order
from kindwhisk.core.process.wish import Wish
from tests.awaiting import awaited

NOW = datetime(2026, 11, 2, 5, 0, tzinfo=UTC)


@pytest.fixture
def made(monkeypatch: pytest.MonkeyPatch) -> list[str]:
    """The formulas that were prepared, in turn; here, in no process of their own."""
    found: list[str] = []

    async def here(_: Request, sum_up: Any, formula: Any, *rest: Any) -> Any:
        found.append(formula.id)
        return sum_up(formula, *rest)

    monkeypatch.setattr(preparing_module, "beside", here)
    return found


def known(bench: Bench, *orders: Order) -> Knows:
    return bench.knows(orders=orders, now=NOW)


def order(formula: str, **wish: Any) -> Order:
    return Order(formula=formula, wish=Wish(**wish), due_at=NOW + timedelta(hours=6))


def ready(preparing: Preparing, knows: Knows) -> tuple[int, int]:
    found = awaited(preparing.ready(Request({"type": "http"}), knows))
    return len(found.prepared), len(found.refused)


def test_the_same_order_is_prepared_once(bench: Bench, made: list[str]) -> None:
    preparing = Preparing()
    for _ in range(3):
        assert ready(preparing, known(bench, order("kisses"), order("tea-chiffon"))) == (2, 0)
    assert sorted(made) == ["kisses", "tea-chiffon"]


def test_another_amount_or_another_kitchen_is_prepared_anew(bench: Bench, made: list[str]) -> None:
    preparing = Preparing()
    ready(preparing, known(bench, order("kisses")))
    ready(preparing, known(bench, order("kisses", pieces=20)))
    bench.store.kitchens.save(bench.kitchen.model_copy(update={"altitude_m": 1500}))
    ready(preparing, known(bench, order("kisses")))
    assert made == ["kisses"] * 3


def test_what_the_kitchen_has_learned_counts_for_the_next_plan(bench: Bench, made: list[str]) -> None:
    preparing = Preparing()
    first = known(bench, order("kisses"))
    ready(preparing, first)
    learned = first.record.model_copy(update={"cracked": (0.4,)})
    ready(preparing, first._replace(record=learned))
    assert made == ["kisses"] * 2


def test_an_order_that_can_not_be_made_is_told_beside_the_others(bench: Bench, made: list[str]) -> None:
    asked = known(bench, order("kisses", tin="no-such-tin"), order("tea-chiffon"))
    assert ready(Preparing(), asked) == (1, 1)
    assert len(made) == 2
