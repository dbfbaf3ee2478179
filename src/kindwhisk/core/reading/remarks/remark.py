"""A remark on a recipe: what it forgets or gets wrong, and what comes of it."""

from __future__ import annotations

from collections.abc import Iterable
from enum import StrEnum

from kindwhisk.core.values.model import Value


class Level(StrEnum):
    """How much it matters."""

    WRONG = "wrong"
    MISSING = "missing"
    RISK = "risk"


class Remark(Value):
    """A fault of a recipe: where it stands, what it is, and what comes of it."""

    id: str
    level: Level
    where: str
    text: str
    consequence: str


MISSING: dict[str, tuple[str, str]] = {
    "no-temperature": ("No oven temperature is given.", "The usual one for this class is proposed: confirm it."),
    "no-tin": ("No tin with its size is named.", "Depth decides the time in the oven: a usual tin is proposed."),
    "no-end-point": (
        "It does not say how to tell that it is done.",
        "A time is true for one oven only; the usual end point is proposed.",
    ),
    "no-time": ("No time in the oven is given.", "The usual one for this class and tin is proposed."),
}
"""What a bake needs and a recipe may not say: what is missing, and what comes of it."""


def missing(remark_id: str, where: str = "") -> Remark:
    """The remark on something that a bake needs and the recipe does not say."""
    text, consequence = MISSING[remark_id]
    return Remark(id=remark_id, level=Level.MISSING, where=where, text=text, consequence=consequence)


def no_amount(name: str, where: str) -> Remark:
    """The remark on something that is used without an amount."""
    return Remark(
        id="no-amount",
        level=Level.MISSING,
        where=where,
        text=f"No amount of {name} is given.",
        consequence="It is left out of the draft, its weight and its water are not counted.",
    )


def ordered(found: Iterable[Remark]) -> tuple[Remark, ...]:
    """Remarks once each, the wrong ones first."""
    return tuple(sorted(dict.fromkeys(found), key=lambda r: list(Level).index(r.level)))
