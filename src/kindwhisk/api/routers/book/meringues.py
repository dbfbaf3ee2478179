"""Where each meringue of the Book lies: sugar to white, method, acid and the density that it should have."""

from __future__ import annotations

from functools import lru_cache

from fastapi import APIRouter
from pydantic import BaseModel

from kindwhisk.core.foams.balance import Method
from kindwhisk.core.process.meringue import meringues
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.store import formulas, kitchens

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
def listed() -> list[MeringueEntry]:
    """Every meringue of the newest version of every formula."""
    revision, _ = kitchens.current()
    return [found for e in formulas.entries() for found in _of(e.id, e.version, revision)]


@lru_cache(maxsize=256)
def _of(formula_id: str, version: int, revision: int) -> tuple[MeringueEntry, ...]:  # noqa: ARG001 - part of the key
    _, formula = formulas.get(formula_id, version)
    _, kitchen = kitchens.current()
    made = scale(formula, kitchen, Wish()).forecast
    found = []
    for step, method in meringues(formula).items():
        ratios = {r.id: r.value for r in made.balance if r.step == step}
        if "sugar-to-white" not in ratios:
            continue
        found.append(
            MeringueEntry(
                formula_id=formula_id,
                title=formula.title,
                technique=formula.technique.value,
                step=step,
                method=method,
                sugar_to_white=ratios["sugar-to-white"],
                acid_percent=ratios.get("acid-to-white", 0.0),
                density_g_per_ml=made.step(step).material.density_g_per_ml,
            )
        )
    return tuple(found)
