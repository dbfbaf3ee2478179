"""Again: what is in a vessel is lost, all of it or a part, and is made once more."""

from __future__ import annotations

from dataclasses import replace
from typing import Literal

from pydantic import Field

from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing, Why
from kindwhisk.core.process.changes.regrow import regrow
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import NOTHING, Flows
from kindwhisk.core.process.portions import StepId
from kindwhisk.core.values.errors import CraftError


class Again(ChangeBase):
    """``share`` of what a step has made, wherever it is by now, is lost and made once more from its ingredients on.

    Of one that only weighs and was not confirmed yet, what was weighed is lost.
    """

    change: Literal["again"] = "again"
    step: StepId
    share: float = Field(default=1.0, gt=0, le=1)
    reason: Why = ""

    def followed(self, course: Course, at: Standing) -> Followed:
        """The lost part grows again beside what is left."""
        formula = course.formula
        step = formula.step(self.step)
        flows = Flows(formula)
        if self.step not in at.begun:
            if not step.only_weighs:
                raise NotSo(
                    f"“{step.title}” was not begun, and nothing is weighed for it.",
                    field="step",
                    remedy="Begin again from a step before it.",
                )
            # What was weighed and never confirmed is lost like what was.
            at = replace(at, begun=at.begun | {self.step})
        standing = found_at(flows, self.step, at)
        if not standing:
            raise NotSo(
                f"Nothing is left of “{step.title}”.", field="step", remedy="Begin again from what was made of it."
            )
        whole = [i for i in standing if not formula.step(i).divides]
        if self.share < 1 and whole:
            raise CraftError(
                f"A part of “{formula.step(whole[0]).title}” can't be made once more beside the rest.",
                field="share",
                remedy="Begin all of it again.",
            )
        lose = {i: self.share * left for i, left in standing.items()}
        grown = regrow(formula, at.begun, lose=lose, more=lose, why=self.reason)
        return Followed(
            course=course.model_copy(update={"formula": grown.formula}),
            lost=flows.ingredients(lose),
            needed=grown.needed,
            gone=frozenset(i for i, left in standing.items() if lose[i] > left - NOTHING),
        )

    def said(self, course: Course) -> str:
        """What was begun again, and how much of it."""
        title = course.formula.step(self.step).title
        part = "" if self.share >= 1 else f", {self.share:.0%} of it"
        return f"“{title}” begun again{part}"


def found_at(flows: Flows, step_id: StepId, at: Standing) -> dict[str, float]:
    """Where what a step has made stands by now: shares of the wholes of results, by step."""
    left = flows.left(step_id, at.begun)
    if left > NOTHING:
        return {step_id: left}
    found: dict[str, float] = {}
    for taker in flows.takers(step_id):
        if taker.id in at.begun:
            found |= found_at(flows, taker.id, at)
    return found
