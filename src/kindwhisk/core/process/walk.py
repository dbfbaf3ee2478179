"""The process walked with a kitchen profile: each step with what goes in and what comes out."""

from __future__ import annotations

from collections.abc import Iterator, Mapping
from dataclasses import replace
from typing import NamedTuple

from kindwhisk.core.builds.built import Built, joined
from kindwhisk.core.foams.ageing import air_lost
from kindwhisk.core.foams.over_whipped import over_whipped
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.piping.skin import Touch
from kindwhisk.core.piping.sorting import Counts
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.setting import Setting, TinsInUse, taken_together
from kindwhisk.core.process.steps import Step
from kindwhisk.core.values.bands import CUP_SPREAD
from kindwhisk.core.values.estimate import Basis, Estimate


class Measured(NamedTuple):
    """A density read at a step, in g/ml, and how sure the reading is (a share of it)."""

    density: float
    spread: float = CUP_SPREAD

    @property
    def estimate(self) -> Estimate:
        """With its range."""
        return Estimate.around(self.density, self.spread, Basis.MEASURED)


class Observed(NamedTuple):
    """What a bake has shown so far, by step id: densities read, seconds that a result has waited to be taken, seconds
    that a foam was whisked, what fingers said of a skin, what pieces came out as, how damp it was over a rest, and how
    warm (C) a result is by its thermometer."""

    densities: Mapping[str, Measured] = {}
    waited_s: Mapping[str, float] = {}
    ran_s: Mapping[str, float] = {}
    touches: Mapping[str, tuple[Touch, ...]] = {}
    counts: Mapping[str, Counts] = {}
    humidity: Mapping[str, float] = {}
    warmth: Mapping[str, float] = {}


NOTHING_OBSERVED = Observed()


class WalkedStep(NamedTuple):
    """A step, what goes in portion by portion, its outcome, and the setting (its own tins) that it was done in.

    ``parts`` are what goes in as the step handles it: what comes from a step and from one that makes it once more is
    one part.
    ``stood`` is, by earlier step that it takes from, what was left of that step's result before it took its share.
    """

    step: Step
    intake: tuple[Material, ...]
    outcome: Outcome
    place: Setting
    stood: Mapping[str, Material]
    parts: tuple[Material, ...]


class _Larder:
    """What is left of each step's result while the process is walked."""

    def __init__(self) -> None:
        self.whole: dict[str, Material] = {}
        self.left: dict[str, float] = {}
        self.off: dict[str, float] = {}

    def put(self, step_id: str, outcome: Outcome, waited_s: float, lost: float) -> None:
        self.whole[step_id] = aged(outcome, waited_s)
        self.left[step_id] = 1.0 - lost
        self.off[step_id] = 1.0 - lost

    def standing(self, step_id: str) -> Material:
        """What is left of a step's result."""
        return kept(self.whole[step_id]).take(self.left[step_id])

    def take(self, portion: StepPortion) -> Material:
        if portion.offcut:
            return self._offcut(portion)
        whole, left = kept(self.whole[portion.step]), self.left[portion.step]
        if portion.fraction is not None:
            share = portion.fraction
        elif portion.grams is not None:
            share = portion.grams / whole.mass_g if whole.mass_g else 0.0
        else:
            share = left
        share = min(share, left)
        self.left[portion.step] = max(0.0, left - share)
        return whole.take(share)

    def _offcut(self, portion: StepPortion) -> Material:
        """Of what was cut off in a step; nothing where nothing was."""
        whole, left = self.whole[portion.step], self.off[portion.step]
        if not isinstance(whole, Built) or whole.offcut.mass_g <= 0:
            return Material()
        share = left if portion.fraction is None else min(portion.fraction, left)
        if portion.grams is not None:
            share = min(left, portion.grams / whole.offcut.mass_g)
        self.off[portion.step] = max(0.0, left - share)
        return whole.offcut.take(share)


def kept(material: Material) -> Material:
    """A result without what was cut off it: that is taken apart, or is waste."""
    return material.kept if isinstance(material, Built) else material


def aged(outcome: Outcome, waited_s: float) -> Material:
    """The result after it has waited: a foam has lost some of its bubbles by then."""
    material = outcome.material
    if outcome.hold_s is None or outcome.foam is None or waited_s <= 0 or material.gas_ml.likely <= 0:
        return material
    lost, gas = air_lost(waited_s, outcome.hold_s), material.gas_ml
    return material.with_gas(
        Estimate(
            low=gas.low * (1 - lost.high),
            likely=gas.likely * (1 - lost.likely),
            high=gas.high * (1 - lost.low),
            basis=Basis.weakest((gas.basis, lost.basis)),
        )
    )


def walk(formula: Formula, setting: Setting, observed: Observed = NOTHING_OBSERVED) -> list[WalkedStep]:
    """Each step with its outcome; what was ``observed`` of the bake replaces what was expected."""
    return list(stepwise(formula, setting, observed))


def stepwise(formula: Formula, setting: Setting, observed: Observed = NOTHING_OBSERVED) -> Iterator[WalkedStep]:
    """The same, each step walked when it is asked for: a batter can be had without baking it.

    ``setting`` holds the tins of the step that leads; every other one that fills tins has its own.
    """
    larder = _Larder()
    held_in: dict[str, TinsInUse] = {}
    lead = formula.fill
    origins = {s.id: s.origin for s in formula.steps}
    for step in formula.steps:
        stood = {p.step: larder.standing(p.step) for p in step.inputs if isinstance(p, StepPortion)}
        intake = tuple(
            Material(
                parts={p.ingredient: p.grams},
                temperature_c=setting.kitchen.air_c if p.temperature_c is None else p.temperature_c,
            )
            if isinstance(p, IngredientPortion)
            else larder.take(p)
            for p in step.inputs
        )
        leads = lead is not None and step.origin == lead.id
        own = replace(
            setting if step.again is None else setting.in_tins(setting.tins.part(step.again.share)),
            formula=formula.id,
            technique=formula.component(step.component).technique or formula.technique,
            hands=setting.did.get(step.id, setting.hands),
            oven=setting.ovens.get(step.id, setting.oven),
            touches=observed.touches.get(step.id, ()),
            counts=observed.counts.get(step.id, ()),
            kitchen=setting.kitchen.in_air(observed.humidity.get(step.id)),
        )
        held = [
            (held_in[p.step], m.mass_g / whole if (whole := larder.whole[p.step].mass_g) else 1.0)
            for p, m in zip(step.inputs, intake, strict=True)
            if isinstance(p, StepPortion) and p.step in held_in
        ]
        own = replace(own, came_in=tuple(held))
        tins = step.fills(combine(intake), own, leads=leads) or taken_together(held)
        if tins is not None:
            held_in[step.id] = tins
        place = own.in_tins(tins or setting.tins)
        parts = _parts(step, intake, origins)
        outcome = step.effect(parts, place)
        counted = place.counted
        if tins is not None and counted is not None:
            held_in[step.id] = replace(tins, count=max(1, counted.good))
        if step.id in observed.ran_s:
            spoilt = over_whipped(outcome.material, observed.ran_s[step.id], outcome.over_s)
            outcome = outcome.model_copy(update={"material": spoilt})
        if step.id in observed.warmth:
            read = outcome.material.at(observed.warmth[step.id])
            outcome = outcome.model_copy(update={"material": read})
        measured = observed.densities.get(step.id)
        if measured is not None:
            outcome = outcome.model_copy(update={"material": outcome.material.at_density(measured.estimate)})
        larder.put(step.id, outcome, observed.waited_s.get(step.id, 0.0), formula.lost_share(step.id))
        yield WalkedStep(step, intake, outcome, place, stood, parts)


def _parts(step: Step, intake: tuple[Material, ...], origins: Mapping[str, str]) -> tuple[Material, ...]:
    found: dict[str, list[Material]] = {}
    for n, (portion, material) in enumerate(zip(step.inputs, intake, strict=True)):
        found.setdefault(origins[portion.step] if isinstance(portion, StepPortion) else f"#{n}", []).append(material)
    return tuple(joined(m) for m in found.values())
