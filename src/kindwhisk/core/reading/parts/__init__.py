"""A pasted text in its parts: title, headings, ingredient lines, sentences, notes."""

from kindwhisk.core.reading.parts.cutting import Cut, cut
from kindwhisk.core.reading.parts.lists import ingredient_like
from kindwhisk.core.reading.parts.row import Row, RowKind
from kindwhisk.core.reading.parts.serving import servings

__all__ = ["Cut", "Row", "RowKind", "cut", "ingredient_like", "servings"]
