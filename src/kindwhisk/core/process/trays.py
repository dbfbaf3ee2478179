"""Trays and loads: what a formula pipes once is piped, rested and baked tray by tray and load by load.

A formula names one piping, one rest and one bake. Before it is planned and made they are laid out over the trays that
the batter takes and the racks of the oven: each tray has its own piping and its own rest, each load its own bake with
its own timer, in the order of baking, and between two loads the oven comes back. The first of each keeps the formula's
own name, so that what was learned of it stays.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace
from itertools import count as numbers
from typing import NamedTuple

from kindwhisk.core.piping.loads import FREE_AT_ONCE, Free, OvenRoom, plan_loads, recovers_s
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.formula import MOST_STEPS, MOST_VESSELS, Formula, consumers
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


class _Units(NamedTuple):
    """The trays with their waits, which of them make a load, and when hands and oven are free after them."""

    units: list[_Unit]
    loads: list[list[int]]
    free: Free


def _units(chain: _Chain, walked: Mapping[str, WalkedStep], setting: Setting, free: Free) -> _Units:
    """What a piping is laid out over; no units where there is nothing to lay out."""
    tins = walked[chain.pipe.id].place.tins
    racks = setting.oven.takes(trays=True)
    trays, count = tins.trays or 1, tins.count
    per_tray = chain.pipe.per_tray(tins.sheet or chain.pipe.tin)
    many = trays > MOST_UNITS
    each = per_tray * racks if many else per_tray
    pieces = [min(each, count - i) for i in range(0, count, each)]
    if len(pieces) > MOST_UNITS or not pieces:
        return _Units([], [], free)
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
        free=free,
    )
    units, loads, holds = [], [], _holds_s(chain, walked)
    for load in plan.loads:
        loads.append([t.tray - 1 for t in load.trays])
        for tray in load.trays:
            waits = max(0.0, tray.rests_s - (0.0 if skin is None else skin.duration_s.likely))
            piped, baked = max(0.0, tray.piped_s - holds), max(0.0, load.start_s - holds)
            units.append(_Unit(tray.pieces / count, waits, piped, 0.0 if skin else baked))
    # One tray stays as it is named, unless it waits for the trays of another bag.
    one = len(units) == 1 and free == FREE_AT_ONCE
    return _Units([] if one else units, loads, Free(plan.hands_s, plan.ends_s + room.recovers_s))


def _free_id(stem: str, number: int, taken: set[str]) -> str:
    """An id of a part that no other step has."""
    ids = (f"{stem[: LONGEST_ID - 4]}-{n}" for n in numbers(number))
    return next(i for i in ids if i not in taken)


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
    name = _free_id(step.id, number, taken) if number > 1 or step.id in taken else step.id
    taken.add(name)
    tail = f", {word} {number}" if of_many > 1 else ""
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
    own = {s.id for s in (chain.pipe, *chain.on_tray, chain.bake, *chain.cool)}
    taken = {s.id for s in formula.steps} - own
    made: list[Step] = []
    ends: list[str] = []
    for number in range(1, len(units) + 1):
        made += _on_a_tray(formula, chain, units, number, taken)
        ends.append(made[-1].id)
    hot = ""
    for number, load in enumerate(loads, start=1):
        share, late = sum(units[i].share for i in load), max(units[i].baked_late_s for i in load)
        trays = tuple(StepPortion(step=ends[i]) for i in load)
        waits = [_recovers(chain.bake, hot, number, taken)] if hot else []
        for step in (chain.bake, *chain.cool):
            takes = trays if step is chain.bake else (StepPortion(step=made[-1].id),)
            part = _named(step, number, len(loads), "load", taken, late_s=late) if len(loads) > 1 or late > 0 else {}
            update = {**part, **_stands(step, chain, load[0] + 1), "inputs": (*_goods(step, share), *takes)}
            if step is chain.bake:
                made += waits
                update["after"] = (*step.after, *(w.id for w in waits))
            made.append(step.model_copy(update=update))
            hot = made[-1].id if step is chain.bake else hot
    return made


def _on_a_tray(formula: Formula, chain: _Chain, units: Sequence[_Unit], number: int, taken: set[str]) -> list[Step]:
    """One tray: piped, and what is done on it before it bakes."""
    unit, last = units[number - 1], number == len(units)
    shares = {n: share for n, _, share in Flows(formula).taken(chain.pipe)}
    inputs = tuple(_shared(p, shares.get(n, 1.0), unit.share, last=last) for n, p in enumerate(chain.pipe.inputs))
    name = {**_named(chain.pipe, number, len(units), "tray", taken), **_stands(chain.pipe, chain, number)}
    made: list[Step] = [chain.pipe.model_copy(update={**name, "inputs": inputs})]
    for step in chain.on_tray:
        waits = unit.waits_s if isinstance(step, SkinStep) else 0.0
        late = max(unit.piped_late_s, unit.baked_late_s)
        name = _named(step, number, len(units), "tray", taken, waits_s=waits, late_s=late)
        inputs = (*_goods(step, unit.share), StepPortion(step=made[-1].id))
        made.append(step.model_copy(update={**name, **_stands(step, chain, number), "inputs": inputs}))
    return made


def _goods(step: Step, share: float) -> tuple[Portion, ...]:
    """The ingredients that a step takes, for a share of the pieces."""
    return tuple(p.scaled(share) for p in step.weighed)


def _recovers(bake: BakeStep, hot: str, load: int, taken: set[str]) -> RecoverStep:
    """The oven coming back after the load that was baked in the step ``hot``."""
    name = _free_id(f"hot-again-{bake.id}", load, taken)
    taken.add(name)
    return RecoverStep(
        id=name,
        title=f"Let the oven come back, load {load}",
        vessel="oven",
        oven_c=bake.oven_c,
        after=(hot,),
        component=bake.component,
    )


def _stands(step: Step, chain: _Chain, number: int) -> dict[str, object]:
    """What a part of a step is done in: its own tray, a load the first of its trays, where it is done on a tray."""
    return {"vessel": tray_of(step.vessel, number) if step.vessel == chain.pipe.vessel else step.vessel}


def tray_of(vessel: str, number: int) -> str:
    """The vessel of a tray: the first is the formula's own."""
    return vessel if number == 1 else f"{vessel[: LONGEST_ID - 5]}-no-{number}"


def _further(vessel: Vessel, trays: int) -> tuple[Vessel, ...]:
    """The vessels of all trays but the first."""
    return tuple(
        vessel.model_copy(update={"id": tray_of(vessel.id, n), "name": f"{vessel.name[:54]} {n}"})
        for n in range(2, trays + 1)
    )


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
    baked by themselves, of which a step is among ``but``, or for which the formula has no room, stay as they are.

    ``setting`` holds the tins of the step that leads.
    """
    formula = gathered(formula, but)
    pipes = [s for s in formula.steps if isinstance(s, PipeStep) and s.tray is None and s.again is None]
    if not pipes:
        return formula
    walked = {w.step.id: w for w in walk(formula, replace(setting, vessels={v.id: v for v in formula.vessels}))}
    # One batter in several bags: each waits for the hands and the oven of the bags before it.
    bags: dict[tuple[str, ...], Free] = {}
    for pipe in pipes:
        chain = _chain(formula, pipe)
        own = {s.id for s in (chain.pipe, *chain.on_tray, chain.bake)} if chain else set()
        if chain is None or own & but:
            continue
        batter = tuple(p.step for p in pipe.inputs if isinstance(p, StepPortion))
        units, loads, bags[batter] = _units(chain, walked, setting, bags.get(batter, FREE_AT_ONCE))
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
        there = {v.id for v in formula.vessels}
        further = (v for v in _further(formula.vessel(pipe.vessel), len(units)) if v.id not in there)
        vessels = (*formula.vessels, *further)
        if len(steps) > MOST_STEPS or len(vessels) > MOST_VESSELS:
            continue
        told = {"steps": tuple(_in_order(steps)), "vessels": vessels}
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
                takers = {s.id for s in consumers(formula, portion.step)} if isinstance(portion, StepPortion) else set()
                alone = takers <= {s.id for s in own}
                alike = [s.inputs[n] for s in own]
                inputs[f"#{n}"] = portion if len(own) == 1 else _together(portion, alike, alone=alone)
        update: dict[str, object] = {
            "inputs": tuple(inputs.values()),
            "after": tuple(dict.fromkeys(of.get(i, i) for i in step.after if i not in recover)),
        }
        if step.tray is not None:
            update |= {"id": step.tray.of, "tray": None, "title": _untold(step.title, step.tray)}
        steps.append(step.model_copy(update=update))
    used = {s.vessel for s in steps}
    gone = {s.vessel for s in formula.steps} - used
    vessels = tuple(v for v in formula.vessels if v.id not in gone)
    return Formula.model_validate({**dict(formula), "steps": tuple(steps), "vessels": vessels})


def _untold(title: str, tray: OnTray) -> str:
    """The title of a part without its number."""
    return title if tray.of_many == 1 else title.rsplit(", ", 1)[0]


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
