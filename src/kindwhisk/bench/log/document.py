"""What a bake is made from: kept whole with it, so that later changes of Book or kitchen never rewrite it."""

from __future__ import annotations

import hashlib
from dataclasses import dataclass
from datetime import datetime
from functools import cached_property, lru_cache

from kindwhisk.bench.log.planned import PlannedStep
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.steps.skin import SkinStep


@dataclass(frozen=True)
class HandStep:
    """What tells when a step that is only confirmed at its end may have begun."""

    planned_s: float = 0.0
    needs: tuple[str, ...] = ()


class BakeDocument(Course):
    """The course, its formula's version, and the plan: by when, and each step on the clock."""

    formula_version: int
    kitchen_revision: int
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

    def plan_of(self, step_id: str) -> PlannedStep | None:
        """When a step was planned; None for one that came up after the plan was made."""
        return self._plan.get(step_id)

    @cached_property
    def fades_s(self) -> dict[str, float]:
        """Seconds before the end of each step within which a density read there tells of its result."""
        return {s.id: s.reading_fades_s for s in self.formula.steps}

    @cached_property
    def foams(self) -> frozenset[str]:
        """The steps that whip something into a foam."""
        return frozenset(s.id for s in self.formula.steps if s.begins_foam)

    @cached_property
    def skins(self) -> frozenset[str]:
        """The rests of pieces until a skin holds: the air of the room counts for them."""
        return frozenset(s.id for s in self.formula.steps if isinstance(s, SkinStep))

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


@lru_cache(maxsize=256)
def parse(text: str) -> BakeDocument:
    """A document; its text never changes, so it is read once."""
    return BakeDocument.model_validate_json(text)


@lru_cache(maxsize=256)
def digest(text: str) -> str:
    """A document in short."""
    return hashlib.sha256(text.encode()).hexdigest()[:24]
