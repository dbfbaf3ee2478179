"""Figures, their ranges, and what is worked out from them, against values worked out by hand."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.values.bands import LIMITS, UNITS, Band, Place, Quantity, Side, check_plausible, judge
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.naming import folded
from kindwhisk.core.values.solving import rising_root
from kindwhisk.core.values.technique import Technique

PUBLISHED = Estimate(low=0.4, likely=0.5, high=0.6, basis=Basis.PUBLISHED)


def test_a_range_of_a_ratio_is_as_wide_below_as_above() -> None:
    found = Estimate.around(120, 0.25, Basis.MODEL)
    assert (found.low, found.likely, found.high) == (96, 120, 150)
    assert found.basis is Basis.MODEL
    assert Estimate.around(120, 0.25).basis is Basis.HABIT


def test_figures_scale_shift_and_add_end_by_end() -> None:
    one = Estimate(low=1, likely=2, high=4, basis=Basis.FORMULA)
    assert one.scaled(3) == Estimate(low=3, likely=6, high=12, basis=Basis.FORMULA)
    assert one.shifted(-0.5) == Estimate(low=0.5, likely=1.5, high=3.5, basis=Basis.FORMULA)
    both = one.plus(Estimate(low=10, likely=20, high=40, basis=Basis.RECALLED))
    assert both == Estimate(low=11, likely=22, high=44, basis=Basis.RECALLED)
    assert Estimate.exact(3).low == Estimate.exact(3).high == 3


def test_a_figure_may_claim_no_more_than_its_weakest_part() -> None:
    assert Basis.weakest([Basis.MEASURED, Basis.MODEL, Basis.KITCHEN]) is Basis.MODEL
    assert Basis.weakest([Basis.HABIT, Basis.RECALLED]) is Basis.HABIT
    assert Basis.weakest([]) is Basis.PUBLISHED


@pytest.mark.parametrize(("low", "likely", "high"), [(2, 1, 3), (1, 3, 2), (3, 2, 1)])
def test_a_range_out_of_order_is_refused(low: float, likely: float, high: float) -> None:
    with pytest.raises(ValueError, match="low <= likely <= high"):
        Estimate(low=low, likely=likely, high=high, basis=Basis.MODEL)


@pytest.mark.parametrize(("value", "inside"), [(0.39, False), (0.4, True), (0.5, True), (0.6, True), (0.61, False)])
def test_the_ends_belong_to_the_range(value: float, inside: bool) -> None:
    assert PUBLISHED.contains(value) is inside


BAND = Band(
    quantity=Quantity.DENSITY,
    unit="g/ml",
    range=PUBLISHED,
    below=Side(word="light", means="too much air", can_do="fold on"),
    above=Side(word="heavy", means="air was lost", can_do="bake at once"),
)


@pytest.mark.parametrize(
    ("value", "place", "word", "means", "can_do"),
    [
        (0.39, Place.LOW, "light", "too much air", "fold on"),
        (0.4, Place.WITHIN, "within", "Where it should be.", "Go on."),
        (0.6, Place.WITHIN, "within", "Where it should be.", "Go on."),
        (0.61, Place.HIGH, "heavy", "air was lost", "bake at once"),
    ],
)
def test_a_value_is_set_on_its_band(value: float, place: Place, word: str, means: str, can_do: str) -> None:
    found = judge(value, BAND)
    assert (found.place, found.word, found.means, found.can_do) == (place, word, means, can_do)
    assert found.value == value


@pytest.mark.parametrize("quantity", list(Quantity))
def test_a_slip_is_told_with_its_side_and_its_unit(quantity: Quantity) -> None:
    limits = LIMITS[quantity]
    for edge in (limits.low, limits.high):
        check_plausible(edge, quantity, "value")
    for value, why in ((limits.low - 0.01, limits.below), (limits.high + 0.01, limits.above)):
        with pytest.raises(CraftError) as caught:
            check_plausible(value, quantity, "cup.value")
        assert why in str(caught.value)
        assert caught.value.field == "cup.value"
        assert f"{limits.low:g} and {limits.high:g}" in caught.value.remedy
        if UNITS[quantity] == "C":
            assert "°C" in caught.value.remedy


def test_a_curve_is_read_backward_to_its_root() -> None:
    assert rising_root(lambda x: x**3 - 2, 0, 5) == pytest.approx(2 ** (1 / 3), abs=1e-8)
    assert rising_root(lambda x: x - 7, 0, 5) == pytest.approx(5, abs=1e-8)
    assert rising_root(lambda x: x + 7, 0, 5) == pytest.approx(0, abs=1e-8)
    rough = rising_root(lambda x: x - 0.3, 0, 1, within=0.2)
    assert abs(rough - 0.3) <= 0.2


@given(st.floats(-50, 50), st.floats(0.1, 5))
def test_newtons_steps_find_what_halving_finds(root: float, steep: float) -> None:
    def curve(x: float) -> float:
        return math.sinh(steep * (x - root) / 20)

    halved = rising_root(curve, -100, 100)
    stepped = rising_root(curve, -100, 100, slope=lambda x: steep / 20 * math.cosh(steep * (x - root) / 20), guess=60)
    assert halved == pytest.approx(root, abs=1e-6)
    assert stepped == pytest.approx(root, abs=1e-6)


def test_a_known_slope_saves_most_of_the_steps() -> None:
    asked: list[float] = []

    def curve(x: float) -> float:
        asked.append(x)
        return math.exp(x) - 3

    rising_root(curve, -10, 10)
    halving = len(asked)
    asked.clear()
    assert rising_root(curve, -10, 10, slope=math.exp, guess=1.2) == pytest.approx(math.log(3), abs=1e-9)
    assert len(asked) < halving / 3


@pytest.mark.parametrize(
    ("spelled", "meant"),
    [
        ("génoise", Technique.GENOISE),
        ("genoise", Technique.GENOISE),
        ("GÉNOISE ", Technique.GENOISE),
        ("ladyfingers", Technique.LADYFINGERS),
        ("Lady  Fingers", Technique.LADYFINGERS),
    ],
)
def test_a_name_is_understood_in_its_spellings(spelled: str, meant: Technique) -> None:
    assert Technique(spelled) is meant


def test_a_name_of_another_thing_is_not_understood() -> None:
    assert folded("  Crème   BRÛLÉE ") == "creme brulee"
    for strange in ("bread", ""):
        with pytest.raises(ValueError, match="is not a valid"):
            Technique(strange)
