"""Plans: one bake, backward from when it has to be ready."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Request
from fastapi.concurrency import run_in_threadpool
from pydantic import AwareDatetime, ConfigDict, Field

from kindwhisk.api.beside import beside
from kindwhisk.api.dependencies import BenchHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.sums import planned
from kindwhisk.bench.clock import now
from kindwhisk.bench.plans import PlanView
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.process.wish import Wish

router = APIRouter(prefix="/api/plans", tags=["plan"], responses=refusals(400, 404, 422, 503))
When = Annotated[AwareDatetime, Field(strict=False)]
"""ISO 8601 text with an offset; everything else in a request is taken strictly."""


class PlanRequest(Wish):
    """What is to be ready when, or as soon as it can be.

    ``not_before`` is the first moment that may be used, by default now.
    """

    model_config = ConfigDict(frozen=True, extra="forbid", strict=True)

    formula_id: str = Field(max_length=60)
    ready_at: When | None = None
    not_before: When | None = None

    def wish(self) -> Wish:
        """The amounts alone."""
        return Wish.model_validate({name: getattr(self, name) for name in Wish.model_fields})


@router.post("")
async def plan(bench: BenchHere, request: PlanRequest, asked: Request) -> PlanView:
    """When each step starts and ends; if it can't be ready in time, by how much and what drives it."""
    earliest = request.not_before or now()

    def known() -> tuple[Formula, Kitchen, KitchenRecord]:
        return bench.store.formulas.get(request.formula_id)[1], bench.kitchen, bench.record()

    formula, kitchen, record = await run_in_threadpool(known)
    return await beside(asked, planned, formula, kitchen, request.wish(), record, request.ready_at, earliest)
