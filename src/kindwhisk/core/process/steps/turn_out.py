"""Turn out: free the cake from its tin."""

from __future__ import annotations

from typing import ClassVar, Literal

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Checkpoint, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.safety import cautions as safety
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate

HOT_C = 45.0


class TurnOutStep(StepBase):
    """Free the wall, the tube and the base, and turn the cake out."""

    craft: ClassVar[Craft] = Craft.OVEN
    kind: Literal["turn-out"] = "turn-out"

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The same cake, without its tin."""
        cake = combine(intake)
        tins = setting.tins
        level = tins.tin.level_mm(cake.volume_ml.likely * tins.share)
        spread = 0.15
        hot = cake.temperature_c > HOT_C
        return Outcome(
            material=cake,
            duration_s=by_habit(90 * tins.count),
            goal="Out of the tin",
            do="A thin knife once round, pressed to the metal; then the base.",
            why="The crumb is soft: the metal guides the blade.",
            checkpoints=(
                Checkpoint(
                    id="height",
                    name="Height",
                    sees="Even all round, wall whole.",
                    band=Band(
                        quantity=Quantity.HEIGHT,
                        unit="mm",
                        range=Estimate(
                            low=level * (1 - spread),
                            likely=level,
                            high=level * (1 + spread),
                            basis=Basis.MODEL,
                        ),
                        below=Side(
                            word="low",
                            means="Air was lost, or it sank.",
                            can_do="Write what you see: the log compares it with the cups.",
                        ),
                        above=Side(word="tall", means="More than expected.", can_do="Note it: the forecast learns."),
                    ),
                ),
            ),
            cautions=(safety.HOT_TIN,) if hot else (),
        )
