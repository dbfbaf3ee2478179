"""Tins as calculations without a state: how a batter stands, how it is shared out, and the paper that lines them."""

from __future__ import annotations

from typing import Annotated, Any

from fastapi import APIRouter, Query, Request, Response
from pydantic import BaseModel, ConfigDict, Field, TypeAdapter, ValidationError

from kindwhisk.api.beside import beside
from kindwhisk.api.dependencies import KitchenHere
from kindwhisk.api.problems import refusals
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.tins import rise
from kindwhisk.core.tins.paper import PaperShape
from kindwhisk.core.tins.shapes import ShapeView, Tin, shape_views
from kindwhisk.core.tins.sharing import Allotment, OnShelf, share_out
from kindwhisk.core.tins.standing import SHEET_MM, STILL, Standing, band_of, check_density, stand
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.faults import faults
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.vessels import section
from kindwhisk.core.vessels.bowls import usual
from kindwhisk.core.vessels.section import Section
from kindwhisk.formats.lining_pdf import lining_pdf
from kindwhisk.formats.lining_svg import lining_svg
from kindwhisk.formats.paper import Paper

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 422))
TIN: TypeAdapter[Tin] = TypeAdapter(Tin)
Grams = Annotated[float, Field(ge=1, le=50_000, allow_inf_nan=False)]
Density = Annotated[float, Field(ge=0.08, le=1.6, allow_inf_nan=False)]
ShapeName = Annotated[str, Field(min_length=1, max_length=40)]
"""One of ``GET /api/craft/tin-shapes``."""


class _Body(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)


def read_tin(shape: str, dimensions: dict[str, Any]) -> Tin:
    """The tin of a shape and its lengths (mm).

    Raises:
        CraftError: a length is missing, not known or can't be; names it.
    """
    document = {"shape": shape, "dimensions": dimensions}
    try:
        return TIN.validate_python(document)
    except ValidationError as error:
        first = faults(error.errors(), document)[0]
        field = first.field or "dimensions"
        raise CraftError(
            f"{field} {first.text}.", field=field.removeprefix("dimensions."), remedy="Measure inside, in millimetres."
        ) from None


class TinShape(_Body):
    """A tin to be drawn."""

    name: str = Field(default="tin", max_length=60)
    tin: Tin


class PaperDrawing(BaseModel):
    """A paper shape to be drawn: lines as SVG points in mm, y downward from its upper left corner."""

    name: str
    count: int
    size: str
    note: str
    width_mm: float
    height_mm: float
    cuts: tuple[str, ...]
    folds: tuple[str, ...]


def drawing_of(shape: PaperShape) -> PaperDrawing:
    """A shape as a page draws it."""

    def points(line: tuple[tuple[float, float], ...]) -> str:
        return " ".join(f"{x:.1f},{shape.height_mm - y:.1f}" for x, y in line)

    return PaperDrawing(
        name=shape.name,
        count=shape.count,
        size=shape.size,
        note=shape.note,
        width_mm=shape.width_mm,
        height_mm=shape.height_mm,
        cuts=tuple(points(c) for c in shape.cuts),
        folds=tuple(points(f) for f in shape.folds),
    )


class TinDrawing(BaseModel):
    """What a tin holds, its section while empty, and its lining."""

    volume_ml: float
    section: Section
    lining: tuple[PaperDrawing, ...]


class TinBody(_Body):
    """A batter in a tin; ``sure``: its density was asked about, and is right."""

    shape: ShapeName
    dimensions: dict[str, float | None] = Field(max_length=8)
    batter_g: Grams
    density_g_per_ml: Density
    technique: Technique | None = Field(default=None, strict=False)
    sure: bool = False
    leavener_g: float = Field(default=0, ge=0, le=1000, allow_inf_nan=False)
    gas_free_g_per_ml: Density | None = None


class TinView(Standing):
    """How it stands, drawn; ``good_g`` would fill the tin well, ``per_mm_g`` stands in each millimetre at its level."""

    good_g: float
    per_mm_g: float
    section: Section


class SharingBody(_Body):
    """A batter to be shared out over the tins of this kitchen; ``sure`` as above."""

    batter_g: Grams
    density_g_per_ml: Density
    technique: Technique | None = Field(default=None, strict=False)
    sure: bool = False


class SharingView(BaseModel):
    """The best ways, best first, and grams to each millilitre."""

    ways: tuple[Allotment, ...]
    density_g_per_ml: float


@router.get("/tin-shapes")
def tin_shapes() -> tuple[ShapeView, ...]:
    """Every shape that a tin can have, with its lengths and a tin to begin from."""
    return shape_views()


@router.post("/tin-drawing")
def tin_drawing(body: TinShape) -> TinDrawing:
    """The volume of a tin, its section and its lining."""
    drawn = section.of_tin(body.name, body.tin, 1.0, Material())
    return TinDrawing(
        volume_ml=body.tin.volume_ml(),
        section=drawn,
        lining=tuple(drawing_of(s) for s in body.tin.lining()),
    )


@router.post("/tin")
def tin(kitchen: KitchenHere, body: TinBody) -> TinView:
    """How a batter stands in a tin, how far it is expected to rise, and whether they fit."""
    if not body.sure:
        check_density(body.density_g_per_ml, body.technique)
    shape = read_tin(body.shape, {k: v for k, v in body.dimensions.items() if v is not None})
    standing = stand(
        shape,
        body.batter_g,
        body.density_g_per_ml,
        body.technique,
        gas_free=body.gas_free_g_per_ml or rise.USUAL_FREE,
        temperature_c=kitchen.air_c,
        altitude_m=kitchen.altitude_m,
        leavener_g=body.leavener_g,
    )
    good = shape.volume_ml(SHEET_MM[1]) if shape.flat else band_of(body.technique).good * shape.volume_ml()
    content = usual("batter", body.batter_g).at_density(Estimate.exact(body.density_g_per_ml, Basis.FORMULA))
    drawn = section.of_tin(
        f"{body.shape} tin", shape, 1.0, content, rise_mm=None if body.technique in STILL else standing.rise_mm
    )
    return TinView(
        **dict(standing),
        good_g=good * body.density_g_per_ml,
        per_mm_g=shape.cut(min(standing.level_mm, shape.depth_mm)).area_mm2 / 1000 * body.density_g_per_ml,
        section=drawn.model_copy(update={"level_mm": standing.level_mm}),
    )


@router.post("/share-out")
async def sharing(request: Request, kitchen: KitchenHere, body: SharingBody) -> SharingView:
    """Which tins of this kitchen, and how many, take a batter, and what to do with the rest."""
    if not body.sure:
        check_density(body.density_g_per_ml, body.technique)
    shelf = [OnShelf(id=t.id, name=t.name, tin=t.tin, count=t.count) for t in kitchen.tins]
    batter_ml = body.batter_g / body.density_g_per_ml
    ways = await beside(request, share_out, batter_ml, shelf, band_of(body.technique))
    return SharingView(ways=ways, density_g_per_ml=body.density_g_per_ml)


class LiningQuery(BaseModel):
    """A tin as a query: its shape and those of its lengths that it has (mm)."""

    shape: ShapeName
    diameter_mm: float | None = None
    top_diameter_mm: float | None = None
    depth_mm: float | None = None
    tube_diameter_mm: float | None = None
    tube_top_diameter_mm: float | None = None
    width_mm: float | None = None
    length_mm: float | None = None
    bottom_width_mm: float | None = None
    bottom_length_mm: float | None = None
    top_width_mm: float | None = None
    top_length_mm: float | None = None
    name: str = Field(default="", max_length=60)
    paper: Paper = Paper.A4

    @property
    def tin(self) -> Tin:
        """The tin."""
        lengths = self.model_dump(exclude_none=True, exclude={"shape", "name", "paper"})
        return read_tin(self.shape, lengths)

    @property
    def title(self) -> str:
        """What stands on the paper."""
        return self.name or f"{self.shape} tin"


Lined = Annotated[LiningQuery, Query()]


@router.get("/lining.pdf", response_class=Response, responses={200: {"content": {"application/pdf": {}}}})
def lining_as_pdf(query: Lined) -> Response:
    """The lining of a tin at true scale, on pages with a ruler to check."""
    made = lining_pdf(query.title, query.tin.lining(), query.paper)
    return Response(
        made, media_type="application/pdf", headers={"Content-Disposition": 'inline; filename="lining.pdf"'}
    )


@router.get("/lining.svg", response_class=Response, responses={200: {"content": {"image/svg+xml": {}}}})
def lining_as_svg(query: Lined) -> Response:
    """The lining of a tin at true scale, in millimetres, with a ruler to check."""
    return Response(lining_svg(query.title, query.tin.lining()), media_type="image/svg+xml")
