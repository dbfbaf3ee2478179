"""What is asked about a recipe wherever its oven, its time or its tin is not told, and what is assumed until it is."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.reading.goods import Question
from kindwhisk.core.reading.parts import Row
from kindwhisk.core.reading.tins_named import NamedTin


def no_oven(usual_c: float) -> Question:
    """No temperature."""
    return Question(field="oven", text="No oven temperature was found.", assumed=f"{usual_c:.0f} °C")


def no_minutes(usual: float) -> Question:
    """No time in the oven."""
    return Question(field="minutes", text="No time in the oven was found.", assumed=f"{usual:.0f} min")


def no_tin(usual: str) -> Question:
    """No tin with a size."""
    return Question(field="tin", text="No tin with its size was found.", assumed=usual)


def how_deep(tin: NamedTin) -> Question:
    """A tin whose depth was taken from habit."""
    depth = f"{tin.tin.depth_mm:.0f} mm deep"
    return Question(field="tin", text=f"How deep is the {tin.name} tin inside?", assumed=depth)


def longer_than_one(rows: Sequence[Row]) -> Sequence[Question]:
    """More than one recipe holds; nothing where all of it was read."""
    beyond = [row.text for row in rows if row.beyond]
    if not beyond:
        return ()
    text = f"This is longer than one recipe: {len(beyond)} rows from “{beyond[0][:60]}” on were not read."
    return (Question(field="text", text=text, assumed="what stands above them; paste one recipe at a time"),)
