"""Slips of the pen in an ingredient line: one wrong, missing, doubled or swapped letter in the name of a food."""

from __future__ import annotations

import re
from functools import cache

from rapidfuzz import process
from rapidfuzz.distance import OSA

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.reading.line import ReadLine, read_line
from kindwhisk.core.reading.names import Shelf
from kindwhisk.core.reading.names.lexicon import table_names

SHORTEST = 5
"""A shorter word is one letter away from too many others."""


@cache
def _words() -> tuple[str, ...]:
    """Every single word that names a food by itself."""
    names = {name.lower() for written in table_names().values() for name in written}
    return tuple(sorted(n for n in names if n.isalpha() and len(n) >= SHORTEST))


def _near(word: str) -> str | None:
    """The one name of a food that is one letter away; None where there is none, or several."""
    found = process.extract(word, _words(), scorer=OSA.distance, score_cutoff=1, limit=3)
    names = [name for name, distance, _ in found if distance == 1 and name[0] == word[0]]
    return names[0] if len(names) == 1 else None


def read_with_slips(text: str, eggs: EggSize, shelf: Shelf = ()) -> ReadLine:
    """A line as it was written; where it names nothing that is known, with one slip mended and told of.

    What a mended word holds stays open until the baker has mended the line: its allergens count as not known.
    """
    line = read_line(text, eggs, shelf)
    if line.ingredient is not None:
        return line
    for word in re.findall(r"[^\W\d_]+", text.lower()):
        meant = _near(word) if len(word) >= SHORTEST else None
        if meant is None:
            continue
        mended = read_line(re.sub(re.escape(word), meant, text, count=1, flags=re.IGNORECASE), eggs, shelf)
        if mended.ingredient is not None:
            note = f"“{word}” is read as {meant}: mend the line. {mended.note}".strip()
            return mended.model_copy(
                update={"text": line.text, "note": note, "sure": min(mended.sure, 0.5), "allergens_unknown": True}
            )
    return line
