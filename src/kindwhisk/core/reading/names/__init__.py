"""Ingredients by the names that bakers write, in five languages, and what one piece of each weighs."""

from kindwhisk.core.reading.names.counts import COUNTS, EGG_SHAPED
from kindwhisk.core.reading.names.lexicon import Named, Shelf, find_all

__all__ = ["COUNTS", "EGG_SHAPED", "Named", "Shelf", "find_all"]
