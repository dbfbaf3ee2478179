"""What one waits for at the bench while a slow sum runs: a long recipe read, plans, what-ifs of a bake."""

from __future__ import annotations

import statistics
import threading
import time
from collections.abc import Callable
from datetime import UTC, datetime, timedelta

from benchmarks.goals import met
from tests.core.recipes.expected import corpus
from tests.server import Server

PAGE = 50_000
GOAL = 2.0
IDLE_S = 2.0


def _looks(look: Callable[[], object], while_s: Callable[[], object]) -> float:
    """The median look (s) while something goes on."""
    took: list[float] = []
    over = threading.Event()

    def keep_looking() -> None:
        while not over.is_set():
            began = time.perf_counter()
            look()
            took.append(time.perf_counter() - began)

    looking = threading.Thread(target=keep_looking)
    looking.start()
    while_s()
    over.set()
    looking.join()
    return statistics.median(took)


def others(server: Server) -> None:
    """Looks at a running bake, beside those with nothing else going on, in one run."""
    ready = (datetime.now(UTC) + timedelta(hours=4)).isoformat()
    body = {"formula_id": "tea-chiffon", "ready_at": ready, "client_key": "measure-others"}
    bake = server.ask("/api/bakes", body)["id"]
    text = "\n".join(w.text for w in corpus("written") if not w.text.lstrip().startswith("{"))[:PAGE]
    asked = server.ask("/api/craft/bake/of/tea-chiffon")
    sums: dict[str, Callable[[], object]] = {
        "a long recipe is read": lambda: server.ask("/api/formulas/read", {"text": text}),
        "three plans are sought": lambda: [server.ask("/api/plans", {"formula_id": "finger-cake"}) for _ in range(3)],
        "what-ifs of a bake": lambda: server.ask("/api/craft/bake/what-if", asked),
    }

    def look() -> object:
        return server.ask(f"/api/bakes/{bake}")

    for name, slow in sums.items():
        slow()
        idle = _looks(look, lambda: time.sleep(IDLE_S))
        busy = _looks(look, slow)
        ratio = busy / idle
        told = f"{1000 * busy:6.1f} ms   {ratio:4.1f} times idle, goal {GOAL:.0f}: {met(ratio <= GOAL)}"
        print(f"bench while {name:24} {told}")
