"""Turns: what changes the course of a bake under way gets its new plan before it is kept."""

from __future__ import annotations

from kindwhisk.bench.log import events as ev
from kindwhisk.bench.log.course import follow
from kindwhisk.bench.now.moment import Moment
from kindwhisk.bench.plans import Ahead, Replan, check_ahead, replan

Turning = ev.BegunAgain | ev.Changed


def turned(event: Turning, before: Moment) -> Moment:
    """The same moment with the event, which is not kept by that."""
    happened = ev.Happened(sequence=before.progress.last_sequence + 1, at=before.now, event=event)
    return Moment.of(before, before.log.and_then(happened))


def placed(event: Turning, before: Moment) -> tuple[Turning, Replan | None]:
    """The event with its plan, and that plan; without one where nothing has to be placed anew.

    Raises:
        CraftError: the process as it stands does not allow the change.
    """
    change = event.asked
    _, found = follow(before.progress.text, change, before.progress.standing(before.now))
    bare = event.model_copy(update={"planned": (), "ready_at": None})
    if not change.replans:
        return bare, None
    if found.ready_at is not None:
        check_ahead(found.ready_at, before.now)
    after = turned(bare, before)
    known = {}
    for step_id, own in after.progress.steps.items():
        if own.started_at is not None and step_id in before.expected:
            known[step_id] = (own.started_at, own.ended_at or before.expected[step_id][1])
    ready_at = found.ready_at or (None if found.soonest else before.document.ready_at)
    ahead = Ahead(before.began_at, before.now, known, found.not_before or before.now, found.at_once)
    made = replan(after.walked.forecast, before.kitchen, ready_at, ahead)
    event = bare.model_copy(update={"planned": made.steps, "ready_at": ready_at or made.ready_at})
    return event, made
