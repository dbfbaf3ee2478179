"""Layers that a method cuts a cake into, and cuts that make none."""

from __future__ import annotations

import pytest

from kindwhisk.core.process.steps.cut import CutStep
from kindwhisk.core.reading.method.cuts import layers_of
from kindwhisk.core.reading.plain import plain
from tests.core.recipes.expected import opened
from tests.core.test_method_worded import SPONGE


@pytest.mark.parametrize(
    ("words", "layers"),
    [
        ("Cut the cake into three layers", 3),
        ("Slice the sponge in half horizontally", 2),
        ("Split the cake into 2 layers", 2),
        ("Cut the cake in three and moisten with the punch", 3),
        ("Coupez la génoise en trois disques", 3),
        ("Tagliare la torta in due dischi", 2),
        ("Cut the cake in half", None),
        ("Cut each sheet in half", None),
        ("Cut into twelve squares", None),
        ("Cut the sponge into three strips", None),
        ("Peel off the paper", None),
        ("Cut the strawberries in half", None),
    ],
)
def test_how_many_layers_a_sentence_cuts(words: str, layers: int | None) -> None:
    assert layers_of(plain(words)) == layers


def test_a_written_cake_is_cut_filled_and_stands_as_it_says() -> None:
    text = (
        f"Layer cake\n\n{SPONGE}300 ml cream\n\nWhip the eggs and sugar until thick. Fold in the flour. "
        "Bake in a 20 cm tin at 180 °C for 30 minutes. Cool completely. Whip the cream. "
        "Cut the cake into three layers. Fill with the cream."
    )
    formula = opened(text).formula
    assert formula is not None
    cut = next(s for s in formula.steps if isinstance(s, CutStep))
    assert cut.layers == 3
    assert [s.kind for s in formula.steps][-1] == "stack"
