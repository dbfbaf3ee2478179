"""What is usual for a class where a recipe does not say it."""

from __future__ import annotations

from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, RoundDimensions, RoundTin, Tin
from kindwhisk.core.values.technique import Technique

USUAL: dict[Technique, tuple[float, float]] = {
    Technique.CHIFFON: (170, 34), Technique.CHIFFON_ROLL: (180, 13), Technique.GENOISE: (170, 30),
    Technique.COLD_GENOISE: (170, 32), Technique.SEPARATED_SPONGE: (170, 30), Technique.RICH_SPONGE: (165, 40),
    Technique.CREAMED_SPONGE: (170, 42), Technique.SOUFFLED_SHEET: (175, 16), Technique.SOAKED_SPONGE: (175, 26),
    Technique.LADYFINGERS: (190, 11), Technique.MERINGUE: (95, 100), Technique.SHELLS: (150, 14),
    Technique.PATTERNED: (165, 36), Technique.LADYFINGER_CAKE: (190, 11), Technique.MOUSSE: (170, 30),
}  # fmt: skip
"""Oven in C and minutes. Trade habit."""
SHEETS = frozenset({Technique.CHIFFON_ROLL, Technique.SOUFFLED_SHEET})
"""Classes that are baked flat; any other is, where it is rolled or spread on a tray."""
ROUND = (RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=60)), "20 cm round")
SHEET = (BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=400, depth_mm=20)), "30 x 40 cm sheet")
"""Tins and what they are called. Trade habit."""
PIPED = frozenset({Technique.SHELLS, Technique.LADYFINGERS, Technique.MERINGUE})


def usual_tin(*, flat: bool) -> tuple[Tin, str]:
    """The tin, and its name, where a recipe names none with its size."""
    return SHEET if flat else ROUND


def usual_bake(technique: Technique, *, flat: bool) -> tuple[float, float]:
    """Oven in C and minutes where a recipe doesn't say them: a sheet of any class needs what a roll needs."""
    return USUAL[Technique.CHIFFON_ROLL if flat and technique not in {*SHEETS, *PIPED} else technique]
