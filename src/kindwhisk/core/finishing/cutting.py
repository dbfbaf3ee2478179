"""Cutting a crumb: layers from one cake, trimmed discs, portions, each with what comes off. No gram is lost."""

from __future__ import annotations

import math

from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

THINNEST_MM = 12.0
"""A layer thinner than this breaks when it is lifted. Trade habit."""
CRUST_MM = 1.5
"""What comes off with the crust. Trade habit."""
DOME_SHARE = 0.06
"""How much higher the middle of a cake stands than its rim, where nobody measured it: a share of its height. Habit."""
DOME_HOLDS = 0.5
"""Share of the dome's box that is crumb: a flat cap of a sphere, analytic."""
FIRST_LOST = 0.5
"""The first slice of a round cake costs about half a portion. Trade habit."""


class Layers(Value):
    """Layers from one cake: their number and height, what comes off the top, and how it is best cut."""

    layers: int
    each_mm: float
    off_mm: float
    off_share: float
    how: str


def layers(
    height_mm: float,
    number: int,
    dome_mm: float | None = None,
    crust_mm: float = CRUST_MM,
    *,
    least_mm: float = THINNEST_MM,
) -> Layers:
    """A cake ``height_mm`` high in the middle, cut level and into ``number`` layers, each ``least_mm`` or more.

    Raises:
        CraftError: they would be too thin to lift.
    """
    dome = DOME_SHARE * height_mm if dome_mm is None else dome_mm
    off = min(height_mm, dome + crust_mm)
    each = (height_mm - off) / number
    if each < least_mm and number > 1:
        most = max(1, math.floor((height_mm - off) / least_mm))
        raise CraftError(
            f"{number} layers of {each:.0f} mm break when they are lifted: {least_mm:.0f} mm is the least.",
            field="layers",
            remedy=f"At most {most} from a cake of {height_mm:.0f} mm, or bake it higher or in two tins.",
        )
    held = height_mm - dome * DOME_HOLDS
    return Layers(
        layers=number,
        each_mm=each,
        off_mm=off,
        off_share=min(1.0, (dome * DOME_HOLDS + crust_mm) / held) if held > 0 else 1.0,
        how=f"Level first: {off:.0f} mm off the top. "
        + (
            f"Then {number - 1} {'cut' if number == 2 else 'cuts'} at every {each:.0f} mm, with sticks of that height "
            "on both sides or a wire; turn the cake, not the knife."
            if number > 1
            else ""
        ),
    )


class Portions(Value):
    """A cake in portions: how it is cut, how many there are, what each is, and what is lost."""

    portions: int
    each_g: float
    lost_g: float
    rows: int
    columns: int
    wide_mm: float
    long_mm: float
    how: str


KNIFE = "A long knife dipped in hot water and wiped dry before every cut."


def wedges(mass_g: float, diameter_mm: float, number: int) -> Portions:
    """A round cake in ``number`` equal wedges; the first costs a little."""
    arc = math.pi * diameter_mm / number
    lost = FIRST_LOST * mass_g / number
    return Portions(
        portions=number,
        each_g=mass_g / number,
        lost_g=lost,
        rows=1,
        columns=number,
        wide_mm=arc,
        long_mm=diameter_mm / 2,
        how=f"{360 / number:.0f}° each, {arc:.0f} mm at the rim. {KNIFE} The first piece may break: count half a "
        "portion for it.",
    )


def grid(mass_g: float, sides_mm: tuple[float, float], wanted: int, edge_mm: float = 0.0) -> Portions:
    """A sheet or square cake in a grid of at least ``wanted`` pieces, as square as they come, ``edge_mm`` off first.

    Raises:
        CraftError: nothing is left inside the edge.
    """
    width, length = sorted(s - 2 * edge_mm for s in sides_mm)
    if width <= 0:
        raise CraftError(
            "Nothing is left inside the edge that is cut off.",
            field="edge_mm",
            remedy=f"At most {min(sides_mm) / 2:.0f} mm all round.",
        )
    best = min(
        ((a, math.ceil(wanted / a)) for a in range(1, wanted + 1)),
        key=lambda ab: (abs(math.log((width / ab[0]) / (length / ab[1]))) + 0.15 * (ab[0] * ab[1] - wanted), ab),
    )
    rows, columns = best
    kept = mass_g * width * length / (sides_mm[0] * sides_mm[1])
    size = (width / rows, length / columns)
    return Portions(
        portions=rows * columns,
        each_g=kept / (rows * columns),
        lost_g=max(0.0, mass_g - kept),
        rows=rows,
        columns=columns,
        wide_mm=size[0],
        long_mm=size[1],
        how=f"{rows} × {columns}, each {size[0]:.0f} × {size[1]:.0f} mm. {KNIFE}",
    )


def sliced(mass_g: float, length_mm: float, wanted: int, end_mm: float) -> Portions:
    """A roll or loaf in ``wanted`` slices, both ends cut off.

    Raises:
        CraftError: nothing is left between the ends.
    """
    inner = length_mm - 2 * end_mm
    if inner <= 0:
        raise CraftError(
            f"Of {length_mm:.0f} mm nothing is left once both ends are off.",
            field="end_mm",
            remedy=f"Less than {length_mm / 2:.0f} mm off each end.",
        )
    each = inner / wanted
    return Portions(
        portions=wanted,
        each_g=mass_g * each / length_mm,
        lost_g=mass_g * 2 * end_mm / length_mm,
        rows=1,
        columns=wanted,
        wide_mm=each,
        long_mm=each,
        how=f"{end_mm:.0f} mm off each end, then {wanted} slices of {each:.0f} mm, sawn without pressing. {KNIFE}",
    )
