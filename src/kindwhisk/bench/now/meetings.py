"""Syrups on the flame beside the whites that they are for, on one clock."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from datetime import datetime

from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.now.following import StepWatch
from kindwhisk.bench.now.outlook import Outlook
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.core.process.meetings import meetings
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.sugar.forecast import NOTHING_READ
from kindwhisk.core.sugar.meeting import Meeting, Whisk, meeting
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value


class MeetingView(Value):
    """A syrup and the whites that it is for, on one clock."""

    boil: str
    whisk: str
    stream: str
    meeting: Meeting


def open_meetings(
    walked: WalkedBake,
    progress: Progress,
    watch: Callable[[str], StepWatch | None],
    outlooks: Mapping[str, Outlook],
    now: datetime,
) -> tuple[MeetingView, ...]:
    """Every syrup that is on the flame, beside its whites; ``watch`` tells what the thermometers of a step do."""
    found = []
    for meets in meetings(walked.formula):
        boil = walked.formula.step(meets.boil)
        if progress.status_of(meets.boil) is not StepStatus.RUNNING or not isinstance(boil, BoilStep):
            continue
        seen = watch(meets.boil)
        syrup = (seen.watch.pot if seen else None) or NOTHING_READ
        whites, view = walked.forecast.step(meets.whisk), outlooks.get(meets.whisk)
        whisk, left = Whisk.WAITING, whites.duration_s
        if view is not None:
            ends = (view.low_at, view.likely_at, view.high_at)
            low, likely, high = (max(0.0, (end - now).total_seconds()) for end in ends)
            whisk, left = Whisk.RUNNING, Estimate(low=low, likely=likely, high=high, basis=whites.duration_s.basis)
        elif progress.is_over(meets.whisk):
            whisk, left = Whisk.THERE, Estimate.exact(0.0)
        pot = boil.pot(walked.before[meets.boil], walked.places[meets.boil])
        found.append(
            MeetingView(
                boil=meets.boil,
                whisk=meets.whisk,
                stream=meets.stream,
                meeting=meeting(syrup, pot, whisk, left, whites.hold_s),
            )
        )
    return tuple(found)
