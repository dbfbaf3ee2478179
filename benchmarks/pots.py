"""Generated pots of syrup, read by a probe and disturbed, to set forecasts beside what really happened."""

from __future__ import annotations

import random
import statistics
from collections.abc import Iterator
from dataclasses import dataclass, replace

from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.forecast import SyrupForecast
from kindwhisk.core.sugar.syrup import at_pressure_c
from kindwhisk.core.sugar.watch import PotWatch
from kindwhisk.core.warmth.air import pressure_kpa
from kindwhisk.devices.pot import PotPlan, Span, StandInPot

TARGET_C = 118.0
LEAST_BOIL_S = 60.0
LONGEST_S = 4000.0
LINE_S = 40.0
DISTURBANCES = ("", "", "flame", "silent", "", "touching", "", "silent", "flame", "")
"""Half of the pots are left alone; what happens to the others happens before the moment that is judged."""


@dataclass(frozen=True)
class Run:
    """A pot that was boiled: its plan, the target here (C), when it was there (s), and what the probe said."""

    plan: PotPlan
    disturbed: str
    target_c: float
    there_s: float
    readings: tuple[tuple[float, float], ...]

    @property
    def pot(self) -> Pot:
        """What the baker knows of it."""
        return Pot(self.plan.sugar_g, self.plan.water_g, self.plan.pressure_kpa)

    def forecast(self, lead_s: float, *, water_known: bool = True) -> SyrupForecast:
        """What is foretold ``lead_s`` before it was there."""
        watch = PotWatch(self.pot, self.target_c, water_known=water_known)
        for t, c in self.readings:
            if t <= self.there_s - lead_s:
                watch.take(t, c)
        return watch.forecast(self.there_s - lead_s)

    def line(self, lead_s: float) -> float | None:
        """Seconds to the target by a straight line through the last temperatures."""
        now = self.there_s - lead_s
        recent = [(t, c) for t, c in self.readings if now - LINE_S <= t <= now]
        if len(recent) < 5:
            return None
        mean_t, mean_c = statistics.fmean(t for t, _ in recent), statistics.fmean(c for _, c in recent)
        slope = sum((t - mean_t) * (c - mean_c) for t, c in recent) / sum((t - mean_t) ** 2 for t, _ in recent)
        return None if slope < 1e-3 else mean_t + (self.target_c - mean_c) / slope - now


def plan(seed: int) -> PotPlan:
    """A pot of some size on some ring with some probe, in some kitchen."""
    chance = random.Random(seed)
    sugar = chance.choice([60, 100, 150, 200, 250, 300, 400, 600])
    return PotPlan(
        sugar_g=sugar,
        water_g=sugar * chance.uniform(0.25, 0.5),
        power_w=min(2200.0, chance.uniform(2.2, 6) * sugar + 250),
        efficiency=chance.uniform(0.45, 0.7),
        pressure_kpa=pressure_kpa(chance.choice([0, 0, 240, 500, 1200])),
        diameter_mm=120 + sugar / 5,
        height_mm=110,
        ring_lag_s=chance.choice([2, 8, 20]),
        wavers=chance.uniform(0.003, 0.012),
        lag_s=chance.uniform(3, 10),
        noise_k=chance.uniform(0.1, 0.6),
        curve_share=max(-1.2, min(1.2, chance.gauss(0, 0.6))),
        bottom_kj_per_k=chance.uniform(0.1, 0.3),
        seed=seed,
    )


def _there_s(of: PotPlan, target_c: float) -> float:
    pot = StandInPot(of)
    while pot.syrup_c < target_c and pot.t_s < LONGEST_S:
        pot.advance(1)
    return pot.t_s


def disturbed(of: PotPlan, what: str, before_s: float, chance: random.Random) -> PotPlan:
    """The same pot with something going wrong before ``before_s``."""
    if what == "flame":
        at = chance.uniform(0.3, 0.9) * before_s
        return replace(of, flame=((0.0, 1.0), (at, chance.choice([0.6, 0.75, 1.3]))))
    if what == "silent":
        at = chance.uniform(0.2, 0.9) * before_s
        return replace(of, silent=(Span(at, at + chance.uniform(10, 60)),))
    if what == "touching":
        at = chance.uniform(0.5, 0.95) * before_s
        return replace(of, touching=(Span(at, at + chance.uniform(5, 30)),))
    return of


def runs(number: int, lead_s: float, first_seed: int = 1000) -> Iterator[Run]:
    """Pots that took at least a minute longer than ``lead_s``, read each second."""
    for seed in range(first_seed, first_seed + number):
        calm = plan(seed)
        target = at_pressure_c(TARGET_C, calm.pressure_kpa)
        before = _there_s(calm, target) - lead_s
        if before < LEAST_BOIL_S:
            continue
        what = DISTURBANCES[seed % len(DISTURBANCES)]
        pot = StandInPot(disturbed(calm, what, before, random.Random(-seed)))
        readings = []
        while pot.syrup_c < target and pot.t_s < LONGEST_S:
            pot.advance(1)
            value = pot.read()
            if value is not None:
                readings.append((pot.t_s, value))
        if pot.t_s - lead_s >= LEAST_BOIL_S:
            yield Run(pot.plan, what, target, pot.t_s, tuple(readings))
