"""Which of five languages a text is in."""

from __future__ import annotations

import re

from kindwhisk.core.reading.plain import is_cjk

MARKS: dict[str, re.Pattern[str]] = {
    "vi": re.compile(r"[ăđơưạảấầẩẫậắằẳẵặẹẻẽếềểễệỉịọỏốồổỗộớờởỡợụủứừửữựỳỵỷỹ]"),
    "fr": re.compile(
        r"(?<!\w)(?:le|la|les|des|du|de|et|dans|avec|une?|jusqu\w*|œufs?|blancs?|jaunes?|puis|sur|au|aux|four|farine|sucre|beurre)(?!\w)"
    ),
    "it": re.compile(
        r"(?<!\w)(?:il|lo|gli|di|e|con|nel|della|una?|per|fino|uova|albumi|tuorli|zucchero|farina|poi|al|in|forno|stampo|teglia)(?!\w)"
    ),
    "en": re.compile(
        r"(?<!\w)(?:the|and|of|with|in|into|until|a|an|for|then|at|to|eggs?|sugar|flour|oven|minutes?|cream|whites?|yolks?)(?!\w)"
    ),
}
"""Small words, and signs, that are frequent in one and rare in the others."""


def language_of(text: str) -> str:
    """``en``, ``fr``, ``it``, ``ja`` or ``vi``; English where nothing tells."""
    start = text[:6000].lower()
    if is_cjk(start):
        return "ja"
    counts = {name: len(mark.findall(start)) for name, mark in MARKS.items()}
    return max(("en", "fr", "it", "vi"), key=lambda name: counts[name])
