"""Names of goods in five languages: what they are, what they hold, and what is never taken for something else."""

from __future__ import annotations

import csv
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.ingredients import ingredient, ingredient_table
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.names.lexicon import find_all, table_names
from kindwhisk.core.reading.naming import found_by, shelf_of
from kindwhisk.core.reading.plain import is_cjk, plain
from tests.core.goods.helpers import own

HERE = Path(__file__).parent
NAMES = list(csv.DictReader((HERE / "names.csv").open(encoding="utf-8"), delimiter=";"))


@pytest.mark.parametrize("row", NAMES, ids=[f"{r['language']} {r['name']}" for r in NAMES])
def test_a_name_is_this_food_with_these_allergens_or_not_known(row: dict[str, str]) -> None:
    got = read_line(f"100 g {row['name']}")
    assert (got.ingredient or "") == row["food"]
    assert set(got.allergens) == set(row["contains"].split())
    assert got.allergens_unknown == (row["food"] == "")
    assert got.grams == 100
    if not row["food"]:
        assert got.unknown == got.name != ""


def test_there_are_names_enough_in_each_language() -> None:
    assert len(NAMES) >= 300
    languages = [r["language"] for r in NAMES]
    assert all(languages.count(code) >= 35 for code in ("en", "fr", "it", "ja", "vi"))
    assert len({r["food"] for r in NAMES}) >= 150


def test_what_was_not_looked_at_is_not_taken_for_another_food() -> None:
    """Names that were set aside: those that were not foreseen must stay unknown, none may lose what it holds."""
    rows = list(csv.DictReader((HERE / "held_out.csv").open(encoding="utf-8"), delimiter=";"))
    read = [(row, read_line(f"100 g {row['name']}")) for row in rows]
    wrong = [r["name"] for r, got in read if got.ingredient and got.ingredient != r["food"]]
    lost = [r["name"] for r, got in read if got.ingredient and set(r["contains"].split()) - set(got.allergens)]
    missed = [r["name"] for r, got in read if r["food"] and not got.ingredient]
    assert (wrong, lost) == ([], [])
    assert len(missed) <= 0.1 * sum(bool(r["food"]) for r in rows)


EVERY = [(i, name) for i, names in table_names().items() for name in names]


@pytest.mark.parametrize("from_right", [False, True])
def test_each_name_is_found_whole_between_other_words(from_right: bool) -> None:
    cut = []
    for name in {plain(name) for _, name in EVERY if not is_cjk(name)}:
        found = find_all(f"xx {name} xx", from_right=from_right)
        if [f.words for f in found] != [name.rstrip(".")]:
            cut.append(name)
    assert cut == []


@given(st.sampled_from(EVERY))
def test_each_name_of_the_table_is_read_as_its_own_food(pair: tuple[str, str]) -> None:
    ingredient_id, name = pair
    got = read_line(f"100 g {name}").ingredient
    assert got is not None
    assert set(ingredient(got).allergens) >= set(ingredient(ingredient_id).allergens) - {"sulphites"}


STRANGE = st.text(alphabet="bcdfghjklmnpqrstvwz", min_size=5, max_size=9).filter(lambda w: not find_all(w))


@given(st.sampled_from(EVERY), STRANGE, st.booleans())
def test_one_word_that_is_not_explained_leaves_a_name_not_known(pair: tuple[str, str], word: str, before: bool) -> None:
    name = f"{word} {pair[1]}" if before else f"{pair[1]} {word}"
    got = read_line(f"80 g {name}")
    assert got.ingredient is None
    assert word in got.unknown
    assert got.allergens_unknown
    assert got.grams == 80


@given(st.sampled_from(EVERY), st.sampled_from(["fresh", "cold", "organic", "large", "good quality"]))
def test_words_that_only_say_how_good_or_cold_change_nothing(pair: tuple[str, str], word: str) -> None:
    assert read_line(f"80 g {word} {pair[1]}").ingredient == read_line(f"80 g {pair[1]}").ingredient


@pytest.mark.parametrize(
    "text",
    [
        "100 g milk (almond)", "100 g butter, vegan", "200 ml cream, plant based", "100 g flour (gluten free)",
        "100 g chocolate with almonds", "100 g chocolate, containing almonds", "50 g raisins, coated in milk chocolate",
        "2 cups flour plus 1/4 cup almond flour",
        "100 g biscuits, filled with peanut butter",
        "2 eggs and sugar", "1 cup milk, soy", "50 g Sunny butter",
        "100 g yogurt with strawberries", "beurre (végétal)", "latte, senza lattosio", "生クリーム(植物性)",
    ],
)  # fmt: skip
def test_what_makes_another_food_of_it_is_heeded_wherever_it_stands(text: str) -> None:
    got = read_line(text)
    assert got.ingredient is None
    assert got.allergens == ()
    assert got.allergens_unknown


@pytest.mark.parametrize(
    ("text", "food"),
    [
        ("120 g butter, melted and cooled to room temperature", "butter"),
        ("3 eggs, separated, whites cold", "whole-egg"),
        ("1 cup milk (about 240 ml), warmed", "milk"),
        ("200 g sugar for the meringue", "sugar"),
        ("100 g flour, plus more for dusting", "plain-flour"),
        ("100 g butter or margarine", "butter"),
        ("60 g cocoa powder, sifted with the flour", "cocoa"),
        ("1 tsp vanilla extract, stirred into the milk", "vanilla-extract"),
        ("グラニュー糖（卵白用） 50g", "sugar"),
        ("2 tbsp. honey (optional)", "honey"),
        ("3 bananas, mashed", "banana"),
        ("1 cup fresh or frozen blueberries", "blueberry"),
        ("1 tbsp cornstarch mixed with 2 tbsp water", "corn-starch"),
        ("2 tbsp milk of your choice", "milk"),
        ("100 g hazelnuts, toasted and finely ground", "hazelnut-ground"),
        ("150 g chocolate (70% cocoa)", "chocolate-dark-70"),
        ("zest and juice of 1 lemon", "lemon-juice"),
        ("scorza grattugiata di 1 limone", "lemon-zest"),
    ],
)
def test_what_only_says_how_or_what_for_is_left_aside(text: str, food: str) -> None:
    assert read_line(text).ingredient == food


def test_what_may_stand_instead_and_beside_is_told() -> None:
    assert read_line("100 g butter or margarine").instead == "margarine"
    either = read_line("200 g almond flour or hazelnut flour")
    assert (either.allergens, either.allergens_often) == (("almond",), ("hazelnut",))
    assert "margarine" in read_line("100 g butter or margarine").note
    assert "lemon zest" in read_line("zest and juice of 1 lemon").note


def test_a_makers_name_is_passed_over_with_a_mark_but_never_before_a_lone_word() -> None:
    marked = read_line("200 g Brightfield dark chocolate")
    assert (marked.ingredient, marked.skipped) == ("chocolate-dark", "brightfield")
    assert "brightfield" in marked.note
    assert marked.sure <= 0.8
    assert read_line("200 g Brightfield butter").ingredient is None
    assert read_line("200 g Brightfield Dark Chocolate").ingredient is None  # capitals everywhere tell nothing
    assert read_line("200 g Vegan dark chocolate").ingredient is None


def test_a_food_is_found_by_any_of_its_names_the_nearest_first() -> None:
    assert found_by("peanut butter")[0] == "peanut-butter"
    assert found_by("beurre de cacah")[0] == "peanut-butter"
    assert found_by("卵白")[0] == "egg-white"
    assert found_by("zzz") == []
    mine = own("Rum butter", synonyms=("beurre au rhum",))
    assert found_by("rum b", [mine])[0] == mine.id
    assert found_by("beurre au", [mine])[0] == mine.id


def test_a_kitchens_own_name_leads_over_the_tables() -> None:
    shelf = shelf_of([own("Milk", key="milk-here"), own("Peanut crunch", synonyms=("croquant",))])
    assert str(read_line("100 g milk", shelf=shelf).ingredient).startswith("own-milk-here-")
    assert str(read_line("80 g peanut crunch, chopped", shelf=shelf).ingredient).startswith("own-peanut-crunch-")
    assert str(read_line("80 g croquant", shelf=shelf).ingredient).startswith("own-peanut-crunch-")
    assert read_line("80 g peanut crunch bar", shelf=shelf).ingredient is None


def test_every_food_of_the_table_can_be_written() -> None:
    for item in ingredient_table().values():
        assert read_line(f"10 g {plain(item.name)}").ingredient is not None or item.name[-1] == "%", item.id
