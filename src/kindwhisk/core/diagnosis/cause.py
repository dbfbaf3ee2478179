"""A cause: what it is, what shows it, and what is done about it the next time."""

from __future__ import annotations

from enum import StrEnum

from pydantic import Field

from kindwhisk.core.values.model import Value


class Weight(Value):
    """How a sign shows a cause.

    ``by`` is by how many standard deviations a measured sign lies off (+ above, − below) when the cause was at work;
    for a question it is how telling the answer is (+ yes, − no speaks for it), 1 weak, 2 fair, 3 as good as proof.
    """

    sign: str
    by: float = Field(ge=-4, le=4)


class Lever(StrEnum):
    """What of a step is changed; :mod:`~kindwhisk.core.process.levers` does it."""

    OVEN_COOLER = "oven 10 °C cooler"
    OVEN_HOTTER = "oven 10 °C hotter"
    BAKE_ON = "two minutes longer"
    RACK_LOWER = "one rack lower"
    RACK_HIGHER = "one rack higher"


class Cause(Value):
    """Something that can go wrong at a step.

    ``words`` name it, ``why`` says how it does what it does, ``lever`` what to do next time. ``at`` are the kinds of
    step that it belongs to, the likeliest first; ``change`` is what can be changed there, where a note is not all.
    """

    key: str
    words: str
    why: str
    lever: str
    at: tuple[str, ...]
    shows: tuple[Weight, ...] = ()
    change: Lever | None = None


def cause(key: str, words: str, why: str, lever: str, at: str, *, change: Lever | None = None, **shows: float) -> Cause:
    """A row of a table: ``at`` names kinds of step, parted by commas; signs are written with _ for -."""
    weights = tuple(Weight(sign=name.replace("_", "-"), by=by) for name, by in shows.items())
    return Cause(key=key, words=words, why=why, lever=lever, at=tuple(at.split(", ")), shows=weights, change=change)
