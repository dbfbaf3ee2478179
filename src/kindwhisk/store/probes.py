"""Readings of outside probes, by the thousand."""

from __future__ import annotations

from collections.abc import Sequence
from datetime import UTC, datetime
from typing import NamedTuple, cast

from peewee import chunked, fn

from kindwhisk.store.models import ProbeReading
from kindwhisk.store.writing import writing

ROWS_AT_ONCE = 1000


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


def keep(readings: Sequence[StoredReading]) -> int:
    """Keep readings, all or none, and return how many are new; a repeated key of a probe changes nothing."""
    stored = 0
    with writing():
        for rows in chunked(readings, ROWS_AT_ONCE):
            query = ProbeReading.insert_many(
                [r._asdict() for r in rows],
                fields=[
                    ProbeReading.probe,
                    ProbeReading.key,
                    ProbeReading.at_ms,
                    ProbeReading.read_c,
                    ProbeReading.celsius,
                ],
            )
            stored += int(query.on_conflict_ignore().as_rowcount().execute())
    return stored


def between(
    probe: str, since: datetime, until: datetime, after_ms: int | None = None, limit: int = 200_000
) -> list[StoredReading]:
    """Readings of a probe in a stretch of time, in order; only those later than ``after_ms``."""
    start = milliseconds(since) if after_ms is None else max(milliseconds(since), after_ms + 1)
    query = (
        ProbeReading.select(
            ProbeReading.probe, ProbeReading.key, ProbeReading.at_ms, ProbeReading.read_c, ProbeReading.celsius
        )
        .where((ProbeReading.probe == probe) & ProbeReading.at_ms.between(start, milliseconds(until)))
        .order_by(ProbeReading.at_ms)
        .limit(limit)
        .tuples()
    )
    return [StoredReading(*row) for row in cast("list[tuple[str, str, int, float, float]]", list(query))]


def count(probe: str, since: datetime, until: datetime | int) -> int:
    """How many there are in a stretch of time; its end as a moment, or in milliseconds since 1970."""
    end = until if isinstance(until, int) else milliseconds(until)
    window = ProbeReading.at_ms.between(milliseconds(since), end)
    return int(ProbeReading.select().where((ProbeReading.probe == probe) & window).count())


def known() -> list[ProbeEntry]:
    """Every probe that has ever sent a reading."""
    counts = ProbeReading.select(ProbeReading.probe, fn.COUNT(ProbeReading.id), fn.MAX(ProbeReading.at_ms)).group_by(
        ProbeReading.probe
    )
    found = []
    for probe, number, last_ms in cast("list[tuple[str, int, int]]", list(counts.tuples())):
        row = (
            ProbeReading.select()
            .where((ProbeReading.probe == probe) & (ProbeReading.at_ms == last_ms))
            .order_by(ProbeReading.id.desc())
            .get()
        )
        found.append(ProbeEntry(probe, number, StoredReading(probe, row.key, row.at_ms, row.read_c, row.celsius)))
    return sorted(found, key=lambda e: e.probe)
