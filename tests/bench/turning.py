"""Bakes that are about to go otherwise than planned, and what has to hold of them then."""

from __future__ import annotations

from datetime import timedelta
from itertools import pairwise
from typing import Any

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.bench.told.foreseen import Foreseen
from kindwhisk.bench.told.views import BakeState
from tests.bench.helpers import Baker


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
