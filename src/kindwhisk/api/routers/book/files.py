"""A formula in open formats: JSON-LD both ways, CSV and plain text to take away."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query
from fastapi.responses import JSONResponse, PlainTextResponse, Response

from kindwhisk.api.dependencies import BenchHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.book.views import made
from kindwhisk.bench.bench import Bench
from kindwhisk.core.process.scaling import Scaled
from kindwhisk.core.process.wish import Wish
from kindwhisk.formats import recipe_jsonld, weigh_text

router = APIRouter(prefix="/api/formulas", tags=["book"], responses=refusals(400, 404, 422))
Times = Annotated[float, Query(ge=0.01, le=1000, allow_inf_nan=False)]


def _made(bench: Bench, formula_id: str, times: float) -> Scaled:
    _, formula = bench.store.formulas.get(formula_id)
    return made(bench, formula if times == 1 else formula.scaled(times), Wish())


def _attached(formula_id: str, suffix: str) -> dict[str, str]:
    return {"Content-Disposition": f'attachment; filename="{formula_id}.{suffix}"'}


@router.get("/{formula_id}.jsonld", response_class=JSONResponse)
def as_jsonld(bench: BenchHere, formula_id: str) -> JSONResponse:
    """The formula as a schema.org Recipe that carries its process."""
    one = _made(bench, formula_id, 1)
    return JSONResponse(
        recipe_jsonld.write(one.formula, one.forecast),
        media_type="application/ld+json",
        headers=_attached(one.formula.id, "jsonld"),
    )


@router.get(
    "/{formula_id}.csv",
    response_class=Response,
    responses={200: {"content": {"text/csv": {"schema": {"type": "string"}}}}},
)
def as_csv(bench: BenchHere, formula_id: str, times: Times = 1) -> Response:
    """The weigh list as a table, ``times`` the formula."""
    one = _made(bench, formula_id, times)
    return Response(
        weigh_text.as_csv(one), media_type="text/csv; charset=utf-8", headers=_attached(one.formula.id, "csv")
    )


@router.get("/{formula_id}.txt", response_class=PlainTextResponse)
def as_text(bench: BenchHere, formula_id: str, times: Times = 1) -> PlainTextResponse:
    """The formula as plain text, ``times`` its own amounts."""
    one = _made(bench, formula_id, times)
    return PlainTextResponse(weigh_text.as_text(one), headers=_attached(one.formula.id, "txt"))
