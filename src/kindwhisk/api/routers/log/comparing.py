"""Bakes side by side, and a measure over many of them."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query

from kindwhisk.api.dependencies import BenchHere
from kindwhisk.api.problems import refusals
from kindwhisk.bench.past import BakesCompared, MeasureName
from kindwhisk.core.charts.trend import Trend

router = APIRouter(prefix="/api", tags=["log"], responses=refusals(400, 404, 422))

Name = Annotated[str, Query(max_length=120)]


@router.get("/bakes/compare")
def compare(bench: BenchHere, a: Name, b: Name) -> BakesCompared:
    """All that differs between two bakes, what is furthest out of this kitchen's usual spread first."""
    return bench.compare(a, b)


@router.get("/trends/measures")
def measures(bench: BenchHere, formula: Name = "", oven: Name = "", hands: Name = "") -> tuple[MeasureName, ...]:
    """What was measured of these bakes, in the order of the work."""
    return bench.measures(formula, oven, hands)


@router.get("/trends")
def trends(bench: BenchHere, measure: Name, formula: Name = "", oven: Name = "", hands: Name = "") -> Trend:
    """A measure over the last bakes of a formula, an oven or a person: points, limits, changes."""
    return bench.trend(measure, formula, oven, hands)
