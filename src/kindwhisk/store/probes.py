"""Readings of outside probes, by the thousand."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import UTC, datetime
from typing import NamedTuple, cast

from peewee import SqliteDatabase, chunked, fn

from kindwhisk.store.models import ProbeReading, bound
from kindwhisk.store.writing import Writer

ROWS_AT_ONCE = 1000
LOOKED_AT_ONE_BY_ONE = 2000


class StoredReading(NamedTuple):
    """A reading as it lies on the disk: milliseconds since 1970, as read and set right (C)."""

    probe: str
    key: str
    at_ms: int
    read_c: float
    celsius: float

    @property
    def at(self) -> datetime:
        """Its moment in UTC."""
        return datetime.fromtimestamp(self.at_ms / 1000, UTC)


class ProbeEntry(NamedTuple):
    """A probe that has sent something: how much, and its last reading."""

    probe: str
    readings: int
    last: StoredReading


def milliseconds(moment: datetime) -> int:
    """A moment as it is kept."""
    return round(moment.timestamp() * 1000)


class Probes:
    """The outside readings of one data file."""

    def __init__(self, database: SqliteDatabase, writing: Writer) -> None:
        self._database, self._rows, self._writing = database, bound(ProbeReading, database), writing

    def keep(self, readings: Sequence[StoredReading]) -> int:
        """Keep readings, all or none, and return how many are new; a repeated key of a probe changes nothing."""
        stored = 0
        with self._writing():
            for rows in chunked(readings, ROWS_AT_ONCE):
                query = self._rows.insert_many(
                    [r._asdict() for r in rows],
                    fields=[
                        self._rows.probe,
                        self._rows.key,
                        self._rows.at_ms,
                        self._rows.read_c,
                        self._rows.celsius,
                    ],
                )
                stored += int(query.on_conflict_ignore().as_rowcount().execute())
        return stored

    def between(self, probe: str, since: datetime, until: datetime, limit: int = 200_000) -> list[StoredReading]:
        """Readings of a probe in a stretch of time, in order."""
        rows = self._rows
        query = (
            rows.select(rows.probe, rows.key, rows.at_ms, rows.read_c, rows.celsius)
            .where((rows.probe == probe) & rows.at_ms.between(milliseconds(since), milliseconds(until)))
            .order_by(rows.at_ms, rows.id)
            .limit(limit)
        )
        found = cast("list[tuple[str, str, int, float, float]]", list(query.tuples()))
        return [StoredReading(*row) for row in found]

    def between_ms(self, probe: str, since_ms: int, until_ms: int, upto_id: int, limit: int) -> list[tuple[int, float]]:
        """Moments (milliseconds since 1970) and readings (C, set right) of a probe, in order, of those that were on
        the disk by the row ``upto_id``."""
        rows = self._rows
        window = (rows.probe == probe) & rows.at_ms.between(since_ms, until_ms) & (rows.id <= upto_id)
        query = rows.select(rows.at_ms, rows.celsius).where(window).order_by(rows.at_ms, rows.id).limit(limit)
        return cast("list[tuple[int, float]]", list(query.tuples()))

    def has_any(self, probe: str, since_ms: int, until_ms: int) -> bool:
        """Whether a stretch of time (milliseconds since 1970) holds a reading of a probe."""
        rows = self._rows
        window = (rows.probe == probe) & rows.at_ms.between(since_ms, until_ms)
        return bool(rows.select(rows.id).where(window).limit(1).exists())

    def came_late(self, probe: str, since_ms: int, until_ms: int, after_id: int, upto_id: int) -> bool:
        """Whether, of what was kept after a row up to another, something of a probe lies in a stretch of time."""
        if upto_id <= after_id:
            return False
        # Of a few new rows each is looked at; else SQLite would walk all readings of the stretch for them.
        by_row = "+" if upto_id - after_id < LOOKED_AT_ONE_BY_ONE else ""
        found = self._database.execute_sql(  # type: ignore[no-untyped-call]
            f'SELECT 1 FROM "probereading" WHERE "id" > ? AND "id" <= ? AND {by_row}"probe" = ?'
            f' AND {by_row}"at_ms" BETWEEN ? AND ? LIMIT 1',
            (after_id, upto_id, probe, since_ms, until_ms),
        )
        return found.fetchone() is not None

    def last_id(self) -> int:
        """The row of the newest reading of any probe; 0 before the first."""
        return int(self._rows.select(fn.MAX(self._rows.id)).scalar() or 0)

    def known(self) -> list[ProbeEntry]:
        """Every probe that has ever sent a reading."""
        counts = self._rows.select(self._rows.probe, fn.COUNT(self._rows.id), fn.MAX(self._rows.at_ms)).group_by(
            self._rows.probe
        )
        found = []
        for probe, number, last_ms in cast("list[tuple[str, int, int]]", list(counts.tuples())):
            row = (
                self._rows.select()
                .where((self._rows.probe == probe) & (self._rows.at_ms == last_ms))
                .order_by(self._rows.id.desc())
                .get()
            )
            found.append(ProbeEntry(probe, number, StoredReading(probe, row.key, row.at_ms, row.read_c, row.celsius)))
        return sorted(found, key=lambda e: e.probe)
