"""On the rack: the crust's heat goes on inward, so the middle warms for a while after the oven."""

from __future__ import annotations

from dataclasses import replace
from typing import NamedTuple

from kindwhisk.core.baking.cooling import STILL_AIR_W_PER_M2K
from kindwhisk.core.baking.course import InOven, Sets, begin, step_s
from kindwhisk.core.baking.faces import BATTER_EMISSIVITY, EVAPORATES, Face, Faces
from kindwhisk.core.baking.predict import done_s
from kindwhisk.core.values.estimate import Basis, Estimate

_STILL = Face(air_w_per_m2k=STILL_AIR_W_PER_M2K, emissivity=BATTER_EMISSIVITY)
ON_THE_RACK = Faces(bottom=_STILL, wall=_STILL, tube=_STILL, top=replace(_STILL, evaporates=EVAPORATES))
"""Still air of the kitchen on all sides, and what it sees there."""
LOOKS_ON_S = 900.0
LEAST_K = 0.3


TOLD_SPREAD = 0.5
"""Of how much warmer the middle gets, and how soon. Chosen: it was never measured."""


class CarryOver(NamedTuple):
    """Hottest the middle gets (C), seconds after the oven, and how much more that is (K)."""

    peak_c: float
    after_s: float
    rise_k: float

    @property
    def rise(self) -> Estimate:
        """How much warmer it gets (K), with its range."""
        return Estimate.around(self.rise_k, TOLD_SPREAD, Basis.MODEL)

    @property
    def after(self) -> Estimate:
        """Seconds after the oven, with their range."""
        return Estimate.around(self.after_s, TOLD_SPREAD, Basis.MODEL)


def carry_over(content: InOven, out_s: float, kitchen_c: float) -> CarryOver:
    """What happens when a content is taken out after ``out_s`` of the model's own seconds."""
    bake, oven, seconds = begin(content), content.air.course(), step_s(content.fill_mm)
    while bake.t_s < out_s:
        bake.advance(min(seconds, max(out_s - bake.t_s, 0.5)), oven(bake.t_s + seconds))
    bake.move_to(ON_THE_RACK)
    at, coldest = bake.t_s, bake.coldest_c
    layers, rings = bake.mesh.shape
    ring = rings // 2 if bake.mesh.tube.any() else 0
    peak, when = coldest, 0.0
    while bake.t_s - at < LOOKS_ON_S:
        bake.advance(seconds, kitchen_c)
        middle = float(bake.celsius[layers // 2, ring])
        if middle > peak + LEAST_K / 10:
            peak, when = middle, bake.t_s - at
        elif bake.t_s - at - when > 5 * seconds:
            break
    return CarryOver(peak, when, peak - coldest)


EARLY_S = (0.0, 120.0, 300.0)
"""Taken out so many seconds before it is done."""
AT_MOST_EARLY = 0.4
"""Of the time that it takes; earlier it would not hold."""


def carried_over(content: InOven, takes_s: float, kitchen_c: float) -> list[tuple[float, CarryOver]]:
    """What the rack adds to a crumb that takes ``takes_s`` in this kitchen, by the seconds that it is taken out early;
    empty for what has no crumb."""
    if content.sets is not Sets.CRUMB:
        return []
    ends = done_s(content)
    pace = ends / takes_s
    return [
        (early, carry_over(content, ends - early * pace, kitchen_c))
        for early in EARLY_S
        if early * pace < AT_MOST_EARLY * ends
    ]
