"""Which bowl and beater must be free of fat, and what their order costs."""

from __future__ import annotations

from kindwhisk.core.process.forecast import forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.gate import gates
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.washing import WashPlan
from kindwhisk.demo.formulas import demo_formulas, tea_chiffon
from tests.core.strategies import setting_of


def _plan(formula: Formula) -> WashPlan:
    return forecast(formula, setting_of(formula)).washing


def _with_tool(formula: Formula, step_id: str, tool: str) -> Formula:
    steps = tuple(s.model_copy(update={"tool": tool}) if s.id == step_id else s for s in formula.steps)
    return formula.model_copy(update={"steps": steps})


def test_a_whisk_that_beat_yolks_is_washed_before_whites() -> None:
    shared = _with_tool(tea_chiffon(), "beat-yolks", "mixer whisk")
    plan = _plan(shared)
    (row,) = [r for r in plan.tools if r.tool == "mixer whisk"]
    assert [(u.step, u.washed_before) for u in row.uses] == [("beat-yolks", False), ("whip", True)]
    assert (plan.washes, plan.least) == (1, 0)
    (saving,) = plan.savings
    assert "saves washing the mixer whisk" in saving.says
    assert saving.worth_it == (saving.waits_s <= saving.holds_s)
    beater = next(r for r in plan.ready["whip"] if r.id == "beater")
    assert "washed since the fat" in beater.detail
    (gate,) = gates(forecast(shared, setting_of(shared)))
    assert "washed since the fat" in next(i.detail for i in gate.items if i.id == "have-beater")


def test_whites_first_need_no_wash_and_say_where_the_whisk_goes_next() -> None:
    shared = _with_tool(tea_chiffon(), "loosen", "mixer whisk")
    plan = _plan(shared)
    assert plan.washes == 0
    beater = next(r for r in plan.ready["whip"] if r.id == "beater")
    assert "then as it is to" in beater.detail


def test_the_plan_counts_the_washes_that_the_work_gets() -> None:
    for formula in (*demo_formulas(), _with_tool(tea_chiffon(), "beat-yolks", "mixer whisk")):
        put_in = [s.id for s in prepared(formula).steps if s.kind == "wash"]
        assert _plan(formula).washes == len(put_in), formula.id


def test_no_saving_is_told_where_the_foam_waits_for_what_is_greasy() -> None:
    shared = _with_tool(tea_chiffon(), "beat-yolks", "mixer whisk")
    after = tuple(s.model_copy(update={"after": ("beat-yolks",)}) if s.id == "whip" else s for s in shared.steps)
    plan = _plan(shared.model_copy(update={"steps": after}))
    assert (plan.washes, plan.least, plan.savings) == (1, 1, ())
