"""Tins, what stands in them and what is poured into them, against geometry done by hand."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.ingredients.leaveners import as_baking_powder_g
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.learning.expected import Factor
from kindwhisk.core.tins import rise
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import (
    BoxDimensions,
    BoxTin,
    HalfSphereDimensions,
    HalfSphereTin,
    LoafDimensions,
    LoafTin,
    RoundDimensions,
    RoundTin,
    Tin,
    TubeDimensions,
    TubeTin,
)
from kindwhisk.core.tins.sharing import OnShelf, share_out
from kindwhisk.core.tins.standing import USUAL, TinFit, band_of, judge, stand
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.warmth.air import pressure_kpa, saturation_kpa
from tests.core.strategies import tins

ROUND = RoundTin(dimensions=RoundDimensions(diameter_mm=180, depth_mm=70))
CONE = RoundTin(dimensions=RoundDimensions(diameter_mm=160, top_diameter_mm=200, depth_mm=80))
TUBE = TubeTin(
    dimensions=TubeDimensions(
        diameter_mm=150, top_diameter_mm=170, depth_mm=80, tube_diameter_mm=60, tube_top_diameter_mm=50
    )
)
BOX = BoxTin(shape="rectangular", dimensions=BoxDimensions(width_mm=200, length_mm=300, depth_mm=50))
SHEET = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=400, depth_mm=25))
LOAF = LoafTin(
    dimensions=LoafDimensions(
        bottom_width_mm=80, bottom_length_mm=200, top_width_mm=100, top_length_mm=220, depth_mm=60
    )
)
DOME = HalfSphereTin(dimensions=HalfSphereDimensions(diameter_mm=160))


def _cone(bottom: float, top: float, depth: float) -> float:
    return math.pi * depth / 12 * (bottom**2 + bottom * top + top**2) / 1000


@pytest.mark.parametrize(
    ("tin", "ml"),
    [
        (ROUND, math.pi * 90**2 * 70 / 1000),
        (CONE, _cone(160, 200, 80)),
        (TUBE, _cone(150, 170, 80) - _cone(60, 50, 80)),
        (BOX, 3000),
        (SHEET, 3000),
        (LOAF, 60 / 6 * (80 * 200 + 4 * 90 * 210 + 100 * 220) / 1000),
        (DOME, 2 / 3 * math.pi * 80**3 / 1000),
    ],
    ids=lambda v: getattr(v, "shape", ""),
)
def test_a_tin_holds_what_its_formula_says(tin: Tin, ml: float) -> None:
    assert tin.volume_ml() == pytest.approx(ml)
    above = tin.volume_ml(tin.depth_mm + 10)
    assert above - ml == pytest.approx(tin.cut(tin.depth_mm).area_mm2 * 10 / 1000)
    assert tin.volume_ml(-5) == 0


@given(tins(), st.floats(0.01, 1.5))
def test_level_and_volume_tell_each_other(tin: Tin, share: float) -> None:
    volume = share * tin.volume_ml()
    assert tin.volume_ml(tin.level_mm(volume)) == pytest.approx(volume, rel=1e-5)


def test_levels_of_nothing_and_of_too_much() -> None:
    assert ROUND.level_mm(0) == ROUND.level_mm(-3) == 0
    assert ROUND.level_mm(ROUND.volume_ml()) == 70
    assert BOX.level_mm(3600) == pytest.approx(60)


def test_cuts_are_straight_between_bottom_and_rim() -> None:
    middle = CONE.cut(40)
    assert (middle.area_mm2, middle.perimeter_mm, middle.outer_mm) == pytest.approx(
        (math.pi * 90**2, math.pi * 180, 90)
    )
    assert CONE.cut(200) == CONE.cut(80)
    ring = TUBE.cut(40)
    assert ring.area_mm2 == pytest.approx(math.pi * (80**2 - 27.5**2))
    assert ring.perimeter_mm == pytest.approx(math.pi * (160 + 55))
    assert (ring.outer_mm, ring.inner_mm) == pytest.approx((80, 27.5))
    assert LOAF.cut(30).perimeter_mm == pytest.approx(2 * (90 + 210))
    assert DOME.cut(80).area_mm2 == pytest.approx(math.pi * 80**2)
    assert DOME.cut(0).area_mm2 == pytest.approx(0)
    assert DOME.cut(40).outer_mm == pytest.approx(math.sqrt(80**2 - 40**2))


def test_what_the_heat_sees_is_bottom_walls_and_top() -> None:
    assert ROUND.heated_area_mm2(40) == pytest.approx(2 * math.pi * 90**2 + math.pi * 180 * 40)
    assert TUBE.heated_area_mm2(80) == pytest.approx(
        TUBE.cut(0).area_mm2 + TUBE.cut(80).area_mm2 + 80 * math.pi * (150 + 60 + 170 + 50) / 2
    )


def test_a_half_size_tin_holds_half() -> None:
    for tin in (ROUND, CONE, TUBE, BOX, LOAF):
        half = tin.half_size()
        assert half.volume_ml() == pytest.approx(tin.volume_ml() / 2)
        assert half.depth_mm == tin.depth_mm
    assert DOME.half_size().volume_ml() == pytest.approx(DOME.volume_ml() / 2)


def test_each_shape_tells_its_rings_its_tray_and_its_family() -> None:
    assert [t.rings_grow for t in (ROUND, TUBE)] == [1, 1]
    assert BOX.rings_grow == pytest.approx(2 / 3)
    assert LOAF.rings_grow == pytest.approx(90 / 210)
    assert BOX.half_widths_mm(10) == (100, 0)
    assert TUBE.half_widths_mm(40) == pytest.approx((80, 27.5))
    assert BOX.tray_mm == (200, 300)
    assert ROUND.tray_mm == pytest.approx((180 / math.sqrt(2),) * 2)
    assert DOME.tray_mm == pytest.approx((160 / math.sqrt(2),) * 2)
    assert ROUND.family == BOX.family != SHEET.family == "sheet"
    assert [t.flat for t in (BOX, SHEET, ROUND)] == [False, True, False]


def test_linings_have_the_lengths_of_their_walls() -> None:
    sheet = BOX.lining()[0]
    assert (sheet.width_mm, sheet.height_mm) == (300, 400)
    assert f"cut {50 * math.sqrt(2):.0f} mm into each corner" in sheet.size
    net = LOAF.lining()[0]
    side, end = math.hypot(60, 10), math.hypot(60, 10)
    assert net.width_mm == pytest.approx(80 + 2 * side)
    assert net.height_mm == pytest.approx(200 + 2 * end)
    petal = DOME.lining()[0]
    assert petal.count == 8
    assert petal.height_mm == pytest.approx(math.pi * 80 / 2)
    assert petal.width_mm == pytest.approx(2 * math.pi * 80 / 8)
    assert [p.name for p in TUBE.lining()] == ["base", "wall", "tube"]


@pytest.mark.parametrize(
    ("shape", "text", "sizes", "depth", "lengths"),
    [
        (RoundTin, "20 cm pan", (200.0,), None, {"diameter_mm": 200, "depth_mm": 60}),
        (RoundTin, "20 cm pan", (200.0,), 75.0, {"diameter_mm": 200, "depth_mm": 75}),
        (TubeTin, "chiffon tin", (200.0,), None, {"diameter_mm": 178, "top_diameter_mm": 200, "depth_mm": 92}),
        (BoxTin, "tray", (300.0, 400.0), None, {"width_mm": 300, "length_mm": 400, "depth_mm": 20}),
        (BoxTin, "square tin", (200.0,), None, {"width_mm": 200, "length_mm": 200, "depth_mm": 50}),
        (LoafTin, "loaf tin", (230.0,), None, {"top_length_mm": 230, "top_width_mm": 97, "bottom_length_mm": 212}),
    ],
)
def test_a_tin_that_a_recipe_names_gets_its_usual_lengths(
    shape: type[RoundTin], text: str, sizes: tuple[float, ...], depth: float | None, lengths: dict[str, float]
) -> None:
    found = shape.named_by(text, sizes, depth)
    assert found is not None
    known = found.dimensions.model_dump()
    assert {name: known[name] for name in lengths} == lengths


def test_words_and_walls_tell_sheets_from_tins() -> None:
    def shape(text: str, depth: float | None = None) -> str | None:
        found = BoxTin.named_by(text, (200.0, 201.0), depth)
        return found.shape if found else None

    assert shape("tin") == "square"
    assert shape("jelly roll tin") == "sheet"
    assert (shape("tin", 30), shape("tin", 31)) == ("sheet", "square")
    assert BoxTin.named_by("tin", (200.0,), None) is None
    assert RoundTin.named_by("tin", (200.0, 300.0), None) is None
    assert TubeTin.named_by("round tin", (200.0,), None) is None
    assert LoafTin.named_by("round tin", (200.0,), None) is None


def test_a_tube_must_fit_its_tin() -> None:
    with pytest.raises(ValueError, match="tube_diameter_mm must be smaller"):
        TubeDimensions(diameter_mm=150, depth_mm=80, tube_diameter_mm=150)
    with pytest.raises(ValueError, match="tube_diameter_mm must be smaller"):
        TubeDimensions(diameter_mm=150, depth_mm=80, tube_diameter_mm=50, tube_top_diameter_mm=150)


@pytest.mark.parametrize(
    ("fraction", "level", "rise", "fit"),
    [
        (0.41, 30, (50, 55, 60), TinFit.SHALLOW),
        (0.42, 30, (50, 55, 60), TinFit.GOOD),
        (0.72, 30, (60, 65, 70), TinFit.GOOD),
        (0.721, 30, (60, 65, 70), TinFit.FULL),
        (0.6, 30, (70, 78, 85), TinFit.FULL),
        (0.6, 30, (78, 80, 85), TinFit.OVERFLOWS),
        (0.91, 60, (60, 65, 70), TinFit.OVERFLOWS),
    ],
)
def test_a_tin_is_judged_by_its_fill_and_by_the_rise(
    fraction: float, level: float, rise: tuple[float, float, float], fit: TinFit
) -> None:
    low, likely, high = rise
    found = judge(ROUND, fraction, level, Estimate(low=low, likely=likely, high=high, basis=Basis.MODEL))
    assert found[0] is fit


def test_it_may_go_over_is_said_before_it_does() -> None:
    close = judge(ROUND, 0.6, 40, Estimate(low=60, likely=70, high=77.1, basis=Basis.MODEL))
    assert close[0] is TinFit.GOOD
    assert "may go over" in close[1]
    assert "room to rise" in judge(ROUND, 0.6, 40, Estimate(low=60, likely=70, high=77, basis=Basis.MODEL))[1]
    assert judge(ROUND, 1.02, 70, None)[0] is TinFit.GOOD
    assert judge(ROUND, 1.021, 70, None)[0] is TinFit.OVERFLOWS


@pytest.mark.parametrize(
    ("level", "fit"), [(5.9, TinFit.SHALLOW), (6, TinFit.GOOD), (18, TinFit.GOOD), (18.1, TinFit.FULL)]
)
def test_a_sheet_is_judged_by_its_thickness(level: float, fit: TinFit) -> None:
    rise_mm = Estimate(low=level, likely=level * 1.1, high=level * 1.2, basis=Basis.MODEL)
    assert judge(SHEET, 0.3, level, rise_mm)[0] is fit


def test_a_batter_stands_rises_and_settles() -> None:
    found = stand(ROUND, 500, 0.5, Technique.GENOISE, gas_free=1.1, temperature_c=20, leavener_g=2)
    assert (found.volume_ml, found.capacity_ml) == pytest.approx((1000, ROUND.volume_ml()))
    assert found.fill_fraction == pytest.approx(1000 / ROUND.volume_ml())
    assert found.level_mm == pytest.approx(1_000_000 / (math.pi * 90**2))
    free = 500 / 1.1
    grown = rise.risen_ml(free, 1000 - free, 20, 0, 2)
    assert found.rise_mm.likely == pytest.approx(ROUND.level_mm(grown.likely))
    assert found.settled_mm.likely == pytest.approx(ROUND.level_mm(grown.likely * 0.9))
    assert found.settled_mm.high == pytest.approx(ROUND.level_mm(grown.high * 0.95))
    assert found.dome.startswith("A low dome")
    still = stand(ROUND, 500, 0.5, Technique.MOUSSE)
    assert still.rise_mm.likely == still.settled_mm.likely == still.level_mm
    assert (still.dome, band_of(Technique.MOUSSE).good, band_of(None)) == ("", 0.95, USUAL)
    deep = stand(ROUND, 900, 0.75, None, leavener_g=5)
    assert "wall sets first" in deep.dome
    assert stand(ROUND, 300, 0.5, None).dome.startswith("A foam hardly domes")


def test_bubbles_grow_by_gas_laws() -> None:
    def growth(start: float, kpa: float) -> float:
        return (359.15 / (start + 273.15)) * (kpa - 0.95 * saturation_kpa(start)) / (kpa - 0.95 * saturation_kpa(86))

    assert rise.gas_growth(20, 0) == pytest.approx(growth(20, pressure_kpa(0)))
    assert rise.gas_growth(20, 1500) == pytest.approx(growth(20, pressure_kpa(1500)))
    assert rise.leavened_ml(10) == pytest.approx(432)
    found = rise.risen_ml(400, 600, 20, 0, 5)
    grown = (600 + 216) * growth(20, pressure_kpa(0))
    assert (found.low, found.likely, found.high) == pytest.approx(
        tuple(max(1000, 400 + k * grown) for k in (0.4, 0.6, 0.8))
    )
    taught = rise.risen_ml(400, 600, 20, 0, 5, Factor(factor=0.9, log_sd=0.1, bakes=4))
    assert taught.likely == pytest.approx(found.likely * 0.9)
    assert taught.high == pytest.approx(taught.likely * math.exp(1.4 * 0.1))
    assert (taught.basis, taught.bakes) == (Basis.KITCHEN, 4)


def test_the_rise_is_drawn_to_its_top_and_down_again() -> None:
    assert rise.share_risen(0) == (0, 0)
    assert rise.share_risen(0.75) == (1, 0)
    assert rise.share_risen(0.375) == pytest.approx((0.5**1.3, 0))
    assert rise.share_risen(0.875) == pytest.approx((1, 0.5))
    assert rise.share_risen(1) == (1, 1)


def test_leaveners_count_as_so_much_powder() -> None:
    content = Material(parts={"baking-powder": 3, "baking-soda": 2, "self-raising-flour": 100, "egg-white": 50})
    assert as_baking_powder_g(content) == pytest.approx(3 + 2 * 2.0 + 100 * 0.045)


def test_batter_is_shared_out_to_the_same_part_of_what_is_good() -> None:
    small = RoundTin(dimensions=RoundDimensions(diameter_mm=120, depth_mm=60))
    shelf = (OnShelf(id="r", name="round", tin=ROUND, count=2), OnShelf(id="s", name="small", tin=small, count=1))
    good = 0.6 * ROUND.volume_ml()
    best = share_out(good, shelf)[0]
    assert [(s.id, s.count) for s in best.shares] == [("r", 1)]
    assert best.shares[0].each_ml == pytest.approx(good)
    assert best.shares[0].fill_fraction == pytest.approx(0.6)
    assert (best.rest_ml, best.cases, best.says) == (0, 0, "Nothing is left over.")
    both = next(
        a
        for a in share_out(0.6 * (ROUND.volume_ml() + small.volume_ml()), shelf)
        if {s.id for s in a.shares} == {"r", "s"}
    )
    assert [s.fill_fraction for s in both.shares] == pytest.approx([0.6, 0.6])
    assert share_out(0.4 * small.volume_ml(), shelf) == ()


def test_what_is_too_much_is_told_in_small_cases() -> None:
    shelf = (OnShelf(id="r", name="round", tin=ROUND, count=1),)
    whole = ROUND.volume_ml()
    over = share_out(0.6 * whole + 200, shelf)
    if 0.6 * whole + 200 > 0.72 * whole:
        raise AssertionError("choose a larger tin")
    assert over[0].rest_ml == 0
    much = share_out(0.6 * whole + 400, shelf)[0]
    assert much.rest_ml == pytest.approx(400)
    assert much.cases == round(400 / 54)
    assert much.says == f"400 ml are left: {much.cases} small paper cases, out of the oven first."
    assert much.shares[0].fill_fraction == pytest.approx(0.6)


def test_sheets_go_by_thickness_and_with_sheets_only() -> None:
    shelf = (OnShelf(id="a", name="sheet", tin=SHEET, count=2), OnShelf(id="r", name="round", tin=ROUND, count=1))
    ways = share_out(11 * 120, shelf)
    assert ways[0].shares[0].level_mm == pytest.approx(11)
    assert all({s.id for s in w.shares} != {"a", "r"} for w in ways)
    assert len(ways) <= 5


def test_a_piece_holds_what_its_form_does_and_a_tray_takes_so_many() -> None:
    cap = PipedPiece(width_mm=40, height_mm=15)
    volume = math.pi * 15 * (3 * 20**2 + 15**2) / 6
    assert cap.volume_ml() == pytest.approx(volume / 1000)
    finger = PipedPiece(width_mm=20, height_mm=12, length_mm=90)
    end = math.pi * 12 * (3 * 10**2 + 12**2) / 6
    assert finger.volume_ml() == pytest.approx((end + 2 / 3 * 20 * 12 * 70) / 1000)
    assert cap.outline()[0] == (0, 20, 0)
    assert cap.outline()[-1] == (15, 0, 0)
    assert cap.outline()[6] == pytest.approx((7.5, 20 * math.sqrt(0.5), 0))
    assert cap.mould().volume_ml() == pytest.approx(cap.volume_ml())
    assert finger.mould().volume_ml() == pytest.approx(finger.volume_ml())
    assert finger.on_tray(300, 400) == max(
        (270 + 20) // 40 * ((370 + 20) // 110), (370 + 20) // 40 * ((270 + 20) // 110)
    )
    assert cap.on_tray(30, 400) == 0
    square = ((270 + 20) // 60) * ((370 + 20) // 60)
    rows = 1 + int((370 - 40) / (60 * math.sqrt(3) / 2))
    staggered = math.ceil(rows / 2) * 4 + rows // 2 * ((240 + 20) // 60)
    assert cap.on_tray(300, 400) >= max(square, staggered)
