"""A stand-in for the room and for shells that rest in it: a hygrometer, and what a finger would find.

It is no mirror of the forecast's: its damp drifts, and a skin grows into the piece like ice on a pond, ever slower, at
a pace that differs from tray to tray.
"""

from __future__ import annotations

import math
import random
import zlib
from collections.abc import Sequence
from dataclasses import dataclass, field
from datetime import datetime

from kindwhisk.bench.now.awake import AtWork
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.piping.skin import Feel
from kindwhisk.core.process.steps.skin import SkinStep
from kindwhisk.core.values.model import Value
from kindwhisk.devices.intake import OutsideReading

READS_EVERY_S, STEP_S = 60.0, 15.0
USUAL_PERCENT, DRIFTS_PERCENT, FORGETS_S = 52.0, 5.0, 5400.0
SKIN_MM = 0.34
WATER_ACTIVITY = 0.82
GROWS_MM2_PER_S = 1.05e-4
"""How fast the square of a skin's depth grows in air that lacks all damp, at 22 C."""
WARMER_PER_K = 0.045
COOKED_TIMES = 1.6
FAN_TIMES = 1.8
STICKS_BELOW, HARD_ABOVE = 0.74, 1.55
"""Shares of the depth at which a skin holds: below the first it sticks, above the second it is hard."""
TRAYS_DIFFER = 0.06
LONGEST_S = 6 * 3600.0


@dataclass
class StandInRoom:
    """The air of a room: advance it, read its hygrometer."""

    percent: float = USUAL_PERCENT
    seed: int = 1
    _rng: random.Random = field(init=False)

    def __post_init__(self) -> None:
        self._rng = random.Random(self.seed)

    def advance(self, seconds: float) -> None:
        """On by so many seconds: it wanders, and comes back to what is usual."""
        back = 1 - math.exp(-seconds / FORGETS_S)
        kick = DRIFTS_PERCENT * math.sqrt(back * (2 - back))
        self.percent += (USUAL_PERCENT - self.percent) * back + self._rng.gauss(0, kick)
        self.percent = min(95.0, max(20.0, self.percent))

    def read(self) -> float:
        """What its hygrometer says, to a whole percent."""
        return float(round(self.percent + self._rng.gauss(0, 0.6)))


@dataclass
class StandInShell:
    """A tray of shells: advance it in some air, lay a finger on one."""

    cooked: bool = False
    fan: bool = False
    pace: float = 1.0
    depth_mm: float = 0.0

    def advance(self, seconds: float, air_c: float, percent: float) -> None:
        """On by so many seconds."""
        grows = GROWS_MM2_PER_S * max(0.0, WATER_ACTIVITY - percent / 100) * self.pace
        grows *= math.exp(WARMER_PER_K * (air_c - 22))
        grows *= (COOKED_TIMES if self.cooked else 1.0) * (FAN_TIMES if self.fan else 1.0)
        self.depth_mm = math.sqrt(self.depth_mm**2 + grows * seconds)

    @property
    def feel(self) -> Feel:
        """What a finger finds."""
        share = self.depth_mm / SKIN_MM
        if share < STICKS_BELOW:
            return Feel.WET
        if share < 1:
            return Feel.TACKY
        return Feel.DRY if share < HARD_ABOVE else Feel.TOO_LONG


class ShellView(Value):
    """A tray that rests, and what a finger would find on it."""

    bake: str
    step: str
    feel: Feel


class RoomView(Value):
    """How damp the room really is, and the trays that rest in it."""

    percent: float
    shells: tuple[ShellView, ...]


@dataclass
class _Tray:
    shell: StandInShell
    upto_s: float = 0.0


class StandInRooms:
    """The room of a kitchen with all trays that rest in it, on the bench's clock."""

    def __init__(self) -> None:
        self.room = StandInRoom()
        self._at: datetime | None = None
        self._read_at: datetime | None = None
        self._trays: dict[tuple[str, str, datetime], _Tray] = {}

    def view(self) -> RoomView:
        """As it is."""
        shells = tuple(ShellView(bake=b, step=s, feel=t.shell.feel) for (b, s, _), t in self._trays.items())
        return RoomView(percent=self.room.percent, shells=shells)

    def advance(self, work: Sequence[AtWork], now: datetime, kitchen: Kitchen) -> list[OutsideReading]:
        """Bring it up to a moment; what its hygrometer read, where the kitchen has one and something runs."""
        if self._at is not None and now > self._at:
            self.room.advance(min(LONGEST_S, (now - self._at).total_seconds()))
        self._at = now
        resting = {(w.bake, w.step.id, w.started_at): w for w in work if isinstance(w.step, SkinStep)}
        self._trays = {k: t for k, t in self._trays.items() if k in resting}
        for key, one in resting.items():
            tray = self._trays.setdefault(key, _Tray(_shell(one)))
            self._dry(tray, (now - one.started_at).total_seconds(), one.setting.kitchen.air_c)
        if kitchen.hygrometer is None or not work:
            return []
        if self._read_at is not None and (now - self._read_at).total_seconds() < READS_EVERY_S:
            return []
        self._read_at = now
        return [OutsideReading(probe=kitchen.hygrometer.id, value=self.room.read(), at=now)]

    def _dry(self, tray: _Tray, upto_s: float, air_c: float) -> None:
        left = min(LONGEST_S, upto_s - tray.upto_s)
        tray.upto_s = upto_s
        while left > 0:
            step = min(STEP_S, left)
            tray.shell.advance(step, air_c, self.room.percent)
            left -= step


def _shell(work: AtWork) -> StandInShell:
    step = work.step
    assert isinstance(step, SkinStep)
    rng = random.Random(zlib.crc32(f"{work.bake} {step.id}".encode()))
    pace = math.exp(rng.gauss(0, TRAYS_DIFFER))
    return StandInShell(cooked=step.method.value != "French", fan=step.moving_air, pace=pace)
