"""Is the server there, and may this device come in."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Response
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk import __version__
from kindwhisk.api.dependencies import SessionsHere
from kindwhisk.api.problems import refusals
from kindwhisk.api.security import COOKIE
from kindwhisk.core.values.errors import CraftError

router = APIRouter(prefix="/api", tags=["server"])


class Health(BaseModel):
    """The server answers."""

    status: str
    version: str


class Passcode(BaseModel):
    """What the server was started with."""

    model_config = ConfigDict(strict=True, extra="forbid")
    passcode: Annotated[str, Field(min_length=1, max_length=200)]


@router.get("/health")
def health() -> Health:
    """Whether the server is there, and its version."""
    return Health(status="ok", version=__version__)


@router.post("/session", status_code=204, responses=refusals(400, 409, 422))
def enter(sessions: SessionsHere, body: Passcode, response: Response) -> None:
    """Let this device in."""
    token = sessions.enter(body.passcode)
    if token is None:
        raise CraftError("That is not the passcode.", field="passcode", remedy="Ask whoever started the server.")
    response.set_cookie(COOKIE, token, httponly=True, samesite="strict")
