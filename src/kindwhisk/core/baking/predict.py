"""When a bake is done: its course, set right by the bake that the formula's time was measured on."""

from __future__ import annotations

import math

from kindwhisk.core.baking.course import Course, CoursePoint, InOven, Sets, course
from kindwhisk.core.baking.drying import TEXTURES
from kindwhisk.core.baking.reference import DRIED, SHEET, ReferenceBake, family
from kindwhisk.core.baking.usual import usual
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.model import Value

OWN_SPREAD, WORLD_SPREAD = 0.10, 0.20
"""Ranges of a time at its reference, and of one without any. Trade habit, and the bake reference model's own claim."""
PER_LOG_TIME, PER_KELVIN, OTHER_MODE, OTHER_FAMILY, TO_SHEET, OTHER_STAND = 0.15, 0.003, 0.06, 0.05, 0.13, 0.04
"""What distance from the reference adds to the range, in quadrature: of times by their logarithm, of temperature,
between still air and fan, between tins of other kinds, to and from sheets (bake reference model), and each for another
wall, rack or number of racks. Trade habit."""
FIRST_LOOK = 0.82
"""First look at this share of the way from the low end's time to the likely one. Trade habit."""
HOLDS = 0.8
"""A door may be opened, and a tin turned, when so much of the crumb has set. Trade habit."""
TURN_AT = {Sets.CRUMB: 0.65, Sets.SHELL: 0.55, Sets.DRY: 0.5}
"""Turn no sooner than at this share of the time. Trade habit."""
DARKER = 1.6
"""Covered when it is browner, by this factor, than the reference bake was at its end. Chosen."""
POINTS = 48


class Texture(Value):
    """What a drying meringue is like from a moment on (s)."""

    name: str
    from_s: Estimate


class Prediction(Value):
    """When a content is done in an oven.

    Seconds since it went in. ``turn_s`` and ``cover_s`` are None where it must not be, or need not be. ``factor`` is
    the reference bake's time over the model's. ``browned`` is its colour at the end over the reference's (1: the
    same). ``course`` is the way there; ``textures`` what a meringue that dries passes on it.
    """

    done_s: Estimate
    first_look_s: float
    turn_s: float | None
    cover_s: float | None
    factor: float
    browned: float | None
    course: Course
    textures: tuple[Texture, ...] = ()

    def at(self, t_s: float) -> CoursePoint:
        """What is there at a moment of the real bake: the course, stretched to the likely time."""
        return self._along([t_s])[0]

    def curve(self) -> tuple[CoursePoint, ...]:
        """Its course in even steps, to the latest that it may be done."""
        return self._along([self.done_s.high * i / POINTS for i in range(POINTS + 1)])

    def _along(self, times: list[float]) -> tuple[CoursePoint, ...]:
        stretch = self.done_s.likely / (self.course.done_s or self.done_s.likely)
        found = self.course.along([t / stretch for t in times])
        return tuple(m.model_copy(update={"t_s": t}) for m, t in zip(found, times, strict=True))


def done_s(content: InOven) -> float:
    """The model's own seconds to done.

    Raises:
        CraftError: it never is, in that oven.
    """
    found = course(content).done_s
    if found is None:
        raise CraftError(
            f"At {content.air.holds_c:.0f} °C it is never done: "
            f"its middle would stay below {content.finished_c:.0f} °C."
            if content.sets is not Sets.DRY
            else f"At {content.air.holds_c:.0f} °C it does not dry through within a day.",
            field="oven_c",
            remedy="Set the oven higher, or make it thinner.",
        )
    return found


def _spread(content: InOven, reference: InOven | None, log_ratio: float) -> float:
    """Half-range of the time as a share of it."""
    if reference is None:
        return max(WORLD_SPREAD, usual(family(content)).spread)
    kinds = {family(content), family(reference)}
    other = 0.0 if len(kinds) == 1 else TO_SHEET if SHEET in kinds or DRIED in kinds else OTHER_FAMILY
    stands = (content.wall is not reference.wall) + (content.rack is not reference.rack)
    stands += (content.racks != reference.racks) + (content.air.starts_c is not None)
    terms = (
        OWN_SPREAD,
        PER_LOG_TIME * log_ratio,
        PER_KELVIN * (content.air.holds_c - reference.air.holds_c),
        OTHER_MODE * (content.mode is not reference.mode),
        other,
        OTHER_STAND * math.sqrt(stands),
    )
    return math.hypot(*terms)


def predict(content: InOven, reference: ReferenceBake | None = None) -> Prediction:
    """The prediction, exact at the reference; its range grows with the distance from it.

    Raises:
        CraftError: it, or the reference, would never be done.
    """
    way = course(content)
    own_s = done_s(content)
    if reference is None:
        factor, browned, basis = usual(family(content)).factor, None, Basis.HABIT
        spread = _spread(content, None, 0.0)
    else:
        measured = reference.in_oven(content)
        found = course(measured).done_s
        if found is None:
            raise CraftError(
                f"At {reference.oven_c:.0f} °C the timed bake would never have been done.",
                field="reference.oven_c",
                remedy="Check its oven and its tin, or leave it out.",
            )
        model_s = found
        # Between families the trade's own minutes differ from the model's by more than both err.
        to_here = usual(family(content)).factor / usual(family(measured)).factor
        factor = reference.minutes * 60 / model_s * to_here
        log_ratio = math.log(own_s / model_s)
        spread = _spread(content, measured, log_ratio)
        basis = Basis.FORMULA if abs(log_ratio) < 0.02 else Basis.MODEL
        colour = course(measured).at(model_s).brown
        browned = way.at(own_s).brown / colour if colour > 0 else None
    return stretched(content, way, Estimate.around(own_s * factor, spread, basis), factor, browned)


def stretched(
    content: InOven, way: Course, done: Estimate, factor: float = 1.0, browned: float | None = None
) -> Prediction:
    """The prediction of a time, with its looks at the same places of the course (which has an end)."""
    ends = way.done_s or done.likely
    stretch = done.likely / ends

    def when(field: str, value: float) -> float | None:
        found = way.first(field, value)
        return None if found is None else found * stretch

    look = done.low * FIRST_LOOK + done.likely * (1 - FIRST_LOOK)
    holds = when("set", HOLDS)
    if holds is not None and content.sets is not Sets.DRY:
        look = min(max(look, holds), done.likely)
    turn = TURN_AT[content.sets] * done.likely
    if content.sets is not Sets.DRY:
        turn = max(turn, holds if holds is not None else math.inf)
    cover = None
    if browned is not None and browned > DARKER and content.sets is Sets.CRUMB:
        cover = when("brown", way.at(ends).brown * DARKER / browned)
    return Prediction(
        done_s=done,
        first_look_s=look,
        turn_s=turn if turn < 0.9 * done.likely else None,
        cover_s=cover if cover is not None and cover < 0.92 * done.likely else None,
        factor=factor,
        browned=browned,
        course=way,
        textures=_textures(content, way, done),
    )


def _textures(content: InOven, way: Course, done: Estimate) -> tuple[Texture, ...]:
    """Of a meringue that dries: from when on it is crusted, leathery, dry through, as unsure as its end."""
    if content.sets is not Sets.DRY or way.done_s is None:
        return ()
    found = []
    for name, water in TEXTURES:
        moment = way.first("lost", max(0.0, 1 - (1 - content.water) / (1 - water)) - 1e-9)
        if moment is not None:
            found.append(Texture(name=name, from_s=done.scaled(moment / way.done_s)))
    return tuple(found)
