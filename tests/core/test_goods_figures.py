"""Eggs, colours, vessels, rolls, soaks and what is in a bowl, against values worked out by hand."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.finishing.rolling import roll
from kindwhisk.core.finishing.soaking import room_ml, soaked, takes_ml
from kindwhisk.core.foams.balance import Method, of_batter, of_foam
from kindwhisk.core.foams.foam import Foam, kind_of
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.colour import absorbs, blend, from_hex, mixed, reflects, to_hex
from kindwhisk.core.ingredients.eggs import EggSize, egg_need, egg_parts, eggs_of_the_day
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.comparison import grams
from kindwhisk.core.process.kinds import Entry, kinds
from kindwhisk.core.process.substitution import offers
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.method.figures import read_method
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import TubeDimensions, TubeTin
from kindwhisk.core.values.bands import Place
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.vessels import section
from kindwhisk.core.vessels.vessel import Vessel, VesselForm, cup_vessel

GAS = Estimate(low=80, likely=100, high=130, basis=Basis.MODEL)


def test_an_egg_parts_into_shell_yolk_and_white() -> None:
    one = egg_parts(EggSize.EU_M)
    assert one.whole_g.likely == pytest.approx(58 * 0.89)
    assert one.yolk_g.likely == pytest.approx(58 * 0.30)
    assert one.white_g.likely == pytest.approx(58 * 0.59)
    large = egg_parts(EggSize.EU_L, 2)
    share = 0.30 - 0.0009 * 10
    assert large.yolk_g.likely == pytest.approx(2 * 68 * share)
    assert large.white_g.likely == pytest.approx(2 * 68 * (0.89 - share))
    assert (large.yolk_g.low, large.yolk_g.high) == pytest.approx((2 * 63 * share * 0.97, 2 * 73 * share * 1.03))
    assert large.in_shell_g.high == 146


@pytest.mark.parametrize("size", list(EggSize))
def test_white_and_yolk_are_the_whole_egg(size: EggSize) -> None:
    one = egg_parts(size)
    assert one.white_g.likely + one.yolk_g.likely == pytest.approx(one.whole_g.likely)


def test_eggs_to_crack_and_what_is_left() -> None:
    one = egg_parts(EggSize.EU_M)
    need = egg_need(120, 40, 0, EggSize.EU_M)
    assert need is not None
    assert need.exact == pytest.approx(120 / one.white_g.likely)
    assert need.count == 4
    assert (need.left_white_g, need.left_yolk_g) == pytest.approx(
        (4 * one.white_g.likely - 120, 4 * one.yolk_g.likely - 40)
    )
    assert need.advice.startswith("Stir what you separated and weigh off 120 g of white and 40 g of yolk: eggs")
    assert need.advice.endswith(f"Left over: {need.left_white_g:.0f} g white, {need.left_yolk_g:.0f} g yolk.")
    just = egg_need(2.04 * one.white_g.likely, 0, 0, EggSize.EU_M)
    assert just is not None
    assert just.count == 2
    more = egg_need(2.06 * one.white_g.likely, 0, 0, EggSize.EU_M)
    assert more is not None
    assert more.count == 3
    both = egg_need(34, 0, 103, EggSize.EU_M)
    assert both is not None
    assert both.count == 1 + 2
    assert both.advice.startswith("Beat whole eggs and weigh off 103 g; stir what you separated")
    assert egg_need(0, 0, 0, EggSize.EU_M) is None


def test_a_days_bakes_share_their_eggs() -> None:
    whites, yolks = egg_need(136, 0, 0, EggSize.EU_M), egg_need(0, 69, 0, EggSize.EU_M)
    assert whites is not None
    assert yolks is not None
    day = eggs_of_the_day([whites, yolks], EggSize.EU_M)
    assert day is not None
    assert (day.alone, day.pooled) == (8, 4)
    assert (day.white_g, day.yolk_g, day.whole_g) == (136, 69, 0)
    assert eggs_of_the_day([], EggSize.EU_M) is None


@given(st.integers(0, 255), st.integers(0, 255), st.integers(0, 255))
def test_a_colour_comes_back_from_linear_light(red: int, green: int, blue: int) -> None:
    colour = f"#{red:02x}{green:02x}{blue:02x}"
    assert to_hex(from_hex(colour)) == colour


def test_colours_mix_in_linear_light() -> None:
    assert from_hex("#808080")[0] == pytest.approx(0.2158605)
    assert from_hex("#0a0a0a")[1] == pytest.approx(10 / 255 / 12.92)
    assert blend((0, 0.5, 1), (1, 0.5, 0), 0.25) == (0.25, 0.5, 0.75)
    assert to_hex((2, -1, 0.002)) == f"#ff00{round(255 * 12.92 * 0.002):02x}"
    assert mixed({}) == "#ffffff"
    assert mixed({"sugar": 10}) == ingredient("sugar").colour


def test_air_whitens_heat_browns_and_strong_things_tint_more() -> None:
    base = from_hex(ingredient("milk").colour)
    airy = from_hex(mixed({"milk": 10}, air_fraction=0.8))
    # Four parts of bubbles to one of milk scatter twice as much beside it: k is a third.
    lighter = [_kubelka_munk((1 - c) ** 2 / (2 * c) / 3) for c in base]
    assert airy == pytest.approx(lighter, abs=5e-3)
    brown = from_hex(mixed({"milk": 10}, browning=0.5))
    assert brown == pytest.approx([(c + k) / 2 for c, k in zip(base, (0.42, 0.17, 0.035), strict=True)], abs=5e-3)
    cocoa, milk = ingredient("cocoa"), ingredient("milk")
    share = 5 * cocoa.tint / (5 * cocoa.tint + 50 * milk.tint)
    both = from_hex(mixed({"milk": 50, "cocoa": 5}))
    taken = [
        share * (1 - c) ** 2 / (2 * c) + (1 - share) * (1 - m) ** 2 / (2 * m)
        for m, c in zip(base, from_hex(cocoa.colour), strict=True)
    ]
    assert both == pytest.approx([_kubelka_munk(k) for k in taken], abs=5e-3)


def test_cocoa_in_batter_is_plainly_brown_and_pieces_do_not_tint() -> None:
    batter = {"egg-white": 97, "sugar": 48, "egg-yolk": 45, "oil-neutral": 24, "milk": 37, "cake-flour": 49}
    slurry = {"cocoa": 10, "water": 18}
    plain = from_hex(mixed(batter, air_fraction=0.6))
    dark = from_hex(mixed({**batter, **slurry, "oil-neutral": 31}, air_fraction=0.6))
    assert all(d < 0.55 * p for d, p in zip(dark, plain, strict=True))  # about half the light in every band
    assert dark[0] > 1.6 * dark[1] > 1.6 * 1.5 * dark[2]  # red before green before blue: brown, not grey
    assert mixed({**batter, "cherry": 100}) == mixed(batter)
    assert mixed({"blueberry": 100}) == ingredient("blueberry").colour
    green = from_hex(mixed({**batter, "matcha": 8}))
    assert green[1] > green[0] > green[2]


@pytest.mark.parametrize("reflected", [0.01, 0.05, 0.2, 0.5, 0.9])
def test_absorbing_and_reflecting_undo_each_other(reflected: float) -> None:
    assert reflects(absorbs(reflected)) == pytest.approx(reflected)


def _kubelka_munk(k: float) -> float:
    return 1 + k - math.sqrt(k * k + 2 * k)


def test_a_content_adds_volumes_and_bubbles() -> None:
    content = Material(parts={"egg-white": 100, "sugar": 50}, gas_ml=GAS)
    free = 100 / ingredient("egg-white").density_g_per_ml + 50 / 1.587
    assert content.gas_free_volume_ml == pytest.approx(free)
    assert content.gas_free_density == pytest.approx(150 / free)
    assert (content.volume_ml.low, content.volume_ml.high) == pytest.approx((free + 80, free + 130))
    density = content.density_g_per_ml
    assert (density.low, density.likely, density.high) == pytest.approx(
        (150 / (free + 130), 150 / (free + 100), 150 / (free + 80))
    )
    assert content.air_fraction == pytest.approx(100 / (free + 100))
    assert content.grams_of("sugar", "salt") == 50
    assert Material().density_g_per_ml.likely == 1
    assert Material().gas_free_density == 1
    assert Material().air_fraction == 0
    assert Material().composition.water == 0


def test_shares_dry_and_density_keep_what_they_should() -> None:
    content = Material(parts={"egg-white": 100, "sugar": 50}, gas_ml=GAS, evaporated_g=10)
    part = content.take(0.25)
    assert (part.mass_g, part.gas_ml.likely, part.evaporated_g) == (35, 25, 2.5)
    for share in (-0.01, 1.01):
        with pytest.raises(CraftError, match="cannot be taken"):
            content.take(share)
    dried = content.dried_by(20)
    assert (dried.evaporated_g, dried.mass_g) == (30, 120)
    assert content.dried_by(-5).evaporated_g == 10
    assert content.dried_by(1e6).composition.water == pytest.approx(0)
    set_to = content.at_density(Estimate(low=0.4, likely=0.5, high=0.7, basis=Basis.MEASURED))
    free = content.gas_free_volume_ml
    assert (set_to.gas_ml.low, set_to.gas_ml.likely, set_to.gas_ml.high) == pytest.approx(
        (140 / 0.7 - free, 140 / 0.5 - free, 140 / 0.4 - free)
    )
    assert content.at_density(Estimate.exact(3.0)).gas_ml.high == 0
    assert [content.model_copy(update={"browning": b}).baked for b in (0.02, 0.021)] == [False, True]


def test_what_meets_evens_its_warmth_by_heat() -> None:
    hot = Material(parts={"milk": 100}, temperature_c=80, gas_ml=GAS, browning=0.3, evaporated_g=1)
    cold = Material(parts={"milk": 50, "sugar": 50}, temperature_c=20)
    both = combine([hot, cold, Material()])
    heats = [m.mass_g * m.composition.heat_capacity() for m in (hot, cold)]
    assert both.temperature_c == pytest.approx((heats[0] * 80 + heats[1] * 20) / sum(heats))
    assert both.parts == {"milk": 150, "sugar": 50}
    assert (both.gas_ml, both.browning, both.evaporated_g) == (GAS, 0.3, 1)
    assert combine([]) == Material()
    assert combine([hot, hot]).gas_ml.likely == 200


@pytest.mark.parametrize(
    ("parts", "celsius", "foam"),
    [
        ({"egg-white": 100, "sugar": 50}, 39.9, Foam.FRENCH_MERINGUE),
        ({"egg-white": 100, "sugar": 50}, 40, Foam.SWISS_MERINGUE),
        ({"egg-yolk": 0.9, "sugar": 1}, 20, Foam.YOLK_FOAM),
        ({"egg-yolk": 60, "sugar": 50}, 20, Foam.YOLK_FOAM),
        ({"egg-yolk": 60, "whole-egg": 1, "sugar": 50}, 20, Foam.RIBBON),
        ({"whole-egg": 200, "sugar": 120}, 40, Foam.RIBBON),
        ({"cream-35": 200, "sugar": 20}, 6, Foam.CREAM),
    ],
)
def test_what_is_whipped_becomes_its_foam(parts: dict[str, float], celsius: float, foam: Foam) -> None:
    assert kind_of(Material(parts=parts, temperature_c=celsius)) is foam


def test_ratios_are_grams_to_a_gram_with_their_place() -> None:
    foam = Material(parts={"egg-white": 100, "sugar": 150, "cream-of-tartar": 0.5})
    found = {r.id: r for r in of_foam(foam, Technique.MERINGUE, Method.FRENCH)}
    assert found["sugar-to-white"].value == pytest.approx(1.5, rel=0.01)
    assert found["acid-to-white"].value == pytest.approx(0.5)
    low = of_foam(Material(parts={"egg-white": 0.9, "sugar": 0.1}), Technique.MERINGUE, Method.FRENCH)[0]
    assert low.place is Place.LOW
    high = of_foam(Material(parts={"egg-white": 100, "sugar": 400}), Technique.MERINGUE, Method.FRENCH)[0]
    assert high.place is Place.HIGH
    yolks = of_foam(Material(parts={"egg-yolk": 60, "sugar": 45}), Technique.CHIFFON, Method.FRENCH)
    assert [r.id for r in yolks] == ["sugar-to-yolk"]
    assert yolks[0].value == pytest.approx(0.75)
    batter = Material(parts={"whole-egg": 200, "sugar": 120, "plain-flour": 120})
    ratios = {r.id: r.value for r in of_batter(batter, [batter], Technique.GENOISE)}
    assert ratios["flour-to-egg"] == pytest.approx(0.6)
    assert of_foam(Material(parts={"milk": 10}), Technique.GENOISE, Method.FRENCH) == []


def test_a_bowl_is_a_superellipse_and_a_bag_a_cone() -> None:
    bowl = Vessel(id="b", name="bowl", form=VesselForm.BOWL, diameter_mm=200, height_mm=100)
    assert bowl.radius_mm(100) == 100
    assert bowl.radius_mm(0) == 0
    assert bowl.radius_mm(50) == pytest.approx(100 * (1 - 0.5**2.2) ** (1 / 2.2))
    mixer = bowl.model_copy(update={"form": VesselForm.MIXER_BOWL})
    assert mixer.radius_mm(50) == pytest.approx(100 * (1 - 0.5**2.8) ** (1 / 2.8))
    pot = bowl.model_copy(update={"form": VesselForm.POT})
    assert pot.volume_ml(100) == pytest.approx(math.pi * 1000)
    assert pot.volume_ml(40) == pytest.approx(math.pi * 400)
    assert pot.volume_ml(1000) == pot.volume_ml(100)
    assert pot.level_mm(math.pi * 250) == pytest.approx(25)
    assert (pot.level_mm(0), pot.level_mm(1e9)) == (0, 100)
    bag = Vessel(id="p", name="bag", form=VesselForm.BAG, diameter_mm=170, height_mm=340)
    bottom, top = 0.08 * 85, 85
    assert bag.volume_ml(340) == pytest.approx(math.pi * 340 / 3 * (bottom**2 + bottom * top + top**2) / 1000, rel=1e-3)
    cup = cup_vessel(250)
    assert cup.volume_ml(cup.height_mm) == pytest.approx(250)
    assert cup.height_mm == pytest.approx(1.1 * cup.diameter_mm)


def test_sections_show_levels_with_and_without_bubbles() -> None:
    pot = Vessel(id="b", name="pot", form=VesselForm.POT, diameter_mm=200, height_mm=100)
    content = Material(parts={"egg-white": 100}, gas_ml=GAS)
    cut = section.of_vessel(pot, content)
    free = content.gas_free_volume_ml
    assert cut.level_mm == pytest.approx((free + 100) * 1000 / (math.pi * 100**2))
    assert cut.start_level_mm == pytest.approx(free * 1000 / (math.pi * 100**2))
    assert cut.air_fraction == pytest.approx(100 / (free + 100))
    assert [w.height_mm for w in cut.wall] == pytest.approx([100 * (i / 16) ** 2 for i in range(17)])
    empty = section.of_content(pot, Estimate.exact(0), 0, 0, "#fff")
    assert (empty.air_fraction, empty.density_g_per_ml.likely, empty.level_mm) == (0, 1, 0)
    tube = TubeTin(dimensions=TubeDimensions(diameter_mm=160, depth_mm=80, tube_diameter_mm=60))
    half = section.of_tin("tube", tube, 0.5, content, count=2)
    assert half.level_mm == pytest.approx(tube.level_mm((free + 100) / 2))
    assert half.volume_ml.likely == pytest.approx((free + 100) / 2)
    assert {w.inner_mm for w in half.wall} == {30}
    piece = PipedPiece(width_mm=40, height_mm=15)
    ten = section.of_piece("kiss", piece, content, 10)
    assert ten.level_mm == pytest.approx(15 * (free + 100) / 10 / piece.volume_ml())
    assert ten.start_level_mm == pytest.approx(ten.level_mm * free / (free + 100))
    assert (ten.free, ten.count) == (True, 10)
    assert ten.volume_ml.likely == pytest.approx((free + 100) / 10)


def test_a_roll_has_the_area_of_its_sheet() -> None:
    made = roll(300, 15, 10)
    assert math.pi * made.diameter_mm**2 / 4 == pytest.approx(300 * 15)
    assert made.strain == pytest.approx(5 / (7.5 + 5))
    cored = roll(300, 15, 10, core_mm=40)
    assert math.pi * (cored.diameter_mm**2 - 40**2) / 4 == pytest.approx(300 * 15)
    assert cored.strain == pytest.approx(5 / 25)
    turns = cored.turns
    assert math.pi * turns * (40 + 15 + turns * 15) == pytest.approx(300, rel=0.02)


def test_pores_take_a_soak_until_they_are_full() -> None:
    crumb = Material(parts={"plain-flour": 100, "sugar": 100}, gas_ml=Estimate.exact(400), browning=0.5)
    volume = crumb.volume_ml.likely
    room = volume - 200 / 1.25
    assert room_ml(crumb) == pytest.approx(room)
    assert takes_ml(crumb, flooded=False).likely == pytest.approx(0.22 * room)
    assert takes_ml(crumb, flooded=True).high == pytest.approx(0.80 * room)
    assert room_ml(Material()) == 0
    milk = Material(parts={"milk": 100})
    wet = soaked(crumb, milk, combine([crumb, milk]))
    assert wet.gas_ml.likely == pytest.approx(400 - milk.gas_free_volume_ml)
    assert wet.volume_ml.likely == pytest.approx(crumb.volume_ml.likely)
    assert soaked(crumb, Material(parts={"milk": 1000}), combine([crumb, milk])).gas_ml.likely == 0


def test_a_weight_is_said_with_a_place_below_ten() -> None:
    assert [grams(v) for v in (9.96, 10, 123.6)] == ["10.0 g", "10 g", "124 g"]


def test_fields_of_a_kind_are_entered_as_their_types_say() -> None:
    known = {k.kind: {f.name: f for f in k.fields} for k in kinds()}
    whip = known["whip"]
    assert (whip["speed"].entry, whip["speed"].low, whip["speed"].high) == (Entry.WHOLE, 1, 12)
    assert (whip["peak"].entry, whip["peak"].choices) == (Entry.CHOICE, ("soft", "medium", "stiff"))
    assert whip["slow_finish"].entry is Entry.FLAG
    assert (known["rest"]["minutes"].entry, known["rest"]["minutes"].unit, known["rest"]["minutes"].low) == (
        Entry.NUMBER,
        "min",
        0,
    )
    boil = known["boil"]["target_c"]
    assert (boil.label, boil.unit, boil.optional) == ("target", "C", False)
    bake = known["bake"]["reference"]
    assert bake.entry is Entry.SHAPE
    fill = known["fill"]
    assert fill["batter_names"].entry is Entry.NAMES
    assert fill["pattern"].optional
    assert [f.name for f in known["fill"].values() if f.entry is Entry.SHAPE and f.optional] == ["pattern"]
    assert "wash" not in known


def test_what_can_take_its_place_is_matched_and_its_water_put_back() -> None:
    oil = next(o for o in offers("butter") if o.ingredient == "oil-neutral")
    butter, neutral = ingredient("butter").composition, ingredient("oil-neutral").composition
    assert oil.per_gram == pytest.approx(butter.fat / neutral.fat)
    assert oil.water_per_gram == pytest.approx(butter.water - oil.per_gram * neutral.water)
    back = next(o for o in offers("oil-neutral") if o.ingredient == "butter")
    assert back.per_gram == pytest.approx(neutral.fat / butter.fat)
    assert back.water_per_gram == 0
    flour = next(o for o in offers("plain-flour") if o.ingredient == "cake-flour")
    assert (flour.per_gram, flour.water_per_gram) == (1, 0)
    assert offers("water") == ()
    powder = next(o for o in offers("milk") if o.ingredient == "milk-powder")
    assert powder.per_gram == pytest.approx(0.092)
    milk, dry = ingredient("milk").composition, ingredient("milk-powder").composition
    assert powder.water_per_gram == pytest.approx(milk.water - 0.092 * dry.water)
    assert next(o for o in offers("milk-powder") if o.ingredient == "milk").per_gram == pytest.approx(1 / 0.092)
    assert next(o for o in offers("milk") if o.ingredient == "oat-drink").per_gram == 1


@pytest.mark.parametrize(
    ("text", "listed", "technique", "sure"),
    [
        ("Bake it.", {"condensed-milk", "evaporated-milk", "plain-flour"}, Technique.SOAKED_SPONGE, 0.8),
        ("Bake it.", {"almond-flour", "icing-sugar", "egg-white"}, Technique.SHELLS, 0.7),
        ("Bake it.", {"sugar", "egg-white"}, Technique.MERINGUE, 0.7),
        ("Bake it.", {"egg-white", "chocolate-dark", "butter"}, Technique.RICH_SPONGE, 0.6),
        ("Bake it.", {"egg-white", "egg-yolk", "chocolate-dark"}, Technique.SOUFFLED_SHEET, 0.6),
        ("Bake it.", {"egg-white", "oil-neutral", "cake-flour"}, Technique.CHIFFON, 0.7),
        ("Bake it, then roll it up.", {"egg-white", "oil-neutral", "cake-flour"}, Technique.CHIFFON_ROLL, 0.7),
        ("Bake it.", {"egg-white", "egg-yolk", "chocolate-dark", "butter", "cake-flour"}, Technique.RICH_SPONGE, 0.6),
        ("Bake it.", {"egg-white", "egg-yolk", "cake-flour"}, Technique.SEPARATED_SPONGE, 0.6),
        ("Whisk over simmering water.", {"whole-egg", "plain-flour"}, Technique.GENOISE, 0.6),
        ("Whisk it.", {"whole-egg", "plain-flour"}, Technique.COLD_GENOISE, 0.6),
        ("Bake it.", {"plain-flour"}, Technique.SEPARATED_SPONGE, 0.2),
        ("Bake the macarons.", {"plain-flour"}, Technique.SHELLS, 0.9),
    ],
)
def test_a_class_is_told_by_goods_and_method_and_how_surely(
    text: str, listed: set[str], technique: Technique, sure: float
) -> None:
    found = read_method("", text, listed)
    assert (found.technique, found.technique_sure) == (technique, sure)


@pytest.mark.parametrize(
    ("line", "named"),
    [
        ("juice of 1 orange", "orange-juice"),
        ("1 orange", "orange-juice"),
        ("zest of 1 orange", "orange-zest"),
        ("zest of 1 lemon", "lemon-zest"),
        ("zest and juice of 1 lemon", "lemon-juice"),
        ("120 g sugar", "sugar"),
    ],
)
def test_rinds_and_juices_are_told_apart(line: str, named: str) -> None:
    assert read_line(line, EggSize.EU_M).ingredient == named
