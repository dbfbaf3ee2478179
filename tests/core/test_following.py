"""A probe in a cake that does not keep to its course: the later the readings, the more their own curve leads."""

from __future__ import annotations

import statistics

import pytest

from benchmarks.cakes import followed
from kindwhisk.core.baking.course import InOven
from kindwhisk.core.baking.follow import CrumbFollower
from kindwhisk.core.baking.predict import predict
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin

TIN = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=80))
CONTENT = InOven(tin=TIN, fill_mm=40, density=0.45, air=OvenAir(holds_c=170, load_kg=0.6))
EXPECTED = predict(CONTENT)
TAKES_S = EXPECTED.done_s.likely


@pytest.mark.parametrize("physics", ["swelling", "steaming"])
def test_cakes_of_other_physics_are_told_late_in_the_bake(physics: str) -> None:
    """A few of those that ``./whisk measure`` bakes, by other seeds."""
    late = [told for seed in (900, 901, 902) for told in followed(physics, seed) if told.at == 0.75]
    offs = [abs(t.off) for t in late if t.off is not None]
    assert len(offs) == 3
    assert statistics.median(offs) < 0.06
    assert sum(t.inside for t in late) >= 2


def left(follower: CrumbFollower, now_s: float) -> tuple[float, float]:
    """Seconds to done, and how wide their range is."""
    told = follower.forecast(now_s).left_s
    assert told is not None
    return told.likely, told.high - told.low


def test_the_range_narrows_as_less_is_to_come() -> None:
    follower, widths = CrumbFollower(CONTENT, EXPECTED), []
    for t in range(0, int(0.92 * TAKES_S), 20):
        follower.take(t, EXPECTED.at(t).core_c)
        if t in {20 * round(share * TAKES_S / 20) for share in (0.4, 0.6, 0.8, 0.9)}:
            widths.append(left(follower, t)[1])
    assert len(widths) == 4
    assert widths == sorted(widths, reverse=True)
    assert widths[0] > 4 * widths[-1]


def test_a_cake_that_was_slow_at_first_is_not_taken_for_slow_to_the_end() -> None:
    """A door held open costs five minutes once; the curve is the usual one from then on."""
    follower, lost_s = CrumbFollower(CONTENT, EXPECTED), 300.0
    stop = 0.75 * TAKES_S + lost_s
    for t in range(0, int(stop), 20):
        at = t if t < 400 else max(400.0, t - lost_s)
        follower.take(t, EXPECTED.at(at).core_c)
    told, _ = left(follower, stop)
    assert told == pytest.approx(0.25 * TAKES_S, rel=0.25)


def test_what_was_read_wrongly_early_is_forgotten() -> None:
    clean, slipped = CrumbFollower(CONTENT, EXPECTED), CrumbFollower(CONTENT, EXPECTED)
    for t in range(0, int(0.8 * TAKES_S), 20):
        core = EXPECTED.at(t).core_c
        clean.take(t, core)
        slipped.take(t, core + (12 if 300 < t < 420 else 0))
    assert left(slipped, 0.8 * TAKES_S)[0] == pytest.approx(left(clean, 0.8 * TAKES_S)[0], rel=0.02)
