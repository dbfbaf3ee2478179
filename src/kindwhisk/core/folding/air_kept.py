"""After the fold: the share of the air that is left, by a cup of the batter, and what that says of the fold."""

from __future__ import annotations

from kindwhisk.core.folding.airy import Airy, together
from kindwhisk.core.folding.kept import AS_IT_SHOULD
from kindwhisk.core.folding.plan import FoldPlan
from kindwhisk.core.values.bands import CUP_SPREAD, Place
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value


class KeptByCup(Value):
    """What a cup of the batter tells of the fold: the share of gas that is left, beside what was expected."""

    air_kept: Estimate
    expected: Estimate
    place: Place
    verdict: str
    can_do: str


def kept_share(parts: tuple[Airy, ...], measured: float) -> float:
    """Share of the gas still there in a batter weighed at ``measured`` g/ml; 0 where it is as dense as without."""
    whole = together(parts)
    left = max(0.0, whole.mass_g / measured - whole.free_ml)
    return left / whole.gas_ml if whole.gas_ml > 0 else 0.0


def kept_by_cup(base: Airy, foam: Airy, plan: FoldPlan, measured: float) -> KeptByCup:
    """The share of gas left by a cup of the batter (g/ml), with the doubt of both cups, and its verdict.

    Raises:
        CraftError: the batter would hold more gas than both had.
    """
    likely = kept_share((base, foam), measured)
    thin = Airy.at(foam.mass_g, foam.density * (1 - CUP_SPREAD), foam.mass_g / foam.free_ml)
    thick = Airy.at(foam.mass_g, foam.density * (1 + CUP_SPREAD), foam.mass_g / foam.free_ml)
    low = kept_share((base, thin), measured * (1 + CUP_SPREAD))
    high = kept_share((base, thick), measured * (1 - CUP_SPREAD))
    if low > 1:
        raise CraftError(
            f"At {measured:.3g} g/ml the batter would hold more air than foam and base had.",
            field="measured_density_g_per_ml",
            remedy="Level the cup without pressing, tare it empty, and check what the foam weighed.",
        )
    seen = Estimate(low=min(low, likely), likely=likely, high=max(high, likely), basis=Basis.MEASURED)
    place, verdict, can_do = _verdict(seen, plan.air_kept)
    return KeptByCup(air_kept=seen, expected=plan.air_kept, place=place, verdict=verdict, can_do=can_do)


def _verdict(seen: Estimate, expected: Estimate) -> tuple[Place, str, str]:
    said = f"{seen.likely:.0%} of the air kept, {expected.likely:.0%} expected"
    if seen.likely < expected.likely * (1 - AS_IT_SHOULD):
        return (
            Place.LOW,
            f"{said}: the fold cost more than it should. It rises less, the crumb is closer.",
            "Stop here and fill at once. Next time a larger first portion, fewer and broader strokes.",
        )
    if seen.likely > expected.likely * (1 + AS_IT_SHOULD):
        return (
            Place.HIGH,
            f"{said}: lightly folded, or not yet even.",
            "Look for streaks at the bottom: three or four strokes there, and no more.",
        )
    return Place.WITHIN, f"{said}: as a good fold should.", "Fill at once."
