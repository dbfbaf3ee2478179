"""From events to progress: pure, so that a reload, a crash, a second page and an undo always agree."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import datetime, timedelta
from typing import Literal, TypeVar

from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.course import follow, replanned
from kindwhisk.bench.log.document import HandStep, parse
from kindwhisk.bench.log.progress import (
    BakeStatus,
    Note,
    Photo,
    Progress,
    Question,
    Reading,
    StepStatus,
    Timer,
    Turn,
)
from kindwhisk.core.folding.cup import density_from_cup
from kindwhisk.core.piping.skin import NOT_YET
from kindwhisk.core.process.formula import upstream

HAND_STEP_STRETCH = 2.0
T = TypeVar("T")


def value_of(reading: ev.ReadingAdded) -> float:
    """The value of a reading, from its cup or its 100 ml if it came from them.

    Raises:
        CraftError: the cup is not heavier full than empty.
    """
    if reading.cup is not None:
        return density_from_cup(reading.cup.full_g, reading.cup.empty_g, reading.cup.volume_ml)
    if reading.per_100_ml is not None:
        return reading.per_100_ml / 100
    return 0.0 if reading.value is None else reading.value


def _put(into: dict[str, T], key: str, value: T | None) -> None:
    """Under its key; nothing takes away what was there."""
    if value is None:
        into.pop(key, None)
    else:
        into[key] = value


class Laying:
    """The progress while events are laid on it, one by one.

    Args:
        happened: all of them, whether they are laid or not: what was answered is known beforehand.
        began_at: when the bake began.
        text: the document that it began with; without it nothing can be changed.
        hand_steps: when steps that are only confirmed at their end may have begun; by default by the document.
    """

    def __init__(
        self,
        happened: Sequence[ev.Happened],
        began_at: datetime,
        text: str = "",
        hand_steps: Mapping[str, HandStep] | None = None,
    ) -> None:
        undone = {h.event.sequence for h in happened if isinstance(h.event, ev.Undone)}
        self._answers = {
            h.event.sequence: h.event.right
            for h in happened
            if isinstance(h.event, ev.Answered) and h.sequence not in undone
        }
        self.progress = Progress(text=text)
        self._hand_steps = (parse(text).hand_steps if text else {}) if hand_steps is None else hand_steps
        self._hands_free_at = began_at

    def _has_begun(self) -> None:
        """No bell has to ring for what has begun."""
        timers = self.progress.timers
        self.progress.timers = {i: t for i, t in timers.items() if not i.startswith(ev.BELL)}

    def _started(self, step_id: str, at: datetime) -> None:
        self._has_begun()
        step = self.progress.step(step_id)
        step.status, step.started_at = StepStatus.RUNNING, at

    def _done(self, step_id: str, at: datetime) -> None:
        """One done by hand is confirmed once, when it is over: it is taken to have begun when the hands were free
        and all that it takes was there; or, where that is more than twice its planned time ago, to have taken as long
        as planned."""
        self._has_begun()
        step = self.progress.step(step_id)
        if step.started_at is None:
            known = self._hand_steps.get(step_id, HandStep())
            planned = timedelta(seconds=known.planned_s)
            there = [e for n in known.needs if (e := self.progress.ended(n)) is not None]
            free = min(at, max([self._hands_free_at, *there]))
            idle = at - free > HAND_STEP_STRETCH * planned
            step.started_at = at - planned if idle else free
            self._hands_free_at = at
        step.status, step.ended_at = StepStatus.DONE, at

    def _skipped(self, event: ev.StepSkipped, at: datetime) -> None:
        step = self.progress.step(event.step)
        step.status, step.reason = StepStatus.SKIPPED, event.reason
        step.started_at, step.ended_at = step.started_at or at, at

    def _done_before(self, event: ev.DoneBefore) -> None:
        """What it takes from was done by then too."""
        formula = parse(self.progress.text).formula
        known = any(s.id == event.step for s in formula.steps)
        for step_id in (event.step, *(upstream(formula, event.step) if known else ())):
            step = self.progress.step(step_id)
            if step.status is StepStatus.WAITING:
                planned = timedelta(seconds=self._hand_steps.get(step_id, HandStep()).planned_s)
                step.status, step.started_at, step.ended_at = StepStatus.DONE, event.when - planned, event.when
                step.time_counts = False

    def _turned(self, item: ev.Happened, event: ev.BegunAgain | ev.Changed) -> None:
        """From here on the course is another one."""
        progress, asked = self.progress, event.asked
        course = parse(progress.text)
        said = asked.said(course)
        text, found = follow(progress.text, asked, progress.standing(item.at))
        progress.text = replanned(text, event.planned, event.ready_at)
        self._hand_steps = parse(progress.text).hand_steps
        for step_id in found.gone:
            step = progress.step(step_id)
            step.status, step.started_at = StepStatus.LOST, step.started_at or item.at
            step.ended_at = step.ended_at or item.at
        for step_id in found.to_redo:
            del progress.steps[step_id]
        for step_id in found.refreshed:
            progress.refreshed.setdefault(step_id, []).append(item.at)
        reason = event.reason if isinstance(event, ev.BegunAgain) else ""
        progress.turns.append(Turn(item.sequence, item.at, said, reason, asked.moment, found.lost, found.needed))

    def _touched(self, event: ev.Touched, at: datetime) -> None:
        """What does not hold yet was looked at; what holds is over."""
        step = self.progress.step(event.step)
        step.touches.append((at, event.feel))
        if event.feel in NOT_YET:
            step.looked_at.append(at)
        else:
            self._done(event.step, at)

    def _poured(self, event: ev.SyrupPoured, at: datetime) -> None:
        self._done(event.boil, at)
        if not self.progress.is_over(event.whisk):
            self._done(event.whisk, at)
        self._started(event.step, at)

    def _asked(
        self, item: ev.Happened, step: str, entry: Literal["reading", "time", "height"], asks: str | None
    ) -> bool | None:
        """What was answered; a question that was not is kept. None where nothing was asked, or answered."""
        if not asks:
            return None
        answer = self._answers.get(item.sequence)
        if answer is None:
            self.progress.questions.append(Question(item.sequence, step, entry, asks))
        return answer

    def _outcome(self, item: ev.Happened, event: ev.OutcomeRecorded) -> None:
        self.progress.questions = [q for q in self.progress.questions if q.step]
        self.progress.height_counts = self._asked(item, "", "height", event.asks) is not False
        self.progress.outcome = event

    # One case an event, each a line or two: apart they would be read together anyway.
    def lay(self, item: ev.Happened) -> None:  # noqa: PLR0912, PLR0915
        """One more event."""
        progress, at, event = self.progress, item.at, item.event
        match event:
            case ev.StepStarted():
                self._started(event.step, at)
            case ev.StepDone():
                self._done(event.step, at)
                answer = self._asked(item, event.step, "time", event.asks)
                progress.step(event.step).time_counts = answer is not False
            case ev.StepSkipped():
                self._skipped(event, at)
            case ev.SyrupPoured():
                self._poured(event, at)
            case ev.DoneBefore():
                self._done_before(event)
            case ev.BegunAgain() | ev.Changed():
                self._turned(item, event)
            case ev.DayMoved():
                progress.text = replanned(progress.text, event.planned, event.ready_at)
                self._hand_steps = parse(progress.text).hand_steps
            case ev.NotYet():
                progress.step(event.step).looked_at.append(at)
            case ev.Touched():
                self._touched(event, at)
            case ev.PiecesCounted():
                progress.step(event.step).counted[event.tray] = event.counted
            case ev.GateTicked():
                (progress.ticked.add if event.there else progress.ticked.discard)(event.item)
            case ev.CueDone():
                progress.step(event.step).cues_done.add(event.cue)
            case ev.ReadingAdded():
                counts = self._asked(item, event.step, "reading", event.asks) is True or not event.asks
                value = value_of(event)
                progress.readings.append(
                    Reading(item.sequence, at, event.step, event.quantity, value, event.ribbon_s, counts, event.eggs)
                )
            case ev.ProbePlaced():
                progress.probes[event.step] = event.probe
            case ev.TimerStarted():
                progress.timers[event.timer] = Timer(event.timer, event.label, at + timedelta(seconds=event.seconds))
            case ev.TimerStopped():
                progress.timers.pop(event.timer, None)
            case ev.NoteAdded():
                progress.notes.append(Note(item.sequence, at, event.text, event.step))
            case ev.OutcomeRecorded():
                self._outcome(item, event)
            case ev.PhotoAdded():
                photo = Photo(item.sequence, at, event.shows, event.digest, event.width, event.height)
                progress.photos.append(photo)
            case ev.SignAnswered():
                _put(progress.answers, event.sign, event.yes)
            case ev.CauseConfirmed():
                _put(progress.confirmed, event.fault, event.cause or None)
            case ev.BakeFinished():
                progress.status, progress.ended_at = BakeStatus.FINISHED, at
            case ev.BakeAbandoned():
                progress.status, progress.ended_at = BakeStatus.ABANDONED, at


def project(
    happened: Sequence[ev.Happened],
    began_at: datetime,
    text: str = "",
    hand_steps: Mapping[str, HandStep] | None = None,
) -> Progress:
    """The progress after these events, in order; undone ones leave no trace but themselves. All of it is told as to a
    :class:`Laying`."""
    undone = {h.event.sequence for h in happened if isinstance(h.event, ev.Undone)}
    laying = Laying(happened, began_at, text, hand_steps)
    for item in happened:
        laying.progress.last_sequence = item.sequence
        if item.sequence not in undone and not isinstance(item.event, ev.Undone):
            laying.progress.undoable = item.sequence
            laying.lay(item)
    return laying.progress
