"""Plans: nothing overlaps that can't, nothing waits that can't, and lateness is told with its reason."""

from __future__ import annotations

import json
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.braid import braid
from kindwhisk.core.planning.push import Actual, push
from kindwhisk.core.planning.solver import UNIT_S, Plan, plan
from kindwhisk.core.planning.tasks import Job, Lag, Task, job
from kindwhisk.core.process.forecast import Forecast, forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.outcome import Resource
from kindwhisk.core.process.windows import windows
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import demo_formulas, tea_chiffon
from tests.core.strategies import setting_of
from tests.core.test_process import changed

FORECASTS = {f.id: forecast(f, setting_of(f)) for f in demo_formulas()}
HOURS = 3600.0


def times_of(made: Plan) -> dict[str, tuple[float, float]]:
    return {p.id: (p.start_s, p.end_s) for p in made.placed}


def keeps_the_laws(seen: Forecast, times: dict[str, tuple[float, float]]) -> None:
    work = job(seen)
    for task in work.tasks:
        for need in task.needs:
            assert times[task.id][0] >= times[need][1], (need, task.id)
    for resource in (Resource.HANDS, Resource.MIXER, Resource.OVEN):
        busy = sorted(times[t.id] for t in work.tasks if resource in t.uses)
        for (_, end), (start, _) in pairwise(busy):
            assert start >= end, resource
    for window in windows(seen):
        waited = times[window.closes][0] - times[window.opens][1]
        assert waited <= window.hold_s.likely + UNIT_S, window


@pytest.mark.parametrize("formula_id", list(FORECASTS))
@pytest.mark.parametrize("due", [1 * HOURS, 3 * HOURS, 6 * HOURS])
def test_a_plan_keeps_needs_resources_and_windows(formula_id: str, due: float) -> None:
    seen = FORECASTS[formula_id]
    made = plan(job(seen), due)
    keeps_the_laws(seen, times_of(made))
    assert made.ready_s == pytest.approx(due + made.late_by_s, abs=UNIT_S)
    assert min(p.start_s for p in made.placed) >= 0


def test_in_time_means_as_late_as_can_be() -> None:
    made = plan(job(FORECASTS["tea-chiffon"]), 8 * HOURS)
    assert made.late_by_s == 0
    assert made.ready_s == pytest.approx(8 * HOURS, abs=UNIT_S)
    assert made.placed[0].start_s > 3.8 * HOURS
    assert made.ready_low_s < made.ready_s < made.ready_high_s


def test_too_late_says_by_how_much_and_what_drives_it() -> None:
    made = plan(job(FORECASTS["tea-chiffon"]), 1 * HOURS)
    longest = max(made.drivers, key=lambda d: d.seconds)
    assert made.late_by_s > 1 * HOURS
    assert longest.step == "cool"
    assert "leave it hanging" in made.because
    assert "late" in made.because


def test_the_same_question_gets_the_same_plan() -> None:
    work = job(FORECASTS["butter-sponge"])
    assert plan(work, 4 * HOURS) == plan(work, 4 * HOURS)


def test_the_oven_is_hot_when_the_batter_comes_and_the_foam_does_not_wait() -> None:
    times = times_of(plan(job(FORECASTS["tea-chiffon"]), 4 * HOURS))
    assert times["preheat-bake"][1] <= times["bake"][0]
    assert times["add-flour"][1] <= times["whip"][0]
    assert times["loosen"][0] - times["whip"][1] <= 60


def test_a_wash_lies_between_yolk_and_white_on_one_beater() -> None:
    shared = Formula.model_validate_json(json.dumps(changed(tea_chiffon(), "beat-yolks", tool="mixer whisk")))
    seen = forecast(shared, setting_of(shared))
    times = times_of(plan(job(seen), 4 * HOURS))
    keeps_the_laws(seen, times)
    assert times["beat-yolks"][1] <= times["wash-whip"][0]
    assert times["wash-whip"][1] <= times["whip"][0]


def test_a_foam_that_cannot_wait_long_enough_is_refused_with_a_remedy() -> None:
    def task(name: str, seconds: float) -> Task:
        return Task(
            id=name, title=name, duration_s=seconds, low_s=seconds, high_s=seconds, needs=(), uses=(Resource.HANDS,)
        )

    impossible = Job(
        tasks=(task("whip", 60), task("other", 600), task("fold", 60)),
        lags=(
            Lag(earlier="whip", later="other"),
            Lag(earlier="other", later="fold"),
            Lag(earlier="whip", later="fold", at_most_s=120),
        ),
    )
    with pytest.raises(CraftError, match="hold window"):
        plan(impossible, 3600)


@given(st.floats(-1200, 2400), st.integers(0, 20))
@settings(max_examples=40)
def test_pushing_right_keeps_order_and_never_rewrites_what_happened(drift: float, finished: int) -> None:
    seen = FORECASTS["tea-chiffon"]
    work = job(seen)
    planned = times_of(plan(work, 5 * HOURS))
    order = sorted(planned, key=lambda i: planned[i])
    done = {i: Actual(start_s=planned[i][0], end_s=planned[i][1]) for i in order[:finished]}
    over = max((planned[i][1] for i in done), default=0.0)
    now = max(over, planned[order[0]][0] + drift, 0.0)
    pushed = push(work, planned, done, now)
    for i, actual in done.items():
        assert pushed[i] == (actual.start_s, actual.end_s)
    for task in work.tasks:
        for need in task.needs:
            assert pushed[task.id][0] >= pushed[need][1] - 1e-6 or task.id in done
        if task.id not in done:
            assert pushed[task.id][0] >= now
    hands = sorted(pushed[t.id] for t in work.tasks if Resource.HANDS in t.uses and t.id not in done)
    for (_, end), (start, _) in pairwise(hands):
        assert start >= end - 1e-6


def test_what_follows_a_foam_goes_on_at_once_when_it_is_early() -> None:
    work = job(FORECASTS["tea-chiffon"])
    planned = times_of(plan(work, 5 * HOURS))
    early = {i: Actual(start_s=a - 1800, end_s=b - 1800) for i, (a, b) in planned.items() if b <= planned["whip"][1]}
    now = planned["whip"][1] - 1800
    assert push(work, planned, early, now)["loosen"][0] == pytest.approx(now)


def test_the_braid_is_the_plan_drawn() -> None:
    seen = FORECASTS["tea-chiffon"]
    times = times_of(plan(job(seen), 4 * HOURS))
    drawn = braid(seen, times)
    work = {p.step: p for p in drawn.pieces if not p.waiting}
    assert set(work) == set(times)
    for step, piece in work.items():
        assert (piece.start_s, piece.end_s) == times[step]
        material = seen.step(step).material
        assert piece.volume_end_ml == pytest.approx(material.volume_ml.likely if material.mass_g else 0)
    foam = next(p for p in drawn.pieces if p.waiting and p.step == "whip")
    assert foam.hold_until_s == pytest.approx(times["whip"][1] + seen.step("whip").hold_s.likely)  # type: ignore[union-attr]
    assert {(j.from_vessel, j.to_vessel) for j in drawn.joins} >= {("mixer-bowl", "yolk-bowl"), ("yolk-bowl", "tin")}
    assert {o.resource for o in drawn.occupied} == {"hands", "mixer", "hob", "oven"}
