"""What a watched pot tells: how far it is, when it will be there, how sure that is, and what is odd about it."""

from __future__ import annotations

import math
from enum import StrEnum
from itertools import pairwise

from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.temperature import Point


class Phase(StrEnum):
    """How far a pot is."""

    UNKNOWN = "not known yet"
    HEATING = "heating"
    BOILING = "boiling"
    NEAR = "near"
    THERE = "there"
    PAST = "past"
    RESTING = "not rising"


class Flag(Value):
    """Something odd about the readings: what it looks like, and what to do."""

    id: str
    text: str
    remedy: str


TOUCHING = Flag(
    id="probe-on-the-bottom",
    text="The reading jumped up or wavers: the probe may touch the pan.",
    remedy="Lift its tip a finger's width off the bottom; until then the forecast ignores it.",
)
FLAME = Flag(
    id="flame-changed",
    text="The pot is heating at a different rate than before.",
    remedy="If the flame was changed, give it half a minute: the range is wider until then.",
)
WATER = Flag(
    id="cooled-at-once",
    text="The reading fell at once, as it does when water goes in.",
    remedy="If water was added, the forecast starts again from here; else look where the probe is.",
)
OUT = Flag(
    id="probe-out",
    text="The probe reads far below the boil: it may hang outside the syrup.",
    remedy="Put it back, its tip covered by syrup and clear of the pan.",
)
SILENT = Flag(
    id="no-reading",
    text="No reading has come for a while.",
    remedy="Check the probe; type a reading meanwhile.",
)
NO_WATER_TOLD = Flag(
    id="water-unknown",
    text="The amount of water in the pot is not known.",
    remedy="The readings show it once it boils; until then the range is wide.",
)


class SyrupForecast(Value):
    """When a pot will be at its target. Seconds are None, with ``why``, where the readings cannot tell.

    ``temperature_c`` is the syrup's own, ahead of a lagging probe. ``take_off_c`` is where to take it off the flame,
    ``seconds_to_take_off`` when; it climbs on by ``carry_over_k``.
    ``seconds_to_soon`` is when it is within two degrees. ``ahead`` are points on the way.
    """

    phase: Phase
    stage: str
    temperature_c: float | None
    rate_k_per_min: float | None
    power_w: float | None
    seconds_to_target: float | None
    low_s: float | None
    high_s: float | None
    basis: Basis = Basis.MEASURED
    seconds_to_take_off: float | None
    take_off_c: float | None
    carry_over_k: Estimate | None
    seconds_to_soon: float | None = None
    why: str
    flags: tuple[Flag, ...]
    ahead: tuple[Point, ...] = ()
    readings: int = 0

    @property
    def left_s(self) -> Estimate | None:
        """Seconds to the target with their range; None where the readings cannot tell."""
        if self.seconds_to_target is None or self.low_s is None or self.high_s is None:
            return None
        return Estimate(low=self.low_s, likely=self.seconds_to_target, high=self.high_s, basis=self.basis)

    @property
    def deviation_s(self) -> float:
        """Standard deviation of the seconds to the target."""
        if self.low_s is None or self.high_s is None:
            return math.inf
        return (self.high_s - self.low_s) / (2 * RANGE_SD)

    def celsius_in(self, seconds: float) -> float | None:
        """Where the syrup will be on its way to the target; None where that can't be told."""
        for a, b in pairwise(self.ahead):
            if seconds <= b.s:
                return a.c + (b.c - a.c) * max(0.0, seconds - a.s) / max(b.s - a.s, 1e-9)
        return self.ahead[-1].c if self.ahead else None


NOTHING_READ = SyrupForecast(
    phase=Phase.UNKNOWN,
    stage="",
    temperature_c=None,
    rate_k_per_min=None,
    power_w=None,
    seconds_to_target=None,
    low_s=None,
    high_s=None,
    seconds_to_take_off=None,
    take_off_c=None,
    carry_over_k=None,
    why="There is no reading yet.",
    flags=(),
)
"""Before the first reading."""
