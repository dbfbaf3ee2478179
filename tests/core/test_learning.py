"""What a kitchen's own bakes do to the next forecast, and what a slip among them does not."""

from __future__ import annotations

import itertools
import math
import statistics

import pytest
from hypothesis import given
from hypothesis import strategies as st

from benchmarks.kitchens import BAKES, HABITS, covered
from kindwhisk.core.learning.dots import Dot, doubt_of, trust
from kindwhisk.core.learning.expected import ASKED_SD, Expected, expected, off_by
from kindwhisk.core.learning.figures import SPREADS, Figure, effect, prior_sd, priors
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.values.bands import Band, Place, Quantity, Side, judge
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate

WHIP = Estimate.around(300, 0.35, Basis.HABIT)


def effects(formula: str = "a", figure: Figure = Figure.WHIP, kind: str = "French meringue") -> tuple[str, ...]:
    names = {"kind": kind, "family": kind, "formula": formula}
    return tuple(effect(level, names.get(level, "here")) for level in SPREADS[figure].levels)


def dots(*ratios: float, formula: str = "a", figure: Figure = Figure.WHIP, modelled: float = 300) -> tuple[Dot, ...]:
    return tuple(
        Dot(
            id=f"{formula}-{i}",
            figure=figure,
            effects=effects(formula, figure),
            observed=r * modelled,
            modelled=modelled,
            doubt=doubt_of(WHIP),
        )
        for i, r in enumerate(ratios)
    )


def whip(known: tuple[Dot, ...], formula: str = "a", kind: str = "French meringue") -> Expected:
    return expected(known, Figure.WHIP, effects(formula, kind=kind), WHIP)


def test_without_bakes_a_figure_is_the_models_with_the_priors_own_range() -> None:
    first = whip(()).made
    assert (first.likely, first.basis, first.bakes) == (300, Basis.HABIT, 0)
    assert first.high / 300 == pytest.approx(max(1.35, math.exp(RANGE_SD * prior_sd(Figure.WHIP))))
    sure = expected((), Figure.WHIP, effects(), Estimate.around(300, 0.05, Basis.FORMULA)).made
    assert sure.high / 300 == pytest.approx(math.exp(RANGE_SD * prior_sd(Figure.WHIP)), rel=1e-6)


def test_bakes_narrow_it_and_lead_it_to_what_they_took() -> None:
    own = whip(dots(*[1.2] * 6)).made
    assert own.basis is Basis.KITCHEN
    assert own.bakes == 6
    assert own.likely == pytest.approx(360, rel=0.03)
    assert own.high / own.low < whip(()).made.high / whip(()).made.low
    # A next bake differs by its own noise, however many were made.
    many = whip(dots(*[1.2] * 60)).made
    assert many.high / many.likely > math.exp(RANGE_SD * SPREADS[Figure.WHIP].noise)


@pytest.mark.parametrize("slip", [10.0, 0.1, 60.0, 1 / 60])
@pytest.mark.parametrize("before", [0, 1, 3, 8])
def test_a_slip_of_the_finger_moves_no_forecast(slip: float, before: int) -> None:
    good = dots(*[1.1, 0.98, 1.05, 1.02, 1.08, 0.95, 1.04, 1.0][:before])
    (wrong,) = (d.model_copy(update={"id": "slip"}) for d in dots(slip))
    clean, spoilt = whip(good), whip((*good, wrong))
    assert spoilt.made.likely == pytest.approx(clean.made.likely, rel=0.01)
    later = tuple(d.model_copy(update={"id": f"later-{d.id}"}) for d in dots(1.03, 0.99, 1.06, 1.01, 1.04))
    assert whip((*good, wrong, *later)).made.likely == pytest.approx(whip((*good, *later)).made.likely, rel=0.01)
    assert trust((*good, wrong))["slip"] < 0.02


def test_a_height_of_seven_hundred_for_seventy_moves_nothing() -> None:
    stood = dots(1.0, 1.05, 0.97, figure=Figure.HEIGHT, modelled=71)
    (wrong,) = (d.model_copy(update={"id": "slip"}) for d in dots(10, figure=Figure.HEIGHT, modelled=71))
    tall = Estimate.around(71, 0.2, Basis.MODEL)
    clean = expected(stood, Figure.HEIGHT, effects(figure=Figure.HEIGHT), tall)
    spoilt = expected((*stood, wrong), Figure.HEIGHT, effects(figure=Figure.HEIGHT), tall)
    assert spoilt.made.likely == pytest.approx(clean.made.likely, rel=0.01)


def test_one_entry_in_ten_wrong_by_two_costs_little() -> None:
    good = [1.02, 0.97, 1.05, 1.0, 0.95, 1.03, 1.01, 0.98, 1.04]
    for slip in (2.0, 0.5):
        told = whip(dots(*good, slip)).made
        assert told.likely == pytest.approx(whip(dots(*good)).made.likely, rel=0.03)
        assert told.contains(300)


def test_what_mixer_and_kind_do_carries_over_to_a_copy_of_the_formula() -> None:
    known = dots(*[1.43] * 14)
    same, copy = whip(known).made, whip(known, "copy").made
    assert same.likely == pytest.approx(429, rel=0.02)
    assert copy.likely == pytest.approx(429, rel=0.07)
    assert same.high / same.low < copy.high / copy.low < whip(()).made.high / whip(()).made.low
    other = whip(known, "other", "ribbon").made
    assert 300 < other.likely < copy.likely


def test_a_formula_that_differs_keeps_its_own_pace_beside_the_mixers() -> None:
    known = (*dots(*[1.0] * 8), *dots(*[1.25] * 8, formula="b"))
    assert whip(known, "a").made.likely < whip(known, "c").made.likely < whip(known, "b").made.likely
    assert whip(known, "b").made.likely / whip(known, "a").made.likely > 1.12


def test_what_the_model_does_not_know_of_a_formula_its_own_bakes_tell() -> None:
    unsure = Estimate.around(300, 1.0, Basis.HABIT)
    assert priors(Figure.WHIP, effects(), doubt_of(unsure))[effect("formula", "a")] > 0.3
    one = dots(1.8)[0].model_copy(update={"doubt": doubt_of(unsure)})
    told = expected((one,), Figure.WHIP, effects(), unsure).made
    assert told.likely > 460
    assert expected((one,), Figure.WHIP, effects("b"), unsure).made.likely < 400


@given(st.permutations([1.0, 1.1, 0.93, 1.05, 9.0, 1.02]))
def test_the_order_of_bakes_does_not_matter(ratios: list[float]) -> None:
    ordered = sorted(ratios)
    assert whip(dots(*ratios)).made.likely == pytest.approx(whip(dots(*ordered)).made.likely, rel=1e-3)


@given(st.lists(st.floats(0.95, 1.06), min_size=1, max_size=8))
def test_each_bake_that_agrees_makes_it_surer(ratios: list[float]) -> None:
    spans = [whip(dots(*ratios[:n])).made for n in range(len(ratios) + 1)]
    assert all(later.high / later.low < before.high / before.low for before, later in itertools.pairwise(spans))


@given(st.floats(0.85, 1.2), st.integers(1, 5))
def test_not_yet_at_never_shortens(ratio: float, count: int) -> None:
    looked = tuple(d.model_copy(update={"above": True}) for d in dots(*[ratio] * count))
    told = whip(looked)
    assert told.made.likely >= 300 - 1e-6
    assert told.made.bakes == 0


@given(st.floats(0.5, 2.0), st.floats(1.0, 500.0))
def test_a_figure_learns_alike_in_any_unit(ratio: float, unit: float) -> None:
    there = expected(dots(ratio), Figure.WHIP, effects(), WHIP).made
    scaled = expected(dots(ratio, modelled=300 * unit), Figure.WHIP, effects(), WHIP.scaled(unit)).made
    assert scaled.likely == pytest.approx(there.likely * unit, rel=1e-6)


def test_a_figure_of_one_kind_teaches_none_of_another() -> None:
    record = KitchenRecord(dots=dots(*[1.4] * 6))
    assert record.expected(Figure.WHIP, effects(), WHIP).made.likely > 390
    for figure in set(Figure) - {Figure.WHIP}:
        assert record.expected(figure, effects(figure=figure), WHIP).made.likely == pytest.approx(300)


@pytest.mark.parametrize("habits", HABITS, ids=lambda h: h.figure.name.lower())
def test_ranges_hold_what_a_strange_kitchen_does_from_its_first_bake_on(habits: object) -> None:
    told = covered(habits, seed=41, kitchens=160)  # type: ignore[arg-type]
    assert set(told) == set(BAKES)
    # 160 kitchens tell a share within a twentieth or so.
    assert all(0.70 <= share <= 0.95 for share in told.values()), told
    assert 0.75 <= statistics.fmean(told.values()) <= 0.90


def test_three_deviations_are_asked_about_on_either_side() -> None:
    usual = Estimate(low=0.15, likely=0.17, high=0.20, basis=Basis.MODEL)
    assert off_by(0.17, usual) == 0
    assert off_by(0.20, usual) == pytest.approx(RANGE_SD)
    assert off_by(0.15, usual) == pytest.approx(-RANGE_SD)
    assert off_by(1.01, usual) > ASKED_SD
    assert off_by(0.017, usual) < -ASKED_SD
    assert off_by(0.18, Estimate.exact(0.17)) == math.inf


def test_a_value_is_judged_with_what_it_means_and_what_can_be_done() -> None:
    band = Band(
        quantity=Quantity.DENSITY,
        unit="g/ml",
        range=Estimate(low=0.15, likely=0.17, high=0.19, basis=Basis.MODEL),
        below=Side(word="dry", means="past the peak", can_do="fold at once"),
        above=Side(word="loose", means="not enough air", can_do="a minute more"),
    )
    assert judge(0.15, band).place is Place.WITHIN
    assert judge(0.21, band).can_do == "a minute more"
    assert judge(0.12, band).means == "past the peak"
