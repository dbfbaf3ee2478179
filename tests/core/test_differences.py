"""Two bakes side by side: what is out of the usual comes first, whatever the form's order."""

from __future__ import annotations

import random
import statistics

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.charts.differences import differences, out_by, spread_of
from kindwhisk.core.charts.in_short import in_short
from kindwhisk.core.charts.trend import Told, own_band, trend
from kindwhisk.core.diagnosis.explanation import explain
from kindwhisk.core.diagnosis.faults import Family
from kindwhisk.core.diagnosis.signs import Seen
from kindwhisk.core.measures import BakeMeasure, Fact, measure, off_by_range
from kindwhisk.core.values.estimate import Basis, Estimate
from tests.bench.helpers import BEGAN

HABIT = Estimate(low=0.40, likely=0.44, high=0.48, basis=Basis.HABIT)


def batter(value: float) -> BakeMeasure:
    return measure("fold/batter", "Fold: batter", value, "g/ml", expected=HABIT, step="fold")


def baked(minutes: float, of: float) -> BakeMeasure:
    return measure("bake/time", "Bake: time", minutes, "min", of=of, step="bake")


def told(values: list[float], stars: int | None = 4) -> list[Told]:
    return [
        Told(bake=f"b{i}", at=BEGAN, title="Tea chiffon", stars=stars, faults=(), measure=batter(v))
        for i, v in enumerate(values)
    ]


def test_what_is_further_out_of_the_usual_comes_first() -> None:
    a = (batter(0.43), measure("x/time", "Cool: time", 100, "min", of=100.0))
    b = (batter(0.50), measure("x/time", "Cool: time", 160, "min", of=100.0))
    usual = {"fold/batter": [0.43, 0.435, 0.44, 0.43, 0.436], "x/time": [0.6, 1.0, 1.5, 1.9, 0.8]}
    found = differences((a, ()), (b, ()), usual, {})
    assert [d.key for d in found] == ["fold/batter", "x/time"]
    assert found[0].out > 2 > found[1].out
    assert (found[0].said_a, found[0].said_b) == ("0.43 g/ml", "0.50 g/ml")


def test_bakes_of_two_sizes_are_held_against_their_own_forecast() -> None:
    """Twice the batch takes longer: that is no difference."""
    found = differences(((baked(30, 30),), ()), ((baked(45, 45),), ()), {}, {})
    assert found == []


def test_the_other_way_round_says_the_same() -> None:
    a, b = (batter(0.43), baked(30, 30)), (batter(0.47), baked(36, 30))
    one, other = differences((a, ()), (b, ()), {}, {}), differences((b, ()), (a, ()), {}, {})
    assert [(d.key, d.out, d.said_a, d.said_b) for d in one] == [(d.key, d.out, d.said_b, d.said_a) for d in other]


def test_a_fact_that_seldom_differs_stands_before_one_that_often_does() -> None:
    a = (Fact(key="oven", words="Oven", said="deck"), Fact(key="hands", words="Hands", said="Mira"))
    b = (Fact(key="oven", words="Oven", said="small"), Fact(key="hands", words="Hands", said="Jo"))
    known = {"oven": ["deck"] * 19 + ["small"], "hands": ["Mira", "Jo"] * 10}
    assert [d.key for d in differences(((), a), ((), b), {}, known)] == ["oven", "hands"]


def test_how_it_came_out_is_marked_as_such() -> None:
    found = differences(((measure("stars", "Stars", 5.0),), ()), ((measure("stars", "Stars", 2.0),), ()), {}, {})
    assert found[0].result


@given(st.integers(0, 10_000), st.integers(8, 60))
def test_one_slip_of_ten_times_hardly_widens_what_is_usual(seed: int, count: int) -> None:
    rng = random.Random(seed)
    values = [rng.gauss(0.44, 0.02) for _ in range(count)]
    before, after = spread_of(values, 0.02), spread_of([*values, 4.4], 0.02)
    assert after <= 1.6 * before
    assert after < 0.05
    assert statistics.stdev([*values, 4.4]) > 0.4


def test_a_spread_goes_from_what_is_supposed_to_what_is() -> None:
    rng = random.Random(2)
    drawn = [rng.gauss(0.44, 0.01) for _ in range(60)]
    off = [abs(spread_of(drawn[:n], 0.05) - 0.01) for n in (1, 6, 60)]
    assert off[0] > off[1] > off[2]
    assert off[2] < 0.005


@given(st.floats(0, 1), st.floats(0, 1))
def test_what_differs_more_seldom_is_further_out(a: float, b: float) -> None:
    assert (out_by(a) >= out_by(b)) or a > b


def test_the_published_band_stays_until_good_bakes_have_earned_another() -> None:
    assert own_band(told([0.47] * 4), HABIT) == HABIT
    assert own_band(told([0.47] * 30, stars=2), HABIT) == HABIT, "bad bakes earn nothing"
    few, many = own_band(told([0.47] * 6), HABIT), own_band(told([0.47] * 30), HABIT)
    assert few is not None
    assert many is not None
    assert few.basis is Basis.KITCHEN
    assert (few.bakes, many.bakes) == (6, 30)
    assert HABIT.likely < few.likely < many.likely < 0.47
    assert many.high - many.low < few.high - few.low < HABIT.high - HABIT.low


def test_one_slip_leaves_the_band_where_it_was() -> None:
    rng = random.Random(3)
    values = [rng.gauss(0.44, 0.01) for _ in range(12)]
    clean, with_slip = own_band(told(values), HABIT), own_band(told([*values, 4.4]), HABIT)
    assert clean is not None
    assert with_slip is not None
    assert with_slip.likely == pytest.approx(clean.likely, abs=0.005)
    assert with_slip.high == pytest.approx(clean.high, abs=0.01)


def test_a_trend_says_since_which_bake_it_is_another() -> None:
    rng = random.Random(6)
    found = trend(told([rng.gauss(0.43, 0.006) for _ in range(10)] + [rng.gauss(0.47, 0.006) for _ in range(8)]), "x")
    assert len(found.changes) == 1
    assert found.changes[0].bake in {"b9", "b10", "b11"}
    assert "It changed from about 0.43" in found.says
    assert "too few" in trend(told([0.43, 0.44]), "x").says
    assert "Steady" in trend(told([0.43, 0.44, 0.43, 0.435, 0.44, 0.43, 0.432]), "x").says


def test_times_are_followed_as_a_share_of_what_was_forecast() -> None:
    rows = [
        Told(bake=f"b{i}", at=BEGAN, title="x", stars=4, faults=(), measure=baked(of * 1.1, of))
        for i, of in enumerate((20.0, 40.0, 30.0))
    ]
    found = trend(rows, "bake/time")
    assert [p.value for p in found.points] == pytest.approx([110, 110, 110])
    assert [p.raw for p in found.points] == pytest.approx([22, 44, 33])
    assert found.unit.startswith("%")


@given(st.floats(-1e3, 1e3), st.floats(0.1, 50), st.floats(0.1, 50))
def test_the_ends_of_a_range_lie_as_far_off_on_either_side(likely: float, below: float, above: float) -> None:
    low, high = likely - below, likely + above
    assert off_by_range(high, low, likely, high) == pytest.approx(1.4, rel=1e-6)
    assert off_by_range(low, low, likely, high) == pytest.approx(-1.4, rel=1e-6)
    assert off_by_range(likely, low, likely, high) == 0


def test_nothing_is_said_where_nothing_is_to_be_said() -> None:
    assert in_short(5, None, [batter(0.44)]) == ""
    assert in_short(4, None, []) == ""


def test_a_good_bake_with_a_figure_far_out_is_worth_a_word() -> None:
    assert "came out well, though fold: batter was more" in in_short(5, None, [batter(0.56)])
    assert "No fault was named" in in_short(3, None, [batter(0.56)])


def test_a_failed_bake_names_the_one_lever_only_when_it_is_fairly_sure() -> None:
    sure = explain(["sunk middle"], Family.SPONGE, [Seen(sign="core", off=-3.0), Seen(sign="bake-time", off=-2.5)])
    assert "Next time: until the core is there" in in_short(2, sure, [])
    unsure = explain(["sunk middle"], Family.SPONGE)
    assert "Hardly anything was measured" in in_short(2, unsure, [])
    assert "until the core is there" not in in_short(2, unsure, [])
