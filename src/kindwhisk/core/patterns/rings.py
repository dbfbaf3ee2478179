"""Rings: batters poured in turns into the middle of a tin, seen from above and in section.

Each pour pushes the earlier ones outward. In a tin with upright walls a pour that holds a share of the batter takes
that share of the floor: equal pours end at ``R sqrt(i/n)``, and rings of one width want pours as ``1 : 3 : 5 ...``, the
last one smallest. Analytic; it leaves out the thin film that the first pour leaves under the others.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from enum import StrEnum

from pydantic import Field

from kindwhisk.core.patterns.pattern import PatternView, Pour, Rings
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

MOST_POURS = 60
NEARLY_SAME = 0.15


class RingWidth(StrEnum):
    """What the pours are made for."""

    EQUAL_POURS = "equal pours"
    EQUAL_WIDTHS = "equal widths"


class Pattern(Value):
    """Batters poured in turns: how many pours into each tin, and of what size. The first batter begins."""

    pours: int = Field(ge=2, le=MOST_POURS)
    widths: RingWidth = RingWidth.EQUAL_POURS


def shares(number: int, widths: RingWidth) -> list[float]:
    """Shares of the batter by pour, the first (outermost) first; they add to 1."""
    if widths is RingWidth.EQUAL_POURS:
        return [1 / number] * number
    return [(2 * (number - i) - 1) / number**2 for i in range(number)]


def ring_edges_mm(outer_mm: float, inner_mm: float, parts: Sequence[float]) -> list[float]:
    """Radii of the edges from the wall inward, for pours of these shares: one more than there are pours.

    ``inner_mm`` is the radius of a tube in the middle, 0 without one.
    """
    edges, left = [outer_mm], 1.0
    for share in parts:
        left = max(0.0, left - share)
        edges.append(math.sqrt(inner_mm**2 + left * (outer_mm**2 - inner_mm**2)))
    return edges


def pours(
    masses_g: Sequence[float], densities: Sequence[float], pattern: Pattern, tins: int = 1
) -> tuple[list[tuple[int, float]], list[float]]:
    """The pours (which batter, g) into one of ``tins``, in turns, and what is left of each batter over all tins (g).

    Pours are sized by volume, so that a lighter batter makes as wide a ring: the largest set that no batter is too
    small for.

    Raises:
        CraftError: fewer than two batters, or fewer pours than batters.
    """
    if len(masses_g) < 2:
        raise CraftError(
            "Rings need two batters.", field="parts", remedy="Divide the batter first, and colour one part."
        )
    if pattern.pours < len(masses_g):
        raise CraftError(
            f"{pattern.pours} pours are fewer than the batters.", field="pours", remedy="At least one pour of each."
        )
    parts = shares(pattern.pours, pattern.widths)
    turns = [i % len(masses_g) for i in range(pattern.pours)]
    wanted = [sum(p for p, t in zip(parts, turns, strict=True) if t == b) for b in range(len(masses_g))]
    volume = min(m / d / w for m, d, w in zip(masses_g, densities, wanted, strict=True)) / tins
    made = [(t, volume * p * densities[t]) for p, t in zip(parts, turns, strict=True)]
    left = [m - tins * volume * w * d for m, d, w in zip(masses_g, densities, wanted, strict=True)]
    return made, left


def in_words(sizes: Sequence[tuple[int, float]], names: Sequence[str]) -> str:
    """What to do: portion sizes and the order, in a sentence."""
    masses = [grams for _, grams in sizes]
    same = max(masses) - min(masses) < NEARLY_SAME * max(masses)
    size = f"{masses[0]:.0f} g each" if same else f"from {masses[0]:.0f} g down to {masses[-1]:.0f} g"
    return (
        f"{len(sizes)} pours into each tin, {size}, always into the middle of the last: "
        f"{names[sizes[0][0]]} first, {names[sizes[-1][0]]} last."
    )


def rings_in(
    pattern: Pattern,
    tin: Tin,
    masses_g: Sequence[float],
    densities: Sequence[float],
    names: tuple[str, ...],
    colours: tuple[str, ...],
    *,
    tins: int = 1,
) -> PatternView:
    """Batters as rings in one of ``tins``, each taking its share of them.

    Raises:
        CraftError: the tin is not round, or the batters don't suit the pattern.
    """
    if not tin.round:
        raise CraftError("Rings need a round tin.", field="shape", remedy="Take a round or a tube tin.")
    sizes, left = pours(masses_g, densities, pattern, tins)
    level = tin.level_mm(sum(grams / densities[batter] for batter, grams in sizes))
    cut = tin.cut(level / 2)
    edges = ring_edges_mm(cut.outer_mm, cut.inner_mm, shares(pattern.pours, pattern.widths))
    return PatternView(
        names=names,
        colours=colours,
        says=in_words(sizes, names),
        left_g=tuple(left),
        begins=names[sizes[0][0]],
        ends=names[sizes[-1][0]],
        rings=Rings(
            tin_radius_mm=cut.outer_mm,
            tube_radius_mm=cut.inner_mm,
            level_mm=level,
            rim_mm=tin.depth_mm,
            pours=tuple(
                Pour(batter=batter, mass_g=grams, outer_mm=edges[i], inner_mm=edges[i + 1])
                for i, (batter, grams) in enumerate(sizes)
            ),
        ),
    )
