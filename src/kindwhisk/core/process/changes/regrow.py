"""Parts of a process made once more, beside what is there: for what was lost of results, or is wanted beyond them."""

from __future__ import annotations

from collections.abc import Collection, Mapping, Set
from typing import NamedTuple

from kindwhisk.core.process.changes.base import sound, with_inputs
from kindwhisk.core.process.flows import NOTHING, Flows
from kindwhisk.core.process.formula import Formula, Loss
from kindwhisk.core.process.portions import IngredientPortion, Portion, StepPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.base import OnceMore

TIMES = ("", ", again", ", a third time", ", a fourth time")
LONGEST_ID, LONGEST_TITLE = 40, 80


class Regrown(NamedTuple):
    """The process after it, and grams of each ingredient that what is made once more takes."""

    formula: Formula
    needed: Mapping[str, float]


def _names(formula: Formula, wanted: Collection[str]) -> dict[str, tuple[str, str]]:
    """An id and a title for the new one of each step."""
    ids, found = {s.id for s in formula.steps}, {}
    for step in formula.steps:
        if step.id not in wanted:
            continue
        root = formula.step(step.origin)
        number = 2
        while (name := f"{root.id[: LONGEST_ID - 3]}-{number}") in ids:
            number += 1
        ids.add(name)
        tail = TIMES[number - 1] if number <= len(TIMES) else f", time {number}"
        found[step.id] = (name, f"{root.title[: LONGEST_TITLE - len(tail)]}{tail}")
    return found


def _part(step: str, share: float) -> StepPortion:
    return StepPortion(step=step) if share > 1 - NOTHING else StepPortion(step=step, fraction=share)


def _once_more(step: Step, names: Mapping[str, tuple[str, str]], need: Mapping[str, float], flows: Flows) -> Step:
    """A step in the amount needed, taking from the new ones of what it took from."""
    shares = {n: share for n, _, share in flows.taken(step)}
    inputs: list[Portion] = []
    for n, portion in enumerate(step.inputs):
        if isinstance(portion, IngredientPortion):
            inputs.append(portion.scaled(need[step.id]))
        elif portion.step in names and portion.offcut:
            inputs.append(portion.model_copy(update={"step": names[portion.step][0]}))
        elif portion.step in names:
            share = need[step.id] * shares[n] / need[portion.step]
            inputs.append(_part(names[portion.step][0], min(1.0, share)))
    name, title = names[step.id]
    return step.model_copy(
        update={
            "id": name,
            "title": title,
            "inputs": tuple(inputs),
            "after": tuple(names[i][0] if i in names else i for i in step.after),
            "again": OnceMore(of=step.origin, share=(step.again.share if step.again else 1.0) * need[step.id]),
        }
    )


def regrow(
    formula: Formula,
    begun: Set[str],
    *,
    lose: Mapping[str, float],
    more: Mapping[str, float],
    factor: float = 1.0,
    why: str = "",
) -> Regrown:
    """Lose some, make more of some, and take ``factor`` times as much into the steps that were not begun.

    What is made once more comes from its ingredients on, and joins what is left where that is taken next.

    Args:
        formula: the process as it stands.
        begun: ids of the steps that were begun.
        lose: shares of the wholes of results that are lost, by step.
        more: shares of the wholes of results to be made beside them, by step.
        factor: of the amounts ahead.
        why: what is noted with the loss.
    """
    flows = Flows(formula)
    need = flows.needs(more)
    names = _names(formula, need)
    left = {i: share for s in formula.steps if (share := flows.left(i := s.id, begun)) > NOTHING and i in begun}

    def offcut(portion: StepPortion) -> list[Portion]:
        """What was cut off is there as long as what it was cut off is not lost; else it comes with the new."""
        source = portion.step
        if source not in begun:
            return [portion]
        lost = lose.get(source, 0.0)
        found: list[Portion] = []
        if lost < 1 - NOTHING:
            less = portion.model_copy(update={"fraction": factor * (portion.fraction or 1.0)})
            found.append(less if factor < 1 else portion)
        if source in more and (lost > NOTHING or factor > 1):
            found.append(portion.model_copy(update={"step": names[source][0]}))
        return found

    def ahead(step: Step) -> Step:
        """A step that was not begun: so much more of everything, and of what stands what is there by now."""
        shares = {n: share for n, _, share in flows.taken(step)}
        inputs: list[Portion] = []
        for n, portion in enumerate(step.inputs):
            if isinstance(portion, StepPortion) and portion.offcut:
                inputs += offcut(portion)
                continue
            if isinstance(portion, IngredientPortion) or portion.step not in left:
                inputs.append(portion.scaled(factor))
                continue
            source, share = portion.step, shares[n]
            kept = 1 - lose.get(source, 0.0) / left[source]
            if kept > NOTHING:
                inputs.append(
                    _part(source, min(1.0, share * kept))
                    if portion.fraction is not None or portion.grams is not None
                    else StepPortion(step=source, rest=True)
                )
            if source in more:
                part = more[source] / need[source] * share / left[source]
                inputs.append(_part(names[source][0], min(1.0, part)))
        return with_inputs(step, inputs)

    steps: list[Step] = []
    for step in formula.steps:
        steps.append(step if step.id in begun else ahead(step))
        if step.id in need:
            steps.append(_once_more(step, names, need, flows))
    losses = (*formula.lost, *(Loss(step=i, share=share, why=why) for i, share in lose.items()))
    return Regrown(sound(formula, steps, lost=losses), flows.ingredients(more))
