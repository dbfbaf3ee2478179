"""Where each meringue of the Book lies: sugar to white, method, acid and the density that it should have."""

from __future__ import annotations

from collections.abc import Iterator

from fastapi import APIRouter
from pydantic import BaseModel

from kindwhisk.api.dependencies import BenchHere
from kindwhisk.api.routers.book.views import scaled
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.process.meringue import meringues
from kindwhisk.core.process.scaling import Scaled
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.estimate import Estimate

router = APIRouter(prefix="/api/formulas", tags=["book"])


class MeringueEntry(BaseModel):
    """A meringue of a formula, as its forecast has it."""

    formula_id: str
    title: str
    technique: str
    step: str
    method: Method
    sugar_to_white: float
    acid_percent: float
    density_g_per_ml: Estimate


@router.get("/meringues")
def listed(bench: BenchHere) -> list[MeringueEntry]:
    """Every meringue of the newest version of every formula."""
    entries = bench.store.formulas.entries()
    return [found for e in entries for found in _of(scaled(bench, e.id, Wish())[1])]


def _of(one: Scaled) -> Iterator[MeringueEntry]:
    for step, method in meringues(one.formula).items():
        ratios = {r.id: r.value for r in one.forecast.balance if r.step == step}
        if "sugar-to-white" in ratios:
            yield MeringueEntry(
                formula_id=one.formula.id,
                title=one.formula.title,
                technique=one.formula.technique.value,
                step=step,
                method=method,
                sugar_to_white=ratios["sugar-to-white"],
                acid_percent=ratios.get("acid-to-white", 0.0),
                density_g_per_ml=one.forecast.step(step).material.density_g_per_ml,
            )
