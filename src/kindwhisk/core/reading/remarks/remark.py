"""A remark on a recipe: what it forgets or gets wrong, and what comes of it."""

from __future__ import annotations

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
