"""A bake from oven door to done: the course of its temperatures, crust, loss, rise and colour over time."""

from __future__ import annotations

import math
from collections.abc import Sequence
from enum import StrEnum
from functools import lru_cache
from typing import NamedTuple

import numpy as np
from pydantic import Field

from kindwhisk.core.baking import drying
from kindwhisk.core.baking.crumb import Crumb
from kindwhisk.core.baking.faces import Faces, TinWall, faces
from kindwhisk.core.baking.heat import Bake
from kindwhisk.core.baking.mesh import Mesh, mesh
from kindwhisk.core.baking.setting_crumb import Rising
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.tins.rise import USUAL_FREE
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.values.model import Value
from kindwhisk.core.warmth.air import SEA_LEVEL_KPA, boiling_point_at_c
from kindwhisk.core.warmth.browning import browning_rate

DONE_C, BOILS_AT_SEA_C = 96.0, 99.97
DWELL_S = 120.0
"""After the coldest point is at its temperature: the crumb there sets too. Bake reference model."""
LAYERS, RINGS = 8, 5
"""Cells: within 2 % of a fine mesh in minutes, for all shapes of tin."""
STRETCH = 1.15
"""A foam batter is baked at about half of its rise. Chosen."""
KEEP_EACH, GOES_ON = 3, 1.2
"""Every third step is kept, until a fifth of the time beyond done."""
LONGEST_S, HOPELESS_S = 6 * 3600.0, 1800.0
CONDUCTS = ((0.05, 0.17), (0.20, 0.24), (0.33, 0.32), (0.45, 0.34), (0.60, 0.36))
"""Share of water, and W/(m K) of the raw batter at 20 C: rich and usual ones by a bake reference model, the others
trade habit, so that it neither jumps nor stands still."""
HEAT_J_PER_KG_K, WATER_HEAT, USUAL_WATER = 2900.0, 2590.0, 0.33
"""Heat capacity of a usual batter and of drier ones (bake reference model), and how much more one has by what more it
holds of water (published)."""
DENSER_CONDUCTS, USUAL_DENSITY = 0.25, 0.45
"""It conducts by this power of its density: bubbles are no bridge. Fitted to usual bakes."""


class Sets(StrEnum):
    """What a bake makes of a batter."""

    CRUMB = "crumb"
    SHELL = "shell"
    DRY = "dried through"


class InOven(Value):
    """A content in an oven. Lengths mm, densities g/ml, temperatures C.

    ``fill_mm`` is how high it stands raw; ``free``: a piece on a tray, open all round. ``racks`` is how many are in
    use.
    """

    tin: Tin
    fill_mm: float = Field(gt=0, le=1000)
    density: float = Field(ge=0.05, le=1.6)
    water: float = Field(default=0.33, ge=0.02, le=0.9)
    batter_c: float = Field(default=22, ge=1, le=60)
    sets: Sets = Sets.CRUMB
    done_c: float = Field(default=DONE_C, ge=60, le=99)
    free: bool = False
    mode: OvenMode = OvenMode.STATIC
    wall: TinWall = TinWall.BRIGHT
    rack: Rack = Rack.MIDDLE
    racks: int = Field(default=1, ge=1, le=6)
    paper_base: bool = False
    paper_wall: bool = False
    pressure_kpa: float = Field(default=SEA_LEVEL_KPA, ge=50, le=110)
    air: OvenAir

    @property
    def gas(self) -> float:
        """Share of bubbles in its volume."""
        return max(0.0, 1 - self.density / max(USUAL_FREE, self.density))

    @property
    def boils_c(self) -> float:
        """Where water boils under this air."""
        return boiling_point_at_c(self.pressure_kpa)

    @property
    def finished_c(self) -> float:
        """Where its coldest point is done: as far below the boil as it would be at sea level."""
        return min(self.done_c, self.done_c + self.boils_c - BOILS_AT_SEA_C)


class CoursePoint(Value):
    """A moment of a course: seconds since it went in; temperatures in C.

    ``core_c`` is the coldest point, ``edge_c`` beside the wall, ``surface_c`` the top's middle; ``crust_mm`` how much
    of the top has dried, ``lost`` the share of its mass that has gone, ``risen`` of the whole rise (0 to 1),
    ``dome_mm`` how much the middle stands above the edge, ``set`` the share that has set, ``brown`` the top's browning
    so far.
    """

    t_s: float
    core_c: float
    edge_c: float
    surface_c: float
    oven_c: float
    crust_mm: float
    lost: float
    risen: float
    dome_mm: float
    set: float
    brown: float


class Course(NamedTuple):
    """Moments until it is done and for a fifth longer; ``done_s`` is when; None where it never is in that oven."""

    moments: tuple[CoursePoint, ...]
    done_s: float | None

    def along(self, times: Sequence[float]) -> tuple[CoursePoint, ...]:
        """What is there at each of these moments, between the two around it."""
        known = [m.t_s for m in self.moments]
        figures = {f: np.interp(times, known, [getattr(m, f) for m in self.moments]) for f in CoursePoint.model_fields}
        return tuple(CoursePoint(**{f: float(values[i]) for f, values in figures.items()}) for i in range(len(times)))

    def at(self, t_s: float) -> CoursePoint:
        """What is there at a moment."""
        return self.along((t_s,))[0]

    def first(self, field: str, value: float) -> float | None:
        """When a figure first reaches a value (s); None where it never does."""
        before: tuple[float, float] | None = None
        for moment in self.moments:
            now = float(getattr(moment, field))
            if now >= value:
                if before is None or now == before[1]:
                    return moment.t_s
                return before[0] + (moment.t_s - before[0]) * (value - before[1]) / (now - before[1])
            before = (moment.t_s, now)
        return None


def step_s(fill_mm: float) -> float:
    """How long a step of the reckoning may be: a thin content needs short ones."""
    return min(20.0, max(4.0, fill_mm * 0.65))


def _stretch(content: InOven) -> float:
    """How much higher than raw it stands while it bakes."""
    return STRETCH if content.sets is Sets.CRUMB else 1.0


def conducts_w_per_mk(water: float, density: float) -> float:
    """How well a raw batter with this share of water and density (g/ml) conducts at 20 C."""
    found = float(np.interp(water, [w for w, _ in CONDUCTS], [k for _, k in CONDUCTS]))
    return found * math.pow(density / USUAL_DENSITY, DENSER_CONDUCTS)


def crumb_of(content: InOven) -> Crumb:
    """Its crumb, at about half of its rise."""
    return Crumb(
        density=content.density / _stretch(content),
        water=content.water,
        start_c=content.batter_c,
        boils_c=content.boils_c,
        conducts_w_per_mk=conducts_w_per_mk(content.water, content.density),
        heat_j_per_kg_k=HEAT_J_PER_KG_K + WATER_HEAT * max(0.0, content.water - USUAL_WATER),
    )


def mesh_of(content: InOven, layers: int = LAYERS, rings: int = RINGS) -> Mesh:
    """It in cells."""
    return mesh(content.tin, content.fill_mm, layers, rings, _stretch(content))


def faces_of(content: InOven) -> Faces:
    """Its surfaces where it stands."""
    return faces(
        content.mode,
        content.wall,
        rack=content.rack,
        racks=content.racks,
        paper_base=content.paper_base,
        paper_wall=content.paper_wall,
        free=content.free,
    )


def begin(content: InOven) -> Bake:
    """The content as it goes in."""
    return Bake(crumb_of(content), mesh_of(content), faces_of(content))


@lru_cache(maxsize=256)
def course(content: InOven) -> Course:
    """The course of a bake. Dried meringues go by their drying, all else by the heat of its coldest point."""
    return _dried(content) if content.sets is Sets.DRY else _baked(content)


def _baked(content: InOven) -> Course:
    bake, oven, finished = begin(content), content.air.course(), content.finished_c
    rising = Rising(bake.mesh, content.gas, content.batter_c, content.pressure_kpa)
    seconds, mass = step_s(content.fill_mm), bake.crumb.density * 1000 * float(bake.mesh.volume.sum())
    raw_mm, brown, done = rising.mean_mm, 0.0, None
    seen: list[CoursePoint] = []
    coldest, steps = bake.coldest_c, 0
    middle = bake.mesh.shape[0] // 2
    # An oven that is no hotter than the middle has to be gets it nowhere: its beginning is course enough.
    longest = LONGEST_S if content.air.holds_c > finished else HOPELESS_S
    while bake.t_s < longest:
        if steps % KEEP_EACH == 0:
            rising.take(bake.celsius)
            dried = bake.crumb.dryness(bake.heat[middle:, 0]) * bake.mesh.thick[middle:, 0]
            seen.append(
                CoursePoint(
                    t_s=bake.t_s,
                    core_c=coldest,
                    edge_c=float(bake.celsius[middle, -1]),
                    surface_c=bake.top_c,
                    oven_c=oven(bake.t_s),
                    crust_mm=float(dried.sum()) * 1000,
                    lost=bake.lost_kg / mass,
                    risen=rising.mean_mm - raw_mm,
                    dome_mm=rising.dome_mm,
                    set=rising.set_share,
                    brown=brown,
                )
            )
            if done is not None and bake.t_s >= done * GOES_ON:
                break
        bake.advance(seconds, oven(bake.t_s + seconds))
        steps += 1
        brown += browning_rate(bake.top_c) * seconds
        if done is None and bake.coldest_c >= finished:
            done = bake.t_s - seconds * (bake.coldest_c - finished) / (bake.coldest_c - coldest) + DWELL_S
        coldest = bake.coldest_c
    whole = max([m.risen for m in seen] + [1e-6])
    return Course(tuple(m.model_copy(update={"risen": m.risen / whole}) for m in seen), done)


def _dried(content: InOven) -> Course:
    way = drying.dry(
        thickness_mm=content.tin.volume_ml(content.fill_mm) * 1000 / content.tin.heated_area_mm2(content.fill_mm),
        density=content.density,
        water=content.water,
        start_c=content.batter_c,
        fan=content.mode is OvenMode.FAN,
        oven=content.air.course(),
        longest_s=LONGEST_S * 2,
    )
    brown, moments, last = 0.0, [], 0.0
    for t_s, front_c, surface_c, oven_c, dried, lost in way.points:
        brown += browning_rate(surface_c) * (t_s - last)
        last = t_s
        moments.append(
            CoursePoint(
                t_s=t_s,
                core_c=front_c,
                edge_c=surface_c,
                surface_c=surface_c,
                oven_c=oven_c,
                crust_mm=dried * content.fill_mm / 2,
                lost=lost,
                risen=0.0,
                dome_mm=0.0,
                set=dried,
                brown=brown,
            )
        )
    return Course(tuple(moments), way.done_s)
