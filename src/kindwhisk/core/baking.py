"""Baking times and the crumb's temperature, carried over from a formula's own reference bake.

A foam batter's time goes with its volume per heated area to a power a little above one. The reference bake
carries the oven, the tin and the recipe; only differences from it are modelled, and the range grows with them.
"""

from __future__ import annotations

import math
from enum import StrEnum

from pydantic import Field

from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.model import Value
from kindwhisk.core.tins.shapes import Tin


class OvenMode(StrEnum):
    """How an oven moves its heat."""

    STATIC = "static"
    FAN = "fan"


class Sets(StrEnum):
    """What a bake makes of a batter."""

    CRUMB = "crumb"
    SHELL = "shell"
    DRY = "dried through"


THICKNESS_POWER = 1.2
"""Fitted to a reference model's times: round tins of 15, 20, 24 cm and fills of 25 to 60 mm, within 10 %."""
PER_KELVIN = 0.0067
"""Ten kelvin hotter takes 6 % off, ten cooler adds 7 %. A reference model's values."""
FAN_FACTOR = 0.794
"""Fan against static at the same temperature. A reference model's value."""
THINNEST_MM = 0.1
"""A content thinner than this counts as this thick, so that a nearly empty tin still has a time."""
OWN_SPREAD = 0.10
DONE_C = 96.0
FRONT_C = 100.0
LAG_FACTOR = 1.27
"""First term of the conduction series between a slab and a cylinder (4/pi to 1.6), taken at the slab."""
SOONEST, LATEST = 1 / 1.5, 2.5
"""How far a single core reading may move the end, times the expected range. A crumb far too hot is a probe on the
tin; one too cold may well be a cold oven. Chosen, not measured."""
FIRST_LOOK = 0.82
"""First look at this share of the low end's time to the likely one. Trade habit."""


CRUMB_STAGES: tuple[tuple[float, str], ...] = ((62.0, "egg sets"), (75.0, "starch swells"), (86.0, "crumb holds"))
"""What happens in a crumb on its way up, in C. Recalled: each comes over a range of five degrees or so."""


class ReferenceBake(Value):
    """The bake that a formula's time was measured on."""

    tin: Tin
    fill_mm: float = Field(gt=0.1, le=1000)
    oven_c: float = Field(ge=40, le=320)
    mode: OvenMode
    minutes: float = Field(gt=0.1, le=2880)


def thickness_mm(tin: Tin, fill_mm: float) -> float:
    """Volume per heated area of a content this high, in mm."""
    thin = max(fill_mm, THINNEST_MM)
    return tin.volume_ml(thin) * 1000 / tin.heated_area_mm2(thin)


def bake_s(reference: ReferenceBake, tin: Tin, fill_mm: float, oven_c: float, mode: OvenMode) -> Estimate:
    """Seconds in the oven for this tin, fill, temperature and mode.

    Exact at the reference; the spread is a tenth there and grows with the distance from it.
    """
    size = math.log(thickness_mm(tin, fill_mm) / thickness_mm(reference.tin, reference.fill_mm))
    heat = oven_c - reference.oven_c
    fan = (mode == OvenMode.FAN) - (reference.mode == OvenMode.FAN)
    shift = THICKNESS_POWER * size - PER_KELVIN * heat + fan * math.log(FAN_FACTOR)
    spread = math.sqrt(
        OWN_SPREAD**2
        + (0.35 * size) ** 2
        + (0.003 * heat) ** 2
        + (0.08 * fan) ** 2
        + (0.05 * (tin.shape != reference.tin.shape)) ** 2
    )
    at_reference = abs(shift) < 0.02
    return Estimate.around(
        reference.minutes * 60 * math.exp(shift), spread, Basis.FORMULA if at_reference else Basis.MODEL
    )


def core_c(elapsed_s: float, done_s: float, start_c: float, done_c: float = DONE_C) -> float:
    """Crumb temperature at the coldest point.

    It closes on the 100 C front of its own steam: ``100 - (100 - start) 1.27 exp(-t/tau)``, with tau such
    that ``done_c`` is reached at ``done_s``; never below the start. A shape for the eye, not a measurement.
    """
    tau = done_s / math.log(LAG_FACTOR * (FRONT_C - start_c) / (FRONT_C - done_c))
    return max(start_c, FRONT_C - (FRONT_C - start_c) * LAG_FACTOR * math.exp(-elapsed_s / tau))


def done_from_core_s(
    elapsed_s: float, reading_c: float, start_c: float, expected: Estimate, done_c: float = DONE_C
) -> float | None:
    """When the bake will be done (s after it went in) by one core reading; None where it cannot tell.

    The curve says nothing before the crumb has begun to warm (10 K) nor once it is within 1 K of the front.
    A reading that would end the bake far outside the ``expected`` seconds is not believed: the probe is not in
    the coldest place, or touches the tin.
    """
    if elapsed_s <= 0 or reading_c < start_c + 10 or reading_c > FRONT_C - 1:
        return None
    tau = elapsed_s / math.log(LAG_FACTOR * (FRONT_C - start_c) / (FRONT_C - reading_c))
    done = tau * math.log(LAG_FACTOR * (FRONT_C - start_c) / (FRONT_C - done_c))
    return done if expected.low * SOONEST <= done <= expected.high * LATEST else None


DRY_WATER = 0.03
"""Water left in a meringue that is dried through, of its mass. Recalled."""


def loss_share(sets: Sets, water: float, minutes: float) -> float:
    """Share of a batter's mass that leaves as vapour.

    About 9 % of a 35-minute crumb and 8 % of a 15-minute shell, by trade habit; a dried meringue loses its ``water``
    (mass fraction) down to 3 %.
    """
    if sets is Sets.DRY:
        return max(0.0, water - DRY_WATER) / (1 - DRY_WATER)
    if sets is Sets.SHELL:
        return min(0.12, 0.08 * minutes / 15)
    return min(0.2, 0.09 * minutes / 35)
