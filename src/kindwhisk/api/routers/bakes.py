"""Bakes: start one, follow it, tell what happened, read it back."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from fastapi import APIRouter, Query, Request
from fastapi.responses import Response
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.plans import PlanRequest
from kindwhisk.bench.log.events import BenchEvent
from kindwhisk.bench.record import BakeSummary
from kindwhisk.bench.service import BakeBraid, Bench
from kindwhisk.bench.told.views import BakeState, TraceView
from kindwhisk.core.ingredients.eggs import EggsOfTheDay
from kindwhisk.formats import readings_csv
from kindwhisk.store import bakes

router = APIRouter(
    prefix="/api/bakes",
    tags=["bench"],
    responses=refusals(400, 404, 409, 422),
)


class StartRequest(PlanRequest):
    """A plan, taken up. The key makes a repeated post start nothing twice."""

    model_config = ConfigDict(frozen=True, extra="forbid", strict=True)

    client_key: Annotated[str, Field(min_length=8, max_length=80)]


class BakeEntry(BaseModel):
    """A line of the Log."""

    id: str
    formula_id: str
    formula_version: int
    title: str
    started_at: datetime
    status: str
    summary: BakeSummary | None


def _bench(request: Request) -> Bench:
    bench: Bench = request.app.state.bench
    return bench


@router.get("/eggs-today")
def eggs_today(request: Request) -> EggsOfTheDay | None:
    """Eggs for all bakes that run or were finished today: cracked for each alone, and pooled; None without any."""
    return _bench(request).eggs_today()


@router.get("")
def listed(
    status: Literal["running", "finished", "abandoned"] | None = None,
    formula_id: Annotated[str | None, Query(max_length=60)] = None,
) -> list[BakeEntry]:
    """Bakes, the newest first."""
    return [
        BakeEntry(
            id=row.id,
            formula_id=row.formula,
            formula_version=row.version,
            title=row.title,
            started_at=datetime.fromisoformat(row.started_at),
            status=row.status,
            summary=BakeSummary.model_validate(row.summary) if row.summary else None,
        )
        for row in bakes.listed(status=status, formula=formula_id)
    ]


@router.post("", status_code=201)
def start(body: StartRequest, request: Request) -> BakeState:
    """Start a bake: scale, plan, and keep all of it. A repeated key answers with the same bake."""
    bench = _bench(request)
    bake_id = bench.start(body.formula_id, body.wish(), body.ready_at, body.client_key, body.not_before)
    return bench.state(bake_id)


@router.get("/{bake_id}/readings.csv", response_class=Response)
def readings(bake_id: str, request: Request) -> Response:
    """The readings with their bands as CSV."""
    text = readings_csv.write(_bench(request).state(bake_id))
    return Response(
        text,
        media_type="text/csv; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="readings.csv"'},
    )


@router.get("/{bake_id}")
def state(bake_id: str, request: Request, step: Annotated[str | None, Query(max_length=80)] = None) -> BakeState:
    """The state of a bake now; ``step`` names one more step to show close up."""
    return _bench(request).state(bake_id, focus=step)


@router.get("/{bake_id}/braid")
def braid(bake_id: str, request: Request) -> BakeBraid:
    """The braid as planned and as it goes or went."""
    return _bench(request).braid(bake_id)


@router.get("/{bake_id}/temperatures")
def temperatures(bake_id: str, request: Request) -> tuple[TraceView, ...]:
    """What thermometers told, step by step."""
    return _bench(request).traces(bake_id)


@router.post("/{bake_id}/events")
def tell(bake_id: str, event: BenchEvent, request: Request) -> BakeState:
    """Keep what happened and answer with the new state; acknowledged only when it is on the disk."""
    bench = _bench(request)
    bench.post(bake_id, event)
    return bench.state(bake_id)
