"""The forecast: the process walked with a kitchen profile, before a gram is weighed."""

from __future__ import annotations

from collections.abc import Mapping

from kindwhisk.core.balance import Ratio, balance
from kindwhisk.core.estimate import Basis, Estimate
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.material import Material, combine
from kindwhisk.core.model import Value
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.outcome import (
    Attention,
    Checkpoint,
    Cue,
    MakeReady,
    Outcome,
    Resource,
)
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.safety import Caution
from kindwhisk.core.section import Section

CUP_SPREAD = 0.03
"""A cup read by a careful hand is good to about three percent."""


class MaterialView(Value):
    """A material's figures."""

    mass_g: float
    volume_ml: Estimate
    density_g_per_ml: Estimate
    gas_free_density_g_per_ml: float
    air_fraction: float
    baked: bool
    temperature_c: float
    colour: str
    allergens: tuple[str, ...]


class Taken(Value):
    """What goes into a step: from an ingredient, or from a step."""

    name: str
    grams: float
    ingredient: str | None = None
    step: str | None = None
    role: str = ""
    share: str = ""


class StepForecast(Value):
    """A step as it is expected to go."""

    id: str
    kind: str
    title: str
    setup: str
    goal: str
    do: str
    why: str
    note: str
    vessel: str
    vessel_name: str
    inputs: tuple[Taken, ...]
    needs: tuple[str, ...]
    material: MaterialView
    duration_s: Estimate
    modelled_s: float
    first_look_s: float | None
    attention: Attention
    uses: tuple[Resource, ...]
    hold_s: Estimate | None
    hold_why: str
    begins_foam: bool
    sets_foam: bool
    passes_window: bool
    checkpoints: tuple[Checkpoint, ...]
    cues: tuple[Cue, ...]
    cautions: tuple[Caution, ...]
    make_ready: tuple[MakeReady, ...]
    section: Section | None


class RoleShare(Value):
    """What of an ingredient plays one part: ``role`` is a few words, or the step that takes it."""

    role: str
    grams: float


class IngredientTotal(Value):
    """An ingredient over all its roles; more than one are listed apart."""

    id: str
    name: str
    kind: str
    grams: float
    roles: tuple[RoleShare, ...]
    bulk_ml: float
    allergens: tuple[str, ...]


class Caveat(Value):
    """A risk that the forecast sees, at its step."""

    step: str
    level: str
    text: str
    remedy: str


class Forecast(Value):
    """All steps, what to weigh, and what to beware of."""

    steps: tuple[StepForecast, ...]
    ingredients: tuple[IngredientTotal, ...]
    warnings: tuple[Caveat, ...]
    balance: tuple[Ratio, ...]
    total_g: float
    allergens: tuple[str, ...]

    def step(self, step_id: str) -> StepForecast:
        """The step of that id.

        Raises:
            KeyError: there is none.
        """
        for step in self.steps:
            if step.id == step_id:
                return step
        raise KeyError(step_id)


def view(material: Material) -> MaterialView:
    """The figures of a material."""
    return MaterialView(
        mass_g=material.mass_g,
        volume_ml=material.volume_ml,
        density_g_per_ml=material.density_g_per_ml,
        gas_free_density_g_per_ml=material.gas_free_density,
        air_fraction=material.air_fraction,
        baked=material.baked,
        temperature_c=material.temperature_c,
        colour=material.colour,
        allergens=material.allergens,
    )


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


def _share_in_words(portion: StepPortion) -> str:
    if portion.rest:
        return "the rest"
    if portion.fraction is not None:
        return f"{portion.fraction:.0%}"
    return "" if portion.grams is None else f"{portion.grams:.0f} g"


Walked = tuple[Step, tuple[Material, ...], Outcome]


def walk(formula: Formula, setting: Setting, measured: Mapping[str, float]) -> list[Walked]:
    """Each step with what goes in and its outcome; a measured density (g/ml) replaces the expected one."""
    larder = _Larder()
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
        outcome = step.effect(intake, setting)
        if step.id in measured:
            seen = Estimate.around(measured[step.id], CUP_SPREAD, Basis.MEASURED)
            outcome = outcome.model_copy(update={"material": outcome.material.at_density(seen)})
        larder.put(step.id, outcome.material)
        walked.append((step, intake, outcome))
    return walked


def _taken(step: Step, intake: tuple[Material, ...], titles: Mapping[str, str]) -> tuple[Taken, ...]:
    return tuple(
        Taken(name=ingredient(p.ingredient).name, grams=m.mass_g, ingredient=p.ingredient, role=p.role)
        if isinstance(p, IngredientPortion)
        else Taken(name=titles[p.step], grams=m.mass_g, step=p.step, share=_share_in_words(p))
        for p, m in zip(step.inputs, intake, strict=True)
    )


def _totals(formula: Formula) -> tuple[IngredientTotal, ...]:
    roles: dict[str, list[RoleShare]] = {}
    for step in formula.steps:
        for p in step.inputs:
            if isinstance(p, IngredientPortion):
                roles.setdefault(p.ingredient, []).append(RoleShare(role=p.role or step.title, grams=p.grams))
    found = []
    for ingredient_id, shares in roles.items():
        item, grams = ingredient(ingredient_id), sum(s.grams for s in shares)
        found.append(
            IngredientTotal(
                id=item.id,
                name=item.name,
                kind=item.kind,
                grams=grams,
                roles=tuple(shares) if len(shares) > 1 else (),
                bulk_ml=grams / item.bulk_g_per_ml,
                allergens=item.allergens,
            )
        )
    return tuple(found)


def _balance(formula: Formula, walked: list[Walked]) -> tuple[Ratio, ...]:
    foams = [combine(intake) for step, intake, _ in walked if step.begins_foam]
    return balance(foams, [Material(parts={p.ingredient: p.grams}) for p in formula.portions()])


def forecast(formula: Formula, setting: Setting, measured: Mapping[str, float] | None = None) -> Forecast:
    """Walk the prepared formula.

    Args:
        formula: already scaled.
        setting: the kitchen, oven and tins; its vessels are taken from the formula.
        measured: densities (g/ml) read from a cup, by step id.
    """
    full = prepared(formula)
    place = Setting(
        kitchen=setting.kitchen,
        oven=setting.oven,
        tins=setting.tins,
        vessels={v.id: v for v in full.vessels},
        record=setting.record,
    )
    titles = {s.id: s.title for s in full.steps}
    steps, warnings = [], []
    walked = walk(full, place, measured or {})
    for step, intake, outcome in walked:
        needs = [p.step for p in step.inputs if isinstance(p, StepPortion)]
        steps.append(
            StepForecast(
                id=step.id,
                kind=step.kind,
                title=step.title,
                setup=outcome.setup,
                goal=outcome.goal,
                do=outcome.do,
                why=outcome.why,
                note=step.note,
                vessel=step.vessel,
                vessel_name=place.vessel_name(step.vessel),
                inputs=_taken(step, intake, titles),
                needs=tuple(dict.fromkeys([*needs, *step.after])),
                material=view(outcome.material),
                duration_s=outcome.duration_s,
                modelled_s=outcome.modelled_s or outcome.duration_s.likely,
                first_look_s=outcome.first_look_s,
                attention=step.attention,
                uses=step.uses,
                hold_s=outcome.hold_s,
                hold_why=outcome.hold_why,
                begins_foam=step.begins_foam,
                sets_foam=step.sets_foam,
                passes_window=step.passes_window,
                checkpoints=outcome.checkpoints,
                cues=outcome.cues,
                cautions=outcome.cautions,
                make_ready=outcome.make_ready,
                section=step.section(outcome.material, place),
            )
        )
        warnings += [Caveat(step=step.id, level=n.level, text=n.text, remedy=n.remedy) for n in outcome.notices]
    totals = _totals(formula)
    return Forecast(
        steps=tuple(steps),
        ingredients=totals,
        warnings=tuple(warnings),
        balance=_balance(formula, walked),
        total_g=formula.total_g(),
        allergens=tuple(sorted({a for t in totals for a in t.allergens})),
    )
