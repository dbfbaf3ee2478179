"""Amounts in a line: numbers, mixed fractions, ranges and words for numbers, each with its unit."""

from __future__ import annotations

import re
from functools import cache, lru_cache
from typing import NamedTuple

from kindwhisk.core.reading.conversion import to_inside
from kindwhisk.core.reading.plain import REMEMBERED
from kindwhisk.core.reading.units import BEFORE_NUMBER, UNITS, Unit

NUMBER = r"(?:\d+\s+(?:and\s+|&\s*)?\d+/\d+|\d+-\d+/\d+|\d+/\d+|\d{1,3}(?:,\d{3})+(?!\d)|\d+(?:[.,]\d+)?|\.\d+)"
OF = re.compile(r"(?:\bof|\bde|\bd'|\bdi)\s*$")
WORDS: dict[str, float] = {
    "a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5, "six": 6, "seven": 7, "eight": 8, "nine": 9,
    "ten": 10, "eleven": 11, "twelve": 12, "fifteen": 15, "dix": 10, "dieci": 10, "half": 0.5, "half a": 0.5, "half an": 0.5, "a half": 0.5, "a quarter": 0.25,
    "quarter": 0.25, "one half": 0.5, "one quarter": 0.25, "three quarters": 0.75, "a dozen": 12, "dozen": 12,
    "half a dozen": 6, "a couple of": 2, "couple of": 2, "a few": 3, "few": 3, "one and a half": 1.5,
    "un": 1, "une": 1, "deux": 2, "trois": 3, "quatre": 4, "cinq": 5, "sept": 7, "huit": 8, "douze": 12, "quinze": 15, "vingt": 20, "trente": 30, "quarante": 40, "demi": 0.5, "un demi": 0.5,
    "une demi": 0.5, "uno": 1, "una": 1, "due": 2, "tre": 3, "quattro": 4, "cinque": 5, "sei": 6, "sette": 7, "otto": 8, "nove": 9, "dodici": 12, "quindici": 15, "venti": 20, "trenta": 30, "quaranta": 40, "mezzo": 0.5,
    "mezza": 0.5, "một": 1, "hai": 2, "ba": 3, "bốn": 4, "năm": 5, "sáu": 6, "nửa": 0.5, "半": 0.5,
}  # fmt: skip
_TENS = {"twenty": 20, "thirty": 30, "forty": 40, "fifty": 50, "sixty": 60, "seventy": 70, "eighty": 80, "ninety": 90}
_ONES = ("one", "two", "three", "four", "five", "six", "seven", "eight", "nine")
_TEENS = {"thirteen": 13, "fourteen": 14, "sixteen": 16, "seventeen": 17, "eighteen": 18, "nineteen": 19}
WORDS.update({**_TENS, **_TEENS})
WORDS.update({f"{t}{s}{o}": v + n + 1 for t, v in _TENS.items() for n, o in enumerate(_ONES) for s in (" ", "-")})
WORDS.update({f"hundred and {ten}": 100 + value for ten, value in _TENS.items()})
for _n, _one in enumerate(("a", *_ONES)):
    _hundreds = 100 * max(1, _n)
    WORDS[f"{_one} hundred"] = _hundreds
    for _ten, _value in {**_TENS, "twenty-five": 25, "seventy-five": 75, "five": 5, "ten": 10, "fifteen": 15}.items():
        if _one in {"one", "two"}:
            # How an oven's heat is spoken: “one seventy”.
            WORDS[f"{_one} {_ten}"] = _hundreds + _value
        WORDS[f"{_one} hundred and {_ten}"] = WORDS[f"{_one} hundred {_ten}"] = _hundreds + _value
_WORD = "|".join(sorted((re.escape(w) for w in WORDS), key=len, reverse=True))
_COUNTING = sorted(
    (w for w, n in WORDS.items() if (n > 1 and "few" not in w and "couple" not in w) or w == "one"),
    key=len,
    reverse=True,
)
_COUNTED = re.compile(rf"(?<![\w-])(?:{'|'.join(re.escape(w) for w in _COUNTING)})(?![\w'])")
_RANGE = r"\s*(?:-|to|or|à|ou|o|a|đến|から)\s*"
_ABOUT = r"(?:(?:about|approx\.?|approximately|around|circa|env\.?|environ|ca\.?|khoảng|scant|heaping|heaped|generous|level)(?!\w)|約)?\s*"
BARE = ("pinch", "dash", "drop", "knob", "handful")
"""Units that stand for one where no number is given: ``pinch of salt``."""
FEW: dict[str, tuple[float, str]] = {
    "数滴": (3.0, "滴"),
    "quelques gouttes": (3.0, "gouttes"),
    "qualche goccia": (3.0, "gocce"),
}
PLUS = re.compile(r"^\s*(?:\)\s*)?(?:plus|and|\+|&|et|e|và|more)\s+$|^\s*(?:\+|と)\s*$")


class Amount(NamedTuple):
    """A number, or a range, with its unit; ``start`` and ``end`` are where it stands in the text."""

    low: float
    high: float
    unit: Unit | None
    start: int
    end: int

    @property
    def middle(self) -> float:
        """The number, or the middle of the range."""
        return (self.low + self.high) / 2


def number(text: str) -> float:
    """A number as written: ``1 1/2``, ``1-1/2``, ``0,5``, ``1,000``, ``three``.

    Raises:
        ValueError: it divides by nothing.
    """
    word = text.strip()
    if word in WORDS:
        return WORDS[word]
    if re.fullmatch(r"\d{1,3}(,\d{3})+", word):
        return float(word.replace(",", ""))
    total = 0.0
    for part in re.sub(r"-|&|\band\b", " ", word).replace(",", ".").split():
        top, _, bottom = part.partition("/")
        if bottom and float(bottom) == 0:
            raise ValueError("a fraction over nothing")
        total += float(top) / float(bottom) if bottom else float(part)
    return total


@lru_cache(maxsize=REMEMBERED)
def in_figures(text: str) -> str:
    """A plain text with its numbers in figures: ``for twenty-five minutes`` is ``for 25 minutes``."""
    return _COUNTED.sub(lambda m: f"{WORDS[m[0]]:g}", text)


_NUMBER_WORD = f"(?:{'|'.join(re.escape(w) for w in _COUNTING)})"
_RANGED = re.compile(rf"({_NUMBER_WORD})(?:-| to | or )({_NUMBER_WORD})")
"""“Thirty to forty”, “thirty-sixty”; “thirty-five” is one number."""
_FIGURED = re.compile(
    rf"(?<![\w-]){_NUMBER_WORD}(?:(?:-| to | or ){_NUMBER_WORD})?(?=[ -]?(?:min|mins|minutes?|hours?|hrs?|h|cm|centimet\w+|mm|degrees?|°|tbsp|tsp|tablespoons?|teaspoons?)(?!\w))"
)


@lru_cache(maxsize=REMEMBERED)
def measures_in_figures(text: str) -> str:
    """A plain text with what is measured in figures: “twenty to thirty minutes” is 20 to 30, “the two halves” stay two."""
    return _FIGURED.sub(_in_figures_too, text)


def _in_figures_too(match: re.Match[str]) -> str:
    two = _RANGED.fullmatch(match[0]) if match[0] not in WORDS else None
    return "-".join(map(in_figures, two.groups())) if two is not None else in_figures(match[0])


@cache
def _unit_pattern() -> str:
    names = sorted(UNITS, key=len, reverse=True)
    return "|".join(re.escape(n) + (r"(?![\w])" if n[-1].isascii() and n[-1].isalnum() else "") for n in names)


@cache
def _patterns() -> tuple[re.Pattern[str], re.Pattern[str]]:
    figure = rf"(?P<first>{NUMBER})(?:{_RANGE}(?P<second>{NUMBER}))?"
    word = rf"(?:(?<!\w)(?P<word>{_WORD})(?![\w']))"
    units = _unit_pattern()
    after = re.compile(rf"(?:{figure}|{word})\s*-?\s*(?:{_ABOUT})(?P<unit>{units})?", re.IGNORECASE)
    before_names = "|".join(re.escape(n) for n in sorted(BEFORE_NUMBER, key=len, reverse=True))
    before = re.compile(
        rf"(?P<unit>{before_names})\s*(?:(?P<first>{NUMBER})(?:と(?P<more>\d/\d))?(?:{_RANGE}(?P<second>{NUMBER}))?|(?P<word>半))"
    )
    return after, before


@cache
def _bare_units() -> re.Pattern[str]:
    names = sorted((n for n, unit in UNITS.items() if unit.name in BARE), key=len, reverse=True)
    return re.compile("|".join(rf"(?<!\w){re.escape(n)}(?!\w)" if n.isascii() else re.escape(n) for n in names))


@lru_cache(maxsize=REMEMBERED)
def amounts(text: str) -> tuple[Amount, ...]:
    """Every amount in a plain text, in order. A word for a number counts only in front of a unit or at the start."""
    after, before = _patterns()
    found: list[Amount] = []
    taken: list[tuple[int, int]] = []

    def free(start: int, end: int) -> bool:
        return all(end <= a or start >= b for a, b in taken)

    for pattern in (before, after):
        for match in pattern.finditer(text):
            if not free(match.start(), match.end()):
                continue
            groups = match.groupdict()
            word = groups.get("word")
            unit = UNITS.get(groups["unit"]) if groups.get("unit") else None
            if word and unit is None and match.start() > 1 and not OF.search(text[: match.start()]):
                continue
            try:
                low = number(word or match["first"])
                low += number(groups["more"]) if groups.get("more") else 0.0
                high = number(match["second"]) if groups.get("second") else low
            except ValueError:
                continue
            end = match.end() if unit or not word else match.start() + len(word)
            low, high = min(low, high), max(low, high)
            found.append(Amount(low, high, unit, match.start(), end))
            taken.append((match.start(), end))
    return tuple(sorted(found, key=lambda a: a.start)) or _bare(text)


def _bare(text: str) -> tuple[Amount, ...]:
    """One pinch, dash or knob, where a line says no number."""
    for words, (few, sign) in FEW.items():
        if words in text:
            return (Amount(few, few, UNITS[sign], text.index(words), text.index(words) + len(words)),)
    match = _bare_units().search(text)
    return (Amount(1.0, 1.0, UNITS[match[0]], match.start(), match.end()),) if match is not None else ()


def joined(text: str, first: Amount, second: Amount) -> bool:
    """Whether two neighbouring amounts are one: ``1/2 cup plus 1 tablespoon``, ``1 lb 4 oz``."""
    between = text[first.end : second.start]
    if PLUS.match(between):
        return True
    same_kind = first.unit is not None and second.unit is not None and first.unit.kind == second.unit.kind
    return same_kind and not between.strip() and first.unit != second.unit


def inside(amount: Amount) -> tuple[float, float]:
    """Low and high in grams or millilitres, by the unit; a plain count stays a count."""
    unit = amount.unit
    if unit is None or unit.measure is None:
        return amount.low, amount.high
    factor = to_inside(1.0, unit.measure) * unit.times
    return amount.low * factor, amount.high * factor
