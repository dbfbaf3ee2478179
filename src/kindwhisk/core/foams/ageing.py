"""Ageing: what a foam loses while it waits, how one can see it, and what brings it back.

The loss follows the hold window: at its likely end a tenth of the bubbles is gone, before it little, after it much.
Trade habit throughout; a cup taken after the wait replaces it.
"""

from __future__ import annotations

import math

from kindwhisk.core.foams.foam import Foam
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

LOST_AT_HOLD = 0.10
POWER = 1.6
MOST_LOST = 0.75


class Ageing(Value):
    """What waiting does to a foam: its sign, what restores it and how far, or that nothing does."""

    sign: str
    restores: str
    limit: str
    can: bool = True


_BATTER = Ageing(
    sign="Bubbles break on top, the surface sinks and turns glossy; a rim runs down the wall.",
    restores="Nothing: strokes cost more than they mend. Fill at once and bake.",
    limit="Whisking it again only brings flour to the gluten.",
    can=False,
)
_WHITES = Ageing(
    sign="Dull and grainy at the wall, water at the bottom of the bowl.",
    restores="A few turns of the whisk by hand, then use it at once.",
    limit="Once, and only before water stands below it; it comes back coarser.",
)
_COOKED = Ageing(
    sign="Softer, slumps from the whisk.",
    restores="A minute on medium speed.",
    limit="As often as it stays glossy; stop at the first fleck.",
)

SIGNS: dict[Foam, Ageing] = {
    Foam.FRENCH_MERINGUE: _WHITES,
    Foam.SWISS_MERINGUE: _COOKED,
    Foam.ITALIAN_MERINGUE: _COOKED,
    Foam.RIBBON: Ageing(
        sign="Large bubbles on top, syrup at the bottom; the ribbon sinks sooner.",
        restores="Half a minute on slow speed evens it, a minute on fast brings volume back.",
        limit="Before flour is in it, and within twice its window.",
    ),
    Foam.YOLK_FOAM: Ageing(
        sign="Yellower, a ribbon sinks at once.",
        restores="Half a minute on fast speed.",
        limit="While it is still cool.",
    ),
    Foam.CREAM: Ageing(
        sign="A thin liquid gathers below.",
        restores="Three or four turns of a hand whisk.",
        limit="Stop before it grains.",
    ),
    Foam.SHELL_BATTER: Ageing(
        sign="Runs looser in the bag, a skin forms on the bowl.",
        restores="Nothing: pipe what is left.",
        limit="Stirring only loosens it more.",
        can=False,
    ),
    Foam.MOUSSE: Ageing(
        sign="Sets in the bowl and tears.",
        restores="Nothing once it has set: fill before.",
        limit="Warming loses the air.",
        can=False,
    ),
}


def ageing(foam: Foam) -> Ageing:
    """How this foam ages; batters with flour can't be brought back."""
    return SIGNS.get(foam, _BATTER)


def _lost(waited_s: float, hold_s: float) -> float:
    return min(MOST_LOST, LOST_AT_HOLD * math.pow(max(0.0, waited_s) / hold_s, POWER))


def air_lost(waited_s: float, hold_s: Estimate) -> Estimate:
    """Share of the bubbles (0 to 1) that is gone after a wait, by the foam's hold window (both in s)."""
    return Estimate(
        low=_lost(waited_s, hold_s.high),
        likely=_lost(waited_s, hold_s.likely),
        high=_lost(waited_s, hold_s.low),
        basis=Basis.HABIT,
    )
