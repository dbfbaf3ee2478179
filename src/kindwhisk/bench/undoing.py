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
from kindwhisk.bench.log.projection import project
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.steps import Step
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

SHOWN = 12


class LastThing(Value):
    """Something that happened, in words; ``rests`` are the later things that stand in the way of its undo."""

    sequence: int
    at: datetime
    said: str
    rests: tuple[str, ...]


def standing_events(happened: Sequence[ev.Happened]) -> list[ev.Happened]:
    """Those that count: neither undone nor an undo."""
    undone = {h.event.sequence for h in happened if isinstance(h.event, ev.Undone)}
    return [h for h in happened if h.sequence not in undone and not isinstance(h.event, ev.Undone)]


def resting(log: BakeLog, sequence: int) -> list[ev.Happened]:
    """Later events that do not fit without the one of that sequence, in order."""
    counts = standing_events(log.happened)
    kept = [h for h in counts if h.sequence < sequence]
    found = []
    for item in (h for h in counts if h.sequence > sequence):
        if _fits(item, project(kept, log.began_at, log.text)):
            kept.append(item)
        else:
            found.append(item)
    return found


def last_things(log: BakeLog, most: int = SHOWN) -> tuple[LastThing, ...]:
    """The last things that happened, the latest first, each with what rests on it."""
    text = project(log.happened, log.began_at, log.text).text
    titles = {s.id: s.title for s in prepared(parse(text).formula).steps}
    return tuple(
        LastThing(
            sequence=item.sequence,
            at=item.at,
            said=said(item.event, titles, log),
            rests=tuple(said(r.event, titles, log) for r in resting(log, item.sequence)),
        )
        for item in reversed(standing_events(log.happened)[-most:])
    )


# A line an event.
def said(event: ev.BenchEvent, titles: dict[str, str], log: BakeLog) -> str:  # noqa: PLR0911, PLR0912
    """An event in a few words."""

    def of(step_id: str) -> str:
        return f"“{titles.get(step_id, step_id)}”"

    match event:
        case ev.StepStarted():
            return f"{of(event.step)} started"
        case ev.StepDone():
            return f"{of(event.step)} done"
        case ev.StepSkipped():
            return f"{of(event.step)} skipped"
        case ev.SyrupPoured():
            return "Syrup poured"
        case ev.DoneBefore():
            return f"{of(event.step)} done before"
        case ev.BegunAgain():
            return f"{of(event.step)} begun again"
        case ev.Changed():
            return event.change.said(parse(log.text))
        case ev.NotYet():
            return f"{of(event.step)}: not yet"
        case ev.GateTicked():
            return f"{event.item.removeprefix('have-')} {'there' if event.there else 'not there'}"
        case ev.CueDone():
            return f"{of(event.step)}: a cue"
        case ev.ReadingAdded():
            return f"{of(event.step)}: {event.quantity.value}"
        case ev.ProbePlaced():
            return f"{of(event.step)}: thermometer"
        case ev.TimerStarted():
            return f"Timer {event.label}"
        case ev.TimerStopped():
            return "Timer stopped"
        case ev.NoteAdded():
            return "Note"
        case ev.OutcomeRecorded():
            return "How it came out"
        case ev.Answered():
            return "An answer"
        case ev.BakeFinished():
            return "Bake finished"
        case ev.BakeAbandoned():
            return "Bake abandoned"
    return event.kind


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
            return all(progress.is_over(s.id) for s in _steps(progress).values())
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
    step = _steps(progress).get(step_id)
    return step is not None and _in_turn(event, step, progress)


def _in_turn(event: ev.BenchEvent, step: Step, progress: Progress) -> bool:
    status = progress.status_of(step.id)
    needs = [*(p.step for p in step.inputs if isinstance(p, StepPortion)), *step.after]
    there = all(progress.is_over(n) for n in needs)
    match event:
        case ev.StepStarted():
            return status is StepStatus.WAITING and there
        case ev.StepDone():
            return status is StepStatus.RUNNING or (status is StepStatus.WAITING and there)
        case ev.DoneBefore():
            return status is StepStatus.WAITING
        case ev.StepSkipped():
            return not progress.is_over(step.id)
        case ev.NotYet() | ev.CueDone():
            return status is not StepStatus.WAITING
    return True


def _steps(progress: Progress) -> dict[str, Step]:
    return {s.id: s for s in prepared(parse(progress.text).formula).steps}
