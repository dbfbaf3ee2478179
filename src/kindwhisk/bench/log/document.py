"""What a bake started from: kept whole with it, so that later changes of Book or kitchen never rewrite it."""

from __future__ import annotations

from datetime import datetime
from functools import cached_property, lru_cache

from kindwhisk.bench.log.projection import HandStep
from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.record import NO_RECORD, KitchenRecord
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.model import Value


class PlannedStep(Value):
    """A step on the clock."""

    step: str
    start: datetime
    end: datetime


class Beside(Value):
    """Further tins that the same batter goes into."""

    name: str
    tin: Tin
    count: int


class BakeDocument(Value):
    """The formula in its amounts, the kitchen, the tins, the plan; ``hands`` is who bakes, where that was said."""

    formula: Formula
    formula_version: int
    kitchen: Kitchen
    kitchen_revision: int
    oven: str
    tin_name: str
    tin: Tin
    tin_wall: TinWall = TinWall.BRIGHT
    tin_count: int
    beside: tuple[Beside, ...] = ()
    record: KitchenRecord = NO_RECORD
    hands: str = ""
    ready_at: datetime
    planned: tuple[PlannedStep, ...]

    @cached_property
    def hand_steps(self) -> dict[str, HandStep]:
        """Planned seconds of each step, and the steps whose results it takes."""
        needs = {s.id: tuple(p.step for p in s.inputs if isinstance(p, StepPortion)) for s in self.formula.steps}
        return {
            p.step: HandStep(planned_s=(p.end - p.start).total_seconds(), needs=needs.get(p.step, ()))
            for p in self.planned
        }

    @cached_property
    def _plan(self) -> dict[str, PlannedStep]:
        return {p.step: p for p in self.planned}

    def plan_of(self, step_id: str) -> PlannedStep:
        """When a step was planned."""
        return self._plan[step_id]

    @cached_property
    def fades_s(self) -> dict[str, float]:
        """Seconds before the end of each step within which a density read there tells of its result."""
        return {s.id: s.reading_fades_s for s in self.formula.steps}

    @cached_property
    def takers(self) -> dict[str, tuple[str, ...]]:
        """The steps that take from each step whose result ages, in order."""
        ages = {s.id for s in self.formula.steps if s.ages}
        found: dict[str, tuple[str, ...]] = {}
        for step in self.formula.steps:
            for portion in step.inputs:
                if isinstance(portion, StepPortion) and portion.step in ages:
                    found[portion.step] = (*found.get(portion.step, ()), step.id)
        return found

    @cached_property
    def setting(self) -> Setting:
        """The setting that its forecasts are made in."""
        return Setting(
            kitchen=self.kitchen,
            oven=self.kitchen.oven(self.oven),
            tins=TinsInUse(
                self.tin_name,
                self.tin,
                self.tin_count,
                wall=self.tin_wall,
                beside=tuple(TinsInUse(b.name, b.tin, b.count) for b in self.beside),
            ),
            vessels={v.id: v for v in self.formula.vessels},
            record=self.record,
            hands=self.hands,
        )


@lru_cache(maxsize=64)
def parse(text: str) -> BakeDocument:
    """The document of a bake; it never changes, so it is read once."""
    return BakeDocument.model_validate_json(text)
