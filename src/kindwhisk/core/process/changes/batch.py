"""Batch: more of it or less, while it is being made."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing
from kindwhisk.core.process.changes.regrow import regrow
from kindwhisk.core.process.comparison import grams
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import StepId
from kindwhisk.core.process.trays import relaid, unlaid
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

LEAST, MOST = 0.1, 10.0


class InTheBowl(Value):
    """So many grams lie in the bowl of a step that only weighs, whatever was written."""

    step: StepId
    grams: float = Field(gt=0, le=1_000_000, allow_inf_nan=False)


class Batch(ChangeBase):
    """``times`` as much of everything ahead; or as much as goes with what was ``weighed``, six whites where three were
    meant.

    Of what stands ready besides, the difference is made beside it, or left over.
    """

    change: Literal["batch"] = "batch"
    times: float | None = Field(default=None, ge=LEAST, le=MOST)
    weighed: InTheBowl | None = None

    def followed(self, course: Course, at: Standing) -> Followed:
        """Amounts ahead in proportion; what stands ready is topped up or has something over."""
        course = unlaid(course, at.begun)
        formula, times = course.formula, self._times(course.formula)
        ahead = [s for s in formula.steps if s.id not in at.begun]
        if not ahead:
            raise NotSo("Every step was begun.", field="times", remedy="Start another bake for more.")
        so_already = {self.weighed.step} if self.weighed else set[str]()
        steps = tuple(s.scaled(times) if s.id in so_already & at.begun else s for s in formula.steps)
        formula = formula.model_copy(update={"steps": steps})
        flows = Flows(formula)
        standing = {i: left for i, left in flows.standing(at.begun).items() if i not in so_already}
        stiff = [i for i in standing if not formula.step(i).divides]
        if stiff:
            raise NotSo(
                f"“{formula.step(stiff[0]).title}” is under way: nothing can be added to it or kept of it.",
                field="times",
                remedy="Wait until it has gone where it belongs, or begin it again.",
            )
        shares = {i: abs(times - 1) * left for i, left in standing.items()}
        more, lose = (shares, {}) if times > 1 else ({}, shares)
        grown = regrow(formula, at.begun, lose=lose, more=more, factor=times, why="left over")
        needed = dict(grown.needed)
        for portion in (p for s in ahead if s.id not in so_already for p in s.weighed):
            if times > 1:
                needed[portion.ingredient] = needed.get(portion.ingredient, 0.0) + (times - 1) * portion.grams
        after = relaid(course.model_copy(update={"formula": grown.formula}), at.begun)
        return Followed(course=after, lost=flows.ingredients(lose), needed=needed)

    def _times(self, formula: Formula) -> float:
        if (self.times is None) == (self.weighed is None):
            raise CraftError(
                "How much of it is not told, or told twice.",
                field="times",
                remedy="Give a factor, or what was weighed.",
            )
        if self.weighed is None:
            return self.times or 1.0
        step = formula.step(self.weighed.step)
        if not step.only_weighs:
            raise CraftError(f"“{step.title}” does not only weigh.", field="weighed", remedy="Name a step that does.")
        times = self.weighed.grams / sum(p.grams for p in step.weighed)
        if not LEAST <= times <= MOST:
            raise CraftError(
                f"That is {times:.3g} times what was meant.", field="weighed", remedy="From a tenth to ten times."
            )
        return times

    def said(self, course: Course) -> str:
        """How much of it."""
        if self.weighed is None:
            return f"{self.times:g} times the batch"
        step = course.formula.step(self.weighed.step)
        return f"{self._times(course.formula):.3g} times the batch: {grams(self.weighed.grams)} at “{step.title}”"
