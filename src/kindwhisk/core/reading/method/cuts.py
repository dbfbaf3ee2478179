"""A cake that a method cuts into layers: how many, by its words in five languages."""

from __future__ import annotations

import re

NUMBERS = {
    2: r"2|two|half|halves|deux|moiti[eé]|due|met[aà]|2つ|2枚|đôi|hai",
    3: r"3|three|thirds|trois|tre|3つ|3枚|ba",
    4: r"4|four|quatre|quattro|4つ|4枚|bốn",
}
CUT = (
    r"(?<!\w)(?:cut|slice|split|halve|divide|coupe[rz]?|d[eé]coupe[rz]?|tranche[rz]?|tagli\w+|divid\w+|cắt|スライス|切)"
)
HOW = r"layers?|discs?|disks?|horizontally|rounds?|crosswise|across its width|disques?|[eé]paisseur|dischi|strati|orizzontal\w+|lớp|枚"
SIDEWAYS = re.compile(
    r"strips?|wedges?|portions?|squares?|slices? to serve|pieces|fingers|cubes|each sheet|sheets?|bandes?|quadr\w+"
)


def layers_of(words: str) -> int | None:
    """Into how many layers a plain sentence cuts a cake; None where it cuts it otherwise, or does not say."""
    if SIDEWAYS.search(words) or not re.search(CUT, words):
        return None
    for number, said in NUMBERS.items():
        if re.search(rf"(?<!\w)(?:{said})(?!\w)", words):
            sure = re.search(HOW, words) or (number > 2 and re.search(r"(?<!\w)cake|sponge|g[eé]noise|torta", words))
            return number if sure else None
    if re.search(r"(?<!\w)(?:halve|split)(?!\w).*horizontally", words):
        return 2
    return None
