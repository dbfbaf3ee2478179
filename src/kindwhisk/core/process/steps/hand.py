"""By hand: what no other kind of step covers, such as cutting, peeling or unrolling, in words of its own."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import whole
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, Words, by_habit
from kindwhisk.core.safety.cautions import HOT_TIN

HOT_C = 45.0


class HandStep(StepBase):
    """Do what ``does`` says with the content; it stays what it was."""

    passes_window: ClassVar[bool] = True

    merges: ClassVar[bool] = True

    kind: Literal["hand"] = "hand"
    does: Words = ""
    seconds: float = Field(default=120, gt=0, le=7200)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The same content, worked by hand."""
        content = whole(intake)
        hot = content.baked and content.temperature_c > HOT_C
        return Outcome(
            material=content,
            duration_s=by_habit(self.seconds),
            goal="Done",
            do=self.does or self.title,
            cautions=(HOT_TIN,) if hot else (),
        )
