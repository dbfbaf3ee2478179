"""Sieve: what stayed in it is missing in the bowl; topped up, or everything else lowered with it."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.piping.sieve import SievedBy, sieved
from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing
from kindwhisk.core.process.changes.batch import LEAST, Batch
from kindwhisk.core.process.comparison import grams
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import NOTHING, Flows
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import StepId
from kindwhisk.core.process.steps.sift import SiftStep


class LeftInSieve(ChangeBase):
    """``left_g`` stayed in the sieve of a step; it is topped up, or what goes with it is scaled down."""

    change: Literal["left_in_sieve"] = "left_in_sieve"
    step: StepId
    left_g: float = Field(gt=0, le=1_000_000, allow_inf_nan=False)
    by: SievedBy = SievedBy.TOP_UP

    def followed(self, course: Course, at: Standing) -> Followed:
        """Topped up, all stays as it was meant; scaled, all ahead follows, and what stands has something over."""
        told, formula = self._told(course.formula), course.formula
        step = formula.step(self.step)
        if self.step not in at.begun or Flows(formula).left(self.step, at.begun) <= NOTHING:
            raise NotSo(
                f"Nothing of “{step.title}” stands there.", field="step", remedy="Name the sieving that is just done."
            )
        if self.by is SievedBy.TOP_UP:
            return Followed(course=course, lost=told, needed=told)
        factor = 1 - self.left_g / Flows(formula).mass_g(self.step)
        if factor < LEAST:
            raise NotSo("Too little came through.", field="left_g", remedy="Grind it again, and sieve it once more.")
        return Batch(times=factor).followed(course, at)

    def _told(self, formula: Formula) -> dict[str, float]:
        """Grams of each ingredient that are missing."""
        step = formula.step(self.step)
        if not isinstance(step, SiftStep):
            raise NotSo(f"Nothing is sieved at “{step.title}”.", field="step", remedy="Name a step that sieves.")
        return sieved(Flows(formula).ingredients({self.step: 1.0}), self.left_g).top_up_g

    def said(self, course: Course) -> str:
        """How much, and what was done about it."""
        if self.by is SievedBy.SCALE:
            return f"{grams(self.left_g)} left in the sieve: all the rest lowered with it"
        parts = ", ".join(f"{grams(g)} {ingredient(i).name}" for i, g in self._told(course.formula).items())
        return f"{grams(self.left_g)} left in the sieve, topped up with {parts}"
