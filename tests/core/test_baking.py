"""The bake model: the analytic series, its own balance, a reference model's minutes, and the order of things."""

from __future__ import annotations

from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.baking.answers import answers, questions
from kindwhisk.core.baking.carry_over import carry_over
from kindwhisk.core.baking.course import InOven, Sets, begin, course
from kindwhisk.core.baking.crumb import LATENT_J_PER_KG, Crumb
from kindwhisk.core.baking.doneness import looks_wrong_but_right, signs
from kindwhisk.core.baking.faces import Face, Faces, TinWall
from kindwhisk.core.baking.heat import Bake
from kindwhisk.core.baking.mesh import mesh
from kindwhisk.core.baking.predict import predict
from kindwhisk.core.baking.reference import ReferenceBake
from kindwhisk.core.baking.risks import RiskKind, risks
from kindwhisk.core.baking.straight_after import straight_after
from kindwhisk.core.ovens.air import Opening, OvenAir
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.tins.pieces import PipedPiece
from kindwhisk.core.tins.shapes import (
    BoxDimensions,
    BoxTin,
    RoundDimensions,
    RoundTin,
    Tin,
    TubeDimensions,
    TubeTin,
)
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Basis
from kindwhisk.core.values.technique import Technique
from tests.core.strategies import tins

TUBE = TubeTin(
    dimensions=TubeDimensions(
        diameter_mm=150, top_diameter_mm=170, depth_mm=80, tube_diameter_mm=55, tube_top_diameter_mm=45
    )
)
SHEET = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=350, depth_mm=25))


def round_tin(diameter: float, depth: float = 80) -> RoundTin:
    return RoundTin(dimensions=RoundDimensions(diameter_mm=diameter, depth_mm=depth))


def in_oven(tin: Tin, fill: float, oven_c: float = 170, air: dict[str, Any] | None = None, **more: Any) -> InOven:
    load = round(tin.volume_ml(fill) * 0.45 / 1000, 1)
    return InOven(
        tin=tin, fill_mm=fill, air=OvenAir(holds_c=oven_c, load_kg=load, **(air or {})), **{"density": 0.45, **more}
    )


def minutes(*args: Any, **more: Any) -> float:
    found = course(in_oven(*args, **more)).done_s
    assert found is not None
    return found / 60


ROUND = round_tin(200)
REFERENCE = ReferenceBake(tin=ROUND, fill_mm=40, oven_c=170, mode=OvenMode.STATIC, minutes=34)
WIDE = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=1900, length_mm=2000, depth_mm=60))


@pytest.mark.parametrize(
    ("tin", "fill", "expected"),
    [(WIDE, 40, (59.48, 98.64, 123.94, 140.30)), (ROUND, 50, (44.29, 78.11, 103.66, 122.77))],
)
def test_plain_conduction_follows_the_analytic_series(tin: Tin, fill: float, expected: tuple[float, ...]) -> None:
    face = Face(air_w_per_m2k=20, emissivity=0)
    bake = Bake(
        Crumb(density=0.3, conducts_w_per_mk=0.25, plain=True), mesh(tin, fill, 16, 12), Faces(face, face, face, face)
    )
    for at_s, celsius in zip((600, 1200, 1800, 2400), expected, strict=True):
        while bake.t_s < at_s:
            bake.advance(5, 170)
        assert bake.coldest_c == pytest.approx(celsius, abs=0.5)


@settings(max_examples=15)
@given(tins(), st.floats(0.3, 0.7), st.floats(120, 220), st.sampled_from(list(OvenMode)), st.floats(5, 60))
def test_heat_is_conserved_whatever_the_tin_and_the_steps(
    tin: Tin, share: float, oven_c: float, mode: OvenMode, seconds: float
) -> None:
    bake = begin(in_oven(tin, share * tin.depth_mm, oven_c, mode=mode))
    before = bake.stored_j
    for _ in range(40):
        bake.advance(seconds, oven_c)
    assert bake.stored_j - before == pytest.approx(bake.taken_j, rel=1e-3)
    inside = float((bake.crumb.dryness(bake.heat) * bake.mesh.volume).sum()) * bake.crumb.latent_j / LATENT_J_PER_KG
    assert 0 <= inside <= bake.lost_kg + 1e-9


@pytest.mark.parametrize(
    ("expected", "tin", "fill", "oven_c", "more"),
    [
        (34, ROUND, 40, 170, {}),
        (31, round_tin(150), 40, 170, {}),
        (35, round_tin(240), 40, 170, {}),
        (52, ROUND, 60, 170, {}),
        (22, ROUND, 25, 170, {}),
        (29, ROUND, 40, 160, {"mode": OvenMode.FAN}),
        (31, ROUND, 40, 170, {"wall": TinWall.DARK}),
        (32, ROUND, 40, 180, {}),
        (36.6, ROUND, 40, 160, {}),
        (27, TUBE, 52, 170, {"done_c": 93}),
        (34.4, ROUND, 40, 170, {"air": {"openings": (Opening(at_s=1200, seconds=10),)}}),
        (35.0, ROUND, 40, 170, {"air": {"openings": (Opening(at_s=1200, seconds=30),)}}),
    ],
)
def test_reference_bakes_lie_where_a_reference_model_has_them(
    expected: float, tin: Tin, fill: float, oven_c: float, more: dict[str, Any]
) -> None:
    assert minutes(tin, fill, oven_c, **more) == pytest.approx(expected, rel=0.06)


def test_a_sheet_errs_by_more_for_it_is_nearly_all_surface() -> None:
    assert minutes(SHEET, 12, 180) == pytest.approx(13, rel=0.2)


def test_at_its_reference_a_bake_takes_its_reference_time_and_is_less_sure_away_from_it() -> None:
    own, far = predict(in_oven(ROUND, 40), REFERENCE), predict(in_oven(SHEET, 12, 190), REFERENCE)
    assert own.done_s.likely == pytest.approx(34 * 60, rel=0.01)
    assert own.done_s.basis is Basis.FORMULA
    assert own.browned == pytest.approx(1, rel=0.02)
    assert far.done_s.high / far.done_s.low > 1.2 * own.done_s.high / own.done_s.low
    assert predict(in_oven(ROUND, 40)).done_s.high > own.done_s.high


@settings(max_examples=12)
@given(tins(), st.floats(0.25, 0.5), st.floats(1.15, 1.6))
def test_deeper_takes_longer_hotter_and_fanned_less(tin: Tin, share: float, deeper: float) -> None:
    fill = max(8.0, share * tin.depth_mm)
    plain = minutes(tin, fill)
    assert minutes(tin, fill * deeper) > plain
    assert minutes(tin, fill, 190) < plain
    assert minutes(tin, fill, mode=OvenMode.FAN) < plain
    assert minutes(tin, fill, density=0.6) > plain
    assert minutes(tin, fill, air={"starts_c": 22}) > plain
    assert minutes(tin, fill, racks=2) >= plain
    assert minutes(tin, fill, wall=TinWall.DARK) <= plain
    assert minutes(tin, fill, batter_c=8) > plain


def test_on_the_mountain_the_crumb_is_done_at_less_and_is_done_at_all() -> None:
    high = course(in_oven(ROUND, 40, pressure_kpa=83.5))
    assert high.done_s is not None
    assert high.at(high.done_s).core_c < 95


def test_the_course_warms_sets_rises_and_dries() -> None:
    way = course(in_oven(ROUND, 40))
    assert way.done_s is not None
    early, end = way.at(way.done_s / 3), way.at(way.done_s)
    assert early.core_c < early.edge_c <= 100.5
    assert early.set < end.set == pytest.approx(1)
    assert 0 < early.risen < end.risen == pytest.approx(1)
    assert 0.05 < end.lost < 0.10
    assert end.crust_mm > early.crust_mm
    assert end.surface_c > 103


def test_meringue_dries_slower_where_it_is_thick_and_cool_and_never_in_a_cold_oven() -> None:
    def dry(width: float, height: float, oven_c: float) -> float:
        mould = PipedPiece(width_mm=width, height_mm=height).mould()
        return minutes(mould, mould.depth_mm, oven_c, density=0.35, water=0.35, sets=Sets.DRY, free=True)

    assert 60 < dry(60, 35, 90) < 180
    assert dry(60, 35, 90) > dry(60, 35, 100) > dry(30, 20, 100)
    with pytest.raises(CraftError, match="never"):
        predict(in_oven(ROUND, 40, 80))


def test_a_door_that_opens_early_lets_it_fall_and_two_racks_shade_each_other() -> None:
    opened = in_oven(ROUND, 40, air={"openings": (Opening(at_s=600, seconds=20),)})
    assert RiskKind.FALLS in {r.kind for r in risks(opened, predict(opened, REFERENCE))}
    late = in_oven(ROUND, 40, air={"openings": (Opening(at_s=1900, seconds=20),)})
    assert RiskKind.FALLS not in {r.kind for r in risks(late, predict(late, REFERENCE))}


def test_a_deep_hot_bake_browns_before_it_is_done_and_says_when_to_cover() -> None:
    deep = in_oven(ROUND, 65, 195)
    made = predict(deep, REFERENCE)
    found = {r.kind: r for r in risks(deep, made)}
    assert {RiskKind.RAW_MIDDLE, RiskKind.CRACK, RiskKind.DRY_EDGE} <= found.keys()
    assert made.cover_s is not None
    assert made.first_look_s > made.cover_s
    assert "cooler" in found[RiskKind.RAW_MIDDLE].lever
    assert not risks(in_oven(ROUND, 40), predict(in_oven(ROUND, 40), REFERENCE))
    pale = in_oven(ROUND, 25, 150)
    assert [r.kind for r in risks(pale, predict(pale, REFERENCE))] == [RiskKind.PALE]


def test_a_turn_waits_until_it_has_set() -> None:
    content = in_oven(ROUND, 40)
    made = predict(content, REFERENCE)
    assert made.turn_s is not None
    assert made.at(made.turn_s).set >= 0.79
    assert made.at(made.first_look_s).set >= 0.79
    assert made.turn_s < made.first_look_s <= made.done_s.likely


def test_what_a_baker_asks_is_answered_by_bakes_of_their_own() -> None:
    content = in_oven(round_tin(200), 40)
    base = predict(content, REFERENCE)
    found = {a.id: a for a in answers(content, REFERENCE, base, [("15 cm tin", round_tin(150, 100)), ("tube", TUBE)])}
    more = {i: a.more_min for i, a in found.items() if a.more_min is not None}
    assert more["deeper"] > 15
    assert more["hotter"] < -2 < 2 < more["cooler"]
    assert more["mode"] < -4
    assert more["two-halves"] < 0
    assert 0.5 < more["door"] < 2
    assert more["cold-oven"] > 5
    assert "tin 15 cm tin" in found
    assert "tin tube" not in found, "it would run over"
    piece = PipedPiece(width_mm=40, height_mm=10).mould()
    shells = in_oven(piece, piece.depth_mm, 150, density=0.85, water=0.2, sets=Sets.SHELL, free=True)
    racks = next(q for q in questions(shells, (), 3) if q.id == "two-racks")
    assert racks.loads == 2
    told = next(a for a in answers(shells, None, predict(shells), (), 3) if a.id == "two-racks")
    assert told.more_min is not None
    assert told.more_min > 0
    assert "2 loads" in told.says
    assert "Change the racks over" in told.says


def test_taken_out_the_middle_warms_on_for_a_while() -> None:
    content = in_oven(ROUND, 40)
    done = course(content).done_s
    assert done is not None
    early, late = carry_over(content, done - 500, 22), carry_over(content, done, 22)
    assert early.rise_k > late.rise_k > 0
    assert early.peak_c < late.peak_c < 100.5


def test_on_the_top_rack_the_top_browns_more() -> None:
    top, bottom = (predict(in_oven(ROUND, 40, rack=r), REFERENCE).browned or 0 for r in (Rack.TOP, Rack.BOTTOM))
    assert top > 1 > bottom


@pytest.mark.parametrize("technique", list(Technique))
def test_every_class_has_its_signs_and_what_comes_after(technique: Technique) -> None:
    for sets in Sets:
        assert signs(technique, sets)
    assert straight_after(technique)
    ids = [n.id for n in straight_after(Technique.CHIFFON_ROLL, rolled_warm=True)]
    assert "roll-now" in ids
    assert looks_wrong_but_right(Technique.RICH_SPONGE)
