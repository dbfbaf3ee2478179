"""Stack: layers and fillings in turns, each pressed level."""

from __future__ import annotations

from typing import ClassVar, Literal

from pydantic import Field

from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.part import CRUMBS, Part, Place
from kindwhisk.core.finishing.cutting import THINNEST_MM
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Checkpoint, Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.process.steps.building import as_build, cold_cautions, parts_of, ring_and_board, thickness_words
from kindwhisk.core.process.steps.meeting import meeting_notices
from kindwhisk.core.readiness.window import Purpose

THIN_MM = 3.0
"""A filling thinner than this leaves layers dry between. Trade habit: 5 to 8 mm are usual."""


class StackStep(StepBase):
    """Stack: fillings are shared between the layers of what comes in first; what else was baked goes on top in order.

    ``cakes`` is how many are built of it, where that is another number than was baked; ``in_ring``: within a ring and
    film, so that it stands straight.
    """

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["stack"] = "stack"
    cakes: int | None = Field(default=None, ge=1, le=99)
    in_ring: bool = False

    @property
    def takes_for(self) -> Purpose:
        """What it takes a content for."""
        return Purpose.SPREAD

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Layers with a filling between each two."""
        base, others = intake[0], intake[1:]
        build = _regrouped(as_build(base, setting.tins), self.cakes)
        crumbs = [p for p in build.build if p.place in CRUMBS]
        added = parts_of(others)
        if len(crumbs) > 1 and not build.at_place(Place.FILLING, Place.WALL, Place.LID):
            build = Built.of(build.frame, _in_turns(build.build, added))
        else:
            build = build.adding(*added)
        fillings = build.at_place(Place.FILLING)
        gaps = max(1, len(build.at_place(Place.LAYER, Place.BASE)) - 1)
        thinnest = sum(build.thickness_mm(p) or 0.0 for p in fillings) / gaps
        told = f"{len(build.at_place(Place.LAYER, Place.BASE))} layers"
        if fillings:
            told += f", {thickness_words(build, fillings[0])} of {fillings[0].name}"
        return Outcome(
            material=build,
            duration_s=by_habit(60 + 45 * len(build.build)),
            goal=told,
            do="Layer by layer, each pressed level from the middle; the best one last, upside down.",
            why="An uneven layer leans when it is cut.",
            checkpoints=(
                Checkpoint(
                    id="level",
                    name="Level",
                    confirms="It stands level",
                    sees="Level from two sides, nothing bulges.",
                    not_yet="It leans: press the high side, chill it, go on then.",
                ),
            ),
            make_ready=(ring_and_board("before the first layer"),) if self.in_ring else (),
            cautions=cold_cautions(others, setting),
            notices=(*meeting_notices(base, others, self.takes_for, setting), *_thin(thinnest, added)),
        )


def _thin(thinnest_mm: float, added: list[Part]) -> tuple[Notice, ...]:
    spread = [p for p in added if p.place is Place.FILLING]
    if not spread or not 0 < thinnest_mm < THIN_MM:
        return ()
    more = sum(p.content.mass_g for p in spread) * (THIN_MM / thinnest_mm - 1)
    return (
        Notice(
            level="risk",
            text=f"The filling lies only {thinnest_mm:.1f} mm thick.",
            remedy=f"Make {more:.0f} g more of it, or cut fewer layers (of at least {THINNEST_MM:.0f} mm).",
        ),
    )


def _in_turns(layers: tuple[Part, ...], added: list[Part]) -> list[Part]:
    """A share of every filling between each two layers; what was baked besides goes on top."""
    crumbs = [p for p in layers if p.place in CRUMBS]
    off = [p for p in layers if p.place not in CRUMBS]
    fillings = [p for p in added if p.place is Place.FILLING]
    between = 1 / (len(crumbs) - 1)
    found: list[Part] = []
    for n, layer in enumerate(crumbs):
        found.append(layer)
        if n < len(crumbs) - 1:
            found += [f.of(f.content.take(between)) for f in fillings]
    return [*found, *(p for p in added if p.place is not Place.FILLING), *off]


def _regrouped(build: Built, cakes: int | None) -> Built:
    """The layers of several cakes for another number of them."""
    have = build.frame.count
    if cakes is None or cakes == have or cakes > have or have % cakes:
        return build
    times = have // cakes
    parts = [p.of(p.content.take(1 / times)) for p in build.build for _ in range(times)]
    return Built.of(build.frame.model_copy(update={"count": cakes}), parts)
