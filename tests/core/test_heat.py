"""Ovens warming, cakes cooling, batters rising, and the air: reference values and the order of things."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.ovens import air as oven
from kindwhisk.core.tins import rise
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.warmth import air, cooling, warming


@pytest.mark.parametrize(("altitude", "boils"), [(0, 99.97), (500, 98.3), (1000, 96.65), (1600, 94.65), (2500, 91.6)])
def test_water_boils_lower_on_the_mountain(altitude: float, boils: float) -> None:
    assert air.boiling_point_at_c(air.pressure_kpa(altitude)) == pytest.approx(boils, abs=0.1)


def test_cooling_by_the_reference_model() -> None:
    # A 12 mm sheet of density 0.3, both faces free, to 27 C in 22 C: 25 to 35 minutes.
    area = 300 * 400 * 2
    sheet = cooling.cooling_s(0.3 * 1.2 * 30 * 40, area, 97, 27, 22, cooling.ON_RACK_W_PER_M2K)
    assert 25 * 60 <= sheet.likely <= 35 * 60
    with pytest.raises(CraftError, match="Nothing cools"):
        cooling.cooling_s(400, area, 97, 22, 22, 8)


def test_an_inverted_chiffon_hangs_for_hours_and_a_gate_has_its_reason() -> None:
    gates = cooling.cool_gates(420, 84_000, cooling.How.HANGING, 22, Technique.CHIFFON)
    assert [g.to_c for g in gates] == sorted((g.to_c for g in gates), reverse=True)
    turn_out = next(g for g in gates if g.kind is cooling.GateKind.TURN_OUT)
    assert 2 * 3600 < turn_out.after_s.likely < 3.5 * 3600
    assert "tears" in turn_out.why
    rolls = {g.kind: g.to_c for g in cooling.cool_gates(300, 240_000, cooling.How.RACK, 22, Technique.CHIFFON_ROLL)}
    assert rolls[cooling.GateKind.ROLL] > rolls[cooling.GateKind.CREAM] >= rolls[cooling.GateKind.CUT] - 1


@given(st.floats(5, 40), st.sampled_from([None, *Technique]))
def test_no_gate_lies_below_the_air(air_c: float, technique: Technique | None) -> None:
    for gate in cooling.cool_gates(400, 80_000, cooling.How.RACK, air_c, technique):
        assert gate.to_c > air_c


def test_whites_and_sugar_over_water_by_the_reference_model() -> None:
    swiss = Material(parts={"egg-white": 100, "sugar": 150}, temperature_c=20)
    assert warming.over_water_s(swiss, 60).likely == pytest.approx(124, rel=0.05)
    with pytest.raises(CraftError, match="cannot warm"):
        warming.over_water_s(swiss, 98)


def test_preheating() -> None:
    assert oven.preheat_s(22, 170, 8).likely == pytest.approx(148 / 8 * 60 + oven.SETTLE_S)


@given(st.floats(0, 2500), st.floats(0.25, 0.6))
def test_batter_rises_and_rises_more_where_the_air_is_thin(altitude: float, density: float) -> None:
    batter = Material(parts={"whole-egg": 200, "sugar": 100, "cake-flour": 100}).at_density(
        Estimate.around(density, 0.1, Basis.HABIT)
    )
    high, low = rise.risen_volume_ml(batter, altitude), rise.risen_volume_ml(batter, 0)
    assert high.likely >= low.likely >= batter.volume_ml.likely
    assert rise.settled_volume_ml(high).likely < high.likely
