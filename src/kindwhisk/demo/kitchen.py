"""The demo kitchen."""

from datetime import date

from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.kitchen import Cup, Kitchen, KitchenTin, Mixer, Oven, ProbePlace, Thermometer
from kindwhisk.core.tins.shapes import (
    BoxDimensions,
    BoxTin,
    HalfSphereDimensions,
    HalfSphereTin,
    RoundDimensions,
    RoundTin,
    TubeDimensions,
    TubeTin,
)
from kindwhisk.core.warmth.thermometer import Check
from kindwhisk.demo.formulas.shorthand import RING_20, ROUND_20, TART_24, TUBE_17


def demo_kitchen() -> Kitchen:
    """One mixer, a hob, an oven that runs cool."""
    return Kitchen(
        name="Lantern Lane bakehouse",
        altitude_m=240,
        air_c=22,
        eggs=EggSize.EU_M,
        hob_rings=2,
        tins=(
            KitchenTin(id="tube-17", name="17 cm tube", tin=TUBE_17, count=2),
            KitchenTin(
                id="tube-20",
                name="20 cm tube",
                tin=TubeTin(
                    dimensions=TubeDimensions(
                        diameter_mm=178,
                        top_diameter_mm=200,
                        depth_mm=95,
                        tube_diameter_mm=65,
                        tube_top_diameter_mm=50,
                    )
                ),
            ),
            KitchenTin(id="round-20", name="20 cm round", tin=ROUND_20, count=2),
            KitchenTin(
                id="round-15",
                name="15 cm round",
                tin=RoundTin(dimensions=RoundDimensions(diameter_mm=150, depth_mm=60)),
                count=3,
            ),
            KitchenTin(
                id="sheet-30",
                name="30 x 35 cm sheet",
                tin=BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=350, depth_mm=25)),
            ),
            KitchenTin(id="ring-20", name="20 cm ring", tin=RING_20, count=2),
            KitchenTin(
                id="ring-16",
                name="16 cm ring",
                tin=RoundTin(dimensions=RoundDimensions(diameter_mm=160, depth_mm=65)),
                count=2,
            ),
            KitchenTin(id="tart-24", name="24 cm tart tin", tin=TART_24),
            KitchenTin(
                id="dome-18",
                name="18 cm half-sphere",
                tin=HalfSphereTin(dimensions=HalfSphereDimensions(diameter_mm=180)),
            ),
        ),
        ovens=(Oven(id="deck", name="Deck oven", offset_k=-6, rise_k_per_min=8, tins_at_once=2),),
        mixers=(Mixer(id="stand", name="Stand mixer", bowl_ml=4800),),
        thermometers=(
            Thermometer(
                id="pot-probe",
                name="Pot probe",
                place=ProbePlace.POT,
                check=Check(ice_c=0.2, boiling_c=99.6),
                checked_on=date(2026, 9, 1),
            ),
            Thermometer(id="bowl-probe", name="Bowl probe", place=ProbePlace.BOWL),
            Thermometer(id="oven-probe", name="Oven probe", place=ProbePlace.OVEN),
            Thermometer(id="crumb-probe", name="Crumb probe", place=ProbePlace.CRUMB),
            Thermometer(id="hand", name="Hand thermometer"),
            Thermometer(id="hygrometer", name="Hygrometer", place=ProbePlace.ROOM),
        ),
        cups=(Cup(id="steel-cup", name="Steel cup", empty_g=38, volume_ml=120),),
    )
