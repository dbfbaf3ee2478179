"""Sugar into the water of an egg: at which temperature all of it can dissolve."""

from __future__ import annotations

from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.solving import rising_root

WHITE_WATER = 0.88
WATER_SPREAD = 0.015
COLDEST_C, HOTTEST_C = 5.0, 90.0
SETS_C = (60.0, 65.0, 71.0)
"""White begins to set; with its own weight of sugar later. Recalled."""
SETS_LATER_K_PER_RATIO = 4.0
"""Each weight of sugar to one of white raises that by about so much. Recalled, roughly."""


def saturation_percent(celsius: float) -> float:
    """Sucrose in a saturated solution, percent by mass, 0 to 100 C. Source: Vavrinecz, published."""
    t = celsius
    return 64.397 + 0.07251 * t + 0.0020569 * t**2 - 9.035e-6 * t**3


class Dissolution(Value):
    """Whether and from where all of the sugar dissolves in the egg's own water.

    ``temperature_c`` is None where it does so cold (``dissolves_cold``) or not at all below 90 C. ``sets_c`` is where
    white with this much sugar begins to set.
    """

    sugar_to_white: float
    temperature_c: Estimate | None
    dissolves_cold: bool
    possible: bool
    sets_c: Estimate
    says: str


def dissolves_from_c(sugar_to_egg: float, water_share: float = WHITE_WATER) -> float | None:
    """The temperature from which so much sugar dissolves; below 5 C counts as 5; None above 90 C."""
    percent = 100 * sugar_to_egg / (sugar_to_egg + water_share)
    if saturation_percent(COLDEST_C) >= percent:
        return COLDEST_C
    if saturation_percent(HOTTEST_C) < percent:
        return None
    return rising_root(lambda c: saturation_percent(c) - percent, COLDEST_C, HOTTEST_C)


def dissolution(sugar_to_white: float) -> Dissolution:
    """How ``sugar_to_white`` grams of sugar to a gram of white dissolve.

    Raises:
        CraftError: the ratio is not between 0 and 6.
    """
    if not 0 <= sugar_to_white <= 6:
        raise CraftError(
            f"{sugar_to_white:g} of sugar to white is no meringue.",
            field="sugar_to_white",
            remedy="Give grams of sugar to a gram of white, between 0 and 6.",
        )
    wet, likely, dry = (dissolves_from_c(sugar_to_white, WHITE_WATER + way * WATER_SPREAD) for way in (1, 0, -1))
    later = SETS_LATER_K_PER_RATIO * min(sugar_to_white, 2.0)
    sets = Estimate(low=SETS_C[0] + later / 2, likely=SETS_C[1] + later, high=SETS_C[2] + later, basis=Basis.RECALLED)
    cold = likely is not None and likely <= 20.0
    if likely is None:
        says = "More sugar than this white's water can hold below 90 °C: grains stay."
        return Dissolution(
            sugar_to_white=sugar_to_white,
            temperature_c=None,
            dissolves_cold=False,
            possible=False,
            sets_c=sets,
            says=says,
        )
    if cold:
        says = "It can dissolve cold; warmth only makes it quick."
        return Dissolution(
            sugar_to_white=sugar_to_white,
            temperature_c=None,
            dissolves_cold=True,
            possible=True,
            sets_c=sets,
            says=says,
        )
    at = Estimate(low=wet or COLDEST_C, likely=likely, high=dry or HOTTEST_C, basis=Basis.PUBLISHED)
    close = likely > sets.low - 3
    says = f"All of it can dissolve from about {likely:.0f} °C: below, grains stay however long it is stirred." + (
        " White begins to set not far above: stir all the time." if close else ""
    )
    return Dissolution(
        sugar_to_white=sugar_to_white, temperature_c=at, dissolves_cold=False, possible=True, sets_c=sets, says=says
    )
