"""Where things go: into a tin, onto paper, back into the rest, into what a word or a number points to."""

from __future__ import annotations

import pytest

from tests.core.recipes.expected import nodes_of
from tests.core.test_method import read_text

MERINGUE = "Meringue\n3 egg whites\n180 g caster sugar\n\nWhip the whites with the sugar to stiff peaks. "
BATTER = "Cake\n4 eggs\n120 g sugar\n120 g flour\n\nWhip the eggs and sugar to the ribbon. Fold in the flour. "
MOUSSE = (
    "Mango mousse\n300 g mango puree\n60 g sugar\n6 g gelatine\n250 g cream\n\n"
    "Soak the gelatine in cold water. Warm the puree and the sugar, stir in the gelatine and cool. "
    "Whip the cream to soft peaks. Fold the cream into the puree. "
)


def told(text: str) -> list[str]:
    """Every step as one line: its kind, its ingredients and the steps it takes, told by their own kinds."""
    formula = read_text(text).formula
    assert formula is not None
    return [f"{n.kind}: {', '.join([*n.takes, *(f'@{p}' for p in n.parents)])}" for n in nodes_of(formula)]


@pytest.mark.parametrize(
    ("recipe", "placed", "step"),
    [
        (MERINGUE, "Spoon into a 20 cm round on baking paper. Bake at 110 °C for 90 minutes.", "pipe: @whip"),
        (MERINGUE, "Put it on a sheet of paper in a circle. Bake at 110 °C for 90 minutes.", "pipe: @whip"),
        (BATTER, "Pour into a 20 cm ring. Bake at 180 °C for 25 minutes.", "fill: @fold"),
        (BATTER, "Put it in a buttered springform. Bake at 180 °C for 25 minutes.", "fill: @fold"),
        (MOUSSE, "Pour into a 20 cm ring and freeze for 4 hours.", "fill: @fold"),
        (MOUSSE, "Pipe into six half-sphere moulds and freeze for 4 hours.", "fill: @fold"),
    ],
)
def test_a_meringue_stands_by_itself_and_all_else_is_held(recipe: str, placed: str, step: str) -> None:
    assert step in told(recipe + placed)


def test_a_part_that_is_lightened_goes_back_into_the_rest() -> None:
    steps = told(
        "Genoise\n4 eggs\n120 g sugar\n120 g flour\n40 g butter\n\n"
        "Whip the eggs and sugar to the ribbon. Fold in the flour. Melt the butter, stir in a scoop of the batter, "
        "then pour it back into the rest and fold. Pour into a 20 cm tin. Bake at 180 °C for 25 minutes."
    )
    assert steps[:5] == [
        "whip: whole-egg, sugar",
        "fold: plain-flour, @whip",
        "warm: butter",
        "fold: @warm, @fold",
        "fold: @fold, @fold-2",
    ]


def test_what_was_made_is_meant_though_another_part_has_its_line_too() -> None:
    steps = told(
        "Chocolate roll\nSponge\n4 eggs\n100 g sugar\n80 g flour\n60 g dark chocolate\n"
        "Glaze\n100 g dark chocolate\n100 g cream\n\n"
        "Melt 60 g chocolate. Whip the eggs and sugar to the ribbon. Fold in the flour, then the chocolate. "
        "Spread on a 30 x 40 cm tray and bake at 200 °C for 9 minutes."
    )
    assert "fold: @fold, @warm" in steps or "fold: @warm, @fold" in steps


@pytest.mark.parametrize("mark", ["step 1", "①", "the mixture from step 1"])
def test_a_number_points_to_what_was_made_there(mark: str) -> None:
    steps = told(
        "Chiffon\n4 egg yolks\n30 g sugar\n40 g oil\n50 g water\n80 g flour\n4 egg whites\n50 g sugar\n\n"
        "1. Mix the yolks with 30 g sugar, the oil, the water and the flour.\n"
        "2. Whip the whites with 50 g sugar to firm peaks.\n"
        f"3. Fold the whites into {mark}.\n"
        "4. Pour into an 18 cm chiffon tin and bake at 170 °C for 40 minutes."
    )
    assert "fold: @mix, @whip" in steps or "fold: @whip, @mix" in steps


def test_cold_water_to_soak_in_and_a_bain_marie_are_no_ingredients() -> None:
    got = read_text(MOUSSE + "Pour into a 20 cm ring and freeze for 4 hours.")
    assert got.formula is not None
    assert "water" not in {i for n in nodes_of(got.formula) for i in n.takes}


def test_a_cake_cooled_a_while_in_its_tin_cools_again_when_it_is_to_be_cold() -> None:
    steps = told(
        BATTER + "Pour into a 20 cm tin. Bake at 180 °C for 25 minutes. "
        "Cool in the tin for 10 minutes and turn out. When it is cold, dust it with icing sugar."
    )
    assert [s.partition(":")[0] for s in steps][-4:] == ["cool", "turn-out", "cool", "assemble"]
