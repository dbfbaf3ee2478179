"""Control charts: published examples, and laws that hold for any measure."""

from __future__ import annotations

import random
import statistics

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from kindwhisk.core.charts.control import Chart, chart, limits, moving_ranges

FLOW_RATES = [49.6, 47.6, 49.9, 51.3, 47.8, 51.2, 52.6, 52.4, 53.6, 52.1]
"""The handbook's example of a chart of single values."""
GROUPS = [324.925, 324.675, 324.725, 324.350, 325.350, 325.225, 324.125, 324.525, 325.225, 324.600,
          324.625, 325.150, 328.325, 327.250, 327.825, 328.500, 326.675, 327.775, 326.875, 328.350]  # fmt: skip
"""Its example of a cumulative sum: on target at first, from the thirteenth on not."""

figures = st.floats(min_value=-1000, max_value=1000, allow_nan=False)


def test_the_published_limits_of_single_values() -> None:
    found = limits(FLOW_RATES)
    assert found.centre == pytest.approx(50.81, abs=0.005)
    assert statistics.fmean(moving_ranges(FLOW_RATES)) == pytest.approx(1.8778, abs=0.0001)
    assert found.low == pytest.approx(45.8159, abs=0.005)
    assert found.high == pytest.approx(55.8041, abs=0.005)


def test_the_change_of_the_published_example_begins_at_the_thirteenth() -> None:
    found = chart(GROUPS)
    assert [c.begins for c in found.changes] == [12]
    assert found.changes[0].before == pytest.approx(324.8, abs=0.1)
    assert found.changes[0].after == pytest.approx(327.8, abs=0.1)
    assert [first for first, _ in found.stretches] == [0, 12]


def test_too_few_bakes_have_no_limits() -> None:
    assert chart(FLOW_RATES[:5]) == Chart(((0, None),), (), ())
    with pytest.raises(ValueError, match="two values"):
        limits([1.0])


def test_one_wild_value_is_no_change_and_widens_nothing() -> None:
    rng = random.Random(4)
    steady = [rng.gauss(0.45, 0.01) for _ in range(18)]
    wild = [*steady[:9], 4.5, *steady[9:]]
    found = chart(wild)
    assert not found.changes
    assert 9 in found.beyond
    assert found.stretches[0][1] is not None
    assert found.stretches[0][1].high < 0.52


def false_alarms(seed: int, count: int = 300, bakes: int = 30) -> float:
    """The share of kitchens in which nothing changed and a change was called."""
    rng = random.Random(seed)
    return sum(bool(chart([rng.gauss(0, 1) for _ in range(bakes)]).changes) for _ in range(count)) / count


def test_noise_is_seldom_taken_for_a_change() -> None:
    assert false_alarms(8) < 0.12


@pytest.mark.parametrize("shift", [2.0, -2.5, 3.0])
def test_a_real_change_is_found_near_its_bake(shift: float) -> None:
    rng = random.Random(5)
    found = near = 0
    for _ in range(60):
        values = [rng.gauss(0, 1) for _ in range(20)] + [rng.gauss(shift, 1) for _ in range(15)]
        changes = [c for c in chart(values).changes if (c.after > c.before) is (shift > 0)]
        found += bool(changes)
        near += any(abs(c.begins - 20) <= 3 for c in changes)
    assert found >= 54
    assert near >= 42


@given(st.lists(figures, min_size=2, max_size=60), st.floats(0.01, 100), figures)
def test_a_unit_changes_no_chart(values: list[float], times: float, plus: float) -> None:
    """Limits move with the unit: degrees or inches tell the same."""
    whole, other = limits(values), limits([times * v + plus for v in values])
    assert other.centre == pytest.approx(times * whole.centre + plus, rel=1e-6, abs=1e-5)
    assert other.sd == pytest.approx(times * whole.sd, rel=1e-6, abs=1e-5)


@given(st.lists(figures, min_size=6, max_size=40))
def test_upside_down_it_tells_the_same(values: list[float]) -> None:
    assume(len(set(values)) > 3)
    whole, mirrored = chart(values), chart([-v for v in values])
    assert bool(whole.changes) is bool(mirrored.changes)


@given(st.lists(figures, min_size=0, max_size=60))
def test_every_bake_stands_in_one_stretch(values: list[float]) -> None:
    found = chart(values)
    firsts = [first for first, _ in found.stretches]
    assert firsts[0] == 0
    assert firsts == sorted(set(firsts))
    assert all(0 <= i < len(values) for i in found.beyond)
    assert all(c.begins <= c.noticed < len(values) for c in found.changes)


def test_what_never_differs_never_changes() -> None:
    assert chart([3.0] * 30).changes == ()
    assert chart([3.0] * 30).beyond == ()
