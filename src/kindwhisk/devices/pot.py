"""A stand-in for a pot of syrup on a flame, with a probe in it: physics, noise and mishaps, on its own clock.

It is no mirror of the forecast: the pan has a bottom of its own that runs ahead and gives heat back, walls lose heat,
the boiling curve lies somewhere within its uncertainty, the flame wavers and the probe lags.
"""

from __future__ import annotations

import math
import random
from dataclasses import dataclass, field
from itertools import pairwise

from kindwhisk.core.sugar.boiling import boiling_curve, heat_capacity, latent_kj_per_kg
from kindwhisk.core.warmth.air import SEA_LEVEL_KPA

STEP_S = 0.25
CURVE_OFF_K: tuple[tuple[float, float], ...] = ((50, 0.12), (70, 0.25), (80, 0.45), (88, 1.0), (93, 2.2), (98, 4.0))
"""Percent of sugar, and how far off the boiling curve may be there: its uncertainty, without the steps."""
FROTH_ML_PER_W = 1.1
"""How much froth a watt of boiling raises while the syrup is thin."""


def _off_k(percent: float) -> float:
    for (p0, k0), (p1, k1) in pairwise(CURVE_OFF_K):
        if percent <= p1:
            return k0 + (k1 - k0) * max(0.0, percent - p0) / (p1 - p0)
    return CURVE_OFF_K[-1][1]


@dataclass(frozen=True)
class Span:
    """From one second to another, with a value where one is needed."""

    from_s: float
    to_s: float
    value: float = 0.0

    def holds(self, t_s: float) -> bool:
        """Whether a moment lies in it."""
        return self.from_s <= t_s < self.to_s


@dataclass(frozen=True)
class PotPlan:
    """What is on the hob, how the probe is, and what goes wrong.

    ``flame`` are (second, share of the power) from then on. ``touching`` and ``silent`` are when the probe lies on the
    bottom or says nothing; ``water`` when a spoon of water goes in. With a ``helper``, a pot that climbs to its rim is
    turned down. ``curve_share`` (-1 to 1) is where in its uncertainty the boiling curve lies.
    """

    sugar_g: float = 200.0
    water_g: float = 60.0
    power_w: float = 1200.0
    efficiency: float = 0.6
    start_c: float = 22.0
    air_c: float = 22.0
    pressure_kpa: float = SEA_LEVEL_KPA
    diameter_mm: float = 140.0
    height_mm: float = 80.0
    bottom_kj_per_k: float = 0.2
    bottom_w_per_k: float = 60.0
    wall_kj_per_k: float = 0.12
    ring_lag_s: float = 8.0
    wavers: float = 0.01
    lag_s: float = 6.0
    noise_k: float = 0.35
    curve_share: float = 0.0
    flame: tuple[tuple[float, float], ...] = ((0.0, 1.0),)
    touching: tuple[Span, ...] = ()
    silent: tuple[Span, ...] = ()
    water: tuple[Span, ...] = ()
    helper: bool = True
    seed: int = 1


@dataclass
class StandInPot:
    """The pot as it is: advance it, read its probe."""

    plan: PotPlan
    t_s: float = 0.0
    on_flame: bool = True
    spilt_g: float = 0.0
    turned_down: float = 1.0
    setting: float | None = None
    _rng: random.Random = field(init=False)
    _waver: float = field(default=0.0, init=False)

    def __post_init__(self) -> None:
        plan = self.plan
        self._rng = random.Random(plan.seed)
        self.sugar_g, self.water_g = plan.sugar_g, plan.water_g
        self.syrup_c = self.bottom_c = self.probe_c = plan.start_c
        self.ring_w = self._evaporating_w = 0.0
        self._poured: set[float] = set()

    @property
    def percent(self) -> float:
        """Sugar by mass."""
        return 100 * self.sugar_g / (self.sugar_g + self.water_g)

    @property
    def boils_at_c(self) -> float:
        """Where this syrup boils in this pot."""
        off = self.plan.curve_share * _off_k(self.percent)
        return boiling_curve(self.plan.pressure_kpa).celsius_of(self.water_g / self.sugar_g) + off

    @property
    def flame(self) -> float:
        """The share of its power that the ring is set to."""
        if not self.on_flame:
            return 0.0
        planned = [share for at, share in self.plan.flame if at <= self.t_s]
        return (self.setting if self.setting is not None else planned[-1] if planned else 0.0) * self.turned_down

    @property
    def froth_ml(self) -> float:
        """Syrup and froth; thin syrup froths most."""
        thin = max(0.0, min(1.0, (90 - self.percent) / 12))
        return self.sugar_g / 1.587 + self.water_g + FROTH_ML_PER_W * self._evaporating_w * thin

    @property
    def brim_ml(self) -> float:
        """What the pot holds."""
        return math.pi * (self.plan.diameter_mm / 2) ** 2 * self.plan.height_mm / 1000

    def turn(self, share: float) -> None:
        """Set the flame by hand, 0 to 1."""
        self.setting = max(0.0, share)
        self.turned_down = 1.0

    def pour_water(self, grams: float) -> None:
        """A spoon of cold water: the syrup falls to where the thinner one boils, or below."""
        mass = self.sugar_g + self.water_g
        cp = heat_capacity(self.percent, self.syrup_c)
        self.syrup_c = (mass * cp * self.syrup_c + grams * 4.19 * 20) / (mass * cp + grams * 4.19)
        self.water_g += grams

    def advance(self, seconds: float) -> None:
        """On by so many seconds."""
        steps = max(1, round(seconds / STEP_S))
        for _ in range(steps):
            self._step(seconds / steps)

    def _step(self, dt: float) -> None:
        plan = self.plan
        for span in plan.water:
            if span.from_s <= self.t_s and span.from_s not in self._poured:
                self._poured.add(span.from_s)
                self.pour_water(span.value)
        self._waver = 0.98 * self._waver + plan.wavers * math.sqrt(dt) * self._rng.gauss(0, 1)
        lag = plan.ring_lag_s if self.on_flame else 1e-6
        self.ring_w += (self.flame * plan.power_w * plan.efficiency * (1 + self._waver) - self.ring_w) * min(
            1.0, dt / max(lag, dt)
        )
        passed_w = plan.bottom_w_per_k * (self.bottom_c - self.syrup_c)
        self.bottom_c += (self.ring_w - passed_w) * dt / (1000 * plan.bottom_kj_per_k)
        area = math.pi * plan.diameter_mm**2 / 4 / 1e6 + math.pi * plan.diameter_mm * 25 / 1e6
        lost_w = 14 * area * (self.syrup_c - plan.air_c)
        kj = (passed_w - lost_w) * dt / 1000
        self._take_up(kj, dt)
        seen = self.syrup_c
        if any(s.holds(self.t_s) for s in plan.touching):
            seen += 0.75 * (self.bottom_c - self.syrup_c)
        self.probe_c += (seen - self.probe_c) * (1 - math.exp(-dt / plan.lag_s))
        self.t_s += dt

    def _take_up(self, kj: float, dt: float) -> None:
        """Warm, or where it boils drive off water along its curve."""
        mass = self.sugar_g + self.water_g
        cp = heat_capacity(self.percent, self.syrup_c)
        capacity = mass / 1000 * cp + self.plan.wall_kj_per_k
        boils = self.boils_at_c
        warmed = self.syrup_c + kj / capacity
        if warmed <= boils or kj <= 0:
            self.syrup_c, self._evaporating_w = warmed, 0.0
            return
        spare = kj - capacity * max(0.0, boils - self.syrup_c)
        self.syrup_c = boils
        ratio = self.water_g / self.sugar_g
        curve = boiling_curve(self.plan.pressure_kpa)
        steepness = (curve.celsius_of(ratio - 0.002) - curve.celsius_of(ratio)) / 0.002
        per_ratio = self.sugar_g / 1000 * latent_kj_per_kg(boils) + capacity * steepness
        dry = min(spare / per_ratio, 0.9 * ratio)
        self.water_g -= dry * self.sugar_g
        self.syrup_c = self.boils_at_c
        self._evaporating_w = 1000 * dry * self.sugar_g / 1000 * latent_kj_per_kg(boils) / dt
        if self.froth_ml > self.brim_ml:
            self.spilt_g += 2.0 * dt
            kept = 1 - 2.0 * dt / mass
            self.sugar_g, self.water_g = self.sugar_g * kept, self.water_g * kept
            if self.plan.helper:
                self.turned_down = 0.6

    def read(self) -> float | None:
        """What the probe says, to a tenth of a degree; None while it is silent."""
        if any(s.holds(self.t_s) for s in self.plan.silent):
            return None
        noise = self.plan.noise_k * (4 if any(s.holds(self.t_s) for s in self.plan.touching) else 1)
        return round(self.probe_c + self._rng.gauss(0, noise), 1)
