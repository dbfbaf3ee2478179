"""The Book at a glance: what a page of it shows of every formula, kept on the disk until something of it changes."""

from __future__ import annotations

import contextlib
import hashlib
from functools import cache
from pathlib import Path

from fastapi import APIRouter
from fastapi.responses import Response

import kindwhisk
from kindwhisk.api.dependencies import BenchHere
from kindwhisk.api.problems import refusals
from kindwhisk.core.ingredients.allergens import LISTS, NAMES, may_hold
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.held import Held
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.vessels.section import Section
from kindwhisk.core.vessels.vessel import VesselForm
from kindwhisk.store.formulas import FormulaEntry
from kindwhisk.store.trouble import DataTrouble

router = APIRouter(prefix="/api/formulas", tags=["book"], responses=refusals(400, 404, 422))

NOT_IN_IT = {"name": "", "people": (), "thermometers": (), "cups": ()}
"""What of a kitchen no glance shows."""


class Glance(FormulaEntry, Held):
    """A formula at a glance: its vessels at their fullest, and what it asks of a day.

    It is of the formula as it is written, before what past bakes have taught. ``not_without`` are allergens, and
    groups of the list, that can't be ruled out in it.
    """

    tin_name: str
    tin_count: int
    total_g: float
    servings: int
    components: tuple[str, ...]
    not_without: tuple[str, ...]
    hands_s: float
    waiting_s: float
    sections: tuple[Section, ...]


@cache
def _code() -> str:
    """What the core is by now: another way to work a glance out makes those of before old."""
    files = sorted((Path(kindwhisk.__file__).parent / "core").rglob("*.py"))
    return hashlib.sha256(repr([(f.name, f.stat().st_size, f.stat().st_mtime_ns) for f in files]).encode()).hexdigest()


def _basis(entry: FormulaEntry, kitchen: Kitchen) -> str:
    """All that a glance is worked out from, in short."""
    shown = kitchen.model_copy(update=NOT_IN_IT).model_dump_json()
    return hashlib.sha256(f"{entry.version} {shown} {_code()}".encode()).hexdigest()


def _spent(forecast: Forecast, attention: Attention) -> float:
    return sum(s.duration_s.likely for s in forecast.steps if s.attention is attention)


def glance(entry: FormulaEntry, formula: Formula, kitchen: Kitchen) -> Glance:
    """A formula at a glance, in this kitchen."""
    law = kitchen.allergen_law
    one = scale(formula, kitchen, Wish())
    fullest: dict[str, Section] = {}
    for step in one.forecast.steps:
        if step.section is None or step.section.form in {VesselForm.RACK} or step.vessel in {"rack", "paper"}:
            continue
        known = fullest.get(step.vessel)
        if known is None or step.section.volume_ml.likely > known.volume_ml.likely:
            fullest[step.vessel] = step.section
    return Glance(
        **entry.model_dump(),
        tin_name=one.fills[0].name if one.fills else "",
        tin_count=one.fills[0].count if one.fills else 0,
        total_g=one.forecast.total_g,
        servings=formula.servings,
        components=tuple(c.name for c in formula.components),
        **one.forecast.held,
        not_without=tuple(a for a in (*LISTS[law], *NAMES) if may_hold(one.forecast.holds, a, law)),
        hands_s=_spent(one.forecast, Attention.THROUGHOUT),
        waiting_s=_spent(one.forecast, Attention.NONE),
        sections=tuple(fullest.values()),
    )


@router.get("/glances", response_model=list[Glance])
def glances(bench: BenchHere) -> Response:
    """Every formula of the Book as a page of it shows them."""
    store, kitchen = bench.store, bench.kitchen
    entries, known = store.formulas.entries(), store.glances.all()
    shown: dict[str, str] = {}
    new: dict[str, tuple[str, str]] = {}
    for entry in entries:
        basis = _basis(entry, kitchen)
        kept, document = known.get(entry.id, ("", ""))
        if kept != basis:
            document = glance(entry, store.formulas.get(entry.id)[1], kitchen).model_dump_json()
            new[entry.id] = (basis, document)
        shown[entry.id] = document
    if new:
        with contextlib.suppress(DataTrouble):  # they are worked out again then
            store.glances.keep(new)
    return Response(f"[{','.join(shown.values())}]", media_type="application/json")
