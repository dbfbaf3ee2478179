"""What food a line is of. A name counts only when every word of it is explained; else it stays the words that it is.

A line is a food where one food is named in it and all words beside it only say how it is cut, how warm it is, how good,
how many, or what for. Anything else is an unknown good: it is never taken for the nearest word in it.
"""

from __future__ import annotations

import re
from functools import cache
from typing import NamedTuple

from kindwhisk.core.ingredients import ingredient, is_known
from kindwhisk.core.reading.amounts import NUMBER
from kindwhisk.core.reading.amounts import WORDS as NUMBERS
from kindwhisk.core.reading.names.lexicon import TOKEN, Named, Shelf, find_all
from kindwhisk.core.reading.names.qualifiers import JAPANESE, TURNING, WORDS
from kindwhisk.core.reading.plain import folded, is_cjk
from kindwhisk.core.reading.units import UNITS

ASIDE = re.compile(r"[（(\[][^（）()\[\]]*[)\]）]")
SEGMENTS = re.compile(r"\s*[,;:、，；]\s*|\s+[-/]\s+")
CLAUSE = re.compile(
    r"(?<!\w)(?:for|to (?:taste|grease|dust|dredge|serve|decorate|finish|coat|line|brush|sprinkle)|as needed|as required|plus|or|if|until|such as|"
    r"(?:dissolved|mixed|soaked|bloomed|softened|whisked) (?:in|with)[^,;]*\bwater|of (?:your )?choice|"
    r"divided|in a (?:row|line|circle)|cut into|cut in|taken from|pour|ou|facultatif|selon|per(?! (?:cento|dolci)(?!\w))|oppure|a piacere|q\.? ?b\.?|quanto basta|à volonté|hoặc|để|cho|"
    r"tùy thích|tuỳ thích|vừa đủ)(?!\w).*|(?:または|もしくは).*"
)
"""From here on a line says what for, how much more, or what else: not what it is."""
DONE = re.compile(
    r"(?<!\w)(?:sift|mix|whisk|beat|beaten|stir|blend|combin|whipp|melt|dissolv|soak|warm|heat|simmer|steep|infus|rub|toss|fold|add|"
    r"tamis|mélang|battu|fond|setacciat|mescolat|montat|sbattut)\w*\s+(?:together\s+|up\s+)?"
    r"(?:with|and|in|into|to|avec|dans|et|con|in|nel\w*|e)(?!\w)"
)
"""What was done to a food together with another, which has a line of its own."""
ZEST = re.compile(r"(?<!\w)(?:zest|zested|rind|peel|zestes?|scorz[ae]|buccia|écorces?)(?!\w)|の皮|ゼスト|vỏ")
JUICE = re.compile(r"(?<!\w)(?:juice|jus|succo|nước)(?!\w)|汁|果汁")
JUICE_OF = re.compile(
    r"(?<!\w)(?:juice (?:of|from)|jus (?:de|d')|succo (?:di|d'))(?=.*\b(?:half|demi|mezzo|un|une|one|a|\d))"
)
CITRUS = (
    ("lime", re.compile(r"(?<!\w)limes?(?!\w)|citrons? verts?|ライム|chanh xanh")),
    ("lemon", re.compile(r"(?<!\w)(?:lemons?|citrons?|limon[ei]|chanh)(?!\w)|レモン")),
    ("orange", re.compile(r"(?<!\w)(?:oranges?|aranc(?:ia|e)|cam)(?!\w)|オレンジ")),
    (
        "mandarin",
        re.compile(r"(?<!\w)(?:mandarin[es]?|mandarini|tangerines?|clementines?|clémentines?|satsumas?)(?!\w)"),
    ),
    ("yuzu", re.compile(r"(?<!\w)yuzu(?!\w)|ゆず|柚子")),
)
ZESTS = {"mandarin": "orange-zest"}
"""Whose zest counts as another's."""
CANDIED = re.compile(r"candied|confit|candit|mixed|ピール|sấy|mứt")
MARKED = re.compile(r"[®™]")
FORMS: tuple[tuple[re.Pattern[str], tuple[str, ...]], ...] = (
    (re.compile(r"\bpur[ée]+(?:ed|e)?\b|\bmashed\b|\bécrasée?s?\b|\bmixée?s?\b|\bfrullat\w|\bschiacciat\w|ピューレ|つぶした|nghiền|xay nhuyễn"), ("puree",)),
    (re.compile(r"\bground\b|\bpowdered\b|\bmoulue?s?\b|\ben poudre\b|\btritat\w|\bin polvere\b|粉末|xay"), ("ground",)),
    (re.compile(r"\bsliced\b|\bslices?\b|\bflaked\b|\beffilée?s\b|\bémincée?s?\b|\btranches?\b|\ba fette\b|\baffettat\w|スライス|薄切り|lát"), ("sliced",)),
    (re.compile(r"\bslivered\b|\bbâtonnets\b"), ("slivered", "sliced")),
    (re.compile(r"\bhalved\b|\bhalves\b|\bmoitiés?\b|\bmetà\b"), ("halved",)),
    (re.compile(r"\bdiced\b|\bcubed?s?\b|\bchopped\b|\bchunks?\b|\bpieces?\b|\bhachée?s?\b|\bconcassée?s?\b|\bdés\b|\bmorceaux\b|\ba pezz\w+|\bcubetti\b|"
                r"\btritat\w|角切り|刻|砕|băm|cắt"), ("chopped", "diced")),
)  # fmt: skip
COCOA = re.compile(r"(?<!\d)([4-9]\d|100)\s*%")
DARK = ((95, "chocolate-unsweetened"), (70, "chocolate-dark-70"), (60, "chocolate-dark"), (0, "chocolate-dark-50"))
PASTEURISED = {"egg-white": "white-pasteurised", "egg-yolk": "yolk-pasteurised", "whole-egg": "egg-pasteurised"}
PUREES = {
    "strawberry": "strawberry-puree", "raspberry": "raspberry-puree", "blueberry": "blueberry-puree",
    "blackcurrant": "blackcurrant-puree", "cherry": "cherry-puree", "mango": "mango-puree", "apricot": "apricot-puree",
    "peach": "peach-puree", "pear": "pear-puree", "apple": "apple-puree", "banana-whole": "banana",
    "pumpkin": "pumpkin-puree", "chestnut": "chestnut-puree", "prune": "prune-puree",
}  # fmt: skip
GROUND = {
    "almond": "almond-flour", "almond-chopped": "almond-flour", "hazelnut": "hazelnut-ground",
    "pistachio": "pistachio-ground", "walnut": "walnut-ground", "pecan": "pecan-ground", "cashew": "cashew-ground",
    "peanut": "peanut-ground", "sunflower-seeds": "sunflower-ground",
}  # fmt: skip


class Meaning(NamedTuple):
    """What a line is of.

    ``ingredient`` is None for what is not understood, which then stands in ``unknown`` with its own words. ``skipped``
    are words taken for a maker's name, ``instead`` what the line offers in its place, ``beside`` what it names besides.
    """

    ingredient: str | None
    words: str
    unknown: str = ""
    skipped: str = ""
    instead: Named | None = None
    beside: str = ""


EITHER = re.compile(r"(?<!\w)([^\W\d_]+) (?:or|ou|oppure|o) ([^\W\d_]+)(?!\w)")
AMOUNT = re.compile(r"[sml]?\d+(?:g|kg|ml|cl|dl|l|oz|lb|cm|mm|in|inch)?")


def _explained(token: str) -> bool:
    return (
        token in WORDS
        or token in NUMBERS
        or AMOUNT.fullmatch(token) is not None
        or token == "%"
        or (folded(token) in WORDS and len(token) > 2)
    )


def _left_over(text: str, named: list[Named]) -> list[str]:
    """Words of a text that are neither names nor explained.

    A unit is one where it counts something: before the food, or behind a number. ``A peanut bar`` is no peanut.
    """
    first = min((n.start for n in named), default=len(text))
    for n in reversed(named):
        text = f"{text[: n.start]}{' ' * (n.end - n.start)}{text[n.end :]}"
    if is_cjk(text):
        for word in JAPANESE:
            text = text.replace(word, " " * len(word))
    left: list[str] = []
    counted = False
    for match in TOKEN.finditer(text):
        token = match[0]
        unit = token in UNITS and (counted or match.start() < first)
        if not unit and not _explained(token):
            left.append(token)
        counted = token[0].isdigit() or token in NUMBERS
    return left


def _turned(text: str) -> bool:
    return any(t in TURNING for t in TOKEN.findall(text))


def _citrus(text: str) -> str | None:
    """Zest or juice of a citrus fruit, whatever stands between the two words."""
    pressed = JUICE.sub("", text)
    if JUICE_OF.search(text) and not ZEST.search(text) and not _left_over(pressed, find_all(pressed)):
        return next((f"{name}-juice" for name, fruit in CITRUS if fruit.search(text)), None)
    peeled = ZEST.sub(" ", text)
    candied = CANDIED.search(text)
    if ZEST.search(text) and not JUICE.search(text) and not candied and not _left_over(peeled, find_all(peeled)):
        return next((ZESTS.get(name, f"{name}-zest") for name, fruit in CITRUS if fruit.search(text)), None)
    return None


def _both(text: str) -> Meaning | None:
    """Zest and juice of one fruit: the juice, with the zest beside it."""
    if not (ZEST.search(text) and JUICE.search(text)) or CANDIED.search(text):
        return None
    name = next((name for name, fruit in CITRUS if fruit.search(text)), None)
    bare = JUICE.sub(" ", ZEST.sub(" ", text))
    if name is None or _left_over(bare, find_all(bare)):
        return None
    return Meaning(f"{name}-juice", f"{name} juice", beside=f"{name} zest")


def _formed(ingredient_id: str, text: str) -> str:
    """The row for the form, or the cocoa, that the line's words ask for."""
    if ingredient_id in PASTEURISED and re.search(r"pasteuri[sz]|pastorizz", text):
        return PASTEURISED[ingredient_id]
    cocoa = COCOA.search(text)
    if ingredient_id == "chocolate-dark" and cocoa is not None:
        percent = int(cocoa[1])
        return next(row for least, row in DARK if percent >= least)
    for pattern, forms in FORMS:
        if not pattern.search(text):
            continue
        for form in forms:
            wanted = {"puree": PUREES.get(ingredient_id), "ground": GROUND.get(ingredient_id)}.get(
                form, f"{ingredient_id.removesuffix('-chopped')}-{form}"
            )
            if wanted and is_known(wanted):
                return wanted
    return ingredient_id


def _brandlike(tokens: list[str], written: str, named: Named) -> bool:
    """Whether words left over look like a maker's name: marked, or capitals in a line of small letters.

    Only before a food whose name is of several words: no maker's name may stand between a lone ``butter`` and what
    it is made of.
    """
    if not tokens or (len(TOKEN.findall(named.words)) < 2 and not MARKED.search(written)):
        return False
    capitals = {w.lower() for w in re.findall(r"\b[A-ZÀ-Ý][\w'’-]*", written)}
    small = any(w.islower() for w in re.findall(r"[^\W\d_]{4,}", written))
    return small and all(t in capitals for t in tokens) and not any(t in TURNING for t in tokens)


OF_IT = re.compile(r"^(?:of|de|du|des|di|d')(?: |(?<='))")


def understand(line: str, written: str = "", shelf: Shelf = ()) -> Meaning:
    """What food a plain line is of.

    Args:
        line: plain (:func:`~kindwhisk.core.reading.plain.plain`), with units of several words blanked out.
        written: as it was written, for capitals.
        shelf: names of the kitchen's own goods.
    """
    asides = " ; ".join(ASIDE.findall(line))
    bare = re.sub(r"\s+", " ", ASIDE.sub(" ", line)).strip()
    bare = EITHER.sub(_either, bare)
    instead = _alternative(bare + " " + asides, shelf)
    segments = [s for s in SEGMENTS.split(bare) if s]
    heads = [CLAUSE.sub("", s).strip() for s in segments]
    at = next((i for i, h in enumerate(heads) if find_all(h, shelf)), None)
    unknown = Meaning(None, "", unknown=_words(OF_IT.sub("", bare)) or _words(line), instead=instead)
    both = _both(CLAUSE.sub("", bare))
    if both is not None:
        return both
    # “1 lemon (zest)”, “1 lemon, zested”: what is taken of it may stand beside it.
    citrus = _citrus(CLAUSE.sub("", bare)) or _citrus(re.sub(r"[()\[\]（）]", " ", CLAUSE.sub("", line)))
    if citrus is not None:
        return Meaning(citrus, citrus.replace("-", " "), instead=instead)
    if at is None:
        return unknown
    head = heads[at]
    before = [t for h in heads[:at] for t in _left_over(h, [])]
    named, left = _best_cut(head, shelf)
    foods = {n.ingredient for n in named}
    skipped = ""
    if left and len(foods) == 1 and _brandlike(left, written, named[0]):
        skipped, left = " ".join(left), []
    if len(foods) != 1 or left or before:
        return unknown
    found = named[0]
    if _otherwise(segments[at + 1 :], asides, found, shelf):
        return unknown
    form = f"{head} ; {' ; '.join(heads[at + 1 :])} ; {CLAUSE.sub('', asides)}"
    return Meaning(_formed(found.ingredient, form), found.words, skipped=skipped, instead=instead)


def _either(match: re.Match[str]) -> str:
    """``fresh or frozen berries``: two states of one food."""
    both = _explained(match[1]) and _explained(match[2])
    return f"{match[1]} {match[2]}" if both else match[0]


def _best_cut(head: str, shelf: Shelf) -> tuple[list[Named], list[str]]:
    """The names in a head, and what they leave unexplained: cut from the left, or from the right where that is clearer."""
    cuts = []
    for from_right in (False, True):
        cut = find_all(head, shelf, from_right=from_right)
        left = _left_over(head, cut)
        cuts.append((len({n.ingredient for n in cut}) + len(left), cut, left))
    _, named, left = min(cuts, key=lambda c: c[0])
    return named, left


def _otherwise(tails: list[str], asides: str, found: Named, shelf: Shelf) -> bool:
    """Whether what stands behind a comma or in brackets makes another food of it."""
    parts = [*tails, *(a.strip("()[]（） ") for a in asides.split(" ; "))]
    for part in parts:
        said = CLAUSE.sub("", part).strip()
        if not said or said.endswith("用"):
            continue
        others = [n for n in find_all(said, shelf) if n.ingredient != found.ingredient]
        if (others or _turned(said)) and not _same(found, others) and not DONE.search(said):
            return True
    return False


def _same(found: Named, others: list[Named]) -> bool:
    """Whether the others only say what it is in other words: they bring nothing that it does not hold."""
    held = set(ingredient(found.ingredient).allergens)
    return bool(others) and all(set(ingredient(n.ingredient).allergens) <= held for n in others)


OTHER = re.compile(r"(?<!\w)(?:or|ou|oppure|hoặc)\s+([^,;)\]]+)|(?:または|もしくは)([^、，)）]+)")


def _alternative(text: str, shelf: Shelf) -> Named | None:
    """The food that may stand in its place, by the line's own word."""
    other = OTHER.search(text)
    return next(iter(find_all(other[1] or other[2] or "", shelf)), None) if other else None


@cache
def _counted_in_front() -> re.Pattern[str]:
    units = "|".join(sorted((re.escape(u) for u in UNITS if len(u) > 1 or u == "g"), key=len, reverse=True))
    return re.compile(rf"^(?:{NUMBER})?\s*(?:(?:x\s*)?(?:{NUMBER})?\s*(?:{units})(?!\w)\.?\s*(?:of|de|d'|di)?\s*)*")


def _words(text: str) -> str:
    """The words of an unknown good, without amounts and what it is for."""
    kept = _counted_in_front().sub("", CLAUSE.sub("", text).strip())
    return re.sub(r"\s+", " ", kept).strip(" .,:;-–")[:80]
