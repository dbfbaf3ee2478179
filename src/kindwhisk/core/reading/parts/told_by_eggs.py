"""Lines that tell an amount by the weight of the eggs: “their weight in sugar”, “flour, half the weight of the eggs”."""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import NamedTuple

from kindwhisk.core.reading.amounts import in_figures
from kindwhisk.core.reading.plain import folded, plain

SHARES = {
    **dict.fromkeys(
        ("half", "half of", "la moitie de", "moitie de", "la moitie du", "moitie du", "la meta del", "meta del"), 0.5
    ),
    **dict.fromkeys(("twice", "double", "le double de", "le double du", "il doppio del"), 2.0),
    **dict.fromkeys(("a quarter of", "le quart de", "un quarto del"), 0.25),
}
_EGGS = r"(?:eggs?|oeufs?|uov[ao])"
_TOLD = (
    rf"(?:(?P<share>{'|'.join(sorted(SHARES, key=len, reverse=True))}) )?(?:the |le |lo |il |an? )?"
    rf"(?:(?:their|its|leur|loro) (?:own )?(?:weight|poids|peso)|(?:same|equal|meme|stesso) (?:weight|poids|peso)"
    rf"(?: (?:as|of|que|des|delle) (?:the |les |le )?{_EGGS})?"
    rf"|(?:weight|poids|peso) (?:of |des |delle |de |d'|di |du )(?:the |les |le )?(?:(?P<count>\d{{1,2}})(?: {_EGGS})?|{_EGGS}))(?!\w)"
)
BEGINS = r"(?:half )?(?:(?:their|its|the|the same|equal) weight (?:in|of) |(?:leur|le même) poids |(?:il loro|lo stesso) peso )"
"""How such a line begins behind another, in one row with it."""
_SPEAKS = re.compile("weight|poids|peso", re.IGNORECASE)
_BEFORE = re.compile(rf"{_TOLD} ?(?:in |of |en |de |d'|di )?(?P<food>(?!{_EGGS}(?!\w))[^\W\d].*)")
_BEHIND = re.compile(rf"(?P<food>[^\W\d][^,:]*)[,:] {_TOLD}")
_SEVERAL = re.compile(r"(?:,| and| et| e)(?: in| of| en| de| di)? ")


class ByTheEggs(NamedTuple):
    """So many times the weight of some eggs, those of the list where none are counted, of each of some foods."""

    share: float
    eggs: float | None
    foods: tuple[str, ...]


def _spelled(text: str) -> str:
    return folded(in_figures(plain(text))).rstrip(" .")


def by_the_eggs(text: str) -> ByTheEggs | None:
    """What a line says by the weight of the eggs; None where it says nothing so."""
    if _SPEAKS.search(text) is None:
        return None
    match = _BEFORE.fullmatch(_spelled(text)) or _BEHIND.fullmatch(_spelled(text))
    if match is None:
        return None
    foods = tuple(food.strip() for food in _SEVERAL.split(match["food"]) if food.strip())
    return ByTheEggs(SHARES.get(match["share"] or "", 1.0), float(match["count"]) if match["count"] else None, foods)


def one_by_one(text: str) -> Sequence[str]:
    """“Their weight in sugar and flour” as a line each; nothing where there is one food, or none so told."""
    means = by_the_eggs(text)
    if means is None or len(means.foods) < 2:
        return ()
    told = _spelled(text).partition(means.foods[0])[0]
    return tuple(f"{told}{food}" for food in means.foods)
