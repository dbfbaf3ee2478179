"""Sift: dry goods onto paper, once or more."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit

PER_PASS_S = 35.0
PER_GRAM_S = 0.25


class SiftStep(StepBase):
    """Sift dry goods ``passes`` times."""

    merges: ClassVar[bool] = True

    kind: Literal["sift"] = "sift"
    passes: int = Field(default=1, ge=1, le=5)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The material is the same, evenly mixed and without lumps."""
        material = combine(intake)
        times = {1: "once", 2: "twice"}.get(self.passes, f"{self.passes} times")
        return Outcome(
            material=material,
            duration_s=by_habit(self.passes * (PER_PASS_S + PER_GRAM_S * material.mass_g)),
            goal=f"Sifted {times}",
            do=f"Sift {times} onto the {setting.vessel_name(self.vessel)}, the last time from a hand's height.",
            why="A lump costs strokes, and strokes cost air.",
        )
