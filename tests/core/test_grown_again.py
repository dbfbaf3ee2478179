"""What is lost and grows again, or is wanted beyond what is there, in any state of any formula."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.process.changes.again import Again
from kindwhisk.core.process.changes.base import NotSo, Standing
from kindwhisk.core.process.changes.batch import Batch, InTheBowl
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.finished import offcuts
from kindwhisk.core.process.forecast import forecast, walk_prepared
from kindwhisk.core.process.gate import gates
from kindwhisk.core.process.walk import kept
from kindwhisk.core.values.errors import CraftError
from tests.core.courses import STATES, after, asked, conserved, course_of, total, upto, weighed


@settings(max_examples=150, deadline=None)
@given(STATES, st.data(), st.sampled_from([1.0, 0.5, 0.25]))
def test_begun_again_anywhere_the_end_weighs_the_same(
    state: tuple[str, int], data: st.DataObject, share: float
) -> None:
    course = course_of(state[0])
    at = upto(course.formula, state[1])
    step = data.draw(st.sampled_from([s.id for s in course.formula.steps]))
    followed = asked(Again(step=step, share=share), course, at)
    if followed is None:
        return
    assert total(followed.needed) == pytest.approx(total(followed.lost), rel=1e-6)
    before, now = course.formula.total_g(), followed.course.formula.total_g()
    if step in at.begun:
        assert now - before == pytest.approx(total(followed.needed), rel=1e-6)
    conserved(followed.course)
    # A part that bakes alone loses a little more of its water.
    assert weighed(followed.course).ends == pytest.approx(weighed(course).ends, rel=0.04)
    assert forecast(followed.course.formula, followed.course.setting).steps


@settings(max_examples=80, deadline=None)
@given(STATES, st.sampled_from([0.5, 1.5, 2.0, 3.0]))
def test_more_or_less_of_it_weighs_so_much_at_the_end(state: tuple[str, int], times: float) -> None:
    course = course_of(state[0])
    at = upto(course.formula, state[1])
    followed = asked(Batch(times=times), course, at)
    if followed is None:
        return
    conserved(followed.course)
    # What has gone its whole way already stays as it was.
    done = _there(course, at) - _still_growing(course, at)
    assert _there(followed.course, at) - done == pytest.approx(times * _still_growing(course, at), rel=0.05)
    added = followed.course.formula.total_g() - course.formula.total_g()
    assert (added, total(followed.lost) > 0) == (
        pytest.approx(total(followed.needed), rel=1e-6) if times > 1 else added,
        times < 1 and bool(followed.lost),
    )


def _still_growing(course: Course, at: Standing) -> float:
    """Grams at the end of results that were not begun."""
    walked = walk_prepared(course.formula, course.setting)
    taken = {p.step for w in walked for p in w.step.inputs if p.source == "step"}
    ends = [w for w in walked if w.step.id not in taken and w.step.id not in at.begun]
    return sum(kept(w.outcome.material).mass_g for w in ends) + _cut_ahead(course, at)


def _there(course: Course, at: Standing) -> float:
    """Grams at the end, and what is still to be cut off on the way there."""
    return weighed(course).ends + _cut_ahead(course, at)


def _cut_ahead(course: Course, at: Standing) -> float:
    walked = walk_prepared(course.formula, course.setting)
    return sum(o.left_g for o in offcuts(course.formula, walked) if o.step not in at.begun)


def test_whites_lost_in_their_bowl_leave_the_base_alone() -> None:
    course = course_of("tea-chiffon")
    at = after(course.formula, "whip", "add-flour")
    followed = Again(step="whip").followed(course, at)
    new = [s.id for s in followed.course.formula.steps if s.again]
    assert new == ["weigh-whites-2", "weigh-sugar-2", "whip-2"]
    assert followed.gone == {"whip"}
    assert followed.needed == {"egg-white": 122, "sugar": 55, "cream-of-tartar": 0.5}
    assert {p.step for p in followed.course.formula.step("fold").inputs} == {"loosen", "whip-2"}  # type: ignore[union-attr]
    assert followed.course.formula.step("whip-2").title == "Whip whites and sugar, again"


def test_after_a_third_has_gone_into_the_base_only_the_rest_is_made_anew() -> None:
    course = course_of("tea-chiffon")
    followed = Again(step="whip").followed(course, after(course.formula, "loosen"))
    assert followed.needed["egg-white"] == pytest.approx(0.7 * 122)
    assert [p.step for p in followed.course.formula.step("fold").inputs] == ["loosen", "whip-2"]  # type: ignore[union-attr]


def test_a_batter_lost_in_the_bowl_takes_everything_that_was_in_it() -> None:
    course = course_of("tea-chiffon")
    at = after(course.formula, "fold")
    followed = Again(step="whip").followed(course, at)
    assert total(followed.lost) == pytest.approx(course.formula.total_g())
    assert followed.gone == {"fold"}
    assert followed.course.formula.total_g() == pytest.approx(2 * course.formula.total_g())


def test_lost_once_more_it_is_made_a_third_time() -> None:
    course = course_of("tea-chiffon")
    once = Again(step="whip").followed(course, after(course.formula, "whip")).course
    twice = Again(step="whip-2").followed(once, after(once.formula, "whip", "whip-2")).course
    assert [s.title for s in twice.formula.steps if s.origin == "whip"] == [
        "Whip whites and sugar", "Whip whites and sugar, again", "Whip whites and sugar, a third time",
    ]  # fmt: skip
    conserved(twice)


def test_one_of_two_tins_dropped_is_baked_again_alone() -> None:
    course = course_of("tea-chiffon").model_copy(update={"tin_count": 2})
    course = course.model_copy(update={"formula": course.formula.scaled(2)})
    followed = Again(step="bake", share=0.5).followed(course, after(course.formula, "bake"))
    walked = {w.step.id: w for w in walk_prepared(followed.course.formula, followed.course.setting)}
    assert (walked["bake"].place.tins.count, walked["bake-2"].place.tins.count) == (2, 1)
    one = course_of("tea-chiffon")
    alone = {w.step.id: w for w in walk_prepared(one.formula, one.setting)}
    assert walked["bake-2"].outcome.duration_s.likely == pytest.approx(
        alone["bake"].outcome.duration_s.likely, rel=0.02
    )
    assert sum(s.kind == "preheat" for s in forecast(followed.course.formula, followed.course.setting).steps) == 1


def test_half_a_syrup_is_not_topped_up() -> None:
    course = course_of("syrup-peaks")
    at = after(course.formula, "whip-boil", running=("whip-boil",))
    with pytest.raises(CraftError, match="can't be made once more beside the rest"):
        Again(step="whip-boil", share=0.5).followed(course, at)
    assert Again(step="whip-boil").followed(course, at).gone == {"whip-boil"}


def test_what_was_only_weighed_can_be_dropped_too() -> None:
    course = course_of("tea-chiffon")
    followed = Again(step="weigh-whites").followed(course, upto(course.formula, 0))
    assert followed.needed == {"egg-white": 122}
    with pytest.raises(NotSo, match="was not begun"):
        Again(step="fold").followed(course, upto(course.formula, 0))


def test_six_whites_where_three_were_meant_are_not_asked_for_twice() -> None:
    course = course_of("tea-chiffon")
    at = after(course.formula, "weigh-whites", "weigh-sugar")
    followed = Batch(weighed=InTheBowl(step="weigh-whites", grams=244)).followed(course, at)
    formula = followed.course.formula
    assert formula.grams_of("egg-white") == pytest.approx(244)
    assert "egg-white" not in followed.needed
    assert followed.needed["sugar"] == pytest.approx(55 + 18)
    assert [s.id for s in formula.steps if s.again] == ["weigh-sugar-2"]
    assert formula.total_g() == pytest.approx(2 * course.formula.total_g())


def test_less_of_it_leaves_something_over() -> None:
    course = course_of("tea-chiffon")
    followed = Batch(times=0.5).followed(course, after(course.formula, "add-flour"))
    assert followed.needed == {}
    assert followed.lost["cake-flour"] == pytest.approx(31)
    assert weighed(followed.course).ends == pytest.approx(weighed(course).ends / 2, rel=0.03)


def test_a_syrup_on_the_flame_is_neither_more_nor_less() -> None:
    course = course_of("syrup-peaks")
    with pytest.raises(NotSo, match="nothing can be added to it"):
        Batch(times=2).followed(course, after(course.formula, "whip-boil"))


def test_the_gate_of_what_is_made_again_asks_for_a_clean_bowl_once_more() -> None:
    course = course_of("syrup-peaks")
    at = after(course.formula, "whip-boil", "whip-soft", running=("whip-boil",))
    changed = Again(step="whip-soft").followed(course, at).course
    made = {g.step: {i.id for i in g.items} for g in gates(forecast(changed.formula, changed.setting))}
    before = {g.step: {i.id for i in g.items} for g in gates(forecast(course.formula, course.setting))}
    assert made["whip-soft-2"] - before["whip-soft"] == {"have-clean-bowl-whip-soft-2", "have-beater-whip-soft-2"}
