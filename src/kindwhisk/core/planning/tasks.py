"""From a forecast to tasks with durations, needs, windows and resources."""

from __future__ import annotations

from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.gate import GateItemKind, gates
from kindwhisk.core.process.outcome import Attention, Resource
from kindwhisk.core.process.windows import windows
from kindwhisk.core.values.model import Value

HANDS = Resource.HANDS


class Task(Value):
    """A step on the clock; seconds."""

    id: str
    title: str
    duration_s: float
    low_s: float
    high_s: float
    needs: tuple[str, ...]
    uses: tuple[Resource, ...]


class Lag(Value):
    """The start of ``later`` is at least ``at_least_s`` and at most ``at_most_s`` after ``earlier``.

    ``from_end`` measures from the end of ``earlier``, else from its start.
    """

    earlier: str
    later: str
    at_least_s: float = 0.0
    at_most_s: float | None = None
    from_end: bool = True


class Job(Value):
    """One bake to be placed."""

    tasks: tuple[Task, ...]
    lags: tuple[Lag, ...]


def job(forecast: Forecast) -> Job:
    """The tasks of a forecast: needs and gates as minimum lags, hold windows as maximum lags."""
    tasks = tuple(
        Task(
            id=s.id,
            title=s.title,
            duration_s=s.duration_s.likely,
            low_s=s.duration_s.low,
            high_s=s.duration_s.high,
            needs=s.needs,
            uses=(*((HANDS,) if s.attention is Attention.THROUGHOUT else ()), *s.uses),
        )
        for s in forecast.steps
    )
    lags = [Lag(earlier=need, later=t.id) for t in tasks for need in t.needs]
    lags += [
        Lag(earlier=item.id, later=gate.step, from_end=not item.under_way_is_enough)
        for gate in gates(forecast)
        for item in gate.items
        if item.kind is GateItemKind.STEP
    ]
    lags += [Lag(earlier=w.opens, later=w.closes, at_most_s=w.hold_s.likely) for w in windows(forecast)]
    return Job(tasks=tasks, lags=tuple(lags))
