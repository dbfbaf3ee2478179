# ruff: noqa: E501
"""Ways of wording a bake that a reader meets in notes, pages and messages: each becomes the steps that it tells of."""

from __future__ import annotations

import pytest

from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.reading.method.clauses import clauses
from kindwhisk.core.reading.method.verbs import GRAMMARS
from kindwhisk.core.reading.method.verbs.persons import as_french_tells, as_italian_tells
from kindwhisk.core.reading.method.verbs.voices import as_english_tells
from kindwhisk.core.reading.parts import RowKind
from kindwhisk.core.reading.parts.cutting import cut
from tests.core.recipes.expected import done, kinds, opened

MERINGUE = "4 egg whites\n200 g sugar\n\n"
SPONGE = "4 eggs\n120 g sugar\n120 g flour\n\n"
ROLL = f"{SPONGE}Whip the eggs and sugar until thick. Fold in the flour. Spread on a 30 x 40 cm tray and bake at 200 °C for 9 minutes. "
SHELLS = "120 g almond flour\n200 g icing sugar\n100 g egg whites\n40 g sugar\n\n"


@pytest.mark.parametrize(
    ("told", "steps"),
    [
        # Rows that count their steps without a point behind the number.
        (
            f"Macarons\n\n{SHELLS}1 blitz the almonds and icing sugar, sieve\n2 whip whites with the sugar to stiff peaks\n3 fold in the dry mix till it flows\n4 pipe 35mm, tap tray\n5 bake 145 14min",
            ["sift: almond-flour 120, icing-sugar 200", "whip: egg-white 100, sugar 40", "macaronage", "pipe", "knock", "bake"],
        ),
        # Whites that were flavoured are whites yet, and nuts and sugar to them a macaronage.
        (
            f"{SHELLS}1 gousse de vanille\n\nTamiser la poudre d'amandes et le sucre glace. Monter les blancs avec le sucre. Ajouter les graines de vanille. Incorporer les poudres aux blancs et macaronner. Pocher des coques, taper la plaque. Cuire à 150 °C, 13 min.",
            ["sift: almond-flour 120, icing-sugar 200", "whip: egg-white 100, sugar 40", "fold: vanilla-paste 3", "macaronage", "pipe", "knock", "bake"],
        ),
        # “Mix the two sugars and add them”: sweetened with what was mixed first.
        (
            "4 egg whites\n100 g caster sugar\n100 g brown sugar\n\nWhisk the whites to soft peaks. Mix the two sugars and add them a spoonful at a time. Spoon big blobs onto a lined baking tray and bake at 120 °C for 75 minutes.",
            ["mix: brown-sugar 100, sugar 100", "whip: egg-white 137", "pipe", "bake"],
        ),
        # What stands in the mixer is whipped; what is told to go in by parts is folded.
        (
            f"{MERINGUE}Whites go in the mixer till stiff, then the sugar, a spoonful at a time. Shape into a 22 cm nest on paper. 110 °C for 75 min.",
            ["whip: egg-white 137, sugar 200", "pipe", "bake"],
        ),
        # Off the heat the lemon is no part of the warming.
        (
            "4 blancs d'œufs\n240 g de sucre\n1 c. à café de jus de citron\n\nMettre les blancs et le sucre au bain-marie et fouetter jusqu'à 55 °C. Retirer du feu, ajouter le citron et fouetter jusqu'à refroidissement. Pocher sur papier. Cuisson 1 h 30 à 90 °C.",
            ["warm: egg-white 137, sugar 240", "whip: lemon-juice 5", "pipe", "bake"],
        ),
        # Nuts that are roasted first.
        (
            "4 egg whites\n60 g sugar\n100 g ground hazelnuts\n80 g icing sugar\n\nI roasted the ground hazelnuts for 10 minutes and let them cool. Sifted them with the icing sugar. The whites were whipped with the sugar, then I folded in the nut mix. Piped two 20 cm discs and baked them at 175 °C for 20 minutes.",
            ["plain: hazelnut-ground 100", "rest", "sift: icing-sugar 80", "whip: egg-white 137, sugar 60", "fold", "pipe", "bake"],
        ),
        # A butter that is half of the foam and more makes a cream, not a fold.
        (
            f"{SPONGE}buttercream 👉 100 g egg whites, 180 g sugar, 250 g soft butter\n\n1️⃣ Whip eggs + sugar until tripled\n2️⃣ Fold in flour\n3️⃣ Into 2 x 15cm tins, 170°C for 25 min. Cool\n4️⃣ Buttercream: heat whites + sugar over hot water to 70°C, whip until cold, then add the butter bit by bit\n5️⃣ Fill and cover the cakes",
            ["whip: sugar 120, whole-egg 206", "fold: plain-flour 120", "fill", "bake", "cool", "warm: egg-white 100, sugar 180", "whip", "mix: butter 250", "assemble"],
        ),
        # Everything that its part lists.
        (
            f"{ROLL}Cool.\n\nVanilla cream\n300 g cream\n25 g icing sugar\n\nWhip everything to firm peaks. Spread it over and roll up.",
            ["whip: sugar 120, whole-egg 206", "fold: plain-flour 120", "fill", "bake", "cool", "whip: cream-35 300, icing-sugar 25", "assemble", "roll"],
        ),
        # Captions show what is taken, and then name only the work.
        (
            "4 egg yolks\n20 g sugar\n40 ml oil\n50 g cake flour\nmix until smooth\n4 egg whites\n50 g sugar\nwhip to soft peaks\nfold together\npour into a 28x28cm pan\nbake at 170C for 16 mins",
            ["mix: cake-flour 50, egg-yolk 70, oil-neutral 37, sugar 20", "whip: egg-white 137, sugar 50", "fold", "fill", "bake"],
        ),
        # What is put into a ring, one upon the other.
        (
            f"{SPONGE}Mousse: 200 g dark chocolate, 300 g cream\n\nWhip eggs and sugar until thick. Fold in the flour. Bake in a 18 cm ring at 180 °C for 20 minutes. Cool. Melt the chocolate. Whip the cream and fold it in. In an 18 cm ring: half of the mousse, the sponge, rest of the mousse. Freeze overnight.",
            ["whip: sugar 120, whole-egg 206", "fold: plain-flour 120", "fill", "bake", "cool", "warm: chocolate-dark 200", "whip: cream-35 300", "fold", "fill", "assemble", "chill"],
        ),
    ],
)  # fmt: skip
def test_it_becomes_the_steps_that_it_tells_of(told: str, steps: list[str]) -> None:
    assert done(told) == steps


@pytest.mark.parametrize(
    ("language", "said", "acts"),
    [
        ("en", "Work the meringue into the paste in three additions", ["FOLD"]),
        ("en", "At 110 °C start whipping the second whites", ["WHIP"]),
        ("en", "Turn the tin upside down on a rack until cold", ["INVERT"]),
        ("en", "Invert on to a sheet of paper, peel off the lining", ["TURN_OUT", "HAND"]),
        ("en", "Off the heat until cold", ["WHIP"]),
        ("en", "Ungreased 20 cm tin, bake at 160 °C for 40 minutes", ["POUR", "BAKE"]),
        ("en", "Out of the tins after 5 min, cooled on the rack", ["TURN_OUT", "COOL"]),
        ("en", "oil, juice, water, zest in", ["ADD", "ADD"]),
        ("en", "Assemble upside down: pour half of the mousse into the ring", ["POUR"]),
        ("fr", "Laisser prendre 2 heures au frais", ["CHILL"]),
        ("fr", "Laissez refroidir au réfrigérateur 2 heures", ["CHILL"]),
        ("fr", "Cuisson 1 h 30 à 90 °C, puis je les laisse sécher dans le four éteint", ["BAKE", "REST"]),
        ("fr", "Terminez par le beurre fondu", ["ADD"]),
        ("it", "Faccio due dischi da 22 cm e li cuocio a 100 gradi per 2 ore", ["PIPE", "BAKE"]),
        ("it", "Farcisco i dischi e metto in freezer per 4 ore", ["JOIN", "CHILL"]),
        ("it", "Tritare le nocciole con metà dello zucchero", ["SIFT"]),
        ("ja", "生クリームを温め、刻んだチョコレートに注いで混ぜる", ["HEAT", "POUR", "MIX"]),
        ("ja", "30分乾燥させる", ["REST"]),
        ("vi", "Bắt nhân vào giữa 2 vỏ bánh", ["JOIN"]),
    ],
)
def test_a_sentence_tells_what_to_do(language: str, said: str, acts: list[str]) -> None:
    assert [c.act.name for c in clauses(said, GRAMMARS[language])] == acts


@pytest.mark.parametrize(
    ("said", "told"),
    [
        ("the rest i fold by hand", "fold the rest by hand"),
        ("the whites: four of them, beaten stiff", "four whites, beaten stiff"),
        ("top w/ mango", "top with mango"),
        ("it's rolled up in the cloth", "roll up it in the cloth"),
        ("flour sifted in over three goes", "sift flour in over three goes"),
        ("then 1 tbsp cornflour and 2 tsp vinegar folded in", "then fold in 1 tbsp cornflour and 2 tsp vinegar"),
        ("put a third of the whites in the batter", "add a third of the whites into the batter"),
        ("the zest and juice of two limes", "zest of two limes, juice of two limes"),
    ],
)
def test_english_is_brought_into_one_voice(said: str, told: str) -> None:
    assert as_english_tells(said) == told


def test_a_grandmother_told_of_in_the_past_is_told_as_one_does_it() -> None:
    assert (
        as_italian_tells("montava gli albumi e aggiungeva lo zucchero") == "montare gli albumi e aggiungere lo zucchero"
    )
    assert as_french_tells("elle montait les blancs et ajoutait le sucre") == "montez les blancs et ajoutez le sucre"


@pytest.mark.parametrize(
    ("told", "oven", "minutes"),
    [
        ("Into the oven at 200 for 8 minutes", 200, 8),
        ("Bake at 325F for 60 minutes", 163, 60),
        ("2 x 15cm, 165, 25min", 165, 25),
        ("22cm springform, 175, 35 min", 175, 35),
        ("Bake at 160 °C for 60 minutes, then at 175 °C for another 10 minutes", 160, 70),
    ],
)
def test_the_oven_is_read_however_it_is_written(told: str, oven: float, minutes: float) -> None:
    got = opened(f"{SPONGE}Whip eggs and sugar till thick. Fold in flour. {told}.")
    assert got.formula is not None
    bake = next(s for s in got.formula.steps if isinstance(s, BakeStep))
    assert (bake.oven_c, bake.reference.minutes) == (oven, minutes)


def test_a_heat_of_a_quick_meringue_is_not_taken_for_fahrenheit() -> None:
    got = opened(
        f"{MERINGUE}Whisk the whites and sugar. Spread in a 33 x 23 cm tin. Into the oven at 200 for 8 minutes."
    )
    assert got.formula is not None
    assert next(s.oven_c for s in got.formula.steps if isinstance(s, BakeStep)) == 200


def test_a_height_that_batter_is_dropped_from_is_no_tin() -> None:
    got = opened(
        "卵 3個\n砂糖 90g\n薄力粉 90g\n\n18cmの型を使う。卵と砂糖を泡立てる。薄力粉をふるい入れて混ぜる。型に流し、10cmの高さから落とす。170℃で28分焼く。"
    )
    assert got.formula is not None
    tin = next(s.tin for s in got.formula.steps if isinstance(s, FillStep))
    assert tin.dimensions.model_dump()["diameter_mm"] == 180


@pytest.mark.parametrize(
    ("text", "lines"),
    [
        ("4 egg whites | 250 g caster sugar | 1 tsp vinegar\nfilling | 300 ml cream | 200 g raspberries\n", 5),
        ("base - 3 eggs 90 sugar 60 flour 15 cocoa\nmousse - 200 dark choc, 3 yolks, 60 sugar\n", 7),
        ("4 œufs – 100 g de sucre – 100 g de farine – 1 pincée de sel\n", 4),
        ("3 eggs\nsyrup: 60 water / 40 sugar / 20 lemon juice\n", 4),
        ("BASE\n2 eggs • 50g sugar • 50g flour\n", 3),
        ("For the ganache: 300ml double cream, 300g dark chocolate, broken up\n", 2),
        ("2 eggs, 60 g sugar, 60 g flour, jam, cream\n", 5),
        ("**For the sponge**\n* 5 large eggs\n* 150 g sugar\n* 150 g flour\n", 3),
        ("Ti servono 5 uova, 150 g di zucchero, 150 g di farina, mezza bustina di lievito.\n", 4),
    ],
)
def test_a_list_is_told_apart_however_it_is_parted(text: str, lines: int) -> None:
    rows = [r.text for r in cut(f"{text}\nWhisk the eggs and sugar.\n").rows if r.kind is RowKind.INGREDIENT]
    assert len(rows) == lines, rows


def test_what_only_praises_a_cake_is_no_work() -> None:
    rows = cut(
        f"My sponge\n\nThis is the cake I make whenever I have eggs to spare.\n\n{SPONGE}Whisk the eggs and sugar."
    ).rows
    assert [r.kind for r in rows][:2] == [RowKind.TITLE, RowKind.NOTE]


def test_the_rest_is_of_what_has_been_begun_though_another_part_has_less() -> None:
    steps = done(
        "Fingers\n4 eggs, separated\n120 g sugar\n120 g flour\nMousse\n80 g sugar\n300 g cream\n\nWhisk the whites with half the sugar. Beat the yolks with the rest until pale. Fold the two together, then the flour. Pipe fingers. Bake at 190 °C for 11 minutes."
    )
    assert steps[:2] == ["whip: egg-white 137, sugar 60", "whip: egg-yolk 70, sugar 60"]


def test_butter_for_the_joconde_is_not_the_butter_of_the_cream() -> None:
    steps = done(
        "Joconde: 150 g ground almonds, 150 g icing sugar, 4 eggs, 40 g flour, 30 g melted butter\nButtercream: 180 g butter, 90 g icing sugar\n\nWhip the almonds, icing sugar and eggs. Fold in the flour, then the butter. Spread on a 40x30 cm tray, 220 °C, 7 minutes. Beat the butter with the icing sugar."
    )
    assert "fold: butter 30" in steps
    assert "mix: butter 180, icing-sugar 90" in steps


def test_proportions_are_those_of_the_batter() -> None:
    meringata = opened(
        "150 g egg whites\n300 g sugar\n500 g cream\n60 g icing sugar\n\nWhip the whites with the sugar. Pipe two discs and bake at 100 °C for 2 hours. Cool. Whip the cream with the icing sugar. Fill the discs."
    )
    assert "out-of-proportion" not in {r.id for r in meringata.lint}


def test_nothing_fat_is_put_to_bare_whites() -> None:
    got = opened(
        f"{MERINGUE}300 g cream\n100 g butter\n\nWhip the whites with the sugar. Pipe nests. Bake at 100 °C for 2 hours."
    )
    assert got.formula is not None
    whip = next(
        s
        for s in done(
            f"{MERINGUE}300 g cream\n100 g butter\n\nWhip the whites with the sugar. Pipe nests. Bake at 100 °C for 2 hours."
        )
        if s.startswith("whip")
    )
    assert "cream" not in whip
    assert "butter" not in whip


def test_a_cake_in_paper_cases_lacks_no_tin() -> None:
    got = opened(
        f"{SPONGE}Whip eggs and sugar until thick. Fold in the flour. Spoon into 12 paper cases. 170 °C, 18 min."
    )
    assert "no-tin" not in {r.id for r in got.lint}


def test_a_curd_that_thickens_over_water_is_hot_enough() -> None:
    got = opened(
        "4 egg yolks\n80 g sugar\n80 ml lemon juice\n250 ml cream\n\nWhisk the yolks with the sugar and the juice over simmering water until thick. Cool. Whip the cream and fold it in. Pour into six glasses. Chill."
    )
    assert "raw-egg" not in {r.id for r in got.lint}


@pytest.mark.parametrize("told", ["until cold", "until it is cold", "till cold"])
def test_a_roll_left_until_cold_has_cooled(told: str) -> None:
    assert kinds(f"{ROLL}Turn out onto a cloth and roll up in the cloth {told}. Unroll.")[4:] == [
        "turn-out",
        "roll",
        "cool",
        "plain",
    ]


@pytest.mark.parametrize(
    ("told", "asked"),
    [("Roast the hazelnuts. ", True), ("Roast the hazelnuts at 160 °C for 12 minutes. ", False)],
)
def test_a_roast_without_its_time_is_asked_about(told: str, asked: bool) -> None:
    got = opened(
        f"4 egg whites\n200 g sugar\n100 g hazelnuts\n\n{told}Whip the whites with the sugar until stiff. Fold in the nuts. Spread on a 30 x 40 cm tray and bake at 150 °C for 40 minutes."
    )
    assert any(q.field == "time" and "roasts" in q.text for q in got.questions) is asked
