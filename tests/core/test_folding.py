"""Foams that wait, fold, are weighed and pressed: the reference values, and the laws that hold for all of them."""

from __future__ import annotations

import math

import pytest
from hypothesis import assume, example, given
from hypothesis import strategies as st

from kindwhisk.core.foams.ageing import ageing, air_lost
from kindwhisk.core.foams.foam import Foam, hold_s
from kindwhisk.core.folding import cup, deflating, strokes
from kindwhisk.core.folding.air_kept import kept_by_cup, kept_share
from kindwhisk.core.folding.airy import Airy, additions, together
from kindwhisk.core.folding.kept import Manner, fold_keeps
from kindwhisk.core.folding.plan import FoldSchool, fold_plan, sacrifice
from kindwhisk.core.folding.together import bring_together, fraction_in_words
from kindwhisk.core.folding.warmth import fat_warmth, fluid_in_words
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.values.bands import Place
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from tests.core.strategies import materials

BASE, FOAM = Airy.at(250, 1.129, 1.129), Airy.at(200, 0.15, 1.15)
bases = st.builds(Airy.at, st.floats(20, 2000), st.floats(0.5, 1.4), st.floats(1.0, 1.4))
foams = st.builds(Airy.at, st.floats(20, 2000), st.floats(0.1, 0.45), st.floats(1.0, 1.3))
schools = st.sampled_from(list(FoldSchool))


def test_the_reference_fold_comes_out() -> None:
    plan = fold_plan(BASE, FOAM, FoldSchool.SACRIFICE, spend=0.30)
    assert plan.additions[0].density_g_per_ml.likely == pytest.approx(0.693, abs=0.003)
    assert plan.air_kept.likely == pytest.approx(0.549, abs=0.002)


def test_the_optimum_is_flat_and_told_as_a_fraction() -> None:
    advice = sacrifice(BASE, FOAM)
    assert 0.15 < advice.low < 0.28 < advice.high < 0.45
    assert "third" in advice.words
    assert advice.low <= advice.usual <= advice.high
    near = sacrifice(Airy.at(250, 0.45, 1.1), FOAM)
    assert (near.low, near.high, near.words) == (0, 0, "none")


@given(bases, foams, schools, st.integers(1, 6), st.floats(0, 1))
def test_every_school_conserves_mass_and_lands_between(
    base: Airy, foam: Airy, school: FoldSchool, portions: int, dry: float
) -> None:
    assume(foam.density < base.density and foam.gas_ml > 0)
    plan = fold_plan(base, foam, school, portions, dry_share=dry)
    last = plan.additions[-1]
    whole = together((base, foam))
    assert last.density_g_per_ml.likely * last.volume_ml.likely == pytest.approx(whole.mass_g)
    assert foam.density - 1e-9 <= last.density_g_per_ml.likely <= whole.mass_g / whole.free_ml + 1e-9
    assert 0 <= plan.air_kept.likely <= 1
    assert all(
        a.strokes.likely >= 1 and a.volume_ml.low <= a.volume_ml.likely <= a.volume_ml.high for a in plan.additions
    )


@example(Airy.at(255, 0.534, 1.0625), Airy.at(20, 0.2, 1.25), Manner.INTO_FOAM, 4, 0.995)
@given(bases, foams, st.sampled_from(list(Manner)), st.integers(1, 5), st.floats(0.3, 1.0))
def test_more_loss_never_raises_the_volume(base: Airy, foam: Airy, manner: Manner, number: int, factor: float) -> None:
    assume(foam.density < base.density)
    careful = additions((base, foam), manner, number)
    rough = additions((base, foam), manner, number, factor)
    assert rough[-1].result.volume_ml <= careful[-1].result.volume_ml + 1e-9


@given(st.floats(0.5, 1.4), st.floats(0.1, 0.45), st.floats(1.0, 1.5))
def test_the_further_apart_the_densities_the_more_air_a_fold_costs(base: float, foam: float, further: float) -> None:
    assert fold_keeps(base * further, foam) <= fold_keeps(base, foam) + 1e-12


@given(st.sampled_from(list(Manner)), materials(airy=True), materials(), st.integers(1, 4))
def test_folding_conserves_mass_and_makes_no_air(manner: Manner, airy: Material, base: Material, number: int) -> None:
    mixed = bring_together([base, airy], manner, number).mixture
    assert mixed.mass_g == pytest.approx(base.mass_g + airy.mass_g)
    before = base.gas_ml.plus(airy.gas_ml)
    assert 0 <= mixed.gas_ml.likely <= before.likely + 1e-6
    assert mixed.gas_ml.high <= before.high + 1e-6


def test_a_foam_that_is_no_foam_is_refused() -> None:
    with pytest.raises(CraftError, match="not lighter than the base"):
        fold_plan(FOAM, BASE)


@pytest.mark.parametrize(("measured", "place"), [(0.43, Place.WITHIN), (0.60, Place.LOW), (0.33, Place.HIGH)])
def test_a_cup_of_the_batter_judges_the_fold(measured: float, place: Place) -> None:
    plan = fold_plan(BASE, FOAM)
    seen = kept_by_cup(BASE, FOAM, plan, measured)
    assert seen.place is place
    assert seen.air_kept.low < seen.air_kept.likely < seen.air_kept.high
    exact = kept_by_cup(BASE, FOAM, plan, plan.density_g_per_ml.likely)
    assert exact.air_kept.likely == pytest.approx(plan.air_kept.likely, abs=1e-6)


def test_more_air_than_there_was_is_refused_by_name() -> None:
    with pytest.raises(CraftError) as error:
        kept_by_cup(BASE, FOAM, fold_plan(BASE, FOAM), 0.12)
    assert error.value.field == "measured_density_g_per_ml"
    assert kept_share((BASE, FOAM), 1.4) == 0


@given(st.floats(0.3, 0.98), st.integers(5, 80))
def test_strokes_and_their_cost_belong_together(kept: float, number: int) -> None:
    loss = -math.log(kept) / number
    assert strokes.strokes(kept, loss).likely == pytest.approx(max(number, strokes.FEWEST), abs=1)


def test_fractions_are_said_as_bakers_do() -> None:
    assert [fraction_in_words(s) for s in (0.25, 1 / 3, 0.3, 0.61, 1.0)] == [
        "a quarter", "a third", "three tenths", "61%", "all",
    ]  # fmt: skip


def test_cold_and_hot_butter_are_told_before_the_fold() -> None:
    butter = Material(parts={"butter": 60})
    assert (cold := fat_warmth(butter.at(22))) is not None
    assert "sets" in cold.text
    assert (hot := fat_warmth(butter.at(80))) is not None
    assert "breaks bubbles" in hot.text
    assert fat_warmth(butter.at(46)) is None
    assert "40 to 55 °C; it comes at 46" in fluid_in_words(butter.at(46))
    assert fluid_in_words(Material(parts={"oil-neutral": 60})) == ""
    assert fat_warmth(Material(parts={"oil-neutral": 60}, temperature_c=5)) is None


@given(st.floats(0.5, 0.74), st.floats(100, 1000))
def test_pressing_ends_at_its_target(before: float, mass: float) -> None:
    free = mass / 1.25
    number = deflating.presses(mass, free, before, 0.85).likely
    gas = (mass / before - free) * math.exp(-strokes.PRESSED_LOSS * number)
    assert mass / (free + gas) == pytest.approx(0.85, abs=0.02)
    assert deflating.presses(mass, free, 0.9, 0.85).likely == 0


def test_too_little_and_too_much_are_told_by_what_the_oven_does() -> None:
    target = Estimate(low=0.75, likely=0.85, high=0.95, basis=Basis.HABIT)
    told = [deflating.in_the_oven(d, target) for d in (0.66, 0.85, 1.02)]
    assert [t.place for t in told] == [Place.LOW, Place.WITHIN, Place.HIGH]
    assert "crack" in told[0].means
    assert "flat" in told[2].means
    quick, slow = deflating.ribbon_s(target)
    assert 8 < quick < deflating.flow(0.85)[0] < slow < 60


@pytest.mark.parametrize("foam", [Foam.RIBBON, Foam.GENOISE_BATTER, Foam.SHELL_BATTER])
@pytest.mark.parametrize("seconds", [7.0, 9.0, 14.0])
def test_a_ribbon_stands_for_a_density_and_back(foam: Foam, seconds: float) -> None:
    seen = cup.density_by_ribbon(foam, seconds)
    assert seen.high / seen.low > 1.15
    assert cup.seconds_of_ribbon(foam, seen.likely) == pytest.approx(seconds, rel=0.01)


def test_a_meringue_has_no_ribbon() -> None:
    with pytest.raises(CraftError, match="makes no ribbon"):
        cup.density_by_ribbon(Foam.FRENCH_MERINGUE, 5)


def test_a_cup_is_measured_once_with_water() -> None:
    assert cup.cup_volume_ml(38, 157.8, 20) == pytest.approx(120.0, abs=0.1)
    assert cup.water_g_per_ml(4) == pytest.approx(1.0, abs=1e-4)
    assert cup.water_g_per_ml(25) == pytest.approx(0.99705, abs=1e-4)
    with pytest.raises(CraftError) as error:
        cup.cup_volume_ml(40, 38)
    assert error.value.field == "water_g"
    assert cup.density_from_cup(62, 38, 120) == pytest.approx(0.2)
    with pytest.raises(CraftError, match="must weigh more"):
        cup.density_from_cup(38, 38, 120)


@given(st.sampled_from([f for f in Foam if f is not Foam.FRENCH_MERINGUE]), st.floats(0, 7200), st.floats(1, 3600))
def test_a_foam_that_waits_longer_has_lost_more(foam: Foam, waited: float, longer: float) -> None:
    window = hold_s(foam)
    one, other = air_lost(waited, window), air_lost(waited + longer, window)
    assert 0 <= one.low <= one.likely <= one.high <= 1
    assert one.likely <= other.likely
    assert air_lost(window.likely, window).likely == pytest.approx(0.10)
    assert ageing(foam).sign


def test_what_can_be_restored_is_told_apart_from_what_cannot() -> None:
    assert ageing(Foam.ITALIAN_MERINGUE).can
    assert not ageing(Foam.CHIFFON_BATTER).can
    assert not ageing(Foam.SHELL_BATTER).can
