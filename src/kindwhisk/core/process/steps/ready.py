"""Ready: a ganache, curd, mousse or glaze is left, or stirred, until it is right for what it is for."""

from __future__ import annotations

import math
from typing import ClassVar, Literal

from kindwhisk.core.builds.built import whole
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.kitchen import ProbePlace
from kindwhisk.core.process.outcome import Attention, Checkpoint, Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Heading, StepBase
from kindwhisk.core.process.steps.building import cold_cautions
from kindwhisk.core.process.watching import ApproachWatching
from kindwhisk.core.readiness.lasting import lasts_s
from kindwhisk.core.readiness.ready import WINDOWS
from kindwhisk.core.readiness.recognise import content_of, name_of
from kindwhisk.core.readiness.window import BOWL_PER_MINUTE, STIRRED, Purpose, Window, minutes_to, window_for
from kindwhisk.core.values.bands import Band, Quantity, Side
from kindwhisk.core.values.estimate import Basis, Estimate

AT_ONCE = Estimate(low=20, likely=60, high=180, basis=Basis.HABIT)
WATER_C, WARM_BATH_C = 10.0, 45.0
"""What it stands in when it is stirred: cold tap water, or a warm bath. Trade habit."""
INTO = 0.35
"""It counts as ready so far into its window, from the side that it comes from. Chosen."""


class ReadyStep(StepBase):
    """Bring a content to where it is right to ``use``: left standing, or ``stirred`` over cold or warm water."""

    attention: ClassVar[Attention] = Attention.NONE
    under_way_is_enough: ClassVar[bool] = True
    ends_as_read: ClassVar[bool] = True
    probe: ClassVar[ProbePlace | None] = ProbePlace.BOWL

    kind: Literal["ready"] = "ready"
    use: Purpose = Purpose.SPREAD
    stirred: bool = False

    def _window(self, material: Material) -> tuple[Purpose, Window] | None:
        content = content_of(material)
        return None if content is None else window_for(WINDOWS[content], self.use)

    def _target_c(self, material: Material, window: Window) -> float:
        width = INTO * (window.high_c - window.low_c)
        if material.temperature_c > window.high_c:
            return window.high_c - width
        return window.low_c + width if material.temperature_c < window.low_c else material.temperature_c

    def _around_c(self, material: Material, target_c: float, setting: Setting) -> float:
        air = setting.kitchen.air_c
        if not self.stirred:
            return air
        return WARM_BATH_C if target_c > material.temperature_c else WATER_C

    @property
    def takes_for(self) -> Purpose | None:
        """What it takes a content for."""
        return self.use

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """At the temperature at which it is right; how long that takes."""
        content = whole(intake)
        found = self._window(content)
        if found is None:
            return Outcome(
                material=content,
                duration_s=AT_ONCE,
                goal="Ready",
                do="Until it is as it is wanted.",
                notices=(
                    Notice(
                        level="note",
                        text="No window is known of what comes in.",
                        remedy="Look at it, and rest it for as long as you know that it takes.",
                    ),
                ),
            )
        use, window = found
        name = name_of(content)
        target = self._target_c(content, window)
        around = self._around_c(content, target, setting)
        minutes = minutes_to(content.temperature_c, target, around)
        there = math.isclose(target, content.temperature_c)
        never = not there and minutes is None
        duration = AT_ONCE if minutes is None else minutes.scaled(60 / (STIRRED if self.stirred else 1))
        time = self.time_alone(f"{name} to {use.value}", duration, setting)
        material = content if never else content.at(target)
        colder = content.temperature_c > target
        way = (
            "Over cold water, stirred all the time"
            if self.stirred and colder
            else ("Over barely warm water, stirred" if self.stirred else "Covered, stirred now and then")
        )
        return Outcome(
            material=material,
            duration_s=time.made,
            modelled_s=duration.likely,
            expects=(time,),
            goal=f"{window.low_c:.0f} to {window.high_c:.0f} °C",
            do=f"{way}, until it is right to {use.value}.",
            why=window.warmer.says if colder else window.colder.says,
            hold_s=lasts_s(material, use, setting.kitchen.air_c),
            hold_why=f"The {name} is right to {use.value} from {window.low_c:.0f} to {window.high_c:.0f} °C only.",
            checkpoints=(self._checkpoint(name, use, window),),
            cautions=cold_cautions(intake, setting),
            notices=(
                Notice(
                    level="risk",
                    text=f"In {setting.kitchen.air_c:.0f} °C of air it does not come to {target:.0f} °C by itself.",
                    remedy=window.warmer.do if colder else window.colder.do,
                ),
            )
            if never
            else (),
        )

    @staticmethod
    def _checkpoint(name: str, use: Purpose, window: Window) -> Checkpoint:
        band = Band(
            quantity=Quantity.CONTENT_TEMPERATURE,
            unit="C",
            range=Estimate(
                low=window.low_c, likely=(window.low_c + window.high_c) / 2, high=window.high_c, basis=Basis.HABIT
            ),
            below=Side(word="cold", means=window.colder.says, can_do=f"{window.colder.do} {window.colder.rescue}"),
            above=Side(word="warm", means=window.warmer.says, can_do=f"{window.warmer.do} {window.warmer.rescue}"),
        )
        return Checkpoint(
            id="ready",
            name=f"Right to {use.value}",
            confirms=f"Right to {use.value}",
            sees=f"The {name} is at {window.low_c:.0f} to {window.high_c:.0f} °C.",
            not_yet=window.warmer.says,
            too_far=window.colder.says,
            band=band,
        )

    def expected_reading(
        self, elapsed_s: float, duration_s: float, before: Material, setting: Setting
    ) -> Heading | None:
        """On its way to its window."""
        found = self._window(before)
        if found is None:
            return None
        target = self._target_c(before, found[1])
        around = self._around_c(before, target, setting)
        start = before.temperature_c
        if math.isclose(start, target) or (target - around) / (start - around or 1.0) <= 0:
            return None
        share = min(1.0, elapsed_s / max(duration_s, 1.0))
        now = around + (start - around) * ((target - around) / (start - around)) ** share
        return Heading(quantity=Quantity.CONTENT_TEMPERATURE, start_c=start, now_c=float(now), target_c=target)

    def watching(self, before: Material, after: Material, setting: Setting) -> ApproachWatching | None:
        """The bowl on its way to its window, followed by its probe."""
        found = self._window(before)
        if found is None:
            return None
        target = self._target_c(before, found[1])
        around = self._around_c(before, target, setting)
        if math.isclose(before.temperature_c, target) or (target - around) * (before.temperature_c - around) <= 0:
            return None
        pace = -math.log(1 - BOWL_PER_MINUTE[1]) * (STIRRED if self.stirred else 1)
        return ApproachWatching(around, target, 60 / pace, None)
