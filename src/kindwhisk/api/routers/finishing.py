"""From the rack to the plate as calculations without a state: ring, dome, roll, layers, shares, soak, readiness."""

from __future__ import annotations

from typing import Annotated, Any, Literal

from fastapi import APIRouter
from pydantic import BaseModel, ConfigDict, Field, field_validator, model_validator

from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.tins import Density, Grams
from kindwhisk.core.builds import sketch
from kindwhisk.core.finishing import allocation, cutting, dome, fingers, rolling, soaking
from kindwhisk.core.finishing.bodies import Body, DomeBody, RollBody
from kindwhisk.core.foams.whipped_cream import FILLS_G_PER_ML
from kindwhisk.core.readiness import cream, ganache
from kindwhisk.core.readiness.ready import Known, ready
from kindwhisk.core.readiness.window import Content, Purpose, Ready
from kindwhisk.core.shelf_life import limits
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.vessels.section import Section, of_build

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 422))

Length = Annotated[float, Field(ge=1, le=3000, allow_inf_nan=False)]
Thin = Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)]
Celsius = Annotated[float, Field(ge=-40, le=300, allow_inf_nan=False)]
Share = Annotated[float, Field(ge=0, le=1, allow_inf_nan=False)]
Seconds = Annotated[float, Field(ge=0, le=7 * 86400, allow_inf_nan=False)]
Minutes = Annotated[float, Field(ge=0, le=7 * 1440, allow_inf_nan=False)]
NotNegative = Annotated[float, Field(ge=0, le=100_000, allow_inf_nan=False)]
MOST_DRAWN_MM = 60.0


class _Body(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)


class FingerBody(_Body):
    """A finger as baked."""

    width_mm: Annotated[float, Field(ge=3, le=200, allow_inf_nan=False)]
    thickness_mm: Annotated[float, Field(ge=2, le=100, allow_inf_nan=False)]
    length_mm: Annotated[float, Field(ge=10, le=600, allow_inf_nan=False)]
    density_g_per_ml: Density | None = None


class RingBody(_Body):
    """A ring, inside, and the fingers that it is lined with."""

    ring_mm: Annotated[float, Field(ge=30, le=1000, allow_inf_nan=False)]
    height_mm: Annotated[float, Field(ge=5, le=400, allow_inf_nan=False)]
    finger: FingerBody


DISC_MM = 15.0


class RingView(fingers.FingerRing):
    """The ring, cut through: its wall, a disc, and what is filled in."""

    section: Section


@router.post("/ring")
def ring(body: RingBody) -> RingView:
    """How many fingers stand in a ring, where the last is cut, how wide the disc is, what is trimmed."""
    finger = body.finger
    if 2 * finger.thickness_mm >= body.ring_mm:
        raise CraftError(
            f"Two fingers of {finger.thickness_mm:g} mm leave no room in a ring of {body.ring_mm:g} mm.",
            field="finger.thickness_mm",
            remedy=f"Fingers thinner than {body.ring_mm / 2:.0f} mm, or a wider ring.",
        )
    told = finger.density_g_per_ml
    density = fingers.CRUMB_G_PER_ML if told is None else Estimate.exact(told)
    made = fingers.ring(body.ring_mm, body.height_mm, finger.width_mm, finger.thickness_mm, finger.length_mm, density)
    built = sketch.lined(body.ring_mm, made.room_mm, made.wall_mm, DISC_MM)
    return RingView(**dict(made), section=of_build("ring", built))


class SheetBody(_Body):
    """A baked sheet."""

    length_mm: Length
    width_mm: Length
    thickness_mm: Annotated[float, Field(ge=1, le=100, allow_inf_nan=False)]


SHORT, LONG = "short", "long"
Begun = Literal["short", "long", "from the short side", "from the long side"]


class RollAsked(_Body):
    """A sheet and its filling; rolled from the short side it goes along its longer one."""

    sheet: SheetBody
    filling_mm: Annotated[float, Field(ge=0, le=60, allow_inf_nan=False)]
    begun: Begun = "short"
    taper: Share = 0.0
    filling_g_per_ml: Density = FILLS_G_PER_ML
    slice_mm: Annotated[float, Field(ge=3, le=200, allow_inf_nan=False)] = rolling.SLICE_MM[1]
    core_mm: Annotated[float, Field(ge=0, le=200, allow_inf_nan=False)] = 0.0


class RollView(rolling.RollPlan):
    """The roll, cut across."""

    section: Section


@router.post("/roll")
def roll(body: RollAsked) -> RollView:
    """How thick a roll becomes, its turns, the strain of its outer face, its filling and its slices."""
    across, along = sorted((body.sheet.length_mm, body.sheet.width_mm))
    if LONG in body.begun:
        across, along = along, across
    made = rolling.plan(
        along,
        across,
        body.sheet.thickness_mm,
        body.filling_mm,
        taper=body.taper,
        filling_g_per_ml=body.filling_g_per_ml,
        slice_mm=body.slice_mm,
        core_mm=body.core_mm,
    )
    mean = rolling.mean_filling_mm(body.filling_mm, body.taper)
    flat = RollBody(length_mm=along, width_mm=across, thickness_mm=body.sheet.thickness_mm, filling_mm=mean)
    built = sketch.sketched(flat, mean, g_per_ml=body.filling_g_per_ml, taper=body.taper)
    return RollView(**dict(made), section=of_build("roll", built))


class DomeAsked(_Body):
    """A half-sphere to be hollowed."""

    diameter_mm: Annotated[float, Field(ge=30, le=1000, allow_inf_nan=False)]
    wall_mm: Annotated[float, Field(ge=3, le=200, allow_inf_nan=False)] = 18.0
    lid_mm: Annotated[float, Field(ge=3, le=200, allow_inf_nan=False)] = dome.LID_MM


class DomeView(dome.Dome):
    """The dome, cut through, filled."""

    section: Section


@router.post("/dome")
def dome_of(body: DomeAsked) -> DomeView:
    """What a dome takes of a filling, what crumb comes out of it, and how thick that covers it."""
    made = dome.dome(body.diameter_mm / 2, body.wall_mm, body.lid_mm)
    hollow = DomeBody(diameter_mm=body.diameter_mm, wall_mm=body.wall_mm, lid_mm=body.lid_mm)
    return DomeView(**dict(made), section=of_build("dome", sketch.sketched(hollow, 0)))


class LayersBody(_Body):
    """A cake to be cut into layers."""

    height_mm: Annotated[float, Field(ge=5, le=400, allow_inf_nan=False)]
    layers: Annotated[int, Field(ge=1, le=12)]
    dome_mm: Thin | None = None
    crust_mm: Thin = cutting.CRUST_MM


@router.post("/layers")
def layers(body: LayersBody) -> cutting.Layers:
    """How high each layer is, and what comes off first."""
    return cutting.layers(body.height_mm, body.layers, body.dome_mm, body.crust_mm)


class PortionsBody(_Body):
    """What is cut: a round cake (``diameter_mm``), a roll (``length_mm`` alone) or a sheet (both sides)."""

    mass_g: Grams
    portions: Annotated[int, Field(ge=1, le=400)]
    diameter_mm: Length | None = None
    length_mm: Length | None = None
    width_mm: Length | None = None
    edge_mm: Thin = 0.0

    @model_validator(mode="after")
    def _one_shape(self) -> PortionsBody:
        if (self.diameter_mm is None) == (self.length_mm is None):
            raise ValueError("give diameter_mm for a round cake, else length_mm (and width_mm for a sheet)")
        return self


@router.post("/portions")
def portions(body: PortionsBody) -> cutting.Portions:
    """How it is cut, how many, what each weighs, what is lost."""
    if body.diameter_mm is not None:
        return cutting.wedges(body.mass_g, body.diameter_mm, body.portions)
    assert body.length_mm is not None
    if body.width_mm is None:
        return cutting.sliced(body.mass_g, body.length_mm, body.portions, body.edge_mm or rolling.END_TRIM_MM[1])
    return cutting.grid(body.mass_g, (body.width_mm, body.length_mm), body.portions, body.edge_mm)


class FillingBody(_Body):
    """A filling: how thick it lies, or how many grams of it go inside."""

    name: Annotated[str, Field(min_length=1, max_length=60)] = "filling"
    thickness_mm: Annotated[float, Field(gt=0, le=200, allow_inf_nan=False)] | None = None
    density_g_per_ml: Density = FILLS_G_PER_ML
    layers: Annotated[int, Field(ge=1, le=40)] | None = None
    grams: Grams | None = None


class CoatBody(_Body):
    """A coat that is not as thick on top as on the side."""

    top_mm: Thin = 4.0
    side_mm: Thin = 4.0
    density_g_per_ml: Density = FILLS_G_PER_ML


class AllocateBody(_Body):
    """A body, what goes into and onto it, and what there is.

    ``coat_mm`` is the outer coat all over, or top and side apart; ``ornaments`` grams of the same content; ``reserve``
    the share that a recipe says is kept back; ``made_g`` what there is or will be.
    """

    body: Body
    fillings: tuple[FillingBody, ...] = Field(default=(), max_length=20, strict=False)
    coat_mm: Thin | CoatBody = 0.0
    ornaments: NotNegative = 0.0
    reserve: Annotated[float, Field(ge=0, le=0.9, allow_inf_nan=False)] | None = None
    made_g: NotNegative | None = None


class AllocationView(allocation.Allocation):
    """The shares at the density of what fills it, and the body as it will look."""

    density_g_per_ml: float
    section: Section


@router.post("/allocate")
def allocate(body: AllocateBody) -> AllocationView:
    """Grams by place, in all, and how much of what there is falls short: before anything is whipped."""
    inside = [allocation.Filling(f.name, f.thickness_mm, f.density_g_per_ml, f.layers, f.grams) for f in body.fillings]
    told = body.coat_mm
    density = body.fillings[0].density_g_per_ml if body.fillings else FILLS_G_PER_ML
    if isinstance(told, CoatBody):
        coat = allocation.Coat(told.top_mm, told.side_mm, told.density_g_per_ml)
    else:
        coat = allocation.Coat(told, told, density)
    made = allocation.allocate(
        body.body,
        inside,
        coat if coat.top_mm or coat.side_mm else None,
        ornaments_g=body.ornaments,
        reserve=body.reserve,
        made_g=body.made_g,
    )
    thick = sum(p.thickness_mm or 0.0 for p in made.places if p.place == "inside")
    outside = max((p.thickness_mm or 0.0 for p in made.places if p.place in {"top", "side"}), default=0.0)
    built = sketch.sketched(body.body, min(thick, MOST_DRAWN_MM), outside, density)
    return AllocationView(**dict(made), density_g_per_ml=density, section=of_build(body.body.body, built))


class CrumbBody(_Body):
    """A crumb to be soaked."""

    mass_g: Grams
    density_g_per_ml: Annotated[float, Field(gt=0.02, lt=1.25, allow_inf_nan=False)]
    temperature_c: Celsius | None = None


class LiquidBody(_Body):
    """What it is soaked with; without ``grams`` what the crumb likes best."""

    kind: soaking.Liquid = Field(default=soaking.Liquid.SYRUP, strict=False)
    grams: Grams | None = None
    density_g_per_ml: Density | None = None
    temperature_c: Celsius | None = None


PositiveShare = Annotated[float, Field(gt=0, le=10_000, allow_inf_nan=False)]


class SoakBody(_Body):
    """A crumb in so many layers (or by their heights, from below), and a liquid, by its kind or with what is known."""

    crumb: CrumbBody
    layers: (
        Annotated[int, Field(ge=1, le=soaking.MAX_LAYERS)]
        | Annotated[list[PositiveShare], Field(min_length=1, max_length=soaking.MAX_LAYERS)]
    ) = 1
    liquid: LiquidBody = LiquidBody()
    flooded: bool | None = None

    @field_validator("liquid", mode="before")
    @classmethod
    def _by_its_kind(cls, told: Any) -> Any:
        return {"kind": told} if isinstance(told, str) else told


@router.post("/soak")
def soak(body: SoakBody) -> soaking.SoakPlan:
    """Grams by layer and go, and what the crumb holds at most."""
    liquid = body.liquid
    shares = [1.0] * body.layers if isinstance(body.layers, int) else body.layers
    return soaking.plan(
        body.crumb.mass_g,
        body.crumb.density_g_per_ml,
        shares,
        liquid=liquid.kind,
        grams=liquid.grams,
        liquid_g_per_ml=liquid.density_g_per_ml,
        flooded=body.flooded,
        crumb_c=body.crumb.temperature_c,
        liquid_c=liquid.temperature_c,
    )


class KeepsView(BaseModel):
    """How long something keeps, where and by whose word: days in the cold or dry, and in the freezer (None: not so)."""

    kept: limits.KeptAs
    days: float
    frozen: float | None
    at: str
    source: str


@router.get("/shelf-life")
def shelf_life() -> tuple[KeepsView, ...]:
    """What keeps how long, by guidance; a kitchen's own days lead."""
    return tuple(
        KeepsView(kept=kept, days=row.days, frozen=row.frozen, at=row.at, source=limits.SOURCE)
        for kept, row in limits.DAYS.items()
    )


class ReadyBody(_Body):
    """A content as it was measured, what it is for, and what else is known of it."""

    content: Content = Field(strict=False)
    temperature_c: Celsius
    use: Purpose | None = Field(default=None, strict=False)
    fat: Share = 0.35
    stage: cream.Stage | None = Field(default=None, strict=False)
    density_g_per_ml: Density | None = None
    crumb_c: Celsius | None = None
    on_c: Celsius | None = None
    air_c: Celsius | None = None
    waited_min: Minutes | None = None
    stabilised: bool = False
    chocolate: ganache.Chocolate = Field(default=ganache.Chocolate.DARK, strict=False)
    ratio: Annotated[float, Field(gt=0, le=20, allow_inf_nan=False)] | None = None
    broken: bool = False
    fruit: tuple[Annotated[str, Field(max_length=60)], ...] = Field(default=(), max_length=20, strict=False)
    cooking: bool = False
    boiled_s: Seconds | None = None


@router.post("/ready")
def ready_for(body: ReadyBody) -> Ready:
    """Whether it is right for what it is for: its window, how it is, what to do first, what brings it back."""
    known = Known(**{name: getattr(body, name) for name in Known.model_fields})
    return ready(body.content, body.temperature_c, body.use, known)
