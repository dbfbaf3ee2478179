"""Single steps by value: what they take, how long they last, what they warn of."""

from __future__ import annotations

from dataclasses import replace

import pytest

from kindwhisk.core.finishing import soaking
from kindwhisk.core.foams import hot_foam
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.ovens import times
from kindwhisk.core.process.folds import fold_courses
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.hand import HandStep
from kindwhisk.core.process.steps.invert import InvertStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.stream import LEAST_WHISKING_S, StreamStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.process.walk import walk
from kindwhisk.core.reading import recipe
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.sugar import boiling
from kindwhisk.core.sugar.boiling import Pot
from kindwhisk.core.sugar.watch import PotWatch
from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, RoundDimensions, RoundTin, Tin
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.vessels.vessel import Vessel, VesselForm
from kindwhisk.core.warmth import warming
from kindwhisk.demo.formulas import tea_chiffon
from kindwhisk.devices.pot import PotPlan, StandInPot
from tests.core.strategies import setting_of

PLACE = setting_of(tea_chiffon())
ROUND = RoundTin(dimensions=RoundDimensions(diameter_mm=180, depth_mm=70))
BOX = BoxTin(shape="rectangular", dimensions=BoxDimensions(width_mm=200, length_mm=300, depth_mm=50))


def in_pot(height_mm: float, diameter_mm: float = 140) -> Setting:
    pot = Vessel(id="pot", name="small pot", form=VesselForm.POT, diameter_mm=diameter_mm, height_mm=height_mm)
    return replace(PLACE, vessels={"pot": pot})


def test_turning_out_takes_a_minute_and_a_half_a_tin_and_burns_while_it_is_hot() -> None:
    step = TurnOutStep(id="out", title="Turn it out", vessel="tin", inputs=())
    cake = Material(parts={"plain-flour": 100, "sugar": 100}, gas_ml=Estimate.exact(300), temperature_c=90)
    three = replace(PLACE, tins=TinsInUse("three", PLACE.tins.tin, count=3))
    made = step.effect((cake,), three)
    assert made.duration_s.likely == 270
    band = made.checkpoints[0].band
    assert band is not None
    level = PLACE.tins.tin.level_mm(cake.volume_ml.likely / 3)
    assert (band.range.low, band.range.likely, band.range.high) == pytest.approx((0.85 * level, level, 1.15 * level))
    cold = step.effect((cake.at(25),), three)
    assert len(made.cautions) == len(cold.cautions) + 1


def test_a_syrup_is_boiled_to_its_water_with_a_band_of_its_own() -> None:
    step = BoilStep(id="boil", title="Boil", vessel="pot", inputs=(), target_c=118)
    start = Material(parts={"sugar": 200, "water": 60}, temperature_c=20)
    place = in_pot(120)
    made = step.effect((start,), place)
    here = step.target_here_c(place)
    pot = Pot(sugar_g=200, water_g=60, pressure_kpa=place.kitchen.pressure_kpa)
    assert made.material.mass_g == pytest.approx(260 - pot.water_off_g(here), rel=1e-3)
    assert made.material.temperature_c == pytest.approx(here)
    assert made.modelled_s == pytest.approx(boiling.seconds(pot, 20, here).likely, rel=1e-3)
    assert made.first_look_s == pytest.approx(made.duration_s.low * 0.8, rel=0.5)
    assert made.hold_s is not None
    assert (made.hold_s.low, made.hold_s.likely, made.hold_s.high) == (20, 45, 90)
    band = made.checkpoints[0].band
    assert band is not None
    assert band.range.high - here == pytest.approx(here - band.range.low)


def test_a_small_pot_froths_over_and_little_water_hardly_dissolves() -> None:
    step = BoilStep(id="boil", title="Boil", vessel="pot", inputs=(), target_c=118)
    start = Material(parts={"sugar": 200, "water": 60}, temperature_c=20)
    low = in_pot(30)
    told = [n.text for n in step.effect((start,), low).notices]
    froth = 3 * (200 / 1.587 + 60) / 1000
    holds = low.vessels["pot"].volume_ml(30) / 1000
    assert f"It may froth to {froth:.1f} l; the small pot holds {holds:.1f} l." in told
    assert not [n for n in step.effect((start,), in_pot(120)).notices if "froth" in n.text]
    dry = step.effect((Material(parts={"sugar": 200, "water": 20}, temperature_c=20),), in_pot(120)).notices
    assert any(n.text == "20 g of water hardly dissolve 200 g of sugar." and "60 g" in n.remedy for n in dry)


def test_a_stream_cools_to_its_band() -> None:
    step = StreamStep(id="stream", title="Pour", vessel="bowl", inputs=(), until_c=40)
    syrup = Material(parts={"sugar": 200, "water": 30}, temperature_c=118)
    whites = Material(parts={"egg-white": 120}, temperature_c=20, gas_ml=Estimate.around(500, 0.1))
    made = step.effect((syrup, whites), PLACE)
    cool = next(c.band for c in made.checkpoints if c.id == "cool")
    assert cool is not None
    assert (cool.range.low, cool.range.likely, cool.range.high) == (32, 38, 41)
    heading = step.expected_reading(0, 600, made.material.at(60), PLACE)
    assert heading is not None
    assert heading.now_c == pytest.approx(60)
    end = step.expected_reading(600, 600, made.material.at(60), PLACE)
    assert end is not None
    assert end.now_c == pytest.approx(40)
    half = step.expected_reading(300, 600, made.material.at(60), PLACE)
    assert half is not None
    air = PLACE.kitchen.air_c
    assert half.now_c == pytest.approx(air + ((60 - air) * (40 - air)) ** 0.5)


def test_warming_goes_by_water_or_by_the_hob() -> None:
    milk = Material(parts={"milk": 200}, temperature_c=8)
    hob = WarmStep(id="w", title="Warm", vessel="pot", inputs=(), target_c=45)
    bath = hob.model_copy(update={"over_water": True})
    assert hob.effect((milk,), PLACE).modelled_s == pytest.approx(warming.on_hob_s(milk, 45).likely)
    assert bath.effect((milk,), PLACE).modelled_s == pytest.approx(warming.over_water_s(milk, 45).likely)
    band = hob.effect((milk,), PLACE).checkpoints[0].band
    assert band is not None
    assert band.range.high - 45 == pytest.approx(45 - band.range.low)
    assert hob.effect((milk,), PLACE).material.temperature_c == 45


def test_a_whip_grows_to_the_density_of_its_foam() -> None:
    step = WhipStep(id="w", title="Whip", vessel="bowl", inputs=())
    yolks = Material(parts={"egg-yolk": 80, "sugar": 60}, temperature_c=22)
    assert step.effect((yolks,), PLACE).modelled_s == pytest.approx(360 * (140 / 300) ** 0.3)
    ribbon = Material(parts={"whole-egg": 180, "sugar": 120}, temperature_c=40)
    made = step.effect((ribbon,), PLACE)
    assert made.modelled_s == pytest.approx(450)
    assert made.material.density_g_per_ml.likely < 0.3
    assert made.material.mass_g == 300


def test_the_way_ahead_of_a_pot_begins_where_it_is_and_ends_at_its_target() -> None:
    plan = PotPlan(seed=3)
    pot, watch = StandInPot(plan), PotWatch(Pot(plan.sugar_g, plan.water_g), 118)
    while pot.syrup_c < 112:
        pot.advance(1)
        value = pot.read()
        assert value is not None
        watch.take(pot.t_s, value)
    told = watch.forecast()
    assert told.seconds_to_target is not None
    assert [p.s for p in told.ahead] == pytest.approx([told.seconds_to_target * i / 12 for i in range(13)])
    assert told.temperature_c == pytest.approx(told.ahead[0].c)
    assert told.ahead[-1].c == pytest.approx(118)
    assert [p.c for p in told.ahead] == sorted(p.c for p in told.ahead)
    assert told.low_s is not None
    assert told.high_s is not None
    assert told.low_s + told.high_s == pytest.approx(2 * told.seconds_to_target)
    assert told.seconds_to_target == pytest.approx(_rest_s(pot), rel=0.2)


def _rest_s(pot: StandInPot) -> float:
    began = pot.t_s
    while pot.syrup_c < 118:
        pot.advance(1)
    return pot.t_s - began


@pytest.mark.parametrize(("sd", "more"), [(0.15, 2), (0.08, 1), (0.07, 0), (0.05, 0), (0.0701, 1)])
def test_an_oven_is_trusted_after_so_many_more_bakes(sd: float, more: int) -> None:
    assert times._more_bakes(sd) == more


def test_pieces_are_counted_from_their_fewest_to_their_most() -> None:
    one, some = read_line("1 sheet gelatine", EggSize.EU_M), read_line("2-4 sheets gelatine", EggSize.EU_M)
    assert one.grams is not None
    assert some.grams == pytest.approx(3 * one.grams, rel=1e-3)
    assert one.low_g is not None
    assert one.high_g is not None
    assert (some.low_g, some.high_g) == pytest.approx((2 * one.low_g, 4 * one.high_g), rel=1e-2)


def test_a_line_without_end_is_cut() -> None:
    long = "120 g sugar " + "x" * 500
    got = recipe.from_jsonld({"@type": "Recipe", "name": "n" * 200, "recipeIngredient": [long]})
    assert got.lines[0].text == long[:400]
    assert len(got.title) == 120


@pytest.mark.parametrize(
    ("says", "servings"), [("", None), ("Serves 8\n", 8), ("Serves 500\n", 500), ("Serves 501\n", None)]
)
def test_servings_are_read_where_they_are_told(says: str, servings: int | None) -> None:
    text = f"Cake\n{says}Ingredients\n4 eggs\n120 g sugar\n120 g flour\nMethod\nWhisk, fold and bake at 170 °C."
    assert recipe.from_text(text).servings == servings


def test_how_much_a_fold_keeps_has_its_range_up_to_all() -> None:
    walked = walk(tea_chiffon(), PLACE)
    (course,) = fold_courses(walked)
    last = next(w for w in walked if w.step.id == course.steps[-1]).outcome.material
    foam = next(w for w in walked if w.step.id == "whip").outcome.material
    base = next(w for w in walked if w.step.id == course.steps[0]).intake
    gas = foam.gas_ml.likely + sum(
        m.gas_ml.likely for m in base if m.gas_free_density > 1.0 and "egg-white" not in m.parts
    )
    assert course.air_kept.likely == pytest.approx(last.gas_ml.likely / gas, rel=1e-6)
    assert course.air_kept.low == pytest.approx(last.gas_ml.low / gas, rel=1e-6)
    assert course.air_kept.high == pytest.approx(min(1.0, last.gas_ml.high / gas), rel=1e-6)
    assert course.air_kept.high > course.air_kept.likely


def test_a_bowl_that_is_too_small_is_told_with_both_volumes() -> None:
    step = WhipStep(id="w", title="Whip", vessel="bowl", inputs=())
    mixer = PLACE.kitchen.mixers[0]
    much = Material(parts={"egg-white": 900, "sugar": 500}, temperature_c=22)
    made = step.effect((much,), PLACE)
    volume = made.material.volume_ml.likely
    assert volume > mixer.bowl_ml
    said = f"{volume / 1000:.1f} l of foam in the {mixer.bowl_ml / 1000:.1f} l bowl of the {mixer.name}."
    assert said in [n.text for n in made.notices]


@pytest.mark.parametrize(
    ("parts", "fat"),
    [
        ({"cream-35": 300}, False),
        ({"egg-white": 120, "sugar": 60}, False),
        ({"egg-white": 120, "oil-neutral": 10}, True),
        ({"egg-white": 60, "egg-yolk": 40}, False),
    ],
)
def test_fat_is_found_in_whites_and_not_in_what_holds_none(parts: dict[str, float], fat: bool) -> None:
    step = WhipStep(id="w", title="Whip", vessel="bowl", inputs=())
    made = step.effect((Material(parts=parts, temperature_c=10),), PLACE)
    assert ("There is fat in the whites: they will not come up." in [n.text for n in made.notices]) == fat


@pytest.mark.parametrize(
    ("sugar", "target", "warned"),
    [(50, 45, False), (200, 45, False), (250, 45, True), (250, 65, False), (900, 65, True)],
)
def test_whites_are_warmed_to_where_their_sugar_dissolves(sugar: float, target: float, warned: bool) -> None:
    step = WarmStep(id="w", title="Warm", vessel="bowl", inputs=(), target_c=target, over_water=True)
    made = step.effect((Material(parts={"egg-white": 100, "sugar": sugar}, temperature_c=20),), PLACE)
    said = f"At {target:.0f} °C not all of this sugar can dissolve in the whites' water."
    assert (said in [n.text for n in made.notices]) == warned


def test_a_syrup_is_whisked_in_for_three_minutes_at_least() -> None:
    step = StreamStep(id="s", title="Stream", vessel="bowl", inputs=(), until_c=70)
    whites = Material(parts={"egg-white": 100}, temperature_c=20).with_gas(Estimate.exact(500))
    syrup = Material(parts={"sugar": 20, "water": 5}, temperature_c=118)
    made = step.effect((whites, syrup), PLACE)
    kitchen = PLACE.kitchen
    bowl, air, kpa = kitchen.mixers[0].bowl_g, kitchen.air_c, kitchen.pressure_kpa
    pour = hot_foam.of_materials(syrup, whites, bowl_g=bowl, air_c=air, pressure_kpa=kpa).pour_s
    assert made.duration_s.likely == pytest.approx(pour.likely + LEAST_WHISKING_S)
    assert made.duration_s.low <= pour.low + LEAST_WHISKING_S / 1.3
    assert made.duration_s.high >= pour.high + LEAST_WHISKING_S * 1.3


@pytest.mark.parametrize(("count", "name"), [(1, "tin"), (3, "tins")])
def test_tins_are_counted_where_they_are_made_ready_and_filled(count: int, name: str) -> None:
    step = FillStep(id="f", title="Fill", vessel="tin", inputs=(), tin=PLACE.tins.tin, tin_name="tube")
    batter = Material(parts={"whole-egg": 200, "sugar": 100, "plain-flour": 100}).with_gas(Estimate.exact(400))
    tins = replace(PLACE.tins, count=count)
    made = step.effect((batter,), replace(PLACE, tins=tins))
    assert [r.name for r in made.make_ready] == [name]
    assert made.duration_s.likely == 20 + 30 * count
    assert made.goal == (f"{400 / count:.0f} g a tin" if count > 1 else "Filled")


@pytest.mark.parametrize(("tins", "at_once", "load_kg"), [(1, 1, 0.4), (4, 2, 0.2), (4, 4, 0.4), (2, 6, 0.4)])
def test_the_oven_is_loaded_with_what_it_takes_at_once(tins: int, at_once: int, load_kg: float) -> None:
    formula = tea_chiffon()
    step = next(s for s in formula.steps if isinstance(s, BakeStep))
    batter = Material(parts={"whole-egg": 200, "sugar": 100, "plain-flour": 100}).with_gas(Estimate.exact(400))
    oven = PLACE.oven.model_copy(update={"tins_at_once": at_once})
    place = replace(PLACE, tins=replace(PLACE.tins, count=tins), oven=oven)
    assert step.in_oven(batter, place).air.load_kg == pytest.approx(load_kg)


@pytest.mark.parametrize(("tin", "hangs"), [(PLACE.tins.tin, True), (ROUND, True), (BOX, False)])
def test_a_cake_hangs_only_in_a_tin_that_it_can_hang_from(tin: Tin, hangs: bool) -> None:
    step = InvertStep(id="i", title="Invert", vessel="tin", inputs=())
    cake = Material(parts={"plain-flour": 100}, temperature_c=96)
    made = step.effect((cake,), replace(PLACE, tins=TinsInUse("tin", tin)))
    assert ([n.text for n in made.notices] == []) == hangs
    assert made.material == cake


def test_a_soak_goes_into_a_crumb_and_not_into_nothing() -> None:
    step = SoakStep(id="s", title="Soak", vessel="rack", inputs=())
    cake = Material(parts={"plain-flour": 100, "sugar": 80}, browning=0.5).with_gas(Estimate.exact(400))
    syrup = Material(parts={"water": 30, "sugar": 20})
    made = step.effect((cake, syrup), PLACE)
    assert [n.text for n in made.notices] == []
    assert made.material.mass_g == pytest.approx(230)
    assert made.why == f"It fills {syrup.gas_free_volume_ml / soaking.room_ml(cake):.0%} of the pores."
    flood = step.effect((cake, Material(parts={"water": 900})), PLACE)
    most = soaking.takes_ml(cake, flooded=False).high
    (said,) = [n.text for n in flood.notices]
    assert said.startswith("900 ml is more than it holds (")
    assert f"to {most:.0f})" in said
    assert [n.text for n in step.effect((syrup,), PLACE).notices] == ["Nothing baked is here to be soaked."]


def test_pieces_that_rest_open_dry_and_covered_ones_do_not() -> None:
    shells = Material(parts={"egg-white": 100.0, "almond-flour": 130.0, "icing-sugar": 130.0})
    outcomes = {
        covered: RestStep(id="skin", title="Skin", vessel="pot", minutes=40, covered=covered).effect(
            (shells,), in_pot(80)
        )
        for covered in (True, False)
    }
    water = shells.composition.water * shells.mass_g
    assert outcomes[True].material.mass_g == pytest.approx(shells.mass_g)
    lost = shells.mass_g - outcomes[False].material.mass_g
    # A skin is a few hundredths of the water, never a dried shell.
    assert 0.02 * water < lost < 0.06 * water
    assert "cover" not in outcomes[False].do.lower().replace("uncovered", "")


def test_work_by_hand_changes_nothing_and_says_what_is_done() -> None:
    cake = Material(parts={"plain-flour": 100.0, "whole-egg": 200.0})
    outcome = HandStep(id="cut", title="Cut", vessel="rack", does="Cut it into three layers.").effect(
        (cake,), in_pot(80)
    )
    assert outcome.material == cake
    assert outcome.do == "Cut it into three layers."
