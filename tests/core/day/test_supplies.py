"""What one bake makes for another: there before it is taken, and not for longer than it keeps."""

from __future__ import annotations

from collections.abc import Sequence

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.first import starting_plan
from kindwhisk.core.day.late import as_late_as_may_be
from kindwhisk.core.day.model import Asked
from kindwhisk.core.day.push import push
from kindwhisk.core.day.slack import slack
from kindwhisk.core.day.solver import solve
from kindwhisk.core.day.supply import Supply
from kindwhisk.core.day.work import DayBake, DayTask, Known, Placed
from kindwhisk.core.people import Craft
from kindwhisk.core.planning.tasks import Lag
from tests.core.day.days import HOUR, kitchen, sponge

SLOW = settings(max_examples=20, deadline=None, suppress_health_check=[HealthCheck.too_slow])


def cream(due_h: float, minutes: float = 10) -> DayBake:
    """A part: weighed and whipped."""
    tasks = (
        DayTask(id="weigh", title="Weigh the cream", seconds=240, hands=True),
        DayTask(id="whip", title="Whip the cream", seconds=60 * minutes, mixer=True, craft=Craft.BATTER),
    )
    lags = (Lag(earlier="weigh", later="whip"),)
    return DayBake(id="cream", title="Cream", due_s=due_h * HOUR, ovens=(), tasks=tasks, lags=lags)


def taking(bake: DayBake, least_s: float = 0.0, most_s: float | None = 1.5 * HOUR) -> DayBake:
    supply = Supply(component="cream", later="cool", maker="cream", at_least_s=least_s, at_most_s=most_s)
    return bake.model_copy(update={"supplies": (supply,)})


def end_of(placed: Sequence[Placed], bake: str) -> float:
    return max(p.end_s for p in placed if p.bake == bake)


def start_of(placed: Sequence[Placed], bake: str, step: str) -> float:
    return next(p.start_s for p in placed if p.key == (bake, step))


@SLOW
@given(
    dues=st.lists(st.integers(2, 7), min_size=1, max_size=3),
    least_h=st.sampled_from([0.0, 0.5, 8.0]),
    keeps_h=st.sampled_from([1.0, 3.0, None]),
    people=st.integers(1, 2),
    bowls=st.integers(1, 2),
)
def test_a_part_is_there_and_still_good_wherever_it_is_taken(
    dues: list[int], least_h: float, keeps_h: float | None, people: int, bowls: int
) -> None:
    most = None if keeps_h is None else (least_h + keeps_h + 4) * HOUR
    takers = [taking(sponge(n, h + 10 + 0.4 * n), least_h * HOUR, most) for n, h in enumerate(dues)]
    bakes = [*takers, cream(min(dues) + 10)]
    here = kitchen(people=people, bowls=bowls)
    first = starting_plan(bakes, {}, here, 0.0)
    assert breaches(first, bakes, here) == []
    assert breaches(as_late_as_may_be(first, bakes, here), bakes, here) == []
    better = solve(bakes, here, Asked(hint=tuple(first), seconds=2))
    assert better is not None
    assert breaches(better.placed, bakes, here) == []
    # What slips takes all that comes of it along.
    planned = {p.key: p for p in better.placed}
    late_s = end_of(better.placed, "cream") - 60
    at_work = {
        p.step: Known(start_s=p.start_s, end_s=max(p.end_s, late_s + 1800), person=p.person, mixer=p.mixer)
        for p in better.placed
        if p.bake == "cream"
    }
    slipped = [*takers, bakes[-1].model_copy(update={"known": at_work})]
    known = {
        b.id: {
            p.step: Known(start_s=p.start_s, end_s=p.end_s, person=p.person, mixer=p.mixer, oven=p.oven, over=True)
            for p in better.placed
            if p.bake == b.id and p.end_s <= late_s
        }
        for b in takers
    }
    slipped = [b.model_copy(update={"known": known.get(b.id, b.known)}) for b in slipped]
    pushed = push(slipped, planned, here, late_s)
    for bake in takers:
        if "cool" not in known[bake.id]:
            assert start_of(pushed, bake.id, "cool") >= end_of(pushed, "cream") + least_h * HOUR - 1


def test_the_checker_sees_what_is_taken_too_soon_and_too_late() -> None:
    bakes = [taking(sponge(0, 8)), cream(8)]
    here = kitchen(people=2, bowls=2)
    plan = starting_plan(bakes, {}, here, 0.0)
    takes = start_of(plan, "b0", "cool")

    def moved(by_s: float) -> list[Placed]:
        return [
            p if p.bake != "cream" else p.model_copy(update={"start_s": p.start_s + by_s, "end_s": p.end_s + by_s})
            for p in plan
        ]

    to_taken = takes - end_of(plan, "cream")
    rules = {b.rule for b in breaches(moved(to_taken + 120), bakes, here)}
    assert "supply" in rules
    assert "keeps" in {b.rule for b in breaches(moved(to_taken - 1.6 * HOUR), bakes, here)}
    # Without what makes it nobody waits: it is there.
    assert breaches([p for p in plan if p.bake == "b0"], bakes[:1], here) == []


def test_a_part_is_made_as_late_as_may_be() -> None:
    bakes = [taking(sponge(0, 12), most_s=None), cream(12)]
    here = kitchen(people=2, bowls=2)
    plan = starting_plan(bakes, {}, here, 0.0)
    waits = start_of(plan, "b0", "cool") - end_of(plan, "cream")
    assert 0 <= waits <= HOUR


def test_over_night_what_needs_eight_hours_is_made_the_day_before() -> None:
    # Nobody is there from hour 18 to 24; what is due at 30 takes a part that thaws for eight hours.
    bakes = [taking(sponge(0, 30), least_s=8 * HOUR, most_s=60 * 24 * HOUR), cream(30)]
    here = kitchen(people=1, bowls=2)
    plan = starting_plan(bakes, {}, here, 0.0)
    assert breaches(plan, bakes, here) == []
    assert start_of(plan, "cream", "weigh") + 240 <= 18 * HOUR
    assert start_of(plan, "b0", "weigh") >= 24 * HOUR


def test_the_slack_of_a_part_is_that_of_what_takes_it() -> None:
    bakes = [taking(sponge(0, 12), most_s=None), cream(12)]
    here = kitchen(people=2, bowls=2)
    plan = starting_plan(bakes, {}, here, 0.0)
    spare = slack(plan, bakes)
    waits = start_of(plan, "b0", "cool") - end_of(plan, "cream")
    assert spare["cream", "whip"] <= waits + spare["b0", "cool"] + 1


@pytest.mark.parametrize("order", [(0, 1), (1, 0)])
def test_in_whatever_order_they_are_told_of_the_part_comes_first(order: tuple[int, int]) -> None:
    first = Supply(component="cream", later="weigh", maker="cream")
    bakes = [sponge(0, 6).model_copy(update={"supplies": (first,)}), cream(6)]
    plan = push([bakes[i] for i in order], {}, kitchen(people=1, bowls=1), 0.0)
    assert start_of(plan, "b0", "weigh") >= end_of(plan, "cream")
