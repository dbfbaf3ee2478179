"""The live hub and the thread that keeps up: many writers, one listener, nothing lost and nothing told twice."""

from __future__ import annotations

import asyncio
import threading
from datetime import UTC, datetime

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.hub import Change, Hub, ProbeRead, Told
from kindwhisk.bench.keep_up import KeepUp
from kindwhisk.bench.now.moment import Moment
from kindwhisk.store.database import Store
from tests.awaiting import awaited
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
    found = awaited(heard(bench.hub, 0, 2))
    assert [(c.id, c.bake, c.sequence, c.kind) for c in found if isinstance(c, Change)] == [
        (1, baker.bake, 1, "step_done"),
        (2, baker.bake, 2, "step_done"),
    ]
    assert [c.id for c in awaited(heard(bench.hub, 1, 1)) if isinstance(c, Change)] == [2]


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

    told = {r.probe: r.celsius for r in awaited(listens()) if isinstance(r, ProbeRead)}
    assert told == {"pot": 52, "oven": 180}


def test_an_idle_listener_gets_a_sign_of_life(store: Store, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("kindwhisk.bench.hub.IDLE_S", 0.01)
    assert awaited(heard(Hub(store), 0, 2)) == [None, None]


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


def test_however_many_listen_the_disk_is_read_once(bench: Bench, monkeypatch: pytest.MonkeyPatch) -> None:
    baker, hub = Baker(bench), bench.hub
    looks: list[int] = []
    after = bench.store.bakes.after

    def counted(event_id: int, limit: int = 500) -> list[object]:
        looks.append(event_id)
        return list(after(event_id, limit))

    async def listens() -> list[int]:
        hub.attach(asyncio.get_running_loop())
        listening = [asyncio.create_task(heard(hub, 0, 1)) for _ in range(30)]
        while hub.listeners < 30:
            await asyncio.sleep(0)
        monkeypatch.setattr(bench.store.bakes, "after", counted)
        await asyncio.to_thread(baker.tell, "step_done", step="weigh-milk")
        told = await asyncio.wait_for(asyncio.gather(*listening), 20)
        return [c.id for one in told for c in one if isinstance(c, Change)]

    assert awaited(listens()) == [1] * 30
    assert len(looks) <= 3


def test_after_a_restore_listeners_are_told_and_hear_what_comes_then(bench: Bench) -> None:
    baker, hub = Baker(bench), bench.hub
    for step in ("weigh-milk", "weigh-dry"):
        baker.tell("step_done", step=step)

    async def listens() -> list[Change | ProbeRead | Told | None]:
        hub.attach(asyncio.get_running_loop())
        listening = asyncio.create_task(heard(hub, 2, 3))
        while hub.listeners < 1:
            await asyncio.sleep(0)
        # What was put in place is of before: ids begin anew.
        with bench.store.writing():
            for table in ("eventrow", "sqlite_sequence"):
                bench.store.database.execute_sql(f"DELETE FROM {table}")  # type: ignore[no-untyped-call]
        hub.restored()
        await asyncio.sleep(0.05)
        bench.logs = type(bench.logs)(bench.store)
        await asyncio.to_thread(baker.tell, "step_done", step="weigh-milk")
        return await asyncio.wait_for(listening, 20)

    told = awaited(listens())
    assert {t.about for t in told if isinstance(t, Told)} == {"restored", "notice"}
    assert [c.id for c in told if isinstance(c, Change)] == [1]


def test_a_forgotten_bake_sleeps_until_something_happens_in_it(bench: Bench) -> None:
    baker = Baker(bench, "butter-sponge", hours=6)
    baker.until("bake")
    baker.tell("step_started", step="bake")
    assert [w.step.id for w in bench.at_work(baker.now)] == ["bake"]
    baker.wait(11 * 3600)
    assert [w.step.id for w in bench.at_work(baker.now)] == ["bake"]
    baker.wait(2 * 3600)
    assert bench.at_work(baker.now) == []
    baker.tell("note_added", text="I am back")
    assert [w.step.id for w in bench.at_work(baker.now)] == ["bake"]


def test_of_bakes_in_which_nothing_happens_nothing_is_worked_out(bench: Bench, monkeypatch: pytest.MonkeyPatch) -> None:
    bakers = [Baker(bench) for _ in range(3)]
    looked: list[str] = []
    moment = bench.awake._moment

    def counted(bake_id: str) -> Moment:
        looked.append(bake_id)
        return moment(bake_id)

    monkeypatch.setattr(bench.awake, "_moment", counted)
    bench.at_work(bakers[0].now)
    assert sorted(looked) == sorted(b.bake for b in bakers)
    looked.clear()
    bench.at_work(bakers[0].now)
    assert looked == []
    bakers[1].tell("note_added", text="x")
    looked.clear()
    bench.at_work(bakers[0].now)
    assert looked == [bakers[1].bake]
