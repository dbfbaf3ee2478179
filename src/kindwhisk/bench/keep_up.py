"""Keeps up with the thermometers while nobody looks, so that a bake opens at once however long it was left alone."""

from __future__ import annotations

from threading import Event, Thread

from kindwhisk.bench.queries import Queries

PAUSE_S = 5.0


class KeepUp:
    """Takes what was read of running steps, a few seconds after it came."""

    def __init__(self, bench: Queries) -> None:
        self._bench = bench
        self._stop = Event()
        self._thread: Thread | None = None

    def start(self) -> None:
        """Begin."""
        if self._thread is None:
            self._thread = Thread(target=self._run, name="keep-up", daemon=True)
            self._thread.start()

    def stop(self) -> None:
        """End with the server."""
        self._stop.set()
        self._bench.hub.reads.set()
        if self._thread is not None:
            self._thread.join(timeout=2)

    def _run(self) -> None:
        reads = self._bench.hub.reads
        while not self._stop.is_set():
            reads.wait()
            reads.clear()
            if not self._stop.wait(PAUSE_S):
                self._bench.keep_up()
