"""What usual bakes of the trade take over the model's minutes, by family: for where nothing was timed."""

from __future__ import annotations

from types import MappingProxyType
from typing import NamedTuple


class Usual(NamedTuple):
    """Usual over modelled time, and the half-range of it as a share."""

    factor: float
    spread: float


USUAL = MappingProxyType(
    {
        "round and square": Usual(0.94, 0.20),
        "loaf": Usual(1.12, 0.20),
        "tube": Usual(1.29, 0.20),
        "sheet": Usual(1.27, 0.20),
        "shells": Usual(1.18, 0.20),
        "fingers": Usual(1.62, 0.22),
        "dried meringue": Usual(1.0, 0.22),
    }
)
"""Fitted to usual bakes of the trade that were compiled beforehand (H), two thirds of them; the others check it. The
spread is never less than what recipes of one kind differ by."""
NONE = Usual(1.0, 0.35)
"""A shape that the table does not hold."""


def usual(family: str) -> Usual:
    """What a family's usual bakes take over the model's."""
    return USUAL.get(family, NONE)
