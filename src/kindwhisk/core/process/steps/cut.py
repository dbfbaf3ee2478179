"""Cut: a cake level, and into layers."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built, whole
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.finishing import cutting
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Checkpoint, MakeReady, Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.process.steps.building import as_build, footprint, offcut_words
from kindwhisk.core.readiness.recognise import name_of
from kindwhisk.core.warmth.cooling import CUT_ABOVE_K

WARM_K = 2.0


class CutStep(StepBase):
    """Cut a cake level and into ``layers`` of one height; ``dome_mm`` is how much higher its middle stands.

    A sheet is cut across into ``strips`` of one size, which lie on one another then.
    """

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["cut"] = "cut"
    layers: int = Field(default=3, ge=1, le=12)
    strips: int = Field(default=1, ge=1, le=12)
    dome_mm: float | None = Field(default=None, ge=0, le=80)
    crust_mm: float = Field(default=cutting.CRUST_MM, ge=0, le=20)

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """So many layers, and what comes off the top."""
        before = as_build(whole(intake), setting.tins)
        frame = before.frame if isinstance(before.frame, Stacked) else footprint(setting.tins)
        cake = before.mixed
        height = max(1.0, cake.volume_ml.likely * frame.share * 1000 / frame.outside_mm2)
        cut = cutting.layers(height, self.layers, self.dome_mm, self.crust_mm, least_mm=0)
        number = self.layers * self.strips
        name = name_of(cake)
        layer = cake.take((1 - cut.off_share) / number)
        parts = [Part(name=name, place=Place.LAYER, content=layer) for _ in range(number)]
        parts.append(Part(name=f"{name}, off the top", place=Place.OFFCUT, content=cake.take(cut.off_share)))
        build = Built.of(self._strip(frame), parts)
        return Outcome(
            material=build,
            duration_s=by_habit(60 + 75 * self.layers * frame.count),
            goal=f"{number} of {cut.each_mm:.0f} mm" if number > 1 else "Level",
            do=self._how(cut, build),
            why=offcut_words(build),
            checkpoints=(
                Checkpoint(
                    id="cut",
                    name="Cut",
                    confirms="Cut",
                    sees="Layers of one height all round, faces smooth.",
                    not_yet="It balls under the knife: still warm, wait.",
                ),
            ),
            make_ready=(MakeReady(id="long-knife", name="long knife or wire", detail="sticks as high as a layer"),),
            notices=(*self._thin(cut.each_mm), *self._warm(cake, setting)),
        )

    def _strip(self, frame: Stacked) -> Stacked:
        """One strip of a sheet: its long side is cut across."""
        if self.strips == 1 or frame.length_mm is None:
            return frame
        short, long = sorted((frame.across_mm, frame.length_mm))
        return frame.model_copy(update={"across_mm": short, "length_mm": long / self.strips})

    def _how(self, cut: cutting.Layers, build: Built) -> str:
        if self.strips == 1:
            return cut.how
        frame = build.frame
        assert isinstance(frame, Stacked)
        size = f"{frame.length_mm:.0f} × {frame.across_mm:.0f} mm" if frame.length_mm else f"{frame.across_mm:.0f} mm"
        level = cut.how if cut.off_mm > 0 or self.layers > 1 else ""
        return f"{self.strips} strips of {size}, measured and marked first. {level}".strip()

    def _thin(self, each_mm: float) -> tuple[Notice, ...]:
        if self.layers == 1 or each_mm >= cutting.THINNEST_MM:
            return ()
        return (
            Notice(
                level="risk",
                text=f"Layers of {each_mm:.0f} mm break when lifted: {cutting.THINNEST_MM:.0f} mm is the least.",
                remedy="Fewer layers, or bake it higher or in two tins.",
            ),
        )

    @staticmethod
    def _warm(cake: Material, setting: Setting) -> tuple[Notice, ...]:
        limit = setting.kitchen.air_c + CUT_ABOVE_K + WARM_K
        if cake.temperature_c <= limit:
            return ()
        return (
            Notice(
                level="risk",
                text=f"At {cake.temperature_c:.0f} °C the starch is still setting: the crumb balls under the knife.",
                remedy=f"Wait until its core is below {limit:.0f} °C.",
            ),
        )
