"""The live hub and the thread that keeps up: many writers, one listener, nothing lost and nothing told twice."""

from __future__ import annotations

import asyncio
import threading
from datetime import UTC, datetime

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Change, Hub, ProbeRead, Told
from kindwhisk.bench.keep_up import KeepUp
from kindwhisk.store.database import Store
from tests.bench.helpers import Baker

NOON = datetime(2026, 11, 2, 12, 0, tzinfo=UTC)


async def heard(hub: Hub, after: int, number: int) -> list[Change | ProbeRead | Told | None]:
    found: list[Change | ProbeRead | Told | None] = []
    hub.attach(asyncio.get_running_loop())
    async for item in hub.changes(after):
        found.append(item)
        if len(found) >= number:
            break
    return found


def test_everything_after_an_id_comes_from_the_disk_in_order(bench: Bench) -> None:
    baker = Baker(bench)
    for step in ("weigh-milk", "weigh-dry"):
        baker.tell("step_done", step=step)
    found = asyncio.run(heard(bench.hub, 0, 2))
    assert [(c.id, c.bake, c.sequence, c.kind) for c in found if isinstance(c, Change)] == [
        (1, baker.bake, 1, "step_done"),
        (2, baker.bake, 2, "step_done"),
    ]
    assert [c.id for c in asyncio.run(heard(bench.hub, 1, 1)) if isinstance(c, Change)] == [2]


def test_a_listener_hears_the_latest_of_each_probe_that_read_since(store: Store) -> None:
    hub = Hub(store)
    hub.read("old", NOON, 10)

    async def listens() -> list[Change | ProbeRead | Told | None]:
        hub.attach(asyncio.get_running_loop())
        listening = asyncio.create_task(heard(hub, 0, 2))
        await asyncio.sleep(0)
        for celsius in (50.0, 51.0, 52.0):
            hub.read("pot", NOON, celsius)
        hub.read("oven", NOON, 180)
        return await asyncio.wait_for(listening, 10)

    told = {r.probe: r.celsius for r in asyncio.run(listens()) if isinstance(r, ProbeRead)}
    assert told == {"pot": 52, "oven": 180}


def test_an_idle_listener_gets_a_sign_of_life(store: Store, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("kindwhisk.bench.hub.IDLE_S", 0.01)
    assert asyncio.run(heard(Hub(store), 0, 2)) == [None, None]


def test_many_threads_may_read_while_one_asks(store: Store) -> None:
    hub, stop, trouble = Hub(store), threading.Event(), []

    def reads(name: int) -> None:
        n = 0
        while not stop.is_set():
            n += 1
            hub.read(f"probe-{name}-{n % 300}", NOON, float(n))

    hands = [threading.Thread(target=reads, args=(n,)) for n in range(3)]
    for hand in hands:
        hand.start()
    try:
        for _ in range(300):
            number, latest = hub._read_since(0)
            assert len({r.probe for r in latest}) == len(latest) <= number
    except RuntimeError as changed:
        trouble.append(changed)
    finally:
        stop.set()
        for hand in hands:
            hand.join()
    assert not trouble
    assert hub._read_since(hub._reads)[1] == []


def test_the_thread_keeps_up_after_each_burst_and_ends(bench: Bench, monkeypatch: pytest.MonkeyPatch) -> None:
    done = threading.Semaphore(0)
    monkeypatch.setattr("kindwhisk.bench.keep_up.PAUSE_S", 0.0)
    monkeypatch.setattr(bench, "keep_up", done.release)
    working = KeepUp(bench)
    try:
        working.start()
        working.start()
        for _ in range(2):
            bench.hub.read("pot", NOON, 50)
            assert done.acquire(timeout=10)
        assert threading.active_count() >= 2
    finally:
        working.stop()
    assert "keep-up" not in {t.name for t in threading.enumerate()}
