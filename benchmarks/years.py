"""Years of a kitchen's data beside a few weeks of it: every page's questions, as ratios measured in one run."""

from __future__ import annotations

import itertools
import shutil
import sqlite3
import statistics
import tempfile
import time
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from pathlib import Path

from benchmarks.goals import met
from kindwhisk.store.keeping.looking import FILE_NAME
from tests.server import Server

FEW, MANY = (200, 100_000), (20_000, 10_000_000)
"""Bakes and readings."""
GOAL = 2.0
TIMES = 7
LEAST_S = 0.02
"""What takes less than this nobody notices: it is not compared."""
PROBES = 12


def grown(seeded: Path, folder: Path, bakes: int, readings: int) -> None:
    """A demo kitchen with so many bakes and readings in it, made of its own over and over."""
    shutil.copytree(seeded, folder, dirs_exist_ok=True)
    file = sqlite3.connect(folder / FILE_NAME)
    columns = {t: [r[1] for r in file.execute(f'PRAGMA table_info("{t}")')] for t in ("bakerow", "eventrow")}
    old = file.execute("SELECT * FROM bakerow WHERE status = 'finished' ORDER BY started_at").fetchall()
    events = {
        row[0]: file.execute("SELECT * FROM eventrow WHERE bake_id = ? ORDER BY sequence", (row[0],)).fetchall()
        for row in old
    }
    now = datetime.now(UTC)
    name = columns["bakerow"].index
    event = columns["eventrow"].index
    for n, row in zip(range(bakes), itertools.cycle(old), strict=False):
        new, key = list(row), f"years-{n}"
        moved = now - timedelta(days=20) - timedelta(hours=4 * n) - datetime.fromisoformat(row[name("started_at")])
        new[name("id")], new[name("client_key")] = key, f"key-{key}"
        new[name("started_at")] = (datetime.fromisoformat(row[name("started_at")]) + moved).isoformat()
        file.execute(f"INSERT INTO bakerow VALUES ({','.join('?' * len(new))})", new)
        for one in events[row[0]]:
            also = list(one)
            also[event("id")], also[event("bake_id")] = None, key
            also[event("at")] = (datetime.fromisoformat(one[event("at")]) + moved).isoformat()
            file.execute(f"INSERT INTO eventrow VALUES ({','.join('?' * len(also))})", also)
    first = int((now - timedelta(days=900)).timestamp() * 1000)
    file.executemany(
        'INSERT INTO probereading ("probe", "key", "at_ms", "read_c", "celsius") VALUES (?, ?, ?, ?, ?)',
        ((f"p{n % PROBES}", f"y{n}", first + 20_000 * n, 20 + n % 80, 20 + n % 80) for n in range(readings)),
    )
    file.execute("DELETE FROM probetally")
    file.execute("INSERT INTO probetally SELECT probe, count(*) FROM probereading GROUP BY probe")
    file.commit()
    file.close()


def _took(ask: Callable[[], object]) -> float:
    ask()
    took = []
    for _ in range(TIMES):
        began = time.perf_counter()
        ask()
        took.append(time.perf_counter() - began)
    return statistics.median(took)


def years() -> None:
    """Print what each question takes with years of data, beside a few weeks."""
    print("\nyears of data: 20,000 bakes and 10 million readings beside 200 and 100,000")
    with tempfile.TemporaryDirectory() as place:
        seeded = Path(place) / "seeded"
        first = Server(seeded)
        first.start()
        first.stop()
        servers = []
        for name, (bakes, readings) in (("few", FEW), ("many", MANY)):
            grown(seeded, Path(place) / name, bakes, readings)
            began = time.perf_counter()
            server = Server(Path(place) / name)
            server.start()
            servers.append((server, time.perf_counter() - began))
        (few, few_start_s), (many, many_start_s) = servers
        ready = (datetime.now(UTC) + timedelta(hours=4)).isoformat()
        body = {"formula_id": "tea-chiffon", "ready_at": ready, "client_key": "measure-years"}
        started = {s: s.ask("/api/bakes", body)["id"] for s in (few, many)}
        last = {s: s.ask("/api/bakes")[40]["id"] for s in (few, many)}
        other = {s: s.ask("/api/bakes?formula=tea-chiffon")[30]["id"] for s in (few, many)}
        dense = {s: s.ask("/api/bakes?fault=dense%20layer%20below&limit=20")[1]["id"] for s in (few, many)}
        told = {"start": (few_start_s, many_start_s)}
        questions: dict[str, Callable[[Server], object]] = {
            "the Book": lambda s: s.ask("/api/formulas/glances"),
            "the Log": lambda s: s.ask("/api/bakes"),
            "found by fault": lambda s: s.ask("/api/bakes?fault=dense%20layer%20below"),
            "by words": lambda s: s.ask("/api/bakes?words=clotted&limit=20"),
            "by four marks": lambda s: s.ask("/api/bakes?formula=tea-chiffon&oven=deck&stars=4&sort=oldest&limit=20"),
            "the best": lambda s: s.ask("/api/bakes?sort=best&limit=20"),
            "what to choose": lambda s: s.ask("/api/bakes/choices"),
            "side by side": lambda s: s.ask(f"/api/bakes/compare?a={last[s]}&b={other[s]}"),
            "a trend": lambda s: s.ask("/api/trends?formula=tea-chiffon&measure=fold/batter"),
            "why": lambda s: s.ask("/api/diagnosis", {"bake": dense[s]}),
            "its last page": lambda s: s.ask(f"/api/bakes?before={last[s]}"),
            "a past bake": lambda s: s.ask(f"/api/bakes/{last[s]}"),
            "Today": lambda s: s.ask("/api/bakes?status=running"),
            "a running bake": lambda s: s.ask(f"/api/bakes/{started[s]}"),
            "an event": lambda s: s.ask(
                f"/api/bakes/{started[s]}/events",
                {"kind": "note_added", "client_key": f"note-{time.time_ns()}", "text": "x"},
            ),
            "an oven": lambda s: s.ask("/api/ovens/deck/profile"),
            "what is learned": lambda s: s.ask("/api/learned"),
            "probes": lambda s: s.ask("/api/readings"),
            "a formula": lambda s: s.ask("/api/formulas/tea-chiffon/forecast"),
            "a reading": lambda s: s.ask("/api/readings", {"probe": "p1", "value": 20}),
        }
        told |= {name: (_took(lambda: ask(few)), _took(lambda: ask(many))) for name, ask in questions.items()}  # noqa: B023
        for name, (a, b) in told.items():
            ratio = b / max(a, LEAST_S)
            told_so = f"{ratio:4.1f}, goal {GOAL:.0f}: {met(ratio <= GOAL)}"
            print(f"  {name:16} {1000 * a:8.0f} ms {1000 * b:8.0f} ms   {told_so}")
        few.stop()
        many.stop()


if __name__ == "__main__":
    years()
