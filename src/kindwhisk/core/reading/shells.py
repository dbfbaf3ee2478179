"""Eggs that are told with their shells or without: “200 g eggs in their shells”."""

from __future__ import annotations

import re

from kindwhisk.core.ingredients.eggs import SHARE_SPREAD, SHELL_SHARE
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.weighing import Weighed

_SHELL = r"(?: the| their| leur| la| il)? ?(?:shells?|coquilles?|guscio)(?!\w)"
_IN = re.compile(rf"(?<!\w)(?:in|with|avec|dans|con|col|nel){_SHELL}")
_WITHOUT = re.compile(rf"(?<!\w)(?:without|out of|sans|hors|senza|shelled){_SHELL}")
SHELLED = rf"(?<=\w),? \(?(?:weighed |pesés? |pesate )?(?:in|with|without|avec|sans|con|senza){_SHELL}\)?"
"""What a line says of shells, which is no part of the food's name."""


def in_shell(text: str) -> bool:
    """Whether a text says that eggs are weighed with their shells."""
    return _IN.search(plain(text)) is not None


def without_shell(text: str) -> bool:
    """Whether a text says that eggs are weighed without their shells."""
    return _WITHOUT.search(plain(text)) is not None


def out_of_the_shell(weighed: Weighed) -> Weighed:
    """What comes out of eggs that were weighed with their shells."""
    inside = 1 - SHELL_SHARE
    return weighed._replace(
        low=weighed.low * inside * (1 - SHARE_SPREAD),
        likely=weighed.likely * inside,
        high=weighed.high * inside * (1 + SHARE_SPREAD),
        note=f"{weighed.note} Without the shells, which are {SHELL_SHARE:.0%} of it.".strip(),
    )
