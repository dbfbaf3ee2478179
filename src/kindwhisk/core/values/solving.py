"""Where a rising curve crosses zero: the one way in which a table or an equation is read backward here."""

from __future__ import annotations

from collections.abc import Callable

MOST_STEPS = 100


def rising_root(
    curve: Callable[[float], float],
    low: float,
    high: float,
    *,
    within: float = 1e-9,
    slope: Callable[[float], float] | None = None,
    guess: float | None = None,
) -> float:
    """Where ``curve``, which rises from ``low`` to ``high``, is zero; the nearer end where it crosses outside.

    By bisection; where the ``slope`` is known, by Newton's steps from a ``guess`` for as long as they stay inside the
    bracket.

    Args:
        curve: rising over the bracket.
        low, high: the bracket.
        within: how exactly the crossing is found, in the units of the bracket.
        slope: the curve's derivative.
        guess: where to begin, if anything is known.
    """
    at = (low + high) / 2 if guess is None else min(max(guess, low), high)
    for _ in range(MOST_STEPS):
        missing = -curve(at)
        low, high = (at, high) if missing > 0 else (low, at)
        steep = slope(at) if slope is not None else 0.0
        following = at + missing / steep if steep > 0 else low
        if not low < following < high:
            following = (low + high) / 2
        if high - low <= within or abs(following - at) < within:
            return following
        at = following
    return at
