"""The stand-in kitchen: its clock, its flame and its mishaps, where the server was started with it."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Request
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.problems import refusals
from kindwhisk.bench.clock import FASTEST
from kindwhisk.core.values.errors import NotNowError
from kindwhisk.devices.stand_in import Mishap, StandIns, StandInsView

router = APIRouter(prefix="/api/stand-ins", tags=["readings"], responses=refusals(400, 409, 422))


class StandInChange(BaseModel):
    """What to change; what is left out stays."""

    model_config = ConfigDict(extra="forbid")

    on: bool | None = None
    speed: Annotated[float, Field(ge=1, le=FASTEST, allow_inf_nan=False)] | None = None
    flame: Annotated[float, Field(ge=0, le=1.2, allow_inf_nan=False)] | None = None
    mishap: Mishap | None = None
    door_s: Annotated[float, Field(gt=0, le=600, allow_inf_nan=False)] | None = None


def _stand_ins(request: Request) -> StandIns:
    found: StandIns = request.app.state.stand_ins
    return found


@router.get("")
def view(request: Request) -> StandInsView:
    """Whether stand-ins are there, and what they stand in for now."""
    return _stand_ins(request).view()


@router.post("")
def change(body: StandInChange, request: Request) -> StandInsView:
    """Switch them on or off, let the clock run faster, turn the flame, let something go wrong."""
    own = _stand_ins(request)
    if not own.available:
        raise NotNowError(
            "This server has no stand-ins: its thermometers are real.",
            field="on",
            remedy="Start it with --stand-ins, or start the demo.",
        )
    if body.on is not None:
        own.on = body.on
    if body.speed is not None:
        own.clock.run(body.speed)
    if body.flame is not None:
        own.turn_flame(body.flame)
    if body.mishap is not None:
        own.mishap(body.mishap)
    if body.door_s is not None:
        own.open_door(body.door_s)
    return own.view()
