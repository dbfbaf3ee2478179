"""Days of two, four, eight and twenty bakes of the demo's Book: how soon a plan is there, how good it is, whether it
can be done, and how soon a day that has slipped is mended.

Every plan is looked over by a checker that shares no code with what made it. Orders as they are jotted down are read
beside, with those that were set aside."""

from __future__ import annotations

import time
from datetime import UTC, datetime

from benchmarks.goals import met
from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.first import first_plan
from kindwhisk.core.day.model import Asked
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.day.prepared import prepare
from kindwhisk.core.day.push import push
from kindwhisk.core.day.resources import DayResources, resources_of
from kindwhisk.core.day.solver import solve
from kindwhisk.core.day.work import DayBake, Known
from kindwhisk.core.people import Person
from kindwhisk.core.process.record import NO_RECORD
from kindwhisk.core.process.wish import Wish
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from tests.core.day.jotted import corpus
from tests.core.day.jotted import told as as_jotted

SIZES = (2, 4, 8, 20)
FIRST_GOAL_S, TWENTY_GOAL_S, REPLAN_GOAL_S = 1.0, 5.0, 0.5
LOOKED_S, LONG_S, NEAR = 5.0, 40.0, 0.05
DUE_H = (30, 31, 32, 33, 34)
LATE_S = 1200.0


def _days() -> tuple[list[DayBake], DayResources]:
    """The Book once through, due on the morning after, for two people and one oven."""
    people = (Person(id="a", name="A"), Person(id="b", name="B"))
    kitchen = demo_kitchen().model_copy(update={"people": people})
    bakes = []
    for number, formula in enumerate(demo_formulas()[:20]):
        made = prepare(formula, kitchen, Wish(), NO_RECORD)
        bakes.append(
            DayBake(
                id=f"b{number}", title=formula.title, due_s=3600 * DUE_H[number % len(DUE_H)], ovens=made.ovens,
                tasks=made.tasks, lags=made.lags, stays=made.stays,
            )
        )  # fmt: skip
    return bakes, resources_of(kitchen, datetime(2026, 12, 4, 4, 0, tzinfo=UTC), 3 * 86400)


def _slipped(bakes: list[DayBake], plan: DayPlan) -> tuple[list[DayBake], float]:
    """The day when a third of its steps were begun, and what runs takes twenty minutes longer."""
    starts = sorted(p.start_s for p in plan.placed)
    now = starts[len(starts) // 3] + 300
    found = []
    for bake in bakes:
        known = {}
        for step, own in plan.of(bake.id).items():
            if own.start_s < now:
                over = own.end_s <= now
                known[step] = Known(
                    start_s=own.start_s, end_s=own.end_s + (0 if over else LATE_S), person=own.person, oven=own.oven,
                    mixer=own.mixer, over=over,
                )  # fmt: skip
        found.append(bake.model_copy(update={"known": known}))
    return found, now


def days() -> None:
    """Print it all."""
    every, here = _days()
    solve(every[:1], here, Asked(seconds=1))
    before = 0.0
    for size in SIZES:
        bakes = every[:size]
        began = time.perf_counter()
        first = first_plan(bakes, here)
        first_s = time.perf_counter() - began
        assert first is not None
        seen = [told(first, bakes)]
        found = solve(bakes, here, Asked(hint=tuple(first), seconds=LOOKED_S)) or seen[0]
        best = solve(bakes, here, Asked(hint=found.placed, seconds=LONG_S if size <= 8 else LOOKED_S)) or found
        broken = sum(len(breaches(p, bakes, here)) for p in (first, found.placed, best.placed))
        off = found.cost / best.cost - 1
        goal = FIRST_GOAL_S if size <= 8 else TWENTY_GOAL_S
        steps = sum(len(b.tasks) for b in bakes)
        grew = f", {first_s / before:4.1f} times the size before" if before else ""
        before = first_s
        print(
            f"day of {size:2d}, {steps:3d} steps      {1000 * first_s:7.1f} ms to the first plan{grew} "
            f"({met(first_s < goal)}); {broken} rules broken"
        )
        near = f" ({met(off <= NEAR)})" if size <= 8 else ""
        gap = f", bound {100 * (best.gap or 0):.1f} % below it" if best.bound is not None else ""
        print(
            f"  its plan after {LOOKED_S:.0f} s      {100 * off:7.1f} % above the best known{near}{gap}; "
            f"{len(found.late)} late; the first one was {100 * (seen[0].cost / best.cost - 1):.0f} % above"
        )
        slipped, now = _slipped(bakes, found)
        planned = {p.key: p for p in found.placed}
        began = time.perf_counter()
        pushed = push(slipped, planned, here, now)
        pushed_s = time.perf_counter() - began
        mended = solve(slipped, here, Asked(now_s=now, hint=tuple(pushed), keeps=True, seconds=0.3))
        mended_s = time.perf_counter() - began
        left = told(pushed, slipped).cost
        better = "none better" if mended is None else f"{100 * (1 - min(left, mended.cost) / left):.0f} % better"
        print(
            f"  slipped by 20 min        {1000 * pushed_s:7.1f} ms to push it ({met(pushed_s < REPLAN_GOAL_S)}), "
            f"{1000 * mended_s:.0f} ms to mend it: {better}"
        )
    _jotted()


def _jotted() -> None:
    """Orders as they are jotted down."""
    for aside in (False, True):
        own = [j for j in corpus() if j.aside is aside]
        right = sum(as_jotted(j.text) == j.means for j in own)
        name = "  set aside" if aside else "orders jotted down"
        print(f"{name:26} {right:4d} of {len(own)} understood as they were meant")
