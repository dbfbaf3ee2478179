"""The stand-ins as physics, and their readings through the same door as anybody's."""

from __future__ import annotations

from datetime import timedelta

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.clock import Clock
from kindwhisk.core.foams import hot_foam
from kindwhisk.core.kitchen import ProbePlace, Thermometer
from kindwhisk.core.ovens.cycling import holding
from kindwhisk.core.sugar.syrup import boiling_c
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.warmth.thermometer import Check
from kindwhisk.devices.bowl import BowlPlan, StandInBowl
from kindwhisk.devices.intake import OutsideReading, take
from kindwhisk.devices.oven import OvenPlan, StandInOven
from kindwhisk.devices.pot import PotPlan, StandInPot
from kindwhisk.devices.stand_in import Mishap, StandIns
from kindwhisk.formats import probe_csv
from tests.bench.helpers import Baker


@given(st.floats(50, 600), st.floats(0.25, 0.6), st.floats(500, 2000))
@settings(max_examples=15)
def test_a_pot_boils_along_its_curve_and_loses_only_water(sugar: float, ratio: float, watts: float) -> None:
    pot = StandInPot(PotPlan(sugar_g=sugar, water_g=sugar * ratio, power_w=watts, diameter_mm=220, height_mm=160))
    before = pot.t_s
    while pot.syrup_c < 115 and pot.t_s < 3600:
        water = pot.water_g
        pot.advance(5)
        assert pot.water_g <= water
    assert pot.t_s > before
    if pot.syrup_c >= 115:
        assert pot.sugar_g == pytest.approx(sugar)
        assert pot.syrup_c == pytest.approx(boiling_c(pot.percent), abs=0.3)


def test_a_pot_off_the_flame_climbs_on_and_then_cools() -> None:
    pot = StandInPot(PotPlan(sugar_g=150, water_g=45, power_w=1500))
    while pot.syrup_c < 116:
        pot.advance(1)
    pot.on_flame = False
    pot.advance(8)
    climbed = pot.syrup_c
    pot.advance(240)
    assert 116.3 < climbed < 121
    assert pot.syrup_c < climbed - 2


def test_a_full_pot_boils_over_and_the_helper_turns_it_down() -> None:
    pot = StandInPot(PotPlan(sugar_g=400, water_g=160, power_w=2200, diameter_mm=120, height_mm=60))
    while pot.syrup_c < 108 and pot.t_s < 1500:
        pot.advance(1)
    assert pot.spilt_g > 0
    assert pot.flame < 1


def test_a_bowl_gets_as_hot_as_the_heat_balance_says() -> None:
    bowl = StandInBowl(BowlPlan(content_kj_per_k=0.385, start_c=22, pour_g=108, pour_c=118, pour_s=50))
    hottest = 0.0
    for _ in range(300):
        bowl.advance(1)
        hottest = max(hottest, bowl.content_c)
    assert hot_foam.balance(100, 3.85, 100, 118, 22).peak_c.contains(hottest)
    assert bowl.content_c < hottest - 5


def test_the_clock_runs_fast_and_never_back() -> None:
    clock = Clock()
    clock.run(60)
    fast = clock.now()
    clock.run(1)
    assert clock.now() >= fast
    later = fast + timedelta(hours=3)
    clock.not_before(later)
    assert clock.now() >= later
    clock.not_before(fast)
    assert clock.now() >= later


@pytest.fixture
def kitchen_with_probes(bench: Bench) -> Bench:
    """A pot probe that reads a degree high, and one in the bowl."""
    _, kitchen = bench.store.kitchens.current()
    probes_here = (
        Thermometer(id="pot", name="Pot", place=ProbePlace.POT, check=Check(ice_c=1.0)),
        Thermometer(id="bowl", name="Bowl", place=ProbePlace.BOWL),
    )
    bench.store.kitchens.save(kitchen.model_copy(update={"thermometers": probes_here}))
    return bench


def test_a_reading_is_kept_once_and_set_right(kitchen_with_probes: Bench) -> None:
    bench, at = kitchen_with_probes, Clock().now()
    one = OutsideReading(probe="pot", value=212, unit="F", at=at, key="a")
    assert take([one, one.model_copy(update={"key": "b"})], bench).stored == 2
    again = take([one], bench)
    assert (again.stored, again.repeated) == (0, 1)
    kept = list(bench.store.probes.between("pot", at, at))
    assert [k.read_c for k in kept] == pytest.approx([100, 100])
    assert [k.celsius for k in kept] == pytest.approx([99, 99])


def test_a_batch_is_kept_whole_or_not_at_all(kitchen_with_probes: Bench) -> None:
    bench, at = kitchen_with_probes, Clock().now()
    wrong = [OutsideReading(probe="pot", value=v, at=at, key=str(v)) for v in (20.0, 2000.0)]
    with pytest.raises(CraftError) as refusal:
        take(wrong, bench)
    assert refusal.value.field == "readings.1.value"
    assert list(bench.store.probes.between("pot", at, at)) == []


def test_a_table_of_readings_comes_back_as_it_left(kitchen_with_probes: Bench) -> None:
    bench, at = kitchen_with_probes, Clock().now()
    sent = [OutsideReading(probe="pot", value=20 + i / 8, at=at - timedelta(seconds=i), key=f"k{i}") for i in range(40)]
    take(sent, bench)
    text = "".join(probe_csv.write(bench.store.probes.between("pot", at - timedelta(minutes=1), at)))
    assert take(probe_csv.read(text), bench).stored == 0
    assert sorted(r.key or "" for r in probe_csv.read(text)) == sorted(r.key or "" for r in sent)
    with pytest.raises(CraftError) as refusal:
        probe_csv.read("probe,at,value\npot,2026-05-01T05:00:00Z,warm\n")
    assert "Line 2" in refusal.value.message
    with pytest.raises(CraftError, match="no column"):
        probe_csv.read("time,temp\n1,2\n")


def test_stand_ins_follow_the_bench_and_the_bench_follows_them(kitchen_with_probes: Bench) -> None:
    bench = kitchen_with_probes
    stand_ins = StandIns(bench, available=True)
    baker = Baker(bench, "syrup-peaks")
    baker.until("whip-boil")
    baker.tick_all()
    baker.tell("step_started", step="whip-boil")

    def minute() -> None:
        baker.wait(60)
        bench.clock.not_before(baker.now)
        stand_ins.advance(baker.now)

    minute()
    minute()
    pot = next(t for t in stand_ins.view().things if t.place is ProbePlace.POT)
    watch = baker.state.details["whip-boil"].watch
    assert watch is not None
    assert watch.now_c == pytest.approx(pot.true_c, abs=2.5)
    assert watch.readings >= 110
    stand_ins.mishap(Mishap.WATER)
    stand_ins.turn_flame(0.0)
    minute()
    minute()
    cold = next(t for t in stand_ins.view().things if t.place is ProbePlace.POT)
    assert cold.flame == 0
    assert cold.true_c < 110


def test_a_stand_in_oven_cycles_around_another_temperature_than_its_dial() -> None:
    oven = StandInOven(OvenPlan(offset_k=-9, seed=2), dial_c=179)
    seen = []
    while oven.t_s < 4200:
        oven.advance(5)
        seen.append((oven.t_s, oven.read()))
    held = holding([r for r in seen if r[0] > 1800])
    assert held.mean_c == pytest.approx(170, abs=3)
    assert held.swing_k is not None
    assert 1 < held.swing_k < 9
    before = oven.air_c
    oven.open_door(30)
    oven.advance(30)
    assert oven.air_c < before - 15
    oven.advance(900)
    assert oven.air_c == pytest.approx(170, abs=10)


def test_a_stand_in_cake_bakes_and_cools_and_its_probe_tells_when(bench: Bench) -> None:
    baker = Baker(bench, "butter-sponge", hours=6)
    stand_ins = StandIns(bench, available=True)
    baker.until("bake")
    baker.tell("step_started", step="bake")
    hottest, ends = 0.0, None
    for _ in range(240):
        baker.wait(10)
        stand_ins.advance(baker.now)
        state = baker.state
        watch = state.details["bake"].watch
        assert watch is not None
        hottest = max(hottest, watch.now_c or 0)
        if watch.left_s and watch.left_s.likely == 0:
            ends = baker.now
            break
    assert 93 < hottest < 101
    assert ends is not None
    told = {t.place for t in stand_ins.view().things}
    assert told == {ProbePlace.OVEN, ProbePlace.CRUMB}
    baker.tell("step_done", step="bake")
    for _ in range(60):
        baker.wait(30)
        stand_ins.advance(baker.now)
    (crumb,) = [t for t in stand_ins.view().things if t.place is ProbePlace.CRUMB]
    assert crumb.true_c < 75
