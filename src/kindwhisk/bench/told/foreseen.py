"""What would follow from a change at the bench, told before it is made."""

from __future__ import annotations

from datetime import datetime, timedelta

from kindwhisk.bench.log.course import follow
from kindwhisk.bench.log.progress import StepStatus
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.now.readiness import GateItemView
from kindwhisk.bench.told.amounts import Amount, amounts, eggs_in
from kindwhisk.bench.turns import Turning, placed, turned
from kindwhisk.core.ingredients.eggs import EggNeed
from kindwhisk.core.process.forecast import Caveat
from kindwhisk.core.process.windows import windows
from kindwhisk.core.values.model import Value


class StepTime(Value):
    """A step with its expected start."""

    step: str
    title: str
    start_at: datetime


class Waits(Value):
    """A content that is there already and waits for what is made meanwhile: when it will be taken, and how long it
    holds until."""

    step: str
    name: str
    taken_at: datetime
    holds_until: datetime


class Foreseen(Value):
    """``said`` is the change in words, ``ready_at`` when all is expected to be over after it, with its range where the
    steps ahead are placed anew.

    ``added`` and ``gone`` are steps ahead, ``warnings`` those that were not there before, ``to_get`` what the
    make-ready list asks for besides.
    """

    said: str
    lost: tuple[Amount, ...]
    needed: tuple[Amount, ...]
    eggs: EggNeed | None
    added: tuple[StepTime, ...]
    gone: tuple[str, ...]
    ready_before_at: datetime
    ready_at: datetime
    ready_low_at: datetime | None
    ready_high_at: datetime | None
    wanted_at: datetime
    because: str
    waits: tuple[Waits, ...]
    warnings: tuple[Caveat, ...]
    to_get: tuple[GateItemView, ...]


def foreseen(event: Turning, before: Moment) -> Foreseen:
    """What would follow from it.

    Raises:
        CraftError: the process as it stands does not allow it.
    """
    _, found = follow(before.progress.text, event.asked, before.progress.standing(before.now))
    event, made = placed(event, before)
    after = turned(event, before)
    known = {s.id for s in before.walked.forecast.steps}
    left = {s.id for s in after.walked.forecast.steps}
    told = {(w.step, w.text) for w in before.walked.forecast.warnings}
    return Foreseen(
        said=event.asked.said(before.document),
        lost=amounts(found.lost),
        needed=amounts(found.needed),
        eggs=eggs_in(found.needed, before.document),
        added=tuple(
            StepTime(step=s.id, title=s.title, start_at=after.expected[s.id][0])
            for s in sorted(after.walked.forecast.steps, key=lambda s: after.expected[s.id])
            if s.id not in known
        ),
        gone=tuple(s.title for s in before.walked.forecast.steps if s.id not in left),
        ready_before_at=_over(before),
        ready_at=_over(after),
        ready_low_at=made.ready_low_at if made else None,
        ready_high_at=made.ready_high_at if made else None,
        wanted_at=after.document.ready_at,
        because="" if made is None else made.because,
        waits=_waits(after),
        warnings=tuple(w for w in after.walked.forecast.warnings if (w.step, w.text) not in told),
        to_get=_to_get(before, after),
    )


def _over(at: Moment) -> datetime:
    return max(end for _, end in at.expected.values())


def _waits(at: Moment) -> tuple[Waits, ...]:
    """Contents that are there or under way and hold for a time only, beside when they will be taken."""
    standing = [
        Waits(step=w.step, name=w.name, taken_at=at.expected[w.closes][0], holds_until=w.until) for w in at.windows
    ]
    for window in windows(at.walked.forecast):
        if at.progress.status_of(window.opens) is StepStatus.RUNNING and not at.progress.is_over(window.closes):
            until = at.expected[window.opens][1] + timedelta(seconds=window.hold_s.likely)
            name = at.walked.forecast.step(window.opens).vessel_name
            taken = at.expected[window.closes][0]
            standing.append(Waits(step=window.opens, name=name, taken_at=taken, holds_until=until))
    return tuple({w.step: w for w in standing}.values())


def _to_get(before: Moment, after: Moment) -> tuple[GateItemView, ...]:
    """What is missing on the lists of the steps that are new."""
    known = {s.id for s in before.walked.forecast.steps}
    items = {i.id: i for g in after.gates if g not in known for i in after.gate_items(g) if not i.there}
    return tuple(i for i in items.values() if i.kind == "thing")
