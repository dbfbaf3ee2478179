"""Preheat: the oven before the batter. Put in by the product wherever something is baked."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.kitchen import ProbePlace
from kindwhisk.core.ovens import air
from kindwhisk.core.ovens.place import Rack
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Attention, Checkpoint, Outcome, Resource
from kindwhisk.core.process.oven_watching import PreheatWatching
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Heading, StepBase
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate

TOLERANCE_K = 8.0
RACKS = {Rack.TOP: "rack near the top", Rack.MIDDLE: "rack in the middle", Rack.BOTTOM: "rack near the bottom"}


class PreheatStep(StepBase):
    """Bring the oven to ``oven_c``."""

    craft: ClassVar[Craft] = Craft.OVEN
    attention: ClassVar[Attention] = Attention.NONE
    under_way_is_enough: ClassVar[bool] = True
    uses: ClassVar[tuple[Resource, ...]] = (Resource.OVEN,)
    probe: ClassVar[ProbePlace | None] = ProbePlace.OVEN
    reads: ClassVar[Quantity] = Quantity.OVEN_TEMPERATURE

    by_itself: ClassVar[bool] = True

    kind: Literal["preheat"] = "preheat"
    oven_c: float = Field(ge=60, le=300)
    rack: Rack = Rack.MIDDLE

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """An oven holds no material; it only takes time."""
        own = setting.oven
        dial = self.oven_c - setting.oven_offset_k(self.rack)
        duration = air.preheat_s(setting.kitchen.air_c, self.oven_c, setting.oven_rise_k_per_min)
        time = self.time_alone(f"preheat {own.id}", duration, setting)
        return Outcome(
            material=Material(),
            duration_s=time.made,
            modelled_s=duration.likely,
            expects=(time,),
            goal=f"{own.name} on, {dial:.0f} °C",
            do=f"Set {own.name} to {dial:.0f} °C, {own.mode.value}; {RACKS[self.rack]}.",
            why="A batter that waits for the oven loses its air.",
            first_look_s=duration.low,
            checkpoints=(
                Checkpoint(
                    id="hot",
                    name="Oven holds",
                    confirms="The oven holds",
                    sees=f"The oven thermometer shows {self.oven_c:.0f} °C and stays.",
                    not_yet="The lamp went out, but the walls are still cold: two minutes more.",
                    band=Band(
                        quantity=Quantity.OVEN_TEMPERATURE,
                        unit="C",
                        range=Estimate(
                            low=self.oven_c - TOLERANCE_K,
                            likely=self.oven_c,
                            high=self.oven_c + TOLERANCE_K,
                            basis=Basis.FORMULA,
                        ),
                        below=Side(word="not there", means="Too cool to set the foam.", can_do="Wait, read again."),
                        above=Side(
                            word="too hot",
                            means="It will dome, crack and brown.",
                            can_do="Dial down, door open a hand.",
                        ),
                    ),
                ),
            ),
        )

    def expected_reading(self, elapsed_s: float, duration_s: float, before: Material, setting: Setting) -> Heading:
        """The oven's air."""
        start = setting.kitchen.air_c
        now = air.expected_c(elapsed_s, start, self.oven_c, setting.oven_rise_k_per_min)
        return Heading(quantity=Quantity.OVEN_TEMPERATURE, start_c=start, now_c=now, target_c=self.oven_c)

    def watching(self, before: Material, after: Material, setting: Setting) -> PreheatWatching:
        """By the oven's own probe."""
        return PreheatWatching(self.oven_c, setting.oven_rise_k_per_min)
