"""A bake that goes otherwise than planned: begun again, changed, told late, and taken back."""

from __future__ import annotations

from contextlib import suppress
from datetime import timedelta
from itertools import pairwise
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.learned.showed import expected_height
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.bench.told.could import Could
from kindwhisk.bench.told.foreseen import Foreseen
from kindwhisk.bench.told.hands import hands
from kindwhisk.bench.told.views import BakeState
from kindwhisk.core.kitchen import Person
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError
from tests.bench.helpers import BEGAN, Baker


def foreseen(baker: Baker, kind: str, **fields: Any) -> Foreseen:
    event = {"kind": kind, "client_key": "only-foreseen", "at": baker.now, **fields}
    return baker.bench.foreseen(baker.bake, event_adapter.validate_python(event))  # type: ignore[arg-type]


def status(state: BakeState) -> dict[str, str]:
    return {s.id: s.status.value for s in state.steps}


def whipping(bench: Bench, formula: str = "tea-chiffon") -> Baker:
    """Somebody whose whites are on the whisk."""
    baker = Baker(bench, formula)
    baker.until("whip")
    baker.tick_all()
    baker.tell("step_started", step="whip")
    return baker


def boiling(bench: Bench) -> Baker:
    """Somebody with a syrup on the flame and whites on the whisk."""
    baker = Baker(bench, "syrup-peaks")
    baker.until("whip-boil")
    baker.tick_all()
    baker.tell("step_started", step="whip-boil")
    baker.wait(60)
    baker.tell("step_started", step="whip-soft")
    return baker


def hot(baker: Baker, celsius: float, after_s: float = 10) -> BakeState:
    baker.wait(after_s)
    return baker.tell("reading_added", step="whip-boil", quantity="temperature in the vessel", value=celsius)


def fits_together(state: BakeState, baker: Baker) -> None:
    """The plan is one: every step after what it needs, nothing before now that has not begun."""
    times = {s.id: (s.expected_start_at, s.expected_end_at) for s in state.steps}
    made = baker.bench.moment(baker.bake, baker.now).walked
    for step in made.forecast.steps:
        line = next(s for s in state.steps if s.id == step.id)
        if line.status != "waiting":
            continue
        assert times[step.id][0] >= baker.now
        assert all(times[step.id][0] >= times[n][1] - timedelta(milliseconds=1) for n in step.needs), step.id
    busy = sorted(times[s.id] for s in state.steps if s.status == "waiting" and s.attention == "throughout")
    assert all(b[0] >= a[1] - timedelta(milliseconds=1) for a, b in pairwise(busy))


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


def test_a_bake_begun_early_is_ready_early_if_that_is_wanted(bench: Bench) -> None:
    baker = Baker(bench, hours=10)
    baker.tell("step_done", step="weigh-milk")
    state = baker.state
    assert state.idle_until is not None
    assert state.idle_until > baker.now + timedelta(hours=4)
    early = baker.tell("step_started", step="preheat-bake")
    assert early.idle_until is not None
    state = baker.tell("changed", change={"change": "retimed"})
    assert state.idle_until is None
    assert state.expected_ready_at < BEGAN + timedelta(hours=5)
    assert abs(state.late_by_s) < 60
    fits_together(state, baker)
    later = baker.tell("changed", change={"change": "retimed", "ready_at": BEGAN + timedelta(hours=8)})
    assert later.ready_at == BEGAN + timedelta(hours=8)
    assert abs(later.late_by_s) < 60


def test_begun_now_it_is_planned_from_now_and_a_bell_rings_for_what_was_planned(bench: Bench) -> None:
    now = bench.start("tea-chiffon", Wish(), None, "begun-right-now", BEGAN)
    state = bench.state(now, now=BEGAN)
    assert abs(state.late_by_s) < 60
    assert min(s.planned_start_at for s in state.steps) == BEGAN
    planned = bench.start("tea-chiffon", Wish(), BEGAN + timedelta(hours=9), "begun-later-on", BEGAN, bell=True)
    state = bench.state(planned, now=BEGAN)
    (timer,) = state.timers
    assert timer.label == "Begin Tea chiffon"
    assert abs(timer.due_at - min(s.planned_start_at for s in state.steps)) < timedelta(seconds=1)
    done = {"kind": "step_done", "client_key": "begun-after-all", "step": "weigh-milk", "at": BEGAN}
    bench.post(planned, event_adapter.validate_python(done))
    assert bench.state(planned, now=BEGAN).timers == ()


def test_another_tin_at_the_bench_moves_time_and_tin(bench: Bench) -> None:
    baker = whipping(bench)
    state = baker.tell("changed", change={"change": "other_tins", "tin": "round-20", "count": 1})
    assert state.batch.startswith("1 × 20 cm round")
    assert [t.said for t in state.turns] == ["1 × 20 cm round"]
    fits_together(state, baker)


def test_another_oven_temperature_heats_it_anew_and_bakes_by_it(bench: Bench) -> None:
    baker = whipping(bench)
    assert status(baker.state)["preheat-bake"] == "running"
    before = baker.bench.moment(baker.bake, baker.now).walked.forecast.step("bake").duration_s.likely
    state = baker.tell("changed", change={"change": "other_oven", "oven_c": 150})
    assert status(state)["preheat-bake"] == "waiting"
    after = baker.bench.moment(baker.bake, baker.now).walked.forecast.step("bake").duration_s.likely
    assert after > before
    assert baker.tell("step_started", step="preheat-bake").running


def test_done_the_day_before_it_has_aged_since(bench: Bench) -> None:
    baker = Baker(bench)
    state = baker.tell("done_before", step="add-flour", when=baker.now - timedelta(hours=12))
    done = {i for i, s in status(state).items() if s == "done"}
    assert done >= {"add-flour", "weigh-yolks", "sift-dry", "steep"}
    assert "weigh-whites" not in done
    ended = next(s.ended_at for s in state.steps if s.id == "add-flour")
    assert ended == baker.now - timedelta(hours=12)
    with pytest.raises(BenchRefusal, match="begun already"):
        baker.tell("done_before", step="weigh-yolks", when=baker.now)
    with pytest.raises(BenchRefusal, match="still to come"):
        baker.tell("done_before", step="whip", when=baker.now + timedelta(hours=1))


def test_whoever_takes_over_is_told_apart_by_what_the_bake_shows(bench: Bench) -> None:
    _, kitchen = bench.store.kitchens.current()
    people = (Person(id="ada", name="Ada"), Person(id="ben", name="Ben"))
    bench.store.kitchens.save(kitchen.model_copy(update={"people": people}))
    baker = Baker(bench, hands="ada")
    baker.until("whip")
    baker.tell("changed", change={"change": "taken_over", "hands": "ben"})
    made = baker.bench.moment(baker.bake, baker.now).walked
    assert (made.places["add-flour"].hands, made.places["fold"].hands) == ("ada", "ben")
    with pytest.raises(CraftError):
        baker.tell("changed", change={"change": "taken_over", "hands": "nobody"})


def test_stopped_over_night_it_goes_on_in_the_morning(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("whip")
    until = baker.now + timedelta(hours=14)
    told = foreseen(baker, "changed", change={"change": "paused", "until": until})
    assert told.ready_at > until
    state = baker.tell("changed", change={"change": "paused", "until": until})
    keep = next(s for s in state.steps if s.id == "keep-add-flour")
    assert keep.expected_start_at - baker.now < timedelta(seconds=30)
    later = [s for s in state.steps if s.status == "waiting" and not s.id.startswith("keep-")]
    assert all(s.expected_start_at >= until - timedelta(seconds=10) for s in later)
    assert abs(state.late_by_s) < 60
    fits_together(state, baker)


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


def test_what_rests_on_something_is_named_and_anything_else_goes_back(bench: Bench) -> None:
    baker = Baker(bench)
    baker.tell("step_done", step="weigh-milk")
    baker.tell("step_done", step="weigh-dry")
    baker.tell("step_started", step="warm-milk")
    milk, dry, _ = reversed(bench.last_things(baker.bake))
    assert (milk.said, milk.rests) == ("“Weigh the milk” done", ("“Warm the milk” started",))
    assert dry.rests == ()
    with pytest.raises(BenchRefusal, match="rests on it: “Warm the milk” started"):
        baker.tell("undone", sequence=milk.sequence)
    state = baker.tell("undone", sequence=dry.sequence)
    assert (status(state)["weigh-dry"], status(state)["warm-milk"]) == ("waiting", "running")


def test_a_step_done_by_hand_rests_on_what_it_took(bench: Bench) -> None:
    baker = Baker(bench)
    weighed = baker.tell("step_done", step="weigh-dry").sequence
    baker.tell("step_done", step="sift-dry")
    with pytest.raises(BenchRefusal, match="rests on it: “Sift the flour” done"):
        baker.tell("undone", sequence=weighed)


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


def test_a_change_is_taken_back_only_before_what_came_of_it(bench: Bench) -> None:
    baker = whipping(bench)
    again = baker.tell("begun_again", step="whip").sequence
    baker.tell("step_done", step="weigh-whites-2")
    with pytest.raises(BenchRefusal, match="rests on it"):
        baker.tell("undone", sequence=again)
    baker.tell("undone", sequence=again + 1)
    assert status(baker.tell("undone", sequence=again))["whip"] == "running"


def test_two_bakes_that_want_the_same_hands_are_told_of(bench: Bench) -> None:
    first = whipping(bench)
    other = Baker(bench, "citrus-roll", hours=5)
    other.now = first.now
    other.tell("changed", change={"change": "retimed"})
    at = [bench.moment(b.bake, first.now) for b in (first, other)]
    told = hands(at)
    assert {w.bake for w in told.next} == {first.bake, other.bake}
    assert told.next[0].start_at <= told.next[1].start_at
    assert told.clashes
    clash = told.clashes[0]
    assert clash.first.bake != clash.other.bake
    assert clash.first.presses
    assert "want the same hands" in clash.says
    assert hands(at[:1]).clashes == ()


def test_two_people_do_not_clash(bench: Bench) -> None:
    _, kitchen = bench.store.kitchens.current()
    people = (Person(id="ada", name="Ada"), Person(id="ben", name="Ben"))
    bench.store.kitchens.save(kitchen.model_copy(update={"people": people}))
    bakers = [Baker(bench, formula, hands=who) for formula, who in (("tea-chiffon", "ada"), ("citrus-roll", "ben"))]
    for baker in bakers:
        baker.tell("changed", change={"change": "retimed"})
    assert hands([bench.moment(b.bake, BEGAN) for b in bakers]).clashes == ()


@pytest.mark.parametrize(
    ("event", "said"),
    [
        ({"kind": "begun_again", "step": "juggle"}, "no step 'juggle'"),
        ({"kind": "begun_again", "step": "fold"}, "was not begun"),
        ({"kind": "changed", "change": {"change": "other_tins", "tin": "bucket"}}, "no tin"),
        ({"kind": "changed", "change": {"change": "other_oven", "oven": "kiln"}}, "no oven"),
        ({"kind": "changed", "change": {"change": "left_out", "ingredient": "saffron"}}, "None of the steps ahead"),
        ({"kind": "changed", "change": {"change": "remedied", "step": "fold", "remedy": "x"}}, "stands there"),
    ],
)
def test_what_can_not_be_changed_is_refused_and_nothing_kept(bench: Bench, event: dict[str, Any], said: str) -> None:
    baker = Baker(bench)
    with pytest.raises(CraftError, match=said) as refusal:
        baker.tell(**event)
    assert refusal.value.remedy
    assert bench.store.bakes.events(baker.bake) == []
    with pytest.raises(CraftError, match=said):
        foreseen(baker, **event)


MOVES = st.lists(st.tuples(st.integers(0, 9), st.integers(0, 10_000), st.integers(5, 600)), min_size=6, max_size=22)


def grams(baker: Baker) -> tuple[float, float]:
    """What has been put into a bake by its formula as it stands, and what of it is there, lost or steam."""
    made = baker.bench.moment(baker.bake, baker.now).walked
    formula = made.document.formula
    masses = {i: m.mass_g for i, m in made.materials.items()}
    flows = Flows(formula)
    taken = {p.step for s in formula.steps for p in s.inputs if p.source == "step"}
    ends = sum(masses[s.id] * flows.left(s.id, ()) for s in formula.steps if s.id not in taken)
    lost = sum(loss.share * masses[loss.step] for loss in formula.lost)
    steam = sum(sum(m.mass_g for m in made.intakes[s.id]) - masses[s.id] for s in formula.steps)
    return formula.total_g(), ends + lost + steam


def some_turn(n: int, baker: Baker, could: Could) -> dict[str, Any] | None:
    """One of the things that the page would offer by now."""
    turns: list[dict[str, Any]] = [
        {"kind": "begun_again", "step": a.step, "share": share}
        for a in could.again
        for share in ((1.0, 0.5) if a.parts else (1.0,))
    ]
    changes: list[dict[str, Any]] = [
        *({"change": "earlier", "step": s.step} for s in could.earlier),
        *({"change": "together", "step": s.step} for s in could.together),
        *({"change": "left_out", "ingredient": i.ingredient} for i in could.ingredients[:2]),
        *({"change": "remedied", "step": s.step, "remedy": "a few turns"} for s in could.standing),
        {"change": "batch", "times": 1.5},
        {"change": "batch", "times": 0.5},
        {"change": "retimed"},
        {"change": "paused", "until": baker.now + timedelta(hours=12)},
    ]
    changes += [{"change": "other_oven", "oven_c": 165}] if could.oven_c else []
    turns += [{"kind": "changed", "change": c} for c in changes]
    turns += [{"kind": "done_before", "step": s.step, "when": baker.now} for s in could.before[:3]]
    return turns[n % len(turns)] if turns else None


@given(st.sampled_from(["tea-chiffon", "syrup-peaks", "bare-sponge", "kisses"]), MOVES)
@settings(max_examples=25, deadline=None, suppress_health_check=[HealthCheck.function_scoped_fixture])
def test_whatever_is_allowed_conserves_mass_can_be_planned_and_goes_back(
    bench: Bench, formula: str, moves: list[tuple[int, int, int]]
) -> None:
    baker = Baker(bench, formula, hours=9)
    for what, which, seconds in moves:
        if baker.state.current is None:
            break
        baker.wait(seconds)
        before = baker.bench.state(baker.bake, now=baker.now)
        last = before.sequence
        if what < 6:
            with suppress(CraftError):
                baker.go_on()
            continue
        turn = some_turn(which, baker, bench.could(baker.bake))
        if turn is None:
            continue
        try:
            state = baker.tell(**turn)
        except CraftError:
            assert baker.state.sequence == last
            continue
        came_in, found = grams(baker)
        assert came_in == pytest.approx(found, rel=1e-6)
        fits_together(state, baker)
        back = baker.tell("undone", sequence=state.sequence)
        told = before.model_dump(exclude={"sequence", "undoable", "now", "details", "windows", "meetings"})
        assert back.model_dump(exclude={"sequence", "undoable", "now", "details", "windows", "meetings"}) == told
        baker.tell(**turn)


def test_a_bell_rings_for_what_is_planned_two_weeks_ahead(bench: Bench) -> None:
    far = BEGAN + timedelta(days=13, hours=23)
    bake = bench.start("tea-chiffon", Wish(), far, "far-ahead-of-time", BEGAN, bell=True)
    (timer,) = bench.state(bake, now=BEGAN).timers
    assert timer.due_at > BEGAN + timedelta(days=13)


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
