"""Following an oven on its way up, and a crumb in it, by their probes."""

from __future__ import annotations

from dataclasses import dataclass, field
from statistics import fmean
from typing import Any

import numpy as np

from kindwhisk.core.baking.course import InOven, Sets, course
from kindwhisk.core.baking.follow import CrumbFollower
from kindwhisk.core.baking.predict import Prediction, done_s, stretched
from kindwhisk.core.ovens.air import SETTLE_S, OvenAir, bakes
from kindwhisk.core.process.watching import Watch, Watching, points
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.memory import remember, remembered
from kindwhisk.core.values.temperature import Point
from kindwhisk.core.warmth.trail import Thinned, Trail

RATE_S = 90.0
"""An oven's pace is read off so many seconds."""
THERE_K = 4.0
SLOWEST_K_PER_MIN = 0.4
OVEN_TELLS_S, OVEN_DIFFERS_K = 300.0, 4.0
"""After so many seconds the oven's own mean counts, and where it differs by more than this."""
OPENED_S = 120.0
WENT_IN_S, NOT_HOT_K = 90.0, 40.0
"""An oven that is so much too cold when the bake has just gone in was not hot: more than a door takes."""
ON_ITS_WAY_K = 6.0
"""An oven whose mean moves by more than this within five minutes does not hold yet."""
REPLAYED_EVERY_S, REPLAYED = 5.0, 720
"""So closely, and so many at most, readings of the middle are kept for an oven that turns out to be another."""


@dataclass
class PreheatWatching(Watching):
    """An oven that warms to ``target_c`` and then has to hold it."""

    target_c: float
    usual_k_per_min: float
    there_s: float | None = field(default=None, init=False)

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading of the oven's probe."""
        super().take(t_s, celsius)
        if self.there_s is None and celsius >= self.target_c - THERE_K:
            self.there_s = t_s

    def _pace(self, last_s: float) -> float:
        """K per minute now; the oven's usual one until it shows."""
        near = [(t, c) for t, c in self.trail.near if t >= last_s - RATE_S]
        if len(near) < 4 or near[-1][0] - near[0][0] < RATE_S / 3:
            return self.usual_k_per_min
        times, celsius = (np.array(v) for v in zip(*near, strict=True))
        return float(np.polyfit(times, celsius, 1)[0]) * 60

    def view(self, now_s: float) -> Watch:
        """When it is there and its walls are too."""
        left, why = None, ""
        ahead: tuple[Point, ...] = ()
        if self.trail.last is None:
            why = "No reading yet."
        else:
            at, celsius = self.trail.last
            pace = self._pace(at)
            if self.there_s is not None:
                seconds = max(0.0, self.there_s + SETTLE_S - now_s)
                left = Estimate(low=seconds * 0.8, likely=seconds, high=seconds * 1.3, basis=Basis.MEASURED)
            elif pace < SLOWEST_K_PER_MIN:
                why = "It does not warm: is it on?"
            else:
                way = (self.target_c - celsius) / pace * 60 - (now_s - at)
                seconds = max(0.0, way) + SETTLE_S
                left = Estimate.around(seconds, 0.2, Basis.MEASURED)
                ahead = (Point(s=0, c=celsius), Point(s=max(0.0, way), c=self.target_c))
        return Watch(
            now_c=self.trail.now_c,
            peak_c=self.trail.peak_c,
            left_s=left,
            why=why,
            readings=self.trail.count,
            trail=points(self.trail, now_s),
            ahead=ahead,
        )


@dataclass
class BakeWatching(Watching):
    """A crumb by a probe in its middle, and the oven around it by its own; what is too thin for a probe has only
    that."""

    content: InOven
    expected: Prediction
    oven: Trail = field(default_factory=Trail, init=False)
    air: OvenAir = field(init=False)
    middle: Thinned = field(default_factory=lambda: Thinned(gap_s=REPLAYED_EVERY_S, most=REPLAYED), init=False)
    """Readings of the middle, for the day on which the oven turns out to be another."""
    _follower: CrumbFollower = field(init=False, metadata={"kept": False})

    def __post_init__(self) -> None:
        self.air = self.content.air
        self._follower = CrumbFollower(self.content, self.expected)

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading of the middle."""
        if self.content.sets is not Sets.CRUMB:
            return
        super().take(t_s, celsius)
        self.middle.take(t_s, celsius)
        self._follower.take(t_s, celsius)

    def take_beside(self, t_s: float, celsius: float) -> None:
        """One more reading of the oven; where it holds another temperature than supposed, the bake is reckoned anew."""
        self.oven.take(t_s, celsius)
        air = self.air
        if t_s <= WENT_IN_S and celsius < air.holds_c - NOT_HOT_K and air.starts_c is None:
            self._reckon(air.model_copy(update={"starts_c": max(0.0, celsius)}))
            return
        held = self._held(t_s)
        if held is None:
            return
        if not bakes(held):
            # Not even how it began is known: the bake goes by the oven as it was supposed.
            if air != self.content.air:
                self._reckon(self.content.air)
        elif abs(held - air.holds_c) >= OVEN_DIFFERS_K:
            self._reckon(air.model_copy(update={"holds_c": float(round(held))}))

    def _held(self, t_s: float) -> float | None:
        """What the oven has held of late; None while it is on its way, or was opened."""
        late = [c for t, c in self.oven.near if t >= max(OPENED_S, t_s - OVEN_TELLS_S)]
        if t_s < OVEN_TELLS_S or len(late) < 6:
            return None
        third = len(late) // 3
        moved = fmean(late[-third:]) - fmean(late[:third])
        return None if abs(moved) > ON_ITS_WAY_K else fmean(late)

    def _reckon(self, air: OvenAir) -> None:
        """The bake in another oven than supposed, with what the middle has told so far."""
        self.air = air
        follower = self._in(air)
        if follower is not None:
            self._follower = follower
            for reading in self.middle.points:
                self._follower.take(*reading)

    def _in(self, air: OvenAir) -> CrumbFollower | None:
        """A follower of the bake in this air, before any reading; None where it is never done in it."""
        seen = self.content.model_copy(update={"air": air})
        way = course(seen)
        if way.done_s is None:
            return None
        done = self.expected.done_s.scaled(way.done_s / done_s(self.content))
        return CrumbFollower(seen, stretched(seen, way, done, self.expected.factor))

    @property
    def _elsewhere(self) -> str:
        """Why the oven's own probe is not believed; empty where it is."""
        if self.oven.last is None or self.oven.last[0] < OVEN_TELLS_S or bakes(self.oven.last[1]):
            return ""
        return f"The oven's probe reads {self.oven.last[1]:.0f} °C: is the oven on, and the probe inside it?"

    def view(self, now_s: float) -> Watch:
        """When it is done, by the middle's own way."""
        crumb = self._follower.forecast(now_s)
        left = crumb.left_s
        if left is None and self.air != self.content.air:
            ends = self._follower.expected.done_s
            left = Estimate(
                low=max(0.0, ends.low - now_s),
                likely=max(0.0, ends.likely - now_s),
                high=max(0.0, ends.high - now_s),
                basis=Basis.MODEL,
            )
        return Watch(
            now_c=crumb.core_c,
            peak_c=self.trail.peak_c,
            left_s=left,
            why=crumb.why,
            readings=crumb.readings,
            trail=points(self.trail, now_s),
            ahead=tuple(Point(s=s, c=c) for s, c in self._follower.ahead(now_s)),
            crumb=crumb,
            beside_c=self.oven.now_c,
            beside_trail=points(self.oven, now_s),
            beside_why=self._elsewhere,
        )

    def remembered(self) -> dict[str, Any]:
        """With what the middle has told, and in which air that was reckoned."""
        reckoned = self._follower.content.air.model_dump(mode="json")
        return {**super().remembered(), "reckoned": reckoned, "follower": remembered(self._follower)}

    def remember(self, memory: dict[str, Any]) -> None:
        """The same."""
        super().remember(memory)
        reckoned = OvenAir.model_validate(memory["reckoned"])
        if reckoned != self.content.air:
            self._follower = self._in(reckoned) or self._follower
        remember(self._follower, memory["follower"])
