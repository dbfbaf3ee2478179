"""Warm: milk, butter or eggs, on the hob or over water."""

from __future__ import annotations

from typing import Any, ClassVar, Literal

from pydantic import Field

from kindwhisk.core.foams import foam
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.kitchen import ProbePlace
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Attention, Checkpoint, Notice, Outcome, Resource
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import YOLKY, Content, Heading, StepBase
from kindwhisk.core.process.watching import ApproachWatching, EggIn
from kindwhisk.core.safety.cautions import HOT_LIQUID, RAW_EGG, STEAM, WARM_EGG
from kindwhisk.core.sugar import dissolving
from kindwhisk.core.sugar.dissolving import Dissolution
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.warmth import warming

TOLERANCE_K = 3.0


def _sets(dissolves: Dissolution | None) -> str:
    if dissolves is None:
        return "Egg begins to set from about 60 °C."
    return f"White with this much sugar begins to set from about {dissolves.sets_c.low:.0f} °C."


class WarmStep(StepBase):
    """Warm to ``target_c``; eggs go ``over_water`` and are stirred all the time."""

    craft: ClassVar[Craft] = Craft.SUGAR
    attention: ClassVar[Attention] = Attention.AT_TIMES
    uses: ClassVar[tuple[Resource, ...]] = (Resource.HOB,)
    probe: ClassVar[ProbePlace | None] = ProbePlace.BOWL

    first: ClassVar[dict[str, Any]] = {"target_c": 45}

    kind: Literal["warm"] = "warm"
    target_c: float = Field(gt=0, lt=95)
    over_water: bool = False

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Heat in, nothing lost."""
        start = combine(intake)
        eggs = foam.egg_white_g(start) > 0 or bool(YOLKY & start.counted.keys())
        whites = eggs and foam.is_meringue(start)
        dissolves = dissolving.dissolution(min(6.0, foam.sugar_to_white(start))) if whites else None
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
                means=_sets(dissolves) if eggs else "Hotter than it needs to be.",
                can_do="Off the heat and stir until it is back on the band.",
            ),
        )
        sees = "Sugar gone between two fingers, warm as a bath." if eggs else "Melted, no longer foaming."
        if whites:
            sees = "Rub a drop between two fingers: not a grain of sugar left; thin and hot."
        if not eggs and not fat:
            sees = "Steam rises, small bubbles at the edge."
        time = self.time_alone(self.kind, duration, setting)
        return Outcome(
            material=start.at(self.target_c),
            duration_s=time.made,
            modelled_s=duration.likely,
            expects=(time,),
            goal=f"{self.target_c:.0f} °C",
            do=("Over barely simmering water, stirring all the time." if self.over_water else "Low heat, small pot."),
            why=(
                f"Dissolved sugar gives the smooth, steady foam. {dissolves.says}"
                if dissolves
                else "Warm egg whips faster and holds more."
                if eggs
                else "Fat near 50 °C is thin enough to go under."
                if fat
                else "Hot enough to dissolve and to draw out what it is meant to."
            ),
            first_look_s=duration.low,
            hold_s=Estimate(low=60, likely=180, high=300, basis=Basis.HABIT) if eggs else None,
            hold_why="It cools, and warm egg should not stand." if eggs else "",
            checkpoints=(Checkpoint(id="warm", name=f"{self.target_c:.0f} °C", sees=sees, band=band),),
            cautions=(RAW_EGG, STEAM, WARM_EGG) if eggs else (HOT_LIQUID,),
            notices=self._notices(dissolves),
        )

    def _notices(self, dissolves: Dissolution | None) -> tuple[Notice, ...]:
        """For whites: a target at which the sugar can't dissolve, or at which they set."""
        if dissolves is None:
            return ()
        notices = []
        needed = dissolves.temperature_c
        if not dissolves.possible or (needed is not None and needed.likely > self.target_c):
            notices.append(
                Notice(
                    level="risk",
                    text=f"At {self.target_c:.0f} °C not all of this sugar can dissolve in the whites' water.",
                    remedy=dissolves.says,
                )
            )
        if self.target_c >= dissolves.sets_c.low:
            notices.append(
                Notice(
                    level="risk",
                    text=f"From about {dissolves.sets_c.low:.0f} °C white begins to set at the wall.",
                    remedy="Never stop stirring, scrape the wall, and off the steam at once when it is there.",
                )
            )
        return tuple(notices)

    def expected_reading(self, elapsed_s: float, duration_s: float, before: Material, setting: Setting) -> Heading:
        """Quickly at first, then slower as it nears the steam."""
        start = min(before.temperature_c, self.target_c - 0.1)
        share = min(1.0, elapsed_s / max(duration_s, 1.0))
        bath = max(warming.BATH_C, self.target_c + 5)
        left = ((bath - self.target_c) / (bath - start)) ** share
        now = bath - (bath - start) * float(left) if self.over_water else start + (self.target_c - start) * share
        stages: tuple[tuple[float, str], ...] = ()
        if foam.is_meringue(before):
            found = dissolving.dissolution(min(6.0, foam.sugar_to_white(before)))
            stages = ((found.sets_c.low, "sets"),)
            if found.temperature_c is not None:
                stages = ((found.temperature_c.likely, "all dissolves"), *stages)
        return Heading(
            quantity=Quantity.CONTENT_TEMPERATURE, start_c=start, now_c=now, target_c=self.target_c, stages=stages
        )

    def watching(self, before: Material, after: Material, setting: Setting) -> ApproachWatching:
        """The bowl over the steam, followed by its probe."""
        capacity = before.mass_g * before.composition.heat_capacity()
        return ApproachWatching(
            max(warming.BATH_C, self.target_c + 5),
            self.target_c,
            capacity / warming.BATH_W_PER_K[1],
            EggIn.of(before),
        )

    def schools(self, content: Content) -> tuple[School, ...]:
        """Whether whole eggs are warmed first."""
        whole = self.over_water and "whole-egg" in content.ingredients
        return (school("Whole-egg foam", "warmed first"),) if whole else ()
