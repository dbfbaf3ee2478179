"""Toast: nuts or seeds in the oven, before anything that has to wait for them."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Attention, Checkpoint, Outcome, Resource
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase
from kindwhisk.core.safety.cautions import HOT_TIN
from kindwhisk.core.values.estimate import Estimate

DRIES = 0.4
"""Share of its little water that a nut loses. Trade habit."""


class ToastStep(StepBase):
    """Toast at ``oven_c`` for about ``minutes``."""

    craft: ClassVar[Craft] = Craft.OVEN
    attention: ClassVar[Attention] = Attention.AT_TIMES
    uses: ClassVar[tuple[Resource, ...]] = (Resource.OVEN,)

    kind: Literal["toast"] = "toast"
    oven_c: float = Field(default=150, ge=100, le=220)
    minutes: float = Field(default=10, gt=0, le=60)

    @property
    def heats_oven_c(self) -> float:
        """The oven's temperature."""
        return self.oven_c

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Drier, browner, and hot: it has to cool before it meets a foam."""
        nuts = combine(intake)
        dried = nuts.dried_by(nuts.composition.water * nuts.mass_g * DRIES)
        duration = Estimate.around(60 * self.minutes, 0.25)
        time = self.time_alone(self.kind, duration, setting)
        return Outcome(
            material=dried.at(setting.kitchen.air_c),
            duration_s=time.made,
            modelled_s=duration.likely,
            expects=(time,),
            goal="Scented, pale gold",
            do=f"One layer, {self.oven_c:.0f} °C, shaken once; then spread out until cold.",
            why="Warm nuts melt their fat into the foam.",
            first_look_s=duration.low,
            checkpoints=(
                Checkpoint(
                    id="toasted",
                    name="Toasted",
                    confirms="Toasted",
                    sees="They smell, the cut face is pale gold.",
                    too_far="Brown: bitter.",
                ),
            ),
            cautions=(HOT_TIN,),
        )
