"""Sugar work as calculations without a state: syrups, pots, hot foams, and the map of meringues."""

from __future__ import annotations

from enum import StrEnum
from typing import Annotated

from fastapi import APIRouter, Query, Request
from pydantic import BaseModel, ConfigDict, Field

from kindwhisk.api.beside import beside
from kindwhisk.api.problems import refusals
from kindwhisk.api.sums import pot_told
from kindwhisk.core.foams import hot_foam, meringue_map
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.hot_foam import BOWL_G, HeatBalance
from kindwhisk.core.foams.meringue_map import Line, Spot
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.safety.pasteurisation import GUIDANCE, SWEET_FROM, SWEET_NOTE, Pair, pairs_for
from kindwhisk.core.sugar import boiling, dissolving, syrup
from kindwhisk.core.sugar.boiling import check_pot
from kindwhisk.core.sugar.dissolving import Dissolution
from kindwhisk.core.sugar.forecast import SyrupForecast
from kindwhisk.core.sugar.stages import stage_at
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.vessels import section
from kindwhisk.core.vessels.section import Section
from kindwhisk.core.vessels.vessel import Vessel, VesselForm
from kindwhisk.core.warmth import thermometer
from kindwhisk.core.warmth.air import pressure_kpa
from kindwhisk.core.warmth.thermometer import Check

router = APIRouter(prefix="/api/craft", tags=["craft"], responses=refusals(400, 422))

Altitude = Annotated[float, Query(ge=-400, le=5000, allow_inf_nan=False)]
Finite = Annotated[float, Query(allow_inf_nan=False)]


class _Body(BaseModel):
    model_config = ConfigDict(extra="forbid", strict=True)


class Boils(BaseModel):
    """Where a syrup boils, in C, and how far off that may be."""

    temperature_c: float
    low_c: float
    high_c: float
    basis: Basis


class Concentration(BaseModel):
    """What a boiling syrup of a temperature holds, in percent of sucrose by mass, and its stage."""

    sucrose_percent: float
    low: float
    high: float
    basis: Basis
    stage: str
    drop: str


class ReadingAt(_Body):
    """A temperature at a second."""

    t_s: float = Field(ge=0, le=86_400, allow_inf_nan=False)
    temperature_c: float = Field(ge=-20, le=250, allow_inf_nan=False)


class PotBody(_Body):
    """A pot of syrup and what its probe said. Without ``water_g`` the readings have to tell the water too.

    ``beside`` are other sugars in it by the id of the good, in grams as they are weighed, with the water in them.
    """

    beside: dict[str, Annotated[float, Field(ge=0, le=20_000)]] = Field(default_factory=dict, max_length=20)
    sugar_g: float = Field(ge=1, le=20_000, allow_inf_nan=False)
    water_g: float | None = Field(default=None, ge=1, le=20_000, allow_inf_nan=False)
    power_w: float | None = Field(default=None, gt=50, le=10_000, allow_inf_nan=False)
    target_c: float = Field(ge=90, le=180, allow_inf_nan=False)
    altitude_m: float = Field(default=0, ge=-400, le=5000, allow_inf_nan=False)
    start_c: float = Field(default=22, ge=0, le=100, allow_inf_nan=False)
    readings: list[ReadingAt] = Field(default_factory=list, max_length=20_000)


class WithoutThermometer(BaseModel):
    """What can be said without one: minutes by an unknown flame, and what a drop in cold water shows. Weaker."""

    expected_s: Estimate
    look_for: str


class PotForecast(SyrupForecast):
    """A pot's forecast, the water in question, and what to go by without a thermometer."""

    water_to_start_g: float
    water_off_g: float
    without_thermometer: WithoutThermometer


class EggPart(StrEnum):
    """What the syrup is poured into."""

    WHITES = "whites"
    YOLKS = "yolks"
    WHOLE = "whole eggs"


CP = {EggPart.WHITES: hot_foam.WHITE_CP, EggPart.YOLKS: hot_foam.YOLK_CP, EggPart.WHOLE: hot_foam.WHOLE_EGG_CP}


class HeatBody(_Body):
    """A hot syrup into a running foam. ``whites_g`` is the egg's weight, whatever ``egg`` says it is."""

    whites_g: float = Field(ge=1, le=20_000, allow_inf_nan=False)
    sugar_g: float = Field(ge=1, le=40_000, allow_inf_nan=False)
    syrup_c: float = Field(ge=60, le=180, allow_inf_nan=False)
    start_c: float = Field(default=22, ge=0, le=60, allow_inf_nan=False)
    bowl_g: float = Field(default=BOWL_G, ge=0, le=20_000, allow_inf_nan=False)
    air_c: float = Field(default=22, ge=0, le=45, allow_inf_nan=False)
    altitude_m: float = Field(default=0, ge=-400, le=5000, allow_inf_nan=False)
    egg: Annotated[EggPart, Field(strict=False)] = EggPart.WHITES


class HeatAnswer(HeatBalance):
    """The heat balance beside the guidance for egg. It says nothing of safety."""

    guidance: str
    pairs: tuple[Pair, ...]
    pairs_note: str


class Corrected(BaseModel):
    """A reading set right, how far off the thermometer is there (K), and where water boils here."""

    celsius: float
    off_k: Estimate
    water_boils_c: float
    odd: str


@router.get("/syrup/boiling-point")
def boiling_point(sucrose_percent: Finite, altitude_m: Altitude = 0) -> Boils:
    """Where a sucrose syrup boils at an altitude."""
    found = syrup.boiling(sucrose_percent, pressure_kpa(altitude_m))
    return Boils(temperature_c=found.likely, low_c=found.low, high_c=found.high, basis=found.basis)


@router.get("/syrup/concentration")
def concentration(
    temperature_c: Annotated[float, Query(ge=60, le=200, allow_inf_nan=False)], altitude_m: Altitude = 0
) -> Concentration:
    """What a syrup that boils at this temperature holds, and what it is called."""
    pressure = pressure_kpa(altitude_m)
    found = syrup.concentration(temperature_c, pressure)
    stage = stage_at(syrup.at_sea_level_c(temperature_c, pressure))
    return Concentration(
        sucrose_percent=found.likely,
        low=found.low,
        high=found.high,
        basis=found.basis,
        stage=stage.name if stage else "",
        drop=stage.drop if stage else "",
    )


@router.post("/syrup/forecast")
async def syrup_forecast(request: Request, body: PotBody) -> PotForecast:
    """When a pot will be at its target, from the readings so far; null with ``why`` where they can't tell."""
    pressure = pressure_kpa(body.altitude_m)
    check_pot(body.sugar_g, body.target_c, pressure)
    water = boiling.enough_water_g(body.sugar_g) if body.water_g is None else body.water_g
    syrup.check_other_sugars(body.beside)
    pot = boiling.pot_of(Material(parts={"sugar": body.sugar_g, "water": water, **body.beside}), pressure)
    readings = [(r.t_s, r.temperature_c) for r in body.readings]
    seen = await beside(request, pot_told, pot, body.target_c, readings, body.power_w, body.water_g is not None)
    stage = stage_at(syrup.at_sea_level_c(body.target_c, pressure))
    return PotForecast(
        **dict(seen),
        water_to_start_g=boiling.enough_water_g(body.sugar_g),
        water_off_g=pot.water_off_g(body.target_c),
        without_thermometer=WithoutThermometer(
            expected_s=boiling.seconds(pot, body.start_c, body.target_c, body.power_w),
            look_for=f"A drop in cold water {stage.drop}." if stage else "Steam, and bubbles that slow down.",
        ),
    )


@router.post("/meringue/heat-balance")
def heat_balance(body: HeatBody) -> HeatAnswer:
    """What a foam reaches when hot syrup runs in, when it is cool enough for what, and the guidance for egg."""
    found = hot_foam.balance(
        body.whites_g,
        CP[body.egg],
        body.sugar_g,
        body.syrup_c,
        body.start_c,
        bowl_g=body.bowl_g,
        air_c=body.air_c,
        pressure_kpa=pressure_kpa(body.altitude_m),
    )
    white, yolk = body.egg is not EggPart.YOLKS, body.egg is not EggPart.WHITES
    sweet = body.sugar_g / body.whites_g
    note = SWEET_NOTE if sweet >= SWEET_FROM else ""
    return HeatAnswer(**dict(found), guidance=GUIDANCE, pairs=pairs_for(white, yolk, sweet), pairs_note=note)


@router.get("/meringue/dissolution")
def dissolution(sugar_to_white: Finite) -> Dissolution:
    """From which temperature all of the sugar can dissolve in the whites' water, or that it can't."""
    return dissolving.dissolution(sugar_to_white)


BOWL = Vessel(id="bowl", name="of 100 g of white", form=VesselForm.MIXER_BOWL, diameter_mm=170, height_mm=120)


class SpotView(Spot):
    """A spot with 100 g of white, whipped, in a bowl."""

    section: Section


@router.get("/meringue/spot")
def spot(
    sugar_to_white: Finite,
    method: Method = Method.FRENCH,
    acid_percent: Finite = 0,
    temperature_c: Annotated[float | None, Query(allow_inf_nan=False)] = None,
) -> SpotView:
    """A meringue on the map: what becomes of sugar to white, method, acid and warmth."""
    found = meringue_map.spot(sugar_to_white, method, acid_percent, temperature_c)
    parts = {"egg-white": meringue_map.WHITES_G, "sugar": meringue_map.WHITES_G * sugar_to_white}
    foam = Material(parts=parts).at_density(found.density_g_per_ml)
    return SpotView(**dict(found), section=section.of_vessel(BOWL, foam))


@router.get("/meringue/lines")
def lines() -> tuple[Line, ...]:
    """Every method along the ratios, for the map's ground."""
    return meringue_map.lines()


@router.get("/thermometer")
def set_right(
    reading_c: Annotated[float, Query(ge=-60, le=450, allow_inf_nan=False)],
    ice_c: Annotated[float | None, Query(ge=-20, le=20, allow_inf_nan=False)] = None,
    boiling_c: Annotated[float | None, Query(ge=60, le=130, allow_inf_nan=False)] = None,
    kpa: Annotated[float | None, Query(ge=50, le=110, allow_inf_nan=False)] = None,
    altitude_m: Altitude = 0,
) -> Corrected:
    """A reading set right by a check in ice and in boiling water."""
    air = pressure_kpa(altitude_m) if kpa is None else kpa
    check = Check(ice_c=ice_c, boiling_c=boiling_c)
    if ice_c is not None and boiling_c is not None and boiling_c - ice_c < 20:
        raise CraftError(
            "Ice and boiling water can't read so much alike.",
            field="boiling_c",
            remedy="Read it again in both; or enter the one that you are sure of.",
        )
    return Corrected(
        celsius=thermometer.corrected_c(reading_c, check, air),
        off_k=thermometer.error_k(check, reading_c, air),
        water_boils_c=thermometer.true_boiling_c(air),
        odd=thermometer.odd(check, air),
    )
