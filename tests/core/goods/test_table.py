"""The ingredient table against the food tables that it was taken from, and what may differ from them."""

from __future__ import annotations

import pytest

from kindwhisk.core.ingredients import Ingredient, ingredient, ingredient_table
from kindwhisk.core.ingredients.allergens import NAMES
from kindwhisk.core.ingredients.earlier import EARLIER, FIRST
from kindwhisk.core.ingredients.sr28 import SR28, Sr28
from kindwhisk.core.values.estimate import Basis

TABLE = ingredient_table()
SOURCED = [i for i in TABLE.values() if i.sr28]

DIFFERS = {
    "egg-white": "measured", "egg-yolk": "measured", "whole-egg": "measured", "butter": "82 % fat in Europe",
    "sugar": "sucrose itself", "coffee-instant": "gums, not starch",
}  # fmt: skip
"""Foods whose composition is not that of their row, and why."""
UNSALTED = {"cream-of-tartar", "baking-powder", "baking-soda", "yeast-dry", "yeast-fresh"}
"""Their sodium is not salt's."""
LEAST = 250


def test_most_foods_are_sourced_and_the_rest_say_that_they_are_recalled() -> None:
    assert len({i.sr28 for i in SOURCED}) >= LEAST
    assert set(SR28) == {i.sr28 for i in SOURCED}
    for item in TABLE.values():
        if not item.sr28:
            assert item.basis is Basis.RECALLED, item.id
            assert "recalled" in item.source, item.id
        elif item.id not in DIFFERS:
            assert item.basis is Basis.PUBLISHED, item.id
            assert item.sr28 in item.source, item.id


@pytest.mark.parametrize("item", SOURCED, ids=[i.id for i in SOURCED])
def test_a_composition_is_its_sources(item: Ingredient) -> None:
    row, made = SR28[item.sr28], item.composition
    if item.id in DIFFERS:
        assert item.differs
        assert item.basis is Basis.RECALLED
        return
    assert not item.differs
    whole = max(100.0, _told(row))
    for part in ("water", "fat", "protein", "fibre", "alcohol"):
        assert getattr(made, part) == pytest.approx(getattr(row, part) / whole, abs=2e-4), part
    if row.sugars is not None:
        assert made.sugars == pytest.approx(min(row.sugars, row.carbohydrate - row.fibre) / whole, abs=2e-4)
    if row.starch is not None:
        assert made.starch <= row.starch / whole + 2e-4
    available = (row.carbohydrate - row.fibre) / whole
    assert made.sugars + made.starch <= max(available, 0) + 2e-4
    salt = min(2.5421 * row.sodium_mg / 1000, row.ash) / whole
    assert made.salt == pytest.approx(0 if item.id in UNSALTED else salt, abs=2e-4)


def _told(row: Sr28) -> float:
    """Of a hundred; a row may add up to a little more."""
    return row.water + row.fat + row.protein + row.carbohydrate + row.ash + row.alcohol


WEIGHED: list[tuple[str, str, float]] = [
    ("cocoa", "cup", 86), ("cream-of-tartar", "tsp", 3.0), ("hazelnut-ground", "cup, ground", 75),
    ("walnut-ground", "cup, ground", 80), ("coffee-instant", "tsp", 1.0),
    ("egg-dried", "cup, sifted", 85),
    ("strawberry", "cup, whole", 144), ("strawberry-sliced", "cup, sliced", 166),
    ("strawberry-puree", "cup, pureed", 232), ("raspberry", "cup", 123),
    ("icing-sugar", "cup unsifted", 120),
    ("plain-flour", "cup", 125), ("salt", "cup", 292), ("sugar", "cup", 200),
]  # fmt: skip
ML = {"cup": 236.588, "tsp": 4.929}


@pytest.mark.parametrize(("food", "measure", "grams"), WEIGHED)
def test_a_measure_weighs_what_the_source_weighed(food: str, measure: str, grams: float) -> None:
    item = ingredient(food)
    assert dict(SR28[item.sr28].measures)[measure] == grams
    ml = next(v for k, v in ML.items() if measure.startswith(k))
    assert item.bulk_g_per_ml * ml == pytest.approx(grams, rel=0.002)


CUPS_RECALLED = set(
    # Spooned, where the source dips: a dipped cup of flour holds a fifth more.
    "cake-flour strong-flour "
    # The source weighed no cup of this form.
    "white-dried maple-sugar almond-flour pistachio-ground pecan-ground cashew-ground peanut-ground sunflower-ground "
    "coconut-desiccated coconut-flakes sesame-black hazelnut-spread halva cashew chestnut chestnut-puree chia mint "
    "basil salt-kosher salt-flakes chocolate-dark chocolate-dark-50 chocolate-dark-70 chocolate-milk chocolate-white "
    "cherry-dried mango-dried gelatine gelatine-fish agar pectin yeast-fresh "
    # Whole fruit and biscuits, of which nobody fills a cup.
    "apricot peach plum apple pear banana-whole mango kiwi fig orange pomegranate persimmon sweet-potato ladyfinger "
    "graham-cracker gingersnap shortbread butter-biscuit vanilla-wafer marie-biscuit chocolate-sandwich biscuit-crumbs "
    "cake-crumbs phyllo croissant marshmallow-cream caramel toffee fudge nougat".split()
)
"""Sourced foods whose cup is not one of the source's, and why."""
MEASURES = {"cup": 236.588, "tbsp": 14.787, "tsp": 4.929, "fl oz": 29.574, "jigger": 44.36}


def _weighed_so(item: Ingredient) -> bool:
    for measure, grams in SR28[item.sr28].measures:
        ml = next((v for k, v in MEASURES.items() if measure.startswith(k)), None)
        if ml is not None and item.bulk_g_per_ml == pytest.approx(grams / ml, rel=0.003):
            return True
    return False


def test_every_cup_is_the_sources_or_full_or_listed() -> None:
    full = {i.id for i in SOURCED if i.bulk_g_per_ml == pytest.approx(i.density_g_per_ml, rel=0.012)}
    assert {i.id for i in SOURCED if not _weighed_so(i)} - full == CUPS_RECALLED


def test_what_was_found_wrong_is_right() -> None:
    assert ingredient("rum").composition.alcohol == pytest.approx(0.334, abs=1e-3)
    assert ingredient("liqueur").composition.alcohol > 0.25
    assert ingredient("egg-dried").composition.fat == pytest.approx(0.439, abs=0.002)
    assert ingredient("golden-syrup").composition.water == pytest.approx(0.26, abs=0.01)
    assert ingredient("jam").composition.sugars < 0.5
    assert ingredient("salt-kosher").bulk_g_per_ml == pytest.approx(ingredient("salt").bulk_g_per_ml / 2, rel=0.05)
    yolk = ingredient("egg-yolk").composition
    assert (yolk.water, yolk.fat, yolk.protein) == (0.51, 0.28, 0.16)


def test_rows_are_sound() -> None:
    for item in TABLE.values():
        assert set(item.allergens) | set(item.often) <= set(NAMES), item.id
        assert not set(item.allergens) & set(item.often), item.id
        assert item.check_label or not item.often, item.id
        assert item.counts_as in TABLE, item.id
        assert item.known
        assert item.allergens_known
        assert len(item.colour) == 7


def test_rows_of_before_keep_their_compositions_and_count_as_they_did() -> None:
    assert len(EARLIER) == len(FIRST) >= 100
    for old in EARLIER:
        now = ingredient(old.id.removesuffix("@1"))
        assert old.counts_as == now.counts_as
        assert old.allergens == now.allergens
    assert ingredient("rum@1").composition.water == 0.6
    assert ingredient("egg-dried@1").composition.fat == 0.4
    assert ingredient("cocoa@1").bulk_g_per_ml == 0.42
