"""Cooling in still air by the mesh that bakes: from the oven's heat to each gate, at the place that matters for it.

A cold crumb is a poor conductor: its middle stays warm long after its surface has cooled, all the longer the thicker it
is. What may be turned out is told by the surface, what may be creamed or cut by the middle.
"""

from __future__ import annotations

from dataclasses import replace
from functools import lru_cache
from typing import NamedTuple

import numpy as np

from kindwhisk.core.baking.crumb import Crumb
from kindwhisk.core.baking.faces import BATTER_EMISSIVITY, EMISSIVITY, PAPER_M2K_PER_W, Face, Faces, TinWall
from kindwhisk.core.baking.heat import Bake
from kindwhisk.core.baking.mesh import mesh
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.values.temperature import Point
from kindwhisk.core.warmth.cooling import HANGS, OUT_OF_OVEN_C, CoolGate, Cooling, GateKind, How, gate_temperatures

CRUMB_CONDUCTS_W_PER_MK = 0.125
"""A baked crumb, 0.10 to 0.15. Recalled."""
STILL_AIR_W_PER_M2K = 6.0
"""Warm surfaces in a still kitchen, 4 to 9; with what they radiate 9 to 15 in all. Recalled."""
EVAPORATES = 0.03
"""An open crust goes on steaming a little, at this share of a wet surface's rate. Trade habit."""
GAP_M2K_PER_W = 0.05
"""The air between a shrinking cake and its tin. Trade habit."""
HEAT_J_PER_KG_K = 2900.0
SPREAD = 0.28
"""Half-range: what those ranges of crumb and air come to. By the analytic series of slab and cylinder."""
LAYERS, RINGS = 8, 5
STEP_S, GROWS, LONGEST_STEP_S, LONGEST_S = 20.0, 1.06, 240.0, 24 * 3600.0
CURVE_POINTS = 24


class Hot(NamedTuple):
    """A cake out of the oven: its shape and how high it stands in it or stood (mm), its grams, how it cools, the C of
    the kitchen's air and its own."""

    tin: Tin
    height_mm: float
    mass_g: float
    how: How
    air_c: float
    from_c: float = OUT_OF_OVEN_C

    @property
    def density(self) -> float:
        """g/ml."""
        return self.mass_g / max(self.tin.volume_ml(min(self.height_mm, 1000.0)), 1.0)


class _Way(NamedTuple):
    """Seconds, the C of the warmest place in its middle, and of the crumb beside its wall."""

    times: tuple[float, ...]
    core: tuple[float, ...]
    edge: tuple[float, ...]

    def when(self, to_c: float, *, at_edge: bool = False) -> float:
        """Seconds until it has come down to ``to_c``."""
        way = self.edge if at_edge else self.core
        return float(np.interp(-to_c, [-c for c in way], self.times))

    def seconds(self, to_c: float, *, at_edge: bool = False) -> Estimate:
        """The same with its range."""
        return Estimate.around(self.when(to_c, at_edge=at_edge), SPREAD, Basis.RECALLED)


def _faces(how: How) -> Faces:
    """Its surfaces as it stands or hangs."""
    open_face = Face(STILL_AIR_W_PER_M2K, BATTER_EMISSIVITY, evaporates=EVAPORATES)
    if how is How.RACK:
        below = replace(open_face, resists_m2k_per_w=PAPER_M2K_PER_W, evaporates=0.0)
        return Faces(bottom=below, wall=open_face, tube=open_face, top=open_face)
    metal = Face(STILL_AIR_W_PER_M2K, EMISSIVITY[TinWall.BRIGHT], resists_m2k_per_w=GAP_M2K_PER_W)
    return Faces(bottom=metal, wall=metal, tube=metal, top=open_face)


@lru_cache(maxsize=256)
def _cooled(hot: Hot, density: float, to_c: float) -> _Way:
    crumb = Crumb(
        density=density,
        start_c=hot.from_c,
        conducts_w_per_mk=CRUMB_CONDUCTS_W_PER_MK,
        heat_j_per_kg_k=HEAT_J_PER_KG_K,
        plain=True,
    )
    cake = Bake(crumb, mesh(hot.tin, hot.height_mm, LAYERS, RINGS), _faces(hot.how))
    times, core, edge, step = [0.0], [hot.from_c], [hot.from_c], STEP_S
    while core[-1] > to_c and cake.t_s < LONGEST_S:
        cake.advance(step, hot.air_c)
        step = min(LONGEST_STEP_S, step * GROWS)
        times.append(cake.t_s)
        core.append(min(core[-1], float(cake.celsius.max())))
        edge.append(min(edge[-1], float(cake.celsius[:, -1].mean())))
    return _Way(tuple(times), tuple(core), tuple(edge))


def _way(hot: Hot, to_c: float) -> _Way:
    """Its way down to ``to_c``; worked out once for cakes that differ by less than anybody could tell.

    Raises:
        CraftError: ``to_c`` is not above the air.
    """
    if to_c <= hot.air_c:
        raise CraftError(
            f"Nothing cools to {to_c:.0f} °C in a kitchen at {hot.air_c:.0f} °C.",
            field="target_c",
            remedy="Choose a target at least 1 °C above the kitchen's air, or chill it.",
        )
    like = hot._replace(
        height_mm=max(1.0, round(hot.height_mm)), mass_g=0.0, air_c=round(hot.air_c, 1), from_c=round(hot.from_c)
    )
    return _cooled(like, min(1.6, max(0.05, round(hot.density, 2))), round(to_c, 1))


def cooling_s(hot: Hot, to_c: float) -> Estimate:
    """Seconds until its middle has come down to ``to_c`` (C).

    Raises:
        CraftError: ``to_c`` is not above the air.

    Source: conduction as in the oven (finite volumes); figures of crumb and still air recalled.
    """
    return _way(hot, to_c).seconds(to_c)


def cooled_c(hot: Hot, to_c: float, share: float) -> float:
    """The middle's C after ``share`` (0 to 1) of the time that it takes to come down to ``to_c``."""
    way = _way(hot, to_c)
    return float(np.interp(min(1.0, max(0.0, share)) * way.when(to_c), way.times, way.core))


def cool_gates(hot: Hot, technique: Technique | None) -> tuple[CoolGate, ...]:
    """When a cake may be turned out, rolled, creamed and cut, in the order of its gates' warmth.

    Until it is turned out it stands in its tin, and it is the crust that has to hold; what hangs is turned out cold
    through.
    """
    gates = gate_temperatures(technique, hot.air_c)
    coolest = min(to_c for _, to_c, _ in gates)
    way, crust = _way(hot, coolest), technique not in HANGS
    in_tin = _way(hot._replace(how=How.IN_TIN), coolest) if crust else way
    return tuple(
        CoolGate(kind=kind, to_c=to_c, after_s=in_tin.seconds(to_c, at_edge=crust), why=why)
        if kind is GateKind.TURN_OUT
        else CoolGate(kind=kind, to_c=to_c, after_s=way.seconds(to_c), why=why)
        for kind, to_c, why in gates
    )


def gates_from(hot: Hot, gates: tuple[CoolGate, ...], now_c: float) -> tuple[CoolGate, ...]:
    """The same gates for a cake whose middle is at ``now_c``: seconds from now on; 0 for those that are passed.

    Its crust is cooler than its middle: what goes by the crust is passed as soon as the middle is there.
    """
    coolest = min((g.to_c for g in gates), default=now_c)
    way = _way(hot, min(coolest, hot.from_c - 0.1))
    # From hot to cold: interpolation wants it rising.
    there = float(np.interp(-now_c, -np.asarray(way.core), way.times))
    found = []
    for gate in gates:
        whole = way.seconds(gate.to_c)
        left = 0.0 if now_c <= gate.to_c or whole.likely <= 0 else max(0.0, 1 - there / whole.likely)
        found.append(gate.model_copy(update={"after_s": whole.scaled(left)}))
    return tuple(found)


def cooling(hot: Hot, technique: Technique | None) -> Cooling:
    """A cake on its way to the last of its gates, with the way of its middle."""
    gates = cool_gates(hot, technique)
    coolest = min(g.to_c for g in gates)
    way = _way(hot, coolest)
    ends = max(way.when(coolest), 1.0)
    moments = [ends * i / CURVE_POINTS for i in range(CURVE_POINTS + 1)]
    return Cooling(gates=gates, curve=tuple(Point(s=s, c=float(np.interp(s, way.times, way.core))) for s in moments))
