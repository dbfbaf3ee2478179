"""Goods in pieces, packs and parts of packs: what they weigh, whether they sink, what juice they give."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.finishing.macerating import juice_g, macerated
from kindwhisk.core.foams.balance import of_batter
from kindwhisk.core.folding.sinking import sinking, stays_mm
from kindwhisk.core.ingredients import ingredient, ingredient_table
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.vessels.section import of_vessel
from kindwhisk.core.vessels.vessel import cup_vessel

BATTER = {"whole-egg": 200.0, "sugar": 120.0, "cake-flour": 120.0}


def foam(density: float, **more: float) -> Material:
    return Material(parts={**BATTER, **more}).at_density(Estimate.exact(density, Basis.MEASURED))


@pytest.mark.parametrize(
    ("text", "food", "grams"),
    [
        ("1 cup sliced strawberries", "strawberry-sliced", 166),
        ("1 cup strawberry puree", "strawberry-puree", 232),
        ("1 cup strawberries", "strawberry", 144),
        ("10 strawberries", "strawberry", 120),
        ("2 apples, peeled and diced", "apple-diced", 320),
        ("12 ladyfingers", "ladyfinger", 84),
        ("1 cup chopped walnuts", "walnut-chopped", 117),
        ("1 cup slivered almonds", "almond-slivered", 108),
        ("1 cup chocolate chips", "chips-dark", 168),
        ("1 pint raspberries", "raspberry", 344),
    ],
)
def test_pieces_weigh_by_the_piece_and_the_cup(text: str, food: str, grams: float) -> None:
    got = read_line(text)
    assert got.ingredient == food
    assert got.grams == pytest.approx(grams, rel=0.02)
    assert got.piece == (food != "strawberry-puree")


@pytest.mark.parametrize(
    ("text", "eggs", "grams", "left"),
    [
        ("1 can condensed milk", EggSize.EU_M, 397, 0),
        ("half a can of coconut milk", EggSize.EU_M, 200, 200),
        ("1 1/2 cans coconut milk", EggSize.EU_M, 600, 200),
        ("1 can evaporated milk", EggSize.US_LARGE, 354, 0),
        ("1 can evaporated milk", EggSize.EU_M, 410, 0),
        ("half a 400 g can coconut milk", EggSize.EU_M, 200, 200),
        ("2 (8 oz) blocks cream cheese", EggSize.US_LARGE, 453.6, 0),
        ("1 block cream cheese", EggSize.US_LARGE, 226, 0),
        ("1 envelope gelatin", EggSize.US_LARGE, 7, 0),
        ("1 carton egg whites", EggSize.EU_M, 500, 0),
        ("2 tubs mascarpone", EggSize.EU_M, 500, 0),
        ("1 stick butter", EggSize.US_LARGE, 113.4, 0),
        ("1 sachet de levure chimique", EggSize.EU_M, 11, 0),
        ("1 bustina di lievito per dolci", EggSize.EU_M, 16, 0),
        ("1/2 pint heavy cream", EggSize.US_LARGE, 236.6, 0),
    ],
)
def test_packs_weigh_as_the_country_has_them_and_what_is_left_is_told(
    text: str, eggs: EggSize, grams: float, left: float
) -> None:
    got = read_line(text, eggs)
    assert got.grams == pytest.approx(grams, rel=0.01)
    assert got.left_g == pytest.approx(left, abs=1)
    assert ("left over" in got.note) == (left > 0)


def test_a_pack_of_several_sizes_is_a_question() -> None:
    got = read_line("2 cans condensed milk", EggSize.EU_M)
    assert "Which is yours?" in got.note
    assert [(c.says, c.grams) for c in got.choices] == [("397 g", 794), ("305 g", 610), ("1 kg", 2000)]
    assert read_line("400 g condensed milk").choices == ()


@pytest.mark.parametrize(
    ("text", "grams"),
    [
        ("ca. 100 g sugar", 100),
        ("env. 200 g de farine", 200),
        ("circa 50 g burro", 50),
        ("about 2 cans coconut milk", 800),
    ],
)
def test_about_is_no_pack(text: str, grams: float) -> None:
    assert read_line(text).grams == grams


def test_a_pint_is_the_countrys_own_and_a_question_where_it_may_be_either() -> None:
    us, here = read_line("1 pint milk", EggSize.US_LARGE), read_line("1 pint milk", EggSize.EU_M)
    assert us.grams == pytest.approx(473.2 * 1.03, rel=0.001)
    assert us.choices == ()
    assert here.grams == pytest.approx(568.3 * 1.03, rel=0.001)
    assert [c.grams for c in here.choices] == pytest.approx([here.grams, us.grams], abs=0.1)
    assert read_line("1 pint heavy cream", EggSize.EU_M).grams == pytest.approx(
        473.2, rel=0.001
    )  # its words are American


def test_pieces_keep_their_density_and_leave_the_batters_own_ratios_alone() -> None:
    plain, with_fruit = Material(parts=BATTER), Material(parts={**BATTER, "raspberry": 100})
    added = with_fruit.gas_free_volume_ml - plain.gas_free_volume_ml
    assert added == pytest.approx(100 / ingredient("raspberry").density_g_per_ml)
    ratios = [{r.id: r.value for r in of_batter(m, [], Technique.GENOISE)} for m in (plain, with_fruit)]
    assert ratios[0] == ratios[1]
    pureed = {
        r.id: r.value for r in of_batter(Material(parts={**BATTER, "raspberry-puree": 100}), [], Technique.GENOISE)
    }
    assert pureed["liquid-to-flour"] > 0.6
    assert with_fruit.smooth == plain


def test_a_section_shows_the_pieces_by_their_share_of_the_volume() -> None:
    content = foam(0.45, blueberry=80.0)
    seen = of_vessel(cup_vessel(1500), content).pieces
    assert [(p.name, p.size_mm) for p in seen] == [("blueberries", 13)]
    assert seen[0].volume_share == pytest.approx(80 / 1.03 / content.volume_ml.likely)
    assert of_vessel(cup_vessel(1500), foam(0.45)).pieces == ()


def test_large_pieces_sink_sooner_and_a_lighter_foam_carries_more() -> None:
    assert [s.name for s in sinking(foam(0.4, **{"strawberry": 100.0, "almond-slivered": 30.0}))] == [
        "whole strawberries"
    ]
    assert sinking(foam(0.4, **{"hazelnut-chopped": 40.0})) == ()
    assert stays_mm(0.3, foam(0.4)) == math.inf
    told = sinking(foam(0.4, cherry=50.0))[0]
    assert told.stays_mm < told.size_mm == 22


@given(st.floats(0.3, 0.9), st.floats(1.0, 1.3), st.floats(0.01, 0.2))
def test_what_is_denser_must_be_smaller_to_stay(density: float, piece: float, more: float) -> None:
    batter = foam(density)
    assert stays_mm(piece + more, batter) < stays_mm(piece, batter)


FRUIT = sorted(i.id for i in ingredient_table().values() if i.piece and i.kind == "fruit" and i.composition.water > 0.6)


@given(st.sampled_from(FRUIT), st.floats(5, 500), st.floats(0, 1.5), st.floats(0, 2000))
def test_fruit_under_sugar_gives_juice_and_loses_no_gram(
    fruit: str, grams: float, ratio: float, minutes: float
) -> None:
    content = Material(parts={fruit: grams} | ({"sugar": grams * ratio} if ratio > 0 else {}))
    juice = juice_g(content, minutes)
    assert 0 <= juice.likely <= 0.45 * grams
    assert juice_g(content, minutes + 10).likely >= juice.likely
    after = macerated(content, minutes)
    assert after.mass_g == pytest.approx(content.mass_g)
    assert after.holds.allergens == content.holds.allergens
    assert after.parts[fruit] <= grams + 1e-9


def test_sliced_strawberries_give_a_good_tenth_in_half_an_hour() -> None:
    bowl = Material(parts={"strawberry-sliced": 300, "sugar": 45})
    assert 0.04 * 300 < juice_g(bowl, 30).likely < 0.15 * 300
    assert macerated(bowl, 30).parts["strawberry-puree"] == pytest.approx(juice_g(bowl, 30).likely)
    assert juice_g(Material(parts={"strawberry": 300}), 60).likely == 0
