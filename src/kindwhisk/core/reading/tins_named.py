"""Tins and trays as recipes name them: ``9-inch tube pan``, ``moule de 20 cm``, ``15cm丸型``, ``two 20 cm round tins``."""

from __future__ import annotations

import re

from kindwhisk.core.reading.amounts import in_figures
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.tins.shapes import SHAPES, Tin
from kindwhisk.core.values.model import Value

INCH_MM = 25.4
_LENGTH = r"(\d{1,3}(?:[.,]\d{1,2})?(?:\s*1/2)?)"
_UNIT = r"(?:-|\s)*(inch(?:es)?|in\.?(?!\w)|centimet(?:re|er)s?|\"|''|cm|mm|センチ|pouces)"
_TWO = re.compile(
    rf"{_LENGTH}(?:{_UNIT})?[\s-]*(?:x|by|×|\*)[\s-]*{_LENGTH}(?:(?:{_UNIT})?\s*(?:x|by|×)\s*{_LENGTH})?(?:{_UNIT})?"
)
_ONE = re.compile(rf"{_LENGTH}{_UNIT}(?P<side>角|(?=天板))?")
_BARE = re.compile(
    r"(?<![\d.,])([1-4]\d(?= (?:springform|round|ring|tube))|(?:1[4-9]|[23]\d)(?= (?:tin|mould)$)|(?:(?<=stampo da )|(?<=moule de )|(?<=tortiera da )|(?<=teglia da ))(?:1[4-9]|[23]\d)(?!\d| ?(?:cm|x)))"
)
TIN_WORD = "|".join(shape.words for shape in SHAPES if shape.words)
PIECE = re.compile(
    r"(?:fingers?|rounds?(?! (?:tin|cake|pan|spring))|circles?|shells?|strips?|discs?|biscuits de|coques|bastoncini|丸に)"
)
_TUBE_TIN = re.compile(
    r"(?:tube|chiffon|angel[- ]food|funnel) (?:tin|pan|mould|mold)|(?:stampo|moule|khuôn) (?:da |à |a )?(?:chiffon|cheminée|ciambella|ống)|シフォン型"
)
_SPREAD = re.compile(r"(?<!\w)(?:spread|étal(?:er|ez)|stend(?:ere|ete|e|i|o)|trải|dàn)(?!\w)|のばす|広げ")
_LEAST_SHEET_MM2 = 40_000
"""Smaller than 20 x 20 cm, nothing is spread and baked as a sheet. Trade habit."""
_COUNT = re.compile(
    r"(?<![\w.,])(?P<word>both|[2-9])(?:\s*x)?\s+(?:(?!into|in\b|the\b|an?\b|batters?)\w+[- ]){0,4}\(?$"
)


_COUNT_BEHIND = re.compile(r"^[^,.;]{0,24}, ([2-9]) (?:tins|pans|trays|moulds)(?!\w)")


class NamedTin(Value):
    """A tin that a text names; ``depth_stated`` is False where its depth was taken from habit."""

    name: str
    tin: Tin
    depth_stated: bool


class CountedTin(Value):
    """A tin and how many of them a sentence names."""

    tin: NamedTin
    count: int = 1


def _mm(figure: str, unit: str | None) -> float:
    whole, _, half = figure.replace(",", ".").partition(" ")
    value = float(whole) + (0.5 if half or figure.endswith("1/2") else 0.0)
    unit = unit or "cm"
    return value * (INCH_MM if unit[0] in "i\"'p" else 1.0 if unit == "mm" else 10.0)


def _count(before: str, after: str = "") -> int:
    match = _COUNT.search(before[-40:])
    if match is None:
        behind = _COUNT_BEHIND.search(after)
        return int(behind[1]) if behind else 1
    return 2 if match["word"] == "both" else int(match["word"])


BAKED_BARE = re.compile(r"(?:\d ?x ?)?[1-3]\d ?cm,? (?:at )?(?:1[3-9]|2[0-3])\d(?!\d)")


HEIGHT = re.compile(r"(?:ほど|くらい)?(?:の高さ|の?上から)| (?:high|above|height|up)(?!\w)|(?:的)? cao")
"""“Dropped from 10 cm up” is no tin."""


def find_tins(text: str) -> list[CountedTin]:
    """Every tin that a text names with a size, in its order."""
    found = []
    for sentence in re.split(r"(?<=[.;。\n])\s+|\n", text):
        line = in_figures(plain(sentence))
        if re.search(TIN_WORD, line):
            found += _in_sentence(line)
        elif BAKED_BARE.match(line):
            # “2 x 15 cm, 165, 25 min”.
            found += _in_sentence(f"{line} tins")
        elif _SPREAD.search(line):
            # “Spread over the pattern (40 x 60 cm)”: as a sheet.
            found += [
                f
                for f in _in_sentence(f"{line} tray")
                if f.tin.tin.flat and f.tin.tin.cut(1).area_mm2 >= _LEAST_SHEET_MM2
            ]
    return found


def named_without_size(text: str) -> str:
    """The word for a tin that a sentence names, whether or not it says how large it is."""
    match = re.search(TIN_WORD, plain(text))
    return match[0] if match else ""


def tube_words(text: str) -> list[str]:
    """Words of a sentence that only a tube tin is called by, next to a word for a tin: “stampo da chiffon”."""
    return [m[0] for m in _TUBE_TIN.finditer(plain(text))]


def find_tin(text: str) -> NamedTin | None:
    """The first tin that a text names with a size; None where it names none."""
    return next((found.tin for found in find_tins(text)), None)


def _in_sentence(line: str) -> list[CountedTin]:
    found: list[CountedTin] = []
    for two in _TWO.finditer(line):
        unit = two[2] or two[6]
        # Without a unit, a pan of 9 x 13 can only be meant in inches.
        sides = sorted(
            _mm(f, unit or ("in" if float(two[3].split()[0].replace(",", ".")) < 20 else "cm"))
            for f in (two[1], two[3])
        )
        third = _mm(two[5], two[4] or unit) if two[5] else None
        if sides[0] >= 40 and sides[1] <= 800:
            named = _named(line, (sides[0], sides[1]), third)
            if named is not None:
                found.append(CountedTin(tin=named, count=_count(line[: two.start()], line[two.end() :])))
    if found:
        return found
    for one in _ONE.finditer(line):
        size = _mm(one[1], one[2])
        near = line[one.end() : one.end() + 14]
        if HEIGHT.match(near):
            continue
        if (
            not 60 <= size <= 600
            or PIECE.match(near.lstrip(" -"))
            or (
                re.search(r"(?:of|de|di) $", line[: one.start()])
                and PIECE.search(line[max(0, one.start() - 22) : one.start()])
            )
        ):
            continue
        named = _named(
            line, (size, size) if one["side"] is not None or line[: one.start()].endswith("天板") else (size,), None
        )
        if named is not None:
            found.append(CountedTin(tin=named, count=_count(line[: one.start()], line[one.end() :])))
            return found
    bare = _BARE.search(line)
    if bare is not None and (named := _named(line, (float(bare[1]) * 10,), None)) is not None:
        found.append(CountedTin(tin=named, count=_count(line[: bare.start()])))
    return found


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
