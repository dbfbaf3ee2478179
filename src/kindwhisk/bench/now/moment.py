"""A bake at a moment: all that its events, its readings and its forecast amount to, each worked out once.

What may happen next, what a page is told, the braid and the traces all read it; nothing of it is worked out before
somebody asks, and nothing twice.
"""

from __future__ import annotations

from datetime import datetime, timedelta
from functools import cached_property

from kindwhisk.bench.log.document import BakeDocument, digest, parse
from kindwhisk.bench.log.log import BakeLog
from kindwhisk.bench.log.progress import BakeStatus, Progress, StepStatus
from kindwhisk.bench.log.projection import project
from kindwhisk.bench.now.awaited import AwaitedView, open_awaited
from kindwhisk.bench.now.cooled import CooledNow, cooled_now
from kindwhisk.bench.now.expected import expected_times
from kindwhisk.bench.now.following import Following, StepAtHand, StepWatch
from kindwhisk.bench.now.meetings import MeetingView, open_meetings
from kindwhisk.bench.now.outlook import Outlook, outlook
from kindwhisk.bench.now.pieces import pieces_seen
from kindwhisk.bench.now.readiness import GateItemView, gate_items, startable
from kindwhisk.bench.now.walked import WalkedBake, walked
from kindwhisk.bench.now.warmth import warmth_seen
from kindwhisk.bench.now.windows import WindowView, open_windows
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.finished import out_of_the_cold
from kindwhisk.core.process.forecast import StepForecast
from kindwhisk.core.process.gate import Gate, GateItemKind
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.shelf_life.out_of_cold import OutOfCold


class Moment:
    """A bake at ``now``, in the kitchen as it stands."""

    def __init__(self, log: BakeLog, kitchen: Kitchen, following: Following, now: datetime) -> None:
        self.log, self.kitchen, self.now = log, kitchen, now
        self._following = following
        self._watches: dict[str, StepWatch | None] = {}

    @classmethod
    def of(cls, other: Moment, log: BakeLog) -> Moment:
        """The same moment of another log."""
        return cls(log, other.kitchen, other._following, other.now)

    @property
    def began_at(self) -> datetime:
        """When the bake began."""
        return self.log.began_at

    @cached_property
    def progress(self) -> Progress:
        """What the events amount to."""
        return project(self.log.happened, self.log.began_at, self.log.text)

    @property
    def document(self) -> BakeDocument:
        """What it is made from by now: as it began, and otherwise where it was changed since."""
        return parse(self.progress.text)

    @cached_property
    def walked(self) -> WalkedBake:
        """The forecast and the materials behind it, by what was observed so far."""
        document = self.document
        densities = self.progress.densities(self.now, document.fades_s)
        waited = self.progress.waited_s(self.now, document.takers)
        ran = self.progress.ran_s(document.foams)
        told = (tuple(sorted(m.items())) for m in (waited, ran))
        pieces = pieces_seen(document, self.progress, self._following, self.kitchen, self.now)
        seen = (tuple(sorted(densities.items())), *told, pieces)
        made = walked(self.progress.text, *seen)
        warmth = warmth_seen(self.log.id, made, self.progress, self._following, self.kitchen, self.now)
        return walked(self.progress.text, *seen, warmth) if warmth else made

    @cached_property
    def cold(self) -> OutOfCold | None:
        """How long what stands was out of the cold so far; None where nothing perishable is in it."""

        def on_clock(at: datetime) -> float:
            return (at - self.began_at).total_seconds()

        times = {
            i: (on_clock(s.started_at), on_clock(s.ended_at or self.now))
            for i, s in self.progress.steps.items()
            if s.started_at is not None and s.status in {StepStatus.RUNNING, StepStatus.DONE}
        }
        until = on_clock(self.progress.ended_at or self.now)
        limit, told = self.kitchen.out_of_cold_h, self.walked.observed.warmth
        return out_of_the_cold(self.walked.steps, times, until, limit, told)

    @cached_property
    def cooled(self) -> tuple[CooledNow, ...]:
        """What was cooked and cools since."""
        return cooled_now(self.walked, self.progress, self.kitchen, self.now)

    def at_hand(self, step_id: str) -> StepAtHand | None:
        """What following a step by thermometers needs to know of it; None for one that none follows or followed."""
        made, step = self.walked, self.walked.formula.step(step_id)
        if step.probe is None and step_id not in self.progress.probes:
            return None
        before, after = made.at_first(step_id), made.materials[step_id]
        return StepAtHand(self.log.id, digest(self.progress.text), step, before, after, made.places[step_id])

    def watch(self, step_id: str) -> StepWatch | None:
        """What thermometers tell of a step; None for one that none follows or followed."""
        if step_id not in self._watches:
            at = self.at_hand(step_id)
            found = at and self._following.watch(at, self.progress, self.kitchen, self.now)
            self._watches[step_id] = found
        return self._watches[step_id]

    @cached_property
    def outlooks(self) -> dict[str, Outlook]:
        """The outlook of every step that runs."""
        found = {}
        for step in self.walked.forecast.steps:
            if self.progress.status_of(step.id) is StepStatus.RUNNING:
                view = outlook(step, self.progress, self.now, self.watch(step.id))
                if view is not None:
                    found[step.id] = view
        return found

    @cached_property
    def meetings(self) -> dict[str, MeetingView]:
        """Syrups beside their whites, by the step that boils."""
        found = open_meetings(self.walked, self.progress, self.watch, self.outlooks, self.now)
        return {m.boil: m for m in found}

    @cached_property
    def awaited(self) -> tuple[AwaitedView, ...]:
        """Foams to be begun while something cools for them."""
        return open_awaited(self.walked, self.progress, self.watch, self.outlooks, self.now)

    @cached_property
    def expected(self) -> dict[str, tuple[datetime, datetime]]:
        """When every step is expected to start and end."""
        called = {
            m.whisk: self.now + timedelta(seconds=m.meeting.start_in_s)
            for m in self.meetings.values()
            if m.meeting.start_in_s is not None
        } | {a.whisk: a.start_at for a in self.awaited}
        return expected_times(
            self.walked.forecast, self.progress, self.document, self.outlooks, self.began_at, self.now, called
        )

    @cached_property
    def windows(self) -> tuple[WindowView, ...]:
        """Contents that wait and may not wait for ever."""
        return open_windows(self.walked.forecast, self.progress, self.now)

    @cached_property
    def gates(self) -> dict[str, Gate]:
        """The make-ready lists, by the step that each stands before."""
        return self.walked.gates

    def gate_items(self, step_id: str) -> tuple[GateItemView, ...]:
        """What is there and what is missing before a step; empty where no gate stands before it."""
        gate = self.gates.get(step_id)
        return gate_items(gate, self.progress) if gate else ()

    @cached_property
    def current(self) -> str | None:
        """The step that wants the baker now.

        First a running one that needs an eye on it, then one whose look is due, then the next to start,
        and if there is nothing to start, whatever is over first.
        """
        if self.progress.status is not BakeStatus.RUNNING:
            return None
        forecast, running = self.walked.forecast, self.outlooks
        watched = [i for i in running if forecast.step(i).attention is not Attention.NONE]
        if watched:
            return max(watched, key=lambda i: running[i].started_at)
        due = [i for i, o in running.items() if o.look_at is not None and o.look_at <= self.now]
        ready = self._ready()
        # A hot oven or a steeped tea can wait for a foam; a cake in the oven can't.
        busy = bool(self.windows) and bool(ready)
        pressing = [i for i in due if forecast.step(i).sets_foam or not busy]
        if pressing:
            return min(pressing, key=lambda i: running[i].likely_at)
        if ready:
            return ready[0]
        return min(running, key=lambda i: running[i].likely_at, default=None)

    def _ready(self) -> list[str]:
        """Steps that can start, the one that is expected first in front; things to tick don't count here.

        Of those whose time has come, a tray that can rest or bake goes first: hands are free again at once.
        """
        ids = [
            s.id
            for s in self.walked.forecast.steps
            if startable(s, self.progress)
            and all(i.there for i in self.gate_items(s.id) if i.kind is GateItemKind.STEP)
        ]

        def turn(step_id: str) -> tuple[datetime, bool, tuple[datetime, datetime]]:
            start, _ = self.expected[step_id]
            step = self.walked.forecast.step(step_id)
            presses = step.sets_foam and step.attention is Attention.NONE
            return max(start, self.now), not presses, self.expected[step_id]

        return sorted(ids, key=turn)

    @cached_property
    def next(self) -> str | None:
        """What comes after the current step."""
        after = [
            s.id
            for s in self.walked.forecast.steps
            if self.progress.status_of(s.id) is StepStatus.WAITING and s.id != self.current
        ]
        return min(after, key=lambda i: self.expected[i], default=None)

    def waiting_for(self, step: StepForecast) -> tuple[datetime, str] | None:
        """The next step that needs this one: when all else that it needs is expected to be there, and its title."""
        found = []
        for taker in self.walked.forecast.steps:
            if step.id in taker.needs and not self.progress.is_over(taker.id):
                others = [self.expected[n][1] for n in taker.needs if n != step.id]
                found.append((max(others, default=self.expected[taker.id][0]), taker.title))
        return min(found, default=None)
