"""What is told of a running bake: its cups, its gate, its column, and what the ovens page shows; by value."""

from __future__ import annotations

from datetime import timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.plans import plan_backward
from kindwhisk.core.foams.balance import Method
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.ovens.place import OvenMode, Rack
from kindwhisk.core.process.forecast import forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.meringue import meringues, with_method
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.process.walk import walk
from kindwhisk.core.process.wish import Wish
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from tests.bench.helpers import BEGAN, Baker
from tests.core.strategies import setting_of

BY_ID = {f.id: f for f in demo_formulas()}


def whipping(bench: Bench) -> Baker:
    """A bake whose whites have been on the whisk for two minutes."""
    baker = Baker(bench, "tea-chiffon", hours=6)
    baker.until("whip")
    baker.tick_all()
    baker.tell("step_started", step="whip")
    baker.wait(120)
    return baker


def test_a_cup_of_another_vessel_does_not_move_the_foam(bench: Bench) -> None:
    baker = whipping(bench)
    before = baker.state.details["whip"].section
    other = next(s.id for s in baker.state.steps if s.kind == "mix")
    baker.tell("reading_added", step=other, quantity="density", value=1.05)
    assert baker.state.details["whip"].section == before
    baker.tell("reading_added", step="whip", quantity="density", value=0.6)
    after = baker.state.details["whip"].section
    assert before is not None
    assert after is not None
    assert after.density_g_per_ml.likely == pytest.approx(0.6, rel=1e-3)
    assert after.level_mm < before.level_mm


def test_the_gate_is_that_of_the_step_that_begins_first(bench: Bench) -> None:
    for formula in ("tea-chiffon", "citrus-roll", "butter-sponge"):
        baker = Baker(bench, formula, hours=8)
        at = bench.moment(baker.bake, baker.now)
        waiting = [i for i in at.gates if i != at.current]
        gate = baker.state.gate
        assert gate is not None
        if at.current not in at.gates:
            assert gate.step == min(waiting, key=lambda i: at.expected[i][0])
        assert gate.open is all(i.there for i in gate.items)


def test_a_columns_scale_has_room_below_and_above(bench: Bench) -> None:
    baker = Baker(bench, "tea-chiffon", hours=6)
    baker.until("bake")
    seen = baker.tell("step_started", step="bake").details["bake"]
    column = seen.column
    assert column is not None
    step = bench.moment(baker.bake, baker.now).walked.formula.step("bake")
    heading = step.expected_reading(0, 600, *_before(bench, baker, "bake"))
    assert heading is not None
    ends = (heading.start_c, column.target_c, column.band_low_c, column.band_high_c, column.now_c)
    assert column.scale_high_c == pytest.approx(max(ends) + 15)
    assert column.scale_low_c == pytest.approx(min(ends) - 5)
    assert column.rising
    assert column.measured is False


def _before(bench: Bench, baker: Baker, step: str) -> tuple[Material, Setting]:
    made = bench.moment(baker.bake, baker.now).walked
    return made.before[step], made.places[step]


def test_an_oven_shows_its_own_mode_and_what_was_measured(bench: Bench) -> None:
    shown = {(p.rack, p.mode) for p in bench.oven_profile("deck").places}
    assert shown == {(rack, OvenMode.STATIC) for rack in Rack}
    note = '{"kind": "checked", "set_c": 170, "measured_c": 160, "rack": "top", "mode": "fan"}'
    bench.store.oven_notes.keep("deck", kind="checked", payload=note, client_key="fan-top-1")
    shown = {(p.rack, p.mode) for p in bench.oven_profile("deck").places}
    assert shown == {(rack, OvenMode.STATIC) for rack in Rack} | {(Rack.TOP, OvenMode.FAN)}


def test_the_state_knows_how_late_it_will_be(bench: Bench) -> None:
    baker = Baker(bench, "tea-chiffon", hours=6)
    state = baker.state
    assert state.expected_ready_at == max(s.expected_end_at for s in state.steps)
    assert state.late_by_s == (state.expected_ready_at - state.ready_at).total_seconds()
    later = bench.state(baker.bake, now=baker.now + timedelta(hours=6))
    assert later.late_by_s > 3600


@pytest.mark.parametrize("formula", demo_formulas(), ids=lambda f: f.id)
def test_what_ends_with_raw_egg_says_so_and_nothing_else_does(formula: Formula) -> None:
    """A foam that was baked before it was eaten needs no such word; one that was not always does."""
    seen = scale(formula, demo_kitchen(), Wish()).forecast
    parts = {w.step.id: set(w.outcome.material.parts) for w in walk(formula, setting_of(formula))}

    def egg(step: str) -> bool:
        return any(ingredient(i).kind == "egg" for i in parts.get(step, ()))

    def reaches_an_oven(step: str) -> bool:
        takers = [s for s in seen.steps if step in {t.step for t in s.inputs}]
        return seen.step(step).sets_foam or any(reaches_an_oven(t.id) for t in takers)

    raw = any(s.begins_foam and egg(s.id) and not reaches_an_oven(s.id) for s in seen.steps)
    last = seen.steps[-1]
    assert ("unbaked-egg" in {c.id for c in last.cautions}) is (raw and egg(last.id))


def test_some_of_the_demo_ends_raw_and_most_does_not() -> None:
    ends = {
        f.id: "unbaked-egg" in {c.id for c in scale(f, demo_kitchen(), Wish()).forecast.steps[-1].cautions}
        for f in demo_formulas()
    }
    assert ends["coffee-mousse"]
    assert not ends["tea-chiffon"]
    assert not ends["butter-sponge"]


def test_an_order_that_saves_a_wash_names_the_first_that_comes_before() -> None:
    formula = BY_ID["tea-chiffon"]
    shared = {"beat-yolks", "add-tea", "whisk-flour"} & {s.id for s in formula.steps if hasattr(s, "tool")}
    steps = tuple(s.model_copy(update={"tool": "mixer whisk"}) if s.id in shared else s for s in formula.steps)
    plan = forecast(formula.model_copy(update={"steps": steps}), setting_of(formula)).washing
    row = next(r for r in plan.tools if r.tool == "mixer whisk")
    (saving,) = plan.savings
    at = next(i for i, u in enumerate(row.uses) if u.step == saving.step)
    greasy = [u for u in row.uses[:at] if u.greasy]
    assert len(greasy) > 1
    assert saving.says.startswith(f"“{row.uses[at].title}” before “{greasy[0].title}” saves washing the mixer whisk")
    assert saving.waits_s == pytest.approx(sum(forecast_s(formula, u.step) for u in greasy))


def forecast_s(formula: Formula, step: str) -> float:
    return forecast(formula, setting_of(formula)).step(step).duration_s.likely


def test_another_meringue_keeps_what_has_to_come_first() -> None:
    formula = BY_ID["tea-chiffon"]
    (step,) = meringues(formula)
    waits = ("weigh-milk", step)
    steps = tuple(s.model_copy(update={"after": waits}) if s.id == "fill" else s for s in formula.steps)
    made = with_method(formula.model_copy(update={"steps": steps}), step, Method.SWISS)
    assert made.step("fill").after == waits
    gone = {s.id for s in formula.steps} - {s.id for s in made.steps}
    assert gone.isdisjoint({a for s in made.steps for a in s.after})
    whip, new = formula.step(step), made.step(step)
    assert isinstance(whip, WhipStep)
    assert isinstance(new, WhipStep)
    assert (new.speed, new.peak) == (whip.speed, whip.peak)


@pytest.mark.parametrize("formula", demo_formulas(), ids=lambda f: f.id)
def test_a_plan_begins_with_its_first_step_and_is_ready_in_its_range(formula: Formula) -> None:
    kitchen = demo_kitchen()
    wanted = BEGAN + timedelta(hours=60)
    made = plan_backward(scale(formula, kitchen, Wish()).forecast, kitchen, wanted, BEGAN)
    assert made.start_at == min(s.start for s in made.steps)
    assert made.ready_low_at <= made.ready_at <= made.ready_high_at
    assert (made.wanted_at, made.late_by_s) == (wanted, 0)
    assert timedelta(0) <= wanted - made.ready_at < timedelta(minutes=1)
    late = plan_backward(scale(formula, kitchen, Wish()).forecast, kitchen, BEGAN + timedelta(minutes=5), BEGAN)
    assert late.start_at == BEGAN
    assert late.late_by_s == pytest.approx((late.ready_at - BEGAN).total_seconds() - 300, abs=1)


def test_before_a_step_begins_its_column_stands_where_it_starts(bench: Bench) -> None:
    baker = Baker(bench, "tea-chiffon", hours=6)
    baker.until("bake")
    waiting = baker.state.details["bake"].column
    step = bench.moment(baker.bake, baker.now).walked.formula.step("bake")
    heading = step.expected_reading(0, 600, *_before(bench, baker, "bake"))
    assert waiting is not None
    assert heading is not None
    assert waiting.now_c == pytest.approx(heading.start_c)
    assert (waiting.arrives_at, waiting.measured) == (None, False)
    baker.tell("step_started", step="bake")
    baker.wait(600)
    warmer = baker.state.details["bake"].column
    assert warmer is not None
    assert warmer.now_c > heading.start_c + 1
    assert warmer.arrives_at is not None
