"""What is piped once in a formula, laid out over trays and loads: nothing is lost, nothing waits unseen."""

from __future__ import annotations

from dataclasses import replace
from datetime import UTC, datetime

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from kindwhisk.bench.plans import plan_backward
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.learning.dots import Dot
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.piping import skin
from kindwhisk.core.piping.maturing import FillingKind
from kindwhisk.core.piping.skin import Feel, Touch
from kindwhisk.core.piping.sorting import Counted
from kindwhisk.core.process.changes.batch import Batch
from kindwhisk.core.process.changes.oven import OtherOven
from kindwhisk.core.process.course import Course
from kindwhisk.core.process.flows import Flows
from kindwhisk.core.process.forecast import Forecast, walk_prepared
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.meringue import with_method
from kindwhisk.core.process.portions import IngredientPortion
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.process.scaling import Scaled, in_loads, scale
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.mature import MatureStep
from kindwhisk.core.process.steps.pair import PairStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.recover import RecoverStep
from kindwhisk.core.process.steps.skin import Resting, SkinStep
from kindwhisk.core.process.steps.sort import SortStep
from kindwhisk.core.process.trays import gathered, laid_out
from kindwhisk.core.process.walk import Observed
from kindwhisk.core.process.windows import windows
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.tins.pieces import PipedPiece
from tests.core.courses import FORMULAS, KITCHEN, after

SIX = datetime(2026, 11, 2, 6, 0, tzinfo=UTC)
PIPED = ("french-shells", "swiss-shells", "syrup-shells", "fingers", "kisses", "striped-kisses")


def with_racks(racks: int, **other: object) -> Kitchen:
    oven = KITCHEN.ovens[0].model_copy(update={"racks": racks})
    return KITCHEN.model_copy(update={"ovens": (oven,), **other})


def made(formula: str, racks: int, **wish: object) -> tuple[Scaled, Scaled]:
    """As its formula names it, and laid out."""
    kitchen = with_racks(racks)
    plain = scale(FORMULAS[formula], kitchen, Wish.model_validate(wish))
    return plain, in_loads(plain, kitchen)


def piped(forecast: Forecast) -> int:
    return sum(s.deposit.on_tray for s in forecast.steps if s.deposit is not None)


@settings(max_examples=60)
@given(st.sampled_from(PIPED), st.integers(1, 3), st.integers(4, 160))
def test_laid_out_nothing_is_lost_and_gathered_it_is_what_it_was(formula: str, racks: int, servings: int) -> None:
    plain, laid = made(formula, racks, servings=servings)
    assert laid.forecast.total_g == pytest.approx(plain.forecast.total_g)
    end, before = laid.forecast.steps[-1].material, plain.forecast.steps[-1].material
    assert end.mass_g == pytest.approx(before.mass_g, rel=0.01)
    assert abs(piped(laid.forecast) - piped(plain.forecast)) <= max(1, len(laid.formula.steps) / 4)
    again = gathered(laid.formula)
    assert [s.id for s in again.steps] == [s.id for s in plain.formula.steps]
    assert Flows(again).ingredients({again.steps[-1].id: 1.0}) == pytest.approx(
        Flows(plain.formula).ingredients({plain.formula.steps[-1].id: 1.0})
    )


@settings(max_examples=60)
@given(st.sampled_from(PIPED), st.integers(1, 3), st.integers(4, 160))
def test_no_load_is_larger_than_the_oven_and_every_tray_bakes_once(formula: str, racks: int, servings: int) -> None:
    _, laid = made(formula, racks, servings=servings)
    trays = [s for s in laid.formula.steps if isinstance(s, PipeStep) and s.tray is not None]
    bakes = [s for s in laid.formula.steps if isinstance(s, BakeStep)]
    if not trays:
        return
    walked = {w.step.id: w for w in walk_prepared(laid.formula, setting_of(laid, racks))}
    per_tray = trays[0].per_tray(laid.tin)
    for bake in bakes:
        assert walked[bake.id].place.tins.at_once <= racks
    if all(walked[t.id].place.tins.trays == 1 for t in trays):
        assert all(walked[t.id].place.tins.count <= per_tray for t in trays)
    assert sum(walked[b.id].place.tins.count for b in bakes) == sum(walked[t.id].place.tins.count for t in trays)
    recovers = [s for s in laid.formula.steps if isinstance(s, RecoverStep)]
    assert len(recovers) == len(bakes) - 1
    for recover, bake in zip(recovers, bakes[1:], strict=True):
        assert recover.id in bake.after
    assert bakes[0].id == FORMULAS[formula].bake.id  # type: ignore[union-attr]


def setting_of(laid: Scaled, racks: int) -> Setting:
    kitchen = with_racks(racks)
    return Setting(kitchen=kitchen, oven=kitchen.ovens[0], tins=TinsInUse(laid.tin_name, laid.tin, laid.tin_count))


@pytest.mark.parametrize("formula", PIPED)
@pytest.mark.parametrize("racks", [1, 2])
def test_a_plan_is_found_with_each_load_after_the_oven_has_come_back(formula: str, racks: int) -> None:
    _, laid = made(formula, racks, servings=40)
    plan = plan_backward(laid.forecast, with_racks(racks), None, SIX)
    at = {s.step: (s.start, s.end) for s in plan.steps}
    bakes = [s.id for s in laid.formula.steps if isinstance(s, BakeStep)]
    recovers = [s.id for s in laid.formula.steps if isinstance(s, RecoverStep)]
    for before, again, after_it in zip(bakes, recovers, bakes[1:], strict=False):
        assert at[before][1] <= at[again][0]
        assert at[again][1] <= at[after_it][0]
    for window in windows(laid.forecast):
        assert (at[window.closes][0] - at[window.opens][1]).total_seconds() <= window.hold_s.likely + 1
    for step in laid.formula.steps:
        if isinstance(step, SkinStep):
            rest = next(s for s in laid.forecast.steps if s.id == step.id)
            taker = next(s for s in laid.forecast.steps if step.id in s.needs)
            waits = (at[taker.id][0] - at[step.id][1]).total_seconds()
            assert waits <= rest.hold_s.likely + 1  # type: ignore[union-attr]


def test_each_tray_has_a_vessel_of_its_own() -> None:
    _, laid = made("french-shells", 1)
    vessels = {s.vessel for s in laid.formula.steps if isinstance(s, SkinStep)}
    assert vessels == {"tray", "tray-no-2"}
    assert laid.formula.vessel("tray-no-2").name == "tray 2"
    assert "tray-no-2" not in {v.id for v in gathered(laid.formula).vessels}


def test_one_tray_stays_as_its_formula_names_it() -> None:
    plain, laid = made("french-shells", 1, pieces=20)
    assert laid is plain


def test_kisses_that_wait_for_the_oven_are_told_how_long() -> None:
    _, laid = made("kisses", 1)
    texts = [w.text for w in laid.forecast.warnings]
    assert sum("after the batter stops holding" in t for t in texts) == 1
    _, both = made("kisses", 2)
    assert not any("stops holding" in w.text for w in both.forecast.warnings)


def test_trays_beyond_the_racks_are_loads_and_no_reproach() -> None:
    plain, laid = made("french-shells", 1)
    assert any("2 loads" in w.text and "load by load" in w.remedy for w in plain.forecast.warnings)
    assert not any("loads of" in w.text for w in laid.forecast.warnings)


def _course(racks: int = 1) -> Course:
    kitchen = with_racks(racks)
    laid = in_loads(scale(FORMULAS["french-shells"], kitchen, Wish()), kitchen)
    return Course(
        formula=laid.formula,
        kitchen=kitchen,
        oven="deck",
        tin_name=laid.tin_name,
        tin=laid.tin,
        tin_count=laid.tin_count,
    )


def _trays(formula: Formula) -> int:
    return sum(isinstance(s, PipeStep) for s in formula.steps)


def test_twice_the_batch_is_laid_out_anew() -> None:
    course = _course()
    double = Batch(times=2).followed(course, after(course.formula)).course
    assert _trays(double.formula) == 4
    assert Flows(double.formula).ingredients({"mature": 1.0}) == pytest.approx(
        {i: 2 * g for i, g in Flows(course.formula).ingredients({"mature": 1.0}).items()}
    )
    piped_one = after(course.formula, "pipe")
    late = Batch(times=2).followed(course, piped_one).course
    assert late.formula.step("pipe") == course.formula.step("pipe")


def test_an_oven_of_other_racks_has_other_loads() -> None:
    course = _course()
    small = course.kitchen.ovens[0].model_copy(update={"id": "big", "name": "Big oven", "racks": 3})
    kitchen = course.kitchen.model_copy(update={"ovens": (*course.kitchen.ovens, small)})
    course = course.model_copy(update={"kitchen": kitchen})
    moved = OtherOven(oven="big").followed(course, after(course.formula)).course
    assert sum(isinstance(s, BakeStep) for s in moved.formula.steps) == 1
    begun = OtherOven(oven="big").followed(course, after(course.formula, "pipe")).course
    assert sum(isinstance(s, BakeStep) for s in begun.formula.steps) == 2


# The steps themselves.


def place(**other: object) -> Setting:
    piece = PipedPiece(width_mm=40, height_mm=8)
    tins = TinsInUse("tray", piece.mould(), 30, piece=piece, trays=1)
    return replace(setting_of(made("french-shells", 1)[1], 1), tins=tins, formula="french-shells", **other)  # type: ignore[arg-type]


BATTER = Material(parts={"almond-flour": 76, "icing-sugar": 76, "egg-white": 61, "sugar": 58})


def _skin(**fields: object) -> SkinStep:
    return SkinStep.model_validate({"id": "skin", "title": "Rest", "vessel": "tray", **fields})


def test_a_skin_is_expected_by_the_air_of_the_kitchen() -> None:
    by_damp = []
    for percent in (40, 60, 75):
        kitchen = KITCHEN.model_copy(update={"humidity_percent": percent})
        outcome = _skin().effect((BATTER,), place(kitchen=kitchen))
        expected = skin.modelled_s(kitchen.air_c, percent)
        assert outcome.duration_s.likely == pytest.approx(expected)
        by_damp.append(outcome.duration_s.likely)
        assert outcome.material.mass_g < BATTER.mass_g
    assert by_damp == sorted(by_damp)
    assert _skin(method="Swiss").effect((BATTER,), place()).duration_s.likely == pytest.approx(
        0.6 * _skin().effect((BATTER,), place()).duration_s.likely
    )


def test_damp_air_is_warned_of_with_what_helps() -> None:
    damp = KITCHEN.model_copy(update={"humidity_percent": 90.0})
    notices = _skin().effect((BATTER,), place(kitchen=damp)).notices
    assert [n.level for n in notices] == ["danger"]
    assert "fan" in notices[0].remedy
    assert _skin().effect((BATTER,), place()).notices == ()


def test_not_yet_forecasts_anew() -> None:
    before = _skin().effect((BATTER,), place()).duration_s
    touched = place(touches=(Touch(t_s=1.2 * before.likely, feel=Feel.TACKY),))
    later = _skin().effect((BATTER,), touched).duration_s
    assert later.likely > 1.2 * before.likely
    assert later.high / later.low < before.high / before.low


@pytest.mark.parametrize("resting", [Resting.NOT_RESTED, Resting.IN_OVEN])
def test_a_kitchen_that_does_not_rest_names_its_choice(resting: Resting) -> None:
    step = _skin(resting=resting.value)
    outcome = step.effect((BATTER,), place())
    assert outcome.duration_s.likely <= 600
    chosen = step.schools(None)[0]  # type: ignore[arg-type]
    assert chosen.choice == resting.value
    assert "rested until it holds" in chosen.others
    assert chosen.trades


def test_what_was_counted_out_does_not_go_on() -> None:
    step = SortStep(id="sort", title="Sort", vessel="tray")
    whole = step.effect((BATTER,), place())
    assert whole.material.mass_g == pytest.approx(BATTER.mass_g)
    counted = step.effect((BATTER,), place(counts=((0, Counted(good=24, broken=4, cracked=2)),)))
    assert counted.material.mass_g == pytest.approx(0.8 * BATTER.mass_g)
    assert "6 of 30" in counted.notices[0].text
    assert "freezer" in whole.checkpoints[0].not_yet
    assert step.effect((BATTER,), place(counts=((0, Counted(good=29, broken=1)),))).notices == ()


def test_the_pairs_are_of_those_that_were_good() -> None:
    _, laid = made("french-shells", 1)
    observed = Observed(counts={"sort": ((0, Counted(good=40, broken=10, hollow=8)),)})
    walked = {w.step.id: w for w in walk_prepared(laid.formula, setting_of(laid, 1), observed)}
    assert walked["pair"].place.tins.count == 40
    assert walked["pair"].outcome.goal.startswith("20 pairs")
    assert "20 pairs of 40 mm" in walked["pair"].outcome.do


def test_too_little_filling_is_told_with_the_layer_that_it_gives() -> None:
    step = PairStep(id="pair", title="Pair", vessel="rack")
    thin = step.effect((BATTER, Material(parts={"chocolate-dark": 10, "cream-35": 8})), place())
    risk = next(n for n in thin.notices if n.level == "risk")
    assert "mm in each pair" in risk.text
    enough = step.effect((BATTER, Material(parts={"chocolate-dark": 60, "cream-35": 50})), place())
    assert all(n.level != "risk" for n in enough.notices)
    assert "ganache" in enough.why


def test_what_matures_says_how_long_it_keeps() -> None:
    step = MatureStep(id="m", title="Mature", vessel="rack", filling=FillingKind.CURD)
    outcome = step.effect((BATTER,), place())
    assert "4 days" in outcome.do
    own = step.effect((BATTER,), place(kitchen=KITCHEN.model_copy(update={"cold_rule": "two days, red dot"})))
    assert "two days, red dot" in own.do
    assert "4 days" not in own.do


def test_too_much_colour_is_told_where_it_is_piped() -> None:
    step = PipeStep.model_validate({**PipeStep.first, "id": "p", "title": "Pipe", "vessel": "tray"})
    coloured = Material(parts={**BATTER.parts, "colour-gel-blue": 5.0})
    texts = [n.text for n in step.effect((coloured,), place()).notices]
    assert any("crack" in t for t in texts)
    assert not step.effect((BATTER,), place()).notices


# What is learned of a hand and of the air.


def _dot(n: int, figure: Figure, effects: tuple[str, ...], observed: float, modelled: float) -> Dot:
    return Dot(id=f"{figure.name}-{n}", figure=figure, effects=effects, observed=observed, modelled=modelled)


@pytest.mark.parametrize("times", [0.7, 1.0, 1.5])
def test_five_trays_tell_how_a_kitchen_dries_within_a_tenth(times: float) -> None:
    """Fingers are laid on every eight minutes; trays differ by a few percent."""
    setting = place()
    expected = _skin().effect((BATTER,), setting).expects[0]
    dots = []
    for n, differs in enumerate((1.04, 0.97, 1.0, 0.95, 1.03)):
        holds = expected.modelled.likely * times * differs
        moments = [480.0 * i for i in range(1, 40) if 480.0 * (i - 1) < holds]
        feels = [Feel.WET if m < skin.TACKY_FROM * holds else Feel.TACKY if m < holds else Feel.DRY for m in moments]
        took = skin.took_s(tuple(Touch(t_s=m, feel=f) for m, f in zip(moments, feels, strict=True)))
        assert took is not None
        dots.append(_dot(n, Figure.SKIN, expected.effects, took[0], expected.modelled.likely))
    learned = _skin().effect((BATTER,), replace(setting, record=KitchenRecord(dots=tuple(dots))))
    assert learned.duration_s.likely == pytest.approx(expected.modelled.likely * times, rel=0.1)
    assert learned.duration_s.bakes == 5


@pytest.mark.parametrize(("slower", "larger"), [(1.4, 1.12), (0.75, 0.93)])
def test_five_trays_tell_a_hand_within_a_tenth(slower: float, larger: float) -> None:
    step = PipeStep.model_validate({**PipeStep.first, "id": "p", "title": "Pipe", "vessel": "tray"})
    setting = place()
    time, size = step.effect((BATTER,), setting).expects
    dots = [
        dot
        for n, differs in enumerate((1.05, 0.96, 1.0, 0.97, 1.03))
        for dot in (
            _dot(n, Figure.PIPE, time.effects, time.modelled.likely * slower * differs, time.modelled.likely),
            _dot(n, Figure.PIECE, size.effects, size.modelled.likely * larger * differs, size.modelled.likely),
        )
    ]
    record = replace(setting, record=KitchenRecord(dots=tuple(dots)))
    time_now, size_now = step.effect((BATTER,), record).expects
    assert time_now.made.likely == pytest.approx(time.modelled.likely * slower, rel=0.1)
    assert size_now.made.likely == pytest.approx(size.modelled.likely * larger, rel=0.1)
    assert (step.pieces(BATTER, record) < step.pieces(BATTER, setting)) is (larger > 1)


def test_a_syrup_meringue_dries_by_its_own_method() -> None:
    step = next(s for s in FORMULAS["syrup-shells"].steps if isinstance(s, SkinStep))
    assert step.method is Method.ITALIAN


def test_an_open_formula_laid_out_twice_is_laid_out_once() -> None:
    _, laid = made("french-shells", 1)
    setting = setting_of(laid, 1)
    assert laid_out(laid.formula, setting) == laid.formula


@pytest.mark.parametrize("method", [Method.SWISS, Method.ITALIAN])
def test_shells_made_by_another_method_dry_by_that(method: Method) -> None:
    french = FORMULAS["french-shells"]
    other = with_method(french, "whip", method)
    assert [s.method for s in other.steps if isinstance(s, SkinStep)] == [method]
    assert [s.method for s in french.steps if isinstance(s, SkinStep)] == [Method.FRENCH]


def test_what_goes_into_the_oven_with_a_tray_is_shared_out_too() -> None:
    plain, _ = made("kisses", 1)
    sprinkled = IngredientPortion(ingredient="sugar", grams=12)
    steps = tuple(
        s.model_copy(update={"inputs": (*s.inputs, sprinkled)}) if isinstance(s, BakeStep) else s
        for s in plain.formula.steps
    )
    formula = Formula.model_validate({**dict(plain.formula), "steps": steps})
    laid = laid_out(formula, setting_of(plain, 1))
    bakes = [s for s in laid.steps if isinstance(s, BakeStep)]
    assert len(bakes) == 2
    assert sum(p.grams for b in bakes for p in b.weighed) == pytest.approx(12)
    assert gathered(laid).grams_of("sugar") == pytest.approx(formula.grams_of("sugar"))


def test_the_make_ready_list_is_for_all_trays_and_fillings_of_the_bag() -> None:
    _, laid = made("french-shells", 1, servings=60)
    trays = sum(isinstance(s, PipeStep) for s in laid.formula.steps)
    ready = {m.id: m.detail for m in laid.forecast.step("pipe").make_ready}
    assert ready["trays"].startswith(f"{trays},")
    assert "filled" in ready["bag"]
    assert "filled" not in {m.id: m.detail for m in made("french-shells", 1)[1].forecast.step("pipe").make_ready}["bag"]
