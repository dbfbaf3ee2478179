"""The names of the table, and of a kitchen's own goods, found in a text: the longest that fits at each place."""

from __future__ import annotations

import re
from collections.abc import Iterable, Mapping
from functools import cache, lru_cache
from typing import NamedTuple

from kindwhisk.core.ingredients import ingredient_table
from kindwhisk.core.reading.names import bought, eggs_dairy, fats_liquids, flavours, fruit, nuts, sugars_flours
from kindwhisk.core.reading.plain import folded, is_cjk

FAMILIES = (eggs_dairy, sugars_flours, nuts, fats_liquids, flavours, fruit, bought)
TOKEN = re.compile(r"[^\W_]+|[%&]")
WESTERN = re.compile(r"[a-z0-9àâäáãçéèêëîïíìôöóòõùûüúñœæ%&]+")
"""Words whose accents may be missing or wrong; elsewhere an accent makes another word."""
SHORTEST_BARE = 4

NO_FOOD = (
    "tea towel", "tea towels", "tea cloth", "tea strainer", "tea cup", "coffee cup", "coffee filter", "butter knife", "butter paper",
    "un filo", "a filo", "sugar thermometer", "sugar pan", "milk pan", "egg timer", "egg whisk", "egg cup", "flour sieve", "cocoa shaker",
)  # fmt: skip
"""Tools that have a food in their name: what stands there is neither."""

Shelf = tuple[tuple[str, str], ...]
"""Names of a kitchen's own goods, each with the id of the good."""


class Named(NamedTuple):
    """An ingredient that was recognised, and the words that it was recognised by."""

    ingredient: str
    words: str
    start: int
    end: int


def _key(name: str) -> tuple[str, ...]:
    return tuple(TOKEN.findall(name.lower()))


class Lexicon:
    """Names by their words, and by their signs in languages that run words together."""

    def __init__(self, rows: Iterable[tuple[str, str]]) -> None:
        self._words: dict[tuple[str, ...], str] = {}
        self._bare: dict[tuple[str, ...], str | None] = {}
        self._signs: dict[str, str] = {}
        for name, ingredient_id in rows:
            if is_cjk(name):
                self._signs[name] = ingredient_id
                continue
            key = _key(name)
            if not key:
                continue
            self._words[key] = ingredient_id
            bare = _key(folded(name))
            if len("".join(bare)) >= SHORTEST_BARE and bare != key:
                # Two foods that only differ in an accent are told apart by it or not at all.
                self._bare[bare] = ingredient_id if self._bare.get(bare, ingredient_id) == ingredient_id else None
        # How many words the longest name has that begins with a word, or ends with it.
        self._from: dict[str, int] = {}
        self._back: dict[str, int] = {}
        for key in (*self._words, *self._bare):
            self._from[key[0]] = max(len(key), self._from.get(key[0], 0))
            self._back[key[-1]] = max(len(key), self._back.get(key[-1], 0))
        self._longest_signs = max((len(k) for k in self._signs), default=0)

    def of_words(self, words: tuple[str, ...]) -> str | None:
        """The ingredient of exactly these words; empty for a tool that has a food in its name, None for anything else."""
        found = self._words.get(words)
        found = self._bare.get(words) if found is None else found
        if found is None and any(w.isascii() is False for w in words) and all(WESTERN.fullmatch(w) for w in words):
            bare = tuple(folded(w) for w in words)
            found = self._words.get(bare, self._bare.get(bare))
        return found

    def find(self, text: str, *, from_right: bool = False) -> list[Named]:
        """Every name in a plain text; at each place the longest, cut from its beginning or from its end.

        ``fresh coconut drink`` is fresh coconut from the left, and a drink from the right.
        """
        found: list[Named] = []
        tokens = [(m[0], m.start(), m.end()) for m in TOKEN.finditer(text)]
        first, last = 0, len(tokens)
        longest = self._back if from_right else self._from
        while first < last:
            word = tokens[last - 1 if from_right else first][0]
            longest_here = max(longest.get(word, 0), longest.get(folded(word), 0))
            for length in range(min(longest_here, last - first), 0, -1):
                some = tokens[last - length : last] if from_right else tokens[first : first + length]
                hit = self.of_words(tuple(t[0] for t in some))
                if hit is not None:
                    if hit:
                        found.append(Named(hit, text[some[0][1] : some[-1][2]], some[0][1], some[-1][2]))
                    break
            else:
                length = 1
            first, last = (first, last - length) if from_right else (first + length, last)
        return found + self._in_signs(text) if is_cjk(text) else found

    def _in_signs(self, text: str) -> list[Named]:
        found = []
        at = 0
        while at < len(text):
            for length in range(min(self._longest_signs, len(text) - at), 0, -1):
                hit = self._signs.get(text[at : at + length])
                if hit is not None:
                    found.append(Named(hit, text[at : at + length], at, at + length))
                    at += length - 1
                    break
            at += 1
        return found


@cache
def table_names() -> Mapping[str, tuple[str, ...]]:
    """Every name that is written for an ingredient of the table, by its id."""
    names: dict[str, tuple[str, ...]] = {}
    for family in FAMILIES:
        for ingredient_id, written in family.NAMES.items():
            names[ingredient_id] = tuple(n.strip() for n in written.split("|"))
    return names


def _rows() -> Iterable[tuple[str, str]]:
    for tool in NO_FOOD:
        yield tool, ""
    for item in ingredient_table().values():
        yield item.name, item.id
    for ingredient_id, names in table_names().items():
        for name in names:
            yield name, ingredient_id


@lru_cache(maxsize=4)
def lexicon(shelf: Shelf = ()) -> Lexicon:
    """The table's names with those of a shelf, which win."""
    return Lexicon([*_rows(), *shelf])


def find_all(text: str, shelf: Shelf = (), *, from_right: bool = False) -> list[Named]:
    """Every ingredient named in a plain text, the longest name at each place, in the order of the text."""
    return list(_found(text, shelf, from_right))


@lru_cache(maxsize=8192)
def _found(text: str, shelf: Shelf, from_right: bool) -> tuple[Named, ...]:
    return tuple(sorted(lexicon(shelf).find(text, from_right=from_right), key=lambda n: n.start))
