"""The moment: UTC, to the millisecond; for the stand-in kitchen, on a clock that may run faster than the wall's."""

from __future__ import annotations

from datetime import UTC, datetime
from threading import Lock

FASTEST = 60.0


def now() -> datetime:
    """Now by the wall, in UTC."""
    return _to_milliseconds(datetime.now(UTC))


def _to_milliseconds(moment: datetime) -> datetime:
    return moment.replace(microsecond=moment.microsecond // 1000 * 1000)


class Clock:
    """The clock of a bench. It never goes back: after it ran fast it keeps its lead."""

    def __init__(self) -> None:
        self._lock = Lock()
        self._wall = self._shown = datetime.now(UTC)
        self._speed = 1.0

    @property
    def speed(self) -> float:
        """How many of its seconds pass in one of the wall's."""
        return self._speed

    def now(self) -> datetime:
        """Its moment."""
        with self._lock:
            return _to_milliseconds(self._now())

    def _now(self) -> datetime:
        return self._shown + (datetime.now(UTC) - self._wall) * self._speed

    def run(self, speed: float) -> None:
        """Go on at another speed, from its moment now; 1 to 60."""
        with self._lock:
            self._shown, self._wall = self._now(), datetime.now(UTC)
            self._speed = min(FASTEST, max(1.0, speed))

    def not_before(self, moment: datetime) -> None:
        """What was kept has happened: never be earlier."""
        with self._lock:
            if self._now() < moment:
                self._shown, self._wall = moment, datetime.now(UTC)
