"""Batters poured, piped and coloured, against geometry and proportions done by hand."""

from __future__ import annotations

import math

import pytest

from kindwhisk.core.folding.airy import Airy, meet
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.patterns.rings import Pattern, RingWidth, in_words, pours, ring_edges_mm, rings_in, shares
from kindwhisk.core.patterns.splitting import PartWish, put_back, split
from kindwhisk.core.patterns.stripes import in_the_bag, stripes
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Estimate
from tests.core.test_tin_figures import BOX, ROUND


def test_equal_pours_and_equal_widths() -> None:
    assert shares(4, RingWidth.EQUAL_POURS) == [0.25] * 4
    assert shares(3, RingWidth.EQUAL_WIDTHS) == pytest.approx([5 / 9, 3 / 9, 1 / 9])
    equal = ring_edges_mm(90, 0, shares(4, RingWidth.EQUAL_POURS))
    assert equal == pytest.approx([90 * math.sqrt(i / 4) for i in (4, 3, 2, 1, 0)])
    wide = ring_edges_mm(90, 0, shares(3, RingWidth.EQUAL_WIDTHS))
    assert wide == pytest.approx([90, 60, 30, 0])
    tube = ring_edges_mm(90, 30, [0.5, 0.5])
    assert tube == pytest.approx([90, math.sqrt((90**2 + 30**2) / 2), 30])


def test_pours_are_sized_by_volume_for_the_smaller_batter() -> None:
    made, left = pours([300, 200], [0.5, 0.4], Pattern(pours=4), tins=2)
    volume = min(300 / 0.5 / 0.5, 200 / 0.4 / 0.5) / 2
    assert [b for b, _ in made] == [0, 1, 0, 1]
    assert [g for _, g in made] == pytest.approx([volume / 4 * 0.5, volume / 4 * 0.4] * 2)
    assert left == pytest.approx([300 - 2 * volume / 2 * 0.5, 0])
    with pytest.raises(CraftError, match="two batters"):
        pours([300], [0.5], Pattern(pours=4))
    with pytest.raises(CraftError, match="fewer than the batters"):
        pours([1, 1, 1], [0.5] * 3, Pattern(pours=2))


def test_rings_lie_in_their_tin_and_are_said() -> None:
    view = rings_in(Pattern(pours=4), ROUND, [200, 200], [0.5, 0.5], ("plain", "tea"), ("#fff", "#7a5"))
    assert view.rings is not None
    assert view.rings.level_mm == pytest.approx(ROUND.level_mm(800))
    assert (view.rings.tin_radius_mm, view.rings.rim_mm) == (90, 70)
    assert [p.outer_mm for p in view.rings.pours] == pytest.approx([90 * math.sqrt(i / 4) for i in (4, 3, 2, 1)])
    assert [p.inner_mm for p in view.rings.pours][-1] == pytest.approx(0)
    assert view.says == "4 pours into each tin, 100 g each, always into the middle of the last: plain first, tea last."
    assert in_words([(0, 100.0), (1, 84.0)], ("a", "b")).startswith("2 pours into each tin, from 100 g down to 84 g")
    with pytest.raises(CraftError, match="round tin"):
        rings_in(Pattern(pours=4), BOX, [200, 200], [0.5, 0.5], ("a", "b"), ("", ""))


def test_stripes_are_as_wide_as_their_volumes() -> None:
    found = stripes([100, 300], [0.5, 0.5], 3, 12)
    assert [(s.batter, round(s.to_deg - s.from_deg, 6)) for s in found] == [(0, 30), (1, 90)] * 3
    assert found[-1].to_deg == pytest.approx(360)
    assert [s.mass_g for s in found[:2]] == pytest.approx([100 / 3, 100])
    assert found[1].width_mm == pytest.approx(math.pi * 12 / 4)
    with pytest.raises(CraftError, match="under a millimetre"):
        stripes([10, 300], [0.5, 0.5], 3, 12)
    with pytest.raises(CraftError, match="two batters"):
        stripes([100], [0.5], 3, 12)
    bag = in_the_bag([100, 300], [0.5, 0.5], 3, 12, ("a", "b"), ("", ""))
    assert bag.says == "6 stripes along the bag in turns, bag flat; at the nozzle a 3 mm, b 9 mm."
    assert (bag.begins, bag.ends) == ("a", "b")


BATTER = Material(parts={"egg-white": 60, "sugar": 50, "plain-flour": 50, "milk": 40}, temperature_c=22).with_gas(
    Estimate.around(200, 0.1)
)


def test_a_coloured_part_gets_back_the_water_and_sugar_that_its_solids_bind() -> None:
    cocoa = Material(parts={"cocoa": 10})
    own, new = BATTER.composition, cocoa.composition
    solids = 10 * (1 - new.water - new.sugars)
    back = put_back(BATTER, cocoa)
    rest = 1 - own.water - own.sugars
    assert back.water_g == pytest.approx(solids * own.water / rest - 10 * new.water)
    assert back.sugar_g == pytest.approx(solids * own.sugars / rest - 10 * new.sugars)
    assert put_back(Material(parts={"sugar": 10}), cocoa).water_g == 0
    assert put_back(BATTER, Material(parts={})).sugar_g == 0


def test_parts_are_weighed_off_by_their_shares_and_brought_to_one_density() -> None:
    found = split(BATTER, (PartWish(name="plain", share=3), PartWish(share=1, additions={"cocoa": 4})))
    plain, brown = found.parts
    assert (plain.taken_g, brown.taken_g) == pytest.approx((150, 50))
    assert (plain.share, brown.share) == pytest.approx((0.75, 0.25))
    assert (plain.name, brown.name) == ("plain", "part 2")
    back = put_back(BATTER, Material(parts={"cocoa": 4}))
    assert brown.put_back.water_g == pytest.approx(back.water_g)
    assert brown.mass_g == pytest.approx(54 + back.water_g + (back.sugar_g if back.sugar_g > 0.5 else 0))
    assert found.density_g_per_ml == max(plain.density_g_per_ml, brown.density_g_per_ml)
    gas = plain.volume_ml - 150 * BATTER.gas_free_volume_ml / BATTER.mass_g
    wanted = 150 / found.density_g_per_ml - 150 * BATTER.gas_free_volume_ml / BATTER.mass_g
    assert plain.evening_strokes == max(4, round(math.log(gas / wanted) / 0.016))
    assert brown.evening_strokes == 0
    assert plain.note == ""
    with pytest.raises(CraftError, match="nothing to divide"):
        split(BATTER, ())


def test_a_wet_colour_is_told_and_not_taken_out() -> None:
    found = split(BATTER, (PartWish(share=1, additions={"water": 20}), PartWish(share=1)))
    assert found.parts[0].put_back.water_g == 0
    assert (
        found.parts[0].note
        == "It brings 20 g of water more than belongs to it: it sets softer and later, keep it the smaller part."
    )


def test_colouring_a_part_costs_it_air() -> None:
    found = split(BATTER, (PartWish(share=1), PartWish(share=1, additions={"cocoa": 6})))
    back = put_back(BATTER, Material(parts={"cocoa": 6}))
    extra = {"water": back.water_g, "sugar": back.sugar_g}
    slurry = combine([Material(parts={"cocoa": 6}), Material(parts={i: g for i, g in extra.items() if g > 0.5})])
    half = BATTER.take(0.5)
    kept = meet(Airy.of(half), Airy.of(slurry), Manner.FOLD).kept
    volume = half.gas_free_volume_ml + slurry.gas_free_volume_ml + half.gas_ml.likely * kept
    assert kept < 1
    assert found.parts[1].volume_ml == pytest.approx(volume)
    assert found.parts[0].volume_ml == pytest.approx(half.volume_ml.likely)


def test_rings_of_a_sloping_tin_are_those_half_way_up_its_batter() -> None:
    tin = RoundTin(dimensions=RoundDimensions(diameter_mm=160, top_diameter_mm=200, depth_mm=80))
    view = rings_in(Pattern(pours=2), tin, [200, 200], [0.5, 0.5], ("plain", "tea"), ("#fff", "#7a5"))
    assert view.rings is not None
    half = (160 + (200 - 160) * (view.rings.level_mm / 2) / 80) / 2
    assert view.rings.tin_radius_mm == pytest.approx(half)
    assert [p.outer_mm for p in view.rings.pours] == pytest.approx([half, half / math.sqrt(2)])
