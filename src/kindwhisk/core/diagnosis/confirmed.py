"""What bakes whose cause was confirmed teach of a fault's weights."""

from __future__ import annotations

from collections import Counter
from collections.abc import Iterable, Sequence

from kindwhisk.core.diagnosis.faults import UNLISTED, UNLISTED_WEIGHT, Fault
from kindwhisk.core.values.model import Value

WORTH_BAKES = 8.0
"""The table's weights count as much as so many confirmed bakes. Chosen."""


class Confirmed(Value):
    """A bake's fault (its words) whose cause (its key, or :data:`~.faults.UNLISTED`) was confirmed."""

    fault: str
    cause: str


def taught(fault: Fault, confirmed: Iterable[Confirmed]) -> dict[str, float]:
    """The weights of a fault's causes, by the table and by this kitchen's own bakes; they add up to what the table's
    do.

    A Dirichlet distribution: each confirmed bake adds one to its cause. Those of other faults tell nothing.
    """
    table = {**fault.causes, UNLISTED: UNLISTED_WEIGHT}
    total = sum(table.values())
    own = Counter(c.cause for c in confirmed if c.fault == fault.words and c.cause in table)
    counted = {key: WORTH_BAKES * weight / total + own[key] for key, weight in table.items()}
    return {key: total * value / (WORTH_BAKES + own.total()) for key, value in counted.items()}


def weights_of(faults: Sequence[Fault], confirmed: Sequence[Confirmed]) -> list[dict[str, float]]:
    """Those of each fault, in their order."""
    return [taught(fault, confirmed) for fault in faults]


def behind(faults: Sequence[Fault], cause: str, confirmed: Iterable[Confirmed]) -> int:
    """How many confirmed bakes of these faults had that cause."""
    known = {f.words for f in faults}
    return sum(1 for c in confirmed if c.fault in known and c.cause == cause)
