"""A kitchen's own goods: what a label makes of them, what they count as, and how a formula carries them."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from kindwhisk.core.foams.foam import egg_white_g
from kindwhisk.core.ingredients import counts_as, ingredient, tell
from kindwhisk.core.ingredients.acids import as_cream_of_tartar_g
from kindwhisk.core.ingredients.goods import Good, Label, key_of, slug, unknown
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.comparison import About, compare
from kindwhisk.core.process.cost import cost
from kindwhisk.core.process.formula import Formula, content_of
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.substitution import Swap, offers, substitute
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.reading.proposal import read
from kindwhisk.core.reading.recipe import from_text
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from tests.core.goods.helpers import own

BOOK = {f.id: f for f in demo_formulas()}
KITCHEN = demo_kitchen()
SPREAD = Label(fat=31, carbohydrate=57, sugars=56, fibre=1, protein=6, salt=0.1)


def test_a_label_gives_the_composition_and_water_is_what_it_leaves() -> None:
    made = own("Dark spread", label=SPREAD).ingredient()
    c = made.composition
    assert (c.fat, c.sugars, c.starch, c.protein, c.salt) == pytest.approx((0.31, 0.56, 0.01, 0.06, 0.001))
    assert c.water == pytest.approx(1 - 0.31 - 0.57 - 0.01 - 0.06 - 0.001)
    assert made.density_g_per_ml == pytest.approx(c.density_g_per_ml(), abs=1e-3)
    assert made.kind == "sugar"
    assert made.known


@pytest.mark.parametrize(
    ("label", "said"),
    [({"carbohydrate": 20, "sugars": 30}, "sugars"), ({"fat": 80, "carbohydrate": 40}, "add up")],
)
def test_a_label_that_can_not_be_is_refused_with_a_reason(label: dict[str, float], said: str) -> None:
    with pytest.raises(ValidationError, match=said):
        Label(**label)


def test_allergens_and_stand_ins_are_of_the_lists() -> None:
    with pytest.raises(ValidationError, match="not an allergen of the list"):
        Good(name="x", allergens=("nuts",))
    with pytest.raises(ValidationError, match="ingredient table has no"):
        Good(name="x", stands_for="unobtainium")
    assert Good(name="x", allergens=("milk", "egg", "wheat")).allergens == ("wheat", "egg", "milk")


def test_a_good_counts_as_what_it_stands_for_in_foams_acids_and_ratios() -> None:
    whites = own("Carton whites", stands_for="egg-white", allergens=("egg",), label_read=True)
    tart = own("Sour salt", stands_for="cream-of-tartar")
    content = Material(parts={whites.id: 100, tart.id: 0.5, "egg-white": 20})
    assert egg_white_g(content) == 120
    assert content.grams_of("egg-white") == 120
    assert as_cream_of_tartar_g(content) == 0.5
    made = whites.ingredient()
    assert (made.kind, made.composition) == ("egg", ingredient("egg-white").composition)
    assert made.density_g_per_ml == ingredient("egg-white").density_g_per_ml


def test_a_good_counts_as_itself_until_it_is_told_of() -> None:
    late = Good(key="late-whites", name="Late whites", stands_for="egg-white").ingredient()
    assert counts_as(late.id) == late.id
    tell([late])
    assert counts_as(late.id) == "egg-white"


def test_its_own_figures_lead_over_those_of_its_stand_in() -> None:
    nib = own("Crackle", stands_for="chips-dark", cup_g=120, piece_g=0.5, piece_mm=7, density_g_per_ml=0.9, pack_g=250)
    made = nib.ingredient()
    assert made.bulk_g_per_ml == pytest.approx(120 / 236.588, rel=1e-4)
    assert made.piece is not None
    assert (made.piece.grams, made.piece.size_mm, made.density_g_per_ml, made.pack_g) == (0.5, 7, 0.9, 250)
    ball = own("Ball", piece_g=0.5236, density_g_per_ml=1.0).ingredient()
    assert ball.piece is not None
    assert ball.piece.size_mm == pytest.approx(10, abs=0.1)


def test_until_a_label_was_read_its_allergens_are_not_known() -> None:
    silent = own("Mystery", stands_for="butter").ingredient()
    assert (silent.known, silent.allergens_known) == (True, False)
    told = own("Mystery", stands_for="butter", allergens=("milk",), may_contain=("soya", "milk"), label_read=True)
    assert (told.ingredient().allergens, told.ingredient().often) == (("milk",), ("soya",))
    assert told.ingredient().allergens_known


def test_an_id_follows_all_that_counts_and_nothing_else() -> None:
    first = own("Praline", label=SPREAD)
    assert own("Praline", label=SPREAD, price_per_kg=9.0, synonyms=("pralin",)).id == first.id
    for change in ({"label": Label(fat=32)}, {"allergens": ("hazelnut",)}, {"label_read": True}, {"cup_g": 200}):
        assert own("Praline", **{"label": SPREAD, **change}).id != first.id
    assert key_of(first.id) == "praline"
    assert key_of("sugar") == key_of(unknown("praline").id) == ""
    assert unknown("Dulce").id == unknown("Dulce").id != unknown("Dulce de leche").id
    assert slug("Bơ đậu") == "bo-dau"
    assert slug("卵") != slug("糖") != ""


def _with(formula: Formula, old: str, good: Good) -> Formula:
    return Formula.model_validate(dict(formula.with_good(old, good)))


def test_a_formula_carries_the_goods_that_it_names_and_drops_those_it_does_not() -> None:
    cream = own("House cream", stands_for="cream-35", allergens=("milk",), label_read=True)
    other = own("Never used")
    changed = _with(BOOK["citrus-roll"], "cream-35", cream)
    assert changed.goods == (cream,)
    assert changed.carrying((other, cream)).goods == (cream,)
    back = Formula.model_validate_json(changed.model_dump_json())
    assert back == changed
    assert back.grams_of("cream-35") == BOOK["citrus-roll"].grams_of("cream-35")


def test_a_formula_with_a_good_that_it_does_not_bring_is_refused() -> None:
    document = BOOK["citrus-roll"].model_dump_json().replace('"cream-35"', '"own-nobody-0badf00d"')
    with pytest.raises(ValidationError, match="own-nobody"):
        Formula.model_validate_json(document)


STRANGE = unknown("Dulce mix")


@given(st.floats(0.05, 20), st.sampled_from(sorted(BOOK)))
def test_unknown_stays_unknown_however_it_is_scaled_split_and_written_down(times: float, name: str) -> None:
    first = BOOK[name].portions()[0].ingredient
    changed = _with(BOOK[name], first, STRANGE)
    scaled = Formula.model_validate_json(changed.scaled(times).model_dump_json())
    made = scale(scaled, KITCHEN, Wish()).forecast
    assert made.allergens_unknown == ("Dulce mix",)
    assert "1 good not known here: Dulce mix" in made.contains
    holding = [s for s in made.steps if "Dulce mix" in s.material.allergens_unknown]
    assert holding
    assert any("Dulce mix" in w.text for w in made.warnings)
    part = next(c for c in made.components if "Dulce mix" in c.allergens_unknown)
    assert "not known here" in part.contains


def test_where_an_allergen_comes_in_and_where_it_is_served_it_is_said() -> None:
    made = scale(_with(BOOK["tea-chiffon"], "salt", STRANGE), KITCHEN, Wish()).forecast
    entering = {s.id: c.text for s in made.steps for c in s.cautions if c.id == "allergens-come-in"}
    assert "Wheat" in entering["weigh-dry"]
    assert "“Dulce mix” is not known here" in entering["weigh-dry"]
    assert "Milk comes in here" in entering["weigh-milk"]
    assert "Egg comes in here" in entering["weigh-yolks"]
    assert "weigh-whites" not in entering  # egg is in the kitchen already
    served = [c for c in made.steps[-1].cautions if c.id == "allergens"]
    assert len(served) == 1
    assert served[0].text.startswith("Contains gluten (wheat), egg, milk, and 1 good not known here: Dulce mix.")


@pytest.mark.parametrize("formula", BOOK.values(), ids=BOOK)
def test_every_formula_says_at_serving_what_it_holds_not_only_what_is_turned_out(formula: Formula) -> None:
    made = scale(formula, KITCHEN, Wish()).forecast
    assert [s.id for s in made.steps if any(c.id == "allergens" for c in s.cautions)] == [formula.steps[-1].id]
    assert set(made.allergens) == {a for p in formula.portions() for a in ingredient(p.ingredient).allergens}


def test_an_own_good_takes_the_place_of_its_kind_and_the_ledger_tells_what_that_changes() -> None:
    block = own("Seed block", stands_for="butter", allergens=("soya",), label_read=True)
    offered = {o.ingredient: o for o in offers("butter", [block])}
    assert offered[block.id].name == "Seed block"
    assert offers(block.id, [block])  # and back
    formula = BOOK["butter-sponge"]
    changed = substitute(formula, Swap(ingredient="butter", into=block.id), KITCHEN, [block])
    assert block in changed.goods
    assert any("soya" in c for c in changed.ledger[-1].changes)
    different = compare(scale(formula, KITCHEN, Wish()).forecast, scale(changed, KITCHEN, Wish()).forecast)
    assert {d.after for d in different if d.about is About.ALLERGEN} >= {"soya"}


def test_a_batch_costs_what_its_priced_goods_cost_and_the_rest_is_named() -> None:
    cream = own("House cream", stands_for="cream-35")
    formula = _with(BOOK["citrus-roll"], "cream-35", cream)
    grams = formula.grams_of("cream-35")
    made = cost(formula.scaled(2), {"house-cream": 8.0})
    assert made.amount == pytest.approx(2 * grams * 8 / 1000)
    assert made.priced_g == pytest.approx(2 * grams)
    assert made.total_g == pytest.approx(2 * formula.total_g())
    assert "House cream" not in made.unpriced
    assert "cake flour" in made.unpriced


def test_what_is_used_without_an_amount_is_told_and_follows_a_good() -> None:
    dust = unknown("Nut dust")
    formula = Formula.model_validate(
        {**dict(BOOK["tea-chiffon"]), "besides": ("butter", "hazelnut-chopped", dust.id), "goods": (dust,)}
    )
    made = scale(formula.scaled(3), KITCHEN, Wish()).forecast
    assert made.besides == ("butter", "chopped hazelnuts", "Nut dust")
    assert "hazelnut" in made.allergens
    assert made.allergens_unknown == ("Nut dust",)
    assert "nuts (hazelnut)" in next(c.text for c in made.steps[-1].cautions if c.id == "allergens")
    assert made.total_g == pytest.approx(3 * BOOK["tea-chiffon"].total_g())
    told = own("Nut dust", key="dust", allergens=("pecan",), label_read=True)
    followed = formula.with_good(dust.id, told)
    assert (followed.besides[-1], followed.goods) == (told.id, (told,))
    with pytest.raises(ValidationError, match="no 'moonlight'"):
        Formula.model_validate({**dict(formula), "besides": ("moonlight",)})


def test_a_line_without_an_amount_keeps_what_it_holds() -> None:
    text = (
        "Sponge\n\nIngredients\n4 eggs\n120 g sugar\n110 g flour\nchopped hazelnuts, to decorate\nsesame brittle\n"
        "butter for the tin\nsalt\n\nMethod\nWhisk the eggs and sugar. Fold in the flour. Bake at 170 C for 30 minutes."
    )
    formula = read(from_text(text), KITCHEN.eggs).formula
    assert formula is not None
    assert formula.besides[:1] == ("hazelnut-chopped",)
    assert {"butter", "salt"} <= set(formula.besides)
    held = scale(formula, KITCHEN, Wish()).forecast
    assert {"hazelnut", "milk", "egg", "wheat"} <= set(held.allergens)
    assert held.allergens_unknown == ("sesame brittle",)


def test_a_recipe_asks_for_packs_and_stirs_pieces_in() -> None:
    text = (
        "Sponge\n\nIngredients\n4 eggs, separated\n120 g sugar\n110 g flour\n60 g chopped walnuts\n"
        "half a can of coconut milk\n50 g chocolate chips\n\n"
        "Method\nWhisk the whites. Fold in the flour. Bake at 170 C for 30 minutes."
    )
    made = read(from_text(text), KITCHEN.eggs)
    question = next(q for q in made.questions if "Which of these" in q.text)
    assert question.field == "half a can of coconut milk"
    assert "400 ml" in question.text
    assert question.assumed.startswith("400 ml, 200 g. 200 g of the can are left over")
    assert made.formula is not None
    sifted = [s for s in made.formula.steps if s.kind in {"sift", "melt", "warm"}]
    inside = {i for s in sifted for i in content_of(made.formula, s).ingredients}
    assert not {"walnut-chopped", "chips-dark"} & inside
    assert {"walnut-chopped", "chips-dark"} <= {p.ingredient for p in made.formula.portions()}
