"""A list that gives its lines letters, and a method that may name them so: “W 120 g whites … whip W”."""

from __future__ import annotations

import re

LABEL = re.compile(
    r"^[ \t]*(?P<letter>[A-Z])[ \t]*[:=.)]?[ \t]+(?=\d)(?P<lines>[^\n]*(?:\n[ \t]*\d[^\n]*)*)", re.MULTILINE
)
"""A lettered line with those that follow it without a letter of their own: “A 100 g flour”, “10 g cocoa” under it."""
AMOUNT = re.compile(r"^\s*\d[\d.,/]*[ \t]*(?:g|ml|kg|tsp|tbsp|x)?(?![^\W\d])[ \t]*", re.IGNORECASE)
LEAST = 3
"""Fewer letters than this are no list of letters."""
ARTICLE = r"(?:(?<=[.!?] )|(?<=\n)|(?<=^))[AI](?= (?!and |with |to |in |into |until |for )[a-z])"
"""“A third of B”: at the head of a sentence it is a word."""


def _foods(lines: str) -> str:
    return " and ".join(re.split(r"[,(]", AMOUNT.sub("", line))[0].strip() for line in lines.split("\n"))


def unlettered(text: str) -> str:
    """The text without the letters, each named by its foods where a sentence below means it; any other as it is."""
    found = list(LABEL.finditer(text))
    labels = {m["letter"]: _foods(m["lines"]) for m in found}
    if len(labels) < LEAST:
        return text
    # “195 C” and “9 F” are degrees.
    meant = re.compile(rf"{ARTICLE}|(?<![\w°'’])(?<!\d )(?P<letter>{'|'.join(sorted(labels))})(?![\w'’])")
    below = meant.sub(lambda m: labels[m["letter"]] if m["letter"] else m[0], text[found[-1].end() :])
    return LABEL.sub(r"\g<lines>", text[: found[-1].end()]) + below
