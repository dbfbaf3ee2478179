"""What everybody at the bench has to know of the data and the clock: said on every page until it is over."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from enum import StrEnum

from kindwhisk.bench.clock import MOVED_S, Clock
from kindwhisk.core.values.model import Value
from kindwhisk.store.database import Store

LITTLE_ROOM = 100_000_000
OLD = timedelta(days=7)
TOLD_FOR = timedelta(hours=12)
"""So long a clock that was moved and put back is told of."""


class NoticeKind(StrEnum):
    """What a notice is about."""

    DATA = "data"
    ROOM = "room"
    BACKUP = "backup"
    CLOCK = "clock"


class Notice(Value):
    """Something to know, and what to do about it; ``grave``: nothing is kept until it is done."""

    kind: NoticeKind
    grave: bool
    text: str
    remedy: str
    since: datetime


def notices(store: Store, clock: Clock) -> tuple[Notice, ...]:
    """All of them, the grave ones first."""
    return tuple(sorted((*_data(store), *_backups(store), *_clock(store, clock)), key=lambda n: not n.grave))


def _data(store: Store) -> list[Notice]:
    trouble, room = store.standing.trouble, store.standing.room_bytes()
    if trouble is not None:
        why = trouble.why
        return [
            Notice(kind=NoticeKind.DATA, grave=True, text=why.message, remedy=why.remedy, since=trouble.since)
        ]  # fmt: skip
    if room is not None and room < LITTLE_ROOM:
        return [
            Notice(
                kind=NoticeKind.ROOM,
                grave=False,
                text=f"Only {room // 1_000_000} MB are left on the disk of the data.",
                remedy="Make room before it is full; what does not fit is not kept.",
                since=datetime.now(UTC),
            )
        ]
    return []


def _backups(store: Store) -> list[Notice]:
    failed = store.backups.failed
    if failed is not None:
        return [
            Notice(
                kind=NoticeKind.BACKUP,
                grave=False,
                text=failed.why.message,
                remedy=failed.why.remedy,
                since=failed.at,
            )
        ]
    newest = next((c.made_at for c in store.backups.copies()), None)
    if newest is not None and datetime.now(UTC) - newest > OLD:
        days = (datetime.now(UTC) - newest).days
        return [
            Notice(
                kind=NoticeKind.BACKUP,
                grave=False,
                text=f"The last backup is {days} days old.",
                remedy="Make one in Kitchen, under Safe keeping.",
                since=newest,
            )
        ]
    return []


def _by(seconds: float) -> str:
    span = abs(seconds)
    for name, size in (("day", 86_400.0), ("hour", 3_600.0), ("minute", 60.0)):
        if span >= size:
            number = f"{span / size:.1f}".removesuffix(".0")
            return f"{number} {name}{'' if number == '1' else 's'}"
    return f"{span:.0f} seconds"


def _clock(store: Store, clock: Clock) -> list[Notice]:
    moves = store.clock_moves.listed()
    if not moves:
        return []
    last = moves[-1]
    if abs(clock.lead_s) >= MOVED_S:
        way = "back" if clock.lead_s > 0 else "on"
        return [
            Notice(
                kind=NoticeKind.CLOCK,
                grave=False,
                text=f"The clock of this machine was set {way} by {_by(clock.lead_s)} while bakes run.",
                remedy="Times at the bench go on by the clock of before, so timers are right. The new time is taken "
                "once nothing runs, or now, in Kitchen under Safe keeping.",
                since=last.at,
            )
        ]
    if last.moved_s and clock.now() - last.at < TOLD_FOR:
        return [
            Notice(
                kind=NoticeKind.CLOCK,
                grave=False,
                text=f"The clock of this machine was moved by {_by(last.moved_s)}, and put right again.",
                remedy="Times at the bench were not touched by it. What was saved meanwhile in Book, Kitchen and "
                "Goods may carry the wrong time.",
                since=last.at,
            )
        ]
    return []
