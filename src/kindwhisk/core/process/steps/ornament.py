"""Ornament: what is piped, laid, dusted or browned at the end."""

from __future__ import annotations

from enum import StrEnum
from typing import ClassVar, Literal

from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.process.steps.building import as_build, cold_cautions
from kindwhisk.core.process.steps.meeting import meeting_notices
from kindwhisk.core.readiness.recognise import name_of
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.safety.cautions import FLAME

TOASTED = 0.12
"""How far a flame browns the tips of what is on top."""


class Ornament(StrEnum):
    """How it is put on."""

    PIPE = "pipe"
    LAY = "lay on"
    DUST = "dust"
    TORCH = "brown with a flame"


HOW: dict[Ornament, tuple[float, str, str, str]] = {
    Ornament.PIPE: (
        240,
        "Piped",
        "Even pressure, one twist for each; begin at the back.",
        "What is kept in the bag stays cold: it warms in the hand.",
    ),
    Ornament.LAY: (
        180,
        "Laid on",
        "Dry, cut side down, from the outside in.",
        "Wet fruit bleeds into a cream.",
    ),
    Ornament.DUST: (
        45,
        "Dusted",
        "Through a sieve from a hand's height; again after five minutes.",
        "The first sugar melts, the second stays as a crust.",
    ),
    Ornament.TORCH: (
        90,
        "Browned tips",
        "The flame moving, a hand's width away.",
        "It colours in seconds and burns in the next.",
    ),
}
"""Seconds, what it is when done, what to do, and why. Trade habit."""


class OrnamentStep(StepBase):
    """Put on top of the first of what comes in the rest of it, ``how``."""

    craft: ClassVar[Craft] = Craft.FINISHING
    kind: Literal["ornament"] = "ornament"
    how: Ornament = Ornament.PIPE

    @property
    def takes_for(self) -> Purpose | None:
        """What it takes a content for."""
        return Purpose.PIPE if self.how is Ornament.PIPE else None

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """It lies on top; raw pieces that are dusted stay one content."""
        base, others = intake[0], intake[1:]
        seconds, goal, do, why = HOW[self.how]
        flame = self.how is Ornament.TORCH
        return Outcome(
            material=self._made(base, others, setting),
            duration_s=by_habit(seconds),
            goal=goal,
            do=do,
            why=why,
            cautions=(*((FLAME,) if flame else ()), *cold_cautions(others, setting)),
            notices=meeting_notices(base, others, self.takes_for, setting) if self.takes_for is not None else (),
        )

    def _made(self, base: Material, others: tuple[Material, ...], setting: Setting) -> Material:
        if not isinstance(base, Built) and (not base.baked or setting.tins.piece is not None):
            return combine((base, *others))
        build = as_build(base, setting.tins)
        added = [Part(name=name_of(m), place=Place.TOP, content=m.mixed) for m in others if m.mass_g > 0]
        build = build.adding(*added)
        if self.how is not Ornament.TORCH:
            return build
        tops = [
            p.of(p.content.model_copy(update={"browning": max(p.content.browning, TOASTED)}))
            if p.place is Place.TOP and not p.content.baked
            else p
            for p in build.build
        ]
        return Built.of(build.frame, tops)
