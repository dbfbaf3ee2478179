"""Single sentences of a method: what they tell one to do, how much, how long, how hot, in what."""

from __future__ import annotations

import pytest

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.clauses import clauses
from kindwhisk.core.reading.method.language import language_of
from kindwhisk.core.reading.method.said import degrees, length, portions
from kindwhisk.core.reading.method.sentences import sentences
from kindwhisk.core.reading.method.shares import Share, mentions
from kindwhisk.core.reading.method.verbs import GRAMMARS
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.tins_named import find_tins

EGGS = EggSize.EU_M


@pytest.mark.parametrize(
    ("text", "language"),
    [
        ("Whisk the eggs and the sugar until thick", "en"),
        ("Montez les blancs en neige avec le sucre", "fr"),
        ("Montate gli albumi con lo zucchero", "it"),
        ("卵白を泡立てる", "ja"),
        ("Đánh lòng trắng với đường", "vi"),
        ("2 + 2", "en"),
    ],
)
def test_a_text_tells_its_language(text: str, language: str) -> None:
    assert language_of(text) == language


@pytest.mark.parametrize(
    ("sentence", "acts"),
    [
        ("Whisk the eggs and sugar over simmering water, then whip until cold.", [Act.BEAT, Act.WHIP]),
        ("Sift the flour over and fold in.", [Act.SIFT, Act.FOLD]),
        ("In a clean bowl beat the whites to soft peaks.", [Act.BEAT]),
        ("For the filling whip the cream.", [Act.WHIP]),
        ("Add the oil and mix.", [Act.ADD, Act.MIX]),
        ("Line a tray with paper and heat the oven to 180 °C.", [Act.PREPARE, Act.PREHEAT]),
        ("Bake until firm and set.", [Act.BAKE]),
        ("Pipe, rest for 30 minutes, bake macarons at 145 °C for 14 minutes.", [Act.PIPE, Act.REST, Act.BAKE]),
        ("Turn off the oven and leave it to cool.", [Act.NOTHING, Act.COOL]),
        ("Whites stiff with the other half.", [Act.WHIP]),
        ("24 cm springform, 180 C, 30 min.", [Act.POUR, Act.BAKE]),
        ("Whisk in the vanilla and cream of tartar.", [Act.BEAT]),
        ("Peel off the paper and roll up while warm.", [Act.HAND, Act.ROLL]),
        ("Fouettez les jaunes, incorporez la farine.", [Act.BEAT, Act.FOLD]),
        ("Montate la panna con lo zucchero e incorporatela.", [Act.WHIP, Act.FOLD]),
        ("卵黄と砂糖を混ぜ、油を加えて混ぜる。", [Act.MIX, Act.ADD, Act.MIX]),
        ("Thêm dầu và sữa, khuấy đều.", [Act.ADD, Act.MIX]),
        ("It is a lovely cake.", []),
    ],
)
def test_a_sentence_tells_what_to_do(sentence: str, acts: list[Act]) -> None:
    grammar = GRAMMARS[language_of(sentence)]
    assert [c.act for c in clauses(sentence, grammar)] == acts


def test_a_long_run_of_words_is_cut_and_none_of_them_lost() -> None:
    words = " ".join(f"word{n}" for n in range(200))
    assert " ".join(sentences(words)) == words
    assert max(map(len, sentences(words))) <= 380


@pytest.mark.parametrize(
    ("text", "ingredient", "share"),
    [
        ("half the sugar", "sugar", Share(fraction=0.5)),
        ("the remaining sugar", "sugar", Share(rest=True)),
        ("the rest of the sugar", "sugar", Share(rest=True)),
        ("50 g sugar", "sugar", Share(grams=50)),
        ("80 g đường còn lại", "sugar", Share(grams=80)),
        ("a third of the cream", "cream-35", Share(fraction=1 / 3)),
        ("metà dello zucchero", "sugar", Share(fraction=0.5)),
        ("le reste du sucre", "sugar", Share(rest=True)),
        ("グラニュー糖30g", "sugar", Share(grams=30)),
        ("the sugar", "sugar", Share()),
    ],
)
def test_a_share_is_read_with_its_name(text: str, ingredient: str, share: Share) -> None:
    found = mentions(text, EGGS)[0]
    assert found.ingredient == ingredient
    assert found.share == share


@pytest.mark.parametrize(
    ("text", "low", "high"),
    [
        ("for 1 1/2 hours", 90, 90), ("25-30 minutes", 25, 30), ("overnight", 600, 600), ("for half an hour", 30, 30),
        ("for an hour and a quarter", 75, 75), ("five minutes", 5, 5), ("several hours", 240, 240),
        ("une nuit", 600, 600), ("for twenty-five minutes", 25, 25), ("bake thirty to thirty-five minutes", 30, 35),
        ("one hour and twenty minutes", 80, 80), ("an hour and ten minutes", 70, 70), ("vingt minutes", 20, 20),
        ("trenta minuti", 30, 30), ("three-quarters of an hour", 45, 45), ("one and a half hours", 90, 90),
    ],
)  # fmt: skip
def test_times_in_figures_and_words(text: str, low: float, high: float) -> None:
    found = length(text)
    assert found is not None
    assert (found.low, found.high) == (low, high)


@pytest.mark.parametrize(
    ("text", "celsius"),
    [
        ("to 118", 118),
        ("until 42 degrees", 42),
        ("240 °F", 116),
        ("add 120 g", None),
        ("to 30 minutes", None),
        ("at one hundred and sixty degrees", 160),
    ],
)
def test_degrees_need_no_unit_where_they_can_be_nothing_else(text: str, celsius: float | None) -> None:
    assert degrees(plain(text)) == celsius


@pytest.mark.parametrize(
    ("text", "count"),
    [
        ("in three additions", 3),
        ("in thirds", 3),
        ("en trois fois", 3),
        ("3回に分けて", 3),
        ("now", 1),
        ("in six goes", 6),
        ("in cinque volte", 5),
    ],
)
def test_additions_are_counted(text: str, count: int) -> None:
    assert portions(text) == count


@pytest.mark.parametrize(
    ("text", "found"),
    [
        ("Divide between two 20 cm round tins.", [("20 cm round", 2)]),
        ("Line two 30 x 40 cm trays.", [("30 x 40 cm sheet", 2)]),
        ("a greased 9x13 pan", [("23 x 33 cm rectangular", 1)]),
        ("Pour the two batters into a 17 cm chiffon pan", [("17 cm tube", 1)]),
        ("Pipe 8 cm fingers onto two trays.", []),
        ("two six inch round tins", [("15 cm round", 2)]),
        ("five 8 cm round tins", [("8 cm round", 5)]),
        ("28cm角の天板", [("28 x 28 cm sheet", 1)]),
    ],
)
def test_tins_are_counted_and_pieces_are_none(text: str, found: list[tuple[str, int]]) -> None:
    assert [(t.tin.name, t.count) for t in find_tins(text)] == found


@pytest.mark.parametrize(
    ("text", "grams"),
    [("add one whole egg", True), ("add the eggs one at a time", False), ("one egg at a time", False)],
)
def test_one_egg_is_one_and_one_at_a_time_is_none(text: str, grams: bool) -> None:
    assert (mentions(text, EGGS)[0].share.grams is not None) is grams


def test_nobody_counts_two_hundred_berries() -> None:
    assert read_line("200 raspberries", EGGS).grams == 200
    few = read_line("20 raspberries", EGGS).grams
    assert few is not None
    assert few > 25
