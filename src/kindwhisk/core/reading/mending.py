"""What a baker corrects by hand on a process that is being read in, kept while its text is mended and read again.

A correction is known by the sentence that its step came from and the step's kind, not by the step's place: a word that
is mended in the sentence, or a line that is put in above it, leaves it where it belongs.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from pydantic import Field, ValidationError
from rapidfuzz import fuzz, process

from kindwhisk.core.process.portions import IngredientPortion, Portion, StepPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.reading.goods import Question
from kindwhisk.core.values.faults import faults
from kindwhisk.core.values.model import Value

ALIKE = 62.0
"""A sentence that is at least so like the one of before (0 to 100) is that one, with some words mended. Chosen."""
FIXED = {"id", "kind", "vessel", "inputs", "after", "component", "written"}
"""What reading decides, not a correction."""


class Mend(Value):
    """A correction of one step: ``fields`` set by hand, or ``drop`` to leave it out."""

    key: str = Field(max_length=600)
    fields: dict[str, Any] = Field(default_factory=dict, max_length=40)
    drop: bool = False


class Meant(Value):
    """What “it” was: ``sentence`` means what ``of`` made, both by their words."""

    sentence: str = Field(max_length=400)
    of: str = Field(max_length=400)


def keys_of(steps: Sequence[Step]) -> dict[str, str]:
    """The key of every step: its kind, which of several of one sentence it is, and the sentence."""
    counts: dict[tuple[str, str], int] = {}
    keys = {}
    for step in steps:
        said = step.written or step.assumed
        n = counts[step.kind, said] = counts.get((step.kind, said), 0) + 1
        keys[step.id] = f"{step.kind}|{n}|{said}"
    return keys


def like(words: str, others: Sequence[str]) -> str | None:
    """The one of several texts that is this one, perhaps with some words mended."""
    if words in others:
        return words
    found = process.extractOne(words, others, scorer=fuzz.ratio, score_cutoff=ALIKE)
    return found[0] if found else None


def _left_out(steps: Sequence[Step], gone: Step) -> list[Step] | str:
    """The steps without one: what took its result takes what it took. In words where that can't be."""
    if any(isinstance(p, IngredientPortion) for p in gone.inputs) or len(gone.inputs) != 1:
        return "It brings things together that would be lost: change it instead."
    through = gone.inputs[0]

    def inputs(step: Step) -> tuple[Portion, ...]:
        return tuple(
            through if isinstance(p, StepPortion) and p.step == gone.id and not p.fraction else p for p in step.inputs
        )

    parts = [p for s in steps for p in s.inputs if isinstance(p, StepPortion) and p.step == gone.id and p.fraction]
    if parts:
        return "Its result is divided further on: change it instead."
    return [s.model_copy(update={"inputs": inputs(s)}) for s in steps if s.id != gone.id]


def mend(steps: Sequence[Step], mends: Sequence[Mend], questions: list[Question]) -> tuple[Step, ...]:
    """The steps with all that was corrected by hand; what fits nowhere any more goes into ``questions``."""
    made = list(steps)
    for one in mends:
        keys = keys_of(made)
        kind = one.key.split("|", 1)[0]
        by_key: Mapping[str, str] = {k: i for i, k in keys.items() if k.split("|", 1)[0] == kind}
        key = like(one.key, list(by_key))
        step = next((s for s in made if key is not None and s.id == by_key[key]), None)
        if step is None:
            text = f"What you changed of “{one.key.rsplit('|', 1)[-1][:80]}” fits no step any more."
            questions.append(Question(field="mends", text=text, assumed="it is left out"))
        elif one.drop:
            rest = _left_out(made, step)
            if isinstance(rest, str):
                questions.append(Question(field="mends", text=f"“{step.title}” can't be left out.", assumed=rest))
            else:
                made = rest
        else:
            made[made.index(step)] = _set(step, one.fields, questions)
    return tuple(made)


def _set(step: Step, fields: Mapping[str, Any], questions: list[Question]) -> Step:
    wanted = {k: v for k, v in fields.items() if k not in FIXED}
    try:
        return type(step).model_validate({**step.model_dump(), **wanted})
    except ValidationError as error:
        fault = faults(error.errors(include_url=False), dict(wanted))[0]
        questions.append(Question(field="mends", text=f"“{step.title}”: {fault.sentence}", assumed="as it was read"))
        return step
