"""Recipes of the corpus as nobody meant them: cut off, shuffled, doubled, mistyped. Whatever comes of it, it holds.

The same cases come at every run, so that a run tells of the change it was made for; ``seed`` them otherwise to look for
more.
"""

from __future__ import annotations

import re
from collections.abc import Callable
from random import Random

import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.line import MOST_G
from kindwhisk.core.reading.mending import Meant, Mend
from kindwhisk.core.reading.parts.row import MOST_LINES, MOST_SENTENCES
from kindwhisk.core.reading.proposal import ByHand, ReadRecipe, read
from kindwhisk.core.values.technique import Technique
from kindwhisk.demo.kitchen import demo_kitchen
from tests.core.recipes.expected import corpus

TEXTS = [w.text for w in corpus("written") if not w.text.lstrip().startswith("{")]
KITCHEN = demo_kitchen()
Spoiled = Callable[[str, Random], str]


def _shuffled(text: str, chance: Random) -> str:
    rows = text.splitlines()
    chance.shuffle(rows)
    return "\n".join(rows)


def _cut_off(text: str, chance: Random) -> str:
    begin, end = sorted((chance.randrange(len(text)), chance.randrange(len(text))))
    return text[begin : end + 1]


def _run_into_another(text: str, chance: Random) -> str:
    other = chance.choice(TEXTS)
    return f"{text[: len(text) // 2]}\n{other[len(other) // 2 :]}"


def _words_lost(text: str, chance: Random) -> str:
    return "".join(part for part in re.split(r"(\s+)", text) if part.isspace() or chance.random() > 0.08)


def _rows_doubled(text: str, chance: Random) -> str:
    return "\n".join(row for row in text.splitlines() for _ in range(1 + (chance.random() < 0.2)))


def _other_numbers(text: str, chance: Random) -> str:
    return re.sub(r"\d+", lambda m: str(chance.choice([0, 1, 2, 5, 12, 100, 250, 1000, 99999, m[0]])), text)


def _mistyped(text: str, chance: Random) -> str:
    signs = list(text)
    for _ in range(len(text) // 40):
        at = chance.randrange(len(signs))
        signs[at] = chance.choice([signs[at] * 2, "", chance.choice("abcdefghij,.;:-()/½°")])
    return "".join(signs)


WAYS: list[Spoiled] = [
    *(_shuffled, _cut_off, _run_into_another, _words_lost),
    *(_rows_doubled, _other_numbers, _mistyped),
]


def _as_read(text: str) -> ReadRecipe:
    return read(recipe.from_text(text), EggSize.EU_M)


def _mass_is_kept(got: ReadRecipe, formula: Formula) -> None:
    weighed = sum(p.grams for p in formula.portions() if p.written)
    listed = [(line.ingredient, min(line.grams, MOST_G)) for line in got.lines if line.grams is not None]
    # Of separated eggs only one part may be used; a line without an amount may get one from the method.
    least = sum(grams for food, grams in listed if food != "whole-egg")
    assert weighed >= 0.98 * least - 0.5
    if len(listed) == len(got.lines):
        assert weighed <= 1.02 * sum(grams for _, grams in listed) + 0.5


def _is_used_up(formula: Formula) -> None:
    left = {step.id: 1.0 for step in formula.steps}
    for portion in (p for s in formula.steps for p in s.inputs if isinstance(p, StepPortion)):
        left[portion.step] = 0.0 if portion.fraction is None else left[portion.step] - portion.fraction
    assert {i: share for i, share in list(left.items())[:-1] if abs(share) > 1e-3} == {}


def _laws(got: ReadRecipe) -> None:
    formula = got.formula
    if formula is None:
        return
    assert {step for row in got.rows for step in row.steps} <= {s.id for s in formula.steps}
    _mass_is_kept(got, formula)
    _is_used_up(formula)
    assert scale(formula, KITCHEN, Wish()).forecast.steps


NOTHING_CAME_TO_IT = """300 g sugar
Beat the whites with the salt and cream of tartar until they hold soft peaks, then beat in the rest of the sugar.
Shells: 110 g almond flour, 190 g icing sugar, 100 g egg whites, 40 g sugar, 4 g instant coffee
Sift the flour three times with 100 g of the sugar. Toss the cherries in a spoonful of it.
"""
NOTHING_TO_FILL_IN = """3 eggs
170 g caster sugar
Beat the eggs until foamy, add the sugar a little at a time and beat for 6-
add the almonds and stir until smooth. Whip the whites, then add the remaining sugar until the peaks are stiff. Fold \
the whites into the batter in three goes. Pour into an ungreased 24 cm tube tin and bake at 160 °C for 60 minutes.
"""


@given(st.sampled_from(TEXTS), st.sampled_from(WAYS), st.integers(0, 10**6))
@example(NOTHING_CAME_TO_IT, lambda text, _: text, 0)
@example(NOTHING_TO_FILL_IN, lambda text, _: text, 0)
@settings(max_examples=60, deadline=None, derandomize=True)
def test_a_spoiled_recipe_is_answered_and_loses_nothing(text: str, way: Spoiled, seed: int) -> None:
    spoiled = way(text, Random(seed))
    if spoiled.strip():
        _laws(_as_read(spoiled))


@given(st.sampled_from(TEXTS), st.integers(0, 10**6), st.sampled_from([None, *Technique]))
@settings(max_examples=30, deadline=None, derandomize=True)
def test_what_is_corrected_at_random_loses_nothing(text: str, seed: int, technique: Technique | None) -> None:
    chance = Random(seed)
    got = _as_read(text)
    told = [row.text for row in got.rows if row.says == "step"]
    keys = chance.sample(sorted(got.keys.values()), min(3, len(got.keys)))
    fields = {"seconds": -3, "tool": "hand mixer", "title": "Otherwise"}
    mends = [Mend(key=key, fields=fields, drop=chance.random() < 0.7) for key in keys]
    meant = [Meant(sentence=chance.choice(told), of=chance.choice(told)) for _ in range(2) if told]
    by_hand = ByHand(mends=tuple(mends), meant=tuple(meant))
    _laws(read(recipe.from_text(text), EggSize.EU_M, technique, by_hand=by_hand))


LISTS = [
    "4 eggs\n100 g sugar\n80 g flour\n5 g cream of tartar\n50 g butter",
    "4 egg whites\n120 g sugar\n100 g almond flour\n5 g cream of tartar",
    "4 egg yolks\n3 egg whites\n120 g sugar\n5 ml lemon juice\n200 ml cream",
]


@pytest.mark.parametrize("technique", Technique)
@pytest.mark.parametrize("listed", LISTS)
@pytest.mark.parametrize("told", ["", "Roll up."])
def test_a_list_without_a_method_is_weighed_whole_in_every_class(listed: str, told: str, technique: Technique) -> None:
    text = f"Something\n\n{listed}\n\nFor the filling:\n200 ml cream\n150 g mascarpone\n30 g icing sugar\n\n{told}"
    got = read(recipe.from_text(text), EggSize.EU_M, technique)
    assert got.formula is not None
    _laws(got)
    assert sum(p.grams for p in got.formula.portions()) == pytest.approx(sum(g.grams or 0 for g in got.lines), abs=0.5)


@pytest.mark.parametrize("way", WAYS)
def test_every_way_spoils_something(way: Spoiled) -> None:
    assert any(way(text, Random(1)) != text for text in TEXTS[:20])


def test_a_slip_of_the_finger_in_an_amount_is_asked_about() -> None:
    got = _as_read(
        "Sponge\n\n4 eggs\n120000 g sugar\n120 g flour\n\nWhisk the eggs and the sugar. Fold in the flour.\n"
    )
    (asked,) = (q for q in got.questions if "sugar" in q.field)
    assert (asked.text, asked.assumed) == (
        "120 kg of “caster sugar”: is that meant?",
        "100 kg, the most that one line holds",
    )
    assert got.formula is not None
    sugar = [p for p in got.formula.portions() if isinstance(p, IngredientPortion) and p.ingredient == "sugar"]
    assert sum(p.grams for p in sugar) == MOST_G


OVER_AND_OVER = [
    *("1 g sugar, ", "1 egg | ", "100 g sugar\n", "100 g sugar and 2 eggs ", "sponge,egg yolks,80\n", "a\t1\n"),
    *("1. Whisk the eggs with the sugar\n", "Fold a third of the whites into the batter. ", "half of the half of "),
    *("whisk ", "add them to it, ", "until ", "and ", "(", "[", "<p>", "**"),
    *("For the a:\n", "卵を混ぜる。", "1/2 ", "."),
]


@pytest.mark.parametrize("unit", OVER_AND_OVER)
def test_a_page_of_one_thing_over_and_over_is_answered(unit: str) -> None:
    _laws(_as_read((unit * recipe.LONGEST)[: recipe.LONGEST]))


FOODS = ["flour", "sugar", "egg whites", "egg yolks", "cocoa", "butter", "cream", "wumpel"]


@pytest.mark.parametrize("technique", [None, *Technique])
def test_a_list_as_long_as_can_be_is_weighed_whole(technique: Technique | None) -> None:
    rows = [f"{1 + n % 7} g {FOODS[n % len(FOODS)]}" for n in range(MOST_LINES + 4)]
    got = read(recipe.from_text("\n".join(("Sponge\n", *rows))), EggSize.EU_M, technique)
    assert got.formula is not None
    _laws(got)
    assert sum(p.grams for p in got.formula.portions()) == pytest.approx(sum(g.grams or 0 for g in got.lines), abs=0.5)
    (asked,) = (q.text for q in got.questions if q.field == "text")
    assert asked == f"This is longer than one recipe: 4 rows from “{rows[MOST_LINES]}” on were not read."
    assert [row.text for row in got.rows if row.says == "not read"] == rows[MOST_LINES:]


def test_a_long_tale_above_a_recipe_takes_nothing_from_it() -> None:
    tale = " ".join(f"In summer number {n} my aunt made it in her old kitchen." for n in range(MOST_SENTENCES + 20))
    method = ("Whisk the eggs and the sugar.", "Fold in the flour.", "Bake at 180 °C for 30 minutes.")
    got = _as_read(f"{tale}\n\nSponge\n\n4 eggs\n120 g sugar\n120 g flour\n\n{' '.join(method)}")
    assert [row.text for row in got.rows if row.says == "step"] == list(method)
    assert any("longer than one recipe" in q.text and "my aunt" in q.text for q in got.questions)
