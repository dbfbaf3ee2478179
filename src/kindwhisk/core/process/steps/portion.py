"""Portion: the finished thing into slices, wedges or a grid."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built, Frame, whole
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.rolled import Rolled
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.finishing import cutting, rolling
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import MakeReady, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.process.steps.building import as_build, cold_cautions, offcut_words

MOST_PORTIONS = 400


class PortionStep(StepBase):
    """Cut each into ``portions``; of a roll both ends (``end_mm``) come off, of a sheet ``edge_mm`` all round."""

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["portion"] = "portion"
    portions: int = Field(default=10, ge=1, le=MOST_PORTIONS)
    end_mm: float = Field(default=rolling.END_TRIM_MM[1], ge=0, le=100)
    edge_mm: float = Field(default=0, ge=0, le=100)

    def _cut(self, build: Built) -> cutting.Portions:
        frame, each = build.frame, build.mass_g * build.frame.share
        if isinstance(frame, Rolled):
            return cutting.sliced(each, frame.across_mm, self.portions, self._end(frame))
        if isinstance(frame, Stacked) and frame.length_mm is not None:
            sides = (frame.across_mm, frame.length_mm)
            return cutting.grid(each, sides, self.portions, self._edge(frame))
        across = frame.across_mm if isinstance(frame, Stacked) else frame.body(build.build).model_dump()["diameter_mm"]
        made = cutting.wedges(each, across, self.portions)
        return made.model_copy(update={"lost_g": 0.0})

    def _end(self, frame: Rolled) -> float:
        return max(0.0, min(self.end_mm, frame.across_mm / 2 - 1))

    def _edge(self, frame: Stacked) -> float:
        least = min(frame.across_mm, frame.length_mm or frame.across_mm)
        return max(0.0, min(self.edge_mm, least / 2 - 1))

    def _trimmed(self, frame: Frame) -> Frame:
        """The frame of what is left once ends or edges are off."""
        if isinstance(frame, Rolled):
            return frame.model_copy(update={"across_mm": frame.across_mm - 2 * self._end(frame)})
        if isinstance(frame, Stacked) and frame.length_mm is not None:
            off = 2 * self._edge(frame)
            return frame.model_copy(update={"across_mm": frame.across_mm - off, "length_mm": frame.length_mm - off})
        return frame

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """So many portions, and what is trimmed."""
        build = as_build(whole(intake), setting.tins)
        cut = self._cut(build)
        number = build.frame.count
        off = max(0.0, min(0.99, cut.lost_g / (build.mass_g * build.frame.share))) if build.mass_g > 0 else 0.0
        parts = [p.of(p.content.take(1 - off)) for p in build.build]
        ends = [Part(name="ends", place=Place.OFFCUT, content=p.content.take(off)) for p in build.build]
        made = Built.of(self._trimmed(build.frame), (*parts, *ends))
        return Outcome(
            material=made,
            duration_s=by_habit(30 + 12 * cut.portions * number),
            goal=f"{cut.portions * number} of {cut.each_g:.0f} g",
            do=cut.how,
            why=offcut_words(made) or "A wet or cold blade drags the crumb.",
            make_ready=(MakeReady(id="hot-knife", name="long knife, hot water, cloth"),),
            cautions=cold_cautions((build,), setting),
        )
