"""A stand-in for a bowl with a probe in it: over steam, under a whisk, while hot syrup runs in, and cooling after."""

from __future__ import annotations

import math
import random
from dataclasses import dataclass, field

STEP_S = 0.25
STEEL_CP = 0.5


@dataclass(frozen=True)
class BowlPlan:
    """What is in it and what happens to it.

    ``content_kj_per_k`` is the heat of what is there at the start. A pour brings ``pour_g`` at ``pour_c`` (heat
    capacity ``pour_cp``) within ``pour_s``; ``steam_w_per_k`` is more than none over simmering water of ``steam_c``.
    """

    content_kj_per_k: float
    start_c: float = 20.0
    air_c: float = 22.0
    bowl_g: float = 1000.0
    pour_g: float = 0.0
    pour_c: float = 118.0
    pour_cp: float = 2.6
    pour_s: float = 60.0
    stream_k: float = 5.0
    steam_w_per_k: float = 0.0
    steam_c: float = 92.0
    whisked_w_per_k: float = 1.4
    touching_w_per_k: float = 9.0
    lag_s: float = 5.0
    noise_k: float = 0.25
    seed: int = 1


@dataclass
class StandInBowl:
    """The bowl as it is: advance it, read its probe."""

    plan: BowlPlan
    t_s: float = 0.0
    _rng: random.Random = field(init=False)

    def __post_init__(self) -> None:
        self._rng = random.Random(self.plan.seed)
        self.content_c = self.probe_c = self.plan.start_c
        self.steel_c = self.plan.start_c
        self.kj_per_k = self.plan.content_kj_per_k

    def advance(self, seconds: float) -> None:
        """On by so many seconds."""
        steps = max(1, round(seconds / STEP_S))
        for _ in range(steps):
            self._step(seconds / steps)

    def _step(self, dt: float) -> None:
        plan = self.plan
        if plan.pour_g > 0 and self.t_s < plan.pour_s:
            hot = plan.pour_g / 1000 * plan.pour_cp * dt / plan.pour_s
            arrives = plan.pour_c - plan.stream_k
            self.content_c = (self.kj_per_k * self.content_c + hot * arrives) / (self.kj_per_k + hot)
            self.kj_per_k += hot
        steel_kj = plan.bowl_g / 1000 * STEEL_CP
        into_steel_w = plan.touching_w_per_k * (self.content_c - self.steel_c)
        steam_w = plan.steam_w_per_k * (plan.steam_c - self.steel_c)
        lost_w = plan.whisked_w_per_k / 2 * (self.steel_c - plan.air_c)
        away_w = plan.whisked_w_per_k / 2 * (self.content_c - plan.air_c)
        self.steel_c += (into_steel_w + steam_w - lost_w) * dt / (1000 * steel_kj)
        self.content_c -= (into_steel_w + away_w) * dt / (1000 * self.kj_per_k)
        self.probe_c += (self.content_c - self.probe_c) * (1 - math.exp(-dt / plan.lag_s))
        self.t_s += dt

    def read(self) -> float:
        """What the probe says, to a tenth of a degree."""
        return round(self.probe_c + self._rng.gauss(0, self.plan.noise_k), 1)
