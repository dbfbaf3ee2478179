"""Wash: a beater that touched fat, before it meets whites. Put in by the product where it is needed."""

from __future__ import annotations

from typing import ClassVar, Literal

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, Tool, by_habit

WASH_S = 180.0


class WashStep(StepBase):
    """Wash and dry ``tool``."""

    by_itself: ClassVar[bool] = True

    kind: Literal["wash"] = "wash"
    tool: Tool

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """No material; the tool is free of fat afterwards."""
        return Outcome(
            material=Material(),
            duration_s=by_habit(WASH_S, 0.2),
            goal="Free of fat",
            do=f"Wash the {self.tool} with hot water and soap, rinse, dry, wipe with vinegar.",
            why="A trace of yolk or oil keeps whites from coming up.",
        )
