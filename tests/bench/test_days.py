"""A day at work: orders planned, begun as they were planned, slipped, lost, and mended."""

from __future__ import annotations

import itertools
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.days.desk import Taking, works_of
from kindwhisk.bench.days.gathered import Day
from kindwhisk.bench.days.view import moves, view
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.bench.told.hands import _wanted
from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.first import starting_plan
from kindwhisk.core.day.order import Order
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.people import Hours, Person
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.day import seed_day

NOW = datetime(2026, 11, 2, 5, 0, tzinfo=UTC)
_keys = itertools.count()


@pytest.fixture
def open_all_day(bench: Bench) -> Bench:
    """The demo's kitchen, open at every hour, with two people."""
    _, kitchen = bench.store.kitchens.current()
    people = (Person(id="ada", name="Ada"), Person(id="ben", name="Ben"))
    hours = (Hours(opens="00:00", closes="24:00"),)
    bench.store.kitchens.save(kitchen.model_copy(update={"people": people, "hours": hours}))
    return bench


def ordered(bench: Bench, *formulas: str, hours: float = 6) -> list[str]:
    due = NOW + timedelta(hours=hours)
    orders = [Order(formula=f, wish=Wish(), due_at=due + timedelta(minutes=20 * n)) for n, f in enumerate(formulas)]
    return [o.id for o in bench.store.orders.add(orders, f"orders-{next(_keys):04d}")]


def day_at(bench: Bench, now: datetime = NOW, planned: bool = True) -> tuple[Day, DayPlan]:
    known = bench.knows(until=NOW + timedelta(hours=20), now=now)
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    day = bench.gather(known if planned else known._replace(planned={}), prepared, {})
    return day, told(starting_plan(day.bakes, day.planned, day.here, day.now_s), day.bakes)


def taken(bench: Bench, begin: Sequence[str], now: datetime = NOW, key: str = "take-0001") -> tuple[str, ...]:
    known = bench.knows(until=NOW + timedelta(hours=20), now=now)
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    day = bench.gather(known, prepared, {})
    plan = told(starting_plan(day.bakes, day.planned, day.here, day.now_s), day.bakes)
    return bench.take(known, prepared, Taking(works_of(day, plan), tuple(begin), key))


def tell(bench: Bench, bake: str, kind: str, at: datetime, **fields: object) -> None:
    event = {"kind": kind, "client_key": f"days-{next(_keys):05d}", "at": at, **fields}
    bench.post(bake, event_adapter.validate_python(event))


def test_what_is_due_is_planned_and_can_be_done(open_all_day: Bench) -> None:
    ids = ordered(open_all_day, "tea-chiffon", "citrus-roll", "butter-sponge")
    day, plan = day_at(open_all_day)
    assert {i.id for i in day.items} == set(ids)
    assert breaches(plan.placed, day.bakes, day.here, day.now_s) == []
    assert plan.late == ()
    shown = view(day, plan)
    assert shown.bakes[0].title == "Tea chiffon"
    assert all(b.ready_low_at <= b.ready_at <= b.ready_high_at for b in shown.bakes)
    # It aims at being in time though it takes longer than likely.
    assert all(b.ready_high_at <= b.due_at + timedelta(minutes=2) for b in shown.bakes)
    assert {s.person for b in shown.bakes for s in b.steps if s.hands} == {"ada", "ben"}


def test_a_bake_begins_as_it_was_planned(open_all_day: Bench) -> None:
    (first, second) = ordered(open_all_day, "tea-chiffon", "butter-sponge")
    day, plan = day_at(open_all_day)
    (bake,) = taken(open_all_day, [first])
    document = open_all_day.moment(bake, NOW).document
    assert {p.step: day.moment(plan.of(first)[p.step].start_s) for p in document.planned} == {
        p.step: p.start for p in document.planned
    }
    assert document.hands in {"ada", "ben"}
    again, _ = day_at(open_all_day)
    assert {i.id for i in again.items} == {bake, second}
    running = next(i for i in again.items if i.id == bake)
    assert running.due is not None
    assert running.due.id == first


def test_the_same_plan_taken_twice_begins_nothing_twice(open_all_day: Bench) -> None:
    ids = ordered(open_all_day, "tea-chiffon", "butter-sponge")
    day, plan = day_at(open_all_day)
    once = taken(open_all_day, ids)
    known = open_all_day.knows(until=NOW + timedelta(hours=20), now=NOW)
    again = open_all_day.take(known, {}, Taking(works_of(day, plan), tuple(ids), "take-0001"))
    assert set(again) == set(once)
    assert len(open_all_day.store.bakes.listed(status="running")) == 2


def test_what_is_not_due_is_refused_and_named(open_all_day: Bench) -> None:
    ordered(open_all_day, "tea-chiffon")
    known = open_all_day.knows(until=NOW + timedelta(hours=20), now=NOW)
    with pytest.raises(CraftError, match="no-such") as why:
        open_all_day.take(known, {}, Taking((), ("no-such",), "take-0002"))
    assert why.value.remedy == "Plan the day again."


def test_a_plan_that_can_not_be_done_any_more_is_refused(open_all_day: Bench) -> None:
    ids = ordered(open_all_day, "tea-chiffon", "butter-sponge")
    day, plan = day_at(open_all_day)
    both = [
        w.model_copy(update={"steps": tuple(s.model_copy(update={"person": "ada"}) for s in w.steps)})
        for w in works_of(day, plan)
    ]
    first = min(s.start for s in both[0].steps)
    other = min(s.start for s in both[1].steps)
    clash = both[1].model_copy(
        update={
            "steps": tuple(
                s.model_copy(update={"start": s.start - other + first, "end": s.end - other + first})
                for s in both[1].steps
            )
        }
    )
    known = open_all_day.knows(until=NOW + timedelta(hours=20), now=NOW)
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    with pytest.raises(CraftError, match="can't be done"):
        open_all_day.take(known, prepared, Taking((both[0], clash), tuple(ids), "take-0003"))
    assert open_all_day.store.bakes.listed(status="running") == []


def test_a_step_that_runs_late_pushes_the_other_bakes(open_all_day: Bench) -> None:
    ids = ordered(open_all_day, "tea-chiffon", "butter-sponge", hours=5)
    day, plan = day_at(open_all_day)
    bakes = dict(zip(ids, taken(open_all_day, ids), strict=True))
    start = {i: min(p.start_s for p in plan.of(i).values()) for i in ids}
    first = min(ids, key=lambda i: start[i])
    # Nobody has begun anything, an hour after the first was to begin.
    now = day.moment(start[first]) + timedelta(hours=1)
    later, pushed = day_at(open_all_day, now)
    assert breaches(pushed.placed, later.bakes, later.here, later.now_s) == []
    assert min(p.start_s for p in pushed.placed) >= later.now_s
    moved = moves(later, pushed)
    assert {m.bake for m in moved} >= {bakes[first]}
    assert all(m.now_at >= m.was_at for m in moved if m.was_person == m.now_person and "heat" not in m.step)


def test_what_was_begun_stays_and_the_plan_of_the_rest_moves_with_the_day(open_all_day: Bench) -> None:
    (order,) = ordered(open_all_day, "tea-chiffon")
    (bake,) = taken(open_all_day, [order])
    state = open_all_day.state(bake, now=NOW)
    line = min(state.steps, key=lambda s: s.planned_start_at)
    begin = line.planned_start_at
    tell(open_all_day, bake, "step_started" if line.attention != "throughout" else "step_done", begin, step=line.id)
    before = open_all_day.moment(bake, begin).document.planned
    now = begin + timedelta(hours=1)
    known = open_all_day.knows(until=NOW + timedelta(hours=20), now=now)
    day = open_all_day.gather(known, {}, {})
    plan = told(starting_plan(day.bakes, day.planned, day.here, day.now_s), day.bakes)
    assert open_all_day.take(known, {}, Taking(works_of(day, plan), (), "take-0004")) == ()
    after = {p.step: p for p in open_all_day.moment(bake, now).document.planned}
    assert after[line.id] == next(p for p in before if p.step == line.id)
    ahead = [p for p in before if p.step != line.id]
    assert all(after[p.step].start >= now for p in ahead)
    # It is one thing that happened, and can be taken back.
    assert open_all_day.last_things(bake)[0].said == "Moved with the day's plan"
    sequence = open_all_day.last_things(bake)[0].sequence
    tell(open_all_day, bake, "undone", now, sequence=sequence)
    assert open_all_day.moment(bake, now).document.planned == before


def test_a_lost_bake_is_planned_anew_and_begun_once_more(open_all_day: Bench) -> None:
    (order,) = ordered(open_all_day, "tea-chiffon")
    (bake,) = taken(open_all_day, [order])
    tell(open_all_day, bake, "bake_abandoned", NOW + timedelta(minutes=5), reason="The tin slid off the board.")
    day, plan = day_at(open_all_day, NOW + timedelta(minutes=6))
    assert [i.id for i in day.items] == [order]
    assert plan.of(order)
    (again,) = taken(open_all_day, [order], NOW + timedelta(minutes=6), key="take-0009")
    assert again != bake
    assert [r.status for r in open_all_day.store.bakes.listed()].count("running") == 1


def test_an_order_that_was_made_is_not_planned_again(open_all_day: Bench) -> None:
    (order,) = ordered(open_all_day, "swiss-swirls")
    (bake,) = taken(open_all_day, [order])
    for line in open_all_day.state(bake, now=NOW).steps:
        tell(open_all_day, bake, "step_skipped", NOW, step=line.id, reason="done elsewhere")
    tell(open_all_day, bake, "bake_finished", NOW)
    day, _ = day_at(open_all_day)
    assert day.items == ()


def test_a_bake_that_was_begun_without_an_order_takes_part(open_all_day: Bench) -> None:
    ordered(open_all_day, "butter-sponge")
    alone = open_all_day.start("tea-chiffon", Wish(), NOW + timedelta(hours=6), "start-alone", NOW)
    day, plan = day_at(open_all_day)
    assert alone in {i.id for i in day.items}
    assert breaches(plan.placed, day.bakes, day.here, day.now_s) == []


def test_what_if_orders_are_planned_without_being_kept(open_all_day: Bench) -> None:
    ordered(open_all_day, "tea-chiffon")
    asked = [Order(formula="butter-sponge", wish=Wish(), due_at=NOW + timedelta(hours=6))]
    known = open_all_day.knows(orders=asked, now=NOW)
    assert [(w.due.id, w.formula.id) for w in known.wanted] == [("o1", "butter-sponge")]
    assert len(open_all_day.store.orders.all()) == 1


def test_a_day_too_far_ahead_is_refused(open_all_day: Bench) -> None:
    with pytest.raises(CraftError, match="two weeks"):
        open_all_day.knows(until=NOW + timedelta(days=15), now=NOW)


def test_a_formula_that_is_gone_names_itself(open_all_day: Bench) -> None:
    asked = [Order(formula="no-such-cake", wish=Wish(), due_at=NOW + timedelta(hours=6))]
    with pytest.raises(CraftError, match="no-such-cake"):
        open_all_day.knows(orders=asked, now=NOW)


def test_each_step_is_for_whom_the_plan_has_it(open_all_day: Bench) -> None:
    (order,) = ordered(open_all_day, "tea-chiffon")
    day, plan = day_at(open_all_day)
    known = open_all_day.knows(until=NOW + timedelta(hours=20), now=NOW)
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    (work,) = works_of(day, plan)
    by_hand = [s.step for s in work.steps if s.person]
    steps = tuple(s.model_copy(update={"person": "ben"}) if s.step == by_hand[0] else s for s in work.steps)
    (bake,) = open_all_day.take(
        known, prepared, Taking((work.model_copy(update={"steps": steps}),), (order,), "take-0010")
    )
    at = open_all_day.moment(bake, NOW)
    assert at.document.hands == "ada"
    wanted = {w.step: w.hands_name for w in _wanted(at)}
    assert wanted[by_hand[0]] == "Ben"
    assert wanted[by_hand[1]] == "Ada"


def test_the_demo_opens_on_a_day_under_way(bench: Bench) -> None:
    now = datetime(2026, 11, 2, 12, 0, tzinfo=UTC)
    seed_day(bench, now)
    running = bench.store.bakes.listed(status="running")
    assert len(running) >= 2
    assert any(o.every for o in bench.store.orders.all())
    for row in running:
        assert any(s.status == "done" for s in bench.state(str(row.id), now=now).steps)
    known = bench.knows(until=now + timedelta(hours=8), now=now)
    assert known.wanted
    # Once more changes nothing.
    seed_day(bench, now)
    assert len(bench.store.bakes.listed(status="running")) == len(running)


def test_orders_made_in_one_go_are_one_bake_and_both_are_done(open_all_day: Bench) -> None:
    tin = Wish(tin="tube-17", tin_count=1)
    orders = [Order(formula="tea-chiffon", wish=tin, due_at=NOW + timedelta(hours=h)) for h in (6, 7)]
    ids = sorted(o.id for o in open_all_day.store.orders.add(orders, "orders-one-go"))
    known = open_all_day.knows(until=NOW + timedelta(hours=20), now=NOW)
    (joint,) = known.joints
    assert joint.due.id == "+".join(ids)
    known = known.with_joints([joint.due.id])
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    day = open_all_day.gather(known, prepared, {})
    plan = told(starting_plan(day.bakes, day.planned, day.here, day.now_s), day.bakes)
    assert [i.id for i in day.items] == [joint.due.id]
    assert view(day, plan).bakes[0].orders == tuple(ids)
    taking = Taking(works_of(day, plan), (joint.due.id,), "take-one-go")
    (bake,) = open_all_day.take(known, prepared, taking)
    assert open_all_day.moment(bake, NOW).document.tin_count == 2
    # Both orders are that bake by now, and the same plan taken once more begins nothing.
    after = open_all_day.knows(until=NOW + timedelta(hours=20), now=NOW)
    assert after.wanted == ()
    assert list(after.running) == [bake]
    assert open_all_day.take(after, {}, taking) == (bake,)
    # It is lost: both are wanted again.
    tell(open_all_day, bake, "bake_abandoned", NOW + timedelta(minutes=5), reason="It fell.")
    again = open_all_day.knows(until=NOW + timedelta(hours=20), now=NOW + timedelta(minutes=6))
    assert sorted(w.due.id for w in again.wanted) == ids


def test_what_should_have_been_ready_an_hour_ago_is_still_planned_late(open_all_day: Bench) -> None:
    (order,) = ordered(open_all_day, "swiss-swirls", hours=1)
    day, plan = day_at(open_all_day, NOW + timedelta(hours=2))
    assert [one.bake for one in plan.late] == [order]
    assert breaches(plan.placed, day.bakes, day.here, day.now_s) == []
    assert day_at(open_all_day, NOW + timedelta(hours=9))[0].items == ()


def test_two_who_take_the_same_plan_at_once_begin_one_bake(open_all_day: Bench) -> None:
    (order,) = ordered(open_all_day, "tea-chiffon")
    known = open_all_day.knows(until=NOW + timedelta(hours=20), now=NOW)
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    day, plan = day_at(open_all_day)
    both = [
        open_all_day.take(known, prepared, Taking(works_of(day, plan), (order,), key))
        for key in ("take-mine", "take-yours")
    ]
    assert both[0] == both[1]
    assert len(open_all_day.store.bakes.listed()) == 1
