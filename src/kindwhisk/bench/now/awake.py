"""The bakes that run and are not forgotten: what is looked after while nobody asks."""

from __future__ import annotations

from collections.abc import Callable, Sequence
from datetime import datetime, timedelta
from typing import NamedTuple

from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.now.following import StepAtHand
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.ingredients.material import Material
from kindwhisk.core.process.setting import Setting
from kindwhisk.core.process.steps import Step
from kindwhisk.store.database import Store

FORGOTTEN = timedelta(hours=12)
"""After so long without anything, a bake sleeps unless a step of it takes longer."""
MOST_SINCE = 1000
"""After more events than that, every bake is looked at anew."""


class AtWork(NamedTuple):
    """A step that runs: its bake, since when, what went into it one by one, and its setting."""

    bake: str
    step: Step
    started_at: datetime
    intake: tuple[Material, ...]
    setting: Setting


class Awake(NamedTuple):
    """A bake that runs: its steps that run, those of them that thermometers follow, what its events amount to, and
    until when it is looked after if nothing happens in it."""

    bake: str
    work: tuple[AtWork, ...]
    followed: tuple[StepAtHand, ...]
    progress: Progress
    until: datetime


class AwakeBakes:
    """Knows which bakes are awake; what is known of one holds until something happens in it."""

    def __init__(self, store: Store, moment: Callable[[str], Moment]) -> None:
        self._store, self._moment = store, moment
        self._known: Sequence[Awake] = ()
        self._seen_to: int | None = None

    def at(self, now: datetime) -> list[Awake]:
        """Those that are awake at a moment."""
        newest = self._store.bakes.last_event_id()
        if self._seen_to != newest:
            known = {a.bake: a for a in self._known}
            running = {str(row.id) for row in self._store.bakes.listed(status="running")}
            since = [] if self._seen_to is None else self._store.bakes.after(self._seen_to, limit=MOST_SINCE)
            kept = running - {str(row.bake) for row in since} if len(since) < MOST_SINCE else set()
            self._known = [known[b] if b in kept and b in known else self._looked_at(b) for b in sorted(running)]
            self._seen_to = newest
        return [a for a in self._known if now < a.until]

    def _looked_at(self, bake_id: str) -> Awake:
        at = self._moment(bake_id)
        made, found, until = at.walked, [], at.log.last_at + FORGOTTEN
        for step in made.formula.steps:
            own = at.progress.steps.get(step.id)
            if own is not None and own.status is StepStatus.RUNNING and own.started_at is not None:
                found.append(AtWork(at.log.id, step, own.started_at, made.intakes[step.id], made.places[step.id]))
                until = max(until, own.started_at + timedelta(seconds=2 * made.forecast.step(step.id).duration_s.high))
        followed = tuple(hand for w in found if (hand := at.at_hand(w.step.id)) is not None)
        return Awake(bake_id, tuple(found), followed, at.progress, until)
