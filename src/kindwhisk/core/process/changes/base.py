"""What every change of a process under way is, and what follows from it."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field
from datetime import datetime
from typing import Annotated, ClassVar

from pydantic import Field, ValidationError

from kindwhisk.core.process.course import Course
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import Portion, StepId
from kindwhisk.core.process.steps import Step
from kindwhisk.core.values.errors import CraftError, NotNowError
from kindwhisk.core.values.model import Value

Why = Annotated[str, Field(max_length=400)]
UNDO = "Undo it first, or begin again from it."


class NotSo(NotNowError):
    """The process as it stands does not allow this change."""


@dataclass(frozen=True)
class Standing:
    """How far a process is: the steps that were begun (or skipped), which of them still run, and the moment."""

    begun: frozenset[str]
    running: frozenset[str]
    now: datetime


@dataclass(frozen=True)
class Followed:
    """What follows from a change: the course after it; grams of each ingredient lost, and newly needed.

    ``gone`` are steps of whose result nothing is left; ``to_redo`` have to be done once more as they are, such as an
    oven that is heated to something else; of ``refreshed`` ones the result begins to age anew. ``not_before`` is the
    first moment at which a waiting step may begin, all but those of ``at_once``. It is to be over at ``ready_at``, or
    as ``soonest`` it can be; else as it was meant to be.
    """

    course: Course
    lost: Mapping[str, float] = field(default_factory=dict)
    needed: Mapping[str, float] = field(default_factory=dict)
    gone: frozenset[str] = frozenset()
    to_redo: frozenset[str] = frozenset()
    refreshed: frozenset[str] = frozenset()
    not_before: datetime | None = None
    at_once: frozenset[str] = frozenset()
    ready_at: datetime | None = None
    soonest: bool = False


class ChangeBase(Value):
    """A change. ``replans``: the steps ahead are placed anew after it."""

    replans: ClassVar[bool] = True

    def followed(self, course: Course, at: Standing) -> Followed:
        """What follows from it for a course at a moment.

        Raises:
            CraftError: it names something that is not there.
            NotSo: the process is too far for it.
        """
        raise NotImplementedError

    @property
    def moment(self) -> datetime | None:
        """The moment that it names, where its words alone do not tell it."""
        return None

    def said(self, course: Course) -> str:
        """It in a few words, for the record; ``course`` is the one before it."""
        raise NotImplementedError


def waiting(formula: Formula, step_id: StepId, at: Standing, doing: str) -> Step:
    """A step that nobody has begun yet.

    Raises:
        CraftError: there is none of that id.
        NotSo: it was begun.
    """
    step = formula.step(step_id)
    if step_id in at.begun:
        raise NotSo(f"“{step.title}” was begun: it can't be {doing} any more.", field="step", remedy=UNDO)
    return step


def with_inputs(step: Step, inputs: Sequence[Portion]) -> Step:
    """The same step with other portions."""
    return step.model_copy(update={"inputs": tuple(inputs)})


def sound(formula: Formula, steps: Sequence[Step], **other: object) -> Formula:
    """The formula with these steps.

    Raises:
        NotSo: they make no process.
    """
    try:
        return Formula.model_validate({**dict(formula), "steps": tuple(steps), **other})
    except ValidationError as error:
        why = str(error.errors()[0]["msg"]).removeprefix("Value error, ")
        raise NotSo(
            f"That makes no process: {why}.", field="change", remedy="Change something smaller, or another step."
        ) from None


def has(ingredient_id: str, steps: Sequence[Step]) -> None:
    """Let it pass if an ingredient goes into one of the steps.

    Raises:
        CraftError: it does not.
    """
    there = {p.ingredient for s in steps for p in s.weighed}
    if ingredient_id not in there:
        known = ", ".join(sorted(there)) or "nothing any more"
        raise CraftError(
            "None of the steps ahead takes that.", field="ingredient", remedy=f"What is still to go in: {known}."
        )
