"""What a fold keeps, addition by addition, against the same figures worked out by hand."""

from __future__ import annotations

import math
from itertools import pairwise

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.foams.foam import Foam
from kindwhisk.core.folding.air_kept import kept_by_cup, kept_share
from kindwhisk.core.folding.airy import Airy, additions, in_portions, in_turns, meet, together
from kindwhisk.core.folding.cup import (
    cup_volume_ml,
    density_by_ribbon,
    density_from_cup,
    seconds_of_ribbon,
    told_by_ribbon,
    water_g_per_ml,
    weighed_or_ribbon,
)
from kindwhisk.core.folding.deflating import (
    READY,
    TOO_LOOSE,
    TOO_STIFF,
    density_of_flow,
    flow,
    in_the_oven,
    presses,
    ribbon_s,
    spread_mm,
)
from kindwhisk.core.folding.kept import SPREAD, Manner, fold_keeps, keeps
from kindwhisk.core.folding.plan import FoldSchool, fold_plan, sacrifice
from kindwhisk.core.folding.strokes import strokes
from kindwhisk.core.folding.together import bring_together, fraction_in_words, with_range
from kindwhisk.core.folding.warmth import fat_warmth, fluid_in_words
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.learning.expected import Factor
from kindwhisk.core.values.bands import Place
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate

BASE, FOAM = Airy.at(300, 1.05, 1.13), Airy.at(180, 0.16, 1.15)


def test_the_foam_loses_by_the_contrast_and_by_how_much_it_meets() -> None:
    contrast = math.log(1.05 / 0.16)
    assert fold_keeps(1.05, 0.16) == pytest.approx(1 - 0.08 - 0.22 * contrast)
    assert fold_keeps(0.16, 1.05) == fold_keeps(1.05, 0.16)
    assert fold_keeps(1.05, 0.16, 0.25) == pytest.approx(1 - 0.08 - 0.22 * contrast / 4)
    assert fold_keeps(1.05, 0.16, 4) == fold_keeps(1.05, 0.16, 1)
    assert fold_keeps(0.5, 0.5) == pytest.approx(0.92)
    assert fold_keeps(200, 0.1) == 0


def test_each_manner_keeps_its_own_shares() -> None:
    light, heavy, ratio = 0.16, 1.05, 0.5
    assert keeps(Manner.SACRIFICE, light, heavy, ratio) == (0.5, 0.5)
    assert keeps(Manner.STIR, light, heavy, ratio) == (0.35, 0.35)
    assert keeps(Manner.SIFT_OVER, light, heavy, ratio) == pytest.approx((0.84, 0.94))
    assert keeps(Manner.SIFT_OVER, light, heavy, ratio, parts=3).light == pytest.approx(0.84 ** (1 / 3))
    folded = 1 - 0.08 - 0.22 * math.log(heavy / light) * ratio
    for manner in (Manner.FOLD, Manner.INTO_FOAM):
        assert keeps(manner, light, heavy, ratio) == pytest.approx((folded, 0.94))


@pytest.mark.parametrize("manner", [Manner.FOLD, Manner.INTO_FOAM, Manner.SIFT_OVER])
def test_of_two_alike_contents_both_lose_alike(manner: Manner) -> None:
    same = keeps(manner, 0.4, 0.4, 1)
    assert same.light == pytest.approx(same.heavy)
    half = keeps(manner, 0.4, 0.4 * math.exp(0.175), 1)
    equal = 0.84 if manner is Manner.SIFT_OVER else 0.92
    assert half.heavy == pytest.approx((equal + 0.94) / 2)


@given(st.floats(0.02, 1), st.floats(0.005, 0.05))
def test_strokes_are_what_it_takes_at_so_much_each(kept: float, loss: float) -> None:
    found = strokes(kept, loss)
    needed = max(4.0, math.log(1 / kept) / loss)
    assert found.likely == round(needed)
    assert (found.low, found.high) == (round(needed / 1.4), round(needed * 1.4))


def test_no_addition_takes_fewer_than_four_strokes_and_none_without_end() -> None:
    assert strokes(1.0, 0.016).likely == 4
    assert strokes(0.0, 0.05).likely == round(math.log(50) / 0.05)
    assert strokes(0.5, 0.016) == Estimate(low=31, likely=43, high=61, basis=Basis.HABIT)


def test_a_content_of_a_density_holds_what_is_not_batter() -> None:
    foam = Airy.at(180, 0.16, 1.15)
    assert (foam.free_ml, foam.gas_ml) == pytest.approx((180 / 1.15, 180 / 0.16 - 180 / 1.15))
    assert (foam.volume_ml, foam.density) == pytest.approx((1125, 0.16))
    assert Airy.at(100, 1.3, 1.13).gas_ml == pytest.approx(0)
    assert foam.take(0.25) == pytest.approx((45, 45 / 1.15, foam.gas_ml / 4, False))
    both = together((BASE, FOAM))
    assert both[:3] == pytest.approx((480, BASE.free_ml + FOAM.free_ml, BASE.gas_ml + FOAM.gas_ml))
    assert Airy(0, 0, 0).density == 1.0
    assert together((BASE._replace(dry=True), FOAM)).dry is False
    assert together((BASE._replace(dry=True),)).dry is True
    assert together(()).dry is False


def test_an_addition_leaves_each_gas_its_share() -> None:
    met = meet(BASE, FOAM, Manner.FOLD)
    foam_keeps = 1 - 0.08 - 0.22 * math.log(1.05 / 0.16)
    expected = foam_keeps * FOAM.gas_ml + 0.94 * BASE.gas_ml
    assert met.result.gas_ml == pytest.approx(expected)
    assert met.kept == pytest.approx(expected / (FOAM.gas_ml + BASE.gas_ml))
    assert met.result.mass_g == 480
    assert meet(FOAM, BASE, Manner.FOLD).result.gas_ml == pytest.approx(expected)
    own = meet(BASE, FOAM, Manner.FOLD, parts=2, factor=0.81)
    assert own.result.gas_ml == pytest.approx(0.9 * expected)
    lucky = meet(BASE, FOAM, Manner.FOLD, factor=5)
    assert lucky.result.gas_ml == pytest.approx(FOAM.gas_ml + BASE.gas_ml)
    assert meet(Airy(0, 0, 0), FOAM, Manner.STIR).result == FOAM


def test_portions_meet_what_the_last_one_left() -> None:
    found = in_portions(BASE, FOAM, Manner.FOLD, 3)
    assert [i.added.mass_g for i in found] == pytest.approx([60, 60, 60])
    assert found[0].bowl == BASE
    assert all(b.bowl == a.result for a, b in pairwise(found))
    first = meet(BASE, FOAM.take(1 / 3), Manner.FOLD, 3)
    assert found[0].result == first.result
    assert found[1].result == meet(first.result, FOAM.take(1 / 3), Manner.FOLD, 3).result


def test_in_turns_begins_and_ends_with_the_dry() -> None:
    dry, liquid = Airy(90, 60, 0, True), Airy(60, 60, 0)
    found = in_turns(FOAM, dry, liquid, 3)
    assert [(i.manner, round(i.added.mass_g)) for i in found] == [
        (Manner.SIFT_OVER, 30),
        (Manner.FOLD, 30),
        (Manner.SIFT_OVER, 30),
        (Manner.FOLD, 30),
        (Manner.SIFT_OVER, 30),
    ]
    once = in_turns(FOAM, dry, liquid, 1)
    assert [(i.manner, round(i.added.mass_g)) for i in once] == [(Manner.SIFT_OVER, 90), (Manner.FOLD, 60)]
    assert found[-1].result.mass_g == pytest.approx(330)


def test_the_lightest_with_bubbles_is_the_foam() -> None:
    onto = additions([BASE, FOAM], Manner.FOLD, 2)
    assert [i.added.mass_g for i in onto] == pytest.approx([90, 90])
    into = additions([BASE, FOAM], Manner.INTO_FOAM, 2)
    assert [i.added.mass_g for i in into] == pytest.approx([150, 150])
    assert additions([Airy(10, 10, 0), Airy(5, 5, 0)], Manner.FOLD) == []
    assert additions([FOAM], Manner.FOLD) == []
    dry = Airy(90, 60, 0, True)
    assert {i.manner for i in additions([FOAM, dry], Manner.IN_TURNS, 2)} == {Manner.SIFT_OVER}
    assert {i.manner for i in additions([FOAM, BASE], Manner.IN_TURNS, 2)} == {Manner.INTO_FOAM}
    assert len(additions([FOAM, BASE._replace(gas_ml=0), dry], Manner.IN_TURNS, 2)) == 3


def test_the_sacrifice_is_the_best_share_that_a_search_finds() -> None:
    def kept(share: float) -> float:
        bowl = meet(BASE, FOAM.take(share), Manner.SACRIFICE).result if share else BASE
        return meet(bowl, FOAM.take(1 - share), Manner.FOLD).result.gas_ml / (BASE.gas_ml + FOAM.gas_ml)

    found = sacrifice(BASE, FOAM)
    best = max((i / 50 for i in range(26)), key=kept)
    assert found.high == pytest.approx(best)
    assert found.kept == pytest.approx(kept(best))
    assert found.low == pytest.approx(next(i / 50 for i in range(26) if kept(i / 50) >= 0.985 * kept(best)))
    assert found.low <= found.usual <= found.high
    assert f"{meet(BASE, FOAM.take(found.low), Manner.SACRIFICE).result.density:.2f} g/ml" in found.why


def test_a_light_base_needs_no_sacrifice() -> None:
    light = sacrifice(Airy.at(200, 0.54, 1.1), FOAM)
    assert (light.low, light.high, light.words) == (0, 0, "none")
    assert sacrifice(Airy.at(200, 0.56, 1.1), FOAM).why != light.why


@pytest.mark.parametrize(
    ("school", "number", "manners"),
    [
        (FoldSchool.SACRIFICE, 2, [Manner.SACRIFICE, Manner.FOLD]),
        (FoldSchool.THIRDS, 3, [Manner.FOLD] * 3),
        (FoldSchool.INTO_FOAM, 2, [Manner.INTO_FOAM] * 2),
        (FoldSchool.FLOUR_FIRST, 3, [Manner.SIFT_OVER, Manner.SIFT_OVER, Manner.FOLD]),
        (FoldSchool.IN_TURNS, 5, [Manner.SIFT_OVER, Manner.FOLD] * 2 + [Manner.SIFT_OVER]),
    ],
)
def test_a_school_adds_in_its_own_order(school: FoldSchool, number: int, manners: list[Manner]) -> None:
    plan = fold_plan(BASE, FOAM, school)
    assert [a.manner for a in plan.additions] == manners
    assert len(plan.additions) == number
    assert sum(a.mass_g for a in plan.additions) == pytest.approx(
        180 if school in {FoldSchool.SACRIFICE, FoldSchool.THIRDS} else 300
    )
    gas = plan.air_kept.likely * (BASE.gas_ml + FOAM.gas_ml)
    assert plan.volume_ml.likely == pytest.approx(gas + BASE.free_ml + FOAM.free_ml)
    assert plan.density_g_per_ml.likely == pytest.approx(480 / plan.volume_ml.likely)
    assert plan.air_kept.low == pytest.approx(plan.air_kept.likely * (1 - SPREAD))


def test_a_plan_takes_what_it_is_told() -> None:
    told = fold_plan(BASE, FOAM, spend=0.3, portions=3)
    assert told.sacrifice_fraction == 0.3
    assert [a.mass_g for a in told.additions] == pytest.approx([54, 63, 63])
    assert fold_plan(BASE, FOAM, portions=1).sacrifice_fraction == 0
    assert [a.manner for a in fold_plan(BASE, FOAM, FoldSchool.FLOUR_FIRST, dry_share=0).additions] == [Manner.FOLD]
    assert {a.manner for a in fold_plan(BASE, FOAM, FoldSchool.FLOUR_FIRST, dry_share=1).additions} == {
        Manner.SIFT_OVER
    }
    for base, foam in ((FOAM, BASE), (BASE, Airy(10, 10, 0)), (FOAM, FOAM)):
        with pytest.raises(CraftError, match="not lighter"):
            fold_plan(base, foam)


def test_a_cup_of_the_batter_tells_what_is_left() -> None:
    plan = fold_plan(BASE, FOAM)
    volume = BASE.free_ml + FOAM.free_ml + 0.6 * (BASE.gas_ml + FOAM.gas_ml)
    assert kept_share((BASE, FOAM), 480 / volume) == pytest.approx(0.6)
    assert kept_share((BASE, FOAM), 1.5) == 0
    assert kept_share((Airy(10, 9, 0),), 1) == 0
    seen = kept_by_cup(BASE, FOAM, plan, 480 / volume)
    assert seen.air_kept.likely == pytest.approx(0.6)
    assert seen.air_kept.low < 0.6 < seen.air_kept.high
    thick = (480 / (480 / volume * 1.03) - BASE.free_ml - FOAM.free_ml) / (
        BASE.gas_ml + 180 / (0.16 * 0.97) - FOAM.free_ml
    )
    assert seen.air_kept.low == pytest.approx(thick)


@pytest.mark.parametrize(
    ("share", "place", "starts"),
    [(0.4, Place.LOW, "Stop here"), (0.0, Place.WITHIN, "Fill"), (0.97, Place.HIGH, "Look for")],
)
def test_a_fold_is_judged_by_its_range(share: float, place: Place, starts: str) -> None:
    plan = fold_plan(BASE, FOAM)
    kept = share or plan.air_kept.likely
    density = 480 / (BASE.free_ml + FOAM.free_ml + kept * (BASE.gas_ml + FOAM.gas_ml))
    found = kept_by_cup(BASE, FOAM, plan, density)
    assert found.place is place
    assert found.can_do.startswith(starts)
    assert found.verdict.startswith(f"{kept:.0%} of the air kept, {plan.air_kept.likely:.0%} expected")


def test_a_batter_lighter_than_its_parts_is_a_slip() -> None:
    with pytest.raises(CraftError) as caught:
        kept_by_cup(BASE, FOAM, fold_plan(BASE, FOAM), 0.2)
    assert caught.value.field == "measured_density_g_per_ml"


def test_gas_left_errs_by_its_start_and_by_the_fold() -> None:
    start = Estimate(low=900, likely=1000, high=1150, basis=Basis.MODEL)
    found = with_range(500, start)
    assert found.high == pytest.approx(500 * (1 + math.hypot(SPREAD, 0.15)))
    assert found.low == pytest.approx(500 * (1 - math.hypot(SPREAD, 0.1)))
    assert (found.basis, found.bakes) == (Basis.HABIT, 0)
    assert with_range(1100, start).high == 1150
    assert math.log(1 + SPREAD) == pytest.approx(1.4 * math.sqrt(0.12**2 + 0.07**2 + 0.06**2 + 0.10**2))
    own = with_range(500, start, Factor(factor=0.9, log_sd=0.1, bakes=3))
    assert own.high == pytest.approx(500 * (1 + math.hypot(math.exp(0.14) - 1, 0.15)))
    assert (own.basis, own.bakes) == (Basis.KITCHEN, 3)


@pytest.mark.parametrize(
    ("share", "words"),
    [
        (0.2, "a fifth"),
        (0.333, "a third"),
        (0.345, "a third"),
        (0.36, "36%"),
        (0.985, "all"),
        (0.98, "98%"),
        (0.75, "three quarters"),
    ],
)
def test_shares_are_said_as_a_baker_says_them(share: float, words: str) -> None:
    assert fraction_in_words(share) == words


def _of(parts: dict[str, float], gas: float = 0.0, celsius: float = 20.0) -> Material:
    bare = Material(parts=parts, temperature_c=celsius)
    return bare.with_gas(Estimate.around(gas, 0.1)) if gas else bare


def test_what_meets_is_called_by_what_it_is_made_of() -> None:
    whites = _of({"egg-white": 120, "sugar": 60}, 600)
    for other, base in (
        ({"plain-flour": 60.0}, "dry goods"),
        ({"butter": 60.0}, "fat"),
        ({"egg-yolk": 60.0, "milk": 40.0, "plain-flour": 50.0}, "base"),
    ):
        made = bring_together([whites, _of(other)], Manner.FOLD)
        assert made.additions[0].what == "all of the meringue"
        assert made.additions[0].into == f"the {base}"
        assert made.mixture.mass_g == pytest.approx(180 + sum(other.values()))
        assert made.mixture.gas_ml.likely < 600


def test_nothing_meets_where_nothing_holds_air() -> None:
    made = bring_together([_of({"milk": 50}), _of({"plain-flour": 50})], Manner.STIR)
    assert made.additions == ()
    assert made.mixture.gas_ml.likely == 0


@pytest.mark.parametrize(("celsius", "warns"), [(27.9, "streaks"), (28.0, ""), (65.0, ""), (65.1, "breaks")])
def test_butter_is_fluid_between_setting_and_breaking(celsius: float, warns: str) -> None:
    butter = _of({"butter": 50}, celsius=celsius)
    found = fat_warmth(butter)
    assert (found.text if found else "").count(warns or "nothing at all") == (1 if warns else 0)
    assert (found is None) is (not warns)
    assert "40 to 55 °C" in fluid_in_words(butter)


def test_little_fat_is_a_base_and_oil_never_sets() -> None:
    assert fat_warmth(_of({"butter": 40, "milk": 60}, celsius=5)) is None
    assert fat_warmth(_of({"butter": 41, "milk": 59}, celsius=5)) is not None
    assert fat_warmth(_of({"sunflower-oil": 100}, celsius=5)) is None
    assert fluid_in_words(_of({"butter": 40, "milk": 60})) == ""


def test_a_batter_that_is_pressed_flows_as_its_rows_say() -> None:
    assert flow(0.85) == (25, 4)
    assert flow(0.8) == pytest.approx((33.5, 3))
    assert flow(0.5) == (90, 0)
    assert flow(1.2) == (6, 11)
    assert density_of_flow(25).likely == pytest.approx(0.85)
    assert density_of_flow(33.5).likely == pytest.approx(0.8)
    assert density_of_flow(25).high == pytest.approx(0.935)
    band = Estimate(low=0.75, likely=0.85, high=0.95, basis=Basis.HABIT)
    assert ribbon_s(band) == (13, 42)
    assert spread_mm(band) == (2, 7)
    for density, said in ((0.749, TOO_STIFF), (0.75, READY), (0.95, READY), (0.951, TOO_LOOSE)):
        assert in_the_oven(density, band) is said


def test_presses_take_out_what_is_too_much() -> None:
    found = presses(300, 240, 0.7, 0.85)
    now, then = 300 / 0.7 - 240, 300 / 0.85 - 240
    assert found.likely == round(math.log(now / then) / 0.02)
    assert presses(300, 240, 0.9, 0.85).likely == 0
    assert presses(300, 240, 0.85, 0.85).likely == 0


def test_a_cup_is_weighed_full_and_empty() -> None:
    assert density_from_cup(95, 45, 125) == pytest.approx(0.4)
    for full, empty in ((45, 45), (40, 45)):
        with pytest.raises(CraftError) as caught:
            density_from_cup(full, empty, 125)
        assert caught.value.field == "full_g"
    with pytest.raises(CraftError):
        density_from_cup(1095, 45, 125)


@pytest.mark.parametrize(("celsius", "density"), [(4, 0.99997), (20, 0.99821), (25, 0.99705), (60, 0.98320)])
def test_water_weighs_what_the_tables_say(celsius: float, density: float) -> None:
    assert water_g_per_ml(celsius) == pytest.approx(density, abs=2e-5)


def test_a_cup_holds_its_water() -> None:
    assert cup_volume_ml(45, 45 + 124.776, 20) == pytest.approx(125, abs=0.01)
    for empty, full, celsius, field in ((45, 45, 20, "water_g"), (45, 100, 0.9, "water_c"), (45, 100, 60.1, "water_c")):
        with pytest.raises(CraftError) as caught:
            cup_volume_ml(empty, full, celsius)
        assert caught.value.field == field
    assert cup_volume_ml(45, 100, 1) > 54 < cup_volume_ml(45, 100, 60)


def test_a_ribbon_tells_what_its_rows_say_and_back() -> None:
    assert density_by_ribbon(Foam.RIBBON, 5).likely == pytest.approx(0.31)
    assert density_by_ribbon(Foam.RIBBON, 4).likely == pytest.approx(0.345)
    assert density_by_ribbon(Foam.RIBBON, 5).low == pytest.approx(0.31 / 1.15)
    assert seconds_of_ribbon(Foam.RIBBON, 0.345) == pytest.approx(4)
    assert density_by_ribbon(Foam.GENOISE_BATTER, 6).likely == pytest.approx(0.43)
    assert density_by_ribbon(Foam.SHELL_BATTER, 25).likely == pytest.approx(0.85)
    assert seconds_of_ribbon(Foam.SHELL_BATTER, 0.85) == 25
    told = [told_by_ribbon(f) for f in (Foam.SHELL_BATTER, Foam.ROLL_BATTER, Foam.CREAM, None)]
    assert told == [True, True, False, False]
    with pytest.raises(CraftError, match="no ribbon"):
        density_by_ribbon(Foam.CREAM, 5)
    band = Estimate(low=0.25, likely=0.28, high=0.31, basis=Basis.HABIT)
    assert weighed_or_ribbon(Foam.RIBBON, band) == "Level cup, weighed; without a scale: a ribbon lies 5 to 8 s."
    assert weighed_or_ribbon(Foam.CREAM, band) == "Level cup, weighed."


def test_no_fold_keeps_more_than_all() -> None:
    near = fold_plan(Airy.at(200, 0.30, 1.1), Airy.at(20, 0.28, 1.15), FoldSchool.THIRDS, portions=1)
    assert 0.9 < near.air_kept.likely < 1
    assert near.air_kept.high == 1.0
