"""A list that gives each line a letter, and a method that may name the lines by it: “W 120 g whites … whip W”."""

from __future__ import annotations

import re

LABEL = re.compile(r"^[ \t]*(?P<letter>[A-Z])[ \t]*[:=.)]?[ \t]+(?=(?P<line>\d[^\n]*))", re.MULTILINE)
AMOUNT = re.compile(r"^\d[\d.,/]*[ \t]*(?:g|ml|kg|tsp|tbsp|x)?(?![^\W\d])[ \t]*", re.IGNORECASE)
LEAST = 3
"""Fewer lettered rows than this are no list of letters."""


def unlettered(text: str) -> str:
    """The text without the letters, each named by its food where a sentence means it; any other text as it is."""
    labels = {m["letter"]: AMOUNT.sub("", m["line"]).strip() for m in LABEL.finditer(text)}
    if len(labels) < LEAST:
        return text
    # “195 C” and “9 F” are degrees.
    meant = re.compile(rf"(?<![\w°'’])(?<!\d )(?:{'|'.join(sorted(labels))})(?![\w'’])")
    return meant.sub(lambda m: labels[m[0]], LABEL.sub("", text))
