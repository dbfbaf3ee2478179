"""Where a process lets a hot syrup and a running foam meet, and what the two clocks say at a moment."""

from __future__ import annotations

from kindwhisk.core.process.formula import Draft, upstream
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.values.model import Value


class Meets(Value):
    """The steps that boil, that whip, and that pour one into the other."""

    boil: str
    whisk: str
    stream: str


def meetings(formula: Draft) -> tuple[Meets, ...]:
    """Every meeting of a syrup with a foam."""
    steps = {s.id: s for s in formula.steps}
    found = []
    for stream in (s for s in formula.steps if isinstance(s, StreamStep)):
        taken = [steps[p.step] for p in stream.inputs if isinstance(p, StepPortion)]
        boil = next((s for s in taken if isinstance(s, BoilStep)), None)
        others = [s for s in taken if s is not boil]
        before = {i for s in others for i in upstream(formula, s.id)} | {s.id for s in others}
        whisk = next((s for s in reversed(formula.steps) if s.id in before and s.begins_foam), None)
        if boil is not None and whisk is not None:
            found.append(Meets(boil=boil.id, whisk=whisk.id, stream=stream.id))
    return tuple(found)
