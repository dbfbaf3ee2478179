"""Foam and fold as calculations without a state: fold plans, what a cup tells, cups and ribbons, how foams age."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.problems import refusals
from kindwhisk.core.foams.ageing import Ageing, ageing, air_lost
from kindwhisk.core.foams.foam import Foam, hold_s
from kindwhisk.core.folding.air_kept import KeptByCup, kept_by_cup
from kindwhisk.core.folding.airy import Airy, together
from kindwhisk.core.folding.cup import cup_volume_ml, density_by_ribbon
from kindwhisk.core.folding.plan import (
    BASE_FREE,
    DRY_SHARE,
    FOAM_FREE,
    FoldPlan,
    FoldSchool,
    fold_plan,
)
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.vessels.bowls import bowl_for, section_of
from kindwhisk.core.vessels.section import Section

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 422))


class _Body(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)


class ContentBody(_Body):
    """A content: its mass and density, and what that would be without bubbles where it is known (g/ml)."""

    mass_g: float = Field(ge=1, le=50_000, allow_inf_nan=False)
    density_g_per_ml: float = Field(ge=0.08, le=1.6, allow_inf_nan=False)
    gas_free_g_per_ml: float | None = Field(default=None, ge=0.8, le=1.7, allow_inf_nan=False)

    def airy(self, usual_free: float) -> Airy:
        """As folding sees it."""
        return Airy.at(self.mass_g, self.density_g_per_ml, self.gas_free_g_per_ml or usual_free)


class FoldBody(_Body):
    """A fold to be planned. ``dry_share`` is the share of the base that is sifted, where a school does that."""

    base: ContentBody
    foam: ContentBody
    school: FoldSchool = Field(default=FoldSchool.SACRIFICE, strict=False)
    portions: int | None = Field(default=None, ge=1, le=6)
    sacrifice_fraction: float | None = Field(default=None, ge=0, le=0.6, allow_inf_nan=False)
    dry_share: float = Field(default=DRY_SHARE, ge=0, le=1, allow_inf_nan=False)

    def parts(self) -> tuple[Airy, Airy]:
        """Base and foam."""
        return self.base.airy(BASE_FREE), self.foam.airy(FOAM_FREE)

    def plan(self) -> FoldPlan:
        """The plan."""
        base, foam = self.parts()
        return fold_plan(
            base, foam, self.school, self.portions, spend=self.sacrifice_fraction, dry_share=self.dry_share
        )


class MeasuredBody(FoldBody):
    """A fold that was done, and what a cup of its batter weighed."""

    measured_density_g_per_ml: float = Field(ge=0.08, le=1.6, allow_inf_nan=False)


class FoldView(FoldPlan):
    """A plan with its pictures: base and foam before, and the bowl after each addition, all to one scale."""

    before: tuple[Section, ...]
    after: tuple[Section, ...]


class KeptView(KeptByCup):
    """What a cup tells, with the batter drawn as it was measured."""

    section: Section


class CupWater(_Body):
    """A cup weighed empty, and level full of water."""

    empty_g: float = Field(ge=0, le=5000, allow_inf_nan=False)
    water_g: float = Field(gt=0, le=10_000, allow_inf_nan=False)
    water_c: float = Field(default=20, ge=-5, le=100, allow_inf_nan=False)


class CupVolume(BaseModel):
    """What a cup holds."""

    volume_ml: float


class Aged(BaseModel):
    """A foam that has waited: the share of its bubbles that is gone, its window, and what brings it back."""

    lost: Estimate
    hold_s: Estimate
    ageing: Ageing


@router.post("/fold")
def fold(body: FoldBody) -> FoldView:
    """The plan of a fold, addition by addition, by the school asked for."""
    base, foam = body.parts()
    plan = body.plan()
    bowl = bowl_for(together((base, foam)).volume_ml)
    whole = together((base, foam))
    after = []
    for addition in plan.additions:
        volume = addition.volume_ml.likely
        mass = addition.density_g_per_ml.likely * volume
        free = min(volume, whole.free_ml * mass / whole.mass_g)
        after.append(section_of(Airy(mass, free, volume - free), "batter", bowl, "bowl"))
    return FoldView(
        **dict(plan),
        before=(section_of(base, "base", bowl, "base"), section_of(foam, "foam", bowl, "foam")),
        after=tuple(after),
    )


@router.post("/fold/air-kept")
def air_kept(body: MeasuredBody) -> KeptView:
    """The share of the air that a fold kept, by a cup of its batter, and what that means."""
    base, foam = body.parts()
    kept = kept_by_cup(base, foam, body.plan(), body.measured_density_g_per_ml)
    whole = together((base, foam))
    volume = whole.mass_g / body.measured_density_g_per_ml
    free = min(volume, whole.free_ml)
    bowl = bowl_for(whole.volume_ml)
    return KeptView(
        **dict(kept), section=section_of(Airy(whole.mass_g, free, volume - free), "batter", bowl, "measured")
    )


@router.post("/cup-volume")
def cup_volume(body: CupWater) -> CupVolume:
    """What a cup holds, by the water that fills it."""
    return CupVolume(volume_ml=cup_volume_ml(body.empty_g, body.water_g, body.water_c))


@router.get("/ribbon")
def ribbon(foam: Foam, seconds: Annotated[float, Query(gt=0, le=600, allow_inf_nan=False)]) -> Estimate:
    """The density (g/ml) that the seconds of a ribbon stand for: rough, where no scale is in reach."""
    return density_by_ribbon(foam, seconds)


@router.get("/ageing")
def aged(
    foam: Foam,
    waited_s: Annotated[float, Query(ge=0, le=86_400, allow_inf_nan=False)] = 0,
) -> Aged:
    """How a foam ages while it waits. A French meringue goes by its sugar: its window comes with its step."""
    if foam is Foam.FRENCH_MERINGUE:
        raise CraftError(
            "The window of a French meringue depends on its sugar.",
            field="foam",
            remedy="Ask /api/craft/meringue/spot for its window.",
        )
    hold = hold_s(foam)
    return Aged(lost=air_lost(waited_s, hold), hold_s=hold, ageing=ageing(foam))
