"""What makes a process nonsense, each finding at the step where it stands."""

from __future__ import annotations

from collections.abc import Collection, Iterator, Mapping, Sequence

from kindwhisk.core.ingredients import counts_as, ingredient, is_known
from kindwhisk.core.process.portions import IngredientPortion, StepPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.base import WHITES
from kindwhisk.core.values.model import Value

WHOLE = 1.0
NOTHING_LOST: Mapping[str, float] = {}
ROUNDING = 1e-6
FATTY = 0.02
"""An ingredient with more fat than this leaves a film on bowl and beater."""


class Finding(Value):
    """Something wrong, and the step where it stands; one that ``blocks`` can't be computed, others are a risk."""

    step: str
    text: str
    blocks: bool = True


def findings(
    steps: Sequence[Step],
    vessels: Collection[str],
    components: Collection[str] = (),
    lost: Mapping[str, float] = NOTHING_LOST,
) -> list[Finding]:
    """Everything wrong with these steps, done in ``vessels`` for ``components`` (ids); empty for sound ones.

    ``lost`` is the share of the whole of a step's result that came to grief, by step.
    """
    return [
        *_order(steps),
        *_shares(steps, lost),
        *_use(steps, lost),
        *_lost(steps, lost),
        *_names(steps, vessels, components),
        *_greasy(steps),
    ]


def _step_portions(step: Step) -> list[StepPortion]:
    return [p for p in step.inputs if isinstance(p, StepPortion)]


def _order(steps: Sequence[Step]) -> list[Finding]:
    found, seen = [], set[str]()
    for step in steps:
        if step.id in seen:
            found.append(Finding(step=step.id, text="two steps have this id: give each its own"))
        for earlier in [*(p.step for p in _step_portions(step)), *step.after]:
            if earlier not in seen:
                found.append(Finding(step=step.id, text=f"it needs '{earlier}', which does not come before it"))
        seen.add(step.id)
    return found


def _shares(steps: Sequence[Step], lost: Mapping[str, float]) -> list[Finding]:
    found = []
    taken = dict(lost)
    emptied = {i for i, share in lost.items() if share > WHOLE - ROUNDING}
    for step in steps:
        for portion in _step_portions(step):
            source = portion.step
            if portion.offcut:
                continue
            if source in emptied:
                found.append(Finding(step=step.id, text=f"nothing of '{source}' is left for it"))
                continue
            if portion.rest or (portion.fraction is None and portion.grams is None):
                if not portion.rest and taken.get(source):
                    found.append(
                        Finding(
                            step=step.id,
                            text=f"it takes all of '{source}', of which a part is gone: take the rest",
                        )
                    )
                emptied.add(source)
            elif portion.fraction is not None:
                taken[source] = taken.get(source, 0.0) + portion.fraction
                if taken[source] > WHOLE + ROUNDING:
                    found.append(Finding(step=step.id, text=f"more than all of '{source}' is taken"))
    return found


def _lost(steps: Sequence[Step], lost: Mapping[str, float]) -> list[Finding]:
    there = {s.id for s in steps}
    return [
        Finding(step=steps[0].id, text=f"of '{i}', which is gone, something was lost") for i in lost if i not in there
    ]


def _use(steps: Sequence[Step], lost: Mapping[str, float]) -> list[Finding]:
    used = {p.step for s in steps for p in _step_portions(s)}
    used |= {i for i, share in lost.items() if share > WHOLE - ROUNDING}
    # What was made once more beside a last result is a last result too.
    last = steps[-1].origin
    return [
        Finding(step=s.id, text="nothing uses its result")
        for s in steps[:-1]
        if s.inputs and s.id not in used and s.origin != last
    ]


def _names(steps: Sequence[Step], vessels: Collection[str], components: Collection[str]) -> list[Finding]:
    found = [
        Finding(step=s.id, text=f"the vessel '{s.vessel}' is not among the formula's vessels")
        for s in steps
        if s.vessel not in {*vessels, "oven"}
    ]
    found += [
        Finding(step=s.id, text=f"the component '{s.component}' is not among the formula's components")
        for s in steps
        if s.component and s.component not in components
    ]
    found += [
        Finding(step=s.id, text=f"the ingredient table has no '{p.ingredient}'")
        for s in steps
        for p in s.inputs
        if isinstance(p, IngredientPortion) and not is_known(p.ingredient)
    ]
    return found


def _ingredients(step: Step) -> Iterator[str]:
    for portion in step.inputs:
        if isinstance(portion, IngredientPortion) and is_known(portion.ingredient):
            yield portion.ingredient


def _greasy(steps: Sequence[Step]) -> list[Finding]:
    """Whites into a vessel that fat has been in: they would not come up."""
    contents: dict[str, set[str]] = {}
    held: dict[str, tuple[str, set[str]]] = {}
    found = []
    for step in steps:
        inside = set(_ingredients(step))
        for portion in _step_portions(step):
            inside |= contents.get(portion.step, set())
        contents[step.id] = inside
        own = {p.step for p in _step_portions(step)}
        before = held.get(step.vessel)
        whites = bool({counts_as(i) for i in inside} & WHITES) and not any(fatty(i) for i in inside)
        if whites and before is not None and before[0] not in own and any(fatty(i) for i in before[1]):
            found.append(
                Finding(
                    step=step.id,
                    text=f"whites go into the '{step.vessel}', which held fat in '{before[0]}': wash or change it",
                    blocks=False,
                )
            )
        if inside:
            held[step.vessel] = (step.id, inside)
    return found


def fatty(ingredient_id: str) -> bool:
    """Whether it leaves a film on bowl and beater."""
    return ingredient(ingredient_id).composition.fat > FATTY
