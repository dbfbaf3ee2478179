"""Shorthand for writing formulas down: vessels, tins, and steps in one line each."""

from __future__ import annotations

from typing import Any, TypeVar

from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.process import meringue
from kindwhisk.core.process.portions import IngredientPortion, Portion, of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.base import StepBase
from kindwhisk.core.process.steps.weigh import WeighStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.tins.shapes import (
    BoxDimensions,
    BoxTin,
    LoafDimensions,
    LoafTin,
    RoundDimensions,
    RoundTin,
    Tin,
    TubeDimensions,
    TubeTin,
)
from kindwhisk.core.vessels.vessel import Vessel, VesselForm

TUBE_17 = TubeTin(
    dimensions=TubeDimensions(
        diameter_mm=150, top_diameter_mm=170, depth_mm=80, tube_diameter_mm=55, tube_top_diameter_mm=45
    )
)
ROUND_20 = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=60))
ROUND_16 = RoundTin(dimensions=RoundDimensions(diameter_mm=164, depth_mm=20))
ROUND_22 = RoundTin(dimensions=RoundDimensions(diameter_mm=220, depth_mm=60))
TART_24 = RoundTin(dimensions=RoundDimensions(diameter_mm=230, top_diameter_mm=240, depth_mm=28))
RING_20 = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=65))
GLASS = RoundTin(dimensions=RoundDimensions(diameter_mm=60, top_diameter_mm=70, depth_mm=80))
SHEET_30 = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=350, depth_mm=25))
TRAY_40 = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=400, depth_mm=20))
SQUARE_22 = BoxTin(shape="square", dimensions=BoxDimensions(width_mm=220, length_mm=220, depth_mm=60))
LOAF_21 = LoafTin(
    dimensions=LoafDimensions(
        bottom_width_mm=85, bottom_length_mm=210, top_width_mm=105, top_length_mm=230, depth_mm=65
    )
)

MIXER_BOWL = Vessel(id="mixer-bowl", name="mixer bowl", form=VesselForm.MIXER_BOWL, diameter_mm=215, height_mm=165)
DRY_BOWL = Vessel(id="dry-bowl", name="dry bowl", form=VesselForm.BOWL, diameter_mm=180, height_mm=80)
YOLK_BOWL = Vessel(id="yolk-bowl", name="yolk bowl", form=VesselForm.BOWL, diameter_mm=260, height_mm=120)
SMALL_BOWL = Vessel(id="small-bowl", name="small bowl", form=VesselForm.BOWL, diameter_mm=160, height_mm=75)
CREAM_BOWL = Vessel(id="cream-bowl", name="cream bowl", form=VesselForm.BOWL, diameter_mm=220, height_mm=110)
HEAT_BOWL = Vessel(id="heat-bowl", name="bowl over water", form=VesselForm.BOWL, diameter_mm=220, height_mm=100)
POT = Vessel(id="pot", name="small pot", form=VesselForm.POT, diameter_mm=120, height_mm=70)
JUG = Vessel(id="jug", name="jug", form=VesselForm.JUG, diameter_mm=110, height_mm=160)
CUP = meringue.CUP
SYRUP_POT = meringue.POT
PAPER = Vessel(id="paper", name="paper", form=VesselForm.SHEET, diameter_mm=240, height_mm=40)
TRAY = Vessel(id="tray", name="tray", form=VesselForm.TIN)
TIN = Vessel(id="tin", name="tin", form=VesselForm.TIN)
RING = Vessel(id="ring", name="ring", form=VesselForm.TIN)
RACK = Vessel(id="rack", name="rack", form=VesselForm.RACK)

S = TypeVar("S", bound=StepBase)
COLD, FRIDGE = 12.0, 6.0


def do(kind: type[S], step_id: str, title: str, vessel: Vessel, *inputs: Portion, **fields: Any) -> S:
    """A step."""
    return kind(id=step_id, title=title, vessel=vessel.id, inputs=inputs, **fields)


def g(ingredient_id: str, grams: float, role: str = "", at_c: float | None = None) -> IngredientPortion:
    """Grams of an ingredient."""
    return IngredientPortion(ingredient=ingredient_id, grams=grams, role=role, temperature_c=at_c)


def part(component: str, *steps: Step) -> tuple[Step, ...]:
    """The steps of a component."""
    return tuple(s.model_copy(update={"component": component}) for s in steps)


def whites(method: Method, grams: float, sugar: float, *rest: IngredientPortion, **manner: Any) -> tuple[Step, ...]:
    """A meringue by a method, made ready and whipped."""
    goods = meringue.MeringueGoods((g("egg-white", grams, "meringue", COLD),), (g("sugar", sugar, "meringue"),), rest)
    ready, whisked = meringue.steps_for(method, goods, meringue.MethodSettings(**manner))
    return (*ready, *whisked)


def reference(tin: Tin, fraction: float, oven_c: float, minutes: float) -> ReferenceBake:
    """A bake in a static oven, filled to a fraction of the tin's volume."""
    return ReferenceBake(
        tin=tin,
        fill_mm=round(tin.level_mm(tin.volume_ml() * fraction), 1),
        oven_c=oven_c,
        mode=OvenMode.STATIC,
        minutes=minutes,
    )


def whipped_cream(
    weighed: str, cream: IngredientPortion, *rest: IngredientPortion, peak: Peak = Peak.MEDIUM
) -> tuple[Step, ...]:
    """Cold cream weighed with what goes into it (as a title says it) and whipped; with mascarpone it stays for a day."""
    soft = peak is Peak.SOFT
    return (
        do(WeighStep, "weigh-cream", weighed, CREAM_BOWL, cream, *rest),
        do(
            WhipStep, "whip-cream", "Whip the cream softly" if soft else "Whip the cream", CREAM_BOWL, of("weigh-cream"),
            tool="hand mixer", peak=peak, speed=4 if soft else 5,
        ),
    )  # fmt: skip
