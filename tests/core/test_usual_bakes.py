"""Minutes where nothing was timed: beside usual bakes of the trade, drying as drying, water felt without a jump."""

from __future__ import annotations

import itertools
import math
from collections import defaultdict

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from benchmarks.usual_bakes import UsualBake, held, usual_bakes
from kindwhisk.core.baking.course import InOven, conducts_w_per_mk
from kindwhisk.core.baking.drying import LEFT_WATER, dry, texture, usual_s
from kindwhisk.core.baking.predict import done_s, predict
from kindwhisk.core.baking.reference import ReferenceBake, family
from kindwhisk.core.baking.risks import RiskKind, risks
from kindwhisk.core.baking.usual import USUAL, usual

BAKES = list(usual_bakes())
BY_KIND = {b.kind: b for b in BAKES}


def test_the_table_is_wide_enough_to_lean_on() -> None:
    assert len(BAKES) >= 60
    assert len(BY_KIND) == len(BAKES)
    assert 0.3 < sum(b.aside for b in BAKES) / len(BAKES) < 0.4
    assert {family(b.content) for b in BAKES} == set(USUAL)
    assert all(1.1 < b.high / b.low < 1.7 for b in BAKES)


@pytest.mark.parametrize("aside", [True, False])
def test_usual_bakes_are_in_range(aside: bool) -> None:
    some = [b for b in BAKES if b.aside is aside]
    assert sum(held(b) for b in some) / len(some) >= 0.85


def test_no_family_leans_to_one_side() -> None:
    off: dict[str, list[float]] = defaultdict(list)
    for bake in BAKES:
        off[family(bake.content)].append(math.log(predict(bake.content).done_s.likely / 60 / bake.middle))
    assert all(abs(sum(logs) / len(logs)) < 0.08 for logs in off.values()), off


def test_a_disc_of_meringue_is_not_dry_in_twenty_minutes() -> None:
    told = predict(BY_KIND["disc 200"].content)
    assert 75 * 60 < told.done_s.likely < 120 * 60
    lost = told.course.at(20.6 * 60).lost
    assert texture((0.33 - lost) / (1 - lost)) in {"wet", "crusted, soft within"}
    names = [t.name for t in told.textures]
    assert names == ["crusted, soft within", "leathery in the middle", "dry through"]
    assert all(a.from_s.likely < b.from_s.likely for a, b in itertools.pairwise(told.textures))
    assert told.textures[-1].from_s.likely == pytest.approx(told.done_s.likely, rel=0.01)
    assert all(t.from_s.low < t.from_s.likely < t.from_s.high for t in told.textures)
    assert predict(BY_KIND["roll 12"].content).textures == ()


@given(st.floats(3, 15), st.floats(0.15, 0.5), st.floats(75, 125), st.floats(0.2, 0.45))
def test_drying_follows_its_laws(thickness: float, density: float, oven_c: float, water: float) -> None:
    def takes(**changed: float) -> float:
        figures = {"thickness_mm": thickness, "density": density, "water": water, "oven": oven_c, "fan": 0.0} | changed
        held_at = figures["oven"]
        done = dry(
            thickness_mm=figures["thickness_mm"],
            density=figures["density"],
            water=figures["water"],
            start_c=22,
            fan=bool(figures["fan"]),
            oven=lambda _: held_at,
            longest_s=1e6,
        ).done_s
        assert done is not None
        return done

    plain = takes()
    assert takes(thickness_mm=thickness * 1.5) > plain
    assert takes(density=density * 1.3) > plain
    assert takes(water=water + 0.05) > plain
    assert takes(oven=oven_c + 10) < plain
    assert takes(fan=1) < plain
    assert takes(water=0.33) == pytest.approx(usual_s(thickness, density, oven_c, fan=False), rel=1e-6)


@given(st.floats(0.1, 0.5))
def test_what_dries_keeps_its_dry_matter_and_never_takes_water_up(water: float) -> None:
    way = dry(
        thickness_mm=8, density=0.3, water=water, start_c=22, fan=False, oven=lambda _: 100.0, longest_s=1e6
    ).points
    lost = [p[5] for p in way]
    assert all(b > a for a, b in itertools.pairwise(lost))
    assert (water - lost[-1]) / (1 - lost[-1]) == pytest.approx(LEFT_WATER)


def wet(water: float) -> InOven:
    return BY_KIND["genoise round 20"].content.model_copy(update={"water": water})


@settings(max_examples=15)
@given(st.floats(0.15, 0.58))
def test_water_is_felt_and_never_jumps(water: float) -> None:
    here, there = done_s(wet(round(water, 2))), done_s(wet(round(water, 2) + 0.01))
    assert abs(there / here - 1) < 0.025


def test_rich_and_wet_batters_take_longer_than_usual_ones() -> None:
    usual_water = done_s(wet(0.33))
    assert done_s(wet(0.20)) > 1.05 * usual_water
    assert done_s(wet(0.60)) > 1.03 * usual_water
    assert conducts_w_per_mk(0.33, 0.45) == pytest.approx(0.32)
    assert conducts_w_per_mk(0.20, 0.45) == pytest.approx(0.24)
    assert conducts_w_per_mk(0.33, 0.85) > conducts_w_per_mk(0.33, 0.45)


def timed(bake: UsualBake, minutes: float) -> ReferenceBake:
    own = bake.content
    return ReferenceBake(
        tin=own.tin, fill_mm=own.fill_mm, oven_c=own.air.holds_c, mode=own.mode, minutes=minutes, density=own.density
    )


@pytest.mark.parametrize(("minutes", "asked"), [(4, True), (400, True), (28, False), (40, False), (20, False)])
def test_an_absurd_timed_bake_is_asked_about(minutes: float, asked: bool) -> None:
    bake = BY_KIND["genoise round 20"]
    found = risks(bake.content, predict(bake.content, timed(bake, minutes)))
    told = [r for r in found if r.kind is RiskKind.REFERENCE]
    assert bool(told) is asked
    assert all("Are its minutes" in r.lever for r in told)


def test_a_meringue_that_was_taken_out_early_is_said_to_be_leathery() -> None:
    bake = BY_KIND["kisses 45"]
    for minutes, like in ((55, "crusted, soft within"), (85, "leathery in the middle")):
        short = risks(bake.content, predict(bake.content, timed(bake, minutes)))
        (told,) = (r for r in short if r.kind is RiskKind.LEATHERY)
        assert like in told.why
    long = risks(bake.content, predict(bake.content, timed(bake, 115)))
    assert RiskKind.LEATHERY not in {r.kind for r in long}


def test_from_a_round_that_was_timed_a_sheet_is_foretold_by_both_families() -> None:
    cake, sheet = BY_KIND["genoise round 20"], BY_KIND["sheet 20"]
    told = predict(sheet.content, timed(cake, cake.middle)).done_s
    assert told.low / 60 < sheet.middle < told.high / 60
    assert usual("sheet").factor > usual("round and square").factor
    assert usual("something unheard of").spread > usual("sheet").spread
