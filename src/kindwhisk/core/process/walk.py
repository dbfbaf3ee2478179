"""The process walked with a kitchen profile: each step with what goes in and what comes out."""

from __future__ import annotations

from collections.abc import Mapping
from typing import NamedTuple

from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.material import Material, combine
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.steps import Step

CUP_SPREAD = 0.03
"""A cup read by a careful hand is good to about three percent."""


class Walked(NamedTuple):
    """A step, what goes in, its outcome, and the setting (its own tins) that it was done in."""

    step: Step
    intake: tuple[Material, ...]
    outcome: Outcome
    place: Setting


class _Larder:
    """What is left of each step's result while the process is walked."""

    def __init__(self) -> None:
        self.whole: dict[str, Material] = {}
        self.left: dict[str, float] = {}

    def put(self, step_id: str, material: Material) -> None:
        self.whole[step_id] = material
        self.left[step_id] = 1.0

    def take(self, portion: StepPortion) -> Material:
        whole, left = self.whole[portion.step], self.left[portion.step]
        if portion.fraction is not None:
            share = portion.fraction
        elif portion.grams is not None:
            share = portion.grams / whole.mass_g if whole.mass_g else 0.0
        else:
            share = left
        share = min(share, left)
        self.left[portion.step] = left - share
        return whole.take(share)


def walk(formula: Formula, setting: Setting, measured: Mapping[str, float]) -> list[Walked]:
    """Each step with its outcome; a measured density (g/ml) replaces the expected one.

    ``setting`` holds the tins of the step that leads; every other one that fills tins has its own.
    """
    larder = _Larder()
    held_in: dict[str, TinsInUse] = {}
    lead = formula.fill
    walked: list[Walked] = []
    for step in formula.steps:
        intake = tuple(
            Material(
                parts={p.ingredient: p.grams},
                temperature_c=setting.kitchen.air_c if p.temperature_c is None else p.temperature_c,
            )
            if isinstance(p, IngredientPortion)
            else larder.take(p)
            for p in step.inputs
        )
        inherited = (held_in[p.step] for p in step.inputs if isinstance(p, StepPortion) and p.step in held_in)
        leads = lead is not None and step.id == lead.id
        tins = step.fills(combine(intake), setting, leads=leads) or next(inherited, None)
        if tins is not None:
            held_in[step.id] = tins
        place = setting.in_tins(tins or setting.tins)
        outcome = step.effect(intake, place)
        if step.id in measured:
            seen = Estimate.around(measured[step.id], CUP_SPREAD, Basis.MEASURED)
            outcome = outcome.model_copy(update={"material": outcome.material.at_density(seen)})
        larder.put(step.id, outcome.material)
        walked.append(Walked(step, intake, outcome, place))
    return walked
