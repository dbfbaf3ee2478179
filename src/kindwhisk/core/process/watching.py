"""Following a running step by a temperature: one shape for a pot, a warming bowl and a cooling foam."""

from __future__ import annotations

import math
from collections.abc import Sequence

from kindwhisk.core.baking.follow import CrumbForecast
from kindwhisk.core.foams.balance import added_sugar_g, egg_g
from kindwhisk.core.foams.foam import WHOLE_EGGS, YOLKS, egg_white_g
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.safety.pasteurisation import EggHeat, beside
from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.forecast import SyrupForecast
from kindwhisk.core.sugar.watch import PotWatch
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.temperature import Point
from kindwhisk.core.warmth import approach

CLOSELY_S = 300.0
TRAIL_POINTS = 60
TURNED_K, TURNED_S = 1.0, 60.0
LEAST_GAP_S = 0.25


class Watch(Value):
    """What the readings of a running step tell at a moment.

    ``now_c`` is the content's own temperature (None before a reading), ``left_s`` the time to the step's target
    (None where it can't be told, ``why`` says so). ``trail`` and ``ahead`` are where it was and
    where it is heading. ``pot`` is there
    for a syrup, ``egg`` for what holds egg, ``crumb`` for a bake; ``beside_c`` and ``beside_trail`` are what is around
    it: the oven.
    """

    now_c: float | None
    peak_c: float | None
    left_s: Estimate | None
    why: str
    readings: int
    trail: tuple[Point, ...]
    ahead: tuple[Point, ...] = ()
    pot: SyrupForecast | None = None
    egg: EggHeat | None = None
    crumb: CrumbForecast | None = None
    beside_c: float | None = None
    beside_trail: tuple[Point, ...] = ()


class Watching:
    """Takes a step's readings in order (seconds since its start, C) and tells what they mean."""

    def __init__(self) -> None:
        self.readings: list[tuple[float, float]] = []

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading, later than all before it."""
        self.readings.append((t_s, celsius))

    def take_beside(self, t_s: float, celsius: float) -> None:
        """One more reading of what is around it."""

    def view(self, now_s: float) -> Watch:
        """What they tell at a moment, in seconds since the step's start."""
        raise NotImplementedError

    def trail(self, now_s: float) -> tuple[Point, ...]:
        """All readings, thinned out for drawing: the last minutes closely, what lies before them in steps."""
        old = [r for r in self.readings if r[0] < now_s - CLOSELY_S]
        new = self.readings[len(old) :]
        kept = [*old[:: max(1, len(old) // TRAIL_POINTS)], *new[:: max(1, len(new) // TRAIL_POINTS)]]
        if self.readings and kept[-1] != self.readings[-1]:
            kept.append(self.readings[-1])
        return tuple(Point(s=t - now_s, c=c) for t, c in kept)


class PotWatching(Watching):
    """A syrup on the flame."""

    def __init__(self, pot: Pot, target_c: float) -> None:
        super().__init__()
        self.pot = pot
        self.watch = PotWatch(pot, target_c)
        self._watched_s = -math.inf

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading of the probe; of a very fast one, a few a second are enough to follow the pot."""
        super().take(t_s, celsius)
        if t_s - self._watched_s >= LEAST_GAP_S:
            self._watched_s = t_s
            self.watch.take(t_s, celsius)

    def view(self, now_s: float) -> Watch:
        """The forecast as a watch."""
        seen = self.watch.forecast(now_s)
        left = None
        if seen.seconds_to_target is not None and seen.low_s is not None and seen.high_s is not None:
            left = Estimate(low=seen.low_s, likely=seen.seconds_to_target, high=seen.high_s, basis=Basis.MEASURED)
        return Watch(
            now_c=seen.temperature_c,
            peak_c=max((c for _, c in self.readings), default=None),
            left_s=left,
            why=seen.why,
            readings=seen.readings,
            trail=self.trail(now_s),
            ahead=seen.ahead,
            pot=seen,
        )


class EggIn(Value):
    """What of an egg is in the bowl, and sugar to it."""

    white: bool
    yolk: bool
    sugar_to_egg: float

    @classmethod
    def of(cls, content: Material) -> EggIn | None:
        """Of what is in a bowl; None where no egg is."""
        egg = egg_g(content)
        if egg <= 0:
            return None
        whole = any(i in content.parts for i in WHOLE_EGGS)
        return cls(
            white=whole or egg_white_g(content) > 0,
            yolk=whole or any(i in content.parts for i in YOLKS),
            sugar_to_egg=added_sugar_g(content) / egg,
        )


class ApproachWatching(Watching):
    """Something that closes in on its surroundings: over steam, or cooling under a whisk."""

    def __init__(self, surroundings_c: float, target_c: float, expected_tau_s: float, egg: EggIn | None) -> None:
        super().__init__()
        self._from_above = target_c > surroundings_c
        self.surroundings_c, self.target_c, self.expected_tau_s, self.egg = (
            surroundings_c,
            target_c,
            expected_tau_s,
            egg,
        )

    @property
    def _turned(self) -> bool:
        """Whether what cools has passed its peak: it has fallen from it, or for long has not risen above it."""
        if not self.readings:
            return False
        at, peak = max(self.readings, key=lambda r: r[1])
        last, now = self.readings[-1]
        return peak - now >= TURNED_K or last - at >= TURNED_S

    @property
    def _moving(self) -> Sequence[tuple[float, float]]:
        """Readings since it turned towards its surroundings."""
        if self._from_above and self.readings:
            top = max(range(len(self.readings)), key=lambda i: self.readings[i][1])
            return self.readings[top:]
        return self.readings

    def _ahead(self, seconds: float) -> tuple[Point, ...]:
        """The way to the target in twelve pieces."""
        away = self.readings[-1][1] - self.surroundings_c
        share = (self.target_c - self.surroundings_c) / away
        return tuple(
            Point(s=seconds * i / 12, c=self.surroundings_c + away * float(share ** (i / 12))) for i in range(13)
        )

    @property
    def _why(self) -> str:
        if not self.readings:
            return "No reading yet."
        return "It is still warming." if self._from_above and not self._turned else "It does not move that way yet."

    def view(self, now_s: float) -> Watch:
        """Time left by the pace of the last readings."""
        moving = self._moving
        left = approach.seconds_left(moving, self.surroundings_c, self.target_c, self.expected_tau_s)
        if self._from_above and not self._turned:
            left = None
        if left is not None and moving:
            since = now_s - moving[-1][0]
            left = Estimate(
                low=max(0.0, left.low - since),
                likely=max(0.0, left.likely - since),
                high=max(0.0, left.high - since),
                basis=left.basis,
            )
        return Watch(
            ahead=() if left is None or not left.likely else self._ahead(left.likely),
            now_c=self.readings[-1][1] if self.readings else None,
            peak_c=max((c for _, c in self.readings), default=None),
            left_s=left,
            why=""
            if left is not None
            else "No reading yet."
            if not self.readings
            else "It does not move that way yet.",
            readings=len(self.readings),
            trail=self.trail(now_s),
            egg=None
            if self.egg is None
            else beside(self.readings, white=self.egg.white, yolk=self.egg.yolk, sugar_to_egg=self.egg.sugar_to_egg),
        )
