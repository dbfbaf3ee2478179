"""Written recipes become their own processes: the corpus, step by step, and laws that hold for any text."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.parts import RowKind
from kindwhisk.core.reading.parts.row import MOST_LINES, MOST_SENTENCES
from kindwhisk.core.reading.proposal import read
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.kitchen import demo_kitchen
from tests.core.recipes.expected import Compared, Expected, Score, compare, corpus, nodes_of

WRITTEN, HELD_OUT = corpus("written"), corpus("held_out")
NOT_WHOLLY = set((Path(__file__).parent / "not_wholly.txt").read_text().split())
"""Recipes of which something is still misread: what they become is measured, not held line by line."""


@pytest.mark.parametrize("want", WRITTEN, ids=lambda w: w.name)
def test_a_written_recipe_becomes_its_own_process(want: Expected) -> None:
    result = compare(want)
    wholly = result.missed == [] and all(result.truths.values())
    # What is read wholly by now comes off the list, so that it stays so.
    assert wholly == (want.name not in NOT_WHOLLY), (result.missed, result.truths)


def _all(results: list[Compared], name: str) -> Score:
    total = Score()
    for result in results:
        one: Score = getattr(result, name)
        total.add(one.right, one.expected, one.found)
    return total


def test_recipes_that_were_set_aside_are_read_as_well_as_the_docs_say() -> None:
    assert len(HELD_OUT) == 20
    results = [compare(want) for want in HELD_OUT]
    least = {"lines": 0.97, "steps": 0.9, "wiring": 0.85, "waits": 0.95, "remarks": 0.95}
    for name, share in least.items():
        assert _all(results, name).recall >= share, name
    assert _all(results, "remarks").precision >= 0.9
    assert sum(r.truths["class"] for r in results) >= 19
    assert all(r.truths["grave remarks"] for r in results)
    assert all(r.truths["nothing dropped"] for r in results)


@pytest.mark.parametrize("want", WRITTEN, ids=lambda w: w.name)
def test_every_row_is_shown_as_something_and_every_step_names_its_sentence(want: Expected) -> None:
    got = want.read()
    known = {"title", "heading", "ingredient", "note", "step", "known", "not understood"}
    assert {row.says for row in got.rows} <= known
    if got.formula is None or not any(row.says == "step" for row in got.rows):
        # A list without a method gets the steps of its class.
        return
    ids = {s.id for s in got.formula.steps}
    told = {step for row in got.rows for step in row.steps}
    assert told <= ids
    # What no sentence tells of is marked as assumed.
    assert all(s.id in told or s.assumed or s.kind == "weigh" for s in got.formula.steps)
    assert all(s.written for s in got.formula.steps if s.id in told and s.kind != "weigh")


@pytest.mark.parametrize("want", WRITTEN, ids=lambda w: w.name)
def test_nothing_that_is_weighed_is_lost_or_invented(want: Expected) -> None:
    got = want.read()
    if got.formula is None:
        return
    listed = sum(line.grams or 0.0 for line in got.lines)
    made = sum(p.grams for p in got.formula.portions() if p.written)
    # Eggs that are separated lose nothing but what is rounded; water that a syrup lacks is no line of the list.
    assert made == pytest.approx(listed, rel=0.02)


@pytest.mark.parametrize("want", [*WRITTEN, *HELD_OUT], ids=lambda w: w.name)
def test_every_result_is_used_up(want: Expected) -> None:
    got = want.read()
    if got.formula is None:
        return
    used: dict[str, float] = {}
    for portion in (p for s in got.formula.steps for p in s.inputs if isinstance(p, StepPortion)):
        used[portion.step] = used.get(portion.step, 0.0) + (portion.fraction or 1.0)
    assert {s.id: used.get(s.id, 0.0) for s in got.formula.steps[:-1] if used.get(s.id, 0.0) < 0.999} == {}


@pytest.mark.parametrize("want", [w for w in WRITTEN if "2 sticks" not in w.text], ids=lambda w: w.name)
def test_it_can_be_computed_scaled_and_planned(want: Expected) -> None:
    got = want.read()
    if got.formula is None:
        return
    made = scale(got.formula, demo_kitchen(), Wish())
    assert made.forecast.steps
    batter = [s for s in made.forecast.steps if s.kind == "bake"]
    assert all(s.material.mass_g > 0 for s in batter)


LISTED = [w for w in WRITTEN if w.keys.get("lines") and not w.text.lstrip().startswith("{")]


def _block(text: str) -> re.Match[str] | None:
    """The list of a recipe whose lines stand in one block."""
    lines = [line.text for line in recipe.from_text(text).lines]
    return re.search("\n".join(re.escape(line) for line in lines), text) if lines else None


def _told_apart(want: Expected) -> bool:
    """Whether no two lines are of one ingredient, which their order may tell apart."""
    ids = want.list_of("lines")
    return len(set(ids)) == len(ids) > 2


IN_A_BLOCK = [w for w in LISTED if _told_apart(w) and _block(w.text) is not None and w.name not in NOT_WHOLLY]


@pytest.mark.parametrize("want", IN_A_BLOCK, ids=lambda w: w.name)
def test_the_order_of_the_list_does_not_matter(want: Expected) -> None:
    block = _block(want.text)
    assert block is not None
    turned = want.text.replace(block[0], "\n".join(reversed(block[0].split("\n"))), 1)
    assert turned != want.text
    one, other = want.read().formula, read(recipe.from_text(turned), EggSize.EU_M).formula
    assert one is not None
    assert other is not None
    wiring = [[(n.kind, sorted(n.takes), len(n.parents)) for n in nodes_of(f)] for f in (one, other)]
    assert wiring[0] == wiring[1]


def test_enough_recipes_stand_in_one_block_to_tell() -> None:
    assert len(IN_A_BLOCK) >= 12


PIECES = [
    "Whip the whites with the sugar.",
    "Fold it in.",
    "half",
    "the rest",
    "into the yolks",
    "Bake at 180 for",
    "30 minutes",
    "\n",
    "4 eggs, separated",
    "100 g sugar",
    "For the filling:",
    "200 ml cream",
    "Roll up.",
    "Soak with",
    "syrup",
    "1/3",
    "③に④を加え",
    "卵白を泡立てる。",
    "Incorporez",
    "à la pâte",
    "incorporateli",
    "Trộn",
    "until",
    "it",
    "them",
    "Method",
    "then",
    ",",
    ".",
    "°",
    "0",
    "999999 g butter",
]


@given(st.lists(st.one_of(st.sampled_from(PIECES), st.text(max_size=24)), max_size=40), st.sampled_from([" ", "\n"]))
@settings(max_examples=300, deadline=None)
def test_any_text_gets_an_answer(parts: list[str], glue: str) -> None:
    text = glue.join(parts)
    if not text.strip():
        with pytest.raises(CraftError, match="no text"):
            recipe.from_text(text)
        return
    got = read(recipe.from_text(text), EggSize.EU_M)
    assert len(got.rows) >= (1 if re.search(r"\w", text) else 0)
    if got.formula is not None:
        weighed = sum(p.grams for p in got.formula.portions() if isinstance(p, IngredientPortion))
        assert weighed > 0


def test_a_text_far_longer_than_a_recipe_keeps_every_row() -> None:
    text = "Cake\n" + "\n".join(w.text for w in LISTED)
    got = read(recipe.from_text(text[: recipe.LONGEST]), EggSize.EU_M)
    sentences = [r for r in got.rows if r.kind == "sentence"]
    assert len(sentences) == MOST_SENTENCES
    assert sum(r.kind == "note" for r in got.rows) > 100


def test_nothing_of_a_long_document_is_dropped() -> None:
    lines = ["For the sponge:", *(f"{n} g flour" for n in range(1, 201))]
    steps = [{"@type": "HowToStep", "text": f"Sift it for the time number {n}."} for n in range(400)]
    document = {"@type": "Recipe", "name": "Long", "recipeIngredient": lines, "recipeInstructions": steps}
    got = recipe.from_jsonld(document)
    assert {r.text for r in got.rows} == {"Long", *lines, *(str(s["text"]) for s in steps)}
    assert len(got.lines) == MOST_LINES
    assert {r.group for r in got.rows if r.kind is RowKind.INGREDIENT} == {"sponge"}
    table = "ingredient,amount\n" + "\n".join(f"flour,{n} g" for n in range(1, 201))
    assert len(recipe.from_csv(table).rows) == 200
    read(got, EggSize.EU_M)  # and all of it is answered


def test_a_document_that_is_too_long_says_so() -> None:
    document = {"@type": "Recipe", "recipeIngredient": ["4 eggs"], "recipeInstructions": "Whisk. " * 8000}
    with pytest.raises(CraftError) as error:
        recipe.from_jsonld(document)
    assert error.value.field == "recipeInstructions"
    nested: list[object] = ["4 eggs"]
    for _ in range(400):
        nested = [nested]
    with pytest.raises(CraftError, match="no ingredients"):
        recipe.from_jsonld({"@type": "Recipe", "recipeIngredient": nested})
