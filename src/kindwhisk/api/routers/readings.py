"""Readings from outside: probes post here, one by one or by the thousand; tables come in and go out as CSV."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Query
from fastapi.responses import Response, StreamingResponse
from pydantic import AwareDatetime, BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import BenchHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.devices import intake
from kindwhisk.devices.intake import MOST_AT_ONCE, Intake, OutsideReading
from kindwhisk.formats import probe_csv

router = APIRouter(prefix="/api/readings", tags=["readings"], responses=refusals(400, 422))


class Batch(BaseModel):
    """Several readings, kept together or not at all."""

    model_config = ConfigDict(extra="forbid")

    readings: Annotated[list[OutsideReading], Field(min_length=1, max_length=MOST_AT_ONCE)]


class ReadingsTable(BaseModel):
    """A CSV table with a header: ``probe``, ``value``, ``unit``, ``at`` (ISO 8601) and, perhaps, ``key``."""

    model_config = ConfigDict(extra="forbid", strict=True)

    text: Annotated[str, Field(max_length=4_000_000)]


class ProbeView(BaseModel):
    """A probe that has sent readings, and its last one as it was read and set right (C)."""

    probe: str
    readings: int
    last_at: datetime
    read_c: float
    celsius: float


@router.post("")
def take(bench: BenchHere, body: OutsideReading | Batch) -> Intake:
    """Keep a reading or a batch; answered only when all of it is on the disk. A repeated key changes nothing."""
    readings = body.readings if isinstance(body, Batch) else [body]
    return intake.take(readings, bench)


@router.post("/csv")
def take_csv(bench: BenchHere, body: ReadingsTable) -> Intake:
    """Keep a table of readings, all or none."""
    return intake.take(probe_csv.read(body.text), bench)


@router.get("")
def known(store: StoreHere) -> list[ProbeView]:
    """Every probe that has sent something, with its last reading."""
    return [
        ProbeView(probe=e.probe, readings=e.readings, last_at=e.last.at, read_c=e.last.read_c, celsius=e.last.celsius)
        for e in store.probes.known()
    ]


@router.get("/csv", response_class=Response)
def as_csv(
    store: StoreHere, probe: Annotated[str, Query(max_length=40)], since: AwareDatetime, until: AwareDatetime
) -> StreamingResponse:
    """All readings of a probe in a stretch of time as CSV, in the form that is read again."""
    return StreamingResponse(
        probe_csv.write(store.probes.between(probe, since, until)),
        media_type="text/csv; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="probe.csv"'},
    )
