"""The filter of a watched pot against the same filter written in matrices."""

from __future__ import annotations

import math

import numpy as np
import pytest

from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.track import Track, usual_power_w

POT, TARGET = Pot(sugar_g=200, water_g=60), 118.0
AT_BOIL = math.hypot(0.06, 0.12 / POT.warming_kj_per_k)
"""What the flame gives beforehand is off by this share, and by what the pan may take."""


class Filter:
    """An extended Kalman filter on heat left (kJ), net power (kW) and the probe (C), as the textbooks write it."""

    def __init__(self, reading_c: float, mean_kw: float, deviation_kw: float) -> None:
        left = POT.heat_left_kj(reading_c, TARGET)
        self.x = np.array([left, mean_kw, reading_c])
        self.p = np.diag([(1 / self.slope(left)) ** 2, deviation_kw**2, 1.0])
        self.boiling = reading_c >= POT.boils_from_c

    @staticmethod
    def slope(left: float) -> float:
        return max(1e-4, POT.celsius_at(left - 0.25, TARGET) - POT.celsius_at(left, TARGET)) / 0.25

    def step(self, dt: float) -> None:
        self.x[0] -= self.x[1] * dt
        slope, syrup = self.slope(self.x[0]), POT.celsius_at(self.x[0], TARGET)
        keeps = math.exp(-dt / 6)
        self.x[2] = syrup + (self.x[2] - syrup) * keeps
        moves = np.array([[1, -dt, 0], [0, 1, 0], [-(1 - keeps) * slope, (1 - keeps) * slope * dt, keeps]])
        power = max(self.x[1], 0.15)
        noise = np.diag([0.02**2, (0.012 * power) ** 2, 0.05**2]) * dt
        if not self.boiling and syrup >= POT.boils_from_c:
            self.boiling = True
            noise[1, 1] += (AT_BOIL * power) ** 2
        self.p = moves @ self.p @ moves.T + noise

    def take(self, reading_c: float, noise_k: float) -> float:
        """The logarithm of its likelihood, without constants."""
        sees = np.array([[0.0, 0.0, 1.0]])
        variance = float((sees @ self.p @ sees.T)[0, 0]) + noise_k**2
        off = math.sqrt(variance)
        miss = float(np.clip(reading_c - self.x[2], -3 * off, 3 * off))
        gain = (self.p @ sees.T)[:, 0] / variance
        self.x = self.x + gain * miss
        self.x[1] = min(2.5, max(0.0, self.x[1]))
        self.p = (np.eye(3) - np.outer(gain, sees[0])) @ self.p
        return -0.5 * (miss**2 / variance + math.log(variance))


def _readings(power_kw: float, seconds: int) -> list[float]:
    """What a probe with a lag would show of a pot on a steady flame."""
    left, probe, found = POT.heat_left_kj(60, TARGET), 60.0, []
    for t in range(seconds):
        left -= power_kw
        syrup = POT.celsius_at(left, TARGET)
        probe = syrup + (probe - syrup) * math.exp(-1 / 6)
        found.append(probe + 0.3 * math.sin(7 * t))
    return found


def test_the_filter_is_the_textbooks() -> None:
    mean, deviation = usual_power_w(1000)
    assert (mean, deviation) == (600, 250)
    track, reference = Track.begin(POT, TARGET, 0, 60, (mean, deviation)), Filter(60, 0.6, 0.25)
    logs = 0.0
    for t, reading in enumerate(_readings(0.55, 240), start=1):
        track.until(t)
        reference.step(1.0)
        assert track.expected(0.4) == pytest.approx((reference.x[2], reference.p[2, 2] + 0.16))
        track.take(reading, 0.4, 1.0)
        logs += reference.take(reading, 0.4)
        assert (track.left_kj, track.power_kw, track.probe_c) == pytest.approx(tuple(reference.x), rel=1e-6)
        assert np.array(track.sure) == pytest.approx(reference.p, rel=1e-6, abs=1e-12)
    assert track.boiling
    assert track.doubted_at_s == -math.inf
    assert track.log_weight == pytest.approx(logs)
    assert track.power_kw == pytest.approx(0.55, rel=0.1)
    assert track.knows_power
    assert track.syrup_c == pytest.approx(POT.celsius_at(track.left_kj, TARGET))
    assert track.rate_k_per_s == pytest.approx(track.power_kw * Filter.slope(track.left_kj))


def test_a_long_silence_is_gone_through_in_short_steps() -> None:
    track, reference = Track.begin(POT, TARGET, 0, 60, (600, 250)), Filter(60, 0.6, 0.25)
    track.until(12)
    for dt in (5.0, 5.0, 2.0):
        reference.step(dt)
    assert (track.left_kj, track.power_kw, track.probe_c) == pytest.approx(tuple(reference.x))
    assert np.array(track.sure) == pytest.approx(reference.p)
    track.until(12)
    assert track.t_s == 12


def test_time_to_the_target_has_the_deviation_of_a_quotient() -> None:
    track = Track.begin(POT, TARGET, 0, 110, (600, 0))
    track.sure = [[4.0, 0.3, 0], [0.3, 0.0025, 0], [0, 0, 1]]
    left, power = track.left_kj, 0.6
    time = left / power
    variance = 4 / power**2 + left**2 * 0.0025 / power**4 - 2 * left * 0.3 / power**3 + 0.012**2 * time**3 / 3
    assert track.boiling
    assert track.to_target() == pytest.approx((time, math.sqrt(max(variance, 1))))
    assert track.to_target(0)[0] == 0
    assert track.to_target(30.0)[0] == pytest.approx(50)
    cold = Track.begin(POT, TARGET, 0, 60, (600, 0))
    boil = POT.heat_left_kj(POT.boils_from_c, TARGET)
    time = cold.left_kj / 0.6
    slope = Filter.slope(cold.left_kj)
    variance = (1 / slope / 0.6) ** 2 + 0.012**2 * time**3 / 3 + (AT_BOIL * boil / 0.6) ** 2
    assert cold.to_target()[1] == pytest.approx(math.sqrt(variance))
    out = Track.begin(POT, TARGET, 0, 60, (0, 0))
    assert out.to_target() == (math.inf, math.inf)
    sure = Track.begin(POT, TARGET, 0, 117.9, (900, 0))
    sure.sure = [[0.0] * 3 for _ in range(3)]
    assert sure.to_target()[1] == 1


def test_a_flame_that_was_changed_is_doubted_after_a_run_of_misses() -> None:
    track = Track.begin(POT, TARGET, 0, 60, (550, 50))
    steady = _readings(0.55, 120)
    for t, reading in enumerate(steady, start=1):
        track.until(t)
        track.take(reading, 0.4, 1.0)
    assert track.doubted_at_s == -math.inf
    before = track.sure[1][1]
    for t in range(121, 160):
        track.until(t)
        track.take(track.probe_c + 3, 0.4, 1.0)
        if track.doubted_at_s > 0:
            break
    assert 121 < track.doubted_at_s < 150
    assert track.sure[1][1] > before + (0.4 * 0.55) ** 2
    assert track.drift == 0


def test_readings_far_apart_never_doubt_the_flame() -> None:
    track = Track.begin(POT, TARGET, 0, 60, (550, 50))
    for n in range(1, 20):
        track.until(20.0 * n)
        track.take(track.probe_c + 6, 0.6, 20.0)
    assert track.doubted_at_s == -math.inf


def test_begun_again_from_a_reading_it_keeps_what_it_knows_of_the_flame() -> None:
    track = Track.begin(POT, TARGET, 0, 60, (550, 50))
    track.drift, track.sure[1][1] = 0.7, 0.0042
    track.place(111, within_k=3)
    assert (track.probe_c, track.boiling, track.drift) == (111, True, 0)
    assert track.left_kj == pytest.approx(POT.heat_left_kj(111, TARGET))
    assert track.sure[0][0] == pytest.approx((3 / Filter.slope(track.left_kj)) ** 2)
    assert (track.sure[1][1], track.sure[2][2]) == (0.0042, 9)
    track.place(60, within_k=1)
    assert track.boiling is False


def test_a_power_is_known_to_about_a_third() -> None:
    track = Track.begin(POT, TARGET, 0, 60, (600, 209))
    assert track.knows_power
    assert not Track.begin(POT, TARGET, 0, 60, (600, 211)).knows_power
    assert not Track.begin(POT, TARGET, 0, 60, (74, 1)).knows_power
    low, likely, high = 350, 550, 850
    assert usual_power_w(None) == pytest.approx((likely, likely * math.log(high / low) / 2.8))
