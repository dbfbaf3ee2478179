"""What thermometers had told of a running step by some moment: kept so that a start need not read them all again.

Nothing here is a source: every row can be deleted and is worked out again from events and readings.
"""

from __future__ import annotations

import zlib
from typing import NamedTuple

from peewee import SqliteDatabase

from kindwhisk.store.models import CheckpointRow, bound
from kindwhisk.store.writing import Writer


class StoredCheckpoint(NamedTuple):
    """What was told by ``at_ms``, and what it rests on; see :class:`~kindwhisk.store.models.CheckpointRow`."""

    at_ms: int
    basis: str
    upto_id: int
    memory: str


class Checkpoints:
    """The checkpoints of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._rows, self._writing = bound(CheckpointRow, database), writing

    def of(self, bake: str, step: str) -> list[StoredCheckpoint]:
        """Those of a step, in order."""
        rows = self._rows
        query = rows.select().where((rows.bake == bake) & (rows.step == step)).order_by(rows.at_ms)
        return [
            StoredCheckpoint(row.at_ms, row.basis, row.upto_id, zlib.decompress(row.memory).decode()) for row in query
        ]

    def replace(self, bake: str, step: str, kept: list[StoredCheckpoint]) -> None:
        """Keep these of a step, and no others."""
        rows = self._rows
        with self._writing():
            rows.delete().where((rows.bake == bake) & (rows.step == step)).execute()
            for one in kept:
                rows.create(
                    bake=bake,
                    step=step,
                    at_ms=one.at_ms,
                    basis=one.basis,
                    upto_id=one.upto_id,
                    memory=zlib.compress(one.memory.encode(), 1),
                )
