"""Invert: hang the tin upside down."""

from __future__ import annotations

from typing import ClassVar, Literal

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Checkpoint, MakeReady, Notice, Outcome
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, by_habit, in_tins
from kindwhisk.core.safety.cautions import HOT_TIN
from kindwhisk.core.vessels import section


class InvertStep(StepBase):
    """Turn the tin over so that the crumb hangs while it sets."""

    craft: ClassVar[Craft] = Craft.OVEN
    kind: Literal["invert"] = "invert"

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Nothing changes but the direction of weight."""
        cake = combine(intake)
        notices: tuple[Notice, ...] = ()
        if setting.tins.tin.shape not in {"tube", "round"}:
            notices = (
                Notice(
                    level="risk",
                    text="This tin has nothing to hang from.",
                    remedy="Use a tube or a bare round tin, or cool on a rack.",
                ),
            )
        return Outcome(
            material=cake,
            duration_s=by_habit(15),
            goal="Upside down",
            do="Turn it over at once, onto its feet or the neck of a bottle.",
            why="Hanging, the soft crumb stretches instead of sinking.",
            checkpoints=(
                Checkpoint(
                    id="hangs",
                    name="Hangs",
                    confirms="It hangs",
                    sees="It stays in the tin.",
                    too_far="Slips: turn back, cool upright.",
                ),
            ),
            cautions=(HOT_TIN,),
            make_ready=(MakeReady(id="stand", name="bottle or feet", detail="steady, clear of draughts"),),
            notices=notices,
        )

    def section(self, material: Material, setting: Setting) -> section.Section:
        """The tin upside down."""
        return in_tins(setting, material, inverted=True)

    def schools(self, content: Content) -> tuple[School, ...]:
        """Upside down or on a rack."""
        return (school("Cooling", "upside down"),)
