"""A process changed while it is being made: what is lost and what grows again, in any state of any formula."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import UTC, datetime, timedelta
from typing import NamedTuple

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.kitchen import Person
from kindwhisk.core.process.changes.again import Again
from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing
from kindwhisk.core.process.changes.batch import Batch, InTheBowl
from kindwhisk.core.process.changes.hands import TakenOver
from kindwhisk.core.process.changes.ingredients import Instead, LeftOut, WeighedOtherwise
from kindwhisk.core.process.changes.order import Earlier, Together
from kindwhisk.core.process.changes.oven import OtherOven
from kindwhisk.core.process.changes.pause import Keep, Paused
from kindwhisk.core.process.changes.remedy import Remedied
from kindwhisk.core.process.changes.tins import OtherTins
from kindwhisk.core.process.changes.when import Retimed
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.forecast import forecast, walk_prepared
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.gate import gates
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import MoreTins, Wish
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen

NOW = datetime(2026, 11, 2, 7, 0, tzinfo=UTC)
FORMULAS = {f.id: f for f in demo_formulas()}
KITCHEN = demo_kitchen()


def course_of(formula_id: str) -> Course:
    made = scale(FORMULAS[formula_id], KITCHEN, Wish())
    return Course(
        formula=made.formula, kitchen=KITCHEN, oven=made.oven, tin_name=made.tin_name, tin=made.tin,
        tin_wall=made.tin_wall, tin_count=made.tin_count,
    )  # fmt: skip


def upto(formula: Formula, count: int) -> Standing:
    """The first so many steps are done."""
    return Standing(frozenset(s.id for s in formula.steps[:count]), frozenset(), NOW)


def after(formula: Formula, *done: str, running: tuple[str, ...] = ()) -> Standing:
    """These steps and all that leads to them are done."""
    begun = set(done)
    for step in reversed(formula.steps):
        if step.id in begun:
            begun |= {p.step for p in step.inputs if p.source == "step"}
    return Standing(frozenset(begun), frozenset(running), NOW)


def total(amounts: Mapping[str, float]) -> float:
    return sum(amounts.values())


class Weighed(NamedTuple):
    """Grams that went in, that stand at the end (in however many last results), were lost, and went off as steam."""

    came_in: float
    ends: float
    lost: float
    steam: float


def weighed(course: Course) -> Weighed:
    walked = walk_prepared(course.formula, course.setting)
    taken = {p.step for w in walked for p in w.step.inputs if p.source == "step"}
    flows = Flows(course.formula)
    masses = {w.step.id: w.outcome.material.mass_g for w in walked}
    return Weighed(
        course.formula.total_g(),
        sum(masses[s.id] * flows.left(s.id, ()) for s in course.formula.steps if s.id not in taken),
        sum(loss.share * masses[loss.step] for loss in course.formula.lost),
        sum(sum(m.mass_g for m in w.intake) - w.outcome.material.mass_g for w in walked),
    )


def conserved(course: Course) -> None:
    """What came in is there, or lost, or steam."""
    found = weighed(course)
    assert found.came_in == pytest.approx(found.ends + found.lost + found.steam, rel=1e-6)


def asked(change: ChangeBase, course: Course, at: Standing) -> Followed | None:
    """What follows, or nothing where it is refused; a refusal says what to do."""
    try:
        return change.followed(course, at)
    except CraftError as refusal:
        if not (refusal.field and refusal.remedy):
            raise
        return None


STATES = st.sampled_from(sorted(FORMULAS)).flatmap(
    lambda i: st.tuples(st.just(i), st.integers(0, len(FORMULAS[i].steps)))
)


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
    done = weighed(course).ends - _still_growing(course, at)
    assert weighed(followed.course).ends - done == pytest.approx(times * _still_growing(course, at), rel=0.05)
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
    return sum(w.outcome.material.mass_g for w in ends)


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


def test_another_ingredient_goes_only_into_what_is_still_to_come() -> None:
    course = course_of("tea-chiffon")
    at = after(course.formula, "weigh-yolks")
    followed = Instead(ingredient="sugar", into="icing-sugar").followed(course, at)
    assert followed.course.formula.grams_of("sugar") >= 18
    assert followed.course.formula.grams_of("icing-sugar") > 50
    assert followed.course.formula.ledger
    with pytest.raises(CraftError, match="None of the steps ahead"):
        Instead(ingredient="egg-yolk", into="yolk-pasteurised").followed(course, at)


def test_left_out_its_weighing_goes_with_it() -> None:
    course = course_of("tea-chiffon")
    at = upto(course.formula, 0)
    left = LeftOut(ingredient="egg-white").followed(course, at).course.formula
    assert "weigh-whites" not in {s.id for s in left.steps}
    assert LeftOut(ingredient="salt").followed(course, at).course.formula.grams_of("salt") == 0
    with pytest.raises(CraftError, match="None of the steps ahead"):
        LeftOut(ingredient="saffron").followed(course, at)


def test_another_weight_of_one_thing_changes_that_alone() -> None:
    course = course_of("tea-chiffon")
    formula = WeighedOtherwise(step="weigh-milk", ingredient="milk", grams=60).followed(
        course, after(course.formula, "weigh-milk")
    ).course.formula  # fmt: skip
    assert formula.grams_of("milk") == 60
    assert formula.total_g() == pytest.approx(course.formula.total_g() + 14)


def test_butter_before_flour_and_both_in_one_go() -> None:
    course = course_of("bare-sponge")
    at = upto(course.formula, 0)
    formula = Earlier(step="fold-flour").followed(course, at).course.formula
    order = [s.id for s in formula.steps]
    assert order.index("fold-flour") < order.index("fold-yolks")
    assert next(p.step for p in formula.step("fold-yolks").inputs if p.source == "step") == "fold-flour"
    conserved(course.model_copy(update={"formula": formula}))
    merged = Together(step="fold-flour").followed(course, at).course.formula
    ids = {s.id for s in merged.steps}
    assert "fold-yolks-and-fold-flour" in ids
    assert not ids & {"fold-yolks", "fold-flour"}
    assert merged.total_g() == pytest.approx(course.formula.total_g())
    conserved(course.model_copy(update={"formula": merged}))
    with pytest.raises(NotSo, match="something of its own"):
        Together(step="steep").followed(course_of("tea-chiffon"), upto(course.formula, 0))
    with pytest.raises(NotSo, match="was begun"):
        Earlier(step="fold-flour").followed(course, after(course.formula, "fold-flour"))


def test_another_oven_is_heated_once_more() -> None:
    course = course_of("tea-chiffon")
    at = after(course.formula, "add-flour")
    hot = Standing(at.begun | {"preheat-bake"}, frozenset(), NOW)
    followed = OtherOven(oven_c=160).followed(course, hot)
    assert followed.to_redo == {"preheat-bake"}
    assert followed.course.formula.step("bake").heats_oven_c == 160
    with pytest.raises(NotSo, match="Nothing is still to be baked"):
        OtherOven(oven_c=160).followed(course, after(course.formula, "bake"))
    with pytest.raises(CraftError, match="Neither"):
        OtherOven().followed(course, hot)


def test_other_tins_take_the_batter_as_it_is() -> None:
    course = course_of("tea-chiffon")
    others = [t for t in KITCHEN.tins if t.name != course.tin_name][:2]
    at = after(course.formula, "fold")
    changed = OtherTins(tin=others[0].id, count=2, beside=(MoreTins(tin=others[1].id),)).followed(course, at).course
    assert (changed.tin_name, changed.tin_count, changed.beside[0].name) == (others[0].name, 2, others[1].name)
    assert changed.formula == course.formula
    with pytest.raises(NotSo, match="it is in the tin"):
        OtherTins(tin=others[0].id).followed(course, after(course.formula, "fill"))


def test_whoever_takes_over_did_not_do_what_was_begun() -> None:
    kitchen = KITCHEN.model_copy(update={"people": (Person(id="ada", name="Ada"),)})
    course, person = course_of("tea-chiffon").model_copy(update={"kitchen": kitchen}), "ada"
    changed = TakenOver(hands=person).followed(course, after(course.formula, "whip")).course
    places = {w.step.id: w.place.hands for w in walk_prepared(changed.formula, changed.setting)}
    assert (places["whip"], places["fold"]) == ("", person)
    with pytest.raises(NotSo, match="has it already"):
        TakenOver(hands=person).followed(changed, upto(course.formula, 0))


def test_over_a_pause_the_foam_is_lost_and_the_base_keeps_cold() -> None:
    course = course_of("tea-chiffon")
    at = after(course.formula, "add-flour", "whip", "sift-dry")
    until = NOW + timedelta(hours=14)
    followed = Paused(until=until).followed(course, at)
    formula = followed.course.formula
    assert followed.gone == {"whip"}
    assert followed.at_once == {"keep-add-flour"}
    assert (followed.not_before, followed.soonest) == (until, True)
    assert [p.step for p in formula.step("loosen").inputs] == ["keep-add-flour", "whip-2"]  # type: ignore[union-attr]
    base = next(w for w in walk_prepared(formula, course.setting) if w.step.id == "keep-add-flour")
    assert base.outcome.material.temperature_c == 4
    assert base.outcome.duration_s.likely == 14 * 3600
    conserved(followed.course)


def test_what_is_frozen_is_thawed_and_what_runs_is_finished_first() -> None:
    course = course_of("tea-chiffon")
    until = NOW + timedelta(hours=14)
    at = after(course.formula, "add-flour")
    frozen = Paused(until=until, keep={"add-flour": Keep.FROZEN}).followed(course, at).course.formula
    assert next(p.step for p in frozen.step("loosen").inputs) == "thaw-add-flour"  # type: ignore[union-attr]
    running = after(course.formula, "warm-milk", running=("warm-milk",))
    with pytest.raises(NotSo, match="is still running"):
        Paused(until=until).followed(course, running)
    with pytest.raises(CraftError, match="ten minutes to four days"):
        Paused(until=NOW + timedelta(minutes=2)).followed(course, at)
    with pytest.raises(CraftError, match="stands there"):
        Paused(until=until, keep={"fold": Keep.COLD}).followed(course, at)


def test_a_spoon_of_white_is_in_the_bowl_from_then_on() -> None:
    course = course_of("tea-chiffon")
    at = after(course.formula, "whip")
    spoon = Remedied(step="whip", remedy="a spoon of fresh white", ingredient="egg-white", grams=17)
    changed = spoon.followed(course, at)
    assert changed.needed == {"egg-white": 17}
    assert changed.course.formula.total_g() == pytest.approx(course.formula.total_g() + 17)
    assert Remedied(step="whip", remedy="a few turns").followed(course, at).course == course
    with pytest.raises(NotSo, match="stands there"):
        spoon.followed(course, after(course.formula, "fold"))


def test_as_soon_as_it_can_be_or_at_a_time_that_is_ahead() -> None:
    course = course_of("tea-chiffon")
    assert Retimed().followed(course, upto(course.formula, 0)).soonest
    later = NOW + timedelta(hours=5)
    assert Retimed(ready_at=later).followed(course, upto(course.formula, 0)).ready_at == later
    with pytest.raises(NotSo, match="has passed"):
        Retimed(ready_at=NOW - timedelta(minutes=1)).followed(course, upto(course.formula, 0))


def test_the_gate_of_what_is_made_again_asks_for_a_clean_bowl_once_more() -> None:
    course = course_of("syrup-peaks")
    at = after(course.formula, "whip-boil", "whip-soft", running=("whip-boil",))
    changed = Again(step="whip-soft").followed(course, at).course
    made = {g.step: {i.id for i in g.items} for g in gates(forecast(changed.formula, changed.setting))}
    before = {g.step: {i.id for i in g.items} for g in gates(forecast(course.formula, course.setting))}
    assert made["whip-soft-2"] - before["whip-soft"] == {"have-clean-bowl-whip-soft-2", "have-beater-whip-soft-2"}


def test_what_was_in_an_oven_before_it_was_changed_stays_with_that_one() -> None:
    course = course_of("finger-cake")
    second = KITCHEN.ovens[0].model_copy(update={"id": "second", "name": "Second oven"})
    course = course.model_copy(update={"kitchen": KITCHEN.model_copy(update={"ovens": (*KITCHEN.ovens, second)})})
    at = after(course.formula, "bake-fingers")
    changed = OtherOven(oven="second").followed(course, at).course
    places = {w.step.id: w.place.oven.id for w in walk_prepared(changed.formula, changed.setting)}
    assert (places["bake-fingers"], places["bake-disc"]) == (KITCHEN.ovens[0].id, "second")


def test_a_pause_made_longer_before_anything_was_put_away_is_one_pause() -> None:
    course = course_of("tea-chiffon")
    at = after(course.formula, "add-flour")
    once = Paused(until=NOW + timedelta(hours=4)).followed(course, at).course
    twice = Paused(until=NOW + timedelta(hours=14)).followed(once, at).course.formula
    assert [s.id for s in twice.steps if s.kind == "chill"] == ["keep-add-flour"]
    assert twice.step("keep-add-flour").hours == 14  # type: ignore[union-attr]
    put_away = Standing(at.begun | {"keep-add-flour"}, frozenset(), NOW)
    later = Paused(until=NOW + timedelta(hours=8)).followed(once, put_away).course.formula
    assert [s.id for s in later.steps if s.kind == "chill"] == ["keep-add-flour", "keep-keep-add-flour"]
