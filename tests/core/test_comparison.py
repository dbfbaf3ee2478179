"""Two versions side by side: every difference that a baker would notice, in figures, and none other."""

from __future__ import annotations

from functools import cache
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.process.comparison import About, Difference, compare
from kindwhisk.core.process.forecast import Forecast, forecast
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.demo.formulas import tea_chiffon
from tests.core.strategies import setting_of


@cache
def chiffon() -> Forecast:
    return forecast(tea_chiffon(), setting_of(tea_chiffon()))


def with_step(step: str, **more: Any) -> Forecast:
    """The chiffon with something else of one step's outcome."""
    made = chiffon()
    steps = tuple(s.model_copy(update=more) if s.id == step else s for s in made.steps)
    return made.model_copy(update={"steps": steps})


def told(after: Forecast, about: About) -> list[Difference]:
    return [d for d in compare(chiffon(), after) if d.about is about]


def test_nothing_differs_from_itself() -> None:
    assert compare(chiffon(), chiffon()) == ()


@pytest.mark.parametrize(
    ("seconds", "said"),
    [
        ((90, 100, 110), "100 s"),
        ((600, 1200, 1800), "20 min (10 to 30)"),
        ((9000, 10_740, 12_000), "179 min (150 to 200)"),
        ((9000, 10_800, 12_000), "3.0 h"),
        ((72_000, 86_400, 90_000), "24.0 h"),
    ],
)
def test_a_time_is_told_in_its_own_size(seconds: tuple[float, float, float], said: str) -> None:
    low, likely, high = seconds
    step = chiffon().step("whip")
    (found,) = told(with_step("whip", duration_s=Estimate.exact(1).model_copy(
        update={"low": low, "likely": likely, "high": high}
    )), About.TIME)  # fmt: skip
    assert (found.where, found.after) == (step.title, said)


def test_a_time_that_is_nearly_the_same_is_not_told() -> None:
    step = chiffon().step("whip")
    assert told(with_step("whip", duration_s=step.duration_s.scaled(1.001)), About.TIME) == []
    assert len(told(with_step("whip", duration_s=step.duration_s.scaled(1.5)), About.TIME)) == 1


def test_a_foam_that_holds_without_end_is_told_so() -> None:
    (found,) = told(with_step("whip", hold_s=None), About.HOLD)
    assert found.after == "for hours"
    assert found.before.endswith(")")


def test_a_goal_is_told_as_it_was_and_as_it_is() -> None:
    (found,) = told(with_step("whip", goal="Stiff"), About.GOAL)
    assert (found.before, found.after) == (chiffon().step("whip").goal, "Stiff")


@given(st.floats(0.5, 2.0))
def test_weights_are_told_where_they_differ(times: float) -> None:
    made = chiffon()
    sugar = next(i for i in made.ingredients if i.id == "sugar")
    more = tuple(i.model_copy(update={"grams": i.grams * times}) if i is sugar else i for i in made.ingredients)
    found = told(made.model_copy(update={"ingredients": more}), About.INGREDIENT)
    words = [f"{g:.1f} g" if g < 10 else f"{g:.0f} g" for g in (sugar.grams, sugar.grams * times)]
    assert [(d.where, d.before, d.after) for d in found] == ([] if words[0] == words[1] else [(sugar.name, *words)])


def test_what_is_gone_and_what_is_new_have_one_side_only() -> None:
    made = chiffon()
    gone = made.model_copy(update={"ingredients": made.ingredients[1:]})
    first = made.ingredients[0]
    (found,) = told(gone, About.INGREDIENT)
    assert (found.where, found.after) == (first.name, "")
    (back,) = [d for d in compare(gone, made) if d.about is About.INGREDIENT]
    assert (back.where, back.before, back.after) == (first.name, "", found.before)


def test_an_allergen_that_comes_or_goes_is_told() -> None:
    made = chiffon()
    assert made.allergens
    (found,) = told(made.model_copy(update={"allergens": made.allergens[1:]}), About.ALLERGEN)
    assert (found.before, found.after) == (made.allergens[0], "")
    more = made.model_copy(update={"allergens": (*made.allergens, "hazelnut")})
    assert [(d.before, d.after) for d in told(more, About.ALLERGEN)] == [("", "hazelnut")]
    assert told(made.model_copy(update={"allergens": made.allergens[::-1]}), About.ALLERGEN) == []


def test_differences_come_in_one_order_whatever_is_first() -> None:
    made = with_step("whip", goal="Stiff", duration_s=Estimate.exact(900), hold_s=None)
    made = made.model_copy(update={"allergens": (), "ingredients": made.ingredients[1:]})
    kinds = [d.about for d in compare(chiffon(), made)]
    assert kinds == sorted(kinds, key=list(About).index)
    assert {About.INGREDIENT, About.GOAL, About.TIME, About.HOLD, About.ALLERGEN} <= set(kinds)
