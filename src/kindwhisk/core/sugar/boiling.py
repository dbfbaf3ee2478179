"""A pot of syrup on the flame, in the coordinate in which it runs straight: heat taken up.

Per kilogram of sugar, ``dH = Lv(-dr) + (1 + r) cp dT`` with ``r`` water to sugar. Source: energy balance; heat capacity
of sucrose solutions and latent heat by linear formulas, recalled.
"""

from __future__ import annotations

import math
from bisect import bisect_left
from dataclasses import dataclass
from functools import cached_property, lru_cache

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.sugar import syrup
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.solving import rising_root
from kindwhisk.core.warmth.air import SEA_LEVEL_KPA

NET_POWER_W = (350.0, 550.0, 850.0)
"""What reaches a small pot of syrup on a household ring. Trade habit; the readings tell it within a minute."""
NET_SHARE = 0.6
"""Share of a ring's rated power that reaches the syrup, half as much again either way. Trade habit."""
WATER_PER_SUGAR = 0.3
"""Water to begin with, a gram of sugar: enough to dissolve it before it boils. Trade habit."""
PAN_KJ_PER_K = 0.30
"""Heat that a small steel pot and the probe in it take, per kelvin. Recalled."""
STORED_S = 14.0
COOLS_AWAY_KJ = 2.4
"""Off the flame the pot's bottom passes on about so many seconds of net power, less what is lost meanwhile; fitted to
the pot reference model, right to a factor of two, and different for every pan."""
HOTTEST_C = 175.0
SHARES = tuple(50 + 0.25 * i for i in range(199))
"""Percentages of sugar at which the boiling curve is laid down."""


def heat_capacity(percent: float, celsius: float) -> float:
    """Of a sucrose solution of a purity of 1, in kJ/(kg K)."""
    return 4.1868 - 0.0297 * percent + 0.0046 * percent + 7.5e-5 * percent * celsius


def latent_kj_per_kg(celsius: float) -> float:
    """Heat of evaporation of water."""
    return 2501 - 2.361 * celsius


@dataclass(frozen=True)
class BoilingCurve:
    """Temperature, water to sugar and heat taken up (kJ a kg of sugar), rising together along the boil."""

    celsius: tuple[float, ...]
    ratio: tuple[float, ...]
    heat_kj: tuple[float, ...]

    def ratio_at(self, celsius: float) -> float:
        """Water to sugar where it boils at this temperature."""
        return _between(self.celsius, self.ratio, celsius)

    def heat_at(self, celsius: float) -> float:
        """Heat taken up by then, kJ a kg of sugar, from an arbitrary zero."""
        return _between(self.celsius, self.heat_kj, celsius)

    def celsius_at(self, heat_kj: float) -> float:
        """The temperature at that heat."""
        return _between(self.heat_kj, self.celsius, heat_kj)

    def celsius_of(self, ratio: float) -> float:
        """Where a syrup of so much water to sugar begins to boil."""
        return _between(tuple(-r for r in self.ratio), self.celsius, -ratio)


def _between(xs: tuple[float, ...], ys: tuple[float, ...], x: float) -> float:
    """Linear between rising ``xs``, and on at the ends with their slope."""
    i = min(max(bisect_left(xs, x), 1), len(xs) - 1)
    share = (x - xs[i - 1]) / (xs[i] - xs[i - 1])
    return ys[i - 1] + share * (ys[i] - ys[i - 1])


@lru_cache(maxsize=64)
def boiling_curve(pressure_kpa: float = SEA_LEVEL_KPA, rise_factor: float = 1.0) -> BoilingCurve:
    """The curve of a syrup by itself at a pressure (kPa), for sugars of a rise factor; from half sugar up.

    ``dH = L(T) (-dr) + (1 + r) c(x, T) dT`` per kilogram of sugar, summed by the trapezoid from 50 % (H = 0): r is
    water to sugar, x percent of sugar, L in kJ/kg, c in kJ/(kg K).

    Source: energy balance; L and c by linear formulas, recalled; T(x) by :func:`syrup.boiling_c`.
    """
    celsius = [syrup.boiling_c(p, pressure_kpa, rise_factor) for p in SHARES]
    ratio = [(100 - p) / p for p in SHARES]
    heat = [0.0]
    for i in range(1, len(SHARES)):
        middle = (celsius[i] + celsius[i - 1]) / 2
        dry = ratio[i - 1] - ratio[i]
        wet = 1 + (ratio[i] + ratio[i - 1]) / 2
        heat.append(
            heat[-1]
            + latent_kj_per_kg(middle) * dry
            + wet * heat_capacity(SHARES[i], middle) * (celsius[i] - celsius[i - 1])
        )
    return BoilingCurve(tuple(celsius), tuple(ratio), tuple(heat))


@lru_cache(maxsize=512)
def _curve_read(pressure_kpa: float, rise_factor: float, reads_off_k: float, pan_kj_per_k_kg: float) -> BoilingCurve:
    """:func:`boiling_curve` as a thermometer reads it, with what the pan takes for each kilogram of sugar."""
    alone = boiling_curve(pressure_kpa, rise_factor)
    heat = (h + pan_kj_per_k_kg * (c - alone.celsius[0]) for h, c in zip(alone.heat_kj, alone.celsius, strict=True))
    return BoilingCurve(tuple(c + reads_off_k for c in alone.celsius), alone.ratio, tuple(heat))


@dataclass(frozen=True)
class Pot:
    """Sugar and water in a pot at a pressure, as a thermometer reads it.

    ``sugar_g`` is dry sugar; ``pan_kj_per_k`` what pan and probe take, all the way up; ``reads_off_k`` what the
    thermometer reads above what is (K).
    """

    sugar_g: float
    water_g: float
    pressure_kpa: float = SEA_LEVEL_KPA
    rise_factor: float = 1.0
    pan_kj_per_k: float = PAN_KJ_PER_K
    reads_off_k: float = 0.0

    @cached_property
    def curve(self) -> BoilingCurve:
        """Its boiling curve; heat is that of syrup and pan together, for a kilogram of sugar."""
        pan = round(1000 * self.pan_kj_per_k / self.sugar_g, 6)
        return _curve_read(self.pressure_kpa, self.rise_factor, self.reads_off_k, pan)

    @cached_property
    def boils_from_c(self) -> float:
        """Where it begins to boil with all of its water."""
        return self.curve.celsius_of(self.water_g / self.sugar_g)

    @cached_property
    def warming_kj_per_k(self) -> float:
        """Heat a kelvin before it boils, pot included."""
        percent = 100 * self.sugar_g / (self.sugar_g + self.water_g)
        return (self.sugar_g + self.water_g) / 1000 * heat_capacity(percent, 65) + self.pan_kj_per_k

    def boil_kj(self, target_c: float) -> float:
        """Heat from the first bubbles to the target."""
        return _boil_kj(self, target_c)

    def heat_left_kj(self, now_c: float, target_c: float) -> float:
        """Heat from ``now_c`` to ``target_c``; less than none where it is past."""
        kg, begins = self.sugar_g / 1000, self.boils_from_c
        if now_c >= begins:
            return kg * (self.curve.heat_at(target_c) - self.curve.heat_at(now_c))
        boil = self.boil_kj(target_c)
        return boil + self.warming_kj_per_k * (min(begins, target_c) - now_c)

    def celsius_at(self, left_kj: float, target_c: float) -> float:
        """The temperature at which so much heat is left to the target; the inverse of :meth:`heat_left_kj`."""
        kg, begins, boil = self.sugar_g / 1000, self.boils_from_c, self.boil_kj(target_c)
        if left_kj <= boil:
            return self.curve.celsius_at(self.curve.heat_at(max(target_c, begins)) - left_kj / kg)
        return min(begins, target_c) - (left_kj - boil) / self.warming_kj_per_k

    def water_off_g(self, target_c: float) -> float:
        """Water that has to leave; none where too little is in it."""
        return max(0.0, self.water_g - self.sugar_g * self.curve.ratio_at(target_c))

    def spoon_kj(self, water_g: float, at_c: float) -> float:
        """What a spoon of cold water costs: heating and driving it off again."""
        return water_g / 1000 * (4.2 * max(0.0, at_c - 20) + latent_kj_per_kg(at_c))


def pot_of(content: Material, pressure_kpa: float) -> Pot:
    """The pot with this in it: all of its sugars, its water, and how the kinds of sugar shift where it boils."""
    composition = content.composition
    return Pot(
        sugar_g=max(composition.sugars * content.mass_g, 1.0),
        water_g=max(composition.water * content.mass_g, 0.01),
        pressure_kpa=pressure_kpa,
        rise_factor=round(syrup.rise_factor(content).likely, 3),
    )


@lru_cache(maxsize=512)
def _boil_kj(pot: Pot, target_c: float) -> float:
    heat = pot.curve.heat_at(target_c) - pot.curve.heat_at(pot.boils_from_c)
    return max(0.0, pot.sugar_g / 1000 * heat)


def check_pot(sugar_g: float, target_c: float, pressure_kpa: float) -> None:
    """Let a pot pass that can be boiled.

    Raises:
        CraftError: there is no sugar, or no syrup boils at the target here.
    """
    if sugar_g <= 0:
        raise CraftError("There is no sugar in the pot.", field="sugar_g", remedy="Give the grams of sugar.")
    curve = boiling_curve(pressure_kpa)
    if not curve.celsius[0] < target_c < curve.celsius[-1]:
        raise CraftError(
            f"No syrup boils at {target_c:.0f} °C here.",
            field="target_c",
            remedy=f"Choose a target between {curve.celsius[0]:.0f} and {curve.celsius[-1]:.0f} °C.",
        )


def seconds(pot: Pot, start_c: float, target_c: float, power_w: float | None = None) -> Estimate:
    """Seconds from ``start_c`` to the target: heat over net power.

    ``power_w`` is a ring's rated power, of which 0.6 reaches the syrup, half as much again either way; without it, 350
    to 850 W net. Source: energy balance; powers trade habit.
    """
    low, likely, high = NET_POWER_W
    if power_w is not None:
        likely = power_w * NET_SHARE
        low, high = likely / 1.5, min(power_w, likely * 1.5)
    heat = max(0.0, pot.heat_left_kj(start_c, target_c))
    return Estimate(low=1000 * heat / high, likely=1000 * heat / likely, high=1000 * heat / low, basis=Basis.HABIT)


def carry_over_k(pot: Pot, at_c: float, power_w: float) -> Estimate:
    """How far it climbs after it was taken off the flame, in K.

    The pot's bottom gives up ``Q = 14 s x P - 2.4 kJ`` (half and twice that as its range), which goes up the boiling
    curve: ``T(H(T_0) + Q/m) - T_0``.

    Args:
        pot: what is in it.
        at_c: C of the syrup as it comes off.
        power_w: net power that it had, W.

    Source: energy balance; Q fitted to the pot reference model, right to a factor of two.
    """

    def climb(share: float) -> float:
        heat = max(0.0, STORED_S * power_w / 1000 - COOLS_AWAY_KJ) * share
        after = pot.curve.celsius_at(pot.curve.heat_at(at_c) + heat / (pot.sugar_g / 1000))
        return max(0.0, after - at_c)

    return Estimate(low=climb(0.5), likely=climb(1.0), high=climb(2.0), basis=Basis.MODEL)


def take_off_c(pot: Pot, target_c: float, power_w: float) -> float:
    """Where to take it off so that it climbs to the target by itself."""
    return rising_root(
        lambda c: c + carry_over_k(pot, c, power_w).likely - target_c, target_c - 12, target_c, within=1e-4
    )


def enough_water_g(sugar_g: float) -> float:
    """Water to begin with for so much sugar."""
    return WATER_PER_SUGAR * sugar_g


def foaming_ml(sugar_g: float, water_g: float) -> float:
    """Millilitres that the pot should hold: a boiling syrup froths to about three times its volume. Trade habit."""
    return 3 * (sugar_g / 1.587 + water_g)


def net_power_range_w() -> tuple[float, float]:
    """The middle of what reaches a pot, and its standard deviation, for a ring that nobody named."""
    low, likely, high = NET_POWER_W
    return likely, likely * math.log(high / low) / (2 * RANGE_SD)
