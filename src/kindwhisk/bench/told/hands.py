"""Several bakes over the same hands: which needs one next, and where two want the same pair at once."""

from __future__ import annotations

from collections.abc import Iterator, Sequence
from datetime import datetime, timedelta
from itertools import combinations

from kindwhisk.bench.log.progress import BakeStatus, StepStatus
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.planning.because import duration_in_words
from kindwhisk.core.process.gate import chains
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.values.model import Value

AHEAD_S = 3600.0
"""Farther ahead a clash is not told of: it moves with everything before it."""
LEAST_S = 20.0
LOOK_S = 30.0
"""What starting, looking and ending takes of the hands, at a step that they are wanted for at times. Trade habit."""


class HandWanted(Value):
    """A stretch of time in which a bake wants hands; ``presses``: a foam or a syrup is under way, it can't wait."""

    bake: str
    title: str
    step: str
    step_title: str
    hands: str
    hands_name: str = ""
    start_at: datetime
    end_at: datetime
    presses: bool


class Clash(Value):
    """Two stretches of the same hands at once: which goes first, and how long the other waits by then."""

    first: HandWanted
    other: HandWanted
    waits_s: float
    says: str


class HandsView(Value):
    """Of each bake that runs what it wants next, the most pressing first; and the clashes of the next hour."""

    next: tuple[HandWanted, ...]
    clashes: tuple[Clash, ...]


def hands(bakes: Sequence[Moment]) -> HandsView:
    """Who is wanted next, over bakes that run."""
    stretches = {at.log.id: sorted(_wanted(at), key=lambda w: w.start_at) for at in bakes}
    ahead = timedelta(seconds=AHEAD_S)
    near = [[w for w in stretches[at.log.id] if w.start_at - at.now < ahead] for at in bakes]
    clashes = []
    for mine, others in combinations(near, 2):
        clashes += [c for a in mine for b in others if (c := _clash(a, b)) is not None]
    first = [_first(found) for found in stretches.values() if found]
    return HandsView(
        next=tuple(sorted(first, key=lambda w: (w.start_at, not w.presses))),
        clashes=tuple(sorted(clashes, key=lambda c: c.first.start_at)),
    )


def _first(found: Sequence[HandWanted]) -> HandWanted:
    """The first of a bake's stretches; of several at once, one that presses."""
    at_once = [w for w in found if w.start_at == found[0].start_at]
    return next((w for w in at_once if w.presses), found[0])


def _wanted(at: Moment) -> Iterator[HandWanted]:
    """Every stretch from now on in which a bake wants hands."""
    if at.progress.status is not BakeStatus.RUNNING:
        return
    linked = chains(at.walked.forecast)
    pressing = {
        i for chain in linked if any(at.progress.status_of(s) is not StepStatus.WAITING for s in chain) for i in chain
    }
    for step in at.walked.forecast.steps:
        if at.progress.is_over(step.id):
            continue
        start, end = (max(moment, at.now) for moment in at.expected[step.id])
        plan = at.document.plan_of(step.id)
        whose = (plan.person if plan else "") or at.document.hands
        look = timedelta(seconds=LOOK_S)
        throughout = step.attention is Attention.THROUGHOUT
        waits = at.progress.status_of(step.id) is StepStatus.WAITING
        spans = [(start, end)] if throughout else [*([(start, start + look)] if waits else []), (end, end + look)]
        for begin, stop in spans:
            yield HandWanted(
                bake=at.log.id,
                title=at.log.title,
                step=step.id,
                step_title=step.title,
                hands=whose,
                hands_name=next((h.name for h in at.kitchen.people if h.id == whose), ""),
                start_at=begin,
                end_at=stop,
                presses=step.id in pressing,
            )


def _clash(a: HandWanted, b: HandWanted) -> Clash | None:
    if a.hands != b.hands and a.hands and b.hands:
        return None
    shared = (min(a.end_at, b.end_at) - max(a.start_at, b.start_at)).total_seconds()
    first, other = sorted((a, b), key=lambda w: (not w.presses, w.start_at))
    if shared < LEAST_S:
        return None
    waits = max(0.0, (first.end_at - other.start_at).total_seconds())
    why = "it can't wait" if first.presses and not other.presses else "it comes first"
    if first.presses and other.presses:
        why = "neither waits well: get a second pair of hands, or begin one of them later"
    says = (
        f"“{first.step_title}” ({first.title}) and “{other.step_title}” ({other.title}) want the same hands. "
        f"{first.title} first, {why}; the other waits about {duration_in_words(waits)}."
    )
    return Clash(first=first, other=other, waits_s=waits, says=says)
