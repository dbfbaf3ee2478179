"""A temperature's way, kept small however long it gets: its last minutes closely, what lies before them in steps.

What is kept follows from the readings alone, not from when anybody looked.
"""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, field

CLOSELY_S = 300.0
CLOSE_GAP_S = 1.0
"""The last minutes are kept at most once a second."""
STEPS = 120
DRAWN = 60

Reading = tuple[float, float]
"""Seconds since the start, and C."""


@dataclass
class Thinned:
    """A series of at most ``most`` readings over its whole length: when it is full, every other one goes, and the gap
    between those to come doubles."""

    gap_s: float
    most: int = STEPS
    points: list[Reading] = field(default_factory=list)

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading, later than all before it."""
        if self.points and t_s - self.points[-1][0] < self.gap_s:
            return
        self.points.append((t_s, celsius))
        if len(self.points) > self.most:
            self.points = self.points[::2]
            self.gap_s *= 2


@dataclass
class Trail:
    """Readings in order. ``near`` are those of the last :data:`CLOSELY_S` seconds, ``far`` all of them in steps;
    ``peak`` is the first of the highest."""

    count: int = 0
    last: Reading | None = None
    peak: Reading | None = None
    near: list[Reading] = field(default_factory=list)
    far: Thinned = field(default_factory=lambda: Thinned(gap_s=CLOSE_GAP_S))

    @property
    def now_c(self) -> float | None:
        """The last reading; None before the first."""
        return None if self.last is None else self.last[1]

    @property
    def peak_c(self) -> float | None:
        """The highest reading; None before the first."""
        return None if self.peak is None else self.peak[1]

    def take(self, t_s: float, celsius: float) -> None:
        """One more reading, later than all before it."""
        self.count += 1
        self.last = (t_s, celsius)
        if self.peak is None or celsius > self.peak[1]:
            self.peak = self.last
        if not self.near or t_s - self.near[-1][0] >= CLOSE_GAP_S:
            self.near.append(self.last)
            if self.near[0][0] < t_s - CLOSELY_S:
                self.near = [r for r in self.near if r[0] >= t_s - CLOSELY_S]
        self.far.take(t_s, celsius)

    def drawn(self, now_s: float) -> Iterator[Reading]:
        """About a hundred of them, for drawing at a moment; the last one is always among them."""
        since = max(now_s - CLOSELY_S, self.near[0][0]) if self.near else now_s
        far = [r for r in self.far.points if r[0] < since]
        near = [r for r in self.near if r[0] >= since]
        kept = [*far[:: max(1, len(far) // DRAWN)], *near[:: max(1, len(near) // DRAWN)]]
        yield from kept
        if self.last is not None and (not kept or kept[-1] != self.last):
            yield self.last
