"""What past bakes tell a formula that has been changed since."""

from __future__ import annotations

from kindwhisk.bench.bench import Bench
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.process.meringue import with_method
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.estimate import Basis
from kindwhisk.demo.formulas import tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.demo.seed import seed


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
