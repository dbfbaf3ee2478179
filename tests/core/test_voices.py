"""The same bake told in other voices is the same bake: a diary, a passive, “we”, “you'll”, a list of steps."""

from __future__ import annotations

import re
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.reading.method.verbs.persons import as_french_tells, as_italian_tells
from kindwhisk.core.reading.method.verbs.voices import as_english_tells
from tests.core.recipes.expected import done

HERE = Path(__file__).parent / "recipes" / "voices"
AFTER = ["fold", "fold", "fill", "bake", "invert", "cool", "turn-out"]


def chiffon(yolks: str = "mix", flour: str = "plain-flour") -> list[str]:
    """The chiffon's steps: how its yolks are begun, and what its flour is called in the language."""
    return [
        f"{yolks}: egg-yolk 70, sugar 30",
        "mix: oil-neutral 37, water 50",
        f"mix: {flour} 80",
        "whip: egg-white 137, sugar 50",
        *AFTER,
    ]


TOLD = {
    "chiffon": chiffon(flour="cake-flour"),
    "chiffon-fr": chiffon(),
    "chiffon-it": chiffon(yolks="whip"),
    "chiffon-ja": chiffon(flour="cake-flour"),
    "chiffon-vi": chiffon(),
    "roll": [
        "warm: sugar 100, whole-egg 206",
        "whip",
        "sift: cocoa 15, plain-flour 80",
        *["fold", "fill", "bake", "turn-out", "plain", "roll", "cool"],
        "whip: cream-35 250, sugar 25",
        *["plain", "assemble", "roll", "chill"],
    ],
}
NOT_YET = {
    ("chiffon", "question answer"),
    ("chiffon", "infinitive-like"),
    ("chiffon", "ellipsis dashes"),
    ("chiffon-fr", "commencez par"),
    ("chiffon-it", "noi"),
    ("chiffon-ja", "メモ"),
    ("roll", "noun style"),
}
"""Voices that have hardly a verb, or in which two steps run together: they are not read as the others are."""


def voices(name: str) -> list[tuple[str, str]]:
    """The voices of a file: what each is called, and what it says."""
    parts = re.split(r"^# ", (HERE / f"{name}.txt").read_text(), flags=re.M)[1:]
    return [(part.partition("\n")[0], part.partition("\n")[2]) for part in parts]


VOICES = [(name, voice, text) for name in TOLD for voice, text in voices(name) if (name, voice) not in NOT_YET]


@pytest.mark.parametrize(("name", "voice", "text"), VOICES, ids=[f"{name}-{voice}" for name, voice, _ in VOICES])
def test_a_bake_is_the_same_in_whatever_voice_it_is_told(name: str, voice: str, text: str) -> None:
    assert done(text) == TOLD[name], voice


@pytest.mark.parametrize(
    ("said", "told"),
    [
        ("the yolks are whisked with the sugar", "whisk the yolks with the sugar"),
        ("she folds in the flour and pours it into the tin", "she fold in the flour and pour it into the tin"),
        ("a third of the meringue is folded into the batter", "fold a third of the meringue into the batter"),
        ("the paper is peeled off and the sponge rolled up", "peel the paper off and roll up the sponge"),
        ("whites whisked with the sugar", "whisk whites with the sugar"),
        ("we're spreading it on a tray and baking it", "we spread it on a tray and bake it"),
        ("having sifted the flour, fold it in", "sift the flour, fold it in"),
        ("the glaze went over the roll", "pour the glaze over the roll"),
        ("bake until the top is browned", "bake until the top is browned"),
        ("fold, but don't overdo it: stop when smooth", "fold, but : stop when smooth"),
    ],
)
def test_whatever_the_voice_it_is_told_as_one_does_it(said: str, told: str) -> None:
    assert " ".join(as_english_tells(said).split()) == told


@pytest.mark.parametrize(
    ("said", "told"),
    [
        ("j'ai monté les blancs et j'ai versé le sirop", "monter les blancs et verser le sirop"),
        ("j'ai retourné et laissé refroidir", "retourner et laisser refroidir"),
        ("les blancs sont montés en neige", "monter les blancs en neige"),
        ("50 ml d'eau sont ajoutés", "ajouter 50 ml d'eau"),
        ("on bat les œufs, puis on les verse", "battez les œufs, puis versez-les"),
    ],
)
def test_a_french_cook_tells_it_of_herself(said: str, told: str) -> None:
    assert as_french_tells(said) == told


@pytest.mark.parametrize(
    ("said", "told"),
    [
        ("ho montato gli albumi", "montare gli albumi"),
        ("ho capovolto e lasciato raffreddare.", "capovolgere e lasciare raffreddare."),
        ("monto le uova e le verso", "monta le uova e versale"),
        ("abbiamo aggiunto l'olio", "aggiungere l'olio"),
    ],
)
def test_an_italian_cook_tells_it_of_herself(said: str, told: str) -> None:
    assert as_italian_tells(said) == told


COMMANDS = st.sampled_from(
    [
        "whisk the eggs with the sugar until thick",
        "fold in the flour",
        "pour into the tin",
        "bake at 170 c for 30 minutes",
        "turn out onto a rack",
        "leave to cool in the tin for ten minutes",
        "whip the cream with the icing sugar to soft peaks",
        "spread with jam",
        "stir in the melted butter",
    ]
)


@given(st.lists(COMMANDS, min_size=1, max_size=4), st.sampled_from([", ", ", then ", " and ", "; "]))
def test_what_is_told_plainly_is_left_as_it_is(commands: list[str], joint: str) -> None:
    text = joint.join(commands)
    assert as_english_tells(text) == text
