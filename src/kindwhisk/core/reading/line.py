"""One ingredient line, to grams with a range, what it holds for whom, a note, and how sure that is."""

from __future__ import annotations

import math
import re
from functools import reduce

from kindwhisk.core.ingredients import Ingredient, counts_as, ingredient
from kindwhisk.core.ingredients.allergens import ordered
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.reading.amounts import PLUS
from kindwhisk.core.reading.names import EGG_SHAPED, Named, Shelf, find_all
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.shells import SHELLED, in_shell, out_of_the_shell
from kindwhisk.core.reading.understanding import Meaning, understand
from kindwhisk.core.reading.units import MEASURES, TO_TASTE, UnitKind
from kindwhisk.core.reading.weighing import Choice, Group, Weighed, best_of, groups_of, multiplied, weigh, weigh_unknown
from kindwhisk.core.values.model import Value

LEAST_BARE_G, MOST_EGGS, MOST_PIECES = 5.0, 31.0, 60.0
PRESSED, MOST_PRESSED = ("-juice", "-puree"), 12.0
"""A plain number is grams from the first on where nothing is counted, and where eggs or pieces would be more than the
others: nobody counts 200 raspberries."""
MOST_G = 100_000.0
"""The most that is taken of one line; 99999 cups are a slip of the finger, and asked about."""
DISAGREE = 0.15
"""Two statements of one amount further apart than this are reported."""
PREPARED = (
    "separated", "sifted", "melted", "softened", "room temperature", "cold", "beaten", "chopped", "toasted", "packed",
    "divided", "strained", "peeled", "blanched", "warm", "freshly squeezed",
)  # fmt: skip
SURE = {
    "weight": 0.98, "liquid measure": 0.93, "dry measure": 0.8, "eggs": 0.85, "packet": 0.6, "pieces": 0.6,
    "pinch": 0.6, "guess": 0.4, "unknown pieces": 0.15,
}  # fmt: skip


class ReadLine(Value):
    """What a line was read as.

    Attributes:
        ingredient: None where it is not understood; ``unknown`` then holds its own words.
        grams: None where it gives no amount.
        sure: 0 (a guess) to 1 (a weight of something known).
        stated: grams by each way in which the line states its amount, when there are several.
        choices: weights of the usual packs, where the line means one of them.
        left_g: what stays in a pack of which a part is taken, in g; ``left`` says it.
        skipped: words taken for a maker's name.
        instead: what the line offers in its place; what that holds counts among ``allergens_often``.
        allergens, allergens_often: by name; empty and ``allergens_unknown`` where it is not understood.
        check_label: whether its label tells more than a table can.
        piece: whether it stays in pieces.
    """

    text: str
    ingredient: str | None
    name: str
    unknown: str = ""
    grams: float | None
    low_g: float | None
    high_g: float | None
    sure: float
    note: str = ""
    by: str = ""
    prepared: tuple[str, ...] = ()
    stated: tuple[float, ...] = ()
    count: float | None = None
    choices: tuple[Choice, ...] = ()
    left_g: float = 0.0
    left: str = ""
    skipped: str = ""
    instead: str = ""
    allergens: tuple[str, ...] = ()
    allergens_often: tuple[str, ...] = ()
    allergens_unknown: bool = False
    check_label: bool = False
    piece: bool = False


REWORDED: tuple[tuple[re.Pattern[str], str], ...] = tuple(
    (re.compile(pattern, re.IGNORECASE), words)
    for pattern, words in (
        # “Oil,60,ml”: a row of a table.
        (r"^([^,;\d]+)[,;]\s*(\d[\d./]*)\s*[,;]\s*([^\W\d]{1,6})\s*$", r"\1 \2 \3"),
        # “Eggs (4)”: how many; with another number in the line it is which of several.
        (r"^([^\d(（]*[^\d\s(（])\s*[(（](\d{1,2})[)）]\s*$", r"\1 \2"),
        # “Albumi g 180”.
        (r"^([^\d,]+?)\s+(g|gr|ml|cl|kg)\.?\s*(\d+)\s*$", r"\1 \3 \2"),
        # “Egg yolks ×3”.
        (r"(?<=[^\W\d])(?:\s*×|\s+x)\s*(\d{1,2})\s*$", r" x \1"),
        (r"^(?:the )?pulp of (?=\d)", ""),
        (SHELLED, ""),
        (r"(?<=\w) tách (?:riêng )?lòng đỏ(?: và|,)? lòng trắng$", ", tách"),
        # “1 tbsp instant coffee in 1 tbsp hot water”.
        (
            r"(?<=[^\W\d]),? (?:dissolved |mixed )?in (?:\d[\d./]*|[½¼¾]|a little|a few|an?|one|two) ?(?:\w+ )?(?:of )?(?:hot|boiling|warm|cold) water$",
            "",
        ),
        # “110 g of egg white (2 x 55 g)”: in which parts it will be used.
        (r"\s*\(\d ?[x×] ?\d+ ?g\)", ""),
        # “Vỏ 1 quả cam”: the peel of one orange.
        (r"vỏ (\d+) (?:quả|trái) (\w+)", r"\1 vỏ \2"),
    )
)
"""Ways to write a line that come to a plainer one."""
OF_EGGS = re.compile(
    r"^(?:the )?(whites?|yolks?) of (\d+|one|two|three|four|five|six|seven|eight) (?:large |medium |small )?eggs?(?!\w)"
)
"""“Whites of 3 eggs”."""
PERCENT = re.compile(r"\d+(?:[.,]\d+)? ?%")
"""How much cocoa or fat it has is no amount of it."""
NUMBERED = re.compile(r"\(?(?<!\w)(?:no|nr|n°|nº|num)[. ]{1,2}\d{1,2}(?!\d)\)?|\(\d\)$|(?<=[a-z] )i{1,3}(?= \d|$)")
"""Which of several it is: ``egg white (no. 2)``."""


def _spoons(text: str) -> str:
    """T and t are a table- and a teaspoon where they stand behind a number."""
    text = re.sub(r"(?<=[\d½¼¾⅓⅔])\s*T\b(?!\w)", " tbsp", text)
    return re.sub(r"(?<=[\d½¼¾⅓⅔])\s*t\b(?![\w'])", " tsp", text)


def _without_amounts(line: str, groups: list[Group]) -> str:
    """The line with what is measured blanked: a coffee spoon is no coffee. Words for pieces and packs stay."""
    for group in groups:
        if group.kind() in {None, UnitKind.PIECE}:
            continue
        end = group.start
        for part in group.parts:
            # What stands between two amounts that are one goes with them; a name between them stays.
            start = end if PLUS.match(line[end : part.start]) else part.start
            line = line[:start] + " " * (part.end - start) + line[part.end :]
            end = part.end
    return line


def _about(item: Ingredient, instead: Named | None) -> dict[str, object]:
    other = ingredient(instead.ingredient) if instead else None
    may_be = {*item.often, *((*other.allergens, *other.often) if other else ())} - set(item.allergens)
    return {
        "ingredient": item.id,
        "name": item.name,
        "allergens": item.allergens,
        "allergens_often": ordered(may_be),
        "instead": instead.words if instead else "",
        "allergens_unknown": not item.allergens_known,
        "check_label": item.check_label,
        "piece": item.piece is not None,
    }


def _unknown(base: dict[str, object], line: str, meaning: Meaning, groups: list[Group]) -> ReadLine:
    words = meaning.unknown or line[:80]
    weighed = weigh_unknown(best_of(groups)) if groups else None
    note = "Not known here: say what it is, or read its label." if line else "An empty line."
    return ReadLine.model_validate(
        {
            **base,
            "ingredient": None,
            "name": words,
            "unknown": words if line else "",
            "grams": weighed and round(weighed.likely, 2),
            "low_g": weighed and round(weighed.low, 2),
            "high_g": weighed and round(weighed.high, 2),
            "sure": 0.1,
            "note": f"{note} {weighed.note if weighed else ''}".strip(),
            "by": weighed.by if weighed else "",
            "instead": meaning.instead.words if meaning.instead else "",
            "allergens_unknown": bool(line),
        }
    )


def read_line(text: str, eggs: EggSize = EggSize.EU_M, shelf: Shelf = ()) -> ReadLine:
    """Read one ingredient line.

    Args:
        text: such as ``1/2 cup plus 1 tablespoon caster sugar, divided``, in English, French, Italian, Japanese or
            Vietnamese.
        eggs: the class that ``3 eggs`` means where the line names none; packs are those of its country.
        shelf: names of the kitchen's own goods.

    Never raises: what is not understood comes back as an unknown good with its own words, and ``sure`` near 0.
    """
    plainer = reduce(lambda line, to: to[0].sub(to[1], line), REWORDED, text)
    line = OF_EGGS.sub(r"\2 egg \1", NUMBERED.sub(" ", plain(_spoons(plainer))))
    counted = PERCENT.sub(lambda m: " " * len(m[0]), line)
    groups = multiplied(counted, groups_of(counted))
    meaning = understand(_without_amounts(line, groups_of(line)), text, shelf)
    prepared = tuple(p for p in PREPARED if re.search(rf"\b{p}\b", line))
    base: dict[str, object] = {"text": text.strip()[:400], "prepared": prepared}
    if meaning.ingredient is None:
        return _unknown(base, line, meaning, groups)
    item = ingredient(meaning.ingredient)
    second = _second(line, item.id)
    if second is not None and set(ingredient(second.ingredient).allergens) - set(item.allergens):
        # What it holds must not be lost beside the first.
        return _unknown(base, line, meaning._replace(unknown=line[:80]), groups)
    about = {**base, **_about(item, meaning.instead), "skipped": meaning.skipped}
    nothing = {"grams": None, "low_g": None, "high_g": None}
    if not groups:
        tasted = any(t in line for t in TO_TASTE)
        note = "To taste: no amount is given." if tasted else "No amount is given."
        return ReadLine.model_validate({**about, **nothing, "sure": 0.3 if tasted else 0.2, "note": note})
    every = [weigh(g, item, line, eggs) for g in groups]
    best = every[groups.index(best_of(groups))]
    bare = _bare_grams(groups, item, best, line)
    if bare is not None:
        every = [best := bare]
    if best.by == "weight" and counts_as(item.id) == "whole-egg" and in_shell(text):
        every = [best := out_of_the_shell(best)]
    if best.likely <= 0:
        note = f"What one {meaning.words} weighs is not known here: give grams."
        return ReadLine.model_validate({**about, **nothing, "sure": 0.15, "note": note, "by": best.by})
    stated = tuple(w.likely for w in every if w.likely > 0) if len(every) > 1 else ()
    sure, note = _sure(best, stated)
    if meaning.skipped:
        sure, note = min(sure, 0.8), f"{note} “{meaning.skipped}” is taken for a maker: read its label.".strip()
    if meaning.instead:
        note = f"{note} “{meaning.instead.words}” may stand in its place: it is not weighed here.".strip()
    beside = meaning.beside or (second.words if second else "")
    if beside:
        sure, note = min(sure, 0.5), f"{note} “{beside}” stands in it too: give it a line of its own.".strip()
    by_the_egg = bare is None and counts_as(item.id) in EGG_SHAPED and groups[0].kind() in {None, UnitKind.PIECE}
    return ReadLine.model_validate(
        {
            **about,
            "grams": round(best.likely, 2),
            "low_g": round(min(best.low, best.likely), 2),
            "high_g": round(max(best.high, best.likely), 2),
            "sure": round(sure, 2),
            "note": note,
            "by": best.by,
            "stated": stated,
            "count": groups[0].parts[0].middle if by_the_egg else None,
            "choices": best.choices,
            "left_g": round(best.left_g, 1),
            "left": best.left,
        }
    )


BAGGED = {
    "tea-black": re.compile(r"(?<!\w)(?:bags?|teabags?|sachets?|bustin[ae]|filtr[oi]|túi)(?!\w)|バッグ|袋"),
    "gelatine": re.compile(r"(?<!\w)(?:leaf|leaves|sheets?|feuilles?|fogli[oe]?|lá)(?!\w)|枚"),
}
"""What counts bags of tea or leaves of gelatine; without it a bare number is grams."""


def _bare_grams(groups: list[Group], item: Ingredient, best: Weighed, line: str) -> Weighed | None:
    """A number without a unit that can only be grams: ``125 sugar``, ``whites 150``."""
    first = groups[0].parts[0]
    little = item.id in BAGGED or item.id == "cream-of-tartar" or item.kind in {"leavener", "setting"}
    if (
        first.unit is not None
        or (first.low < LEAST_BARE_G and not little)
        or any(g.kind() in MEASURES for g in groups[1:])
    ):
        return None
    most = MOST_PIECES if best.by == "pieces" else math.inf
    if item.id in BAGGED and not BAGGED[item.id].search(line):
        most = 0.0
    if counts_as(item.id) in EGG_SHAPED:
        most = MOST_EGGS
    elif item.kind == "fat":
        most = LEAST_BARE_G
    elif item.id.endswith(PRESSED):
        most = MOST_PRESSED
    if best.likely > 0 and first.low < most:
        return None
    return Weighed(first.low, first.middle, first.high, "No unit is given: taken as grams.", "guess")


def _sure(best: Weighed, stated: tuple[float, ...]) -> tuple[float, str]:
    """How sure the best of several statements is, and what to say where they disagree."""
    sure, note = SURE[best.by], best.note
    far = [s for s in stated if abs(s / best.likely - 1) > DISAGREE]
    if far and best.by != "weight":
        return sure * 0.8, f"{note} It is stated in two ways that disagree.".strip()
    if far:
        return sure, f"{note} The measure beside it comes to {far[0]:.0f} g.".strip()
    return sure, note


def _second(line: str, first: str) -> Named | None:
    """Another ingredient with an amount of its own on the same line."""
    for other in find_all(re.split(r"\bfor\b|\bpour\b|\bper\b", line)[0]):
        if _another(other, first) and re.search(
            r"(?:plus|and|\+)\s+(?:\d|half|a |an |one |two )[^,;]*$", line[: other.start]
        ):
            return other
    return None


def _another(other: Named, first: str) -> bool:
    return other.ingredient != first and not first.startswith(other.ingredient)
