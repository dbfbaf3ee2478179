"""Two calls timed side by side in one run, so that a ratio means something on any machine."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from dataclasses import dataclass


@dataclass(frozen=True)
class Pair:
    """Medians of two calls in seconds, and of their ratio round by round."""

    first_s: float
    second_s: float
    ratio: float


def timed(call: Callable[[], object]) -> float:
    """Seconds that one call takes."""
    began = time.perf_counter()
    call()
    return time.perf_counter() - began


def side_by_side(first: Callable[[], object], second: Callable[[], object], rounds: int = 60) -> Pair:
    """Both calls in turns, so that whatever else the machine does falls on both."""
    first()
    second()
    pairs = [(timed(first), timed(second)) for _ in range(rounds)]
    return Pair(
        first_s=statistics.median(a for a, _ in pairs),
        second_s=statistics.median(b for _, b in pairs),
        ratio=statistics.median(a / b for a, b in pairs),
    )
