"""Rest: leave something alone for a while: steeping, cooling down a little."""

from __future__ import annotations

from typing import Any, ClassVar, Literal

from pydantic import Field

from kindwhisk.core.finishing.macerating import juice_g, macerated
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.outcome import Attention, Checkpoint, Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, Words
from kindwhisk.core.values.estimate import Basis, Estimate

WORTH_SAYING_G = 2.0
COOLS_PER_MINUTE = 0.06
"""Share of the difference to the air that a small open pot loses a minute. Trade habit."""
DRIES_PER_MINUTE, MOST_DRIED = 0.0008, 0.08
"""Share of its water that a piped piece loses a minute in the open, and the most of it: 45 g/m² in some 50 minutes off
a shell of 40 mm. That loss is a bake reference model's; damp air takes far longer, so touch decides."""


class RestStep(StepBase):
    """Rest for ``minutes``, ``covered`` or open so that a skin dries; ``sees`` is what tells that it is over."""

    attention: ClassVar[Attention] = Attention.NONE
    under_way_is_enough: ClassVar[bool] = True

    first: ClassVar[dict[str, Any]] = {"minutes": 10}

    kind: Literal["rest"] = "rest"
    minutes: float = Field(gt=0, le=48 * 60)
    sees: Words = "The time is up."
    covered: bool = True

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """It drifts toward the air."""
        whole = combine(intake)
        juice = juice_g(whole, self.minutes)
        material = macerated(whole, self.minutes)
        air = setting.kitchen.air_c
        left = float((1 - COOLS_PER_MINUTE) ** self.minutes)
        if not self.covered:
            water = material.composition.water * material.mass_g
            material = material.dried_by(water * min(MOST_DRIED, DRIES_PER_MINUTE * self.minutes))
        return Outcome(
            material=material.at(air + (material.temperature_c - air) * left),
            duration_s=Estimate.around(60 * self.minutes, 0.05, Basis.FORMULA),
            modelled_s=60 * self.minutes,
            goal=f"{self.minutes:g} min",
            do="Cover and leave it." if self.covered else "Uncovered, in moving dry air, until the skin holds.",
            why=""
            if self.covered
            else "Only an open face dries: under a cover no skin forms, and the foot breaks out.",
            checkpoints=(Checkpoint(id="rested", name="Rested", confirms="Rested", sees=self.sees),),
            notices=(
                Notice(
                    level="note",
                    text=f"About {juice.likely:.0f} g of juice ({juice.low:.0f} to {juice.high:.0f}) run out.",
                    remedy="By trade habit; ripe fruit gives more. Drain it: it wets filling and crumb.",
                ),
            )
            if juice.likely >= WORTH_SAYING_G
            else (),
        )
