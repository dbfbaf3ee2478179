"""Weigh: ingredients into a vessel."""

from __future__ import annotations

from typing import ClassVar, Literal

from kindwhisk.core.foams import foam
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.safety.cautions import RAW_EGG

SETTING_UP_S = 25.0
PER_INGREDIENT_S = 25.0


class WeighStep(StepBase):
    """Weigh ingredients into one vessel on the scale."""

    merges: ClassVar[bool] = True

    kind: Literal["weigh"] = "weigh"

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Nothing changes but the place."""
        material = combine(intake)
        has_egg = any(ingredient(i).kind == "egg" for i in material.parts)
        greaseless = foam.egg_white_g(material) > 0 and foam.is_meringue(material)
        return Outcome(
            material=material,
            duration_s=by_habit(SETTING_UP_S + PER_INGREDIENT_S * len(material.parts)),
            goal="Weighed",
            do=f"Into the {setting.vessel_name(self.vessel)}, one after the other, tare between.",
            why="Not a trace of yolk or fat may reach the whites." if greaseless else "",
            cautions=(RAW_EGG,) if has_egg else (),
        )
