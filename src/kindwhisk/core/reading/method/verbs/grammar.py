"""What a language's table of verbs holds, and how verbs are found with it."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass
from functools import cached_property
from typing import NamedTuple

from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.names import find_all

FOOD_WITHIN, FOOD_BEGINS = 32, 8
"""How far behind a verb a food may begin, and end, that it is done to."""


class Verb(NamedTuple):
    """A verb in a sentence: what it tells one to do, and where it stands."""

    act: Act
    start: int
    end: int


@dataclass(eq=False)
class Grammar:
    """Verbs as patterns, the most special first, and what may stand in front of one.

    Attributes:
        verbs_of: patterns with what they mean.
        before: what the text in front of a verb must end with; None where a verb may stand anywhere.
        nouns: words that are a verb only where something follows that it is done to; ``with_object`` says what that is.
        says_how: those of the nouns that may only say how a food is (“and warm milk”): a food behind them proves nothing.
        aside: where a stretch begins that tells when or until when, in which a verb counts only with an object; it ends
            at ``aside_ends``.
        verb_last: whether what it is done to stands in front of the verb.
        addressed: a plain sentence as one is told to do it oneself, whoever it speaks of.
    """

    verbs_of: Sequence[tuple[str, Act]]
    before: str | None = None
    nouns: str = ""
    with_object: str = ""
    says_how: frozenset[str] = frozenset()
    aside: str = ""
    aside_ends: str = r"[,;.:]"
    verb_last: bool = False
    addressed: Callable[[str], str] = str

    def __post_init__(self) -> None:
        self._acts = [act for _, act in self.verbs_of]
        bound = "" if self.verb_last else r"(?<![\w'])"
        self._verbs = re.compile(
            bound + "(?:" + "|".join(f"(?P<v{i}>{p})" for i, (p, _) in enumerate(self.verbs_of)) + ")"
        )
        self._before = re.compile(rf"(?:{self.before})\s*$") if self.before is not None else None
        self._and = re.compile(r"(?:\band|\bor|&|,)\s*$")
        self._nouns = re.compile(rf"(?:{self.nouns})\b") if self.nouns else None
        self._with_object = re.compile(rf"\s*(?:{self.with_object})") if self.with_object else None
        self._ends = re.compile(r"\s*(?:[.,;)]|$)")
        self._aside = re.compile(rf"(?<![\w'])(?:{self.aside})(?![\w'])") if self.aside else None
        self._aside_ends = re.compile(self.aside_ends)

    @cached_property
    def words(self) -> tuple[str, ...]:
        """Plain words among the patterns, for slips of the pen."""
        return tuple(w for p in self._verbs.pattern.split("|") for w in re.findall(r"(?<=>)[a-z]{4,}(?=\))", p))

    def _asides(self, text: str) -> list[tuple[int, int]]:
        if self._aside is None:
            return []
        spans = []
        for match in self._aside.finditer(text):
            end = self._aside_ends.search(text, match.end())
            spans.append((match.start(), end.start() if end else len(text)))
        return spans

    def verbs(self, text: str) -> Iterator[Verb]:
        """The verbs of a plain sentence, in its order."""
        asides = self._asides(text)
        at = 0
        while (match := self._verbs.search(text, at)) is not None:
            at = match.end()
            if not self._counts(text, match, asides):
                at = match.start() + 1
                continue
            assert match.lastgroup is not None
            yield Verb(self._acts[int(match.lastgroup[1:])], match.start(), match.end())

    def _counts(self, text: str, match: re.Match[str], asides: list[tuple[int, int]]) -> bool:
        front = text[: match.start()]
        if self._before is None:
            return not any(a <= match.start() < b for a, b in asides)
        if front.strip() and not self._before.search(front):
            return False
        done_to = self._with_object is None or bool(self._with_object.match(text, match.end()))
        if any(a <= match.start() < b for a, b in asides) and not (done_to and self._and.search(front)):
            return False
        done_to = done_to or bool(self._ends.match(text, match.end()))
        needs = (
            self._nouns is not None
            and " " not in match[0]
            and self._nouns.match(match[0]) is not None
            and self._and.search(front) is not None
        )
        return done_to or not needs or (match[0] not in self.says_how and self._names_a_food(text, match.end()))

    def _names_a_food(self, text: str, at: int) -> bool:
        """“…, whip double cream”: a food stands behind it, though no article."""
        found = find_all(text[at : at + FOOD_WITHIN])
        return self.with_object != "" and bool(found) and found[0].start <= FOOD_BEGINS
