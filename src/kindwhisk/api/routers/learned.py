"""What has been learned from this kitchen's own bakes: figures, what they depend on, and every dot."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, ConfigDict

from kindwhisk.api.dependencies import BenchHere
from kindwhisk.api.problems import refusals
from kindwhisk.bench.learned.told import EffectDots, FigureView
from kindwhisk.bench.log.events import Key
from kindwhisk.bench.ovens.evidence import LeftOutNote
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.values.errors import CraftError

router = APIRouter(prefix="/api/learned", tags=["kitchen"], responses=refusals(400, 404, 422))

Name = Annotated[str, Query(min_length=1, max_length=200)]


class LeaveOut(BaseModel):
    """A dot that is (not) to count."""

    model_config = ConfigDict(extra="forbid")

    client_key: Key
    note: LeftOutNote


@router.get("")
def figures(bench: BenchHere) -> tuple[FigureView, ...]:
    """Every figure that a bake has told of, with what it depends on."""
    return bench.learned_figures()


@router.get("/dots")
def dots(bench: BenchHere, figure: Figure, effect: Name) -> EffectDots:
    """Something that a figure depends on, with every dot that told of it."""
    return bench.effect_dots(figure, effect)


@router.post("/notes")
def note(bench: BenchHere, body: LeaveOut) -> tuple[FigureView, ...]:
    """Let a dot count, or not, and tell what is known with it. A repeated key changes nothing."""
    if body.note.evidence not in bench.learned_evidence().sources:
        raise CraftError(
            f"There is no dot '{body.note.evidence}'.", field="note.evidence", remedy="Take one from the list."
        )
    bench.store.oven_notes.keep(
        "", kind=body.note.kind, payload=body.note.model_dump_json(), client_key=body.client_key
    )
    return bench.learned_figures()
