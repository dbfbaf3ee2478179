"""Warm: milk, butter or eggs, on the hob or over water."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core import foam, warming
from kindwhisk.core.bands import Band, Quantity, Side
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.material import Material, combine
from kindwhisk.core.process.outcome import Attention, Checkpoint, Outcome, Resource
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import YOLKY, Content, StepBase
from kindwhisk.core.safety import HOT_LIQUID, RAW_EGG, STEAM, WARM_EGG
from kindwhisk.core.schools import School, school

TOLERANCE_K = 3.0


class WarmStep(StepBase):
    """Warm to ``target_c``; eggs go ``over_water`` and are stirred all the time."""

    attention: ClassVar[Attention] = Attention.AT_TIMES
    uses: ClassVar[tuple[Resource, ...]] = (Resource.HOB,)

    kind: Literal["warm"] = "warm"
    target_c: float = Field(gt=0, lt=95)
    over_water: bool = False

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Heat in, nothing lost."""
        start = combine(intake)
        eggs = foam.egg_white_g(start) > 0 or bool(YOLKY & start.parts.keys())
        whites = eggs and foam.is_meringue(start)
        fat = start.composition.fat > 0.4
        duration = (
            warming.over_water_s(start, self.target_c) if self.over_water else warming.on_hob_s(start, self.target_c)
        )
        target = Estimate(
            low=self.target_c - TOLERANCE_K,
            likely=self.target_c,
            high=self.target_c + TOLERANCE_K,
            basis=Basis.FORMULA,
        )
        band = Band(
            quantity=Quantity.CONTENT_TEMPERATURE,
            unit="C",
            range=target,
            below=Side(word="cool", means="Not warm enough yet.", can_do="Keep it on the heat."),
            above=Side(
                word="hot",
                means="Egg begins to set from about 60 C." if eggs else "Hotter than it needs to be.",
                can_do="Off the heat and stir until it is back on the band.",
            ),
        )
        sees = "Sugar gone between two fingers, warm as a bath." if eggs else "Melted, no longer foaming."
        if whites:
            sees = "Not a grain of sugar left between two fingers; thin and hot."
        if not eggs and not fat:
            sees = "Steam rises, small bubbles at the edge."
        return Outcome(
            material=start.at(self.target_c),
            duration_s=self.learned(duration, setting),
            modelled_s=duration.likely,
            goal=f"{self.target_c:.0f} C",
            do=("Over barely simmering water, stirring all the time." if self.over_water else "Low heat, small pot."),
            why=(
                "Dissolved sugar gives the smooth, steady foam; white sets from about 60 C."
                if whites
                else "Warm egg whips faster and holds more."
                if eggs
                else "Fat near 50 C is thin enough to go under."
                if fat
                else "Hot enough to dissolve and to draw out what it is meant to."
            ),
            first_look_s=duration.low,
            hold_s=Estimate(low=60, likely=180, high=300, basis=Basis.HABIT) if eggs else None,
            hold_why="It cools, and warm egg should not stand." if eggs else "",
            checkpoints=(Checkpoint(id="warm", name=f"{self.target_c:.0f} C", sees=sees, band=band),),
            cautions=(RAW_EGG, STEAM, WARM_EGG) if eggs else (HOT_LIQUID,),
        )

    def schools(self, content: Content) -> tuple[School, ...]:
        """Whether whole eggs are warmed first."""
        whole = self.over_water and "whole-egg" in content.ingredients
        return (school("Whole-egg foam", "warmed first"),) if whole else ()
