"""Reading what others wrote: lines, methods, whole recipes, and what they forget."""

from __future__ import annotations

import csv
from contextlib import suppress
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.method.figures import read_method
from kindwhisk.core.reading.proposal import ReadRecipe, read
from kindwhisk.core.reading.tins_named import find_tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.technique import Technique
from kindwhisk.demo.kitchen import demo_kitchen

LINES = list(csv.DictReader((Path(__file__).parent / "lines.csv").open(encoding="utf-8")))
EGGS = EggSize.EU_M


def read_text(text: str) -> ReadRecipe:
    return read(recipe.from_text(text), EGGS)


@pytest.mark.parametrize(
    ("line", "people"),
    [
        ("Serves: 6-8", 6),
        ("Serves 10", 10),
        ("Prep 25 min · Cook 50 min · Makes 10", 10),
        ("Makes about 8.", 8),
        ("Per 6 persone", 6),
        ("Makes 30 shells", None),
        ("Makes 2 layers of 20 cm", None),
        ("Pour 200 g into the tin", None),
        ("At a temperature of 180", None),
    ],
)
def test_only_words_of_serving_say_how_many_it_serves(line: str, people: int | None) -> None:
    assert recipe.from_text(f"Sponge\n\n{line}\n\n4 eggs\n120 g sugar\n120 g flour\n").servings == people


def test_lines_of_many_shapes_are_read_within_a_tenth() -> None:
    assert len(LINES) >= 120
    missed = []
    for row in LINES:
        got = read_line(row["line"], EGGS)
        right = got.ingredient == row["ingredient"] and got.grams is not None
        if not right or abs((got.grams or 0) / float(row["grams"]) - 1) > 0.1:
            missed.append((row["line"], got.ingredient, got.grams))
    assert len(missed) <= 0.05 * len(LINES), missed


def test_a_weight_is_surer_than_a_cup_and_a_cup_surer_than_a_pinch() -> None:
    weight, cup, pinch = (read_line(t) for t in ("100 g flour", "1 cup flour", "a pinch of salt"))
    assert weight.sure > cup.sure > pinch.sure
    assert weight.low_g == weight.high_g == 100
    assert cup.low_g is not None
    assert cup.grams is not None
    assert cup.low_g <= cup.grams * 0.91
    assert read_line("2-3 tbsp milk").low_g == pytest.approx(2 * 14.79 * 1.03 * 0.97, rel=0.01)


@pytest.mark.parametrize(
    ("text", "note"),
    [
        ("salt to taste", "To taste"),
        ("sugar", "No amount"),
        ("3 spoons of moonlight", "Not known here"),
        ("1 cup (200 g) flour", "The measure beside it comes to"),
        ("100 g almonds plus 100 g icing sugar", "give it a line of its own"),
    ],
)
def test_what_is_not_certain_is_said(text: str, note: str) -> None:
    got = read_line(text)
    assert note in got.note
    assert got.text == text


@given(st.text(max_size=200))
@settings(max_examples=300)
def test_no_line_whatever_it_holds_is_an_error(text: str) -> None:
    got = read_line(text)
    assert 0 <= got.sure <= 1
    if got.grams is not None and got.low_g is not None and got.high_g is not None:
        assert got.low_g <= got.grams <= got.high_g


@pytest.mark.parametrize(
    ("text", "name", "volume"),
    [
        ("Pour into an ungreased 10-inch tube pan.", "25 cm tube", 4400),
        ("a greased 9x13-inch pan", "23 x 33 cm rectangular", 3774),
        ("Versez dans un moule de 20 cm.", "20 cm round", 1885),
        ("17cmのシフォン型に流す。", "17 cm tube", 1453),
        ("line a 10 x 15 inch jelly roll pan", "25 x 38 cm sheet", 1935),
        ("in a 9 x 5 x 3 inch loaf pan", "13 x 23 cm loaf", 1900),
        ("uno stampo da 22 cm", "22 cm round", 2281),
        ("khuôn tròn 20cm", "20 cm round", 1885),
    ],
)
def test_tins_are_found_by_name_and_size(text: str, name: str, volume: float) -> None:
    found = find_tin(text)
    assert found is not None
    assert found.name == name
    assert found.tin.volume_ml() == pytest.approx(volume, rel=0.12)


@pytest.mark.parametrize(
    ("text", "oven", "minutes", "peak", "method"),
    [
        (
            "Whip whites to stiff peaks. Bake at 350 degrees for 25 to 30 minutes.",
            177,
            (25, 30),
            Peak.STIFF,
            Method.FRENCH,
        ),
        (
            "Heat the whites and sugar in a double boiler, whip. Bake at 95 °C for 1 1/2 hours or 2 hours.",
            95,
            (120, 120),
            Peak.MEDIUM,
            Method.SWISS,
        ),
        (
            "Boil the sugar syrup to 118 °C and pour into the whites. Bake at 150°C fan for 14 min.",
            150,
            (14, 14),
            Peak.MEDIUM,
            Method.ITALIAN,
        ),
        ("卵白を角が立つまで泡立てる。170度のオーブンで35分焼く。", 170, (35, 35), Peak.STIFF, Method.FRENCH),
        ("Préchauffez le four à 180°C. Enfournez 25 min.", 180, (25, 25), Peak.MEDIUM, Method.FRENCH),
        ("Bake at gas mark 4 for 20 minutes.", 180, (20, 20), Peak.MEDIUM, Method.FRENCH),
        ("Nướng 160 độ trong 40 phút.", 160, (40, 40), Peak.MEDIUM, Method.FRENCH),
        ("Bake at 350 °F (175 °C) for 30 minutes.", 175, (30, 30), Peak.MEDIUM, Method.FRENCH),
    ],
)
def test_a_method_gives_up_its_figures(
    text: str, oven: float, minutes: tuple[float, float], peak: Peak, method: Method
) -> None:
    got = read_method("", text, {"egg-white"})
    assert got.oven_c is not None
    assert got.oven_c.low == pytest.approx(oven, abs=1)
    assert got.bake_minutes is not None
    assert (got.bake_minutes.low, got.bake_minutes.high) == minutes
    assert (got.peak, got.meringue) == (peak, method)


CHIFFON_JA = """抹茶シフォンケーキ
材料（17cmシフォン型）
卵黄 4個
砂糖 30g
サラダ油 40ml
牛乳 60ml
薄力粉 75g
抹茶 10g
卵白 4個分
砂糖 50g
作り方
1. オーブンを170度に予熱する。
2. 卵黄と砂糖を混ぜ、サラダ油と牛乳を加える。薄力粉と抹茶をふるい入れる。
3. 卵白を泡立て、砂糖を加えて角が立つまで泡立てる。
4. さっくり混ぜ合わせ、17cmのシフォン型に流し、170度で35分、竹串で確かめて焼く。"""
GENOISE_FR = """Génoise
Ingrédients :
4 œufs
120 g de sucre
120 g de farine
Préparation :
Préchauffez le four à 180°C. Fouettez les œufs et le sucre au bain-marie. Incorporez la farine.
Versez dans un moule de 20 cm. Enfournez 25 min, jusqu'à ce que la lame ressorte propre."""
SHELLS_EN = """Macarons
100 g ground almonds
100 g powdered sugar
75 g egg whites
70 g granulated sugar
Whip the whites with the sugar to stiff peaks. Fold in the almonds and powdered sugar. Pipe, rest 30 min.
Bake at 300F for 15 minutes until they do not move."""
SPONGE_IT = """Pan di Spagna
Ingredienti
5 uova
150 g di zucchero
150 g di farina 00
Procedimento
Montate le uova con lo zucchero per 15 minuti. Incorporate la farina.
Cuocere in forno a 170° per 35 minuti in uno stampo da 22 cm, fino a doratura."""
SPONGE_VI = """Bánh bông lan
Nguyên liệu
4 quả trứng gà
100g đường cát
100g bột mì số 8
40ml dầu ăn
50ml sữa tươi
Cách làm
Làm nóng lò 160 độ. Tách lòng trắng và lòng đỏ. Đánh lòng trắng với đường đến khi chóp cứng.
Trộn lòng đỏ với dầu, sữa và bột. Nướng 160 độ trong 40 phút, khuôn tròn 20cm, đến khi vàng."""


@pytest.mark.parametrize(
    ("text", "technique", "oven", "minutes"),
    [
        (CHIFFON_JA, Technique.CHIFFON, 170, 35),
        (GENOISE_FR, Technique.GENOISE, 180, 25),
        (SHELLS_EN, Technique.SHELLS, 149, 15),
        (SPONGE_IT, Technique.COLD_GENOISE, 170, 35),
        (SPONGE_VI, Technique.CHIFFON, 160, 40),
    ],
)
def test_a_recipe_in_five_languages_becomes_a_process(
    text: str, technique: Technique, oven: float, minutes: float
) -> None:
    got = read_text(text)
    assert got.technique is technique
    assert got.formula is not None
    bake = got.formula.bake
    assert bake is not None
    assert bake.oven_c == oven
    made = scale(got.formula, demo_kitchen(), Wish())
    step = made.forecast.step("bake")
    # The recipe's own time is the reference: the forecast starts from it, and two trays shade each other.
    trays = 1.11 if technique is Technique.SHELLS else 1.0
    assert step.duration_s.likely / 60 == pytest.approx(minutes * trays, rel=0.05)
    assert made.forecast.balance


def test_nothing_weighed_is_lost_between_the_list_and_the_process() -> None:
    got = read_text(CHIFFON_JA)
    assert got.formula is not None
    assert got.formula.total_g() == pytest.approx(sum(line.grams or 0 for line in got.lines), rel=0.001)
    # What was written stays beside every weight.
    assert {p.written for p in got.formula.portions()} == {line.text for line in got.lines}


ROLLED = """Jam roll
4 eggs
100 g caster sugar
100 g plain flour
For the filling:
200 ml double cream
60 g apricot jam
Heat the oven to 200C. Line a 33 x 23cm swiss roll tin. Whisk eggs and sugar to a trail, fold in the flour.
Bake for 12-15 mins until golden. Roll up, cool, unroll, spread with jam and cream and roll again."""
PASTE = """Shells, cooked method
Ingredients
Almond paste
150g ground almonds
150g icing sugar
55g egg whites
Italian meringue:
150 g granulated sugar
55g egg whites
Directions
Stir almonds, icing sugar and 55g egg whites to a paste. Boil the sugar with water to 117°C. Pour into the whites.
Fold, pipe, rest for 30 minutes, bake macarons at 145 °C for 14 minutes until they lift off."""
SOAKED = """Milk cake
130 g flour
5 eggs, separated
150 g sugar
350 g evaporated milk
390 g condensed milk
For the topping
300 ml cream
Preheat the oven to 175 °C. Beat the yolks, whip the whites with the sugar, fold with the flour.
Bake for 1 hour 5 minutes in a 9 x 13 inch pan until set. Pour the milks over."""


def test_fillings_pastes_and_soaks_find_their_own_place() -> None:
    rolled, paste, soaked = (read_text(t) for t in (ROLLED, PASTE, SOAKED))
    assert rolled.title == "Jam roll"
    assert rolled.formula is not None
    assert [s.kind for s in rolled.formula.steps if s.kind != "weigh"][-4:] == ["hand", "whip", "spread", "roll"]
    assert {c.name for c in rolled.formula.components} == {"cake", "filling"}
    assert paste.formula is not None
    boil = next(s for s in paste.formula.steps if s.kind == "boil")
    assert getattr(boil, "target_c", None) == 117
    whites = [p.grams for p in paste.formula.portions() if p.ingredient == "egg-white"]
    assert whites == [55, 55]
    assert paste.method.bake_minutes is not None
    assert paste.method.bake_minutes.high == 14
    assert soaked.formula is not None
    assert {c.name for c in soaked.formula.components} == {"cake", "soak", "topping"}
    soak = [
        p.ingredient
        for s in soaked.formula.steps
        if s.component == "soak"
        for p in s.inputs
        if p.source == "ingredient"
    ]
    assert soak == ["evaporated-milk", "condensed-milk"]
    assert soaked.method.bake_minutes is not None
    assert soaked.method.bake_minutes.low == 65


def test_a_schema_org_recipe_is_found_wherever_it_is_nested() -> None:
    document = {
        "@graph": [
            {"@type": "WebPage"},
            {
                "@type": ["Recipe", "Thing"],
                "name": "Sponge",
                "recipeYield": ["8 servings"],
                "recipeIngredient": ["4 eggs", "120 g sugar", "120 g flour"],
                "recipeInstructions": [
                    {"@type": "HowToSection", "itemListElement": [{"@type": "HowToStep", "text": "Bake at 180 °C."}]}
                ],
            },
        ]
    }
    got = recipe.from_jsonld(document)
    assert (got.title, got.servings, len(got.lines)) == ("Sponge", 8, 3)
    assert "180 °C" in got.method


@pytest.mark.parametrize(
    ("text", "field"),
    [("   ", "text"), ("x" * (recipe.LONGEST + 1), "text")],
)
def test_what_cannot_be_read_names_its_field(text: str, field: str) -> None:
    with pytest.raises(CraftError) as error:
        recipe.from_text(text)
    assert error.value.field == field


def test_a_table_needs_a_column_of_ingredients() -> None:
    got = recipe.from_csv("Ingredient;Amount;Unit\nsugar;120;g\negg whites;4;\n")
    assert [line.text for line in got.lines] == ["120 g sugar", "4  egg whites"]
    with pytest.raises(CraftError, match="ingredient"):
        recipe.from_csv("a,b\n1,2\n")


words = st.sampled_from(
    [
        "4 eggs",
        "1/0 cup sugar",
        "½ cup",
        "flour",
        "Ingredients",
        "Method",
        "bake at",
        "350 °F",
        "until",
        "9x13 inch pan",
        "卵白",
        "100g",
        "whip the whites",
        "fold",
        "for 30 minutes",
        "--",
        "9999999999 kg butter",
        "°",
        "0 g yolks",
        "preheat",
        "roll",
        "macaron",
        "-5 eggs",
    ]
)


@given(st.lists(st.one_of(words, st.text(max_size=30)), max_size=25), st.sampled_from(["\n", " ", "\n\n"]))
@settings(max_examples=300)
def test_no_text_whatever_it_holds_is_a_server_error(parts: list[str], glue: str) -> None:
    with suppress(CraftError):
        got = read_text(glue.join(parts))
        if got.formula is not None:
            scale(got.formula, demo_kitchen(), Wish())
