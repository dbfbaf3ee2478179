"""The gate before the point of no return: nothing that a foam will need may be missing when it begins."""

from __future__ import annotations

from collections.abc import Mapping
from enum import StrEnum

from kindwhisk.core.process.forecast import Forecast, StepForecast
from kindwhisk.core.values.model import Value


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


def _ancestors(steps: Mapping[str, StepForecast], step_id: str) -> set[str]:
    found: set[str] = set()
    waiting = list(steps[step_id].needs)
    while waiting:
        need = waiting.pop()
        if need not in found:
            found.add(need)
            waiting.extend(steps[need].needs)
    return found


def gates(forecast: Forecast) -> tuple[Gate, ...]:
    """A gate for each step that begins a foam."""
    steps = {s.id: s for s in forecast.steps}
    before = {i: _ancestors(steps, i) for i in steps}
    result = []
    for start in (s for s in forecast.steps if s.begins_foam):
        after = [s for s in forecast.steps if start.id in before[s.id]]
        ends = next((s for s in after if s.sets_foam), after[-1] if after else start)
        window = {s.id for s in after if s.id in before[ends.id]} | {ends.id}
        companions = [
            s
            for s in forecast.steps
            if s.id in before[ends.id]
            and s.id not in window
            and s.id != start.id
            and s.id not in before[start.id]
            and not s.begins_foam
            # A syrup can't wait any more than the foam: its own window brings the two together.
            and s.hold_s is None
            and not any(before_foam.id in before[s.id] for before_foam in forecast.steps if before_foam.begins_foam)
        ]
        last = [c for c in companions if not any(c.id in steps[o.id].needs for o in companions)]
        items = [
            GateItem(
                id=c.id,
                kind=GateItemKind.STEP,
                name=c.title,
                detail=c.goal,
                under_way_is_enough=c.under_way_is_enough,
            )
            for c in last
        ]
        needed_at = [start, *(s for s in forecast.steps if s.id in window)]
        # What the foam's own ancestors wanted, a bowl free of fat above all, is checked here too.
        needed_at += [s for s in forecast.steps if s.id in before[start.id] and s.vessel == start.vessel]
        things = {m.id: m for s in needed_at for m in s.make_ready}
        things |= {m.id: m for m in forecast.washing.ready.get(start.id, ())}
        items += [
            GateItem(id=f"have-{m.id}", kind=GateItemKind.THING, name=m.name, detail=m.detail) for m in things.values()
        ]
        result.append(Gate(step=start.id, items=tuple(items)))
    return tuple(result)
