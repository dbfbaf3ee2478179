"""Remedy: what brings a content back, with what goes into it for that."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing, Why, sound, with_inputs
from kindwhisk.core.process.comparison import grams
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import NOTHING, Flows
from kindwhisk.core.process.portions import IngredientPortion, Portion, StepId

ROLE = "to bring it back"


def brought_back(portion: Portion) -> bool:
    """Whether a portion went in to bring something back."""
    return isinstance(portion, IngredientPortion) and portion.role == ROLE


class Remedied(ChangeBase):
    """Something was done to what a step makes or has made, with ``grams`` of an ingredient or none."""

    replans: ClassVar[bool] = False

    change: Literal["remedied"] = "remedied"
    step: StepId
    remedy: Why = Field(min_length=1)
    ingredient: str = Field(default="", max_length=60)
    grams: float = Field(default=0, ge=0, le=10_000, allow_inf_nan=False)

    def followed(self, course: Course, at: Standing) -> Followed:
        """What went in is in it from now on, and its wait begins anew."""
        formula = course.formula
        step = formula.step(self.step)
        if self.step not in at.begun or Flows(formula).left(self.step, at.begun) <= NOTHING:
            raise NotSo(
                f"Nothing of “{step.title}” stands there.", field="step", remedy="Name the step whose result it is for."
            )
        if not self.ingredient or self.grams <= 0:
            return Followed(course=course, refreshed=frozenset({self.step}))
        added = IngredientPortion(ingredient=ingredient(self.ingredient).id, grams=self.grams, role=ROLE)
        steps = [with_inputs(s, (*s.inputs, added)) if s.id == self.step else s for s in formula.steps]
        return Followed(
            course=course.model_copy(update={"formula": sound(formula, steps)}),
            needed={self.ingredient: self.grams},
            refreshed=frozenset({self.step}),
        )

    def said(self, course: Course) -> str:
        """What was done, where."""
        what = f" ({grams(self.grams)} {ingredient(self.ingredient).name})" if self.ingredient and self.grams else ""
        return f"“{course.formula.step(self.step).title}”: {self.remedy}{what}"
