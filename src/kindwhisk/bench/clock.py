"""The moment: UTC, to the millisecond, on a clock that goes on evenly whatever is done to the machine's.

What passes is told by a clock that nobody sets. Where the wall's clock is moved, the bench goes on as before and says
so, until nothing runs any more or somebody takes the new time. For the stand-in kitchen it may run faster.
"""

from __future__ import annotations

import time
from collections.abc import Callable
from datetime import UTC, datetime, timedelta
from threading import Lock

from kindwhisk.store.clock_moves import Moved

FASTEST = 60.0
MOVED_S = 2.0
"""A wall clock that is further off than this was moved; less is how it is kept right, and is followed."""


def now() -> datetime:
    """Now by the wall, in UTC."""
    return _to_milliseconds(datetime.now(UTC))


def _to_milliseconds(moment: datetime) -> datetime:
    return moment.replace(microsecond=moment.microsecond // 1000 * 1000)


def _wall() -> datetime:
    return datetime.now(UTC)


def _steady() -> float:
    """Seconds that only ever pass, while the machine sleeps too."""
    return time.clock_gettime(time.CLOCK_BOOTTIME) if hasattr(time, "CLOCK_BOOTTIME") else time.monotonic()


class Clock:
    """The clock of a bench. It never goes back while something runs: after it ran fast it keeps its lead."""

    def __init__(self, wall: Callable[[], datetime] = _wall, steady: Callable[[], float] = _steady) -> None:
        self._lock = Lock()
        self._read_wall, self._read_steady = wall, steady
        self._base, self._based = wall(), steady()
        self._wall, self._walled = self._base, self._based
        self._latest = self._base
        self._speed = 1.0
        self._lead_s = 0.0

    @property
    def speed(self) -> float:
        """How many of its seconds pass in one of the wall's."""
        return self._speed

    @property
    def lead_s(self) -> float:
        """How far it is ahead of a wall clock that was moved (s); 0 for one that was not."""
        return self._lead_s

    def now(self) -> datetime:
        """Its moment."""
        with self._lock:
            # Where the wall is kept right by a step back, it stands until that is made up for.
            self._latest = max(self._latest, self._now())
            return _to_milliseconds(self._latest)

    def _now(self) -> datetime:
        return self._base + timedelta(seconds=(self._read_steady() - self._based) * self._speed)

    def _go_on_from(self, moment: datetime) -> None:
        self._base, self._based = moment, self._read_steady()

    def run(self, speed: float) -> None:
        """Go on at another speed, from its moment now; 1 to 60."""
        with self._lock:
            self._go_on_from(self._now())
            self._speed = min(FASTEST, max(1.0, speed))

    def not_before(self, moment: datetime) -> None:
        """What was kept has happened: never be earlier."""
        with self._lock:
            if self._now() < moment:
                self._go_on_from(moment)

    def begin(self, lead_s: float) -> None:
        """Go on as before the server was stopped: so far ahead of the wall (s)."""
        with self._lock:
            self._go_on_from(self._read_wall() + timedelta(seconds=lead_s))
            self._latest = self._base
            self._lead_s = lead_s

    def fell_behind(self, seconds: float) -> Moved:
        """The wall's clock stands before what was told already: it was set back while nobody looked."""
        with self._lock:
            self._base += timedelta(seconds=seconds)
            self._lead_s += seconds
            return Moved(_to_milliseconds(self._now()), _to_milliseconds(self._read_wall()), -seconds, self._lead_s)

    def look(self) -> Moved | None:
        """Look at the wall's clock; what was done to it since the last look, if it was moved."""
        with self._lock:
            wall, steady = self._read_wall(), self._read_steady()
            off_s = (wall - self._wall).total_seconds() - (steady - self._walled)
            self._wall, self._walled = wall, steady
            if abs(off_s) < MOVED_S:
                if self._speed == 1:
                    self._go_on_from(self._now() + timedelta(seconds=off_s))
                return None
            self._lead_s -= off_s
            if abs(self._lead_s) < MOVED_S:
                self._lead_s = 0.0  # it was put back
            return Moved(_to_milliseconds(self._now()), _to_milliseconds(wall), off_s, self._lead_s)

    def take_wall(self) -> Moved | None:
        """Take the wall's time for the right one, where it was moved; what that changed."""
        with self._lock:
            if self._lead_s == 0:
                return None
            before, wall = self._now(), self._read_wall()
            self._go_on_from(wall)
            self._latest = wall
            self._lead_s = 0.0
            return Moved(_to_milliseconds(before), _to_milliseconds(wall), 0.0, 0.0)
