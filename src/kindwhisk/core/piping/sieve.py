"""What stays in the sieve is taken out of the dry mass: weighed, then topped up, or everything else lowered with it."""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum

from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

WORTH_IT = 0.01
"""Below this share of the dry goods a kitchen's scale and hands differ by as much. Trade habit."""
COARSE = 0.04
"""Above this share the nuts were not fine enough. Trade habit."""


class SievedBy(StrEnum):
    """What is done about it."""

    TOP_UP = "top up"
    SCALE = "scale"


class Sieved(Value):
    """What is missing in the bowl.

    ``top_up_g`` are grams by ingredient that make it whole again, in their ratio; ``factor`` is what everything else is
    taken times instead. ``says`` tells whether it matters, ``coarse`` what to do about the nuts.
    """

    share: float
    top_up_g: dict[str, float]
    factor: float
    says: str
    coarse: str


def sieved(dry_g: Mapping[str, float], left_g: float) -> Sieved:
    """What ``left_g`` in the sieve mean for dry goods (grams by ingredient) that were weighed into it.

    Raises:
        CraftError: less than nothing, or as much as there was, stayed behind.
    """
    whole = sum(dry_g.values())
    if not 0 <= left_g < whole:
        raise CraftError(
            f"{left_g:g} g can't stay in the sieve of {whole:.0f} g.",
            field="left_g",
            remedy=f"Weigh what is left in the sieve: from 0 to less than {whole:.0f} g.",
        )
    share = left_g / whole
    says = (
        "Less than the scale tells apart: go on."
        if share < WORTH_IT
        else f"{left_g:.0f} g are missing in the bowl, {100 * share:.1f} % of the dry goods: the batter would run."
    )
    return Sieved(
        share=share,
        top_up_g={i: left_g * grams / whole for i, grams in dry_g.items()},
        factor=1 - share,
        says=says,
        coarse=""
        if share < COARSE
        else "The nuts are coarse or damp. Grind them with their icing sugar, in short bursts, so that they stay dry; "
        "oily ones that clump: spread them out for an hour, or dry them at 100 °C for ten minutes, and cool them.",
    )
