"""Oven: another one, or another temperature."""

from __future__ import annotations

from typing import Literal

from pydantic import Field

from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing, sound
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.preparation import preheat_of
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.trays import relaid
from kindwhisk.core.values.errors import CraftError


class OtherOven(ChangeBase):
    """What was not put into the oven yet bakes in another one, at another temperature (C, of its air), or both."""

    change: Literal["other_oven"] = "other_oven"
    oven: str = Field(default="", max_length=40)
    oven_c: float | None = Field(default=None, ge=60, le=300)

    def followed(self, course: Course, at: Standing) -> Followed:
        """An oven that was heated for it is heated once more, as it is wanted now."""
        formula = course.formula
        ahead = [s for s in formula.steps if isinstance(s, BakeStep) and s.id not in at.begun]
        if not ahead:
            raise NotSo("Nothing is still to be baked.", field="oven", remedy="Make a note of what is different.")
        if self.oven == "" and self.oven_c is None:
            raise CraftError("Neither an oven nor a temperature is named.", field="oven", remedy="Name one of them.")
        oven = course.kitchen.oven(self.oven or course.oven)
        if self.oven_c is not None:
            steps = [s.model_copy(update={"oven_c": self.oven_c}) if s in ahead else s for s in formula.steps]
            formula = sound(formula, steps)
        heated = frozenset(preheat_of(s) for s in ahead) & at.begun
        went_into = {i: course.went_into.get(i, course.oven) for i in sorted(at.begun - heated)}
        other = {
            "formula": formula,
            "oven": oven.id,
            "went_into": went_into if oven.id != course.oven else course.went_into,
        }
        return Followed(course=relaid(course.model_copy(update=other), at.begun), to_redo=heated)

    def said(self, course: Course) -> str:
        """Which oven, how hot."""
        named = [course.kitchen.oven(self.oven).name] if self.oven else []
        return ", ".join([*named, *([f"{self.oven_c:.0f} °C"] if self.oven_c is not None else [])])
