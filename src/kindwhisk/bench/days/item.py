"""A bake of the day, whether it is only ordered or under way."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from datetime import datetime
from typing import NamedTuple

from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.day.joined import MARK
from kindwhisk.core.day.order import Due, Sure
from kindwhisk.core.day.parts import PartOffer
from kindwhisk.core.day.work import DayBake
from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.formula import Formula

Seconds = Callable[[datetime], float]
"""A moment in seconds from the start of the day."""


class DayItem(NamedTuple):
    """A bake of the day: what is ordered (where it was), how it is made, and the running bake that it is by now.

    ``part`` is the component that it makes for others, each with its share; ``given`` are steps done elsewhere.
    """

    id: str
    due: Due | None
    due_at: datetime
    formula: Formula
    forecast: Forecast
    bake: DayBake
    running: Moment | None = None
    batch: str = ""
    pieces: int = 1
    part: str = ""
    shares: Mapping[str, float] = {}
    offers: tuple[PartOffer, ...] = ()
    given: frozenset[str] = frozenset()

    @property
    def dues(self) -> frozenset[str]:
        """Everything that is due and made in it."""
        return frozenset(self.due.id.split(MARK)) if self.due else frozenset()

    @property
    def sure(self) -> Sure:
        """How sure it is; what was begun without an order is."""
        return self.due.order.sure if self.due else Sure.CERTAIN
