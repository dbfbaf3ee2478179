"""Cool: down to the temperature of the next gate."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core import cooling, section
from kindwhisk.core.bands import Band, Quantity, Side
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.material import Material, combine
from kindwhisk.core.process.outcome import Attention, Checkpoint, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, Heading, StepBase, in_tins
from kindwhisk.core.schools import School, school

OUT_OF_OVEN_C = 95.0


class CoolStep(StepBase):
    """Cool to ``above_air_k`` over the kitchen's air, ``inverted`` in the tin or free on a rack."""

    attention: ClassVar[Attention] = Attention.NONE
    under_way_is_enough: ClassVar[bool] = True

    kind: Literal["cool"] = "cool"
    inverted: bool = False
    above_air_k: float = Field(default=4, ge=1, le=60)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Heat out; the crumb firms."""
        cake = combine(intake)
        tins, air = setting.tins, setting.kitchen.air_c
        height = tins.tin.level_mm(cake.volume_ml.likely * tins.share)
        target = air + self.above_air_k
        duration = cooling.cooling_s(
            cake.mass_g * tins.share,
            tins.tin.heated_area_mm2(height),
            cake.temperature_c,
            target,
            air,
            cooling.IN_TIN_INVERTED_W_PER_M2K if self.inverted else cooling.ON_RACK_W_PER_M2K,
        )
        learned = self.learned(duration, setting)
        band = Band(
            quantity=Quantity.CORE_TEMPERATURE,
            unit="C",
            range=Estimate(low=air - 3, likely=target - 1, high=target + 2, basis=Basis.HABIT),
            below=Side(word="cold", means="Colder than the kitchen.", can_do="Nothing to do."),
            above=Side(word="warm", means="Still soft: it tears and shrinks.", can_do="Leave it longer."),
        )
        return Outcome(
            material=cake.at(target),
            duration_s=learned,
            modelled_s=duration.likely,
            goal=f"{target:.0f} C",
            do="Leave it hanging, out of draughts." if self.inverted else "On a rack, air all round.",
            why="Starch sets as it cools; until then it would sink or tear.",
            checkpoints=(
                Checkpoint(
                    id="cool",
                    name="Cool",
                    sees="The tin no longer feels warm anywhere.",
                    not_yet="Warm: wait.",
                    band=band,
                ),
            ),
        )

    def expected_reading(self, elapsed_s: float, duration_s: float, before: Material, setting: Setting) -> Heading:
        """The crumb on its way down."""
        air, start = setting.kitchen.air_c, OUT_OF_OVEN_C
        left = (self.above_air_k / (start - air)) ** (elapsed_s / max(duration_s, 1.0))
        return Heading(
            quantity=Quantity.CORE_TEMPERATURE,
            start_c=start,
            now_c=max(air + self.above_air_k, air + (start - air) * float(left)),
            target_c=air + self.above_air_k,
        )

    def section(self, material: Material, setting: Setting) -> section.Section:
        """The cake as it hangs or stands."""
        return in_tins(setting, material, inverted=self.inverted)

    def schools(self, content: Content) -> tuple[School, ...]:
        """Upside down or on a rack."""
        return () if self.inverted else (school("Cooling", "on a rack"),)
