"""A slip of the finger is asked about once, in words; taken back it leaves no trace, confirmed it counts."""

from __future__ import annotations

from typing import Any

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.log.log import Logs
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.bench.told.views import BakeState
from kindwhisk.core.learning.figures import Figure
from kindwhisk.demo.seed import seed
from tests.bench.helpers import Baker


def whipped(bench: Bench, cup: float) -> tuple[Baker, BakeState]:
    """Whites that have been whipped as long as they should, and a cup of them."""
    baker = Baker(bench, hours=6)
    baker.until("whip")
    baker.tick_all()
    baker.tell("step_started", step="whip")
    baker.wait(baker.state.details["whip"].forecast.duration_s.likely)
    return baker, baker.tell("reading_added", step="whip", quantity="density", value=cup)


def foam(state: BakeState) -> float:
    section = state.details["whip"].section
    assert section is not None
    return section.density_g_per_ml.likely


def finish(baker: Baker, **outcome: Any) -> None:
    for _ in range(80):
        state = baker.state
        if state.current is None:
            break
        baker.tell("step_done", step=state.current) if state.current in state.running else baker.go_on()
    baker.tell("outcome_recorded", **({"stars": 4} | outcome))
    baker.tell("bake_finished")


def test_a_usual_cup_is_not_asked_about(bench: Bench) -> None:
    _, state = whipped(bench, 0.17)
    assert state.questions == ()
    assert state.readings[-1].counts


def test_a_cup_read_twice_over_is_asked_about_and_counts_for_nothing_until_it_is_answered(bench: Bench) -> None:
    baker, state = whipped(bench, 1.01)
    (question,) = state.questions
    assert (question.step, question.entry, question.sequence) == ("whip", "reading", state.sequence)
    assert "1.01 g/ml" in question.text
    assert "cup" in question.text
    assert foam(state) < 0.3
    assert not state.readings[-1].counts
    # It is on the disk with its question, and asked about no second time after a restart.
    again = Bench(bench.store, bench.hub, bench.clock)
    again.logs = Logs(bench.store)
    assert [q.text for q in again.state(baker.bake, now=baker.now).questions] == [question.text]
    right = baker.tell("answered", sequence=question.sequence, right=True)
    assert right.questions == ()
    assert foam(right) == pytest.approx(1.01, rel=0.05)
    back = baker.tell("undone", sequence=right.sequence)
    assert [q.sequence for q in back.questions] == [question.sequence]


def test_taken_back_it_leaves_the_figures_as_they_were(bench: Bench) -> None:
    baker, before = whipped(bench, 0.17)
    asked = baker.tell("reading_added", step="whip", quantity="density", value=1.7 / 10 * 6)
    state = baker.tell("answered", sequence=asked.questions[0].sequence, right=False)
    assert state.questions == ()
    assert foam(state) == pytest.approx(foam(before))
    with pytest.raises(BenchRefusal, match="Nothing is asked"):
        baker.tell("answered", sequence=asked.questions[0].sequence, right=True)
    undone = baker.tell("undone", sequence=asked.questions[0].sequence)
    assert len(undone.readings) == 1


def test_a_foam_that_went_wrong_after_good_ones_is_no_slip(empty_bench: Bench) -> None:
    seed(empty_bench)
    for cup, asked in ((0.142, 0), (0.23, 0), (1.01, 1)):
        _, state = whipped(empty_bench, cup)
        assert len(state.questions) == asked, cup
    shown = empty_bench.store.bakes.listed(status="finished")
    assert not any(empty_bench.state(str(row.id)).questions for row in shown)


def test_a_foam_on_its_way_up_may_be_heavy(bench: Bench) -> None:
    baker = Baker(bench, hours=6)
    baker.until("whip")
    baker.tick_all()
    baker.tell("step_started", step="whip")
    baker.wait(40)
    assert baker.tell("reading_added", step="whip", quantity="density", value=0.8).questions == ()
    assert len(baker.tell("reading_added", step="whip", quantity="density", value=0.095).questions) == 1


def test_what_the_client_says_is_asked_counts_for_nothing(bench: Bench) -> None:
    baker, _ = whipped(bench, 0.17)
    state = baker.tell("reading_added", step="whip", quantity="density", value=0.18, asks="Really?")
    assert state.questions == ()


def test_a_whip_of_ten_times_the_time_is_asked_about_and_left_out_if_it_was_told_late(bench: Bench) -> None:
    baker, _ = whipped(bench, 0.17)
    baker.wait(9 * baker.state.details["whip"].forecast.duration_s.likely)
    asked = baker.tell("step_done", step="whip")
    (question,) = asked.questions
    assert (question.entry, question.step) == ("time", "whip")
    assert "told late" in question.text
    # The bake goes on whether it is answered or not.
    assert next(s for s in asked.steps if s.id == "whip").status == "done"
    baker.tell("answered", sequence=question.sequence, right=False)
    finish(baker)
    assert [d for d in bench.record().dots if d.figure is Figure.WHIP] == []


def test_a_bake_that_was_told_late_teaches_its_oven_nothing(bench: Bench) -> None:
    for right in (False, True):
        baker = Baker(bench, hours=6)
        baker.until("bake")
        baker.tell("step_started", step="bake")
        baker.wait(4 * baker.state.details["bake"].forecast.duration_s.likely)
        (question,) = [q for q in baker.tell("step_done", step="bake").questions if q.step == "bake"]
        baker.tell("answered", sequence=question.sequence, right=right)
        finish(baker)
        assert len(bench.record().bakes) == int(right)


def test_an_unanswered_time_is_kept_and_moves_nothing(bench: Bench) -> None:
    baker, _ = whipped(bench, 0.17)
    plain = baker.state.details["whip"].forecast.duration_s.likely
    baker.wait(9 * plain)
    baker.tell("step_done", step="whip")
    finish(baker)
    (dot,) = (d for d in bench.record().dots if d.figure is Figure.WHIP)
    assert dot.observed == pytest.approx(10 * plain, rel=0.02)
    following = Baker(bench, hours=6)
    following.until("whip")
    assert following.state.details["whip"].forecast.duration_s.likely == pytest.approx(plain, rel=0.01)


def test_seven_hundred_millimetres_for_seventy_are_asked_about_until_they_are_set_right(bench: Bench) -> None:
    baker = Baker(bench, hours=6)
    finish(baker, height_mm=710)
    (question,) = baker.state.questions
    assert (question.entry, question.step) == ("height", "")
    assert "710 mm" in question.text
    fixed = baker.tell("outcome_recorded", stars=4, height_mm=71)
    assert fixed.questions == ()
    (dot,) = (d for d in bench.record().dots if d.figure is Figure.HEIGHT)
    assert dot.observed == 71


def test_a_height_that_was_not_right_teaches_nothing(bench: Bench) -> None:
    baker = Baker(bench, hours=6)
    finish(baker, height_mm=710)
    baker.tell("answered", sequence=baker.state.questions[0].sequence, right=False)
    assert [d for d in bench.record().dots if d.figure is Figure.HEIGHT] == []


def test_hands_teach_their_own(bench: Bench) -> None:
    kitchen = bench.kitchen.model_copy(update={"people": bench.kitchen.model_validate(
        bench.kitchen.model_dump() | {"people": [{"id": "ada", "name": "Ada"}]}).people})  # fmt: skip
    bench.store.kitchens.save(kitchen)
    baker = Baker(bench, hours=6, hands="ada")
    baker.until("loosen")
    baker.tell("reading_added", step="whip", quantity="density", value=0.17)
    baker.go_on()
    baker.tell("reading_added", step="fold", quantity="density", value=0.5)
    finish(baker)
    (kept,) = (d for d in bench.record().dots if d.figure is Figure.AIR)
    assert "hands ada" in kept.effects
    with pytest.raises(ValueError, match="Nobody here goes by"):
        Baker(bench, hours=6, hands="bob")
