"""What may be taken back, and what stands in its way."""

from __future__ import annotations

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.rules import BenchRefusal
from tests.bench.helpers import Baker
from tests.bench.turning import status, whipping


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


def test_a_change_is_taken_back_only_before_what_came_of_it(bench: Bench) -> None:
    baker = whipping(bench)
    again = baker.tell("begun_again", step="whip").sequence
    baker.tell("step_done", step="weigh-whites-2")
    with pytest.raises(BenchRefusal, match="rests on it"):
        baker.tell("undone", sequence=again)
    baker.tell("undone", sequence=again + 1)
    assert status(baker.tell("undone", sequence=again))["whip"] == "running"


def test_what_was_started_is_not_taken_back_under_its_end(bench: Bench) -> None:
    baker = whipping(bench)
    started = baker.state.sequence
    baker.wait(300)
    baker.tell("step_done", step="whip")
    with pytest.raises(BenchRefusal, match="rests on it: “Whip whites and sugar” done"):
        baker.tell("undone", sequence=started)


def test_the_last_things_tell_of_steps_that_came_or_went_with_a_change(bench: Bench) -> None:
    baker = Baker(bench, "bare-sponge")
    baker.until("whip")
    baker.tell("changed", change={"change": "together", "step": "fold-flour"})
    baker.tick_all()
    baker.tell("step_started", step="whip")
    baker.tell("begun_again", step="whip")
    again = next(s.id for s in baker.state.steps if s.id == "whip-whites-2")
    baker.tell("step_done", step=again)
    baker.tell("changed", change={"change": "remedied", "step": again, "remedy": "a pinch of acid"})
    said = {t.said for t in bench.last_things(baker.bake)}
    assert {
        "“Pour the yolks in and fold” and “Sift over and fold” in one go",
        f"“{next(s.title for s in baker.state.steps if s.id == again)}”: a pinch of acid",
        "Make-ready list: spatula",
    } <= said
