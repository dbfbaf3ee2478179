"""Roll: a sheet into a roll, empty while warm or around its filling."""

from __future__ import annotations

from enum import StrEnum
from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built, whole
from kindwhisk.core.builds.part import Place
from kindwhisk.core.builds.rolled import Rolled
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.finishing import rolling
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Checkpoint, MakeReady, Notice, Outcome
from kindwhisk.core.process.schools import School, school
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import Content, StepBase, by_habit
from kindwhisk.core.process.steps.building import as_build
from kindwhisk.core.warmth.cooling import ROLL_C

WARM_S, FILLED_S = 90.0, 150.0
STICKS_FROM_C = ROLL_C + 45.0
"""A sheet that is warmer sticks to what it is rolled in. Trade habit."""


class From(StrEnum):
    """The side that the roll is begun from."""

    SHORT = "from the short side"
    LONG = "from the long side"


class Face(StrEnum):
    """Which face of the sheet looks outward."""

    BAKED_IN = "baked face inside"
    BAKED_OUT = "baked face outside"


class Against(StrEnum):
    """What keeps a warm sheet from sticking to what it is rolled in."""

    PAPER = "paper"
    SUGARED_CLOTH = "a cloth dusted with sugar"
    DAMP_CLOTH = "a damp cloth"


class RollStep(StepBase):
    """Roll up ``begun`` from a side; ``sheet_mm`` is the sheet's own thickness where it is not known by its weight.

    ``warm``: empty, while it is warm, so that it remembers its bend. ``core_mm`` is what the first turn goes round.
    """

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["roll"] = "roll"
    begun: From = From.SHORT
    sheet_mm: float = Field(default=14, ge=3, le=40)
    warm: bool = False
    face: Face = Face.BAKED_IN
    against: Against = Against.PAPER
    core_mm: float = Field(default=0, ge=0, le=200)

    def _frame(self, build: Built) -> Rolled | None:
        frame = build.frame
        if not isinstance(frame, Stacked) or frame.length_mm is None:
            return None
        width, length = sorted((frame.across_mm, frame.length_mm))
        along, across = (length, width) if self.begun is From.SHORT else (width, length)
        taper = max((p.taper for p in build.at_place(Place.FILLING)), default=0.0)
        return Rolled(
            count=frame.count,
            along_mm=along,
            across_mm=across,
            taper=taper,
            outside=self.face is Face.BAKED_OUT,
        )

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """A roll around its filling; an empty warm sheet is unrolled again and stays a sheet."""
        build = as_build(whole(intake), setting.tins)
        frame = self._frame(build)
        rolled: Material = build
        made = rolling.roll(300, self.sheet_mm, self.sheet_mm, self.core_mm)
        if frame is not None:
            made = frame.made(build.build)
            rolled = whole(intake) if self.warm else build.in_frame(frame)
        empty = not build.at_place(Place.FILLING)
        return Outcome(
            material=rolled,
            duration_s=by_habit(WARM_S if self.warm else FILLED_S),
            goal=f"{made.diameter_mm:.0f} mm across",
            do=self._do(build, empty=empty),
            why=self._why(made, frame),
            checkpoints=(
                Checkpoint(
                    id="rolled", name="Rolled", sees="Round, no crack on top.", too_far="A crack: outside in, or iced."
                ),
            ),
            make_ready=(MakeReady(id="cloth", name=self.against.value, detail="larger than the sheet"),),
            notices=(*self._strain(made, setting), *self._warmth(build, setting), *_no_sheet(frame)),
        )

    def _do(self, build: Built, *, empty: bool) -> str:
        if self.warm or empty:
            kept = (
                "Sugar on the face keeps it from sticking"
                if self.against is Against.SUGARED_CLOTH
                else ("The cloth well wrung" if self.against is Against.DAMP_CLOTH else "Fresh paper on the face")
            )
            return f"While warm, in {self.against.value}, tight; leave it rolled until it is cold. {kept}."
        bevel = rolling.BEVEL_TIMES * (build.thickness_mm(build.build[0]) or self.sheet_mm)
        return (
            f"{self.face.value.capitalize()}. Cut the far end slanting over {bevel:.0f} mm. First turn tight, then let "
            "the paper pull it; seam below. Holes at the ends are filled from what was kept back."
        )

    def _why(self, made: rolling.Roll, frame: Rolled | None) -> str:
        parts = [f"{made.turns:.1f} turns; the crumb remembers the first one."]
        if frame is not None and not self.warm:
            number = rolling.slices(frame.across_mm)
            parts.append(
                f"{frame.across_mm:.0f} mm long: {number} slices of {rolling.SLICE_MM[1]:.0f} mm once the ends are off."
            )
        return " ".join(parts)

    def _strain(self, made: rolling.Roll, setting: Setting) -> tuple[Notice, ...]:
        known = setting.record.rolls
        if made.strain <= known.low or self.warm:
            return ()
        whose = f"this kitchen's {known.bakes} rolls" if known.bakes else "trade habit"
        return (
            Notice(
                level="risk" if made.strain > known.high else "note",
                text=f"The outer face is stretched by {made.strain:.0%}: rolls crack from somewhere between "
                f"{known.low:.0%} and {known.high:.0%} ({whose}).",
                remedy="Bake it thinner, roll it warm once, or begin with a wider first turn.",
            ),
        )

    def _warmth(self, build: Built, setting: Setting) -> tuple[Notice, ...]:
        """Too hot to be filled, or too cold to be rolled the first time while warm."""
        warm = build.temperature_c
        if self.warm and warm < setting.kitchen.air_c + 5:
            return (
                Notice(
                    level="risk",
                    text=f"The sheet is at {warm:.0f} °C: rolled cold for the first time it cracks.",
                    remedy="Roll it within minutes of the oven, under its paper.",
                ),
            )
        if self.warm and warm > STICKS_FROM_C:
            return (
                Notice(
                    level="note",
                    text=f"At {warm:.0f} °C it is soft and sticks.",
                    remedy="A few minutes under a cloth, then roll.",
                ),
            )
        return ()

    def schools(self, content: Content) -> tuple[School, ...]:
        """Warm or cold, short side or long."""
        return (school("Roll", "rolled warm" if self.warm else "cooled flat"), school("Roll begun", self.begun.value))


def _no_sheet(frame: Rolled | None) -> tuple[Notice, ...]:
    if frame is not None:
        return ()
    return (
        Notice(
            level="risk",
            text="What comes in is no sheet.",
            remedy="Roll what was baked on a sheet or a rectangular tin.",
        ),
    )
