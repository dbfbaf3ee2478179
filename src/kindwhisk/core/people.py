"""People: who bakes here, when, and what they may do."""

from __future__ import annotations

from datetime import datetime, time, timedelta
from enum import StrEnum
from typing import Annotated, Self

from pydantic import Field, model_validator

from kindwhisk.core.values.model import Value

Id = Annotated[str, Field(pattern=r"^[a-z0-9][a-z0-9-]{0,39}$")]
Name = Annotated[str, Field(min_length=1, max_length=60)]
ClockTime = Annotated[str, Field(pattern=r"^([01]\d|2[0-3]):[0-5]\d$|^24:00$")]
WEEK = 7


class Craft(StrEnum):
    """What a step asks of whoever does it."""

    BATTER = "weighing, foams and batters"
    SUGAR = "sugar and the hob"
    PIPING = "piping and sorting"
    OVEN = "the oven"
    FINISHING = "cutting, filling and finishing"


class Span(Value):
    """A stretch of time, in seconds from an origin."""

    start_s: float
    end_s: float


class Hours(Value):
    """A daily stretch by the clock on the wall, on some days of the week (0 is Monday); it may cross midnight."""

    days: tuple[Annotated[int, Field(ge=0, lt=WEEK)], ...] = Field(default=tuple(range(WEEK)), max_length=WEEK)
    opens: ClockTime
    closes: ClockTime

    @model_validator(mode="after")
    def _some_time(self) -> Self:
        if self.opens == self.closes:
            raise ValueError("'opens' and 'closes' are the same: write 00:00 to 24:00 for all day")
        return self


EVERY_DAY = Hours(opens="04:00", closes="22:00")


class Person(Value):
    """Somebody who bakes here: hands differ in what air a fold keeps.

    ``hours``: when they are here; empty is whenever the kitchen is open. ``does``: empty is everything.
    """

    id: Id
    name: Name
    hours: tuple[Hours, ...] = Field(default=(), max_length=28)
    does: tuple[Craft, ...] = Field(default=(), max_length=len(Craft))

    def may(self, craft: Craft) -> bool:
        """Whether they do such work."""
        return not self.does or craft in self.does


def _at(day: datetime, clock: str) -> datetime:
    if clock == "24:00":
        return _at(day + timedelta(days=1), "00:00")
    return datetime.combine(day.date(), time.fromisoformat(clock), day.tzinfo)


def spans(hours: tuple[Hours, ...], start: datetime, length_s: float) -> tuple[Span, ...]:
    """When it is open between ``start`` and ``length_s`` later, in seconds from ``start``, joined and in order.

    The clock is the one that ``start`` is told by.
    """
    found: list[Span] = []
    for number in range(-1, int(length_s // 86400) + 2):
        day = start + timedelta(days=number)
        for one in hours:
            if day.weekday() not in one.days:
                continue
            opens, closes = _at(day, one.opens), _at(day, one.closes)
            if closes <= opens:
                closes += timedelta(days=1)
            a, b = (max(0.0, min(length_s, (t - start).total_seconds())) for t in (opens, closes))
            if b > a:
                found.append(Span(start_s=a, end_s=b))
    joined: list[Span] = []
    for span in sorted(found, key=lambda s: s.start_s):
        if joined and span.start_s <= joined[-1].end_s:
            joined[-1] = Span(start_s=joined[-1].start_s, end_s=max(joined[-1].end_s, span.end_s))
        else:
            joined.append(span)
    return tuple(joined)


def gaps(open_spans: tuple[Span, ...], length_s: float) -> tuple[Span, ...]:
    """What lies between the spans, from 0 to ``length_s``."""
    edges = [0.0, *(t for s in open_spans for t in (s.start_s, s.end_s)), length_s]
    return tuple(Span(start_s=a, end_s=b) for a, b in zip(edges[::2], edges[1::2], strict=True) if b > a)
