"""Spread: a filling over a crumb, into a hollow or into a case."""

from __future__ import annotations

import math
from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built, whole
from kindwhisk.core.builds.domed import Domed
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.process.steps.building import as_build, cold_cautions, parts_of, thickness_words
from kindwhisk.core.process.steps.meeting import meeting_notices
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.values.solving import rising_root

THIN, THICK = 0.7, 1.4
"""Below and above these shares of the wanted thickness it is said. Chosen."""
FULL = 1.02


class SpreadStep(StepBase):
    """Spread what comes in over the first of it, ``thickness_mm`` thick where that is told.

    ``taper`` is the share of its thickness that is missing at the far end; ``case_mm`` how high a case stands that it
    goes into (0: onto a flat crumb).
    """

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["spread"] = "spread"
    thickness_mm: float | None = Field(default=None, gt=0, le=100)
    taper: float = Field(default=0, ge=0, le=1)
    case_mm: float = Field(default=0, ge=0, le=200)

    @property
    def takes_for(self) -> Purpose:
        """What it takes a content for."""
        return Purpose.POUR if self.case_mm else Purpose.SPREAD

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """A filling lies on the crumb."""
        base, others = intake[0], intake[1:]
        build = as_build(base, setting.tins)
        if self.case_mm > 0 and isinstance(build.frame, Stacked) and not build.frame.wall_mm:
            build = in_case(build, self.case_mm)
        added = [p.model_copy(update={"taper": self.taper}) for p in parts_of(others)]
        build = build.adding(*added)
        mean = sum(build.thickness_mm(p) or 0.0 for p in added)
        told = ", ".join(f"{thickness_words(build, p)} of {p.name}" for p in added if build.thickness_mm(p))
        hollow = isinstance(build.frame, Domed)
        do = "From the middle out, into the edge." if self.case_mm else "From the middle out, level to the edge."
        if hollow:
            do = "Spoon by spoon, pressed against the wall, level with its rim."
        if self.taper:
            do = f"Even, then thinner toward the far end: {self.taper:.0%} less there."
        return Outcome(
            material=build,
            duration_s=by_habit(150),
            goal=told[:1].upper() + told[1:] if told else "Filled" if hollow else "Even to the edge",
            do=do,
            why="What is too thick at the end is pushed out when it is rolled."
            if self.taper
            else "A gap shows in every slice.",
            cautions=cold_cautions(others, setting),
            notices=(
                *meeting_notices(base, others, self.takes_for, setting),
                *self._thickness(mean, build, added),
                *_over(build),
            ),
        )

    def _thickness(self, mean_mm: float, build: Built, added: list[Part]) -> tuple[Notice, ...]:
        if self.thickness_mm is None or mean_mm <= 0:
            return ()
        wants = self.thickness_mm
        there = sum(p.content.mass_g for p in added)
        needed = there * wants / mean_mm
        if mean_mm < THIN * wants:
            return (
                Notice(
                    level="risk",
                    text=f"There is enough for {mean_mm:.1f} mm, {wants:.0f} are wanted.",
                    remedy=f"Make {needed - there:.0f} g more of it before anything is whipped.",
                ),
            )
        if mean_mm > THICK * wants:
            return (
                Notice(
                    level="note",
                    text=f"All of it lies {mean_mm:.0f} mm thick, {wants:.0f} are wanted.",
                    remedy=f"Keep {there - needed:.0f} g back for outside.",
                ),
            )
        return ()


def _over(build: Built) -> tuple[Notice, ...]:
    """Where a hollow does not take all of it."""
    frame = build.frame
    if not isinstance(frame, Domed):
        return ()
    volume = sum(frame.volume_ml(p) for p in build.at_place(Place.FILLING))
    if volume <= FULL * frame.cavity_ml:
        return ()
    return (
        Notice(
            level="risk",
            text=f"{volume:.0f} ml of filling, and the hollow takes {frame.cavity_ml:.0f}.",
            remedy="Keep the rest for outside, or take more crumb out.",
        ),
    )


def in_case(build: Built, high_mm: float) -> Built:
    """A baked case of one thickness: its content as a base and a wall of that height."""
    frame = build.frame
    assert isinstance(frame, Stacked)
    content = whole(p.content for p in build.build).mixed
    volume = content.volume_ml.likely * frame.share * 1000
    most = min(frame.across_mm, frame.length_mm or frame.across_mm) / 2 - 1

    def holds(t: float) -> float:
        walled = frame.model_copy(update={"wall_mm": t})
        ring = frame.outside_mm2 - walled.inside_mm2
        return walled.inside_mm2 * t + ring * max(high_mm, t) - volume

    thick = rising_root(holds, 0.1, max(0.2, min(most, high_mm)))
    walled = frame.model_copy(update={"wall_mm": thick, "wall_high_mm": high_mm})
    wall = (frame.outside_mm2 - walled.inside_mm2) * high_mm
    share = min(1.0, wall / volume) if volume > 0 else 0.0
    if math.isclose(share, 0.0):
        return build
    return Built.of(
        walled,
        (
            Part(name="case", place=Place.BASE, content=content.take(1 - share)),
            Part(name="case, wall", place=Place.WALL, content=content.take(share)),
        ),
    )
