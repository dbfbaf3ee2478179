"""The work of a day: each bake's steps with what they use, and what lies between them."""

from __future__ import annotations

import math
from collections.abc import Iterable, Mapping
from functools import cached_property
from typing import NamedTuple

from pydantic import Field

from kindwhisk.core.day.bowls import Stay
from kindwhisk.core.day.resources import GRID_S
from kindwhisk.core.day.supply import Supply
from kindwhisk.core.people import Craft
from kindwhisk.core.planning.tasks import HANDS, Job, Lag, job
from kindwhisk.core.process.forecast import Forecast
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.outcome import Resource
from kindwhisk.core.process.steps.preheat import PreheatStep
from kindwhisk.core.process.steps.recover import RecoverStep
from kindwhisk.core.process.walk import WalkedStep
from kindwhisk.core.storage import Storage
from kindwhisk.core.values.model import Value

Key = tuple[str, str]
"""A step of a bake: the ids of both."""


class Heat(Value):
    """A step in the oven: at how many degrees, on how many racks, how long in each oven that it may go into.

    ``heats``: it brings the oven there, and takes no rack.
    """

    celsius: float
    racks: int = Field(ge=0)
    seconds: dict[str, float]
    heats: bool = False


class DayTask(Value):
    """A step of a bake: seconds, and what it uses. ``sooner_s`` and ``later_s`` are how much less or more it may take.

    ``places`` are what it takes of where it ``stands``.
    """

    id: str
    title: str
    kind: str = ""
    seconds: float
    sooner_s: float = 0.0
    later_s: float = 0.0
    hands: bool = False
    craft: Craft = Craft.BATTER
    mixer: bool = False
    hob: bool = False
    heat: Heat | None = None
    stands: Storage | None = None
    places: int = 1

    def lasts_s(self, oven: str) -> float:
        """How long it lasts, in that oven where it goes into one."""
        return self.seconds if self.heat is None else self.heat.seconds.get(oven, self.seconds)


class Known(Value):
    """What is known of a step: when it started, and when it ended or should."""

    start_s: float
    end_s: float
    person: str = ""
    oven: str = ""
    mixer: str = ""
    over: bool = False


class DayBake(Value):
    """One bake of the day; seconds from the day's origin.

    ``weight`` is what a minute late costs, against other bakes. ``ovens`` are those that it may go into, the usual one
    first. It aims to be over at ``aim_s``, so that what takes longer than reckoned is still in time; where none is
    given, when it is due. ``known`` are steps that were begun, ``pinned`` starts that somebody has set, ``earliest_s``
    when it may begin. ``supplies`` are what it takes from other bakes.
    """

    id: str
    title: str
    due_s: float
    aim_s: float | None = None
    weight: int = Field(default=2, ge=1, le=100)
    earliest_s: float = 0.0
    ovens: tuple[str, ...]
    tasks: tuple[DayTask, ...]
    lags: tuple[Lag, ...]
    stays: tuple[Stay, ...] = ()
    supplies: tuple[Supply, ...] = ()
    known: dict[str, Known] = {}
    pinned: dict[str, float] = {}

    @cached_property
    def by_id(self) -> Mapping[str, DayTask]:
        """The steps by their ids; they stay the same in every copy."""
        return {t.id: t for t in self.tasks}

    @property
    def aims_s(self) -> float:
        """When it should be over."""
        return self.due_s if self.aim_s is None else min(self.aim_s, self.due_s)

    @property
    def is_set(self) -> bool:
        """Whether it was begun, or somebody has set when: then it is over soon after, whatever it aimed at."""
        return bool(self.known or self.pinned)

    @property
    def ahead(self) -> tuple[DayTask, ...]:
        """The steps that were not begun."""
        return tuple(t for t in self.tasks if t.id not in self.known)


class Placed(Value):
    """A step on the clock, with whose hands, and in which mixer or oven."""

    bake: str
    step: str
    start_s: float
    end_s: float
    person: str = ""
    mixer: str = ""
    oven: str = ""

    @property
    def key(self) -> Key:
        """Of the step."""
        return self.bake, self.step


class Laid(NamedTuple):
    """A process as it was walked, in an oven."""

    formula: Formula
    forecast: Forecast
    walked: tuple[WalkedStep, ...]


def tasks_of(laid: Mapping[str, Laid]) -> tuple[tuple[DayTask, ...], tuple[Lag, ...]]:
    """The steps of a bake, by what it takes in each of the ovens that it may go into (the usual one first)."""
    first = next(iter(laid.values()))
    work: Job = job(first.forecast)
    lasts = {oven: {s.id: s.duration_s.likely for s in one.forecast.steps} for oven, one in laid.items()}
    found = []
    for task, own in zip(work.tasks, first.walked, strict=True):
        step, tins = own.step, own.place.tins
        heat = None
        if Resource.OVEN in task.uses:
            heat = Heat(
                celsius=_celsius(own, first.walked),
                racks=0 if isinstance(step, PreheatStep | RecoverStep) else _racks(own),
                seconds={oven: on_grid(by_step.get(step.id, task.duration_s)) for oven, by_step in lasts.items()},
                heats=isinstance(step, PreheatStep),
            )
        found.append(
            DayTask(
                id=step.id,
                title=step.title,
                kind=step.kind,
                seconds=on_grid(task.duration_s),
                sooner_s=task.duration_s - task.low_s,
                later_s=task.high_s - task.duration_s,
                hands=HANDS in task.uses,
                craft=step.craft,
                mixer=Resource.MIXER in task.uses,
                hob=Resource.HOB in task.uses,
                heat=heat,
                stands=step.stands_in,
                places=max(1, tins.at_once),
            )
        )
    return tuple(found), tuple(_lag(lag) for lag in work.lags)


def units(seconds: float) -> int:
    """Seconds as half minutes, to the nearest."""
    return round(seconds / GRID_S)


def on_grid(seconds: float) -> float:
    """Up to the next half minute, and never nothing."""
    return GRID_S * max(1, math.ceil(round(seconds / GRID_S, 6)))


def _lag(lag: Lag) -> Lag:
    most = lag.at_most_s
    return lag.model_copy(
        update={
            "at_least_s": GRID_S * math.ceil(round(lag.at_least_s / GRID_S, 6)),
            "at_most_s": None if most is None else GRID_S * max(1, math.floor(most / GRID_S)),
        }
    )


def _celsius(own: WalkedStep, walked: Iterable[WalkedStep]) -> float:
    """The oven's temperature at a step; one that names none (between two loads) has that of the bake after it."""
    named = getattr(own.step, "oven_c", None)
    if named is not None:
        return float(named)
    after = [w.step.heats_oven_c for w in walked if own.step.id in w.step.needs and w.step.heats_oven_c is not None]
    return after[0] if after else 170.0


def _racks(own: WalkedStep) -> int:
    """How many racks a step takes, of the usual oven's."""
    oven = own.place.oven
    trays = own.place.tins.trays is not None
    number = own.place.tins.at_once
    share = number / oven.takes(trays=trays)
    return min(oven.racks, max(1, math.ceil(round(share * oven.racks, 6))))
