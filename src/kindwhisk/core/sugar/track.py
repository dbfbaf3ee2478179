"""One supposed pot, followed through its readings: heat left, net power and the probe, by an extended Kalman filter.

In temperature a boiling pot bends; in heat left to the target it is a straight line. Source: energy balance of
``boiling.py``; the figures of noise and of the flame's wandering are those of the pot reference model.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

from kindwhisk.core.sugar.boiling import NET_SHARE, Pot, net_power_range_w
from kindwhisk.core.sugar.limits import LEVEL_S, MOVED_SHARE

PROBE_LAG_S = 6.0
POWER_WALK = 0.012
"""Net power wanders by this share in a second (times the root of the time)."""
HEAT_WALK_KW = 0.02
PROBE_WALK_K = 0.05
LONGEST_STEP_S = 5.0
AT_BOIL_SHARE = 0.06
"""What the flame gives while it warms tells its power at the boil only to about this share, were the pan known."""
PAN_DOUBT_KJ_PER_K = 0.12
"""How far off what the pan takes may be."""
RATED_DOUBT = 0.25
"""Of a ring's rated power, how far off its net share may be."""
CHANGED_SHARE = 0.45
"""How much the power is doubted once readings drift from what it would give."""
DRIFT_LIMIT = 3.6
DRIFT_FADES = 0.85
LEAST_KW = 0.15
MOST_KW = 2.5
"""No ring puts more than this into a pot of syrup."""
CLIPPED_AT = 3.0
"""A reading pulls as if it were at most so many deviations off."""

Matrix = list[list[float]]


@dataclass
class Track:
    """The state at ``t_s``: heat left (kJ), net power (kW), what the probe shows (C), and how sure (a covariance)."""

    pot: Pot
    target_c: float
    t_s: float
    left_kj: float
    probe_c: float
    power_kw: float
    sure: Matrix
    log_weight: float = 0.0
    boiling: bool = False
    drift: float = 0.0
    doubted_at_s: float = -math.inf
    """When its power was last doubted: readings ran away from what it would give."""
    level_kw: float = 0.0
    """What its power was like over the last minute, in this phase of the boil; 0 while it is not known."""
    level_boiling: bool = False

    @classmethod
    def begin(cls, pot: Pot, target_c: float, t_s: float, reading_c: float, power_w: tuple[float, float]) -> Track:
        """From the first reading, with the net power (mean and deviation, W) that one would expect."""
        left = pot.heat_left_kj(reading_c, target_c)
        slope = _slope(pot, left, target_c)
        mean, deviation = power_w[0] / 1000, power_w[1] / 1000
        return cls(
            pot=pot,
            target_c=target_c,
            t_s=t_s,
            left_kj=left,
            probe_c=reading_c,
            power_kw=mean,
            sure=[[(1.0 / slope) ** 2, 0, 0], [0, deviation**2, 0], [0, 0, 1.0]],
            boiling=reading_c >= pot.boils_from_c,
        )

    @property
    def syrup_c(self) -> float:
        """Where the syrup itself is by now; the probe lags behind it."""
        return self.pot.celsius_at(self.left_kj, self.target_c)

    @property
    def rate_k_per_s(self) -> float:
        """How fast the syrup climbs."""
        return self.power_kw * _slope(self.pot, self.left_kj, self.target_c)

    @property
    def at_boil_share(self) -> float:
        """By how much the power at the boil may differ from what it was while it warmed: a heavy pan took its part."""
        return math.hypot(AT_BOIL_SHARE, PAN_DOUBT_KJ_PER_K / self.pot.warming_kj_per_k)

    @property
    def flame_changed(self) -> bool:
        """Whether its power has moved away from where it was, and not because it began to boil."""
        return self.level_kw > 0 and abs(self.power_kw / self.level_kw - 1) > MOVED_SHARE

    def _level(self, gap_s: float) -> None:
        if self.boiling is not self.level_boiling:
            self.level_kw, self.level_boiling = 0.0, self.boiling
        if self.level_kw > 0:
            self.level_kw += (self.power_kw - self.level_kw) * (1 - math.exp(-gap_s / LEVEL_S))
        elif self.knows_power:
            self.level_kw = self.power_kw

    @property
    def knows_power(self) -> bool:
        """Whether the readings have told the power to about a third."""
        return self.power_kw > LEAST_KW / 2 and math.sqrt(max(self.sure[1][1], 0.0)) < 0.35 * self.power_kw

    def until(self, t_s: float) -> None:
        """On to a moment without a reading."""
        while self.t_s < t_s - 1e-9:
            self._step(min(LONGEST_STEP_S, t_s - self.t_s))

    def _step(self, dt: float) -> None:
        """The prediction of the filter over ``dt`` seconds.

        ``H' = H - P dt``, ``P' = P``, ``C' = T(H') + (C - T(H')) exp(-dt/6 s)``: heat left (kJ), net power (kW), and
        what the probe shows (C), which lags behind the syrup T.
        """
        self.t_s += dt
        self.left_kj -= self.power_kw * dt
        slope = _slope(self.pot, self.left_kj, self.target_c)
        syrup, keeps = self.syrup_c, math.exp(-dt / PROBE_LAG_S)
        self.probe_c = syrup + (self.probe_c - syrup) * keeps
        takes = -(1 - keeps) * slope
        power = max(self.power_kw, LEAST_KW)
        noise = [(HEAT_WALK_KW**2) * dt, (POWER_WALK * power) ** 2 * dt, PROBE_WALK_K**2 * dt]
        if not self.boiling and syrup >= self.pot.boils_from_c:
            self.boiling = True
            noise[1] += (self.at_boil_share * power) ** 2
        # P is symmetric: six of its nine entries.
        (a, b, c), (_, d, e), (_, _, f) = self.sure
        # F P F' + Q with F = [[1, -dt, 0], [0, 1, 0], [takes, -takes dt, keeps]], written out: it is done every second.
        heat = a - 2 * dt * b + dt * dt * d
        cross = b - dt * d
        heat_probe = takes * heat + keeps * (c - dt * e)
        power_probe = takes * cross + keeps * e
        probe = takes * takes * heat + 2 * takes * keeps * (c - dt * e) + keeps * keeps * f
        self.sure = [
            [heat + noise[0], cross, heat_probe],
            [cross, d + noise[1], power_probe],
            [heat_probe, power_probe, probe + noise[2]],
        ]

    def expected(self, noise_k: float) -> tuple[float, float]:
        """What a reading should be now and its variance."""
        return self.probe_c, self.sure[2][2] + noise_k**2

    def take(self, reading_c: float, noise_k: float, gap_s: float) -> None:
        """Learn from a reading at this moment, ``gap_s`` after the one before."""
        guess, variance = self.expected(noise_k)
        off = math.sqrt(variance)
        miss = min(max(reading_c - guess, -CLIPPED_AT * off), CLIPPED_AT * off)
        self.log_weight += -0.5 * (miss * miss / variance + math.log(variance))
        gain = [row[2] / variance for row in self.sure]
        self.left_kj += gain[0] * miss
        self.power_kw = min(MOST_KW, max(0.0, self.power_kw + gain[1] * miss))
        self.probe_c += gain[2] * miss
        self.sure = [[self.sure[i][j] - gain[i] * self.sure[2][j] for j in range(3)] for i in range(3)]
        # A run of misses on one side, not a single large one, tells of another flame: their fading mean is set beside
        # the deviation that it has when nothing changes.
        fades = DRIFT_FADES ** min(gap_s, 10.0)
        self.drift = fades * self.drift + (1 - fades) * miss / off
        deviation = math.sqrt((1 - fades) / (1 + fades))
        if gap_s <= LONGEST_STEP_S and abs(self.drift) > DRIFT_LIMIT * deviation:
            self.doubted_at_s = self.t_s
            self.sure[1][1] = min(self.sure[1][1] + (CHANGED_SHARE * max(self.power_kw, LEAST_KW)) ** 2, MOST_KW**2 / 4)
            self.drift = 0.0
        self._level(gap_s)

    def place(self, reading_c: float, within_k: float) -> None:
        """Begin again from a reading: something happened that no flame does."""
        self.left_kj = self.pot.heat_left_kj(reading_c, self.target_c)
        self.probe_c = reading_c
        self.boiling = reading_c >= self.pot.boils_from_c
        slope = _slope(self.pot, self.left_kj, self.target_c)
        self.sure = [[(within_k / slope) ** 2, 0, 0], [0, self.sure[1][1], 0], [0, 0, within_k**2]]
        self.drift = 0.0

    def to_target(self, left_kj: float | None = None) -> tuple[float, float]:
        """Seconds until ``left_kj`` (default all) is taken up, with their deviation; infinite without a flame."""
        left = self.left_kj if left_kj is None else left_kj
        power = self.power_kw
        if power <= 1e-3:
            return math.inf, math.inf
        time = left / power
        (a, b, _), (_, d, _), _ = self.sure
        # t = H/P: var t = var H/P² + H² var P/P⁴ - 2 H cov/P³; a power that wanders adds with the cube of the time.
        variance = a / power**2 + left**2 * d / power**4 - 2 * left * b / power**3
        variance += POWER_WALK**2 * abs(time) ** 3 / 3
        if not self.boiling:
            boil = self.pot.heat_left_kj(min(self.pot.boils_from_c, self.target_c), self.target_c)
            variance += (self.at_boil_share * min(boil, max(left, 0.0)) / power) ** 2
        return time, math.sqrt(max(variance, 1.0))


def _slope(pot: Pot, left_kj: float, target_c: float) -> float:
    """Kelvin that a kilojoule is worth here; more than none."""
    here = pot.celsius_at(left_kj, target_c)
    return max(1e-4, pot.celsius_at(left_kj - 0.25, target_c) - here) / 0.25


def usual_power_w(power_w: float | None) -> tuple[float, float]:
    """Net power to begin with, mean and deviation in W, for a ring's rated power or an unknown one."""
    if power_w is None:
        return net_power_range_w()
    return NET_SHARE * power_w, RATED_DOUBT * power_w
