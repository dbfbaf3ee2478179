"""What makes a process nonsense, each finding at the step where it stands."""

from __future__ import annotations

from typing import TYPE_CHECKING

from kindwhisk.core.model import Value
from kindwhisk.core.process.portions import IngredientPortion, StepPortion

if TYPE_CHECKING:
    from kindwhisk.core.process.formula import Formula
    from kindwhisk.core.process.steps import Step

WHOLE = 1.0
ROUNDING = 1e-6


class Finding(Value):
    """Something that cannot be, and the step where it stands."""

    step: str
    text: str


def findings(formula: Formula) -> list[Finding]:
    """Everything that keeps a formula from being computed; empty for a sound one."""
    return [*_order(formula), *_shares(formula), *_use(formula), *_names(formula)]


def _step_portions(step: Step) -> list[StepPortion]:
    return [p for p in step.inputs if isinstance(p, StepPortion)]


def _order(formula: Formula) -> list[Finding]:
    found, seen = [], set[str]()
    for step in formula.steps:
        if step.id in seen:
            found.append(Finding(step=step.id, text="two steps have this id: give each its own"))
        for earlier in [*(p.step for p in _step_portions(step)), *step.after]:
            if earlier not in seen:
                found.append(Finding(step=step.id, text=f"it needs '{earlier}', which does not come before it"))
        seen.add(step.id)
    return found


def _shares(formula: Formula) -> list[Finding]:
    found = []
    taken: dict[str, float] = {}
    emptied: set[str] = set()
    for step in formula.steps:
        for portion in _step_portions(step):
            source = portion.step
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


def _use(formula: Formula) -> list[Finding]:
    used = {p.step for s in formula.steps for p in _step_portions(s)}
    return [
        Finding(step=s.id, text="nothing uses its result") for s in formula.steps[:-1] if s.inputs and s.id not in used
    ]


def _names(formula: Formula) -> list[Finding]:
    from kindwhisk.core.process.formula import known_ingredient

    vessels = {v.id for v in formula.vessels} | {"oven"}
    found = [
        Finding(step=s.id, text=f"the vessel '{s.vessel}' is not among the formula's vessels")
        for s in formula.steps
        if s.vessel not in vessels
    ]
    found += [
        Finding(step=s.id, text=f"the ingredient table has no '{p.ingredient}'")
        for s in formula.steps
        for p in s.inputs
        if isinstance(p, IngredientPortion) and not known_ingredient(p.ingredient)
    ]
    return found
