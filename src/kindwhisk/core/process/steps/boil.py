"""Boil: a sugar syrup to its temperature."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core import syrup
from kindwhisk.core.bands import Band, Quantity, Side
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.material import Material, combine
from kindwhisk.core.process.outcome import Attention, Checkpoint, MakeReady, Notice, Outcome, Resource
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Heading, StepBase
from kindwhisk.core.safety import BOILING_SUGAR

TOLERANCE_K = 1.5
LEAST_WATER = 0.2
"""Water a gram of sugar below which it hardly dissolves before it boils. Trade habit."""


class BoilStep(StepBase):
    """Boil sugar and water to ``target_c``, given for sea level; shown as it reads at this kitchen's altitude."""

    attention: ClassVar[Attention] = Attention.AT_TIMES
    uses: ClassVar[tuple[Resource, ...]] = (Resource.HOB,)
    under_way_is_enough: ClassVar[bool] = True

    kind: Literal["boil"] = "boil"
    target_c: float = Field(default=118, ge=101, le=165)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Water leaves until the syrup boils at the target."""
        start = combine(intake)
        sugars = start.composition.sugars * start.mass_g
        water = start.composition.water * start.mass_g
        off = max(0.0, water - syrup.water_left_g(sugars, self.target_c)) if sugars > 0 else 0.0
        here = syrup.at_altitude_c(self.target_c, setting.kitchen.altitude_m)
        duration = syrup.boil_s(start.mass_g, off, start.temperature_c, here)
        stage = syrup.stage_name(self.target_c)
        band = Band(
            quantity=Quantity.CONTENT_TEMPERATURE,
            unit="C",
            range=Estimate(low=here - TOLERANCE_K, likely=here, high=here + TOLERANCE_K, basis=Basis.MODEL),
            below=Side(
                word="thin", means="Too much water is left: the foam stays soft.", can_do="Boil on; seconds count."
            ),
            above=Side(
                word="too far",
                means="It sets in threads where it meets the bowl.",
                can_do="Off the heat, a spoon of water in, and back up to the band.",
            ),
        )
        notices = []
        if 0 < water < LEAST_WATER * sugars:
            notices.append(
                Notice(
                    level="risk",
                    text=f"{water:.0f} g of water hardly dissolve {sugars:.0f} g of sugar.",
                    remedy=f"Take about {syrup.WATER_PER_SUGAR * sugars:.0f} g: more water only takes longer.",
                )
            )
        if setting.kitchen.altitude_m >= 100:
            notices.append(
                Notice(
                    level="note",
                    text=f"At {setting.kitchen.altitude_m:.0f} m, {self.target_c:.0f} C reads {here:.1f} C.",
                    remedy="Boil water once and read this thermometer: that takes its own error along.",
                )
            )
        return Outcome(
            material=start.dried_by(off).at(here),
            duration_s=self.learned(duration, setting),
            modelled_s=duration.likely,
            goal=f"{here:.0f} C",
            do="Stir until it is clear, then never again; wash the wall down with a wet brush.",
            why=f"{off:.0f} g of water have to leave" + (f" for the {stage} stage." if stage else "."),
            first_look_s=duration.low * 0.8,
            hold_s=Estimate(low=20, likely=45, high=90, basis=Basis.HABIT),
            hold_why="The pot goes on heating it, then it sets.",
            checkpoints=(
                Checkpoint(
                    id="syrup",
                    name=f"{here:.0f} C" + (f", {stage}" if stage else ""),
                    sees="Bubbles slow and even in size; a drop in cold water holds as said.",
                    not_yet="Small quick bubbles, steam: still water to lose.",
                    too_far="Colours at the rim: it is past.",
                    band=band,
                ),
            ),
            cautions=(BOILING_SUGAR,),
            make_ready=(MakeReady(id="thermometer", name="thermometer", detail="free of the pot's bottom"),),
            notices=tuple(notices),
        )

    def expected_reading(self, elapsed_s: float, duration_s: float, setting: Setting) -> Heading:
        """Up to the boil quickly, then slowly."""
        air = setting.kitchen.air_c
        here = syrup.at_altitude_c(self.target_c, setting.kitchen.altitude_m)
        share = min(1.0, elapsed_s / max(duration_s, 1.0))
        boils = min(here, syrup.boiling_c(75, setting.kitchen.altitude_m))
        now = air + (boils - air) * share / 0.4 if share < 0.4 else boils + (here - boils) * (share - 0.4) / 0.6
        stages = tuple((syrup.at_altitude_c(low, setting.kitchen.altitude_m), name) for low, _, name in syrup.STAGES)
        return Heading(
            quantity=Quantity.CONTENT_TEMPERATURE,
            start_c=air,
            now_c=now,
            target_c=here,
            stages=tuple(s for s in stages if s[0] <= here + 8),
        )
