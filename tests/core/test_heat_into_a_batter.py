"""The bake's heat against the same physics written down a second time: explicit, one-dimensional, in small steps."""

from __future__ import annotations

import math
from itertools import pairwise
from typing import NamedTuple

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.baking.course import InOven, Sets, crumb_of, faces_of, step_s
from kindwhisk.core.baking.crumb import Crumb
from kindwhisk.core.baking.faces import Face, Faces, TinWall, faces
from kindwhisk.core.baking.heat import Bake
from kindwhisk.core.baking.mesh import mesh
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, RoundDimensions, RoundTin, TubeDimensions, TubeTin

SIGMA = 5.670374e-8
SLAB = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=1900, length_mm=2000, depth_mm=60))
"""So wide that its middle knows nothing of its walls."""


class Slab(NamedTuple):
    """What the second reckoning tells: temperatures of the layers, and water lost by the top (kg/m2)."""

    celsius: list[float]
    evaporated: float
    top_c: float
    dried: list[float]


def _temperature(crumb: Crumb, heat: float) -> tuple[float, float]:
    """C, and the share of the water that is gone."""
    kg, moist = crumb.density * 1000, crumb.density * 1000 * 2900
    over, latent = heat - moist * crumb.boils_c, kg * crumb.water * 2.26e6
    if over <= 0:
        return heat / moist, 0.0
    if over <= latent:
        return crumb.boils_c + over / latent, over / latent
    return crumb.boils_c + 1 + (over - latent) / (kg * (1 - crumb.water) * 1500), 1.0


def _conducts(crumb: Crumb, celsius: float, dried: float) -> float:
    warm = min(1.0, max(0.0, (celsius - 20) / 80))
    return crumb.conducts_w_per_mk * ((1 - dried) * (1 + 1.6 * warm**3) + dried * 0.45)


def _steam(celsius: float) -> float:
    """kg/m3 of saturated vapour, by Buck 1981; no hotter than 100 C."""
    t = min(celsius, 100.0)
    kpa = 0.61121 * math.exp((18.678 - t / 234.5) * t / (257.14 + t))
    return kpa * 1000 * 0.018015 / (8.314462 * (t + 273.15))


def _surface(face: Face, cell_c: float, before: float, wet: float, gone: float, oven_c: float) -> tuple[float, float]:
    """The surface's temperature by halving, and the steam that leaves it (kg/(m2 s)): what comes in goes on inward."""
    sees = oven_c + face.hotter_k + 273.15
    speed = face.evaporates * face.air_w_per_m2k * 0.0093 / 8.0 * math.exp(-gone / 0.2) * wet

    def gains(surface_c: float, resist: float) -> float:
        def outer(outer_c: float) -> float:
            heat = face.air_w_per_m2k * (oven_c - outer_c)
            return heat + face.emissivity * SIGMA * (sees**4 - (outer_c + 273.15) ** 4)

        if resist == 0:
            return outer(surface_c)
        # The outside of a wall that keeps heat off is hotter than its inside.
        low, high = surface_c, 400.0
        for _ in range(36):
            middle = (low + high) / 2
            low, high = (middle, high) if outer(middle) > (middle - surface_c) / resist else (low, middle)
        return (low - surface_c) / resist

    low, high = -20.0, 400.0
    for _ in range(36):
        middle = (low + high) / 2
        left = gains(middle, face.resists_m2k_per_w) - speed * _steam(middle) * 2.26e6 - (middle - cell_c) / before
        low, high = (middle, high) if left > 0 else (low, middle)
    return low, speed * _steam(low)


def slab(crumb: Crumb, fill_mm: float, around: Faces, seconds: float, oven_c: float) -> Slab:
    """A wide batter after so long, reckoned from its definitions in steps of a second."""
    layers, step = 8, 1.0
    even = [i / layers for i in range(layers + 1)]
    edges = [fill_mm / 1000 * (0.7 * e + 0.3 * (1 - math.cos(math.pi * e)) / 2) for e in even]
    thick = [b - a for a, b in pairwise(edges)]
    heat = [crumb.density * 1000 * 2900 * crumb.start_c] * layers
    gone, top_c = 0.0, crumb.start_c
    for _ in range(round(seconds / step)):
        both = [_temperature(crumb, h) for h in heat]
        k = [_conducts(crumb, *b) for b in both]
        flows = [0.0] * (layers + 1)
        for i in range(1, layers):
            resist = thick[i - 1] / (2 * k[i - 1]) + thick[i] / (2 * k[i])
            flows[i] = (both[i - 1][0] - both[i][0]) / resist
        for face, i, at, inward in ((around.bottom, 0, 0, 1.0), (around.top, layers - 1, layers, -1.0)):
            cell_c, dried = both[i]
            before = (1 - dried) ** 2 * thick[i] / (2 * k[i])
            before += dried * (1 - dried / 2) * thick[i] / (crumb.conducts_w_per_mk * 0.45)
            surface_c, steam = _surface(face, cell_c, before, 1 - dried, gone, oven_c)
            flows[at] = inward * (surface_c - cell_c) / before
            if i:
                top_c, gone = surface_c, gone + steam * step
        heat = [h + step * (flows[i] - flows[i + 1]) / thick[i] for i, h in enumerate(heat)]
    found = [_temperature(crumb, h) for h in heat]
    return Slab([c for c, _ in found], gone, top_c, [d for _, d in found])


@pytest.mark.parametrize(
    ("wall", "mode", "rack", "paper", "racks", "fill", "oven_c", "seconds"),
    [
        (TinWall.BRIGHT, OvenMode.STATIC, Rack.MIDDLE, False, 1, 20.0, 180.0, 900.0),
        (TinWall.DARK, OvenMode.FAN, Rack.BOTTOM, True, 1, 12.0, 200.0, 900.0),
        (TinWall.GLASS, OvenMode.STATIC, Rack.TOP, False, 2, 30.0, 160.0, 1500.0),
        (TinWall.DARK, OvenMode.FAN, Rack.TOP, False, 1, 8.0, 230.0, 1200.0),
    ],
)
def test_a_wide_batter_warms_boils_and_dries_as_its_equations_say(
    wall: TinWall, mode: OvenMode, rack: Rack, paper: bool, racks: int, fill: float, oven_c: float, seconds: float
) -> None:
    crumb = Crumb(density=0.4)
    around = faces(mode, wall, rack=rack, paper_base=paper, racks=racks)
    bake = Bake(crumb, mesh(SLAB, fill, 8, 5), around)
    while bake.t_s < seconds:
        bake.advance(1.0, oven_c)
    told = slab(crumb, fill, around, seconds, oven_c)
    assert [float(c) for c in bake.celsius[:, 0]] == pytest.approx(told.celsius, abs=0.8)
    assert [float(d) for d in crumb.dryness(bake.heat)[:, 0]] == pytest.approx(told.dried, abs=0.025)
    assert bake.top_c == pytest.approx(told.top_c, abs=1.0)


def test_an_open_top_loses_water_as_its_vapour_says() -> None:
    crumb, around = Crumb(density=0.4), faces(OvenMode.FAN)
    bake = Bake(crumb, mesh(SLAB, 25, 8, 5), around)
    while bake.t_s < 600:
        bake.advance(1.0, 170)
    told = slab(crumb, 25, around, 600, 170)
    area = 1.9 * 2.0
    boiled = sum(d * t for d, t in zip(told.dried, _thick(25), strict=True)) * 0.4 * 1000 * 0.33
    assert bake.lost_kg / area == pytest.approx(told.evaporated + boiled, rel=0.02)
    assert 0.02 < told.evaporated < 0.5


def _thick(fill_mm: float) -> list[float]:
    edges = [fill_mm / 1000 * (0.7 * i / 8 + 0.3 * (1 - math.cos(math.pi * i / 8)) / 2) for i in range(9)]
    return [b - a for a, b in pairwise(edges)]


def test_surfaces_take_what_their_tables_say() -> None:
    still = faces(OvenMode.STATIC)
    assert (still.bottom.air_w_per_m2k, still.bottom.emissivity) == (8.0, 0.25)
    assert (still.top.air_w_per_m2k, still.top.emissivity, still.top.evaporates) == (8.0, 0.9, 0.35)
    assert (still.wall.evaporates, still.bottom.hotter_k, still.top.hotter_k) == (0, 0, 0)
    moving = faces(OvenMode.FAN, TinWall.GLASS)
    assert (moving.wall.air_w_per_m2k, moving.wall.emissivity, moving.wall.resists_m2k_per_w) == (22.0, 0.9, 0.006)
    assert moving.top.moves_m_per_s == pytest.approx(22 * 0.0093 / 8)


@pytest.mark.parametrize(
    ("mode", "rack", "above", "below"),
    [
        (OvenMode.STATIC, Rack.TOP, 12.0, -12.0),
        (OvenMode.STATIC, Rack.BOTTOM, -12.0, 12.0),
        (OvenMode.STATIC, Rack.MIDDLE, 0.0, 0.0),
        (OvenMode.FAN, Rack.TOP, 3.6, -3.6),
        (OvenMode.FAN, Rack.BOTTOM, -3.6, 3.6),
    ],
)
def test_near_the_roof_the_top_sees_more_heat_and_the_bottom_less(
    mode: OvenMode, rack: Rack, above: float, below: float
) -> None:
    found = faces(mode, rack=rack)
    assert (found.top.hotter_k, found.bottom.hotter_k) == pytest.approx((above, below))
    assert found.wall.hotter_k == found.tube.hotter_k == 0


def test_several_racks_shade_and_paper_keeps_heat_off() -> None:
    one, two = faces(OvenMode.STATIC), faces(OvenMode.STATIC, racks=2)
    assert two.top.air_w_per_m2k == pytest.approx(0.85 * one.top.air_w_per_m2k)
    assert two.top.emissivity == pytest.approx(0.85 * one.top.emissivity)
    assert two.bottom.emissivity == pytest.approx(0.85 * one.bottom.emissivity)
    assert faces(OvenMode.FAN, racks=3).top.air_w_per_m2k == pytest.approx(0.95 * 22)
    papered = faces(OvenMode.STATIC, TinWall.SILICONE, paper_base=True)
    assert papered.bottom.resists_m2k_per_w == pytest.approx(0.011)
    assert papered.wall.resists_m2k_per_w == pytest.approx(0.008)
    walled = faces(OvenMode.STATIC, paper_wall=True)
    assert (walled.wall.resists_m2k_per_w, walled.bottom.resists_m2k_per_w) == pytest.approx((0.003, 0))
    assert walled.tube.resists_m2k_per_w == walled.wall.resists_m2k_per_w


def test_a_piece_on_a_tray_is_open_all_round_and_stands_on_metal() -> None:
    free = faces(OvenMode.STATIC, TinWall.DARK, rack=Rack.TOP, free=True)
    assert (free.wall.emissivity, free.wall.evaporates, free.wall.hotter_k) == (0.9, 0.35, 0)
    assert (free.bottom.emissivity, free.bottom.evaporates) == (0.85, 0)


@given(st.floats(1, 180), st.floats(0.2, 1.1), st.floats(0.1, 0.5))
def test_heat_and_temperature_tell_each_other(celsius: float, density: float, water: float) -> None:
    crumb = Crumb(density=density, water=water)
    moist, dried = density * 1000 * 2900, density * 1000 * (1 - water) * 1500
    heat = moist * min(celsius, 100) + (celsius > 100) * density * 1000 * water * 2.26e6
    heat += max(0.0, celsius - 101) * dried
    found, per_kelvin = crumb.temperature(np.array([heat]))
    assert float(found[0]) == pytest.approx(celsius if celsius <= 100 else max(101.0, celsius), rel=1e-9)
    expected = dried if celsius > 101 else moist
    if (abs(celsius - 100) > 1e-6 and celsius <= 100) or celsius > 101:
        assert float(per_kelvin[0]) == pytest.approx(expected)


def test_half_of_the_water_gone_is_half_way_along_the_plateau() -> None:
    crumb = Crumb(density=0.5, water=0.3, boils_c=96)
    heat = np.array([0.5 * 1000 * (2900 * 96 + 0.5 * 0.3 * 2.26e6)])
    assert float(crumb.dryness(heat)[0]) == pytest.approx(0.5)
    found, per_kelvin = crumb.temperature(heat)
    assert float(found[0]) == pytest.approx(96.5)
    assert float(per_kelvin[0]) == pytest.approx(0.5 * 1000 * 0.3 * 2.26e6)


@pytest.mark.parametrize(
    ("celsius", "dried", "times"),
    [(20, 0, 1.0), (60, 0, 1.2), (100, 0, 2.6), (140, 0, 2.6), (60, 1, 0.45), (100, 0.5, 1.525)],
)
def test_vapour_helps_conduction_until_it_is_gone(celsius: float, dried: float, times: float) -> None:
    found = Crumb(density=0.5).conducts(np.array([float(celsius)]), np.array([float(dried)]))
    assert float(found[0]) == pytest.approx(0.32 * times)


def test_rings_of_a_round_tin_fill_it_and_its_wall_is_its_wall() -> None:
    tin = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=80))
    cells = mesh(tin, 40, 8, 5)
    assert cells.volume.sum() == pytest.approx(math.pi * 0.1**2 * 0.04, rel=1e-6)
    assert cells.side[:, -1].sum() == pytest.approx(math.pi * 0.2 * 0.04, rel=1e-6)
    assert cells.base.sum() == pytest.approx(math.pi * 0.01, rel=1e-6)
    assert cells.level[-1].sum() == pytest.approx(math.pi * 0.01, rel=1e-6)
    radii = [0.1 * (0.7 * i / 5 + 0.3 * math.sin(math.pi / 2 * i / 5)) for i in range(6)]
    assert cells.wide[0] == pytest.approx(np.diff(radii))
    assert cells.side[0] == pytest.approx([2 * math.pi * r * cells.thick[0, 0] for r in radii[1:]])
    assert not cells.tube.any()


def test_a_tube_has_an_inner_wall_and_a_stretched_content_stands_higher() -> None:
    tin = TubeTin(
        dimensions=TubeDimensions(
            diameter_mm=180, top_diameter_mm=180, depth_mm=90, tube_diameter_mm=60, tube_top_diameter_mm=60
        )
    )
    flat, high = mesh(tin, 50, 8, 5), mesh(tin, 50, 8, 5, 1.5)
    assert flat.volume.sum() == pytest.approx(math.pi * (0.09**2 - 0.03**2) * 0.05, rel=1e-6)
    assert flat.tube.sum() == pytest.approx(math.pi * 0.06 * 0.05, rel=1e-6)
    assert flat.side[:, -1].sum() == pytest.approx(math.pi * 0.18 * 0.05, rel=1e-6)
    for name in ("volume", "side", "tube", "thick"):
        assert getattr(high, name) == pytest.approx(1.5 * getattr(flat, name))
    for name in ("level", "base", "wide"):
        assert getattr(high, name) == pytest.approx(getattr(flat, name))


def test_a_content_becomes_the_crumb_and_surfaces_of_its_place() -> None:
    tin = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=80))
    air = OvenAir(holds_c=170)
    usual = InOven(tin=tin, fill_mm=40, density=0.45, air=air, batter_c=24)
    crumb = crumb_of(usual)
    assert (crumb.density, crumb.start_c, crumb.conducts_w_per_mk) == pytest.approx((0.45 / 1.15, 24, 0.32))
    assert crumb_of(usual.model_copy(update={"water": 0.20})).conducts_w_per_mk == pytest.approx(0.24)
    assert crumb_of(usual.model_copy(update={"water": 0.53})).heat_j_per_kg_k == pytest.approx(2900 + 0.2 * 2590)
    assert crumb_of(usual.model_copy(update={"water": 0.20})).heat_j_per_kg_k == 2900
    assert crumb_of(usual.model_copy(update={"sets": Sets.SHELL})).density == 0.45
    placed = usual.model_copy(update={"rack": Rack.TOP, "wall": TinWall.DARK, "paper_base": True, "racks": 2})
    assert faces_of(placed) == faces(OvenMode.STATIC, TinWall.DARK, rack=Rack.TOP, racks=2, paper_base=True)
    assert usual.gas == pytest.approx(1 - 0.46 / 1.13, abs=0.03)
    assert [step_s(mm) for mm in (1, 10, 100)] == [4.0, 6.5, 20.0]


@pytest.mark.parametrize(
    ("dried", "moist_share", "dry_share"), [(0.0, 1.0, 0.0), (0.5, 0.25, 0.375), (1.0, 0.0, 0.5), (0.2, 0.64, 0.18)]
)
def test_what_lies_before_a_drying_cell_is_its_crust_and_then_its_moist_half(
    dried: float, moist_share: float, dry_share: float
) -> None:
    bake = Bake(Crumb(density=0.4), mesh(SLAB, 24, 8, 5), faces(OvenMode.STATIC))
    depth = bake._boundary.depth
    conducts = np.full_like(depth, 0.7)
    found = bake._crust(np.full_like(depth, dried), conducts)
    assert found == pytest.approx(moist_share * depth / (2 * 0.7) + dry_share * depth / (0.32 * 0.45))


def test_each_face_touches_the_cells_beside_it() -> None:
    tin = TubeTin(dimensions=TubeDimensions(diameter_mm=180, depth_mm=90, tube_diameter_mm=60))
    cells = mesh(tin, 40, 4, 3)
    edge = Bake(Crumb(density=0.4), cells, faces(OvenMode.STATIC))._boundary
    depth = [*cells.thick[0], *cells.thick[-1], *cells.wide[:, -1], *cells.wide[:, 0]]
    area = [*cells.base, *cells.level[-1], *cells.side[:, -1], *cells.tube]
    assert list(edge.depth) == depth
    assert list(edge.area) == area
    assert list(edge.cells) == [0, 1, 2, 9, 10, 11, 2, 5, 8, 11, 0, 3, 6, 9]
    assert [name for name, _ in edge.parts] == ["bottom", "top", "wall", "tube"]
    whole = Bake(Crumb(density=0.4), mesh(SLAB, 24, 4, 3), faces(OvenMode.STATIC))._boundary
    assert [name for name, _ in whole.parts] == ["bottom", "top", "wall"]
