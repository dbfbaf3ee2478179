"""What a row of a pasted text is."""

from __future__ import annotations

from enum import StrEnum

from kindwhisk.core.values.model import Value


class RowKind(StrEnum):
    """What a row of a text is."""

    TITLE = "title"
    HEADING = "heading"
    INGREDIENT = "ingredient"
    SENTENCE = "sentence"
    NOTE = "note"


class Row(Value):
    """A row, or a sentence of one. ``group`` is the heading that it stands under; ``number`` that of its step."""

    kind: RowKind
    text: str
    group: str = ""
    number: int | None = None
