"""The fold plan: in which portions a foam and a base meet so that least air is lost."""

from __future__ import annotations

from enum import StrEnum

from kindwhisk.core.folding.airy import Airy, Incorporation, in_portions, in_turns, meet, together
from kindwhisk.core.folding.kept import SPREAD, Manner
from kindwhisk.core.folding.together import Addition, fraction_in_words, told
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

FOAM_FREE, BASE_FREE = 1.15, 1.13
"""Usual density (g/ml) without bubbles: whites with half their weight of sugar; yolks, oil, milk and flour. Model."""
DRY_SHARE = 0.5
"""Share of a base that is flour, where it is not told. Trade habit."""
NEAR_ENOUGH = 0.55
"""A base lighter than this (g/ml) needs no sacrifice. Fold reference model, rounded."""
MOST_SACRIFICED, SACRIFICE_STEP = 0.5, 0.02
_STOPS = (0.2, 0.25, 1 / 3, 0.4, 0.5)
"""Fractions that an eye can part a bowl into."""
AS_GOOD = 0.985
"""Sacrifices that keep this share of the best plan's air are as good: the optimum is flat."""


class FoldSchool(StrEnum):
    """The ways in which good bakers fold."""

    SACRIFICE = "sacrifice"
    THIRDS = "in thirds"
    INTO_FOAM = "base into the foam"
    FLOUR_FIRST = "flour over the foam"
    IN_TURNS = "dry and liquid in turns"


PORTIONS: dict[FoldSchool, int] = {
    FoldSchool.SACRIFICE: 2,
    FoldSchool.THIRDS: 3,
    FoldSchool.INTO_FOAM: 2,
    FoldSchool.FLOUR_FIRST: 3,
    FoldSchool.IN_TURNS: 3,
}
"""In how many portions, where it is not asked for. Trade habit."""

FLOUR: dict[FoldSchool, str] = {
    FoldSchool.SACRIFICE: "In the base, whisked smooth before the foam is begun.",
    FoldSchool.THIRDS: "In the base, or sifted over with the last third.",
    FoldSchool.INTO_FOAM: "In the base; it must still run like cream, or it falls through the foam.",
    FoldSchool.FLOUR_FIRST: "Over the foam in thin layers, each folded under before the next.",
    FoldSchool.IN_TURNS: "Begin and end with flour: it binds the liquid that comes between.",
}
FAT: dict[FoldSchool, str] = {
    FoldSchool.SACRIFICE: "In the base, beaten to fine drops.",
    FoldSchool.THIRDS: "In the base, beaten to fine drops.",
    FoldSchool.INTO_FOAM: "In the base, beaten to fine drops; nothing fat may lie on top of the foam.",
    FoldSchool.FLOUR_FIRST: "Last, loosened with a spoon of batter, at 40 to 50 °C: fluid, and not hot.",
    FoldSchool.IN_TURNS: "In the liquid, at 40 to 50 °C, a little at a time down the wall.",
}
"""Where flour and fat go. Trade habit."""


class Sacrifice(Value):
    """How large a first portion to give up: from ``low`` to ``high`` all are as good."""

    low: float
    high: float
    kept: float
    words: str
    why: str

    @property
    def usual(self) -> float:
        """The one to take: a fraction that is easily judged by eye, in the middle of those."""
        middle = (self.low + self.high) / 2
        inside = [s for s in _STOPS if self.low <= s <= self.high]
        return min(inside, key=lambda s: abs(s - middle), default=middle)


class FoldPlan(Value):
    """A fold, addition by addition.

    ``sacrifice_fraction`` is the share of the foam spent first (0 where none is), ``air_kept`` the share of all gas
    that is left.
    """

    school: FoldSchool
    additions: tuple[Addition, ...]
    sacrifice_fraction: float
    sacrifice: Sacrifice | None
    air_kept: Estimate
    density_g_per_ml: Estimate
    volume_ml: Estimate
    flour: str
    fat: str


def sacrifice(base: Airy, foam: Airy) -> Sacrifice:
    """How much of the foam to spend on the base first, by the model."""
    if base.density < NEAR_ENOUGH:
        return Sacrifice(
            low=0, high=0, kept=0, words="none", why=f"At {base.density:.2f} g/ml the base is near enough already."
        )

    def kept(share: float) -> float:
        return _sacrificed(base, foam, share, 1)[-1].result.gas_ml / (base.gas_ml + foam.gas_ml)

    shares = [i * SACRIFICE_STEP for i in range(round(MOST_SACRIFICED / SACRIFICE_STEP) + 1)]
    best = max(shares, key=kept)
    least = next(s for s in shares if kept(s) >= AS_GOOD * kept(best))
    lightened = meet(base, foam.take(least), Manner.SACRIFICE).result.density
    words = fraction_in_words(_rounded(least)) if least == best else _between(_rounded(least), _rounded(best))
    return Sacrifice(
        low=least,
        high=best,
        kept=kept(best),
        words=words,
        why=f"It brings the base from {base.density:.2f} to {lightened:.2f} g/ml, nearer to the foam's "
        f"{foam.density:.2f}; a little more or less is as good.",
    )


def _rounded(share: float) -> float:
    return min(_STOPS, key=lambda s: abs(s - share))


def _between(low: float, high: float) -> str:
    first, last = fraction_in_words(low), fraction_in_words(high)
    return first if first == last else f"{first} to {last}"


def _sacrificed(base: Airy, foam: Airy, spent: float, portions: int) -> list[Incorporation]:
    """A share spent on the base first (none if it is 0), the rest folded in in portions."""
    first = [meet(base, foam.take(spent), Manner.SACRIFICE)] if spent > 0 else []
    bowl = first[0].result if first else base
    return [*first, *in_portions(bowl, foam.take(1 - spent), Manner.FOLD, portions)]


def _meetings(
    school: FoldSchool, base: Airy, foam: Airy, portions: int, spent: float, dry_share: float
) -> list[Incorporation]:
    dry, liquid = base.take(dry_share)._replace(dry=True), base.take(1 - dry_share)
    match school:
        case FoldSchool.SACRIFICE:
            return _sacrificed(base, foam, spent, max(1, portions - 1) if spent > 0 else portions)
        case FoldSchool.THIRDS:
            return in_portions(base, foam, Manner.FOLD, portions)
        case FoldSchool.INTO_FOAM:
            return in_portions(foam, base, Manner.INTO_FOAM, portions)
        case FoldSchool.FLOUR_FIRST:
            sifted = in_portions(foam, dry, Manner.SIFT_OVER, max(1, portions - 1)) if dry_share > 0 else []
            bowl = sifted[-1].result if sifted else foam
            return [*sifted, *([meet(bowl, liquid, Manner.FOLD)] if dry_share < 1 else [])]
        case FoldSchool.IN_TURNS:
            return in_turns(foam, dry, liquid, portions)


def fold_plan(
    base: Airy,
    foam: Airy,
    school: FoldSchool = FoldSchool.SACRIFICE,
    portions: int | None = None,
    *,
    spend: float | None = None,
    dry_share: float = DRY_SHARE,
) -> FoldPlan:
    """The plan by a school.

    Args:
        base, foam: what meets; the foam must be the lighter one and hold bubbles.
        school: the way of folding.
        portions: in how many additions, 1 to 6; the school's usual number where it is None.
        spend: share of the foam to sacrifice, 0 to 0.6; by the model where it is None.
        dry_share: share of the base that is flour and the like, for the schools that sift it over the foam.

    Raises:
        CraftError: the foam is not lighter than the base, or holds no air.
    """
    if foam.gas_ml <= 0 or foam.density >= base.density:
        raise CraftError(
            f"A foam of {foam.density:.2f} g/ml is not lighter than the base of {base.density:.2f}.",
            field="foam",
            remedy="Give the lighter one as the foam; below 0.9 g/ml it holds air.",
        )
    advice = sacrifice(base, foam) if school is FoldSchool.SACRIFICE else None
    spent = 0.0
    if advice is not None:
        spent = advice.usual if spend is None else spend
        spent = 0.0 if portions == 1 else spent
    meetings = _meetings(school, base, foam, portions or PORTIONS[school], spent, dry_share)
    gas = together((base, foam)).gas_ml
    start = Estimate.exact(gas, Basis.FORMULA)
    steps = told(meetings, foam, base, start=start, turns=school in {FoldSchool.IN_TURNS, FoldSchool.FLOUR_FIRST})
    kept = meetings[-1].result.gas_ml / gas
    return FoldPlan(
        school=school,
        additions=steps,
        sacrifice_fraction=spent,
        sacrifice=advice,
        air_kept=Estimate(
            low=kept * (1 - SPREAD), likely=kept, high=max(kept, min(1.0, kept * (1 + SPREAD))), basis=Basis.HABIT
        ),
        density_g_per_ml=steps[-1].density_g_per_ml,
        volume_ml=steps[-1].volume_ml,
        flour=FLOUR[school],
        fat=FAT[school],
    )
