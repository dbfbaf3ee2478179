"""Resting, cooling and the cues of a bake, by value."""

from __future__ import annotations

import math
from dataclasses import replace

import pytest

from kindwhisk.core.foams import hot_foam
from kindwhisk.core.folding.kept import Manner
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.ovens.place import OvenMode
from kindwhisk.core.piping.deposit import TRAY_S, seconds_each
from kindwhisk.core.process.folds import fold_courses
from kindwhisk.core.process.forecast import forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.whip import SugarSchool, WhipStep
from kindwhisk.core.process.walk import walk
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.demo.formulas import demo_formulas, tea_chiffon
from tests.core.strategies import setting_of

PLACE = setting_of(tea_chiffon())
AIR = PLACE.kitchen.air_c


@pytest.mark.parametrize("minutes", [5, 30, 120])
def test_a_rest_lasts_as_long_as_it_says_and_drifts_toward_the_air(minutes: float) -> None:
    step = RestStep(id="r", title="Rest", vessel="bowl", inputs=(), minutes=minutes)
    warm = Material(parts={"milk": 200}, temperature_c=60)
    made = step.effect((warm,), PLACE)
    lasts = made.duration_s
    assert (lasts.likely, lasts.high / lasts.likely) == pytest.approx((60 * minutes, 1.05))
    assert lasts.low * 1.05 == pytest.approx(60 * minutes)
    assert lasts.basis is Basis.FORMULA
    longer = RestStep(id="r", title="Rest", vessel="bowl", inputs=(), minutes=2 * minutes).effect((warm,), PLACE)
    once, twice = (m.material.temperature_c - AIR for m in (made, longer))
    assert twice / (60 - AIR) == pytest.approx((once / (60 - AIR)) ** 2)


@pytest.mark.parametrize("above", [4.0, 15.0])
def test_a_cake_cools_along_its_curve_to_so_much_above_the_air(above: float) -> None:
    step = CoolStep(id="c", title="Cool", vessel="rack", inputs=(), above_air_k=above)
    hot = Material(parts={"plain-flour": 200, "sugar": 100}, temperature_c=95, browning=0.5)
    hot = hot.with_gas(Estimate.exact(600))
    made = step.effect((hot,), PLACE)
    lasts = made.duration_s.likely
    watching = step.watching(hot, made.material, PLACE)
    assert watching is not None
    tau = lasts / math.log((95 - AIR) / above)
    for t in range(0, 1500, 60):
        watching.take(t, AIR + (95 - AIR) * math.exp(-t / tau))
    found = watching.view(1440)
    assert found.left_s is not None
    assert found.left_s.likely == pytest.approx(lasts - 1440, rel=0.05)
    assert [round(p.c, 1) for p in found.ahead][-1] == pytest.approx(AIR + above, abs=0.1)


@pytest.mark.parametrize(
    ("sugar", "grams", "warned"),
    [
        (SugarSchool.START, 70, True),
        (SugarSchool.START, 50, False),
        (SugarSchool.THIRDS, 70, False),
    ],
)
def test_much_sugar_at_the_start_is_warned_of(sugar: SugarSchool, grams: float, warned: bool) -> None:
    step = WhipStep(id="w", title="Whip", vessel="bowl", inputs=(), sugar=sugar)
    made = step.effect((Material(parts={"egg-white": 100, "sugar": grams}, temperature_c=20),), PLACE)
    said = [n.text for n in made.notices if "all at the start, whips slowly" in n.text]
    assert [float(text.split()[0]) for text in said] == pytest.approx([grams / 100] if warned else [], abs=0.011)
    yolks = step.effect((Material(parts={"egg-yolk": 100, "sugar": grams}, temperature_c=20),), PLACE)
    assert not any("at the start" in n.text for n in yolks.notices)


@pytest.mark.parametrize("formula", demo_formulas(), ids=lambda f: f.id)
def test_the_cues_of_a_bake_are_its_turn_and_its_cover_in_order(formula: Formula) -> None:
    for mode in OvenMode:
        place = setting_of(formula)
        for step in forecast(formula, replace(place, oven=place.oven.model_copy(update={"mode": mode}))).steps:
            if step.kind != "bake":
                continue
            assert step.bake is not None
            told = {c.id: c for c in step.cues}
            assert [c.after_s.likely for c in step.cues] == sorted(c.after_s.likely for c in step.cues)
            expected = {"turn": step.bake.turn_s, "cover": step.bake.cover_s}
            assert {i: c.after_s for i, c in told.items()} == {i: t for i, t in expected.items() if t is not None}
            assert all(0 < c.after_s.likely < step.duration_s.likely for c in step.cues)
            assert all(c.after_s.low < c.after_s.likely < c.after_s.high for c in step.cues)


@pytest.mark.parametrize("formula", demo_formulas(), ids=lambda f: f.id)
def test_a_fold_tells_what_was_sacrificed_where_its_first_portion_was(formula: Formula) -> None:
    for course in fold_courses(walk(formula, setting_of(formula))):
        first = formula.step(course.steps[0])
        spends = isinstance(first, FoldStep) and first.manner is Manner.SACRIFICE
        assert (course.sacrificed > 0) == spends
        assert (course.sacrifice is not None) <= spends
        assert course.foam_g_per_ml < course.base_g_per_ml
        if spends:
            assert 0.1 < course.sacrificed < 0.6
            assert course.air_kept.low <= course.air_kept.likely <= course.air_kept.high <= 1


def test_a_meringue_cools_under_the_whisk_by_what_is_in_it_and_its_bowl() -> None:
    step = StreamStep(id="s", title="Stream", vessel="bowl", inputs=(), until_c=40)
    hot = Material(parts={"egg-white": 100, "sugar": 150, "water": 30}, temperature_c=60)
    watching = step.watching(hot, hot, PLACE)
    content = 0.28 * hot.composition.heat_capacity()
    steel = PLACE.kitchen.mixers[0].bowl_g / 1000 * 0.50 * hot_foam.COOLING_BOWL_SHARE
    slow, likely, fast = hot_foam.whisked_w_per_k(content)
    assert slow < likely < fast
    assert (watching.surroundings_c, watching.target_c) == (AIR, 40)
    assert watching.expected_tau_s == pytest.approx(1000 * (content + steel) / likely)
    assert watching.egg is not None
    assert (watching.egg.white, watching.egg.yolk) == (True, False)
    assert watching.egg.sugar_to_egg == pytest.approx(1.5)


def test_what_is_piped_without_a_tray_of_its_own_stands_on_one() -> None:
    formula = next(f for f in demo_formulas() if f.id == "kisses")
    step = next(s for s in formula.steps if isinstance(s, PipeStep))
    foam = Material(parts={"egg-white": 100, "sugar": 150}).with_gas(Estimate.exact(500))
    bare = setting_of(formula)
    pieces = step.fills(foam, bare, leads=True)
    each = 250 / pieces.count
    assert pieces.trays is not None
    for trays in (None, pieces.trays, 7):
        made = step.effect((foam,), replace(bare, tins=replace(pieces, trays=trays, on_shelf=5)))
        number = trays or 1
        by_hand = TRAY_S * number + pieces.count * seconds_each(each).likely
        assert made.duration_s.likely == pytest.approx(by_hand)
        assert made.goal == (f"{pieces.count} × {each:.1f} g" if each < 10 else f"{pieces.count} × {each:.0f} g")
        assert f"on {'one tray' if number == 1 else f'{number} trays'}" in made.do
        assert bool(made.notices) == (number > 5)
