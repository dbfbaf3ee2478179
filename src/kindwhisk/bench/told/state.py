"""The state of a bake as a page shows it: the projection laid over the forecast, at a moment."""

from __future__ import annotations

from collections.abc import Iterator
from datetime import datetime, timedelta

from kindwhisk.bench.log.document import BakeDocument
from kindwhisk.bench.log.projection import BakeStatus, Progress, StepStatus
from kindwhisk.bench.now.following import watched
from kindwhisk.bench.now.outlook import Outlook, column, outlook
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.bench.now.windows import open_windows
from kindwhisk.bench.told.readings import reading_views
from kindwhisk.bench.told.views import (
    BakeState,
    CueView,
    GateItemView,
    GateView,
    MeetingView,
    NoteView,
    StepDetail,
    StepLine,
    TimerView,
    TraceView,
)
from kindwhisk.core.foams.whipping import Seen
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.planning.push import Actual, push
from kindwhisk.core.planning.tasks import Job, job
from kindwhisk.core.process.forecast import Forecast, StepForecast
from kindwhisk.core.process.gate import Gate, GateItemKind, gates
from kindwhisk.core.process.meetings import meetings
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.sugar.forecast import NOTHING_READ
from kindwhisk.core.sugar.meeting import Whisk, meeting
from kindwhisk.core.values.bands import Quantity
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.temperature import Point


def gate_items(gate: Gate, progress: Progress) -> list[GateItemView]:
    """What is there and what is missing; skipping a step with a reason counts as there."""
    items = []
    for item in gate.items:
        if item.kind is GateItemKind.STEP:
            status = progress.status_of(item.id)
            there = progress.is_over(item.id) or (item.under_way_is_enough and status is StepStatus.RUNNING)
        else:
            there = item.id in progress.ticked
        items.append(GateItemView(id=item.id, kind=item.kind, name=item.name, detail=item.detail, there=there))
    return items


def startable(step: StepForecast, progress: Progress) -> bool:
    """Whether everything that the step takes or waits for is over."""
    return progress.status_of(step.id) is StepStatus.WAITING and all(progress.is_over(n) for n in step.needs)


def expected_times(
    forecast: Forecast,
    progress: Progress,
    document: BakeDocument,
    outlooks: dict[str, Outlook],
    began_at: datetime,
    now: datetime,
) -> dict[str, tuple[datetime, datetime]]:
    """When every step is expected to start and end, from what has happened so far."""
    planned = {
        p.step: ((p.start - began_at).total_seconds(), (p.end - began_at).total_seconds()) for p in document.planned
    }
    base = job(forecast)
    tasks = tuple(
        t.model_copy(update={"duration_s": (o.likely_at - o.started_at).total_seconds()})
        if (o := outlooks.get(t.id))
        else t
        for t in base.tasks
    )
    actual = {
        i: Actual(
            start_s=(s.started_at - began_at).total_seconds(),
            end_s=None if s.ended_at is None else (s.ended_at - began_at).total_seconds(),
        )
        for i, s in progress.steps.items()
        if s.started_at is not None
    }
    times = push(Job(tasks=tasks, lags=base.lags), planned, actual, (now - began_at).total_seconds())
    return {i: (began_at + timedelta(seconds=a), began_at + timedelta(seconds=b)) for i, (a, b) in times.items()}


class StateMaker:
    """Makes a :class:`BakeState`; holds what its parts share."""

    def __init__(
        self, walked: WalkedBake, progress: Progress, began_at: datetime, now: datetime, bake_id: str, kitchen: Kitchen
    ) -> None:
        self.walked, self.progress = walked, progress
        self.document, self.forecast = walked.document, walked.forecast
        self.began_at, self.now = began_at, now
        self.steps = {s.id: s for s in walked.formula.steps}
        forecast, document = self.forecast, self.document
        self.bake_id = bake_id
        self.watches = {
            s.id: seen
            for s in walked.formula.steps
            if s.probe is not None or s.id in progress.probes
            if (
                seen := watched(
                    bake_id,
                    s,
                    progress,
                    kitchen,
                    (walked.before[s.id], walked.materials[s.id]),
                    walked.places[s.id],
                    now,
                )
            )
        }
        self.outlooks = {
            s.id: view
            for s in forecast.steps
            if (view := outlook(s, progress, now, self.watches.get(s.id))) is not None
        }
        self.meetings = {m.boil: m for m in self._meetings()}
        self.expected = expected_times(forecast, progress, document, self.outlooks, began_at, now)
        self.windows = open_windows(forecast, progress, now)
        self.gates = {g.step: g for g in gates(forecast)}

    def _meetings(self) -> Iterator[MeetingView]:
        """Syrups on the flame beside the whites that they are for."""
        for meets in meetings(self.walked.formula):
            boil = self.steps[meets.boil]
            if self.progress.status_of(meets.boil) is not StepStatus.RUNNING or not isinstance(boil, BoilStep):
                continue
            seen = self.watches.get(meets.boil)
            syrup = (seen.watch.pot if seen else None) or NOTHING_READ
            whites, view = self.forecast.step(meets.whisk), self.outlooks.get(meets.whisk)
            whisk, left = Whisk.WAITING, whites.duration_s
            if view is not None:
                ends = (view.low_at, view.likely_at, view.high_at)
                low, likely, high = (max(0.0, (end - self.now).total_seconds()) for end in ends)
                whisk, left = Whisk.RUNNING, Estimate(low=low, likely=likely, high=high, basis=whites.duration_s.basis)
            elif self.progress.is_over(meets.whisk):
                whisk, left = Whisk.THERE, Estimate.exact(0.0)
            pot = boil.pot(self.walked.before[meets.boil], self.walked.places[meets.boil])
            yield MeetingView(
                boil=meets.boil,
                whisk=meets.whisk,
                stream=meets.stream,
                meeting=meeting(syrup, pot, whisk, left, whites.hold_s),
            )

    def current(self) -> str | None:
        """The step that wants the baker now.

        First a running one that needs an eye on it, then one whose look is due, then the next to start,
        and if there is nothing to start, whatever is over first.
        """
        if self.progress.status is not BakeStatus.RUNNING:
            return None
        running = [(i, self.outlooks[i]) for i in self.outlooks]
        watched = [i for i, _ in running if self.forecast.step(i).attention is not Attention.NONE]
        if watched:
            return max(watched, key=lambda i: self.outlooks[i].started_at)
        due = [i for i, o in running if o.look_at is not None and o.look_at <= self.now]
        ready = self._startable()
        # A hot oven or a steeped tea can wait for a foam; a cake in the oven can't.
        busy = bool(self.windows) and bool(ready)
        pressing = [i for i in due if self.forecast.step(i).sets_foam or not busy]
        if pressing:
            return min(pressing, key=lambda i: self.outlooks[i].likely_at)
        if ready:
            return ready[0]
        return min((i for i, _ in running), key=lambda i: self.outlooks[i].likely_at, default=None)

    def _startable(self) -> list[str]:
        ids = [s.id for s in self.forecast.steps if startable(s, self.progress) and not self._gated(s.id)]
        return sorted(ids, key=lambda i: (self.expected[i][0], self.expected[i][1]))

    def _gated(self, step_id: str) -> bool:
        """Whether a step that its gate wants is still to be done; things to tick don't count here."""
        gate = self.gates.get(step_id)
        items = gate_items(gate, self.progress) if gate else []
        return any(i.kind is GateItemKind.STEP and not i.there for i in items)

    def next(self, current: str | None) -> str | None:
        """What comes after the current step."""
        after = [
            s.id for s in self.forecast.steps if self.progress.status_of(s.id) is StepStatus.WAITING and s.id != current
        ]
        return min(after, key=lambda i: self.expected[i], default=None)

    def line(self, step: StepForecast) -> StepLine:
        """The step in the list."""
        planned = next(p for p in self.document.planned if p.step == step.id)
        own = self.progress.steps.get(step.id)
        start, end = self.expected[step.id]
        return StepLine(
            id=step.id, kind=step.kind, title=step.title, goal=step.goal, vessel=step.vessel,
            vessel_name=step.vessel_name, attention=step.attention, status=self.progress.status_of(step.id),
            startable=startable(step, self.progress),
            planned_start_at=planned.start, planned_end_at=planned.end,
            expected_start_at=start, expected_end_at=end,
            started_at=own.started_at if own else None, ended_at=own.ended_at if own else None,
            reason=own.reason if own else "",
        )  # fmt: skip

    def detail(self, step_id: str) -> StepDetail:
        """The step close up."""
        step = self.forecast.step(step_id)
        view = self.outlooks.get(step_id)
        own = self.progress.steps.get(step_id)
        cues = tuple(
            CueView(
                id=c.id,
                at=view.started_at + timedelta(seconds=c.after_s.likely * view.pace),
                do=c.do,
                look=c.look,
                done=own is not None and c.id in own.cues_done,
            )
            for c in step.cues
            if view is not None
        )
        section, place = step.section, self.walked.places[step_id]
        if view is not None:
            at_step = self.steps[step_id]
            before, after = self.walked.before[step_id], self.walked.materials[step_id]
            material = at_step.while_running(before, after, view.share, self.seen(step_id, view), place)
            section = at_step.section(material, place)
        return StepDetail(
            forecast=step,
            outlook=view,
            cues=cues,
            column=column(
                step,
                self.steps[step_id],
                self.progress,
                place,
                view,
                self.waiting_for(step_id),
                self.now,
                before=self.walked.before[step_id],
                seen=self.watches.get(step_id),
                meets=met.meeting if (met := self.meetings.get(step_id)) else None,
            ),
            watch=seen.watch if (seen := self.watches.get(step_id)) else None,
            section=section,
            section_is_now=view is not None or self.progress.is_over(step_id),
            before=() if self.progress.is_over(step_id) else step.before,
            fold=next((f for f in self.forecast.folds if step_id in f.steps), None),
        )

    def waiting_for(self, step_id: str) -> tuple[datetime, str] | None:
        """The next step that needs this one: when all else that it needs is expected to be there, and its title."""
        found = []
        for taker in self.forecast.steps:
            if step_id in taker.needs and not self.progress.is_over(taker.id):
                others = [self.expected[n][1] for n in taker.needs if n != step_id]
                found.append((max(others, default=self.expected[taker.id][0]), taker.title))
        return min(found, default=None)

    def seen(self, step_id: str, view: Outlook) -> Seen | None:
        """The last cup read while the step runs."""
        cups = [r for r in self.progress.readings if r.step == step_id and r.quantity is Quantity.DENSITY]
        if not cups:
            return None
        return Seen(density=cups[-1].value, share=view.share_at(cups[-1].at))

    def gate(self, current: str | None) -> GateView | None:
        """The gate of the current step, or the next one that lies ahead."""
        ahead = [g for i, g in self.gates.items() if self.progress.status_of(i) is StepStatus.WAITING]
        if not ahead or self.progress.status is not BakeStatus.RUNNING:
            return None
        gate = min(ahead, key=lambda g: (g.step != current, self.expected[g.step][0]))
        items = gate_items(gate, self.progress)
        return GateView(
            step=gate.step,
            step_title=self.forecast.step(gate.step).title,
            open=all(i.there for i in items),
            items=tuple(items),
        )

    def traces(self) -> tuple[TraceView, ...]:
        """What thermometers told of every step that they followed."""
        found = []
        for step_id, seen in self.watches.items():
            own, step = self.progress.steps[step_id], self.forecast.step(step_id)
            reads = self.steps[step_id].reads
            band = next((c.band for c in step.checkpoints if c.band and c.band.quantity is reads), None)
            if band is None or own.started_at is None or seen.watch.peak_c is None:
                continue
            lasted = (min(self.now, own.ended_at or self.now) - own.started_at).total_seconds()
            found.append(
                TraceView(
                    step=step_id,
                    title=step.title,
                    started_at=own.started_at,
                    probe=seen.probe,
                    target_c=band.range.likely,
                    low_c=band.range.low,
                    high_c=band.range.high,
                    peak_c=seen.watch.peak_c,
                    points=tuple(Point(s=lasted + p.s, c=p.c) for p in seen.watch.trail),
                    egg=seen.watch.egg,
                )
            )
        return tuple(found)

    def state(self, title: str, focus: str | None, speed: float = 1.0) -> BakeState:
        """All of it; ``focus`` names a step to show close up beside the current one."""
        current = self.current()
        following = self.next(current)
        shown = dict.fromkeys(i for i in (current, following, focus, *self.outlooks) if i is not None)
        progress, document = self.progress, self.document
        expected_ready = progress.ended_at or max(end for _, end in self.expected.values())
        return BakeState(
            id=self.bake_id,
            title=title,
            formula_id=document.formula.id,
            formula_version=document.formula_version,
            status=progress.status,
            batch=f"{document.tin_count} × {document.tin_name}, {self.forecast.total_g:.0f} g",
            started_at=self.began_at,
            ended_at=progress.ended_at,
            ready_at=document.ready_at,
            expected_ready_at=expected_ready,
            late_by_s=(expected_ready - document.ready_at).total_seconds(),
            now=self.now,
            sequence=progress.last_sequence,
            undoable=progress.undoable if progress.status is BakeStatus.RUNNING else None,
            steps=tuple(self.line(s) for s in self.forecast.steps),
            current=current,
            next=following,
            running=tuple(self.outlooks),
            details={i: self.detail(i) for i in shown},
            gate=self.gate(current),
            windows=self.windows,
            timers=tuple(
                TimerView(id=t.id, label=t.label, due_at=t.due_at)
                for t in sorted(progress.timers.values(), key=lambda t: t.due_at)
            ),
            readings=reading_views(self.walked, progress),
            meetings=tuple(self.meetings.values()),
            speed=speed,
            notes=tuple(NoteView(sequence=n.sequence, at=n.at, text=n.text, step=n.step) for n in progress.notes),
            outcome=progress.outcome,
            allergens=self.forecast.allergens,
        )
