"""The Log as files: a record as PDF, bakes and readings as CSV, and bakes of before from a table."""

from __future__ import annotations

import json
import secrets
from collections.abc import Iterator
from enum import StrEnum
from itertools import chain
from typing import Annotated

from fastapi import APIRouter
from fastapi.responses import Response, StreamingResponse
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import BenchHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.bench.bench import Bench
from kindwhisk.bench.log.events import Key
from kindwhisk.bench.measures.measured import facts_of
from kindwhisk.bench.record import BakeSummary
from kindwhisk.core.process.formula import Formula
from kindwhisk.formats import log_csv, record_pdf
from kindwhisk.formats.cells import lines
from kindwhisk.formats.paper import Paper
from kindwhisk.formats.record_pdf import RecordPhoto
from kindwhisk.store.bakes import EARLIER
from kindwhisk.store.log import FoundBake, Wanted

router = APIRouter(prefix="/api", tags=["log"], responses=refusals(400, 404, 422))


class LogRows(StrEnum):
    """What the rows of a table are."""

    BAKES = "bakes"
    READINGS = "readings"


class LogTable(BaseModel):
    """A table of bakes of before. The same key again adds nothing."""

    model_config = ConfigDict(extra="forbid", strict=True)

    client_key: Key
    text: Annotated[str, Field(max_length=4_000_000)]


class LogRead(BaseModel):
    """How many bakes were taken from a table, and how many were there already."""

    taken: int
    known: int


@router.get("/bakes/{bake_id}.pdf", response_class=Response, responses={200: {"content": {"application/pdf": {}}}})
def record(bench: BenchHere, store: StoreHere, bake_id: str, paper: Paper = Paper.A4) -> Response:
    """The record of a bake on paper."""
    at = bench.moment(bake_id)
    photos = [RecordPhoto(store.photos.path(p.digest, small=True), p.shows.value) for p in at.progress.photos]
    there = [p for p in photos if p.path.is_file()]
    made = record_pdf.write(bench.state(bake_id), facts_of(at), bench.in_short(bake_id), there, paper)
    return Response(
        made, media_type="application/pdf", headers={"Content-Disposition": 'inline; filename="record.pdf"'}
    )


def _rows(bench: Bench) -> Iterator[tuple[FoundBake, BakeSummary | None, str, dict[str, str]]]:
    """Every bake, the newest first, a page at a time."""
    before: str | None = None
    known: dict[tuple[str, int], dict[str, str]] = {}
    while True:
        page = bench.store.log.page(Wanted(), before)
        for row in page:
            key = (row.formula, row.version)
            if key not in known:
                known[key] = bench.store.log.kinds(row.id)
            technique = bench.store.log.marked(row.id, "class")
            summary = BakeSummary.model_validate_json(row.summary) if row.summary else None
            yield row, summary, technique, known[key]
        if not page:
            return
        before = page[-1].id


@router.get("/log.csv", response_class=StreamingResponse, responses={200: {"content": {"text/csv": {}}}})
def as_table(bench: BenchHere, store: StoreHere, rows: LogRows = LogRows.BAKES) -> StreamingResponse:
    """All bakes, one row each, or all that was read at the bench, one row a reading."""
    read = chain([log_csv.READING_COLUMNS], store.log.readings())
    told = log_csv.bakes(_rows(bench)) if rows is LogRows.BAKES else lines(read)
    return StreamingResponse(
        told,
        media_type="text/csv; charset=utf-8",
        headers={"Content-Disposition": f'attachment; filename="log-{rows.value}.csv"'},
    )


@router.post("/log/csv", status_code=201)
def from_table(bench: BenchHere, store: StoreHere, body: LogTable) -> LogRead:
    """Take bakes of before from a table: they are found, followed and compared like others, but have no record beyond
    their line. A bake of the same formula that began at the same moment is there already."""
    titles = {e.title.lower(): e.id for e in store.formulas.entries()}
    ids = set(titles.values())
    found: dict[str, tuple[int, Formula]] = {}

    def formula_of(formula_id: str, title: str) -> tuple[int, Formula] | None:
        wanted = formula_id if formula_id in ids else titles.get(title.lower(), "")
        if not wanted:
            return None
        if wanted not in found:
            found[wanted] = store.formulas.get(wanted)
        return found[wanted]

    bakes = log_csv.read(body.text, formula_of, bench.clock.now())
    ovens = {o.name.lower(): o.id for o in bench.kitchen.ovens} | {o.id: o.id for o in bench.kitchen.ovens}
    people = {p.name.lower(): p.id for p in bench.kitchen.people} | {p.id: p.id for p in bench.kitchen.people}
    taken = 0
    with store.writing():
        for bake in bakes:
            key = f"earlier-{bake.formula.id}-{bake.started_at.isoformat()}"
            if store.bakes.find_by_key(key) is not None or store.log.began(bake.formula.id, bake.started_at):
                continue
            document = {
                "formula": {"technique": bake.formula.technique.value},
                "oven": ovens.get(bake.oven.lower(), bake.oven),
                "hands": people.get(bake.hands.lower(), bake.hands),
                "kinds": {s.id: s.kind for s in bake.formula.steps},
            }
            store.bakes.create(
                id=f"{bake.started_at:%Y%m%d}-{bake.formula.id[:24]}-{secrets.token_hex(3)}",
                formula=bake.formula.id,
                version=bake.version,
                title=bake.formula.title,
                started_at=bake.started_at.isoformat(),
                status=EARLIER,
                client_key=key,
                document=json.dumps(document),
                summary=bake.summary.model_dump(mode="json"),
            )
            taken += 1
    return LogRead(taken=taken, known=len(bakes) - taken)
