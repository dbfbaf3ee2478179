"""Syrup and whites on one clock: cues, gaps and levers by value."""

from __future__ import annotations

import pytest

from kindwhisk.core.sugar.boiling import (
    Pot,
    boiling_curve,
    carry_over_k,
    enough_water_g,
    foaming_ml,
    seconds,
    take_off_c,
)
from kindwhisk.core.sugar.forecast import NOTHING_READ, Phase, SyrupForecast
from kindwhisk.core.sugar.meeting import Lever, Meeting, Whisk, meeting
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.temperature import Point

POT = Pot(sugar_g=200, water_g=60)


def gains(lever: Lever) -> float:
    """The likely seconds that a lever gains, which it tells with a range."""
    assert lever.gains_s is not None
    assert lever.gains_s.low <= lever.gains_s.likely <= lever.gains_s.high
    return lever.gains_s.likely


def syrup(
    left: float | None,
    *,
    deviation: float = 20,
    phase: Phase = Phase.BOILING,
    now_c: float = 108,
    off: float | None = None,
) -> SyrupForecast:
    if left is None:
        return NOTHING_READ.model_copy(update={"phase": phase, "temperature_c": now_c, "power_w": 500.0})
    return NOTHING_READ.model_copy(
        update={
            "phase": phase,
            "temperature_c": now_c,
            "power_w": 500.0,
            "seconds_to_target": left,
            "low_s": left - 1.4 * deviation,
            "high_s": left + 1.4 * deviation,
            "seconds_to_take_off": left if off is None else off,
            "ahead": (Point(s=0, c=now_c), Point(s=left, c=118)),
        }
    )


def whites(likely: float) -> Estimate:
    return Estimate.around(likely, 0.2, Basis.HABIT) if likely else Estimate.exact(0)


def met(left: float | None, needs: float, whisk: Whisk, holds: float | None = 180, **more: object) -> Meeting:
    return meeting(syrup(left, **more), POT, whisk, whites(needs), None if holds is None else Estimate.exact(holds))  # type: ignore[arg-type]


def test_the_whites_start_early_enough_for_a_syrup_that_may_be_early() -> None:
    found = met(600, 240, Whisk.WAITING, deviation=20)
    start = 600 + 0.7 * 20 - 240 - 10
    assert found.start_in_s == pytest.approx(start)
    assert found.start_at_c == pytest.approx(108 + 10 * start / 600)
    assert (found.start_now, found.gap_s, found.pour, found.levers) == (False, None, False, ())
    assert found.says == f"Start the whites at {108 + 10 * start / 600:.0f} °C, in about 6 min."
    surer = met(600, 240, Whisk.WAITING, deviation=0)
    assert surer.start_in_s == pytest.approx(350)


def test_the_cue_comes_when_the_time_is_there() -> None:
    now = met(236, 240, Whisk.WAITING, deviation=20)
    assert (now.start_now, now.start_in_s, now.start_at_c) == (True, 0, 108)
    assert now.says == "Start the whites now."
    assert now.gap_s == pytest.approx(-4)
    late = met(150, 240, Whisk.WAITING, deviation=20)
    assert late.says == "Start the whites now: they need 2 min more than the syrup."
    assert [lever.id for lever in late.levers] == ["lower-flame", "faster-mixer", "spoon-of-water"]


@pytest.mark.parametrize(("left", "now"), [(235.9, True), (236.1, False)])
def test_the_cue_has_its_second(left: float, now: bool) -> None:
    assert met(left, 240, Whisk.WAITING, deviation=20).start_now is now


@pytest.mark.parametrize(
    ("left", "says", "levers"),
    [
        (139, "Both will be there together.", []),
        (61, "Both will be there together.", []),
        (141, "The whites will be there 41 s before the syrup.", ["slow-mixer", "raise-flame"]),
        (59, "The syrup will be there 41 s before the whites.", ["lower-flame", "faster-mixer"]),
        (371, "The whites will be there 5 min before the syrup.", ["slow-mixer", "fresh-whites"]),
    ],
)
def test_two_that_run_meet_within_half_a_minute_and_half_a_deviation(left: float, says: str, levers: list[str]) -> None:
    found = met(left, 100, Whisk.RUNNING, deviation=20)
    assert found.says == says
    assert [lever.id for lever in found.levers] == levers
    assert found.gap_s == pytest.approx(left - 100)
    assert found.start_in_s is None


def test_whites_that_are_there_are_kept_turning_or_made_again() -> None:
    waiting = met(200, 0, Whisk.THERE)
    assert waiting.says == "The whites are there 3 min before the syrup."
    slow, hurry = waiting.levers
    assert (slow.id, gains(slow)) == ("slow-mixer", 180)
    assert slow.limit.startswith("For about 3 min")
    assert hurry.id == "raise-flame"
    assert gains(hurry) == pytest.approx(200 * (1 - 1 / 1.6))
    assert [lever.id for lever in met(271, 0, Whisk.THERE).levers] == ["fresh-whites", "raise-flame"]
    assert [lever.id for lever in met(269, 0, Whisk.THERE).levers] == ["slow-mixer", "raise-flame"]
    assert [lever.id for lever in met(45, 0, Whisk.THERE, deviation=1).levers] == ["slow-mixer"]
    assert gains(met(200, 0, Whisk.THERE, holds=None).levers[0]) == 180


def test_a_flame_gains_what_its_share_gains() -> None:
    up = met(200, 140, Whisk.RUNNING, deviation=1).levers[1]
    assert gains(up) == pytest.approx(200 - 140)
    down = met(100, 140, Whisk.RUNNING, deviation=1).levers[0]
    assert gains(down) == pytest.approx(40)
    assert down.do == "Flame down to about 70 %."
    much = met(40, 240, Whisk.RUNNING, deviation=1).levers[0]
    assert gains(much) == pytest.approx(40 / 0.4 - 40)
    assert [lever.id for lever in met(29, 100, Whisk.RUNNING, deviation=1).levers] == ["faster-mixer", "spoon-of-water"]


def test_a_faster_whisk_gains_a_sixth_and_a_spoon_what_it_boils_off() -> None:
    levers = {lever.id: lever for lever in met(100, 240, Whisk.RUNNING).levers}
    assert gains(levers["faster-mixer"]) == pytest.approx(240 / 6)
    heat = 0.015 * (4.2 * (108 - 20) + 2501 - 2.361 * 108)
    assert gains(levers["spoon-of-water"]) == pytest.approx(1000 * heat / 500)
    assert "15 g" in levers["spoon-of-water"].do
    cold = {lever.id for lever in met(100, 240, Whisk.RUNNING, now_c=90).levers}
    assert "spoon-of-water" not in cold
    assert "spoon-of-water" not in {lever.id for lever in met(60, 104, Whisk.RUNNING, deviation=1).levers}
    assert "faster-mixer" not in {lever.id for lever in met(10, 60, Whisk.RUNNING, deviation=1).levers}


@pytest.mark.parametrize(
    ("phase", "off", "whisk", "pour"),
    [
        (Phase.THERE, 100, Whisk.THERE, True),
        (Phase.THERE, 100, Whisk.WAITING, False),
        (Phase.NEAR, 14.9, Whisk.RUNNING, True),
        (Phase.NEAR, 15, Whisk.RUNNING, False),
        (Phase.BOILING, 100, Whisk.THERE, False),
    ],
)
def test_it_is_time_to_pour_when_it_is_hot_and_the_whites_run(
    phase: Phase, off: float, whisk: Whisk, pour: bool
) -> None:
    assert met(20, 0 if whisk is Whisk.THERE else 20, whisk, phase=phase, off=off).pour is pour


def test_past_its_target_a_syrup_is_brought_back_until_it_browns() -> None:
    past = met(None, 0, Whisk.THERE, phase=Phase.PAST, now_c=130)
    assert past.pour
    assert past.says == "The syrup is past its target: off the heat. Pour at once, or bring it back."
    assert [lever.id for lever in past.levers] == ["spoon-of-water"]
    assert met(None, 60, Whisk.RUNNING, phase=Phase.PAST, now_c=130).says.endswith("and bring it back.")
    for celsius, lever in ((149.9, "spoon-of-water"), (150, "fresh-syrup")):
        found = met(None, 0, Whisk.THERE, phase=Phase.PAST, now_c=celsius)
        assert [found_lever.id for found_lever in found.levers] == [lever]
    assert met(None, 0, Whisk.THERE, phase=Phase.PAST, now_c=150).says.startswith("The syrup is far past")


def test_a_pot_that_cannot_tell_says_what_the_whites_need() -> None:
    found = met(None, 240, Whisk.WAITING, phase=Phase.UNKNOWN)
    assert found.says == "The whites need about 4 min. The pot cannot tell yet when to start them."
    assert (found.levers, found.gap_s, found.start_now) == ((), None, False)
    assert met(None, 240, Whisk.RUNNING, phase=Phase.UNKNOWN).says == "The pot cannot tell yet when it will be there."
    assert met(None, 80, Whisk.WAITING, phase=Phase.UNKNOWN).says.startswith("The whites need about 80 s.")


def test_the_way_ahead_is_read_between_its_points() -> None:
    way = syrup(100)
    assert way.celsius_in(50) == pytest.approx(113)
    assert way.celsius_in(-5) == 108
    assert way.celsius_in(500) == 118
    assert way.deviation_s == pytest.approx(20)
    assert NOTHING_READ.celsius_in(3) is None
    assert NOTHING_READ.deviation_s == float("inf")


def test_a_pot_takes_the_heat_that_its_water_and_its_sugar_take() -> None:
    percent = 100 * 200 / 260
    capacity = 4.1868 - 0.0297 * percent + 0.0046 * percent + 7.5e-5 * percent * 65
    assert POT.warming_kj_per_k == pytest.approx(0.26 * capacity + 0.3)
    begins = POT.boils_from_c
    assert POT.heat_left_kj(20, 118) == pytest.approx(POT.boil_kj(118) + POT.warming_kj_per_k * (begins - 20))
    assert POT.heat_left_kj(120, 118) < 0
    dry = 60 - 200 * POT.curve.ratio_at(118)
    assert POT.water_off_g(118) == pytest.approx(dry)
    assert Pot(sugar_g=200, water_g=10).water_off_g(110) == 0
    assert POT.boil_kj(118) == pytest.approx((dry * (2501 - 2.361 * 112) + 230 * 2.3 * (118 - begins)) / 1000, rel=0.08)


def test_a_ring_gives_three_fifths_of_its_power() -> None:
    heat = POT.heat_left_kj(20, 118)
    told = seconds(POT, 20, 118, 1500)
    assert told.likely == pytest.approx(1000 * heat / 900)
    assert (told.low, told.high) == pytest.approx((1000 * heat / 1350, 1000 * heat / 600))
    weak = seconds(POT, 20, 118, 100)
    assert weak.low == pytest.approx(1000 * heat / 90)
    usual = seconds(POT, 20, 118)
    assert (usual.low, usual.likely, usual.high) == pytest.approx(tuple(1000 * heat / w for w in (850, 550, 350)))
    assert seconds(POT, 125, 118).high == 0


def test_it_climbs_on_by_the_heat_in_its_bottom() -> None:
    found = carry_over_k(POT, 116, 600)
    heat = 14 * 0.6 - 2.4
    after = POT.curve.celsius_at(POT.curve.heat_at(116) + heat / 0.2)
    assert found.likely == pytest.approx(after - 116)
    assert found.low < found.likely < found.high
    assert carry_over_k(POT, 116, 100).high == 0
    off = take_off_c(POT, 118, 600)
    assert off + carry_over_k(POT, off, 600).likely == pytest.approx(118, abs=1e-3)


def test_water_to_begin_with_and_room_to_froth() -> None:
    assert enough_water_g(200) == 60
    assert foaming_ml(200, 60) == pytest.approx(3 * (200 / 1.587 + 60))
    thin = boiling_curve(80)
    assert thin.celsius[0] < boiling_curve().celsius[0]
    assert list(thin.celsius) == sorted(thin.celsius)
    assert list(thin.heat_kj) == sorted(thin.heat_kj)
