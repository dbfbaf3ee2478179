"""A lever taken into a formula: as a note at the step that it belongs to, or as a change of it."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from typing import NamedTuple

from kindwhisk.core.diagnosis.cause import Cause, Lever
from kindwhisk.core.ovens.place import Rack
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.values.errors import CraftError

BY_C, BY_MIN = 10.0, 2.0
MOST_NOTE = 400


class Taken(NamedTuple):
    """A formula with a lever in it: where, and what was done, in words."""

    formula: Formula
    step: str
    said: str


def step_for(formula: Formula, cause: Cause) -> Step | None:
    """The step of a formula that a cause belongs to: of the likeliest kind, the last one of it."""
    for kind in cause.at:
        own = [s for s in formula.steps if s.kind == kind]
        if own:
            return own[-1]
    return None


def noted(formula: Formula, cause: Cause, step_id: str | None = None) -> Taken:
    """The formula with the cause's lever as a note at its step; one that is there already is not written twice.

    Raises:
        CraftError: no step of it is one for that cause, or the note has no room left.
    """
    step = formula.step(step_id) if step_id else step_for(formula, cause) or _none(cause)
    if cause.lever in step.note:
        return Taken(formula, step.id, f"That stands at “{step.title}” already.")
    note = f"{step.note} {cause.lever}".strip()
    if len(note) > MOST_NOTE:
        raise CraftError(
            f"The note of “{step.title}” is full.", field="step", remedy="Shorten it in the Book, then take it again."
        )
    changed = _with(formula, step.model_copy(update={"note": note}))
    return Taken(changed, step.id, f"Noted at “{step.title}”: {cause.lever}")


def changed(formula: Formula, cause: Cause) -> Taken:
    """The formula changed at the step that the cause belongs to.

    Raises:
        CraftError: the cause has nothing that can be changed, or its step can't take it.
    """
    if cause.change is None:
        raise CraftError(
            "There is nothing in the formula that this changes by itself.",
            field="as",
            remedy="Take it as a note.",
        )
    step = next((s for s in reversed(formula.steps) if isinstance(s, BakeStep)), None) or _none(cause)
    assert isinstance(step, BakeStep)
    made, said = CHANGES[cause.change](step)
    return Taken(_with(formula, made), step.id, f"“{step.title}”: {said}")


def _none(cause: Cause) -> Step:
    raise CraftError(
        f"No step of this formula is one for “{cause.words}”.",
        field="step",
        remedy="Name the step where the note should stand.",
    )


def _with(formula: Formula, step: Step) -> Formula:
    steps = tuple(step if s.id == step.id else s for s in formula.steps)
    return Formula.model_validate(formula.model_copy(update={"steps": steps}).model_dump())


def _oven(by_c: float) -> Callable[[BakeStep], tuple[BakeStep, str]]:
    def change(step: BakeStep) -> tuple[BakeStep, str]:
        to = min(300.0, max(60.0, step.oven_c + by_c))
        return step.model_copy(update={"oven_c": to}), f"{step.oven_c:.0f} → {to:.0f} °C"

    return change


def _longer(step: BakeStep) -> tuple[BakeStep, str]:
    reference = step.reference
    to = reference.minutes + BY_MIN
    made = step.model_copy(update={"reference": reference.model_copy(update={"minutes": to})})
    return made, f"{reference.minutes:.0f} → {to:.0f} min"


RACKS = (Rack.BOTTOM, Rack.MIDDLE, Rack.TOP)


def _rack(by: int) -> Callable[[BakeStep], tuple[BakeStep, str]]:
    def change(step: BakeStep) -> tuple[BakeStep, str]:
        at = RACKS.index(step.rack)
        to = RACKS[min(len(RACKS) - 1, max(0, at + by))]
        if to is step.rack:
            raise CraftError(
                f"It stands on the {step.rack.value} rack already.", field="as", remedy="Take it as a note."
            )
        return step.model_copy(update={"rack": to}), f"{step.rack.value} → {to.value} rack"

    return change


CHANGES: Mapping[Lever, Callable[[BakeStep], tuple[BakeStep, str]]] = {
    Lever.OVEN_COOLER: _oven(-BY_C),
    Lever.OVEN_HOTTER: _oven(BY_C),
    Lever.BAKE_ON: _longer,
    Lever.RACK_LOWER: _rack(-1),
    Lever.RACK_HIGHER: _rack(1),
}
"""What each lever does to a bake."""
