"""Remarks on a recipe that tells no steps: on its amounts, and on what its words leave out."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.method.figures import MethodReading
from kindwhisk.core.reading.remarks.amounts import on_amounts
from kindwhisk.core.reading.remarks.proportions import on_proportions
from kindwhisk.core.reading.remarks.remark import Remark, missing, ordered
from kindwhisk.core.reading.usual import PIPED
from kindwhisk.core.values.technique import Technique


def _missing(method: MethodReading, technique: Technique) -> Iterator[Remark]:
    if technique is Technique.MOUSSE:
        return
    lacks = {
        "no-temperature": method.oven_c is None,
        "no-tin": method.tin is None and technique not in PIPED,
        "no-end-point": not method.end_point,
        "no-time": method.bake_minutes is None,
    }
    yield from (missing(remark) for remark, lacking in lacks.items() if lacking)


def on_text(lines: Sequence[ReadLine], method: MethodReading, technique: Technique) -> tuple[Remark, ...]:
    """Every remark that needs no steps, the wrong ones first."""
    return ordered([*on_amounts(lines), *on_proportions(lines), *_missing(method, technique)])
