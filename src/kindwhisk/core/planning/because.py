"""Why a plan takes as long as it does: the chain of steps that cannot be moved closer together."""

from __future__ import annotations

from collections.abc import Mapping

from kindwhisk.core.planning.tasks import Job
from kindwhisk.core.values.model import Value

TOUCHING_S = 20.0
NAMED = 3


class Driver(Value):
    """A step on the critical chain and how long it takes."""

    step: str
    title: str
    seconds: float


def drivers(job: Job, times: Mapping[str, tuple[float, float]]) -> tuple[Driver, ...]:
    """The critical chain, first step first.

    It is followed back from the last end through whatever ends just before: a need, else a step that uses
    the same hands, mixer, hob or oven.
    """
    by_id = {t.id: t for t in job.tasks}
    gated: dict[str, set[str]] = {t.id: set(t.needs) for t in job.tasks}
    for lag in job.lags:
        if lag.from_end:
            gated[lag.later].add(lag.earlier)
    current = max(times, key=lambda i: times[i][1])
    chain = [current]
    while True:
        start = times[current][0]
        shared = {t.id for t in job.tasks if set(t.uses) & set(by_id[current].uses)}
        touching = [i for i in (gated[current] | shared) - set(chain) if start - TOUCHING_S <= times[i][1] <= start]
        if not touching:
            break
        current = max(touching, key=lambda i: (i in gated[current], times[i][1] - times[i][0]))
        chain.append(current)
    return tuple(Driver(step=i, title=by_id[i].title, seconds=by_id[i].duration_s) for i in reversed(chain))


def duration_in_words(seconds: float) -> str:
    """A length of time for reading: ``2 h 05 min``, ``34 min``, ``40 s``."""
    if seconds < 90:
        return f"{seconds:.0f} s"
    minutes = round(seconds / 60)
    return f"{minutes} min" if minutes < 60 else f"{minutes // 60} h {minutes % 60:02d} min"


NOT_PROVEN = "Not proven best: another order may be better."


def in_words(chain: tuple[Driver, ...], late_by_s: float, *, best: bool = True) -> str:
    """One or two sentences: what takes the time, by how much it is late, and whether no order is better."""
    longest = sorted(chain, key=lambda d: -d.seconds)[:NAMED]
    parts = [f"{d.title[:1].lower() + d.title[1:]} ({duration_in_words(d.seconds)})" for d in longest]
    listed = ", ".join(parts[:-1]) + (" and " if len(parts) > 1 else "") + parts[-1]
    if late_by_s > 0 and not best:
        return f"Ready {duration_in_words(late_by_s)} late in the plan that was found: {listed}. {NOT_PROVEN}"
    if late_by_s > 0:
        return f"Ready {duration_in_words(late_by_s)} late even if you start now: {listed} can't be shortened."
    return f"The time goes into {listed}." + ("" if best else f" {NOT_PROVEN}")
