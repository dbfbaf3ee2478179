"""An oven fails under bakes that are under way: what was to go into it goes into another one, as the day is planned."""

from __future__ import annotations

from datetime import datetime, timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.days.desk import Taking, works_of
from kindwhisk.bench.days.view import moves
from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.first import starting_plan
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.kitchen import Oven
from tests.bench.test_days import NOW, day_at, open_all_day, ordered, taken, tell

__all__ = ["open_all_day"]
FAN = Oven(id="fan", name="Fan oven", offset_k=2, rise_k_per_min=10, tins_at_once=2)


@pytest.fixture
def two_ovens(open_all_day: Bench) -> Bench:
    _, kitchen = open_all_day.store.kitchens.current()
    open_all_day.store.kitchens.save(kitchen.model_copy(update={"ovens": (*kitchen.ovens, FAN)}))
    return open_all_day


def fails(bench: Bench, oven: str, until: datetime) -> None:
    _, kitchen = bench.store.kitchens.current()
    ovens = tuple(o.model_copy(update={"out_until": until}) if o.id == oven else o for o in kitchen.ovens)
    bench.store.kitchens.save(kitchen.model_copy(update={"ovens": ovens}))


def ovens_of(plan: DayPlan, bake: str) -> set[str]:
    return {p.oven for p in plan.of(bake).values() if p.oven}


def begun(bench: Bench) -> str:
    (cake,) = ordered(bench, "butter-sponge")
    (bake,) = taken(bench, [cake])
    assert ovens_of(day_at(bench)[1], bake) == {"deck"}
    return bake


def test_what_is_still_to_be_baked_moves_to_the_other_oven(two_ovens: Bench) -> None:
    bake = begun(two_ovens)
    fails(two_ovens, "deck", NOW + timedelta(hours=12))
    soon = NOW + timedelta(minutes=2)
    day, plan = day_at(two_ovens, soon)
    assert ovens_of(plan, bake) == {"fan"}
    assert breaches(plan.placed, day.bakes, day.here, day.now_s) == []
    told_of = [m for m in moves(day, plan) if m.oven]
    assert {m.oven for m in told_of} == {"fan"}
    assert all("Fan oven" in m.says for m in told_of)
    # Taken up, the bake itself goes into that oven, and its times are that oven's.
    known = two_ovens.knows(until=NOW + timedelta(hours=20), now=soon)
    two_ovens.take(known, {}, Taking(works_of(day, plan), (), "oven-fails-1"))
    at = two_ovens.moment(bake, soon)
    assert at.document.oven == "fan"
    assert {p.oven for p in at.document.planned if p.oven} == {"fan"}
    left = moves(*day_at(two_ovens, soon))
    assert not [m for m in left if m.oven or abs(m.now_at - m.was_at) > timedelta(minutes=5)]
    # The same again changes nothing twice.
    two_ovens.take(known, {}, Taking(works_of(day, plan), (), "oven-fails-1"))
    assert two_ovens.moment(bake, soon).document.oven == "fan"


def test_an_oven_that_was_heated_in_vain_is_heated_once_more_elsewhere(two_ovens: Bench) -> None:
    bake = begun(two_ovens)
    heats = next(s.id for s in two_ovens.moment(bake, NOW).walked.forecast.steps if s.kind == "preheat")
    tell(two_ovens, bake, "step_started", NOW + timedelta(minutes=1), step=heats)
    fails(two_ovens, "deck", NOW + timedelta(hours=12))
    day, plan = day_at(two_ovens, NOW + timedelta(minutes=5))
    placed = plan.of(bake)[heats]
    assert placed.oven == "fan"
    assert placed.start_s >= day.now_s
    assert breaches(plan.placed, day.bakes, day.here, day.now_s) == []


def test_without_another_oven_it_waits_until_its_own_is_there_again(open_all_day: Bench) -> None:
    bake = begun(open_all_day)
    back = NOW + timedelta(hours=5)
    fails(open_all_day, "deck", back)
    day, plan = day_at(open_all_day, NOW + timedelta(minutes=2))
    assert ovens_of(plan, bake) == {"deck"}
    assert min(p.start_s for p in plan.of(bake).values() if p.oven) >= (back - day.start).total_seconds()


def test_an_oven_that_is_there_again_in_time_changes_nothing(two_ovens: Bench) -> None:
    bake = begun(two_ovens)
    fails(two_ovens, "deck", NOW - timedelta(minutes=1))
    day, plan = day_at(two_ovens, NOW + timedelta(minutes=2))
    assert ovens_of(plan, bake) == {"deck"}
    assert moves(day, plan) == ()


def test_what_is_not_begun_is_planned_in_the_other_one_too(two_ovens: Bench) -> None:
    begun(two_ovens)
    (other,) = ordered(two_ovens, "tea-chiffon", hours=8)
    fails(two_ovens, "deck", NOW + timedelta(hours=20))
    day, _ = day_at(two_ovens, NOW + timedelta(minutes=2))
    plan = told(starting_plan(day.bakes, day.planned, day.here, day.now_s), day.bakes)
    assert ovens_of(plan, other) == {"fan"}
    assert breaches(plan.placed, day.bakes, day.here, day.now_s) == []
