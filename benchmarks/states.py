"""How long a bake's state takes by what has happened in it: readings of its probe, and events."""

from __future__ import annotations

import statistics
import tempfile
from datetime import timedelta
from functools import partial
from pathlib import Path

from benchmarks.pair import timed
from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Hub
from kindwhisk.bench.log.events import event_adapter
from kindwhisk.core.kitchen import ProbePlace, Thermometer
from kindwhisk.demo.formulas import butter_sponge
from kindwhisk.demo.kitchen import demo_kitchen
from kindwhisk.store.database import Store, open_store
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker

READINGS = (0, 1_000, 30_000, 100_000)
EVENTS = (10, 100, 500, 2_000)
OPENING_GOAL = 2.0
"""After 30,000 readings a bake opens in at most so many times what an empty one takes."""
WATCHED_S = 1200.0
ROUNDS = 15


def _store(folder: Path) -> Store:
    store = open_store(folder)
    probe = Thermometer(id="crumb", name="crumb", place=ProbePlace.CRUMB)
    store.kitchens.save(demo_kitchen().model_copy(update={"thermometers": (probe,)}))
    store.formulas.save(butter_sponge())
    return store


def _in_the_oven(bench: Bench) -> Baker:
    baker = Baker(bench, "butter-sponge", hours=6)
    baker.until("bake")
    baker.tell("step_started", step="bake")
    return baker


def _watched(folder: Path, number: int) -> tuple[Baker, float]:
    """A bake with so many readings of its probe behind it, and how long it took to follow them all at once (s)."""
    store = _store(folder)
    baker = _in_the_oven(Bench(store, Hub(store)))
    began = baker.now
    baker.wait(WATCHED_S)
    warms = 70 / max(number, 1)
    store.probes.keep(
        [
            StoredReading(
                "crumb", f"r{i}", milliseconds(began + timedelta(seconds=WATCHED_S * i / number)), 0.0, 22 + warms * i
            )
            for i in range(number)
        ]
    )
    caught_up = timed(lambda: baker.state)
    return baker, caught_up


def _opening(folder: Path, baker: Baker) -> float:
    """Seconds to the state of a bake in a process that has just started."""
    store = open_store(folder)
    bench = Bench(store, Hub(store))
    seconds = timed(lambda: bench.state(baker.bake, now=baker.now))
    store.close()
    return seconds


def by_readings() -> None:
    """Opened anew, and asked again, after ever more readings."""
    with tempfile.TemporaryDirectory() as place:
        bakes = {}
        for number in READINGS:
            folder = Path(place) / str(number)
            folder.mkdir()
            bakes[number] = (folder, *_watched(folder, number))
        opened: dict[int, list[float]] = {n: [] for n in READINGS}
        asked: dict[int, list[float]] = {n: [] for n in READINGS}
        for _ in range(ROUNDS):
            for number, (folder, baker, _) in bakes.items():
                opened[number].append(_opening(folder, baker))
                asked[number].append(timed(partial(getattr, baker, "state")))
        for number, (_, _, caught_up) in bakes.items():
            first = statistics.median(a / b for a, b in zip(opened[number], opened[0], strict=True))
            following = statistics.median(a / b for a, b in zip(asked[number], asked[0], strict=True))
            goal = f", goal {OPENING_GOAL:.0f}: {'met' if first <= OPENING_GOAL else 'missed'}" if number else ""
            print(
                f"state, {number:7,} readings   {1000 * statistics.median(opened[number]):7.1f} ms   opened anew "
                f"{first:4.2f} times an empty one{goal}; asked again {following:4.2f}; all at once {caught_up:5.2f} s"
            )


def by_events() -> None:
    """Opened anew, and asked again, after ever more events."""
    with tempfile.TemporaryDirectory() as place:
        bakes = {}
        for number in EVENTS:
            folder = Path(place) / str(number)
            folder.mkdir()
            store = _store(folder)
            baker = _in_the_oven(Bench(store, Hub(store)))
            for i in range(baker.state.sequence, number):
                note = {"kind": "note_added", "client_key": f"note-{i:06d}", "at": baker.now, "text": "noted"}
                baker.bench.post(baker.bake, event_adapter.validate_python(note))
            bakes[number] = (folder, baker)
        opened: dict[int, list[float]] = {n: [] for n in EVENTS}
        asked: dict[int, list[float]] = {n: [] for n in EVENTS}
        for _ in range(ROUNDS):
            for number, (folder, baker) in bakes.items():
                opened[number].append(_opening(folder, baker))
                asked[number].append(timed(partial(getattr, baker, "state")))
        least = EVENTS[0]
        for number in EVENTS:
            first = statistics.median(a / b for a, b in zip(opened[number], opened[least], strict=True))
            following = statistics.median(a / b for a, b in zip(asked[number], asked[least], strict=True))
            print(
                f"state, {number:7,} events     {1000 * statistics.median(opened[number]):7.1f} ms   opened anew "
                f"{first:4.2f} times that after {least}; asked again {following:4.2f}"
            )


if __name__ == "__main__":
    by_readings()
    by_events()
