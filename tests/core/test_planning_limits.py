"""A plan that the solver had no time to prove: moved sooner before lateness is claimed, and said to be unproven."""

from __future__ import annotations

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.planning import solver
from kindwhisk.core.planning.because import NOT_PROVEN
from kindwhisk.core.planning.solver import UNIT_S, plan, sooner
from kindwhisk.core.planning.tasks import Job, job
from kindwhisk.core.process.scaling import scale
from kindwhisk.core.process.wish import Wish
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen

spans = st.dictionaries(
    st.text("abcdef", min_size=1, max_size=3),
    st.tuples(st.integers(0, 400), st.integers(1, 60)).map(lambda t: (t[0], t[0] + t[1])),
    min_size=1,
    max_size=8,
)


@given(spans, st.integers(0, 400))
def test_all_of_it_moves_together_and_never_before_now_nor_sooner_than_asked(
    times: dict[str, tuple[int, int]], due: int
) -> None:
    moved = sooner(times, due)
    by = {times[i][0] - moved[i][0] for i in times} | {times[i][1] - moved[i][1] for i in times}
    assert len(by) == 1
    (earlier,) = by
    assert earlier >= 0
    assert min(start for start, _ in moved.values()) >= 0
    late, was = (max(end for _, end in t.values()) - due for t in (moved, times))
    # Whatever lateness is left has no room before it.
    assert late <= 0 or min(start for start, _ in moved.values()) == 0
    assert was <= 0 or late >= 0


def made(formula: str) -> Job:
    found = next(f for f in demo_formulas() if f.id == formula)
    return job(scale(found, demo_kitchen(), Wish()).forecast)


def test_a_plan_of_one_bake_is_proven_best_and_late_only_from_now_on() -> None:
    work = made("tea-chiffon")
    told = plan(work, 1800)
    assert told.best
    assert told.late_by_s > 0
    assert min(p.start_s for p in told.placed) < UNIT_S
    assert "even if you start now" in told.because
    assert NOT_PROVEN not in told.because


@pytest.mark.parametrize("limit", [0.0005, 0.001, 0.002])
def test_a_solver_that_is_stopped_claims_no_lateness_that_starting_sooner_would_mend(
    monkeypatch: pytest.MonkeyPatch, limit: float
) -> None:
    work = made("tea-chiffon")
    whole = plan(work, 12 * 3600.0)
    takes = whole.ready_s - min(p.start_s for p in whole.placed)
    monkeypatch.setattr(solver, "SOLVE_LIMIT", limit)
    for slack in (1.0, 1.3, 2.0):
        told = plan(work, takes * slack + 3600)
        assert told.late_by_s == 0 or min(p.start_s for p in told.placed) == 0
        if not told.best:
            assert NOT_PROVEN in told.because
            assert "even if you start now" not in told.because


def test_a_solver_that_is_stopped_tells_the_same_plan_again(monkeypatch: pytest.MonkeyPatch) -> None:
    work = made("finger-cake")
    monkeypatch.setattr(solver, "SOLVE_LIMIT", 0.02)
    told = plan(work, 8 * 3600.0)
    assert not told.best
    assert plan(work, 8 * 3600.0) == told
