"""The solver: all bakes of a day over what they share, by OR-Tools' CP-SAT.

Lateness by weight is minimised first, then the time from the first hand of each bake to when it is due.
"""

from __future__ import annotations

from collections.abc import Callable, Sequence
from typing import Any

from kindwhisk.core.day.check import breaches
from kindwhisk.core.day.hands import assigned
from kindwhisk.core.day.late import as_late_as_may_be
from kindwhisk.core.day.model import Asked, Model
from kindwhisk.core.day.plan import DayPlan, told
from kindwhisk.core.day.resources import GRID_S, DayResources
from kindwhisk.core.day.work import DayBake, Placed

WORKERS = 2


def solve(
    bakes: Sequence[DayBake],
    resources: DayResources,
    asked: Asked,
    better: Callable[[DayPlan], bool] | None = None,
) -> DayPlan | None:
    """The best plan that was found in the time; None where there is none, or none was found.

    Args:
        bakes: what is to be made.
        resources: what is shared.
        asked: from where, and how long.
        better: told of each better plan; it answers whether to go on.
    """
    from ortools.sat.python import cp_model

    if not any(b.tasks for b in bakes):
        return told((), bakes, 0.0)
    model = Model(bakes, resources, asked)
    solver = cp_model.CpSolver()
    solver.parameters.num_workers = WORKERS
    solver.parameters.random_seed = 7
    solver.parameters.max_time_in_seconds = asked.seconds
    solver.parameters.relative_gap_limit = 0.0002

    best: list[DayPlan] = []
    if asked.hint and not asked.keeps and not breaches(asked.hint, bakes, resources, asked.now_s):
        best.append(told(asked.hint, bakes))

    class Told(cp_model.CpSolverSolutionCallback):
        def on_solution_callback(self) -> None:
            found = _read(model, self.value, self.best_objective_bound * GRID_S / 60)
            # What the solver takes for better may not have been pulled together yet.
            if not asked.keeps and best and found.cost >= best[-1].cost:
                return
            best.append(found)
            if better is not None and not better(found):
                self.stop_search()

    solver.solve(model.cp, Told())
    if not best:
        return None
    if asked.keeps:
        # Few moves were asked for as well: what no plan can come below is not known by that.
        return best[-1].model_copy(update={"bound": None})
    found = told(as_late_as_may_be(best[-1].placed, bakes, resources), bakes)
    return found.model_copy(update={"bound": min(found.cost, solver.best_objective_bound * GRID_S / 60)})


def _read(model: Model, value: Callable[[Any], int], bound: float) -> DayPlan:
    placed = []
    for bake in model.bakes:
        oven = next((o for o, literal in model.oven[bake.id].items() if value(literal)), "")
        for task in bake.tasks:
            key = (bake.id, task.id)
            known = bake.known.get(task.id)
            if known is not None:
                placed.append(
                    Placed(
                        bake=bake.id, step=task.id, start_s=known.start_s, end_s=known.end_s, person=known.person,
                        mixer=known.mixer, oven=known.oven,
                    )
                )  # fmt: skip
                continue
            placed.append(
                Placed(
                    bake=bake.id,
                    step=task.id,
                    start_s=value(model.start[key]) * GRID_S,
                    end_s=value(model.end[key]) * GRID_S,
                    person=next((i for i, lit in model.person.get(key, {}).items() if value(lit)), ""),
                    mixer=next((i for i, lit in model.mixer.get(key, {}).items() if value(lit)), ""),
                    oven=oven if task.heat is not None else "",
                )
            )
    return told(assigned(placed, model.bakes, model.resources), model.bakes, bound)
