"""The bake of a formula, to be asked about: as its own tins are filled, in its own oven."""

from __future__ import annotations

from kindwhisk.core.baking.asked import MOST_BATTER_G, Asked, TimedBake
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.formula import Formula, upstream
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError

MOST_TRAYS = 20


def asked_of(formula: Formula, kitchen: Kitchen) -> Asked:
    """What is asked of a formula's own bake.

    Raises:
        CraftError: nothing of it is baked in a tin.
    """
    step, fill = formula.bake, formula.fill
    if step is None or fill is None or fill.id not in upstream(formula, step.id):
        raise CraftError("Nothing of it is baked in a tin.", field="formula", remedy="Choose another formula.")
    made = scale(formula, kitchen, Wish())
    batter, one = made.forecast.step(fill.id).material, made.fills[0]
    trays = one.trays or 1
    piped = isinstance(fill, PipeStep)
    grams = batter.mass_g / trays if piped else one.grams
    if not 1 <= grams <= MOST_BATTER_G:
        raise CraftError(
            f"{grams / 1000:.3g} kg go into one tin of it.",
            field="formula",
            remedy=f"Ask about a formula with 1 g to {MOST_BATTER_G / 1000:.0f} kg in each tin.",
        )
    return Asked(
        technique=formula.component(step.component).technique or formula.technique,
        tin=fill.tin if piped else one.tin,
        batter_g=grams,
        density_g_per_ml=batter.density_g_per_ml.likely,
        oven_c=step.oven_c,
        mode=step.mode,
        reference=TimedBake(
            tin=step.reference.tin,
            oven_c=step.reference.oven_c,
            minutes=step.reference.minutes,
            mode=step.reference.mode,
            fill_mm=max(1.0, step.reference.fill_mm),
        ),
        oven=kitchen.ovens[0].id,
        formula=formula.id,
        trays=min(MOST_TRAYS, trays),
        piece=fill.piece if isinstance(fill, PipeStep) else None,
        done_c=step.done_c,
    )
