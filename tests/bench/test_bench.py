"""A running bake: what may happen, what it means, and that nothing acknowledged is ever lost."""

from __future__ import annotations

from datetime import timedelta
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.progress import BakeStatus, StepStatus
from kindwhisk.bench.log.projection import project
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.bands import Place, Quantity
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.demo.seed import PAST, seed
from tests.bench.helpers import BEGAN, Baker


@pytest.mark.parametrize("formula", [f.id for f in demo_formulas()])
def test_a_whole_bake_by_doing_what_the_bench_says(bench: Bench, formula: str) -> None:
    baker = Baker(bench, formula, hours=40)
    done: list[str] = []
    while baker.state.current is not None:
        done.append(baker.go_on())
        assert len(done) < 120
    state = baker.state
    assert {s.status for s in state.steps} == {StepStatus.DONE}
    takes = {s.id: s.needs for s in scale(bench.store.formulas.get(formula)[1], demo_kitchen(), Wish()).forecast.steps}
    for step, needs in takes.items():
        assert all(done.index(need) < done.index(step) for need in needs), step
    assert state.late_by_s < 1800
    assert baker.tell("bake_finished").status is BakeStatus.FINISHED


def test_the_same_start_twice_is_one_bake(bench: Bench) -> None:
    ready = BEGAN + timedelta(hours=4)
    one = bench.start("tea-chiffon", Wish(), ready, "the-same-key", BEGAN)
    assert bench.start("tea-chiffon", Wish(), ready, "the-same-key", BEGAN) == one
    assert len(bench.store.bakes.listed()) == 1


def test_the_same_event_twice_changes_nothing(bench: Bench) -> None:
    baker = Baker(bench)
    first = baker.tell("step_done", key="one-tap-only", step="weigh-milk")
    again = baker.tell("step_done", key="one-tap-only", step="weigh-milk")
    assert again == first
    assert again.sequence == 1


def test_a_foam_is_not_begun_while_something_is_missing(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("whip")
    with pytest.raises(BenchRefusal) as refusal:
        baker.tell("step_started", step="whip")
    assert "spatula" in refusal.value.message
    assert refusal.value.remedy
    assert baker.state.gate is not None
    assert not baker.state.gate.open
    baker.tick_all()
    assert baker.state.gate.open
    assert "whip" in baker.tell("step_started", step="whip").running


def test_the_gate_also_wants_the_base_and_the_oven(bench: Bench) -> None:
    baker = Baker(bench)
    for step in ("weigh-whites", "weigh-sugar"):
        baker.tell("step_done", step=step)
    baker.tick_all()
    with pytest.raises(BenchRefusal, match="Whisk in the flour, Heat the oven"):
        baker.tell("step_started", step="whip")


@pytest.mark.parametrize(
    ("kind", "fields", "said"),
    [
        ("step_done", {"step": "add-tea"}, "needs something first"),
        ("step_done", {"step": "warm-milk"}, "was not started"),
        ("step_done", {"step": "juggle"}, "no step 'juggle'"),
        ("not_yet", {"step": "bake"}, "is not running"),
        ("reading_added", {"step": "whip", "quantity": "density", "value": 17.0}, "can't be a density"),
        ("reading_added", {"step": "whip", "quantity": "density"}, "A reading has one value"),
        (
            "reading_added",
            {
                "step": "whip",
                "quantity": "core temperature",
                "cup": {"full_g": 60, "empty_g": 38, "volume_ml": 120},
            },
            "Only a density",
        ),
        ("bake_finished", {}, "Not over yet"),
        ("undone", {"sequence": 7}, "nothing to undo"),
    ],
)
def test_what_does_not_fit_is_refused_and_nothing_is_kept(
    bench: Bench, kind: str, fields: dict[str, Any], said: str
) -> None:
    baker = Baker(bench)
    with pytest.raises(CraftError, match=said) as refusal:
        baker.tell(kind, **fields)
    assert refusal.value.field
    assert refusal.value.remedy
    assert bench.store.bakes.events(baker.bake) == []


def test_undo_takes_back_the_last_thing_and_then_the_one_before(bench: Bench) -> None:
    baker = Baker(bench)
    baker.tell("step_done", step="weigh-milk")
    started = baker.tell("step_started", step="preheat-bake")
    assert started.undoable == 2
    back = baker.tell("undone", sequence=2)
    assert "preheat-bake" not in back.running
    assert back.undoable == 1
    assert baker.tell("undone", sequence=1).steps[2].status is StepStatus.WAITING
    assert len(bench.store.bakes.events(baker.bake)) == 4


def test_an_older_step_cannot_be_undone_under_a_later_one_but_a_reading_can(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("whip")
    baker.tick_all()
    baker.tell("step_started", step="whip")
    read = baker.tell("reading_added", step="whip", quantity="density", value=0.25)
    baker.tell("note_added", text="looked away")
    with pytest.raises(BenchRefusal, match="rests on it: “Warm the milk” started"):
        baker.tell("undone", sequence=1)
    assert baker.tell("undone", sequence=read.sequence).readings == ()


def test_a_cup_is_judged_and_moves_the_forecast(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("whip")
    baker.tick_all()
    baker.tell("step_started", step="whip")
    before = baker.bench.state(baker.bake, focus="fill", now=baker.now).details["fill"]
    cup = {"full_g": 68.0, "empty_g": 38.0, "volume_ml": 120.0}
    state = baker.tell("reading_added", step="whip", quantity="density", cup=cup)
    (reading,) = state.readings
    assert reading.value == pytest.approx(0.25)
    assert reading.verdict is not None
    assert reading.verdict.place is Place.HIGH
    assert "more" in reading.verdict.can_do
    after = baker.bench.state(baker.bake, focus="fill", now=baker.now).details["fill"]
    assert after.section is not None
    assert before.section is not None
    assert after.section.level_mm < before.section.level_mm


def test_the_foam_grows_in_the_picture_while_it_is_whipped(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("whip")
    baker.tick_all()
    levels = [baker.tell("step_started", step="whip").details["whip"].section.level_mm]  # type: ignore[union-attr]
    for _ in range(3):
        baker.wait(100)
        levels.append(baker.state.details["whip"].section.level_mm)  # type: ignore[union-attr]
    assert levels == sorted(levels)
    assert levels[0] < levels[-1]


def test_the_cake_rises_and_settles_in_the_picture_while_it_bakes(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("bake")
    view = baker.tell("step_started", step="bake").details["bake"].outlook
    assert view is not None
    length = (view.likely_at - view.started_at).total_seconds()
    sections = []
    for _ in range(5):
        section = baker.state.details["bake"].section
        assert section is not None
        sections.append(section)
        baker.wait(length / 4)
    levels = [s.level_mm for s in sections]
    assert levels[0] < levels[1] < levels[3]
    assert levels[3] > levels[4] > levels[0]
    assert not sections[0].baked
    assert sections[4].baked


def test_cues_looks_and_the_likely_end_are_moments(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("whip")
    baker.tick_all()
    first = baker.tell("step_started", step="whip").details["whip"]
    assert first.outlook is not None
    assert [c.at for c in first.cues] == sorted(c.at for c in first.cues)
    assert first.outlook.look_at is not None
    assert first.outlook.look_at < first.outlook.likely_at
    baker.wait(240)
    later = baker.state.details["whip"]
    assert later.outlook is not None
    assert later.outlook.likely_at == first.outlook.likely_at
    told = baker.tell("cue_done", step="whip", cue=first.cues[0].id)
    assert [c.done for c in told.details["whip"].cues][:2] == [True, False]


def test_not_yet_asks_again_a_little_later(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("bake")
    baker.tell("step_started", step="bake")
    view = baker.state.details["bake"].outlook
    assert view is not None
    baker.now = view.likely_at
    again = baker.tell("not_yet", step="bake").details["bake"].outlook
    assert again is not None
    assert again.look_at is not None
    assert again.look_at > baker.now
    assert again.likely_at >= again.look_at


def test_a_core_reading_moves_the_end_of_the_bake(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("bake")
    baker.tell("step_started", step="bake")
    expected = baker.state.details["bake"].outlook
    assert expected is not None
    baker.wait(900)
    cold = baker.tell("reading_added", step="bake", quantity="core temperature", value=45).details["bake"]
    assert cold.outlook is not None
    assert cold.outlook.likely_at > expected.likely_at
    assert cold.outlook.basis == "measured"
    assert cold.column is not None
    assert (cold.column.now_c, cold.column.measured) == (45, True)


def test_a_core_reading_that_cannot_be_leaves_the_end_where_it_was(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("bake")
    expected = baker.tell("step_started", step="bake").details["bake"].outlook
    baker.wait(20)
    touching = baker.tell("reading_added", step="bake", quantity="core temperature", value=60).details["bake"].outlook
    assert expected is not None
    assert touching is not None
    assert (touching.likely_at, touching.basis) == (expected.likely_at, expected.basis)


def test_a_cup_counts_as_the_result_only_if_the_whisk_stopped_soon_after(bench: Bench) -> None:
    def level_after(more_s: float) -> float:
        baker = Baker(bench)
        baker.until("whip")
        baker.tick_all()
        baker.tell("step_started", step="whip")
        baker.wait(200)
        baker.tell("reading_added", step="whip", quantity="density", value=0.25)
        baker.wait(more_s)
        baker.tell("step_done", step="whip")
        section = bench.state(baker.bake, focus="fill", now=baker.now).details["fill"].section
        assert section is not None
        return section.level_mm

    assert level_after(200) > level_after(20)


def test_the_oven_says_whether_it_comes_before_the_batter(bench: Bench) -> None:
    baker = Baker(bench, hours=5)
    baker.until("preheat-bake")
    column = baker.tell("step_started", step="preheat-bake").details["preheat-bake"].column
    assert column is not None
    assert column.needed_for == "Bake"
    assert column.arrives_at is not None
    assert column.needed_at is not None
    assert column.needed_at >= column.arrives_at - timedelta(minutes=1)
    baker.wait(900)
    cold = baker.tell("reading_added", step="preheat-bake", quantity="oven temperature", value=24)
    later = cold.details["preheat-bake"].column
    assert later is not None
    assert later.arrives_at is not None
    assert later.needed_at is not None
    assert later.arrives_at - later.needed_at > column.arrives_at - column.needed_at


def test_a_waiting_foam_counts_down_to_the_step_that_ends_the_wait(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("loosen")
    windows = {w.step: w for w in baker.state.windows}
    assert windows["whip"].closes in {"loosen", "fold"}
    assert windows["whip"].since < windows["whip"].until
    baker.until("fill")
    assert [w.step for w in baker.state.windows] == ["fold"]


def test_a_timer_is_a_moment(bench: Bench) -> None:
    baker = Baker(bench)
    (timer,) = baker.tell("timer_started", timer="t1", label="butter out", seconds=300).timers
    assert timer.due_at == baker.now + timedelta(seconds=300)
    baker.wait(120)
    assert baker.state.timers == (timer,)
    assert baker.tell("timer_stopped", timer="t1").timers == ()


def test_a_skipped_step_keeps_its_reason_and_lets_the_next_begin(bench: Bench) -> None:
    baker = Baker(bench)
    baker.tell("step_done", step="weigh-dry")
    state = baker.tell("step_skipped", step="sift-dry", reason="flour is fresh")
    line = next(s for s in state.steps if s.id == "sift-dry")
    assert (line.status, line.reason) == (StepStatus.SKIPPED, "flour is fresh")


def test_being_late_pushes_everything_and_says_so(bench: Bench) -> None:
    baker = Baker(bench)
    on_time = baker.state
    baker.wait(3 * 3600)
    late = baker.state
    assert abs(on_time.late_by_s) < 60
    assert late.late_by_s > 1.5 * 3600
    assert all(s.expected_start_at >= baker.now for s in late.steps if s.status is StepStatus.WAITING)


def test_a_bake_keeps_the_kitchen_and_formula_that_it_began_with(bench: Bench) -> None:
    baker = Baker(bench)
    before = baker.state
    bench.store.kitchens.save(demo_kitchen().model_copy(update={"altitude_m": 3000, "air_c": 35}))
    assert baker.state == before


def test_after_the_end_only_memory_is_added(bench: Bench) -> None:
    baker = Baker(bench)
    baker.tell("bake_abandoned", reason="power cut")
    with pytest.raises(BenchRefusal, match="over"):
        baker.tell("step_done", step="weigh-milk")
    state = baker.tell("outcome_recorded", stars=1, faults=["never baked"])
    assert state.outcome is not None
    assert state.status is BakeStatus.ABANDONED


def test_an_event_from_the_outbox_keeps_its_own_time_but_never_the_future(bench: Bench) -> None:
    baker = Baker(bench)
    baker.now = BEGAN + timedelta(days=4000)
    state = baker.tell("note_added", text="from a clock gone wrong")
    assert state.notes[0].at < baker.now


@given(st.lists(st.sampled_from(["done", "note", "undo", "read"]), max_size=12))
@settings(max_examples=60)
def test_state_is_nothing_but_the_events(moves: list[str]) -> None:
    """Undoing everything that counts leads back to where nothing had happened."""
    happened: list[ev.Happened] = []

    def add(event: ev.BenchEvent) -> None:
        at = BEGAN + timedelta(minutes=len(happened))
        happened.append(ev.Happened(sequence=len(happened) + 1, at=at, event=event))

    for n, move in enumerate(moves):
        key = f"key-{n:05d}"
        if move == "done":
            add(ev.StepDone(kind="step_done", client_key=key, step=f"s{n}"))
        elif move == "note":
            add(ev.NoteAdded(kind="note_added", client_key=key, text="n"))
        elif move == "read":
            add(ev.ReadingAdded(kind="reading_added", client_key=key, step="s", quantity=Quantity.DENSITY, value=0.2))
        elif (last := project(happened, BEGAN).undoable) is not None:
            add(ev.Undone(kind="undone", client_key=key, sequence=last))
    assert project(happened, BEGAN) == project(list(happened), BEGAN)
    while (last := project(happened, BEGAN).undoable) is not None:
        add(ev.Undone(kind="undone", client_key=f"back-{last:05d}", sequence=last))
    empty = project(happened, BEGAN)
    assert (empty.steps, empty.notes, empty.readings) == ({}, [], [])


def test_a_hand_step_is_taken_to_begin_when_the_hands_were_free_but_not_long_before(bench: Bench) -> None:
    baker = Baker(bench)
    baker.wait(3000)
    first = baker.tell("step_done", step="weigh-milk")
    milk = next(s for s in first.steps if s.id == "weigh-milk")
    assert milk.started_at is not None
    assert milk.ended_at is not None
    assert 0 < (milk.ended_at - milk.started_at).total_seconds() < 300
    baker.wait(40)
    dry = next(s for s in baker.tell("step_done", step="weigh-dry").steps if s.id == "weigh-dry")
    assert dry.started_at == milk.ended_at


def test_the_demo_teaches_its_kitchen(empty_bench: Bench) -> None:
    bench = empty_bench
    seed(bench, today=BEGAN)
    finished = bench.store.bakes.listed(status="finished")
    assert len(finished) == len(PAST)
    seed(bench, today=BEGAN)
    assert len(bench.store.bakes.listed()) == len(PAST)
    state = Baker(bench).state
    detail = bench.state(state.id, focus="bake", now=BEGAN).details["bake"].forecast
    # Both formulas were baked in this oven: each tells of it.
    assert (detail.duration_s.basis, detail.duration_s.bakes) == (Basis.KITCHEN, 8)


def test_an_unknown_bake_is_named(bench: Bench) -> None:
    with pytest.raises(CraftError) as error:
        bench.state("nothing")
    assert error.value.field == "bake_id"
