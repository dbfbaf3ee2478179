"""Cooling as a calculation without a state: when a cake may be turned out, rolled, creamed and cut."""

from __future__ import annotations

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.dependencies import KitchenHere
from kindwhisk.api.problems import refusals
from kindwhisk.core.baking.cooling import Hot, cooling
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.warmth.cooling import OUT_OF_OVEN_C, Cooling, How

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 422))


class CoolBody(BaseModel):
    """A cake out of the oven: ``cake_g`` in or from a tin that it fills to ``height_mm``."""

    model_config = ConfigDict(extra="forbid", strict=True)

    technique: Technique | None = Field(default=None, strict=False)
    tin: Tin
    cake_g: float = Field(ge=1, le=50_000, allow_inf_nan=False)
    height_mm: float = Field(ge=1, le=500, allow_inf_nan=False)
    how: How = Field(default=How.RACK, strict=False)
    from_c: float = Field(default=OUT_OF_OVEN_C, ge=20, le=110, allow_inf_nan=False)
    air_c: float | None = Field(default=None, ge=0, le=45, allow_inf_nan=False)


@router.post("/cool")
def cool(kitchen: KitchenHere, body: CoolBody) -> Cooling:
    """When a cake may be turned out, rolled, creamed and cut."""
    air = kitchen.air_c if body.air_c is None else body.air_c
    return cooling(Hot(body.tin, body.height_mm, body.cake_g, body.how, air, body.from_c), body.technique)
