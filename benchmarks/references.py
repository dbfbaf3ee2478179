"""Every model that has a reference beside the values that it is checked against: how far off, and were they held?

Published and analytic values are there to be met; those of a reference model or of the trade to lie in the range that
is told. None of them stands in a table that the models compute from, but where it says so.
"""

from __future__ import annotations

import math
import statistics
from collections.abc import Callable, Iterator, Sequence
from typing import NamedTuple

from benchmarks.goals import met
from kindwhisk.core.baking.cooling import Hot, cooling_s
from kindwhisk.core.baking.course import InOven
from kindwhisk.core.baking.crumb import Crumb
from kindwhisk.core.baking.faces import Face, Faces, TinWall
from kindwhisk.core.baking.heat import Bake
from kindwhisk.core.baking.mesh import mesh
from kindwhisk.core.baking.predict import done_s
from kindwhisk.core.finishing.rolling import roll
from kindwhisk.core.foams import hot_foam
from kindwhisk.core.foams.foam import Peak, french_density
from kindwhisk.core.folding.airy import Airy
from kindwhisk.core.folding.plan import FoldSchool, fold_plan
from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.ovens.air import OvenAir
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.patterns.rings import ring_edges_mm
from kindwhisk.core.sugar import syrup
from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.dissolving import dissolves_from_c, saturation_percent
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import (
    BoxDimensions,
    BoxTin,
    HalfSphereDimensions,
    HalfSphereTin,
    LoafDimensions,
    LoafTin,
    RoundDimensions,
    RoundTin,
    Tin,
    TubeDimensions,
    TubeTin,
)
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.warmth.air import boiling_point_at_c, pressure_kpa
from kindwhisk.core.warmth.cooling import How


class Beside(NamedTuple):
    """A figure as it is told beside its reference; without a range it may be off by the share ``within``."""

    told: float | Estimate
    reference: float
    within: float = 0.0

    @property
    def off(self) -> float:
        """How far the likely figure is off, as a share of the reference."""
        likely = self.told.likely if isinstance(self.told, Estimate) else self.told
        return likely / self.reference - 1

    @property
    def held(self) -> bool:
        """Whether the range, or what it may be off by, holds the reference."""
        if isinstance(self.told, Estimate) and not self.within:
            return self.told.low <= self.reference <= self.told.high
        return abs(self.off) <= self.within


class Model(NamedTuple):
    """What is checked, what against, and the figures."""

    name: str
    against: str
    figures: Callable[[], Iterator[Beside]]


ROUND = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=80))
SHEET = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=400, depth_mm=25))
WIDE = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=1900, length_mm=2000, depth_mm=60))
TUBE = TubeTin(
    dimensions=TubeDimensions(
        diameter_mm=150, top_diameter_mm=170, depth_mm=80, tube_diameter_mm=55, tube_top_diameter_mm=45
    )
)
LOAF = LoafTin(
    dimensions=LoafDimensions(
        bottom_length_mm=210, bottom_width_mm=85, top_length_mm=230, top_width_mm=105, depth_mm=65
    )
)


def _altitude() -> Iterator[Beside]:
    for metres, boils, at_118 in ((500, 98.3, 116.2), (1000, 96.65, 114.3), (1600, 94.65, 112.1), (2500, 91.6, 108.7)):
        pressure = pressure_kpa(metres)
        yield Beside(boiling_point_at_c(pressure), boils, 0.001)
        yield Beside(syrup.at_pressure_c(118, pressure), at_118, 0.001)


def _concentration() -> Iterator[Beside]:
    for celsius, percent in ((110, 80.8), (112, 83.2), (115, 85.9), (118, 87.9), (121, 89.5), (140, 95.2)):
        yield Beside(syrup.concentration(celsius), percent)


def _boiling_heat() -> Iterator[Beside]:
    for start, end, kj in ((105, 118, 694), (110, 118, 249), (115, 118, 69), (118, 121, 56)):
        yield Beside(Pot(1000, 1000, pan_kj_per_k=0).heat_left_kj(start, end), kj, 0.015)


def _solubility() -> Iterator[Beside]:
    for celsius, percent in ((20, 66.6), (50, 72.0), (70, 76.5)):
        yield Beside(saturation_percent(celsius), percent, 0.002)
    for ratio, warm in ((2.0, 39.0), (2.5, 60.5)):
        yield Beside(dissolves_from_c(ratio) or math.nan, warm, 0.06)


def _hot_foam() -> Iterator[Beside]:
    for ratio, celsius in ((1.0, 51), (1.5, 60), (2.0, 66)):
        yield Beside(hot_foam.balance(100, hot_foam.WHITE_CP, 100 * ratio, 118, 22).peak_c, celsius)
    yield Beside(hot_foam.balance(100, hot_foam.YOLK_CP, 100, 118, 22).peak_c, 54)
    yield Beside(hot_foam.balance(60, hot_foam.WHITE_CP, 90, 118, 22).peak_c, 56)


def _eggs() -> Iterator[Beside]:
    for size, grams in ((EggSize.US_LARGE, 56.7), (EggSize.EU_M, 58.0), (EggSize.EU_L, 68.0)):
        parts = egg_parts(size)
        yield Beside(parts.in_shell_g, grams)
        yield Beside(parts.white_g, 0.59 * grams)
        yield Beside(parts.yolk_g, 0.30 * grams)


def _french() -> Iterator[Beside]:
    for ratio, density in ((0.3, 0.14), (0.5, 0.16), (0.8, 0.20), (1.0, 0.24), (1.5, 0.31), (2.0, 0.40)):
        yield Beside(french_density(ratio, Peak.MEDIUM), density)


def _fold() -> Iterator[Beside]:
    plan = fold_plan(Airy.at(250, 1.129, 1.129), Airy.at(200, 0.15, 1.15), FoldSchool.SACRIFICE, spend=0.30)
    yield Beside(plan.additions[0].density_g_per_ml, 0.693)
    yield Beside(plan.air_kept, 0.549)


def _tins() -> Iterator[Beside]:
    frustum = RoundTin(dimensions=RoundDimensions(diameter_mm=180, top_diameter_mm=200, depth_mm=70))
    plain = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=60))
    dome = HalfSphereTin(dimensions=HalfSphereDimensions(diameter_mm=160))
    shelf: Sequence[tuple[Tin, float]] = (
        (plain, 1885), (frustum, 1986.5), (TUBE, 1453), (LOAF, 1360.7), (dome, 1072.3),
    )  # fmt: skip
    for tin, millilitres in shelf:
        yield Beside(tin.volume_ml(), millilitres, 0.0005)


def _conduction() -> Iterator[Beside]:
    face = Face(air_w_per_m2k=20, emissivity=0)
    for tin, fill, expected in (
        (WIDE, 40, (59.48, 98.64, 123.94, 140.30)),
        (ROUND, 50, (44.29, 78.11, 103.66, 122.77)),
    ):
        crumb = Crumb(density=0.3, conducts_w_per_mk=0.25, plain=True)
        bake = Bake(crumb, mesh(tin, fill, 16, 12), Faces(face, face, face, face))
        for at_s, celsius in zip((600, 1200, 1800, 2400), expected, strict=True):
            while bake.t_s < at_s:
                bake.advance(5, 170)
            yield Beside(bake.coldest_c, celsius, 0.01)


def _minutes() -> Iterator[Beside]:
    def takes(tin: Tin, fill: float, oven_c: float = 170, **more: OvenMode | TinWall) -> float:
        load = round(tin.volume_ml(fill) * 0.45 / 1000, 1)
        content = InOven(tin=tin, fill_mm=fill, density=0.45, air=OvenAir(holds_c=oven_c, load_kg=load))
        return done_s(content.model_copy(update=dict(more))) / 60

    def wide(diameter: float) -> Tin:
        return RoundTin(dimensions=RoundDimensions(diameter_mm=diameter, depth_mm=80))

    yield Beside(takes(ROUND, 40), 34, 0.1)
    yield Beside(takes(ROUND, 40, 160, mode=OvenMode.FAN), 29, 0.1)
    yield Beside(takes(wide(150), 40), 31, 0.1)
    yield Beside(takes(wide(240), 40), 35, 0.1)
    yield Beside(takes(ROUND, 60), 52, 0.1)
    yield Beside(takes(ROUND, 25), 22, 0.1)
    yield Beside(takes(ROUND, 40, 180), 32, 0.1)
    yield Beside(takes(ROUND, 40, 160), 36.6, 0.1)
    yield Beside(takes(ROUND, 40, wall=TinWall.DARK), 31, 0.1)


def _cooling() -> Iterator[Beside]:
    def minutes(tin: Tin, high: float, density: float, to_c: float) -> Estimate:
        return cooling_s(Hot(tin, high, tin.volume_ml(high) * density, How.RACK, 22, 97), to_c).scaled(1 / 60)

    # The middle of each by the analytic series, for what crumb and air may be.
    yield Beside(minutes(ROUND, 50, 0.30, 26), 171)
    yield Beside(minutes(LOAF, 70, 0.55, 26), 330)
    yield Beside(minutes(SHEET, 12, 0.30, 27), 30)


def _roll() -> Iterator[Beside]:
    for core, across, turns in ((0, 94.4, 1.91), (20, 96.5, 1.56)):
        rolled = roll(350, 20, 12, core)
        yield Beside(rolled.diameter_mm, across, 0.001)
        yield Beside(rolled.turns, turns, 0.003)
        yield Beside(rolled.strain, 0.375, 0.003)


def _pieces() -> Iterator[Beside]:
    yield Beside(PipedPiece(width_mm=40, height_mm=10).volume_ml(), 6.8, 0.005)
    for tray, fits in (((300.0, 400.0), {35: 36, 40: 30, 45: 24}), ((370.0, 455.0), {35: 54, 40: 44, 45: 36})):
        for across, number in fits.items():
            yield Beside(PipedPiece(width_mm=across, height_mm=10).on_tray(*tray), number, 1e-9)


def _rings() -> Iterator[Beside]:
    for pours in (2, 3, 5):
        edges = ring_edges_mm(100, 0, [1 / pours] * pours)
        inner = sorted(e for e in edges if 0.1 < e < 99.9)
        for number, edge in enumerate(inner, start=1):
            yield Beside(edge, 100 * math.sqrt(number / pours), 1e-6)


MODELS = (
    Model("boiling at altitude", "published formula of the air's pressure", _altitude),
    Model("sugar of a boiling syrup", "the recalled table that it inverts", _concentration),
    Model("heat of a boil", "a reference model", _boiling_heat),
    Model("solubility", "published polynomial", _solubility),
    Model("hot foam's peak", "a reference model, usual loss", _hot_foam),
    Model("eggs", "published classes, recalled shares", _eggs),
    Model("French meringue's density", "a reference model, whose table it holds", _french),
    Model("kept air of a fold", "a reference model", _fold),
    Model("volumes of tins", "exact", _tins),
    Model("conduction in a crumb", "analytic series", _conduction),
    Model("minutes of a tin", "a reference model", _minutes),
    Model("cooling", "analytic series, middle of its doubt", _cooling),
    Model("a roll", "exact spiral", _roll),
    Model("pieces on a tray", "exact, counted", _pieces),
    Model("rings of pours", "exact", _rings),
)


def references() -> None:
    """A line for each model, printed."""
    for model in MODELS:
        figures = list(model.figures())
        offs = [abs(f.off) for f in figures]
        held, middle = sum(f.held for f in figures), statistics.median(offs)
        print(
            f"{model.name:26} beside {model.against}: {len(figures)} values, median {100 * middle:.2f} % off, "
            f"at most {100 * max(offs):.1f} %, held {held} of {len(figures)}: {met(held == len(figures))}"
        )


if __name__ == "__main__":
    references()
