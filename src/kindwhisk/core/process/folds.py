"""The fold of a process as one course: every addition from the first portion to the batter, over all its steps."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from kindwhisk.core.folding.airy import Airy, together
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.folding.plan import Sacrifice, sacrifice
from kindwhisk.core.folding.together import Addition, portion
from kindwhisk.core.ingredients.material import combine
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.macaronage import MacaronageStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.walk import WalkedStep
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value


class CourseAddition(Addition):
    """An addition and the step that makes it."""

    step: str


class FoldCourse(Value):
    """Folds that follow each other in one content.

    ``base_g_per_ml`` and ``foam_g_per_ml`` are what meets first; ``air_kept`` is the share of the gas of all foams that
    is left in the end; ``sacrifice`` advises on the first portion where one is spent.
    """

    steps: tuple[str, ...]
    base_g_per_ml: float
    foam_g_per_ml: float
    additions: tuple[CourseAddition, ...]
    air_kept: Estimate
    sacrificed: float
    sacrifice: Sacrifice | None


FOLDS = (FoldStep, MacaronageStep)
SAME_FOAM = 0.02
"""Portions within so much (g/ml) of each other are of one foam."""


def fold_courses(walked: Sequence[WalkedStep]) -> tuple[FoldCourse, ...]:
    """The courses of a walked process, in its order."""
    chains: list[list[WalkedStep]] = []
    parted = {w.step.id: w for w in walked if isinstance(w.step, SplitStep)}
    for one in walked:
        if not isinstance(one.step, FOLDS) or not one.outcome.additions:
            continue
        taken = _sources(one)
        own = [c for c in chains if taken & {w.step.id for w in c}]
        # A part that went its own way comes back with the rest of its batter.
        chains = [c for c in chains if c not in own]
        chains.append([*(w for c in own for w in c), one])
    return tuple(_course(chain, parted) for chain in chains)


def _sources(one: WalkedStep) -> set[str]:
    return {p.step for p in one.step.inputs if isinstance(p, StepPortion)}


def _told(one: WalkedStep, whole: Airy) -> list[CourseAddition]:
    """The additions of a step; the last one ends where the step's own result stands, which may have been measured."""
    found = [
        CourseAddition(**{**a.model_dump(), "what": _what(a, whole)}, step=one.step.id) for a in one.outcome.additions
    ]
    there = one.outcome.material
    after = {"density_g_per_ml": there.density_g_per_ml, "volume_ml": there.volume_ml}
    return [*found[:-1], found[-1].model_copy(update=after)]


def _what(addition: Addition, whole: Airy) -> str:
    """A portion of the foam that the course begins with, as a share of all of it; other additions as they are."""
    if not addition.foam or abs(addition.added_g_per_ml - whole.density) > SAME_FOAM:
        return addition.what
    return portion(addition.mass_g / whole.mass_g, addition.what.rsplit(" of the ", 1)[-1])


def _course(chain: list[WalkedStep], parted: Mapping[str, WalkedStep]) -> FoldCourse:
    inside = {w.step.id for w in chain}
    inside |= {i for i, w in parted.items() if _sources(w) & inside}
    first = chain[0].outcome.additions[0]
    foam, base = sorted((first.added_g_per_ml, first.bowl_g_per_ml))
    came = [
        Airy.of(m)
        for w in chain
        for p, m in zip(w.step.inputs, w.intake, strict=True)
        if not (isinstance(p, StepPortion) and p.step in inside)
    ]
    gas, left = together(came).gas_ml, chain[-1].outcome.material.gas_ml
    kept = left.scaled(1 / gas) if gas > 0 else left
    spends = isinstance(chain[0].step, FoldStep) and chain[0].step.manner is Manner.SACRIFICE
    airy = [p for p in came if p.gas_ml > 0]
    lightest = min(airy, key=lambda p: p.density)
    # All portions of one foam are it again; the rest of the first step is the base.
    whole = together(p for p in airy if abs(p.density - lightest.density) < SAME_FOAM)
    start = combine(m for m in chain[0].intake if abs(m.density_g_per_ml.likely - lightest.density) >= SAME_FOAM)
    return FoldCourse(
        steps=tuple(w.step.id for w in chain),
        base_g_per_ml=base,
        foam_g_per_ml=foam,
        additions=tuple(a for w in chain for a in _told(w, whole)),
        air_kept=kept.model_copy(update={"high": max(kept.likely, min(1.0, kept.high))}),
        sacrificed=chain[0].outcome.additions[0].mass_g / whole.mass_g if spends else 0.0,
        sacrifice=sacrifice(Airy.of(start), whole) if spends and start.mass_g > 0 else None,
    )
