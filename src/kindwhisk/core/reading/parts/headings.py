"""Which rows are headings: of the list, of the method, of a part of either."""

from __future__ import annotations

import re
from functools import lru_cache

from rapidfuzz import fuzz, process

from kindwhisk.core.reading.amounts import amounts
from kindwhisk.core.reading.method.verbs import Grammar
from kindwhisk.core.reading.parts.lists import SPOKEN, in_one_row, ingredient_like, verb_first
from kindwhisk.core.reading.plain import REMEMBERED, plain

ALIKE = 86

INGREDIENTS = re.compile(
    r"^(?:the )?(?:ingredients?|(?:i |we )?used|you(?:'ll| will)? need|what (?:you|i|we)(?:'ll| will)? (?:need|used?)|what goes in|shopping list|ingrédients?|ingredienti|材料|原料|nguyên liệu)(?:\b.*)?$|^材料"
)

OF_PART = re.compile(
    r"^ingr\w+ (?:for (?:the )?|pour (?:la |le |les |l')?|per (?:la |il |l'|lo )?)([^\d:(]{3,40}?)\s*:?$"
)

METHOD = re.compile(
    r"^(?:the )?(?:method|directions?|instructions?|preparation|steps|procedure|how to make.*|what (?:to|you|we|i) (?:do|did)|how (?:i|we|you) (?:made|make|did|do) it|préparation|étapes|réalisation|recette|procedimento|"
    r"preparazione|istruzioni|作り方|手順|つくり方|下準備|準備|cách làm|thực hiện|các bước.*|hướng dẫn)\s*:?\s*$"
)

NOTES = re.compile(
    r"^(?:notes?|tips?|nutrition.*|equipment|storage|conseils?|note|consigli|ポイント|コツ|mẹo)\s*:?\s*$"
)

NOTE_ROW = re.compile(
    r"^\d{1,2} ?(?:cm|inch|in)$|^(?:makes|yields?|oven|oven temp(?:erature)?|time|baking time|temperature|serves|servings|difficulty|rendement|four|forno|tempo|dosi) ?: |^keeps? (?:for )?(?:up to )?\d|^prep(?:aration)? (?:time:? )?\d+ ?min|^(?:prep|cook|total) \d+ ?(?:min|hour|hr)|^(?:preparation|prep|cooking|cook|total|baking|chilling|resting|ready) time|^(?:temps|tempo|tempi) (?:de|di|d)|^(?:préparation|cuisson|repos|preparazione|cottura|riposo) ?: ?\d+ ?(?:min|h)|^(?:difficulty|calories|kcal|per serving)|^(?:q|a|variations?|storage|to store|tips?|notes?|nb|conseil|astuce|consiglio|mẹo|コツ|ポイント)\s*[:：]"
)

HEADS = ("ingredients", "method", "directions", "instructions", "preparation")
"""Headings that are found through slips of the pen as well."""

GROUP = re.compile(
    r"^(?:for (?:the )?)(?P<en>[^\d:]{2,40}):?$|^pour (?:la |le |l'|les )?(?P<fr>[^\d:]{2,40}):?$|^per (?:la |il |l'|le |lo |i |gli )?(?P<it>[^\d:]{2,40}):?$|"
    r"^【(?P<ja>[^】]{1,20})】(?:[^\n]{0,16}(?:型|天板)[^\n]{0,6})?$|^[<《〈\[](?P<boxed>[^>》〉\]\n]{1,24})[>》〉\]](?:[^\n]{0,16}(?:型|天板|分)[^\n]{0,6})?$|^<?(?P<any>[^\d:.,;]{2,40}):$|^to (?P<finish>finish|decorate|serve|assemble):?$"
)

DAY = re.compile(
    r"(?:day|jour|giorno|ngày) (?:\d|one|two|three|un|deux|uno|due)|\d日目|(?:the )?(?:day|night|evening) before|la veille|il giorno prima"
)
"""“Day 2”: when the work that follows is done."""

FINISHING = re.compile(r"(?:to )?(?:assembly|assemble|finish|finishing|montage|montaggio|組み立て|仕上げ|hoàn thiện)")
"""A heading over what is done once every part is there."""


BRACKETED = re.compile(r"[(（]\d+[^)）]*[)）]\s*$")
"""A list that has every amount in brackets behind the name: “eggs (4)”."""
NAMED_PART = re.compile(r"(?:the )?(?:\w+ )?(?:glaze|soak|drizzle|roll|finish|garnish)")
"""A part whose name is a verb too."""


def _tells_to(row: str, grammar: Grammar) -> bool:
    """“Spread the cream”: short, and yet nothing but work."""
    return " the " in row.lower() and verb_first(row, grammar)


def is_heading(row: str, following: str, grammar: Grammar, gap: bool) -> bool:
    """A short row without an amount over rows that have one; what stands in brackets is not looked at."""
    if BRACKETED.search(row) and BRACKETED.search(following):
        return False
    row = re.sub(r"(?<=[^\W\d])(?:,? \d{2} ?cm|, [^,.]*\d[^,.]*(?:cm|rings?|tins?|pieces|pcs))$", "", row)
    row = re.sub(r"\s*[(（][^)）]*[)）]\s*:?$|(?<=】)\d[^\n]*$", "", row) or row
    text = plain(row)
    below = bool(amounts(plain(following))) and bool(
        ingredient_like(following, grammar) or in_one_row(following, grammar)
    )
    if below and row.endswith((":", "：")) and len(text.split()) <= 4 and not amounts(text):
        return True
    if (
        gap
        and below
        and len(text.split()) <= 3
        and not amounts(text)
        and not re.search(r"[.,;!]", text)
        and not _tells_to(row, grammar)
    ):
        return True
    if below and NAMED_PART.fullmatch(text):
        return True
    if len(text) >= 48 or amounts(text) or re.search(r"[.,;!]", text) or verb_first(row, grammar) or SPOKEN.match(text):
        return False
    if GROUP.match(text) or row.isupper():
        return True
    return below and (gap or not ingredient_like(row, grammar))


def group_name(row: str) -> str:
    """A heading without what stands around its name: “For the syrup (warm):” is “syrup”."""
    text = re.sub(r"\s*[(（][^)）]*\d[^)）]*[)）](?=\s*:?$)", "", plain(row)) or plain(row)
    match = GROUP.match(text)
    name = next((g for g in match.groups() if g), text) if match and not match["finish"] else text
    name = re.sub(r"\s*[(（][^)）]*[)）]|\s*[-–—,].*(?:cm|\d).*$", "", name) or name
    name = re.sub(r"(?<=[^\W\d]),? \d{2} ?cm$", "", name)
    return name.strip(" :：").removeprefix("the ").removesuffix("用")[:60]


@lru_cache(maxsize=REMEMBERED)
def as_head(row: str) -> str | None:
    """``ingredients`` or ``method`` or ``notes``, where a row is that heading, with slips of the pen."""
    flat = plain(row).rstrip(":：").strip(" <>《》【】[]〈〉■◆●")
    if len(flat) >= 60:
        return None
    for pattern, part in ((INGREDIENTS, "ingredients"), (METHOD, "method"), (NOTES, "notes")):
        if pattern.match(flat):
            return part
    if 5 < len(flat) < 16 and " " not in flat:
        near = process.extractOne(flat, HEADS, scorer=fuzz.ratio, score_cutoff=ALIKE)
        if near is not None:
            return "ingredients" if near[0] == "ingredients" else "method"
    return None


def section_row(row: str, grammar: Grammar, heads: set[str]) -> bool:
    """Whether a row of the method is a heading of its own."""
    text = plain(row)
    if len(text) > 40 or amounts(text) or re.search(r"[.;!,]", text):
        return False
    if group_name(row) in heads:
        return True
    if verb_first(row, grammar):
        return False
    return row.endswith((":", "：")) or bool(GROUP.match(text)) or row.isupper() or bool(FINISHING.fullmatch(text))
