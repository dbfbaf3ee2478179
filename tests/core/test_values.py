"""Figures, their ranges, and what is worked out from them, against values worked out by hand."""

from __future__ import annotations

import math
import statistics

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.learning import ENOUGH_FOR_BAND, UNLEARNED, corrected, learned_factor, personal_band
from kindwhisk.core.values.bands import LIMITS, UNITS, Band, Place, Quantity, Side, check_plausible, judge
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
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


def test_the_first_bake_moves_a_factor_by_the_gain_of_its_variances() -> None:
    learned = learned_factor([(150, 100)])
    gain = 0.15**2 / (0.15**2 + 0.10**2)
    assert learned.factor == pytest.approx(math.exp(gain * math.log(1.5)))
    assert learned.log_sd == pytest.approx(0.15 * math.sqrt(1 - gain))
    assert learned.bakes == 1


def test_many_bakes_tell_what_their_precisions_add_up_to() -> None:
    ratios = [1.2, 1.3, 1.25, 1.1]
    learned = learned_factor([(r * 60, 60) for r in ratios], prior_sd=0.2, noise_sd=0.05)
    own, prior = len(ratios) / 0.05**2, 1 / 0.2**2
    mean = statistics.fmean(math.log(r) for r in ratios)
    assert math.log(learned.factor) == pytest.approx(own * mean / (own + prior))
    assert learned.log_sd == pytest.approx((own + prior) ** -0.5)
    assert learned.bakes == 4


def test_a_time_of_nothing_teaches_nothing() -> None:
    assert learned_factor([(0, 100), (100, 0), (-3, 5)]) == UNLEARNED
    assert learned_factor([(0, 100), (110, 100)]) == learned_factor([(110, 100)])


def test_a_duration_is_set_right_with_a_range_from_what_is_known_and_what_varies() -> None:
    model = Estimate(low=500, likely=600, high=700, basis=Basis.MODEL)
    assert corrected(model, []) == model
    found, learned = corrected(model, [(720, 600), (700, 600)]), learned_factor([(720, 600), (700, 600)])
    assert found.likely == pytest.approx(600 * learned.factor)
    reach = math.exp(RANGE_SD * math.sqrt(learned.log_sd**2 + 0.1**2))
    assert found.high == pytest.approx(found.likely * reach)
    assert found.low == pytest.approx(found.likely / reach)
    assert (found.basis, found.bakes) == (Basis.KITCHEN, 2)


def test_a_band_becomes_the_kitchens_own_after_enough_good_bakes() -> None:
    values = [0.44, 0.46, 0.5, 0.52, 0.43]
    assert personal_band(values[: ENOUGH_FOR_BAND - 1], PUBLISHED) == PUBLISHED
    own = personal_band(values, PUBLISHED)
    mean, sd = statistics.fmean(values), statistics.stdev(values)
    assert (own.low, own.likely, own.high) == pytest.approx((mean - 1.4 * sd, mean, mean + 1.4 * sd))
    assert (own.basis, own.bakes) == (Basis.KITCHEN, 5)


def test_a_band_is_never_narrower_than_a_cup_can_be_read() -> None:
    own = personal_band([0.5] * 6, PUBLISHED)
    assert (own.low, own.high) == pytest.approx((0.48, 0.52))


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
