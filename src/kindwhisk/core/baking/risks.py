"""What a bake is at risk of, read off its course: each with the figure behind it and the lever that changes it."""

from __future__ import annotations

import math
from collections.abc import Callable, Iterator
from enum import StrEnum

from kindwhisk.core.baking.course import InOven, Sets
from kindwhisk.core.baking.drying import texture
from kindwhisk.core.baking.ends import ends
from kindwhisk.core.baking.predict import DARKER, HOLDS, Prediction
from kindwhisk.core.baking.reference import family
from kindwhisk.core.baking.usual import usual
from kindwhisk.core.learning.figures import Figure, prior_sd
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value

DOMES = 0.10
"""A dome above this share of the height. Chosen: below it a foam cake is called level."""
CRUST_MM, STILL_RISES = 0.3, 0.12
"""A crust of this thickness while so much of the rise is to come will tear. Trade habit."""
EDGE_WAITS = 0.58
"""The edge waits, done, for more than this share of the time. Chosen."""
PALE = 0.55
SHRINKS = 0.11
"""A crumb that has lost more water than this, and a deep one that was not yet set through, draws in. Trade habit."""
HOT_SHELLS_C, COOL_SHELLS_C = 165.0, 130.0
HARSH = 1.4
"""So much browner than the formula's own bake, shells crack. Chosen."""
HOT_DRYING_C = 110.0
ABSURD_SD, STRANGE_SD = 3.0, math.hypot(prior_sd(Figure.BAKE), 0.10)
"""A timed bake further off the usual than three deviations is asked about: of what strange ovens do, and of what
recipes of one kind differ by."""
SHORT = 0.8
"""A timed bake that dried in less than this share of the usual time. Chosen."""


class RiskKind(StrEnum):
    """What may go wrong."""

    DOME = "dome"
    CRACK = "crack"
    SHRINK = "shrink"
    DRY_EDGE = "dry edge"
    RAW_MIDDLE = "raw middle"
    PALE = "pale"
    DARK = "dark"
    BROWNED = "browned"
    HOLLOW = "hollow or without feet"
    FALLS = "falls"
    LEATHERY = "not dry through"
    REFERENCE = "timed bake"


class Risk(Value):
    """``why`` it may come, by this bake's own figures, and the ``lever`` against it."""

    kind: RiskKind
    why: str
    lever: str


def risks(content: InOven, made: Prediction) -> tuple[Risk, ...]:
    """The risks of a bake, worst first."""
    kinds: dict[Sets, Callable[[InOven, Prediction], Iterator[Risk]]]
    kinds = {Sets.CRUMB: _crumb, Sets.SHELL: _shells, Sets.DRY: _dried}
    return (*_absurd(content, made), *kinds[content.sets](content, made))


def _absurd(content: InOven, made: Prediction) -> Iterator[Risk]:
    """A timed bake that no kitchen's oven explains."""
    off = made.factor / usual(family(content)).factor
    if abs(math.log(off)) <= ABSURD_SD * STRANGE_SD:
        return
    yield Risk(
        kind=RiskKind.REFERENCE,
        why=f"The bake that the minutes come from took {off:.1f} times what is usual for such a one.",
        lever="Are its minutes, its tin, its fill and its oven right? Else leave it out.",
    )


def _span(figure: Estimate, spec: str) -> str:
    """Its range in words."""
    return f"{figure.low:{spec}} to {figure.high:{spec}}"


def _crumb(content: InOven, made: Prediction) -> Iterator[Risk]:
    way, done = made.course, made.course.done_s or 0.0
    end, minutes, told = way.at(done), made.done_s.likely / 60, ends(made)
    stretch = made.done_s.likely / done
    if told.browned is not None and told.browned.likely > DARKER:
        yield Risk(
            kind=RiskKind.RAW_MIDDLE,
            why=f"The top browns {_span(told.browned, '.1f')} times as much as in the formula's own bake by the time "
            f"the middle is done ({minutes:.0f} min): it is easily taken out raw inside.",
            lever="Cover it loosely when it is brown enough, or bake 10 to 15 °C cooler for longer.",
        )
    elif told.browned is not None and told.browned.likely < PALE:
        yield Risk(
            kind=RiskKind.PALE,
            why=f"Done after {minutes:.0f} min with {_span(told.browned, '.0%')} of the colour of the "
            "formula's own bake.",
            lever="10 °C hotter, a rack higher, or no fan; do not wait for colour: it dries.",
        )
    height = content.fill_mm * 1.3
    if end.dome_mm > DOMES * height:
        yield Risk(
            kind=RiskKind.DOME,
            why=f"The edge sets while the middle still rises: {_span(told.dome_mm, '.0f')} mm higher in the middle.",
            lever="Cooler and longer, a bright tin, or a strip of wet cloth round it; trim it if it must be flat.",
        )
    crust = way.first("crust_mm", CRUST_MM)
    if crust is not None:
        to_come = 1 - way.at(crust).risen
        if to_come > STILL_RISES:
            yield Risk(
                kind=RiskKind.CRACK,
                why=f"The top is dry after {crust * stretch / 60:.0f} min with {to_come:.0%} of the rise to come.",
                lever="10 °C cooler, a rack lower, or no fan until it has risen.",
            )
    edge = way.first("edge_c", content.finished_c)
    if edge is not None and (done - edge) / done > EDGE_WAITS:
        yield Risk(
            kind=RiskKind.DRY_EDGE,
            why=f"The edge is done {(done - edge) * stretch / 60:.0f} min before the middle.",
            lever="Cooler and longer, a tube tin, or paper round the wall.",
        )
    if end.lost > SHRINKS:
        yield Risk(
            kind=RiskKind.SHRINK,
            why=f"It loses {_span(told.lost, '.0%')} of its weight: as it dries it draws in.",
            lever="Out as soon as it is done; shorter and hotter for a thin one, no fan for a deep one.",
        )
    for door in content.air.openings:
        then = way.at(door.at_s / stretch)
        if then.set < HOLDS:
            yield Risk(
                kind=RiskKind.FALLS,
                why=f"At {door.at_s / 60:.0f} min only {then.set:.0%} of it has set when the door opens.",
                lever=f"Door shut until {made.first_look_s / 60:.0f} min.",
            )


def _shells(content: InOven, made: Prediction) -> Iterator[Risk]:
    oven, mode = content.air.holds_c, content.mode.value
    if _hot(made, oven > HOT_SHELLS_C, DARKER):
        yield Risk(
            kind=RiskKind.BROWNED,
            why=f"At {oven:.0f} °C {mode} the tops colour before the inside is set.",
            lever="10 °C cooler and two minutes longer, or a second tray over them.",
        )
    if _hot(made, oven > HOT_SHELLS_C, HARSH):
        yield Risk(
            kind=RiskKind.CRACK,
            why="The skin is hot and dry before steam has found its way out at the foot.",
            lever="Cooler, or a doubled tray below.",
        )
    if made.browned < PALE if made.browned is not None else oven < COOL_SHELLS_C:
        yield Risk(
            kind=RiskKind.HOLLOW,
            why=f"At {oven:.0f} °C {mode} steam comes slowly: the foot stays low, the inside sinks from the shell.",
            lever="10 °C hotter, or the tray a rack lower.",
        )


def _hot(made: Prediction, hot: bool, browned: float) -> bool:
    """Whether it is too hot: against the formula's own bake, or by degrees where there is none."""
    return hot if made.browned is None else made.browned > browned


def _dried(content: InOven, made: Prediction) -> Iterator[Risk]:
    oven = content.air.holds_c
    if made.factor < SHORT:
        ends = made.done_s.likely
        lost = made.course.at(ends).lost
        yield Risk(
            kind=RiskKind.LEATHERY,
            why=f"After {ends / 60:.0f} min such a one is usually {texture((content.water - lost) / (1 - lost))}.",
            lever="Leave it in longer, or in the oven while that cools; judge it cold, broken through.",
        )
    if (made.browned is not None and made.browned > DARKER) or oven > HOT_DRYING_C:
        yield Risk(
            kind=RiskKind.BROWNED,
            why=f"At {oven:.0f} °C the sugar colours within the hours that drying takes.",
            lever="90 to 100 °C and longer; the door a spoon's width open lets the vapour out.",
        )
    if oven > HOT_DRYING_C:
        yield Risk(
            kind=RiskKind.CRACK,
            why="The outside is dry and stiff while the inside still swells.",
            lever="Cooler; leave it in the oven to cool.",
        )
