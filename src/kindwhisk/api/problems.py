"""Errors as RFC 9457 problem documents that name the field and say what to do."""

from __future__ import annotations

import logging
import secrets
from collections.abc import Iterator
from typing import Any

from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from peewee import PeeweeException
from pydantic import BaseModel, Field
from starlette.types import ASGIApp, Message, Receive, Scope, Send

from kindwhisk.bench.bench import Bench
from kindwhisk.core.values.errors import CraftError, NotNowError
from kindwhisk.core.values.faults import faults
from kindwhisk.store.trouble import DataTrouble, TroubleKind, trouble_of, trouble_of_disk

log = logging.getLogger(__name__)

MEDIA_TYPE = "application/problem+json"
MOST_BYTES = 8_000_000
"""So much a request may carry, but where a door says otherwise."""
LOST_FIELDS = {"formula_id", "bake_id", "oven_id", "session_id", "question_id"}
"""Fields whose unknown value means that the thing asked for is not there."""


class FieldProblem(BaseModel):
    """One field and its remedy."""

    field: str
    detail: str


class Problem(BaseModel):
    """What happened, which field it is about, and what to do. Nothing was changed."""

    type: str = "about:blank"
    title: str
    status: int
    detail: str
    field: str | None = None
    remedy: str = ""
    errors: list[FieldProblem] = Field(default_factory=list)


class ProblemError(Exception):
    """A problem that is no refusal of the craft."""

    def __init__(self, problem: Problem) -> None:
        super().__init__(problem.detail)
        self.problem = problem


REFUSALS = {
    400: "The body could not be read.",
    404: "There is no such thing.",
    409: "It does not fit what has happened so far.",
    413: "It is too large; the problem says what is the most.",
    422: "A field is wrong; the problem names it.",
    503: "It took too long, or the data file did not take it.",
    507: "The disk is full.",
}


def refusals(*statuses: int) -> dict[int | str, dict[str, Any]]:
    """What a router says of these refusals in the OpenAPI document."""
    return {s: {"model": Problem, "description": REFUSALS[s], "content": {MEDIA_TYPE: {}}} for s in statuses}


def answer(problem: Problem) -> JSONResponse:
    """The problem as a response."""
    return JSONResponse(problem.model_dump(), status_code=problem.status, media_type=MEDIA_TYPE)


def _status(error: CraftError) -> int:
    if isinstance(error, NotNowError):
        return 409
    return 404 if error.field in LOST_FIELDS else 422


def _located(error: RequestValidationError) -> Iterator[dict[str, Any]]:
    """The errors without where a field came in; text that is no JSON has a place in it, but no field."""
    for found in error.errors():
        yield {**found, "loc": () if found["type"] == "json_invalid" else found["loc"][1:]}


KNOWN = {
    400: ("The request can't be read", "The body could not be read.", "Send JSON, in UTF-8."),
    404: ("Not found", "There is nothing at this address.", "Check the address."),
    413: (
        "Too large",
        f"The body holds more than {MOST_BYTES // 1_000_000} MB.",
        "Send it in several parts; nothing was changed.",
    ),
    405: ("Not possible here", "This address does not accept that method.", "Check the method."),
}


def of_status(status: int) -> Problem:
    """What the framework itself refuses."""
    title, detail, remedy = KNOWN.get(status, ("Not possible", f"The request was refused ({status}).", "Check it."))
    return Problem(title=title, status=status, detail=detail, remedy=remedy)


TROUBLED = {TroubleKind.FULL: 507, TroubleKind.UNFIT: 422}


def _of_trouble(why: DataTrouble) -> Problem:
    return Problem(
        title="The data were not touched" if why.kind is TroubleKind.UNFIT else "Not kept",
        status=TROUBLED.get(why.kind, 503), detail=why.message, remedy=why.remedy,
    )  # fmt: skip


class Faults:
    """Answers for what nobody foresaw: a problem document with a number, under which the server's log has the rest."""

    def __init__(self, app: ASGIApp) -> None:
        self.app = app

    async def __call__(self, scope: Scope, receive: Receive, send: Send) -> None:
        """Let the request pass; what it stumbles over is logged and answered."""
        begun = False

        async def watched(message: Message) -> None:
            nonlocal begun
            begun = begun or message["type"] == "http.response.start"
            await send(message)

        try:
            await self.app(scope, receive, watched)
        except Exception:
            if scope["type"] != "http":
                raise
            number = secrets.token_hex(3)
            log.exception("fault %s at %s %s", number, scope["method"], scope["path"][:200])
            if begun:
                return  # what is missing of the answer, whoever asked sees by its end
            await answer(
                Problem(
                    title="A fault of Kind Whisk",
                    status=500,
                    detail=f"Kind Whisk stumbled over this. In the server's log it is fault {number}.",
                    remedy="Nothing was changed. Try it otherwise, and tell whoever looks after the server the number.",
                )
            )(scope, receive, watched)


def install(app: FastAPI) -> None:
    """Turn every refusal into a problem document."""

    @app.exception_handler(CraftError)
    async def refused(_: Request, error: CraftError) -> JSONResponse:
        status = _status(error)
        title = {404: "Not found", 409: "Not now", 422: "That is not possible"}[status]
        return answer(Problem(title=title, status=status, detail=error.message, field=error.field, remedy=error.remedy))

    @app.exception_handler(DataTrouble)
    async def not_kept(_: Request, error: DataTrouble) -> JSONResponse:
        return answer(_of_trouble(error))

    @app.exception_handler(PeeweeException)
    async def not_read(request: Request, error: PeeweeException) -> JSONResponse:
        why = trouble_of(error)
        if why is None:
            raise error
        bench: Bench = request.app.state.bench
        return answer(_of_trouble(bench.store.standing.hit(why)))

    @app.exception_handler(OSError)
    async def not_taken(_: Request, error: OSError) -> JSONResponse:
        why = trouble_of_disk(error)
        if why is None:
            raise error
        return answer(_of_trouble(why))

    @app.exception_handler(ProblemError)
    async def failed(_: Request, error: ProblemError) -> JSONResponse:
        return answer(error.problem)

    @app.exception_handler(RequestValidationError)
    async def invalid(_: Request, error: RequestValidationError) -> JSONResponse:
        found = [f._replace(field=f.field or "body") for f in faults(_located(error), error.body)]
        return answer(
            Problem(
                title="A field is wrong",
                status=422,
                detail=found[0].sentence,
                field=found[0].field,
                remedy="Correct this field and send it again; nothing was changed.",
                errors=[FieldProblem(field=f.field, detail=f.text) for f in found],
            )
        )
