"""Ovens: what is known of them, and what is noted of them by hand."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, ConfigDict

from kindwhisk.api.dependencies import BenchHere
from kindwhisk.api.problems import refusals
from kindwhisk.bench.log.events import Key
from kindwhisk.bench.ovens.evidence import LeftOutNote, MapNote, Note
from kindwhisk.bench.ovens.profile import OvenProfile
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.ovens.browning_map import HotSide, hot_side
from kindwhisk.core.values.errors import CraftError

router = APIRouter(prefix="/api/ovens", tags=["kitchen"], responses=refusals(400, 404, 422))


class NoteBody(BaseModel):
    """A thermometer's reading, a browning map, or evidence that is (not) to count."""

    model_config = ConfigDict(extra="forbid")

    client_key: Key
    note: Note


class MapBody(BaseModel):
    """A map that is being marked."""

    model_config = ConfigDict(extra="forbid")

    note: MapNote


class PastBake(BaseModel):
    """A bake of the past in its oven: minutes planned by the model, and as it was; ``above``: it took longer."""

    bake: str
    title: str
    at: datetime
    formula: str
    oven: str
    modelled_min: float
    observed_min: float
    above: bool
    left_out: bool


@router.get("/{oven_id}/profile")
def profile(bench: BenchHere, oven_id: str) -> OvenProfile:
    """Temperature and its time factor, each with what is not known, how it swings, its hot side; and every step
    there."""
    return bench.oven_profile(_known(oven_id, bench.kitchen))


@router.post("/{oven_id}/notes")
def note(bench: BenchHere, oven_id: str, body: NoteBody) -> OvenProfile:
    """Keep a note, and tell what is known with it. A repeated key changes nothing."""
    if isinstance(body.note, LeftOutNote) and body.note.evidence not in bench.oven_evidence().sources:
        raise CraftError(
            f"There is no evidence '{body.note.evidence}'.", field="note.evidence", remedy="Take one from the profile."
        )
    bench.store.oven_notes.keep(
        _known(oven_id, bench.kitchen),
        kind=body.note.kind,
        payload=body.note.model_dump_json(),
        client_key=body.client_key,
    )
    return bench.oven_profile(oven_id)


@router.post("/map")
def read_map(body: MapBody) -> HotSide:
    """What a browning map tells, before it is kept."""
    return hot_side(body.note.map)


@router.get("/bakes")
def past_bakes(
    bench: BenchHere,
    formula: Annotated[str | None, Query(max_length=60)] = None,
    oven: Annotated[str | None, Query(max_length=40)] = None,
) -> list[PastBake]:
    """Planned against actual, newest first: all bakes of a formula, of an oven, or of both."""
    known = bench.oven_evidence()
    found = []
    for one in reversed(known.all_bakes):
        if (formula is not None and one.formula != formula) or (oven is not None and one.oven != oven):
            continue
        source = known.sources[one.id]
        found.append(
            PastBake(
                bake=source.bake,
                title=source.title,
                at=source.at,
                formula=one.formula,
                oven=one.oven,
                modelled_min=one.modelled_s / 60,
                observed_min=one.observed_s / 60,
                above=one.above,
                left_out=one.id in known.left_out,
            )
        )
    return found


def _known(oven_id: str, kitchen: Kitchen) -> str:
    if all(o.id != oven_id for o in kitchen.ovens):
        known = ", ".join(o.id for o in kitchen.ovens)
        raise CraftError(
            f"There is no oven '{oven_id}' in this kitchen.", field="oven_id", remedy=f"Choose one of: {known}."
        )
    return oven_id
