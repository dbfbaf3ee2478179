"""What a clause names, and which of it the rest goes to."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass

from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.shares import ALL, Mention, Share

TO = re.compile(
    r"(?<!\w)(?:into|onto|to(?! an? | (?:the )?(?:boil|simmer|ribbon|soft|stiff|firm|medium|peaks?|room|cool|\d))|over(?! (?:\w+ ){0,3}(?:water|heat))|on(?: top of)?(?! (?:high|low|medium|a |full|the (?:hot|warm|boiling)))|"
    r"through|dans|aux?|à(?! \d| (?:grande|petite|moyenne|pleine|vitesse|feu|température|ébullition|la main|la maryse))|sur|al(?! (?:massimo|minimo))|all(?=')|allo|alla|agli|alle|ai|nell(?=')|nella?|nelle|nello|negli|nel|sul|sull(?=')|sulla|sullo|sui|sugli|sulle|vào|lên)(?!\w)"
)
ALONG = re.compile(r"(?<!\w)(?:with|together with|avec|con|along)(?!\w)")
FIRST_WORDS = 8
CJK_TO = re.compile(r"に(?=[^にを]*を)(?!分け)")


@dataclass
class Item:
    """Something that a clause names: a result or some of an ingredient; ``target`` where others go to it."""

    start: int
    made: Made | None = None
    mention: Mention | None = None
    share: Share = ALL
    target: bool = False


def without(items: Iterable[Item], made: Made | None) -> list[Item]:
    """Items that are not a certain result; all of them where there is none."""
    return [i for i in items if made is None or i.made is not made]


def mark_targets(clause: Clause, text: str, found: list[Item]) -> None:
    """Mark what others go to."""
    cjk = CJK_TO.search(text)
    if TO.match(text) and clause.verb[0] > 0:
        # “To the yolks I add the sugar”.
        start, stop = 0, clause.verb[0]
    elif cjk:
        start, stop = 0, cjk.start()
    else:
        start, stop = _after_to(text, found)
    for item in found:
        item.target = start <= item.start < stop


def _after_to(text: str, found: list[Item]) -> tuple[int, int]:
    """From where to where a text says what others go to; an empty stretch where it doesn't."""
    for way in TO.finditer(text):
        if any(i.start >= way.end() for i in found) and any(i.start < way.start() for i in found):
            end = re.search(rf"[,;]|{ALONG.pattern}", text[way.end() :])
            return way.end(), way.end() + end.start() if end else len(text)
    one = TO.search(text)
    if one is None:
        return 0, 0
    if len(found) == 1:
        return one.end(), len(text)
    along = ALONG.search(text, one.end()) if one.start() < FIRST_WORDS else None
    if along is None and re.match(r"(?:on|over)", one[0]) and not text[: one.start()].strip() and "," not in text:
        # “Pour onto the yolks and the egg.”
        return one.end(), len(text)
    # “Into the ricotta with the pears.”
    return one.end(), along.start() if along is not None else one.end()
