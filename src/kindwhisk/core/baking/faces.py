"""Where heat comes in: air and radiation on the tin's walls, its bottom and the open top, and what evaporates there."""

from __future__ import annotations

from dataclasses import dataclass, replace
from enum import StrEnum

from kindwhisk.core.ovens.place import OvenMode, Rack

AIR_W_PER_M2K: dict[OvenMode, float] = {OvenMode.STATIC: 8.0, OvenMode.FAN: 22.0}
"""Heat that the oven's air brings to a surface. Bake reference model."""
BATTER_EMISSIVITY = 0.9


class TinWall(StrEnum):
    """What a tin's wall is, as the oven's radiation sees it."""

    BRIGHT = "bright metal"
    DARK = "dark metal"
    GLASS = "glass or ceramic"
    SILICONE = "silicone"


EMISSIVITY: dict[TinWall, float] = {
    TinWall.BRIGHT: 0.25,
    TinWall.DARK: 0.85,
    TinWall.GLASS: 0.9,
    TinWall.SILICONE: 0.9,
}
"""Metals: bake reference model. Glass and silicone: recalled."""
RESISTS_M2K_PER_W: dict[TinWall, float] = {
    TinWall.BRIGHT: 0.0,
    TinWall.DARK: 0.0,
    TinWall.GLASS: 0.006,
    TinWall.SILICONE: 0.008,
}
"""What a wall of usual thickness keeps from the heat. Recalled: thickness over conductivity."""
PAPER_M2K_PER_W = 0.003
"""A sheet of baking paper with the air behind it. Trade habit."""
EVAPORATES, TIRES_KG_PER_M2 = 0.35, 0.2
"""An open batter evaporates at this share of a wet surface's rate, less by a factor e for each 0.2 kg/m2 lost.
Bake reference model."""
LEWIS = 0.0093 / 8.0
"""Mass transfer in m/s to heat transfer in W/(m2 K), air near 100 C. Source: Lewis' relation, published."""


@dataclass(frozen=True)
class Face:
    """A surface: how well it takes the oven's air (W/(m2 K)) and radiation, what lies before the batter (m2 K/W), and
    how readily it evaporates (0 for a wall). ``hotter_k`` is how much hotter than the oven it sees its surroundings."""

    air_w_per_m2k: float
    emissivity: float
    resists_m2k_per_w: float = 0.0
    evaporates: float = 0.0
    hotter_k: float = 0.0

    @property
    def moves_m_per_s(self) -> float:
        """How fast vapour leaves it."""
        return self.air_w_per_m2k * LEWIS


@dataclass(frozen=True)
class Faces:
    """All surfaces of a content."""

    bottom: Face
    wall: Face
    tube: Face
    top: Face


SKEW_K: dict[Rack, float] = {Rack.TOP: 12.0, Rack.MIDDLE: 0.0, Rack.BOTTOM: -12.0}
"""How much hotter the roof looks than the oven from there, in a static oven; the floor the other way. Trade habit."""
SHADED_STATIC, SHADED_FAN = 0.85, 0.95
"""With several racks each shades its neighbour: so much of air and radiation is left. Trade habit."""
FAN_EVENS = 0.3
"""A fan leaves so much of that. Trade habit."""


def faces(
    mode: OvenMode,
    wall: TinWall = TinWall.BRIGHT,
    *,
    rack: Rack = Rack.MIDDLE,
    paper_base: bool = False,
    paper_wall: bool = False,
    racks: int = 1,
    free: bool = False,
) -> Faces:
    """The surfaces of a content in an oven.

    ``racks`` that are in use at once; ``free``: without a wall of its own, as a piece on a tray, which is open all
    round and stands on metal.
    """
    shaded = 1.0 if racks < 2 else SHADED_STATIC if mode is OvenMode.STATIC else SHADED_FAN
    air, skew = AIR_W_PER_M2K[mode] * shaded, SKEW_K[rack] * (1.0 if mode is OvenMode.STATIC else FAN_EVENS)
    open_top = Face(air, BATTER_EMISSIVITY * shaded, evaporates=EVAPORATES, hotter_k=skew)
    metal = Face(air, EMISSIVITY[wall], RESISTS_M2K_PER_W[wall] + PAPER_M2K_PER_W * paper_wall)
    below = replace(
        metal,
        emissivity=metal.emissivity * shaded,
        resists_m2k_per_w=RESISTS_M2K_PER_W[wall] + PAPER_M2K_PER_W * paper_base,
        hotter_k=-skew,
    )
    side = replace(open_top, hotter_k=0.0) if free else metal
    return Faces(bottom=below, wall=side, tube=metal, top=open_top)


STEFAN = 5.670374e-8


def radiates(emissivity: float, one_c: float, other_c: float) -> float:
    """W/(m2 K) between a surface and what it sees, both in C."""
    a, b = one_c + 273.15, other_c + 273.15
    return emissivity * STEFAN * (a * a + b * b) * (a + b)


def vapour_kg_per_m3(celsius: float, kpa: float) -> float:
    """Of a vapour pressure at a temperature."""
    return kpa * 1000 * 0.018015 / (8.314462 * (celsius + 273.15))
