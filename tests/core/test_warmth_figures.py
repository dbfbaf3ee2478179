"""Thermometers, warming, cooling and a temperature's way, against values worked out by hand."""

from __future__ import annotations

import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.baking.cooling import Hot, cool_gates, cooling
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.safety.pasteurisation import PAIRS, EggLog, beside, pairs_for
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis
from kindwhisk.core.values.memory import from_text, remember, remembered, to_text
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.warmth import warming
from kindwhisk.core.warmth.air import boiling_point_at_c, pressure_kpa, saturation_kpa
from kindwhisk.core.warmth.approach import seconds_left
from kindwhisk.core.warmth.browning import browning_rate
from kindwhisk.core.warmth.cooling import GateKind, How, gate_temperatures
from kindwhisk.core.warmth.thermometer import Check, corrected_c, error_k, odd, shows_c, true_boiling_c
from kindwhisk.core.warmth.trail import CLOSELY_S, Thinned, Trail

SEA = 101.325


@pytest.mark.parametrize(("metres", "kpa"), [(0, 101.325), (500, 95.46), (1500, 84.56), (3000, 70.11)])
def test_air_thins_by_the_standard_atmosphere(metres: float, kpa: float) -> None:
    assert pressure_kpa(metres) == pytest.approx(kpa, abs=0.02)


@pytest.mark.parametrize(("celsius", "kpa"), [(20, 2.339), (50, 12.352), (86, 60.17), (100, 101.42)])
def test_vapour_presses_as_the_steam_tables_say(celsius: float, kpa: float) -> None:
    assert saturation_kpa(celsius) == pytest.approx(kpa, rel=3e-3)
    assert boiling_point_at_c(kpa) == pytest.approx(max(50, celsius), abs=0.1)


def test_browning_grows_by_a_factor_e_each_eighteen_kelvin() -> None:
    assert browning_rate(140) == 1
    assert browning_rate(158) == pytest.approx(math.e)
    assert browning_rate(122) == pytest.approx(1 / math.e)


def test_a_thermometer_checked_twice_is_set_right_along_its_line() -> None:
    check = Check(ice_c=1.0, boiling_c=98.0, pressure_kpa=SEA)
    boils = true_boiling_c(SEA)
    assert corrected_c(1.0, check, SEA) == 0
    assert corrected_c(98.0, check, SEA) == pytest.approx(boils)
    assert corrected_c(49.5, check, SEA) == pytest.approx(boils / 2)


def test_one_point_moves_a_thermometer_as_a_whole() -> None:
    boils = true_boiling_c(90)
    assert corrected_c(50, Check(boiling_c=98, pressure_kpa=90), SEA) == pytest.approx(50 + boils - 98)
    assert corrected_c(50, Check(ice_c=-1.5), SEA) == pytest.approx(51.5)
    assert corrected_c(50, Check(), SEA) == 50
    assert corrected_c(50, Check(boiling_c=98), 90) == pytest.approx(50 + boils - 98)
    close = Check(ice_c=20, boiling_c=60, pressure_kpa=SEA)
    assert corrected_c(20, close, SEA) == 0


@given(st.floats(-5, 5), st.floats(90, 105), st.floats(0, 180))
def test_what_it_shows_is_what_is_set_right_again(ice: float, boiling: float, celsius: float) -> None:
    check = Check(ice_c=ice, boiling_c=boiling, pressure_kpa=SEA)
    assert corrected_c(shows_c(celsius, check, SEA), check, SEA) == pytest.approx(celsius, abs=1e-6)


def test_its_error_has_what_its_check_leaves_open() -> None:
    off = error_k(Check(ice_c=2), 116, SEA)
    assert (off.low, off.likely, off.high) == pytest.approx((1.5, 2, 2.5))
    assert off.basis is Basis.MEASURED
    unknown = error_k(Check(), 116, SEA)
    assert (unknown.low, unknown.likely, unknown.high) == pytest.approx((-2, 0, 2))
    assert unknown.basis is Basis.HABIT


def test_a_check_that_cannot_be_is_asked_about() -> None:
    assert odd(Check(ice_c=8, boiling_c=true_boiling_c(SEA) + 8), SEA) == ""
    assert "Ice water is 0" in odd(Check(ice_c=8.1), SEA)
    assert "Ice water is 0" in odd(Check(ice_c=-8.1), SEA)
    boils = true_boiling_c(84)
    assert f"boils at {boils:.1f}" in odd(Check(boiling_c=boils + 8.1, pressure_kpa=84), SEA)
    assert odd(Check(boiling_c=boils + 7.9, pressure_kpa=84), SEA) == ""
    assert not Check().done
    assert Check(ice_c=0).done
    assert Check(boiling_c=100).done


def _bowl(tau: float, start: float, around: float, until: float, each: float = 10) -> list[tuple[float, float]]:
    times = [i * each for i in range(int(until / each) + 1)]
    return [(t, around + (start - around) * math.exp(-t / tau)) for t in times]


def test_a_bowl_that_closes_in_tells_when_it_is_there() -> None:
    readings = _bowl(300, 25, 85, 200)
    left = 300 * math.log((85 - readings[-1][1]) / (85 - 65))
    found = seconds_left(readings, 85, 65, 300)
    assert found is not None
    assert found.likely == pytest.approx(left, rel=1e-3)
    assert found.low < left < found.high
    assert found.basis is Basis.MEASURED


def test_readings_outweigh_what_was_expected_of_the_pace() -> None:
    readings = _bowl(500, 25, 85, 400)
    found = seconds_left(readings, 85, 65, 300)
    left = 500 * math.log((85 - readings[-1][1]) / 20)
    assert found is not None
    assert found.likely == pytest.approx(left, rel=0.05)
    one = seconds_left(readings[:1], 85, 65, 300)
    assert one is not None
    assert one.likely == pytest.approx(300 * math.log(60 / 20))
    share = 1.4 * 0.45
    assert one.high == pytest.approx(one.likely * (1 + min(0.6, share)) + 1.4 * 0.6 / 20 * 300)
    assert one.low == pytest.approx(one.likely / (1 + min(0.6, share)) - 1.4 * 0.6 / 20 * 300)


def test_it_cools_as_it_warms_and_says_when_it_turned_away() -> None:
    cooling_bowl = _bowl(600, 60, 22, 300)
    found = seconds_left(cooling_bowl, 22, 35, 600)
    assert found is not None
    assert found.likely == pytest.approx(600 * math.log((cooling_bowl[-1][1] - 22) / 13), rel=1e-3)
    # A reading beyond the target tells nothing of the way, but time has gone by.
    before, after = (seconds_left(r, 85, 65, 300) for r in ([(0, 30)], [(0, 30), (10, 66)]))
    assert before is not None
    assert after is not None
    assert after.likely == pytest.approx(before.likely - 10)
    assert seconds_left([(0, 66)], 85, 65, 300) is None
    assert seconds_left([(0, 90)], 85, 65, 300) is None
    assert seconds_left([], 85, 65, 300) is None
    assert seconds_left([(0, 84.5)], 85, 65, 300) is None
    assert seconds_left([(0, 30)], 85, 85, 300) is None
    backward = [(float(t), 60 - t / 3) for t in range(0, 90, 5)]
    assert seconds_left(backward, 85, 65, 3000) is None


def test_warming_over_water_and_on_a_hob() -> None:
    whites = Material(parts={"egg-white": 100, "sugar": 100}, temperature_c=20)
    capacity = 200 * whites.composition.heat_capacity()
    found = warming.over_water_s(whites, 60)
    assert found.likely == pytest.approx(capacity / 5 * math.log(65 / 25))
    assert (found.low, found.high) == pytest.approx((found.likely * 5 / 8, found.likely * 5 / 3))
    assert warming.over_water_s(whites, 20).high == 0
    with pytest.raises(CraftError, match="85 °C cannot warm"):
        warming.over_water_s(whites, 85)
    hob = warming.on_hob_s(whites, 60)
    assert hob.likely == pytest.approx(30 + capacity * 40 / 180)
    assert hob.high == pytest.approx(hob.likely * 1.4)
    assert warming.on_hob_s(whites, 10).likely == 30


@pytest.mark.parametrize(
    ("technique", "gates"),
    [
        (Technique.CHIFFON, {GateKind.TURN_OUT: 26, GateKind.CREAM: 25, GateKind.CUT: 26}),
        (Technique.GENOISE, {GateKind.TURN_OUT: 75, GateKind.CREAM: 25, GateKind.CUT: 26}),
        (Technique.RICH_SPONGE, {GateKind.TURN_OUT: 40, GateKind.CREAM: 25, GateKind.CUT: 26}),
        (Technique.CHIFFON_ROLL, {GateKind.TURN_OUT: 75, GateKind.ROLL: 35, GateKind.CREAM: 25, GateKind.CUT: 26}),
        (Technique.SOAKED_SPONGE, {GateKind.TURN_OUT: 75, GateKind.SOAK: 45, GateKind.CREAM: 25, GateKind.CUT: 26}),
        (Technique.SHELLS, {GateKind.TURN_OUT: 32, GateKind.CREAM: 25}),
        (Technique.MERINGUE, {GateKind.TURN_OUT: 32}),
        (None, {GateKind.TURN_OUT: 75, GateKind.CREAM: 25, GateKind.CUT: 26}),
    ],
)
def test_each_class_has_its_gates(technique: Technique | None, gates: dict[GateKind, float]) -> None:
    found = gate_temperatures(technique, 22)
    assert {kind: c for kind, c, _ in found} == gates
    assert [c for _, c, _ in found] == sorted(gates.values(), reverse=True)
    assert all(c >= 32 for _, c, _ in gate_temperatures(technique, 30))


def test_a_cooling_cake_is_drawn_to_its_last_gate() -> None:
    hot = Hot(RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=80)), 50, 470, How.RACK, 22)
    gates = cool_gates(hot, Technique.GENOISE)
    assert cool_gates(hot._replace(how=How.HANGING), Technique.GENOISE)[-1].after_s.likely > gates[-1].after_s.likely
    whole = cooling(hot, Technique.GENOISE)
    assert whole.gates == gates
    assert len(whole.curve) == 25
    assert (whole.curve[0].s, whole.curve[0].c) == pytest.approx((0, 95))
    assert (whole.curve[-1].s, whole.curve[-1].c) == pytest.approx((gates[-1].after_s.likely, 25))


def test_a_series_keeps_every_other_reading_when_it_is_full() -> None:
    series = Thinned(gap_s=1, most=4)
    for t in range(20):
        series.take(float(t), float(t))
    kept = [t for t, _ in series.points]
    assert kept[0] == 0
    assert all(b - a >= series.gap_s / 2 for a, b in pairwise(kept))
    assert series.gap_s == 8
    assert kept == [0, 8, 16]


def test_a_trail_knows_its_last_its_peak_and_its_near_past() -> None:
    trail = Trail()
    assert (trail.now_c, trail.peak_c) == (None, None)
    for t in range(1000):
        trail.take(float(t), 60 - abs(t - 700) / 100)
    assert trail.count == 1000
    assert (trail.last, trail.peak) == ((999.0, 57.01), (700.0, 60.0))
    assert (trail.now_c, trail.peak_c) == (57.01, 60.0)
    assert [trail.near[0][0], trail.near[-1][0]] == [999 - CLOSELY_S, 999]
    drawn = list(trail.drawn(999))
    assert drawn[-1] == trail.last
    assert [t for t, _ in drawn] == sorted({t for t, _ in drawn})
    assert drawn[0][0] == 0
    assert 80 < len(drawn) < 200


def test_the_first_of_two_equal_peaks_counts_and_a_burst_is_thinned() -> None:
    trail = Trail()
    for t in (0.0, 0.3, 0.6, 1.0, 1.4):
        trail.take(t, 50.0)
    assert trail.peak == (0.0, 50.0)
    assert [t for t, _ in trail.near] == [0.0, 1.0]
    assert list(trail.drawn(2))[-1] == (1.4, 50.0)


@given(st.lists(st.floats(0, 90), min_size=1, max_size=400), st.integers(0, 399))
def test_a_trail_goes_on_after_it_was_written_down(celsius: list[float], at: int) -> None:
    whole, first = Trail(), EggLog()
    again = EggLog()
    for t, c in enumerate(celsius):
        whole.take(float(t), c)
        first.take(float(t), c)
    for t, c in enumerate(celsius):
        if t == at:
            text = to_text(remembered(again))
            again = EggLog()
            remember(again, from_text(text))
        again.take(float(t), c)
    assert remembered(again) == remembered(first)


def test_holding_times_are_summed_over_all_visits() -> None:
    readings = [(0.0, 50.0), (60.0, 60.0), (120.0, 60.0), (180.0, 50.0), (240.0, 60.0)]
    found = beside(readings, white=False, yolk=True, sugar_to_egg=0)
    by_pair = {(h.pair.c, h.pair.minutes): h.measured_minutes for h in found.held}
    assert by_pair == pytest.approx({(61.1, 3.5): 0, (60.0, 6.2): 1})
    whites = beside(readings, white=True, yolk=False, sugar_to_egg=0)
    above = {h.pair.c: h.measured_minutes for h in whites.held}
    assert above[55.6] == pytest.approx(1 + 3 * 0.44)
    assert above[56.7] == pytest.approx(1 + 3 * 0.33)
    assert (whites.measured_peak_c, whites.reached) == (60.0, False)
    assert whites.guidance_c == 71


def test_the_guidance_is_reached_at_its_degree_and_nothing_is_called_safe() -> None:
    hot = beside([(0, 20), (60, 71)], white=True, yolk=True, sugar_to_egg=0.5)
    assert hot.reached is True
    assert beside([(0, 20), (60, 70.9)], white=True, yolk=True, sugar_to_egg=0).reached is False
    assert hot.note.startswith("Not valid")
    assert beside([(0, 20)], white=True, yolk=True, sugar_to_egg=0.49).note == ""
    none = beside([], white=True, yolk=True, sugar_to_egg=0)
    assert (none.measured_peak_c, none.reached) == (None, None)
    assert "safe" not in hot.model_dump_json().replace("food-safety", "")


@pytest.mark.parametrize(
    ("white", "yolk", "sugar", "egg"),
    [
        (True, True, 0, "whole egg"),
        (True, False, 1, "white"),
        (False, True, 0.02, "yolk"),
        (False, True, 0.03, "yolk with sugar"),
    ],
)
def test_each_egg_has_its_own_pairs(white: bool, yolk: bool, sugar: float, egg: str) -> None:
    assert pairs_for(white, yolk, sugar) == tuple(p for p in PAIRS if p.egg == egg)


@given(
    stands=st.floats(60, 100),
    minutes=st.integers(30, 240),
    pace=st.floats(0.4, 2.5),
)
def test_a_probe_that_does_not_follow_tells_nothing_and_one_that_does_tells_in_time(
    stands: float, minutes: int, pace: float
) -> None:
    expected_tau, air, to = 3600.0, 21.0, 26.0
    still = [(60.0 * n, stands + 0.3 * (-1) ** n) for n in range(minutes)]
    # Left in another bake, it stands where it was: the forecast holds, and nothing is months away.
    told = seconds_left(still, air, to, expected_tau)
    assert told is None or told.likely < 6 * expected_tau * math.log((stands - air + 1) / (to - air))
    hour = [(60.0 * n, stands) for n in range(180)]
    assert seconds_left(hour, air, to, expected_tau) is None
    falls = [(60.0 * n, air + (stands - air) * math.exp(-60 * n / (pace * expected_tau))) for n in range(40)]
    own = seconds_left(falls, air, to, expected_tau)
    assert own is not None
    true = pace * expected_tau * math.log((stands - air) / (to - air)) - 39 * 60
    assert own.likely == pytest.approx(max(0, true), rel=0.35, abs=600)
