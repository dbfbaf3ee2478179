"""What a page is told of a bake that was asked about."""

from __future__ import annotations

import math
from typing import Self

from pydantic import BaseModel

from kindwhisk.core.baking.answers import Answer
from kindwhisk.core.baking.asked import Asked
from kindwhisk.core.baking.carry_over import CarryOver
from kindwhisk.core.baking.cools import cooling_after
from kindwhisk.core.baking.course import CoursePoint, InOven
from kindwhisk.core.baking.doneness import Sign, looks_wrong_but_right, signs
from kindwhisk.core.baking.ends import ends
from kindwhisk.core.baking.follow import CrumbFollower
from kindwhisk.core.baking.predict import Prediction, Texture
from kindwhisk.core.baking.risks import Risk, risks
from kindwhisk.core.baking.straight_after import Next, straight_after
from kindwhisk.core.learning.expected import Factor
from kindwhisk.core.values.estimate import RANGE_SD, Basis, Estimate
from kindwhisk.core.values.temperature import Point
from kindwhisk.core.vessels import section
from kindwhisk.core.vessels.bowls import usual
from kindwhisk.core.vessels.section import Section
from kindwhisk.core.warmth.cooling import Cooling


def minutes(seconds: Estimate | None) -> Estimate | None:
    """Of seconds, where there are any."""
    return None if seconds is None else seconds.scaled(1 / 60)


def section_of(asked: Asked, content: InOven) -> Section:
    """One tin or piece, cut in half, as it goes in."""
    density = Estimate.exact(asked.density_g_per_ml, Basis.FORMULA)
    batter, piece = usual("batter", asked.batter_g).at_density(density), asked.pieces
    if piece is None:
        return section.of_tin(f"{asked.tin.shape} tin", asked.tin, 1.0, batter)
    return section.of_piece(
        "piece", piece, batter, max(1, round(asked.volume_ml / content.tin.volume_ml(content.fill_mm)))
    )


class Baked(BaseModel):
    """When a bake is done, in minutes, and what there is to know of it. Curves are in seconds and C."""

    minutes: Estimate
    first_look_min: float
    turn_min: Estimate | None
    cover_min: Estimate | None
    done_c: float
    fill_mm: float
    pieces: int | None
    lost: Estimate
    dome_mm: Estimate
    browned: Estimate | None
    section: Section
    curves: tuple[CoursePoint, ...]
    textures: tuple[Texture, ...]
    risks: tuple[Risk, ...]
    signs: tuple[Sign, ...]
    looks_wrong: tuple[str, ...]
    after: tuple[Next, ...]
    cooling: Cooling

    @classmethod
    def of(cls, asked: Asked, content: InOven, made: Prediction, air_c: float) -> Self:
        """As it is shown, cooling in a kitchen at ``air_c``."""
        at_end = ends(made)
        each = content.tin.volume_ml(content.fill_mm)
        return cls(
            minutes=made.done_s.scaled(1 / 60),
            first_look_min=made.first_look_s / 60,
            turn_min=minutes(at_end.turn_s),
            cover_min=minutes(at_end.cover_s),
            done_c=content.finished_c,
            fill_mm=content.fill_mm,
            pieces=round(asked.volume_ml / each) if content.free else None,
            lost=at_end.lost,
            dome_mm=at_end.dome_mm,
            browned=at_end.browned,
            section=section_of(asked, content),
            curves=made.curve(),
            textures=made.textures,
            risks=risks(content, made),
            signs=signs(asked.technique, content.sets),
            looks_wrong=looks_wrong_but_right(asked.technique),
            after=straight_after(asked.technique),
            cooling=cooling_after(asked, content, made, air_c),
        )


class AnswerView(BaseModel):
    """An answer to something that a baker asks, in minutes; ``cannot`` stands where it would never be done."""

    id: str
    asks: str
    why: str
    says: str
    cannot: str
    minutes: Estimate | None
    more_min: float | None
    first_look_min: float | None
    turn_min: Estimate | None
    cover_min: Estimate | None
    risks: tuple[Risk, ...]

    @classmethod
    def of(cls, answer: Answer) -> Self:
        """As it is shown."""
        made = answer.made
        at_end = None if made is None else ends(made)
        return cls(
            id=answer.id,
            asks=answer.asks,
            why=answer.why,
            says=answer.says,
            cannot=answer.cannot,
            minutes=None if made is None else made.done_s.scaled(1 / 60),
            more_min=answer.more_min,
            first_look_min=None if made is None else made.first_look_s / 60,
            turn_min=minutes(at_end.turn_s if at_end else None),
            cover_min=minutes(at_end.cover_s if at_end else None),
            risks=answer.risks,
        )


def learned_rise(carried: CarryOver, own: Factor) -> Estimate:
    """How much warmer the middle still gets: by the model, until bakes have shown it."""
    if not own.bakes:
        return carried.rise
    wide = math.exp(RANGE_SD * own.log_sd) - 1
    shown = Estimate.around(carried.rise_k * own.factor, wide, Basis.KITCHEN)
    return shown.model_copy(update={"bakes": own.bakes})


class CarryView(BaseModel):
    """On the rack: how much warmer the middle still gets, when it is taken out ``early_min`` before done, and when."""

    early_min: float
    rise_k: Estimate
    after_min: Estimate

    @classmethod
    def of(cls, early_s: float, carried: CarryOver, own: Factor) -> Self:
        """As it is shown, with what this kitchen's own probes have shown of it."""
        return cls(
            early_min=early_s / 60,
            rise_k=learned_rise(carried, own),
            after_min=carried.after.scaled(1 / 60),
        )


class Asks(BaseModel):
    """What a baker asks, answered; and what happens on the rack."""

    answers: tuple[AnswerView, ...]
    carry_over: tuple[CarryView, ...]


class BakeForecast(BaseModel):
    """Seconds to done at ``now_s`` with their range, null with ``why`` where the readings can't tell.

    ``strange``: they fit no such bake. ``faster`` is the likely time over the expected one. ``ahead`` is where the
    middle is heading (seconds from now).
    """

    seconds_to_done: float | None
    low_s: float | None
    high_s: float | None
    basis: Basis
    why: str
    core_c: float | None
    strange: bool
    faster: float | None
    now_s: float
    ahead: tuple[Point, ...]

    @classmethod
    def of(cls, follower: CrumbFollower, now_s: float) -> Self:
        """What the readings so far tell at a moment."""
        seen = follower.forecast(now_s)
        return cls(
            seconds_to_done=seen.left_s.likely if seen.left_s else None,
            low_s=seen.left_s.low if seen.left_s else None,
            high_s=seen.left_s.high if seen.left_s else None,
            basis=seen.left_s.basis if seen.left_s else Basis.MEASURED,
            why=seen.why,
            core_c=seen.core_c,
            strange=seen.strange,
            faster=seen.faster,
            now_s=now_s,
            ahead=tuple(Point(s=s, c=c) for s, c in follower.ahead(now_s)),
        )
