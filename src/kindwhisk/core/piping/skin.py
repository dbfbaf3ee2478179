"""The skin of a piped shell: how long its face dries, by the air over it, and what a finger tells of that.

A face of water activity ``a_w`` is cooled by what dries off it until the air brings as much heat as the vapour takes:
``h (T - Ts) = L hm (a_w ρ(Ts) - RH ρ(T))``. It holds as a skin once it has lost ``M`` grams a square metre. In air as
damp as ``a_w`` it never does. Kitchens differ in ``M`` and in what their air really does over a tray: their own touches
scale the time, and the touch decides.
"""

from __future__ import annotations

import math
from enum import StrEnum

import numpy as np

from kindwhisk.core.foams.balance import Method
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.solving import rising_root
from kindwhisk.core.warmth.air import saturation_kpa

LOST_G_PER_M2 = 45.0
"""What a face loses until it holds. Of the reference model; scaled by a kitchen's own touches."""
TRANSFER_M_PER_S, HEAT_W_PER_M2K = 0.0035, 10.0
"""What still air of a kitchen carries off, and the heat that it and the walls bring. Of the reference model."""
WATER_ACTIVITY = 0.85
LATENT_J_PER_G = 2450.0
GRAMS_K_PER_KJ = 2.1667
"""Vapour: g/m³ = 2166.7 kPa / K."""
MOVING_AIR = Estimate(low=1.5, likely=1.75, high=2.0, basis=Basis.HABIT)
"""A fan across the trays dries so many times as fast. Trade habit."""
COOKED_SHARE = 0.6
"""Of a French shell's time, where the sugar was dissolved or boiled. Trade habit."""
SPREAD_SD = 0.30
"""Standard deviation of the logarithm of a first tray's time over the model's: kitchens differ. Chosen."""
TACKY_FROM = 0.55
"""Share of its time from which a face no longer sticks, but marks. Trade habit."""
FEEL_SD, TACKY_SD = 0.08, 0.2
"""How far (in the logarithm of time) fingers disagree on where a skin holds, and where it is tacky. Chosen."""
SLIP = 1e-6
"""How likely a finger says what can't be: a wrong tray, a wrong button. Chosen."""
TOO_LONG_S, TOO_LONG_TIMES = 7200.0, 1.5
"""Hard and dull from about two hours on, or, where the skin itself took long, half as long again. Trade habit."""
NEVER_S = 12 * 3600.0
"""What would take longer than this does not come about: sugar draws as much from the air by then."""
GRID = np.linspace(-2.0, 2.0, 401)


class Feel(StrEnum):
    """What a finger says of a face: it sticks; it marks but lifts; it moves as a skin; it is hard and dull."""

    WET = "wet"
    TACKY = "tacky"
    DRY = "dry"
    TOO_LONG = "too long"


NOT_YET = frozenset({Feel.WET, Feel.TACKY})


class Touch(Value):
    """A finger laid on a shell, ``t_s`` seconds after it was piped."""

    t_s: float
    feel: Feel


class Skin(Value):
    """When a face holds (seconds after piping), or None and ``why`` not; and when it has rested too long."""

    dry_s: Estimate | None
    why: str
    too_long_s: float | None


def vapour_g_per_m3(temperature_c: float) -> float:
    """Saturated vapour over water. Source: published pressure, ideal gas."""
    return 1000 * GRAMS_K_PER_KJ * saturation_kpa(temperature_c) / (temperature_c + 273.15)


def dries_g_per_m2s(air_c: float, humidity_percent: float) -> float:
    """What a face in still air loses; below zero where it takes up water."""
    there = humidity_percent / 100 * vapour_g_per_m3(air_c)

    def excess(face_c: float) -> float:
        took = LATENT_J_PER_G * TRANSFER_M_PER_S * (WATER_ACTIVITY * vapour_g_per_m3(face_c) - there)
        return took - HEAT_W_PER_M2K * (air_c - face_c)

    face = rising_root(excess, air_c - 25, air_c + 10)
    return TRANSFER_M_PER_S * (WATER_ACTIVITY * vapour_g_per_m3(face) - there)


def speed(method: Method | None, *, moving_air: bool) -> Estimate:
    """How many times as fast as a French shell in still air."""
    cooked = 1.0 if method in {None, Method.FRENCH} else 1 / COOKED_SHARE
    return (MOVING_AIR if moving_air else Estimate.exact(1.0, Basis.MODEL)).scaled(cooked)


def modelled_s(
    air_c: float, humidity_percent: float, method: Method | None = None, *, moving_air: bool = False
) -> float | None:
    """Likely seconds until a face holds; None where it never does."""
    rate = dries_g_per_m2s(air_c, humidity_percent)
    if rate <= 0:
        return None
    seconds = LOST_G_PER_M2 / rate / speed(method, moving_air=moving_air).likely
    return seconds if seconds < NEVER_S else None


def _chance(touch: Touch, log_s: np.ndarray) -> np.ndarray:
    """How likely a finger finds what it found, for each time at which the face would hold."""
    if touch.t_s <= 0:
        return np.ones_like(log_s)
    at = math.log(touch.t_s)

    def over(share: float, sd: float) -> np.ndarray:
        """That this share of the time is over."""
        return np.array([0.5 * math.erfc((x + math.log(share) - at) / sd / math.sqrt(2)) for x in log_s])

    sticks_no_more, holds = over(TACKY_FROM, TACKY_SD), over(1.0, FEEL_SD)
    if touch.feel is Feel.WET:
        return 1 - sticks_no_more
    return sticks_no_more * (1 - holds) if touch.feel is Feel.TACKY else holds


def by_touch(expected: Estimate, sd: float, touches: tuple[Touch, ...]) -> Estimate:
    """When a face holds, by what was expected of it (``sd`` of its logarithm) and what fingers said since.

    Touches weigh as each would alone; those that can't all be true weigh by how nearly they are.
    """
    if not touches:
        return expected
    middle = math.log(expected.likely)
    log_s = middle + GRID * max(1.0, 4 * sd)
    log_weight = -0.5 * ((log_s - middle) / sd) ** 2
    for touch in touches:
        log_weight += np.log(SLIP + _chance(touch, log_s))
    weight = np.exp(log_weight - log_weight.max())
    weight /= weight.sum()
    mean = float((weight * log_s).sum())
    wide = RANGE_SD * math.sqrt(float((weight * (log_s - mean) ** 2).sum()))
    # What does not hold yet will not before a while from now, whatever was expected of it.
    soonest = max((t.t_s for t in touches if t.feel in NOT_YET), default=0.0) * (1 + FEEL_SD / 2)
    low = max(soonest, math.exp(mean - wide))
    likely = max(low * (1 + FEEL_SD / 2), math.exp(mean))
    return Estimate(
        low=low,
        likely=likely,
        high=max(likely * (1 + FEEL_SD), math.exp(mean + wide)),
        basis=Basis.MEASURED,
        bakes=expected.bakes,
    )


def took_s(touches: tuple[Touch, ...]) -> tuple[float, bool] | None:
    """What touches alone tell of the time until a face held, and whether that is only what it took at least.

    Between the last that did not hold and the first that did, it is the middle of both; a face that was touched only
    once tells no earlier moment, and one that was touched as it was piped tells nothing.
    """
    touches = tuple(t for t in touches if t.t_s > 0)
    held = [t.t_s for t in touches if t.feel not in NOT_YET]
    not_yet = [t.t_s if t.feel is Feel.TACKY else t.t_s / TACKY_FROM for t in touches if t.feel in NOT_YET]
    if not held:
        return (max(not_yet), True) if not_yet else None
    first = min(held)
    before = max((t for t in not_yet if t < first), default=None)
    return (first if before is None else math.sqrt(first * before)), False


def too_long_s(dry_s: Estimate) -> float:
    """From when on a face is hard and dull."""
    return max(TOO_LONG_S, TOO_LONG_TIMES * dry_s.likely)


def expected_s(
    air_c: float, humidity_percent: float, method: Method | None = None, *, moving_air: bool = False
) -> Estimate | None:
    """When a face holds by the model alone, with its range; None where it never does."""
    likely = modelled_s(air_c, humidity_percent, method, moving_air=moving_air)
    if likely is None:
        return None
    fan = speed(method, moving_air=moving_air)
    sd = math.hypot(SPREAD_SD, math.log(fan.high / fan.low) / (2 * RANGE_SD))
    wide = math.exp(RANGE_SD * sd)
    return Estimate(low=likely / wide, likely=likely, high=likely * wide, basis=Basis.MODEL)


def skin(
    air_c: float,
    humidity_percent: float,
    method: Method | None = None,
    *,
    moving_air: bool = False,
    touches: tuple[Touch, ...] = (),
    expected: Estimate | None = None,
) -> Skin:
    """When a skin holds in this air, by the model (or by what this kitchen's own trays made ``expected``) and by what
    was touched."""
    made = expected or expected_s(air_c, humidity_percent, method, moving_air=moving_air)
    held = took_s(touches)
    why = ""
    if made is None and held is not None and not held[1]:
        made = Estimate.around(held[0], 0.1, Basis.MEASURED)
    if made is None:
        why = (
            f"At {humidity_percent:.0f} % the air is as damp as the shells are: they take up as much as they lose, "
            "and no skin forms."
        )
    elif touches:
        made = by_touch(made, max(0.05, math.log(made.high / made.low) / (2 * RANGE_SD)), touches)
    return Skin(
        dry_s=made,
        why=why,
        too_long_s=None if made is None else too_long_s(made),
    )
