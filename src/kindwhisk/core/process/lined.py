"""A cake in a lined ring, made for another ring: as many fingers, a disc as wide, as much filling as that takes."""

from __future__ import annotations

import math
from collections.abc import Mapping
from typing import NamedTuple

from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.formula import Formula, upstream
from kindwhisk.core.process.portions import Portion, StepPortion
from kindwhisk.core.process.setting import TinsInUse
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.line import LineStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import RoundDimensions, RoundTin


class Fit(NamedTuple):
    """How many times as much another ring takes of the wall, of its disc, and of what is filled in."""

    wall: float
    disc: float
    filling: float


def lining(formula: Formula) -> LineStep | None:
    """The step that lines a ring; None where the formula lines none."""
    return next((s for s in formula.steps if isinstance(s, LineStep)), None)


def _piped(formula: Formula, line: LineStep) -> PipedPiece | None:
    """The fingers that its wall is piped of."""
    before = upstream(formula, line.id)
    return next((s.piece for s in formula.steps if isinstance(s, PipeStep) and s.id in before), None)


def _as_wide(step: Step, across_mm: float) -> Step:
    """A disc spread as wide as the room that it goes into (0: as it is)."""
    if not isinstance(step, FillStep) or across_mm <= 0:
        return step
    tin = RoundTin(dimensions=RoundDimensions(diameter_mm=across_mm, depth_mm=step.tin.depth_mm))
    return step.model_copy(update={"tin": tin, "tin_name": f"{across_mm / 10:.1f} cm disc"})


def fit(line: LineStep, formula: Formula, own: TinsInUse, wanted: TinsInUse) -> Fit:
    """What ``wanted`` rings take beside the formula's ``own``."""
    before, after = (line.ring_for(t, _piped(formula, line)) for t in (own, wanted))
    many = wanted.count / own.count
    high = wanted.tin.depth_mm / own.tin.depth_mm
    room = (after.room_mm / before.room_mm) ** 2 if before.room_mm > 0 else 1.0
    return Fit(
        wall=many * (after.fingers + (not after.closes)) / max(1, before.fingers + (not before.closes)),
        disc=many * (after.disc_mm / before.disc_mm) ** 2 if before.disc_mm > 0 else many,
        filling=many * room * high,
    )


def relined(formula: Formula, own: TinsInUse, wanted: TinsInUse) -> Formula:
    """The formula for other rings: each of its parts in the amount that those take.

    A batter that fingers and disc share is made in the sum of both, and shared anew. What is neither wall, disc nor
    filling (a mirror on top) goes by the room inside.
    """
    line = lining(formula)
    if line is None:
        return formula
    times = fit(line, formula, own, wanted)
    wanted_of = _wanted(formula, line, times)
    discs = {p.step for p in line.inputs[1:] if isinstance(p, StepPortion)}
    spread = {i for d in discs for i in upstream(formula, d)} | discs
    across = line.ring_for(wanted, _piped(formula, line)).disc_mm
    steps = tuple(_as_wide(_in_amount(s, wanted_of), across if s.id in spread else 0.0) for s in formula.steps)
    return formula.model_copy(update={"steps": steps})


def _wanted(formula: Formula, line: LineStep, times: Fit) -> dict[str, float]:
    """How many times as much of each step's result is wanted: from the end back, by what takes of it."""
    found: dict[str, float] = {}
    taken: dict[str, list[tuple[float, float]]] = {}
    flows = Flows(formula)
    after = {s.id for s in formula.steps if line.id in upstream(formula, s.id)} | {line.id}
    for step in reversed(formula.steps):
        own = taken.get(step.id)
        if own is None or step.id in after:
            found[step.id] = times.disc
        else:
            whole = sum(share for share, _ in own)
            found[step.id] = sum(share * much for share, much in own) / whole if whole > 0 else times.disc
        for n, portion, share in flows.taken(step):
            much = _through(step, n, portion, line, after, times, found[step.id])
            taken.setdefault(portion.step, []).append((share, much))
    return found


# A portion, where it stands in the process, and what other rings take.
def _through(  # noqa: PLR0917
    step: Step, n: int, portion: StepPortion, line: LineStep, after: set[str], times: Fit, own: float
) -> float:
    """How many times as much a portion is wanted."""
    if step.id == line.id:
        return times.wall if n == 0 else times.disc
    if step.id in after:
        inside = portion.step not in after and isinstance(step, FillStep)
        return times.filling if inside else times.disc
    return own


def _in_amount(step: Step, wanted: Mapping[str, float]) -> Step:
    """The step in the amount that is wanted of it; a fraction of a result is that of the new whole."""
    much = wanted[step.id]

    def portion(p: Portion) -> Portion:
        if isinstance(p, StepPortion) and p.fraction is not None and not p.offcut:
            share = p.fraction * much / wanted[p.step]
            return p.model_copy(update={"fraction": min(1.0, share)})
        return p.scaled(much) if not isinstance(p, StepPortion) or p.grams is not None else p

    inputs = tuple(portion(p) for p in step.inputs)
    return step if math.isclose(much, 1.0) and inputs == step.inputs else step.model_copy(update={"inputs": inputs})
