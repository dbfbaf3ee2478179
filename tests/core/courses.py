"""Processes under way, in any state of any formula that ships, and what is weighed of them."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import UTC, datetime
from typing import NamedTuple

import pytest
from hypothesis import strategies as st

from kindwhisk.core.process.changes.base import ChangeBase, Followed, Standing
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.finished import offcuts
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.forecast import walk_prepared
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import Portion, StepPortion
from kindwhisk.core.process.scaling import in_loads, scale
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.sort import SortStep
from kindwhisk.core.process.walk import kept
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen


def in_two_bags(formula: Formula) -> Formula:
    """Half of the batter piped, baked and cooled by itself, on the same trays; all sorted together."""
    bag = next(s for s in formula.steps if isinstance(s, PipeStep))
    sort = next(s for s in formula.steps if isinstance(s, SortStep))
    steps = list(formula.steps)
    chain = steps[steps.index(bag) : steps.index(sort)]
    batter = bag.inputs[0]
    assert isinstance(batter, StepPortion)
    steps[steps.index(bag)] = bag.model_copy(update={"inputs": (StepPortion(step=batter.step, fraction=0.5),)})
    before: Portion = StepPortion(step=batter.step, rest=True)
    for step in chain:
        other = step.model_copy(update={"id": f"{step.id}-b", "inputs": (before,)})
        steps.insert(steps.index(sort), other)
        before = StepPortion(step=other.id)
    steps[steps.index(sort)] = sort.model_copy(update={"inputs": (*sort.inputs, before)})
    return Formula.model_validate({**dict(formula), "id": f"{formula.id}-two-bags", "steps": tuple(steps)})


NOW = datetime(2026, 11, 2, 7, 0, tzinfo=UTC)
FORMULAS = {f.id: f for f in demo_formulas()}
for _id in ("french-shells", "kisses"):
    FORMULAS[f"{_id}-two-bags"] = in_two_bags(FORMULAS[_id])
KITCHEN = demo_kitchen()


def course_of(formula_id: str) -> Course:
    made = in_loads(scale(FORMULAS[formula_id], KITCHEN, Wish()), KITCHEN)
    return Course(
        formula=made.formula, kitchen=KITCHEN, oven=made.oven, tin_name=made.tin_name, tin=made.tin,
        tin_wall=made.tin_wall, tin_count=made.tin_count,
    )  # fmt: skip


def upto(formula: Formula, count: int) -> Standing:
    """The first so many steps are done."""
    return Standing(frozenset(s.id for s in formula.steps[:count]), frozenset(), NOW)


def after(formula: Formula, *done: str, running: tuple[str, ...] = ()) -> Standing:
    """These steps and all that leads to them are done."""
    begun = set(done)
    for step in reversed(formula.steps):
        if step.id in begun:
            begun |= {p.step for p in step.inputs if p.source == "step"}
    return Standing(frozenset(begun), frozenset(running), NOW)


def total(amounts: Mapping[str, float]) -> float:
    return sum(amounts.values())


class Weighed(NamedTuple):
    """Grams that went in, that stand at the end (in however many last results), were lost, went off as steam, and were
    cut off and taken by none."""

    came_in: float
    ends: float
    lost: float
    steam: float
    cut_off: float


def weighed(course: Course) -> Weighed:
    walked = walk_prepared(course.formula, course.setting)
    taken = {p.step for w in walked for p in w.step.inputs if p.source == "step"}
    flows = Flows(course.formula)
    masses = {w.step.id: kept(w.outcome.material).mass_g for w in walked}
    whole = {w.step.id: w.outcome.material.mass_g for w in walked}
    cut_off = sum((o.left_g for o in offcuts(course.formula, walked)), 0.0)
    return Weighed(
        course.formula.total_g(),
        sum(masses[s.id] * flows.left(s.id, frozenset()) for s in course.formula.steps if s.id not in taken),
        sum(loss.share * whole[loss.step] for loss in course.formula.lost),
        sum(sum(m.mass_g for m in w.intake) - w.outcome.material.mass_g for w in walked),
        cut_off,
    )


def conserved(course: Course) -> None:
    """What came in is there, or lost, or steam, or was cut off."""
    found = weighed(course)
    assert found.came_in == pytest.approx(sum(found[1:]), rel=1e-6)


def asked(change: ChangeBase, course: Course, at: Standing) -> Followed | None:
    """What follows, or nothing where it is refused; a refusal says what to do."""
    try:
        return change.followed(course, at)
    except CraftError as refusal:
        if not (refusal.field and refusal.remedy):
            raise
        return None


STATES = st.sampled_from(sorted(FORMULAS)).flatmap(
    lambda i: st.tuples(st.just(i), st.integers(0, len(FORMULAS[i].steps)))
)
