"""What past bakes tell a formula that has been changed since."""

from __future__ import annotations

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.process.meringue import with_method
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.estimate import Basis
from kindwhisk.demo.formulas import tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.demo.seed import seed
from tests.bench.helpers import Baker


def test_a_meringue_made_otherwise_learns_nothing_from_the_old_one(empty_bench: Bench) -> None:
    seed(empty_bench)
    own = empty_bench.record_of(tea_chiffon())
    assert len(own.densities["whip"]) == 5
    for method in (Method.SWISS, Method.ITALIAN):
        changed = empty_bench.record_of(with_method(tea_chiffon(), "whip", method))
        assert "whip" not in changed.times
        assert "whip" not in changed.densities
        # The oven is the same one.
        assert changed.times["preheat-bake"] == own.times["preheat-bake"]


def test_finished_heights_teach_the_rise(empty_bench: Bench) -> None:
    seed(empty_bench)
    formula = tea_chiffon()
    record = empty_bench.record_of(formula)
    assert len(record.heights) == 6
    plain = scale(formula, demo_kitchen(), Wish()).forecast.step("fill").section
    own = scale(formula, demo_kitchen(), Wish(), record).forecast.step("fill").section
    low = tuple((0.8 * observed, modelled) for observed, modelled in record.heights)
    lower = record.model_copy(update={"heights": low})
    flat = scale(formula, demo_kitchen(), Wish(), lower).forecast.step("fill").section
    assert plain is not None
    assert own is not None
    assert flat is not None
    assert plain.rise_mm is not None
    assert own.rise_mm is not None
    assert flat.rise_mm is not None
    assert (plain.rise_mm.basis, own.rise_mm.basis, own.rise_mm.bakes) == (Basis.MODEL, Basis.KITCHEN, 6)
    assert own.rise_mm.high - own.rise_mm.low < plain.rise_mm.high - plain.rise_mm.low
    assert flat.rise_mm.likely < own.rise_mm.likely
    # A batter that is made otherwise learns nothing from these.
    assert empty_bench.record_of(with_method(formula, "whip", Method.SWISS)).heights == ()


def baked(bench: Bench, formula: str = "tea-chiffon", *, stars: int = 4, height_mm: float | None = 71) -> Baker:
    """A bake through to its record: the whites took 1.5 times as long as planned, and a cup of them read .160."""
    baker = Baker(bench, formula, hours=12)
    while (state := baker.state).current is not None:
        step = state.current
        if step == "whip":
            baker.tick_all()
            baker.tell("step_started", step=step)
            baker.wait(1.5 * baker.state.details[step].forecast.duration_s.likely)
            baker.tell("reading_added", step=step, quantity="density", value=0.16)
            baker.tell("step_done", step=step)
        else:
            baker.go_on()
    baker.tell("outcome_recorded", stars=stars, height_mm=height_mm)
    baker.tell("bake_finished")
    return baker


def test_a_finished_bake_teaches_times_cups_and_height(bench: Bench) -> None:
    formula = tea_chiffon()
    assert bench.record_of(formula).times == {}
    plain = scale(formula, demo_kitchen(), Wish()).forecast
    baked(bench)
    record = bench.record_of(formula)
    ((observed, modelled),) = record.times["whip"]
    assert observed == pytest.approx(1.5 * plain.step("whip").duration_s.likely, rel=0.02)
    assert modelled == pytest.approx(plain.step("whip").modelled_s, rel=0.02)
    assert record.densities == {"whip": (0.16,)}
    ((stood, meant),) = record.heights
    assert stood == 71
    fill = plain.step("fill").section
    assert fill is not None
    assert fill.rise_mm is not None
    assert fill.level_mm < meant < fill.rim_mm * 1.3
    # What the hands do throughout teaches no time, nor does a fold of which only the foam was weighed.
    by_hand = {s.id for s in plain.steps if s.attention is Attention.THROUGHOUT}
    assert by_hand
    assert by_hand.isdisjoint(record.times)
    assert record.kept == {}
    # The same kind of step, on something as warm, keeps its times whatever else is changed.
    sweeter = formula.model_copy(
        update={"steps": tuple(s.model_copy(update={"note": "later"}) if s.id == "fill" else s for s in formula.steps)}
    )
    assert bench.record_of(sweeter).times == record.times


def test_a_bake_that_was_not_good_teaches_times_and_no_cups(bench: Bench) -> None:
    baked(bench, stars=2, height_mm=None)
    record = bench.record_of(tea_chiffon())
    assert set(record.times) >= {"whip", "bake"}
    assert (record.densities, record.heights) == ({}, ())


def test_a_bake_that_goes_on_or_was_given_up_teaches_nothing(bench: Bench) -> None:
    baker = Baker(bench, "tea-chiffon", hours=12)
    baker.until("fold")
    assert bench.record_of(tea_chiffon()).times == {}
    baker.tell("bake_abandoned", reason="The eggs were off.")
    assert bench.record_of(tea_chiffon()).times == {}
