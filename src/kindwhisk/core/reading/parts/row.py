"""What a row of a pasted text is."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass
from enum import StrEnum

from kindwhisk.core.values.model import Value

MOST_LINES = 120
MOST_SENTENCES, MOST_TOLD, MOST_FIGURES = 100, 8_000, 240
"""Sentences, and characters and figures in them, that one recipe has: several times what the longest tells."""

LONGEST_TALE = 4 * MOST_SENTENCES
"""Sentences behind which no list is looked for any more."""
FIGURE = re.compile(r"\d+")


class RowKind(StrEnum):
    """What a row of a text is."""

    TITLE = "title"
    HEADING = "heading"
    INGREDIENT = "ingredient"
    SENTENCE = "sentence"
    NOTE = "note"


class Row(Value):
    """A row, or a sentence of one.

    ``group`` is the heading that it stands under; ``number`` that of its step; ``beyond`` says that it stands behind all
    that one recipe can hold, and is kept without being read.
    """

    kind: RowKind
    text: str
    group: str = ""
    number: int | None = None
    beyond: bool = False


@dataclass
class Room:
    """How many lines and sentences, and characters and figures in these, a recipe can still hold."""

    lines: int = MOST_LINES
    sentences: int = MOST_SENTENCES
    told: int = MOST_TOLD
    figures: int = MOST_FIGURES

    @property
    def none(self) -> bool:
        """Whether it holds neither a line nor a sentence more; behind so long a tale no list is looked for either."""
        return self._all_told and (self.lines < 0 or MOST_SENTENCES - self.sentences > LONGEST_TALE)

    @property
    def _all_told(self) -> bool:
        return min(self.sentences, self.told, self.figures) < 0

    def take(self, row: Row) -> bool:
        """Give a row its place; whether there was one."""
        if row.kind is RowKind.INGREDIENT:
            self.lines -= 1
            return self.lines >= 0
        if row.kind is RowKind.SENTENCE:
            self.sentences -= 1
            self.told -= len(row.text)
            self.figures -= len(FIGURE.findall(row.text))
            return not self._all_told
        return True


def one_recipe(rows: Iterable[Row]) -> tuple[Row, ...]:
    """As many lines and sentences as one recipe has; what is more is kept as notes, which say so.

    What stands from the list on has its place first: above it a page may tell a long tale.
    """
    every = tuple(rows)
    begins = next((i for i, row in enumerate(every) if row.kind is RowKind.INGREDIENT), 0)
    room = Room()
    held = {i for i in (*range(begins, len(every)), *range(begins)) if room.take(every[i])}
    more = {"kind": RowKind.NOTE, "beyond": True}
    return tuple(row if i in held else row.model_copy(update=more) for i, row in enumerate(every))
