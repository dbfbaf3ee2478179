"""How the clock of the machine was moved while the server ran; append-only."""

from __future__ import annotations

from datetime import datetime
from typing import NamedTuple

from peewee import SqliteDatabase

from kindwhisk.store.models import ClockMove, bound
from kindwhisk.store.writing import Writer


class Moved(NamedTuple):
    """The wall's clock was moved: when by the bench's clock and when by the wall's new time, by how much (s), and how
    far the bench's clock is ahead of it since (s)."""

    at: datetime
    wall_at: datetime
    moved_s: float
    lead_s: float


class ClockMoves:
    """The moves of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(ClockMove, database), writing

    def keep(self, move: Moved) -> None:
        """Keep a move."""
        with self._writing():
            self._rows.create(
                at=move.at.isoformat(), wall_at=move.wall_at.isoformat(), moved_s=move.moved_s, lead_s=move.lead_s
            )

    def listed(self, most: int = 100) -> list[Moved]:
        """The latest moves, in order."""
        rows = self._rows.select().order_by(self._rows.id.desc()).limit(most)
        return [
            Moved(datetime.fromisoformat(r.at), datetime.fromisoformat(r.wall_at), r.moved_s, r.lead_s)
            for r in reversed(list(rows))
        ]
