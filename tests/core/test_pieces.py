"""Pieces, rolls and soaks, against published and analytic values."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.finishing import rolling, soaking
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen


@pytest.mark.parametrize(
    ("tray", "fits"), [((300, 400), {35: 36, 40: 30, 45: 24}), ((370, 455), {35: 54, 40: 44, 45: 36})]
)
def test_a_tray_takes_so_many(tray: tuple[float, float], fits: dict[int, int]) -> None:
    for across, number in fits.items():
        piece = PipedPiece(width_mm=across, height_mm=10)
        assert piece.on_tray(*tray) == piece.on_tray(*tray[::-1]) == number


@given(st.floats(10, 100), st.floats(3, 60))
def test_a_mould_holds_what_the_piece_holds(across: float, high: float) -> None:
    piece = PipedPiece(width_mm=across, height_mm=high, length_mm=across * 3)
    assert piece.mould().volume_ml() == pytest.approx(piece.volume_ml(), rel=1e-3)
    assert PipedPiece(width_mm=40, height_mm=10).volume_ml() == pytest.approx(6.8, abs=0.01)


@pytest.mark.parametrize(("core", "across", "turns"), [(0, 94.4, 1.91), (20, 96.5, 1.56)])
def test_a_roll_is_as_thick_as_its_spiral(core: float, across: float, turns: float) -> None:
    got = rolling.roll(350, 20, 12, core)
    assert got.diameter_mm == pytest.approx(across, abs=0.05)
    assert got.turns == pytest.approx(turns, abs=0.005)
    assert got.strain == pytest.approx(0.375, abs=0.001)


def test_a_soaked_crumb_keeps_its_size_and_takes_about_its_own_weight() -> None:
    gas = Estimate(low=600, likely=640, high=700, basis=Basis.HABIT)
    crumb = Material(parts={"cake-flour": 120, "whole-egg": 120, "sugar": 60}, browning=0.3).with_gas(gas)
    takes = soaking.takes_ml(crumb, flooded=True)
    assert 0.7 < takes.likely / crumb.mass_g < 2.5
    milk = Material(parts={"milk": 200})
    wet = soaking.soaked(crumb, milk, combine([crumb, milk]))
    assert wet.volume_ml.likely == pytest.approx(crumb.volume_ml.likely, rel=1e-6)
    assert wet.mass_g == pytest.approx(crumb.mass_g + 200)


def test_a_dried_meringue_is_left_with_three_percent_of_water() -> None:
    kisses = next(f for f in demo_formulas() if f.id == "kisses")
    dry = next(s for s in scale(kisses, demo_kitchen(), Wish()).forecast.steps if s.kind == "bake")
    assert dry.bake is not None
    water = 0.88 * kisses.grams_of("egg-white") / kisses.total_g()
    assert dry.bake.lost.likely == pytest.approx((water - 0.03) / 0.97, abs=0.02)
    assert dry.bake.lost.high < water * 1.06
