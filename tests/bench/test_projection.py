"""From events to progress, event by event: starts that are known and those that are inferred, and every undo."""

from __future__ import annotations

import itertools
from datetime import datetime, timedelta
from typing import Any

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.document import HandStep
from kindwhisk.bench.log.progress import BakeStatus, Progress, StepStatus
from kindwhisk.bench.log.projection import project, value_of
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.errors import CraftError
from tests.bench.helpers import BEGAN, Baker

_count = itertools.count()


def at(minutes: float) -> datetime:
    return BEGAN + timedelta(minutes=minutes)


class Told:
    """Events in order, told by the minute."""

    def __init__(self, **hand_steps: HandStep) -> None:
        self.happened: list[ev.Happened] = []
        self.hand_steps = hand_steps

    def tell(self, minutes: float, kind: str, **fields: Any) -> int:
        event = ev.event_adapter.validate_python({"kind": kind, "client_key": f"k-{next(_count):08d}", **fields})
        self.happened.append(ev.Happened(sequence=len(self.happened) + 1, at=at(minutes), event=event))
        return len(self.happened)

    @property
    def progress(self) -> Progress:
        return project(self.happened, BEGAN, hand_steps=self.hand_steps)


def test_a_step_runs_from_its_start_to_its_end() -> None:
    told = Told()
    told.tell(3, "step_started", step="bake")
    assert told.progress.status_of("bake") is StepStatus.RUNNING
    told.tell(33, "step_done", step="bake")
    step = told.progress.step("bake")
    assert (step.status, step.started_at, step.ended_at) == (StepStatus.DONE, at(3), at(33))
    assert told.progress.ended("bake") == at(33)
    assert told.progress.is_over("bake")
    assert (told.progress.status_of("other"), told.progress.ended("other")) == (StepStatus.WAITING, None)


def test_a_hand_step_began_when_the_hands_were_free() -> None:
    told = Told(mix=HandStep(planned_s=300), weigh=HandStep(planned_s=120), fold=HandStep(planned_s=300))
    told.tell(2, "step_done", step="weigh")
    told.tell(8, "step_done", step="mix")
    assert told.progress.step("weigh").started_at == at(0)
    assert told.progress.step("mix").started_at == at(2)
    told.tell(18, "step_done", step="fold")
    assert told.progress.step("fold").started_at == at(8)


def test_after_a_pause_a_hand_step_took_as_long_as_planned() -> None:
    told = Told(mix=HandStep(planned_s=300))
    told.tell(10.1, "step_done", step="mix")
    assert told.progress.step("mix").started_at == at(5.1)
    exact = Told(mix=HandStep(planned_s=300))
    exact.tell(10, "step_done", step="mix")
    assert exact.progress.step("mix").started_at == at(0)


def test_a_hand_step_cannot_begin_before_what_it_takes() -> None:
    told = Told(fold=HandStep(planned_s=300, needs=("whip", "base")))
    told.tell(1, "step_started", step="whip")
    told.tell(7, "step_done", step="whip")
    told.tell(12, "step_done", step="fold")
    assert told.progress.step("fold").started_at == at(7)


def test_a_step_of_the_hands_frees_them_and_one_of_a_machine_does_not() -> None:
    told = Told(weigh=HandStep(planned_s=600), mix=HandStep(planned_s=600))
    told.tell(0, "step_started", step="oven")
    told.tell(4, "step_done", step="weigh")
    told.tell(5, "step_done", step="oven")
    told.tell(9, "step_done", step="mix")
    assert told.progress.step("mix").started_at == at(4)


def test_a_skipped_step_keeps_its_own_start() -> None:
    told = Told()
    told.tell(3, "step_started", step="rest")
    told.tell(9, "step_skipped", step="rest", reason="no time")
    step = told.progress.step("rest")
    assert (step.status, step.started_at, step.ended_at, step.reason) == (StepStatus.SKIPPED, at(3), at(9), "no time")
    told.tell(10, "step_skipped", step="soak", reason="plain")
    assert told.progress.step("soak").started_at == at(10) == told.progress.step("soak").ended_at
    assert told.progress.is_over("soak")


def test_a_pour_ends_pot_and_whisk_and_begins_the_stream_at_once() -> None:
    told = Told()
    told.tell(1, "step_started", step="boil")
    told.tell(6, "step_started", step="whip")
    poured = told.tell(11, "syrup_poured", step="stream", boil="boil", whisk="whip")
    seen = told.progress
    assert [seen.ended(s) for s in ("boil", "whip")] == [at(11), at(11)]
    assert (seen.status_of("stream"), seen.step("stream").started_at) == (StepStatus.RUNNING, at(11))
    assert seen.undoable == poured
    told.tell(12, "undone", sequence=poured)
    back = told.progress
    assert [back.status_of(s) for s in ("boil", "whip", "stream")] == [
        StepStatus.RUNNING,
        StepStatus.RUNNING,
        StepStatus.WAITING,
    ]


def test_whites_that_were_done_before_the_pour_keep_their_end() -> None:
    told = Told()
    told.tell(1, "step_started", step="boil")
    told.tell(2, "step_started", step="whip")
    told.tell(8, "step_done", step="whip")
    told.tell(11, "syrup_poured", step="stream", boil="boil", whisk="whip")
    assert told.progress.ended("whip") == at(8)


def test_an_undo_takes_back_one_thing_and_the_next_one_the_one_before() -> None:
    told = Told()
    first = told.tell(1, "gate_ticked", item="bowl")
    second = told.tell(2, "gate_ticked", item="whisk")
    assert told.progress.undoable == second
    told.tell(3, "undone", sequence=second)
    assert (told.progress.ticked, told.progress.undoable) == ({"bowl"}, first)
    told.tell(4, "undone", sequence=first)
    assert not told.progress.ticked
    assert told.progress.undoable is None
    assert told.progress.last_sequence == 4


def test_what_is_ticked_can_be_found_missing_again() -> None:
    told = Told()
    told.tell(1, "gate_ticked", item="bowl")
    told.tell(2, "gate_ticked", item="bowl", there=False)
    assert told.progress.ticked == set()


def test_looks_cues_probes_timers_and_notes_are_kept_where_they_belong() -> None:
    told = Told()
    told.tell(1, "step_started", step="bake")
    told.tell(20, "not_yet", step="bake")
    told.tell(22, "not_yet", step="bake")
    told.tell(23, "cue_done", step="bake", cue="turn")
    told.tell(24, "probe_placed", step="bake", probe="p1")
    told.tell(25, "probe_placed", step="bake", probe="p2")
    told.tell(26, "timer_started", timer="t1", label="tea", seconds=90)
    told.tell(26, "timer_started", timer="t2", label="jam", seconds=60)
    told.tell(27, "timer_stopped", timer="t2")
    told.tell(27, "timer_stopped", timer="t9")
    told.tell(28, "note_added", text="smells done", step="bake")
    seen = told.progress
    assert seen.step("bake").looked_at == [at(20), at(22)]
    assert seen.step("bake").cues_done == {"turn"}
    assert seen.probes == {"bake": "p2"}
    assert {t.id: (t.label, t.due_at) for t in seen.timers.values()} == {"t1": ("tea", at(27.5))}
    assert [(n.text, n.step, n.at) for n in seen.notes] == [("smells done", "bake", at(28))]


def test_the_end_is_kept_with_its_moment() -> None:
    for kind, status in (("bake_finished", BakeStatus.FINISHED), ("bake_abandoned", BakeStatus.ABANDONED)):
        told = Told()
        more = {"reason": "power cut"} if kind == "bake_abandoned" else {}
        told.tell(90, kind, **more)
        assert (told.progress.status, told.progress.ended_at) == (status, at(90))


def test_a_reading_is_its_value_its_cup_or_its_hundred_millilitres() -> None:
    told = Told()
    told.tell(1, "reading_added", step="whip", quantity="density", value=0.2)
    told.tell(2, "reading_added", step="whip", quantity="density", cup={"full_g": 70, "empty_g": 40, "volume_ml": 120})
    told.tell(3, "reading_added", step="whip", quantity="density", per_100_ml=31)
    told.tell(4, "reading_added", step="whip", quantity="density", ribbon_s=5, value=0.3)
    seen = told.progress.readings
    assert [r.value for r in seen] == pytest.approx([0.2, 0.25, 0.31, 0.3])
    assert [r.measured.spread for r in seen] == pytest.approx([0.03, 0.03, 0.03, 0.15])
    assert [r.sequence for r in seen] == [1, 2, 3, 4]
    assert {r.quantity for r in seen} == {Quantity.DENSITY}
    wrong = ev.event_adapter.validate_python(
        {
            "kind": "reading_added",
            "client_key": "k-wrong-cup",
            "step": "whip",
            "quantity": "density",
            "cup": {"full_g": 40, "empty_g": 70, "volume_ml": 120},
        }
    )
    assert isinstance(wrong, ev.ReadingAdded)
    with pytest.raises(CraftError):
        value_of(wrong)


def test_a_density_counts_until_the_step_went_on_for_too_long() -> None:
    told = Told()
    told.tell(1, "step_started", step="whip")
    told.tell(5, "reading_added", step="whip", quantity="density", value=0.3)
    told.tell(6, "reading_added", step="whip", quantity="density", value=0.25)
    told.tell(6, "reading_added", step="whip", quantity="temperature in the vessel", value=20)
    assert told.progress.densities(at(8), {})["whip"].density == 0.25
    assert told.progress.densities(at(8), {"whip": 120})["whip"].density == 0.25
    assert told.progress.densities(at(8.1), {"whip": 120}) == {}
    told.tell(7.9, "step_done", step="whip")
    assert told.progress.densities(at(60), {"whip": 120})["whip"].density == 0.25
    assert told.progress.densities(at(60), {"whip": 100}) == {}


def test_what_is_done_waits_until_it_is_taken_in_steps_of_twenty_seconds() -> None:
    told = Told()
    told.tell(1, "step_started", step="whip")
    told.tell(5, "step_done", step="whip")
    takers = {"whip": ("fold", "pipe")}
    assert told.progress.waited_s(at(5), takers) == {}
    assert told.progress.waited_s(at(5) + timedelta(seconds=59), takers) == {"whip": 40}
    assert told.progress.waited_s(at(9), {}) == {}
    told.tell(7, "reading_added", step="whip", quantity="density", value=0.3)
    assert told.progress.waited_s(at(9), takers) == {"whip": 120}
    told.tell(9.5, "step_started", step="pipe")
    told.tell(9.9, "step_started", step="fold")
    assert told.progress.waited_s(at(30), takers) == {"whip": 150}
    told.tell(29, "reading_added", step="whip", quantity="density", value=0.3)
    assert told.progress.waited_s(at(30), takers) == {"whip": 150}


def test_a_bake_that_ended_waits_no_longer() -> None:
    told = Told()
    told.tell(1, "step_started", step="whip")
    told.tell(5, "step_done", step="whip")
    told.tell(8, "bake_abandoned", reason="fell")
    assert told.progress.waited_s(at(500), {"whip": ("fold",)}) == {"whip": 180}


def test_nothing_is_undone_twice(bench: Bench) -> None:
    baker = Baker(bench)
    first = baker.tell("step_done", step="weigh-milk").sequence
    baker.tell("undone", sequence=first)
    for sequence in (first, first + 1, 99):
        with pytest.raises(BenchRefusal, match="nothing to undo here"):
            baker.tell("undone", sequence=sequence)
    again = baker.tell("step_done", step="weigh-milk").sequence
    assert again == first + 2
    baker.tell("undone", sequence=again)
    line = next(s for s in baker.state.steps if s.id == "weigh-milk")
    assert line.status == "waiting"


def test_a_pour_that_does_not_fit_is_refused_by_its_field(bench: Bench) -> None:
    baker = Baker(bench, "tea-chiffon")
    with pytest.raises(BenchRefusal) as caught:
        baker.tell("syrup_poured", step="whip", boil="weigh-milk", whisk="whip")
    assert caught.value.field == "boil"
    assert baker.state.sequence == 0


def test_what_is_left_is_named_up_to_three_steps(bench: Bench) -> None:
    baker = Baker(bench, "tea-chiffon", hours=40)
    for _ in range(80):
        left = [s for s in baker.state.steps if s.status not in {"done", "skipped"}]
        if len(left) <= 4:
            with pytest.raises(BenchRefusal) as caught:
                baker.tell("bake_finished")
            titles = ", ".join(s.title for s in left[:3])
            assert str(caught.value).startswith(f"Not over yet: {titles}{' and more' if len(left) > 3 else ''}.")
        if len(left) <= 3:
            return
        baker.tell("step_skipped", step=left[0].id, reason="shown")
    raise AssertionError("never came near its end")
