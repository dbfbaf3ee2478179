"""Foams by their figures: whipping, ageing, meringue, hot syrup and sugar that dissolves, worked out by hand."""

from __future__ import annotations

import math

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.foams import foam, hot_foam, whipping
from kindwhisk.core.foams.ageing import ageing, air_lost
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.foams.foam import Foam, Peak
from kindwhisk.core.foams.meringue_foam import density_of, holds_s
from kindwhisk.core.foams.meringue_map import Fit, Use, lines, spot, usual_c
from kindwhisk.core.foams.whipping import Seen, Whites, material_while_whipping, whipped_share
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.sugar import syrup
from kindwhisk.core.sugar.dissolving import dissolution, dissolves_from_c, saturation_percent
from kindwhisk.core.sugar.stages import STAGES, stage_at, stage_name, stages_here
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate

PLAIN = Whites(mass_g=150, sugar_to_white=0, temperature_c=22)


def test_what_slows_whites_multiplies() -> None:
    assert whipping.whites_s(PLAIN, Peak.MEDIUM).likely == pytest.approx(300)
    assert whipping.whites_s(PLAIN, Peak.SOFT).likely == pytest.approx(300 * 0.78)
    assert whipping.whites_s(PLAIN, Peak.STIFF).likely == pytest.approx(300 * 1.25)
    slow = Whites(mass_g=300, sugar_to_white=1, temperature_c=12, acid_percent=0.4, dried=True)
    factors = 1.45 * (1 + 0.12) * 2**0.3 * (1 + 0.25 * 0.4) * 1.15
    assert whipping.whites_s(slow, Peak.MEDIUM).likely == pytest.approx(300 * factors)
    assert whipping.whites_s(PLAIN, Peak.MEDIUM, speed=12).likely == pytest.approx(300 / math.sqrt(2))
    assert whipping.whites_s(PLAIN, Peak.MEDIUM).high == pytest.approx(420)
    warm = PLAIN.model_copy(update={"temperature_c": 30})
    assert whipping.whites_s(warm, Peak.MEDIUM) == whipping.whites_s(PLAIN, Peak.MEDIUM)
    tiny = PLAIN.model_copy(update={"mass_g": 5})
    assert whipping.whites_s(tiny, Peak.MEDIUM).likely == pytest.approx(300 * 0.2**0.3)


def test_a_bowl_tells_what_slows_it() -> None:
    found = Whites.of(
        Material(parts={"egg-white": 100, "sugar": 60, "cream-of-tartar": 0.5, "salt": 0.3}, temperature_c=15)
    )
    assert (found.mass_g, found.temperature_c) == pytest.approx((160.8, 15))
    assert found.sugar_to_white == pytest.approx(0.607, abs=1e-3)
    assert (found.acid_percent, found.salt_percent) == pytest.approx((0.5, 0.3))
    assert not found.dried
    assert found.guard == pytest.approx((1 + 1.2 * 0.5) * (1 - 0.35 * 0.3))
    sour = Whites.of(Material(parts={"egg-white": 10, "cream-of-tartar": 5, "salt": 5}))
    assert (sour.acid_percent, sour.salt_percent) == (1, 1)
    none = Whites.of(Material(parts={"milk": 100, "salt": 1}))
    assert (none.acid_percent, none.salt_percent) == (0, 0)
    assert Whites(mass_g=1, sugar_to_white=0, temperature_c=20, dried=True).guard == pytest.approx(1.3)


def test_past_its_peak_sugar_gives_time() -> None:
    peak = Estimate(low=250, likely=300, high=400, basis=Basis.KITCHEN)
    found = whipping.over_s(peak, PLAIN)
    assert (found.low, found.likely, found.high) == pytest.approx((300 + 45 / 1.6, 345, 400 + 45 * 1.6))
    assert found.basis is Basis.HABIT
    sweet = PLAIN.model_copy(update={"sugar_to_white": 1, "acid_percent": 0.5})
    assert whipping.over_s(peak, sweet).likely == pytest.approx(300 + 245 * 1.6)


def test_peaks_are_passed_in_their_order() -> None:
    found = whipping.stages(Estimate.exact(375), Peak.STIFF)
    assert [(s.name, round(s.at_s.likely)) for s in found] == [
        ("frothy", 56),
        ("white and fine", 131),
        ("soft peak", 234),
        ("medium peak", 300),
        ("stiff peak", 375),
    ]
    assert [s.name for s in whipping.stages(Estimate.exact(234), Peak.SOFT)][-1] == "soft peak"


def test_ribbons_and_plain_foams_go_by_batch_and_warmth() -> None:
    assert whipping.ribbon_s(300, 40).likely == pytest.approx(450)
    assert whipping.ribbon_s(600, 20).likely == pytest.approx(450 * (1 + 0.024 * 20) * 2**0.3)
    assert whipping.ribbon_s(10, 45).likely == pytest.approx(450 * 0.2**0.3)
    for kind, minutes in ((Foam.SWISS_MERINGUE, 7), (Foam.YOLK_FOAM, 6), (Foam.CREAM, 3), (Foam.ITALIAN_MERINGUE, 9)):
        assert whipping.plain_s(kind, 300).likely == pytest.approx(60 * minutes)
        assert whipping.plain_s(kind, 600).likely == pytest.approx(60 * minutes * 2**0.3)
        assert whipping.plain_s(kind, 1).likely == pytest.approx(60 * minutes * (1 / 6) ** 0.3)


def test_most_of_the_air_comes_before_the_end() -> None:
    assert whipped_share(0) == 0
    assert whipped_share(-1) == 0
    assert whipped_share(1) == pytest.approx(1)
    assert whipped_share(0.5) == pytest.approx((1 - math.exp(-3 * 0.5**1.3)) / (1 - math.exp(-3)))
    assert whipped_share(0.5) > 0.7


def test_a_cup_on_the_way_moves_what_is_drawn() -> None:
    whipped = Material(parts={"egg-white": 100, "sugar": 60}).with_gas(Estimate.around(600, 0.1))
    half = material_while_whipping(whipped, 0.5)
    assert half.gas_ml.likely == pytest.approx(600 * whipped_share(0.5))
    assert material_while_whipping(whipped, 3).gas_ml.likely == pytest.approx(600)
    gas = 160 / 0.4 - whipped.gas_free_volume_ml
    seen = Seen(density=0.4, share=0.5)
    assert material_while_whipping(whipped, 0.5, seen).gas_ml.likely == pytest.approx(gas)
    later = material_while_whipping(whipped, 0.8, seen).gas_ml.likely
    share = (whipped_share(0.8) - whipped_share(0.5)) / (1 - whipped_share(0.5))
    assert later == pytest.approx(gas + (600 - gas) * share)
    assert material_while_whipping(whipped, 0.3, seen).gas_ml.likely == pytest.approx(gas)
    dense = material_while_whipping(whipped, 0.5, Seen(density=1.5, share=0.5))
    assert dense.gas_ml.likely == 0


def test_a_tenth_is_gone_at_the_end_of_the_window() -> None:
    hold = Estimate(low=300, likely=600, high=1200, basis=Basis.HABIT)
    found = air_lost(600, hold)
    assert (found.low, found.likely, found.high) == pytest.approx((0.1 * 0.5**1.6, 0.1, 0.1 * 2**1.6))
    assert air_lost(0, hold).high == 0
    assert air_lost(-5, hold).high == 0
    assert air_lost(1e6, hold).low == 0.75
    assert ageing(Foam.CHIFFON_BATTER).can is False
    assert ageing(Foam.SWISS_MERINGUE).can is True
    assert ageing(Foam.GENOISE_BATTER) == ageing(Foam.ROLL_BATTER) != ageing(Foam.RIBBON)


def test_a_meringue_is_as_dense_as_its_sugar_method_and_warmth() -> None:
    stiff, typical, soft = (foam.french_density(1.0, p).likely for p in (Peak.STIFF, Peak.MEDIUM, Peak.SOFT))
    cold = density_of(1.0, Method.FRENCH, 12)
    assert (cold.low, cold.likely, cold.high) == pytest.approx((stiff * 1.03, typical * 1.03, soft * 1.03))
    assert density_of(1.0, Method.FRENCH, 30).likely == pytest.approx(typical)
    band = foam.density_band(Foam.SWISS_MERINGUE)
    usual = foam.french_density(1.8, Peak.MEDIUM).likely
    assert density_of(1.8, Method.SWISS, 55).likely == pytest.approx(band.likely)
    assert density_of(1.0, Method.SWISS, 65).likely == pytest.approx(band.likely * math.sqrt(typical / usual) * 1.06)
    italian = foam.density_band(Foam.ITALIAN_MERINGUE).likely
    assert density_of(1.7, Method.ITALIAN, 113).likely == pytest.approx(italian * 1.03)
    assert density_of(1.7, Method.ITALIAN, 123).likely == pytest.approx(italian * 0.97)
    assert density_of(1.8, Method.SWISS, -45).likely == pytest.approx(band.likely * 0.7)


def test_how_long_it_keeps_follows_its_sugar_and_its_syrup() -> None:
    assert holds_s(1.0, Method.FRENCH, 22) == foam.french_hold_s(1.0)
    swiss = foam.hold_s(Foam.SWISS_MERINGUE).likely
    assert holds_s(0.9, Method.SWISS, 70).likely == pytest.approx(swiss * 0.5**0.7)
    assert holds_s(9.0, Method.SWISS, 55).likely == pytest.approx(swiss * 1.25**0.7)
    italian = foam.hold_s(Foam.ITALIAN_MERINGUE).likely
    assert holds_s(1.7, Method.ITALIAN, 128).likely == pytest.approx(italian * 1.3)
    assert holds_s(1.7, Method.ITALIAN, 60).likely == pytest.approx(italian * 0.2)


def test_a_spot_on_the_map_adds_up() -> None:
    found = spot(1.0, Method.FRENCH, 0.3)
    mass = 200
    assert found.volume_ml.likely == pytest.approx(mass / found.density_g_per_ml.likely)
    assert found.volume_ml.low == pytest.approx(mass / found.density_g_per_ml.high)
    whites = Whites(mass_g=200, sugar_to_white=1, temperature_c=22, acid_percent=0.3)
    assert found.whip_s == whipping.whites_s(whites, Peak.MEDIUM)
    saturated = saturation_percent(22)
    most = 0.88 * saturated / (100 - saturated)
    assert most > 1
    assert found.film_percent.likely == pytest.approx(100 / 1.88)
    assert found.undissolved.likely == pytest.approx(0)
    assert found.gloss == pytest.approx((100 / 1.88 - 20) / 55)
    assert found.hold_s.likely == pytest.approx(foam.french_hold_s(1.0).likely * (1 + 1.2 * 0.3))
    # Acid keeps it longer, but not without end.
    assert spot(1.0, Method.FRENCH, 1.0).hold_s.likely == pytest.approx(foam.french_hold_s(1.0).likely * 1.6)


def test_sugar_that_cannot_dissolve_stays_in_grains() -> None:
    found = spot(2.4, Method.FRENCH)
    saturated = saturation_percent(22)
    most = 0.88 * saturated / (100 - saturated)
    assert found.film_percent.likely == pytest.approx(saturated)
    assert found.undissolved.likely == pytest.approx(1 - most / 2.4)
    assert found.gloss == pytest.approx((saturated - 20) / 55 * (most / 2.4) ** 2)
    assert found.hold_s.likely == pytest.approx(foam.french_hold_s(2.4).likely * (1 - 0.5 * found.undissolved.likely))
    cooked = spot(1.7, Method.ITALIAN)
    share = syrup.concentration_percent(118) / 100
    water = 0.88 + 1.7 * (1 - share) / share
    assert cooked.film_percent.likely == pytest.approx(100 * 1.7 / (1.7 + water))
    assert cooked.whip_s == whipping.plain_s(Foam.ITALIAN_MERINGUE, 270)
    minutes = min(75, max(3, cooked.hold_s.likely / 60))
    assert cooked.steadiness == pytest.approx(math.log(minutes / 3) / math.log(25))


@pytest.mark.parametrize(
    ("ratio", "fit"),
    [(0.3, Fit.GOOD), (0.95, Fit.GOOD), (0.29, Fit.CAN), (0.2, Fit.NOT), (1.2, Fit.CAN), (1.24, Fit.NOT)],
)
def test_a_use_has_its_band_and_its_margin(ratio: float, fit: Fit) -> None:
    fold = next(u for u in spot(ratio, Method.FRENCH).uses if u.use is Use.FOLD)
    assert fold.fit is fit
    assert bool(fold.why) is (fit is not Fit.GOOD)


@pytest.mark.parametrize(
    ("ratio", "method", "acid", "celsius", "field"),
    [
        (0.19, Method.FRENCH, 0, None, "sugar_to_white"),
        (2.41, Method.FRENCH, 0, None, "sugar_to_white"),
        (1, Method.FRENCH, 1.01, None, "acid_percent"),
        (1, Method.FRENCH, -0.01, None, "acid_percent"),
        (1, Method.SWISS, 0, 34.9, "temperature_c"),
        (1, Method.SWISS, 0, 75.1, "temperature_c"),
        (1, Method.ITALIAN, 0, 109, "temperature_c"),
    ],
)
def test_off_the_map_is_told_by_field(
    ratio: float, method: Method, acid: float, celsius: float | None, field: str
) -> None:
    with pytest.raises(CraftError) as caught:
        spot(ratio, method, acid, celsius)
    assert caught.value.field == field


def test_the_maps_lines_are_its_spots() -> None:
    found = {line.method: line for line in lines()}
    assert set(found) == set(Method)
    french = found[Method.FRENCH]
    assert french.ratios == tuple(round(0.2 + 0.1 * i, 2) for i in range(23))
    assert french.density[8] == spot(1.0, Method.FRENCH).density_g_per_ml
    assert (french.coolest_c, french.usual_c, french.hottest_c) == (4, 22, 30)
    assert usual_c(Method.ITALIAN) == 118


def _peak(losses: tuple[float, float, float], sugar: float, syrup_c: float, egg: float, start: float) -> float:
    left, stream, bowl = losses
    percent = syrup.concentration_percent(syrup_c)
    capacity = 4.1868 - 0.0251 * percent + 7.5e-5 * percent * 90
    hot = sugar / percent * 100 / 1000 * capacity * (1 - left)
    return start + hot * (syrup_c - stream - start) / (hot + egg / 1000 * 3.85 + 0.5 * bowl)


def test_hot_syrup_and_whites_meet_at_their_balance_less_what_the_whisk_takes() -> None:
    found = hot_foam.balance(120, 3.85, 200, 118, 20)
    low, likely, high = hot_foam.whisked_w_per_k(found.kj_per_k)
    for peak, losses, w_per_k, seconds in (
        (found.peak_c.likely, (0.05, 5, 1 / 3), likely, found.pour_s.likely),
        (found.peak_c.low, (0.10, 10, 0.85), high, hot_foam.SLOWEST * found.pour_s.high),
        (found.peak_c.high, (0.02, 2, 0.12), low, found.pour_s.low),
    ):
        mixed = _peak(losses, 200, 118, 120, 20)
        lost = w_per_k * seconds / 1000 / found.kj_per_k
        assert peak == pytest.approx(22 + (mixed - 22) * (1 - math.exp(-lost)) / lost)
        assert 22 < peak < mixed
    assert found.peak_c.basis is Basis.HABIT
    percent = syrup.concentration_percent(118)
    grams = 200 / percent * 100
    assert (found.pour_s.low, found.pour_s.likely, found.pour_s.high) == pytest.approx(
        (grams / 4, grams / 2.5, grams / 1.5)
    )
    heavy = hot_foam.balance(120, 3.85, 200, 118, 20, bowl_g=2000)
    assert heavy.peak_c.likely < found.peak_c.likely
    with pytest.raises(CraftError) as caught:
        hot_foam.balance(120, 3.85, 200, 20, 20)
    assert caught.value.field == "syrup_c"


def test_a_large_batch_that_is_poured_for_minutes_may_stay_well_below_its_balance() -> None:
    for whites in (300, 600):
        found = hot_foam.balance(whites, 3.85, whites, 118, 22)
        mixed = _peak((0.10, 10, 0.85), whites, 118, whites, 22)
        assert 3.5 < mixed - found.peak_c.low < 13


def test_it_cools_under_the_whisk_by_its_surface() -> None:
    assert hot_foam.whisked_w_per_k(0.9) == (0.9, 1.4, 2.2)
    assert hot_foam.whisked_w_per_k(3.6) == pytest.approx((1.8, 2.8, 4.4))
    found = hot_foam.cooling_s(0.9, 1000, 60, 40, 22)
    capacity = 0.9 + 0.8 * 0.5
    assert found.likely == pytest.approx(1000 * capacity * math.log(38 / 18) / 1.4)
    assert found.low == pytest.approx(found.likely * 1.4 / 2.2)
    assert hot_foam.cooling_s(0.9, 1000, 60, 10, 22) == hot_foam.cooling_s(0.9, 1000, 60, 22.5, 22)
    assert hot_foam.cooling_s(0.9, 1000, 40, 40, 22).high == 0
    balance = hot_foam.balance(120, 3.85, 200, 118, 20)
    assert [c.c for c in balance.cool_to] == [45, 40, 30, 26]
    warm = hot_foam.balance(120, 3.85, 200, 118, 20, air_c=29.6)
    assert [c.c for c in warm.cool_to] == [45, 40]


def test_materials_meet_as_their_figures_do() -> None:
    boiled = Material(parts={"sugar": 200, "water": 30}, temperature_c=118)
    whites = Material(parts={"egg-white": 120}, temperature_c=20)
    found = hot_foam.of_materials(boiled, whites)
    direct = hot_foam.balance(
        120, whites.composition.heat_capacity(), 200 * boiled.composition.sugars * 230 / 200, 118, 20
    )
    assert found == direct
    cold = hot_foam.of_materials(Material(parts={"sugar": 200}, temperature_c=5), whites)
    assert cold.peak_c.likely == pytest.approx(20, abs=0.1)


@pytest.mark.parametrize(("celsius", "percent"), [(0, 64.4), (20, 66.6), (50, 72.0), (80, 78.7)])
def test_sugar_dissolves_as_the_tables_say(celsius: float, percent: float) -> None:
    assert saturation_percent(celsius) == pytest.approx(percent, abs=0.35)


@given(st.floats(1.7, 3.0))
def test_from_where_all_of_it_dissolves_the_water_is_saturated(ratio: float) -> None:
    celsius = dissolves_from_c(ratio)
    percent = 100 * ratio / (ratio + 0.88)
    if celsius is None:
        assert saturation_percent(90) < percent
    elif celsius > 5:
        assert saturation_percent(celsius) == pytest.approx(percent, abs=1e-6)
    else:
        assert saturation_percent(5) >= percent


def test_what_dissolves_cold_hot_or_never_is_said() -> None:
    cold = dissolution(1.0)
    assert (cold.dissolves_cold, cold.possible, cold.temperature_c) == (True, True, None)
    hot = dissolution(2.0)
    assert hot.temperature_c is not None
    assert hot.temperature_c.likely == pytest.approx(dissolves_from_c(2.0))
    assert hot.temperature_c.low == pytest.approx(dissolves_from_c(2.0, 0.895))
    assert hot.temperature_c.high == pytest.approx(dissolves_from_c(2.0, 0.865))
    assert (hot.sets_c.low, hot.sets_c.likely, hot.sets_c.high) == (64, 73, 79)
    never = dissolution(5.0)
    assert (never.possible, never.temperature_c, never.dissolves_cold) == (False, None, False)
    assert dissolution(4.0).sets_c == never.sets_c
    for ratio in (-0.1, 6.1):
        with pytest.raises(CraftError):
            dissolution(ratio)


def test_a_syrup_has_its_stage_by_degrees_and_by_the_mountain() -> None:
    for stage in STAGES:
        assert stage_at(stage.from_c) == stage
        assert stage_at(stage.to_c) != stage
    assert stage_at(101.9) is None
    assert stage_at(180) is None
    assert stage_name(118) == "firm ball"
    assert stage_name(100) == ""
    assert stage_name(114, 84.5) == "firm ball"
    assert stages_here(101.325, 121) == ((102, "thread"), (112, "soft ball"), (117, "firm ball"), (121, "hard ball"))
    assert all(
        here < sea for (here, _), (sea, _) in zip(stages_here(84.5, 200), stages_here(101.325, 200), strict=True)
    )


@pytest.mark.parametrize(
    ("percent", "half"),
    [(50, 0.15), (60, 0.15), (70, 0.5), (75.1, 0.8), (85, 1.1), (90, 1.8), (94, 2.8), (96, 4), (99.5, 5)],
)
def test_the_boiling_table_is_less_sure_where_it_is_steep(percent: float, half: float) -> None:
    assert syrup.half_width_k(percent) == half
    found = syrup.boiling(percent)
    assert found.high - found.likely == pytest.approx(half)
    assert found.likely - found.low == pytest.approx(half)


def test_concentrations_and_boiling_points_tell_each_other() -> None:
    for percent in (20, 50, 70, 85, 95):
        assert syrup.concentration_percent(syrup.boiling_c(percent)) == pytest.approx(percent, abs=1e-6)
        assert syrup.concentration_percent(syrup.boiling_c(percent, rise_factor=1.2), 1.2) == pytest.approx(percent)
    assert syrup.concentration_percent(99) == pytest.approx(0, abs=1e-6)
    wide = syrup.concentration(118)
    assert wide.low == pytest.approx(syrup.concentration_percent(118 - syrup.half_width_k(wide.likely)))
    assert wide.high == pytest.approx(syrup.concentration_percent(118 + syrup.half_width_k(wide.likely)))
    for beyond in (-0.1, 99.6):
        with pytest.raises(CraftError):
            syrup.boiling(beyond)


def test_other_sugars_raise_the_boil_by_their_share() -> None:
    mixed = Material(parts={"sugar": 100, "invert-syrup": 100})
    inverts = Material(parts={"invert-syrup": 100}).composition.sugars * 100
    sugar = Material(parts={"sugar": 100}).composition.sugars * 100
    found = syrup.rise_factor(mixed)
    assert found.likely == pytest.approx((sugar + 1.25 * inverts) / (sugar + inverts))
    assert found.high - found.likely == pytest.approx(0.15 * inverts / (sugar + inverts))
    assert syrup.rise_factor(Material(parts={"water": 10})).likely == 1
    assert syrup.rise_factor(Material(parts={"sugar": 10})).high == 1


def test_cold_whites_take_longer_on_the_map_and_warm_syrup_does_not() -> None:
    cold = spot(1.0, Method.FRENCH, temperature_c=10)
    assert cold.whip_s == whipping.whites_s(Whites(mass_g=200, sugar_to_white=1, temperature_c=10), Peak.MEDIUM)
    assert spot(1.7, Method.ITALIAN, temperature_c=125).over_s.likely == pytest.approx(
        spot(1.7, Method.ITALIAN).over_s.likely
    )
