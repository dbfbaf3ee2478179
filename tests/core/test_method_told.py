"""What is left over, said backwards, or told as in a page: what the sentences make of it."""

from __future__ import annotations

from types import SimpleNamespace
from typing import cast

import pytest

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.clauses import clauses
from kindwhisk.core.reading.method.custom import balance
from kindwhisk.core.reading.method.figures import temperatures, times
from kindwhisk.core.reading.method.making import Made, Use
from kindwhisk.core.reading.method.tracker import Tracker
from kindwhisk.core.reading.method.verbs import GRAMMARS
from kindwhisk.core.reading.parts import RowKind, cut
from kindwhisk.core.reading.parts.tidying import seen, tidy
from tests.core.test_method import LIST, made, of_kind, read_text, takes

EGGS = EggSize.EU_M
SPONGE = (
    "Cake\n4 eggs\n120 g sugar\n120 g flour\n300 ml cream\n2 tbsp icing sugar\n\n"
    "Beat the eggs and sugar to the ribbon. Fold in the flour. "
    "Pour into a 20 cm round tin and bake at 180 °C for 25 minutes until golden. Turn out and cool. "
    "Whip the cream with the icing sugar. "
)


def shares_of(formula: Formula, source: Step) -> list[float | None]:
    """The fractions in which others take a step, in their order; None where one takes all or the rest."""
    return [p.fraction for s in formula.steps for p in s.inputs if isinstance(p, StepPortion) and p.step == source.id]


def test_the_remaining_cream_is_half_of_it_and_that_is_asked() -> None:
    got = read_text(
        SPONGE + "Cut the cake in half. Spread the cream on one half. Cover the cake with the remaining cream."
    )
    assert got.formula is not None
    cream = of_kind(got.formula, "whip")[-1]
    assert shares_of(got.formula, cream) == [0.5, None]
    assert any("divided? The text does not say." in q.text and q.assumed == "half and half" for q in got.questions)


def test_cream_that_is_used_once_is_not_divided() -> None:
    got = read_text(SPONGE + "Spread the cake with the cream.")
    assert got.formula is not None
    assert shares_of(got.formula, of_kind(got.formula, "whip")[-1]) == [None]
    assert not any("divided?" in q.text for q in got.questions)


def test_half_of_the_flour_and_then_the_rest_are_two_folds() -> None:
    formula = made(
        "Cake\n4 eggs\n120 g sugar\n120 g flour\n\nBeat the eggs and sugar to the ribbon. "
        "Sift half the flour over and fold it in. Repeat with the rest. Bake in a 20 cm tin at 180 °C for 25 minutes."
    )
    assert [takes(formula, s).get("plain-flour") for s in of_kind(formula, "fold")] == [60, 60]


def test_a_syrup_is_boiled_by_whichever_word() -> None:
    for words in ("Cook the sugar and water to 120 °C", "Boil the sugar and water to 120 °C"):
        formula = made(
            f"Meringue\n100 g egg whites\n200 g sugar\n60 g water\n\n{words}, pour over the "
            "whipping whites and beat until cold. "
            "Pipe and bake at 90 °C for 2 hours."
        )
        (syrup,) = [s for s in formula.steps if isinstance(s, BoilStep)]
        assert syrup.target_c == 120
        assert of_kind(formula, "stream")


def test_yolks_on_a_low_heat_are_warmed_not_only_mixed() -> None:
    formula = made(
        "Curd roll\n4 eggs\n110 g sugar\n110 g flour\n\nCurd\n3 egg yolks\n80 g sugar\n60 ml lemon juice\n\n"
        "For the curd, whisk the yolks, sugar and lemon juice in a pan over low heat until thick (82 C). "
        "Beat the eggs and sugar to the ribbon. Fold in the flour. "
        "Spread on a 25 x 38 cm tray and bake at 200 °C for 9 minutes. "
        "Cool. Spread with the curd and roll."
    )
    assert [round(s.target_c) for s in of_kind(formula, "warm") if hasattr(s, "target_c")] == [82]


def test_whites_that_are_warmed_with_sugar_are_whipped_with_the_acid() -> None:
    formula = made(
        "Meringhe\n120 g di albumi\n240 g di zucchero\n1 cucchiaino di succo di limone\n\n"
        "Scaldare gli albumi con lo zucchero a bagnomaria fino a 60°, mescolando. Montare con il succo di limone "
        "fino a raffreddamento. Formare dei ciuffi con la sac à poche. Cuocere a 90° per 2 ore."
    )
    (whip,) = of_kind(formula, "whip")
    assert set(takes(formula, whip)) == {"lemon-juice"}
    assert set(takes(formula, of_kind(formula, "warm")[0])) == {"egg-white", "sugar"}


def test_coffee_with_rum_soaks_the_sponge() -> None:
    formula = made(
        "Roll\n4 eggs\n100 g sugar\n90 g flour\n100 ml strong coffee\n20 ml rum\n\n"
        "Beat the eggs and sugar to the ribbon. Fold in the flour. Bake on a 30 x 40 cm tray at 190 °C for 10 minutes. "
        "Cool. Mix coffee and rum, brush the sponge."
    )
    (soak,) = of_kind(formula, "soak")
    (mixed,) = [s for s in of_kind(formula, "mix") if "rum" in takes(formula, s)]
    assert mixed.id in {p.step for p in soak.inputs if isinstance(p, StepPortion)}


def test_a_batter_put_into_a_springform_is_filled_not_held() -> None:
    formula = made(LIST.replace("60 ml oil\n", "") + (
        "Beat the yolks with half the sugar until thick. Whip the whites with the remaining sugar until stiff. "
        "Fold the whites into the yolks, then the flour. "
        "Put it in a buttered 26 cm springform and bake at 170 °C for 45 minutes."
    ))  # fmt: skip
    kinds = [s.kind for s in formula.steps if s.kind in {"fill", "bake"}]
    assert kinds == ["fill", "bake"]
    assert not of_kind(formula, "fill")[0].assumed


def test_waiting_before_it_is_turned_out_is_both() -> None:
    formula = made(
        "Gâteau\n4 œufs\n120 g de sucre\n120 g de farine\n\nFouettez les œufs et le sucre jusqu'au ruban. "
        "Incorporez la farine. "
        "Versez dans un moule de 22 cm et enfournez 35 min à 170 °C. Attendez 10 minutes avant de démouler."
    )
    (rest,) = [s for s in formula.steps if isinstance(s, RestStep)]
    assert rest.minutes == 10
    (out,) = of_kind(formula, "turn-out")
    assert [p.step for p in out.inputs if isinstance(p, StepPortion)] == [rest.id]


def test_an_hour_and_a_half_is_no_span_of_temperatures() -> None:
    sentence = "enfournez 1 h 30 à 100 °c"
    assert [(f.low, f.high) for f in temperatures(sentence)] == [(100, 100)]
    assert [(f.low, f.high) for f in times(sentence)] == [(90, 90)]


@pytest.mark.parametrize("said", ["180 for 25 minutes", "180 °C, 25 min", "180C (160C fan) for 25 minutes"])
def test_a_bake_has_its_heat_with_or_without_a_unit(said: str) -> None:
    formula = made(
        f"Cake\n4 eggs\n120 g sugar\n120 g flour\n\nBeat the eggs and sugar to the ribbon. Fold in the flour. "
        f"Pour into a 24 cm round tin and bake at {said}."
    )
    (bake,) = [s for s in formula.steps if isinstance(s, BakeStep)]
    assert (bake.oven_c, bake.reference.minutes) == (180, 25)


@pytest.mark.parametrize(
    ("sentence", "language", "acts"),
    [
        ("Bats les jaunes, ajoute le lait puis mélange.", "fr", [Act.BEAT, Act.ADD, Act.MIX]),
        ("Prépare un mélange de farine et de sucre.", "fr", []),
        ("Laissez-le tiédir.", "fr", [Act.COOL]),
        ("Portare acqua e zucchero a 118 °C.", "it", [Act.BOIL]),
        ("卵と砂糖を湯せんにかけ、泡立てる。", "ja", [Act.HEAT, Act.WHIP]),
        ("Pass through a sieve.", "en", [Act.SIFT]),
        ("When it reaches 112 °C start whipping the rest of the egg whites.", "en", [Act.WHIP]),
    ],
)
def test_more_words_that_tell_what_to_do(sentence: str, language: str, acts: list[Act]) -> None:
    assert [c.act for c in clauses(sentence, GRAMMARS[language])] == acts


PAGE = """<html><head><title>x</title><script>var eggs = 12;</script></head><body>
<h1>Plain sponge</h1><ul><li>3 eggs</li><li>90 g <b>sugar</b></li><li>90 g flour</li></ul>
<p>Beat the eggs and sugar until thick.</p><p>Fold in the flour &amp; bake.</p></body></html>"""


def test_a_pasted_page_is_read_by_what_it_shows() -> None:
    rows = cut(PAGE).rows
    assert [r.text for r in rows if r.kind is RowKind.INGREDIENT] == ["3 eggs", "90 g sugar", "90 g flour"]
    assert [r.text for r in rows if r.kind is RowKind.SENTENCE][-1] == "Fold in the flour & bake."
    assert not any("var" in r.text for r in rows)


@pytest.mark.parametrize("text", ["<script><li>3 eggs", "<li><li>"])
def test_of_a_page_that_shows_nothing_nothing_is_dropped(text: str) -> None:
    assert seen(text) == text


def test_a_heading_between_angles_is_no_tag() -> None:
    text = "<the paste>\n100 g sugar"
    assert seen(text) == text


@pytest.mark.parametrize(
    ("pasted", "tidied"),
    [
        ("Ingredients: 3 eggs, 90 g sugar", "Ingredients:\n3 eggs, 90 g sugar"),
        ("hi! the sponge: 5 eggs, 150 g sugar, 150 g flour", "hi! the sponge:\n5 eggs, 150 g sugar, 150 g flour"),
        ("[09:12] 4 eggs", "4 eggs"),
        ("(A) 4 egg yolks", "4 egg yolks"),
        ("Method.—Beat the eggs.", "Method:\nBeat the eggs."),
    ],
)
def test_marks_that_say_nothing_go(pasted: str, tidied: str) -> None:
    assert tidy(pasted) == tidied


@pytest.mark.parametrize(
    ("line", "ingredient", "grams"),
    [
        ("2 egg whites (pasteurised)", "white-pasteurised", 68.4),
        ("2 x 55 g egg whites", "egg-white", 110.0),
        ("Sugar II 90 g", "sugar", 90.0),
        ("4 tablespoonfuls sugar", "sugar", 49.9),
        ("zucchero a velo per spolverizzare", "icing-sugar", None),
        ("紅茶液 60g", "tea-brewed", 60.0),
    ],
)
def test_lines_as_they_are_written(line: str, ingredient: str, grams: float | None) -> None:
    read = read_line(line, EGGS)
    assert read.ingredient == ingredient
    assert read.grams == (pytest.approx(grams, rel=0.02) if grams is not None else None)


def test_a_time_of_baking_above_a_list_is_no_line_but_one_with_its_heat_is_a_step() -> None:
    head = "Roulé\n\nCuisson : 10 min\n\n4 œufs\n120 g de sucre\n120 g de farine\n\nFouettez les œufs et le sucre."
    assert next(r for r in cut(head).rows if r.text.startswith("Cuisson")).kind is RowKind.NOTE
    foot = (
        "Biscuit\n4 œufs\n120 g de sucre\n120 g de farine\n\n- Fouettez les œufs et le sucre.\n"
        "- Cuisson : 180 °C, 12 min."
    )
    assert next(r for r in cut(foot).rows if "Cuisson" in r.text).kind is RowKind.SENTENCE


def test_a_tube_named_below_its_size_is_a_tube() -> None:
    got = read_text(
        "Chiffon\n\nIngredienti per uno stampo da 26 cm:\n6 uova\n250 g di zucchero\n220 g di farina\n"
        "120 ml di olio di semi\n180 ml di acqua\n\nMescolate i tuorli con l'olio, l'acqua e la farina. "
        "Montate gli albumi con lo zucchero. "
        "Unite gli albumi al composto. Versate nello stampo da chiffon e cuocete a 160 °C per 60 minuti."
    )
    assert got.formula is not None
    (fill,) = [s for s in got.formula.steps if isinstance(s, FillStep)]
    assert fill.tin.shape == "tube"
    assert 255 <= max(fill.tin.dimensions.model_dump().values()) <= 265


def test_no_result_is_used_twice_and_what_nobody_took_is_left() -> None:
    foam = Made(WhipStep, "bowl")
    third = Made(FoldStep, "bowl", uses=[Use(foam, 0.25)])
    rest = Made(FoldStep, "bowl", uses=[Use(third), Use(foam)])
    again = Made(FoldStep, "bowl", uses=[Use(rest), Use(foam)])
    balance(cast(Tracker, SimpleNamespace(results=SimpleNamespace(made=[foam, third, rest, again]))))
    assert [(u.made, u.rest) for u in rest.uses] == [(third, False), (foam, True)]
    assert [u.made for u in again.uses] == [rest]
    assert [m.left for m in (foam, third, rest, again)] == [0, 0, 0, 1]


def test_sugar_and_water_that_are_cooked_hot_are_a_syrup() -> None:
    formula = made(
        "Mousse\n300 g strawberry puree\n70 g sugar\n250 g cream\n\nItalian meringue\n60 g egg whites\n120 g sugar\n"
        "40 g water\n\nWarm the puree with the 70 g sugar. Cook 120 g sugar and the water to 120 °C, pour over "
        "the whipping whites and beat until cold. Fold the meringue into the puree, then the softly whipped cream. "
        "Pour into a 20 cm ring and freeze for 6 hours."
    )
    (syrup,) = [s for s in formula.steps if isinstance(s, BoilStep)]
    assert takes(formula, syrup) == {"sugar": 120, "water": 40}


def test_a_title_right_above_a_heading_is_no_line_and_a_part_may_be_named_by_a_verb() -> None:
    rows = cut("Chocolate roll\nSponge\n4 eggs\n100 g sugar\nGlaze\n100 g dark chocolate\n\nWhip the eggs.").rows
    assert [(r.kind, r.text) for r in rows if r.kind in {RowKind.TITLE, RowKind.HEADING}] == [
        (RowKind.TITLE, "Chocolate roll"),
        (RowKind.HEADING, "Sponge"),
        (RowKind.HEADING, "Glaze"),
    ]
    assert [r.group for r in rows if r.kind is RowKind.INGREDIENT] == ["sponge", "sponge", "glaze"]


def test_what_no_sentence_joins_is_asked_about_by_its_name_and_once() -> None:
    got = read_text(SPONGE)
    asked = [(q.text, q.assumed) for q in got.questions if q.field == "steps"]
    assert asked == [("No sentence says where to put the cream.", "“Layer with the cream”")]


def test_what_was_assumed_is_told_without_a_full_stop() -> None:
    got = read_text("Meringue\n\n120 g sugar\n\nWhip it.")
    assert got.questions
    assert not any(q.assumed.endswith(".") for q in got.questions)
