"""Pair: two pieces of one size with a filling between."""

from __future__ import annotations

from typing import ClassVar, Literal, NamedTuple

from kindwhisk.core.builds.built import Built
from kindwhisk.core.builds.paired import Paired
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.people import Craft
from kindwhisk.core.piping.maturing import hours, keeps_days, kind_of
from kindwhisk.core.piping.sorting import BAG_SHARE, THICK_MM, filling
from kindwhisk.core.process.outcome import Notice, Outcome
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.base import StepBase, by_habit
from kindwhisk.core.process.steps.building import cold_cautions, parts_of
from kindwhisk.core.process.steps.meeting import meeting_notices
from kindwhisk.core.readiness.recognise import name_of
from kindwhisk.core.readiness.window import Purpose
from kindwhisk.core.shelf_life.limits import SOURCE

PAIR_S, ALONE_S = 9.0, 300.0
THIN = 0.75
"""Below this share of what the pairs take, a filling is thin enough to say so. Chosen."""


class PairStep(StepBase):
    """Pair the pieces that come in first, with the rest of what comes in between them."""

    craft: ClassVar[Craft] = Craft.PIPING
    kind: Literal["pair"] = "pair"

    @property
    def takes_for(self) -> Purpose | None:
        """What it takes a content for."""
        return Purpose.PIPE

    def effect(self, intake: tuple[Material, ...], setting: Setting) -> Outcome:
        """Pairs: a piece, the filling, a piece."""
        shells, others = intake[0].mixed, intake[1:]
        piece = setting.tins.piece
        goal, why = "Paired", "Pairs of one size bite evenly."
        do = "Pair by size; filling to a few mm of the edge, a quarter turn."
        seconds, notices = ALONE_S, meeting_notices(shells, others, Purpose.PIPE, setting)
        material: Material = combine((shells, *others))
        if piece is not None:
            pairs = max(1, setting.tins.count // 2)
            shell = Part(name="shell" if shells.baked else name_of(shells), place=Place.LAYER, content=shells.take(0.5))
            inside = [p.model_copy(update={"place": Place.FILLING}) for p in parts_of(others)]
            material = Built.of(Paired(count=pairs, piece=piece), (shell, *inside, shell))
            if others:
                told = filled(others, setting)
                goal, seconds = told.goal, PAIR_S * told.pairs
                do, why, notices = f"{do} {told.do}", f"{why} {told.why}", (*notices, *told.notices)
        return Outcome(
            material=material,
            duration_s=by_habit(seconds),
            goal=goal,
            do=do,
            why=why,
            cautions=cold_cautions(others, setting),
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
        f"It counts as {kind.value}: matures {hours(kind).likely:.0f} h, keeps {keeps_days(kind)} cold "
        f"({SOURCE}; your own rule leads)."
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
