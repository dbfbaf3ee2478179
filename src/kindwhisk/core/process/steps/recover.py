"""Recover: the oven comes back to its temperature between two loads. Put in by the product."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.people import Craft
from kindwhisk.core.piping.loads import recovers_s
from kindwhisk.core.process.outcome import Attention, Checkpoint, Outcome, Resource
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit


class RecoverStep(StepBase):
    """Let the oven come back to ``oven_c`` before the next load."""

    craft: ClassVar[Craft] = Craft.OVEN
    attention: ClassVar[Attention] = Attention.NONE
    uses: ClassVar[tuple[Resource, ...]] = (Resource.OVEN,)
    by_itself: ClassVar[bool] = True

    kind: Literal["recover"] = "recover"
    oven_c: float = Field(ge=60, le=300)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """It only takes time."""
        duration = by_habit(recovers_s(setting.oven_rise_k_per_min))
        return Outcome(
            material=Material(),
            duration_s=duration,
            modelled_s=duration.likely,
            goal=f"{self.oven_c:.0f} °C again",
            do="Door shut; the next trays stay out until it holds.",
            why="A load that goes into a tired oven spreads and bakes pale.",
            first_look_s=duration.low,
            checkpoints=(
                Checkpoint(
                    id="hot",
                    name="Oven holds",
                    confirms="It is hot again",
                    sees=f"The oven thermometer shows {self.oven_c:.0f} °C and stays.",
                    not_yet="Two minutes more.",
                ),
            ),
        )
