"""Cream called for while its crumb cools: by the forecast, a thermometer, one reading by hand; for one cake or two."""

from __future__ import annotations

from datetime import datetime, timedelta

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import StepPortion, of
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.demo.formulas import demo_formulas
from tests.bench.helpers import Baker
from tests.bench.test_rack_to_plate import CRUMB, close


def on_the_rack(bench: Bench, formula: str = "citrus-roll") -> Baker:
    """A crumb that has just begun to cool, the cream for it still to be whipped."""
    baker = Baker(bench, formula, hours=8)
    for _ in range(60):
        if {"cool", "cool-b"} & {*baker.state.running}:
            return baker
        if baker.state.current == "whip-cream":  # Its time has not come: first what is in the oven.
            baker.wait(25 * 60)
            baker.tell("step_done", step=baker.state.running[0])
        else:
            baker.go_on()
    raise AssertionError("nothing ever cooled")


def start_of(baker: Baker, step: str) -> datetime:
    return next(s for s in baker.state.steps if s.id == step).expected_start_at


def read(baker: Baker, celsius: float) -> None:
    baker.tell("reading_added", step="cool", quantity=CRUMB, value=celsius)
    baker.confirm()


def test_cream_is_called_for_when_the_crumb_will_be_cold_enough(bench: Bench) -> None:
    baker = on_the_rack(bench)
    (called,) = baker.state.awaited
    assert (called.cools, called.whisk, called.meets, called.read) == ("cool", "whip-cream", "spread", False)
    baker.wait(120)
    read(baker, 41.0)
    (told,) = baker.state.awaited
    assert told.read
    assert told.start_c is not None
    view = close(baker, "cool")
    assert view.column is not None
    assert view.outlook is not None
    (mark,) = view.column.marks
    assert (mark.name, mark.at_c) == ("whip the cream", told.start_c)
    assert view.column.target_c < mark.at_c < 41
    whips = baker.bench.state(baker.bake, focus="whip-cream", now=baker.now).details["whip-cream"].forecast
    assert view.outlook.likely_at - told.start_at == pytest.approx(
        timedelta(seconds=whips.duration_s.likely), abs=timedelta(seconds=1)
    )


def test_a_crumb_that_cools_faster_calls_for_the_cream_sooner(bench: Bench) -> None:
    baker = on_the_rack(bench)
    baker.wait(120)
    (before,) = baker.state.awaited
    read(baker, 31.0)
    (after,) = baker.state.awaited
    assert after.start_at < before.start_at
    assert start_of(baker, "whip-cream") == pytest.approx(after.start_at, abs=timedelta(seconds=30))


def test_it_is_called_for_until_it_is_begun_and_again_when_that_is_undone(bench: Bench) -> None:
    baker = on_the_rack(bench)
    baker.until("whip-cream")
    baker.tick_all()
    assert baker.tell("step_started", step="whip-cream").awaited == ()
    assert baker.state.undoable is not None
    assert len(baker.tell("undone", sequence=baker.state.undoable).awaited) == 1
    (late,) = baker.tell("step_done", step="cool").awaited
    assert (late.start_at, late.start_c) == (baker.now, None)
    baker.wait(20 * 3600)
    (long_after,) = baker.state.awaited
    assert long_after.start_at == baker.now


def test_cutting_and_soaking_come_before_the_cream_is_wanted(bench: Bench) -> None:
    baker = on_the_rack(bench, "layer-cake")
    (called,) = baker.state.awaited
    cool = close(baker, "cool").outlook
    assert cool is not None
    assert called.start_at > cool.likely_at
    assert called.start_c is None
    column = close(baker, "cool").column
    assert column is not None
    assert column.marks == ()
    read(baker, 25.0)
    baker.tell("step_done", step="cool")
    (later,) = baker.state.awaited
    baker.tell("step_done", step="cut")
    (sooner,) = baker.state.awaited
    assert sooner.start_at < later.start_at


def of_two_cakes() -> Formula:
    """The layer cake of two cakes, each baked by itself, with one cream between."""
    cake = next(f for f in demo_formulas() if f.id == "layer-cake")

    def again(step: Step) -> Step:
        inputs = tuple(
            p.model_copy(update={"step": f"{p.step}-b"}) if isinstance(p, StepPortion) else p for p in step.inputs
        )
        other = {"id": f"{step.id}-b", "inputs": inputs, "after": tuple(f"{i}-b" for i in step.after)}
        return step.model_copy(update=other | ({"leads": False} if isinstance(step, FillStep) else {}))

    sponge = [s for s in cake.steps if s.component == "sponge"]
    rest = [
        s.model_copy(update={"inputs": (s.inputs[0], of("cool-b"), *s.inputs[1:])}) if s.id == "stack" else s
        for s in cake.steps
        if s not in sponge
    ]
    return cake.model_copy(update={"id": "two-cakes", "steps": (*sponge, *map(again, sponge), *rest)})


def test_one_cream_for_two_cakes_is_called_for_by_the_one_that_cools_last(bench: Bench) -> None:
    bench.store.formulas.save(of_two_cakes())
    baker = on_the_rack(bench, "two-cakes")
    first = "cool" if "cool" in baker.state.running else "cool-b"
    last = "cool-b" if first == "cool" else "cool"
    before = baker.state.awaited
    assert before == (), "the other is not even baked"
    for _ in range(60):
        if last in baker.state.running:
            break
        if baker.state.current in {"whip-cream", first}:
            baker.wait(25 * 60)
            baker.tell("step_done", step=next(i for i in baker.state.running if i != first))
        else:
            baker.go_on()
    (called,) = baker.state.awaited
    assert (called.cools, called.whisk, called.meets) == (last, "whip-cream", "stack")
