"""Random materials, formulas in random sizes, and the settings that they are baked in."""

from __future__ import annotations

from hypothesis import strategies as st

from kindwhisk.core.ingredients import ingredient_table
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.setting import Setting, TinsInUse
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
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.demo.formulas import butter_sponge, demo_formulas, tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen

grams = st.floats(0.5, 2000, allow_nan=False)
lengths = st.floats(30, 400, allow_nan=False)


@st.composite
def materials(draw: st.DrawFn, airy: bool | None = None) -> Material:
    """A few ingredients with or without bubbles."""
    ids = draw(st.lists(st.sampled_from(sorted(ingredient_table())), min_size=1, max_size=5, unique=True))
    parts = {i: draw(grams) for i in ids}
    plain = Material(parts=parts, temperature_c=draw(st.floats(2, 95)))
    bubbles = draw(st.booleans()) if airy is None else airy
    if not bubbles:
        return plain
    overrun = draw(st.floats(0.2, 8))
    gas = plain.gas_free_volume_ml * overrun
    spread = draw(st.floats(0, 0.3))
    return plain.with_gas(Estimate(low=gas * (1 - spread), likely=gas, high=gas * (1 + spread), basis=Basis.HABIT))


def _grown(draw: st.DrawFn, at_the_bottom: float) -> float:
    return at_the_bottom * draw(st.floats(1.0, 1.3))


@st.composite
def tins(draw: st.DrawFn) -> Tin:
    """Any shape, straight or tapered."""
    depth, across, along = draw(st.floats(15, 150)), draw(lengths), draw(lengths)
    shape = draw(st.sampled_from(["round", "tube", "box", "loaf", "half-sphere"]))
    if shape == "round":
        return RoundTin(
            dimensions=RoundDimensions(diameter_mm=across, top_diameter_mm=_grown(draw, across), depth_mm=depth)
        )
    if shape == "tube":
        tube = across * draw(st.floats(0.15, 0.6))
        return TubeTin(
            dimensions=TubeDimensions(
                diameter_mm=across,
                top_diameter_mm=_grown(draw, across),
                depth_mm=depth,
                tube_diameter_mm=tube,
                tube_top_diameter_mm=tube * draw(st.floats(0.6, 1.0)),
            )
        )
    if shape == "box":
        kind = draw(st.sampled_from(["square", "rectangular", "sheet"]))
        return BoxTin(shape=kind, dimensions=BoxDimensions(width_mm=across, length_mm=along, depth_mm=depth))
    if shape == "loaf":
        return LoafTin(
            dimensions=LoafDimensions(
                bottom_width_mm=across,
                bottom_length_mm=along,
                top_width_mm=_grown(draw, across),
                top_length_mm=_grown(draw, along),
                depth_mm=depth,
            )
        )
    return HalfSphereTin(dimensions=HalfSphereDimensions(diameter_mm=across))


formulas = st.sampled_from(demo_formulas())
sizes = st.floats(0.3, 8)


def setting_of(formula: Formula, kitchen: Kitchen | None = None) -> Setting:
    """The formula's own tin in the demo kitchen."""
    kitchen = kitchen or demo_kitchen()
    fill = formula.fill
    assert fill is not None
    return Setting(
        kitchen=kitchen,
        oven=kitchen.oven(None),
        tins=TinsInUse(fill.tin_name, fill.tin),
        vessels={v.id: v for v in formula.vessels},
    )


__all__ = ["butter_sponge", "formulas", "materials", "setting_of", "sizes", "tea_chiffon", "tins"]
