"""A bench that follows pots and bowls by their thermometers."""

from __future__ import annotations

from datetime import timedelta

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.told.views import BakeState
from kindwhisk.core.kitchen import ProbePlace, Thermometer
from kindwhisk.core.warmth.thermometer import Check
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker


def boil(bench: Bench) -> Baker:
    """Somebody whose syrup has just been put on the flame."""
    baker = Baker(bench, "syrup-peaks")
    baker.until("whip-boil")
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
