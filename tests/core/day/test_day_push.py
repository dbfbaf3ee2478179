"""A day that slips: pushed right at once, what was done stays, what can't wait moves as one piece."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.first import first_plan
from kindwhisk.core.day.model import Asked
from kindwhisk.core.day.push import pieces, push
from kindwhisk.core.day.resources import DayResources
from kindwhisk.core.day.solver import solve
from kindwhisk.core.day.work import DayBake, Key, Known, Placed
from tests.core.day.days import HOUR, days, kitchen, sponge


def at(bakes: tuple[DayBake, ...], plan: dict[Key, Placed], now_s: float, late_s: float) -> tuple[DayBake, ...]:
    """The day at a moment: what was to be begun was, and what runs takes so much longer."""
    found = []
    for bake in bakes:
        known = {}
        for task in bake.tasks:
            one = plan[bake.id, task.id]
            if one.start_s < now_s:
                over = one.end_s <= now_s
                known[task.id] = Known(
                    start_s=one.start_s, end_s=one.end_s + (0 if over else late_s), person=one.person, oven=one.oven,
                    mixer=one.mixer, over=over,
                )  # fmt: skip
        found.append(bake.model_copy(update={"known": known}))
    return tuple(found)


@given(days(), st.integers(0, 600), st.sampled_from([0, 300, 1200, 3600]))
@settings(max_examples=120, deadline=None)
def test_a_push_keeps_what_was_done_and_can_be_done(
    day: tuple[tuple[DayBake, ...], DayResources], minutes: int, late_s: float
) -> None:
    bakes, here = day
    plan = {p.key: p for p in first_plan(bakes, here) or ()}
    now_s = 60.0 * minutes
    begun = at(bakes, plan, now_s, late_s)
    found = {p.key: p for p in push(begun, plan, here, now_s)}
    assert found.keys() == plan.keys()
    for bake in begun:
        for step, known in bake.known.items():
            assert found[bake.id, step].start_s == known.start_s
            assert not known.over or found[bake.id, step].end_s == known.end_s
        for task in bake.ahead:
            assert found[bake.id, task.id].start_s >= now_s
            if task.heat is None or not task.heat.heats:
                assert found[bake.id, task.id].start_s >= plan[bake.id, task.id].start_s
    # A foam that was begun may come to wait; nothing else is broken, and nothing that is still ahead.
    under_way = {b.id for b in begun if b.known and b.ahead}
    assert [b for b in breaches(list(found.values()), begun, here, now_s) if b.bake not in under_way] == []


@given(days())
@settings(max_examples=40, deadline=None)
def test_a_day_in_time_stays_as_it_was_planned(day: tuple[tuple[DayBake, ...], DayResources]) -> None:
    bakes, here = day
    plan = {p.key: p for p in first_plan(bakes, here) or ()}
    found = {p.key: p for p in push(bakes, plan, here, 0.0)}
    same = [k for k in plan if k[1] != "heat"]
    assert {k: found[k].start_s for k in same} == {k: plan[k].start_s for k in same}


def test_what_follows_a_foam_is_one_piece_with_its_oven() -> None:
    found = {frozenset(t.id for t in piece) for piece in pieces(sponge(0, 5))}
    assert frozenset({"heat", "whip", "fold", "bake"}) in found


def test_a_late_oven_moves_the_foam_with_it() -> None:
    bakes = (sponge(0, 5, 160), sponge(1, 5, 240))
    here = kitchen()
    plan = {p.key: p for p in first_plan(bakes, here) or ()}
    first = min((p for p in plan.values() if p.step == "bake"), key=lambda p: p.start_s)
    now_s = first.start_s + 600
    begun = at(bakes, plan, now_s, 45 * 60)
    found = {p.key: p for p in push(begun, plan, here, now_s)}
    other = "b1" if first.bake == "b0" else "b0"
    whip, bake = found[other, "whip"], found[other, "bake"]
    assert bake.start_s >= found[first.bake, "bake"].end_s
    assert bake.start_s - whip.end_s <= 300 + 240 + 600
    assert breaches(list(found.values()), begun, here, now_s) == []


def test_the_solver_mends_what_was_pushed_and_leaves_what_was_done() -> None:
    bakes = (sponge(0, 5, 160), sponge(1, 5, 240), sponge(2, 7, 160))
    here = kitchen(people=2)
    plan = {p.key: p for p in first_plan(bakes, here) or ()}
    now_s = 2 * HOUR
    begun = at(bakes, plan, now_s, 1800)
    pushed = push(begun, plan, here, now_s)
    found = solve(begun, here, Asked(now_s=now_s, hint=tuple(pushed), keeps=True, seconds=4))
    assert found is not None
    assert breaches(found.placed, begun, here, now_s) == []
    # Few moves were wanted too, so it tells no bound of what it costs.
    assert found.bound is None
    for bake in begun:
        for step, known in bake.known.items():
            assert found.of(bake.id)[step].start_s == known.start_s


def test_an_order_that_came_late_is_placed_behind_what_it_finds() -> None:
    bakes = (sponge(0, 5),)
    here = kitchen()
    plan = {p.key: p for p in first_plan(bakes, here) or ()}
    both = (*bakes, sponge(1, 6))
    found = push(both, plan, here, HOUR)
    assert {p.bake for p in found} == {"b0", "b1"}
    assert breaches(found, both, here) == []


@given(st.integers(1, 3), st.integers(-300, 300), st.sampled_from(["weigh", "bake", "finish"]))
@settings(max_examples=40, deadline=None)
def test_a_bake_that_is_set_to_another_time_moves_whole(number: int, half_minutes: int, step: str) -> None:
    bakes = tuple(sponge(n, 6 + 5 * n) for n in range(number))
    here = kitchen(shut=False)
    plan = {p.key: p for p in first_plan(bakes, here) or ()}
    by_s = max(30.0 * half_minutes, -min(p.start_s for p in plan.values() if p.bake == "b0"))
    pinned = bakes[0].model_copy(update={"pinned": {step: plan["b0", step].start_s + by_s}})
    found = {p.key: p for p in push((pinned, *bakes[1:]), plan, here, 0.0)}
    assert found["b0", step].start_s == plan["b0", step].start_s + by_s
    if number == 1:
        own = [k for k in plan if k[1] != "heat"]
        assert {found[k].start_s - plan[k].start_s for k in own} == {by_s}
    if by_s < 0:
        # It went out of the others' way.
        assert all(found[k].start_s == plan[k].start_s for k in plan if k[0] != "b0" and k[1] != "heat")


@pytest.mark.parametrize(("step", "hours"), [("weigh", -1.0), ("weigh", 1.0), ("bake", -2.0)])
def test_a_better_plan_does_not_leave_the_rest_of_it_behind(step: str, hours: float) -> None:
    bakes = (sponge(0, 9), sponge(1, 12))
    here = kitchen()
    plan = {p.key: p for p in first_plan(bakes, here) or ()}
    pinned = bakes[0].model_copy(update={"pinned": {step: plan["b0", step].start_s + hours * HOUR}})
    moved = (pinned, bakes[1])
    hint = push(moved, plan, here, 0.0)
    for asked in (Asked(seconds=2), Asked(hint=tuple(hint), seconds=2)):
        found = solve(moved, here, asked)
        assert found is not None
        assert breaches(found.placed, moved, here) == []
        assert {found.of("b0")[s].start_s - plan["b0", s].start_s for s in ("bake", "finish")} == {hours * HOUR}
