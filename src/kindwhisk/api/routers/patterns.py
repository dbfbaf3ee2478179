"""Splitting and patterning as calculations without a state."""

from __future__ import annotations

from typing import Annotated, Literal

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.tins import Density, Grams, ShapeName, read_tin
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.patterns.pattern import PatternView
from kindwhisk.core.patterns.rings import Pattern, rings_in
from kindwhisk.core.patterns.splitting import PartWish, SplitPlan, split
from kindwhisk.core.patterns.stripes import in_the_bag
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.vessels.bowls import usual

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 422))


class _Body(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)


class RingsBody(_Body):
    """Rings in tins: the pattern, one of the tins, and how many of them."""

    kind: Literal["rings"] = "rings"
    pattern: Annotated[Pattern, Field(strict=False)]
    shape: ShapeName
    dimensions: dict[str, float | None] = Field(max_length=8)
    tins: int = Field(default=1, ge=1, le=99)


class StripesBody(_Body):
    """Stripes in a piping bag."""

    kind: Literal["stripes"] = "stripes"
    each: int = Field(default=1, ge=1, le=12)
    nozzle_mm: float = Field(default=12, ge=3, le=40, allow_inf_nan=False)


class SplitBody(_Body):
    """A batter to be parted. ``batter`` tells its goods in proportion; without it, those of a usual chiffon batter."""

    batter_g: Grams
    density_g_per_ml: Density
    batter: dict[str, Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]] = Field(
        default_factory=dict, max_length=40
    )
    parts: tuple[PartWish, ...] = Field(min_length=1, max_length=12, strict=False)
    pattern: Annotated[RingsBody | StripesBody, Field(discriminator="kind")] | None = None


class SplitView(SplitPlan):
    """The parts, and what the pattern makes of them."""

    pattern: PatternView | None = None


@router.post("/split")
def split_batter(body: SplitBody) -> SplitView:
    """Masses per part before and after what colours them, brought to one density, and the portions of a pattern."""
    material = usual("batter", body.batter_g)
    if body.batter:
        whole = sum(body.batter.values())
        material = Material(parts={ingredient(i).id: g * body.batter_g / whole for i, g in body.batter.items()})
    for i, wish in enumerate(body.parts):
        if sum(wish.additions.values()) > body.batter_g:
            raise CraftError(
                "More is added to this part than there is batter.",
                field=f"parts.{i}.additions",
                remedy="Give the grams of what colours it.",
            )
    plan = split(material.at_density(Estimate.exact(body.density_g_per_ml, Basis.FORMULA)), body.parts)
    masses = [p.mass_g for p in plan.parts]
    even = [plan.density_g_per_ml] * len(masses)
    names, colours = tuple(p.name for p in plan.parts), tuple(p.colour for p in plan.parts)
    made: PatternView | None = None
    if isinstance(body.pattern, RingsBody):
        tin = read_tin(body.pattern.shape, {k: v for k, v in body.pattern.dimensions.items() if v is not None})
        made = rings_in(body.pattern.pattern, tin, masses, even, names, colours, tins=body.pattern.tins)
    elif isinstance(body.pattern, StripesBody):
        made = in_the_bag(masses, even, body.pattern.each, body.pattern.nozzle_mm, names, colours)
    return SplitView(**dict(plan), pattern=made)
