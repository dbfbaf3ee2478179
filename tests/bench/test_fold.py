"""A fold at the bench: cups on the way, foams that wait, and what later bakes learn of it."""

from __future__ import annotations

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.bench.told.views import BakeState, ReadingView
from kindwhisk.core.learning.figures import Figure
from kindwhisk.core.values.estimate import Basis
from kindwhisk.demo.formulas import tea_chiffon
from kindwhisk.demo.kitchen import demo_kitchen
from tests.bench.helpers import Baker


@pytest.fixture
def bench(empty_bench: Bench) -> Bench:
    empty_bench.store.kitchens.save(demo_kitchen())
    empty_bench.store.formulas.save(tea_chiffon())
    return empty_bench


def _last(state: BakeState) -> ReadingView:
    return state.readings[-1]


def _density(state: BakeState, step: str) -> float:
    return state.details[step].forecast.material.density_g_per_ml.likely


def test_cups_on_the_way_move_the_course_of_a_fold(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("loosen")
    before = baker.state
    course = before.details["loosen"].fold
    assert course is not None
    assert [a.step for a in course.additions] == ["loosen", "fold"]
    assert [s.name for s in before.details["loosen"].before] == ["yolk bowl", "mixer bowl"]
    after = baker.tell("reading_added", step="loosen", quantity="density", value=0.85)
    moved = after.details["loosen"].fold
    assert moved is not None
    assert moved.additions[0].density_g_per_ml.basis is Basis.MEASURED
    assert moved.additions[1].density_g_per_ml.likely > course.additions[1].density_g_per_ml.likely
    assert moved.air_kept.likely < course.air_kept.likely
    assert "This fold kept" in _last(after).tells


def test_a_heavy_batter_says_what_it_does_in_the_tin(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("fold")
    state = baker.tell(
        "reading_added", step="fold", quantity="density", cup={"full_g": 104, "empty_g": 38, "volume_ml": 120}
    )
    told = _last(state)
    assert told.verdict is not None
    assert told.verdict.word == "heavy"
    assert "mm less than without this reading" in told.tells
    lighter = baker.tell("reading_added", step="fold", quantity="density", per_100_ml=42)
    assert _last(lighter).value == pytest.approx(0.42)
    assert _last(lighter).verdict.word == "within"  # type: ignore[union-attr]


def test_a_good_fold_of_a_heavy_foam_is_not_blamed(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("fold")
    baker.tell("reading_added", step="whip", quantity="density", value=0.28)
    baker.tell("reading_added", step="loosen", quantity="density", value=0.85)
    baker.confirm()
    expected = _density(baker.state, "fold")
    assert expected > 0.5
    told = _last(baker.tell("reading_added", step="fold", quantity="density", value=round(expected, 3)))
    assert "that was not the fold" in told.tells
    assert "0.28" in told.tells


def test_a_ribbon_counts_for_less_than_a_cup(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("fold")
    state = baker.tell("reading_added", step="fold", quantity="density", ribbon_s=6)
    seen = _last(state)
    assert seen.value == pytest.approx(0.43)
    assert seen.by_ribbon_s == 6
    rough = state.details["fold"].forecast.material.density_g_per_ml
    exact = baker.tell("reading_added", step="fold", quantity="density", value=0.43)
    cup = exact.details["fold"].forecast.material.density_g_per_ml
    assert rough.high - rough.low > 3 * (cup.high - cup.low)
    with pytest.raises(BenchRefusal, match="ribbon tells nothing"):
        baker.tell("reading_added", step="add-flour", quantity="density", ribbon_s=6)
    with pytest.raises(BenchRefusal, match="one value"):
        baker.tell("reading_added", step="fold", quantity="density", ribbon_s=6, per_100_ml=40)


def test_whites_that_wait_lose_air_and_the_forecast_knows(bench: Bench) -> None:
    baker = Baker(bench)
    baker.until("whip")
    baker.tick_all()
    baker.tell("step_started", step="whip")
    baker.wait(240)
    fresh = baker.tell("step_done", step="whip")
    (window,) = [w for w in fresh.windows if w.step == "whip"]
    assert window.lost is not None
    assert window.lost.likely == pytest.approx(0, abs=0.001)
    baker.wait(600)
    late = baker.state
    (window,) = [w for w in late.windows if w.step == "whip"]
    assert window.lost is not None
    assert window.lost.likely > 0.2
    assert window.ageing is not None
    assert window.ageing.can
    assert _density(late, "loosen") > _density(fresh, "loosen") + 0.01
    # A cup that is read now tells what is left: from it, the wait begins anew.
    cup = baker.tell("reading_added", step="whip", quantity="density", value=0.21)
    used = cup.details["loosen"].before[1].density_g_per_ml.likely
    assert used == pytest.approx(0.21, abs=0.002)
    # What has been folded has waited so long and no longer, whenever it is looked at.
    done = baker.tell("step_done", step="loosen")
    baker.wait(900)
    detail = bench.state(baker.bake, focus="loosen", now=baker.now)
    assert _density(detail, "loosen") == pytest.approx(
        bench.state(baker.bake, focus="loosen", now=done.now)
        .details["loosen"]
        .forecast.material.density_g_per_ml.likely
    )


def test_two_cups_teach_the_next_fold(bench: Bench) -> None:
    for _ in range(3):
        baker = Baker(bench)
        baker.until("whip")
        baker.tick_all()
        baker.tell("step_started", step="whip")
        baker.wait(240)
        baker.tell("reading_added", step="whip", quantity="density", value=0.17)
        baker.tell("step_done", step="whip")
        baker.until("loosen")
        baker.go_on()
        baker.tell("reading_added", step="fold", quantity="density", value=0.52)
        for _ in range(40):
            state = baker.state
            if state.current is None:
                break
            baker.go_on() if state.current not in state.running else baker.tell("step_done", step=state.current)
        baker.tell("outcome_recorded", stars=3)
        baker.tell("bake_finished")
    kept = [d for d in bench.record().dots if d.figure is Figure.AIR]
    assert len(kept) == 3
    assert all(d.observed < d.modelled for d in kept)
    taught = Baker(bench).state
    learned = next(f for f in bench.state(taught.id, focus="fold", now=taught.now).details["fold"].forecast.additions)
    assert learned.density_g_per_ml.likely > 0.46


def test_the_gate_says_which_bowl_and_beater_must_be_free_of_fat(bench: Bench) -> None:
    gate = Baker(bench).state.gate
    assert gate is not None
    things = {i.id: i for i in gate.items}
    assert things["have-clean-bowl"].name == "mixer bowl"
    assert "free of fat" in things["have-clean-bowl"].detail
    assert things["have-beater"].name == "mixer whisk"
