"""Changing a formula: as a process, by another meringue, by a substitution; its versions and what differs in them."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Path, Query
from pydantic import BaseModel, ConfigDict, Field, ValidationError

from kindwhisk.api.dependencies import BenchHere, KitchenHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.book.formulas import Saved, WishBody
from kindwhisk.api.routers.book.views import ForecastView, FormulaView, forecast_view, made, view
from kindwhisk.bench.bench import Bench
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.folding.plan import FoldSchool
from kindwhisk.core.process.checking import Finding
from kindwhisk.core.process.comparison import Difference, compare
from kindwhisk.core.process.fold_schools import with_school
from kindwhisk.core.process.formula import Draft, Formula
from kindwhisk.core.process.kinds import KindView, kinds
from kindwhisk.core.process.meringue import with_method
from kindwhisk.core.process.substitution import Offer, Swap, offers, substitute
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.faults import faults
from kindwhisk.store.formulas import VersionEntry

router = APIRouter(prefix="/api/formulas", tags=["book"], responses=refusals(400, 404, 409, 422))


class DraftCheck(BaseModel):
    """A formula as it is being written, and the amounts to forecast it in."""

    model_config = ConfigDict(extra="forbid")

    draft: Draft
    wish: WishBody | None = None


class Checked(BaseModel):
    """What is wrong with a draft, step by step, and its forecast as soon as it can be computed."""

    findings: tuple[Finding, ...]
    forecast: ForecastView | None
    trouble: str = ""


class Keep(BaseModel):
    """A formula to be kept as the next version; ``based_on`` is the version that was changed."""

    model_config = ConfigDict(extra="forbid")

    formula: Formula
    based_on: Annotated[int, Field(ge=1, le=1_000_000)] | None = None


class MethodChange(BaseModel):
    """The meringue that a step finishes, to be made by another method."""

    model_config = ConfigDict(extra="forbid")

    step: str = Field(max_length=40)
    method: Method


class SchoolChange(BaseModel):
    """The fold that a step ends, to be done by another school."""

    model_config = ConfigDict(extra="forbid")

    step: str = Field(max_length=40)
    school: FoldSchool


class Proposed(BaseModel):
    """A changed formula with every difference, before it is taken; nothing is saved."""

    based_on: int
    formula: Formula
    differences: tuple[Difference, ...]


class Compared(BaseModel):
    """Two versions side by side."""

    before: FormulaView
    after: FormulaView
    differences: tuple[Difference, ...]


def _proposed(bench: Bench, version: int, before: Formula, after: Formula) -> Proposed:
    differences = compare(made(bench, before, Wish()).forecast, made(bench, after, Wish()).forecast)
    return Proposed(based_on=version, formula=after, differences=differences)


@router.get("/kinds")
def step_kinds() -> tuple[KindView, ...]:
    """Every kind of step that a process can be made of, with its fields and a first draft."""
    return kinds()


@router.get("/substitutes")
def substitutes(store: StoreHere, ingredient: Annotated[str, Query(max_length=60)]) -> tuple[Offer, ...]:
    """What can take an ingredient's place."""
    return offers(ingredient, store.goods.all())


@router.post("/check")
def check(bench: BenchHere, body: DraftCheck) -> Checked:
    """A draft as it is being written: what can't be is named where it stands; a sound one is forecast. Not saved."""
    found = tuple(body.draft.findings())
    if any(f.blocks for f in found):
        return Checked(findings=found, forecast=None)
    try:
        formula = Formula.model_validate(dict(body.draft))
        wish = body.wish.wish() if body.wish else Wish()
        return Checked(findings=found, forecast=forecast_view(bench, 0, made(bench, formula, wish)))
    except CraftError as error:
        return Checked(findings=found, forecast=None, trouble=f"{error.message} {error.remedy}")
    except ValidationError as error:
        first = faults(error.errors(include_url=False), None)[0]
        return Checked(findings=found, forecast=None, trouble=first.sentence)


@router.put("/{formula_id}")
def keep(bench: BenchHere, formula_id: Annotated[str, Path(max_length=60)], body: Keep) -> Saved:
    """Keep a formula as its next version; earlier ones stay, and bakes keep the one that they were made from."""
    if body.formula.id != formula_id:
        raise CraftError(
            f"The formula's id is '{body.formula.id}'.",
            field="formula.id",
            remedy=f"Send it to that address, or change its id to '{formula_id}'.",
        )
    # That it can be forecast is part of being kept: nothing in the Book may fail when it is opened.
    made(bench, body.formula, Wish())
    if not bench.store.formulas.is_there(formula_id):
        bench.store.goods.bring(body.formula.goods)  # it came from elsewhere with them
    return Saved(id=formula_id, version=bench.store.formulas.save(body.formula, body.based_on))


@router.post("/{formula_id}/copy", status_code=201)
def copy(store: StoreHere, formula_id: str) -> Saved:
    """A formula of its own to change freely, beginning from this one's newest version."""
    _, formula = store.formulas.get(formula_id)
    own = formula.model_copy(
        update={"id": store.formulas.free_id(formula_id), "title": f"{formula.title[:110]}, copy", "ledger": ()}
    )
    return Saved(id=own.id, version=store.formulas.save(own))


@router.post("/{formula_id}/method")
def change_method(bench: BenchHere, formula_id: str, body: MethodChange) -> Proposed:
    """The same formula with a meringue made by another method, and all that follows from it."""
    version, formula = bench.store.formulas.get(formula_id)
    return _proposed(bench, version, formula, with_method(formula, body.step, body.method))


@router.post("/{formula_id}/fold")
def change_school(bench: BenchHere, formula_id: str, body: SchoolChange) -> Proposed:
    """The same formula with a fold done by another school, and all that follows from it."""
    version, formula = bench.store.formulas.get(formula_id)
    return _proposed(bench, version, formula, with_school(formula, body.step, body.school))


@router.post("/{formula_id}/substitute")
def swap(bench: BenchHere, kitchen: KitchenHere, formula_id: str, body: Swap) -> Proposed:
    """The same formula with one ingredient in another's place, and an entry in its ledger."""
    version, formula = bench.store.formulas.get(formula_id)
    return _proposed(bench, version, formula, substitute(formula, body, kitchen, bench.store.goods.all()))


@router.get("/{formula_id}/versions")
def versions(store: StoreHere, formula_id: str) -> list[VersionEntry]:
    """Every version, the newest first."""
    return store.formulas.versions(formula_id)


@router.get("/{formula_id}/compare")
def compare_versions(
    bench: BenchHere,
    formula_id: str,
    before: Annotated[int, Query(ge=1, le=1_000_000)],
    after: Annotated[int, Query(ge=1, le=1_000_000)],
) -> Compared:
    """Two versions of a formula, in this kitchen."""
    book = bench.store.formulas
    (a, old), (b, new) = book.get(formula_id, before), book.get(formula_id, after)
    return Compared(
        before=view(a, old),
        after=view(b, new),
        differences=compare(made(bench, old, Wish()).forecast, made(bench, new, Wish()).forecast),
    )
