"""Rolling a sheet: how thick the roll becomes, how often it goes round, how far the outer face is stretched."""

from __future__ import annotations

import math

from kindwhisk.core.values.model import Value

CRACKS_FROM = (0.25, 0.35, 0.45)
"""Strain of the outer face at which a sheet cracks: unknown in this range, learned from rolls that did or did not."""


class Roll(Value):
    """A roll: diameter in mm, turns, and the strain of the outer face where it is bent most."""

    diameter_mm: float
    turns: float
    strain: float


def roll(length_mm: float, thickness_mm: float, sheet_mm: float, core_mm: float = 0.0) -> Roll:
    """A sheet of ``length_mm`` rolled up around ``core_mm``.

    ``thickness_mm`` is sheet and filling together, ``sheet_mm`` the sheet alone. Source: area of the spiral and
    bending of a thick strip, published.
    """
    diameter = math.sqrt(core_mm**2 + 4 * length_mm * thickness_mm / math.pi)
    turns = -(core_mm + thickness_mm) + math.sqrt(
        (core_mm + thickness_mm) ** 2 + 4 * length_mm * thickness_mm / math.pi
    )
    inner = max(core_mm / 2, thickness_mm / 2)
    return Roll(
        diameter_mm=diameter,
        turns=turns / (2 * thickness_mm),
        strain=(sheet_mm / 2) / (inner + sheet_mm / 2),
    )
