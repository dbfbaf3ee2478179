"""The deposit: what a piece weighs, how wide it is piped to end as wide as wished, and how long that takes."""

from __future__ import annotations

import math
from enum import StrEnum
from typing import NamedTuple

from kindwhisk.core.tins.pieces import PieceShape, PipedPiece
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

SPREADS, SPREAD_RIBBON_S, SPREAD_DENSITY = (0.05, 0.085, 0.12), 12.5, 0.85
"""A shell of 0.85 g/ml whose ribbon lies for 10 to 15 s grows by this share of its width after piping. Trade habit."""
SPREAD_BY_DENSITY, SPREAD_BY_RIBBON = 6.0, 0.6
"""How fast that falls off with a lighter batter (in the exponent, per g/ml), and with a longer ribbon (its power).
Chosen, so that a stiff meringue keeps its width."""
MOST_SPREAD = 0.35
FLOWS_G_PER_S = Estimate(low=1.5, likely=2.1, high=3.0, basis=Basis.HABIT)
"""What a hand at rest presses out. Trade habit; this kitchen's own trays replace it."""
BETWEEN_S = 0.8
"""From one piece to the next: stop, lift, place. Trade habit."""
TRAY_S = 45.0
"""To fetch a tray and lay its paper. Trade habit."""
BAG_CM, BAG_ML = 40.0, 560.0
"""A bag of 40 cm, two thirds full: 450 to 500 g of shell batter. Trade habit."""
TIP_ML = Estimate(low=8, likely=11, high=15, basis=Basis.HABIT)
"""What stays behind in the tip of a bag. Trade habit."""


class Usual(NamedTuple):
    """How high a shape stands for its width, how long it usually is (mm), and its nozzle for its width."""

    height: float
    length_mm: float | None
    nozzle: float


USUAL: dict[PieceShape, Usual] = {
    PieceShape.ROUND: Usual(0.25, None, 0.28),
    PieceShape.FINGER: Usual(0.6, 85.0, 0.6),
    PieceShape.KISS: Usual(0.8, None, 0.35),
    PieceShape.RING: Usual(0.6, None, 0.8),
    PieceShape.STICK: Usual(0.8, 120.0, 0.9),
}
"""Trade habit. A ring's height and nozzle are for its cord."""
NOZZLES_MM = (4, 6, 8, 10, 12, 14, 16, 18, 20)


class Spreading(StrEnum):
    """What the spread was told from."""

    RIBBON = "the ribbon"
    DENSITY = "the density"


def usual_piece(
    shape: PieceShape,
    width_mm: float,
    *,
    height_mm: float | None = None,
    length_mm: float | None = None,
    cord_mm: float | None = None,
    gap_mm: float = 20.0,
) -> PipedPiece:
    """A piece of that shape, ``width_mm`` wide, and otherwise as it is usually piped where nothing else is told."""
    usual = USUAL[shape]
    bare = PipedPiece(width_mm=width_mm, height_mm=2, shape=shape, cord_mm=cord_mm)
    thick = bare.cord if shape is PieceShape.RING else width_mm
    return PipedPiece(
        width_mm=width_mm,
        height_mm=min(120.0, max(2.0, usual.height * thick)) if height_mm is None else height_mm,
        length_mm=(length_mm or max(usual.length_mm, width_mm)) if usual.length_mm else None,
        gap_mm=gap_mm,
        shape=shape,
        cord_mm=cord_mm,
    )


def nozzle_mm(piece: PipedPiece) -> int:
    """The plain nozzle that is usual for a piece, of those that are sold."""
    wide = piece.cord if piece.form is PieceShape.RING else piece.width_mm
    return min(NOZZLES_MM, key=lambda n: abs(n - USUAL[piece.form].nozzle * wide))


def spread(density_g_per_ml: float, ribbon_s: float | None = None) -> Estimate:
    """The share of its piped width by which a deposit grows: less the stiffer its batter is, by its ribbon (s) where
    one was timed, else by its density."""
    if ribbon_s is None:
        factor = math.exp(SPREAD_BY_DENSITY * (density_g_per_ml - SPREAD_DENSITY))
    else:
        factor = (SPREAD_RIBBON_S / ribbon_s) ** SPREAD_BY_RIBBON
    low, likely, high = (min(MOST_SPREAD, s * factor) for s in SPREADS)
    return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)


def seconds_each(piece_g: float, flows: Estimate = FLOWS_G_PER_S) -> Estimate:
    """Seconds from one piece to the next, for a hand that presses ``flows`` (g/s)."""
    low, likely, high = (piece_g / f + BETWEEN_S for f in (flows.high, flows.likely, flows.low))
    return Estimate(low=low, likely=likely, high=high, basis=flows.basis, bakes=flows.bakes)


def bag_ml(length_cm: float = BAG_CM) -> float:
    """What a bag of that length takes, two thirds full: bags are alike in shape."""
    return float(BAG_ML * (length_cm / BAG_CM) ** 3)


class Deposit(Value):
    """Pieces from a batter.

    ``piped_diameter_mm`` is how wide they are piped, ``spreads`` by which share of it they grow then. ``bags`` is how
    often the bag is filled; ``left_g`` is what makes no whole piece, with the ``tip_g`` that the bag keeps.
    """

    piece_g: float
    piped_diameter_mm: float
    spreads: Estimate
    spreads_by: Spreading
    pieces: int
    bags: int
    left_g: float
    tip_g: Estimate
    seconds_each: Estimate
    nozzle_mm: int


def deposit(
    piece: PipedPiece,
    batter_g: float,
    density_g_per_ml: float,
    *,
    ribbon_s: float | None = None,
    flows: Estimate = FLOWS_G_PER_S,
    bag_cm: float = BAG_CM,
) -> Deposit:
    """What ``batter_g`` of a batter makes of a piece (as wide as it is once it has spread).

    ``pieces * piece_g + left_g`` is the batter.
    """
    each = piece.volume_ml() * density_g_per_ml
    tip = TIP_ML.scaled(density_g_per_ml)
    pieces = max(0, math.floor((batter_g - tip.likely) / each + 1e-9))
    spreads = spread(density_g_per_ml, ribbon_s)
    return Deposit(
        piece_g=each,
        piped_diameter_mm=piece.width_mm / (1 + spreads.likely),
        spreads=spreads,
        spreads_by=Spreading.DENSITY if ribbon_s is None else Spreading.RIBBON,
        pieces=pieces,
        bags=max(1, math.ceil(batter_g / density_g_per_ml / bag_ml(bag_cm) - 1e-9)),
        left_g=batter_g - pieces * each,
        tip_g=tip,
        seconds_each=seconds_each(each, flows),
        nozzle_mm=nozzle_mm(piece),
    )
