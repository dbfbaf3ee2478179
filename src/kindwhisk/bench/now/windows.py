"""Contents that wait and may not wait for ever: until when, what they have lost by now, and what brings it back."""

from __future__ import annotations

from datetime import datetime, timedelta

from kindwhisk.bench.log.progress import BakeStatus, Progress, StepStatus
from kindwhisk.core.foams.ageing import Ageing, air_lost
from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.windows import windows
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value


class WindowView(Value):
    """A content that waits and may not wait for ever; ``lost`` is the share of its bubbles that is gone."""

    step: str
    closes: str
    name: str
    why: str
    since: datetime
    until: datetime
    lost: Estimate | None
    ageing: Ageing | None


def open_windows(forecast: Forecast, progress: Progress, now: datetime) -> tuple[WindowView, ...]:
    """Every content that waits at a moment."""
    views = []
    for window in windows(forecast):
        opened, closing = progress.steps.get(window.opens), progress.status_of(window.closes)
        if opened is None or opened.ended_at is None or opened.status is not StepStatus.DONE:
            continue
        if closing is not StepStatus.WAITING or progress.status is not BakeStatus.RUNNING:
            continue
        step = forecast.step(window.opens)
        since = progress.waits_since(window.opens, opened.ended_at, now)
        waited = (now - since).total_seconds()
        views.append(
            WindowView(
                step=window.opens,
                closes=window.closes,
                name=step.vessel_name,
                why=window.why,
                since=since,
                until=since + timedelta(seconds=window.hold_s.likely),
                lost=None if step.ageing is None else air_lost(waited, window.hold_s),
                ageing=step.ageing,
            )
        )
    return tuple({w.step: w for w in views}.values())
