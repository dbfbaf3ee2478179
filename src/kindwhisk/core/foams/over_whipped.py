"""Over-whipped: what a foam loses when the whisk goes on past its peak. Trade habit throughout."""

from __future__ import annotations

import math

from kindwhisk.core.foams import whipped_cream
from kindwhisk.core.foams.foam import Foam, Peak
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.estimate import Basis, Estimate

OVER_AT: dict[Foam, float] = {Foam.RIBBON: 3.0, Foam.YOLK_FOAM: 3.0}
"""Times that a foam of egg may be whisked as long as to its peak: then it loses its large bubbles."""
OVER_SPREAD = 0.2
LOSES = 1.2
MOST_LOST = 0.9
PAST_SAVING = 0.4
"""Share of the bubbles gone, from which fresh is better than anything that could be done."""


def over_s(kind: Foam, peak: Peak, to_peak: Estimate) -> Estimate | None:
    """Seconds from the start until a foam without whites of its own has gone too far; None where it hardly can."""
    times = whipped_cream.grains_at(peak) if kind is Foam.CREAM else OVER_AT.get(kind)
    if times is None:
        return None
    later = Estimate.around(times, OVER_SPREAD, Basis.HABIT)
    return Estimate(
        low=to_peak.likely * later.low,
        likely=to_peak.likely * later.likely,
        high=to_peak.high * later.high,
        basis=Basis.weakest((to_peak.basis, Basis.HABIT)),
    )


def _lost(ran_s: float, over: float) -> float:
    past = max(0.0, ran_s - over) / over
    return MOST_LOST * (1 - math.exp(-LOSES * past))


def lost(ran_s: float, over: Estimate) -> Estimate:
    """Share of the bubbles (0 to 0.9) that is gone after it was whisked for ``ran_s``, ``over`` being when it turns."""
    return Estimate(
        low=_lost(ran_s, over.high), likely=_lost(ran_s, over.likely), high=_lost(ran_s, over.low), basis=Basis.HABIT
    )


def over_whipped(foam: Material, ran_s: float, over: Estimate | None) -> Material:
    """A foam as it is after it was whisked for ``ran_s``; as it was up to the moment when it turns."""
    if over is None or ran_s <= over.low or foam.gas_ml.likely <= 0:
        return foam
    gone, gas = lost(ran_s, over), foam.gas_ml
    return foam.with_gas(
        Estimate(
            low=gas.low * (1 - gone.high),
            likely=gas.likely * (1 - gone.likely),
            high=gas.high * (1 - gone.low),
            basis=Basis.weakest((gas.basis, gone.basis)),
        )
    )
