"""The fold of a formula by another school: its steps are written anew, what comes before and after stays."""

from __future__ import annotations

from typing import NamedTuple

from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.folding.plan import PORTIONS, FoldSchool
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import StepPortion, of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.values.errors import CraftError

SPENT = 0.3
CAN_BECOME = (FoldSchool.SACRIFICE, FoldSchool.THIRDS, FoldSchool.INTO_FOAM)
"""Those that take the base as it is; the others want flour and liquid apart, which is another base."""


class Fold(NamedTuple):
    """A fold of one foam and one base: the steps that do it, the last of which gives the batter."""

    steps: tuple[FoldStep, ...]
    base: str
    foam: str

    @property
    def batter(self) -> FoldStep:
        """The step that ends it."""
        return self.steps[-1]

    @property
    def school(self) -> FoldSchool:
        """How it is done now."""
        if len(self.steps) > 1:
            return FoldSchool.SACRIFICE
        return FoldSchool.INTO_FOAM if self.batter.manner is Manner.INTO_FOAM else FoldSchool.THIRDS


def _begins(formula: Formula, step_id: str) -> bool:
    step = formula.step(step_id)
    return step.begins_foam or isinstance(step, StreamStep)


def _pair(formula: Formula, step: FoldStep) -> tuple[str, str] | None:
    """Base and foam of a step that takes these two and nothing else."""
    portions = [p for p in step.inputs if isinstance(p, StepPortion)]
    if len(portions) != 2 or len(step.inputs) != 2:
        return None
    foams = [p.step for p in portions if _begins(formula, p.step)]
    others = [p.step for p in portions if not _begins(formula, p.step)]
    return (others[0], foams[0]) if len(foams) == 1 and len(others) == 1 else None


def folds(formula: Formula) -> dict[str, Fold]:
    """Every fold that can be done by another school, by the step that ends it."""
    found: dict[str, Fold] = {}
    loosened: dict[str, tuple[FoldStep, str, str]] = {}
    for step in formula.steps:
        pair = _pair(formula, step) if isinstance(step, FoldStep) else None
        if not isinstance(step, FoldStep) or pair is None:
            continue
        base, foam = pair
        if step.manner is Manner.SACRIFICE:
            loosened[step.id] = (step, base, foam)
        elif base in loosened and loosened[base][2] == foam:
            found[step.id] = Fold((loosened[base][0], step), loosened[base][1], foam)
        elif step.manner is Manner.INTO_FOAM or (step.manner is Manner.FOLD and step.portions > 1):
            found[step.id] = Fold((step,), base, foam)
    return found


def with_school(formula: Formula, step_id: str, school: FoldSchool) -> Formula:
    """The same formula with the fold that ``step_id`` ends done by another school.

    That step keeps its id, so that all that takes the batter goes on taking it.

    Raises:
        CraftError: the step ends no such fold, or the school wants another base.
    """
    known = folds(formula)
    if step_id not in known:
        raise CraftError(
            f"The step '{step_id}' ends no fold of one foam and one base.",
            field="step",
            remedy="Choose one of: " + (", ".join(known) or "none in this formula") + ".",
        )
    if school not in CAN_BECOME:
        raise CraftError(
            f"“{school.value}” wants flour and liquid apart, and this base holds both.",
            field="school",
            remedy="Change the base first: leave the flour out of it, then sift it over the foam.",
        )
    fold = known[step_id]
    if fold.school is school:
        return formula
    made = _steps(formula, fold, school)
    gone = {s.id for s in fold.steps}
    steps: list[Step] = []
    for step in formula.steps:
        if step.id == step_id:
            steps += made
        elif step.id not in gone:
            steps.append(step)
    return Formula.model_validate({**dict(formula), "steps": tuple(steps)})


def _steps(formula: Formula, fold: Fold, school: FoldSchool) -> list[FoldStep]:
    """The steps of a fold by a school."""
    old = fold.batter
    kept = {"id": old.id, "batter": old.batter, "component": old.component, "note": old.note, "tool": old.tool}
    base_bowl, foam_bowl = (formula.step(i).vessel for i in (fold.base, fold.foam))
    base, foam = of(fold.base), of(fold.foam)
    if school is FoldSchool.INTO_FOAM:
        into = {"manner": Manner.INTO_FOAM, "portions": PORTIONS[school], "inputs": (foam, base)}
        return [FoldStep(title="Pour the base into the foam", vessel=foam_bowl, **into, **kept)]
    if school is FoldSchool.THIRDS:
        onto = {"portions": PORTIONS[school], "inputs": (base, foam)}
        return [FoldStep(title="Fold the foam in, in thirds", vessel=base_bowl, **onto, **kept)]
    loosen = FoldStep(
        id=_free(formula, "loosen"),
        title="Loosen the base with a third",
        vessel=base_bowl,
        inputs=(base, of(fold.foam, SPENT)),
        manner=Manner.SACRIFICE,
        tool="hand whisk",
        component=old.component,
    )
    rest = (of(loosen.id), of(fold.foam, rest=True))
    return [loosen, FoldStep(title="Fold in the rest", vessel=base_bowl, inputs=rest, **kept)]


def _free(formula: Formula, wanted: str) -> str:
    taken = {s.id for s in formula.steps}
    return next(i for i in (wanted, *(f"{wanted}-{n}" for n in range(2, 99))) if i not in taken)
