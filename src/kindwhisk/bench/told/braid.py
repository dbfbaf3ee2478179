"""The braid of a bake, as planned and as it goes or went."""

from __future__ import annotations

from datetime import datetime

from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.braid import Braid, braid
from kindwhisk.core.values.model import Value


class BakeBraid(Value):
    """The braid as planned and as it goes or went, with the moment that its seconds count from."""

    origin: datetime
    planned: Braid
    actual: Braid


def bake_braid(at: Moment) -> BakeBraid:
    """Both, over the same clock; of a bake that is over, only what was done."""
    origin, forecast = at.began_at, at.walked.forecast

    def seconds(moment: datetime) -> float:
        return (moment - origin).total_seconds()

    planned = {p.step: (seconds(p.start), seconds(p.end)) for p in at.document.planned}
    over = at.progress.ended_at is not None
    real = {
        i: (seconds(start), seconds(end))
        for i, (start, end) in at.expected.items()
        if not over or at.progress.is_over(i)
    }
    return BakeBraid(origin=origin, planned=braid(forecast, planned), actual=braid(forecast, real))
