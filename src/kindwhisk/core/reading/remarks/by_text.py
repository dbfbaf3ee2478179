"""Remarks on a recipe that tells no steps: on its amounts, and on what its words leave out."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.method.figures import MethodReading
from kindwhisk.core.reading.remarks.amounts import on_amounts
from kindwhisk.core.reading.remarks.proportions import on_proportions
from kindwhisk.core.reading.remarks.remark import Level, Remark
from kindwhisk.core.reading.usual import PIPED
from kindwhisk.core.values.technique import Technique


def _missing(method: MethodReading, technique: Technique) -> Iterator[Remark]:
    if technique is Technique.MOUSSE:
        return
    missing = (
        ("no-temperature", method.oven_c is None, "No oven temperature is given.", "The usual one for this class is proposed: confirm it."),
        ("no-tin", method.tin is None and technique not in PIPED, "No tin with its size is named.",
         "Depth decides the time in the oven: a usual tin is proposed."),
        ("no-end-point", not method.end_point, "It does not say how to tell that it is done.",
         "A time is true for one oven only; the usual end point is proposed."),
        ("no-time", method.bake_minutes is None, "No time in the oven is given.", "The usual one for this class and tin is proposed."),
    )  # fmt: skip
    for remark, there, text, consequence in missing:
        if there:
            yield Remark(id=remark, level=Level.MISSING, where="", text=text, consequence=consequence)


def on_text(lines: Sequence[ReadLine], method: MethodReading, technique: Technique) -> tuple[Remark, ...]:
    """Every remark that needs no steps, the wrong ones first."""
    found = [*on_amounts(lines), *on_proportions(lines), *_missing(method, technique)]
    return tuple(sorted(found, key=lambda r: list(Level).index(r.level)))
