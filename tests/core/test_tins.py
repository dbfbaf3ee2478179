"""Tins: published volumes, and level against volume for every shape."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import TypeAdapter, ValidationError

from kindwhisk.core import section
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.material import Material
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.vessels import Vessel, VesselForm
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
    assert tin.volume_ml(tin.level_mm(volume)) == pytest.approx(volume, rel=1e-6, abs=1e-6)


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
    levels = section.rise_levels_mm(tin, count, batter, 0)
    assert drawn.level_mm <= levels.likely + 1e-6 <= levels.high + 1e-6


def test_a_tube_wider_than_its_tin_is_refused() -> None:
    with pytest.raises(ValidationError, match="tube_diameter_mm must be smaller"):
        read({"shape": "tube", "dimensions": {"diameter_mm": 100, "depth_mm": 80, "tube_diameter_mm": 120}})
