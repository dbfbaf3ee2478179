"""Tins and trays as recipes name them: ``9-inch tube pan``, ``moule de 20 cm``, ``15cm丸型``."""

from __future__ import annotations

import re

from kindwhisk.core.reading.plain import plain
from kindwhisk.core.tins.shapes import SHAPES, Tin
from kindwhisk.core.values.model import Value

INCH_MM = 25.4
_LENGTH = r"(\d{1,3}(?:\.\d+)?(?:\s*1/2)?)"
_UNIT = r"(?:-|\s)*(inch(?:es)?|in\.?(?!\w)|\"|''|cm|mm|センチ|pouces)"
_TWO = re.compile(
    rf"{_LENGTH}(?:{_UNIT})?\s*(?:x|by|×|\*)\s*{_LENGTH}(?:(?:{_UNIT})?\s*(?:x|by|×)\s*{_LENGTH})?{_UNIT}"
)
_ONE = re.compile(rf"{_LENGTH}{_UNIT}")
TIN_WORD = "|".join(shape.words for shape in SHAPES if shape.words)


class NamedTin(Value):
    """A tin that a text names; ``depth_stated`` is False where its depth was taken from habit."""

    name: str
    tin: Tin
    depth_stated: bool


def _mm(figure: str, unit: str | None) -> float:
    whole, _, half = figure.partition(" ")
    value = float(whole) + (0.5 if half or figure.endswith("1/2") else 0.0)
    unit = unit or "cm"
    return value * (INCH_MM if unit[0] in "i\"'p" else 1.0 if unit == "mm" else 10.0)


def find_tin(text: str) -> NamedTin | None:
    """The first tin that a text names with a size; None where it names none."""
    for sentence in re.split(r"(?<=[.;。\n])\s+|\n", text):
        line = plain(sentence)
        if not re.search(TIN_WORD, line):
            continue
        two = _TWO.search(line)
        if two:
            unit = two[2] or two[6]
            sides = sorted((_mm(two[1], unit), _mm(two[3], unit)))
            third = _mm(two[5], two[4] or unit) if two[5] else None
            if sides[0] >= 40 and sides[1] <= 800:
                return _named(line, (sides[0], sides[1]), third)
        one = next((m for m in _ONE.finditer(line) if 60 <= _mm(m[1], m[2]) <= 600), None)
        if one:
            return _named(line, (_mm(one[1], one[2]),), None)
    return None


def _named(line: str, sizes: tuple[float, ...], depth: float | None) -> NamedTin | None:
    """The tin of the first shape that the words and lengths suit: the more special ones are asked first."""
    if depth is not None and depth > sizes[0]:
        depth = None
    for shape in reversed(SHAPES):
        tin = shape.named_by(line, sizes, depth)
        if tin is not None:
            label = " x ".join(f"{size / 10:.0f}" for size in sizes)
            return NamedTin(name=f"{label} cm {tin.shape}", tin=tin, depth_stated=depth is not None)
    return None
