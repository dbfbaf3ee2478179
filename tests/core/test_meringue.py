"""The two clocks, the bowl, what dissolves, how long whites take, thermometers: by published values and by law."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.foams import hot_foam, meringue_map, whipping
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.foams.meringue_map import Fit, Use
from kindwhisk.core.foams.whipping import Whites
from kindwhisk.core.kitchen import Kitchen, Thermometer
from kindwhisk.core.process.meetings import meetings
from kindwhisk.core.safety import pasteurisation
from kindwhisk.core.sugar import dissolving
from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.forecast import SyrupForecast
from kindwhisk.core.sugar.meeting import Meeting, Whisk, meeting
from kindwhisk.core.sugar.watch import watch
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.warmth import approach, thermometer
from kindwhisk.core.warmth.air import SEA_LEVEL_KPA, pressure_kpa
from kindwhisk.core.warmth.thermometer import Check
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.devices.pot import PotPlan, StandInPot

POT = Pot(200, 60)
RATIOS = st.floats(0.2, 2.4)


@pytest.mark.parametrize(("ratio", "low", "likely", "high"), [(1, 44, 51, 56), (1.5, 51, 60, 65), (2, 57, 66, 72)])
def test_hot_syrup_warms_whites_less_than_one_hopes(ratio: float, low: float, likely: float, high: float) -> None:
    peak = hot_foam.balance(100, hot_foam.WHITE_CP, 100 * ratio, 118, 22).peak_c
    assert (peak.low, peak.likely, peak.high) == pytest.approx((low, likely, high), abs=6)


@given(st.floats(30, 500), st.floats(30, 1000), st.floats(105, 140), st.floats(4, 30), st.floats(200, 3000))
def test_a_bowl_lies_between_what_met_in_it_and_cools_from_there(
    whites: float, sugar: float, syrup_c: float, start: float, bowl: float
) -> None:
    found = hot_foam.balance(whites, hot_foam.WHITE_CP, sugar, syrup_c, start, bowl_g=bowl)
    assert start <= found.peak_c.low <= found.peak_c.likely <= found.peak_c.high <= syrup_c
    times = [c.s.likely for c in found.cool_to]
    assert times == sorted(times)
    assert [c.c for c in found.cool_to] == sorted((c.c for c in found.cool_to), reverse=True)
    heavier = hot_foam.balance(whites, hot_foam.WHITE_CP, sugar, syrup_c, start, bowl_g=2 * bowl)
    assert heavier.peak_c.likely <= found.peak_c.likely


@pytest.mark.parametrize(("celsius", "percent"), [(20, 66.6), (50, 72.0), (70, 76.5)])
def test_water_takes_so_much_sugar(celsius: float, percent: float) -> None:
    assert dissolving.saturation_percent(celsius) == pytest.approx(percent, abs=0.05)


@pytest.mark.parametrize(("ratio", "low", "high"), [(2.0, 35.5, 41), (2.5, 57.5, 62)])
def test_much_sugar_dissolves_only_warm(ratio: float, low: float, high: float) -> None:
    found = dissolving.dissolution(ratio)
    assert found.temperature_c is not None
    assert low <= found.temperature_c.likely <= high
    assert dissolving.dissolution(1.5).dissolves_cold
    assert not dissolving.dissolution(4.5).possible


def test_a_cooling_bowl_is_timed_by_its_own_pace() -> None:
    tau, air = 700.0, 22.0
    falls = [(float(t), air + 38 * 2.718281828 ** (-t / tau)) for t in range(0, 200, 2)]
    told = approach.seconds_left(falls, air, 40, expected_tau_s=1100)
    assert told is not None
    true = tau * (3.6376 - 2.8904) - 198
    assert told.low <= true <= told.high
    assert told.likely == pytest.approx(true, rel=0.06)
    assert approach.seconds_left([(t, -c + 82) for t, c in falls], air, 10, 1100) is None


def test_minutes_above_are_measured_and_never_called_safe() -> None:
    readings = [(0.0, 50.0), (60.0, 60.0), (240.0, 60.0), (300.0, 50.0)]
    heat = pasteurisation.beside(readings, white=True, yolk=False, sugar_to_egg=1.6)
    held = {h.pair.c: h.measured_minutes for h in heat.held}
    assert held[56.7] == pytest.approx(3 + 2 * 0.33, abs=0.01)
    assert (heat.measured_peak_c, heat.reached) == (60.0, False)
    assert "sugar protects" in heat.note
    assert "safe" not in heat.model_dump_json().replace("food-safety", "")


@given(st.floats(-2, 2), st.floats(-3, 3), st.floats(0, 150), st.floats(70, 104))
def test_a_checked_thermometer_reads_right_at_both_its_points(ice: float, off: float, true: float, air: float) -> None:
    boils = thermometer.true_boiling_c(air)
    check = Check(ice_c=ice, boiling_c=boils + off)
    assert thermometer.corrected_c(ice, check, air) == pytest.approx(0, abs=1e-6)
    assert thermometer.corrected_c(boils + off, check, air) == pytest.approx(boils, abs=1e-6)
    assert thermometer.corrected_c(thermometer.shows_c(true, check, air), check, air) == pytest.approx(true, abs=1e-6)


def test_a_check_knows_the_altitude_it_was_made_at() -> None:
    up = pressure_kpa(1600)
    assert thermometer.corrected_c(112, Check(boiling_c=94.65), up) == pytest.approx(112, abs=0.1)
    assert thermometer.odd(Check(boiling_c=94.65), SEA_LEVEL_KPA) == ""
    assert "rolling boil" in thermometer.odd(Check(boiling_c=80), SEA_LEVEL_KPA)


def told(until_s: float) -> SyrupForecast:
    """A pot that still has so many seconds to go."""
    pot, readings = StandInPot(PotPlan(seed=2, power_w=900)), []
    while pot.syrup_c < 118:
        pot.advance(1)
        value = pot.read()
        assert value is not None
        readings.append((pot.t_s, value))
    return watch(POT, 118, [r for r in readings if r[0] <= pot.t_s - until_s]).forecast()


def met(left_s: float, whisk: Whisk, whites_s: float, holds_s: float = 240) -> Meeting:
    whites = Estimate.around(whites_s, 0.3) if whites_s else Estimate.exact(0.0)
    return meeting(told(left_s), POT, whisk, whites, Estimate.exact(holds_s, Basis.HABIT))


def test_the_whites_are_called_so_that_both_arrive_together() -> None:
    early = met(240, Whisk.WAITING, 90)
    assert not early.start_now
    assert early.start_in_s is not None
    assert 80 < early.start_in_s < 240
    assert early.start_at_c is not None
    assert f"{early.start_at_c:.0f} °C" in early.says
    assert met(90, Whisk.WAITING, 120).start_now
    late = met(100, Whisk.WAITING, 240)
    assert late.start_now
    assert {"lower-flame", "faster-mixer"} <= {lever.id for lever in late.levers}


@pytest.mark.parametrize(
    ("left", "whisk", "whites", "holds", "wanted"),
    [
        (120, Whisk.RUNNING, 125, 240, set()),
        (200, Whisk.RUNNING, 60, 240, {"slow-mixer", "raise-flame"}),
        (240, Whisk.THERE, 0, 90, {"fresh-whites"}),
        (90, Whisk.RUNNING, 200, 240, {"lower-flame", "spoon-of-water"}),
    ],
)
def test_the_one_that_lags_is_helped_within_limits(
    left: float, whisk: Whisk, whites: float, holds: float, wanted: set[str]
) -> None:
    found = met(left, whisk, whites, holds)
    assert wanted <= {lever.id for lever in found.levers}
    assert bool(found.levers) is bool(wanted)
    assert all(lever.limit for lever in found.levers)


def test_it_is_poured_only_when_the_pot_is_there_and_the_whites_run() -> None:
    assert met(6, Whisk.THERE, 0).pour
    assert met(6, Whisk.RUNNING, 20).pour
    assert not met(6, Whisk.WAITING, 120).pour
    assert not met(90, Whisk.RUNNING, 90).pour


def test_a_barometer_of_today_does_not_change_a_check_made_by_the_altitude() -> None:
    probe = Thermometer(id="pot", name="Pot", check=Check(boiling_c=99.2))
    plain = Kitchen(altitude_m=240, thermometers=(probe,))
    low = plain.model_copy(update={"measured_kpa": 95.0})
    assert low.corrected_c("pot", 118) == plain.corrected_c("pot", 118)
    assert low.water_boils_c < plain.water_boils_c


def test_every_syrup_of_the_book_knows_its_whites() -> None:
    for formula in demo_formulas():
        boils = [s.id for s in formula.steps if s.kind == "boil"]
        streams = [s for s in formula.steps if s.kind == "stream"]
        assert len(meetings(formula)) == len(streams)
        assert {m.boil for m in meetings(formula)} <= set(boils)


PLAIN = Whites(mass_g=150, sugar_to_white=0.5, temperature_c=22)


@pytest.mark.parametrize(
    "slower",
    [{"sugar_to_white": 1.0}, {"temperature_c": 6}, {"mass_g": 600}, {"acid_percent": 0.5}, {"dried": True}],
)
def test_what_slows_whites_slows_them(slower: dict[str, float]) -> None:
    other = PLAIN.model_copy(update=slower)
    assert whipping.whites_s(other, Peak.SOFT).likely > whipping.whites_s(PLAIN, Peak.SOFT).likely


def test_sugar_and_acid_leave_more_time_before_it_is_over() -> None:
    def spare(whites: Whites) -> float:
        to_peak = whipping.whites_s(whites, Peak.MEDIUM)
        return whipping.over_s(to_peak, whites).likely - to_peak.likely

    assert spare(PLAIN.model_copy(update={"sugar_to_white": 1.5})) > spare(PLAIN)
    assert spare(PLAIN.model_copy(update={"acid_percent": 0.4})) > spare(PLAIN)
    assert spare(PLAIN.model_copy(update={"salt_percent": 0.5})) < spare(PLAIN)
    stages = whipping.stages(whipping.whites_s(PLAIN, Peak.STIFF), Peak.STIFF)
    assert [s.name for s in stages] == ["frothy", "white and fine", "soft peak", "medium peak", "stiff peak"]
    assert [s.at_s.likely for s in stages] == sorted(s.at_s.likely for s in stages)
    assert {r.can for r in whipping.RESCUES} == {True, False}


@given(RATIOS, RATIOS, st.sampled_from(Method))
def test_along_the_map_sugar_makes_it_denser_and_steadier(one: float, other: float, method: Method) -> None:
    less, more = sorted((one, other))
    a, b = (meringue_map.spot(r, method) for r in (less, more))
    assert a.density_g_per_ml.likely <= b.density_g_per_ml.likely + 1e-9
    assert a.steadiness <= b.steadiness + 0.05  # what can't dissolve takes a little of it back
    assert 0 <= a.gloss <= 1
    assert 0 <= a.undissolved.low <= a.undissolved.high <= 1


def test_the_map_knows_what_a_meringue_is_for() -> None:
    def fits(ratio: float, method: Method) -> dict[Use, Fit]:
        return {u.use: u.fit for u in meringue_map.spot(ratio, method).uses}

    assert fits(0.5, Method.FRENCH)[Use.FOLD] is Fit.GOOD
    assert fits(0.5, Method.FRENCH)[Use.DRY] is Fit.NOT
    assert fits(1.8, Method.FRENCH)[Use.DRY] is Fit.GOOD
    assert fits(1.3, Method.ITALIAN)[Use.SHELLS] is Fit.GOOD
    assert meringue_map.spot(2.2, Method.SWISS, temperature_c=40).undissolved.low > 0
    with pytest.raises(CraftError):
        meringue_map.spot(1.0, Method.FRENCH, temperature_c=90)
