"""Rolling a sheet: how thick the roll becomes, how often it goes round, how far the outer face is stretched."""

from __future__ import annotations

import math

from kindwhisk.core.foams.whipped_cream import FILLS_G_PER_ML
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

CRACKS_FROM = (0.25, 0.35, 0.45)
"""Strain of the outer face at which a sheet cracks: unknown in this range, learned from rolls that did or did not."""
TAPERS_FROM = 2 / 3
"""Share of the sheet's length from which a filling is spread thinner toward the far end. Chosen."""
END_TRIM_MM = (10.0, 12.5, 15.0)
"""What is cut off each end of a roll. Trade habit."""
SLICE_MM = (20.0, 25.0, 30.0)
"""How thick slices are cut. Trade habit."""
BEVEL_TIMES = 2.0
"""The far end is cut slanting, so many times as long as the sheet is thick: it lies flat below. Trade habit."""
STEPS = 400


class Roll(Value):
    """A roll: diameter in mm, turns, and the strain of the outer face where it is bent most."""

    diameter_mm: float
    turns: float
    strain: float


class RollPlan(Roll):
    """A roll with its filling, its ends and its slices.

    Attributes:
        length_mm: of the roll, from end to end.
        filling_g: what is between the turns; ``thinnest_mm`` how thick it lies at the far end.
        bevel_mm: how long the far end is cut slanting.
        end_mm: what is cut off each end; ``end_g`` both together, None where the weight of the sheet is not known.
        slices: of ``slice_mm``; ``cracks_from`` the strain from which a sheet cracks.
    """

    length_mm: float
    filling_g: float
    thinnest_mm: float
    bevel_mm: float
    end_mm: float
    slices: int
    slice_mm: float
    cracks_from: Estimate


def cracks_from(sound: tuple[float, ...] = (), cracked: tuple[float, ...] = ()) -> Estimate:
    """The strain from which a sheet cracks, by the strains of rolls that stayed sound and of those that cracked.

    A sound roll lifts what lies below it, a cracked one lowers what lies above; where both speak against each other
    the middle between them counts.
    """
    low, likely, high = CRACKS_FROM
    if not sound and not cracked:
        return Estimate(low=low, likely=likely, high=high, basis=Basis.HABIT)
    least = max((low, *sound)) if sound else low
    most = min((high, *cracked)) if cracked else max(high, least)
    if least > most:
        least, most = sorted((most, least))
    return Estimate(
        low=least, likely=(least + most) / 2, high=most, basis=Basis.KITCHEN, bakes=len(sound) + len(cracked)
    )


def strain(sheet_mm: float, inner_mm: float) -> float:
    """How far the outer face of a sheet is stretched on an inner radius (mm). Source: bending of a thick strip."""
    return (sheet_mm / 2) / (inner_mm + sheet_mm / 2)


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
        strain=strain(sheet_mm, inner),
    )


def filling_mm(full_mm: float, taper: float, share: float) -> float:
    """How thick a filling lies at a share (0 to 1) of the sheet's length; ``taper`` is the share missing at its end."""
    if share <= TAPERS_FROM:
        return full_mm
    return full_mm * (1 - taper * (share - TAPERS_FROM) / (1 - TAPERS_FROM))


def mean_filling_mm(full_mm: float, taper: float) -> float:
    """Its mean over the whole length."""
    return full_mm * (1 - taper * (1 - TAPERS_FROM) / 2)


def tapered(length_mm: float, sheet_mm: float, full_mm: float, taper: float, core_mm: float = 0.0) -> Roll:
    """A roll whose filling is spread thinner toward its end: by its mean thickness, bent most where it begins."""
    even = roll(length_mm, sheet_mm + mean_filling_mm(full_mm, taper), sheet_mm, core_mm)
    begun = max(core_mm / 2, (sheet_mm + full_mm) / 2)
    return even.model_copy(update={"strain": strain(sheet_mm, begun)})


def slices(length_mm: float, slice_mm: float = SLICE_MM[1], end_mm: float = END_TRIM_MM[1]) -> int:
    """Slices of a roll once both ends are cut off."""
    return max(0, math.floor((length_mm - 2 * end_mm) / slice_mm + 1e-9))


# What a roll is told by, in the order of the work.
def plan(  # noqa: PLR0913
    along_mm: float,
    across_mm: float,
    sheet_mm: float,
    filling_full_mm: float,
    *,
    taper: float = 0.0,
    filling_g_per_ml: float = FILLS_G_PER_ML,
    slice_mm: float = SLICE_MM[1],
    core_mm: float = 0.0,
    known: Estimate | None = None,
) -> RollPlan:
    """A sheet that is ``along_mm`` in the direction of rolling and ``across_mm`` beside it, with its filling.

    Args:
        along_mm: its length in the direction in which it is rolled.
        across_mm: its other side: the length of the roll.
        sheet_mm: how thick the crumb is.
        filling_full_mm: how thick the filling is spread where it is thickest; 0 for none.
        taper: share of that which is missing at the far end, 0 (even) to 1 (down to nothing).
        filling_g_per_ml: density of the filling.
        slice_mm: how thick slices are wanted.
        core_mm: diameter that the first turn goes round.
        known: the strain from which sheets crack here.
    """
    made = tapered(along_mm, sheet_mm, filling_full_mm, taper, core_mm)
    volume = along_mm * across_mm * mean_filling_mm(filling_full_mm, taper) / 1000
    return RollPlan(
        **dict(made),
        length_mm=across_mm,
        filling_g=volume * filling_g_per_ml,
        thinnest_mm=filling_mm(filling_full_mm, taper, 1.0),
        bevel_mm=BEVEL_TIMES * sheet_mm,
        end_mm=END_TRIM_MM[1],
        slices=slices(across_mm, slice_mm),
        slice_mm=slice_mm,
        cracks_from=known or cracks_from(),
    )


def spiral(along_mm: float, sheet_mm: float, full_mm: float, taper: float = 0.0) -> list[tuple[float, float, float]]:
    """The roll as it lies, cut across: (angle, inner and outer radius of the crumb) from its beginning to its end.

    The sheet is laid turn upon turn; the filling lies on its inner face, thinner at the end.
    """
    found: list[tuple[float, float, float]] = []
    angle, gone = 0.0, 0.0
    step = along_mm / STEPS
    area = 0.0
    for i in range(STEPS + 1):
        share = i / STEPS
        layer = sheet_mm + filling_mm(full_mm, taper, share)
        outer = layer / 2 + math.sqrt((layer / 2) ** 2 + area / math.pi)
        found.append((angle, max(0.0, outer - sheet_mm), outer))
        area += step * layer
        gone += step
        angle += step / max(outer - layer / 2, layer / 4)
    return found
