"""Parts that are made by themselves at work: planned, made once for several orders, and taken where they belong."""

from __future__ import annotations

from datetime import datetime, timedelta

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.days.desk import Taking, works_of
from kindwhisk.bench.days.gathered import Day
from kindwhisk.bench.days.view import view
from kindwhisk.bench.days.wanted import Knows
from kindwhisk.bench.log.progress import StepStatus
from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.first import starting_plan
from kindwhisk.core.day.order import Beforehand, Order
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.process.wish import Wish
from tests.bench.test_days import NOW, open_all_day, tell

__all__ = ["open_all_day"]
CREAM = Beforehand(component="cream")


def cakes(bench: Bench, *servings: int, hours: float = 10) -> list[str]:
    """Layer cakes for these; their cream is made by itself."""
    orders = [
        Order(
            formula="layer-cake",
            wish=Wish(servings=n),
            due_at=NOW + timedelta(hours=hours, minutes=20 * i),
            beforehand=(CREAM,),
        )
        for i, n in enumerate(servings)
    ]
    return [o.id for o in bench.store.orders.add(orders, f"cakes-{servings}-{hours}")]


def planned(bench: Bench, now: datetime = NOW, *, once: bool = False) -> tuple[Knows, Day, DayPlan]:
    known = bench.knows(until=NOW + timedelta(hours=20), now=now)
    if once:
        known = known.with_joints([j.due.id for j in known.joints if j.part])
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    day = bench.gather(known, prepared, {})
    return known, day, told(starting_plan(day.bakes, day.planned, day.here, day.now_s), day.bakes)


def take(bench: Bench, begin: tuple[str, ...], now: datetime = NOW, *, once: bool = False) -> tuple[str, ...]:
    known, day, plan = planned(bench, now, once=once)
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    return bench.take(known, prepared, Taking(works_of(day, plan), begin, f"take-{begin}-{now:%H%M}"[:60]))


def test_a_part_that_is_made_beforehand_is_a_bake_of_its_own(open_all_day: Bench) -> None:
    (cake,) = cakes(open_all_day, 8)
    _, day, plan = planned(open_all_day)
    assert {i.id for i in day.items} == {cake, f"{cake}:cream"}
    assert breaches(plan.placed, day.bakes, day.here, day.now_s) == []
    part = plan.of(f"{cake}:cream")
    assert set(part) == {"weigh-cream", "whip-cream"}
    assert "whip-cream" not in plan.of(cake)
    ready = max(p.end_s for p in part.values())
    assert 0 <= plan.of(cake)["stack"].start_s - ready <= 1.5 * 3600
    shown = {b.id: b for b in view(day, plan).bakes}
    assert shown[f"{cake}:cream"].part == "cream"
    assert {p.id: p.beforehand for p in shown[cake].parts}["cream"]
    assert not {p.id: p.beforehand for p in shown[cake].parts}["sponge"]


def test_the_cream_for_two_cakes_is_made_once(open_all_day: Bench) -> None:
    first, second = cakes(open_all_day, 8, 20)
    _, apart, _ = planned(open_all_day)
    known, day, plan = planned(open_all_day, once=True)
    makers = [i for i in day.items if i.part]
    assert len([i for i in apart.items if i.part]) == 2
    assert [set(m.dues) for m in makers] == [{f"{first}:cream", f"{second}:cream"}]
    assert makers[0].formula.total_g() == sum(i.formula.total_g() for i in apart.items if i.part)
    assert breaches(plan.placed, day.bakes, day.here, day.now_s) == []
    ready = max(p.end_s for p in plan.of(makers[0].id).values())
    assert all(plan.of(i)["stack"].start_s >= ready for i in (first, second))
    assert {w.part for w in known.wanted} == {"", "cream"}


def test_what_is_made_elsewhere_is_not_done_again_at_the_bench(open_all_day: Bench) -> None:
    (cake,) = cakes(open_all_day, 8)
    bake, cream = take(open_all_day, (cake, f"{cake}:cream"))
    whole = open_all_day.moment(bake, NOW)
    assert whole.progress.status_of("whip-cream") is StepStatus.SKIPPED
    assert "by itself" in whole.progress.steps["whip-cream"].reason
    made = open_all_day.moment(cream, NOW)
    assert [s.id for s in made.walked.forecast.steps] == ["weigh-cream", "whip-cream"]
    # Both run now: the plan knows which waits for which, and nothing is begun a second time.
    _, day, plan = planned(open_all_day, NOW + timedelta(minutes=1))
    assert {i.id for i in day.items} == {bake, cream}
    assert [s.maker for i in day.items for s in i.bake.supplies if s.later == "stack"] == [cream]
    assert plan.of(bake)["stack"].start_s >= max(p.end_s for p in plan.of(cream).values())


def test_when_the_part_is_late_what_takes_it_waits(open_all_day: Bench) -> None:
    (cake,) = cakes(open_all_day, 8)
    bake, cream = take(open_all_day, (cake, f"{cake}:cream"))
    before = planned(open_all_day)[2].of(bake)["stack"].start_s
    late = NOW + timedelta(hours=12)
    for step in ("weigh-dry", "weigh-eggs"):
        tell(open_all_day, bake, "step_done", NOW, step=step)
    _, day, plan = planned(open_all_day, late)
    assert plan.of(cream)["whip-cream"].start_s >= (late - day.start).total_seconds()
    assert plan.of(bake)["stack"].start_s >= plan.of(cream)["whip-cream"].end_s > before


def test_a_part_that_is_there_is_taken_from_when_it_was_made(open_all_day: Bench) -> None:
    (cake,) = cakes(open_all_day, 8)
    (cream,) = take(open_all_day, (f"{cake}:cream",))
    done = NOW + timedelta(minutes=20)
    tell(open_all_day, cream, "step_done", done - timedelta(minutes=10), step="weigh-cream")
    for item in open_all_day.moment(cream, done).gate_items("whip-cream"):
        tell(open_all_day, cream, "gate_ticked", done - timedelta(minutes=9), item=item.id)
    tell(open_all_day, cream, "step_started", done - timedelta(minutes=9), step="whip-cream")
    tell(open_all_day, cream, "step_done", done, step="whip-cream")
    tell(open_all_day, cream, "bake_finished", done)
    later = done + timedelta(minutes=5)
    _, day, _ = planned(open_all_day, later)
    assert {i.id for i in day.items} == {cake}
    (bake,) = take(open_all_day, (cake,), later)
    own = open_all_day.moment(bake, later).progress
    assert own.status_of("whip-cream") is StepStatus.DONE
    assert own.ended("whip-cream") == done


def test_what_is_begun_twice_is_one_bake(open_all_day: Bench) -> None:
    first, second = cakes(open_all_day, 8, 20)
    part = f"{first}:cream+{second}:cream"
    (bake,) = take(open_all_day, (part,), once=True)
    (again,) = take(open_all_day, (f"{first}:cream",))
    assert again == bake
    _, day, _ = planned(open_all_day, NOW + timedelta(minutes=1))
    assert {i.id for i in day.items} == {first, second, bake}
    makers = {i.id: {s.maker for s in i.bake.supplies} for i in day.items if not i.running}
    assert makers == {first: {bake}, second: {bake}}


def test_what_is_made_days_before_is_planned_on_its_day(open_all_day: Bench) -> None:
    cake = Order(
        formula="layer-cake",
        wish=Wish(),
        due_at=NOW + timedelta(days=6),
        beforehand=(Beforehand(component="sponge", frozen=True),),
    )
    (kept,) = open_all_day.store.orders.add([cake], "cake-in-six-days")
    known = open_all_day.knows(until=NOW + timedelta(days=7), now=NOW)
    prepared = {w.due.id: w.prepared(known.kitchen, known.record) for w in known.wanted}
    day = open_all_day.gather(known, prepared, {})
    plan = told(starting_plan(day.bakes, day.planned, day.here, day.now_s), day.bakes)
    part = f"{kept.id}:sponge"
    thaws = plan.of(kept.id)["cut"].start_s - max(p.end_s for p in plan.of(part).values())
    assert thaws >= 12 * 3600
    # The plan of the third day knows nothing of it, until it is taken up to be made on that.
    third = NOW + timedelta(days=3)
    assert open_all_day.knows(until=third + timedelta(hours=12), now=NOW).wanted == ()
    works = works_of(day, plan)
    earlier = timedelta(seconds=min(p.start_s for p in plan.of(part).values())) - timedelta(days=3)
    moved = [
        w
        if w.id != part
        else w.model_copy(
            update={
                "steps": tuple(
                    s.model_copy(update={"start": s.start - earlier, "end": s.end - earlier}) for s in w.steps
                )
            }
        )
        for w in works
    ]
    open_all_day.take(known, prepared, Taking(tuple(moved), (), "days-before-1"))
    on_the_day = open_all_day.knows(until=third + timedelta(hours=12), now=third - timedelta(hours=1))
    assert [w.due.id for w in on_the_day.wanted] == [part]
    assert on_the_day.on(third.date()).wanted == on_the_day.wanted
    whole = open_all_day.knows(until=NOW + timedelta(days=7), now=NOW)
    assert [w.due.id for w in whole.on((NOW + timedelta(days=6)).date()).wanted] == [kept.id]
