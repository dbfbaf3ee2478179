"""Order: a step before the one that it follows, or both in one go."""

from __future__ import annotations

from collections.abc import Mapping
from typing import Literal

from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing, sound, waiting, with_inputs
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import Portion, StepId, StepPortion
from kindwhisk.core.process.steps import Step


def _from(portion: Portion, step_id: str) -> bool:
    return isinstance(portion, StepPortion) and portion.step == step_id


def _feeding(formula: Formula, step: Step) -> Step:
    """The step whose whole result goes into this one, and nowhere else.

    Raises:
        NotSo: there is none, or more than one.
    """
    takers = {
        s.id: [t for t in formula.steps if any(_from(p, s.id) for p in t.inputs)]
        for s in formula.steps
        if any(_from(p, s.id) for p in step.inputs)
    }
    sole = [formula.step(i) for i, t in takers.items() if len(t) == 1]
    same = [s for s in sole if s.vessel == step.vessel] or sole
    if len(same) != 1:
        raise NotSo(
            f"Before “{step.title}” there is no one step that only leads to it.",
            field="step",
            remedy="Steps that do not lead to each other can be done in any order as it is.",
        )
    return same[0]


def _renamed(step: Step, taken: str, other: Mapping[str, str]) -> Step:
    """A step that takes from another one what it took from ``taken``, and waits for the others by their new names."""
    inputs = [p.model_copy(update={"step": other[taken]}) if _from(p, taken) else p for p in step.inputs]
    after = tuple(dict.fromkeys(other.get(i, i) for i in step.after))
    return with_inputs(step, inputs).model_copy(update={"after": after})


class Earlier(ChangeBase):
    """A step is done before the one that leads to it: the butter before the flour."""

    change: Literal["earlier"] = "earlier"
    step: StepId

    def followed(self, course: Course, at: Standing) -> Followed:
        """The two change places; what goes into each besides stays with it."""
        formula = course.formula
        late = waiting(formula, self.step, at, "moved")
        early = waiting(formula, _feeding(formula, late).id, at, "moved")
        if not early.merges or not late.merges:
            stays = early if not early.merges else late
            raise NotSo(
                f"“{stays.title}” has its place: what comes after needs what it does.",
                field="step",
                remedy="Only weighing, sifting, mixing and folding change places.",
            )
        base = next((p for p in early.inputs if isinstance(p, StepPortion)), None)
        if base is None:
            raise NotSo(
                f"“{early.title}” is where it begins: “{late.title}” has nothing to go into before it.",
                field="step",
                remedy="Do them together, or in this order.",
            )
        first = with_inputs(late, [base if _from(p, early.id) else p for p in late.inputs])
        second = with_inputs(early, [StepPortion(step=late.id) if p is base else p for p in early.inputs])
        steps: list[Step] = []
        for step in formula.steps:
            if step.id == late.id:
                steps += [first, second]
            elif step.id != early.id:
                steps.append(_renamed(step, late.id, {late.id: early.id}))
        return Followed(course=course.model_copy(update={"formula": sound(formula, steps)}))

    def said(self, course: Course) -> str:
        """Which before which."""
        late = course.formula.step(self.step)
        return f"“{late.title}” before “{_feeding(course.formula, late).title}”"


class Together(ChangeBase):
    """A step and the one that leads to it are done in one go."""

    change: Literal["together"] = "together"
    step: StepId

    def followed(self, course: Course, at: Standing) -> Followed:
        """What went into the first goes straight into the second."""
        formula = course.formula
        last = waiting(formula, self.step, at, "merged")
        first = waiting(formula, _feeding(formula, last).id, at, "merged")
        if not first.merges or not last.merges:
            stays = first if not first.merges else last
            raise NotSo(
                f"“{stays.title}” does something of its own that the other can't do for it.",
                field="step",
                remedy="Only weighing, sifting, mixing and folding go together.",
            )
        inputs: list[Portion] = []
        for portion in last.inputs:
            inputs += first.inputs if _from(portion, first.id) else (portion,)
        title = f"{first.title}; {last.title[0].lower()}{last.title[1:]}"[:80]
        after = tuple(dict.fromkeys((*first.after, *last.after)))
        # Another work than either of the two: what it shows is not learned as theirs.
        name = f"{first.id[:18]}-and-{last.id[:17]}"
        other = {"id": name, "title": title, "after": after, "again": None}
        merged = with_inputs(last, inputs).model_copy(update=other)
        gone = {first.id: name, last.id: name}
        steps = [merged if s.id == last.id else _renamed(s, last.id, gone) for s in formula.steps if s.id != first.id]
        return Followed(course=course.model_copy(update={"formula": sound(formula, steps)}))

    def said(self, course: Course) -> str:
        """Which with which."""
        last = course.formula.step(self.step)
        return f"“{_feeding(course.formula, last).title}” and “{last.title}” in one go"
