"""Oven, crumb, cooling, warming and air: reference values and the order of things."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core import air, baking, cooling, oven, rise, warming
from kindwhisk.core.baking import OvenMode, ReferenceBake
from kindwhisk.core.errors import CraftError
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.material import Material
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin
from tests.core.strategies import tins


def round_tin(diameter: float, depth: float = 80) -> RoundTin:
    return RoundTin(dimensions=RoundDimensions(diameter_mm=diameter, depth_mm=depth))


REFERENCE = ReferenceBake(tin=round_tin(200), fill_mm=40, oven_c=170, mode=OvenMode.STATIC, minutes=34)


def minutes(tin: RoundTin, fill: float, oven_c: float = 170, mode: OvenMode = OvenMode.STATIC) -> Estimate:
    return baking.bake_s(REFERENCE, tin, fill, oven_c, mode).scaled(1 / 60)


@pytest.mark.parametrize(("altitude", "boils"), [(0, 99.97), (500, 98.3), (1000, 96.65), (1600, 94.65), (2500, 91.6)])
def test_water_boils_lower_on_the_mountain(altitude: float, boils: float) -> None:
    assert air.boiling_point_c(altitude) == pytest.approx(boils, abs=0.1)


def test_at_its_reference_a_bake_takes_its_reference_time() -> None:
    own = minutes(round_tin(200), 40)
    assert own.likely == pytest.approx(34)
    assert own.basis is Basis.FORMULA


@pytest.mark.parametrize(
    ("diameter", "fill", "oven_c", "mode", "expected"),
    [
        (150, 40, 170, OvenMode.STATIC, 31),
        (240, 40, 170, OvenMode.STATIC, 35),
        (200, 60, 170, OvenMode.STATIC, 52),
        (200, 25, 170, OvenMode.STATIC, 22),
        (200, 40, 180, OvenMode.STATIC, 32),
        (200, 40, 160, OvenMode.STATIC, 36.6),
        (200, 40, 160, OvenMode.FAN, 29),
    ],
)
def test_other_bakes_lie_near_the_reference_model(
    diameter: float, fill: float, oven_c: float, mode: OvenMode, expected: float
) -> None:
    other = minutes(round_tin(diameter), fill, oven_c, mode)
    assert other.likely == pytest.approx(expected, rel=0.12)
    assert other.low <= expected <= other.high
    assert other.basis is Basis.MODEL or expected == 34


@given(tins(), st.floats(0.2, 0.6), st.floats(1.05, 1.6))
def test_deeper_takes_longer_and_is_less_sure(tin: RoundTin, share: float, deeper: float) -> None:
    fill = share * tin.depth_mm
    shallow = baking.bake_s(REFERENCE, tin, fill, 170, OvenMode.STATIC)
    deep = baking.bake_s(REFERENCE, tin, fill * deeper, 170, OvenMode.STATIC)
    hot = baking.bake_s(REFERENCE, tin, fill, 185, OvenMode.STATIC)
    fan = baking.bake_s(REFERENCE, tin, fill, 170, OvenMode.FAN)
    assert deep.likely > shallow.likely
    assert hot.likely < shallow.likely
    assert fan.likely < shallow.likely
    assert fan.high / fan.low >= shallow.high / shallow.low


@given(st.floats(600, 6000), st.floats(15, 40), st.floats(0, 0.98))
def test_the_crumb_warms_to_done_and_a_reading_on_the_curve_finds_the_end(
    done: float, start: float, share: float
) -> None:
    assert baking.core_c(done, done, start) == pytest.approx(baking.DONE_C, abs=1e-6)
    elapsed = share * done
    now = baking.core_c(elapsed, done, start)
    assert start <= now < baking.FRONT_C
    found = baking.done_from_core_s(elapsed, now, start, Estimate.around(done, 0.1))
    if found is not None:
        assert found == pytest.approx(done, rel=1e-6)
    else:
        assert now < start + 10 or now > baking.FRONT_C - 1 or elapsed == 0


def test_cooling_by_the_reference_model() -> None:
    # A 12 mm sheet of density 0.3, both faces free, to 27 C in 22 C: 25 to 35 minutes.
    area = 300 * 400 * 2
    sheet = cooling.cooling_s(0.3 * 1.2 * 30 * 40, area, 97, 27, 22, cooling.ON_RACK_W_PER_M2K)
    assert 25 * 60 <= sheet.likely <= 35 * 60
    with pytest.raises(CraftError, match="Nothing cools"):
        cooling.cooling_s(400, area, 97, 22, 22, 8)


def test_whites_and_sugar_over_water_by_the_reference_model() -> None:
    swiss = Material(parts={"egg-white": 100, "sugar": 150}, temperature_c=20)
    assert warming.over_water_s(swiss, 60).likely == pytest.approx(124, rel=0.05)
    with pytest.raises(CraftError, match="cannot warm"):
        warming.over_water_s(swiss, 98)


def test_preheating_and_a_reading_on_the_way() -> None:
    assert oven.preheat_s(22, 170, 8).likely == pytest.approx(148 / 8 * 60 + oven.SETTLE_S)
    assert oven.seconds_to(170, 162, 8) == pytest.approx(60)
    assert oven.seconds_to(170, 169, 8) == 0


@given(st.floats(0, 2500), st.floats(0.25, 0.6))
def test_batter_rises_and_rises_more_where_the_air_is_thin(altitude: float, density: float) -> None:
    batter = Material(parts={"whole-egg": 200, "sugar": 100, "cake-flour": 100}).at_density(
        Estimate.around(density, 0.1, Basis.HABIT)
    )
    high, low = rise.risen_volume_ml(batter, altitude), rise.risen_volume_ml(batter, 0)
    assert high.likely >= low.likely >= batter.volume_ml.likely
    assert rise.settled_volume_ml(high).likely < high.likely
