"""Temperatures and times of guidance for egg, set beside what was measured. Nothing here calls food safe."""

from __future__ import annotations

from collections.abc import Sequence
from itertools import pairwise

from kindwhisk.core.safety.cautions import DEFER
from kindwhisk.core.values.model import Value

GUIDANCE_C = 71.0
GUIDANCE = "Consumer guidance: 71 C (160 F) throughout, or pasteurised egg."
SOURCE = "once required of makers of liquid egg in the United States (9 CFR 590.570, before 2020); published"
SWEET_NOTE = "Not valid with half the egg's weight of sugar and more: sugar protects bacteria."


class Pair(Value):
    """Hold at ``c`` for ``minutes``."""

    egg: str
    c: float
    minutes: float


PAIRS: tuple[Pair, ...] = (
    Pair(egg="white", c=56.7, minutes=3.5),
    Pair(egg="white", c=55.6, minutes=6.2),
    Pair(egg="whole egg", c=60.0, minutes=3.5),
    Pair(egg="yolk", c=61.1, minutes=3.5),
    Pair(egg="yolk", c=60.0, minutes=6.2),
    Pair(egg="yolk with sugar", c=63.3, minutes=3.5),
    Pair(egg="yolk with sugar", c=62.2, minutes=6.2),
)


class Held(Value):
    """A pair beside how long the bowl was measured at or above its temperature."""

    pair: Pair
    measured_minutes: float


class EggHeat(Value):
    """What was measured and what the guidance is. It does not say that anything is safe."""

    measured_peak_c: float | None
    guidance_c: float
    guidance: str
    reached: bool | None
    held: tuple[Held, ...]
    source: str
    note: str
    defers: str


def pairs_for(white: bool, yolk: bool, sugar_to_egg: float) -> tuple[Pair, ...]:
    """The pairs for what is in the bowl."""
    if white and yolk:
        kind = "whole egg"
    elif white:
        kind = "white"
    else:
        kind = "yolk with sugar" if sugar_to_egg > 0.02 else "yolk"
    return tuple(p for p in PAIRS if p.egg == kind)


def minutes_at(readings: Sequence[tuple[float, float]], celsius: float) -> float:
    """Minutes that (seconds, C) readings, joined by straight lines, lay at or above a temperature."""
    total = 0.0
    for (t0, c0), (t1, c1) in pairwise(readings):
        if c0 >= celsius and c1 >= celsius:
            total += t1 - t0
        elif max(c0, c1) >= celsius:
            total += (t1 - t0) * (max(c0, c1) - celsius) / abs(c1 - c0)
    return total / 60


def beside(readings: Sequence[tuple[float, float]], *, white: bool, yolk: bool, sugar_to_egg: float) -> EggHeat:
    """Set readings of an egg foam beside the guidance."""
    peak = max((c for _, c in readings), default=None)
    return EggHeat(
        measured_peak_c=peak,
        guidance_c=GUIDANCE_C,
        guidance=GUIDANCE,
        reached=None if peak is None else peak >= GUIDANCE_C,
        held=tuple(
            Held(pair=p, measured_minutes=minutes_at(readings, p.c)) for p in pairs_for(white, yolk, sugar_to_egg)
        ),
        source=SOURCE,
        note=SWEET_NOTE if sugar_to_egg >= 0.5 else "",
        defers=DEFER,
    )
