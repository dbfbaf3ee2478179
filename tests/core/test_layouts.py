"""The same recipe laid out in other ways is the same recipe: rows, headings, gaps, numbers, in any combination."""

from __future__ import annotations

from collections.abc import Callable

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.proposal import read
from tests.core.recipes.expected import nodes_of

Line = tuple[str, str, str]
Recipe = tuple[str, list[tuple[str, list[Line]]], list[str]]

ROLL: Recipe = (
    "Coffee roll",
    [
        ("Sponge", [("4", "", "eggs"), ("110", "g", "sugar"), ("90", "g", "plain flour"), ("20", "g", "butter")]),
        ("Filling", [("250", "ml", "cream"), ("25", "g", "icing sugar"), ("5", "g", "instant coffee")]),
    ],
    [
        "Warm the eggs with the sugar over simmering water to 42 °C, then whip to the ribbon.",
        "Sift the flour over and fold it in.",
        "Melt the butter and fold it in.",
        "Spread on a 30 x 40 cm tray and bake at 200 °C for 10 minutes, until it springs back.",
        "Turn out on a cloth and leave to cool.",
        "Whip the cream with the icing sugar and the instant coffee to soft peaks.",
        "Spread the sponge with the cream and roll it up.",
        "Chill for 2 hours.",
    ],
)
CHIFFON: Recipe = (
    "Lemon chiffon cake",
    [
        (
            "Batter",
            [
                ("5", "", "egg yolks"),
                ("40", "g", "sugar"),
                ("60", "ml", "oil"),
                ("70", "ml", "milk"),
                ("100", "g", "cake flour"),
                ("1", "tsp", "baking powder"),
            ],
        ),
        ("Meringue", [("5", "", "egg whites"), ("70", "g", "sugar"), ("1/4", "tsp", "cream of tartar")]),
    ],
    [
        "Whisk the yolks with 40 g sugar until pale.",
        "Whisk in the oil and the milk.",
        "Sift in the flour and the baking powder and mix until smooth.",
        "Whip the whites with the cream of tartar, adding 70 g sugar in three parts, to firm peaks.",
        "Fold a third of the meringue into the batter, then fold in the rest.",
        "Pour into a 20 cm chiffon tin and bake at 160 °C for 45 minutes, until a skewer comes out clean.",
        "Turn upside down and leave to cool.",
        "Unmould.",
    ],
)
GENOISE_ROULEE: Recipe = (
    "Biscuit roulé au café",
    [
        ("Biscuit", [("4", "", "œufs"), ("110", "g", "sucre"), ("90", "g", "farine"), ("20", "g", "beurre")]),
        ("Crème", [("250", "ml", "crème liquide"), ("25", "g", "sucre glace"), ("5", "g", "café soluble")]),
    ],
    [
        "Chauffer les œufs et le sucre au bain-marie à 42 °C, puis fouetter jusqu'au ruban.",
        "Incorporer la farine tamisée.",
        "Faire fondre le beurre et l'incorporer.",
        "Étaler sur une plaque de 30 x 40 cm et cuire 10 minutes à 200 °C.",
        "Démouler sur un torchon et laisser refroidir.",
        "Fouetter la crème avec le sucre glace et le café soluble.",
        "Tartiner le biscuit de crème et rouler.",
        "Réserver 2 heures au réfrigérateur.",
    ],
)
ROWS: dict[str, str] = {
    "amount first": "{q} {u} {n}",
    "glued": "{q}{u} {n}",
    "amount last": "{n} {q} {u}",
    "columns": "{n}\t{q} {u}",
    "bullets": "- {q} {u} {n}",
    "stars": "* {q} {u} {n}",
    "boxes": "☐ {q}{u} {n}",
    "a dash between": "{n} - {q} {u}",
    "a colon between": "{n}: {q} {u}",
    "a comma between": "{n}, {q} {u}",
    "dotted": "{n} ....... {q} {u}",
    "a table": "{n} | {q} {u} |",
    "comma-separated": "{n},{q},{u}",
    "bracketed": "{n} ({q} {u})",
}
HEADINGS: dict[str, Callable[[str], str]] = {
    "bare": str,
    "with a colon": "{}:".format,
    "in capitals": str.upper,
    "as a mark-up heading": "### {}".format,
    "bold": "**{}**".format,
    "boxed": "[{}]".format,
    "none": lambda _: "",
}
HEADS = {
    "bare": ("Ingredients", "Method"),
    "with a colon": ("Ingredients:", "Directions:"),
    "in capitals": ("INGREDIENTS", "METHOD"),
    "as a mark-up heading": ("## Ingredients", "## Instructions"),
    "none": ("", ""),
}
STEPS: dict[str, str] = {
    "numbers": "{i}. {s}\n",
    "brackets": "{i}) {s}\n",
    "a number above": "{i}\n{s}\n",
    "steps": "Step {i}: {s}\n",
    "a step above": "Step {i}\n{s}\n",
    "bullets": "• {s}\n",
    "lines": "{s}\n",
    "paragraphs": "{s}\n\n",
    "one paragraph": "{s} ",
}


def laid_out(of: Recipe, row: str, heading: str, heads: str, step: str, gap: str) -> str:
    """A recipe's text in a layout, each part of it by its name in the tables above."""
    title, parts, steps = of
    above, below = HEADS[heads]
    blocks = [title, above]
    for name, lines in parts:
        rows = [ROWS[row].format(q=q, u=u, n=n).replace("  ", " ").replace(" )", ")").rstrip(" ,") for q, u, n in lines]
        blocks.append("\n".join(filter(None, [HEADINGS[heading](name), *rows])))
    blocks.append(below)
    method = "".join(STEPS[step].format(i=i, s=s) for i, s in enumerate(steps, 1))
    return gap.join(filter(None, blocks)) + (gap if below else "\n\n") + method


def told(text: str) -> list[str]:
    """Every step: its kind, what it takes of the list with grams, and the steps it takes."""
    formula = read(recipe.from_text(text), EggSize.EU_M).formula
    assert formula is not None
    return [
        f"{n.kind}: {', '.join([*(f'{i} {g:.0f}' for i, g in sorted(n.takes.items())), *n.parents])}"
        for n in nodes_of(formula)
    ]


PLAINLY = ("amount first", "with a colon", "bare", "numbers", "\n\n")
OF = {"roll": ROLL, "chiffon": CHIFFON, "roulé": GENOISE_ROULEE}
TOLD = {name: told(laid_out(of, *PLAINLY)) for name, of in OF.items()}


def test_the_plain_layout_is_read_in_full() -> None:
    assert [step.partition(":")[0] for step in TOLD["roll"]] == (
        "warm whip fold warm fold fill bake turn-out cool whip assemble roll chill".split()
    )
    assert TOLD["roulé"] == TOLD["roll"]
    assert [step.partition(":")[0] for step in TOLD["chiffon"]] == (
        "whip mix mix whip fold fold fill bake invert cool turn-out".split()
    )


@pytest.mark.parametrize("name", OF)
@pytest.mark.parametrize("row", ROWS)
def test_however_its_lines_are_written_it_is_the_same_recipe(name: str, row: str) -> None:
    assert told(laid_out(OF[name], row, *PLAINLY[1:])) == TOLD[name]


@pytest.mark.parametrize("heading", HEADINGS)
@pytest.mark.parametrize("gap", ["\n", "\n\n"], ids=["tight", "open"])
def test_however_its_parts_are_headed_it_is_the_same_recipe(heading: str, gap: str) -> None:
    for heads in HEADS:
        assert told(laid_out(ROLL, "amount first", heading, heads, "numbers", gap)) == TOLD["roll"], heads


@pytest.mark.parametrize("step", STEPS)
def test_however_its_steps_are_counted_it_is_the_same_recipe(step: str) -> None:
    for name, of in OF.items():
        assert told(laid_out(of, *PLAINLY[:3], step, "\n\n")) == TOLD[name], name


@given(
    st.sampled_from(list(OF)),
    st.sampled_from(list(ROWS)),
    st.sampled_from(list(HEADINGS)),
    st.sampled_from(list(HEADS)),
    st.sampled_from(list(STEPS)),
    st.sampled_from(["\n", "\n\n"]),
)
@settings(max_examples=60, deadline=None)
def test_in_any_layout_it_is_the_same_recipe(
    name: str, row: str, heading: str, heads: str, step: str, gap: str
) -> None:
    assert told(laid_out(OF[name], row, heading, heads, step, gap)) == TOLD[name]


FINGERS = {"whites": "120 g egg whites", "sugar": "80 g sugar", "yolks": "60 g egg yolks", "flour": "80 g flour"}
FINGERS_TOLD = (
    "Whip {whites} with {sugar} to stiff peaks. Fold in {yolks}, then sift over {flour} and fold. Pipe 7 cm fingers. "
    "Bake at 195 C for 9 minutes."
)


@pytest.mark.parametrize("label", ["{} ", "{}: ", "{}) ", "{} = "])
@pytest.mark.parametrize("letters", ["WSYF", "ABCD"])
def test_a_list_with_letters_is_the_same_with_its_foods(label: str, letters: str) -> None:
    called = dict(zip(FINGERS, letters, strict=True))
    rows = "\n".join(label.format(called[food]) + line for food, line in FINGERS.items())
    plain = "\n".join(FINGERS.values())
    by_food = FINGERS_TOLD.format(**{food: food for food in FINGERS})
    by_letter = f"Fingers\n\n{rows}\n\n{FINGERS_TOLD.format(**called)}"
    assert told(by_letter) == told(f"Fingers\n\n{plain}\n\n{by_food}")


def test_a_letter_may_stand_for_several_lines_and_is_still_a_word() -> None:
    rows = "A 100 g flour\n20 g cocoa, sifted\nB 120 g egg whites\nC 80 g sugar"
    got = read(recipe.from_text(f"Plan B\n\n{rows}\n\nWhip B with C. A third of A goes in. Fold A in."), EggSize.EU_M)
    assert got.title == "Plan B"
    assert [row.text for row in got.rows if row.kind == "sentence"] == [
        "Whip egg whites with sugar.",
        "A third of flour and cocoa goes in.",
        "Fold flour and cocoa in.",
    ]


def test_two_letters_are_no_list_of_letters() -> None:
    got = read(recipe.from_text("Cake\n\nA 20 cm tin\n4 eggs\n100 g sugar\n\nB 100 g flour\n\nWhip it."), EggSize.EU_M)
    assert any(row.text.startswith("B 100 g") for row in got.rows)
