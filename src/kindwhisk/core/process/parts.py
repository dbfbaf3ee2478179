"""What a forecast tells of the components: their yield, when they must be ready, and what they take."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from kindwhisk.core.foams import balance
from kindwhisk.core.foams.balance import Method, Ratio
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.allergens import Law
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.components import WHOLE, Component
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.held import Held, told
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.process.walk import WalkedStep
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value

COOKED_FROM_C = 40.0


class RoleShare(Value):
    """What of an ingredient plays one part: its ``role`` in a few words, if told, and the title of its ``step``."""

    role: str
    step: str
    grams: float
    component: str = ""


class IngredientTotal(Value):
    """An ingredient over all its roles; more than one are listed apart."""

    id: str
    name: str
    kind: str
    grams: float
    roles: tuple[RoleShare, ...]
    bulk_ml: Estimate
    allergens: tuple[str, ...]
    allergens_often: tuple[str, ...]
    check_label: bool
    known: bool
    allergens_known: bool
    piece: bool


class ComponentShare(Value):
    """Grams of an ingredient in a component."""

    id: str
    name: str
    grams: float


class ComponentView(Component, Held):
    """A component as it is expected.

    Attributes:
        yield_g, yield_ml: what leaves it for other components or the table.
        ready_before_s: likely seconds from when it must be ready to the end of the whole.
    """

    yield_g: float
    yield_ml: float
    ready_before_s: float
    steps: tuple[str, ...]
    ingredients: tuple[ComponentShare, ...]


def totals(formula: Formula) -> tuple[IngredientTotal, ...]:
    """Every ingredient over the whole formula, its roles apart."""
    roles: dict[str, list[RoleShare]] = {}
    takers = {p.step: s.title for s in reversed(formula.steps) for p in s.inputs if isinstance(p, StepPortion)}
    for step in formula.steps:
        work = takers.get(step.id, step.title) if isinstance(step, WeighStep) else step.title
        for p in step.inputs:
            if isinstance(p, IngredientPortion):
                share = RoleShare(role=p.role, step=work, grams=p.grams, component=step.component)
                roles.setdefault(p.ingredient, []).append(share)
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
                bulk_ml=item.bulk_ml(grams),
                allergens=item.allergens,
                allergens_often=item.often,
                check_label=item.check_label,
                known=item.known,
                allergens_known=item.allergens_known,
                piece=item.piece is not None,
            )
        )
    return tuple(found)


def law_of(walked: Sequence[WalkedStep]) -> Law:
    """The list of allergens of the kitchen that a formula was walked in."""
    return walked[0].place.kitchen.allergen_law if walked else Law.EU


def _tails(steps: Sequence[Step], seconds: Mapping[str, float]) -> dict[str, float]:
    """Likely seconds from the end of each step to the end of the longest chain that it leads to."""
    tails = {s.id: 0.0 for s in steps}
    for step in reversed(steps):
        needs = {p.step for p in step.inputs if isinstance(p, StepPortion)} | set(step.after)
        for need in needs & tails.keys():
            tails[need] = max(tails[need], seconds[step.id] + tails[step.id])
    return tails


def components(formula: Formula, walked: Sequence[WalkedStep]) -> tuple[ComponentView, ...]:
    """Every component; one that stands for all where the formula names none."""
    outcomes = {w.step.id: w.outcome for w in walked}
    tails = _tails([w.step for w in walked], {i: o.duration_s.likely for i, o in outcomes.items()})
    views = []
    for part in formula.components or (WHOLE,):
        own = [s for s in formula.steps if not formula.components or s.component == part.id]
        ids = {s.id for s in own}
        leaving = {s.id: _taken_elsewhere(formula, s.id, ids) for s in own if s.inputs and s.id in outcomes}
        out = [outcomes[i].material.take(min(1.0, share)) for i, share in leaving.items() if share > 0]
        grams: dict[str, float] = {}
        for s in own:
            for p in s.inputs:
                if isinstance(p, IngredientPortion):
                    grams[p.ingredient] = grams.get(p.ingredient, 0.0) + p.grams
        whole = Material(parts=grams)
        views.append(
            ComponentView(
                **part.model_dump(),
                yield_g=sum(m.mass_g for m in out),
                yield_ml=sum(m.volume_ml.likely for m in out),
                ready_before_s=max((tails[i] for i, share in leaving.items() if share > 0), default=0.0),
                steps=tuple(s.id for s in own),
                ingredients=tuple(ComponentShare(id=i, name=ingredient(i).name, grams=g) for i, g in grams.items()),
                **told(whole.holds, law_of(walked)),
            )
        )
    return tuple(views)


def _taken_elsewhere(formula: Formula, step_id: str, own: set[str]) -> float:
    """Share of a step's result that leaves its component; all of it when nothing takes it."""
    takers = [
        (s.id in own, p)
        for s in formula.steps
        for p in s.inputs
        if isinstance(p, StepPortion) and p.step == step_id and not p.offcut
    ]
    if not takers:
        return 1.0
    given = sum(p.fraction or 0.0 for _, p in takers)
    return sum(p.fraction if p.fraction is not None else 1 - given for inside, p in takers if not inside)


def balance_of(formula: Formula, walked: Sequence[WalkedStep]) -> tuple[Ratio, ...]:
    """The ratios of every component that holds a foam of eggs, each with where it was taken."""
    found: list[Ratio] = []
    for part in formula.components or (WHOLE,):
        own = [w for w in walked if not formula.components or w.step.component == part.id]
        technique = part.technique or formula.technique
        foams = []
        for w in own:
            if not isinstance(w.step, WhipStep | StreamStep) or _goes_into_stream(w.step, own):
                continue
            content = _as_weighed(combine(w.intake))
            method = Method.FRENCH
            if isinstance(w.step, StreamStep):
                method = Method.ITALIAN
            elif combine(w.intake).temperature_c >= COOKED_FROM_C:
                method = Method.SWISS
            ratios = balance.of_foam(content, technique, method)
            if ratios:
                foams.append(content)
            where = f"{part.name}: {w.step.title.lower()}" if formula.components else w.step.title.lower()
            found += [r.model_copy(update={"component": part.id, "step": w.step.id, "where": where}) for r in ratios]
        weighed = combine(
            Material(parts={p.ingredient: p.grams})
            for w in own
            for p in w.step.inputs
            if isinstance(p, IngredientPortion)
        )
        if foams or balance.flour_g(weighed) > 0:
            ratios = balance.of_batter(weighed, foams, technique)
            where = part.name if formula.components else "the batter"
            found += [r.model_copy(update={"component": part.id, "where": where}) for r in ratios]
    return tuple(found)


def _goes_into_stream(step: Step, walked: Sequence[WalkedStep]) -> bool:
    takers = [w.step for w in walked if any(isinstance(p, StepPortion) and p.step == step.id for p in w.step.inputs)]
    return any(isinstance(t, StreamStep) for t in takers)


def _as_weighed(material: Material) -> Material:
    return material.model_copy(update={"evaporated_g": 0.0})
