"""The door for outside readings: any unit and pace, one or thousands; acknowledged only when they are on the disk."""

from __future__ import annotations

import secrets
from collections.abc import Sequence
from datetime import datetime, timedelta
from typing import Annotated

from pydantic import AwareDatetime, Field

from kindwhisk.bench.workplace import Workplace
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.reading.conversion import TemperatureUnit, celsius_of
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.store.probes import StoredReading, milliseconds

COLDEST_C, HOTTEST_C = -60.0, 450.0
AHEAD = timedelta(minutes=2)
"""A device whose clock is further ahead than this is told so."""
MOST_AT_ONCE = 20_000


class OutsideReading(Value):
    """A temperature from a probe. Without ``at`` it is of now; a repeated ``key`` of a probe changes nothing."""

    probe: Annotated[str, Field(pattern=r"^[A-Za-z0-9][A-Za-z0-9_.:-]{0,39}$")]
    value: Annotated[float, Field(allow_inf_nan=False)]
    unit: TemperatureUnit = TemperatureUnit.CELSIUS
    at: AwareDatetime | None = None
    key: Annotated[str, Field(min_length=1, max_length=80)] | None = None


class Intake(Value):
    """What came of a batch: how many are new, and how many were there already."""

    stored: int
    repeated: int


def take(readings: Sequence[OutsideReading], bench: Workplace) -> Intake:
    """Keep readings, each set right by its thermometer's check; all of them or none.

    Raises:
        CraftError: one of them can't be, named by its place; nothing was kept.
    """
    now, kitchen = bench.clock.now(), bench.kitchen
    kept = [_kept(r, f"readings.{i}" if len(readings) > 1 else "", now, kitchen) for i, r in enumerate(readings)]
    stored = bench.store.probes.keep(kept)
    for last in {k.probe: k for k in sorted(kept, key=lambda k: k.at_ms)}.values():
        bench.hub.read(last.probe, last.at, last.celsius)
    return Intake(stored=stored, repeated=len(kept) - stored)


def _kept(reading: OutsideReading, place: str, now: datetime, kitchen: Kitchen) -> StoredReading:
    def field(name: str) -> str:
        return f"{place}.{name}" if place else name

    celsius = celsius_of(reading.value, reading.unit)
    if not COLDEST_C <= celsius <= HOTTEST_C:
        raise CraftError(
            f"{reading.value:g} {reading.unit.value} is no temperature of a kitchen.",
            field=field("value"),
            remedy="Check the unit (C, F or K) and the probe's plug.",
        )
    at = reading.at or now
    if at > now + AHEAD:
        raise CraftError(
            f"The reading of '{reading.probe}' lies in the future.",
            field=field("at"),
            remedy="Set the device's clock, or leave the time out: then it is now.",
        )
    moment = milliseconds(at)
    key = reading.key or (f"at-{moment}" if reading.at else secrets.token_hex(8))
    return StoredReading(reading.probe, key, moment, celsius, kitchen.corrected_c(reading.probe, celsius))
