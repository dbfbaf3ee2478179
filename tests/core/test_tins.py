"""Tins: published volumes, and level against volume for every shape."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter, ValidationError

from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.tins.rise import risen_volume_ml
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin, Tin
from kindwhisk.core.tins.sharing import OnShelf, share_out
from kindwhisk.core.tins.standing import TinFit, levels_mm, stand
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.vessels import section
from kindwhisk.core.vessels.vessel import Vessel, VesselForm
from tests.core.strategies import tins

read = TypeAdapter[Tin](Tin).validate_python


@pytest.mark.parametrize(
    ("tin", "volume"),
    [
        ({"shape": "round", "dimensions": {"diameter_mm": 200, "depth_mm": 60}}, 1885.0),
        ({"shape": "round", "dimensions": {"diameter_mm": 180, "top_diameter_mm": 200, "depth_mm": 70}}, 1986.5),
        (
            {
                "shape": "tube",
                "dimensions": {
                    "diameter_mm": 150,
                    "top_diameter_mm": 170,
                    "depth_mm": 80,
                    "tube_diameter_mm": 55,
                    "tube_top_diameter_mm": 45,
                },
            },
            1453.0,
        ),
        (
            {
                "shape": "loaf",
                "dimensions": {
                    "bottom_length_mm": 210,
                    "bottom_width_mm": 85,
                    "top_length_mm": 230,
                    "top_width_mm": 105,
                    "depth_mm": 65,
                },
            },
            1360.7,
        ),
        ({"shape": "half-sphere", "dimensions": {"diameter_mm": 160}}, 1072.3),
        ({"shape": "sheet", "dimensions": {"width_mm": 300, "length_mm": 400, "depth_mm": 20}}, 2400.0),
    ],
)
def test_volumes_are_the_published_ones(tin: dict[str, object], volume: float) -> None:
    assert read(tin).volume_ml() == pytest.approx(volume, rel=5e-4)


@given(tins(), st.floats(0, 1.3))
def test_level_and_volume_agree(tin: Tin, share: float) -> None:
    volume = share * tin.volume_ml()
    assert tin.volume_ml(tin.level_mm(volume)) == pytest.approx(volume, rel=1e-6, abs=1e-4)


@given(tins(), st.floats(0.05, 1))
def test_volume_agrees_with_summed_slices(tin: Tin, share: float) -> None:
    height, slices = share * tin.depth_mm, 400
    step = height / slices
    summed = math.fsum(tin.cut((i + 0.5) * step).area_mm2 * step for i in range(slices)) / 1000
    assert tin.volume_ml(height) == pytest.approx(summed, rel=1e-4)


@given(tins(), st.floats(10, 4000), st.floats(1.05, 2))
def test_more_batter_stands_higher(tin: Tin, volume: float, more: float) -> None:
    assert tin.level_mm(volume * more) > tin.level_mm(volume)


@given(st.floats(60, 400), st.floats(40, 250), st.floats(0.01, 0.99))
def test_bowls_fill_and_empty_the_same(diameter: float, height: float, share: float) -> None:
    for form in VesselForm:
        bowl = Vessel(id="v", name="v", form=form, diameter_mm=diameter, height_mm=height)
        volume = share * bowl.volume_ml(height)
        assert bowl.volume_ml(bowl.level_mm(volume)) == pytest.approx(volume, rel=1e-6)


@given(tins(), st.floats(0.2, 0.7), st.integers(1, 4))
def test_a_section_shows_what_stands_in_one_tin(tin: Tin, density: float, count: int) -> None:
    batter = Material(parts={"whole-egg": 200, "sugar": 100, "cake-flour": 100}).at_density(
        Estimate.around(density, 0.1, Basis.HABIT)
    )
    drawn = section.of_tin("tin", tin, 1 / count, batter, count=count)
    assert tin.volume_ml(drawn.level_mm) * count == pytest.approx(batter.volume_ml.likely, rel=1e-6)
    assert drawn.start_level_mm < drawn.level_mm
    levels = levels_mm(tin, risen_volume_ml(batter, 0), count)
    assert drawn.level_mm <= levels.likely + 1e-6 <= levels.high + 1e-6


def test_a_tube_wider_than_its_tin_is_refused() -> None:
    with pytest.raises(ValidationError, match="tube_diameter_mm must be smaller"):
        read({"shape": "tube", "dimensions": {"diameter_mm": 100, "depth_mm": 80, "tube_diameter_mm": 120}})


ROUND_20 = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=60))


@given(tins(), st.floats(20, 3000), st.floats(0.2, 1.0), st.floats(0, 8))
def test_what_stands_in_a_tin_is_its_volume_and_rises_no_lower(
    tin: Tin, grams: float, density: float, powder: float
) -> None:
    seen = stand(tin, grams, density, leavener_g=powder)
    assert tin.volume_ml(seen.level_mm) == pytest.approx(grams / density, rel=1e-6)
    assert seen.fill_fraction == pytest.approx(grams / density / tin.volume_ml())
    assert seen.level_mm <= seen.rise_mm.low + 1e-6
    assert seen.settled_mm.likely <= seen.rise_mm.likely
    assert stand(tin, grams, density, leavener_g=powder + 2).rise_mm.likely >= seen.rise_mm.likely


@pytest.mark.parametrize(
    ("grams", "fit", "word"),
    [(200, TinFit.SHALLOW, "bakes low"), (470, TinFit.GOOD, "Filled to"), (800, TinFit.OVERFLOWS, "Too full")],
)
def test_a_tin_says_whether_it_fits(grams: float, fit: TinFit, word: str) -> None:
    seen = stand(ROUND_20, grams, 0.42)
    assert seen.fit is fit
    assert word in seen.verdict
    assert fit is TinFit.GOOD or seen.can_do


def test_a_sheet_goes_by_thickness_and_a_mousse_by_its_rim() -> None:
    sheet = read({"shape": "sheet", "dimensions": {"width_mm": 300, "length_mm": 350, "depth_mm": 25}})
    assert stand(sheet, 450, 0.43).fit is TinFit.GOOD
    assert stand(sheet, 150, 0.43).fit is TinFit.SHALLOW
    assert "rolled" in stand(sheet, 950, 0.43).verdict
    still = stand(ROUND_20, 1000, 0.58, Technique.MOUSSE)
    assert (still.fit, still.rise_mm.likely) == (TinFit.GOOD, still.level_mm)
    assert "dome" in stand(ROUND_20, 1000, 0.8, Technique.CREAMED_SPONGE, leavener_g=8).dome


@given(st.floats(300, 6000))
def test_sharing_out_loses_nothing_and_overfills_nothing(batter_ml: float) -> None:
    shelf = [
        OnShelf(id="round", name="20 cm round", tin=ROUND_20, count=2),
        OnShelf(
            id="small", name="15 cm", tin=RoundTin(dimensions=RoundDimensions(diameter_mm=150, depth_mm=60)), count=2
        ),
    ]
    for way in share_out(batter_ml, shelf):
        poured = sum(s.count * s.each_ml for s in way.shares)
        assert poured + way.rest_ml == pytest.approx(batter_ml, rel=0.025)
        assert all(s.fill_fraction <= 0.72 + 1e-9 for s in way.shares)
        assert all(s.count <= 2 for s in way.shares)
    best = share_out(2 * 0.6 * 1885, shelf)[0]
    assert [(s.id, s.count) for s in best.shares] == [("round", 2)]


def test_paper_has_the_sizes_of_its_tin() -> None:
    disc, strip = ROUND_20.lining()
    assert (disc.width_mm, disc.height_mm) == pytest.approx((200, 200), abs=0.05)
    assert strip.height_mm == pytest.approx(60)
    assert strip.width_mm == pytest.approx(math.pi * 200 + 15)
    sheet = read({"shape": "sheet", "dimensions": {"width_mm": 300, "length_mm": 400, "depth_mm": 20}})
    (paper,) = sheet.lining()
    assert (paper.width_mm, paper.height_mm) == pytest.approx((340, 440))


@given(tins())
def test_every_paper_covers_its_wall(tin: Tin) -> None:
    shapes = tin.lining()
    assert all(s.width_mm > 0 and s.height_mm > 0 and s.size for s in shapes)
    if tin.shape in {"round", "tube"}:
        wall = next(s for s in shapes if s.name == "wall")
        area = abs(_shoelace(wall.cuts[0]))
        lap = area * 15 / (math.pi * tin.cut(tin.depth_mm).outer_mm * 2)
        bottom, top = tin.cut(0).outer_mm, tin.cut(tin.depth_mm).outer_mm
        cone = math.pi * (bottom + top) * math.hypot(tin.depth_mm, top - bottom)
        assert area == pytest.approx(cone, abs=1.1 * lap + 0.02 * cone)


def _shoelace(points: tuple[tuple[float, float], ...]) -> float:
    return sum(a[0] * b[1] - b[0] * a[1] for a, b in zip(points, (*points[1:], points[0]), strict=True)) / 2
