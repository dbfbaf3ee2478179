"""Documents and tables as programs give them out: whatever they hold is read, or said to be unreadable."""

from __future__ import annotations

import json
from contextlib import suppress

from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.proposal import read
from kindwhisk.core.values.errors import CraftError

PLACES = ["name", "recipeYield", "recipeIngredient", "ingredients", "recipeInstructions", "text", "itemListElement"]
HALF_A_SIGN = json.loads('"\\ud83c"')
"""What is left of a picture sign that a program cut in two."""
WORDS = [
    *("4 eggs", "200 g sugar", "Whisk the eggs.", "Bake at 180 °C for 20 minutes.", "8 servings", "PT20M"),
    *("<p>4&nbsp;eggs</p>", "For the glaze:", "", f"120 g flour {HALF_A_SIGN}"),
]
LEAVES = st.one_of(st.none(), st.booleans(), st.integers(-9, 9), st.floats(), st.sampled_from(WORDS))
VALUES = st.recursive(
    LEAVES,
    lambda inner: st.one_of(
        st.lists(inner, max_size=4),
        st.dictionaries(st.sampled_from(PLACES), inner, max_size=3),
        inner.map(lambda of: {"@type": "HowToSection", "name": "Glaze", "itemListElement": of}),
        inner.map(lambda of: {"@type": "HowToStep", "text": of}),
    ),
    max_leaves=8,
)
CELLS = ["ingredient", "amount", "unit", "step", "group", "", "4 eggs", "200 g", '"', 'a"b', ";", "1,5", "½", "\0"]


@given(st.dictionaries(st.sampled_from(PLACES), VALUES, min_size=1), st.booleans())
@settings(max_examples=200, deadline=None, derandomize=True)
def test_any_document_gets_an_answer(fields: dict[str, object], pasted: bool) -> None:
    document = {"@type": "Recipe", **fields}
    with suppress(CraftError):
        written = recipe.from_text(json.dumps(document)) if pasted else recipe.from_jsonld(document)
        got = read(written, EggSize.EU_M)
        assert got.model_dump_json()


@given(st.lists(st.lists(st.sampled_from(CELLS), max_size=5), max_size=8), st.sampled_from(",;\t"))
@settings(max_examples=200, deadline=None, derandomize=True)
def test_any_table_gets_an_answer(rows: list[list[str]], between: str) -> None:
    text = "\n".join([between.join(("ingredient", "amount", "unit")), *(between.join(row) for row in rows)])
    with suppress(CraftError):
        assert read(recipe.from_csv(text), EggSize.EU_M).model_dump_json()


def test_half_a_sign_and_marks_are_left_out_of_what_is_shown() -> None:
    document = {
        "@type": "Recipe",
        "name": f"<b>Roll</b> {HALF_A_SIGN}",
        "recipeIngredient": [f"4 eggs {HALF_A_SIGN}", "120 g sugar"],
        "recipeInstructions": [
            {"@type": "HowToSection", "name": f"Sponge{HALF_A_SIGN}", "itemListElement": ["Whisk the eggs."]},
        ],
    }
    got = recipe.from_jsonld(document)
    assert [row.text for row in got.rows] == ["Roll", "4 eggs", "120 g sugar", "Sponge", "Whisk the eggs."]
