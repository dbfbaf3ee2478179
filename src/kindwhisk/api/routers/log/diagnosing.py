"""Why a bake failed, from its record or from its signs alone; and the lever, taken into its formula."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter, Query
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import BenchHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.core.diagnosis.causes import CAUSES
from kindwhisk.core.diagnosis.explanation import CauseTold, Explanation, SignAsked, explain
from kindwhisk.core.diagnosis.faults import Family, family_of, faults_of
from kindwhisk.core.diagnosis.signs import SIGNS, Seen
from kindwhisk.core.measures import off_by_range
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.levers import changed, noted, step_for
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.technique import Technique

router = APIRouter(prefix="/api", tags=["log"], responses=refusals(400, 404, 409, 422))

Words = Annotated[str, Field(max_length=80)]
Figure = Annotated[float | None, Field(ge=-1e6, le=1e6, allow_inf_nan=False)]


class SignBody(BaseModel):
    """What was seen: of a measured sign its value with the usual range, of a question yes or no."""

    model_config = ConfigDict(extra="forbid", strict=True)

    sign: Words
    value: Figure = None
    low: Figure = None
    high: Figure = None
    yes: bool | None = None


class RecordBody(BaseModel):
    """A record that is told rather than kept."""

    model_config = ConfigDict(extra="forbid", strict=True)

    signs: list[SignBody] = Field(default=[], max_length=100)


class DiagnosisBody(BaseModel):
    """What went wrong with which class, and what was seen of it: by a record, or by a bake of the Log (its faults and
    class then are its own where none are told)."""

    model_config = ConfigDict(extra="forbid", strict=True, populate_by_name=True)

    technique: Annotated[str, Field(alias="class", max_length=60)] = ""
    faults: list[Words] = Field(default=[], max_length=20)
    record: RecordBody | None = None
    bake: Annotated[str, Field(max_length=120)] = ""


class CauseView(BaseModel):
    """A cause, how probable it is, what speaks for and against it, what would tell, and what to do about it."""

    cause: str
    words: str
    why: str
    probability: float
    speaks_for: tuple[str, ...] = Field(serialization_alias="for")
    against: tuple[str, ...]
    ask: tuple[SignAsked, ...]
    lever: str
    change: str
    step: str
    step_title: str
    confirmed: int


class DiagnosisView(BaseModel):
    """Causes, the likeliest first. ``confirmed`` is, by fault, what was found to be its cause."""

    faults: tuple[str, ...]
    unknown: tuple[str, ...]
    says: str
    humble: bool
    causes: tuple[CauseView, ...]
    unlisted: float
    ask: tuple[SignAsked, ...]
    answers: dict[str, bool]
    confirmed: dict[str, str]


class FaultView(BaseModel):
    """A fault that can be chosen: its words, and the name of its picture."""

    words: str
    drawn: str
    also: tuple[str, ...]


class LeverBody(BaseModel):
    """A cause whose lever is taken into the formula of the bake, at ``step`` or where it belongs."""

    model_config = ConfigDict(extra="forbid", strict=True)

    cause: Words
    how: Literal["note", "change"] = "note"
    step: Words = ""


class LeverTaken(BaseModel):
    """What was written into which version."""

    formula: str
    version: int
    step: str
    said: str


def _technique(name: str) -> Technique:
    try:
        return Technique(name)
    except ValueError:
        raise CraftError(
            f"“{name[:60]}” is no class of bakes." if name else "No class was told.",
            field="class",
            remedy="Name one, such as " + ", ".join(t.value for t in list(Technique)[:3]) + ".",
        ) from None


def _seen(body: SignBody) -> Seen:
    """A sign as it was told.

    Raises:
        CraftError: there is none of that name, or it is told otherwise than it can be.
    """
    sign = SIGNS.get(body.sign)
    if sign is None:
        raise CraftError(
            f"There is no sign “{body.sign}”.", field="record.signs", remedy="Use one of: " + ", ".join(SIGNS) + "."
        )
    if sign.is_question:
        return Seen(sign=body.sign, yes=body.yes)
    if body.value is None:
        return Seen(sign=body.sign)
    if body.low is None or body.high is None or body.low > body.high:
        raise CraftError(
            f"“{sign.name}” is told without its usual range.",
            field="record.signs",
            remedy="Tell low and high: between them it lies in eight bakes of ten.",
        )
    off = off_by_range(body.value, body.low, (body.low + body.high) / 2, body.high)
    return Seen(sign=body.sign, value=body.value, low=body.low, high=body.high, off=off)


@router.get("/diagnosis/faults")
def faults(technique: Annotated[str, Query(alias="class", max_length=60)]) -> list[FaultView]:
    """The faults that bakes of a class can show."""
    family: Family = family_of(_technique(technique))
    return [FaultView(words=f.words, drawn=f.drawn, also=f.also) for f in faults_of(family)]


@router.post("/diagnosis")
def diagnosis(bench: BenchHere, body: DiagnosisBody) -> DiagnosisView:
    """Why it came out like that: from a bake of the Log, from a record that is told, or from its faults alone."""
    told = [_seen(s) for s in body.record.signs] if body.record else []
    if not body.bake:
        family = family_of(_technique(body.technique))
        return _view(explain(body.faults, family, told, bench.confirmed()))
    at = bench.moment(body.bake)
    found = bench.why(at, body.faults, _technique(body.technique) if body.technique else None, told)
    known = {"answers": at.progress.answers, "confirmed": at.progress.confirmed}
    return _view(found, at.document.formula).model_copy(update=known)


def _view(found: Explanation, formula: Formula | None = None) -> DiagnosisView:
    def cause(told: CauseTold) -> CauseView:
        step = step_for(formula, CAUSES[told.cause]) if formula else None
        return CauseView(
            cause=told.cause, words=told.words, why=told.why, probability=told.probability,
            speaks_for=told.speaks_for, against=told.speaks_against, ask=told.ask, lever=told.lever,
            change=told.change.value if told.change else "", step=step.id if step else "",
            step_title=step.title if step else "", confirmed=told.confirmed,
        )  # fmt: skip

    return DiagnosisView(
        faults=found.faults, unknown=found.unknown, says=found.says, humble=found.humble,
        causes=tuple(cause(c) for c in found.causes), unlisted=found.unlisted, ask=found.ask,
        answers={}, confirmed={},
    )  # fmt: skip


@router.get("/bakes/{bake_id}/in-short")
def in_short(bench: BenchHere, bake_id: str) -> str:
    """What a bake says in a sentence, and the one thing to do otherwise; empty where nothing is to be said."""
    return bench.in_short(bake_id)


@router.post("/bakes/{bake_id}/levers", status_code=201)
def take_lever(bench: BenchHere, store: StoreHere, bake_id: str, body: LeverBody) -> LeverTaken:
    """Write a cause's lever into the newest version of the bake's formula, as a note or as a change."""
    known = CAUSES.get(body.cause)
    if known is None:
        raise CraftError(f"There is no cause “{body.cause}”.", field="cause", remedy="Take one of the list.")
    formula_id = bench.moment(bake_id).document.formula.id
    version, formula = store.formulas.get(formula_id)
    taken = changed(formula, known) if body.how == "change" else noted(formula, known, body.step or None)
    saved = store.formulas.save(taken.formula, based_on=version)
    return LeverTaken(formula=formula_id, version=saved, step=taken.step, said=taken.said)
