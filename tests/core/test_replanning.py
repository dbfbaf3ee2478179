"""A plan made anew around what was begun: that stays, nothing is used twice, and what stands is not left waiting."""

from __future__ import annotations

import pytest

from kindwhisk.core.planning.solver import plan
from kindwhisk.core.planning.tasks import Job, Lag, Task
from kindwhisk.core.process.outcome import Resource
from tests.core.test_planning_figures import task


def lags(*tasks: Task) -> tuple[Lag, ...]:
    return tuple(Lag(earlier=n, later=t.id) for t in tasks for n in t.needs)


def starts(
    job: Job, due_s: float, known: dict[str, tuple[float, float]], from_s: float, hob_rings: int = 2
) -> dict[str, float]:
    made = plan(job, due_s, known=known, from_s=from_s, hob_rings=hob_rings)
    return {p.id: p.start_s for p in made.placed}


def test_a_mixer_that_runs_is_free_when_it_is_over() -> None:
    job = Job(tasks=(task("whites", 300, Resource.MIXER), task("cream", 120, Resource.MIXER)), lags=())
    assert starts(job, 0, {"whites": (100, 400)}, 200)["cream"] == 400
    assert starts(job, 0, {"whites": (100, 190)}, 200)["cream"] == 200


def test_pots_on_the_flame_keep_their_rings() -> None:
    job = Job(tasks=tuple(task(n, 300, Resource.HOB) for n in ("syrup", "milk", "butter")), lags=())
    known = {"syrup": (0.0, 600.0), "milk": (0.0, 500.0)}
    assert starts(job, 0, known, 100, hob_rings=2)["butter"] == 500
    # As late as it may be: it is no later than the pot that is there already.
    assert starts(job, 0, known, 100, hob_rings=3)["butter"] == 300


def test_what_was_begun_stays_and_the_rest_comes_after_now() -> None:
    tasks = (task("weigh", 60, Resource.HANDS), task("fold", 120, Resource.HANDS, needs=("weigh",)))
    found = starts(Job(tasks=tasks, lags=lags(*tasks)), 0, {"weigh": (-3600, -3500)}, 50)
    assert found == {"weigh": -3600, "fold": 50}


def test_a_foam_that_stands_is_taken_first_though_that_makes_it_late() -> None:
    tasks = (
        task("foam", 60),
        task("fold", 100, Resource.HANDS, needs=("foam",)),
        task("garnish", 600, Resource.HANDS),
        task("set", 1200, needs=("garnish",)),
    )
    waits = Lag(earlier="foam", later="fold", at_most_s=60)
    found = starts(Job(tasks=tasks, lags=(*lags(*tasks), waits)), 0, {"foam": (0, 200)}, 200)
    assert found["fold"] == 200
    assert found["garnish"] == 300


def test_nothing_but_what_goes_on_at_once_begins_before_a_pause_is_over() -> None:
    tasks = (task("chill", 36_000), task("whip", 300, Resource.MIXER))
    made = plan(Job(tasks=tasks, lags=()), 36_000, from_s=36_000, at_once={"chill": 60.0})
    assert {p.id: p.start_s for p in made.placed} == {"chill": 60, "whip": pytest.approx(36_000, abs=700)}
