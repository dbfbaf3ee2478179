"""Which row is the title, and whether the text has a list at all."""

from __future__ import annotations

import re
from collections.abc import Sequence

from kindwhisk.core.reading.amounts import amounts
from kindwhisk.core.reading.method.verbs import Grammar
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.parts.headings import as_head, is_heading
from kindwhisk.core.reading.parts.lists import LONG_TITLE, SPOKEN, in_one_row, ingredient_like, listed, verb_first
from kindwhisk.core.reading.parts.serving import SERVES, YIELDS
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.units import UnitKind

LONG_WORDS = 8
"""A title right above a heading has fewer words."""
MEASURED = {UnitKind.MASS, UnitKind.VOLUME}
"""What a line of the list is measured in, rather than a title: “Cream roll, 3 sheets”."""


def title_of(rows: Sequence[str], gaps: Sequence[bool], grammar: Grammar) -> str:
    """The row that names the whole; empty where none does."""
    if (
        len(rows) > 1
        and gaps[1]
        and len(rows[0]) <= LONG_TITLE
        and not rows[0].endswith(":")
        and not (re.search(r"\d", rows[0]) and any(a.unit and a.unit.kind in MEASURED for a in amounts(plain(rows[0]))))
        and as_head(rows[0]) is None
    ) and (
        not find_all(plain(rows[0]))
        or not ingredient_like(rows[0], grammar)
        or len(rows[0].split()) > 2
        or not amounts(plain(rows[0]))
    ):
        return rows[0]
    if _over_a_heading(rows, grammar):
        return rows[0]
    headed = any(as_head(r) == "ingredients" for r in rows[1:])
    second = plain(rows[1]) if len(rows) > 1 else ""
    if rows and not re.search(r"\d|[:.]$", rows[0]) and (SERVES.match(second) or YIELDS.match(second)):
        return rows[0]
    for row in rows[:6]:
        if as_head(row) is not None or (not headed and (ingredient_like(row, grammar) or in_one_row(row, grammar))):
            continue
        text = plain(row)
        if len(row) > LONG_TITLE or (amounts(text) and ingredient_like(row, grammar)) or SERVES.search(text):
            return ""
        if verb_first(row, grammar) and not grammar.verb_last and not SPOKEN.match(text):
            return ""
        return row
    return ""


def _over_a_heading(rows: Sequence[str], grammar: Grammar) -> bool:
    """“Chocolate roll” right above “Sponge” and its lines: two words or more, though they name a food."""
    if len(rows) < 3 or not 1 < len(rows[0].split()) < LONG_WORDS or rows[0].endswith((":", ".", ",")):
        return False
    plainly = not amounts(plain(rows[0])) and as_head(rows[0]) is None and not verb_first(rows[0], grammar)
    return plainly and not find_all(plain(rows[1])) and is_heading(rows[1], rows[2], grammar, gap=False)


def has_list(rows: Sequence[str], grammar: Grammar) -> bool:
    """Whether ingredients are listed, rather than told in sentences."""
    run = 0
    for row in rows:
        if as_head(row) == "ingredients" or len(in_one_row(row, grammar)) > 1 or listed(row, grammar):
            return True
        run = run + 1 if ingredient_like(row, grammar) else 0
        if run >= 2:
            return True
    return False
