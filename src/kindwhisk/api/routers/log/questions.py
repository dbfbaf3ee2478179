"""Questions that stay open on a formula: what is suspected, what was tried, what was learned."""

from __future__ import annotations

import secrets
from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import BenchHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.bench.log.events import Key
from kindwhisk.core.diagnosis.causes import CAUSES
from kindwhisk.core.diagnosis.faults import called, family_of
from kindwhisk.core.trying.question import OpenQuestion, QuestionTold, Trial
from kindwhisk.core.values.errors import CraftError

router = APIRouter(prefix="/api/questions", tags=["log"], responses=refusals(400, 404, 409, 422))

Said = Annotated[str, Field(min_length=1, max_length=300)]


class QuestionBody(BaseModel):
    """A question: its formula, its words, the faults that it asks about, and what is suspected (keys of causes)."""

    model_config = ConfigDict(extra="forbid", strict=True)

    client_key: Key
    formula: Annotated[str, Field(max_length=60)]
    text: Said
    faults: list[Said] = Field(min_length=1, max_length=8)
    suspects: list[Annotated[str, Field(max_length=80)]] = Field(default=[], max_length=20)


class TrialBody(BaseModel):
    """One change that is tried from now on: what it is, and the cause that it is against."""

    model_config = ConfigDict(extra="forbid", strict=True)

    change: Said
    suspect: Annotated[str, Field(max_length=80)] = ""


class CountsBody(BaseModel):
    """Whether a bake counts for a question."""

    model_config = ConfigDict(extra="forbid", strict=True)

    counts: bool


class ClosedBody(BaseModel):
    """What was learned; it stands on the formula's page from then on."""

    model_config = ConfigDict(extra="forbid", strict=True)

    learned: Annotated[str, Field(min_length=1, max_length=1000)]


def _cause(key: str) -> str:
    if key and key not in CAUSES:
        raise CraftError(f"There is no cause “{key}”.", field="suspects", remedy="Take one of the list.")
    return key


@router.get("")
def listed(bench: BenchHere, formula: Annotated[str | None, Query(max_length=60)] = None) -> list[QuestionTold]:
    """Questions, open ones first, each with what its bakes say."""
    return [bench.question_told(q) for q in bench.store.questions.all(formula)]


@router.post("", status_code=201)
def ask(bench: BenchHere, store: StoreHere, body: QuestionBody) -> QuestionTold:
    """Keep a question open; the same key again opens no second one."""
    _, formula = store.formulas.get(body.formula)
    family = family_of(formula.technique)
    faults = []
    for words in body.faults:
        fault = called(words, family)
        if fault is None:
            raise CraftError(
                f"“{words[:60]}” is no fault of {family.value}.", field="faults", remedy="Choose from the list."
            )
        faults.append(fault.words)
    asked = OpenQuestion(
        id="new", formula=body.formula, text=body.text, faults=tuple(dict.fromkeys(faults)),
        suspects=tuple(dict.fromkeys(_cause(s) for s in body.suspects if s)), opened_at=bench.clock.now(),
    )  # fmt: skip
    return bench.question_told(store.questions.ask(asked, body.client_key))


@router.get("/{question_id}")
def one(bench: BenchHere, store: StoreHere, question_id: str) -> QuestionTold:
    """A question with what its bakes say."""
    return bench.question_told(store.questions.get(question_id))


@router.post("/{question_id}/trials", status_code=201)
def begin(bench: BenchHere, store: StoreHere, question_id: str, body: TrialBody) -> QuestionTold:
    """Try one change from now on, in every bake of the formula; what was tried until now ends."""
    trial = Trial(id=secrets.token_hex(3), change=body.change, suspect=_cause(body.suspect), begun_at=bench.clock.now())
    return bench.question_told(store.questions.change(question_id, lambda q: q.begin(trial)))


@router.post("/{question_id}/trials/end")
def end(bench: BenchHere, store: StoreHere, question_id: str) -> QuestionTold:
    """Try nothing any more, but keep the question open."""
    now = bench.clock.now()
    return bench.question_told(store.questions.change(question_id, lambda q: q.end(now)))


@router.put("/{question_id}/bakes/{bake_id}")
def counts(bench: BenchHere, store: StoreHere, question_id: str, bake_id: str, body: CountsBody) -> QuestionTold:
    """Whether a bake counts: one that did not try the change, or went wrong otherwise, can be left out."""
    store.log.one(bake_id)
    changed = store.questions.change(question_id, lambda q: q.counting(bake_id, counts=body.counts))
    return bench.question_told(changed)


@router.post("/{question_id}/close")
def close(bench: BenchHere, store: StoreHere, question_id: str, body: ClosedBody) -> QuestionTold:
    """Close it with what was learned."""
    now = bench.clock.now()
    return bench.question_told(store.questions.change(question_id, lambda q: q.close(now, body.learned)))


@router.post("/{question_id}/reopen")
def reopen(bench: BenchHere, store: StoreHere, question_id: str) -> QuestionTold:
    """Open it again."""
    return bench.question_told(store.questions.change(question_id, lambda q: q.reopen()))
