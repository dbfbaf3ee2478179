"""What was foretold of something that is over: how far off, and did its range hold it? And many of them, printed."""

from __future__ import annotations

import statistics
from collections.abc import Sequence
from dataclasses import dataclass

from kindwhisk.core.values.estimate import Estimate


@dataclass(frozen=True)
class Told:
    """At some moment: how far off the end was told, above 0 too late, None untold; and whether the range held it."""

    at: float
    off: float | None
    inside: bool

    @classmethod
    def of(cls, at: float, left: Estimate | None, really_left: float, unit: float = 1.0) -> Told:
        """From what was told to be left and what was, both in seconds; off is in so many seconds each."""
        if left is None:
            return cls(at, None, inside=False)
        return cls(at, (left.likely - really_left) / unit, left.low <= really_left <= left.high)


class Misses:
    """Of many: half are off by ``middle`` or less, nine in ten by ``nine``; they lean by ``leans``; ``held`` is the
    share of those told that their range held."""

    def __init__(self, told: Sequence[Told]) -> None:
        offs = [t.off for t in told if t.off is not None]
        self.all, self.told = len(told), len(offs)
        self.middle, self.leans = statistics.median(abs(o) for o in offs), statistics.median(offs)
        self.nine = sorted(abs(o) for o in offs)[int(0.9 * len(offs))]
        self.held = sum(t.inside for t in told if t.off is not None) / len(offs)

    def in_words(self, times: float, unit: str, places: int) -> str:
        """As a line says it, in a unit of which one of theirs is so many ``times``."""
        return (
            f"median {times * self.middle:.{places}f} {unit} (leans {times * self.leans:+.{places}f}), nine in ten "
            f"{times * self.nine:.{places}f} {unit}, in range {100 * self.held:.0f} % of {self.told} of {self.all}"
        )
