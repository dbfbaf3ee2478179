"""Predictions, looks and risks of a bake, and a probe that is followed, against values worked out by hand."""

from __future__ import annotations

import math
from typing import Any

import pytest

from kindwhisk.core.baking import predict as predicting
from kindwhisk.core.baking.asked import Asked
from kindwhisk.core.baking.carry_over import carried_over, carry_over
from kindwhisk.core.baking.cooling import Hot, cooling
from kindwhisk.core.baking.cools import cooling_after
from kindwhisk.core.baking.course import Course, CoursePoint, InOven, Sets, course
from kindwhisk.core.baking.follow import CrumbFollower
from kindwhisk.core.baking.predict import Prediction, predict, stretched
from kindwhisk.core.baking.reference import ReferenceBake, family
from kindwhisk.core.baking.risks import RiskKind, risks
from kindwhisk.core.baking.usual import usual
from kindwhisk.core.ovens.air import Opening, OvenAir
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, RoundDimensions, RoundTin
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis, Estimate
from kindwhisk.core.values.technique import Technique
from kindwhisk.core.warmth.cooling import How

ROUND = RoundTin(dimensions=RoundDimensions(diameter_mm=200, depth_mm=80))
SHEET = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=400, depth_mm=25))
REFERENCE = ReferenceBake(tin=ROUND, fill_mm=40, oven_c=170, mode=OvenMode.STATIC, minutes=34)


def in_oven(**more: Any) -> InOven:
    return InOven(**{"tin": ROUND, "fill_mm": 40, "density": 0.45, "air": OvenAir(holds_c=170), **more})


def moment(t: float, **more: float) -> CoursePoint:
    figures = dict.fromkeys(CoursePoint.model_fields, 0.0) | {"t_s": t, **more}
    return CoursePoint(**figures)


def straight(done_s: float = 1000.0, **ends: float) -> Course:
    """A course on which every figure goes straight from 0 (core: 20 C) to its end at ``done_s``, and on."""
    last = {"core_c": 96.0, "edge_c": 100.0, "set": 1.0, "risen": 1.0, "brown": 50.0, **ends}
    return Course(
        tuple(
            moment(
                t, **{k: (20 + (v - 20) * t / done_s if k.endswith("_c") else v * t / done_s) for k, v in last.items()}
            )
            for t in (0.0, done_s / 2, done_s, 1.2 * done_s)
        ),
        done_s,
    )


def test_a_figure_is_read_between_two_moments_and_first_reached_between_them() -> None:
    way = straight()
    assert way.at(250).core_c == pytest.approx(39)
    assert way.first("set", 0.25) == pytest.approx(250)
    assert way.first("core_c", 20) == 0
    assert way.first("brown", 61) is None
    assert way.at(5000).set == pytest.approx(1.2)


def test_a_timed_bake_is_exact_at_itself_and_scales_everything_else() -> None:
    own = predict(in_oven(), REFERENCE)
    assert own.done_s.likely == pytest.approx(34 * 60, rel=0.02)
    bare = course(in_oven()).done_s
    timed = course(REFERENCE.in_oven(in_oven())).done_s
    assert bare is not None
    assert timed is not None
    assert own.factor == pytest.approx(34 * 60 / timed)
    assert own.done_s.likely == pytest.approx(bare * 34 * 60 / timed)
    deeper = in_oven(fill_mm=50)
    alone = course(deeper).done_s
    assert alone is not None
    assert predict(deeper, REFERENCE).done_s.likely == pytest.approx(alone * own.factor)
    assert own.browned == pytest.approx(
        course(in_oven()).at(bare).brown / course(REFERENCE.in_oven(in_oven())).at(timed).brown
    )


@pytest.mark.parametrize(
    ("changes", "terms"),
    [
        ({}, ()),
        ({"mode": OvenMode.FAN}, (0.06,)),
        ({"rack": Rack.TOP}, (0.04,)),
        ({"rack": Rack.TOP, "racks": 2}, (0.04 * math.sqrt(2),)),
        ({"air": OvenAir(holds_c=190)}, (0.06,)),
        ({"air": OvenAir(holds_c=170, starts_c=30)}, (0.04,)),
        ({"tin": SHEET, "fill_mm": 12}, (0.13,)),
        ({"free": True}, (0.05,)),
    ],
)
def test_away_from_its_reference_a_time_is_less_sure_by_each_distance(
    changes: dict[str, Any], terms: tuple[float, ...]
) -> None:
    content = in_oven(**changes)
    reference = REFERENCE.in_oven(in_oven())
    found = predicting._spread(content, reference, 0.2)
    assert found == pytest.approx(math.hypot(0.10, 0.15 * 0.2, *terms))
    # Without any, as what recipes of its family differ by; a piece of crumb is in no table.
    assert predicting._spread(content, None, 0.2) == (0.35 if changes.get("free") else 0.20)


def test_the_range_of_a_prediction_is_its_spread_both_ways() -> None:
    bare = predict(in_oven())
    assert bare.done_s.high == pytest.approx(bare.done_s.likely * 1.2)
    assert bare.done_s.low == pytest.approx(bare.done_s.likely / 1.2)
    assert (bare.done_s.basis, bare.factor, bare.browned) == (Basis.HABIT, usual("round and square").factor, None)
    assert predict(in_oven(), REFERENCE).done_s.basis is Basis.FORMULA
    assert predict(in_oven(fill_mm=60), REFERENCE).done_s.basis is Basis.MODEL


def test_families_are_told_by_the_tin_or_by_what_becomes_of_it() -> None:
    assert family(in_oven()) == ROUND.family
    assert family(in_oven(tin=SHEET, fill_mm=10)) == "sheet"
    assert family(in_oven(free=True)) == "pieces"
    assert family(in_oven(sets=Sets.SHELL, density=0.85)) == "shells"
    assert family(in_oven(sets=Sets.SHELL, density=0.35)) == "fingers"
    assert family(in_oven(sets=Sets.DRY, free=True)) == "dried meringue"


def test_a_reference_takes_the_batter_of_what_is_compared_and_its_own_load() -> None:
    other = in_oven(density=0.5, water=0.3, air=OvenAir(holds_c=190, load_kg=3, openings=(Opening(at_s=60),)))
    measured = REFERENCE.in_oven(other)
    assert (measured.density, measured.water, measured.air.holds_c, measured.air.openings) == (0.5, 0.3, 170, ())
    assert measured.air.load_kg == pytest.approx(ROUND.volume_ml(40) * 0.5 / 1000)
    own = REFERENCE.model_copy(update={"density": 0.4}).in_oven(other)
    assert own.density == 0.4


def test_looks_turns_and_covers_lie_at_their_shares_of_the_way() -> None:
    done = Estimate(low=1800, likely=2000, high=2400, basis=Basis.MODEL)
    made = stretched(in_oven(), straight(1000), done)
    assert made.first_look_s == pytest.approx(1800 * 0.82 + 2000 * 0.18)
    assert made.turn_s == pytest.approx(0.8 * 2000)
    early = stretched(in_oven(), straight(1000, set=2.0), done)
    assert early.turn_s == pytest.approx(0.65 * 2000)
    late = stretched(in_oven(), straight(1000, set=0.84), done)
    assert late.turn_s is None
    assert late.first_look_s == pytest.approx(min(2000, 2000 * 0.8 / 0.84))
    assert stretched(in_oven(), straight(1000, set=0.1), done).turn_s is None
    shells = stretched(in_oven(sets=Sets.SHELL), straight(1000, set=2.0), done)
    assert shells.turn_s == pytest.approx(0.55 * 2000)
    dried = stretched(in_oven(sets=Sets.DRY), straight(1000, set=0.1), done)
    assert dried.turn_s == pytest.approx(0.5 * 2000)


def test_what_browns_too_much_is_covered_when_it_is_brown_enough() -> None:
    done = Estimate.exact(2000)
    assert stretched(in_oven(), straight(1000), done, browned=1.6).cover_s is None
    assert stretched(in_oven(), straight(1000), done, browned=2.0).cover_s == pytest.approx(2000 * 0.8)
    assert stretched(in_oven(), straight(1000), done, browned=1.7).cover_s is None
    assert stretched(in_oven(sets=Sets.SHELL), straight(1000), done, browned=2.0).cover_s is None


def test_a_prediction_is_its_course_drawn_out() -> None:
    made = stretched(in_oven(), straight(1000), Estimate(low=1800, likely=2000, high=2300, basis=Basis.MODEL))
    assert made.at(1000).core_c == pytest.approx(58)
    assert made.at(1000).t_s == 1000
    curve = made.curve()
    assert (len(curve), curve[0].t_s, curve[-1].t_s) == (49, 0, 2300)


def _made(way: Course, browned: float | None = None) -> Prediction:
    return stretched(in_oven(), way, Estimate.exact(2000), browned=browned)


@pytest.mark.parametrize(
    ("ends", "browned", "expected"),
    [
        ({}, None, set()),
        ({}, 1.61, {RiskKind.RAW_MIDDLE}),
        ({}, 0.54, {RiskKind.PALE}),
        ({}, 1.0, set()),
        ({"dome_mm": 5.3}, None, {RiskKind.DOME}),
        ({"dome_mm": 5.1}, None, set()),
        ({"lost": 0.12}, None, {RiskKind.SHRINK}),
        ({"lost": 0.10}, None, set()),
        ({"crust_mm": 0.4}, None, {RiskKind.CRACK}),
        ({"crust_mm": 0.33}, None, set()),
        ({"edge_c": 240.0}, None, {RiskKind.DRY_EDGE}),
        ({"edge_c": 190.0}, None, set()),
    ],
)
def test_each_risk_has_its_threshold(ends: dict[str, float], browned: float | None, expected: set[RiskKind]) -> None:
    found = {r.kind for r in risks(in_oven(), _made(straight(1000, **ends), browned))}
    assert found == expected


def test_a_door_that_opens_too_soon_is_told_with_its_minute() -> None:
    opened = in_oven(air=OvenAir(holds_c=170, openings=(Opening(at_s=1500), Opening(at_s=1700))))
    told = [r for r in risks(opened, _made(straight(1000))) if r.kind is RiskKind.FALLS]
    assert [r.why for r in told] == ["At 25 min only 75% of it has set when the door opens."]
    late = _made(straight(1000)).model_copy(update={"first_look_s": 7200})
    assert [r.lever for r in risks(opened, late) if r.kind is RiskKind.FALLS] == ["Door shut until 120 min."]


@pytest.mark.parametrize(
    ("oven_c", "browned", "expected"),
    [
        (150, None, []),
        (166, None, [RiskKind.BROWNED, RiskKind.CRACK]),
        (129, None, [RiskKind.HOLLOW]),
        (150, 1.5, [RiskKind.CRACK]),
        (150, 1.7, [RiskKind.BROWNED, RiskKind.CRACK]),
        (180, 1.0, []),
        (150, 0.5, [RiskKind.HOLLOW]),
    ],
)
def test_shells_are_judged_by_colour_where_it_is_known_and_else_by_degrees(
    oven_c: float, browned: float | None, expected: list[RiskKind]
) -> None:
    content = in_oven(sets=Sets.SHELL, air=OvenAir(holds_c=oven_c))
    assert [r.kind for r in risks(content, _made(straight(1000), browned))] == expected


def test_dried_meringues_colour_and_crack_above_their_degrees() -> None:
    def kinds(oven_c: float, browned: float | None = None) -> list[RiskKind]:
        content = in_oven(sets=Sets.DRY, air=OvenAir(holds_c=oven_c))
        return [r.kind for r in risks(content, _made(straight(1000), browned))]

    assert kinds(110) == []
    assert kinds(111) == [RiskKind.BROWNED, RiskKind.CRACK]
    assert kinds(100, 1.7) == [RiskKind.BROWNED]


def test_what_an_oven_cannot_do_is_refused_by_its_field() -> None:
    with pytest.raises(CraftError, match="never done") as caught:
        predict(in_oven(air=OvenAir(holds_c=90)))
    assert caught.value.field == "oven_c"
    with pytest.raises(CraftError, match="timed bake would never") as caught:
        predict(in_oven(), REFERENCE.model_copy(update={"oven_c": 80}))
    assert caught.value.field == "reference.oven_c"


CONTENT = in_oven()
EXPECTED = predict(CONTENT, REFERENCE)


def followed(pace: float, until_c: float, each_s: float = 20.0) -> tuple[CrumbFollower, float]:
    """A follower that has read a middle which goes ``pace`` times as slowly, up to a temperature; and the moment."""
    follower, t = CrumbFollower(CONTENT, EXPECTED), 0.0
    while True:
        core = EXPECTED.at(t / pace).core_c
        follower.take(t, core)
        if core >= until_c:
            return follower, t
        t += each_s


@pytest.mark.parametrize("pace", [0.9, 1.0, 1.2])
def test_readings_tell_the_pace_of_a_crumb(pace: float) -> None:
    follower, t = followed(pace, 85)
    found = follower.forecast(t)
    ends = pace * EXPECTED.done_s.likely
    assert found.left_s is not None
    # Not closer: a cake that keeps to its course is no likelier than one that bends from it.
    assert t + found.left_s.likely == pytest.approx(ends, rel=0.06)
    assert found.left_s.low <= ends - t <= found.left_s.high
    assert found.faster == pytest.approx((t + found.left_s.likely) / EXPECTED.done_s.likely)
    way = follower.ahead(t, 4)
    assert (way[0][0], way[-1][0]) == pytest.approx((0, found.left_s.likely))
    assert way[0][1] == pytest.approx(EXPECTED.at(t / pace).core_c, abs=0.6)
    assert way[-1][1] >= CONTENT.finished_c


def test_a_crumb_dwells_for_two_minutes_before_it_is_done() -> None:
    follower, t = followed(1.0, CONTENT.finished_c + 0.01, 5.0)
    at_once = follower.forecast(t)
    assert at_once.left_s is not None
    assert at_once.left_s.likely == pytest.approx(120, abs=30)
    just = followed(1.0, CONTENT.finished_c - 1.0, 5.0)
    late = just[0].forecast(just[1] + 600)
    assert late.left_s is not None
    assert (late.left_s.likely, late.left_s.low) == (120, 60)
    assert follower.forecast(t + 239).faster is not None
    over = follower.forecast(t + 241)
    assert (over.left_s, over.faster) == (Estimate.exact(0.0, Basis.MEASURED), None)
    assert follower.ahead(t + 241)[0][0] == 0


def test_a_probe_that_cannot_be_in_the_crumb_is_told_why() -> None:
    follower = CrumbFollower(CONTENT, EXPECTED)
    assert follower.forecast(0).why == "No reading yet."
    assert follower.ahead(0) == ()
    follower.take(0, 22)
    assert follower.forecast(10).why == "The middle has not begun to warm."
    follower.take(20, CONTENT.boils_c + 4.1)
    hot = follower.forecast(20)
    assert hot.strange
    assert hot.why.startswith("Hotter than a moist crumb")
    wild = CrumbFollower(CONTENT, EXPECTED)
    for n in range(12):
        wild.take(60.0 * n, 90 if n % 2 else 30)
    assert wild.forecast(660).strange


def test_readings_close_together_tell_less_each() -> None:
    seldom, often = CrumbFollower(CONTENT, EXPECTED), CrumbFollower(CONTENT, EXPECTED)
    for t in range(0, 721, 90):
        seldom.take(t, EXPECTED.at(t / 1.2).core_c)
    for t in range(0, 721, 9):
        often.take(t, EXPECTED.at(t / 1.2).core_c)
    one, other = seldom.forecast(720).left_s, often.forecast(720).left_s
    assert one is not None
    assert other is not None
    assert other.likely == pytest.approx(one.likely, rel=0.02)
    assert other.high - other.low == pytest.approx(one.high - one.low, rel=0.15)
    again = CrumbFollower(CONTENT, EXPECTED)
    for t in (100, 100, 90):
        again.take(t, 40)
    assert again.forecast(100).readings == 3


def test_the_middle_warms_on_outside_and_less_the_later_it_comes_out() -> None:
    done = course(CONTENT).done_s
    assert done is not None
    early, late = carry_over(CONTENT, done - 300, 22), carry_over(CONTENT, done, 22)
    assert early.rise_k > late.rise_k
    for one in (early, late):
        assert 0 <= one.after_s < 900
        assert one.peak_c < 101
    assert early.after_s > 30
    told = carried_over(CONTENT, 34 * 60, 22)
    assert [s for s, _ in told] == [0, 120, 300]
    pace = done / (34 * 60)
    assert told[2][1] == carry_over(CONTENT, done - 300 * pace, 22)
    assert carried_over(in_oven(sets=Sets.SHELL), 900, 22) == []
    assert [s for s, _ in carried_over(CONTENT, 500, 22)] == [0, 120]


def test_a_chiffon_cools_hanging_and_a_genoise_on_its_rack() -> None:
    def asked(technique: Technique) -> Asked:
        return Asked(
            tin=ROUND, batter_g=560, density_g_per_ml=0.45, technique=technique, oven_c=170, mode=OvenMode.STATIC
        )

    for technique, how in ((Technique.CHIFFON, How.HANGING), (Technique.GENOISE, How.RACK)):
        made = cooling_after(asked(technique), CONTENT, EXPECTED, 22)
        left_g = 560 * (1 - EXPECTED.at(EXPECTED.done_s.likely).lost)
        assert made == cooling(Hot(ROUND, 1.25 * CONTENT.fill_mm, left_g, how, 22), technique)
