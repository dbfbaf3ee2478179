"""The solver: tasks placed as late as they may be, so that the strands meet and nothing waits."""

from __future__ import annotations

import math
from collections.abc import Mapping

from kindwhisk.core.planning.because import Driver, drivers, in_words
from kindwhisk.core.planning.tasks import Job
from kindwhisk.core.process.outcome import Resource
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

UNIT_S = 10
"""Plans are made in steps of ten seconds."""
LATE_WEIGHT = 10_000
EARLY_WEIGHT = 1000
"""A unit late costs as much as ten thousand units early."""
SOLVE_LIMIT, SOLVE_LIMIT_S = 0.3, 60.0
"""How much the solver may work, in its own count of operations, about eight seconds of an ordinary machine: a busy
machine then tells the same plan later, not another one. The seconds are the end for one that is far too busy."""


class Placed(Value):
    """A task with its start and end in seconds from the origin."""

    id: str
    start_s: float
    end_s: float


class Plan(Value):
    """Where every task lies; ``late_by_s`` is 0 when all is ready in time. ``best``: no other order is any better;
    otherwise the solver stopped before it knew."""

    placed: tuple[Placed, ...]
    ready_s: float
    ready_low_s: float
    ready_high_s: float
    late_by_s: float
    best: bool
    drivers: tuple[Driver, ...]
    because: str


def _units(seconds: float) -> int:
    return math.ceil(round(seconds / UNIT_S, 6))


def sooner(times: Mapping[str, tuple[int, int]], due: int) -> dict[str, tuple[int, int]]:
    """A plan that is late, as much sooner as its late end asks for and its first start allows.

    Needs, windows and resources only know of what lies between tasks: what is moved as a whole keeps all of them. All
    in units of time, ``due`` is when it should be over.
    """
    late = max(end for _, end in times.values()) - due
    spare = min(start for start, _ in times.values())
    earlier = max(0, min(late, spare))
    return {i: (start - earlier, end - earlier) for i, (start, end) in times.items()}


def plan(job: Job, due_s: float, *, hob_rings: int = 2) -> Plan:
    """Place the job so that it is over at ``due_s`` (seconds from the origin, which nothing may precede).

    Needs, windows and resources are hard; being late is allowed and minimised first, then every start is
    put as late as it can be. Uses the CP-SAT solver of OR-Tools with one worker and a fixed seed.

    Raises:
        CraftError: no order keeps all hold windows.
    """
    from ortools.sat.python import cp_model

    model = cp_model.CpModel()
    lengths = {t.id: max(1, _units(t.duration_s)) for t in job.tasks}
    due = max(0, math.floor(due_s / UNIT_S))
    horizon = max(due, sum(lengths.values())) + sum(lengths.values())
    start = {i: model.new_int_var(0, horizon, f"start {i}") for i in lengths}
    interval = {i: model.new_fixed_size_interval_var(start[i], n, f"at {i}") for i, n in lengths.items()}
    for lag in job.lags:
        begin = start[lag.earlier] + (lengths[lag.earlier] if lag.from_end else 0)
        model.add(start[lag.later] >= begin + _units(lag.at_least_s))
        if lag.at_most_s is not None:
            model.add(start[lag.later] <= begin + max(1, math.floor(lag.at_most_s / UNIT_S)))
    for resource in Resource:
        users = [interval[t.id] for t in job.tasks if resource in t.uses]
        if resource is Resource.HOB:
            model.add_cumulative(users, [1] * len(users), hob_rings)
        else:
            model.add_no_overlap(users)
    end = model.new_int_var(0, 2 * horizon, "end")
    model.add_max_equality(end, [start[i] + n for i, n in lengths.items()])
    late = model.new_int_var(0, 2 * horizon, "late")
    model.add(late >= end - due)
    # Steps that could change places keep the formula's order, so that the best plan is one and stays the same.
    waits = sum((EARLY_WEIGHT + n) * (horizon - s) for n, s in enumerate(start.values()))
    model.minimize(EARLY_WEIGHT * LATE_WEIGHT * late + waits)
    solver = cp_model.CpSolver()
    # One worker with a full linear relaxation and quick restarts proves a plan of one bake best many times sooner than
    # several without, and finds the same one each time.
    solver.parameters.num_workers = 1
    solver.parameters.search_branching = cp_model.PORTFOLIO_WITH_QUICK_RESTART_SEARCH
    solver.parameters.linearization_level = 2
    solver.parameters.add_lp_constraints_lazily = False
    solver.parameters.random_seed = 7
    solver.parameters.max_deterministic_time = SOLVE_LIMIT
    solver.parameters.max_time_in_seconds = SOLVE_LIMIT_S
    status = solver.solve(model)
    if status not in {cp_model.OPTIMAL, cp_model.FEASIBLE}:
        raise CraftError(
            "No order of the steps keeps every hold window.",
            field="formula",
            remedy="Something takes longer than the foam before it can wait: bake fewer tins, or split the batch.",
        )
    found = sooner({i: (solver.value(s), solver.value(s) + lengths[i]) for i, s in start.items()}, due)
    best = status == cp_model.OPTIMAL
    placed = {i: Placed(id=i, start_s=s * UNIT_S, end_s=e * UNIT_S) for i, (s, e) in found.items()}
    ready = max(p.end_s for p in placed.values())
    times = {p.id: (p.start_s, p.end_s) for p in placed.values()}
    chain = drivers(job, times)
    by_id = {t.id: t for t in job.tasks}
    below = math.sqrt(sum((by_id[d.step].duration_s - by_id[d.step].low_s) ** 2 for d in chain))
    above = math.sqrt(sum((by_id[d.step].high_s - by_id[d.step].duration_s) ** 2 for d in chain))
    late_by = max(0.0, ready - due_s)
    return Plan(
        placed=tuple(sorted(placed.values(), key=lambda p: (p.start_s, p.end_s))),
        ready_s=ready,
        ready_low_s=ready - below,
        ready_high_s=ready + above,
        late_by_s=late_by,
        best=best,
        drivers=chain,
        because=in_words(chain, late_by, best=best),
    )
