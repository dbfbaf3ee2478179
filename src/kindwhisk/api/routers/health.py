"""Is the server there, and may this device come in."""

from __future__ import annotations

from datetime import datetime
from typing import Annotated

from fastapi import APIRouter, Request, Response
from fastapi import Path as PathParam
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk import __version__
from kindwhisk.api.dependencies import SessionsHere, StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.sessions import COOKIE, KEPT_FOR_S, tokens_in
from kindwhisk.core.values.errors import CraftError

router = APIRouter(prefix="/api", tags=["server"])


class Health(BaseModel):
    """The server answers: ``ok``, or ``trouble`` where nothing can be kept now."""

    status: str
    version: str


class Passcode(BaseModel):
    """What the server was started with."""

    model_config = ConfigDict(strict=True, extra="forbid")
    passcode: Annotated[str, Field(min_length=1, max_length=200)]


class SessionView(BaseModel):
    """A device that is let in: what its browser said it is, since when, when it was last there; ``own``: this one."""

    id: int
    device: str
    made_at: datetime
    seen_at: datetime
    own: bool


@router.get("/health")
def health(store: StoreHere) -> Health:
    """Whether the server is there and can keep what it is told, and its version."""
    return Health(status="ok" if store.standing.trouble is None else "trouble", version=__version__)


@router.post("/session", status_code=204, responses=refusals(400, 409, 422))
def enter(sessions: SessionsHere, body: Passcode, request: Request, response: Response) -> None:
    """Let this device in."""
    address = request.client.host if request.client else ""
    token = sessions.enter(body.passcode, address, request.headers.get("user-agent", "")[:200])
    if token is None:
        raise CraftError("That is not the passcode.", field="passcode", remedy="Ask whoever started the server.")
    response.set_cookie(COOKIE, token, httponly=True, samesite="strict", max_age=KEPT_FOR_S)


@router.get("/sessions")
def let_in(sessions: SessionsHere, request: Request) -> list[SessionView]:
    """The devices that are let in; none where no passcode is set."""
    own = sessions.which(tokens_in(request.headers.get("cookie", "")))
    return [SessionView(**s._asdict(), own=s.id == own) for s in sessions.listed()]


@router.delete("/sessions/{session_id}", status_code=204, responses=refusals(404, 422))
def end(sessions: SessionsHere, session_id: Annotated[int, PathParam(ge=1, le=2**53)]) -> None:
    """Let a device in no more."""
    if not sessions.end(session_id):
        raise CraftError(
            "That device is not let in.", field="session_id", remedy="Choose one of the list."
        )  # fmt: skip
