"""The kitchen profile."""

from __future__ import annotations

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict

from kindwhisk.api.problems import refusals
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.values.errors import NotNowError
from kindwhisk.store import kitchens
from kindwhisk.store.writing import writing

router = APIRouter(prefix="/api/kitchen", tags=["kitchen"])


class KitchenView(BaseModel):
    """The profile with the number of its revision."""

    model_config = ConfigDict(extra="forbid", strict=True)

    revision: int
    kitchen: Kitchen


@router.get("")
def current() -> KitchenView:
    """The profile in force."""
    revision, kitchen = kitchens.current()
    return KitchenView(revision=revision, kitchen=kitchen)


@router.put("", responses=refusals(400, 409, 422))
def save(body: KitchenView) -> KitchenView:
    """Keep a changed profile. ``revision`` is the one that was changed; bakes keep the profile they began with."""
    with writing():
        revision, _ = kitchens.current()
        if body.revision != revision:
            raise NotNowError(
                "The kitchen was changed on another page meanwhile.",
                field="revision",
                remedy="Reload, look at what changed, and enter yours again.",
            )
        return KitchenView(revision=kitchens.save(body.kitchen), kitchen=body.kitchen)
