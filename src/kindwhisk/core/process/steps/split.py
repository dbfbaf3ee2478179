"""Split: take a weighed part of a content into a vessel of its own."""

from __future__ import annotations

from typing import ClassVar, Literal

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit


class SplitStep(StepBase):
    """Weigh a part off into another vessel; how much is what its portion says."""

    passes_window: ClassVar[bool] = True
    shows_before: ClassVar[bool] = True

    kind: Literal["split"] = "split"

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The part, as it was."""
        part = combine(intake)
        return Outcome(
            material=part,
            duration_s=by_habit(25),
            goal=f"{part.mass_g:.0f} g",
            do=f"Take {part.mass_g:.0f} g into the {setting.vessel_name(self.vessel)}, by the scale.",
        )
