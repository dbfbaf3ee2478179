"""The gate before the point of no return: where nothing can wait any more, nothing may be missing.

Steps that are bound by windows are one chain: the syrup and the whites that it is for, the foam, the fold, the tin, the
oven. The gate stands before the first of them, once for all that they will need.
"""

from __future__ import annotations

from collections.abc import Collection, Iterable, Mapping
from enum import StrEnum

from kindwhisk.core.process.forecast import Forecast, StepForecast
from kindwhisk.core.process.outcome import MakeReady
from kindwhisk.core.process.windows import windows
from kindwhisk.core.values.model import Value

BINDS_S = 4 * 3600.0
"""What may wait for longer binds no steps to each other: one makes ready for it when it comes. Chosen."""


class GateItemKind(StrEnum):
    """What a gate item is satisfied by."""

    STEP = "step"
    THING = "thing"


class GateItem(Value):
    """One thing that has to be there: a step that is over (or, if it runs on its own, under way), or a thing."""

    id: str
    kind: GateItemKind
    name: str
    detail: str
    under_way_is_enough: bool = False


class Gate(Value):
    """All that has to be there before ``step`` may start."""

    step: str
    items: tuple[GateItem, ...]


def _ancestors(steps: Mapping[str, StepForecast]) -> dict[str, set[str]]:
    """By step: all that has to come before it."""
    found: dict[str, set[str]] = {}
    for step in steps.values():
        found[step.id] = set(step.needs).union(*(found[n] for n in step.needs))
    return found


def _bound(forecast: Forecast, before: Mapping[str, set[str]]) -> list[set[str]]:
    """Stretches of steps between which nothing may wait long: each foam up to where it sets, and each window."""
    steps = {s.id: s for s in forecast.steps}

    def between(start: str, end: str) -> set[str]:
        return {start, end} | {i for i in before[end] if start in before[i]}

    found = []
    for start in (s for s in forecast.steps if s.begins_foam):
        after = [s for s in forecast.steps if start.id in before[s.id]]
        ends = next((s for s in after if s.sets_foam or s.stills_foam), after[-1] if after else start)
        found.append(between(start.id, ends.id))
    for window in windows(forecast):
        set_by_then = steps[window.opens].sets_foam or any(steps[i].sets_foam for i in before[window.opens])
        if not set_by_then and window.hold_s.likely <= BINDS_S:
            found.append(between(window.opens, window.closes))
    return found


def chains(forecast: Forecast) -> tuple[frozenset[str], ...]:
    """The steps that are bound to each other by windows, chain by chain."""
    joined: list[set[str]] = []
    for stretch in _bound(forecast, _ancestors({s.id: s for s in forecast.steps})):
        touching = [c for c in joined if c & stretch]
        joined = [c for c in joined if not c & stretch] + [stretch.union(*touching)]
    return tuple(frozenset(c) for c in joined)


def _reached(steps: Mapping[str, StepForecast], chain: Iterable[str], in_chains: Collection[str]) -> set[str]:
    """All that comes before a chain, as far back as the next one."""
    found: set[str] = set()
    todo = [n for i in chain for n in steps[i].needs]
    while todo:
        step_id = todo.pop()
        if step_id not in found and step_id not in in_chains:
            found.add(step_id)
            todo += steps[step_id].needs
    return found


def gates(forecast: Forecast) -> tuple[Gate, ...]:
    """A gate for each step with which a chain begins: all hold the same, but for what a step has before it anyway."""
    steps = {s.id: s for s in forecast.steps}
    before = _ancestors(steps)
    linked = chains(forecast)
    in_chains = frozenset[str]().union(*linked)
    found: dict[str, Gate] = {}
    for chain in linked:
        free = {i for i in _reached(steps, chain, in_chains) if not before[i] & in_chains}
        starts = [s for s in forecast.steps if s.id in chain and not before[s.id] & chain]
        things = {m.id: m for s in forecast.steps if s.id in chain for m in s.make_ready}
        for start in starts:
            # What the foam's own ancestors wanted, a bowl free of fat above all, is checked here too.
            own = [s for s in forecast.steps if s.id in before[start.id] and s.vessel == start.vessel]
            things |= {m.id: m for s in own for m in s.make_ready}
            things |= {m.id: m for m in forecast.washing.ready.get(start.id, ())}
        for start in starts:
            beside = free - before[start.id]
            last = [s for s in forecast.steps if s.id in beside and not any(s.id in before[o] for o in beside)]
            found[start.id] = Gate(step=start.id, items=(*map(_of_step, last), *map(_of_thing, things.values())))
    return tuple(found[s.id] for s in forecast.steps if s.id in found)


def _of_step(step: StepForecast) -> GateItem:
    return GateItem(
        id=step.id,
        kind=GateItemKind.STEP,
        name=step.title,
        detail=step.goal,
        under_way_is_enough=step.under_way_is_enough,
    )


def _of_thing(thing: MakeReady) -> GateItem:
    return GateItem(id=f"have-{thing.id}", kind=GateItemKind.THING, name=thing.name, detail=thing.detail)
