"""A bake as it is told and drawn: its times, its curves, its risks, and what comes straight after."""

from __future__ import annotations

from kindwhisk.core.baking.course import InOven
from kindwhisk.core.baking.doneness import looks_wrong_but_right
from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.baking.predict import Prediction
from kindwhisk.core.baking.risks import Risk, risks
from kindwhisk.core.baking.straight_after import Next, straight_after
from kindwhisk.core.estimate import Estimate
from kindwhisk.core.model import Value
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.technique import Technique


class CurvePoint(Value):
    """A moment of a bake: seconds since it went in, temperatures in C, shares from 0 to 1.

    ``core_c`` is the coldest point, ``edge_c`` beside the wall, ``surface_c`` the top's middle; ``crust_mm`` what of
    the top has dried, ``lost`` of the mass, ``risen`` of the rise, ``set`` of the volume.
    """

    t_s: float
    core_c: float
    edge_c: float
    surface_c: float
    oven_c: float
    crust_mm: float
    lost: float
    risen: float
    dome_mm: float
    set: float


class BakeView(Value):
    """A bake in an oven, in seconds since it went in.

    ``turn_s`` and ``cover_s`` are None where it must not be turned, or needs no cover. ``browned`` is its colour at the
    end over the formula's own bake's; ``looks_wrong`` is what looks wrong and is right.
    """

    done_s: Estimate
    first_look_s: float
    turn_s: float | None
    cover_s: float | None
    browned: float | None
    dome_mm: float
    lost: float
    done_c: float
    oven_c: float
    mode: OvenMode
    rack: Rack
    racks: int
    wall: TinWall
    curve: tuple[CurvePoint, ...]
    risks: tuple[Risk, ...]
    looks_wrong: tuple[str, ...]
    after: tuple[Next, ...]


def curve_of(made: Prediction) -> tuple[CurvePoint, ...]:
    """Its course, to be drawn."""
    return tuple(CurvePoint(**{name: getattr(m, name) for name in CurvePoint.model_fields}) for m in made.curve())


def bake_view(
    content: InOven, made: Prediction, technique: Technique | None, *, rolled_warm: bool | None = None
) -> BakeView:
    """A prediction of a content, told."""
    end = made.at(made.done_s.likely)
    return BakeView(
        done_s=made.done_s,
        first_look_s=made.first_look_s,
        turn_s=made.turn_s,
        cover_s=made.cover_s,
        browned=made.browned,
        dome_mm=end.dome_mm,
        lost=end.lost,
        done_c=content.finished_c,
        oven_c=content.air.holds_c,
        mode=content.mode,
        rack=content.rack,
        racks=content.racks,
        wall=content.wall,
        curve=curve_of(made),
        risks=risks(content, made),
        looks_wrong=looks_wrong_but_right(technique),
        after=straight_after(technique, rolled_warm=rolled_warm),
    )
