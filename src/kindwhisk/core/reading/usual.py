"""What is usual for a class where a recipe does not say it."""

from __future__ import annotations

from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin
from kindwhisk.core.values.technique import Technique

USUAL: dict[Technique, tuple[float, float]] = {
    Technique.CHIFFON: (170, 34), Technique.CHIFFON_ROLL: (180, 13), Technique.GENOISE: (170, 30),
    Technique.COLD_GENOISE: (170, 32), Technique.SEPARATED_SPONGE: (170, 30), Technique.RICH_SPONGE: (165, 40),
    Technique.CREAMED_SPONGE: (170, 42), Technique.SOUFFLED_SHEET: (175, 16), Technique.SOAKED_SPONGE: (175, 26),
    Technique.LADYFINGERS: (190, 11), Technique.MERINGUE: (95, 100), Technique.SHELLS: (150, 14),
    Technique.PATTERNED: (165, 36), Technique.LADYFINGER_CAKE: (190, 11), Technique.MOUSSE: (170, 30),
}  # fmt: skip
"""Oven in C and minutes. Trade habit."""
USUAL_TIN = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=60))
USUAL_TIN_NAME = "20 cm round"
PIPED = frozenset({Technique.SHELLS, Technique.LADYFINGERS, Technique.MERINGUE})
