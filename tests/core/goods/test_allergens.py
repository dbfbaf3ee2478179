"""Allergens by two laws' lists: what is said, what is never left out, and what adding a good can't take away."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.ingredients import ingredient, ingredient_table
from kindwhisk.core.ingredients.allergens import (
    LISTS,
    NAMES,
    Holds,
    Law,
    contains,
    declared,
    holds,
    labels,
    may_hold,
)
from kindwhisk.core.ingredients.goods import unknown

IDS = sorted(ingredient_table())
SOME = st.lists(st.sampled_from(IDS), min_size=0, max_size=8)
LAWS = st.sampled_from(list(Law))


def test_the_lists_are_the_laws() -> None:
    assert len(LISTS[Law.EU]) == 14
    assert len(LISTS[Law.US]) == 9
    for groups in LISTS.values():
        members = [m for group in groups.values() for m in group]
        assert len(set(members)) == len(members)
        assert set(members) <= set(NAMES)
    assert set(LISTS[Law.EU]["gluten"]) == {"wheat", "rye", "barley", "oats"}
    assert "rye" not in {m for group in LISTS[Law.US].values() for m in group}
    assert "pine-nut" in LISTS[Law.US]["tree nuts"]


@pytest.mark.parametrize(
    ("goods", "law", "said"),
    [
        (["cake-flour", "whole-egg"], Law.EU, "Contains gluten (wheat), egg."),
        (["cake-flour", "whole-egg"], Law.US, "Contains egg, wheat."),
        (["rye-flour", "almond", "hazelnut"], Law.EU, "Contains gluten (rye), nuts (almond, hazelnut)."),
        (["rye-flour", "almond"], Law.US, "Contains tree nuts (almond). Beyond that list: rye."),
        (["pine-nut"], Law.EU, "Contains nothing of the list, as far as the table knows. Beyond that list: pine nut."),
        (["gelatine-fish", "wine-white"], Law.EU, "Contains fish, sulphites."),
        (["sugar"], Law.US, "Contains nothing of the list, as far as the table knows."),
    ],
)
def test_a_list_is_said_by_the_law_of_the_place(goods: list[str], law: Law, said: str) -> None:
    assert contains(holds(map(ingredient, goods)), law) == said


def test_goods_that_are_not_known_make_the_list_incomplete_and_it_says_so() -> None:
    strange = [unknown("Dulce mix").ingredient(), unknown("Crackle").ingredient()]
    held = holds([ingredient("whole-egg"), ingredient("cake-flour"), *strange])
    assert contains(held, Law.EU) == "Contains gluten (wheat), egg, and 2 goods not known here: Dulce mix, Crackle."
    assert contains(holds(strange[:1]), Law.EU) == "Contains 1 good not known here: Dulce mix."
    assert not held.complete


def test_labels_say_what_to_look_for() -> None:
    held = holds([ingredient("chocolate-dark"), ingredient("margarine")])
    said = labels(held, Law.EU)
    assert said.startswith("Check the labels of dark chocolate, 60-69 %, margarine: may also hold ")
    assert "milk" in said
    assert "nuts (almond, hazelnut)" in said
    assert "soya" not in said  # it is contained, not only often
    assert labels(holds([ingredient("sugar")]), Law.EU) == ""


@given(SOME, st.sampled_from(IDS))
def test_adding_a_good_never_takes_an_allergen_away(goods: list[str], more: str) -> None:
    before, after = holds(map(ingredient, goods)), holds(map(ingredient, [*goods, more]))
    assert set(before.allergens) <= set(after.allergens)
    assert set(before.allergens) | set(before.often) <= set(after.allergens) | set(after.often)
    assert set(before.unknown) <= set(after.unknown)
    assert not set(after.allergens) & set(after.often)


@given(SOME, LAWS)
def test_every_allergen_is_said_by_its_name_whatever_the_law(goods: list[str], law: Law) -> None:
    held = holds(map(ingredient, goods))
    said = contains(held, law)
    assert all(NAMES[a] in said or any(m == (a,) and g in said for g, m in LISTS[law].items()) for a in held.allergens)
    _, beyond = declared(held.allergens, law)
    assert len(beyond) == len(set(held.allergens) - {m for g in LISTS[law].values() for m in g})
    assert "free" not in f"{said} {labels(held, law)}".lower()


@given(SOME, LAWS, st.sampled_from(["gluten", "milk", "egg", "nuts", "almond", "peanut"]))
def test_nothing_unknown_can_be_ruled_out(goods: list[str], law: Law, allergen: str) -> None:
    held = holds(map(ingredient, goods))
    strange = holds([*map(ingredient, goods), unknown("something").ingredient()])
    assert may_hold(strange, allergen, law)
    members = LISTS[law].get(allergen, (allergen,))
    assert may_hold(held, allergen, law) == bool(set(members) & {*held.allergens, *held.often})
    assert not may_hold(Holds(), allergen, law)
