"""A method cut into sentences, and the numbers that stand in front of them."""

from __future__ import annotations

import re
from collections.abc import Iterator

LONGEST_SENTENCE = 380
ENDS = re.compile(r"\s+(?:→|->|=>|⇒)\s+|(?<=[.!?;。])(?:\s+|(?<=。))|\n+")
ABBREVIATED = re.compile(r"\d ?(?:min|mins|h|hrs?|° ?[cf]|degrees [cf]|c|f)\.$", re.IGNORECASE)
GOES_ON_WITH = re.compile(
    r"(?:or|until|till|at|on|and|per|in|with|then|for|to|over|off|oven|à|a|au|ou|jusqu\w*|dans|puis|o|fino|poi)(?!\w)|[,(&/+\d]",
    re.IGNORECASE,
)
"""“Bake 10 min. or until …”: how it goes on behind a short word with its point."""
NOT_AN_END = re.compile(
    r"(?:\b(?:approx|ca|min|mins|env|no|pp?|th|fig|c|pt|qt|pkg|tbsp|tsp|oz|degrees [fc]|° ?[fc]|lb|etc|q\.b|vs)|^\s*\d{1,2})\.$",
    re.IGNORECASE,
)
DASH = re.compile(r"\s+[–—-]\s+")
STEP = re.compile(
    r"^\s*(?:(?:step|bước|étape|passo|fase|[bs](?=\d{1,2}\s*[:.]))\s*)?(?:(?P<n>\d{1,2})(?:\.\d{1,2}(?=[.)]?(?:\s+[A-Z]|\s*$))\s*[.)]?|\s*(?:[.):：）|](?!\d)|[-/](?=\s)))|(?P<circled>[①-⑳])|(?P<letter>[a-h])\)(?=\s))\s*[:.]?\s*|^\s*(?:step|bước|étape|passo|fase)\s+(?P<told>\d{1,2})(?!\d)[\s:.)–-]*|^\s*(?P<bare>\d{1,2})\s+(?=(?-i:[A-Z][a-z])|\d+(?:に|を|℃|度)|[\u3040-\u9fff])",
    re.IGNORECASE,
)
UNTIL = re.compile(
    r"\s+(?:→|->|=>|⇒)\s+(?=(?:stiff|firm|soft|medium|med|peaks?|ribbon|pale|thick|fluffy|foam\w*|cold|white|\d\d ?°?c?(?=$|[,;.]))(?!\w))"
)
"""“100 whites + 30 sugar -> stiff”."""


def sentences(text: str) -> list[str]:
    """A method cut into sentences, as they were written; numbers of steps and bullets are left out."""
    found: list[str] = []
    for piece in _short(ENDS.split(UNTIL.sub(" until ", text))):
        words = piece.strip()
        if not words:
            continue
        ends = ABBREVIATED.search(found[-1]) and not GOES_ON_WITH.match(words) if found else False
        if found and NOT_AN_END.search(found[-1]) and not words[0].isupper() and not ends:
            found[-1] = f"{found[-1]} {words}"
        else:
            found.append(words)
    bare = (_undashed(STEP.sub("", s, count=1).strip(" -*•·・→")) for s in found)
    return [s for s in bare if len(s) > 1]


def _undashed(sentence: str) -> str:
    """“Yolks + sugar – whisk – oil – whisk”: dashes in place of commas."""
    return DASH.sub(", ", sentence) if len(DASH.findall(sentence)) > 1 else sentence


def _short(pieces: list[str]) -> Iterator[str]:
    """Pieces no longer than can be read at once: what runs on without an end is cut at a comma."""
    for piece in pieces:
        rest = piece
        while len(rest) > LONGEST_SENTENCE:
            cut = max(rest.rfind(mark, 0, LONGEST_SENTENCE) for mark in (", ", "、", " and ", " "))
            cut = cut if cut > 0 else LONGEST_SENTENCE
            yield rest[:cut]
            rest = rest[cut:].lstrip(", 、")
        yield rest


def step_number(text: str) -> int | None:
    """The number that stands in front of a step."""
    match = STEP.match(text)
    if match is None:
        return None
    if match["circled"]:
        return ord(match["circled"]) - ord("①") + 1
    if match["letter"]:
        return ord(match["letter"].lower()) - ord("a") + 1
    return int(match["n"] or match["told"] or match["bare"])
