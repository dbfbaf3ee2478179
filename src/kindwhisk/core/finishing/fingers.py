"""A ring lined with fingers: how many stand in it, where the last is cut, how wide the disc inside is."""

from __future__ import annotations

import math

from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

SQUEEZE_MM = 2.0
"""A disc is cut so much wider than the room inside the wall: it holds the fingers upright. Trade habit."""
GIVES_MM = 0.35
"""A gap that comes to no more than this for each finger closes when they are set a little apart. Trade habit."""
BARE_MM = 15.0
"""A wall is at least so much higher than its filling is deep, or it is cut to the ring. Trade habit."""
CRUMB_G_PER_ML = Estimate(low=0.18, likely=0.24, high=0.32, basis=Basis.HABIT)
"""Density of a baked finger's crumb."""


class FingerRing(Value):
    """The wall of a ring, and the disc inside it.

    Attributes:
        fingers: whole ones, side by side.
        last_cut_mm: the gap that is left: one more finger is cut lengthwise to it, unless the whole ones close it set a
            little apart (``closes``).
        room_mm: how wide the room inside the wall is; ``disc_mm`` is cut with the squeeze.
        wall_mm: how high the wall stands; ``trim_mm`` what is cut off the foot of each finger.
        trim_g: what is cut off all fingers, both ways, in g; ``disc_trim_mm`` off a disc as wide as the ring.
        says: all of it in words.
    """

    fingers: int
    last_cut_mm: float
    closes: bool
    room_mm: float
    disc_mm: float
    wall_mm: float
    trim_mm: float
    trim_g: Estimate
    disc_trim_mm: float
    says: str


def count(ring_mm: float, width_mm: float, thickness_mm: float) -> int:
    """Whole fingers in a ring: they stand side by side on the circle through their middles."""
    return max(0, math.floor(2 * math.pi * (ring_mm / 2 - thickness_mm / 2) / width_mm + 1e-9))


# A ring and a finger are six lengths.
def ring(
    ring_mm: float,
    height_mm: float,
    width_mm: float,
    thickness_mm: float,
    length_mm: float,
    g_per_ml: Estimate = CRUMB_G_PER_ML,
) -> FingerRing:
    """A ring of ``ring_mm`` inside, ``height_mm`` high, lined with fingers that stand upright.

    Source: the circle through the middles of the fingers, analytic.
    """
    whole = count(ring_mm, width_mm, thickness_mm)
    around = 2 * math.pi * (ring_mm / 2 - thickness_mm / 2)
    gap = max(0.0, around - whole * width_mm)
    closes = gap <= GIVES_MM * max(1, whole)
    room = max(0.0, ring_mm - 2 * thickness_mm)
    wall = min(length_mm, height_mm)
    trim = length_mm - wall
    face = width_mm * thickness_mm
    off_ml = (whole + (not closes)) * trim * face / 1000
    if not closes:
        off_ml += (width_mm - gap) * thickness_mm * wall / 1000
    parts = [f"{whole} fingers side by side"]
    if not closes:
        parts.append(f"one more cut to {gap:.0f} mm wide")
    elif gap > 0:
        parts.append(f"{gap:.0f} mm over: set them a hair apart")
    parts.append(f"each cut to {wall:.0f} mm" if trim > 0 else f"standing {wall:.0f} mm high")
    if room > 0:
        parts.append(f"a disc of {room + SQUEEZE_MM:.0f} mm inside ({room:.0f} and {SQUEEZE_MM:.0f} of squeeze)")
    return FingerRing(
        fingers=whole,
        last_cut_mm=gap,
        closes=closes,
        room_mm=room,
        disc_mm=room + SQUEEZE_MM if room > 0 else 0.0,
        wall_mm=wall,
        trim_mm=trim,
        trim_g=g_per_ml.scaled(off_ml),
        disc_trim_mm=max(0.0, ring_mm - room - SQUEEZE_MM) / 2,
        says=", ".join(parts) + ".",
    )
