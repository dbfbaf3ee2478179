"""The stand-in kitchen: its clock, its flame and its mishaps, where the server was started with it."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import StandInsHere
from kindwhisk.api.problems import refusals
from kindwhisk.bench.clock import FASTEST
from kindwhisk.core.values.errors import NotNowError
from kindwhisk.devices.stand_in import Mishap, StandInsView

router = APIRouter(prefix="/api/stand-ins", tags=["readings"], responses=refusals(400, 409, 422))


class StandInChange(BaseModel):
    """What to change; what is left out stays."""

    model_config = ConfigDict(extra="forbid")

    on: bool | None = None
    speed: Annotated[float, Field(ge=1, le=FASTEST, allow_inf_nan=False)] | None = None
    flame: Annotated[float, Field(ge=0, le=1.2, allow_inf_nan=False)] | None = None
    mishap: Mishap | None = None
    door_s: Annotated[float, Field(gt=0, le=600, allow_inf_nan=False)] | None = None


@router.get("")
def view(own: StandInsHere) -> StandInsView:
    """Whether stand-ins are there, and what they stand in for now."""
    return own.view()


@router.post("")
def change(own: StandInsHere, body: StandInChange) -> StandInsView:
    """Switch them on or off, let the clock run faster, turn the flame, let something go wrong."""
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
