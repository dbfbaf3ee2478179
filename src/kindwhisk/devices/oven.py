"""A stand-in for an oven and for a cake in it, each with a probe: a thermostat that cycles, a door, a cold load.

The oven is no mirror of the forecast's: its thermostat is off by an offset and switches with a slack, its air and its
walls have heat of their own, and the cake takes its share. The cake is reckoned finely, with a crumb that conducts,
evaporates and holds water a little differently than supposed, and its probe sits a little aside.
"""

from __future__ import annotations

import math
import random
from dataclasses import dataclass, field, replace

from kindwhisk.core.baking.carry_over import ON_THE_RACK
from kindwhisk.core.baking.course import InOven, crumb_of, faces_of, mesh_of
from kindwhisk.core.baking.heat import Bake

OVEN_STEP_S, CAKE_STEP_S = 1.0, 5.0
LOADING_DOOR_S = 8.0
LAYERS, RINGS = 10, 7
AIR_SHARE = 0.75
"""What a cake feels of the air, and of the cooler walls the rest."""


@dataclass(frozen=True)
class OvenPlan:
    """An oven: heat of its air with racks and of its walls (kJ/K), its element, what it loses, its thermostat.

    ``offset_k`` is how much hotter it is than its dial says, ``slack_k`` how far it swings before it switches.
    """

    power_w: float = 2100.0
    air_kj_per_k: float = 2.2
    wall_kj_per_k: float = 11.0
    to_walls_w_per_k: float = 45.0
    loses_w_per_k: float = 6.0
    door_w_per_k: float = 75.0
    offset_k: float = -8.0
    slack_k: float = 7.0
    kitchen_c: float = 22.0
    lag_s: float = 18.0
    noise_k: float = 0.3
    seed: int = 1


@dataclass
class StandInOven:
    """The oven as it is: set its dial, open its door, put a cake in, advance it, read its probe."""

    plan: OvenPlan
    dial_c: float | None = None
    t_s: float = 0.0
    door_until_s: float = 0.0
    heating: bool = False
    cakes: list[StandInCake] = field(default_factory=list)
    _rng: random.Random = field(init=False)

    def __post_init__(self) -> None:
        self._rng = random.Random(self.plan.seed)
        self.air_c = self.wall_c = self.probe_c = self.plan.kitchen_c

    @property
    def door_open(self) -> bool:
        """Whether the door stands open."""
        return self.t_s < self.door_until_s

    @property
    def felt_c(self) -> float:
        """What a cake in it feels, of air and walls."""
        return AIR_SHARE * self.air_c + (1 - AIR_SHARE) * self.wall_c

    def open_door(self, seconds: float) -> None:
        """For a while, from now."""
        self.door_until_s = self.t_s + seconds

    def advance(self, seconds: float) -> None:
        """On by so many seconds, with what bakes in it."""
        steps = max(1, round(seconds / OVEN_STEP_S))
        for _ in range(steps):
            self._step(seconds / steps)

    def _step(self, dt: float) -> None:
        plan = self.plan
        if self.dial_c is None:
            self.heating = False
        else:
            seen = self.air_c - plan.offset_k
            if seen < self.dial_c - plan.slack_k:
                self.heating = True
            elif seen > self.dial_c + plan.slack_k:
                self.heating = False
        taken_w = sum(cake.takes_w for cake in self.cakes)
        to_walls = plan.to_walls_w_per_k * (self.air_c - self.wall_c)
        lost = plan.door_w_per_k * (self.air_c - plan.kitchen_c) if self.door_open else 0.0
        gained = plan.power_w if self.heating else 0.0
        self.air_c += (gained - to_walls - lost - taken_w / 2) * dt / (1000 * plan.air_kj_per_k)
        outward = plan.loses_w_per_k * (self.wall_c - plan.kitchen_c)
        self.wall_c += (to_walls - outward - taken_w / 2) * dt / (1000 * plan.wall_kj_per_k)
        self.air_c = max(plan.kitchen_c - 1, self.air_c)
        self.probe_c += (self.air_c - self.probe_c) * (1 - math.exp(-dt / plan.lag_s))
        self.t_s += dt
        for cake in self.cakes:
            cake.bake_on(dt, self.felt_c)

    def read(self) -> float:
        """What its probe says, to a tenth of a degree."""
        return round(self.probe_c + self._rng.gauss(0, self.plan.noise_k), 1)


@dataclass
class StandInCake:
    """A cake with a probe in its middle, in an oven or on the rack; ``count`` of them stand beside each other."""

    content: InOven
    count: float = 1.0
    seed: int = 1
    aside: float | None = None
    noise_k: float = 0.3
    t_s: float = 0.0
    takes_w: float = 0.0
    _rng: random.Random = field(init=False)
    _owed_s: float = field(default=0.0, init=False)

    def __post_init__(self) -> None:
        rng = self._rng = random.Random(self.seed)
        crumb = crumb_of(self.content)
        own = replace(
            crumb,
            conducts_w_per_mk=crumb.conducts_w_per_mk * rng.uniform(0.9, 1.1),
            water=min(0.9, crumb.water * rng.uniform(0.92, 1.08)),
            density=crumb.density * rng.uniform(0.97, 1.03),
        )
        self.aside = rng.choice((0.0, 0.04, 0.1)) if self.aside is None else self.aside
        self.bake = Bake(own, mesh_of(self.content, LAYERS, RINGS), faces_of(self.content))

    def bake_on(self, seconds: float, oven_c: float) -> None:
        """On by a step of the oven around it; its own steps are longer."""
        self._owed_s += seconds
        self.t_s += seconds
        if self._owed_s < CAKE_STEP_S:
            return
        before = self.bake.taken_j
        self.bake.advance(self._owed_s, oven_c)
        self.takes_w = self.count * (self.bake.taken_j - before) / self._owed_s
        self._owed_s = 0.0

    def take_out(self) -> None:
        """Onto the rack."""
        self.bake.move_to(ON_THE_RACK)

    @property
    def core_c(self) -> float:
        """Its coldest point."""
        return self.bake.coldest_c

    def read(self) -> float:
        """What the probe in its middle says, to a tenth of a degree."""
        layer = self.bake.mesh.shape[0] // 2
        edge = float(self.bake.celsius[layer, -1])
        there = self.core_c + (self.aside or 0.0) * (edge - self.core_c)
        return round(there + self._rng.gauss(0, self.noise_k), 1)
