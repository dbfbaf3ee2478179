"""A whole text: what its sentences make of it, what “it” is in them, and what was corrected by hand."""

from __future__ import annotations

import pytest

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.mending import Meant, Mend, keys_of
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.clauses import clauses
from kindwhisk.core.reading.method.said import degrees
from kindwhisk.core.reading.method.verbs import GRAMMARS
from kindwhisk.core.reading.parts import RowKind, cut
from kindwhisk.core.reading.proposal import ByHand, ReadRecipe, read
from kindwhisk.core.reading.tins_named import find_tins
from kindwhisk.core.values.technique import Technique

EGGS = EggSize.EU_M


def read_text(text: str, by_hand: ByHand | None = None, technique: Technique | None = None) -> ReadRecipe:
    return read(recipe.from_text(text), EGGS, technique, (), by_hand or ByHand())


def made(text: str) -> Formula:
    formula = read_text(text).formula
    assert formula is not None
    return formula


def takes(formula: Formula, step: Step) -> dict[str, float]:
    """Grams that a step takes of the list, weighed for it or straight."""
    found: dict[str, float] = {}
    for portion in step.inputs:
        if isinstance(portion, IngredientPortion):
            found[portion.ingredient] = portion.grams
        elif isinstance(formula.step(portion.step), WeighStep):
            found |= takes(formula, formula.step(portion.step))
    return found


def of_kind(formula: Formula, kind: str) -> list[Step]:
    return [s for s in formula.steps if s.kind == kind]


LIST = "Cake\n4 eggs, separated\n100 g sugar\n90 g flour\n60 ml oil\n\n"


def test_sugar_is_shared_as_the_text_says() -> None:
    formula = made(
        LIST
        + (
            "Whisk the yolks with half the sugar and the oil. "
            "Whip the whites with the remaining sugar until stiff.\nFold in the flour."
        )
    )
    whip = of_kind(formula, "whip")[0]
    assert takes(formula, whip)["sugar"] == 50
    assert takes(formula, of_kind(formula, "mix")[0])["sugar"] == 50


def test_sugar_that_two_sentences_take_whole_is_halved_and_asked_about() -> None:
    got = read_text(
        LIST
        + ("Whisk the yolks with the sugar and oil. Whip the whites with the sugar until stiff. Fold in the flour.")
    )
    assert got.formula is not None
    assert takes(got.formula, of_kind(got.formula, "whip")[0])["sugar"] == 50
    assert "How is the caster sugar divided? The text does not say." in [q.text for q in got.questions]


def test_a_third_loosens_and_the_rest_is_folded() -> None:
    formula = made(
        LIST
        + (
            "Whisk the yolks with the oil, add the flour and mix. Whip the whites with the sugar. "
            "Add a third of the meringue to the yolk batter and mix. Fold in the rest."
        )
    )
    loosen, rest = of_kind(formula, "fold")
    assert [p.fraction for p in loosen.inputs if isinstance(p, StepPortion)] == [None, pytest.approx(1 / 3, abs=1e-3)]
    assert [p.rest for p in rest.inputs if isinstance(p, StepPortion)] == [False, True]


def test_water_of_a_bath_is_not_the_recipes() -> None:
    formula = made(
        "Sponge\n4 eggs\n120 g sugar\n100 g flour\n50 ml water\n\n"
        "Whisk eggs and sugar over a pot of simmering water to 42 °C, then whip until tripled. "
        "Fold in the flour, then the water.\nBake at 180 °C for 30 minutes in a 20 cm round tin."
    )
    assert "water" not in takes(formula, of_kind(formula, "warm")[0])
    assert takes(formula, of_kind(formula, "fold")[-1]) == {"water": 50}


def test_only_marked_eggs_are_separated() -> None:
    formula = made(
        "Sponge\n4 eggs, separated\n1 whole egg\n90 g sugar\n70 g flour\n\n"
        "Whisk the yolks and the whole egg with 40 g sugar until thick. "
        "Whip the whites with the rest of the sugar. Fold together, "
        "sift over the flour and fold.\nBake at 200 °C for 8 minutes on a 30 x 40 cm tray."
    )
    assert formula.grams_of("whole-egg") == pytest.approx(51.6, abs=1)
    assert {"egg-white", "egg-yolk", "whole-egg"} <= {p.ingredient for p in formula.portions()}


def test_what_a_sentence_was_not_understood_in_holds_its_place_in_its_own_words() -> None:
    got = read_text(
        LIST
        + (
            "Whisk the yolks with the oil and flour.\nQuibble the yolk mixture thrice.\n"
            "Whip the whites with the sugar. Fold the whites into the yolk mixture. "
            "Bake at 170 °C for 30 minutes in a 20 cm round tin."
        )
    )
    assert got.formula is not None
    held = [s for s in got.formula.steps if s.kind == "hand"]
    assert [s.written for s in held] == ["Quibble the yolk mixture thrice."]
    assert held[0].assumed
    assert "What is done here: “Quibble the yolk mixture thrice.”?" in [q.text for q in got.questions]


def test_what_the_text_leaves_out_is_put_in_and_marked() -> None:
    formula = made(
        LIST
        + "Whisk the yolks with the oil and flour. Whip the whites with the sugar. Fold the whites into the batter."
    )
    assumed = {s.kind: s.assumed for s in formula.steps if s.assumed}
    assert list(assumed) == ["fill", "bake", "cool"]
    assert all(assumed.values())


def test_the_class_comes_from_the_steps_and_not_from_a_word_of_the_title() -> None:
    text = (
        "Mousse-light sponge fingers cake\n4 eggs\n120 g sugar\n110 g flour\n\n"
        "Whisk the eggs with the sugar for 8 minutes until tripled. Fold in the flour. "
        "Bake at 180 °C for 30 minutes in a 20 cm round tin until golden."
    )
    assert read_text(text).technique is Technique.COLD_GENOISE
    assert read_text(text, technique=Technique.GENOISE).technique is Technique.GENOISE


def test_two_results_do_not_stand_in_one_vessel() -> None:
    formula = made(
        LIST
        + (
            "Whisk the yolks with the oil. Whip the whites with half the sugar. "
            "Whip the flour and the rest of the sugar. Fold together."
        )
    )
    standing: dict[str, str] = {}
    for step in formula.steps:
        used = {p.step for p in step.inputs if isinstance(p, StepPortion)}
        standing = {v: s for v, s in standing.items() if s not in used}
        if not isinstance(step, WeighStep):
            assert standing.get(step.vessel) is None, step.id
            standing[step.vessel] = step.id


PARTS = """Plum slices
Makes 12

Base
100 g flour
2 eggs

TOPPING
50 g sugar
a cloud of stardust

Method
1. Whisk the eggs. Fold in the flour.
2. Bake at 180 °C.
Tip: eat it fresh.
"""


def test_every_row_of_a_text_is_something() -> None:
    rows = cut(PARTS).rows
    kinds = [(r.kind, r.text, r.group) for r in rows]
    assert kinds[0] == (RowKind.TITLE, "Plum slices", "")
    assert (RowKind.INGREDIENT, "2 eggs", "base") in kinds
    assert (RowKind.INGREDIENT, "50 g sugar", "topping") in kinds
    assert (RowKind.SENTENCE, "Fold in the flour.", "") in kinds
    assert (RowKind.NOTE, "Tip: eat it fresh.", "") in kinds
    said = " ".join(r.text for r in rows)
    assert all(row.strip().lstrip("12. ") in said for row in PARTS.splitlines() if row.strip())


@pytest.mark.parametrize(
    ("text", "count"),
    [
        ("Serves 8", 8), ("makes 10 servings", 10), ("Pour 6 personnes", 6), ("12人分", 12),
        ("Pour 500 ml into it", None), ("Heat to a temperature of 12", None), ("5 g per 100", None),
    ],
)  # fmt: skip
def test_only_words_of_serving_count_servings(text: str, count: int | None) -> None:
    assert recipe.from_text(f"Cake\n\n{text}\n100 g flour\n2 eggs").servings == count


def test_dried_white_counts_by_its_own_weight() -> None:
    formula = made(
        "Meringue\n20 g dried egg white\n140 g water\n300 g sugar\n\n"
        "Whisk the dried egg white into the water. Whip to soft peaks, "
        "add the sugar and whip until stiff. Pipe and bake at 90 °C for 2 hours."
    )
    assert formula.grams_of("white-dried") == 20
    assert formula.total_g() == 460


SLIP = LIST.replace("100 g sugar", "100 g suger")


def test_a_slip_in_a_name_is_read_and_told_and_its_allergens_stay_open() -> None:
    line = read_text(SLIP + "Whip the whites with the sugar.").lines[1]
    assert line.ingredient == "sugar"
    assert "“suger” is read as sugar" in line.note
    assert line.allergens_unknown


# Corrections by hand

MIXED = LIST + (
    "Whisk the yolks with the oil. Stir in the flour.\nWhip the whites with the sugar. "
    "Fold the whites into the batter.\nBake at 170 °C for 30 minutes in a 20 cm round tin."
)


def key_of(got: ReadRecipe, kind: str, n: int = 0) -> str:
    assert got.formula is not None
    return got.keys[of_kind(got.formula, kind)[n].id]


def test_a_correction_stays_while_the_text_is_mended() -> None:
    key = key_of(read_text(MIXED), "whip")
    by_hand = ByHand(mends=(Mend(key=key, fields={"speed": 4}),))
    for text in (
        MIXED,
        MIXED.replace("Whip the whites", "Whip up the egg whites"),
        MIXED.replace("100 g sugar", "110 g sugar"),
    ):
        got = read_text(text, by_hand)
        assert got.formula is not None
        assert getattr(of_kind(got.formula, "whip")[0], "speed", 0) == 4


def test_a_correction_that_fits_nowhere_any_more_is_told() -> None:
    by_hand = ByHand(mends=(Mend(key="boil|1|Cook the sugar to 118.", fields={"target_c": 116}),))
    got = read_text(MIXED, by_hand)
    assert any("fits no step any more" in q.text for q in got.questions)


def test_a_correction_out_of_its_range_is_told_and_left_out() -> None:
    key = key_of(read_text(MIXED), "bake")
    got = read_text(MIXED, ByHand(mends=(Mend(key=key, fields={"oven_c": 900}),)))
    assert got.formula is not None
    assert getattr(of_kind(got.formula, "bake")[0], "oven_c", 0) == 170
    assert any(q.field == "mends" for q in got.questions)


def test_an_assumed_step_can_be_left_out_and_one_that_brings_something_can_not() -> None:
    got = read_text(MIXED)
    out = read_text(MIXED, ByHand(mends=(Mend(key=key_of(got, "cool"), drop=True),)))
    assert out.formula is not None
    assert of_kind(out.formula, "cool") == []
    kept = read_text(MIXED, ByHand(mends=(Mend(key=key_of(got, "fold"), drop=True),)))
    assert kept.formula is not None
    assert of_kind(kept.formula, "fold")
    assert any("can't be left out" in q.text for q in kept.questions)


def test_a_sentence_names_no_step_that_was_left_out() -> None:
    text = MIXED.replace("Bake at", "Chill for 1 hour. Bake at")
    got = read_text(text)
    out = read_text(text, ByHand(mends=(Mend(key=key_of(got, "chill"), drop=True),)))
    assert out.formula is not None
    assert of_kind(out.formula, "chill") == []
    (before,), (after,) = ([r for r in one.rows if r.text == "Chill for 1 hour."] for one in (got, out))
    assert (before.says, len(before.steps)) == ("step", 1)
    assert (after.says, after.steps) == ("known", ())


def test_a_sentence_can_be_told_what_it_is_about() -> None:
    text = LIST + (
        "Whisk the yolks with the oil. Whip the whites with the sugar. Knock it.\n"
        "Stir in the flour.\nFold the whites into the batter. "
        "Bake at 170 °C for 30 minutes in a 20 cm round tin."
    )

    def flour(got: ReadRecipe) -> str:
        assert got.formula is not None
        return next(s.kind for s in got.formula.steps if "Stir in the flour." in s.written)

    assert flour(read_text(text)) == "fold"
    told = ByHand(meant=(Meant(sentence="Stir in the flour.", of="Whisk the yolks with the oil."),))
    assert flour(read_text(text, told)) == "mix"


def test_every_step_has_a_key_of_its_own() -> None:
    got = read_text(MIXED)
    assert got.formula is not None
    assert keys_of(got.formula.steps) == got.keys
    assert len(set(got.keys.values())) == len(got.formula.steps)


def test_a_message_without_lines_has_its_list_and_its_work() -> None:
    rows = cut(
        "Roll for Sunday!! 4 eggs, 100 sugar, 80 flour, pinch salt. beat eggs + sugar 8 mins till thick, flour in "
        "with a spatula, swiss roll tin 35x25, 190 fan 9-10 min. roll up in the towel while hot."
    ).rows
    assert [r.text for r in rows if r.kind is RowKind.INGREDIENT] == ["4 eggs", "100 sugar", "80 flour", "pinch salt"]
    # “10 min.” ends a sentence, where what follows begins with its own verb.
    told = [c for row in rows if row.kind is RowKind.SENTENCE for c in clauses(row.text, GRAMMARS["en"])]
    assert [c.act for c in told][-4:] == [Act.BEAT, Act.FOLD, Act.BAKE, Act.ROLL]
    assert degrees(told[2].text) == 190


def test_a_list_in_a_sentence_of_the_work_stays_with_it() -> None:
    rows = cut("Whisk 3 eggs with 90 g sugar to the ribbon. 90 g flour, 10 g cocoa, pinch of salt. Fold in.").rows
    assert {r.kind for r in rows} == {RowKind.SENTENCE}


def test_an_introduction_is_no_part_of_its_own() -> None:
    text = (
        "A torte\n\nIt has been in my family for years.\n\nFor the sponge:\n4 eggs\n120 g sugar\n"
        "To decorate:\n12 walnut halves\n\n1. Whisk the eggs and the sugar."
    )
    rows = cut(text).rows
    assert [r.text for r in rows if r.kind is RowKind.NOTE] == ["It has been in my family for years."]
    assert [r.group for r in rows if r.kind is RowKind.SENTENCE] == [""]
    told = cut(text.replace("It has been in my family for years.", "Heat the oven to 180 °C."))
    assert not [r for r in told.rows if r.kind is RowKind.NOTE]


TORTE = """Torte
150 g ground walnuts
20 g breadcrumbs
5 eggs, separated
150 g sugar
To decorate:
10 walnut halves

Whisk the yolks with 100 g of the sugar until pale. Whisk the whites with the rest of the sugar until stiff.
Mix the walnuts and the breadcrumbs.
Fold one third of the whites into the yolks, then the nuts and the remaining whites.
Bake in a 24 cm springform at 175 C for 40 minutes.
"""


def test_nuts_for_the_top_do_not_go_into_the_batter() -> None:
    formula = made(TORTE)
    mixed = next(s for s in of_kind(formula, "mix") if "breadcrumbs" in takes(formula, s))
    assert takes(formula, mixed) == {"walnut-ground": 150.0, "breadcrumbs": 20.0}


def test_a_second_fold_goes_into_the_first() -> None:
    formula = made(TORTE)
    loosened, whole = of_kind(formula, "fold")
    assert loosened.id in {p.step for p in whole.inputs if isinstance(p, StepPortion)}
    assert len(whole.inputs) == 3


def test_what_is_folded_into_is_the_foam_and_not_another_parts_yolks() -> None:
    text = TORTE.replace("To decorate:", "For the buttercream:\n3 egg yolks\n100 g sugar\n60 ml coffee\nTo decorate:")
    formula = made(f"{text}\nFor the buttercream, boil the coffee and the sugar to 118 C. Beat the yolks until pale "
                   "and pour in the hot syrup in a thin stream.")  # fmt: skip
    loosened = of_kind(formula, "fold")[0]
    assert "egg-yolk" not in takes(formula, loosened)
    syrup = of_kind(formula, "boil")[0]
    assert takes(formula, syrup)["coffee"] == pytest.approx(60, rel=0.05)


def test_what_was_lightened_goes_back_to_the_rest() -> None:
    formula = made(
        "Cotton sponge\n50 g flour\n60 g milk\n4 eggs, separated\n70 g sugar\n\nMix the milk, the flour and the yolks. "
        "Whisk the whites with the sugar to soft peaks. I take one third of the meringue into the yolk batter, then I "
        "pour it all back and fold. Bake in a six inch tin at 150 C for 40 minutes."
    )
    first, second = of_kind(formula, "fold")
    foam = of_kind(formula, "whip")[0].id
    shares = [p for f in (first, second) for p in f.inputs if isinstance(p, StepPortion) and p.step == foam]
    assert [(p.fraction is not None and round(p.fraction, 2), p.rest) for p in shares] == [(0.33, False), (False, True)]
    assert first.id in {p.step for p in second.inputs if isinstance(p, StepPortion)}
    assert find_tins("pour it into a six inch tin")[0].tin.name == find_tins("into a 6 inch tin")[0].tin.name
