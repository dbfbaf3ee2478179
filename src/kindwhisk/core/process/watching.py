"""Following a running step by a temperature: one shape for a pot, a warming bowl and a cooling foam."""

from __future__ import annotations

import math
from dataclasses import dataclass, field
from typing import Any

from kindwhisk.core.baking.follow import CrumbForecast
from kindwhisk.core.foams.balance import added_sugar_g, egg_g
from kindwhisk.core.foams.foam import WHOLE_EGGS, YOLKS, egg_white_g
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.safety.pasteurisation import EggHeat, EggLog
from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.forecast import SyrupForecast
from kindwhisk.core.sugar.watch import PotWatch
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.memory import remember, remembered
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.temperature import Point
from kindwhisk.core.warmth import approach
from kindwhisk.core.warmth.trail import Trail

TURNED_K, TURNED_S = 1.0, 60.0
LEAST_GAP_S = 0.25


class Watch(Value):
    """What the readings of a running step tell at a moment.

    ``now_c`` is the content's own temperature (None before a reading), ``left_s`` the time to the step's target
    (None where it can't be told, ``why`` says so). ``trail`` and ``ahead`` are where it was and
    where it is heading. ``pot`` is there
    for a syrup, ``egg`` for what holds egg, ``crumb`` for a bake; ``beside_c`` and ``beside_trail`` are what is around
    it: the oven, and ``beside_why`` why that is not believed.
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
    beside_why: str = ""


@dataclass
class Watching:
    """Takes a step's readings in order (seconds since its start, C) and tells what they mean.

    What it has taken is small, however many they were, and can be kept (:mod:`kindwhisk.core.values.memory`).
    """

    trail: Trail = field(default_factory=Trail, init=False)

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading, later than all before it."""
        self.trail.take(t_s, celsius)

    def take_by_hand(self, t_s: float, celsius: float) -> None:
        """One more reading, that somebody took and wrote down: the thermometer had come to rest in it."""
        self.take(t_s, celsius)

    def take_beside(self, t_s: float, celsius: float) -> None:
        """One more reading of what is around it."""

    def view(self, now_s: float) -> Watch:
        """What they tell at a moment, in seconds since the step's start."""
        raise NotImplementedError

    def remembered(self) -> dict[str, Any]:
        """All that it has taken, as JSON can hold it."""
        return remembered(self)

    def remember(self, memory: dict[str, Any]) -> None:
        """Go on from what another one, made alike, had taken."""
        remember(self, memory)


def points(trail: Trail, now_s: float) -> tuple[Point, ...]:
    """A trail for drawing, in seconds from now."""
    return tuple(Point(s=t - now_s, c=c) for t, c in trail.drawn(now_s))


@dataclass
class PotWatching(Watching):
    """A syrup on the flame, with all its sugar and water, to ``target_c`` as it reads here."""

    pot: Pot
    target_c: float
    watch: PotWatch = field(init=False, metadata={"kept": False})
    watched_s: float = field(default=-math.inf, init=False)

    def __post_init__(self) -> None:
        self.watch = PotWatch(self.pot, self.target_c)

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading of the probe; of a very fast one, a few a second are enough to follow the pot."""
        super().take(t_s, celsius)
        if t_s - self.watched_s >= LEAST_GAP_S:
            self.watched_s = t_s
            self.watch.take(t_s, celsius)

    def view(self, now_s: float) -> Watch:
        """The forecast as a watch."""
        seen = self.watch.forecast(now_s)
        left = None
        if seen.seconds_to_target is not None and seen.low_s is not None and seen.high_s is not None:
            left = Estimate(low=seen.low_s, likely=seen.seconds_to_target, high=seen.high_s, basis=Basis.MEASURED)
        return Watch(
            now_c=seen.temperature_c,
            peak_c=self.trail.peak_c,
            left_s=left,
            why=seen.why,
            readings=seen.readings,
            trail=points(self.trail, now_s),
            ahead=seen.ahead,
            pot=seen,
        )

    def remembered(self) -> dict[str, Any]:
        """With what the pot's watch has taken."""
        return {**super().remembered(), "watch": remembered(self.watch)}

    def remember(self, memory: dict[str, Any]) -> None:
        """The same."""
        super().remember(memory)
        remember(self.watch, memory["watch"])


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
        whole = any(i in content.counted for i in WHOLE_EGGS)
        return cls(
            white=whole or egg_white_g(content) > 0,
            yolk=whole or any(i in content.counted for i in YOLKS),
            sugar_to_egg=added_sugar_g(content) / egg,
        )


@dataclass
class ApproachWatching(Watching):
    """Something that closes in on its surroundings: over steam, or cooling under a whisk."""

    surroundings_c: float
    target_c: float
    expected_tau_s: float
    egg: EggIn | None
    heat: EggLog = field(default_factory=EggLog, init=False)
    moving: list[tuple[float, float]] = field(default_factory=list, init=False)
    """The last readings since it turned towards its surroundings."""
    rested: bool = field(default=False, init=False)
    """Whether somebody has read it: a thermometer that had come to rest is not still being warmed by it."""

    @property
    def _from_above(self) -> bool:
        return self.target_c > self.surroundings_c

    @property
    def _turned(self) -> bool:
        """Whether what cools has passed its peak: it has fallen from it, or for long has not risen above it."""
        if self.trail.last is None or self.trail.peak is None:
            return False
        if self.rested:
            return True
        (at, peak), (last, now) = self.trail.peak, self.trail.last
        return peak - now >= TURNED_K or last - at >= TURNED_S

    @property
    def _reached(self) -> bool:
        """Whether it stays beyond its target, be it now as warm as what is around it. A probe that is lifted out for a
        moment does not tell that, nor one that never was in it."""
        if self.trail.last is None or self.trail.peak_c is None:
            return False
        if self.rested and self._from_above:
            return not self._before(self.trail.last[1])
        farthest = self.trail.peak_c if self._from_above else min(c for _, c in self.moving)
        lately = [c for t, c in self.moving if t > self.trail.last[0] - TURNED_S]
        return approach.clearly(farthest, self.surroundings_c, self.target_c) and not any(map(self._before, lately))

    def _before(self, celsius: float) -> bool:
        """Whether this lies before the target."""
        return celsius > self.target_c if self._from_above else celsius < self.target_c

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading; one above all before it begins the way anew, where it comes from above."""
        before = self.trail.peak_c
        super().take(t_s, celsius)
        if self._from_above and (before is None or celsius > before):
            self.moving = []
        self.moving = [*self.moving, (t_s, celsius)][-approach.LATEST :]
        if self.egg is not None:
            self.heat.take(t_s, celsius)

    def take_by_hand(self, t_s: float, celsius: float) -> None:
        """One more reading that tells at once how far it has cooled."""
        self.rested = True
        self.take(t_s, celsius)

    def _ahead(self, seconds: float, now_c: float) -> tuple[Point, ...]:
        """The way to the target in twelve pieces."""
        if not self._before(now_c):
            return ()
        away = now_c - self.surroundings_c
        share = (self.target_c - self.surroundings_c) / away
        return tuple(
            Point(s=seconds * i / 12, c=self.surroundings_c + away * float(share ** (i / 12))) for i in range(13)
        )

    @property
    def _why(self) -> str:
        if self.trail.last is None:
            return "No reading yet."
        return "It is still warming." if self._from_above and not self._turned else "It is not moving that way yet."

    def _left(self, now_s: float) -> Estimate | None:
        """Seconds to the target from now; None where the readings don't move that way."""
        if self.trail.last is None or (self._from_above and not self._turned):
            return None
        if self._reached:
            return Estimate.exact(0.0, Basis.MEASURED)
        left = approach.seconds_left(self.moving, self.surroundings_c, self.target_c, self.expected_tau_s)
        if left is None:
            return None
        since = now_s - self.trail.last[0]
        return Estimate(
            low=max(0.0, left.low - since),
            likely=max(0.0, left.likely - since),
            high=max(0.0, left.high - since),
            basis=left.basis,
        )

    def view(self, now_s: float) -> Watch:
        """Time left by the pace of the last readings."""
        left, now_c, egg = self._left(now_s), self.trail.now_c, self.egg
        return Watch(
            ahead=() if left is None or now_c is None or not left.likely else self._ahead(left.likely, now_c),
            now_c=now_c,
            peak_c=self.trail.peak_c,
            left_s=left,
            why="" if left is not None else self._why,
            readings=self.trail.count,
            trail=points(self.trail, now_s),
            egg=None
            if egg is None
            else self.heat.beside(white=egg.white, yolk=egg.yolk, sugar_to_egg=egg.sugar_to_egg),
        )
