"""Temperatures and times of guidance for egg, set beside what was measured. Nothing here calls food safe."""

from __future__ import annotations

from collections.abc import Iterable
from dataclasses import dataclass, field

from kindwhisk.core.safety.cautions import DEFER
from kindwhisk.core.values.model import Value

GUIDANCE_C = 71.0
GUIDANCE = "Consumer guidance: 71 °C (160 °F) throughout, or pasteurised egg."
SOURCE = "once required of makers of liquid egg in the United States (9 CFR 590.570, before 2020); published"
SWEET_FROM = 0.5
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


def _seconds_above(first: tuple[float, float], second: tuple[float, float], celsius: float) -> float:
    """Seconds that a straight line between two readings (s, C) lies at or above a temperature."""
    (t0, c0), (t1, c1) = first, second
    if c0 >= celsius and c1 >= celsius:
        return t1 - t0
    if max(c0, c1) < celsius:
        return 0.0
    return (t1 - t0) * (max(c0, c1) - celsius) / abs(c1 - c0)


@dataclass
class EggLog:
    """How warm an egg foam was, and how long, by readings (s, C) in order, joined by straight lines."""

    peak_c: float | None = None
    last: tuple[float, float] | None = None
    seconds: dict[float, float] = field(default_factory=lambda: dict.fromkeys((p.c for p in PAIRS), 0.0))

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading, later than all before it."""
        now = (t_s, celsius)
        if self.last is not None:
            for at in self.seconds:
                self.seconds[at] += _seconds_above(self.last, now, at)
        self.last = now
        self.peak_c = celsius if self.peak_c is None else max(self.peak_c, celsius)

    def beside(self, *, white: bool, yolk: bool, sugar_to_egg: float) -> EggHeat:
        """Set beside the guidance for what is in the bowl."""
        return EggHeat(
            measured_peak_c=self.peak_c,
            guidance_c=GUIDANCE_C,
            guidance=GUIDANCE,
            reached=None if self.peak_c is None else self.peak_c >= GUIDANCE_C,
            held=tuple(
                Held(pair=p, measured_minutes=self.seconds[p.c] / 60) for p in pairs_for(white, yolk, sugar_to_egg)
            ),
            source=SOURCE,
            note=SWEET_NOTE if sugar_to_egg >= SWEET_FROM else "",
            defers=DEFER,
        )


def beside(readings: Iterable[tuple[float, float]], *, white: bool, yolk: bool, sugar_to_egg: float) -> EggHeat:
    """Set readings (s, C) of an egg foam, in order, beside the guidance."""
    log = EggLog()
    for t_s, celsius in readings:
        log.take(t_s, celsius)
    return log.beside(white=white, yolk=yolk, sugar_to_egg=sugar_to_egg)
