"""When a step runs late: everything after it moves right at once, in the order that was planned."""

from __future__ import annotations

from collections.abc import Mapping

from kindwhisk.core.planning.tasks import Job
from kindwhisk.core.process.outcome import Resource
from kindwhisk.core.values.model import Value


class Actual(Value):
    """What is known of a step: when it started and ended, in seconds from the origin."""

    start_s: float | None = None
    end_s: float | None = None


def push(
    job: Job,
    planned: Mapping[str, tuple[float, float]],
    actual: Mapping[str, Actual],
    now_s: float,
) -> dict[str, tuple[float, float]]:
    """Expected start and end of every task.

    What is over stays; what runs ends no earlier than now; the rest keeps its planned start unless a need,
    a gate or a shared resource holds it back. What follows a foam keeps no planned start: it goes on at once.
    Planned order on each resource is kept.
    """
    times: dict[str, tuple[float, float]] = {}
    busy: dict[Resource, float] = {}
    waits: dict[str, list[tuple[str, bool]]] = {t.id: [] for t in job.tasks}
    for lag in job.lags:
        waits[lag.later].append((lag.earlier, lag.from_end))
    bound = _bound(job)
    known = {i: a for i, a in actual.items() if a.start_s is not None}
    pending = sorted(job.tasks, key=lambda t: (t.id not in known, planned[t.id][0], planned[t.id][1]))
    for task in pending:
        seen = known.get(task.id)
        if seen is not None and seen.start_s is not None:
            end = seen.end_s if seen.end_s is not None else max(now_s, seen.start_s + task.duration_s)
            times[task.id] = (seen.start_s, end)
        else:
            start = now_s if task.id in bound else max(planned[task.id][0], now_s)
            for earlier, from_end in waits[task.id]:
                if earlier in times:
                    start = max(start, times[earlier][1 if from_end else 0])
            start = max([start, *(busy.get(r, 0.0) for r in task.uses if r is not Resource.HOB)])
            times[task.id] = (start, start + task.duration_s)
        for resource in task.uses:
            busy[resource] = max(busy.get(resource, 0.0), times[task.id][1])
    return times


def _bound(job: Job) -> set[str]:
    """Tasks that come after something that can't wait."""
    found = {lag.later for lag in job.lags if lag.at_most_s is not None}
    for task in job.tasks:
        if found & set(task.needs):
            found.add(task.id)
    return found
