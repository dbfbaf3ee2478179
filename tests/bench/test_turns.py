"""A bake that goes otherwise than planned: earlier, later, in another tin, told late, stopped for the night."""

from __future__ import annotations

from contextlib import suppress
from datetime import timedelta
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.bench.told.could import Could
from kindwhisk.core.people import Person
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError
from tests.bench.helpers import BEGAN, Baker
from tests.bench.turning import fits_together, foreseen, status, whipping


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


@pytest.mark.parametrize(
    ("event", "said"),
    [
        ({"kind": "begun_again", "step": "juggle"}, "no step 'juggle'"),
        ({"kind": "begun_again", "step": "fold"}, "was not begun"),
        ({"kind": "changed", "change": {"change": "other_tins", "tin": "bucket"}}, "no tin"),
        ({"kind": "changed", "change": {"change": "other_oven", "oven": "kiln"}}, "no oven"),
        ({"kind": "changed", "change": {"change": "retimed", "ready_at": BEGAN - timedelta(hours=1)}}, "has passed"),
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
    ends = sum(masses[s.id] * flows.left(s.id, frozenset()) for s in formula.steps if s.id not in taken)
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
