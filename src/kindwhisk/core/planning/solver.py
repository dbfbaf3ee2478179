"""The solver: tasks placed as late as they may be, so that the strands meet and nothing waits."""

from __future__ import annotations

import math
from collections.abc import Mapping
from typing import Any

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
OVER_WEIGHT = 10
"""A unit by which something that stands waits longer than it holds costs as much as so many units late."""
SOLVE_LIMIT, SOLVE_LIMIT_S = 0.3, 60.0
"""How much the solver may work, in its own count of operations, about eight seconds of an ordinary machine: a busy
machine then tells the same plan later, not another one. The seconds are the end for one that is far too busy."""


NOTHING_KNOWN: Mapping[str, tuple[float, float]] = {}
NOTHING_AT_ONCE: Mapping[str, float] = {}


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


class _Ahead:
    """What is still to be placed, in units of time."""

    def __init__(self, job: Job, known: Mapping[str, tuple[float, float]], from_s: float, due_s: float) -> None:
        self.job, self.known, self.from_s = job, known, from_s
        self.tasks = [t for t in job.tasks if t.id not in known]
        self.lengths = {t.id: max(1, _units(t.duration_s)) for t in self.tasks}
        self.due, self.first = max(0, math.floor(due_s / UNIT_S)), max(0, _units(from_s))
        self.ends = {i: _units(end) for i, (_, end) in known.items()}
        most = max([self.due, self.first + sum(self.lengths.values()), *self.ends.values()])
        self.horizon = most + sum(self.lengths.values())

    def model(self, hob_rings: int, at_once: Mapping[str, float]) -> tuple[Any, dict[str, Any]]:
        """The solver's model of it, and the start of each task in it."""
        from ortools.sat.python import cp_model

        model: Any = cp_model.CpModel()
        horizon = self.horizon
        start = {
            i: model.new_constant(_units(at_once[i]))
            if i in at_once
            else model.new_int_var(_units(self.from_s), horizon, f"start {i}")
            for i in self.lengths
        }
        over = self._lags(model, start)
        self._resources(model, start, hob_rings)
        end = model.new_int_var(0, 2 * horizon, "end")
        model.add_max_equality(end, [*(start[i] + n for i, n in self.lengths.items()), *self.ends.values()])
        late = model.new_int_var(0, 2 * horizon, "late")
        model.add(late >= end - self.due)
        # Steps that could change places keep the formula's order, so that the best plan is one and stays the same.
        waits = sum((EARLY_WEIGHT + n) * (horizon - s) for n, s in enumerate(start.values()))
        model.minimize(EARLY_WEIGHT * LATE_WEIGHT * (late + OVER_WEIGHT * sum(over)) + waits)
        return model, start

    def _lags(self, model: Any, start: dict[str, Any]) -> list[Any]:
        """Needs, gates and windows; returns by how much each window of something that stands is overrun."""
        over: list[Any] = []
        for lag in (g for g in self.job.lags if g.later in start):
            begin: Any
            if lag.earlier in self.known:
                begin = self.ends[lag.earlier] if lag.from_end else _units(self.known[lag.earlier][0])
            else:
                begin = start[lag.earlier] + (self.lengths[lag.earlier] if lag.from_end else 0)
            model.add(start[lag.later] >= begin + _units(lag.at_least_s))
            if lag.at_most_s is not None:
                most = begin + max(1, math.floor(lag.at_most_s / UNIT_S))
                if lag.earlier in self.known:
                    over.append(model.new_int_var(0, 2 * self.horizon, f"over {len(over)}"))
                    most += over[-1]
                model.add(start[lag.later] <= most)
        return over

    def _resources(self, model: Any, start: dict[str, Any], hob_rings: int) -> None:
        """Nothing is used twice at once; what runs keeps its own until it is over."""
        spans = {i: model.new_fixed_size_interval_var(start[i], n, f"at {i}") for i, n in self.lengths.items()}
        for resource in Resource:
            users = [t.id for t in self.tasks if resource in t.uses]
            held = [
                self.ends[t.id]
                for t in self.job.tasks
                if t.id in self.known and resource in t.uses and self.ends[t.id] > self.first
            ]
            if resource is Resource.HOB:
                pots = [model.new_fixed_size_interval_var(self.first, n - self.first, f"pot {n}") for n in held]
                rings = max(hob_rings, len(held))
                model.add_cumulative([*(spans[i] for i in users), *pots], [1] * (len(users) + len(held)), rings)
            else:
                model.add_no_overlap([spans[i] for i in users])
                for i in users if held else ():
                    model.add(start[i] >= max(held))


def plan(
    job: Job,
    due_s: float,
    *,
    hob_rings: int = 2,
    known: Mapping[str, tuple[float, float]] = NOTHING_KNOWN,
    from_s: float = 0.0,
    at_once: Mapping[str, float] = NOTHING_AT_ONCE,
) -> Plan:
    """Place the job so that it is over at ``due_s`` (seconds from the origin).

    Needs, windows and resources are hard; being late is allowed and minimised first, then every start is
    put as late as it can be. Uses the CP-SAT solver of OR-Tools with one worker and a fixed seed.

    Args:
        job: what is to be placed.
        due_s: when it should be over.
        hob_rings: how many pots stand on the hob at once.
        known: starts and ends of tasks that were begun: they stay. What waits longer after one of them than it holds
            is allowed, and minimised before all else.
        from_s: nothing else starts earlier.
        at_once: tasks that start earlier all the same, just then.

    Raises:
        CraftError: no order keeps all hold windows.
    """
    from ortools.sat.python import cp_model

    ahead = _Ahead(job, known, from_s, due_s)
    model, start = ahead.model(hob_rings, at_once)
    lengths, due = ahead.lengths, ahead.due
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
    times = {i: (solver.value(s), solver.value(s) + lengths[i]) for i, s in start.items()}
    found = times if known or from_s else sooner(times, due)
    best = status == cp_model.OPTIMAL
    placed = {i: Placed(id=i, start_s=s, end_s=e) for i, (s, e) in known.items()}
    placed |= {i: Placed(id=i, start_s=s * UNIT_S, end_s=e * UNIT_S) for i, (s, e) in found.items()}
    ready = max(p.end_s for p in placed.values())
    chain = drivers(job, {p.id: (p.start_s, p.end_s) for p in placed.values()})
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
