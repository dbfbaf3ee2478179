"""Remarks on amounts: unknown goods, none given, cups that misjudge, two statements that disagree."""

from __future__ import annotations

from collections.abc import Iterator, Sequence

from kindwhisk.core.reading.line import DISAGREE, ReadLine
from kindwhisk.core.reading.remarks.remark import Level, Remark, no_amount

UNNAMED = {"water", "salt"}
CUP_WORTH_G = 20.0
MISJUDGED = {"dry measure"}


def on_amounts(lines: Sequence[ReadLine]) -> Iterator[Remark]:
    """What can't be weighed, is judged by cup, or is stated in two ways."""
    for line in lines:
        if line.ingredient is None:
            yield Remark(
                id="unknown",
                level=Level.MISSING,
                where=line.text,
                text=f"“{line.unknown or line.text}” is not known here.",
                consequence="Only its weight counts, and no list of allergens is complete, until you say what it is.",
            )
        elif line.grams is None and line.ingredient not in UNNAMED:
            yield no_amount(line.name, line.text)
        if line.by in MISJUDGED and (line.grams or 0) >= CUP_WORTH_G and line.ingredient:
            spread = ((line.high_g or 0) - (line.low_g or 0)) / 2
            yield Remark(
                id="cup",
                level=Level.RISK,
                where=line.text,
                text=f"A cup misjudges {line.name} by a tenth and more.",
                consequence=f"Taken as {line.grams:.0f} g, give or take {spread:.0f} g: weigh it once and keep that.",
            )
        far = [s for s in line.stated if line.grams and abs(s / line.grams - 1) > DISAGREE]
        if far:
            yield Remark(
                id="disagrees",
                level=Level.WRONG,
                where=line.text,
                text=f"Two statements of one amount: {line.grams:.0f} g and {far[0]:.0f} g.",
                consequence="The weight was taken; if the other is right, the balance below is off.",
            )
