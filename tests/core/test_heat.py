"""Ovens warming, cakes cooling, batters rising, and the air: reference values and the order of things."""

from __future__ import annotations

import math

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.optimize import brentq

from kindwhisk.core.baking.cooling import Hot, cool_gates, cooled_c, cooling_s
from kindwhisk.core.baking.crumb import Crumb
from kindwhisk.core.baking.faces import Face, Faces
from kindwhisk.core.baking.heat import Bake
from kindwhisk.core.baking.mesh import mesh
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.ovens import air as oven
from kindwhisk.core.tins import rise
from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, LoafDimensions, LoafTin, RoundDimensions, RoundTin, Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.warmth import air, warming
from kindwhisk.core.warmth.cooling import GateKind, How
from kindwhisk.demo.formulas.shorthand import TUBE_17

CAKE = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=100))
SHEET = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=400, depth_mm=25))
LOAF = LoafTin(
    dimensions=LoafDimensions(
        bottom_width_mm=85, bottom_length_mm=210, top_width_mm=105, top_length_mm=230, depth_mm=80
    )
)


@pytest.mark.parametrize(("altitude", "boils"), [(0, 99.97), (500, 98.3), (1000, 96.65), (1600, 94.65), (2500, 91.6)])
def test_water_boils_lower_on_the_mountain(altitude: float, boils: float) -> None:
    assert air.boiling_point_at_c(air.pressure_kpa(altitude)) == pytest.approx(boils, abs=0.1)


def test_cooling_by_the_reference_model() -> None:
    # A 12 mm sheet of density 0.3, both faces free, to 27 C in 22 C: 25 to 35 minutes.
    sheet = cooling_s(Hot(SHEET, 12, 0.3 * 1.2 * 30 * 40, How.RACK, 22, 97), 27)
    assert 24.5 * 60 <= sheet.likely <= 35 * 60
    with pytest.raises(CraftError, match="Nothing cools"):
        cooling_s(Hot(SHEET, 12, 400, How.RACK, 22, 97), 22)


@pytest.mark.parametrize(
    ("tin", "height_mm", "density", "low", "high"),
    [(CAKE, 50, 0.30, 136, 214), (LOAF, 70, 0.55, 265, 412)],
    ids=["round, 50 mm", "loaf"],
)
def test_a_thick_crumb_cools_as_long_as_the_analytic_series_says(
    tin: Tin, height_mm: float, density: float, low: float, high: float
) -> None:
    # For conductivities of 0.10 to 0.15 W/mK and surfaces of 9 to 15 W/m2K; a little more leaves with what evaporates.
    told = cooling_s(Hot(tin, height_mm, tin.volume_ml(height_mm) * density, How.RACK, 22, 97), 26)
    assert low < told.likely / 60 < high
    assert told.low / 60 < low * 1.03
    assert told.high / 60 > high * 0.94


def test_conduction_alone_cools_by_the_series_of_a_slab() -> None:
    """A wide slab with both faces bare: exact, by its first eigenvalues."""
    wide = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=2000, length_mm=2000, depth_mm=80))
    crumb = Crumb(density=0.3, start_c=97, conducts_w_per_mk=0.125, heat_j_per_kg_k=2900, plain=True)
    bare = Face(air_w_per_m2k=12.0, emissivity=0.0)
    cake = Bake(crumb, mesh(wide, 50, 12, 3), Faces(bare, bare, bare, bare))
    half, biot = 0.025, 12.0 * 0.025 / 0.125
    roots = [brentq(lambda b: b * math.tan(b) - biot, n * math.pi + 1e-9, (n + 0.5) * math.pi - 1e-9) for n in range(8)]
    while cake.t_s < 9000:
        cake.advance(30, 22)
        if cake.t_s % 1500:
            continue
        fourier = 0.125 / (300 * 2900) * cake.t_s / half**2
        left = sum(
            4 * math.sin(b) / (2 * b + math.sin(2 * b)) * math.exp(-b * b * fourier) for b in roots
        )  # at the middle
        assert float(cake.celsius.max()) == pytest.approx(22 + 75 * left, abs=0.8)


def test_an_inverted_chiffon_hangs_for_hours_and_a_gate_has_its_reason() -> None:
    gates = cool_gates(Hot(TUBE_17, 78, 420, How.HANGING, 22), Technique.CHIFFON)
    assert [g.to_c for g in gates] == sorted((g.to_c for g in gates), reverse=True)
    turn_out = next(g for g in gates if g.kind is GateKind.TURN_OUT)
    assert 2 * 3600 < turn_out.after_s.likely < 3.5 * 3600
    assert "tears" in turn_out.why
    rolls = {g.kind: g.to_c for g in cool_gates(Hot(SHEET, 12, 300, How.RACK, 22), Technique.CHIFFON_ROLL)}
    assert rolls[GateKind.ROLL] > rolls[GateKind.CREAM] >= rolls[GateKind.CUT] - 1


def test_what_is_turned_out_is_told_by_its_crust_in_the_tin_and_what_is_creamed_by_its_middle() -> None:
    told = {g.kind: g for g in cool_gates(Hot(CAKE, 50, 470, How.RACK, 22), Technique.GENOISE)}
    turned, creamed = told[GateKind.TURN_OUT].after_s.likely, told[GateKind.CREAM].after_s.likely
    assert 4 * 60 < turned < 15 * 60
    assert creamed > 2.2 * 3600
    assert all(g.after_s.basis is Basis.RECALLED for g in told.values())


@settings(max_examples=12)
@given(st.floats(15, 80), st.floats(0.2, 0.6), st.sampled_from(list(How)))
def test_cooling_follows_its_laws(height_mm: float, density: float, how: How) -> None:
    def takes(height: float = height_mm, rho: float = density, to_c: float = 30, air: float = 22) -> float:
        return cooling_s(Hot(CAKE, height, CAKE.volume_ml(height) * rho, how, air), to_c).likely

    plain = takes()
    assert takes(height=height_mm + 12) > plain
    assert takes(rho=density + 0.1) > plain
    assert takes(to_c=26) > plain
    assert takes(air=18) < plain
    hot = Hot(CAKE, height_mm, CAKE.volume_ml(height_mm) * density, how, 22)
    way = [cooled_c(hot, 26, i / 10) for i in range(11)]
    assert way == sorted(way, reverse=True)
    assert way[-1] == pytest.approx(26, abs=0.1)


@given(st.floats(5, 40), st.sampled_from([None, *Technique]))
def test_no_gate_lies_below_the_air(air_c: float, technique: Technique | None) -> None:
    for gate in cool_gates(Hot(CAKE, 40, 400, How.RACK, air_c), technique):
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
