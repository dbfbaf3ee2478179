"""Cream begun while a crumb cools: who waits for whom, and when it has to be begun."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.process.awaited import Awaited, awaited
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.demo.formulas import demo_formulas

BOOK = {f.id: f for f in demo_formulas()}
CALLED = Awaited(cools="cool", whisk="whip", meets="stack", crumb_way=("cut", "soak"), foam_way=("weigh", "whip"))
seconds = st.floats(0, 7200)


def pairs(formula: Formula) -> list[tuple[str, str, str]]:
    return [(a.cools, a.whisk, a.meets) for a in awaited(formula)]


@pytest.mark.parametrize(
    ("formula", "expected"),
    [
        ("citrus-roll", [("cool", "whip-cream", "spread")]),
        ("layer-cake", [("cool", "whip-cream", "stack")]),
        ("dome", [("cool", "whip-cream", "fill-cream")]),
        ("syrup-shells", [("cool-ganache", "whip-cream", "filling")]),
        # A mousse wants a base that is made meanwhile; whites go by their pot; a chiffon stands alone.
        ("finger-cake", []),
        ("meringue-tart", []),
        ("tea-chiffon", []),
    ],
)
def test_what_is_whisked_for_what_cools(formula: str, expected: list[tuple[str, str, str]]) -> None:
    assert pairs(BOOK[formula]) == expected


def test_each_has_its_own_way_there() -> None:
    (roll,), (cake,) = awaited(BOOK["citrus-roll"]), awaited(BOOK["layer-cake"])
    assert (roll.crumb_way, roll.foam_way) == ((), ("weigh-cream", "whip-cream"))
    assert (cake.crumb_way, cake.foam_way) == (("cut", "soak"), ("weigh-cream", "whip-cream"))


def test_what_stands_over_night_on_the_way_calls_for_nothing() -> None:
    formula = BOOK["milk-sponge"]
    assert any(isinstance(s, WhipStep) and s.id == "whip-cream" for s in formula.steps)
    assert pairs(formula) == []


@given(seconds, seconds, seconds, seconds, seconds)
def test_the_foam_is_there_when_the_crumb_is_and_waits_for_nothing(
    cool: float, cut: float, soak: float, weigh: float, whip: float
) -> None:
    start = CALLED.starts_in_s({"cool": cool, "cut": cut, "soak": soak, "weigh": weigh, "whip": whip})
    assert start >= 0
    if start > 0:
        assert start + weigh + whip == pytest.approx(cool + cut + soak)
    else:
        assert weigh + whip >= cool + cut + soak


def test_what_is_done_already_takes_no_time() -> None:
    todo = {"cool": 1800.0, "cut": 300.0, "soak": 100.0, "weigh": 120.0, "whip": 300.0}
    assert CALLED.starts_in_s(todo) == 1800 + 400 - 420
    assert CALLED.starts_in_s({k: v for k, v in todo.items() if k != "weigh"}) == 1800 + 400 - 300
    assert CALLED.starts_in_s({k: v for k, v in todo.items() if k not in {"cool", "cut"}}) == 0
