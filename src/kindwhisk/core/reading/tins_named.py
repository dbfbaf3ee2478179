"""Tins and trays as recipes name them: ``9-inch tube pan``, ``moule de 20 cm``, ``15cm丸型``."""

from __future__ import annotations

import re

from kindwhisk.core.reading.plain import plain
from kindwhisk.core.tins.shapes import (
    BoxDimensions,
    BoxTin,
    LoafDimensions,
    LoafTin,
    RoundDimensions,
    RoundTin,
    Tin,
    TubeDimensions,
    TubeTin,
)
from kindwhisk.core.values.model import Value

INCH_MM = 25.4
ROUND_DEPTH, SQUARE_DEPTH, SHEET_DEPTH = 60.0, 50.0, 20.0
"""Depths of tins that are named without one, in mm. Trade habit: ask."""
_LENGTH = r"(\d{1,3}(?:\.\d+)?(?:\s*1/2)?)"
_UNIT = r"(?:-|\s)*(inch(?:es)?|in\.?(?!\w)|\"|''|cm|mm|センチ|pouces)"
_TWO = re.compile(
    rf"{_LENGTH}(?:{_UNIT})?\s*(?:x|by|×|\*)\s*{_LENGTH}(?:(?:{_UNIT})?\s*(?:x|by|×)\s*{_LENGTH})?{_UNIT}"
)
_ONE = re.compile(rf"{_LENGTH}{_UNIT}")
TUBE = r"tube|angel[- ]food|chiffon|シフォン|ciambella|savarin|chimney|bundt|khuôn ống|funnel"
LOAF = r"loaf|cake tin \(loaf|moule à cake|plumcake|パウンド"
SHEET = r"sheet|jelly[- ]roll|swiss roll|roll tin|tray|baking sheet|half[- ]sheet|plaque|teglia|天板|ロール|khay"
SQUARE = r"square|carré|quadrat|角型|vuông"
TIN_WORD = r"\bpan\b|\btin\b|mou?ld|\bring\b|springform|moule|cercle|stampo|tortiera|anello|型|khuôn|" + "|".join(
    (TUBE, LOAF, SHEET, SQUARE)
)


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


def _round(name: str, across: float) -> Tin:
    if re.search(TUBE, name):
        bottom = across * 0.89
        return TubeTin(
            dimensions=TubeDimensions(
                diameter_mm=round(bottom),
                top_diameter_mm=round(across),
                depth_mm=round(across * 0.46),
                tube_diameter_mm=round(across * 0.32),
                tube_top_diameter_mm=round(across * 0.27),
            )
        )
    return RoundTin(dimensions=RoundDimensions(diameter_mm=round(across), depth_mm=ROUND_DEPTH))


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
                return _box(line, sides[0], sides[1], third)
        one = next((m for m in _ONE.finditer(line) if 60 <= _mm(m[1], m[2]) <= 600), None)
        if one:
            return _single(line, _mm(one[1], one[2]))
    return None


def _single(line: str, across: float) -> NamedTin:
    label = f"{across / 10:.0f} cm"
    if re.search(LOAF, line):
        width = across * 0.42
        loaf = LoafTin(
            dimensions=LoafDimensions(
                bottom_width_mm=round(width * 0.85),
                bottom_length_mm=round(across * 0.92),
                top_width_mm=round(width),
                top_length_mm=round(across),
                depth_mm=65,
            )
        )
        return NamedTin(name=f"{label} loaf", tin=loaf, depth_stated=False)
    if re.search(SQUARE, line):
        box = BoxTin(
            shape="square",
            dimensions=BoxDimensions(width_mm=round(across), length_mm=round(across), depth_mm=SQUARE_DEPTH),
        )
        return NamedTin(name=f"{label} square", tin=box, depth_stated=False)
    tin = _round(line, across)
    return NamedTin(name=f"{label} {'tube' if isinstance(tin, TubeTin) else 'round'}", tin=tin, depth_stated=False)


def _box(line: str, width: float, length: float, depth: float | None) -> NamedTin:
    label = f"{width / 10:.0f} x {length / 10:.0f} cm"
    if depth is not None and depth > width:
        depth = None
    if re.search(LOAF, line):
        loaf = LoafTin(
            dimensions=LoafDimensions(
                bottom_width_mm=round(width * 0.85),
                bottom_length_mm=round(length * 0.92),
                top_width_mm=round(width),
                top_length_mm=round(length),
                depth_mm=round(depth or 65),
            )
        )
        return NamedTin(name=f"{label} loaf", tin=loaf, depth_stated=depth is not None)
    sheet = bool(re.search(SHEET, line)) or (depth is not None and depth <= 30)
    tin = BoxTin(
        shape="sheet" if sheet else "square" if abs(width - length) < 2 else "rectangular",
        dimensions=BoxDimensions(
            width_mm=round(width),
            length_mm=round(length),
            depth_mm=round(depth or (SHEET_DEPTH if sheet else SQUARE_DEPTH)),
        ),
    )
    return NamedTin(name=f"{label} {tin.shape}", tin=tin, depth_stated=depth is not None)
