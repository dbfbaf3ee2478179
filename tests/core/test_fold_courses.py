"""The fold of every formula of the Book, in any amount: what its course and its vessels must always hold."""

from __future__ import annotations

from hypothesis import given, settings

from kindwhisk.core.process.forecast import forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.walk import Measured, Observed
from tests.core.strategies import formulas, setting_of, sizes, tea_chiffon

FOLDS = {"fold", "macaronage"}


@settings(max_examples=40)
@given(formulas, sizes)
def test_a_course_tells_every_addition_once_and_makes_no_air(formula: Formula, size: float) -> None:
    seen = forecast(formula.scaled(size), setting_of(formula))
    told = [a.step for course in seen.folds for a in course.additions]
    assert set(told) <= {s.id for s in seen.steps if s.kind in FOLDS}
    assert len({s for c in seen.folds for s in c.steps}) == sum(len(c.steps) for c in seen.folds)
    for course in seen.folds:
        assert 0 < course.air_kept.likely <= 1 + 1e-9
        assert course.air_kept.low <= course.air_kept.likely <= course.air_kept.high
        assert course.foam_g_per_ml <= course.base_g_per_ml
        assert all(a.kept <= 1 + 1e-9 and a.what for a in course.additions)
        last = seen.step(course.additions[-1].step).material.density_g_per_ml.likely
        assert abs(course.additions[-1].density_g_per_ml.likely - last) < 1e-9


@settings(max_examples=40)
@given(formulas, sizes)
def test_vessels_before_a_step_hold_at_least_what_it_takes(formula: Formula, size: float) -> None:
    seen = forecast(formula.scaled(size), setting_of(formula))
    for step in seen.steps:
        if step.kind not in FOLDS | {"fill", "pipe", "split"}:
            assert step.before == ()
            continue
        standing = sum(s.volume_ml.likely * s.density_g_per_ml.likely for s in step.before)
        taken = sum(i.grams for i in step.inputs if i.step)
        assert standing >= taken * 0.999 or any(s.count > 1 for s in step.before)


def test_a_cup_at_the_last_fold_ends_the_course_there() -> None:
    chiffon = tea_chiffon()
    seen = forecast(chiffon, setting_of(chiffon), Observed({"fold": Measured(0.5)}))
    (course,) = seen.folds
    assert course.additions[-1].density_g_per_ml.likely == seen.step("fold").material.density_g_per_ml.likely
    waited = forecast(chiffon, setting_of(chiffon), Observed({}, {"whip": 900.0})).folds[0]
    fresh = forecast(chiffon, setting_of(chiffon)).folds[0]
    assert waited.foam_g_per_ml > fresh.foam_g_per_ml
    assert waited.additions[-1].density_g_per_ml.likely > fresh.additions[-1].density_g_per_ml.likely
