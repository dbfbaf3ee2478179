"""What a body will look like, before anything of it is made: a plain crumb, a cream, and as thick as asked."""

from __future__ import annotations

import math

from kindwhisk.core.builds.built import Built, Frame
from kindwhisk.core.builds.domed import Domed
from kindwhisk.core.builds.paired import Paired
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.rolled import Rolled
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.finishing.bodies import Body, DomeBody, PairsBody, RollBody, RoundBody, SquareBody
from kindwhisk.core.finishing.dome import dome
from kindwhisk.core.foams.whipped_cream import FILLS_G_PER_ML
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.values.estimate import Estimate

CRUMB_G_PER_ML = 0.3
LEAST_MM = 4.0
SHELL_HIGH = 0.25
"""Height of a piped shell to its width, for the picture alone."""


def crumb(volume_ml: float) -> Material:
    """So much of a plain crumb."""
    grams = volume_ml * CRUMB_G_PER_ML
    parts = {"whole-egg": grams / 2, "sugar": grams / 4, "cake-flour": grams / 4}
    return Material(parts=parts, browning=0.2).at_density(Estimate.exact(CRUMB_G_PER_ML))


def cream(volume_ml: float, g_per_ml: float = FILLS_G_PER_ML) -> Material:
    """So much of a whipped cream, or of what is as dense as it."""
    return Material(parts={"cream-35": volume_ml * g_per_ml}, temperature_c=6).at_density(Estimate.exact(g_per_ml))


def sketched(
    body: Body, filling_mm: float, coat_mm: float = 0.0, g_per_ml: float = FILLS_G_PER_ML, taper: float = 0.0
) -> Built:
    """A body with its fillings ``filling_mm`` thick in the mean, in a roll thinner at the end, and its coat."""
    frame, parts = _inside(body, filling_mm, g_per_ml, taper)
    coat = (body.top_mm2() + body.side_mm2()) * coat_mm / 1000
    if coat > 0:
        parts.append(Part(name="coat", place=Place.COAT, content=cream(coat, g_per_ml), on_side=body.side_mm2() > 0))
    return Built.of(frame, parts)


def _inside(body: Body, filling_mm: float, g_per_ml: float, taper: float) -> tuple[Frame, list[Part]]:
    match body:
        case RoundBody() | SquareBody():
            return _stack(body, filling_mm, g_per_ml)
        case RollBody():
            flat = body.length_mm * body.width_mm / 1000
            return Rolled(along_mm=body.length_mm, across_mm=body.width_mm, taper=taper), [
                Part(name="sheet", place=Place.LAYER, content=crumb(flat * body.thickness_mm)),
                Part(name="filling", place=Place.FILLING, content=cream(flat * filling_mm, g_per_ml)),
            ]
        case DomeBody():
            made = dome(body.diameter_mm / 2, body.wall_mm, body.lid_mm)
            return Domed(radius_mm=body.diameter_mm / 2, wall_mm=body.wall_mm, lid_mm=body.lid_mm), [
                Part(name="crumb", place=Place.WALL, content=crumb(made.wall_ml)),
                Part(name="lid", place=Place.LID, content=crumb(made.lid_ml)),
                Part(name="filling", place=Place.FILLING, content=cream(made.cavity_ml, g_per_ml)),
            ]
        case PairsBody():
            piece = PipedPiece(width_mm=body.diameter_mm, height_mm=max(2.0, SHELL_HIGH * body.diameter_mm))
            shell = Part(name="shell", place=Place.LAYER, content=crumb(piece.volume_ml() * body.pairs))
            inside = cream(body.layer_mm2() * filling_mm / 1000, g_per_ml)
            filling = Part(name="filling", place=Place.FILLING, content=inside)
            return Paired(count=body.pairs, piece=piece), [shell, filling, shell]


def _stack(body: RoundBody | SquareBody, filling_mm: float, g_per_ml: float) -> tuple[Frame, list[Part]]:
    area = body.top_mm2() / 1000
    high = max(LEAST_MM, (body.height_mm - (body.layers - 1) * filling_mm) / body.layers)
    layer = Part(name="layer", place=Place.LAYER, content=crumb(area * high))
    filling = Part(name="filling", place=Place.FILLING, content=cream(area * filling_mm, g_per_ml))
    frame = (
        Stacked(across_mm=body.diameter_mm)
        if isinstance(body, RoundBody)
        else Stacked(across_mm=body.width_mm, length_mm=body.length_mm)
    )
    parts = [layer]
    for _ in range(body.layers - 1):
        parts += [filling, layer]
    return frame, parts if body.layers > 1 else [layer, filling]


def lined(ring_mm: float, room_mm: float, wall_mm: float, disc_mm: float) -> Built:
    """A ring lined with fingers, a disc on its base, filled to the rim."""
    inside = math.pi * room_mm**2 / 4 / 1000
    ring = math.pi * ring_mm**2 / 4 / 1000 - inside
    disc = min(disc_mm, wall_mm / 2)
    return Built.of(
        Stacked(across_mm=ring_mm, wall_mm=(ring_mm - room_mm) / 2, wall_high_mm=wall_mm),
        (
            Part(name="fingers", place=Place.WALL, content=crumb(ring * wall_mm)),
            Part(name="disc", place=Place.BASE, content=crumb(inside * disc)),
            Part(name="filling", place=Place.FILLING, content=cream(inside * (wall_mm - disc))),
        ),
    )
