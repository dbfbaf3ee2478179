"""One batter in two bags: each is laid out by itself, and waits for hands and oven of the one before."""

from __future__ import annotations

from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.bench.plans import plan_backward
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.scaling import in_loads, scale
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.recover import RecoverStep
from kindwhisk.core.process.trays import gathered
from kindwhisk.core.process.wish import Wish
from tests.core.courses import FORMULAS, in_two_bags
from tests.core.test_trays import SIX, made, with_racks


@settings(max_examples=30)
@given(st.sampled_from(("french-shells-two-bags", "kisses-two-bags")), st.integers(1, 2), st.integers(8, 170))
def test_two_bags_of_one_batter_are_laid_out_each(formula: str, racks: int, servings: int) -> None:
    """However many trays: where a formula has no room for them all, a bag stays as it is named."""
    kitchen = with_racks(racks)
    plain = scale(FORMULAS[formula], kitchen, Wish(servings=servings))
    laid = in_loads(plain, kitchen)
    vessels = [v.id for v in laid.formula.vessels]
    assert len(vessels) == len(set(vessels))
    assert laid.forecast.total_g == pytest.approx(plain.forecast.total_g)
    bags = {s.origin for s in laid.formula.steps if isinstance(s, PipeStep)}
    assert bags == {"pipe", "pipe-b"}
    again = gathered(laid.formula)
    assert [s.id for s in again.steps] == [s.id for s in plain.formula.steps]
    for bag in bags:
        ((_, _, share),) = Flows(again).taken(again.step(bag))
        assert share == pytest.approx(0.5)


@pytest.mark.parametrize("servings", [8, 40])
@pytest.mark.parametrize("formula", ["kisses-two-bags", "french-shells-two-bags"])
def test_a_second_bag_waits_for_the_hands_and_the_oven_of_the_first(formula: str, servings: int) -> None:
    _, laid = made(formula, 1, servings=servings)
    plan = plan_backward(laid.forecast, with_racks(1), None, SIX)
    at = {s.step: (s.start, s.end) for s in plan.steps}
    bakes = sorted(at[s.id] for s in laid.formula.steps if isinstance(s, BakeStep))
    assert all(end <= start for (_, end), (start, _) in pairwise(bakes))
    late = [w.step for w in laid.forecast.warnings if "after the batter stops holding" in w.text]
    assert len(late) <= 2, "once a bag"
    if formula == "kisses-two-bags":
        assert late[-1].startswith("dry-b")


def test_long_names_of_two_bakes_do_not_meet() -> None:
    """An id is cut to its length: what is numbered must still be told apart."""
    text = FORMULAS["kisses"].model_dump_json().replace('"dry"', '"dry-them-through-on-the-middle-rack-ok"')
    two = in_two_bags(Formula.model_validate_json(text))
    laid = in_loads(scale(two, with_racks(1), Wish(servings=40)), with_racks(1))
    assert sum(isinstance(s, RecoverStep) for s in laid.formula.steps) == 4
    assert [s.id for s in gathered(laid.formula).steps] == [s.id for s in two.steps]
