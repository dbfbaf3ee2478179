"""Steps that a formula does not name but the work needs: the hot oven, the washed beater."""

from __future__ import annotations

from kindwhisk.core.process.checking import fatty
from kindwhisk.core.process.formula import Formula, content_of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.preheat import PreheatStep
from kindwhisk.core.process.steps.wash import WashStep


def preheat_of(step: Step) -> str:
    """The id of the step that heats the oven for another; one that is done once more goes into the same hot oven."""
    return f"preheat-{step.origin}"[:40]


def prepared(formula: Formula) -> Formula:
    """The formula with a preheat before each bake, and a wash wherever fat would meet whites on a beater."""
    steps: list[Step] = []
    hot: set[str] = set()
    greasy: dict[str, str] = {}
    for step in formula.steps:
        waits = list(step.after)
        if step.heats_oven_c is not None:
            waits.append(preheat_of(step))
            if waits[-1] not in hot:
                hot.add(waits[-1])
                preheat = PreheatStep(
                    id=waits[-1],
                    title="Heat the oven",
                    vessel="oven",
                    oven_c=step.heats_oven_c,
                    rack=step.stands_on,
                    component=step.component,
                )
                steps.append(preheat)
        tool = step.tool_in_use
        if tool is not None:
            greasing = any(fatty(i) for i in content_of(formula, step).ingredients)
            if step.begins_foam and not greasing and tool in greasy:
                wash = WashStep(
                    id=f"wash-{step.id}"[:40],
                    title=f"Wash the {tool}",
                    vessel=step.vessel,
                    tool=tool,
                    after=(greasy.pop(tool),),
                    component=step.component,
                )
                steps.append(wash)
                waits.append(wash.id)
            if greasing:
                greasy[tool] = step.id
        steps.append(step.model_copy(update={"after": tuple(waits)}))
    return formula.model_copy(update={"steps": tuple(steps)})
