"""Parting a batter by weight, and colouring a part so that all parts still set alike.

What colours a part (cocoa, tea, fruit) brings solids that bind water, or water of its own. To keep the part's water and
sugar in the batter's own proportion to everything else, water and sugar are put back; where more came in than is
wanted, it is told instead, for nothing can be taken out.
"""

from __future__ import annotations

from pydantic import Field

from kindwhisk.core.folding.airy import Airy, meet
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.folding.strokes import LOSS, strokes
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

LEAST_G = 0.5
"""Less water or sugar than this is not worth putting back."""


class PartWish(Value):
    """A part to be weighed off: its share (any positive number, set in proportion), and what colours it."""

    name: str = Field(default="", max_length=40)
    share: float = Field(gt=0, le=100_000)
    additions: dict[str, float] = Field(default_factory=dict, max_length=8)


class PutBack(Value):
    """Water and sugar (g) that keep a coloured part's proportions; negative where it has too much of one."""

    water_g: float
    sugar_g: float


class PartPlan(Value):
    """A part: what is weighed off, what goes in, and what comes of it."""

    name: str
    share: float
    taken_g: float
    additions: dict[str, float]
    put_back: PutBack
    mass_g: float
    density_g_per_ml: float
    volume_ml: float
    colour: str
    evening_strokes: int
    note: str


class SplitPlan(Value):
    """All parts, brought to one density: the densest as it is, the others given strokes until they are there."""

    parts: tuple[PartPlan, ...]
    density_g_per_ml: float


def put_back(batter: Material, addition: Material) -> PutBack:
    """Water and sugar (g) that a batter wants beside an addition, so that both keep their proportions.

    The addition's solids (all that is neither water nor sugar) set how much of each belongs to them. A batter without
    such solids wants none.
    """
    own, new = batter.composition, addition.composition
    solids = 1 - own.water - own.sugars
    if solids <= 0 or addition.mass_g <= 0:
        return PutBack(water_g=0, sugar_g=0)
    brought = addition.mass_g * (1 - new.water - new.sugars)
    return PutBack(
        water_g=brought * own.water / solids - addition.mass_g * new.water,
        sugar_g=brought * own.sugars / solids - addition.mass_g * new.sugars,
    )


def _note(back: PutBack) -> str:
    found = []
    for what, grams in (("water", back.water_g), ("sugar", back.sugar_g)):
        if grams < -LEAST_G:
            found.append(f"It brings {-grams:.0f} g of {what} more than belongs to it")
    return ". ".join(found) + (": it sets softer and later, keep it the smaller part." if found else "")


def split(batter: Material, wishes: tuple[PartWish, ...]) -> SplitPlan:
    """Part a batter, colour the parts, and bring them to one density.

    Args:
        batter: as it is after the fold, with its bubbles.
        wishes: two parts or more, or one that leaves nothing over.

    Raises:
        CraftError: there is no batter, or no part.
    """
    if not wishes or batter.mass_g <= 0:
        raise CraftError(
            "There is nothing to divide.", field="parts", remedy="Give the batter's weight and at least one part."
        )
    total = sum(w.share for w in wishes)
    made: list[tuple[PartWish, Material, PutBack, Material, float]] = []
    for wish in wishes:
        taken = batter.take(min(1.0, wish.share / total))
        addition = Material(parts={i: g for i, g in wish.additions.items() if ingredient(i) and g > 0})
        back = put_back(batter, addition)
        extra = {"water": back.water_g, "sugar": back.sugar_g}
        slurry = combine((addition, Material(parts={i: g for i, g in extra.items() if g > LEAST_G})))
        gas = taken.gas_ml
        if slurry.mass_g > 0:
            kept = meet(Airy.of(taken), Airy.of(slurry), Manner.FOLD).kept
            gas = gas.scaled(kept)
        part = combine((taken.with_gas(gas), slurry)).with_gas(gas)
        made.append((wish, taken, back, part, taken.mass_g))
    evened = max(p.density_g_per_ml.likely for _, _, _, p, _ in made)
    return SplitPlan(
        density_g_per_ml=evened,
        parts=tuple(
            PartPlan(
                name=wish.name or f"part {n + 1}",
                share=wish.share / total,
                taken_g=taken.mass_g,
                additions=wish.additions,
                put_back=PutBack(
                    water_g=back.water_g if back.water_g > LEAST_G else 0.0,
                    sugar_g=back.sugar_g if back.sugar_g > LEAST_G else 0.0,
                ),
                mass_g=part.mass_g,
                density_g_per_ml=part.density_g_per_ml.likely,
                volume_ml=part.volume_ml.likely,
                colour=part.colour,
                evening_strokes=_evening(part, evened),
                note=_note(back),
            )
            for n, (wish, taken, back, part, _) in enumerate(made)
        ),
    )


def _evening(part: Material, target: float) -> int:
    """Strokes that bring a lighter part to the density (g/ml) of the densest."""
    gas, wanted = part.gas_ml.likely, part.mass_g / target - part.gas_free_volume_ml
    if gas <= 0 or wanted >= gas * 0.97:
        return 0
    return round(strokes(max(wanted, 0.02 * gas) / gas, LOSS[Manner.FOLD]).likely)
