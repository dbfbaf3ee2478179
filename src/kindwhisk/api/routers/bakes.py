"""Bakes: start one, follow it, tell what happened, read it back."""

from __future__ import annotations

from collections.abc import Callable, Hashable
from typing import Annotated

from fastapi import APIRouter, Query, Request
from fastapi.responses import PlainTextResponse, Response
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import BenchHere, SharedHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.plans import PlanRequest
from kindwhisk.api.shared import Shared
from kindwhisk.bench.bench import Bench
from kindwhisk.bench.log.events import BenchEvent
from kindwhisk.bench.told.braid import BakeBraid
from kindwhisk.bench.told.clock_moves import ClockMoved
from kindwhisk.bench.told.could import Could
from kindwhisk.bench.told.foreseen import Foreseen
from kindwhisk.bench.told.hands import HandsView
from kindwhisk.bench.told.label import BakeLabel, as_lines, as_text
from kindwhisk.bench.told.state import bake_state
from kindwhisk.bench.told.views import BakeState, TraceView
from kindwhisk.bench.told.weighing import WeighingNow
from kindwhisk.bench.turns import Turning
from kindwhisk.bench.undoing import LastThing
from kindwhisk.core.ingredients.eggs import EggsOfTheDay
from kindwhisk.formats import readings_csv
from kindwhisk.formats.label_pdf import GRIDS, PrintedLabel, Sheet, label_pdf

router = APIRouter(
    prefix="/api/bakes",
    tags=["bench"],
    responses=refusals(400, 404, 409, 422),
)


class StartRequest(PlanRequest):
    """A plan, taken up, and whose hands do it; ``bell`` rings when it begins.

    The key makes a repeated post start nothing twice.
    """

    model_config = ConfigDict(frozen=True, extra="forbid", strict=True)

    client_key: Annotated[str, Field(min_length=8, max_length=80)]
    hands: Annotated[str, Field(max_length=40)] = ""
    bell: bool = False


@router.get("/eggs-today")
def eggs_today(bench: BenchHere) -> EggsOfTheDay | None:
    """Eggs for all bakes that run or were finished today: cracked for each alone, and pooled; None without any."""
    return bench.eggs_today()


@router.post("", status_code=201)
def start(bench: BenchHere, body: StartRequest) -> BakeState:
    """Start a bake: scale, plan, and keep all of it. A repeated key answers with the same bake."""
    bake_id = bench.start(
        body.formula_id, body.wish(), body.ready_at, body.client_key, body.not_before, body.hands, bell=body.bell
    )
    return bench.state(bake_id)


@router.get("/hands")
def hands(bench: BenchHere) -> HandsView:
    """Which of the bakes that run needs a hand next, and where two want the same pair at once."""
    return bench.hands()


@router.get("/{bake_id}/readings.csv", response_class=Response)
def readings(bench: BenchHere, bake_id: str) -> Response:
    """The readings with their bands as CSV."""
    text = readings_csv.write(bench.state(bake_id))
    return Response(
        text,
        media_type="text/csv; charset=utf-8",
        headers={"Content-Disposition": 'attachment; filename="readings.csv"'},
    )


def _shared(shared: Shared, bench: Bench, question: Hashable, make: Callable[[], BaseModel]) -> Response:
    """An answer that all pages share which ask for it at once."""
    body = shared.answer(question, lambda: bench.stamp, make, bench.clock.speed)
    return Response(body, media_type="application/json")


@router.get("/{bake_id}", response_model=BakeState)
def state(
    bench: BenchHere, shared: SharedHere, bake_id: str, step: Annotated[str | None, Query(max_length=80)] = None
) -> Response:
    """The state of a bake now; ``step`` names one more step to show close up."""
    return _shared(shared, bench, ("state", bake_id, step), lambda: bench.state(bake_id, focus=step))


@router.get("/{bake_id}/label.txt", response_class=PlainTextResponse)
def label_as_text(bench: BenchHere, bake_id: str) -> PlainTextResponse:
    """The label as plain text."""
    return PlainTextResponse(
        as_text(bench.label(bake_id)), headers={"Content-Disposition": 'attachment; filename="label.txt"'}
    )


Copies = Annotated[int, Query(ge=1, le=400)]


@router.get("/{bake_id}/label.pdf", response_class=Response, responses={200: {"content": {"application/pdf": {}}}})
def label_as_pdf(
    request: Request, bench: BenchHere, bake_id: str, sheet: Sheet = Sheet.A4_8, copies: Copies | None = None
) -> Response:
    """Labels to be printed: a sheet full where ``copies`` are not told, or one to a page."""
    told = bench.label(bake_id)
    grid = GRIDS[sheet]
    printed = PrintedLabel(
        name=told.title,
        lines=as_lines(told),
        warns=(told.contains, told.raw_egg),
        opens=f"{str(request.base_url).rstrip('/')}/log/{told.batch}",
    )
    made = label_pdf(printed, sheet, copies or grid.columns * grid.rows)
    return Response(made, media_type="application/pdf", headers={"Content-Disposition": 'inline; filename="label.pdf"'})


@router.get("/{bake_id}/label")
def label(bench: BenchHere, bake_id: str) -> BakeLabel:
    """What stands on its label: what it is, when it was made, and what it holds for whom."""
    return bench.label(bake_id)


@router.get("/{bake_id}/braid", response_model=BakeBraid)
def braid(bench: BenchHere, shared: SharedHere, bake_id: str) -> Response:
    """The braid as planned and as it goes or went."""
    return _shared(shared, bench, ("braid", bake_id), lambda: bench.braid(bake_id))


@router.get("/{bake_id}/temperatures")
def temperatures(bench: BenchHere, bake_id: str) -> tuple[TraceView, ...]:
    """What thermometers told, step by step."""
    return bench.traces(bake_id)


@router.get("/{bake_id}/clock-moves")
def clock_moves(bench: BenchHere, bake_id: str) -> tuple[ClockMoved, ...]:
    """How the machine's clock was moved while this bake ran; its times go on by the clock of before."""
    return bench.clock_moves(bake_id)


@router.get("/{bake_id}/last-things")
def last_things(bench: BenchHere, bake_id: str) -> tuple[LastThing, ...]:
    """The last things that happened, the latest first: what each was, and what stands in the way of its undo."""
    return bench.last_things(bake_id)


@router.get("/{bake_id}/weigh-list")
def weighing(bench: BenchHere, bake_id: str) -> WeighingNow:
    """What is weighed into which bowl, what is still to come, and what was lost and is weighed once more."""
    return bench.weighing(bake_id)


@router.get("/{bake_id}/could")
def could(bench: BenchHere, bake_id: str) -> Could:
    """What could go otherwise from here on: what can be begun again, what is still to go in, what would keep."""
    return bench.could(bake_id)


@router.post("/{bake_id}/foreseen")
def foreseen(bench: BenchHere, bake_id: str, event: Annotated[Turning, Field(discriminator="kind")]) -> Foreseen:
    """What would follow if that happened: what is lost and needed, when it is ready. Nothing is kept."""
    return bench.foreseen(bake_id, event)


@router.post("/{bake_id}/events")
def tell(bench: BenchHere, bake_id: str, event: BenchEvent) -> BakeState:
    """Keep what happened and answer with the new state; acknowledged only when it is on the disk."""
    return bake_state(bench.post(bake_id, event), speed=bench.clock.speed)
