"""Levers: what was found out goes into the formula, once, at its step, and the formula stays sound."""

from __future__ import annotations

import pytest

from kindwhisk.core.diagnosis.causes import CAUSES
from kindwhisk.core.ovens.place import Rack
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.levers import CHANGES, changed, noted, step_for
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import demo_formulas, tea_chiffon

LEVERS = [c for c in CAUSES.values() if c.change is not None]


def bake_of(formula: Formula) -> BakeStep:
    return next(s for s in reversed(formula.steps) if isinstance(s, BakeStep))


def at_rack(rack: Rack) -> Formula:
    formula = tea_chiffon()
    moved = bake_of(formula).model_copy(update={"rack": rack})
    return formula.model_copy(update={"steps": tuple(moved if s.id == moved.id else s for s in formula.steps)})


@pytest.mark.parametrize("formula", demo_formulas(), ids=lambda f: f.id)
def test_a_note_stands_at_a_step_of_its_kind_and_nothing_else_moves(formula: Formula) -> None:
    for cause in CAUSES.values():
        step = step_for(formula, cause)
        if step is None:
            continue
        taken = noted(formula, cause)
        assert taken.step == step.id
        assert step.kind in cause.at
        assert taken.formula.step(step.id).note.endswith(cause.lever)
        others = [s for s in taken.formula.steps if s.id != step.id]
        assert others == [s for s in formula.steps if s.id != step.id]
        assert noted(taken.formula, cause).formula == taken.formula, "it is written once"


def test_a_note_goes_where_it_is_told_to() -> None:
    taken = noted(tea_chiffon(), CAUSES["air-lost"], "loosen")
    assert taken.step == "loosen"
    with pytest.raises(CraftError):
        noted(tea_chiffon(), CAUSES["air-lost"], "no-such-step")


def test_a_full_note_and_a_missing_step_are_told_with_what_to_do() -> None:
    formula, cause = tea_chiffon(), CAUSES["air-lost"]
    full = formula.step("fold").model_copy(update={"note": "x" * 390})
    stuffed = formula.model_copy(update={"steps": tuple(full if s.id == "fold" else s for s in formula.steps)})
    with pytest.raises(CraftError, match="full"):
        noted(stuffed, cause)
    with pytest.raises(CraftError, match="No step"):
        noted(formula, CAUSES["rolled-cold"].model_copy(update={"at": ("roll",)}))


@pytest.mark.parametrize("cause", LEVERS, ids=lambda c: c.key)
def test_a_change_changes_the_bake_alone_and_says_what_it_was(cause) -> None:  # type: ignore[no-untyped-def]
    formula = at_rack(Rack.MIDDLE)
    taken = changed(formula, cause)
    assert taken.step == bake_of(formula).id
    assert bake_of(taken.formula) != bake_of(formula)
    assert "→" in taken.said
    others = [s for s in taken.formula.steps if s.id != taken.step]
    assert others == [s for s in formula.steps if s.id != taken.step]


def test_ten_degrees_less_and_ten_more_is_what_it_was() -> None:
    cooler = changed(tea_chiffon(), CAUSES["too-hot"]).formula
    assert bake_of(cooler).oven_c == bake_of(tea_chiffon()).oven_c - 10
    assert changed(cooler, CAUSES["oven-cold"]).formula == tea_chiffon()


def test_no_oven_leaves_its_limits_and_no_rack_its_oven() -> None:
    formula = tea_chiffon()
    for _ in range(20):
        formula = changed(formula, CAUSES["too-hot"]).formula
    assert bake_of(formula).oven_c == 60
    with pytest.raises(CraftError, match="bottom rack already"):
        changed(at_rack(Rack.BOTTOM), CAUSES["weak-below"])
    with pytest.raises(CraftError, match="top rack already"):
        changed(at_rack(Rack.TOP), CAUSES["hot-below"])


def test_every_lever_that_a_cause_has_is_one_that_can_be_taken() -> None:
    assert {c.change for c in LEVERS} == set(CHANGES)
    with pytest.raises(CraftError, match="nothing in the formula"):
        changed(tea_chiffon(), CAUSES["waited"])
