"""A bake followed by a probe in its middle: each reading tells how fast this crumb follows its course.

The course is stretched in time by an unknown factor and begins a little sooner or later than it should, and the probe
may sit a little away from the coldest place. Every three of them are weighed by how well they explain the readings, old
ones less and less: no cake keeps to the course that was reckoned for it, so that towards the end the shape of its own
curve leads. What is left tells the seconds to done; the range has a part for what no reading has told of yet.
"""

from __future__ import annotations

import math
from dataclasses import dataclass, field

import numpy as np

from kindwhisk.core.baking.course import DWELL_S, InOven
from kindwhisk.core.baking.crumb import Array
from kindwhisk.core.baking.predict import Prediction
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.model import Value

STRETCHES, WIDTH_SD = 61, 3.5
LEAST_SD, MOST_SD = 0.03, 0.16
"""Between these lies what is supposed of the stretch beforehand. Three and a half of the greatest are a bake of nearly
twice the time; beyond that the probe is elsewhere. Chosen."""
ASIDE = (0.0, 0.06, 0.14, 0.28, 0.5)
ASIDE_SHARES = (0.36, 0.28, 0.19, 0.11, 0.06)
"""Where the probe may sit between the coldest place (0) and the edge (1), and how likely. Trade habit."""
DELAYS, DELAY_SD = np.linspace(-0.3, 0.3, 13), 0.12
"""How much later than it should each moment comes, as a share of the course: a door held open, a batter that is colder,
a crumb that takes more heat at first and less later. Fitted to cakes of other physics."""
AHEAD_AT_MOST = 1.5
"""No cake is further than so many times its course: at first none is ahead."""
FITS_K, START_NOISE_K, START_FADES_S = 0.35, 4.0, 400.0
"""What a reading and the right course differ by: more at first, when the batter's own warmth still shows. Chosen."""
FADES = 0.04
"""What a reading told fades within this share of the bake: of an older one, the later ones know better. Fitted."""
TO_COME = 0.34
"""The end is doubted by this share of the square of what is still to come. Fitted."""
MISFIT_K, LIKELY = 2.5, 2.0
"""A reading fits no bake when it is this often so far from each course that may well have led to those before it."""
APART_S = 90.0
"""Readings closer together than this tell less each: what errs now errs a moment later too. Chosen."""
WARMED_K = 6.0
TOUCHES_K = 4.0
"""A crumb this much above boiling is no crumb: the probe touches the tin or the air."""
STRANGE_SD = 5.0
MIDDLE = (0.1, 0.5, 0.9)
LEAST_ABOVE = 1.06
"""The range reaches at least so far beyond the likely time. Chosen."""


class CrumbForecast(Value):
    """Seconds to done by the readings so far; None where they can't tell, and ``why``.

    ``core_c`` is the last reading. ``strange``: the readings fit no such bake: the probe is elsewhere. ``faster`` is
    the likely time over what was expected before (below 1: sooner).
    """

    left_s: Estimate | None
    why: str
    core_c: float | None
    readings: int
    strange: bool = False
    faster: float | None = None


@dataclass
class CrumbFollower:
    """Takes readings (s since it went in, C) in order."""

    content: InOven
    expected: Prediction
    _logs: Array = field(init=False)
    """The logarithm of the likelihood of each stretch (row), place of the probe (column) and delay (layer)."""
    _before: Array = field(init=False)
    """The same before anything was read."""
    _last: tuple[float, float] | None = field(default=None, init=False)
    _there_s: float | None = field(default=None, init=False)
    _misfit: float = field(default=0.0, init=False)
    _count: int = field(default=0, init=False)
    _start_c: float | None = field(default=None, init=False)

    def __post_init__(self) -> None:
        self._finished_c, self._hottest_c = self.content.finished_c, self.content.boils_c + TOUCHES_K
        moments = self.expected.course.moments
        self._times = np.array([m.t_s for m in moments])
        self._core, self._edge = np.array([m.core_c for m in moments]), np.array([m.edge_c for m in moments])
        self._course_done = self.expected.course.done_s or self.expected.done_s.likely
        sd = math.log(self.expected.done_s.high / self.expected.done_s.low) / 2 / RANGE_SD
        sd = min(max(sd, LEAST_SD), MOST_SD)
        steps = np.linspace(-WIDTH_SD, WIDTH_SD, STRETCHES)
        stretch = self.expected.done_s.likely / self._course_done * np.exp(sd * steps)
        self._stretch: Array = stretch[:, None, None]
        aside = np.log(np.array(ASIDE_SHARES))[None, :, None]
        self._before = -(steps[:, None, None] ** 2) / 2 + aside - ((DELAYS / DELAY_SD) ** 2)[None, None, :] / 2
        self._logs = self._before
        ends = self._course_done * self._stretch[:, 0] * (1 + DELAYS)[None, :]
        self._order = np.argsort(ends, axis=None)
        self._ends: Array = ends.ravel()[self._order]

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading."""
        passed = APART_S if self._last is None else t_s - self._last[0]
        apart = min(APART_S, passed)
        self._count += 1
        self._last = (t_s, celsius)
        if self._start_c is None:
            self._start_c = celsius
        if celsius > self._finished_c and self._there_s is None:
            self._there_s = t_s
        if t_s <= 0 or apart <= 0 or self._touches(celsius):
            return
        missed = self._expected_c(t_s) - celsius
        start = START_NOISE_K * math.exp(-t_s / START_FADES_S)
        weight = apart / APART_S
        fades = math.exp(-max(0.0, passed) / (FADES * self.expected.done_s.likely))
        likely = self._logs > self._logs.max() - LIKELY
        least = min(float(np.abs(missed[likely]).min()) / (MISFIT_K + start), 20.0)
        # Student's t: a reading far off counts, but not without end.
        told = weight * 2.5 * np.log1p((missed / (FITS_K + start)) ** 2 / 4)
        self._logs = self._before + fades * (self._logs - self._before) - told
        self._misfit += (least - self._misfit) * (1.0 if self._count == 1 else min(1.0, weight / 2))

    def _touches(self, celsius: float) -> bool:
        return celsius > self._hottest_c

    def _expected_c(self, t_s: float) -> Array:
        """What the probe would show, for each stretch, place and delay."""
        own = t_s / self._stretch
        at = np.minimum(own - DELAYS[None, None, :] * self._course_done, AHEAD_AT_MOST * own)
        core, edge = np.interp(at, self._times, self._core), np.interp(at, self._times, self._edge)
        expected: Array = core + np.array(ASIDE)[None, :, None] * (edge - core)
        return expected

    def forecast(self, now_s: float) -> CrumbForecast:
        """What they tell at a moment, in seconds since it went in."""
        core = None if self._last is None else self._last[1]
        if self._last is None or core is None:
            return CrumbForecast(left_s=None, why="No reading yet.", core_c=None, readings=0)

        def cannot(why: str, *, strange: bool = False) -> CrumbForecast:
            return CrumbForecast(left_s=None, why=why, core_c=core, readings=self._count, strange=strange)

        if self._touches(core):
            return cannot("Hotter than a moist crumb can be: the probe touches the tin or sticks out.", strange=True)
        if core < self.content.batter_c + WARMED_K:
            return cannot("The middle has not begun to warm.")
        if self._misfit > STRANGE_SD:
            return cannot("The middle does not warm like that: is the probe in the thickest place?", strange=True)
        if self._there_s is not None and now_s - self._there_s > 2 * DWELL_S:
            return CrumbForecast(
                left_s=Estimate.exact(0.0, Basis.MEASURED), why="", core_c=core, readings=self._count, faster=None
            )
        weights = np.exp(self._logs - self._logs.max()).sum(axis=1).ravel()[self._order]
        share = np.cumsum(weights) / weights.sum()
        low, likely, high = (float(np.interp(q, share, self._ends)) for q in MIDDLE)
        # One that is not there yet has at least its dwell before it.
        least = DWELL_S if core < self._finished_c else 0.0
        left = max(least, likely - now_s)
        doubt = RANGE_SD * TO_COME * left**2 / self.expected.done_s.likely
        low, high = likely - math.hypot(likely - low, doubt), likely + math.hypot(high - likely, doubt)
        return CrumbForecast(
            left_s=Estimate(
                low=max(least / 2, min(low - now_s, left)),
                likely=left,
                high=max(left * LEAST_ABOVE, high - now_s),
                basis=Basis.MEASURED,
            ),
            why="",
            core_c=core,
            readings=self._count,
            faster=(now_s + left) / self.expected.done_s.likely,
        )

    def ahead(self, now_s: float, points: int = 16) -> tuple[tuple[float, float], ...]:
        """Where the middle is heading, as (s from now, C), to done; empty where it can't be told."""
        seen = self.forecast(now_s)
        if seen.left_s is None or self._last is None:
            return ()
        stretch = (now_s + seen.left_s.likely) / self._course_done
        drift = self._last[1] - float(np.interp(now_s / stretch, self._times, self._core))
        found = []
        for i in range(points + 1):
            s = seen.left_s.likely * i / points
            c = float(np.interp((now_s + s) / stretch, self._times, self._core)) + drift * (1 - i / points)
            found.append((s, c))
        return tuple(found)
