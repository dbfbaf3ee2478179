"""Mature: filled pieces wait in the cold until the bite is soft through."""

from __future__ import annotations

from typing import ClassVar, Literal

from kindwhisk.core.builds.built import whole
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.piping.maturing import FillingKind, hours, keeps_in_words
from kindwhisk.core.process.outcome import Attention, Checkpoint, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase
from kindwhisk.core.process.steps.chill import FRIDGE_C
from kindwhisk.core.safety.cautions import keep_cold
from kindwhisk.core.storage import Storage


class MatureStep(StepBase):
    """Boxed in the cold, for as long as a ``filling`` needs."""

    stored: ClassVar[Storage | None] = Storage.FRIDGE
    attention: ClassVar[Attention] = Attention.NONE
    under_way_is_enough: ClassVar[bool] = True
    stills_foam: ClassVar[bool] = True

    kind: Literal["mature"] = "mature"
    filling: FillingKind = FillingKind.OTHER

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The filling's water goes into the shell."""
        duration = hours(self.filling).scaled(3600)
        rule = keeps_in_words(self.filling, setting.kitchen.cold_rule)
        return Outcome(
            material=whole(intake).at(FRIDGE_C),
            duration_s=duration,
            modelled_s=duration.likely,
            goal=f"{duration.likely / 3600:.0f} h, cold",
            do=f"Boxed airtight, in one layer, with its label. {rule}",
            why=f"Water goes from the filling into the shell: sooner from a wet one. This one is {self.filling.value}.",
            checkpoints=(
                Checkpoint(
                    id="mature",
                    name="Matured",
                    confirms="Matured",
                    sees="The bite is soft through, the top still whole.",
                    not_yet="Crisp or chewy in the middle: half a day more.",
                    too_far="Wet below: eat at once, and fill drier or mature less.",
                ),
            ),
            cautions=(keep_cold(setting.kitchen.cold_rule),),
        )
