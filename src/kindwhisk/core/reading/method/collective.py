"""Words for several lines of the list at once: “the dry ingredients”, “the two sugars”, “the TPT”, “everything”."""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import NamedTuple

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.reading.method.making import Stock, ground_nut
from kindwhisk.core.reading.method.nouns import BAKED
from kindwhisk.core.reading.method.stocks import same_group
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.same import covers

EVERYTHING = re.compile(
    r"(?<!\w)(?:everything|all (?:of )?(?:the )?ingredients|tous les ingrédients|tutti gli ingredienti|tất cả nguyên liệu)(?!\w)|すべての材料|材料をすべて|全ての材料"
)
"""“Whip everything to firm peaks.”"""
_DRY_ONES = re.compile(
    r"(?<!\w)(?:dry (?:ingredients|things|goods|stuff)|dry(?= (?:over|in|into|on))|ingrédients secs|ingredienti secchi|nguyên liệu khô|(?P<latin>(?:le )?polveri|(?:les )?poudres|powders))(?!\w)|(?P<ja>粉類)"
)
_OF_A_KIND: tuple[tuple[re.Pattern[str], str, int], ...] = (
    (
        re.compile(
            r"(?<!\w)(?:flavou?rings?|essences|(?:with |the )extract(?= |$)|^extract$|extracts|arômes|aromi)(?!\w)"
        ),
        "flavour",
        1,
    ),
    (
        re.compile(r"(?<!\w)(?:the two |both |the )?sugars(?!\w)|(?<!\w)(?:les deux sucres|i due zuccheri)(?!\w)"),
        "sugar",
        2,
    ),
    (re.compile(r"(?<!\w)(?:the |both |two )?flours(?!\w)"), "flour", 2),
    (
        re.compile(r"(?<!\w)(?:(?:with |the |mixed |fresh )(?:fruits?|berries)|les fruits|la frutta)(?!\w)"),
        "fruit",
        1,
    ),
)
"""Words for goods of one kind, and how many there must be for the word to mean them."""
_PASTE_POWDERS = re.compile(r"(?<!\w)(?:tpt|tant[- ]pour[- ]tant)(?!\w)")
PASTE_HEADINGS = {"tpt", "tant pour tant"}
_VESSEL = re.compile(r" ?(?:tins?|pans?|moulds?|molds?|trays?|cases?|rings?)(?!\w)")
_IS_BAKED = re.compile(rf"(?:the )?(?:{BAKED})")


class Several(NamedTuple):
    """Lines that one word means, and where it stands."""

    start: int
    end: int
    stocks: Sequence[Stock]


def _dry(stock: Stock) -> bool:
    item = ingredient(stock.ingredient)
    kinds = {"flour", "leavener", "salt", "sugar", "flavour"}
    return ground_nut(item.id) or (item.kind in kinds and item.composition.water < 0.2)


def dry_ones(text: str, left: Sequence[Stock], section: str, group_here: str) -> Several | None:
    """“Sift the dry ingredients”; of “powders” no sugar is one but the finest."""
    match = _DRY_ONES.search(text)
    if match is None:
        return None
    powders = bool(match["latin"] or match["ja"])
    dry = [s for s in left if _dry(s)]
    group = section or next((s.group for s in dry if ingredient(s.ingredient).kind == "flour"), "") or group_here
    meant = [s for s in dry if not powders or ingredient(s.ingredient).kind != "sugar" or s.ingredient == "icing-sugar"]
    return Several(match.start(), match.end(), [s for s in meant if same_group(s.group, group)] or meant)


def of_a_kind(text: str, left: Sequence[Stock], section: str) -> Several | None:
    """“Mix the two sugars”, “with the flavourings”, “top with the fruit”: of this part, else of any."""
    for pattern, kind, least in _OF_A_KIND:
        match = pattern.search(text)
        if match is None:
            continue
        every = [s for s in left if ingredient(s.ingredient).kind == kind and not s.ingredient.endswith("-paste")]
        meant = [s for s in every if same_group(s.group, section)] or every
        if len(meant) >= least:
            return Several(match.start(), match.end(), meant)
    return None


def paste_powders(text: str, left: Sequence[Stock]) -> Several | None:
    """“TPT through the sieve”, which the list gives in two lines."""
    match = _PASTE_POWDERS.search(text)
    meant = [s for s in left if s.ingredient == "icing-sugar" or ground_nut(s.ingredient)]
    return Several(match.start(), match.end(), meant) if match is not None and len(meant) > 1 else None


def everything(text: str, rows: Sequence[Stock], section: str) -> Several | None:
    """“Whip everything”: all that the part lists, as none is used yet."""
    match = EVERYTHING.search(text)
    meant = [s for s in rows if s.listed and s.group == section]
    if match is None or not meant or any(s.takes for s in meant):
        return None
    return Several(match.start(), match.end(), meant)


def by_heading(text: str, rows: Sequence[Stock], headings: set[str]) -> Several | None:
    """“Warm the syrup”: all that stands under that heading, as none is used yet."""
    for group in sorted(headings):
        match = re.search(
            rf"(?<!\w)(?:the )?{re.escape(group)}(?!\w)(?! \w*(?:batter|cream|layer|mix))|{re.escape(group)}の材料|(?<![a-z0-9\u3040-\u9fff]){re.escape(group)}(?=[をにと])",
            text,
        )
        if match is None or _VESSEL.match(text[match.end() :]):
            # “A 25 cm cake tin”.
            continue
        if _IS_BAKED.fullmatch(group) and " ingredients" not in text:
            # “Turn out the cake”.
            continue
        meant = [s for s in rows if s.group == group]
        foods = {f.ingredient for f in find_all(group) if f.words == group}
        if any(covers(f, s.ingredient) for f in foods for s in meant):
            # “Whip the cream with the sugar”, under “Cream”: the food.
            continue
        if len(meant) > 1 and not any(s.takes for s in meant):
            return Several(match.start(), match.end(), meant)
    return None
