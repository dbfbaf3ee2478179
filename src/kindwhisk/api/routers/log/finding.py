"""Bakes found: by what they are, how they came out, and the words in them."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated, Literal

from fastapi import APIRouter, Query
from pydantic import AwareDatetime, BaseModel

from kindwhisk.api.dependencies import BenchHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.bench.record import BakeSummary
from kindwhisk.core.diagnosis.faults import all_words, now_called
from kindwhisk.store.log import MOST, FoundBake, LogOrder, Wanted

router = APIRouter(prefix="/api/bakes", tags=["log"], responses=refusals(400, 404, 422))

Short = Annotated[str | None, Query(max_length=120)]


class BakeEntry(BaseModel):
    """A line of the Log. Of the summary only what a line shows."""

    id: str
    formula_id: str
    formula_version: int
    title: str
    started_at: datetime
    status: str
    summary: BakeSummary | None


class LogChoice(BaseModel):
    """Something that bakes can be looked for by."""

    value: str
    words: str


class LogChoices(BaseModel):
    """All that bakes of this kitchen can be looked for by."""

    formulas: list[LogChoice]
    classes: list[LogChoice]
    ovens: list[LogChoice]
    hands: list[LogChoice]
    faults: list[LogChoice]


def entry(row: FoundBake) -> BakeEntry:
    """A line of it."""
    return BakeEntry(
        id=row.id,
        formula_id=row.formula,
        formula_version=row.version,
        title=row.title,
        started_at=datetime.fromisoformat(row.started_at),
        status=row.status,
        summary=BakeSummary.model_validate_json(row.summary) if row.summary else None,
    )


@router.get("")
def listed(
    store: StoreHere,
    status: Literal["running", "finished", "abandoned", "earlier"] | None = None,
    formula_id: Annotated[str | None, Query(max_length=60, alias="formula")] = None,
    technique: Annotated[str | None, Query(max_length=60, alias="class")] = None,
    oven: Short = None,
    hands: Short = None,
    fault: Short = None,
    stars: Annotated[int | None, Query(ge=1, le=5)] = None,
    words: Annotated[str, Query(max_length=200)] = "",
    since: AwareDatetime | None = None,
    until: AwareDatetime | None = None,
    sort: LogOrder = LogOrder.NEWEST,
    before: Short = None,
    limit: Annotated[int, Query(ge=1, le=MOST)] = MOST,
) -> list[BakeEntry]:
    """Bakes in the order that was asked for, at most 200; those after the one whose id is ``before``, for the next
    page. What is not told does not matter; of words each has to be in a title, note, fault or reason."""
    told = {"hands": hands, "oven": oven, "class": technique, "stars": stars and str(stars)}
    marks: list[tuple[str, tuple[str, ...]]] = [(mark, (value,)) for mark, value in told.items() if value]
    if fault:
        marks.append(("fault", all_words(fault)))
    wanted = Wanted(
        formula=formula_id or "",
        status=status or "",
        marks=tuple(sorted(marks, key=lambda m: (len(m[1]), m[0] != "hands"))),
        words=words,
        since=since,
        until=until,
        order=sort,
    )
    return [entry(row) for row in store.log.page(wanted, before, limit, short=True)]


@router.get("/choices")
def choices(bench: BenchHere, store: StoreHere) -> LogChoices:
    """What bakes can be looked for by: every value that any of them has."""
    kitchen = bench.kitchen
    ovens = {o.id: o.name for o in kitchen.ovens}
    people = {p.id: p.name for p in kitchen.people}

    def of(mark: str, names: dict[str, str]) -> list[LogChoice]:
        return [LogChoice(value=v, words=names.get(v, v)) for v in store.log.values(mark)]

    return LogChoices(
        formulas=[LogChoice(value=i, words=title) for i, title in store.log.formulas()],
        classes=of("class", {}),
        ovens=of("oven", ovens),
        hands=of("hands", people),
        faults=[LogChoice(value=w, words=w) for w in sorted({now_called(v) for v in store.log.values("fault")})],
    )


@router.get("/{bake_id}/entry")
def one(store: StoreHere, bake_id: str) -> BakeEntry:
    """A bake's line; all that there is of one that was read in from a file."""
    return entry(store.log.one(bake_id))
