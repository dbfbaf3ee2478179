"""Soak: syrup or milk into a crumb."""

from __future__ import annotations

from typing import Literal

from kindwhisk.core.finishing import soaking
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.outcome import Notice, Outcome
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, by_habit
from kindwhisk.core.safety.cautions import keep_cold


class SoakStep(StepBase):
    """Soak a baked crumb: brushed on, or ``flooded`` so that it stands in the liquid."""

    kind: Literal["soak"] = "soak"
    flooded: bool = False

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Liquid goes into the pores; the crumb keeps its size."""
        crumb = combine([m for m in intake if m.baked])
        soak = combine([m for m in intake if not m.baked])
        together = combine(intake)
        takes = soaking.takes_ml(crumb, flooded=self.flooded)
        given = soak.gas_free_volume_ml
        notices = []
        if crumb.mass_g > 0 and given > takes.high:
            notices.append(
                Notice(
                    level="risk",
                    text=f"{given:.0f} ml is more than it holds ({takes.low:.0f} to {takes.high:.0f}): it weeps.",
                    remedy=f"Give about {takes.likely:.0f} ml now and pass the rest at the table.",
                )
            )
        if crumb.mass_g <= 0:
            notices.append(
                Notice(level="danger", text="Nothing baked is here to be soaked.", remedy="Soak after the bake.")
            )
        chilled = any(ingredient(i).kind == "dairy" for i in soak.parts)
        pores = soaking.room_ml(crumb)
        return Outcome(
            material=soaking.soaked(crumb, soak, together) if crumb.mass_g > 0 else together,
            duration_s=by_habit(420 if self.flooded else 120),
            goal=f"{soak.mass_g:.0f} g in",
            do=(
                "Pricked all over, cold liquid in three goes, edges first; wait until each is gone."
                if self.flooded
                else "With a brush, edges first, all faces alike."
            ),
            why=f"It fills {given / pores:.0%} of the pores." if pores > 0 else "",
            cautions=(keep_cold(setting.kitchen.cold_rule),) if chilled else (),
            notices=tuple(notices),
        )

    def schools(self, content: Content) -> tuple[School, ...]:
        """Brushed or flooded."""
        return (school("Soak", "flooded" if self.flooded else "brushed"),)
