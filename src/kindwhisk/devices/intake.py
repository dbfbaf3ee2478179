"""The door for outside readings: any unit and pace, one or thousands; acknowledged only when they are on the disk."""

from __future__ import annotations

import secrets
from collections.abc import Sequence
from datetime import UTC, datetime, timedelta
from typing import Annotated

from pydantic import AwareDatetime, Field

from kindwhisk.bench.workplace import Workplace
from kindwhisk.core.kitchen import Kitchen, ProbePlace
from kindwhisk.core.reading.conversion import TemperatureUnit, celsius_of
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value
from kindwhisk.store.probes import StoredReading, milliseconds

COLDEST_C, HOTTEST_C = -60.0, 450.0
AHEAD = timedelta(minutes=2)
"""A device whose clock is further ahead than this is wrong: its readings are placed by when they came."""
EARLIEST = datetime(2020, 1, 1, tzinfo=UTC)
"""A device that tells of a time before this has a clock that was never set."""
MOST_AT_ONCE = 20_000
MOST_DAMP = 100.0


class OutsideReading(Value):
    """A temperature from a probe, or percent from a hygrometer (a probe that lives in the room).

    Without ``at`` it is of now; a repeated ``key`` of a probe changes nothing.
    """

    probe: Annotated[str, Field(pattern=r"^[A-Za-z0-9][A-Za-z0-9_.:-]{0,39}$")]
    value: Annotated[float, Field(allow_inf_nan=False)]
    unit: TemperatureUnit = TemperatureUnit.CELSIUS
    at: AwareDatetime | None = None
    key: Annotated[str, Field(min_length=1, max_length=80)] | None = None


class Intake(Value):
    """What came of a batch: how many are new, how many were there already, and what was done about wrong clocks.

    ``placed`` of them were placed by when they came, since their device's clock is wrong; ``said`` tells by how much.
    """

    stored: int
    repeated: int
    placed: int = 0
    said: str = ""


def take(readings: Sequence[OutsideReading], bench: Workplace) -> Intake:
    """Keep readings, each set right by its thermometer's check; all of them or none.

    Raises:
        CraftError: one of them can't be, named by its place; nothing was kept.
    """
    now, kitchen = bench.clock.now(), bench.kitchen
    wrong = _wrong_clocks(readings, now)
    kept = [
        _kept(r, f"readings.{i}" if len(readings) > 1 else "", wrong.get(r.probe, timedelta()), now, kitchen)
        for i, r in enumerate(readings)
    ]
    stored = bench.store.probes.keep(kept)
    for last in {k.probe: k for k in sorted(kept, key=lambda k: k.at_ms)}.values():
        bench.hub.read(last.probe, last.at, last.celsius)
    return Intake(
        stored=stored,
        repeated=len(kept) - stored,
        placed=sum(k.told_ms is not None for k in kept),
        said=" ".join(_said(probe, off) for probe, off in sorted(wrong.items())),
    )


def _wrong_clocks(readings: Sequence[OutsideReading], now: datetime) -> dict[str, timedelta]:
    """By how much the clock of each device is off that tells of a time that can't be (positive: ahead).

    Its latest reading is of when it came; the others keep their distance from it.
    """
    latest: dict[str, datetime] = {}
    for reading in readings:
        if reading.at is not None:
            latest[reading.probe] = max(reading.at, latest.get(reading.probe, reading.at))
    return {probe: at - now for probe, at in latest.items() if at > now + AHEAD or at < EARLIEST}


def _said(probe: str, off: timedelta) -> str:
    hours = abs(off.total_seconds()) / 3600
    by = (
        f"{hours:.1f} hours"
        if 1 <= hours < 48
        else f"{hours * 60:.0f} minutes"
        if hours < 1
        else f"{hours / 24:.0f} days"
    )
    way = "ahead" if off > timedelta() else "behind"
    return f"The clock of '{probe}' is {by} {way}: its readings are placed by when they came. Set its clock."


def _is_damp(reading: OutsideReading, place: str, kitchen: Kitchen) -> bool:
    """Whether it is of a hygrometer.

    Raises:
        CraftError: percent of something that is none, a hygrometer's temperature, or what no air can be.
    """
    own = next((t for t in kitchen.thermometers if t.id == reading.probe), None)
    lives_in_room = own is not None and own.place is ProbePlace.ROOM
    field = f"{place}." if place else ""
    if reading.unit is TemperatureUnit.PERCENT and own is not None and not lives_in_room:
        raise CraftError(
            f"'{reading.probe}' is a thermometer: it can't read percent.",
            field=f"{field}unit",
            remedy="Send C, F or K; or let it live in the room, in Kitchen, if it is a hygrometer.",
        )
    if lives_in_room and reading.unit in {TemperatureUnit.FAHRENHEIT, TemperatureUnit.KELVIN}:
        raise CraftError(
            f"'{reading.probe}' is a hygrometer: it reads percent.", field=f"{field}unit", remedy="Send percent."
        )
    damp = lives_in_room or reading.unit is TemperatureUnit.PERCENT
    if damp and not 0 <= reading.value <= MOST_DAMP:
        raise CraftError(
            f"{reading.value:g} % is more than air can hold, or less than nothing.",
            field=f"{field}value",
            remedy="A hygrometer reads from 0 to 100 %.",
        )
    return damp


def _kept(reading: OutsideReading, place: str, off: timedelta, now: datetime, kitchen: Kitchen) -> StoredReading:
    if _is_damp(reading, place, kitchen):
        celsius = reading.value
    elif not COLDEST_C <= (celsius := celsius_of(reading.value, reading.unit)) <= HOTTEST_C:
        raise CraftError(
            f"{reading.value:g} {reading.unit.value} is no temperature of a kitchen.",
            field=f"{place}.value" if place else "value",
            remedy="Check the unit (C, F or K) and the probe's plug.",
        )
    told = None if reading.at is None else milliseconds(reading.at)
    moment = milliseconds(now) if reading.at is None else milliseconds(reading.at - off)
    # By what the device said, so that what it sends again is known again.
    key = reading.key or (secrets.token_hex(8) if told is None else f"at-{told}")
    right_c = kitchen.corrected_c(reading.probe, celsius)
    return StoredReading(reading.probe, key, moment, celsius, right_c, told if off else None)
