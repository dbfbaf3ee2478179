# ruff: noqa: E501
"""The same work in other words: without articles, by somebody else, in figures or in words, in one row or in many."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.reading.amounts import measures_in_figures
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.method.clauses import clauses
from kindwhisk.core.reading.method.sentences import sentences
from kindwhisk.core.reading.method.verbs import GRAMMARS
from kindwhisk.core.reading.method.verbs.voices import as_english_tells
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.parts import RowKind
from kindwhisk.core.reading.parts.cutting import cut
from kindwhisk.core.reading.tins_named import find_tins
from tests.core.recipes.expected import done, kinds, opened

MERINGUE = "4 egg whites\n200 g sugar\n\n"
SPONGE = "4 eggs\n120 g sugar\n120 g flour\n\n"
FOAM = "Whip the eggs and sugar until thick. Fold in the flour. "
BAKED = "Bake in a 20 cm tin at 180 °C for 25 minutes. "
ROLL = f"{SPONGE}{FOAM}Spread on a 30 x 40 cm tray and bake at 200 °C for 9 minutes. "


def remarks(text: str) -> set[str]:
    return {r.id for r in opened(text).lint}


def acts(sentence: str, language: str = "en") -> list[str]:
    return [clause.act.value for clause in clauses(sentence, GRAMMARS[language])]


def lines(text: str) -> list[str | None]:
    return [line.ingredient for line in opened(text).lines]


# One thing told in two ways


@pytest.mark.parametrize(
    ("one", "other"),
    [
        # Notes leave out the articles.
        ("Turn the tin upside down on the rack until cold", "Turn tin upside down on rack until cold"),
        ("Spread it over the surface of the cake", "Spread it over surface of cake"),
        # Somebody did it.
        ("Whip the cream and fold in the lemon curd", "I whipped the cream and folded in the lemon curd"),
        ("Beat the egg whites until stiff and fold in", "I beat the egg whites until stiff and folded in"),
        ("Turn it out on a cloth, peel the paper off and roll it up", "turns it out on a cloth, peels the paper off and rolls it up"),
        # Other verbs for the same work.
        ("Spread the batter in the tin", "Smooth the batter in the tin"),
        ("Divide between the tins", "Share between the tins"),
        ("Peel off the paper, spread with jam", "Strip off the paper, spread with jam"),
        # Figures and words.
        ("Dry 30-60 minutes", "Dry thirty-sixty minutes"),
        ("Rest 45 minutes", "Rest forty-five minutes"),
        ("200C for 8-10 min", "200C for eight-ten min"),
        # What is done to each is done.
        ("Soak each with coffee and spread with cream", "Layer the discs in a ring, each soaked with coffee and spread with cream"),
        ("When they look like foam, add the sugar", "When they look like foam begin adding the sugar"),
    ],
)  # fmt: skip
def test_two_ways_to_say_one_thing(one: str, other: str) -> None:
    assert acts(one) == acts(other) != []


@pytest.mark.parametrize(
    ("notes", "told"),
    [
        ("Sift into large bowl", "into a large bowl"),
        ("Pour into lined tin", "into the lined tin"),
        ("Whites to foam, sugar in 3", "whites to foam"),
        ("Sugar on top", "sugar on top"),
        ("Whisk over hot water", "over hot water"),
    ],
)
def test_an_article_is_put_back_only_before_a_thing(notes: str, told: str) -> None:
    assert told in as_english_tells(notes.lower())


@pytest.mark.parametrize("rest", ["then rest", "rest by hand", "rest with spatula", "then the rest"])
def test_the_rest_of_the_whites_does_not_rest(rest: str) -> None:
    assert kinds(
        f"4 egg yolks\n120 g sugar\n60 ml oil\n100 g flour\n4 egg whites\n\nWhisk the yolks, oil and flour. Whip the whites with the sugar to firm peaks. Fold a third of the whites into the batter, {rest}. {BAKED}"
    ) == ["mix", "whip", "fold", "fold", "fill", "bake"]


@given(
    st.sampled_from(["twenty", "thirty-five", "forty", "fifty"]), st.sampled_from(["minutes", "min", "degrees", "cm"])
)
def test_what_is_measured_is_in_figures(number: str, unit: str) -> None:
    said = measures_in_figures(f"fold the two halves for {number} {unit}")
    assert "two halves" in said
    assert any(c.isdigit() for c in said)


@settings(max_examples=40)
@given(st.permutations(["Whisk the eggs.", "Bake at 180 °C.", "Cook to 118 °C.", "Rest 30 min."]))
def test_a_unit_with_its_point_ends_a_sentence(told: list[str]) -> None:
    """Whether or not the next one begins with a capital."""
    assert len(sentences(" ".join(told).lower())) == len(told)


# Whole recipes in few words


@pytest.mark.parametrize(
    ("text", "steps"),
    [
        # What stands over the water is warmed, whatever number the next sentence has.
        (
            f"{SPONGE}1. Put the eggs and sugar in a bowl set over simmering water.\n2. Whisk until warm.\n3. Whip until thick.\n4. Fold in the flour. {BAKED}",
            ["warm", "whip", "fold", "fill", "bake"],
        ),
        # A scoop of the batter, and back into the bowl with it.
        (
            f"{SPONGE}50 g melted butter\n\n{FOAM}Fold a scoop of this into the butter and return it to the bowl. {BAKED}",
            ["whip", "fold", "fold", "fold", "fill", "bake"],
        ),
        # Stiff whites that no sentence has whipped, and what was added before them.
        (
            f"4 eggs\n100 g sugar\n80 g flour\n\nBeat the yolks with the sugar until pale, add the flour, last the stiff whites. {BAKED}",
            ["whip", "whip", "mix", "fold", "fill", "bake"],
        ),
        # Sugar that was warmed in the oven is the whites'.
        (
            "4 egg whites\n200 g sugar\n\nSpread the sugar on a lined tray and warm it for 5 minutes. Whisk the whites until stiff. Add the hot sugar one spoonful at a time. Pipe kisses. Bake at 100 °C for 40 minutes.",
            ["warm", "whip", "pipe", "bake"],
        ),
        # A meringue inside a drawn circle stands free; one in rings does not.
        (f"{MERINGUE}Whip the whites with the sugar until stiff. Draw two circles on baking paper and spread the meringue inside them. Bake at 110 °C for 90 minutes.", ["whip", "pipe", "bake"]),
        (f"{MERINGUE}Whip the whites with the sugar until stiff. Spread into two 22 cm rings on silicone mats. Bake at 160 °C for 30 minutes.", ["whip", "fill", "bake"]),
        # Dissolved and boiled is one syrup, which waits until it is cold.
        (
            f"{SPONGE}60 g sugar\n60 ml water\n20 ml rum\n\n{FOAM}{BAKED}Dissolve the sugar in the water, bring to the boil and, when cold, add the rum. Brush the cake with the syrup.",
            ["whip", "fold", "fill", "bake", "boil", "rest", "mix", "soak"],
        ),
        # What is poured over a baked part lies on it, though a ring is named.
        (
            f"{SPONGE}300 ml cream\n\n{FOAM}{BAKED}Cool. Whip the cream to soft peaks. Pour the cream over the sponge in the ring.",
            ["whip", "fold", "fill", "bake", "cool", "whip", "assemble"],
        ),
        # A row of nouns: each once, a syrup first.
        (
            f"{ROLL}Cool.\n\nCream\n300 ml cream\n\nWhip the cream. Build: disc, cream, disc, cream.",
            ["whip", "fold", "fill", "bake", "cool", "whip", "assemble"],
        ),
        # Chilled with its ring, and freed after it.
        (
            f"{SPONGE}300 ml cream\n\n{FOAM}{BAKED}Cool. Whip the cream and spread it over the cake. Chill for 6 hours before removing the ring.",
            ["whip", "fold", "fill", "bake", "cool", "whip", "assemble", "chill", "turn-out"],
        ),
        # Upside down it rests by hanging.
        (f"{SPONGE}{FOAM}{BAKED}Rest it upside down between two cans for an hour.", ["whip", "fold", "fill", "bake", "invert", "cool"]),
        # “Cover with the second sponge” takes no cream.
        (
            f"{SPONGE}300 ml cream\n\n{FOAM}{BAKED}Cool. Whip the cream. Cut the sponge through once. Spread with half of the cream, cover with the second sponge, spread with the rest of the cream.",
            ["whip", "fold", "fill", "bake", "cool", "whip", "plain", "assemble", "assemble"],
        ),
    ],
)  # fmt: skip
def test_a_method_in_few_words(text: str, steps: list[str]) -> None:
    assert kinds(text) == steps


def test_eggs_that_no_sentence_whips_are_whipped_with_a_question() -> None:
    got = opened(f"{SPONGE}Mix the eggs and sugar together. Add the flour. {BAKED}")
    assert got.formula is not None
    assert any(q.field == "whip" for q in got.questions)
    assert [s.kind for s in got.formula.steps if not s.assumed and s.kind != "weigh"] == [
        "whip",
        "fold",
        "fill",
        "bake",
    ]


def test_a_part_is_called_by_its_heading_alone() -> None:
    steps = done(
        "Macarons\n\nTPT\n120 g almond flour\n120 g icing sugar\n\nMeringue\n100 g egg whites\n90 g sugar\n\nMethod\nsift the tpt. whip the whites with the sugar to stiff peaks. fold tpt into meringue, macaronage until ribbon. pipe shells. bake 145C 14 min."
    )
    assert steps[:3] == ["sift: almond-flour 120, icing-sugar 120", "whip: egg-white 100, sugar 90", "macaronage"]


def test_a_heading_that_is_a_food_of_its_list_means_the_food() -> None:
    """“Whip the cream with the sugar”, under “Cream”, leaves the chocolate alone."""
    steps = done(
        f"Sponge\n{SPONGE}Cream\n400 ml cream\n30 g icing sugar\n50 g dark chocolate\n\nMethod\n{FOAM}{BAKED}Cool. Whip the cream with the icing sugar. Cover the cake with it. Press the chocolate around the sides."
    )
    assert "whip: cream-35 400, icing-sugar 30" in steps
    assert "assemble: chocolate-dark 50" in steps


def test_of_two_sugars_the_one_next_to_the_water_is_boiled() -> None:
    steps = done(
        "Mousse\n250 g mango purée\n60 g sugar\n70 g egg whites\n100 g sugar\n30 g water\n250 g cream\n\nMethod\nCook the sugar and water to 118 °C. Whip the whites, pour in the syrup and whip until cold. Warm the purée with the sugar. Fold in the meringue. Whip the cream and fold it in. Pour into a ring and freeze for 4 hours."
    )
    assert "boil: sugar 100, water 30" in steps
    assert "warm: mango-puree 250, sugar 60" in steps


def test_separated_eggs_share_their_own_parts_sugar() -> None:
    steps = done(
        "Sponge\n4 eggs, separated\n150 g sugar\n120 g flour\n\nMeringue\n3 egg whites\n150 g sugar\n\nMethod\nWhisk the yolks with 75 g of the sugar until pale. Whisk the whites with the other 75 g of sugar to stiff peaks and fold into the yolks. Fold in the flour. Bake in a 20 cm tin at 180 °C for 25 minutes. Cool. For the meringue, warm the whites and sugar to 60 °C over simmering water, then whip to stiff peaks. Spread over the cake."
    )
    assert [s for s in steps if "sugar" in s] == ["whip: egg-yolk 70, sugar 75", "whip: egg-white 137, sugar 75", "warm: egg-white 103, sugar 150"]  # fmt: skip


# Lines and rows


@pytest.mark.parametrize(
    ("line", "grams"),
    [
        ("earl grey tea, ground 4", 4.0),
        ("2 bags of black tea", 4.0),
        ("gelatine 9", 9.0),
        ("9 leaves gelatine", 18.0),
        ("a stick of cinnamon", 3.0),
        ("a stick of butter", 113.4),
        ("Baking powder 4", 4.0),
    ],
)
def test_what_is_counted_and_what_is_weighed(line: str, grams: float) -> None:
    assert read_line(line, EggSize.EU_M).grams == pytest.approx(grams)


@pytest.mark.parametrize("line", ["otto albumi", "trois blancs d'œufs", "bốn lòng trắng", "eight egg whites"])
def test_a_number_is_counted_in_every_language(line: str) -> None:
    read_so = read_line(line, EggSize.EU_M)
    assert read_so.ingredient == "egg-white"
    assert (read_so.grams or 0) > 90


@pytest.mark.parametrize(
    ("text", "goods"),
    [
        # A list in one row with what is done to it.
        ("Roll\n\n4 eggs + 100 g sugar, whip\n90 g flour, sifted\n150 g cream + 12 g sugar, whip", ["whole-egg", "sugar", "plain-flour", "cream-35", "sugar"]),
        # Strokes between goods.
        ("Roll\n\negg yolks 4 / sugar 20g / milk 50g / oil 40g\nmix until smooth", ["egg-yolk", "sugar", "milk", "oil-neutral"]),
        # Two goods of one fruit, in the order of the words.
        ("Torta\n\n4 uova\n120 g di zucchero\nsucco e scorza di 1 limone\n\nMontare le uova.", ["whole-egg", "sugar", "lemon-juice", "lemon-zest"]),
        # “plus 2 extra whites”.
        ("Cake\n\n6 eggs, separated, plus 2 extra whites\n100 g sugar\n\nWhisk.", ["whole-egg", "egg-white", "sugar"]),
        # What praises the cake is no line of its list.
        ("Loaf\n\nA good way to use up whites.\n\n180 g egg whites\n90 g sugar\n\nWhisk.", ["egg-white", "sugar"]),
    ],
)  # fmt: skip
def test_rows_of_goods(text: str, goods: list[str]) -> None:
    assert lines(text)[: len(goods)] == goods


@pytest.mark.parametrize("tool", ["tea towel", "butter knife", "sugar thermometer", "coffee cup"])
def test_a_tool_is_no_food(tool: str) -> None:
    assert find_all(f"cover with a clean {tool} and wait") == []


def test_extra_whites_go_with_the_others() -> None:
    steps = done(
        f"Cake\n\n6 eggs, separated, plus 2 extra whites\n150 g sugar\n100 g flour\n\nWhisk the egg whites with the sugar to stiff peaks. Fold in the yolks and the flour. {BAKED}"
    )
    assert steps[0] == "whip: egg-white 274, sugar 150"


def test_flour_00_is_no_size() -> None:
    """“Farina 00” next to a tube tin once broke the reading."""
    assert find_tins("130 g di farina 00 tube tin") == []
    got = opened("Angel cake\n\nStampo da 24 cm\n10 albumi\n250 g di zucchero\n130 g di farina 00\n\nMontare gli albumi con lo zucchero. Incorporare la farina. Versare nello stampo e cuocere a 170 °C per 40 minuti.")  # fmt: skip
    assert got.formula is not None
    assert next(s for s in got.formula.steps if s.kind == "fill").tin.shape == "tube"


@pytest.mark.parametrize(
    "row", ["1.1 Sieve the almond flour.", "2.3 Fold in the flour.", "Mon: Fold in the flour.", "10.2. Bake the cake."]
)
def test_what_counts_or_dates_a_sentence_is_no_part_of_it(row: str) -> None:
    rows = cut(f"Cake\n\n100 g almond flour\n100 g flour\n4 eggs\n\nMethod\n{row}\nBake at 180 °C.").rows
    told = next(r.text for r in rows if r.kind is RowKind.SENTENCE)
    assert all(acts(s) for s in sentences(told))
    assert not sentences(told)[0][0].isdigit()


# Remarks only on what was surely read


def test_what_a_sentence_names_is_not_called_unused() -> None:
    text = f"{SPONGE}50 ml peach liqueur\n2 mangoes\n\n{FOAM}{BAKED}Reflect upon the liqueur. Contemplate a mango."
    assert "never-used" not in remarks(text)
    assert "never-used" in remarks(text.replace("Contemplate a mango.", ""))


def test_a_split_is_wrong_only_where_every_share_is_told() -> None:
    text = f"4 egg whites\n4 egg yolks\n200 g sugar\n100 g flour\n\nWhip the whites with 100 g of the sugar to stiff peaks. Beat the yolks until pale. {{}}Fold together with the flour. {BAKED}"
    assert "two-splits" in remarks(text.format(""))
    assert "two-splits" not in remarks(text.format("Ponder the rest of that sugar. "))


def test_an_oven_that_a_strange_sentence_tells_of_is_asked_about() -> None:
    strange = f"{SPONGE}{FOAM}Pour into a 20 cm tin. Thereupon the 25 minutes of 180 °C shall commence."
    assert not {"no-time", "no-temperature"} & remarks(strange)


def test_the_end_of_an_icing_is_not_the_end_of_a_bake() -> None:
    text = f"{SPONGE}150 g icing sugar\n30 ml lemon juice\n\n{FOAM}{BAKED}Mix the icing sugar and lemon juice until smooth. Cool the cake and pour the icing over it."
    assert "no-end-point" in remarks(text)
    assert "no-end-point" not in remarks(text.replace("Mix the icing", "It should be golden. Mix the icing"))


def test_what_the_list_calls_otherwise_is_listed() -> None:
    puree = f"{SPONGE}250 g sweetened chestnut purée\n\n{FOAM}{BAKED}Fold in the chestnut purée."
    assert "not-listed" not in remarks(puree)
    assert "not-listed" in remarks(puree.replace("in the chestnut", "in the raspberry"))


def test_a_heading_of_the_list_is_no_food_that_the_list_lacks() -> None:
    jam = f"Sponge\n{SPONGE}Jam\n200 g mascarpone\n30 g icing sugar\n\nMethod\n{FOAM}{BAKED}Cool. For the jam, beat the mascarpone with the icing sugar. Spread the jam over the cake."
    assert "not-listed" not in remarks(jam)
    assert "not-listed" in remarks(jam.replace("Jam\n", "Filling\n"))


def test_a_custard_that_is_boiled_again_is_not_raw() -> None:
    text = f"{SPONGE}500 ml milk\n4 egg yolks\n100 g sugar\n40 g cornflour\n\n{FOAM}{BAKED}Cool. Heat the milk. Whisk the yolks, the sugar and the cornflour, pour on the milk, return to the pan and boil for one minute. Cool. Spread over the cake."
    assert "raw-egg" not in remarks(text)
