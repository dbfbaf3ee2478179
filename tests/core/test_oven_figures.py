"""Ovens: their air, their swing, their hot side and what is learned of them, against values worked out by hand."""

from __future__ import annotations

import math
from itertools import pairwise

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.learning import dots
from kindwhisk.core.learning.effects import Observation, learn
from kindwhisk.core.learning.figures import Figure, priors
from kindwhisk.core.ovens import air, cycling, degrees, times
from kindwhisk.core.ovens.air import Opening, OvenAir
from kindwhisk.core.ovens.browning_map import BrowningMap, hot_side
from kindwhisk.core.ovens.degrees import DegreesSeen
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.ovens.times import BakeTime
from kindwhisk.core.values.estimate import Basis, Estimate

PLAIN = (
    Observation(0.3, ("oven a", "kind x"), 0.1),
    Observation(0.1, ("oven a",), 0.2),
    Observation(-0.2, ("kind x",), 0.1),
)
PRIORS = {"oven a": 0.15, "kind x": 0.08}


def _gaussian(seen: tuple[Observation, ...], names: tuple[str, ...]) -> tuple[list[float], list[list[float]]]:
    """The textbook posterior of a linear Gaussian model."""
    rows = np.array([[float(n in o.effects) for n in names] for o in seen])
    weights = np.diag([1 / o.noise**2 for o in seen])
    precision = np.diag([1 / PRIORS[n] ** 2 for n in names]) + rows.T @ weights @ rows
    covariance = np.linalg.inv(precision)
    mean = covariance @ rows.T @ weights @ np.array([o.value for o in seen])
    return mean.tolist(), covariance.tolist()


def test_without_mistakes_learning_is_the_gaussian_posterior() -> None:
    found = learn(PLAIN, PRIORS, wrong=0)
    mean, covariance = _gaussian(PLAIN, ("kind x", "oven a"))
    assert found.names == ("kind x", "oven a")
    assert [found.mean[n] for n in found.names] == pytest.approx(mean)
    assert found.covariance.tolist() == [pytest.approx(row) for row in covariance]
    both = found.sum_of(("oven a", "kind x"))
    assert both.mean == pytest.approx(sum(mean))
    assert both.sd == pytest.approx(math.sqrt(sum(map(sum, covariance))))
    unseen = found.sum_of(("oven a", "formula z"), {"formula z": 0.05})
    assert unseen.sd == pytest.approx(math.sqrt(covariance[1][1] + 0.05**2))
    assert unseen.mean == pytest.approx(mean[1])
    assert found.trusted == (1, 1, 1)


def test_one_wrong_bake_among_many_is_hardly_believed() -> None:
    good = [Observation(0.1, ("oven a",), 0.08)] * 5
    found = learn([*good, Observation(2.3, ("oven a",), 0.08)], PRIORS)
    alone = learn(good, PRIORS)
    assert found.trusted[-1] < 0.01
    assert min(found.trusted[:-1]) > 0.9
    assert found.mean["oven a"] == pytest.approx(alone.mean["oven a"], abs=0.02)


def test_a_single_observation_is_weighed_as_a_mixture() -> None:
    value, noise, prior, wrong = 0.2, 0.1, 0.15, 0.05
    parts = []
    for weight, wide in ((1 - wrong, noise), (wrong, noise * 12)):
        total = prior**2 + wide**2
        # One that is wrong tells nothing: it has no gain.
        gain = prior**2 / total if wide == noise else 0.0
        parts.append((weight * math.exp(-(value**2) / 2 / total) / math.sqrt(total), gain))
    whole = sum(p for p, _ in parts)
    expected = sum(p / whole * gain * value for p, gain in parts)
    spread = sum(p / whole * (prior**2 * (1 - g) + (g * value - expected) ** 2) for p, g in parts)
    found = learn([Observation(value, ("oven a",), noise)], PRIORS)
    assert found.mean["oven a"] == pytest.approx(expected)
    assert found.covariance[0, 0] == pytest.approx(spread)
    assert found.trusted[0] == pytest.approx(parts[0][0] / whole)


def test_not_yet_is_the_upper_part_of_the_bell() -> None:
    prior, noise, bound = 0.15, 0.06, 0.1
    found = learn([Observation(bound, ("oven a",), noise, above=True)], PRIORS, wrong=0)
    grid = np.linspace(-1.5, 1.5, 60001)
    above = np.array([0.5 * math.erfc((bound - x) / noise / math.sqrt(2)) for x in grid[::20]])
    weight = np.exp(-(grid[::20] ** 2) / 2 / prior**2) * above
    mean = float((weight * grid[::20]).sum() / weight.sum())
    variance = float((weight * (grid[::20] - mean) ** 2).sum() / weight.sum())
    assert found.mean["oven a"] == pytest.approx(mean, abs=1e-4)
    assert found.covariance[0, 0] == pytest.approx(variance, rel=1e-3)
    unsure = learn([Observation(bound, ("oven a",), noise, above=True)], PRIORS)
    share = 0.5 * math.erfc(bound / math.hypot(prior, noise) / math.sqrt(2))
    assert unsure.trusted[0] == pytest.approx(0.95 * share / (0.95 * share + 0.05 * 0.5))


@given(st.permutations([Observation(v, ("oven a",), 0.08, v > 0.25) for v in (0.1, 0.2, 0.3, -0.1, 0.9)]))
def test_the_order_of_bakes_does_not_matter(seen: list[Observation]) -> None:
    one, other = learn(seen, PRIORS), learn(list(reversed(seen)), PRIORS)
    assert one.mean["oven a"] == pytest.approx(other.mean["oven a"], abs=2e-3)


def test_nothing_seen_is_nothing_learned() -> None:
    empty = learn([], PRIORS)
    assert empty.sum_of(("oven a",), PRIORS) == (0, 0.15)


def bake(name: str, ratio: float, *, oven: str = "a", above: bool = False) -> BakeTime:
    return BakeTime(
        id=name, oven=oven, family="round", formula="f", observed_s=1800 * ratio, modelled_s=1800, above=above
    )


def test_a_bake_lengthens_by_its_oven_its_kind_and_its_formula() -> None:
    seen = bake("1", 1.2).dot.observation
    assert seen.value == pytest.approx(math.log(1.2))
    assert seen.effects == ("oven a", "dial a", "family round", "formula f")
    assert (seen.noise, bake("1", 1.2, above=True).dot.observation.noise) == (0.08, 0.06)
    known = priors(Figure.BAKE, seen.effects)
    assert known == {"oven a": 0.15, "dial a": 0.09, "family round": 0.08, "formula f": 0.05}
    # A dial that a thermometer has checked hides nothing any more.
    checked = bake("1", 1.2).model_copy(update={"checked": True}).dot
    assert checked.effects == ("oven a", "family round", "formula f")


def test_an_unknown_oven_may_be_off_by_what_ovens_differ() -> None:
    unchecked = times.factor_for((), "a")
    assert unchecked.log_sd == pytest.approx(math.hypot(0.15, 0.09))
    found = times.factor_for((), "a", checked=True)
    assert found.factor.likely == 1
    assert found.factor.high == pytest.approx(math.exp(1.4 * 0.15))
    assert found.factor.low == pytest.approx(math.exp(-1.4 * 0.15))
    assert (found.factor.basis, found.bakes, found.trusted) == (Basis.HABIT, 0, False)
    assert found.log_sd == pytest.approx(0.15)
    needed = 0.08**2 * (1 / 0.07**2 - 1 / 0.15**2)
    assert found.trusted_after == math.ceil(needed) == 2
    whole = times.factor_for((), "a", "round", "f", checked=True)
    assert whole.log_sd == pytest.approx(math.sqrt(0.15**2 + 0.08**2 + 0.05**2))


def test_bakes_of_an_oven_are_counted_and_end_in_trust() -> None:
    bakes = tuple(bake(str(i), 1.15) for i in range(12))
    found = times.factor_for((*bakes, bake("x", 1.3, above=True), bake("y", 1, oven="b")), "a", "round", "f")
    assert found.bakes == found.factor.bakes == 12
    assert (found.trusted, found.trusted_after) == (True, 12)
    assert found.factor.basis is Basis.KITCHEN
    assert found.factor.likely == pytest.approx(1.15, abs=0.02)


def test_only_the_last_eighty_bakes_speak() -> None:
    old = tuple(bake(f"o{i}", 2.0) for i in range(40))
    new = tuple(bake(f"n{i}", 1.0) for i in range(80))
    assert times.factor_for((*old, *new), "a", "round", "f").factor.likely == pytest.approx(1.0, abs=0.01)
    assert set(times.trust((*old, *new))) == {f"n{i}" for i in range(80)}


def test_a_time_is_set_right_and_the_bakes_replace_its_own_doubt() -> None:
    done = Estimate.around(1800, 0.2, Basis.MODEL)
    first = times.with_factor(done, (), "a", "round", "f", 0.1)
    assert (first.likely, first.basis, first.bakes) == (1800, Basis.MODEL, 0)
    # Nothing is known of this oven, its dial, the kind, the formula: all of that is in the first range.
    unknown = math.sqrt(0.15**2 + 0.09**2 + 0.08**2 + 0.05**2 + 0.08**2)
    beyond = math.sqrt(0.2**2 - 0.1**2)
    assert first.high / 1800 == pytest.approx(math.exp(math.hypot(1.4 * unknown, beyond)))
    elsewhere = bake("1", 1.2, oven="b").model_copy(update={"family": "x", "formula": "y"})
    assert times.with_factor(done, (elsewhere,), "a", "round", "f", 0.1) == first
    bakes = tuple(bake(str(i), 1.2) for i in range(4))
    found = times.with_factor(done, bakes, "a", "round", "f", 0.1)
    belief = dots.learned(times.dots_of(bakes)).sum_of(times.effects_of("a", "round", "f"))
    further = math.sqrt(0.2**2 - 0.1**2)
    assert found.likely == pytest.approx(1800 * math.exp(belief.mean))
    assert found.high / found.likely == pytest.approx(
        math.exp(math.sqrt((1.4 * belief.sd) ** 2 + (1.4 * 0.08) ** 2 + further**2))
    )
    assert (found.basis, found.bakes) == (Basis.KITCHEN, 4)
    narrow = times.with_factor(Estimate.around(1800, 0.05), bakes, "a", "round", "f", 0.1)
    assert narrow.high / narrow.likely == pytest.approx(math.exp(1.4 * math.hypot(belief.sd, 0.08)))


def seen(
    name: str, off: float, rack: Rack = Rack.MIDDLE, mode: OvenMode = OvenMode.STATIC, noise: float = 3
) -> DegreesSeen:
    return DegreesSeen(id=name, oven="a", set_c=170, measured_c=170 + off, rack=rack, mode=mode, noise_k=noise)


def test_a_thermometers_offset_is_believed_by_its_noise() -> None:
    found = degrees._learned((seen("1", -9),), 0.0).sum_of(("oven a",))
    gain = 12**2 / (12**2 + 3**2)
    assert found.mean == pytest.approx(-9 * gain)
    assert found.sd == pytest.approx(12 * math.sqrt(1 - gain))
    assert seen("1", -9, Rack.TOP, OvenMode.FAN).observation.effects == ("oven a", "place a top", "mode a fan")
    assert degrees.offset_k((), "a") == (0, 12)
    assert degrees.offset_k((), "a", Rack.TOP, OvenMode.FAN).sd == pytest.approx(math.sqrt(12**2 + 5**2 + 5**2))
    assert degrees.trust(()) == ()
    assert len(degrees.trust((seen("1", -9), seen("2", -8)))) == 2


def test_places_and_modes_of_one_oven_differ_less_than_ovens() -> None:
    found = degrees.offset_k(tuple(seen(str(i), -10) for i in range(6)), "a", Rack.TOP)
    assert found.mean == pytest.approx(-10, abs=0.5)
    assert 5 < found.sd < 6
    other = degrees.offset_k(tuple(seen(str(i), -10) for i in range(6)), "b")
    assert other == (0, 12)


def test_a_door_takes_its_share_and_the_oven_comes_back() -> None:
    course = OvenAir(holds_c=180, openings=(Opening(at_s=600, seconds=18),)).course()
    door = 158 * 0.4 * (1 - math.exp(-1))
    loading = 158 * 0.4 * (1 - math.exp(-8 / 18))
    assert course(0) == pytest.approx(180 - loading)
    assert course(599.999) == pytest.approx(180 - loading * math.exp(-600 / 170), abs=0.01)
    assert course(600) == pytest.approx(180 - door - loading * math.exp(-600 / 170))
    assert course(770) == pytest.approx(180 - door * math.exp(-1) - loading * math.exp(-770 / 170))


def test_a_cold_load_takes_more_and_longer_but_never_all() -> None:
    loading = 158 * 0.4 * (1 - math.exp(-8 / 18))
    loaded = OvenAir(holds_c=180, load_kg=2).course()
    assert loaded(0) == pytest.approx(180 - 24 - loading)
    assert loaded(255) == pytest.approx(180 - 24 * math.exp(-1) - loading * math.exp(-1.5))
    full = OvenAir(holds_c=180, load_kg=90).course()
    assert full(0) == pytest.approx(max(22, 180 - 0.6 * 158 - loading))


def test_a_cold_oven_rises_straight_and_a_hot_one_falls_to_its_setting() -> None:
    cold = OvenAir(holds_c=180, starts_c=22, rise_k_per_min=10).course()
    assert cold(300) == pytest.approx(72)
    assert cold(3000) == pytest.approx(180)
    hot = OvenAir(holds_c=160, starts_c=220).course()
    first = 198 * 0.4 * (1 - math.exp(-8 / 18))
    assert hot(340) == pytest.approx(160 + 60 * math.exp(-1) - first * math.exp(-2))
    quick = OvenAir(holds_c=180, recovers_s=60).course()
    assert quick(60) == pytest.approx(180 - 158 * 0.4 * (1 - math.exp(-8 / 18)) * math.exp(-1))


def test_preheating_takes_its_rise_and_two_minutes_for_the_walls() -> None:
    found = air.preheat_s(22, 182, 8)
    assert (found.likely, found.high) == pytest.approx((1320, 1650))
    assert air.preheat_s(200, 180, 8).likely == 120
    assert air.expected_c(300, 20, 180, 8) == pytest.approx(60)
    assert air.expected_c(9999, 20, 180, 8) == 180
    assert air.expected_c(60, 200, 180, 8) == 200


def test_warming_is_read_off_its_straight_middle() -> None:
    def way(t: float) -> float:
        return 20 + 8 * t / 60 if t > 60 else 20 + t / 60

    readings = [(float(t), way(t)) for t in range(0, 1200, 10)]
    assert cycling.heating(readings, 180) == pytest.approx(8, rel=1e-6)
    assert cycling.heating(readings[:4], 180) is None
    assert cycling.heating([(t, c + 121) for t, c in readings], 180) is None
    assert cycling.heating([(t, 20.0) for t, _ in readings], 180) is None
    falling = [(0.0, 20.0), *((float(t), 140.0 - t / 10) for t in range(10, 400, 10))]
    assert cycling.heating(falling, 180) is None


def test_an_oven_swings_by_half_of_its_highest_minus_lowest() -> None:
    readings = [(float(t), 175 + 6 * math.sin(2 * math.pi * t / 150)) for t in range(0, 1500, 5)]
    found = cycling.holding(readings)
    assert found.mean_c == pytest.approx(175, abs=0.1)
    assert found.swing_k == pytest.approx(6, rel=0.03)
    assert found.period_s == pytest.approx(150, rel=0.01)
    assert found.recovers_s is None
    short = cycling.holding(readings[:19])
    assert short == cycling.OvenSeen()
    assert cycling.holding([(t / 10, c) for t, c in readings]).swing_k is None


def test_coming_back_from_a_door_is_timed_from_its_deepest() -> None:
    def oven(t: float) -> float:
        return 180.0 if t < 60 else 180 - 40 * math.exp(-(t - 60) / 170)

    readings = [(float(t), oven(t)) for t in range(0, 1500, 5)]
    found = cycling.holding(readings)
    assert found.recovers_s == pytest.approx(170, abs=6)
    assert found.mean_c == pytest.approx(180, abs=2)
    cut = cycling.holding([r for r in readings if r[0] < 150])
    assert cut.recovers_s is None
    small = [(float(t), 180.0 if t < 60 else 180 - 13 * math.exp(-(t - 60) / 170)) for t in range(0, 1500, 5)]
    assert cycling.holding(small).recovers_s is None


PER_GRADE = 18 * math.log(1.6)


@pytest.mark.parametrize(
    ("right", "behind", "side"),
    [
        (1, 0, "right"),
        (-1, 0, "left"),
        (0, 1, "back"),
        (0, -1, "door side"),
        (1, 1, "back right"),
        (-1, -1, "door side left"),
    ],
)
def test_a_tray_tells_its_hot_side(right: int, behind: int, side: str) -> None:
    rows = tuple(tuple(2 + right * j - behind * i for j in (-1, 0, 1)) for i in (-1, 0, 1))
    clipped = tuple(tuple(min(4, max(0, g)) for g in r) for r in rows)
    found = hot_side(BrowningMap(rows=clipped))
    assert found.side == side
    if abs(right) + abs(behind) == 1:
        assert found.spread_k == pytest.approx(2 * PER_GRADE)
        assert found.sure == pytest.approx(1)
        assert found.places_k[0][2] == pytest.approx((right + behind) * PER_GRADE)
        assert found.places_k[2][0] == pytest.approx(-(right + behind) * PER_GRADE)
    assert f"The {side} browns" in found.advice


def test_an_even_tray_and_a_wild_one_name_no_side() -> None:
    even = hot_side(BrowningMap(rows=((2, 2), (2, 2))))
    assert (even.side, even.sure) == ("", 0)
    assert even.spread_k == pytest.approx(0, abs=1e-9)
    wild = hot_side(BrowningMap(rows=((4, 0, 4), (0, 4, 0), (4, 0, 4), (0, 4, 1))))
    assert wild.side == ""
    assert "Even enough" in wild.advice
    one_dark = hot_side(BrowningMap(rows=((2, 2, 2, 2), (2, 2, 2, 3))))
    rows = np.array([[1, x, y] for y in (1, -1) for x in (-1, -1 / 3, 1 / 3, 1)])
    plane = np.linalg.inv(rows.T @ rows) @ rows.T @ np.array([2, 2, 2, 2, 2, 2, 2, 3])
    assert one_dark.spread_k == pytest.approx(2 * (abs(plane[1]) + abs(plane[2])) * PER_GRADE)
    assert one_dark.side == "door side right"


def test_empty_places_are_left_out_and_the_map_must_be_a_grid() -> None:
    found = hot_side(BrowningMap(rows=((None, 2, 3), (1, None, 3), (1, 2, None))))
    assert found.side == "right"
    assert found.places_k[0][2] - found.places_k[0][0] == pytest.approx(2 * PER_GRADE)
    with pytest.raises(ValueError, match="equally long"):
        BrowningMap(rows=((1, 2), (1, 2, 3)))
    with pytest.raises(ValueError, match="four marked"):
        BrowningMap(rows=((1, 2), (1, None)))
    assert BrowningMap(rows=((1, 2), (1, 2))).rows[0][1] == 2


def test_the_period_is_the_mean_of_all_cycles() -> None:
    readings, at = [], 0.0
    for length in (100.0, 140.0, 120.0, 160.0, 130.0):
        for i in range(20):
            readings.append((at + i * length / 20, 180 + 5 * math.sin(2 * math.pi * i / 20)))
        at += length
    crossed = [t for (_, a), (t, b) in pairwise(readings) if a <= 181.5 < b]
    found = cycling.holding(readings)
    assert found.period_s == pytest.approx((crossed[-1] - crossed[1]) / (len(crossed) - 2), rel=0.12)
