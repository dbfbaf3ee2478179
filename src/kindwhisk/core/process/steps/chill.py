"""Chill: in the refrigerator, until something has set or matured."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import whole
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.outcome import Attention, Checkpoint, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase
from kindwhisk.core.safety.cautions import keep_cold
from kindwhisk.core.values.estimate import Basis, Estimate

FRIDGE_C, FREEZER_C = 4.0, -18.0


class ChillStep(StepBase):
    """Chill, or keep ``frozen``, for about ``hours``; ``sees`` is what tells that it is over."""

    attention: ClassVar[Attention] = Attention.NONE
    under_way_is_enough: ClassVar[bool] = True

    kind: Literal["chill"] = "chill"
    hours: float = Field(default=4, gt=0, le=96)
    sees: str = Field(default="Firm to the touch in the middle.", max_length=200)
    frozen: bool = False

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Cold, and set where something in it sets."""
        content = whole(intake)
        duration = Estimate.around(3600 * self.hours, 0.2, Basis.FORMULA)
        return Outcome(
            material=content.at(FREEZER_C if self.frozen else FRIDGE_C),
            duration_s=duration,
            modelled_s=duration.likely,
            goal=f"{self.hours:.3g} h, {'frozen' if self.frozen else 'cold'}",
            do="Wrapped airtight, with its date, in the freezer."
            if self.frozen
            else "Covered, in the coldest part of the refrigerator.",
            why="Where air gets to it, it dries and takes on smells."
            if self.frozen
            else "Gelatine, butter and starch set slowly from the outside in.",
            checkpoints=(
                Checkpoint(
                    id="set", name="Set", confirms="It has set", sees=self.sees, not_yet="Soft in the middle: leave it."
                ),
            ),
            cautions=(keep_cold(setting.kitchen.cold_rule),),
        )
