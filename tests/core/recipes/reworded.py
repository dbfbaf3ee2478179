"""English recipes of the corpus in other words: the same work, told without articles, in the past, with other verbs."""

from __future__ import annotations

import re
from collections.abc import Callable
from dataclasses import replace

from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.parts import RowKind
from tests.core.recipes.expected import Expected, Score, compare, corpus

Told = Callable[[str], str]
PAST = {
    "add": "added", "bake": "baked", "beat": "beat", "boil": "boiled", "brush": "brushed", "chill": "chilled",
    "cook": "cooked", "cool": "cooled", "cover": "covered", "cut": "cut", "dissolve": "dissolved", "divide":
    "divided", "fill": "filled", "fold": "folded", "freeze": "froze", "grease": "greased", "heat": "heated",
    "invert": "inverted", "leave": "left", "line": "lined", "melt": "melted", "mix": "mixed", "pipe": "piped",
    "place": "placed", "pour": "poured", "put": "put", "remove": "removed", "roll": "rolled", "sift": "sifted",
    "spoon": "spooned", "spread": "spread", "sprinkle": "sprinkled", "stir": "stirred", "take": "took", "tap":
    "tapped", "tip": "tipped", "top": "topped", "turn": "turned", "warm": "warmed", "whip": "whipped", "whisk":
    "whisked",
}  # fmt: skip
"""English verbs of the trade in the past, written down here: the reader's own forms would be their own judge."""
_VERBS = "|".join(sorted(PAST, key=len, reverse=True))
_FIRST = re.compile(rf"^({_VERBS})(?= )", re.IGNORECASE)
_LATER = re.compile(rf"(?:(?<=, then )|(?<= and ))({_VERBS})(?= (?:the|it|in|them|on|with|until))")
_UNITS = (
    "zero one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen seventeen"
    " eighteen nineteen"
).split()
_TENS = ["", "", *"twenty thirty forty fifty sixty seventy eighty ninety".split()]
_NUMBER = re.compile(r"(?<![\d.,/x°])\b(\d{1,3})\b(?![\d.,/]|\s*(?:x|g\b|cm|mm|°|C\b|F\b|ml|%))")


def _in_words(number: int) -> str:
    if number < 20:
        return _UNITS[number]
    if number < 100:
        return _TENS[number // 10] + (f"-{_UNITS[number % 10]}" if number % 10 else "")
    return f"{_UNITS[number // 100]} hundred" + (f" and {_in_words(number % 100)}" if number % 100 else "")


def _past(sentence: str) -> str:
    begun = _FIRST.sub(lambda m: f"I {PAST[m[1].lower()]}", sentence)
    return _LATER.sub(lambda m: PAST[m[1]], begun) if begun != sentence else sentence


def _swapped(*pairs: tuple[str, str]) -> Told:
    def told(sentence: str) -> str:
        for old, new in pairs:
            sentence = re.sub(old, new, sentence)
        return sentence

    return told


def _led(word: str) -> Told:
    return lambda sentence: _FIRST.sub(lambda m: f"{word} {m[1].lower()}", sentence)


_NO_ARTICLES = _swapped((r"\b[Tt]he (?=\w)", ""), (r"\ban? (?=\w)(?!little|third|quarter|bit|spoon|few|half)", ""))
_BEATEN = _swapped((r"\bWhisk\b", "Beat"), (r"\bwhisk\b", "beat"), (r"\buntil\b", "till"), (r"\btin(s?)\b", r"pan\1"))
_TIPPED = _swapped(
    (r"\bMix\b", "Stir"),
    *((r"\bPour\b", "Tip"), (r"\bpour\b", "tip"), (r"\bAdd\b", "Tip in")),
    (r"\bSpread\b", "Smooth"),
)
TURNED: dict[str, Told] = {
    "without articles": _NO_ARTICLES,
    "beat for whisk, pan for tin": _BEATEN,
    "tip for pour, stir for mix": _TIPPED,
    "carefully": _swapped((r"\b[Ff]old\b(?! (?:over|the paper))", "Carefully fold")),
    "in small letters": str.lower,
    "in capitals": str.upper,
    "numbers in words": lambda s: _NUMBER.sub(lambda m: _in_words(int(m[1])), s),
    "min and C": _swapped((r" minutes", "min"), (r" ?°C", "C")),
    "degrees": _swapped((r" ?°C", " degrees")),
    "and for then": _swapped((r", then ", " and ")),
    "a semicolon for a comma": _swapped((r", then ", "; then ")),
    "now": _led("Now"),
    "you": _led("You"),
    "somebody did it": _past,
    "with an exclamation mark": _swapped((r"\.$", "!")),
}
"""Ways to say one thing, by what is other in them; each turns one sentence."""


def turned(want: Expected, way: str) -> Expected | None:
    """A recipe whose sentences are told in another way, with what it should become; None where that changes nothing."""
    text = want.text
    rows = {r.text for r in recipe.from_text(text).rows if r.kind is RowKind.SENTENCE and len(r.text) > 12}
    for sentence in sorted(rows, key=len, reverse=True):
        text = text.replace(sentence, TURNED[way](sentence))
    return None if text == want.text else replace(want, text=text)


def in_english(*, every: int = 1) -> list[Expected]:
    """English texts of the written corpus, or every so manieth of them."""
    texts = [w for w in corpus("written") if not w.text.lstrip().startswith("{") and w.keys.get("format") != "csv"]
    return [w for w in texts if recipe.from_text(w.text).language == "en"][::every]


def steps_kept(way: str, of: list[Expected]) -> tuple[Score, Score]:
    """Steps of recipes as they were written and as they are turned, against what they should become."""
    plainly, otherwise = Score(), Score()
    for want in of:
        if told := turned(want, way):
            for score, one in ((plainly, want), (otherwise, told)):
                steps = compare(one).steps
                score.add(steps.right, steps.expected, steps.found)
    return plainly, otherwise
