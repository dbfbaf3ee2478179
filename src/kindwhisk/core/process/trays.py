"""Trays and loads: what a formula pipes once is piped, rested and baked tray by tray and load by load.

A formula names one piping, one rest and one bake. Before it is planned and made they are laid out over the trays that
the batter takes and the racks of the oven: each tray has its own piping and its own rest, each load its own bake with
its own timer, in the order of baking, and between two loads the oven comes back. The first of each keeps the formula's
own name, so that what was learned of it stays.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from typing import NamedTuple

from kindwhisk.core.piping.loads import OvenRoom, plan_loads, recovers_s
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.formula import Formula, consumers
from kindwhisk.core.process.portions import Portion, StepPortion
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.base import OnTray
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.recover import RecoverStep
from kindwhisk.core.process.steps.skin import SkinStep
from kindwhisk.core.process.walk import WalkedStep, walk
from kindwhisk.core.vessels.vessel import Vessel

MOST_UNITS = 12
"""More trays than these go load by load, and more loads stay one step each: a plan must still be found."""
LONGEST_ID, LONGEST_TITLE = 40, 80
NO_LIMIT_S, MOST_WAIT_S = 86400.0, 7 * 86400.0


class _Chain(NamedTuple):
    """A piping, what is done on the tray before it bakes, the bake, and the cooling, each of the one before."""

    pipe: PipeStep
    on_tray: tuple[Step, ...]
    bake: BakeStep
    cool: tuple[Step, ...]


def _only_taker(formula: Formula, step: Step) -> Step | None:
    """The step that takes all of another's result, and besides it only ingredients."""
    takers = consumers(formula, step.id)
    taken = [p for p in takers[0].inputs if isinstance(p, StepPortion)] if len(takers) == 1 else []
    whole = len(taken) == 1 and taken[0].fraction is None and taken[0].grams is None
    return takers[0] if whole else None


def _chain(formula: Formula, pipe: PipeStep) -> _Chain | None:
    """What follows a piping up to its cooling; None where it is not baked by itself."""
    on_tray: list[Step] = []
    step = _only_taker(formula, pipe)
    while step is not None and not isinstance(step, BakeStep):
        on_tray.append(step)
        step = _only_taker(formula, step)
    if step is None:
        return None
    after = _only_taker(formula, step)
    # What ends with the cooling cools together: the whole has one end.
    cools = isinstance(after, CoolStep) and consumers(formula, after.id)
    return _Chain(pipe, tuple(on_tray), step, (after,) if after is not None and cools else ())


class _Unit(NamedTuple):
    """Trays that are piped and rested as one, with the share of all pieces on them; how long they wait for the oven
    once they are dry, and how much later than the batter holds they are piped, and baked."""

    share: float
    waits_s: float
    piped_late_s: float
    baked_late_s: float


def _holds_s(chain: _Chain, walked: Mapping[str, WalkedStep]) -> float:
    """How long the batter that is piped may wait."""
    before = [walked[p.step].outcome for p in chain.pipe.inputs if isinstance(p, StepPortion)]
    return min((o.hold_s.likely for o in before if o.hold_s is not None), default=NO_LIMIT_S)


def _units(chain: _Chain, walked: Mapping[str, WalkedStep], setting: Setting) -> tuple[list[_Unit], list[list[int]]]:
    """The trays with their waits, and which of them make a load; one unit where there is nothing to lay out."""
    tins = walked[chain.pipe.id].place.tins
    racks = setting.oven.takes(trays=True)
    trays, count = tins.trays or 1, tins.count
    per_tray = chain.pipe.per_tray(tins.sheet or chain.pipe.tin)
    many = trays > MOST_UNITS
    each = per_tray * racks if many else per_tray
    pieces = [min(each, count - i) for i in range(0, count, each)]
    if len(pieces) > MOST_UNITS or len(pieces) < 2:
        return [], []
    skin = next((walked[s.id].outcome for s in chain.on_tray if isinstance(s, SkinStep)), None)
    room = OvenRoom(
        setting.oven.name,
        1 if many else racks,
        walked[chain.bake.id].outcome.duration_s.likely,
        recovers_s(setting.oven_rise_k_per_min),
    )
    plan = plan_loads(
        pieces,
        [room],
        pipe_s=walked[chain.pipe.id].outcome.duration_s.likely * pieces[0] / count,
        dry_s=0.0 if skin is None else skin.duration_s.likely,
        too_long_s=NO_LIMIT_S,
    )
    units, loads, holds = [], [], _holds_s(chain, walked)
    for load in plan.loads:
        loads.append([t.tray - 1 for t in load.trays])
        for tray in load.trays:
            waits = max(0.0, tray.rests_s - (0.0 if skin is None else skin.duration_s.likely))
            piped, baked = max(0.0, tray.piped_s - holds), max(0.0, load.start_s - holds)
            units.append(_Unit(tray.pieces / count, waits, piped, 0.0 if skin else baked))
    return units, loads


# What a part is called, and what is known of its wait.
def _named(
    step: Step,
    number: int,
    of_many: int,
    word: str,
    taken: set[str],
    *,
    waits_s: float = 0.0,
    late_s: float = 0.0,
) -> dict[str, object]:
    """The name of a part: the first keeps the formula's own."""
    name, n = step.id, number
    while name in taken or (number > 1 and name == step.id):
        name = f"{step.id[: LONGEST_ID - 4]}-{n}"
        n += 1
    taken.add(name)
    tail = f", {word} {number}"
    return {
        "id": name,
        "title": f"{step.title[: LONGEST_TITLE - len(tail)]}{tail}",
        "tray": OnTray(
            of=step.origin,
            number=number,
            of_many=of_many,
            waits_s=min(waits_s, MOST_WAIT_S),
            late_s=min(late_s, MOST_WAIT_S),
        ),
    }


def _shared(portion: Portion, whole: float, share: float, *, last: bool) -> Portion:
    """A tray's part of what the piping takes; the last one takes what is left where the piping did."""
    if not isinstance(portion, StepPortion):
        return portion.scaled(share)
    took_rest = portion.fraction is None and portion.grams is None
    if last and took_rest:
        return StepPortion(step=portion.step, rest=True)
    return StepPortion(step=portion.step, fraction=whole * share)


def _parts(formula: Formula, chain: _Chain, units: Sequence[_Unit], loads: Sequence[Sequence[int]]) -> list[Step]:
    """All steps of a chain, tray by tray and then load by load."""
    taken = {s.id for s in formula.steps} - {s.id for s in (chain.pipe, *chain.on_tray, chain.bake, *chain.cool)}
    shares = {n: share for n, _, share in Flows(formula).taken(chain.pipe)}
    made: list[Step] = []
    ends: list[str] = []
    for number, unit in enumerate(units, start=1):
        inputs = tuple(
            _shared(p, shares.get(n, 1.0), unit.share, last=number == len(units))
            for n, p in enumerate(chain.pipe.inputs)
        )
        name = _named(chain.pipe, number, len(units), "tray", taken)
        vessel = {"vessel": tray_of(chain.pipe.vessel, number)}
        made.append(chain.pipe.model_copy(update={**name, **vessel, "inputs": inputs}))
        for step in chain.on_tray:
            waits = unit.waits_s if isinstance(step, SkinStep) else 0.0
            late = max(unit.piped_late_s, unit.baked_late_s)
            name = _named(step, number, len(units), "tray", taken, waits_s=waits, late_s=late)
            made.append(step.model_copy(update={**name, **vessel, "inputs": _on(step, made[-1].id, unit.share)}))
        ends.append(made[-1].id)
    hot = ""
    for number, load in enumerate(loads, start=1):
        after = chain.bake.after
        if hot:
            again = f"hot-again-{chain.bake.id}"[: LONGEST_ID - 4] + f"-{number}"
            made.append(
                RecoverStep(
                    id=again,
                    title=f"Let the oven come back, load {number}",
                    vessel="oven",
                    oven_c=chain.bake.oven_c,
                    after=(hot,),
                    component=chain.bake.component,
                )
            )
            after = (*after, again)
        late = max(units[i].baked_late_s for i in load)
        vessel = {"vessel": tray_of(chain.bake.vessel, load[0] + 1)}
        bake = chain.bake.model_copy(
            update={
                **(_named(chain.bake, number, len(loads), "load", taken, late_s=late) if len(loads) > 1 else {}),
                **vessel,
                "inputs": (
                    *(p.scaled(sum(units[i].share for i in load)) for p in chain.bake.weighed),
                    *(StepPortion(step=ends[i]) for i in load),
                ),
                "after": after,
            }
        )
        hot = bake.id
        made.append(bake)
        for step in chain.cool:
            update = _named(step, number, len(loads), "load", taken) if len(loads) > 1 else {}
            share = sum(units[i].share for i in load)
            made.append(step.model_copy(update={**update, **vessel, "inputs": _on(step, made[-1].id, share)}))
    return made


def tray_of(vessel: str, number: int) -> str:
    """The vessel of a tray: the first is the formula's own."""
    return vessel if number == 1 else f"{vessel[: LONGEST_ID - 5]}-no-{number}"


def _trays(formula: Formula, parts: Sequence[Step]) -> tuple[Vessel, ...]:
    """The vessels of a formula, with those of its further trays."""
    own = {v.id: v for v in formula.vessels}
    added: dict[str, Vessel] = {}
    for step in parts:
        first, _, number = step.vessel.rpartition("-no-")
        base = next((v for i, v in own.items() if first and i[: LONGEST_ID - 5] == first), None)
        if step.vessel not in own and base is not None:
            added[step.vessel] = base.model_copy(update={"id": step.vessel, "name": f"{base.name} {number}"[:40]})
    return (*formula.vessels, *added.values())


def _on(step: Step, before: str, share: float) -> tuple[Portion, ...]:
    """What a step takes for its trays: what was made for them before it, and its share of the ingredients."""
    return tuple(StepPortion(step=before) if isinstance(p, StepPortion) else p.scaled(share) for p in step.inputs)


def _rewired(step: Step, last: Step, parts: Sequence[Step]) -> Step:
    """A step that took from the end of a chain takes from the ends of all its loads."""
    ends = [p.id for p in parts if p.origin == last.origin and isinstance(p, type(last))]
    inputs: list[Portion] = []
    for portion in step.inputs:
        if isinstance(portion, StepPortion) and portion.step == last.id:
            inputs += [portion.model_copy(update={"step": end}) for end in ends]
        else:
            inputs.append(portion)
    after = tuple(dict.fromkeys(e for i in step.after for e in (ends if i == last.id else [i])))
    return step.model_copy(update={"inputs": tuple(inputs), "after": after})


def laid_out(formula: Formula, setting: Setting, but: frozenset[str] = frozenset()) -> Formula:
    """The formula with each of its pipings laid out over trays and loads; those that only take one tray, that aren't
    baked by themselves, or of which a step is among ``but``, stay as they are.

    ``setting`` holds the tins of the step that leads.
    """
    formula = gathered(formula, but)
    pipes = [s for s in formula.steps if isinstance(s, PipeStep) and s.tray is None and s.again is None]
    if not pipes:
        return formula
    walked = {w.step.id: w for w in walk(formula, replace(setting, vessels={v.id: v for v in formula.vessels}))}
    for pipe in pipes:
        chain = _chain(formula, pipe)
        own = {s.id for s in (chain.pipe, *chain.on_tray, chain.bake)} if chain else set()
        if chain is None or own & but:
            continue
        units, loads = _units(chain, walked, setting)
        if not units:
            continue
        parts = _parts(formula, chain, units, loads)
        gone = {s.id for s in (chain.pipe, *chain.on_tray, chain.bake, *chain.cool)}
        last = chain.cool[-1] if chain.cool else chain.bake
        steps: list[Step] = []
        for step in formula.steps:
            if step.id == pipe.id:
                steps += parts
            elif step.id not in gone:
                steps.append(_rewired(step, last, parts))
        told = {"steps": tuple(_in_order(steps)), "vessels": _trays(formula, parts)}
        formula = Formula.model_validate({**dict(formula), **told})
    return formula


def _in_order(steps: Sequence[Step]) -> list[Step]:
    """The same steps, each after all that it needs, and otherwise as they stood."""
    found: list[Step] = []
    there: set[str] = set()
    left = list(steps)
    while left:
        step = next((s for s in left if set(s.needs) <= there), left[0])
        left.remove(step)
        found.append(step)
        there.add(step.id)
    return found


def gathered(formula: Formula, but: frozenset[str] = frozenset()) -> Formula:
    """The inverse: every piping, rest and bake once again; unless a step of them is among ``but``, or was made once
    more."""
    groups: dict[str, list[Step]] = {}
    for step in formula.steps:
        if step.tray is not None:
            groups.setdefault(step.tray.of, []).append(step)
    parts = {s.id for steps in groups.values() for s in steps}
    if not groups or parts & but or any(s.again is not None for s in formula.steps if s.id in parts):
        return formula
    of = {s.id: s.tray.of for s in formula.steps if s.tray is not None}
    recover = {s.id for s in formula.steps if isinstance(s, RecoverStep)}
    steps: list[Step] = []
    for step in formula.steps:
        if step.id in recover or (step.tray is not None and step.tray.number > 1):
            continue
        own = groups[step.tray.of] if step.tray is not None else [step]
        inputs: dict[str, Portion] = {}
        for n, portion in enumerate(step.inputs):
            if isinstance(portion, StepPortion) and portion.step in of:
                inputs.setdefault(of[portion.step], portion.model_copy(update={"step": of[portion.step]}))
            else:
                alone = isinstance(portion, StepPortion) and {s.id for s in consumers(formula, portion.step)} <= parts
                alike = [s.inputs[n] for s in own]
                inputs[f"#{n}"] = portion if len(own) == 1 else _together(portion, alike, alone=alone)
        update: dict[str, object] = {
            "inputs": tuple(inputs.values()),
            "after": tuple(dict.fromkeys(of.get(i, i) for i in step.after if i not in recover)),
        }
        if step.tray is not None:
            update |= {"id": step.tray.of, "tray": None, "title": step.title.rsplit(", ", 1)[0]}
        steps.append(step.model_copy(update=update))
    used = {s.vessel for s in steps}
    gone = {s.vessel for s in formula.steps} - used
    vessels = tuple(v for v in formula.vessels if v.id not in gone)
    return Formula.model_validate({**dict(formula), "steps": tuple(steps), "vessels": vessels})


def _together(portion: Portion, alike: Sequence[Portion], *, alone: bool) -> Portion:
    """What all trays take of one thing, as one portion; ``alone``: nothing else takes of it."""
    if not isinstance(portion, StepPortion):
        return portion.model_copy(update={"grams": sum(p.grams or 0.0 for p in alike)})
    own = [p for p in alike if isinstance(p, StepPortion)]
    if any(p.fraction is None and p.grams is None for p in own):
        return StepPortion(step=portion.step, rest=not alone)
    return StepPortion(step=portion.step, fraction=min(1.0, sum(p.fraction or 0.0 for p in own)))


def relaid(course: Course, begun: frozenset[str]) -> Course:
    """The course with what is not begun of its pipings laid out anew, over its trays and oven of now."""
    return course.model_copy(update={"formula": laid_out(course.formula, course.setting, begun)})


def unlaid(course: Course, begun: frozenset[str]) -> Course:
    """The course with what is not begun of its pipings as its formula names it."""
    return course.model_copy(update={"formula": gathered(course.formula, begun)})
