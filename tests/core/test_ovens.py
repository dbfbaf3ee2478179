"""Learning an oven: its pace from bakes, its degrees from a thermometer, its swing from a probe, its hot side from a
map; and following a bake by its middle."""

from __future__ import annotations

import math
import random

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.baking.course import InOven, course
from kindwhisk.core.baking.follow import CrumbFollower
from kindwhisk.core.baking.predict import OWN_SPREAD, predict
from kindwhisk.core.learning.effects import Observation, learn
from kindwhisk.core.ovens.air import Opening, OvenAir
from kindwhisk.core.ovens.browning_map import Brown, BrowningMap, hot_side
from kindwhisk.core.ovens.cycling import heating, holding
from kindwhisk.core.ovens.degrees import DegreesSeen, offset_k
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.ovens.times import BakeTime, factor_for, with_factor
from kindwhisk.core.process.oven_watching import BakeWatching, PreheatWatching
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin
from kindwhisk.core.values.estimate import Basis, Estimate

PRIOR = {"oven": 0.15}


def bakes(*ratios: float, oven: str = "a", family: str = "tube", formula: str = "f") -> tuple[BakeTime, ...]:
    return tuple(
        BakeTime(
            id=f"{oven}-{family}-{i}", oven=oven, family=family, formula=formula, observed_s=1800 * r, modelled_s=1800
        )
        for i, r in enumerate(ratios)
    )


def test_factors_by_the_reference_values() -> None:
    seen = [Observation(math.log(m / 30), ("oven",), 0.10) for m in (36, 35, 33)]
    for count, factor, sd in ((1, 1.1345, 0.0832), (2, 1.1476, 0.0640), (3, 1.1336, 0.0539)):
        belief = learn(seen[:count], PRIOR, wrong=0).sum_of(("oven",))
        assert math.exp(belief.mean) == pytest.approx(factor, abs=1e-4)
        assert belief.sd == pytest.approx(sd, abs=1e-4)


def test_still_raw_at_is_never_dropped() -> None:
    raw = learn([Observation(math.log(1.10), ("oven",), 0.10, above=True)], PRIOR, wrong=0).sum_of(("oven",))
    assert math.exp(raw.mean) == pytest.approx(1.156, abs=1e-3)
    assert raw.sd == pytest.approx(0.105, abs=1e-3)
    given_up = BakeTime(id="x", oven="a", family="tube", formula="f", observed_s=2200, modelled_s=1800, above=True)
    assert factor_for((given_up,), "a").factor.likely > 1.03
    assert factor_for((given_up,), "a").bakes == 0


@given(st.permutations([0.05, 0.12, 0.09, 0.7, 0.11, 0.02, 0.1]))
def test_the_order_of_bakes_does_not_matter_and_one_wrong_among_them_does_not_fool(logs: list[float]) -> None:
    found = learn([Observation(v, ("oven",), 0.08) for v in logs], PRIOR)
    belief = found.sum_of(("oven",))
    assert belief.mean == pytest.approx(0.078, abs=0.012)
    assert found.trusted[logs.index(0.7)] < 0.05
    assert min(t for t, v in zip(found.trusted, logs, strict=True) if v != 0.7) > 0.9


def test_five_bakes_foretell_the_next_within_eight_percent_even_with_an_outlier_in_ten() -> None:
    rng, misses = random.Random(7), []
    for _ in range(60):
        oven, kind = rng.gauss(0, 0.15), rng.gauss(0, 0.08)
        logs = [oven + kind + rng.gauss(0, 0.07) for _ in range(5)]
        if rng.random() < 0.5:
            logs[rng.randrange(5)] += 0.6
        told = factor_for(bakes(*(math.exp(v) for v in logs)), "a", "tube", "f")
        misses.append(abs(told.factor.likely / math.exp(oven + kind) - 1))
    assert sorted(misses)[len(misses) // 2] < 0.04
    assert sorted(misses)[int(len(misses) * 0.8)] < 0.08


def test_a_factor_is_trusted_after_enough_bakes_and_says_so_before() -> None:
    one, six = factor_for(bakes(1.1), "a", "tube", "f"), factor_for(bakes(*[1.1] * 6), "a", "tube", "f")
    assert not one.trusted
    assert one.trusted_after > 1
    assert six.trusted
    assert six.factor.likely == pytest.approx(1.1, abs=0.02)


def test_what_one_formula_teaches_an_oven_helps_another_but_less() -> None:
    model = Estimate.around(1800, OWN_SPREAD, Basis.FORMULA)
    known = bakes(*[1.2] * 5)
    same = with_factor(model, known, "a", "tube", "f", OWN_SPREAD)
    other = with_factor(model, known, "a", "sheet", "g", OWN_SPREAD)
    elsewhere = with_factor(model, known, "b", "sheet", "g", OWN_SPREAD)
    assert same.likely > other.likely > 1800
    assert same.basis is Basis.KITCHEN
    assert same.bakes == 5
    assert same.high / same.low < other.high / other.low
    assert (elsewhere.likely, elsewhere.basis) == (model.likely, model.basis)
    # What a strange oven may do, not what the formula's author wrote.
    assert elsewhere.high / elsewhere.low > model.high / model.low


def test_a_thermometer_tells_degrees_within_two_kelvin_by_place_and_mode() -> None:
    rng = random.Random(3)
    seen = [
        DegreesSeen(
            id=str(i), oven="a", set_c=t, measured_c=t - 14 + (5 if r is Rack.TOP else 0) + rng.gauss(0, 2), rack=r
        )
        for i, (t, r) in enumerate([(t, r) for t in (160, 170, 180, 190) for r in (Rack.MIDDLE, Rack.TOP)])
    ]
    seen.append(DegreesSeen(id="wrong", oven="a", set_c=170, measured_c=215))
    middle, top = offset_k(tuple(seen), "a"), offset_k(tuple(seen), "a", Rack.TOP)
    assert middle.mean == pytest.approx(-14, abs=2)
    assert top.mean > middle.mean + 1
    assert offset_k(tuple(seen), "a", mode=OvenMode.FAN).sd > middle.sd
    assert offset_k(tuple(seen), "b").mean == 0


def test_a_probe_tells_the_pace_the_swing_and_the_way_back_of_an_oven() -> None:
    warming = [(t, 22 + t * 9 / 60) for t in range(0, 960, 10)]
    assert heating(warming, 170) == pytest.approx(9, rel=0.02)
    assert heating(warming[:4], 170) is None
    hold = [(float(t), 168 + 6 * math.sin(2 * math.pi * t / 240)) for t in range(0, 1800, 5)]
    seen = holding(hold)
    assert seen.mean_c == pytest.approx(168, abs=0.5)
    assert seen.swing_k == pytest.approx(6, abs=0.4)
    assert seen.period_s == pytest.approx(240, rel=0.05)
    air = OvenAir(holds_c=170, recovers_s=150, openings=(Opening(at_s=300, seconds=30),)).course()
    opened = holding([(float(t), air(t)) for t in range(200, 1800, 5)])
    assert opened.recovers_s == pytest.approx(150, rel=0.25)


def test_a_browning_map_finds_the_hot_side_and_leaves_an_even_oven_alone() -> None:
    rows = tuple(tuple(Brown(min(4, 1 + (j >= 2) + (i == 0))) for j in range(4)) for i in range(3))
    told = hot_side(BrowningMap(rows=rows))
    assert told.side == "back right"
    assert 8 < told.spread_k < 30
    assert told.places_k[0][3] > 0 > told.places_k[2][0]
    assert hot_side(BrowningMap(rows=((2, 2, 2), (2, 2, 2)))).side == ""
    with pytest.raises(ValueError, match="equally long"):
        BrowningMap(rows=((2, 2, 2), (2, 2)))


ROUND = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=80))


def supposed(oven_c: float = 170, starts: float | None = None) -> InOven:
    air = OvenAir(holds_c=oven_c, starts_c=starts, load_kg=0.5)
    return InOven(tin=ROUND, fill_mm=40, density=0.42, air=air)


@given(st.floats(0.75, 1.35), st.sampled_from([0.0, 0.1]))
def test_the_middle_tells_when_it_is_done_whatever_the_pace(pace: float, aside: float) -> None:
    expected = predict(supposed())
    follower, way = CrumbFollower(supposed(), expected), course(supposed())
    done = (way.done_s or 0) * pace
    before = follower.forecast(0)
    assert before.left_s is None
    assert before.why
    t = 0.0
    while t < 0.75 * done:
        t += 20
        now = way.at(t / pace)
        follower.take(t, now.core_c + aside * (now.edge_c - now.core_c))
    told = follower.forecast(t)
    assert told.left_s is not None
    assert told.left_s.low <= told.left_s.likely <= told.left_s.high
    assert t + told.left_s.likely == pytest.approx(done, rel=0.09)
    assert follower.ahead(t)[-1][1] == pytest.approx(supposed().finished_c, abs=3)


def test_a_probe_in_the_air_is_told_of_and_one_that_is_done_says_so() -> None:
    outside = CrumbFollower(supposed(), predict(supposed()))
    for t in range(0, 600, 20):
        outside.take(t, 165)
    assert outside.forecast(600).strange
    assert outside.forecast(600).left_s is None
    done = CrumbFollower(supposed(), predict(supposed()))
    for t in range(0, 2400, 20):
        done.take(t, course(supposed()).at(t).core_c)
    left = done.forecast(2400).left_s
    assert left is not None
    assert left.likely == 0


def test_an_oven_that_holds_less_than_it_should_moves_the_forecast_before_the_middle_can() -> None:
    watching = BakeWatching(supposed(), predict(supposed()))
    for t in range(0, 400, 10):
        watching.take(t, 22)
        watching.take_beside(t, 150)
    cool = watching.view(400)
    assert cool.left_s is not None
    assert cool.left_s.likely + 400 > predict(supposed()).done_s.likely + 120
    assert cool.beside_c == 150


def test_a_bake_that_went_into_an_oven_that_was_not_hot_is_later() -> None:
    watching = BakeWatching(supposed(), predict(supposed()))
    air = OvenAir(holds_c=170, starts_c=60, load_kg=0.5).course()
    for t in range(0, 900, 10):
        watching.take_beside(t, air(t))
    cold = watching.view(900)
    assert cold.left_s is not None
    truly = supposed(starts=60)
    assert 900 + cold.left_s.likely == pytest.approx(course(truly).done_s, rel=0.06)
    assert 900 + cold.left_s.likely > predict(supposed()).done_s.likely + 180


def test_a_preheat_is_over_when_the_walls_are_hot_too() -> None:
    watching = PreheatWatching(170, 8)
    assert watching.view(0).left_s is None
    for t in range(0, 600, 10):
        watching.take(t, 22 + t * 10 / 60)
    told = watching.view(600).left_s
    assert told is not None
    assert told.likely == pytest.approx((170 - 122) / 10 * 60 + 120, rel=0.12)
    for t in range(600, 1000, 10):
        watching.take(t, min(170, 22 + t * 10 / 60))
    there = watching.view(1000).left_s
    assert there is not None
    assert there.likely < 120
    cold = PreheatWatching(170, 8)
    for t in range(0, 300, 10):
        cold.take(t, 24)
    assert cold.view(300).left_s is None
    assert "is it on" in cold.view(300).why
