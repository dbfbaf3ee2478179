"""A recipe told in other words stays its own process."""

from __future__ import annotations

import pytest

from tests.core.recipes.expected import Expected
from tests.core.recipes.reworded import TURNED, in_english, steps_kept, turned

FEW = in_english(every=24)
MAY_DIFFER = {"without articles": 0.05, "in capitals": 0.04, "and for then": 0.07}
"""Share of the steps that may be read otherwise: “and” for “, then” makes some sentences say another thing."""
ELSE_MAY_DIFFER = 0.015


def _one(text: str) -> Expected:
    return Expected("one", text, {}, [])


@pytest.mark.parametrize("way", TURNED)
def test_in_other_words_it_stays_its_own_process(way: str) -> None:
    plainly, otherwise = steps_kept(way, FEW)
    assert plainly.expected > 50, "too few recipes say anything that is turned so"
    assert otherwise.right >= plainly.right - MAY_DIFFER.get(way, ELSE_MAY_DIFFER) * plainly.expected


def test_only_the_method_is_turned() -> None:
    text = "Sponge\n\n4 eggs\n100 g sugar\n\nWhisk the eggs and the sugar for 20 minutes, then pour into the tin.\n"
    told = {way: turned(_one(text), way) for way in ("without articles", "numbers in words", "somebody did it")}
    assert {way: one.text.splitlines()[-1] for way, one in told.items() if one} == {
        "without articles": "Whisk eggs and sugar for 20 minutes, then pour into tin.",
        "numbers in words": "Whisk the eggs and the sugar for twenty minutes, then pour into the tin.",
        "somebody did it": "I whisked the eggs and the sugar for 20 minutes, then poured into the tin.",
    }
    assert all(one.text.startswith("Sponge\n\n4 eggs\n100 g sugar\n") for one in told.values() if one)
    assert turned(_one(text), "degrees") is None
