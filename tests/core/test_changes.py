"""A process changed while it is being made."""

from __future__ import annotations

from datetime import timedelta

import pytest

from kindwhisk.core.people import Person
from kindwhisk.core.piping.sieve import SievedBy
from kindwhisk.core.process.changes.base import NotSo, Standing
from kindwhisk.core.process.changes.hands import TakenOver
from kindwhisk.core.process.changes.ingredients import Instead, LeftOut, WeighedOtherwise
from kindwhisk.core.process.changes.order import Earlier, Together
from kindwhisk.core.process.changes.oven import OtherOven
from kindwhisk.core.process.changes.pause import Keep, Paused
from kindwhisk.core.process.changes.remedy import Remedied
from kindwhisk.core.process.changes.sieve import LeftInSieve
from kindwhisk.core.process.changes.tins import OtherTins
from kindwhisk.core.process.changes.when import Retimed
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.forecast import walk_prepared
from kindwhisk.core.process.wish import MoreTins
from kindwhisk.core.values.errors import CraftError
from tests.core.courses import KITCHEN, NOW, after, conserved, course_of, total, upto


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
    thaw = frozen.step("thaw-add-flour")
    assert thaw.kind == "chill"
    assert thaw.hours == 8
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
    assert Retimed(ready_at=later).moment == later


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


# What stays in the sieve.


def _sieved() -> tuple[Course, Standing]:
    course = course_of("french-shells")
    return course, after(course.formula, "sift-dry")


def test_topped_up_the_batch_stays_what_it_was() -> None:
    course, at = _sieved()
    found = LeftInSieve(step="sift-dry", left_g=8).followed(course, at)
    assert found.course == course
    assert found.lost == found.needed
    assert total(found.needed) == pytest.approx(8)
    assert found.needed["almond-flour"] == pytest.approx(found.needed["icing-sugar"])


def test_scaled_whites_and_sugar_follow_what_came_through() -> None:
    course, at = _sieved()
    dry = Flows(course.formula).mass_g("sift-dry")
    found = LeftInSieve(step="sift-dry", left_g=0.1 * dry, by=SievedBy.SCALE).followed(course, at)
    before, now = (f.grams_of("egg-white") for f in (course.formula, found.course.formula))
    assert now == pytest.approx(0.9 * before)
    assert total(found.lost) == pytest.approx(0.1 * dry)
    came = Flows(found.course.formula).ingredients({"fold": 1.0})
    meant = Flows(course.formula).ingredients({"fold": 1.0})
    assert came == pytest.approx({i: 0.9 * g for i, g in meant.items()})


@pytest.mark.parametrize(("step", "left"), [("whip", 5), ("sift-dry", 5000)])
def test_only_what_was_sieved_stays_in_a_sieve(step: str, left: float) -> None:
    course, at = _sieved()
    with pytest.raises(CraftError):
        LeftInSieve(step=step, left_g=left).followed(course, at)
    with pytest.raises(CraftError):
        LeftInSieve(step="sift-dry", left_g=5).followed(course, after(course.formula))
