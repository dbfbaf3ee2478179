"""Looks after data and clock while the server runs: once a second at what is cheap, once a minute at the rest."""

from __future__ import annotations

import contextlib
import logging
from datetime import UTC, datetime
from threading import Event, Thread

from kindwhisk.bench.notices import NoticeKind
from kindwhisk.bench.workplace import Workplace
from kindwhisk.store.keeping.looking import SOON_CHECKED
from kindwhisk.store.trouble import DataTrouble

LOOK_S = 1.0
TIDY_EVERY = 60
"""Looks between two times that it tidies: brings the log into the file, makes the backup that is due."""

log = logging.getLogger(__name__)


class Caretaker:
    """A thread of its own, from the start of the server to its end."""

    def __init__(self, workplace: Workplace, *, keeps_wall: bool) -> None:
        """``keeps_wall``: the bench goes by the wall's clock, not by one that runs faster."""
        self._at, self._keeps_wall = workplace, keeps_wall
        self._stop = Event()
        self._thread: Thread | None = None
        self._looks = 0
        self._said: list[NoticeKind] = []

    def start(self) -> None:
        """Begin."""
        if self._keeps_wall:
            self.take_up_clock()
        self._at.store.standing.on_change = self._at.hub.notice
        self._thread = Thread(target=self._run, name="caretaker", daemon=True)
        self._thread.start()

    def stop(self) -> None:
        """End with the server."""
        self._stop.set()
        if self._thread is not None:
            self._thread.join(timeout=5)

    def _run(self) -> None:
        with contextlib.suppress(DataTrouble, OSError):
            # What was too large to be looked through before the start; what is found is said on every page.
            if self._at.store.path.stat().st_size > SOON_CHECKED:
                self._at.store.check_through()
        while not self._stop.wait(LOOK_S):
            try:
                self.look()
            except Exception:
                log.exception("the caretaker stumbled, and goes on")

    def look(self) -> None:
        """One look at everything."""
        self._looks += 1
        self._clock()
        self._data()
        if self._looks % TIDY_EVERY == 0:
            self._tidy()

    def take_up_clock(self) -> None:
        """Go on by the clock of before, if bakes run on it; and never begin before what they were told already."""
        store, clock = self._at.store, self._at.clock
        running = store.bakes.listed(status="running")
        moves = store.clock_moves.listed(1)
        if running and moves and moves[-1].lead_s:
            clock.begin(moves[-1].lead_s)
        last = max((self._at.logs.read(str(row.id)).last_at for row in running), default=None)
        ahead_s = 0.0 if last is None else (last - clock.now()).total_seconds()
        if ahead_s > 0:
            moved = clock.fell_behind(ahead_s)
            self._at.clock_moved(moved)

    def _clock(self) -> None:
        if not self._keeps_wall:
            return
        moved = self._at.clock.look()
        if moved is not None:
            self._at.clock_moved(moved)
        elif self._at.clock.lead_s and not self._at.store.bakes.listed(status="running", limit=1):
            self._at.take_wall_clock()

    def _data(self) -> None:
        standing, writing = self._at.store.standing, self._at.store.writing
        with contextlib.suppress(DataTrouble):
            if standing.trouble is None:
                standing.check()
            else:
                writing.try_out()

    def _tidy(self) -> None:
        store = self._at.store
        store.tidy()
        due = store.backups.due_at()
        worth_it = store.standing.trouble is None and store.formulas.any()
        if due is not None and due <= datetime.now(UTC) and worth_it:
            with contextlib.suppress(DataTrouble):
                store.backups.make()
        said = [n.kind for n in self._at.notices()]
        if said != self._said:
            self._said = said
            self._at.hub.notice()
