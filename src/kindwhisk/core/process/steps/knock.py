"""Knock: let large bubbles or hot steam out."""

from __future__ import annotations

from typing import ClassVar, Literal

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, by_habit
from kindwhisk.core.safety.cautions import HOT_TIN

LARGE_BUBBLES = 0.02
"""Share of the gas that a light knock lets out of a batter. Trade habit."""


class KnockStep(StepBase):
    """Knock the tin on the bench: raw, to let large bubbles out; baked, to let the steam out."""

    passes_window: ClassVar[bool] = True

    craft: ClassVar[Craft] = Craft.OVEN
    kind: Literal["knock"] = "knock"

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Raw batter loses a little gas; a baked crumb keeps its shape."""
        content = combine(intake)
        if content.baked:
            return Outcome(
                material=content,
                duration_s=by_habit(10),
                goal="One drop",
                do="Drop it once from a hand's height, flat onto a cloth.",
                why="Steam leaves at once, before the crumb can draw in around it.",
                cautions=(HOT_TIN,),
            )
        return Outcome(
            material=content.with_gas(content.gas_ml.scaled(1 - LARGE_BUBBLES)),
            duration_s=by_habit(20),
            goal="Large bubbles out",
            do="Run a skewer through in a spiral, then two light knocks.",
            why="Large bubbles grow into tunnels.",
        )

    def schools(self, content: Content) -> tuple[School, ...]:
        """Out of the oven, a drop is a choice."""
        return (school("Knock out of the oven", "one drop"),) if content.baked else ()
