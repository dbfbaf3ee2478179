"""Mix: bring contents together without minding air."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.folding.together import bring_together
from kindwhisk.core.ingredients.material import NO_GAS, Material
from kindwhisk.core.process.outcome import Checkpoint, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, Tool, Words, by_habit
from kindwhisk.core.process.steps.meeting import butter_notices
from kindwhisk.core.values.estimate import Basis, Estimate


class MixStep(StepBase):
    """Mix with ``tool`` for about ``seconds`` until it looks like ``sees``.

    ``overrun`` is the gas that whisking beats in, as a share of the gas-free volume (0 to 1).
    """

    merges: ClassVar[bool] = True

    kind: Literal["mix"] = "mix"
    tool: Tool = "hand whisk"
    seconds: float = Field(default=90, gt=0, le=3600)
    sees: Words = "Even, no streaks."
    too_far: Words = ""
    why: Words = ""
    overrun: float = Field(default=0.0, ge=0, le=1)

    @property
    def tool_in_use(self) -> str | None:
        """What touches the content."""
        return self.tool

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Contents come together; loose bubbles are mostly lost, a whisk beats in a few."""
        mixture = bring_together(intake, Manner.STIR).mixture
        if self.overrun > 0:
            beaten = mixture.gas_free_volume_ml * self.overrun
            mixture = mixture.with_gas(Estimate(low=beaten / 2, likely=beaten, high=beaten * 1.5, basis=Basis.HABIT))
        elif mixture.gas_ml.likely <= 0:
            mixture = mixture.with_gas(NO_GAS)
        return Outcome(
            material=mixture,
            duration_s=by_habit(self.seconds),
            goal="Even",
            do=f"With the {self.tool}, to the bottom and the wall.",
            why=self.why,
            checkpoints=(Checkpoint(id="even", name="Even", sees=self.sees, too_far=self.too_far),),
            notices=butter_notices(intake),
        )
