"""How the machine's clock was moved while a bake ran: its times go on by the clock of before."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime

from kindwhisk.bench.log.progress import BakeStatus
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.values.model import Value
from kindwhisk.store.clock_moves import Moved


class ClockMoved(Value):
    """The clock was moved: at this moment of the bench, to that of the wall, by so much; the lead since (s)."""

    at: datetime
    wall_at: datetime
    moved_s: float
    lead_s: float


def moved_during(at: Moment, moves: Iterable[Moved]) -> tuple[ClockMoved, ...]:
    """The moves from when a bake began until its last event, or until now where it still runs."""
    until = at.now if at.progress.status is BakeStatus.RUNNING else at.log.last_at
    return tuple(ClockMoved(**m._asdict()) for m in moves if at.began_at <= m.at <= until and m.moved_s)
