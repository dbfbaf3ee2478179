"""Boil: a sugar syrup to its temperature."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.kitchen import ProbePlace
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Attention, Checkpoint, MakeReady, Notice, Outcome, Resource
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Heading, StepBase
from kindwhisk.core.process.watching import PotWatching
from kindwhisk.core.safety.cautions import BOILING_SUGAR
from kindwhisk.core.sugar import boiling, syrup
from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.stages import stage_at, stages_here
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate

TOLERANCE_K = 1.5
LEAST_WATER = 0.2
"""Water a gram of sugar below which it hardly dissolves before it boils. Trade habit."""
OTHER_SUGAR_K = 0.4
"""Half-width of the boiling point from which other sugars are worth a word."""


HOTTEST_SYRUP_C = 165.0
"""Above it sugar browns fast: no syrup for a foam is boiled so far."""


class BoilStep(StepBase):
    """Boil sugar and water to ``target_c``, given for sea level; shown as it reads under this kitchen's air."""

    craft: ClassVar[Craft] = Craft.SUGAR
    attention: ClassVar[Attention] = Attention.AT_TIMES
    uses: ClassVar[tuple[Resource, ...]] = (Resource.HOB,)
    under_way_is_enough: ClassVar[bool] = True
    divides: ClassVar[bool] = False
    probe: ClassVar[ProbePlace | None] = ProbePlace.POT

    kind: Literal["boil"] = "boil"
    target_c: float = Field(default=118, ge=101, le=HOTTEST_SYRUP_C)

    def target_here_c(self, setting: Setting) -> float:
        """The target as it reads here."""
        return syrup.at_pressure_c(self.target_c, setting.kitchen.pressure_kpa)

    def pot(self, start: Material, setting: Setting) -> Pot:
        """What is on the flame."""
        return boiling.pot_of(start, setting.kitchen.pressure_kpa)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Water leaves until the syrup boils at the target."""
        start = combine(intake)
        pot, here = self.pot(start, setting), self.target_here_c(setting)
        sugars = start.composition.sugars * start.mass_g
        off = pot.water_off_g(here) if sugars > 0 else 0.0
        duration = boiling.seconds(pot, start.temperature_c, here)
        stage = stage_at(self.target_c)
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
        drop = f"A drop in cold water {stage.drop}." if stage else "Bubbles slow and even in size."
        time = self.time_alone(self.kind, duration, setting)
        return Outcome(
            material=start.dried_by(off).at(here),
            duration_s=time.made,
            modelled_s=duration.likely,
            expects=(time,),
            goal=f"{here:.0f} °C",
            do="Stir until it is clear, then never again; wash the wall down with a wet brush.",
            why=f"{off:.0f} g of water have to leave" + (f" for the {stage.name} stage." if stage else "."),
            first_look_s=duration.low * 0.8,
            hold_s=Estimate(low=20, likely=45, high=90, basis=Basis.HABIT),
            hold_why="The pot goes on heating it, then it sets.",
            checkpoints=(
                Checkpoint(
                    id="syrup",
                    name=f"{here:.0f} °C" + (f", {stage.name}" if stage else ""),
                    sees=drop,
                    not_yet="Small quick bubbles, steam, a drop that dissolves: still water to lose.",
                    too_far="Colours at the rim: it is past.",
                    band=band,
                ),
            ),
            cautions=(BOILING_SUGAR,),
            make_ready=(MakeReady(id="thermometer", name="thermometer", detail="free of the pot's bottom"),),
            notices=self._notices(start, pot, here, setting),
        )

    def _notices(self, start: Material, pot: Pot, here: float, setting: Setting) -> tuple[Notice, ...]:
        notices = []
        sugars, water = start.composition.sugars * start.mass_g, start.composition.water * start.mass_g
        if 0 < water < LEAST_WATER * sugars:
            notices.append(
                Notice(
                    level="risk",
                    text=f"{water:.0f} g of water hardly dissolve {sugars:.0f} g of sugar.",
                    remedy=f"Take about {boiling.enough_water_g(sugars):.0f} g: more water only takes longer.",
                )
            )
        if abs(here - self.target_c) >= 0.4:
            notices.append(
                Notice(
                    level="note",
                    text=f"Under the air of this kitchen, {self.target_c:.0f} °C reads {here:.1f} °C.",
                    remedy="Check the thermometer in boiling water: that takes its own error along.",
                )
            )
        vessel = setting.vessels.get(self.vessel)
        froth = boiling.foaming_ml(sugars, water)
        if vessel is not None and sugars > 0 and froth > vessel.volume_ml(vessel.height_mm):
            notices.append(
                Notice(
                    level="risk",
                    text=f"It may froth to {froth / 1000:.1f} l; the {vessel.name} holds "
                    f"{vessel.volume_ml(vessel.height_mm) / 1000:.1f} l.",
                    remedy="Take a taller pot: boiling sugar over the rim burns and catches fire.",
                )
            )
        factor = syrup.rise_factor(start)
        half = (factor.high - factor.likely) * (here - setting.kitchen.water_boils_c)
        if half >= OTHER_SUGAR_K:
            notices.append(
                Notice(
                    level="note",
                    text=f"With other sugars beside sucrose, the same firmness reads within {half:.1f} °C of this.",
                    remedy="Judge by a drop in cold water too.",
                )
            )
        return tuple(notices)

    def expected_reading(self, elapsed_s: float, duration_s: float, before: Material, setting: Setting) -> Heading:
        """Up to the boil quickly, then ever faster as less water is left."""
        start, here = setting.kitchen.air_c, self.target_here_c(setting)
        pot = self.pot(before, setting)
        share = min(1.0, elapsed_s / max(duration_s, 1.0))
        return Heading(
            quantity=Quantity.CONTENT_TEMPERATURE,
            start_c=start,
            now_c=pot.celsius_at(pot.heat_left_kj(start, here) * (1 - share), here),
            target_c=here,
            stages=stages_here(setting.kitchen.pressure_kpa, here + 8),
        )

    def watching(self, before: Material, after: Material, setting: Setting) -> PotWatching:
        """The pot, followed by its probe."""
        return PotWatching(self.pot(before, setting), self.target_here_c(setting))
