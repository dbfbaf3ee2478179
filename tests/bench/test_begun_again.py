"""What was lost and is made once more, what was brought back, and what the bench says of both."""

from __future__ import annotations

from datetime import timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.learned.showed import expected_height
from kindwhisk.bench.rules import BenchRefusal
from tests.bench.helpers import BEGAN, Baker
from tests.bench.turning import boiling, fits_together, foreseen, hot, status, whipping


def test_the_whites_start_at_once_when_the_syrup_has_passed_the_gate(bench: Bench) -> None:
    baker = Baker(bench, "syrup-peaks")
    baker.until("whip-boil")
    with pytest.raises(BenchRefusal, match="still missing") as refusal:
        baker.tell("step_started", step="whip-boil")
    assert "mixer bowl" in refusal.value.message
    assert "bag and nozzle" in refusal.value.message
    baker.tick_all()
    baker.tell("step_started", step="whip-boil")
    assert baker.state.gate is not None
    assert baker.state.gate.open
    assert baker.tell("step_started", step="whip-soft").running == ("whip-boil", "whip-soft")


def test_whites_are_not_held_back_while_the_syrup_that_they_are_for_boils(bench: Bench) -> None:
    baker = Baker(bench, "syrup-peaks", hours=9)
    for step in ("whip-whites", "whip-sugar"):
        baker.tell("step_done", step=step)
    state = baker.bench.state(baker.bake, focus="whip-soft", now=baker.now)
    assert state.details["whip-soft"].not_before is not None
    baker.tick_all()
    baker.tell("step_started", step="whip-boil")
    state = baker.bench.state(baker.bake, focus="whip-soft", now=baker.now)
    assert state.details["whip-soft"].not_before is None
    for n in range(8):
        state = hot(baker, 24 + 6 * n, 15)
    starts = next(s.expected_start_at for s in state.steps if s.id == "whip-soft")
    called = state.meetings[0].meeting.start_in_s
    assert called is not None
    assert (starts - baker.now).total_seconds() == pytest.approx(called, abs=1)


def test_a_syrup_past_saving_is_taken_off_and_begun_again_by_the_first_button(bench: Bench) -> None:
    baker = boiling(bench)
    state = baker.state
    for celsius in (40, 70, 95, 104, 108, 112, 116, 119):
        state = hot(baker, celsius)
    assert state.details["whip-boil"].act is not None
    assert state.details["whip-boil"].act.kind == "syrup_poured"
    for celsius in (126, 134, 142, 150, 158, 167):
        state = hot(baker, celsius)
    act = state.details["whip-boil"].act
    assert act is not None
    assert (act.words, act.kind, act.step) == ("Off the heat, begin again", "begun_again", "whip-boil")
    assert state.details["whip-soft"].act == act
    assert not state.meetings[0].meeting.pour
    state = baker.tell("begun_again", step=act.step)
    assert status(state)["whip-boil"] == "lost"
    assert (status(state)["whip-boil-2"], status(state)["whip-soft"]) == ("waiting", "running")
    assert [(a.name, round(a.grams)) for a in state.turns[0].needed] == [("caster sugar", 180), ("water", 54)]
    assert state.gate is None or "have-clean-bowl" not in {i.id for i in state.gate.items if not i.there}
    fits_together(state, baker)
    back = baker.tell("undone", sequence=state.sequence)
    assert status(back)["whip-boil"] == "running"
    assert back.turns == ()


def test_fresh_whites_want_a_clean_bowl_and_nothing_else_again(bench: Bench) -> None:
    baker = whipping(bench)
    state = baker.tell("begun_again", step="whip", reason="yolk in it")
    assert (state.turns[0].said, state.turns[0].reason) == ("“Whip whites and sugar” begun again", "yolk in it")
    assert state.turns[0].eggs is not None
    assert state.turns[0].eggs.count == 4
    assert state.gate is not None
    assert state.gate.step == "whip-2"
    assert {i.id for i in state.gate.items if not i.there and i.kind == "thing"} == {
        "have-clean-bowl-whip-2", "have-beater-whip-2",
    }  # fmt: skip
    for step in ("weigh-whites-2", "weigh-sugar-2"):
        baker.tell("step_done", step=step)
    with pytest.raises(BenchRefusal, match="mixer bowl"):
        baker.tell("step_started", step="whip-2")
    baker.tick_all()
    baker.tell("step_started", step="whip-2")
    while baker.state.current is not None:
        baker.go_on()
    assert baker.tell("bake_finished").status == "finished"


def test_what_follows_is_told_before_and_nothing_is_kept_by_that(bench: Bench) -> None:
    baker = whipping(bench)
    before = baker.state
    told = foreseen(baker, "begun_again", step="whip")
    titles = {"Weigh the whites, again", "Weigh the sugar for the whites, again", "Whip whites and sugar, again"}
    assert {a.title for a in told.added} == titles
    assert [a.start_at for a in told.added] == sorted(a.start_at for a in told.added)
    assert told.ready_at > told.ready_before_at
    assert told.eggs is not None
    assert {i.name for i in told.to_get} == {"mixer bowl", "mixer whisk"}
    assert baker.state == before
    state = baker.tell("begun_again", step="whip")
    assert abs(state.expected_ready_at - told.ready_at) < timedelta(seconds=30)


def test_the_same_turn_twice_is_one(bench: Bench) -> None:
    baker = whipping(bench)
    baker.tell("begun_again", key="again-only-once", step="whip")
    state = baker.tell("begun_again", key="again-only-once", step="whip")
    assert [t.said for t in state.turns] == ["“Whip whites and sugar” begun again"]


def test_a_plan_that_a_client_sends_along_is_not_believed(bench: Bench) -> None:
    baker = whipping(bench)
    planned = [{"step": "whip", "start": BEGAN, "end": BEGAN}]
    state = baker.tell("begun_again", step="whip", planned=planned, ready_at=BEGAN + timedelta(days=3))
    fits_together(state, baker)
    assert state.ready_at == BEGAN + timedelta(hours=4)


def test_a_few_turns_begin_the_wait_anew_and_a_spoon_of_white_is_weighed_in(bench: Bench) -> None:
    baker = whipping(bench)
    baker.wait(300)
    baker.tell("step_done", step="whip")
    baker.wait(500)
    (window,) = [w for w in baker.state.windows if w.step == "whip"]
    assert window.lost is not None
    assert window.lost.likely > 0.1
    assert window.ageing is not None
    state = baker.tell("changed", change={"change": "remedied", "step": "whip", "remedy": window.ageing.restores})
    (window,) = [w for w in state.windows if w.step == "whip"]
    assert window.since == baker.now
    assert window.lost is not None
    assert window.lost.likely < 0.01
    before = baker.bench.moment(baker.bake, baker.now).walked.materials["whip"].mass_g
    spoon = {"change": "remedied", "step": "whip", "remedy": "fresh white", "ingredient": "egg-white", "grams": 17}
    baker.tell("changed", change=spoon)
    assert baker.bench.moment(baker.bake, baker.now).walked.materials["whip"].mass_g == pytest.approx(before + 17)


def test_a_foam_whipped_for_a_day_is_neither_drawn_nor_counted_at_its_peak(bench: Bench) -> None:
    baker = whipping(bench)
    baker.wait(300)
    detail = baker.state.details["whip"]
    assert detail.spoilt is None
    assert detail.section is not None
    peak_ml = detail.section.volume_ml.likely
    baker.wait(22 * 3600)
    detail = baker.state.details["whip"]
    assert detail.spoilt is not None
    assert detail.spoilt.likely > 0.8
    assert detail.section is not None
    assert detail.section.volume_ml.likely < 0.5 * peak_ml
    assert detail.act is not None
    assert (detail.act.kind, detail.act.step) == ("begun_again", "whip")
    baker.tell("step_done", step="whip")
    baker.confirm()
    foam = baker.bench.moment(baker.bake, baker.now).walked.materials["whip"]
    assert foam.density_g_per_ml.likely > 0.5


def test_a_cup_read_late_tells_more_than_the_clock(bench: Bench) -> None:
    baker = whipping(bench)
    baker.wait(3600)
    assert baker.state.details["whip"].spoilt is not None
    state = baker.tell("reading_added", step="whip", quantity="density", value=0.17)
    assert state.details["whip"].spoilt is None


def test_lost_whites_teach_nothing_and_the_fresh_ones_as_the_first_would(bench: Bench) -> None:
    baker = whipping(bench)
    baker.wait(900)
    baker.tell("begun_again", step="whip")
    while baker.state.current is not None:
        baker.go_on()
    baker.tell("bake_finished")
    dots = {d.id: d for d in bench.learned_evidence().dots if d.id.startswith(baker.bake)}
    whips = [d for i, d in dots.items() if i.endswith("/whip")]
    assert [d.title for d in whips] == ["Whip whites and sugar, again"]
    assert any("tea-chiffon/whip/" in e for d in whips for e in d.effects)


def test_the_height_is_learned_from_the_batter_that_was_baked(bench: Bench) -> None:
    def modelled(baker: Baker, step: str, density: float) -> float:
        baker.until(step)
        baker.tell("step_done", step=step)
        baker.tell("reading_added", step=step, quantity="density", value=density)
        made = baker.bench.moment(baker.bake, baker.now).walked
        height = expected_height(made)
        assert height is not None
        return height.modelled.likely

    right, lost = Baker(bench), Baker(bench)
    meant = modelled(right, "fold", 0.44)
    assert modelled(lost, "fold", 0.62) < 0.9 * meant
    lost.tell("begun_again", step="fold")
    assert modelled(lost, "fold-2", 0.44) == pytest.approx(meant, rel=0.02)
    lost.until("fill")
    lost.tell("step_done", step="fill")
    lost.tell("begun_again", step="fill")
    assert modelled(lost, "fold-3", 0.62) < 0.9 * meant


def test_the_weigh_list_of_a_bake_says_what_was_lost_and_what_is_weighed_once_more(bench: Bench) -> None:
    baker = whipping(bench)
    before = baker.state.batch
    assert bench.weighing(baker.bake).eggs is None
    baker.tell("begun_again", step="whip")
    told = bench.weighing(baker.bake)
    assert {a.name: a.grams for a in told.to_come} == {
        "egg white": 122, "caster sugar": 55, "cream of tartar": 0.5,
    }  # fmt: skip
    assert told.eggs is not None
    assert told.eggs.count == 4
    once_more = {b.bowl.step: b.status for b in told.bowls if b.again}
    assert once_more == {"weigh-whites-2": "waiting", "weigh-sugar-2": "waiting"}
    assert {b.bowl.step for b in told.bowls if b.lost > 0} == {"weigh-whites", "weigh-sugar"}
    # What is made is as much as it was, whatever was lost on the way.
    assert baker.state.batch == before
    baker.tell("begun_again", step="weigh-whites-2")
    assert {b.bowl.step: b.status for b in bench.weighing(baker.bake).bowls}["weigh-whites-2"] == "lost"
