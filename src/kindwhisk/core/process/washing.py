"""Bowls and beaters through a bake: what has to be free of fat, what is washed when, and the order that saves a wash.

A beater may go from whites to yolks as it is, but not back: a film of fat keeps whites down.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from kindwhisk.core.process.checking import fatty
from kindwhisk.core.process.formula import Formula, content_of, upstream
from kindwhisk.core.process.outcome import MakeReady
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.steps import Step
from kindwhisk.core.process.steps.wash import WASH_S
from kindwhisk.core.process.walk import WalkedStep
from kindwhisk.core.values.model import Value


class ToolUse(Value):
    """A tool at a step: whether it leaves fat on it, must be free of fat, and has to be washed before."""

    step: str
    title: str
    greasy: bool
    clean: bool
    washed_before: bool


class ToolRow(Value):
    """A tool with its uses in the order of the work."""

    tool: str
    uses: tuple[ToolUse, ...]


class Saving(Value):
    """An order that saves a wash: what comes first, what it costs in waiting, and whether the foam bears it."""

    step: str
    tool: str
    says: str
    waits_s: float
    holds_s: float
    worth_it: bool


class WashPlan(Value):
    """Tools that have to be free of fat at some time, and what is to be made ready for that, by step.

    ``washes`` is what the chosen order costs, ``least`` what the best order would.
    """

    tools: tuple[ToolRow, ...]
    ready: dict[str, tuple[MakeReady, ...]]
    washes: int
    least: int
    savings: tuple[Saving, ...]


def greases(formula: Formula, step: Step) -> bool:
    """Whether a step's content leaves a film of fat."""
    return any(fatty(i) for i in content_of(formula, step).ingredients)


def must_be_clean(formula: Formula, step: Step) -> bool:
    """Whether a step would fail by a film of fat: it begins a foam that holds none itself."""
    return step.begins_foam and not greases(formula, step)


def _waits_on(formula: Formula, step: Step) -> set[str]:
    """Ids of the steps that must come before a step: what it takes and what it waits for, all the way up."""
    by_id = {s.id: s for s in formula.steps}
    found: set[str] = set()
    todo = [step.id]
    while todo:
        for need in (*upstream(formula, todo[0]), *by_id[todo[0]].after):
            if need not in found and need in by_id:
                found.add(need)
                todo.append(need)
        todo.pop(0)
    return found


def _row(formula: Formula, tool: str, steps: Sequence[Step]) -> ToolRow:
    uses: list[ToolUse] = []
    dirty = False
    for step in steps:
        clean = must_be_clean(formula, step)
        wash = clean and dirty
        greasy = greases(formula, step)
        dirty = (dirty and not wash) or greasy
        uses.append(ToolUse(step=step.id, title=step.title, greasy=greasy, clean=clean, washed_before=wash))
    return ToolRow(tool=tool, uses=tuple(uses))


def wash_plan(formula: Formula, walked: Sequence[WalkedStep]) -> WashPlan:
    """The plan of a formula as its author ordered it; ``walked`` gives times and holds."""
    tools: dict[str, list[Step]] = {}
    for step in formula.steps:
        if step.tool_in_use is not None:
            tools.setdefault(step.tool_in_use, []).append(step)
    rows = tuple(_row(formula, tool, steps) for tool, steps in tools.items())
    outcomes = {w.step.id: w for w in walked}
    savings = [s for row in rows for u in row.uses if u.washed_before and (s := _saving(formula, row, u, outcomes))]
    washes = sum(u.washed_before for row in rows for u in row.uses)
    return WashPlan(
        tools=tuple(row for row in rows if any(u.clean for u in row.uses)),
        ready=_ready(formula, rows),
        washes=washes,
        least=washes - len(savings),
        savings=tuple(savings),
    )


def _saving(formula: Formula, row: ToolRow, use: ToolUse, outcomes: Mapping[str, WalkedStep]) -> Saving | None:
    """Whites first, if nothing greasy that this tool does is needed for them."""
    at = row.uses.index(use)
    before = [u for u in row.uses[:at] if u.greasy]
    needed = _waits_on(formula, formula.step(use.step))
    if any(u.step in needed for u in before):
        return None
    waits = sum(outcomes[u.step].outcome.duration_s.likely for u in before)
    hold = outcomes[use.step].outcome.hold_s
    holds = hold.likely if hold is not None else WASH_S
    worth = waits <= holds
    first = f"“{use.title}” before “{before[0].title}” saves washing the {row.tool}"
    return Saving(
        step=use.step,
        tool=row.tool,
        says=f"{first}: the foam then waits {waits / 60:.0f} of the {holds / 60:.0f} minutes that it holds."
        if worth
        else f"{first}, but the foam would wait {waits / 60:.0f} minutes and holds {holds / 60:.0f}: wash it, or take "
        "a second one.",
        waits_s=waits,
        holds_s=holds,
        worth_it=worth,
    )


def _ready(formula: Formula, rows: Sequence[ToolRow]) -> dict[str, tuple[MakeReady, ...]]:
    """What has to be free of fat before each foam of whites: its bowl and its beater."""
    names = {v.id: v.name for v in formula.vessels}
    found: dict[str, tuple[MakeReady, ...]] = {}
    for step in formula.steps:
        if not must_be_clean(formula, step):
            continue
        held = _held_fat(formula, step)
        # Bowl and beater that are used once more are to be cleaned once more, whatever was ticked before.
        anew = f"-{step.id}" if step.again else ""
        detail = "dry, free of fat: wipe with vinegar"
        if held is not None:
            detail = f"it held fat in “{held}”: wash, dry, wipe with vinegar"
        elif anew:
            detail = "emptied, washed, dry: wipe with vinegar"
        bowl = MakeReady(id=f"clean-bowl{anew}", name=names.get(step.vessel, step.vessel), detail=detail)
        found[step.id] = (bowl, *(_beater(row, u, anew) for row in rows for u in row.uses if u.step == step.id))
    return found


def _beater(row: ToolRow, use: ToolUse, anew: str) -> MakeReady:
    at = row.uses.index(use)
    later = next((u for u in row.uses[at + 1 :] if u.greasy), None)
    detail = "washed since the fat, dry" if use.washed_before else "clean, dry, no fat"
    if later is not None and not use.washed_before:
        detail += f"; then as it is to “{later.title}”"
    return MakeReady(id=f"beater{anew}", name=row.tool, detail=detail)


def _held_fat(formula: Formula, step: Step) -> str | None:
    """The title of the last step that left fat in this step's vessel, apart from what it takes itself."""
    own = {p.step for p in step.inputs if isinstance(p, StepPortion)} | upstream(formula, step.id)
    before = formula.steps[: [s.id for s in formula.steps].index(step.id)]
    held = [s for s in before if s.vessel == step.vessel and s.id not in own and greases(formula, s)]
    return held[-1].title if held else None
