"""Readings by the thousand, what came late among them, checkpoints, and notes that many hands write at once."""

from __future__ import annotations

import threading
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.store.checkpoints import StoredCheckpoint
from kindwhisk.store.database import Store, open_store
from kindwhisk.store.probes import StoredReading, milliseconds
from tests.bench.helpers import Baker

NOON = datetime(2026, 11, 2, 12, 0, tzinfo=UTC)


def reading(second: float, celsius: float = 50.0, probe: str = "pot", key: str | None = None) -> StoredReading:
    at = milliseconds(NOON + timedelta(seconds=second))
    return StoredReading(probe, key or f"k{at}", at, celsius + 1, celsius)


def test_a_moment_is_kept_to_the_millisecond() -> None:
    moment = datetime(2026, 11, 2, 12, 0, 0, 123_400, tzinfo=UTC)
    assert milliseconds(moment) == 1_793_620_800_123
    assert StoredReading("p", "k", 1_793_620_800_123, 1, 2).at == moment.replace(microsecond=123_000)


def test_a_repeated_key_is_kept_once_and_by_probe(store: Store) -> None:
    assert store.probes.keep([reading(0, key="a"), reading(1, key="b"), reading(2, key="a")]) == 2
    assert store.probes.keep([reading(0, key="a"), reading(3, key="c"), reading(0, key="a", probe="oven")]) == 2
    assert store.probes.keep([]) == 0


def test_more_than_one_chunk_is_kept_whole(store: Store) -> None:
    assert store.probes.keep([reading(n) for n in range(2500)]) == 2500
    assert len(list(store.probes.between("pot", NOON, NOON + timedelta(hours=2)))) == 2500


def test_a_stretch_holds_its_ends_and_is_in_order(store: Store) -> None:
    store.probes.keep([reading(s) for s in (30, 10, 20, 40)])
    store.probes.keep([reading(20, probe="oven", celsius=180)])
    seen = list(store.probes.between("pot", NOON + timedelta(seconds=10), NOON + timedelta(seconds=30)))
    assert [r.at for r in seen] == [NOON + timedelta(seconds=s) for s in (10, 20, 30)]
    assert {(r.read_c, r.celsius) for r in seen} == {(51, 50)}
    first, last = milliseconds(NOON), milliseconds(NOON + timedelta(minutes=5))
    upto = store.probes.last_id()
    assert [c for _, c in store.probes.between_ms("pot", first, last, upto, 100)] == [50] * 4
    assert len(store.probes.between_ms("pot", first, last, 2, 100)) == 2
    assert store.probes.between_ms("pot", first, last, upto, 1)[0][0] == milliseconds(NOON + timedelta(seconds=10))


def test_whether_a_stretch_holds_anything(store: Store) -> None:
    store.probes.keep([reading(10)])
    at = milliseconds(NOON + timedelta(seconds=10))
    assert store.probes.has_any("pot", at, at)
    assert not store.probes.has_any("pot", at + 1, at + 1000)
    assert not store.probes.has_any("oven", at, at)


@pytest.mark.parametrize("crowd", [0, 2500])
def test_what_came_late_is_found_among_few_and_among_many(store: Store, crowd: int) -> None:
    store.probes.keep([reading(s) for s in (10, 20)])
    before = store.probes.last_id()
    store.probes.keep([reading(15)])
    store.probes.keep([reading(n, probe="other") for n in range(crowd)])
    after = store.probes.last_id()
    since, until = (milliseconds(NOON + timedelta(seconds=s)) for s in (0, 18))
    assert store.probes.came_late("pot", since, until, before, after)
    assert not store.probes.came_late("pot", since, until, after, after)
    assert not store.probes.came_late("pot", since, since + 14_999, before, after)
    assert store.probes.came_late("pot", since, since + 15_000, before, after)
    assert not store.probes.came_late("oven", since, until, before, after)
    assert not store.probes.came_late("pot", since, until, after, after + 1)


def test_every_probe_is_known_by_its_last_reading(store: Store) -> None:
    assert (store.probes.known(), store.probes.last_id()) == ([], 0)
    store.probes.keep([reading(20, 60), reading(10, 55), reading(5, 180, probe="oven")])
    store.probes.keep([reading(20, 61, key="again")])
    oven, pot = store.probes.known()
    assert (oven.probe, oven.readings, oven.last.celsius) == ("oven", 1, 180)
    assert (pot.probe, pot.readings, pot.last.celsius, pot.last.read_c) == ("pot", 3, 61, 62)
    assert store.probes.last_id() == 4


def test_checkpoints_of_a_step_are_replaced_and_come_back_in_order(bench: Bench) -> None:
    store, bake = bench.store, Baker(bench).bake
    two = [StoredCheckpoint(2000, "b", 7, '{"x": [1.5]}'), StoredCheckpoint(1000, "b", 3, "{}")]
    store.checkpoints.replace(bake, "oven", two)
    store.checkpoints.replace(bake, "whip", [StoredCheckpoint(5, "c", 1, "é")])
    assert store.checkpoints.of(bake, "oven") == two[::-1]
    store.checkpoints.replace(bake, "oven", two[:1])
    assert store.checkpoints.of(bake, "oven") == two[:1]
    assert store.checkpoints.of(bake, "whip")[0].memory == "é"
    assert store.checkpoints.of("other", "oven") == []


def test_an_oven_note_with_a_known_key_is_the_same_note_whoever_writes_it(tmp_path: Path) -> None:
    store = open_store(tmp_path)
    found: list[int] = []
    start = threading.Barrier(8)

    def write() -> None:
        start.wait()
        found.append(store.oven_notes.keep("deck", kind="map", payload="{}", client_key="one-map"))

    hands = [threading.Thread(target=write) for _ in range(8)]
    for hand in hands:
        hand.start()
    for hand in hands:
        hand.join()
    assert len(found) == 8
    assert set(found) == {1}
    assert [n.client_key for n in store.oven_notes.listed()] == ["one-map"]
    other = store.oven_notes.keep("deck", kind="reading", payload="[]", client_key="another")
    assert (other, store.oven_notes.last_id()) == (2, 2)
    assert [(n.oven, n.kind, n.payload) for n in store.oven_notes.listed()][1] == ("deck", "reading", "[]")
    store.close()
