"""Ingredients: one is missing, another takes its place or none does, or another weight went in."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Literal

from pydantic import Field

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing, has, sound, with_inputs
from kindwhisk.core.process.comparison import grams
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import IngredientPortion, Portion, StepId, StepPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.substitution import Swap, substitute


def _ahead(formula: Formula, at: Standing) -> list[Step]:
    return [s for s in formula.steps if s.id not in at.begun]


class Instead(ChangeBase):
    """``into`` takes the place of an ingredient in every step that was not begun."""

    change: Literal["instead"] = "instead"
    ingredient: str = Field(max_length=60)
    into: str = Field(max_length=60)

    def followed(self, course: Course, at: Standing) -> Followed:
        """Substituted as in the Book, with the entry in the ledger, in the steps ahead."""
        formula, ahead = course.formula, _ahead(course.formula, at)
        has(self.ingredient, ahead)
        steps = tuple(s.id for s in ahead)
        swap = Swap(ingredient=self.ingredient, into=self.into, steps=steps)
        changed = substitute(formula, swap, course.kitchen, formula.goods)
        before, after = (_totals(s for s in f.steps if s.id in steps) for f in (formula, changed))
        needed = {i: g - before.get(i, 0.0) for i, g in after.items() if g > before.get(i, 0.0)}
        return Followed(course=course.model_copy(update={"formula": changed}), needed=needed)

    def said(self, course: Course) -> str:
        """What for what."""
        return f"{ingredient(self.into).name} instead of {ingredient(self.ingredient).name}"


class LeftOut(ChangeBase):
    """An ingredient is left out of every step that was not begun."""

    change: Literal["left_out"] = "left_out"
    ingredient: str = Field(max_length=60)

    def followed(self, course: Course, at: Standing) -> Followed:
        """Steps that nothing goes into any more are left out with it."""
        formula, ahead = course.formula, {s.id for s in _ahead(course.formula, at)}
        has(self.ingredient, [s for s in formula.steps if s.id in ahead])
        empty: set[str] = set()
        steps: list[Step] = []
        for step in formula.steps:
            if step.id not in ahead:
                steps.append(step)
                continue
            kept = [p for p in step.inputs if not self._is_out(p, empty)]
            if step.inputs and not kept:
                empty.add(step.id)
                continue
            after = tuple(i for i in step.after if i not in empty)
            steps.append(with_inputs(step, kept).model_copy(update={"after": after}))
        if len(empty) == len(formula.steps) or formula.steps[-1].id in empty:
            raise NotSo("Nothing would be left.", field="ingredient", remedy="Put something in its place.")
        return Followed(course=course.model_copy(update={"formula": sound(formula, steps)}))

    def _is_out(self, portion: Portion, empty: set[str]) -> bool:
        if isinstance(portion, StepPortion):
            return portion.step in empty
        return portion.ingredient == self.ingredient

    def said(self, course: Course) -> str:
        """What is left out."""
        return f"Without {ingredient(self.ingredient).name}"


class WeighedOtherwise(ChangeBase):
    """So many grams of an ingredient went into a step, whatever was written."""

    change: Literal["weighed_otherwise"] = "weighed_otherwise"
    step: StepId
    ingredient: str = Field(max_length=60)
    grams: float = Field(gt=0, le=1_000_000, allow_inf_nan=False)

    def followed(self, course: Course, at: Standing) -> Followed:
        """The step with that weight, all others as they were."""
        formula = course.formula
        step = formula.step(self.step)
        has(self.ingredient, [step])
        was = sum(p.grams for p in step.weighed if p.ingredient == self.ingredient)
        inputs = tuple(
            p.scaled(self.grams / was) if isinstance(p, IngredientPortion) and p.ingredient == self.ingredient else p
            for p in step.inputs
        )
        steps = [with_inputs(s, inputs) if s.id == self.step else s for s in formula.steps]
        needed = {self.ingredient: self.grams - was} if self.grams > was and step.id not in at.begun else {}
        return Followed(course=course.model_copy(update={"formula": sound(formula, steps)}), needed=needed)

    def said(self, course: Course) -> str:
        """How much of what, where."""
        step = course.formula.step(self.step)
        return f"{grams(self.grams)} {ingredient(self.ingredient).name} into “{step.title}”"


def _totals(steps: Iterable[Step]) -> dict[str, float]:
    found: dict[str, float] = {}
    for portion in (p for s in steps for p in s.weighed):
        found[portion.ingredient] = found.get(portion.ingredient, 0.0) + portion.grams
    return found
