"""What everybody at the bench has to know of the data and the clock: said on every page until it is over."""

from __future__ import annotations

from collections.abc import Iterator
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


def _told(kind: NoticeKind, text: str, remedy: str, since: datetime, *, grave: bool = False) -> Notice:
    return Notice(kind=kind, text=text, remedy=remedy, since=since, grave=grave)


def _data(store: Store) -> Iterator[Notice]:
    trouble, room = store.standing.trouble, store.standing.room_bytes()
    if trouble is not None:
        yield _told(NoticeKind.DATA, trouble.why.message, trouble.why.remedy, trouble.since, grave=True)
    elif room is not None and room < LITTLE_ROOM:
        text = f"Only {room // 1_000_000} MB are left on the disk of the data."
        remedy = "Make room before it is full; what does not fit is not kept."
        yield _told(NoticeKind.ROOM, text, remedy, datetime.now(UTC))


def _backups(store: Store) -> Iterator[Notice]:
    failed, now = store.backups.failed, datetime.now(UTC)
    newest = next((c.made_at for c in store.backups.copies()), None)
    if failed is not None:
        yield _told(NoticeKind.BACKUP, failed.why.message, failed.why.remedy, failed.at)
    elif newest is not None and now - newest > OLD:
        text = f"The last backup is {(now - newest).days} days old."
        yield _told(NoticeKind.BACKUP, text, "Make one in Kitchen, under Safe keeping.", newest)


def _by(seconds: float) -> str:
    span = abs(seconds)
    for name, size in (("day", 86_400.0), ("hour", 3_600.0), ("minute", 60.0)):
        if span >= size:
            number = f"{span / size:.1f}".removesuffix(".0")
            return f"{number} {name}{'' if number == '1' else 's'}"
    return f"{span:.0f} seconds"


def _clock(store: Store, clock: Clock) -> Iterator[Notice]:
    last = next(iter(store.clock_moves.listed(1)), None)
    if last is None:
        return
    if abs(clock.lead_s) >= MOVED_S:
        way = "back" if clock.lead_s > 0 else "on"
        text = f"The clock of this machine was set {way} by {_by(clock.lead_s)} while bakes run."
        remedy = (
            "Times at the bench go on by the clock of before, so timers are right. The new time is taken once nothing "
            "runs, or now, in Kitchen under Safe keeping."
        )
        yield _told(NoticeKind.CLOCK, text, remedy, last.at)
    elif last.moved_s and clock.now() - last.at < TOLD_FOR:
        text = f"The clock of this machine was moved by {_by(last.moved_s)}, and put right again."
        remedy = (
            "Times at the bench were not touched by it. What was saved meanwhile in Book, Kitchen and Goods may carry "
            "the wrong time."
        )
        yield _told(NoticeKind.CLOCK, text, remedy, last.at)
