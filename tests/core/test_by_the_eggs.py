"""Recipes that weigh by the eggs: their weight in sugar, half of it in flour."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.parts.told_by_eggs import by_the_eggs
from kindwhisk.core.reading.proposal import ReadRecipe, read

METHOD = (
    "Whisk the eggs with the sugar for 10 minutes until thick. Sift in the flour and fold. "
    "Pour into a 20 cm tin and bake at 180 °C for 30 minutes."
)
ONE = egg_parts(EggSize.EU_M)


def sponge(*rows: str) -> ReadRecipe:
    return read(recipe.from_text("\n".join(("Sponge", "", *rows, "", METHOD))), EggSize.EU_M)


def grams(got: ReadRecipe) -> dict[str | None, float | None]:
    return {line.ingredient: line.grams for line in got.lines}


@pytest.mark.parametrize(
    "rows",
    [
        ("4 eggs", "the same weight of sugar", "half the weight of the eggs in flour"),
        ("4 eggs", "their weight in caster sugar", "half their weight in flour"),
        ("The weight of four eggs in sugar", "the weight of 2 in flour", "4 eggs"),
        ("4 eggs", "sugar, the same weight as the eggs", "flour, half the weight of the eggs"),
        ("4 eggs, their weight in sugar, the weight of 2 in flour",),
        ("4 œufs", "leur poids en sucre", "la moitié de leur poids en farine"),
        ("4 œufs", "le même poids de sucre", "la moitié du poids des œufs en farine"),
        ("4 uova", "il loro peso in zucchero", "metà del loro peso in farina"),
    ],
)
def test_the_weight_of_the_eggs_is_weighed_and_goes_in(rows: tuple[str, ...]) -> None:
    got = sponge(*rows)
    shell = 4 * ONE.in_shell_g.likely
    assert grams(got) == pytest.approx(
        {"whole-egg": 4 * ONE.whole_g.likely, "sugar": shell, "plain-flour": shell / 2}, abs=0.1
    )
    assert got.formula is not None
    assert sum(p.grams for p in got.formula.portions()) == pytest.approx(
        sum(g or 0 for g in grams(got).values()), abs=0.5
    )


def test_one_sentence_may_weigh_two_goods() -> None:
    got = sponge("3 eggs and their weight in sugar and flour")
    shell = 3 * ONE.in_shell_g.likely
    assert grams(got) == pytest.approx(
        {"whole-egg": 3 * ONE.whole_g.likely, "sugar": shell, "plain-flour": shell}, abs=0.1
    )


def test_whether_with_the_shell_is_asked_unless_it_is_told() -> None:
    rows = ("4 eggs", "their weight in sugar", "their weight in flour")
    (asked,) = (q for q in sponge(*rows).questions if "shells" in q.text)
    assert (asked.assumed, "206 g of caster sugar" in asked.text) == ("yes, 232 g", True)
    for row, each in (
        ("4 eggs, weighed without their shells", ONE.whole_g),
        ("4 eggs in their shells", ONE.in_shell_g),
    ):
        told = sponge(row, *rows[1:])
        assert grams(told)["sugar"] == pytest.approx(4 * each.likely, abs=0.1)
        assert not any("shells" in q.text for q in told.questions)


def test_an_amount_that_is_told_beside_it_counts() -> None:
    got = sponge("4 eggs", "the weight of 4 eggs in sugar (about 200 g)", "120 g flour")
    assert grams(got)["sugar"] == 200
    assert not any("shells" in q.text for q in got.questions)


def test_the_range_holds_both_ways_of_weighing() -> None:
    (sugar,) = (
        line for line in sponge("4 eggs", "their weight in sugar", "90 g flour").lines if line.ingredient == "sugar"
    )
    assert sugar.low_g is not None
    assert sugar.high_g is not None
    assert sugar.low_g < 4 * ONE.whole_g.likely < 4 * ONE.in_shell_g.likely < sugar.high_g


@given(st.integers(1, 24), st.sampled_from([("", 1.0), ("half ", 0.5), ("twice ", 2.0)]), st.sampled_from(EggSize))
def test_as_many_eggs_as_are_told_weigh_in_proportion(eggs: int, share: tuple[str, float], size: EggSize) -> None:
    told, times = share
    text = f"Sponge\n\n{eggs} eggs\n{told}the weight of the eggs in sugar\n90 g flour\n\n{METHOD}"
    got = read(recipe.from_text(text), size)
    each = egg_parts(size).in_shell_g.likely
    assert grams(got)["sugar"] == pytest.approx(times * eggs * each, rel=0.002)


def test_words_of_weight_alone_are_no_amount() -> None:
    for row in ("Weigh the eggs", "their weight", "the weight of 4 eggs", "put a weight on the cake"):
        assert by_the_eggs(row) is None, row


@pytest.mark.parametrize(
    "row", ["200 g eggs in their shells", "200 g eggs (weighed in the shell)", "200 g d'œufs avec leur coquille"]
)
def test_eggs_weighed_in_their_shells_are_less_without(row: str) -> None:
    line = read_line(row)
    assert line.ingredient == "whole-egg"
    assert line.grams == pytest.approx(178, abs=0.1)
    assert line.low_g is not None
    assert line.high_g is not None
    assert line.low_g < 178 < line.high_g < 200
    assert "Without the shells" in line.note


def test_shells_that_are_not_weighed_take_nothing_away() -> None:
    assert read_line("200 g eggs").grams == read_line("200 g eggs without their shells").grams == 200
    assert read_line("4 eggs in their shells").grams == read_line("4 eggs").grams
