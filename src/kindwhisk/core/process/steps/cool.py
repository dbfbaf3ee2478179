"""Cool: down to the temperature of the next gate."""

from __future__ import annotations

import math
from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.baking import cooling
from kindwhisk.core.baking.cooling import Hot
from kindwhisk.core.builds.built import Built
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.kitchen import ProbePlace
from kindwhisk.core.process.outcome import Attention, Checkpoint, Outcome
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, Heading, StepBase, in_tins
from kindwhisk.core.process.watching import ApproachWatching, Watching
from kindwhisk.core.storage import Storage
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.vessels import section
from kindwhisk.core.warmth.cooling import CoolGate, How


class CoolStep(StepBase):
    """Cool to ``above_air_k`` over the kitchen's air, ``inverted`` in the tin or free on a rack."""

    stored: ClassVar[Storage | None] = Storage.RACK
    attention: ClassVar[Attention] = Attention.NONE
    under_way_is_enough: ClassVar[bool] = True
    ends_as_read: ClassVar[bool] = True
    probe: ClassVar[ProbePlace | None] = ProbePlace.CRUMB
    reads: ClassVar[Quantity] = Quantity.CORE_TEMPERATURE

    kind: Literal["cool"] = "cool"
    inverted: bool = False
    above_air_k: float = Field(default=4, ge=1, le=60)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Heat out; the crumb firms."""
        cake = combine(intake)
        air, hot = setting.kitchen.air_c, self._hot(cake, setting)
        target = air + self.above_air_k
        duration = cooling.cooling_s(hot, target)
        time = self.time_alone(hot.how.value, duration, setting)
        band = Band(
            quantity=Quantity.CORE_TEMPERATURE,
            unit="C",
            range=Estimate(low=air - 3, likely=target - 1, high=target + 2, basis=Basis.HABIT),
            below=Side(word="cold", means="Colder than the kitchen.", can_do="Nothing to do."),
            above=Side(word="warm", means="Still soft: it tears and shrinks.", can_do="Leave it longer."),
        )
        return Outcome(
            material=cake.at(target),
            duration_s=time.made,
            modelled_s=duration.likely,
            expects=(time,),
            goal=f"{target:.0f} °C",
            do="Leave it hanging, out of draughts." if self.inverted else "On a rack, air all round.",
            why="Starch sets as it cools; until then it would sink or tear.",
            gates=self._gates(
                cooling.cool_gates(hot, setting.technique),
                time.made.likely / max(duration.likely, 1.0),
            ),
            checkpoints=(
                Checkpoint(
                    id="cool",
                    name="Cool",
                    confirms="It has cooled",
                    sees="The tin no longer feels warm anywhere.",
                    not_yet="Warm: wait.",
                    band=band,
                ),
            ),
        )

    def _hot(self, cake: Material, setting: Setting) -> Hot:
        """One of the tins or pieces with its share, as it cools."""
        tins = setting.tins
        height = tins.tin.level_mm(cake.volume_ml.likely * tins.share)
        how = How.HANGING if self.inverted else How.RACK
        return Hot(tins.tin, height, cake.mass_g * tins.share, how, setting.kitchen.air_c, cake.temperature_c)

    @staticmethod
    def _gates(gates: tuple[CoolGate, ...], factor: float) -> tuple[CoolGate, ...]:
        """With this kitchen's own pace."""
        return tuple(g.model_copy(update={"after_s": g.after_s.scaled(factor)}) for g in gates)

    def gates_from(self, before: Material, now_c: float, setting: Setting) -> tuple[CoolGate, ...]:
        """What it becomes ready for from now on, as its own thermometer tells how warm it is."""
        hot = self._hot(before, setting)
        return cooling.gates_from(hot, cooling.cool_gates(hot, setting.technique), now_c)

    def expected_reading(self, elapsed_s: float, duration_s: float, before: Material, setting: Setting) -> Heading:
        """The crumb on its way down."""
        hot, target = self._hot(before, setting), setting.kitchen.air_c + self.above_air_k
        return Heading(
            quantity=Quantity.CORE_TEMPERATURE,
            start_c=before.temperature_c,
            now_c=cooling.cooled_c(hot, target, elapsed_s / max(duration_s, 1.0)),
            target_c=target,
        )

    def watching(self, before: Material, after: Material, setting: Setting) -> Watching | None:
        """By the probe that was in its middle in the oven."""
        tau = self.effect((before,), setting).duration_s.likely / math.log(
            max(1.1, (before.temperature_c - setting.kitchen.air_c) / self.above_air_k)
        )
        return ApproachWatching(setting.kitchen.air_c, setting.kitchen.air_c + self.above_air_k, tau, None)

    def section(self, material: Material, setting: Setting) -> section.Section:
        """The cake as it hangs or stands."""
        if isinstance(material, Built):
            return section.of_build(setting.vessel_name(self.vessel), material)
        return in_tins(setting, material, inverted=self.inverted)

    def schools(self, content: Content) -> tuple[School, ...]:
        """Upside down or on a rack."""
        return () if self.inverted else (school("Cooling", "on a rack"),)
