"""A fold by another school, and foams by what they are made of."""

from __future__ import annotations

import pytest

from kindwhisk.core.foams import foam
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.meringue_foam import density_of, holds_s
from kindwhisk.core.folding.plan import FoldSchool
from kindwhisk.core.process.comparison import compare
from kindwhisk.core.process.fold_schools import CAN_BECOME, folds, with_school
from kindwhisk.core.process.forecast import forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import demo_formulas, tea_chiffon
from tests.core.strategies import setting_of

FOLDED = [f for f in demo_formulas() if folds(f)]


@pytest.mark.parametrize("formula", FOLDED, ids=lambda f: f.id)
@pytest.mark.parametrize("school", CAN_BECOME)
def test_every_fold_becomes_every_school_and_back(formula: Formula, school: FoldSchool) -> None:
    step, fold = next(iter(folds(formula).items()))
    other = with_school(formula, step, school)
    assert folds(other)[step].school is school
    assert other.total_g() == pytest.approx(formula.total_g())
    batter = forecast(other, setting_of(other)).step(step)
    assert batter.material.mass_g == pytest.approx(forecast(formula, setting_of(formula)).step(step).material.mass_g)
    back = with_school(other, step, fold.school)
    assert folds(back)[step].school is fold.school


def test_another_school_is_told_with_all_that_follows() -> None:
    before = tea_chiffon()
    after = with_school(before, "fold", FoldSchool.INTO_FOAM)
    assert [s.id for s in after.steps if s.kind == "fold"] == ["fold"]
    assert after.step("fold").vessel == "mixer-bowl"
    differences = compare(forecast(before, setting_of(before)), forecast(after, setting_of(after)))
    assert any("fold" in d.model_dump_json().lower() for d in differences)
    course = forecast(after, setting_of(after)).folds[0]
    assert [a.into for a in course.additions] == ["the meringue", "the meringue"]


def test_a_school_that_wants_another_base_says_so() -> None:
    with pytest.raises(CraftError) as error:
        with_school(tea_chiffon(), "fold", FoldSchool.IN_TURNS)
    assert error.value.field == "school"
    with pytest.raises(CraftError, match="ends no fold"):
        with_school(tea_chiffon(), "whip", FoldSchool.THIRDS)


def test_foams_follow_sugar_and_warmth() -> None:
    assert foam.ribbon_density(0.8, 42).likely > foam.ribbon_density(0.5, 42).likely
    assert foam.ribbon_density(0.55, 42).likely == pytest.approx(0.25)
    for method in (Method.SWISS, Method.ITALIAN):
        assert density_of(2.0, method, 60).likely > density_of(1.0, method, 60).likely
        assert holds_s(2.0, method, 118).likely > holds_s(1.0, method, 118).likely
    assert holds_s(1.7, Method.ITALIAN, 121).likely > holds_s(1.7, Method.ITALIAN, 112).likely > 0
