"""Stripes: batters laid side by side in a piping bag, and how wide each comes out at the nozzle."""

from __future__ import annotations

import math
from collections.abc import Sequence

from kindwhisk.core.patterns.pattern import Bag, PatternView, Stripe
from kindwhisk.core.values.errors import CraftError


def stripes(masses_g: Sequence[float], densities: Sequence[float], each: int, nozzle_mm: float) -> tuple[Stripe, ...]:
    """``each`` stripes of every batter in turns around a bag, as wide as their volumes ask.

    Raises:
        CraftError: fewer than two batters, or a stripe too thin to be seen.
    """
    if len(masses_g) < 2:
        raise CraftError(
            "Stripes need two batters.", field="parts", remedy="Divide the batter first, and colour one part."
        )
    volumes = [m / d for m, d in zip(masses_g, densities, strict=True)]
    turn = [v / sum(volumes) * 360 / each for v in volumes]
    found, at = [], 0.0
    for _ in range(each):
        for batter, degrees in enumerate(turn):
            width = math.pi * nozzle_mm * degrees / 360
            found.append(
                Stripe(
                    batter=batter,
                    mass_g=masses_g[batter] / each,
                    from_deg=at,
                    to_deg=at + degrees,
                    width_mm=width,
                )
            )
            at += degrees
    if min(s.width_mm for s in found) < 1.0:
        raise CraftError(
            "The thinnest stripe would be under a millimetre.",
            field="stripes",
            remedy="Fewer stripes, a wider nozzle, or more of the smaller batter.",
        )
    return tuple(found)


def in_the_bag(
    masses_g: Sequence[float],
    densities: Sequence[float],
    each: int,
    nozzle_mm: float,
    names: tuple[str, ...],
    colours: tuple[str, ...],
) -> PatternView:
    """The stripes as a pattern.

    Raises:
        CraftError: see :func:`stripes`.
    """
    made = stripes(masses_g, densities, each, nozzle_mm)
    widths = {s.batter: s.width_mm for s in made}
    said = ", ".join(f"{names[b]} {w:.0f} mm" for b, w in widths.items())
    return PatternView(
        names=names,
        colours=colours,
        says=f"{len(made)} stripes along the bag in turns, bag flat; at the nozzle {said}.",
        begins=names[0],
        ends=names[-1],
        bag=Bag(nozzle_mm=nozzle_mm, stripes=made),
    )
