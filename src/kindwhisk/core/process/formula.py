"""A formula: what to make, as a process."""

from __future__ import annotations

from collections.abc import Iterable
from typing import Annotated, Self

from pydantic import Field, model_validator

from kindwhisk.core.ingredients import Ingredient, counts_as, ingredient, is_known, tell
from kindwhisk.core.ingredients.goods import Good
from kindwhisk.core.process.checking import Finding, findings
from kindwhisk.core.process.components import WHOLE, Component
from kindwhisk.core.process.portions import MOST_G, IngredientPortion, Portion, StepId, StepPortion
from kindwhisk.core.process.schools import School
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.base import Content
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.vessels.vessel import Vessel, VesselForm

LEAST_FACTOR, MOST_FACTOR = 0.01, 1000.0
FormulaId = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,59}$")]


class Loss(Value):
    """``share`` of the whole of a step's result that was lost while it was being made."""

    step: StepId
    share: float = Field(gt=0, le=1)
    why: str = Field(default="", max_length=400)


class Exchange(Value):
    """An entry of the ledger: what was put in place of what, and what that changes, in words."""

    said: str = Field(min_length=1, max_length=300)
    changes: tuple[Annotated[str, Field(max_length=1000)], ...] = Field(default=(), max_length=100)


MOST_STEPS, MOST_VESSELS = 120, 40


class Draft(Value):
    """Steps, components and vessels as they are being written: what they hold may still be nonsense.

    ``goods`` are what it is made with that is not of the ingredient table; ``besides`` are ingredients that are used
    without an amount, for greasing, dusting or to taste: nothing is reckoned with them but what they hold for whom.
    ``lost`` is what came to grief of a bake under way; a formula in the Book has none.
    """

    id: FormulaId
    title: str = Field(min_length=1, max_length=120)
    summary: str = Field(default="", max_length=600)
    technique: Technique
    servings: int = Field(default=8, ge=1, le=1000)
    components: tuple[Component, ...] = Field(default=(), max_length=20)
    vessels: tuple[Vessel, ...] = Field(max_length=MOST_VESSELS)
    steps: tuple[Step, ...] = Field(min_length=1, max_length=MOST_STEPS)
    ledger: tuple[Exchange, ...] = Field(default=(), max_length=60)
    goods: tuple[Good, ...] = Field(default=(), max_length=120)
    besides: tuple[Annotated[str, Field(max_length=60)], ...] = Field(default=(), max_length=60)
    lost: tuple[Loss, ...] = Field(default=(), max_length=400)

    @model_validator(mode="after")
    def _tell(self) -> Self:
        """Its goods are known from here on: a formula brings along what it is made of."""
        tell(good.ingredient() for good in self.goods)
        return self

    def lost_share(self, step_id: str) -> float:
        """The share of the whole of a step's result that was lost."""
        return min(1.0, sum(loss.share for loss in self.lost if loss.step == step_id))

    def findings(self) -> list[Finding]:
        """What keeps it from being computed, and what is risky, each at its step."""
        lost = {loss.step: self.lost_share(loss.step) for loss in self.lost}
        found = findings(self.steps, [v.id for v in self.vessels], [c.id for c in self.components], lost)
        strange = [i for i in self.besides if not is_known(i)]
        return found + [Finding(step=self.steps[0].id, text=f"the ingredient table has no '{i}'") for i in strange]


class Formula(Draft):
    """Steps in an order in which they can be done, and the vessels that they use.

    A formula that validates holds: step ids differ, portions come from earlier steps, nothing is taken
    twice or beyond all of it, every result but the last is used, every vessel, component and ingredient is known.
    """

    @model_validator(mode="after")
    def _sound(self) -> Self:
        found = [f for f in self.findings() if f.blocks]
        if found:
            raise ValueError("; ".join(f"step '{f.step}': {f.text}" for f in found))
        return self

    def step(self, step_id: str) -> Step:
        """The step of that id.

        Raises:
            CraftError: there is none.
        """
        for step in self.steps:
            if step.id == step_id:
                return step
        raise CraftError(
            f"This formula has no step '{step_id}'.",
            field="step",
            remedy="Use one of: " + ", ".join(s.id for s in self.steps) + ".",
        )

    def vessel(self, vessel_id: str) -> Vessel:
        """The vessel of that id; the oven needs no entry."""
        for vessel in self.vessels:
            if vessel.id == vessel_id:
                return vessel
        return Vessel(id=vessel_id, name=vessel_id, form=VesselForm.OVEN)

    @property
    def fill(self) -> FillStep | PipeStep | None:
        """The step whose tins or trays the whole is scaled by: the one that leads, or the first."""
        filling = [s for s in self.steps if isinstance(s, FillStep | PipeStep)]
        return next((s for s in filling if s.leads), filling[0] if filling else None)

    @property
    def bake(self) -> BakeStep | None:
        """The bake of what the leading step fills; else the first one."""
        bakes = [s for s in self.steps if isinstance(s, BakeStep)]
        fill = self.fill
        after = [b for b in bakes if fill is not None and fill.id in upstream(self, b.id)]
        return next(iter((*after, *bakes)), None)

    def component(self, component_id: str) -> Component:
        """The component of that id; all of it where the formula names none."""
        return next((c for c in self.components if c.id == component_id), WHOLE)

    @property
    def schools(self) -> tuple[School, ...]:
        """Every choice that its steps make, each question once and in the order of the work."""
        chosen: dict[tuple[str, str], School] = {}
        for step in self.steps:
            for school in step.schools(content_of(self, step)):
                chosen.setdefault((school.question, school.choice), school)
        return tuple(chosen.values())

    def portions(self) -> list[IngredientPortion]:
        """All ingredient portions in the order of the work."""
        return [p for s in self.steps for p in s.weighed]

    def total_g(self) -> float:
        """Grams of all ingredients."""
        return sum(p.grams for p in self.portions())

    def grams_of(self, *ingredient_ids: str) -> float:
        """Grams of these ingredients, and of what counts as one of them, over all roles."""
        return sum(
            p.grams
            for p in self.portions()
            if p.ingredient in ingredient_ids or counts_as(p.ingredient) in ingredient_ids
        )

    def carrying(self, shelf: Iterable[Good] = ()) -> Formula:
        """The same formula with those goods that its portions name, its own or from a shelf, and no others."""
        used = {p.ingredient for p in self.portions()} | set(self.besides)
        known = {good.id: good for good in (*shelf, *self.goods)}
        return self.model_copy(update={"goods": tuple(good for i, good in known.items() if i in used)})

    def with_good(self, old: str, good: Good) -> Formula:
        """The same formula with a good in the place of the ingredient of id ``old``, in the same amounts."""
        tell((good.ingredient(),))

        def inputs(step: Step) -> tuple[Portion, ...]:
            return tuple(
                p.model_copy(update={"ingredient": good.id})
                if isinstance(p, IngredientPortion) and p.ingredient == old
                else p
                for p in step.inputs
            )

        steps = tuple(s.model_copy(update={"inputs": inputs(s)}) for s in self.steps)
        besides = tuple(good.id if i == old else i for i in self.besides)
        return self.model_copy(update={"steps": steps, "besides": besides}).carrying((good,))

    def ingredients(self) -> list[Ingredient]:
        """Everything that it is made with, by the step that takes it first, and what is used without an amount."""
        ids = dict.fromkeys([*(p.ingredient for p in self.portions()), *self.besides])
        return [ingredient(i) for i in ids]

    def scaled(self, factor: float) -> Formula:
        """The same formula with every amount times ``factor``.

        Raises:
            CraftError: the factor is not between 0.01 and 1000, or a line of it would be more than any kitchen has.
        """
        if not LEAST_FACTOR <= factor <= MOST_FACTOR:
            raise CraftError(
                f"That would make {factor:.3g} times the formula.",
                field="scale",
                remedy="Ask for between a hundredth and a thousand times the formula's own batch.",
            )
        largest = max((p.grams for p in self.portions()), default=0)
        if largest * factor > MOST_G:
            raise CraftError(
                f"{factor:.3g} times the formula would be {largest * factor / 1e6:.0f} t in one line.",
                field="scale",
                remedy=f"Ask for no more than {MOST_G / 1e6:.0f} t of anything.",
            )
        return self.model_copy(update={"steps": tuple(s.scaled(factor) for s in self.steps)})


def content_of(formula: Draft, step: Step) -> Content:
    """What is in a step's vessel when it is done."""
    reach = upstream(formula, step.id) | {step.id}
    steps = [s for s in formula.steps if s.id in reach]
    return Content(
        ingredients=frozenset(
            counts_as(p.ingredient) for s in steps for p in s.inputs if isinstance(p, IngredientPortion)
        ),
        baked=any(isinstance(s, BakeStep) for s in steps),
        warmed=any(isinstance(s, WarmStep) and s.over_water for s in steps),
    )


def upstream(formula: Draft, step_id: str) -> set[str]:
    """Ids of all steps that the step's content came from (not those it only waits for)."""
    by_id = {s.id: s for s in formula.steps}
    found: set[str] = set()
    waiting = [step_id]
    while waiting:
        for portion in by_id[waiting.pop()].inputs:
            if isinstance(portion, StepPortion) and portion.step not in found:
                found.add(portion.step)
                waiting.append(portion.step)
    return found


def consumers(formula: Draft, step_id: str) -> list[Step]:
    """Steps that take some of the step's result, in order."""
    return [s for s in formula.steps if any(isinstance(p, StepPortion) and p.step == step_id for p in s.inputs)]
