"""The amounts of a line in grams, as a range, by the way in which each is stated."""

from __future__ import annotations

import math
import re
from functools import cache
from typing import NamedTuple

from kindwhisk.core.ingredients import Ingredient, counts_as, ingredient
from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.reading.amounts import Amount, amounts, inside, joined
from kindwhisk.core.reading.names import COUNTS, EGG_SHAPED, find_all
from kindwhisk.core.reading.names.packs import CONTAINERS, EU, US, Pack, packs_of
from kindwhisk.core.reading.units import UNITS, UnitKind
from kindwhisk.core.values.model import Value

CUP_MISJUDGES = 0.10
"""A levelled cup of something dry is good to about a tenth; heaped or packed it is a third out."""
WET = 0.15
"""With more water than this an ingredient fills a cup evenly."""
PIECES_MISJUDGE = 0.12
"""A cup of pieces, by how they happen to lie."""
CUT = ("-sliced", "-diced", "-halved")
"""Forms of a fruit that is counted whole before it is cut."""
DRY_PINT = 550.6 / 473.2
"""A pint of berries is a dry one."""
IMPERIAL = 568.26 / 473.18
PACK_VARIES = 0.2


class Choice(Value):
    """One of several weights that an amount may mean, to be chosen."""

    says: str
    grams: float


class Weighed(NamedTuple):
    """An amount in grams.

    ``choices`` are the weights of usual packs, ``left_g`` what stays in the last pack when a part of it is taken.
    """

    low: float
    likely: float
    high: float
    note: str
    by: str
    choices: tuple[Choice, ...] = ()
    left_g: float = 0.0
    left: str = ""


class Group:
    """Amounts that are added up, and whether they multiply what follows (``2 (8 oz) packs``)."""

    def __init__(self, first: Amount, packs: float = 0.0) -> None:
        self.parts = [first]
        self.packs = packs
        """How many packs of a stated size these are, where they are packs."""

    @property
    def start(self) -> int:
        """Where it begins in the text."""
        return self.parts[0].start

    @property
    def end(self) -> int:
        """Where it ends in the text."""
        return self.parts[-1].end

    def kind(self) -> UnitKind | None:
        """What it measures; None for a plain number."""
        kinds = {a.unit.kind if a.unit else None for a in self.parts}
        if len(kinds) == 1:
            return kinds.pop()
        return UnitKind.MASS if UnitKind.MASS in kinds else UnitKind.VOLUME if UnitKind.VOLUME in kinds else None


def _first_named(text: str) -> str | None:
    return next((n.ingredient for n in find_all(text)), None)


def _more(text: str, first: Amount, second: Amount) -> bool:
    """More of the same further on: ``1 cup sugar, plus 2 tablespoons for the whites``."""
    between, rest = text[first.end : second.start], text[second.end :]
    if not re.search(r"\bplus\s+$", between) or "(" in between or first.unit is None or second.unit is None:
        return False
    named, more = _first_named(between), _first_named(re.split(r"\bfor\b", rest)[0])
    return named is not None and (more is None or more == named)


def groups_of(text: str) -> list[Group]:
    """The amounts of a plain line, those that are added up together."""
    groups: list[Group] = []
    for amount in amounts(text):
        if groups and (joined(text, groups[-1].parts[-1], amount) or _more(text, groups[-1].parts[-1], amount)):
            groups[-1].parts.append(amount)
        else:
            groups.append(Group(amount))
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


def _egg(ingredient_id: str, count: tuple[float, float], text: str, eggs: EggSize) -> tuple[Span, str]:
    size, word = _egg_size(text, eggs)
    parts = egg_parts(size)
    one = {"egg-white": parts.white_g, "egg-yolk": parts.yolk_g, "whole-egg": parts.whole_g}[ingredient_id]
    low, high = count
    middle = (low + high) / 2
    note = (
        f"Eggs {word or 'of this kitchen'} ({size.value.upper()}), {one.likely:.0f} g each without shell: weigh them."
    )
    return (one.low * low, one.likely * middle, one.high * high), note


def _density(item: Ingredient, text: str) -> tuple[float, float, str]:
    """Grams a millilitre of a levelled measure, its spread, and a word on it."""
    bulk = item.bulk_g_per_ml
    if item.piece is not None:
        return bulk, PIECES_MISJUDGE, "by how the pieces lie"
    wet = item.composition.water > WET or (item.kind == "fat" and item.counts_as != "shortening")
    spread = 0.03 if wet else CUP_MISJUDGES
    if "packed" in text and item.kind == "sugar":
        # Brown sugar is always measured packed: its own figure is that.
        return bulk * (1.0 if "brown" in item.id else 1.08), 0.05, "packed"
    if re.search(r"\bsifted\b", text) and item.kind == "flour" and re.match(r".*sifted .*flour", text):
        return bulk * 0.9, 0.12, "sifted before measuring"
    if re.search(r"\bheap(?:ed|ing)\b", text):
        return bulk * 1.4, 0.2, "heaped"
    if re.search(r"\bscant\b", text):
        return bulk * 0.92, 0.08, "scant"
    return bulk, spread, ""


def _volume(amount: Amount, item: Ingredient, text: str) -> tuple[Span, str, str]:
    low, high = inside(amount)
    middle = (low + high) / 2
    bulk, spread, word = _density(item, text)
    if item.piece is not None and amount.unit is not None and amount.unit.name in {"pint", "quart"}:
        bulk *= DRY_PINT
    by = "liquid measure" if spread < 0.05 else "dry measure"
    said = f"A levelled measure of it is good to about {spread:.0%}{', ' + word if word else ''}: weigh it."
    return (low * bulk * (1 - spread), middle * bulk, high * bulk * (1 + spread)), said if spread >= 0.05 else "", by


def _left(count: float, pack_g: float, pack: str) -> tuple[float, str]:
    """What stays in the last pack when a part of it is taken."""
    part = math.ceil(count - 0.01) - count
    if part <= 0.01:
        return 0.0, ""
    grams = part * pack_g
    return grams, f"{grams:.0f} g of the {pack} are left over: cover and chill, and use them in time."


AMERICAN = re.compile(
    r"\b(?:cups?|oz|ounces?|sticks?|gelatin|unflavored|all-purpose|confectioners|heavy (?:whipping )?cream|half-and-half|fl)\b"
)
ITALIAN = re.compile(r"\bbustin[ae]\b")


def _country(text: str, eggs: EggSize) -> str:
    """Whose packs and pints a line means: its own words', else those of the kitchen's eggs."""
    return EU if eggs.value.startswith("eu") and not AMERICAN.search(text) else US


def _pack(amount: Amount, item: Ingredient, text: str, eggs: EggSize) -> Weighed | None:
    if amount.unit is None or amount.unit.name not in CONTAINERS:
        return None
    country = _country(text, eggs)
    known_as = item.id if packs_of(item.id, amount.unit.name, country) else item.counts_as
    packs = packs_of(known_as, amount.unit.name, country)
    if item.pack_g is not None:
        packs = (Pack(item.pack_g, f"its own {item.pack_g:g} g"),)
    if not packs:
        return None
    if ITALIAN.search(text):
        packs = tuple(sorted(packs, key=lambda p: "Italian" not in p.says))
    first = packs[0]
    left_g, left = _left(amount.middle, first.grams, amount.unit.name)
    note = f"Taken as {first.says}." + (" Which is yours?" if len(packs) > 1 else " Check yours.")
    return Weighed(
        first.grams * (1 - PACK_VARIES) * amount.low,
        first.grams * amount.middle,
        first.grams * (1 + PACK_VARIES) * amount.high,
        f"{note} {left}".strip(),
        "packet",
        tuple(Choice(says=p.says, grams=round(p.grams * amount.middle, 1)) for p in packs) if len(packs) > 1 else (),
        left_g,
        left,
    )


OF_THE_SHELL = {"white-pasteurised": "egg-white", "yolk-pasteurised": "egg-yolk", "egg-pasteurised": "whole-egg"}
"""What is counted as if it came out of the shell: “2 pasteurised egg whites”."""


def _pieces(amount: Amount, item: Ingredient, text: str, eggs: EggSize) -> tuple[Span, str, str]:
    count = (amount.low, amount.high)
    egg = OF_THE_SHELL.get(item.id, counts_as(item.id))
    if egg in EGG_SHAPED and not item.id.endswith("-dried"):
        span, note = _egg(egg, count, text, eggs)
        return span, note, "eggs"
    middle = amount.middle
    each = COUNTS.get(item.id)
    whole = ingredient(item.id.rpartition("-")[0]) if item.id.endswith(CUT) else item
    if each is None and whole.piece is not None:
        grams = whole.piece.grams
        each = (grams * 0.75, grams, grams * 1.3)
    if each is not None:
        low, likely, high = each
        return (low * count[0], likely * middle, high * count[1]), f"About {likely:g} g each.", "pieces"
    return (0.0, 0.0, 0.0), "", "unknown pieces"


def _weighed(amount: Amount, item: Ingredient, text: str, eggs: EggSize) -> Weighed:
    """One amount of an ingredient."""
    low, high = inside(amount)
    middle = (low + high) / 2
    kind = amount.unit.kind if amount.unit else None
    if amount.unit is not None and amount.unit.name == "stick" and item.kind != "fat":
        # “A stick of cinnamon” is no stick of butter.
        return Weighed(*_pieces(amount, item, text, eggs)[0], "", "pieces")
    if kind is UnitKind.MASS:
        vague = amount.unit is not None and amount.unit.name in {"knob", "handful"}
        return Weighed(low, middle, high, "", "guess" if vague else "weight")
    if kind is UnitKind.PINCH:
        return Weighed(low * 0.5, middle, high * 2, "A pinch is a third of a gram, more or less.", "pinch")
    if kind is UnitKind.VOLUME:
        span, note, by = _volume(amount, item, text)
        return _by_country(Weighed(*span, note, by), amount, text, eggs)
    packed = _pack(amount, item, text, eggs)
    if packed is not None:
        return packed
    span, note, by = _pieces(amount, item, text, eggs)
    return Weighed(*span, note, by)


def _by_country(weighed: Weighed, amount: Amount, text: str, eggs: EggSize) -> Weighed:
    """A pint is a fifth larger where eggs are sold by other classes than the American: a question."""
    if amount.unit is None or amount.unit.name != "pint" or _country(text, eggs) == US:
        return weighed
    grams = weighed.likely * IMPERIAL
    return weighed._replace(
        high=weighed.high * IMPERIAL,
        likely=grams,
        note=f"{weighed.note} Taken as an imperial pint. Which is meant?".strip(),
        choices=(
            Choice(says="imperial pint", grams=round(grams, 1)),
            Choice(says="American pint", grams=round(weighed.likely, 1)),
        ),
    )


def weigh(group: Group, item: Ingredient, text: str, eggs: EggSize) -> Weighed:
    """Grams of a group, added up, with a note and the way it was read."""
    parts = [_weighed(amount, item, text, eggs) for amount in group.parts]
    vague = [p.by for p in parts if p.by != "weight"]
    by = "guess" if "guess" in vague else vague[-1] if vague else "weight"
    left_g, left = parts[-1].left_g, parts[-1].left
    if group.packs:
        likely = sum(p.likely for p in parts)
        left_g, left = _left(group.packs, likely / group.packs, "pack")
    notes = [p.note for p in parts if p.note] + ([left] if group.packs and left else [])
    return Weighed(
        sum(p.low for p in parts),
        sum(p.likely for p in parts),
        sum(p.high for p in parts),
        " ".join(dict.fromkeys(notes)),
        by,
        parts[0].choices if len(parts) == 1 else (),
        left_g,
        left,
    )


def weigh_unknown(group: Group) -> Weighed | None:
    """Grams of something of which nothing is known: by a weight as it is, by a measure as if it were water."""
    kind = group.kind()
    spans = [inside(a) for a in group.parts]
    low, high = sum(s[0] for s in spans), sum(s[1] for s in spans)
    if kind is UnitKind.MASS:
        return Weighed(low, (low + high) / 2, high, "", "weight")
    if kind is UnitKind.VOLUME:
        note = "A measure of something not known here, taken for water: weigh it."
        return Weighed(low * 0.3, (low + high) / 2, high * 1.4, note, "guess")
    return None


def best_of(groups: list[Group]) -> Group:
    """The group that says most: a weight before a measure before a count."""
    order = {UnitKind.MASS: 0, UnitKind.VOLUME: 1, UnitKind.PINCH: 2}
    return min(groups, key=lambda g: (order.get(g.kind() or UnitKind.PIECE, 3), g.parts[0].start))


@cache
def _container_words() -> str:
    names = sorted((n for n, u in UNITS.items() if u.name in CONTAINERS), key=len, reverse=True)
    return "|".join(re.escape(n) for n in names)


def multiplied(text: str, groups: list[Group]) -> list[Group]:
    """``2 (8-ounce) packages`` and ``2 x 100 g``: the count times the size; it stands for both."""
    if len(groups) < 2:
        return groups
    first, second = groups[0], groups[1]
    if first.kind() is not None and first.kind() is not UnitKind.PIECE:
        return groups
    between = text[first.end : second.parts[0].start]
    container = bool(
        re.match(
            rf"\s*\)?[\s-]*(?:each\s*)?(?:{_container_words()})(?!\w)",
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
    sized = Group(second.parts[0], packs=times.middle)
    sized.parts = [a._replace(low=a.low * times.low, high=a.high * times.high) for a in second.parts]
    return [sized, *groups[2:]]
