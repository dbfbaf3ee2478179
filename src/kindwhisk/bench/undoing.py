"""Undo: anything can be taken back as long as nothing that happened later rests on it.

What rests on an event is found by laying the later ones again without it: those that then no longer fit.
"""

from __future__ import annotations

from collections.abc import Sequence
from datetime import datetime

from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.course import follow
from kindwhisk.bench.log.document import parse
from kindwhisk.bench.log.log import BakeLog
from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.log.projection import Laying, project
from kindwhisk.bench.now.readiness import startable
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.steps import Step
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

SHOWN = 12
SAID: dict[str, str] = {
    "step_started": "{step} started",
    "step_done": "{step} done",
    "step_skipped": "{step} skipped",
    "syrup_poured": "Syrup poured",
    "done_before": "{step} done before",
    "day_moved": "Moved with the day's plan",
    "not_yet": "{step}: not yet",
    "touched": "{step}: {feel}",
    "pieces_counted": "{step}: counted",
    "gate_ticked": "Make-ready list: {item}",
    "cue_done": "{step}: a cue followed",
    "reading_added": "{step}: {quantity}",
    "probe_placed": "{step}: thermometer",
    "timer_started": "Timer: {label}",
    "timer_stopped": "Timer stopped",
    "note_added": "Note: {text:.40}",
    "outcome_recorded": "How it came out",
    "photo_added": "Photo: {shows}",
    "sign_answered": "An answer to why",
    "cause_confirmed": "Cause of “{fault}”",
    "answered": "An answer",
    "bake_finished": "Bake finished",
    "bake_abandoned": "Bake abandoned",
}
"""An event in a few words, by its kind; what turned the course says so itself."""


class LastThing(Value):
    """Something that happened, in words; ``rests`` are the later things that stand in the way of its undo."""

    sequence: int
    at: datetime
    said: str
    rests: tuple[str, ...]


class Words:
    """The events of a bake in words."""

    def __init__(self, log: BakeLog) -> None:
        progress = project(log.happened, log.began_at, log.text)
        self._turns = {t.sequence: t.said for t in progress.turns}
        # A step that was done in one go with another is not there any more.
        self._titles = {i: s.title for text in (log.text, progress.text) for i, s in _steps(text).items()}

    def said(self, item: ev.Happened) -> str:
        """One of them."""
        told = {k: str(v) for k, v in dict(item.event).items()}
        told["step"] = f"“{self._titles.get(told.get('step', ''), told.get('step', ''))}”"
        told["item"] = told.get("item", "").removeprefix("have-").replace("-", " ")
        return self._turns.get(item.sequence) or SAID[item.event.kind].format(**told)


def standing_events(happened: Sequence[ev.Happened]) -> list[ev.Happened]:
    """Those that count: neither undone nor an undo."""
    undone = {h.event.sequence for h in happened if isinstance(h.event, ev.Undone)}
    return [h for h in happened if h.sequence not in undone and not isinstance(h.event, ev.Undone)]


def resting(log: BakeLog, sequence: int) -> list[ev.Happened]:
    """Later events that do not fit without the one of that sequence, in order."""
    laying = Laying(log.happened, log.began_at, log.text)
    found = []
    for item in standing_events(log.happened):
        if item.sequence < sequence or (item.sequence > sequence and _fits(item, laying.progress)):
            laying.lay(item)
        elif item.sequence > sequence:
            found.append(item)
    return found


def last_things(log: BakeLog, most: int = SHOWN) -> tuple[LastThing, ...]:
    """The last things that happened, the latest first, each with what rests on it."""
    words = Words(log)
    return tuple(
        LastThing(
            sequence=item.sequence,
            at=item.at,
            said=words.said(item),
            rests=tuple(words.said(r) for r in resting(log, item.sequence)),
        )
        for item in reversed(standing_events(log.happened)[-most:])
    )


# One case an event.
def _fits(item: ev.Happened, progress: Progress) -> bool:
    """Whether an event could have happened as it did, by the course alone: times and thermometers aside."""
    event = item.event
    match event:
        case ev.BegunAgain() | ev.Changed():
            try:
                follow(progress.text, event.asked, progress.standing(item.at))
            except CraftError:
                return False
            return True
        case ev.BakeFinished():
            return all(progress.is_over(i) for i in _steps(progress.text))
        case ev.TimerStopped():
            return event.timer in progress.timers
        case ev.SyrupPoured():
            return (
                progress.status_of(event.boil) is StepStatus.RUNNING
                and progress.status_of(event.whisk) is not StepStatus.WAITING
                and progress.status_of(event.step) is StepStatus.WAITING
            )
    step_id = getattr(event, "step", None)
    if step_id is None:
        return True
    step = _steps(progress.text).get(step_id)
    return step is not None and _in_turn(event, step, progress)


def _in_turn(event: ev.BenchEvent, step: Step, progress: Progress) -> bool:
    status = progress.status_of(step.id)
    match event:
        case ev.StepStarted():
            return startable(step, progress)
        case ev.StepDone():
            by_hand = step.attention is Attention.THROUGHOUT and startable(step, progress)
            return status is StepStatus.RUNNING or by_hand
        case ev.DoneBefore():
            return status is StepStatus.WAITING
        case ev.StepSkipped():
            return not progress.is_over(step.id)
        case ev.NotYet() | ev.CueDone():
            return status is not StepStatus.WAITING
    return True


def _steps(text: str) -> dict[str, Step]:
    """The steps of a document, heating and washing included."""
    return {s.id: s for s in prepared(parse(text).formula).steps}
