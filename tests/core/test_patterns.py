"""Batters parted, coloured, poured and piped."""

from __future__ import annotations

import itertools
import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.patterns.rings import Pattern, RingWidth, pours, ring_edges_mm, rings_in, shares
from kindwhisk.core.patterns.splitting import PartWish, put_back, split
from kindwhisk.core.patterns.stripes import stripes
from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, RoundDimensions, RoundTin, TubeDimensions, TubeTin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate

BATTER = Material(
    parts={"egg-white": 200, "sugar": 120, "egg-yolk": 90, "oil-neutral": 50, "milk": 70, "cake-flour": 100}
).at_density(Estimate.exact(0.42, Basis.MEASURED))
ROUND = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=60))


@given(st.lists(st.floats(0.2, 8), min_size=2, max_size=5))
def test_parts_add_up_to_the_batter(wanted: list[float]) -> None:
    plan = split(BATTER, tuple(PartWish(share=s) for s in wanted))
    assert sum(p.taken_g for p in plan.parts) == pytest.approx(BATTER.mass_g)
    assert [p.taken_g / BATTER.mass_g for p in plan.parts] == pytest.approx([w / sum(wanted) for w in wanted])
    assert all(p.mass_g == pytest.approx(p.taken_g) and p.evening_strokes == 0 for p in plan.parts)


@given(st.floats(2, 40))
def test_a_coloured_part_keeps_the_proportions_of_water_and_sugar(cocoa: float) -> None:
    addition = Material(parts={"cocoa": cocoa})
    back = put_back(BATTER, addition)
    whole = combine((BATTER.take(0.5), addition, Material(parts={"water": back.water_g, "sugar": back.sugar_g})))
    assert whole.composition.water == pytest.approx(BATTER.composition.water, rel=1e-6)
    assert whole.composition.sugars == pytest.approx(BATTER.composition.sugars, rel=1e-6)


def test_both_parts_are_brought_to_one_density() -> None:
    plain, dark = split(BATTER, (PartWish(name="plain", share=1), PartWish(share=1, additions={"cocoa": 15}))).parts
    assert dark.density_g_per_ml > plain.density_g_per_ml
    assert plain.evening_strokes > 0
    assert dark.evening_strokes == 0
    assert dark.mass_g == pytest.approx(dark.taken_g + 15 + dark.put_back.water_g + dark.put_back.sugar_g)
    assert dark.colour != plain.colour


def test_fruit_that_brings_its_own_water_is_told() -> None:
    part = split(BATTER, (PartWish(share=1), PartWish(share=1, additions={"raspberry-puree": 40}))).parts[1]
    assert part.put_back.water_g == 0
    assert "more than belongs" in part.note


@given(st.integers(2, 30), st.floats(50, 200), st.floats(0, 40))
def test_equal_pours_end_where_their_floor_does(number: int, radius: float, tube: float) -> None:
    edges = ring_edges_mm(radius, tube, shares(number, RingWidth.EQUAL_POURS))
    assert edges[0] == radius
    assert edges[-1] == pytest.approx(tube, abs=1e-4)
    assert all(a > b for a, b in itertools.pairwise(edges))
    if tube == 0:
        assert edges[1] == pytest.approx(radius * math.sqrt((number - 1) / number))


@given(st.integers(2, 30), st.floats(50, 200))
def test_equal_widths_come_of_unequal_pours(number: int, radius: float) -> None:
    parts = shares(number, RingWidth.EQUAL_WIDTHS)
    assert sum(parts) == pytest.approx(1)
    assert parts[-1] == pytest.approx(1 / number**2)
    edges = ring_edges_mm(radius, 0, parts)
    assert [a - b for a, b in itertools.pairwise(edges)] == pytest.approx([radius / number] * number, rel=1e-3)


@given(st.lists(st.floats(50, 800), min_size=2, max_size=3), st.integers(3, 20), st.integers(1, 4))
def test_pours_use_no_more_than_there_is_and_all_of_one(masses: list[float], number: int, tins: int) -> None:
    made, left = pours(masses, [0.42 + 0.05 * i for i in range(len(masses))], Pattern(pours=number), tins)
    for batter, mass in enumerate(masses):
        assert tins * sum(g for b, g in made if b == batter) + left[batter] == pytest.approx(mass)
    assert min(left) == pytest.approx(0, abs=1e-6)


def test_a_pattern_says_what_begins_and_ends() -> None:
    names, colours = ("plain", "cocoa"), ("#ffffff", "#553322")
    view = rings_in(Pattern(pours=13), ROUND, [300, 300], [0.43, 0.45], names, colours)
    assert (view.begins, view.ends) == ("plain", "plain")
    assert view.rings is not None
    assert view.rings.pours[0].outer_mm == pytest.approx(100)
    tube = TubeTin(dimensions=TubeDimensions(diameter_mm=170, depth_mm=80, tube_diameter_mm=50))
    around = rings_in(Pattern(pours=6), tube, [200, 200], [0.43, 0.43], names, colours).rings
    assert around is not None
    assert around.pours[-1].inner_mm == pytest.approx(25)


def test_rings_want_a_round_tin_and_two_batters() -> None:
    square = BoxTin(shape="square", dimensions=BoxDimensions(width_mm=200, length_mm=200, depth_mm=60))
    with pytest.raises(CraftError, match="round tin"):
        rings_in(Pattern(pours=6), square, [200, 200], [0.4, 0.4], ("a", "b"), ("#fff", "#000"))
    with pytest.raises(CraftError, match="two batters"):
        pours([300], [0.4], Pattern(pours=6))


@given(st.floats(50, 300), st.floats(50, 300), st.integers(1, 4))
def test_stripes_go_once_around_the_bag(one: float, other: float, each: int) -> None:
    made = stripes([one, other], [0.3, 0.3], each, 25)
    assert made[-1].to_deg == pytest.approx(360)
    assert sum(s.width_mm for s in made) == pytest.approx(math.pi * 25)
    assert made[0].width_mm / made[1].width_mm == pytest.approx(one / other)


def test_a_stripe_too_thin_to_be_seen_is_refused() -> None:
    with pytest.raises(CraftError, match="under a millimetre"):
        stripes([300, 10], [0.3, 0.3], 6, 8)
