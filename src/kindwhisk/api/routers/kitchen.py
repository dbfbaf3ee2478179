"""The kitchen profile."""

from __future__ import annotations

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict

from kindwhisk.api.dependencies import StoreHere
from kindwhisk.api.problems import refusals
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.values.errors import NotNowError

router = APIRouter(prefix="/api/kitchen", tags=["kitchen"])


class KitchenView(BaseModel):
    """The profile with the number of its revision."""

    model_config = ConfigDict(extra="forbid", strict=True)

    revision: int
    kitchen: Kitchen


@router.get("")
def current(store: StoreHere) -> KitchenView:
    """The profile in force."""
    revision, kitchen = store.kitchens.current()
    return KitchenView(revision=revision, kitchen=kitchen)


@router.put("", responses=refusals(400, 409, 422))
def save(store: StoreHere, body: KitchenView) -> KitchenView:
    """Keep a changed profile. ``revision`` is the one that was changed; bakes keep the profile they began with."""
    with store.writing():
        revision, _ = store.kitchens.current()
        if body.revision != revision:
            raise NotNowError(
                "The kitchen was changed on another page meanwhile.",
                field="revision",
                remedy="Reload, look at what changed, and enter yours again.",
            )
        return KitchenView(revision=store.kitchens.save(body.kitchen), kitchen=body.kitchen)
