"""After a bake, one honest sentence: what it says, and the one thing to do otherwise."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.diagnosis.explanation import FAIRLY, Explanation
from kindwhisk.core.measures import GOOD_STARS, BakeMeasure

WORTH_SAYING = 2.0
"""From so many standard deviations on, a figure of a good bake is worth a word. Chosen."""


def in_short(stars: int, why: Explanation | None, measures: Sequence[BakeMeasure]) -> str:
    """The sentence; empty where nothing is to be said.

    Args:
        stars: how good it was, 1 to 5.
        why: what its faults come from, where it has any.
        measures: its figures.
    """
    if why is not None:
        first = why.causes[0] if why.causes else None
        if first is None or why.humble or first.probability < FAIRLY:
            ask = why.ask[0] if why.ask else None
            hint = f" Next time: {_small(ask.measure)}" if ask and ask.measure else ""
            return f"{why.says}{hint}"
        return f"{why.says} Next time: {_small(first.lever)}"
    far = [m for m in measures if m.off is not None and abs(m.off) >= WORTH_SAYING and m.trend]
    if not far:
        return ""
    told = max(far, key=lambda m: (abs(m.off or 0.0), m.key))
    side = "more" if (told.off or 0.0) > 0 else "less"
    if stars >= GOOD_STARS:
        return f"It came out well, though {_small(told.words)} was {side} than was to be expected: watch that one."
    return f"No fault was named. What stands out: {_small(told.words)}, {side} than was to be expected."


def _small(words: str) -> str:
    return words[:1].lower() + words[1:]
