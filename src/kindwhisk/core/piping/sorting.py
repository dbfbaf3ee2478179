"""Sorted before they are paired: by size, and by what became of them; what fills a pair."""

from __future__ import annotations

import math
from collections.abc import Sequence

from pydantic import Field

from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

WITHIN_MM = 1.0
"""Two shells whose widths differ by no more than this make a pair. Trade habit."""
SPARE = Estimate(low=0.02, likely=0.05, high=0.12, basis=Basis.HABIT)
"""Share that does not come out good: so many more are piped. Trade habit, replaced by this kitchen's own counts."""
RIM_MM = 3.0
"""The filling ends so far from the edge of a shell: pressed together it comes to it. Trade habit."""
THICK_MM = 4.0
BAG_SHARE = 0.08
"""Of a filling, what stays in bowl and bag. Trade habit."""


class Counted(Value):
    """What became of the pieces of a tray (or of all): good ones, and those that are broken, cracked or hollow."""

    good: int = Field(ge=0, le=5000)
    broken: int = Field(default=0, ge=0, le=5000)
    cracked: int = Field(default=0, ge=0, le=5000)
    hollow: int = Field(default=0, ge=0, le=5000)

    @property
    def pieces(self) -> int:
        """All of them."""
        return self.good + self.broken + self.cracked + self.hollow

    @property
    def share_good(self) -> float:
        """Of all; 1 where there are none."""
        return self.good / self.pieces if self.pieces else 1.0


def together(counts: Sequence[Counted]) -> Counted:
    """The counts of several trays as one."""
    return Counted(
        good=sum(c.good for c in counts),
        broken=sum(c.broken for c in counts),
        cracked=sum(c.cracked for c in counts),
        hollow=sum(c.hollow for c in counts),
    )


Counts = tuple[tuple[int, Counted], ...]
"""What was counted, by tray; 0 for all of them together."""


def whole(counts: Counts, piped: int, trays: int) -> Counted | None:
    """All ``piped`` pieces by what was counted so far; on trays that nobody has counted yet they are taken for good.

    None where nothing was counted.
    """
    by_tray = dict(counts)
    if not by_tray:
        return None
    if 0 in by_tray:
        return by_tray[0]
    told = together(list(by_tray.values()))
    left = max(0, piped - told.pieces) if len(by_tray) < trays else 0
    return told.model_copy(update={"good": told.good + left})


class PiecePair(Value):
    """Two pieces of nearly one size."""

    larger_mm: float
    smaller_mm: float


class Paired(Value):
    """Pairs, the largest first, and the sizes (mm) that are left without a partner."""

    pairs: tuple[PiecePair, ...]
    single_mm: tuple[float, ...]


def pair(sizes_mm: Sequence[float], within_mm: float = WITHIN_MM) -> Paired:
    """The most pairs whose sizes differ by no more than ``within_mm``: neighbours by size, from the largest."""
    left = sorted(sizes_mm, reverse=True)
    pairs, single = [], []
    at = 0
    while at < len(left):
        if at + 1 < len(left) and left[at] - left[at + 1] <= within_mm + 1e-9:
            pairs.append(PiecePair(larger_mm=left[at], smaller_mm=left[at + 1]))
            at += 2
        else:
            single.append(left[at])
            at += 1
    return Paired(pairs=tuple(pairs), single_mm=tuple(single))


def filling_g(diameter_mm: float, thickness_mm: float, density_g_per_ml: float) -> float:
    """A disc of filling, in g. Source: analytic."""
    return math.pi / 4 * diameter_mm**2 * thickness_mm * density_g_per_ml / 1000


class Filling(Value):
    """The filling of so many pairs: of each, of all, and with what stays in bowl and bag (g)."""

    each_g: float
    pairs: int
    total_g: float
    made_g: float


def filling(pairs: int, shell_mm: float, density_g_per_ml: float, thickness_mm: float = THICK_MM) -> Filling:
    """The filling for ``pairs`` of shells, up to a few mm from their edge."""
    each = filling_g(max(1.0, shell_mm - 2 * RIM_MM), thickness_mm, density_g_per_ml)
    return Filling(each_g=each, pairs=pairs, total_g=pairs * each, made_g=pairs * each / (1 - BAG_SHARE))


def with_spare(wanted: int, spare: Estimate = SPARE) -> int:
    """How many to pipe so that ``wanted`` are good."""
    return math.ceil(wanted / (1 - spare.likely) - 1e-9)
