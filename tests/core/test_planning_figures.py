"""The solver, the push and the critical chain on small jobs whose answers can be written down."""

from __future__ import annotations

import pytest

from kindwhisk.core.planning.because import Driver, drivers, duration_in_words, in_words
from kindwhisk.core.planning.push import Actual, push
from kindwhisk.core.planning.solver import Plan, plan
from kindwhisk.core.planning.tasks import Job, Lag, Task
from kindwhisk.core.process.outcome import Resource
from kindwhisk.core.values.errors import CraftError

HANDS, HOB, OVEN, MIXER = Resource.HANDS, Resource.HOB, Resource.OVEN, Resource.MIXER


def task(name: str, seconds: float, *uses: Resource, needs: tuple[str, ...] = (), spread: float = 0.1) -> Task:
    return Task(
        id=name,
        title=name.title(),
        duration_s=seconds,
        low_s=seconds * (1 - spread),
        high_s=seconds * (1 + 2 * spread),
        needs=needs,
        uses=uses,
    )


def job_of(*tasks: Task, lags: tuple[Lag, ...] = ()) -> Job:
    needs = tuple(Lag(earlier=n, later=t.id) for t in tasks for n in t.needs)
    return Job(tasks=tasks, lags=(*needs, *lags))


def times(made: Plan) -> dict[str, tuple[float, float]]:
    return {p.id: (p.start_s, p.end_s) for p in made.placed}


def test_a_chain_ends_when_it_is_due_and_lies_close() -> None:
    made = plan(job_of(task("a", 600), task("b", 300, needs=("a",))), 3600)
    assert times(made) == {"a": (2700, 3300), "b": (3300, 3600)}
    assert (made.ready_s, made.late_by_s) == (3600, 0)
    assert [d.step for d in made.drivers] == ["a", "b"]
    assert made.ready_low_s == pytest.approx(3600 - (60**2 + 30**2) ** 0.5)
    assert made.ready_high_s == pytest.approx(3600 + (120**2 + 60**2) ** 0.5)


@pytest.mark.parametrize(("rings", "apart"), [(1, 1800), (2, 1200), (3, 600)])
def test_a_hob_has_as_many_rings_as_it_has(rings: int, apart: int) -> None:
    made = plan(job_of(*(task(n, 600, HOB) for n in "abc")), 3600, hob_rings=rings)
    begun = min(s for s, _ in times(made).values())
    assert 3600 - begun == apart


def test_one_oven_and_two_hands_do_one_thing_at_a_time() -> None:
    for resource in (OVEN, HANDS, MIXER):
        made = plan(job_of(task("a", 600, resource), task("b", 600, resource)), 3600)
        assert sorted(times(made).values()) == [(2400, 3000), (3000, 3600)]
    free = plan(job_of(task("a", 600), task("b", 600)), 3600)
    assert sorted(times(free).values()) == [(3000, 3600), (3000, 3600)]


def test_a_lag_counts_from_the_start_or_from_the_end() -> None:
    two = (task("a", 600), task("b", 300))
    ended = plan(job_of(*two, lags=(Lag(earlier="a", later="b", at_least_s=120),)), 3600)
    assert times(ended) == {"a": (2580, 3180), "b": (3300, 3600)}
    begun = plan(job_of(*two, lags=(Lag(earlier="a", later="b", at_least_s=120, from_end=False),)), 3600)
    assert times(begun) == {"a": (3000, 3600), "b": (3300, 3600)}
    kept = Lag(earlier="a", later="b", at_most_s=60, from_end=False)
    near = plan(job_of(task("a", 600), task("b", 900), lags=(kept, Lag(earlier="a", later="b", from_end=False))), 3600)
    assert times(near)["b"][0] - times(near)["a"][0] <= 60


def test_what_cannot_wait_is_not_made_too_soon() -> None:
    tasks = (task("foam", 300, MIXER), task("base", 900, HANDS), task("fold", 120, HANDS, needs=("foam", "base")))
    window = Lag(earlier="foam", later="fold", at_most_s=240)
    found = times(plan(job_of(*tasks, lags=(window,)), 7200))
    assert found["fold"] == (7080, 7200)
    assert 0 <= found["fold"][0] - found["foam"][1] <= 240


def test_too_late_is_told_from_the_earliest_end() -> None:
    made = plan(job_of(task("a", 600), task("b", 300, needs=("a",))), 500)
    assert (made.ready_s, made.late_by_s) == (900, 400)
    assert times(made)["a"] == (0, 600)
    assert made.because == "Ready 7 min late even if you start now: a (10 min) and b (5 min) can't be shortened."


def test_windows_that_no_order_keeps_are_refused() -> None:
    tasks = (task("foam", 300), task("fill", 600, OVEN), task("bake", 600, OVEN, needs=("foam", "fill")))
    window = Lag(earlier="foam", later="bake", at_most_s=60)
    stuck = Lag(earlier="foam", later="fill")
    with pytest.raises(CraftError) as caught:
        plan(job_of(*tasks, lags=(window, stuck)), 7200)
    assert caught.value.field == "formula"


def test_equal_steps_keep_the_formulas_order() -> None:
    made = plan(job_of(*(task(n, 300, HANDS) for n in "cab")), 3600)
    assert [p.id for p in made.placed] == ["c", "a", "b"]


def test_odd_seconds_are_rounded_up_to_ten() -> None:
    made = plan(job_of(task("a", 61), task("b", 3, needs=("a",))), 3600)
    assert times(made) == {"a": (3520, 3590), "b": (3590, 3600)}


def test_the_chain_goes_back_through_what_touches() -> None:
    work = job_of(
        task("heat", 1200, OVEN),
        task("stir", 300, HANDS),
        task("whip", 400, MIXER, needs=("stir",)),
        task("bake", 1800, OVEN, needs=("whip",)),
    )
    laid = {"heat": (0.0, 1200.0), "stir": (490.0, 790.0), "whip": (790.0, 1190.0), "bake": (1200.0, 3000.0)}
    assert [d.step for d in drivers(work, laid)] == ["stir", "whip", "bake"]
    early = laid | {"whip": (700.0, 1100.0), "stir": (0.0, 300.0)}
    assert [d.step for d in drivers(work, early)] == ["heat", "bake"]
    edge = laid | {"whip": (780.0, 1180.0), "stir": (480.0, 760.0)}
    assert [d.step for d in drivers(work, edge)] == ["stir", "whip", "bake"]
    missed = laid | {"whip": (779.0, 1179.0)}
    assert [d.step for d in drivers(work, missed)] == ["heat", "bake"]


@pytest.mark.parametrize(
    ("seconds", "words"),
    [(40, "40 s"), (89.4, "89 s"), (90, "2 min"), (3540, "59 min"), (3600, "1 h 00 min"), (7500, "2 h 05 min")],
)
def test_lengths_of_time_are_said_shortly(seconds: float, words: str) -> None:
    assert duration_in_words(seconds) == words


def test_the_three_longest_are_named() -> None:
    chain = tuple(
        Driver(step=n, title=n, seconds=s) for n, s in (("Mix", 60), ("Bake", 2400), ("Cool", 3600), ("Cut", 90))
    )
    assert in_words(chain, 0) == "The time goes into cool (1 h 00 min), bake (40 min) and cut (2 min)."
    assert in_words(chain[:1], 0) == "The time goes into mix (60 s)."


WORK = job_of(
    task("a", 600, HANDS),
    task("b", 300, HANDS, needs=("a",)),
    task("c", 900, OVEN, needs=("b",)),
    lags=(Lag(earlier="b", later="c", at_most_s=60),),
)
LAID = {"a": (1000.0, 1600.0), "b": (2000.0, 2300.0), "c": (2310.0, 3210.0)}


def test_what_happened_stays_and_what_runs_ends_no_earlier_than_now() -> None:
    found = push(WORK, LAID, {"a": Actual(start_s=900, end_s=1400)}, 1500)
    assert found == {"a": (900, 1400), "b": (2000, 2300), "c": (2300, 3200)}
    late = push(WORK, LAID, {"a": Actual(start_s=900)}, 2500)
    assert late == {"a": (900, 2500), "b": (2500, 2800), "c": (2800, 3700)}
    running = push(WORK, LAID, {"a": Actual(start_s=900)}, 1000)
    assert running["a"] == (900, 1500)


def test_what_has_not_begun_is_never_in_the_past() -> None:
    found = push(WORK, LAID, {}, 5000)
    assert found == {"a": (5000, 5600), "b": (5600, 5900), "c": (5900, 6800)}


def test_hands_are_one_and_rings_are_several() -> None:
    hands = job_of(task("a", 600, HANDS), task("b", 300, HANDS))
    laid = {"a": (0.0, 600.0), "b": (600.0, 900.0)}
    assert push(hands, laid, {"a": Actual(start_s=0, end_s=800)}, 800)["b"] == (800, 1100)
    assert push(hands, laid, {"a": Actual(start_s=200)}, 200)["b"] == (800, 1100)
    hob = job_of(task("a", 600, HOB), task("b", 300, HOB))
    assert push(hob, laid, {"a": Actual(start_s=200)}, 200)["b"] == (600, 900)


def test_a_gate_that_counts_from_the_start_waits_for_no_end() -> None:
    work = job_of(task("heat", 900, OVEN), task("whip", 300), lags=(Lag(earlier="heat", later="whip", from_end=False),))
    laid = {"heat": (0.0, 900.0), "whip": (100.0, 400.0)}
    assert push(work, laid, {}, 500)["whip"] == (500, 800)
    whole = job_of(task("heat", 900, OVEN), task("whip", 300), lags=(Lag(earlier="heat", later="whip"),))
    assert push(whole, laid, {}, 500)["whip"] == (1400, 1700)
