"""Readings of outside probes, by the thousand."""

from __future__ import annotations

from collections import defaultdict
from collections.abc import Iterator, Sequence
from datetime import UTC, datetime
from typing import NamedTuple, cast

from peewee import SqliteDatabase, fn

from kindwhisk.store.models import ProbeReading, ProbeTally, bound
from kindwhisk.store.writing import Writer

KEEP = """INSERT OR IGNORE INTO "probereading" ("probe", "key", "at_ms", "read_c", "celsius", "told_ms")
    VALUES (?, ?, ?, ?, ?, ?)"""
TALLY = """INSERT INTO "probetally" ("probe", "readings") VALUES (?, ?)
    ON CONFLICT ("probe") DO UPDATE SET "readings" = "readings" + ?"""
READ_AT_ONCE = 20_000
LOOKED_AT_ONE_BY_ONE = 2000


class StoredReading(NamedTuple):
    """A reading as it lies on the disk: milliseconds since 1970, as read and set right (C).

    ``told_ms`` is what a device whose clock is wrong said of the moment; else None.
    """

    probe: str
    key: str
    at_ms: int
    read_c: float
    celsius: float
    told_ms: int | None = None

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
        self._tallies = bound(ProbeTally, database)

    def keep(self, readings: Sequence[StoredReading]) -> int:
        """Keep readings, all or none, and return how many are new; a repeated key of a probe changes nothing."""
        by_probe: dict[str, list[StoredReading]] = defaultdict(list)
        for reading in readings:
            by_probe[reading.probe].append(reading)
        stored = 0
        with self._writing():
            for probe, its in by_probe.items():
                new = self._database.cursor().executemany(KEEP, its).rowcount  # type: ignore[no-untyped-call]
                self._database.execute_sql(TALLY, (probe, new, new))  # type: ignore[no-untyped-call]
                stored += int(new)
        return stored

    def between(self, probe: str, since: datetime, until: datetime) -> Iterator[StoredReading]:
        """All readings of a probe in a stretch of time, in order, read as they are asked for."""
        rows = self._rows
        upto_id = self.last_id()  # what comes meanwhile does not belong to the answer
        last_ms, last_id = milliseconds(since) - 1, 0
        while True:
            query = (
                rows.select(rows.probe, rows.key, rows.at_ms, rows.read_c, rows.celsius, rows.told_ms, rows.id)
                .where((rows.probe == probe) & rows.at_ms.between(last_ms, milliseconds(until)) & (rows.id <= upto_id))
                .where((rows.at_ms > last_ms) | (rows.id > last_id))
                .order_by(rows.at_ms, rows.id)
                .limit(READ_AT_ONCE)
            )
            found = cast("list[tuple[str, str, int, float, float, int | None, int]]", list(query.tuples()))
            for row in found:
                yield StoredReading(*row[:-1])
            if len(found) < READ_AT_ONCE:
                return
            last_ms, last_id = found[-1][2], found[-1][-1]

    def between_ms(self, probe: str, since_ms: int, until_ms: int, upto_id: int, limit: int) -> list[tuple[int, float]]:
        """Moments (milliseconds since 1970) and readings (C, set right) of a probe, in order, of those that were on
        the disk by the row ``upto_id``."""
        rows = self._rows
        window = (rows.probe == probe) & rows.at_ms.between(since_ms, until_ms) & (rows.id <= upto_id)
        query = rows.select(rows.at_ms, rows.celsius).where(window).order_by(rows.at_ms, rows.id).limit(limit)
        return cast("list[tuple[int, float]]", list(query.tuples()))

    def mean(self, probe: str, since_ms: int, until_ms: int) -> float | None:
        """The mean of a probe's readings (set right) in a stretch of time (milliseconds since 1970), if any."""
        rows = self._rows
        window = (rows.probe == probe) & rows.at_ms.between(since_ms, until_ms)
        found = rows.select(fn.AVG(rows.celsius)).where(window).scalar()
        return None if found is None else float(found)

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
        rows, found = self._rows, []
        for tally in self._tallies.select().order_by(self._tallies.probe):
            row = (
                rows.select().where(rows.probe == tally.probe).order_by(rows.at_ms.desc(), rows.id.desc()).first()
            )  # fmt: skip
            if row is not None:
                last = StoredReading(tally.probe, row.key, row.at_ms, row.read_c, row.celsius, row.told_ms)
                found.append(ProbeEntry(tally.probe, tally.readings, last))
        return found
