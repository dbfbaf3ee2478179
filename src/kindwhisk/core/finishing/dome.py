"""A dome: a half-sphere of crumb, hollowed, filled, closed with a lid and covered with the crumb that came out."""

from __future__ import annotations

import math

from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

LID_MM = 22.0
"""How thick the lid of a dome is cut: 20 to 25 mm. Trade habit."""


def segment_ml(radius_mm: float, low_mm: float, high_mm: float) -> float:
    """Volume in ml of a half-sphere between two heights above its flat face. Source: analytic."""
    low, high = max(0.0, low_mm), min(radius_mm, high_mm)
    if high <= low:
        return 0.0
    return math.pi * (radius_mm**2 * (high - low) - (high**3 - low**3) / 3) / 1000


def face_mm2(radius_mm: float, height_mm: float) -> float:
    """Area in mm² of the curved face of a cap as wide as twice its radius and so high: π (r² + h²)."""
    return math.pi * (radius_mm**2 + height_mm**2)


class Dome(Value):
    """A half-sphere standing on its flat face, hollowed from below.

    Attributes:
        lid_ml: what is cut off its flat side; ``wall_ml`` what stands; ``cavity_ml`` what it takes of a filling.
        taken_out_ml: crumb that comes out: as much goes outside.
        outside_mm2: its curved face; ``covers_mm`` how thick the crumb that came out covers it.
        lid_across_mm, across_mm, height_mm: of the lid and of the whole.
    """

    lid_ml: float
    wall_ml: float
    cavity_ml: float
    taken_out_ml: float
    outside_mm2: float
    covers_mm: float
    lid_across_mm: float
    across_mm: float
    height_mm: float


def dome(radius_mm: float, wall_mm: float, lid_mm: float = LID_MM) -> Dome:
    """A half-sphere of ``radius_mm``: a lid cut off its flat side, a wall left all round, the rest taken out.

    Raises:
        CraftError: wall or lid leave no cavity.
    """
    inner = radius_mm - wall_mm
    if inner <= lid_mm:
        raise CraftError(
            f"A wall of {wall_mm:g} mm and a lid of {lid_mm:g} mm leave no room inside a radius of {radius_mm:g} mm.",
            field="wall_mm",
            remedy=f"Together less than {radius_mm:g} mm: a wall of {0.18 * radius_mm:.0f} and a lid of 20 to 25.",
        )
    whole = segment_ml(radius_mm, 0, radius_mm)
    lid = segment_ml(radius_mm, 0, lid_mm)
    cavity = segment_ml(inner, lid_mm, inner)
    face = 2 * math.pi * radius_mm**2
    return Dome(
        lid_ml=lid,
        wall_ml=whole - lid - cavity,
        cavity_ml=cavity,
        taken_out_ml=cavity,
        outside_mm2=face,
        covers_mm=1000 * cavity / face,
        lid_across_mm=2 * radius_mm,
        across_mm=2 * radius_mm,
        height_mm=radius_mm,
    )
