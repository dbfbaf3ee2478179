"""What thermometers told of a bake, step by step."""

from __future__ import annotations

from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.told.views import TraceView
from kindwhisk.core.values.temperature import Point


def traces(at: Moment) -> tuple[TraceView, ...]:
    """The way of the temperature of every step that a thermometer followed."""
    found = []
    for step in at.walked.forecast.steps:
        step_id, seen = step.id, at.watch(step.id)
        if seen is None:
            continue
        own = at.progress.steps[step_id]
        reads = at.walked.formula.step(step_id).reads
        band = next((c.band for c in step.checkpoints if c.band and c.band.quantity is reads), None)
        if band is None or own.started_at is None or seen.watch.peak_c is None:
            continue
        lasted = (min(at.now, own.ended_at or at.now) - own.started_at).total_seconds()
        found.append(
            TraceView(
                step=step_id,
                title=step.title,
                started_at=own.started_at,
                probe=seen.probe,
                target_c=band.range.likely,
                low_c=band.range.low,
                high_c=band.range.high,
                peak_c=seen.watch.peak_c,
                points=tuple(Point(s=lasted + p.s, c=p.c) for p in seen.watch.trail),
                egg=seen.watch.egg,
            )
        )
    return tuple(found)
