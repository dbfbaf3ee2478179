"""A section: a vessel cut in half with what stands in it, as lengths to scale."""

from __future__ import annotations

from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.region import Region
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import Tin, profile
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value
from kindwhisk.core.vessels.vessel import Vessel, VesselForm

WALL_POINTS = 17


class WallPoint(Value):
    """The wall at a height: outer and inner half-width in mm (inner is the tube's)."""

    height_mm: float
    outer_mm: float
    inner_mm: float


class PieceSeen(Value):
    """Pieces in a content: their colour, size in mm, and share of its volume."""

    name: str
    colour: str
    size_mm: float
    volume_share: float


def pieces_of(material: Material) -> tuple[PieceSeen, ...]:
    """The pieces in a content, as a drawing needs them."""
    volume = material.volume_ml.likely
    items = [(ingredient(i), g) for i, g in material.parts.items()]
    return tuple(
        PieceSeen(
            name=item.name,
            colour=item.colour,
            size_mm=item.piece.size_mm,
            volume_share=min(1.0, grams / item.density_g_per_ml / volume),
        )
        for item, grams in items
        if item.piece is not None and volume > 0
    )


class Section(Value):
    """What a drawing needs, computed: the wall, the levels, the colour and how much of it is air.

    ``start_level_mm`` is where the same content would stand without bubbles. ``rise_mm`` is the level
    expected at setting; it may lie above ``rim_mm``. A ``free`` content stands without a wall: ``wall`` is its own
    outline. ``regions`` are the parts of what is built, which take the place of wall and level.
    """

    form: VesselForm
    name: str
    wall: tuple[WallPoint, ...]
    rim_mm: float
    level_mm: float
    start_level_mm: float
    volume_ml: Estimate
    density_g_per_ml: Estimate
    air_fraction: float
    baked: bool
    colour: str
    inverted: bool = False
    rise_mm: Estimate | None = None
    count: int = 1
    free: bool = False
    pieces: tuple[PieceSeen, ...] = ()
    regions: tuple[Region, ...] = ()


def of_vessel(vessel: Vessel, material: Material) -> Section:
    """The section of a bowl, pot, jug, bag or sheet."""
    seen = of_content(vessel, material.volume_ml, material.gas_free_volume_ml, material.mass_g, material.colour)
    return seen.model_copy(
        update={
            "density_g_per_ml": material.density_g_per_ml,
            "baked": material.baked,
            "pieces": pieces_of(material),
        }
    )


def of_content(vessel: Vessel, volume_ml: Estimate, free_ml: float, mass_g: float, colour: str) -> Section:
    """The section of a vessel with a content of which these figures are known; ``free_ml`` is without bubbles."""
    likely = volume_ml.likely
    # Closer together at the bottom, where a bowl is round.
    heights = [vessel.height_mm * (i / (WALL_POINTS - 1)) ** 2 for i in range(WALL_POINTS)]
    return Section(
        form=vessel.form,
        name=vessel.name,
        wall=tuple(WallPoint(height_mm=h, outer_mm=vessel.radius_mm(h), inner_mm=0) for h in heights),
        rim_mm=vessel.height_mm,
        level_mm=vessel.level_mm(likely),
        start_level_mm=vessel.level_mm(free_ml),
        volume_ml=volume_ml,
        density_g_per_ml=Estimate.exact(mass_g / likely if likely > 0 else 1.0, volume_ml.basis),
        air_fraction=1 - free_ml / likely if likely > 0 else 0.0,
        baked=False,
        colour=colour,
    )


def of_tin(
    name: str,
    tin: Tin,
    share: float,
    material: Material,
    *,
    count: int = 1,
    rise_mm: Estimate | None = None,
    inverted: bool = False,
) -> Section:
    """The section of one of ``count`` tins, which holds ``share`` of the material."""
    return Section(
        form=VesselForm.TIN,
        name=name,
        wall=tuple(WallPoint(height_mm=h, outer_mm=o, inner_mm=i) for h, o, i in profile(tin, WALL_POINTS)),
        rim_mm=tin.depth_mm,
        level_mm=tin.level_mm(material.volume_ml.likely * share),
        start_level_mm=tin.level_mm(material.gas_free_volume_ml * share),
        volume_ml=material.volume_ml.scaled(share),
        density_g_per_ml=material.density_g_per_ml,
        air_fraction=material.air_fraction,
        baked=material.baked,
        colour=material.colour,
        inverted=inverted,
        rise_mm=rise_mm,
        count=count,
        pieces=pieces_of(material),
    )


def of_piece(name: str, piece: PipedPiece, material: Material, count: int) -> Section:
    """One of ``count`` piped pieces, free on its tray, as high as its share of the material makes it."""
    each = material.volume_ml.likely / count
    height = piece.height_mm * each / piece.volume_ml()
    scale = height / piece.height_mm
    free = material.gas_free_volume_ml / max(material.volume_ml.likely, 1e-9)
    return Section(
        form=VesselForm.SHEET,
        name=name,
        wall=tuple(
            WallPoint(height_mm=h * scale, outer_mm=outer, inner_mm=inner)
            for h, outer, inner in piece.outline(WALL_POINTS)
        ),
        rim_mm=height,
        level_mm=height,
        start_level_mm=height * free,
        volume_ml=material.volume_ml.scaled(1 / count),
        density_g_per_ml=material.density_g_per_ml,
        air_fraction=material.air_fraction,
        baked=material.baked,
        colour=material.colour,
        count=count,
        free=True,
        pieces=pieces_of(material),
    )


def of_build(name: str, built: Built) -> Section:
    """One product of a build, cut through its middle, with its parts to scale."""
    regions = built.kept.regions
    half = max((abs(x) for r in regions for x in r.x_mm), default=1.0)
    top = max((y for r in regions for y in r.y_mm), default=1.0)
    share = built.frame.share
    return Section(
        form=VesselForm.RACK,
        name=name,
        wall=(
            WallPoint(height_mm=0, outer_mm=half, inner_mm=0),
            WallPoint(height_mm=top, outer_mm=half, inner_mm=0),
        ),
        rim_mm=top,
        level_mm=top,
        start_level_mm=top,
        volume_ml=built.volume_ml.scaled(share),
        density_g_per_ml=built.density_g_per_ml,
        air_fraction=built.air_fraction,
        baked=built.baked,
        colour=built.colour,
        count=built.frame.count,
        free=True,
        regions=regions,
    )
