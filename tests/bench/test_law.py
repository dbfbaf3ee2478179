"""The central law: the state of a bake follows from its events and readings alone, however it was reached."""

from __future__ import annotations

import itertools
import tempfile
from collections.abc import Callable
from datetime import datetime, timedelta
from pathlib import Path
from typing import Any

import pytest
from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.now import following
from kindwhisk.bench.rules import BenchRefusal
from kindwhisk.core.kitchen import ProbePlace, Thermometer
from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import demo_formulas
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.store.checkpoints import StoredCheckpoint
from kindwhisk.store.database import Store, open_store
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker

PROBES = {"pot": ProbePlace.POT, "oven": ProbePlace.OVEN, "crumb": ProbePlace.CRUMB, "bowl": ProbePlace.BOWL}
FORMULAS = ("tea-chiffon", "syrup-peaks", "butter-sponge")


def new_store(folder: str) -> Store:
    store = open_store(Path(folder))
    probes = tuple(Thermometer(id=i, name=i, place=p) for i, p in PROBES.items())
    store.kitchens.save(demo_kitchen().model_copy(update={"thermometers": probes}))
    for formula in demo_formulas():
        if formula.id in FORMULAS:
            store.formulas.save(formula)
    return store


def told(bench: Bench, bake: str, now: datetime) -> tuple[Any, ...]:
    """Everything that is told of a bake at a moment."""
    return bench.state(bake, now=now), bench.braid(bake, now=now), bench.traces(bake, now=now)


def agrees_with_a_fresh_process(bench: Bench, bake: str, now: datetime) -> None:
    """What is told here is what a process tells that has just begun, and one that finds no checkpoint either."""
    here = told(bench, bake, now)
    assert told(Bench(bench.store, Hub(bench.store)), bake, now) == here
    for step in here[0].steps:
        bench.store.checkpoints.replace(bake, step.id, [])
    assert told(Bench(bench.store, Hub(bench.store)), bake, now) == here


Act = tuple[str, int, float]
ACTS = st.lists(
    st.tuples(
        st.sampled_from(
            ["go on", "go on", "wait", "sends", "sends late", "types", "cup", "late cup", "undo", "look", "look back"]
        ),
        st.integers(0, 3),
        st.floats(0.05, 0.95),
    ),
    min_size=4,
    max_size=24,
)


class Kitchen:
    """A kitchen in which anything is done in any order; what the bench refuses was not done."""

    def __init__(self, bench: Bench, formula: str) -> None:
        self.bench, self.baker, self.sent = bench, Baker(bench, formula), 0

    def send(self, probe: str, seconds: int, warmth: float, back_s: float) -> None:
        rows = []
        for n in range(seconds):
            at = self.baker.now + timedelta(seconds=n - seconds - back_s)
            self.sent += 1
            celsius = 20 + 150 * warmth * n / seconds + self.sent % 7 / 10
            rows.append(StoredReading(probe, f"{self.sent}", milliseconds(at), celsius, celsius))
        self.bench.store.probes.keep(rows)

    def do(self, act: Act) -> None:
        what, which, share = act
        baker, running = self.baker, self.baker.state.running
        step = running[which % len(running)] if running else "bake"
        steps: dict[str, Callable[[], object]] = {
            "go on": baker.go_on,
            "wait": lambda: baker.wait(900 * share),
            "sends": lambda: self.send(list(PROBES)[which], 80, share, 0),
            "sends late": lambda: self.send(list(PROBES)[which], 30, share, 200 * share),
            "types": lambda: baker.tell(
                "reading_added", step=step, quantity="temperature in the vessel", value=20 + 95 * share
            ),
            "cup": lambda: baker.tell("reading_added", step=step, quantity="density", value=0.2 + 0.5 * share),
            "late cup": lambda: baker.tell(
                "reading_added",
                step=[s.id for s in baker.state.steps if s.kind in {"whip", "fold", "stream"}][which % 2],
                quantity="density",
                value=0.2 + 0.5 * share,
            ),
            "undo": lambda: baker.tell("undone", sequence=baker.state.undoable or 1),
            "look": lambda: told(self.bench, baker.bake, baker.now),
            "look back": lambda: told(self.bench, baker.bake, baker.now - timedelta(seconds=300 * share)),
        }
        try:
            steps[what]()
        except (BenchRefusal, CraftError, AssertionError):
            return


@pytest.mark.parametrize("formula", FORMULAS)
@settings(max_examples=6, suppress_health_check=[HealthCheck.too_slow])
@given(acts=ACTS, begins=st.integers(0, 12))
def test_the_state_is_the_same_however_it_was_reached(formula: str, acts: list[Act], begins: int) -> None:
    with tempfile.TemporaryDirectory() as folder:
        store = new_store(folder)
        kitchen = Kitchen(Bench(store, Hub(store)), formula)
        for _ in range(2 * begins):
            kitchen.do(("go on", 0, 0.5))
        for act in acts:
            kitchen.do(act)
        agrees_with_a_fresh_process(kitchen.bench, kitchen.baker.bake, kitchen.baker.now)
        store.close()


def in_the_oven(bench: Bench, formula: str = "tea-chiffon") -> Baker:
    baker = Baker(bench, formula)
    baker.until("bake")
    baker.tell("step_started", step="bake")
    return baker


def test_a_cup_told_late_moves_the_bake_at_once_and_as_a_fresh_process_has_it(bench: Bench) -> None:
    baker = in_the_oven(bench)
    for n in range(12):
        baker.wait(60)
        baker.tell("reading_added", step="bake", quantity="core temperature", value=24 + 4.5 * n)
    before = baker.state.details["bake"].outlook
    baker.tell("reading_added", step="fold", quantity="density", value=0.30)
    after = baker.state.details["bake"].outlook
    assert before is not None
    assert after is not None
    assert abs((after.likely_at - before.likely_at).total_seconds()) > 30
    agrees_with_a_fresh_process(bench, baker.bake, baker.now)


def crumb(baker: Baker, number: int, every_s: float = 1.0, key: str = "c", back_s: float = 0) -> list[StoredReading]:
    """A crumb that warms, and the oven around it, over the last seconds."""
    found = []
    for n in range(number):
        at = baker.now + timedelta(seconds=(n - number) * every_s - back_s)
        share = n / number
        found.append(StoredReading("crumb", f"{key}{n}", milliseconds(at), 0, 24 + 70 * share))
        found.append(StoredReading("oven", f"{key}{n}", milliseconds(at), 0, 158.0 + n % 3))
    return found


@pytest.fixture
def probed(bench: Bench) -> Bench:
    _, kitchen = bench.store.kitchens.current()
    probes = tuple(Thermometer(id=i, name=i, place=p) for i, p in PROBES.items())
    bench.store.kitchens.save(kitchen.model_copy(update={"thermometers": probes}))
    return bench


def test_what_was_told_is_kept_and_gone_on_from_after_a_start(probed: Bench, monkeypatch: pytest.MonkeyPatch) -> None:
    baker = in_the_oven(probed)
    baker.wait(1500)
    probed.store.probes.keep(crumb(baker, 1500))
    here = told(probed, baker.bake, baker.now)
    (kept,) = probed.store.checkpoints.of(baker.bake, "bake")
    assert kept.at_ms == milliseconds(baker.now) - 1000
    taken: list[int] = []
    between = probed.store.probes.between_ms

    def counted(*asked: Any) -> list[tuple[int, float]]:
        rows = between(*asked)
        taken.append(len(rows))
        return rows

    monkeypatch.setattr(probed.store.probes, "between_ms", counted)
    fresh = Bench(probed.store, Hub(probed.store))
    assert fresh.state(baker.bake, now=baker.now) == here[0]
    assert sum(taken) == 0
    baker.wait(10)
    probed.store.probes.keep(crumb(baker, 10, key="d"))
    fresh.state(baker.bake, now=baker.now)
    assert sum(taken) == 20
    agrees_with_a_fresh_process(fresh, baker.bake, baker.now)


def test_a_reading_that_comes_late_goes_back_no_further_than_it_must(
    probed: Bench, monkeypatch: pytest.MonkeyPatch
) -> None:
    baker = in_the_oven(probed)
    for n in range(6):
        baker.wait(200)
        probed.store.probes.keep(crumb(baker, 100, 2.0, key=f"k{n}-"))
        probed.state(baker.bake, now=baker.now)
    taken: list[int] = []
    between = probed.store.probes.between_ms

    def counted(*asked: Any) -> list[tuple[int, float]]:
        rows = between(*asked)
        taken.append(len(rows))
        return rows

    monkeypatch.setattr(probed.store.probes, "between_ms", counted)
    late = milliseconds(baker.now) - 100_000
    probed.store.probes.keep([StoredReading("crumb", "late", late, 0, 90.0)])
    probed.state(baker.bake, now=baker.now)
    assert 0 < sum(taken) <= 202
    agrees_with_a_fresh_process(probed, baker.bake, baker.now)


def test_a_look_at_an_earlier_moment_changes_nothing_for_the_next(probed: Bench) -> None:
    baker = in_the_oven(probed)
    baker.wait(900)
    probed.store.probes.keep(crumb(baker, 900))
    here = told(probed, baker.bake, baker.now)
    earlier = baker.now - timedelta(seconds=450)
    back = told(probed, baker.bake, earlier)
    assert back != here
    assert told(Bench(probed.store, Hub(probed.store)), baker.bake, earlier) == back
    assert told(probed, baker.bake, baker.now) == here


def test_another_craft_does_not_go_on_from_what_this_one_kept(probed: Bench, monkeypatch: pytest.MonkeyPatch) -> None:
    baker = in_the_oven(probed)
    baker.wait(300)
    probed.store.probes.keep(crumb(baker, 300))
    probed.state(baker.bake, now=baker.now)
    assert probed.store.checkpoints.of(baker.bake, "bake")
    monkeypatch.setattr(following, "_craft", lambda: "another")
    fresh = Bench(probed.store, Hub(probed.store))
    fresh.state(baker.bake, now=baker.now)
    assert len({c.basis for c in probed.store.checkpoints.of(baker.bake, "bake")}) == 1


def test_more_readings_than_a_page_are_all_taken(probed: Bench, monkeypatch: pytest.MonkeyPatch) -> None:
    baker = in_the_oven(probed)
    baker.wait(600)
    probed.store.probes.keep(crumb(baker, 600))
    whole = told(probed, baker.bake, baker.now)
    # Three hundred of one moment, too: such a page can't be cut.
    at = milliseconds(baker.now) - 5000
    probed.store.probes.keep([StoredReading("crumb", f"same{n}", at, 0, 80 + n / 100) for n in range(300)])
    all_at_once = told(probed, baker.bake, baker.now)
    assert all_at_once != whole
    for step in all_at_once[0].steps:
        probed.store.checkpoints.replace(baker.bake, step.id, [])
    monkeypatch.setattr(following, "READ_AT_ONCE", 37)
    assert told(Bench(probed.store, Hub(probed.store)), baker.bake, baker.now) == all_at_once


def test_checkpoints_get_fewer_the_further_back_they_lie() -> None:
    kept: list[StoredCheckpoint] = []
    for n in range(200):
        kept = following.thinned([*kept, StoredCheckpoint(n * 1000, "b", n, "{}")])
        assert len(kept) <= following.CHECKPOINTS
        assert kept[-1].at_ms == n * 1000
        assert [c.at_ms for c in kept] == sorted(c.at_ms for c in kept)
    gaps = [b.at_ms - a.at_ms for a, b in itertools.pairwise(kept)]
    assert kept[0].at_ms < 50_000
    assert gaps[0] > 3 * gaps[-1]
