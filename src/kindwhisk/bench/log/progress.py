"""How far a bake is: everything that its events amount to."""

from __future__ import annotations

import math
from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, field
from datetime import datetime
from enum import StrEnum
from typing import Literal

from kindwhisk.bench.log import events as ev
from kindwhisk.core.folding.cup import RIBBON_SPREAD
from kindwhisk.core.piping.skin import Feel, Touch
from kindwhisk.core.piping.sorting import Counted, Counts
from kindwhisk.core.process.changes.base import Standing
from kindwhisk.core.process.walk import Measured
from kindwhisk.core.values.bands import CUP_SPREAD, Quantity

WAIT_STEP_S = 20.0


class StepStatus(StrEnum):
    """How far a step is."""

    WAITING = "waiting"
    RUNNING = "running"
    DONE = "done"
    SKIPPED = "skipped"
    LOST = "lost"


class BakeStatus(StrEnum):
    """How far a bake is."""

    RUNNING = "running"
    FINISHED = "finished"
    ABANDONED = "abandoned"


@dataclass
class StepProgress:
    """What happened to a step."""

    status: StepStatus = StepStatus.WAITING
    started_at: datetime | None = None
    ended_at: datetime | None = None
    looked_at: list[datetime] = field(default_factory=list)
    touches: list[tuple[datetime, Feel]] = field(default_factory=list)
    counted: dict[int, Counted] = field(default_factory=dict)
    cues_done: set[str] = field(default_factory=set)
    reason: str = ""
    time_counts: bool = True


@dataclass(frozen=True)
class Reading:
    """A measured value and where it belongs."""

    sequence: int
    at: datetime
    step: str
    quantity: Quantity
    value: float
    ribbon_s: float | None = None
    counts: bool = True
    eggs: int | None = None

    @property
    def measured(self) -> Measured:
        """A density (g/ml) with how sure it is: a ribbon tells less than a cup."""
        return Measured(self.value, CUP_SPREAD if self.ribbon_s is None else RIBBON_SPREAD)


@dataclass(frozen=True)
class Question:
    """Something asked about what was entered, and not answered yet; ``step`` is empty for the whole bake's."""

    sequence: int
    step: str
    entry: Literal["reading", "time", "height"]
    text: str


@dataclass(frozen=True)
class Timer:
    """A moment to be told of."""

    id: str
    label: str
    due_at: datetime


@dataclass(frozen=True)
class Note:
    """A text and where it belongs."""

    sequence: int
    at: datetime
    text: str
    step: str | None


@dataclass(frozen=True)
class Photo:
    """A photo of a bake: its number there, and the file's digest."""

    sequence: int
    at: datetime
    shows: ev.PhotoView
    digest: str
    width: int
    height: int


@dataclass(frozen=True)
class Turn:
    """What went otherwise than planned: in words, with the moment that it names, and grams of each ingredient lost and
    newly needed."""

    sequence: int
    at: datetime
    said: str
    reason: str = ""
    moment: datetime | None = None
    lost: Mapping[str, float] = field(default_factory=dict)
    needed: Mapping[str, float] = field(default_factory=dict)


@dataclass
class Progress:
    """Everything that the events amount to; ``text`` is the document as it stands after them. ``answers`` are yes and
    no by sign, ``confirmed`` causes by fault."""

    text: str = ""
    turns: list[Turn] = field(default_factory=list)
    refreshed: dict[str, list[datetime]] = field(default_factory=dict)
    status: BakeStatus = BakeStatus.RUNNING
    steps: dict[str, StepProgress] = field(default_factory=dict)
    ticked: set[str] = field(default_factory=set)
    readings: list[Reading] = field(default_factory=list)
    probes: dict[str, str] = field(default_factory=dict)
    timers: dict[str, Timer] = field(default_factory=dict)
    notes: list[Note] = field(default_factory=list)
    outcome: ev.OutcomeRecorded | None = None
    height_counts: bool = True
    photos: list[Photo] = field(default_factory=list)
    answers: dict[str, bool] = field(default_factory=dict)
    confirmed: dict[str, str] = field(default_factory=dict)
    questions: list[Question] = field(default_factory=list)
    ended_at: datetime | None = None
    last_sequence: int = 0
    undoable: int | None = None

    def step(self, step_id: str) -> StepProgress:
        """The progress of a step, waiting if nothing happened to it."""
        return self.steps.setdefault(step_id, StepProgress())

    def status_of(self, step_id: str) -> StepStatus:
        """How far a step is, without noting anything."""
        known = self.steps.get(step_id)
        return known.status if known else StepStatus.WAITING

    def is_over(self, step_id: str) -> bool:
        """Whether a step is done, was skipped, or was lost."""
        return self.status_of(step_id) in {StepStatus.DONE, StepStatus.SKIPPED, StepStatus.LOST}

    def standing(self, now: datetime) -> Standing:
        """How far it is, for a change at a moment."""
        begun = {i for i, s in self.steps.items() if s.status is not StepStatus.WAITING}
        running = {i for i, s in self.steps.items() if s.status is StepStatus.RUNNING}
        return Standing(frozenset(begun), frozenset(running), now)

    def ended(self, step_id: str) -> datetime | None:
        """When a step was over; None while it is not."""
        known = self.steps.get(step_id)
        return known.ended_at if known else None

    def waited_s(self, now: datetime, takers: Mapping[str, Sequence[str]]) -> dict[str, float]:
        """Seconds that each finished result has waited, or did wait, for the first of the steps that take it.

        A cup that was read of it later begins the wait anew: it tells what was left by then; so does what was done to
        bring it back. While it waits they run
        in steps of :data:`WAIT_STEP_S`, so that nothing is computed anew each second.
        """
        found = {}
        for step_id, own in self.steps.items():
            if own.ended_at is None or own.status is not StepStatus.DONE or step_id not in takers:
                continue
            taken = [t.started_at for i in takers[step_id] if (t := self.steps.get(i)) and t.started_at is not None]
            end = min(taken, default=self.ended_at or now)
            waited = (end - self.waits_since(step_id, own.ended_at, end)).total_seconds()
            if not taken:
                waited = WAIT_STEP_S * math.floor(waited / WAIT_STEP_S)
            if waited > 0:
                found[step_id] = waited
        return found

    def ran_s(self, foams: Collection[str]) -> dict[str, float]:
        """Seconds that each finished one of ``foams`` was whisked."""
        return {
            i: (s.ended_at - s.started_at).total_seconds()
            for i, s in self.steps.items()
            if i in foams and s.status is StepStatus.DONE and s.started_at and s.ended_at and s.time_counts
        }

    def touches(self, skins: Collection[str]) -> dict[str, tuple[Touch, ...]]:
        """What fingers said of each of ``skins``, in seconds since its rest began; “not yet” says what “tacky” does."""
        found = {}
        for step_id in skins:
            own = self.steps.get(step_id)
            if own is None or own.started_at is None or not (own.looked_at or own.touches):
                continue
            began, felt = own.started_at, dict(own.touches)
            told = sorted((felt | {at: Feel.TACKY for at in own.looked_at if at not in felt}).items())
            found[step_id] = tuple(Touch(t_s=max(0.0, (at - began).total_seconds()), feel=f) for at, f in told)
        return found

    def counts(self) -> dict[str, Counts]:
        """What pieces came out as, by the step at which they were counted and by tray."""
        return {i: tuple(sorted(s.counted.items(), key=lambda c: c[0])) for i, s in self.steps.items() if s.counted}

    def humidity(self, since: datetime, until: datetime) -> float | None:
        """As it was last typed in a stretch of time (percent); None where nobody did."""
        typed = [r for r in self.readings if r.quantity is Quantity.HUMIDITY and r.counts and since <= r.at <= until]
        return typed[-1].value if typed else None

    def waits_since(self, step_id: str, ended_at: datetime, now: datetime) -> datetime:
        """The moment from which a result that was there at ``ended_at`` ages."""
        anew = [r.at for r in self.cups(step_id) if r.at <= now]
        anew += [at for at in self.refreshed.get(step_id, ()) if at <= now]
        return max([ended_at, *anew])

    def cups(self, step_id: str) -> list[Reading]:
        """The densities read at a step that count."""
        return [r for r in self.readings if r.step == step_id and r.quantity is Quantity.DENSITY and r.counts]

    def densities(self, now: datetime, fades_s: Mapping[str, float]) -> dict[str, Measured]:
        """The density that counts as each step's result: the last one read.

        It does not count where the step went on for more than its ``fades_s`` seconds after it.
        """
        found = {}
        for reading in self.readings:
            if reading.quantity is Quantity.DENSITY and reading.counts:
                own = self.steps.get(reading.step)
                end = now if own is None or own.ended_at is None else own.ended_at
                if (end - reading.at).total_seconds() <= fades_s.get(reading.step, math.inf):
                    found[reading.step] = reading.measured
        return found
