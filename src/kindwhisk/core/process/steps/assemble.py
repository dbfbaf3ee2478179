"""Assemble: parts that were made apart come together without being mixed."""

from __future__ import annotations

from enum import StrEnum
from typing import Literal

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.outcome import Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.safety.cautions import FLAME, keep_cold


class Joining(StrEnum):
    """How parts come together."""

    LAYER = "layer"
    SPREAD = "spread"
    LINE = "line the ring"
    SANDWICH = "sandwich"
    TOP = "top"
    GLAZE = "glaze"
    DUST = "dust"
    TORCH = "brown with a flame"


HOW: dict[Joining, tuple[float, str, str, str]] = {
    Joining.LAYER: (240, "Level", "Layer by layer, each pressed level.", "An uneven layer leans when it is cut."),
    Joining.SPREAD: (
        150,
        "Even to the edge",
        "From the middle out, thinner toward the far end.",
        "The end is pushed out when it is rolled.",
    ),
    Joining.LINE: (
        240,
        "Standing close",
        "Smooth face outward, close side by side, then the disc on the base.",
        "Gaps let the filling through.",
    ),
    Joining.SANDWICH: (
        300,
        "Paired",
        "Pair by size; filling to a few mm of the edge, a quarter turn.",
        "Pairs of one size bite evenly.",
    ),
    Joining.TOP: (
        240,
        "Covered",
        "On top, drawn up into peaks or smoothed.",
        "A sealed edge keeps moisture where it belongs.",
    ),
    Joining.GLAZE: (150, "Coated", "At its temperature, in one pour from the middle.", "A second pour leaves a step."),
    Joining.DUST: (
        45,
        "Dusted",
        "Through a sieve from a hand's height; again after five minutes.",
        "The first sugar melts, the second stays as a crust.",
    ),
    Joining.TORCH: (
        90,
        "Browned tips",
        "The flame moving, a hand's width away.",
        "It colours in seconds and burns in the next.",
    ),
}
"""Seconds, what it is when done, what to do, and why. Trade habit."""


class AssembleStep(StepBase):
    """Put parts together by ``joining``."""

    kind: Literal["assemble"] = "assemble"
    joining: Joining = Joining.LAYER

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """All parts, side by side: masses and bubbles stay as they are."""
        whole = combine(intake)
        seconds, goal, do, why = HOW[self.joining]
        chilled = any(ingredient(i).kind == "dairy" for i in whole.parts)
        cautions = (
            *((keep_cold(setting.kitchen.cold_rule),) if chilled else ()),
            *((FLAME,) if self.joining is Joining.TORCH else ()),
        )
        return Outcome(material=whole, duration_s=by_habit(seconds), goal=goal, do=do, why=why, cautions=cautions)
