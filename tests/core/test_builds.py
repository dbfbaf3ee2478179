"""What is built of parts: nothing is lost by what is done to it, and its cut shows what is there, to scale."""

from __future__ import annotations

import math
from itertools import pairwise

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.core.builds.built import Built, joined, whole
from kindwhisk.core.builds.domed import Domed
from kindwhisk.core.builds.part import Part, Place
from kindwhisk.core.builds.region import Region
from kindwhisk.core.builds.rolled import Rolled
from kindwhisk.core.builds.stacked import Stacked
from kindwhisk.core.ingredients.material import Material, combine
from kindwhisk.core.process.finished import offcuts, unbaked
from kindwhisk.core.process.forecast import forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.coat import CoatStep, Where
from kindwhisk.core.process.steps.cut import CutStep
from kindwhisk.core.process.steps.hollow import HollowStep
from kindwhisk.core.process.steps.line import LineStep
from kindwhisk.core.process.steps.ornament import Ornament, OrnamentStep
from kindwhisk.core.process.steps.portion import PortionStep
from kindwhisk.core.process.steps.roll import From, RollStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.spread import SpreadStep
from kindwhisk.core.process.steps.stack import StackStep
from kindwhisk.core.process.steps.trim import TrimStep
from kindwhisk.core.process.walk import kept, walk
from kindwhisk.core.tins.shapes import BoxDimensions, BoxTin, HalfSphereDimensions, HalfSphereTin
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.demo.formulas import demo_formulas
from tests.core.strategies import materials, setting_of

BOOK = {f.id: f for f in demo_formulas()}
FINISHED = ("citrus-roll", "milk-sponge", "souffled-sheet", "finger-cake", "layer-cake", "dome", "meringue-tart")
PLACE = setting_of(BOOK["layer-cake"])


def baked(grams: float = 500.0, density: float = 0.28) -> Material:
    crumb = Material(parts={"whole-egg": grams * 0.5, "sugar": grams * 0.25, "cake-flour": grams * 0.25}, browning=0.2)
    return crumb.at_density(Estimate.exact(density)).at(24)


def cream(grams: float = 300.0) -> Material:
    return Material(parts={"cream-35": grams}, temperature_c=6).at_density(Estimate.exact(0.52))


def there(material: Material) -> tuple[float, float]:
    return material.mass_g, material.evaporated_g


def parts_sum(built: Built) -> Material:
    return combine(p.content for p in built.build)


crumbs = st.builds(baked, st.floats(150, 1500), st.floats(0.18, 0.5))
STEPS = (
    CutStep(id="s", title="s", vessel="rack", layers=3),
    CutStep(id="s", title="s", vessel="rack", layers=1, strips=4, dome_mm=0, crust_mm=0),
    TrimStep(id="s", title="s", vessel="rack", edge_mm=8),
    TrimStep(id="s", title="s", vessel="rack", round_mm=150),
    HollowStep(id="s", title="s", vessel="rack"),
    SpreadStep(id="s", title="s", vessel="rack", thickness_mm=6, taper=0.5),
    SpreadStep(id="s", title="s", vessel="rack", case_mm=25),
    StackStep(id="s", title="s", vessel="rack"),
    LineStep(id="s", title="s", vessel="rack"),
    RollStep(id="s", title="s", vessel="rack"),
    CoatStep(id="s", title="s", vessel="rack"),
    CoatStep(id="s", title="s", vessel="rack", where=Where.TOP, poured=True),
    OrnamentStep(id="s", title="s", vessel="rack", how=Ornament.TORCH),
    PortionStep(id="s", title="s", vessel="rack", portions=7),
    SoakStep(id="s", title="s", vessel="rack"),
)


@given(st.sampled_from(STEPS), st.sampled_from(STEPS), crumbs, materials())
@settings(max_examples=300, deadline=None)
def test_one_kind_of_work_after_another_loses_nothing(first, second, crumb: Material, other: Material) -> None:  # type: ignore[no-untyped-def]
    one = first.effect((crumb, other), PLACE)
    two = second.effect((one.material, cream()), PLACE)
    assert sum(there(one.material)) == pytest.approx(sum(there(crumb)) + sum(there(other)))
    assert sum(there(two.material)) == pytest.approx(sum(there(one.material)) + 300)
    for made in (one.material, two.material):
        assert parts_in(made) == pytest.approx(parts_in(made.mixed))
        if isinstance(made, Built):
            assert there(parts_sum(made)) == pytest.approx(there(made))
            assert there(combine((made.kept, made.offcut))) == pytest.approx(there(made))
    assert all(math.isfinite(x) for x in outline(two.material))


def parts_in(material: Material) -> dict[str, float]:
    return dict(material.parts)


def outline(material: Material) -> list[float]:
    if not isinstance(material, Built):
        return []
    return [v for r in material.kept.regions for v in (*r.x_mm, *r.y_mm)]


def layered() -> Built:
    frame = Stacked(count=2, across_mm=200)
    layer, filling = baked(400), cream(200)
    return Built.of(
        frame,
        (
            Part(name="crumb", place=Place.LAYER, content=layer),
            Part(name="cream", place=Place.FILLING, content=filling),
            Part(name="crumb", place=Place.LAYER, content=layer),
        ),
    )


@given(st.floats(0.01, 1), st.floats(-18, 60), st.floats(0, 200))
def test_what_is_done_to_a_build_is_done_to_each_part(share: float, warm: float, dry: float) -> None:
    built = layered()
    taken = built.take(share)
    assert taken.mass_g == pytest.approx(share * built.mass_g)
    assert [p.content.mass_g for p in taken.build] == pytest.approx([share * p.content.mass_g for p in built.build])
    assert {p.content.temperature_c for p in built.at(warm).build} == {warm}
    dried = built.dried_by(dry)
    assert dried.mass_g + dried.evaporated_g == pytest.approx(built.mass_g + built.evaporated_g)
    assert all(d.content.mass_g <= b.content.mass_g for d, b in zip(dried.build, built.build, strict=True))


def test_mixed_with_others_it_is_one_content_again() -> None:
    built = layered()
    assert not isinstance(combine((built, cream())), Built)
    assert not isinstance(combine((built,)), Built)
    assert whole((built,)) is built
    assert isinstance(joined([built, built]), Built)
    assert joined([built, built]).mass_g == pytest.approx(2 * built.mass_g)
    assert not isinstance(joined([built, built.kept.adding(built.build[1])]), Built)


def area(region: Region) -> float:
    line = list(zip(region.x_mm, region.y_mm, strict=True))
    points = [*line, line[0]]
    return abs(sum(x0 * y1 - x1 * y0 for (x0, y0), (x1, y1) in pairwise(points))) / 2


def test_a_stack_is_as_high_as_its_parts_and_shares_its_products() -> None:
    built = layered()
    one = math.pi * 100**2
    for region, part in zip(built.regions, built.build, strict=True):
        thick = part.content.volume_ml.likely * 1000 / 2 / one
        assert region.thickness_mm == pytest.approx(thick)
        assert area(region) == pytest.approx(200 * thick, rel=1e-3)
        assert region.grams == pytest.approx(part.content.mass_g / 2)
    assert isinstance(built.frame, Stacked)
    top = max(y for r in built.regions for y in r.y_mm)
    assert top == pytest.approx(built.frame.height_mm(built.build), abs=0.01)


@given(st.floats(250, 450), st.floats(200, 450), st.floats(8, 16), st.floats(3, 9), st.floats(0, 0.9))
def test_the_spiral_of_a_roll_shows_as_much_as_there_is(
    along: float, across: float, thick: float, spread: float, taper: float
) -> None:
    frame = Rolled(along_mm=along, across_mm=across, taper=taper)
    sheet, filling = (along * across * mm / 1000 * d for mm, d in ((thick, 0.28), (spread, 0.52)))
    built = Built.of(
        frame,
        (
            Part(name="crumb", place=Place.LAYER, content=baked(sheet)),
            Part(name="cream", place=Place.FILLING, content=cream(filling), taper=taper),
        ),
    )
    by_name = {r.name: r for r in built.regions}
    for part in built.build:
        flat = part.content.volume_ml.likely * 1000 / across
        # Where it begins, some of it is hidden in the fold.
        assert area(by_name[part.name]) == pytest.approx(flat, rel=0.4)
    made = frame.made(built.build)
    whole_area = sum(p.content.volume_ml.likely for p in built.build) * 1000 / across
    assert math.pi / 4 * made.diameter_mm**2 == pytest.approx(whole_area, rel=0.02)


@given(st.floats(70, 140), st.floats(0.08, 0.25), st.floats(0.1, 0.3), st.floats(0.1, 1.0))
def test_a_dome_fills_from_its_top_and_never_beyond_its_lid(
    radius: float, wall: float, lid: float, full: float
) -> None:
    frame = Domed(radius_mm=radius, wall_mm=wall * radius, lid_mm=lid * radius)
    grams = full * frame.cavity_ml * 0.52
    build = Built.of(frame, (Part(name="cream", place=Place.FILLING, content=cream(grams)),))
    (region,) = build.regions
    ys = region.y_mm
    assert max(ys) == pytest.approx(radius - wall * radius, abs=0.1)
    assert min(ys) >= lid * radius - 0.1
    if full > 0.999:
        assert min(ys) == pytest.approx(lid * radius, abs=1)


@pytest.mark.parametrize("formula_id", FINISHED)
def test_a_shipped_formula_is_finished_as_it_really_stands(formula_id: str) -> None:
    formula = BOOK[formula_id]
    walked = walk(prepared(formula), setting_of(formula))
    last = walked[-1].outcome.material
    assert isinstance(last, Built)
    cut = sum(o.left_g for o in offcuts(formula, walked))
    assert last.kept.mass_g + last.evaporated_g + cut == pytest.approx(formula.total_g(), rel=0.05)
    seen = forecast(formula, setting_of(formula)).steps[-1]
    assert seen.section is not None
    assert seen.section.regions
    assert sum(r.grams for r in seen.section.regions if r.place is not Place.WALL) > 0
    assert unbaked(last).mass_g > 0


def shapes(formula_id: str) -> dict[str, list[tuple[str, Place]]]:
    formula = BOOK[formula_id]
    walked = walk(prepared(formula), setting_of(formula))
    return {
        w.step.id: [(p.name, p.place) for p in kept(w.outcome.material).build]  # type: ignore[attr-defined]
        for w in walked
        if isinstance(w.outcome.material, Built)
    }


def test_a_layer_cake_grows_step_by_step() -> None:
    seen = shapes("layer-cake")
    assert [p for _, p in seen["cut"]] == [Place.LAYER] * 3
    assert [p for _, p in seen["stack"]] == [
        *(Place.LAYER, Place.FILLING, Place.FILLING) * 2,
        Place.LAYER,
    ]
    assert [p for _, p in seen["coat"]][-1] is Place.COAT
    assert seen["finish"][-1] == ("whole strawberries", Place.TOP)
    assert seen["chill"] == seen["finish"] == seen["portion"]


def test_the_others_stand_as_they_are_called() -> None:
    assert [p for _, p in shapes("finger-cake")["fill"]] == [Place.WALL, Place.BASE, Place.FILLING]
    dome_ = shapes("dome")["cover"]
    assert [p for _, p in dome_][:2] == [Place.WALL, Place.LID]
    assert dome_[-1] == ("crumbs", Place.COAT)
    tart = shapes("meringue-tart")["torch"]
    assert [p for _, p in tart] == [Place.BASE, Place.WALL, Place.FILLING, Place.TOP]
    assert [n for n, _ in shapes("citrus-roll")["roll"]] == ["crumb", "cream", "mandarin segments"]


def test_what_is_cut_off_can_be_taken_and_what_nobody_takes_is_counted() -> None:
    formula = BOOK["dome"]
    seen = forecast(formula, setting_of(formula))
    hollow = next(o for o in seen.offcuts if o.step == "hollow")
    assert hollow.used_g == pytest.approx(hollow.grams)
    assert hollow.left_g == pytest.approx(0)
    cake = forecast(BOOK["layer-cake"], setting_of(BOOK["layer-cake"]))
    top = next(o for o in cake.offcuts if o.step == "cut")
    assert top.used_g == 0
    assert top.left_g == pytest.approx(top.grams)
    assert cake.step("cut").material.mass_g < cake.step("cool").material.mass_g


def test_cut_from_the_short_side_a_roll_is_thick_and_short() -> None:
    sheet = setting_of(BOOK["citrus-roll"])
    spread = SpreadStep(id="s", title="s", vessel="rack").effect((baked(420), cream(240)), sheet).material
    rolls = {
        begun: RollStep(id="r", title="r", vessel="rack", begun=begun).effect((spread,), sheet).material
        for begun in From
    }
    frames = {b: m.frame for b, m in rolls.items() if isinstance(m, Built)}
    short, long = frames[From.SHORT], frames[From.LONG]
    assert isinstance(short, Rolled)
    assert isinstance(long, Rolled)
    assert (short.along_mm, short.across_mm) == pytest.approx((350, 300))
    assert (long.along_mm, long.across_mm) == pytest.approx((300, 350))
    built = rolls[From.SHORT]
    assert isinstance(built, Built)
    assert short.made(built.build).diameter_mm > long.made(built.build).diameter_mm


def test_a_round_cake_is_no_sheet_to_roll() -> None:
    told = RollStep(id="r", title="r", vessel="rack").effect((baked(), cream()), PLACE)
    assert any("no sheet" in n.text for n in told.notices)


def test_two_cakes_become_one_of_twice_the_layers() -> None:
    two = setting_of(BOOK["layer-cake"])
    both = Setting(kitchen=two.kitchen, oven=two.oven, tins=two.tins.__class__(two.tins.name, two.tins.tin, 2))
    cut = CutStep(id="c", title="c", vessel="rack", layers=2).effect((baked(900),), both).material
    stacked = StackStep(id="s", title="s", vessel="rack", cakes=1).effect((kept(cut), cream(300)), both).material
    assert isinstance(stacked, Built)
    assert stacked.frame.count == 1
    assert [p.place for p in stacked.build].count(Place.LAYER) == 4
    assert [p.place for p in stacked.build].count(Place.FILLING) == 3


def test_a_hollow_too_small_for_its_filling_says_so() -> None:
    tin = HalfSphereTin(dimensions=HalfSphereDimensions(diameter_mm=160))
    dome_ = Setting(kitchen=PLACE.kitchen, oven=PLACE.oven, tins=PLACE.tins.__class__("dome", tin))
    hollow = HollowStep(id="h", title="h", vessel="rack").effect((baked(300),), dome_).material
    told = SpreadStep(id="s", title="s", vessel="rack").effect((kept(hollow), cream(900)), dome_)
    assert any("the hollow takes" in n.text for n in told.notices)


def test_too_little_and_too_much_are_told_in_grams_before_anything_is_whipped() -> None:
    step = SpreadStep(id="s", title="s", vessel="rack", thickness_mm=6)
    little = step.effect((baked(), cream(40)), PLACE).notices
    assert any("are wanted" in n.text and "g more" in n.remedy for n in little)
    much = step.effect((baked(), cream(400)), PLACE).notices
    assert any("g back for outside" in n.remedy for n in much)
    layers = CutStep(id="c", title="c", vessel="rack", layers=3).effect((baked(900),), PLACE).material
    thin = StackStep(id="s", title="s", vessel="rack").effect((kept(layers), cream(30)), PLACE).notices
    assert any("The filling lies only" in n.text for n in thin)


def test_layers_that_would_break_are_told_and_the_forecast_goes_on() -> None:
    told = CutStep(id="c", title="c", vessel="rack", layers=6).effect((baked(300),), PLACE)
    assert any("break when lifted" in n.text for n in told.notices)
    assert isinstance(told.material, Built)


def test_a_sheet_of_strips_keeps_its_size_and_its_edges() -> None:
    tin = BoxTin(shape="sheet", dimensions=BoxDimensions(width_mm=300, length_mm=350, depth_mm=25))
    place = Setting(kitchen=PLACE.kitchen, oven=PLACE.oven, tins=PLACE.tins.__class__("sheet", tin))
    trimmed = TrimStep(id="t", title="t", vessel="rack", edge_mm=10).effect((baked(500),), place).material
    strips = CutStep(id="c", title="c", vessel="rack", layers=1, strips=3, dome_mm=0, crust_mm=0)
    cut = strips.effect((kept(trimmed),), place).material
    assert isinstance(cut, Built)
    assert isinstance(cut.frame, Stacked)
    assert cut.frame.across_mm == pytest.approx(280)
    assert cut.frame.length_mm == pytest.approx(330 / 3)
    assert cut.offcut.mass_g == 0


def test_a_formula_of_before_reads_as_what_its_steps_are_now() -> None:
    formula: Formula = BOOK["milk-sponge"]
    document = formula.model_dump(mode="json")
    top = next(s for s in document["steps"] if s["id"] == "top")
    for name in ("where", "poured", "kind"):
        top.pop(name)
    top |= {"kind": "assemble", "joining": "top"}
    again = Formula.model_validate(document)
    step = again.step("top")
    assert isinstance(step, CoatStep)
    assert step.where is Where.TOP
    for joining, kind in (
        ("layer", StackStep),
        ("spread", SpreadStep),
        ("line the ring", LineStep),
        ("glaze", CoatStep),
        ("dust", OrnamentStep),
        ("brown with a flame", OrnamentStep),
    ):
        top["joining"] = joining
        assert isinstance(Formula.model_validate(document).step("top"), kind)


def test_each_crumb_of_a_build_takes_its_share_of_a_soak() -> None:
    layers = kept(CutStep(id="c", title="c", vessel="rack", layers=3).effect((baked(600),), PLACE).material)
    syrup = Material(parts={"water": 60.0, "sugar": 40.0}, temperature_c=30)
    soaked = SoakStep(id="s", title="s", vessel="rack").effect((layers, syrup), PLACE).material
    assert isinstance(soaked, Built)
    waters = [p.content.parts["water"] for p in soaked.build]
    assert waters == pytest.approx([20.0] * 3)
    assert soaked.volume_ml.likely == pytest.approx(layers.volume_ml.likely, rel=0.01)


@given(st.floats(10, 900))
def test_what_is_piped_into_a_case_fills_it_before_it_stands_above_it(grams: float) -> None:
    frame = Stacked(across_mm=240, wall_mm=5, wall_high_mm=25)
    top = Material(parts={"egg-white": grams * 0.4, "sugar": grams * 0.6}).at_density(Estimate.exact(0.3))
    build = Built.of(
        frame,
        (
            Part(name="case", place=Place.BASE, content=baked(120)),
            Part(name="case, wall", place=Place.WALL, content=baked(60)),
            Part(name="meringue", place=Place.TOP, content=top),
        ),
    )
    piped = build.regions[-1]
    room = (25 - (build.thickness_mm(build.build[0]) or 0)) * frame.inside_mm2
    low, high = min(piped.y_mm), max(piped.y_mm)
    assert low == pytest.approx(build.thickness_mm(build.build[0]), abs=0.02)
    assert (high > 25.01) == (top.volume_ml.likely * 1000 > room * 1.001)
    across = 2 * max(piped.x_mm)
    flat = top.volume_ml.likely * 1000 / frame.inside_mm2 * across
    assert area(piped) == pytest.approx(flat, rel=0.12)


@given(st.floats(0.001, 60))
def test_a_cake_lower_than_its_crust_is_all_cut_off_and_none_of_it_is_lost(grams: float) -> None:
    cut = CutStep(id="c", title="c", vessel="rack", layers=3).effect((baked(grams),), PLACE).material
    assert isinstance(cut, Built)
    assert cut.mass_g == pytest.approx(grams)
    assert 0 <= cut.offcut.mass_g <= grams * (1 + 1e-9)
