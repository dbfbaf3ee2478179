"""Piped pieces as calculations without a state: deposit, template, skin, loads, colour, sieve, sorting."""

from __future__ import annotations

from typing import Annotated

from fastapi import APIRouter, Query, Response
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.problems import refusals
from kindwhisk.api.routers.tins import Density, Grams
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.piping import colouring, deposit, loads, sieve, skin, sorting, template
from kindwhisk.core.piping.colouring import ColourInto, ColourKind, Dose, Painted, painted
from kindwhisk.core.piping.damp import Advice, advice
from kindwhisk.core.piping.deposit import Deposit, usual_piece
from kindwhisk.core.tins.layout import Layout
from kindwhisk.core.tins.paper import PaperShape
from kindwhisk.core.tins.pieces import PieceShape, PipedPiece
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.vessels import section
from kindwhisk.core.vessels.section import Section
from kindwhisk.formats.lining_pdf import lining_pdf
from kindwhisk.formats.lining_svg import lining_svg
from kindwhisk.formats.paper import Paper

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 422))

SHELL = {"almond-flour": 76.0, "icing-sugar": 76.0, "egg-white": 61.0, "sugar": 58.0}
MERINGUE = {"egg-white": 100.0, "sugar": 160.0}
FINGER = {"egg-white": 100.0, "egg-yolk": 60.0, "sugar": 100.0, "cake-flour": 100.0}
LOOKS = {
    PieceShape.ROUND: SHELL,
    PieceShape.FINGER: FINGER,
    PieceShape.KISS: MERINGUE,
    PieceShape.RING: MERINGUE,
    PieceShape.STICK: MERINGUE,
}
"""What a piece of each shape is usually made of: for how it looks alone."""
PLAIN = {
    ColourInto.BATTER: SHELL,
    ColourInto.BUTTERCREAM: {"butter": 100.0, "sugar": 80.0, "egg-white": 50.0},
    ColourInto.CREAM: {"cream-35": 100.0, "icing-sugar": 10.0},
    ColourInto.CHOCOLATE: {"chocolate-white": 100.0, "cream-35": 45.0},
}
"""What is coloured, before it is: for how it will look alone."""
Millimetres = Annotated[float, Field(ge=3, le=400, allow_inf_nan=False)]
Side = Annotated[float, Field(ge=40, le=1500, allow_inf_nan=False)]
Gap = Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)]
Seconds = Annotated[float, Field(ge=0, le=7 * 86400, allow_inf_nan=False)]


class _Body(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)


class TraySize(_Body):
    """A tray, inside."""

    width_mm: Side
    length_mm: Side


class _Piece(BaseModel):
    """A piece as wide as it is to be once it has spread; heights and lengths that are not told are the usual ones."""

    shape: PieceShape = Field(default=PieceShape.ROUND, strict=False)
    diameter_mm: Millimetres
    height_mm: Annotated[float, Field(ge=2, le=120, allow_inf_nan=False)] | None = None
    length_mm: Annotated[float, Field(ge=10, le=600, allow_inf_nan=False)] | None = None
    cord_mm: Annotated[float, Field(ge=3, le=100, allow_inf_nan=False)] | None = None
    gap_mm: Gap = 20.0
    margin_mm: Gap = 15.0

    @property
    def piece(self) -> PipedPiece:
        """As the craft knows it.

        Raises:
            CraftError: its measures don't go together.
        """
        if self.cord_mm is not None and self.cord_mm > self.diameter_mm / 2:
            raise CraftError(
                f"A cord of {self.cord_mm:g} mm leaves no hole in a ring of {self.diameter_mm:g} mm.",
                field="cord_mm",
                remedy="At most half of the diameter.",
            )
        return usual_piece(
            self.shape,
            self.diameter_mm,
            height_mm=self.height_mm,
            length_mm=self.length_mm,
            cord_mm=self.cord_mm,
            gap_mm=self.gap_mm,
        )


class DepositBody(_Piece, _Body):
    """Pieces from a batter, on a tray."""

    batter_g: Grams
    density_g_per_ml: Density
    tray: TraySize
    ribbon_s: Annotated[float, Field(gt=0, le=600, allow_inf_nan=False)] | None = None
    bag_cm: Annotated[float, Field(ge=15, le=80, allow_inf_nan=False)] = deposit.BAG_CM


class DepositTold(Deposit):
    """The deposit with its tray: how many stand on one and where, how many trays, and one of them cut in half."""

    piece: PipedPiece
    per_tray: int
    trays: int
    layout: Layout
    tray_s: Estimate
    section: Section


def _laid_out(piece: PipedPiece, tray: TraySize, margin_mm: float) -> Layout:
    made = piece.laid_out(tray.width_mm, tray.length_mm, margin_mm)
    if not made.spots:
        small = min(tray.width_mm, tray.length_mm) - 2 * margin_mm
        raise CraftError(
            f"Not one piece stands on a tray of {tray.width_mm:g} × {tray.length_mm:g} mm.",
            field="tray.width_mm" if tray.width_mm <= tray.length_mm else "tray.length_mm",
            remedy=f"Between its margins there are {max(0.0, small):.0f} mm: a larger tray, or smaller pieces.",
        )
    return made


@router.post("/deposits")
def deposits(body: DepositBody) -> DepositTold:
    """What one piece weighs, how wide it is piped, how many this batter makes, on how many trays, of how many bags."""
    piece = body.piece
    layout = _laid_out(piece, body.tray, body.margin_mm)
    made = deposit.deposit(piece, body.batter_g, body.density_g_per_ml, ribbon_s=body.ribbon_s, bag_cm=body.bag_cm)
    per_tray = len(layout.spots)
    looks = LOOKS[piece.form]
    whole = sum(looks.values())
    content = Material(parts={i: g * made.piece_g / whole for i, g in looks.items()})
    content = content.at_density(Estimate.exact(body.density_g_per_ml))
    return DepositTold(
        **dict(made),
        piece=piece,
        per_tray=per_tray,
        trays=len(loads.shares(made.pieces, per_tray)),
        layout=layout,
        tray_s=made.seconds_each.scaled(min(per_tray, max(1, made.pieces))),
        section=section.of_piece(piece.form.value, piece, content, 1),
    )


class TemplateQuery(_Piece):
    """A tray's template as a query: the same as for a deposit, with the tray's sides beside.

    For pieces that are round, ``width_mm`` and ``length_mm`` may stand for the tray's own.
    """

    tray_width_mm: Side | None = None
    tray_length_mm: Side | None = None
    width_mm: Side | None = None
    density_g_per_ml: Density = deposit.SPREAD_DENSITY
    ribbon_s: Annotated[float, Field(gt=0, le=600, allow_inf_nan=False)] | None = None
    paper: Paper = Paper.A4
    name: Annotated[str, Field(max_length=60)] = ""

    @property
    def title(self) -> str:
        """What stands on the paper."""
        return self.name or f"{self.shape.value} of {self.diameter_mm:g} mm"

    def _tray(self) -> TraySize:
        long = self.shape in {PieceShape.FINGER, PieceShape.STICK}
        width = self.tray_width_mm or self.width_mm
        length = self.tray_length_mm or (None if long else self.length_mm)
        if width is None or length is None:
            raise CraftError(
                "The tray is not told.",
                field="tray_width_mm" if width is None else "tray_length_mm",
                remedy="Give its width and length inside, in millimetres.",
            )
        return TraySize(width_mm=width, length_mm=length)

    def drawn(self) -> tuple[PaperShape, ...]:
        """The template's shapes."""
        tray = self._tray()
        layout = _laid_out(self.piece, tray, self.margin_mm)
        return template.template(self.piece, layout, deposit.spread(self.density_g_per_ml, self.ribbon_s).likely)


Asked = Annotated[TemplateQuery, Query()]


@router.get("/template.pdf", response_class=Response, responses={200: {"content": {"application/pdf": {}}}})
def template_as_pdf(query: Asked) -> Response:
    """The template of a tray at true scale, on pages in lapping parts, with a ruler to check."""
    made = lining_pdf(query.title, query.drawn(), query.paper, "Template")
    return Response(
        made, media_type="application/pdf", headers={"Content-Disposition": 'inline; filename="template.pdf"'}
    )


@router.get("/template.svg", response_class=Response, responses={200: {"content": {"image/svg+xml": {}}}})
def template_as_svg(query: Asked) -> Response:
    """The template of a tray at true scale, in millimetres, with a ruler to check."""
    return Response(lining_svg(query.title, query.drawn(), "Template"), media_type="image/svg+xml")


class TouchBody(_Body):
    """A finger laid on a shell."""

    t_s: Seconds
    feel: skin.Feel = Field(strict=False)


class SkinBody(_Body):
    """Air over shells that were piped, and what fingers said since."""

    air_c: Annotated[float, Field(ge=5, le=45, allow_inf_nan=False)]
    humidity_percent: Annotated[float, Field(ge=5, le=100, allow_inf_nan=False)]
    moving_air: bool = False
    method: Method | None = Field(default=None, strict=False)
    touches: tuple[TouchBody, ...] = Field(default=(), max_length=60, strict=False)


class SkinView(skin.Skin):
    """When the skin holds, and what helps in damp air."""

    advice: tuple[Advice, ...]


@router.post("/skin")
def skin_of(body: SkinBody) -> SkinView:
    """When a skin holds in this air: a range; the touch decides."""
    touches = tuple(skin.Touch(t_s=t.t_s, feel=t.feel) for t in body.touches)
    air = (body.air_c, body.humidity_percent, body.method)
    made = skin.skin(*air, moving_air=body.moving_air, touches=touches)
    return SkinView(**dict(made), advice=advice(*air, moving_air=body.moving_air))


class OvenBody(_Body):
    """An oven that bakes them too."""

    name: Annotated[str, Field(min_length=1, max_length=60)] = "oven"
    racks: Annotated[int, Field(ge=1, le=40)]
    bake_minutes: Annotated[float, Field(gt=0, le=600, allow_inf_nan=False)] | None = None


Minutes = Annotated[float, Field(ge=0, le=24 * 60, allow_inf_nan=False)]


class LoadsBody(_Body):
    """Pieces over trays, racks and ovens; ``per_tray`` is laid out where it is not told."""

    pieces: Annotated[int, Field(ge=1, le=5000)]
    tray: TraySize = TraySize(width_mm=300, length_mm=400)
    per_tray: Annotated[int, Field(ge=1, le=1000)] | None = None
    shape: PieceShape = Field(default=PieceShape.ROUND, strict=False)
    diameter_mm: Millimetres = 40.0
    gap_mm: Gap = 20.0
    margin_mm: Gap = 15.0
    racks: Annotated[int, Field(ge=1, le=40)] = 1
    ovens: tuple[OvenBody, ...] = Field(default=(), max_length=12, strict=False)
    bake_minutes: Annotated[float, Field(gt=0, le=600, allow_inf_nan=False)]
    recovery_minutes: Minutes = loads.recovers_s(8.0) / 60
    pipe_minutes: Minutes | None = None
    dry_minutes: Minutes | None = None
    too_long_minutes: Minutes | None = None
    covers: bool = False


@router.post("/loads")
def loads_of(body: LoadsBody) -> loads.Loads:
    """How many loads, which trays in each, when each is piped, goes in, is turned and covered, how long it rests."""
    piece = usual_piece(body.shape, body.diameter_mm, gap_mm=body.gap_mm)
    per_tray = body.per_tray or len(_laid_out(piece, body.tray, body.margin_mm).spots)
    shares = loads.shares(body.pieces, per_tray)
    piped = deposit.TRAY_S + per_tray * deposit.seconds_each(piece.volume_ml() * deposit.SPREAD_DENSITY).likely
    recovers = 60 * body.recovery_minutes
    own = loads.OvenRoom("oven", body.racks, 60 * body.bake_minutes, recovers)
    others = [loads.OvenRoom(o.name, o.racks, 60 * (o.bake_minutes or body.bake_minutes), recovers) for o in body.ovens]
    dry = 60 * (body.dry_minutes or 0.0)
    long = max(dry, 60 * body.too_long_minutes) if body.too_long_minutes is not None else None
    return loads.plan_loads(
        shares,
        others or [own],
        pipe_s=piped if body.pipe_minutes is None else 60 * body.pipe_minutes,
        dry_s=dry,
        too_long_s=long if long is not None else max(skin.TOO_LONG_S, skin.TOO_LONG_TIMES * dry),
        covers=body.covers,
    )


class ColourBody(_Body):
    """A batter or a filling to be coloured; ``depth`` is 0 for none, a third for pale, 1 for full, more for deeper."""

    batter_g: Grams
    kind: ColourKind = Field(strict=False)
    depth: Annotated[float, Field(ge=0, le=colouring.DEEPEST, allow_inf_nan=False)]
    colour: Annotated[str, Field(max_length=60)] = ""
    into: ColourInto = Field(default=ColourInto.BATTER, strict=False)
    lines: Annotated[int, Field(ge=0, le=24)] = 0
    piece_g: Annotated[float, Field(ge=0.1, le=2000, allow_inf_nan=False)] = 5.8
    density_g_per_ml: Density = deposit.SPREAD_DENSITY


class ColourView(Dose):
    """The dose, the batter as it will look, and with ``lines`` what is painted inside the bag."""

    looks: str
    ingredient: str
    painted: Painted | None


@router.post("/colour")
def colour(body: ColourBody) -> ColourView:
    """Grams of a colour for a depth, its limit, what it risks, and how it will look."""
    made = colouring.dose(body.batter_g, body.kind, body.depth, body.into)
    name = ingredient(body.colour or colouring.INGREDIENTS[body.kind]).id
    plain = Material(parts=PLAIN[body.into])
    coloured = {name: made.grams * plain.mass_g / body.batter_g} if made.grams > 0 else {}
    batter = Material(parts={**plain.parts, **coloured})
    looks = batter.at_density(Estimate.exact(body.density_g_per_ml)).colour
    lines = (
        painted(body.batter_g, body.density_g_per_ml, body.piece_g, body.lines, deposit.TIP_ML) if body.lines else None
    )
    return ColourView(**dict(made), looks=looks, ingredient=name, painted=lines)


class SieveBody(_Body):
    """What was weighed into a sieve, by ingredient, and what stayed in it."""

    dry_g: dict[str, Annotated[float, Field(gt=0, le=100_000, allow_inf_nan=False)]] = Field(
        min_length=1, max_length=40
    )
    left_g: Annotated[float, Field(ge=0, le=100_000, allow_inf_nan=False)]


@router.post("/sieve")
def sieve_of(body: SieveBody) -> sieve.Sieved:
    """What is missing in the bowl, and the two ways to set it right."""
    for name in body.dry_g:
        ingredient(name)
    return sieve.sieved(body.dry_g, body.left_g)


class SortBody(_Body):
    """Sizes of shells (mm), or only how many good ones there are, and what fills them."""

    sizes_mm: tuple[Annotated[float, Field(ge=1, le=400, allow_inf_nan=False)], ...] = Field(
        default=(), max_length=2000, strict=False
    )
    good: Annotated[int, Field(ge=0, le=5000)] | None = None
    shell_mm: Millimetres = 40.0
    thickness_mm: Annotated[float, Field(ge=0.1, le=40, allow_inf_nan=False)] = sorting.THICK_MM
    filling_g_per_ml: Density = 1.15


class SortView(BaseModel):
    """The pairs, the shells without a partner, and the filling for them."""

    paired: sorting.Paired
    filling: sorting.Filling


@router.post("/pairs")
def pairs(body: SortBody) -> SortView:
    """Which shells make a pair, and how much filling that takes, with what stays in bowl and bag."""
    paired = sorting.pair(body.sizes_mm)
    number = len(paired.pairs) if body.good is None else body.good // 2
    return SortView(
        paired=paired,
        filling=sorting.filling(number, body.shell_mm, body.filling_g_per_ml, body.thickness_mm),
    )
