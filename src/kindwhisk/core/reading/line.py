"""One ingredient line, to grams with a range, a note, and how sure that is."""

from __future__ import annotations

import re

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.reading.amounts import Amount, amounts, inside, joined
from kindwhisk.core.reading.names import CONTENTS, COUNTS, EGG_SHAPED, Named, find, find_all
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.units import CONTAINERS, TO_TASTE, UnitKind
from kindwhisk.core.values.model import Value

CUP_MISJUDGES = 0.10
"""A levelled cup of something dry is good to about a tenth; heaped or packed it is a third out."""
WET = 0.15
"""With more water than this an ingredient fills a cup evenly."""
DISAGREE = 0.15
"""Two statements of one amount further apart than this are reported."""
PREPARED = (
    "separated", "sifted", "melted", "softened", "room temperature", "cold", "beaten", "chopped", "toasted", "packed",
    "divided", "strained", "peeled", "blanched", "warm", "freshly squeezed",
)  # fmt: skip


class ReadLine(Value):
    """What a line was read as.

    ``grams`` is None where it gives no amount; ``sure`` is 0 (a guess) to 1 (a weight of something known).
    ``stated`` are grams by each way in which the line states its amount, when there are several.
    """

    text: str
    ingredient: str | None
    name: str
    grams: float | None
    low_g: float | None
    high_g: float | None
    sure: float
    note: str = ""
    by: str = ""
    prepared: tuple[str, ...] = ()
    stated: tuple[float, ...] = ()
    count: float | None = None


class _Group:
    """Amounts that are added up, and whether they multiply what follows (``2 (8 oz) packs``)."""

    def __init__(self, first: Amount) -> None:
        self.parts = [first]

    @property
    def end(self) -> int:
        return self.parts[-1].end

    def kind(self) -> UnitKind | None:
        kinds = {a.unit.kind if a.unit else None for a in self.parts}
        if len(kinds) == 1:
            return kinds.pop()
        return UnitKind.MASS if UnitKind.MASS in kinds else UnitKind.VOLUME if UnitKind.VOLUME in kinds else None


def _spoons(text: str) -> str:
    """T and t are a table- and a teaspoon where they stand behind a number."""
    text = re.sub(r"(?<=[\d½¼¾⅓⅔])\s*T\b(?!\w)", " tbsp", text)
    return re.sub(r"(?<=[\d½¼¾⅓⅔])\s*t\b(?![\w'])", " tsp", text)


def _more(text: str, first: Amount, second: Amount) -> bool:
    """More of the same further on: ``1 cup sugar, plus 2 tablespoons for the whites``."""
    between, rest = text[first.end : second.start], text[second.end :]
    if not re.search(r"\bplus\s+$", between) or "(" in between or first.unit is None or second.unit is None:
        return False
    named, more = find(between), find(re.split(r"\bfor\b", rest)[0])
    return named is not None and (more is None or more.ingredient == named.ingredient)


def _groups(text: str) -> list[_Group]:
    groups: list[_Group] = []
    for amount in amounts(text):
        if groups and (joined(text, groups[-1].parts[-1], amount) or _more(text, groups[-1].parts[-1], amount)):
            groups[-1].parts.append(amount)
        else:
            groups.append(_Group(amount))
    return groups


def _egg_size(text: str, eggs: EggSize) -> tuple[EggSize, str]:
    """The class that a line means: its own word for it, on the kitchen's scale if it has metric units."""
    us = not eggs.value.startswith("eu") or bool(re.search(r"\b(cups?|tbsp|tsp|large|jumbo|extra[- ]large)\b", text))
    if re.search(r"\bjumbo\b", text):
        return EggSize.US_JUMBO, "jumbo"
    if "lサイズ" in text:
        return EggSize.EU_L, "L"
    if re.search(r"\bextra[- ]large\b|\bxl\b", text):
        return EggSize.US_EXTRA_LARGE if us else EggSize.EU_XL, "extra large"
    if re.search(r"\blarge\b|\bgrandi\b|\bgros\b|\bl\b(?= (?:eggs|egg))", text):
        return EggSize.US_LARGE if us else EggSize.EU_L, "large"
    if re.search(r"\bmedium\b|\bmedie\b|\bmoyens\b|mサイズ", text):
        return EggSize.US_MEDIUM if us and "eu" not in eggs.value else EggSize.EU_M, "medium"
    if re.search(r"\bsmall\b|\bpetits\b|\bpiccole\b", text):
        return EggSize.EU_S, "small"
    return eggs, ""


Span = tuple[float, float, float]


def _egg(named: Named, count: tuple[float, float], text: str, eggs: EggSize) -> tuple[Span, str]:
    size, word = _egg_size(text, eggs)
    parts = egg_parts(size)
    one = {"egg-white": parts.white_g, "egg-yolk": parts.yolk_g, "whole-egg": parts.whole_g}[named.ingredient]
    low, high = count
    middle = (low + high) / 2
    note = (
        f"Eggs {word or 'of this kitchen'} ({size.value.upper()}), {one.likely:.0f} g each without shell: weigh them."
    )
    return (one.low * low, one.likely * middle, one.high * high), note


def _density(ingredient_id: str, text: str) -> tuple[float, float, str]:
    """Grams a millilitre of a levelled measure, its spread, and a word on it."""
    item = ingredient(ingredient_id)
    bulk = item.bulk_g_per_ml
    wet = item.composition.water > WET or (item.kind == "fat" and item.id != "shortening")
    spread = 0.03 if wet else CUP_MISJUDGES
    if "packed" in text and item.kind == "sugar":
        return bulk * 1.08, 0.05, "packed"
    if re.search(r"\bsifted\b", text) and item.kind == "flour" and re.match(r".*sifted .*flour", text):
        return bulk * 0.9, 0.12, "sifted before measuring"
    if re.search(r"\bheap(?:ed|ing)\b", text):
        return bulk * 1.4, 0.2, "heaped"
    if re.search(r"\bscant\b", text):
        return bulk * 0.92, 0.08, "scant"
    return bulk, spread, ""


def _span(group: _Group, named: Named, text: str, eggs: EggSize) -> tuple[Span, str, str]:
    """Grams of a group as low, likely, high, with a note and the way it was read."""
    total: list[Span] = []
    notes: list[str] = []
    by = ""
    for amount in group.parts:
        low, high = inside(amount)
        middle = (low + high) / 2
        kind = amount.unit.kind if amount.unit else None
        if kind is UnitKind.MASS:
            total.append((low, middle, high))
            by = by or "weight"
            if amount.unit and amount.unit.name in {"knob", "handful"}:
                by = "guess"
        elif kind is UnitKind.PINCH:
            total.append((low * 0.5, middle, high * 2))
            by, note = "pinch", "A pinch is a third of a gram, more or less."
            notes.append(note)
        elif kind is UnitKind.VOLUME:
            bulk, spread, word = _density(named.ingredient, text)
            total.append((low * bulk * (1 - spread), middle * bulk, high * bulk * (1 + spread)))
            by = "liquid measure" if spread < 0.05 else "dry measure"
            if by == "dry measure":
                notes.append(
                    f"A levelled measure of it is good to about {spread:.0%}{', ' + word if word else ''}: weigh it."
                )
        else:
            span, note, by = _pieces(amount, (low, high), named, text, eggs)
            total.append(span)
            notes.append(note)
    summed = (sum(s[0] for s in total), sum(s[1] for s in total), sum(s[2] for s in total))
    return summed, " ".join(dict.fromkeys(n for n in notes if n)), by


def _pieces(
    amount: Amount, count: tuple[float, float], named: Named, text: str, eggs: EggSize
) -> tuple[Span, str, str]:
    if named.ingredient in EGG_SHAPED:
        span, note = _egg(named, count, text, eggs)
        return span, note, "eggs"
    middle = (count[0] + count[1]) / 2
    if amount.unit is not None and amount.unit.name in CONTAINERS and named.ingredient in CONTENTS:
        grams, says = CONTENTS[named.ingredient]
        if named.ingredient == "baking-powder" and "bustina" in text:
            grams, says = 16.0, "an Italian sachet"
        return (grams * 0.8 * count[0], grams * middle, grams * 1.2 * count[1]), f"Taken as {says}.", "packet"
    if named.ingredient in COUNTS:
        low, likely, high = COUNTS[named.ingredient]
        return (low * count[0], likely * middle, high * count[1]), f"About {likely:g} g each.", "pieces"
    return (0.0, 0.0, 0.0), "", "unknown pieces"


SURE = {
    "weight": 0.98, "liquid measure": 0.93, "dry measure": 0.8, "eggs": 0.85, "packet": 0.6, "pieces": 0.6,
    "pinch": 0.6, "guess": 0.4, "unknown pieces": 0.15,
}  # fmt: skip


def _named(text: str) -> Named | None:
    named = find(text)
    if re.search(r"\b(zest|rind|zeste|scorza)\b|の皮|vỏ", text) and not re.search(r"\bjuice\b|\bjus\b|succo", text):
        if re.search(r"lemon|citron|limone|レモン|chanh", text):
            return Named("lemon-zest", "lemon zest", 0, 0)
        if re.search(r"orange|aranci|オレンジ|cam", text):
            return Named("orange-zest", "orange zest", 0, 0)
    if named is None and re.search(r"\borange\b|\barancia\b", text):
        return Named("orange-juice", "orange", 0, 0)
    return named


def _without_amounts(line: str) -> str:
    """The line with its amounts blanked: a coffee spoon is no coffee."""
    for amount in amounts(line):
        if amount.unit is not None and " " in line[amount.start : amount.end].strip():
            line = line[: amount.start] + " " * (amount.end - amount.start) + line[amount.end :]
    return line


def _best(groups: list[_Group]) -> _Group:
    order = {UnitKind.MASS: 0, UnitKind.VOLUME: 1, UnitKind.PINCH: 2}
    return min(groups, key=lambda g: (order.get(g.kind() or UnitKind.PIECE, 3), g.parts[0].start))


def _multiplied(text: str, groups: list[_Group]) -> list[_Group]:
    """``2 (8-ounce) packages`` and ``2 x 100 g``: the count times the size; it stands for both."""
    if len(groups) < 2:
        return groups
    first, second = groups[0], groups[1]
    if first.kind() is not None and first.kind() is not UnitKind.PIECE:
        return groups
    between = text[first.end : second.parts[0].start]
    container = bool(
        re.match(
            r"\s*\)?[\s-]*(?:each\s*)?(?:can|tin|pack|carton|block|bag|jar|box|brick|container|tub|sachet|envelope)",
            text[second.end :],
        )
    )
    if second.kind() not in {UnitKind.MASS, UnitKind.VOLUME} or not (
        re.fullmatch(r"\s*(?:x|\*)\s*", between)
        or (container and re.fullmatch(r"\s*\(?\s*", between))
        or (
            first.parts[0].unit is not None
            and first.parts[0].unit.name in CONTAINERS
            and re.fullmatch(r"\s*\(?\s*(?:of\s*)?", between)
        )
        or " each" in text[second.end : second.end + 8]
    ):
        return groups
    times = first.parts[0]
    sized = _Group(second.parts[0])
    sized.parts = [a._replace(low=a.low * times.low, high=a.high * times.high) for a in second.parts]
    return [sized, *groups[2:]]


def read_line(text: str, eggs: EggSize = EggSize.EU_M) -> ReadLine:
    """Read one ingredient line.

    Args:
        text: such as ``1/2 cup plus 1 tablespoon caster sugar, divided``, in English, French, Italian, Japanese or
            Vietnamese.
        eggs: the class that ``3 eggs`` means where the line names none.

    Never raises: what is not understood comes back with nothing known and ``sure`` near 0.
    """
    line = plain(_spoons(text))
    named = _named(_without_amounts(line))
    prepared = tuple(p for p in PREPARED if re.search(rf"\b{p}\b", line))
    groups = _multiplied(line, _groups(line))
    base = {"text": text.strip()[:400], "prepared": prepared}
    tasted = any(t in line for t in TO_TASTE)
    if named is None:
        note = "Not in the ingredient table: choose one, or leave it out." if line else "An empty line."
        grams = _weight_alone(groups)
        return ReadLine(
            **base, ingredient=None, name=line[:80], grams=grams, low_g=grams, high_g=grams, sure=0.1, note=note
        )
    item = ingredient(named.ingredient)
    about = {**base, "ingredient": item.id, "name": item.name}
    if not groups:
        note = "To taste: no amount is given." if tasted else "No amount is given."
        return ReadLine(**about, grams=None, low_g=None, high_g=None, sure=0.3 if tasted else 0.2, note=note)
    spans = [_span(g, named, line, eggs) for g in groups]
    best = groups.index(_best(groups))
    (low, likely, high), note, by = spans[best]
    if likely <= 0:
        note = f"What one {named.words} weighs is not known here: give grams."
        return ReadLine(**about, grams=None, low_g=None, high_g=None, sure=0.15, note=note, by=by)
    stated = tuple(s[0][1] for s in spans if s[0][1] > 0) if len(spans) > 1 else ()
    sure = SURE[by]
    far = [s for s in stated if abs(s / likely - 1) > DISAGREE]
    agreeing = by == "weight" and bool(stated)
    if far and by != "weight":
        sure *= 0.8
    if far and not agreeing:
        note = f"{note} It is stated in two ways that disagree.".strip()
    elif far:
        note = f"{note} The measure beside it comes to {far[0]:.0f} g.".strip()
    second = _second(line, named)
    if second:
        sure, note = min(sure, 0.5), f"{note} “{second}” stands in it too: give it a line of its own.".strip()
    count = (
        groups[0].parts[0].middle
        if named.ingredient in EGG_SHAPED and groups[0].kind() in {None, UnitKind.PIECE}
        else None
    )
    return ReadLine(
        **about,
        grams=round(likely, 2),
        low_g=round(min(low, likely), 2),
        high_g=round(max(high, likely), 2),
        sure=round(sure, 2),
        note=note,
        by=by,
        stated=stated,
        count=count,
    )


def _second(line: str, first: Named) -> str:
    """Another ingredient with an amount of its own on the same line."""
    for other in find_all(line):
        if other.ingredient != first.ingredient and re.search(
            r"(?:plus|and|\+)\s+(?:\d|half|a |an |one |two )[^,;]*$", line[: other.start]
        ):
            return other.words
    return ""


def _weight_alone(groups: list[_Group]) -> float | None:
    """Grams of a line whose ingredient is not known, where it gives a weight."""
    weights = [g for g in groups if g.kind() is UnitKind.MASS]
    return round(sum(sum(inside(a)) / 2 for a in weights[0].parts), 2) if weights else None
