"""A bake as it is told and drawn: its times, its curves, its risks, and what comes straight after."""

from __future__ import annotations

from kindwhisk.core.baking.course import CoursePoint, InOven
from kindwhisk.core.baking.doneness import looks_wrong_but_right
from kindwhisk.core.baking.ends import Ends, ends
from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.baking.predict import Prediction, Texture
from kindwhisk.core.baking.risks import Risk, risks
from kindwhisk.core.baking.straight_after import Next, straight_after
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.technique import Technique


class BakeView(Ends):
    """A bake in an oven, in seconds since it went in.

    ``first_look_s`` is a choice, early enough to miss nothing. ``textures`` are a drying meringue's; ``looks_wrong`` is
    what looks wrong and is right.
    """

    done_s: Estimate
    first_look_s: float
    done_c: float
    oven_c: float
    mode: OvenMode
    rack: Rack
    racks: int
    wall: TinWall
    curve: tuple[CoursePoint, ...]
    textures: tuple[Texture, ...]
    risks: tuple[Risk, ...]
    looks_wrong: tuple[str, ...]
    after: tuple[Next, ...]


def bake_view(
    content: InOven, made: Prediction, technique: Technique | None, *, rolled_warm: bool | None = None
) -> BakeView:
    """A prediction of a content, told."""
    return BakeView(
        **dict(ends(made)),
        done_s=made.done_s,
        first_look_s=made.first_look_s,
        done_c=content.finished_c,
        oven_c=content.air.holds_c,
        mode=content.mode,
        rack=content.rack,
        racks=content.racks,
        wall=content.wall,
        curve=made.curve(),
        textures=made.textures,
        risks=risks(content, made),
        looks_wrong=looks_wrong_but_right(technique),
        after=straight_after(technique, rolled_warm=rolled_warm),
    )
