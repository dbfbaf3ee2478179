"""Pause: stop here, go on another time; what stands keeps in the cold, in the frost, or is lost."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime
from enum import StrEnum
from typing import Annotated, Literal

from pydantic import AwareDatetime, Field

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.changes.base import ChangeBase, Followed, NotSo, Standing, sound, with_inputs
from kindwhisk.core.process.changes.regrow import regrow
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.formula import Formula, content_of, upstream
from kindwhisk.core.process.portions import Portion, StepId, StepPortion
from kindwhisk.core.process.preparation import preheat_of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.values.errors import CraftError

LEAST_S, MOST_S = 600.0, 96 * 3600.0
THAWS_HOURS = 8.0
"""A frozen layer or bowl in the refrigerator, until it can be worked: over night. On the bench its outside would stand
too warm for too long. Trade habit."""


SPOILS = {"egg", "dairy", "fruit"}
"""Kinds of ingredient that wait in the cold."""


class Keep(StrEnum):
    """How a content waits."""

    COLD = "cold"
    FROZEN = "frozen"
    AS_IT_IS = "as it is"
    LOST = "lost"


class Paused(ChangeBase):
    """Stop now and go on at ``until``.

    ``keep`` tells of a step's result how it waits. What is not named there: foams and syrups are lost, what holds egg,
    milk or cream waits in the cold, the rest as it is.
    """

    change: Literal["paused"] = "paused"
    until: Annotated[AwareDatetime, Field(strict=False)]
    keep: Mapping[StepId, Annotated[Keep, Field(strict=False)]] = Field(default={}, max_length=40)

    def followed(self, course: Course, at: Standing) -> Followed:
        """What is kept waits in a step of its own; what is lost is made once more after the pause."""
        seconds = (self.until - at.now).total_seconds()
        if not LEAST_S <= seconds <= MOST_S:
            raise CraftError(
                "A pause lasts from ten minutes to four days.", field="until", remedy="Choose another moment."
            )
        formula = course.formula
        flows = Flows(formula)
        fates = {i: self.keep.get(i, fate) for i, fate in fates_of(course, at).items()}
        for step_id in self.keep:
            if step_id not in fates:
                raise CraftError(
                    f"Nothing of “{formula.step(step_id).title}” stands there.", field="keep", remedy="Leave it out."
                )
        running = [i for i in fates if i in at.running and fates[i] is not Keep.LOST]
        if running:
            raise NotSo(
                f"“{formula.step(running[0]).title}” is still running.",
                field="keep",
                remedy="Finish it first, or give it up as lost.",
            )
        lose = {i: flows.left(i, at.begun) for i, fate in fates.items() if fate is Keep.LOST}
        grown = regrow(formula, at.begun, lose=lose, more=lose, why="not kept over the pause")
        kept = {i: fate for i, fate in fates.items() if fate in {Keep.COLD, Keep.FROZEN}}
        heated = frozenset(preheat_of(s) for s in formula.steps if s.id not in at.begun and s.heats_oven_c) & at.begun
        return Followed(
            course=course.model_copy(update={"formula": _kept(grown.formula, at, kept, seconds / 3600)}),
            lost=flows.ingredients(lose),
            needed=grown.needed,
            gone=frozenset(lose),
            to_redo=heated,
            not_before=self.until,
            at_once=frozenset(keeping_of(i) for i in kept),
            soonest=True,
        )

    @property
    def moment(self) -> datetime | None:
        """Until when."""
        return self.until

    def said(self, course: Course) -> str:
        """That it pauses."""
        return "Stopped here, to go on later"


def fates_of(course: Course, at: Standing) -> dict[str, Keep]:
    """What would become of every content that stands and is still wanted, by the step that it is the result of."""
    formula = course.formula
    return {i: fate_of(formula.step(i), formula) for i in Flows(formula).standing(at.begun)}


def fate_of(step: Step, formula: Formula) -> Keep:
    """How the result of a step waits for hours, where nothing else is said."""
    reach = [formula.step(i) for i in upstream(formula, step.id) | {step.id}]
    foam = any(s.begins_foam for s in reach) and not any(s.sets_foam for s in reach)
    if foam or not step.divides:
        return Keep.LOST
    spoils = any(ingredient(i).kind in SPOILS for i in content_of(formula, step).ingredients)
    return Keep.COLD if spoils else Keep.AS_IT_IS


def keeping_of(step_id: str) -> str:
    """The id of the step in which a result is kept over a pause."""
    return f"keep-{step_id}"[:40]


def _kept(formula: Formula, at: Standing, kept: Mapping[str, Keep], hours: float) -> Formula:
    """The process with a step for each content that is kept, which those after it take from.

    One that an earlier pause has put in and nobody has begun is for this pause now.
    """
    there = {s.id for s in formula.steps if s.id not in at.begun}
    again = {keeping_of(i): keep for i, keep in kept.items() if keeping_of(i) in there}
    kept = {i: keep for i, keep in kept.items() if keeping_of(i) not in again}
    steps: list[Step] = []
    stands_in: dict[str, str] = {}
    for step in formula.steps:
        if step.id in at.begun:
            steps.append(step)
        elif isinstance(step, ChillStep) and step.id in again:
            steps.append(step.model_copy(update={"hours": hours, "frozen": again[step.id] is Keep.FROZEN}))
        else:
            inputs: list[Portion] = [
                StepPortion(step=stands_in[p.step])
                if isinstance(p, StepPortion) and p.step in stands_in and not p.offcut
                else p
                for p in step.inputs
            ]
            steps.append(with_inputs(step, inputs))
        if step.id in kept:
            frozen = kept[step.id] is Keep.FROZEN
            last = keeping_of(step.id)
            common = {"vessel": step.vessel, "component": step.component}
            title = f"{step.title[:60]}: kept {'frozen' if frozen else 'cold'}"
            steps.append(
                ChillStep(
                    id=last,
                    title=title,
                    inputs=(StepPortion(step=step.id, rest=True),),
                    hours=hours,
                    frozen=frozen,
                    sees="Cold through, covered, no skin.",
                    **common,
                )
            )
            if frozen:
                thaw = ChillStep(
                    id=f"thaw-{step.id}"[:40],
                    title=f"{step.title[:50]}: thawed in the cold",
                    inputs=(StepPortion(step=last),),
                    hours=THAWS_HOURS,
                    sees="Soft through, no ice in the middle.",
                    **common,
                )
                steps.append(thaw)
                last = thaw.id
            stands_in[step.id] = last
    return sound(formula, steps)
