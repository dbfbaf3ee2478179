"""Assemble: parts that were made apart come together without being mixed."""

from __future__ import annotations

from enum import StrEnum
from typing import Literal, NamedTuple

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.piping.maturing import KEEPS, hours, kind_of
from kindwhisk.core.piping.sorting import BAG_SHARE, THICK_MM, filling
from kindwhisk.core.process.outcome import Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.safety.cautions import FLAME, keep_cold

PAIR_S = 9.0
THIN = 0.75
"""Below this share of what the pairs take, a filling is thin enough to say so. Chosen."""


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
        notices: tuple[Notice, ...] = ()
        if self.joining is Joining.SANDWICH and setting.tins.piece is not None and len(intake) > 1:
            told = filled(intake[1:], setting)
            goal, notices, seconds = told.goal, told.notices, PAIR_S * told.pairs
            do, why = f"{do} {told.do}", f"{why} {told.why}"
        return Outcome(
            material=whole,
            duration_s=by_habit(seconds),
            goal=goal,
            do=do,
            why=why,
            cautions=cautions,
            notices=notices,
        )


class Filled(NamedTuple):
    """Pairs with their filling, in words."""

    pairs: int
    goal: str
    do: str
    why: str
    notices: tuple[Notice, ...]


def filled(fillings: tuple[Material, ...], setting: Setting) -> Filled:
    """What is there of a filling beside what so many pairs of pieces take of it."""
    tins, content = setting.tins, combine(fillings)
    piece = tins.piece
    assert piece is not None
    pairs = max(1, tins.count // 2)
    density = content.density_g_per_ml.likely
    wants = filling(pairs, piece.width_mm, density)
    there = content.mass_g * (1 - BAG_SHARE) / pairs
    thick = THICK_MM * there / wants.each_g
    kind = kind_of(content)
    takes = (
        f"{pairs} pairs of {piece.width_mm:.0f} mm take {wants.each_g:.1f} g each at {THICK_MM:.0f} mm, "
        f"{wants.made_g:.0f} g with what stays in bowl and bag; there are {content.mass_g:.0f} g."
    )
    keeps = (
        f"It counts as {kind.value}: matures {hours(kind).likely:.0f} h, keeps {KEEPS[kind].days} days cold "
        f"({KEEPS[kind].source}; your own rule leads)."
    )
    found = []
    if content.mass_g < THIN * wants.made_g:
        found.append(
            Notice(
                level="risk",
                text=f"The filling gives only {thick:.1f} mm in each pair.",
                remedy=f"Make {wants.made_g - content.mass_g:.0f} g more of it, or fill fewer.",
            )
        )
    return Filled(pairs, f"{pairs} pairs, {min(there, 1.5 * wants.each_g):.1f} g each", takes, keeps, tuple(found))
