"""Trim: a disc to a ring, a sheet to its edges, a cake to its height."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built, whole
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.process.steps.building import as_build, offcut_words


class TrimStep(StepBase):
    """Trim ``edge_mm`` off all round, or to a disc of ``round_mm``."""

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["trim"] = "trim"
    edge_mm: float = Field(default=5, ge=0, le=200)
    round_mm: float | None = Field(default=None, ge=20, le=1000)

    def _frame(self, frame: Stacked) -> Stacked:
        if self.round_mm is not None:
            return frame.model_copy(update={"across_mm": self.round_mm, "length_mm": None})
        length = None if frame.length_mm is None else frame.length_mm - 2 * self.edge_mm
        return frame.model_copy(update={"across_mm": frame.across_mm - 2 * self.edge_mm, "length_mm": length})

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """The same layers, smaller, and what comes off."""
        before = as_build(whole(intake), setting.tins)
        frame = before.frame
        notices: tuple[Notice, ...] = ()
        build = before
        if isinstance(frame, Stacked):
            to = self._frame(frame)
            share = to.outside_mm2 / frame.outside_mm2 if min(to.across_mm, to.length_mm or to.across_mm) > 1 else 0.0
            if not 0 < share <= 1:
                notices = (
                    Notice(
                        level="risk",
                        text=f"It is {frame.across_mm:.0f} mm wide: there is nothing to trim to that size.",
                        remedy="Trim it smaller than it is, and to more than nothing.",
                    ),
                )
            else:
                parts = [p.of(p.content.take(share)) for p in before.build]
                off = [
                    Part(name=f"{p.name}, trimmed", place=Place.OFFCUT, content=p.content.take(1 - share))
                    for p in before.build
                ]
                build = Built.of(to, (*parts, *off))
        size = f"{self.round_mm:.0f} mm across" if self.round_mm is not None else f"{self.edge_mm:.0f} mm off all round"
        return Outcome(
            material=build,
            duration_s=by_habit(60),
            goal=size,
            do="Cold, with a long sharp knife or the ring itself, straight down.",
            why=offcut_words(build),
            notices=notices,
        )
