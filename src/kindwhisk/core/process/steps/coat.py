"""Coat: cream, glaze or crumbs over the outside."""

from __future__ import annotations

from enum import StrEnum
from typing import ClassVar, Literal

from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Checkpoint, MakeReady, Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.process.steps.building import as_build, cold_cautions, thickness_words
from kindwhisk.core.process.steps.meeting import meeting_notices
from kindwhisk.core.readiness import glaze
from kindwhisk.core.readiness.recognise import content_of, name_of
from kindwhisk.core.readiness.window import Content, Purpose

BARE_MM = 1.0


class Where(StrEnum):
    """What is coated."""

    TOP = "top"
    SIDE = "side"
    ALL = "all over"


class CoatStep(StepBase):
    """Coat the first of what comes in with the rest of it; ``poured`` is a glaze, which runs off."""

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["coat"] = "coat"
    where: Where = Where.ALL
    poured: bool = False

    @property
    def takes_for(self) -> Purpose | None:
        """What it takes a content for."""
        return Purpose.POUR if self.poured else Purpose.SPREAD

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """A coat of one thickness."""
        base, coat = intake[0], combine(intake[1:])
        build = as_build(base, setting.tins)
        name = "crumbs" if coat.baked else name_of(coat)
        part = Part(
            name=name,
            place=Place.COAT,
            content=coat,
            on_top=self.where is not Where.SIDE,
            on_side=self.where is not Where.TOP,
        )
        build = build.adding(part)
        thick = build.thickness_mm(part) if coat.mass_g > 0 else None
        poured = self.poured or content_of(coat) is Content.GLAZE
        do = (
            "In one pour from the middle out, then one stroke; lift what hangs below."
            if poured
            else "Pressed on with a flat hand, from below up."
            if coat.baked
            else "A thin coat first, a quarter of an hour in the cold, then the rest; a hot dry knife to smooth it."
        )
        return Outcome(
            material=build,
            duration_s=by_habit(150 if poured else 420),
            goal=f"{thickness_words(build, part)} of {name}" if thick else "Coated",
            do=do,
            why="A second pour leaves a step." if poured else "The first coat holds the crumbs.",
            checkpoints=(
                Checkpoint(id="coated", name="Coated", confirms="Coated", sees="No crumb shows, edges sharp."),
            ),
            make_ready=(MakeReady(id="rack-tray", name="rack over a tray", detail="what runs off is used again"),)
            if poured
            else (),
            cautions=cold_cautions(intake[1:], setting),
            notices=(
                *meeting_notices(base, intake[1:], Purpose.POUR if poured else Purpose.SPREAD, setting),
                *self._thin(build, thick, coat, poured=poured),
            ),
        )

    def _thin(self, build: Built, thick: float | None, coat: Material, *, poured: bool) -> tuple[Notice, ...]:
        if thick is None or thick <= 0 or coat.baked:
            return ()
        if poured:
            return self._too_little_poured(thick, coat)
        if thick < BARE_MM:
            return (
                Notice(
                    level="risk",
                    text=f"The coat is only {thick:.1f} mm thick: crumbs show through.",
                    remedy=f"About {coat.mass_g * (3 / thick - 1):.0f} g more give 3 mm; or coat the top alone.",
                ),
            )
        return ()

    def _too_little_poured(self, thick: float, coat: Material) -> tuple[Notice, ...]:
        """Over an edge a part of it runs off; what is poured into a ring stays."""
        wanted = glaze.need(coat.volume_ml.likely * 1000 / thick)
        over_an_edge = self.where is not Where.TOP
        least = glaze.THICK_MM[0] * (1 + glaze.RUNS_OFF if over_an_edge else 1)
        if thick >= least:
            return ()
        runs = ", a third of which runs off" if over_an_edge else ""
        return (
            Notice(
                level="risk",
                text=f"There is {thick:.1f} mm of it to pour{runs}: it does not cover.",
                remedy=f"{wanted.pour_g if over_an_edge else wanted.stays_g:.0f} g give {wanted.thickness_mm:.1f} mm.",
            ),
        )
