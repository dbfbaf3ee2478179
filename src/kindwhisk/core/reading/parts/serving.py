"""How many a text serves, and how many pieces it says that it makes."""

from __future__ import annotations

import re

from kindwhisk.core.reading.plain import plain

SERVES = re.compile(
    r"(?:serves\s*:?|servings?\s*:?|portions?\s*:?|yields?\s*:?)\s*(?:about |approx\.? )?(\d{1,3})(?!\s*(?:cm|g\b|min|\d))|"
    r"(\d{1,3})\s*(?:servings|portions|slices|persons?|people|personnes|persone|人分|người|glasses|verrines|bicchierini)(?!\w)|"
    r"makes (?:about |approx\.? )?(\d{1,3})(?=\s*(?:$|[·|.,;)]))",
)
"""“Makes 10” alone says pieces, and who eats one each; “makes 30 shells” or “makes one sheet” doesn't."""

YIELDS = re.compile(
    r"(?:makes|serves|servings?:|quantity:?|yields?:?|for about(?= \d+ (?:people|persons|pieces|shells|kisses|cookies|cm)))(?: (?:about|approx\.?|abt\.?|around|one|two|an?))?(?=\W*\d)|(?:pour|per|dosi per)(?: (?:environ|circa))? \d+ (?:personnes|parts|macarons|persone|porzioni)"
)


def servings(text: str) -> int | None:
    """How many a text serves, by its words of serving alone."""
    found = next((m for row in text.split("\n") if (m := SERVES.search(plain(row)))), None)
    number = int(next(g for g in found.groups() if g)) if found else 0
    return number if 1 <= number <= 500 else None
