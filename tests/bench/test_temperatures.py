"""A bench that follows pots and bowls by their thermometers."""

from __future__ import annotations

from datetime import timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.bench.told.views import BakeState
from kindwhisk.core.kitchen import ProbePlace, Thermometer
from kindwhisk.core.warmth.thermometer import Check
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker


def boil(bench: Bench) -> Baker:
    """Somebody whose syrup has just been put on the flame."""
    baker = Baker(bench, "syrup-peaks")
    baker.until("whip-boil")
    baker.tick_all()
    baker.tell("step_started", step="whip-boil")
    return baker


def read(baker: Baker, celsius: float, after_s: float) -> BakeState:
    baker.wait(after_s)
    return baker.tell("reading_added", step="whip-boil", quantity="temperature in the vessel", value=celsius)


def test_a_pot_is_followed_by_what_is_typed_and_a_taken_back_reading_leaves_no_trace(bench: Bench) -> None:
    baker = boil(bench)
    for celsius in (24, 40, 56, 72, 88, 104):
        state = read(baker, celsius, 30)
    told = state.details["whip-boil"].watch
    assert told is not None
    assert told.pot is not None
    assert told.pot.seconds_to_target is not None
    outlook = state.details["whip-boil"].outlook
    assert outlook is not None
    assert outlook.basis == "measured"
    read(baker, 30, 30)
    undoable = baker.state.undoable
    assert undoable is not None
    baker.tell("undone", sequence=undoable)
    again = bench.state(baker.bake, now=baker.now).details["whip-boil"].watch
    assert again is not None
    assert again.readings == 6


def test_outside_readings_of_the_pots_probe_count_even_when_they_come_late(bench: Bench) -> None:
    _, kitchen = bench.store.kitchens.current()
    probe = Thermometer(id="p1", name="P", place=ProbePlace.POT)
    bench.store.kitchens.save(kitchen.model_copy(update={"thermometers": (probe,)}))
    baker = boil(bench)
    began = baker.now
    baker.wait(120)

    def send(seconds: range) -> None:
        rows = [
            StoredReading("p1", str(s), milliseconds(began + timedelta(seconds=s)), 22 + s / 2, 22 + s / 2)
            for s in seconds
        ]
        bench.store.probes.keep(rows)

    def count() -> int:
        watch = baker.state.details["whip-boil"].watch
        return watch.readings if watch else 0

    assert count() == 0
    send(range(60, 120))
    assert count() == 60
    send(range(1, 60))
    assert count() == 119
    baker.tell("probe_placed", step="whip-boil", probe="")
    assert count() == 0


def test_the_whites_are_called_and_then_both_are_on_one_clock(bench: Bench) -> None:
    baker = boil(bench)
    for n in range(8):
        state = read(baker, 24 + 6 * n, 15)
    (met,) = state.meetings
    assert (met.boil, met.whisk, met.stream) == ("whip-boil", "whip-soft", "whip")
    assert met.meeting.start_in_s is not None
    while not state.meetings[0].meeting.start_now:
        state = read(baker, min(117.0, (state.readings[-1].value + 5)), 15)
    baker.tick_all()
    state = baker.tell("step_started", step="whip-soft")
    assert state.meetings[0].meeting.whisk == "running"
    assert state.meetings[0].meeting.start_in_s is None
    baker.tell("step_done", step="whip-boil")
    assert baker.state.meetings == ()


def test_a_typed_reading_is_set_right_by_its_thermometers_check(bench: Bench) -> None:
    _, kitchen = bench.store.kitchens.current()
    hand = Thermometer(id="hand", name="Hand", check=Check(ice_c=2.0))
    bench.store.kitchens.save(kitchen.model_copy(update={"thermometers": (hand,)}))
    baker = boil(bench)
    state = baker.tell(
        "reading_added", step="whip-boil", quantity="temperature in the vessel", value=80, thermometer="hand"
    )
    assert state.readings[-1].value == 78


def hot_enough(baker: Baker) -> BakeState:
    """Until the pot says to pour, with the whites on the whisk."""
    state = read(baker, 24, 15)
    while not state.meetings[0].meeting.start_now:
        state = read(baker, min(117.0, state.readings[-1].value + 5), 15)
    baker.tick_all()
    state = baker.tell("step_started", step="whip-soft")
    while not state.meetings[0].meeting.pour:
        state = read(baker, min(117.8, state.readings[-1].value + 3), 10)
    return state


def test_to_pour_is_one_event_and_one_undo_away(bench: Bench) -> None:
    baker = boil(bench)
    state = hot_enough(baker)
    act = state.details["whip-boil"].act
    assert act is not None
    assert (act.words, act.kind, act.step) == ("Off the heat, pour", "syrup_poured", "whip")
    assert state.details["whip-soft"].act == act
    poured = baker.tell("syrup_poured", step=act.step, boil=act.boil, whisk=act.whisk)
    status = {s.id: s.status for s in poured.steps}
    assert (status["whip-boil"], status["whip-soft"], status["whip"]) == ("done", "done", "running")
    ends = {s.id: s.ended_at for s in poured.steps}
    assert ends["whip-boil"] == ends["whip-soft"] == baker.now
    assert poured.undoable is not None
    back = baker.tell("undone", sequence=poured.undoable)
    assert {s.id: s.status for s in back.steps} == {s.id: s.status for s in state.steps}


def test_what_can_not_be_poured_is_refused_with_what_to_do(bench: Bench) -> None:
    baker = Baker(bench, "syrup-peaks")
    pour = {"step": "whip", "boil": "whip-boil", "whisk": "whip-soft"}
    with pytest.raises(BenchRefusal, match="No syrup is on the flame"):
        baker.tell("syrup_poured", **pour)
    baker.until("whip-boil")
    baker.tick_all()
    baker.tell("step_started", step="whip-boil")
    with pytest.raises(BenchRefusal, match="was not started") as early:
        baker.tell("syrup_poured", **pour)
    assert early.value.field == "whisk"
    with pytest.raises(BenchRefusal, match="No syrup is on the flame"):
        baker.tell("syrup_poured", **(pour | {"whisk": "whip"}))


def test_the_next_thing_to_do_is_said_with_its_event(bench: Bench) -> None:
    baker = Baker(bench)
    first = baker.state
    assert first.current is not None
    act = first.details[first.current].act
    assert act is not None
    assert (act.words, act.kind, act.ready) == ("Done", "step_done", True)
    baker.until("whip")
    act = baker.state.details["whip"].act
    assert act is not None
    assert (act.words, act.kind, act.ready) == ("Start", "step_started", False)
    baker.tick_all()
    assert (act := baker.state.details["whip"].act) is not None
    assert act.ready
    act = baker.tell("step_started", step="whip").details["whip"].act
    assert act is not None
    assert (act.words, act.kind) == ("Medium peak reached", "step_done")
    baker.tell("step_done", step="whip")
    assert bench.state(baker.bake, focus="whip", now=baker.now).details["whip"].act is None
