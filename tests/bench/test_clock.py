"""A clock that goes on evenly, whatever is done to the machine's; what was done to it is noticed, said and kept."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.caretaker import Caretaker
from kindwhisk.bench.clock import Clock
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.bench.notices import NoticeKind
from kindwhisk.core.process.wish import Wish
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.devices.intake import OutsideReading, take
from kindwhisk.store.database import open_store

NOON = datetime(2026, 11, 2, 12, 0, tzinfo=UTC)
HOUR = 3600.0


class Machine:
    """A machine whose clock can be set; time passes only when it is told to."""

    def __init__(self) -> None:
        self.passed, self.set_by = 0.0, 0.0

    def wall(self) -> datetime:
        return NOON + timedelta(seconds=self.passed + self.set_by)

    def steady(self) -> float:
        return 1000 + self.passed

    def clock(self) -> Clock:
        return Clock(self.wall, self.steady)


def seconds(clock: Clock) -> float:
    return (clock.now() - NOON).total_seconds()


moves = st.lists(st.tuples(st.floats(0, 5000), st.floats(-1e6, 1e6), st.booleans()), max_size=12)


@given(moves)
def test_what_passes_is_what_passes_however_the_wall_is_set(steps: list[tuple[float, float, bool]]) -> None:
    machine = Machine()
    clock = machine.clock()
    for passed, moved, looked in steps:
        before = seconds(clock)
        machine.passed += passed
        # Less than two seconds is how a clock is kept right, and is followed.
        machine.set_by += moved if abs(moved) >= 4 else 0
        if looked:
            clock.look()
        assert seconds(clock) - before == pytest.approx(passed, abs=0.002)


def test_an_hour_on_and_back_is_noticed_and_leaves_a_timer_as_it_was() -> None:
    machine = Machine()
    clock = machine.clock()
    due = clock.now() + timedelta(seconds=600)
    machine.passed, machine.set_by = 60, HOUR
    moved = clock.look()
    assert moved is not None
    assert (round(moved.moved_s), round(moved.lead_s)) == (HOUR, -HOUR)
    assert (due - clock.now()).total_seconds() == pytest.approx(540, abs=0.01)
    machine.passed, machine.set_by = 120, 0
    back = clock.look()
    assert back is not None
    assert (round(back.moved_s), back.lead_s, clock.lead_s) == (-HOUR, 0, 0)
    assert (due - clock.now()).total_seconds() == pytest.approx(480, abs=0.01)
    assert clock.look() is None


def test_a_clock_that_is_kept_right_is_followed_and_not_told_of() -> None:
    machine = Machine()
    clock = machine.clock()
    for n in range(100):
        machine.passed, machine.set_by = 10.0 * n, 0.5 * n
        assert clock.look() is None
    assert seconds(clock) == pytest.approx(990 + 49.5, abs=0.01)


def test_a_clock_that_is_kept_right_by_steps_back_is_followed_and_never_goes_back() -> None:
    machine = Machine()
    clock, before = machine.clock(), 0.0
    for n in range(200):
        # Half a second back each minute, in one step.
        machine.passed, machine.set_by = 15.0 * n, -0.5 * (n // 4)
        assert clock.look() is None
        assert seconds(clock) >= before
        before = seconds(clock)
    assert before == pytest.approx(15 * 199 - 0.5 * 49, abs=0.01)


def test_it_may_run_faster_and_keeps_its_lead() -> None:
    machine = Machine()
    clock = machine.clock()
    clock.run(60)
    machine.passed = 10
    assert seconds(clock) == 600
    clock.run(1)
    machine.passed = 20
    assert seconds(clock) == 610


@pytest.fixture
def machine() -> Machine:
    return Machine()


def opened(folder: Path, machine: Machine) -> Bench:
    store = open_store(folder)
    if not store.formulas.any():
        store.kitchens.save(demo_kitchen())
        for formula in demo_formulas()[:3]:
            store.formulas.save(formula)
    return Bench(store, Hub(store), machine.clock())


def told(bench: Bench) -> list[str]:
    return [n.text for n in bench.notices() if n.kind is NoticeKind.CLOCK]


def test_a_moved_clock_is_said_while_bakes_run_and_taken_once_nothing_does(tmp_path: Path, machine: Machine) -> None:
    bench = opened(tmp_path, machine)
    caretaker = Caretaker(bench, keeps_wall=True)
    bake = bench.start(demo_formulas()[0].id, Wish(), None, "a-key-of-it")
    assert told(bench) == []
    machine.passed, machine.set_by = 30, -HOUR
    caretaker.look()
    assert told(bench) == ["The clock of this machine was set back by 1 hour while bakes run."]
    assert seconds(bench.clock) == pytest.approx(30, abs=0.01)
    with bench.store.writing():
        bench.store.bakes.set_outcome(bake, "finished", None)
    caretaker.look()
    assert bench.clock.lead_s == 0
    assert seconds(bench.clock) == pytest.approx(30 - HOUR, abs=0.01)
    bench.store.close()


def test_a_step_took_what_it_took_though_the_clock_was_moved_meanwhile(tmp_path: Path, machine: Machine) -> None:
    bench = opened(tmp_path, machine)
    caretaker = Caretaker(bench, keeps_wall=True)
    bake = bench.start("tea-chiffon", Wish(), None, "a-key-of-it")
    state = bench.state(bake)
    first = next(s.id for s in state.steps if s.status == "waiting" and state.details.get(s.id))

    def tell(kind: str, key: str) -> None:
        bench.post(bake, event_adapter.validate_python({"kind": kind, "step": first, "client_key": key}))

    tell("step_started", "start-it")
    machine.passed, machine.set_by = 40, HOUR
    caretaker.look()
    machine.passed, machine.set_by = 90, 0
    caretaker.look()
    tell("step_done", "end-it-now")
    took = bench.moment(bake).progress.steps[first]
    assert took.started_at is not None
    assert took.ended_at is not None
    assert (took.ended_at - took.started_at).total_seconds() == pytest.approx(90, abs=0.01)
    assert told(bench) == ["The clock of this machine was moved by 1 hour, and put right again."]
    assert [round(m.moved_s) for m in bench.clock_moves(bake)] == [HOUR, -HOUR]
    machine.passed += 60
    later = bench.start("tea-chiffon", Wish(), None, "another-key")
    assert bench.clock_moves(later) == ()
    bench.store.close()


def test_after_a_start_the_bench_goes_on_by_the_clock_of_before(tmp_path: Path, machine: Machine) -> None:
    bench = opened(tmp_path, machine)
    Caretaker(bench, keeps_wall=True).look()
    bench.start("tea-chiffon", Wish(), None, "a-key-of-it")
    machine.passed, machine.set_by = 60, HOUR
    Caretaker(bench, keeps_wall=True).look()
    bench.store.close()
    machine.passed = 200
    again = opened(tmp_path, machine)
    Caretaker(again, keeps_wall=True).take_up_clock()
    assert seconds(again.clock) == pytest.approx(200, abs=0.01)
    again.store.close()


def test_a_clock_set_back_while_the_server_was_off_never_stands_before_what_was_told(
    tmp_path: Path, machine: Machine
) -> None:
    bench = opened(tmp_path, machine)
    bench.start("tea-chiffon", Wish(), None, "a-key-of-it")
    bench.store.close()
    machine.passed, machine.set_by = 60, -2 * HOUR
    again = opened(tmp_path, machine)
    Caretaker(again, keeps_wall=True).take_up_clock()
    assert seconds(again.clock) >= 0
    assert "set back" in told(again)[0]
    again.store.close()


def test_readings_of_a_device_with_a_wrong_clock_are_placed_by_when_they_came(tmp_path: Path, machine: Machine) -> None:
    bench = opened(tmp_path, machine)
    for probe, off in (("ahead", timedelta(hours=1)), ("never-set", timedelta(days=-20000))):
        came = bench.clock.now()
        sent = [OutsideReading(probe=probe, value=20 + n, at=came + off + timedelta(seconds=10 * n)) for n in range(4)]
        assert f"clock of '{probe}'" in take(sent, bench).said
        kept = [r for r in bench.store.probes.between(probe, NOON - timedelta(hours=1), came) if r.told_ms is not None]
        assert [(r.at - came).total_seconds() for r in kept] == [-30, -20, -10, 0]
        # Sent again they are known again, though they would be placed elsewhere by now.
        machine.passed += 5
        assert take(sent, bench).stored == 0
    honest = take([OutsideReading(probe="pot", value=30, at=NOON - timedelta(days=30))], bench)
    assert (honest.placed, honest.said) == (0, "")
    bench.store.close()
