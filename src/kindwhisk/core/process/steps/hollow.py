"""Hollow: a half-sphere of crumb, its lid cut off and its inside taken out."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built, whole
from kindwhisk.core.builds.domed import Domed
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.finishing.dome import LID_MM, dome, segment_ml
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.readiness.recognise import name_of

LEAST_MM = 5.0


class HollowStep(StepBase):
    """Cut a lid of ``lid_mm`` off the flat side, leave a wall of ``wall_mm``, take the crumb out."""

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["hollow"] = "hollow"
    wall_mm: float = Field(default=18, ge=5, le=100)
    lid_mm: float = Field(default=LID_MM, ge=5, le=100)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Wall, lid, and crumb for outside."""
        cake = whole(intake).mixed
        tins = setting.tins
        radius = tins.tin.cut(tins.tin.depth_mm).outer_mm
        room = radius - LEAST_MM
        fits = self.wall_mm + self.lid_mm < room
        wall, lid = (self.wall_mm, self.lid_mm) if fits else (0.3 * room, 0.35 * room)
        made = dome(radius, wall, lid)
        # The crumb as it stands need not fill the half-sphere: parts are shares of what one would be.
        full = segment_ml(radius, 0, radius)
        name = name_of(cake)
        build = Built.of(
            Domed(count=tins.count, radius_mm=radius, wall_mm=wall, lid_mm=lid),
            (
                Part(name=name, place=Place.WALL, content=cake.take(made.wall_ml / full)),
                Part(name=f"{name}, lid", place=Place.LID, content=cake.take(made.lid_ml / full)),
                Part(name=f"{name}, taken out", place=Place.OFFCUT, content=cake.take(made.taken_out_ml / full)),
            ),
        )
        notices: tuple[Notice, ...] = ()
        if not fits:
            notices = (
                Notice(
                    level="risk",
                    text=f"A wall of {self.wall_mm:.0f} mm and a lid of {self.lid_mm:.0f} mm leave no room inside.",
                    remedy=f"Together less than {room:.0f} mm.",
                ),
            )
        return Outcome(
            material=build,
            duration_s=by_habit(240 * tins.count),
            goal=f"{made.cavity_ml:.0f} ml inside",
            do=f"Flat side up: a lid of {lid:.0f} mm off, then spoon the crumb out to {wall:.0f} mm of the skin.",
            why=f"The {build.offcut.mass_g:.0f} g that come out, rubbed to crumbs, cover it about "
            f"{made.covers_mm:.0f} mm thick.",
            notices=notices,
        )
