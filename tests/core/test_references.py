"""Every model beside its reference: what ``./whisk measure`` prints of them holds."""

from __future__ import annotations

import pytest

from benchmarks.references import MODELS, Beside, Model
from kindwhisk.core.values.estimate import Basis, Estimate


@pytest.mark.parametrize("model", MODELS, ids=lambda m: m.name)
def test_a_model_holds_its_references(model: Model) -> None:
    figures = list(model.figures())
    assert figures
    assert [(f.told, f.reference) for f in figures if not f.held] == []


def test_a_figure_beside_its_reference_is_held_by_its_range_or_by_what_it_may_be_off() -> None:
    wide = Estimate(low=8, likely=10, high=13, basis=Basis.MODEL)
    assert Beside(wide, 12.9).held
    assert not Beside(wide, 13.1).held
    assert Beside(10.0, 10.1, 0.01).held
    assert not Beside(10.0, 10.2, 0.01).held
    assert Beside(9.0, 10.0).off == pytest.approx(-0.1)
