"""The oven's air over a bake: hot or not yet, cooled by a door and a cold load, and back again."""

from __future__ import annotations

import math
from collections.abc import Callable

from pydantic import Field

from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

SETTLE_S = 120.0
"""Walls and racks follow the air by about two minutes. Trade habit."""
DOOR_TAKES, DOOR_S = 0.40, 18.0
"""An open door takes this share of what the oven is warmer than the kitchen, within about so many seconds. Fitted to
the bake reference model: 10 s cost a 34-minute bake 0.4 minutes, 30 s a whole one."""
RECOVERS_S = 170.0
"""An oven closes the gap by a factor e in so many seconds, unless its own are known. Trade habit."""
LOAD_K_PER_KG, LOAD_LASTS, LOAD_TAKES = 12.0, 1.5, 0.6
"""A kilogram of cold batter in its tin takes so many kelvin, which come back more slowly; never more than this share of
what the oven is warmer than the kitchen. Trade habit."""
LOADING_S = 8.0
"""How long the door is open while a tin goes in."""

BAKES_FROM_C, BAKES_TO_C = 45.0, 320.0
"""What an oven can hold that bakes or dries: beyond it the oven is off, or its probe lies elsewhere. Chosen."""


def bakes(celsius: float) -> bool:
    """Whether an oven that bakes can hold this."""
    return BAKES_FROM_C <= celsius <= BAKES_TO_C


class Opening(Value):
    """The door open for a while, seconds after the bake went in."""

    at_s: float = Field(ge=0, le=172_800)
    seconds: float = Field(default=10, gt=0, le=600)


class OvenAir(Value):
    """What the oven does while something bakes in it: temperatures in C at its place.

    ``starts_c`` is what it was at when the bake went in (None: at ``holds_c``); a colder one rises by
    ``rise_k_per_min``. ``load_kg`` is what goes in cold.
    """

    holds_c: float = Field(ge=40, le=BAKES_TO_C)
    starts_c: float | None = Field(default=None, ge=0, le=BAKES_TO_C)
    rise_k_per_min: float = Field(default=8, gt=0.5, le=60)
    recovers_s: float = Field(default=RECOVERS_S, ge=20, le=1800)
    load_kg: float = Field(default=0, ge=0, le=100)
    kitchen_c: float = Field(default=22, ge=0, le=45)
    openings: tuple[Opening, ...] = Field(default=(), max_length=20)

    def course(self) -> Callable[[float], float]:
        """C at the place of the bake, as a function of the seconds since it went in.

        ``T(t) = T_held(t) - sum k_i exp(-(t - t_i)/tau_i)`` over the cold load and every opening of the door: T_held
        rises straight up to the setting or falls to it; a door takes ``k = 0.40 (1 - exp(-s/18)) (T - T_kitchen)``, a
        load 12 K a kilogram, at most 0.6 of the difference. Never below the kitchen's air.

        Source: first-order recovery, fitted to the bake reference model (door); trade habit (load).
        """
        starts, rise = self.holds_c if self.starts_c is None else self.starts_c, self.rise_k_per_min / 60

        def undisturbed(t_s: float) -> float:
            if starts < self.holds_c:
                return min(self.holds_c, starts + rise * t_s)
            return self.holds_c + (starts - self.holds_c) * math.exp(-t_s / (2 * self.recovers_s))

        def taken_k(door: Opening) -> float:
            warmer = max(0.0, undisturbed(door.at_s) - self.kitchen_c)
            return warmer * DOOR_TAKES * (1 - math.exp(-door.seconds / DOOR_S))

        at_first = max(0.0, starts - self.kitchen_c)
        load_k = min(LOAD_K_PER_KG * self.load_kg, LOAD_TAKES * at_first)
        dips = [(0.0, self.recovers_s * LOAD_LASTS, load_k)]
        doors = (Opening(at_s=0, seconds=LOADING_S), *self.openings)
        dips += [(door.at_s, self.recovers_s, taken_k(door)) for door in doors]

        def celsius(t_s: float) -> float:
            gone = sum(k * math.exp(-(t_s - at) / tau) for at, tau, k in dips if t_s >= at)
            return max(self.kitchen_c, undisturbed(t_s) - gone)

        return celsius


def preheat_s(from_c: float, to_c: float, rise_k_per_min: float) -> Estimate:
    """Seconds from ``from_c`` until the oven holds ``to_c``; ``rise_k_per_min`` is the oven's own (about 8)."""
    warm = max(0.0, to_c - from_c) / rise_k_per_min * 60
    return Estimate.around(warm + SETTLE_S, 0.25, Basis.HABIT)


def expected_c(elapsed_s: float, from_c: float, to_c: float, rise_k_per_min: float) -> float:
    """Oven temperature ``elapsed_s`` after it was switched on: a straight line up to the setting."""
    return min(max(from_c, to_c), from_c + rise_k_per_min * elapsed_s / 60)
