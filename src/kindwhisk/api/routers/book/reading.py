"""Reading in: text, a schema.org Recipe, or a table, into a draft that is kept only when it is confirmed."""

from __future__ import annotations

from typing import Annotated, Any

from fastapi import APIRouter, Body, Request
from fastapi.concurrency import run_in_threadpool
from pydantic import BaseModel, ConfigDict, Field, ValidationError

from kindwhisk.api import sums
from kindwhisk.api.beside import beside
from kindwhisk.api.dependencies import StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.book.formulas import Saved
from kindwhisk.core.ingredients import tell
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.reading import proposal, recipe
from kindwhisk.core.reading.goods import Question
from kindwhisk.core.reading.line import ReadLine
from kindwhisk.core.reading.method.figures import MethodReading
from kindwhisk.core.reading.remarks import Remark
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.faults import faults
from kindwhisk.core.values.technique import Technique
from kindwhisk.formats import recipe_jsonld
from kindwhisk.store.database import Store

router = APIRouter(prefix="/api/formulas", tags=["book"], responses=refusals(400, 422, 503))


class RecipeText(BaseModel):
    """A recipe as it was found. ``technique`` is its class, where the baker says it; ``by_hand`` what was corrected."""

    model_config = ConfigDict(extra="forbid", strict=True)

    text: str = Field(max_length=recipe.LONGEST)
    format: Annotated[str, Field(pattern="^(text|csv)$")] = "text"
    technique: Annotated[Technique | None, Field(strict=False)] = None
    by_hand: Annotated[proposal.ByHand, Field(strict=False)] = proposal.NOTHING


class DraftView(BaseModel):
    """What was read. ``formula`` carries an id that is free in the Book; None where no process could be proposed."""

    title: str
    rows: tuple[proposal.ReadRow, ...]
    technique: Technique
    lines: tuple[ReadLine, ...]
    groups: tuple[str, ...]
    method: MethodReading
    formula: Formula | None
    keys: dict[str, str]
    questions: tuple[Question, ...]
    lint: tuple[Remark, ...]


async def _draft(store: Store, asked: Request, text: str | recipe.Written, how: RecipeText | None = None) -> DraftView:
    _, kitchen = await run_in_threadpool(store.kitchens.current)
    form, technique, by_hand = (
        (how.format, how.technique, how.by_hand) if how is not None else ("text", None, proposal.NOTHING)
    )
    found = await beside(asked, sums.read, text, form, kitchen.eggs, technique, store.goods.all(), by_hand)
    return await run_in_threadpool(_view, store, found)


def _view(store: Store, read: proposal.ReadRecipe) -> DraftView:
    formula = read.formula
    if formula is not None:
        tell(good.ingredient() for good in formula.goods)
        formula = formula.model_copy(update={"id": store.formulas.free_id(formula.id)})
    return DraftView(
        title=read.title,
        rows=read.rows,
        technique=read.technique,
        lines=read.lines,
        groups=read.groups,
        method=read.method,
        formula=formula,
        keys=read.keys,
        questions=read.questions,
        lint=read.lint,
    )


def _not_a_text(body: dict[str, Any]) -> CraftError:
    """Why a body with a ``text`` is none after all."""
    try:
        RecipeText.model_validate(body)
    except ValidationError as error:
        first = faults(error.errors(include_url=False), body)[0]
        return CraftError(first.sentence, field=first.field or "text", remedy='Send {"text": "…"} or a Recipe.')
    return CraftError("It can't be read.", field="text", remedy='Send {"text": "…"} or a Recipe.')


@router.post("/read")
async def read(
    store: StoreHere,
    asked: Request,
    body: Annotated[RecipeText | dict[str, Any], Body(union_mode="left_to_right")],
) -> DraftView:
    """A draft from ``{"text": ...}`` or from a schema.org Recipe. Nothing is saved."""
    if isinstance(body, RecipeText):
        return await _draft(store, asked, body.text, body)
    if "text" in body and "@type" not in body and "@graph" not in body:
        raise _not_a_text(body)
    if recipe_jsonld.carries_process(body):
        formula = recipe_jsonld.read(body)
        draft = await _draft(store, asked, recipe.from_jsonld(body))
        own = formula.model_copy(update={"id": store.formulas.free_id(formula.id)})
        return draft.model_copy(
            update={"formula": own, "technique": own.technique, "title": own.title, "questions": (), "lint": ()}
        )
    return await _draft(store, asked, recipe.from_jsonld(body))


@router.post("", status_code=201)
def keep(store: StoreHere, recipe: dict[str, Any]) -> Saved:
    """Keep a formula from a schema.org Recipe that carries our process; a changed one becomes a new version."""
    formula = recipe_jsonld.read(recipe)
    store.goods.bring(formula.goods)
    return Saved(id=formula.id, version=store.formulas.save(formula))
