"""When every step is expected to start and end, from what has happened so far."""

from __future__ import annotations

from collections.abc import Mapping
from datetime import datetime, timedelta

from kindwhisk.bench.log.document import BakeDocument
from kindwhisk.bench.log.progress import Progress
from kindwhisk.bench.now.outlook import Outlook
from kindwhisk.core.planning.push import Actual, push
from kindwhisk.core.planning.tasks import Job, job
from kindwhisk.core.process.forecast import Forecast

NOT_CALLED: Mapping[str, datetime] = {}


# The forecast, what happened, and what runs: together they are the moment.
def expected_times(  # noqa: PLR0917
    forecast: Forecast,
    progress: Progress,
    document: BakeDocument,
    outlooks: Mapping[str, Outlook],
    began_at: datetime,
    now: datetime,
    called: Mapping[str, datetime] = NOT_CALLED,
) -> dict[str, tuple[datetime, datetime]]:
    """The plan pushed by what has happened, step by step; ``called`` are steps that something under way calls for at a
    moment, whatever was planned."""
    planned = {
        p.step: ((p.start - began_at).total_seconds(), (p.end - began_at).total_seconds()) for p in document.planned
    }
    base = job(forecast)
    tasks = tuple(
        t.model_copy(update={"duration_s": (o.likely_at - o.started_at).total_seconds()})
        if (o := outlooks.get(t.id))
        else t
        for t in base.tasks
    )
    actual = {
        i: Actual(
            start_s=(s.started_at - began_at).total_seconds(),
            end_s=None if s.ended_at is None else (s.ended_at - began_at).total_seconds(),
        )
        for i, s in progress.steps.items()
        if s.started_at is not None
    }
    planned |= {i: ((at - began_at).total_seconds(),) * 2 for i, at in called.items()}
    here = (now - began_at).total_seconds()
    planned |= {t.id: (here, here) for t in tasks if t.id not in planned}
    times = push(Job(tasks=tasks, lags=base.lags), planned, actual, (now - began_at).total_seconds())
    return {i: (began_at + timedelta(seconds=a), began_at + timedelta(seconds=b)) for i, (a, b) in times.items()}
