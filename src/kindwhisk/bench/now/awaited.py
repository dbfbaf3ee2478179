"""When to begin the foam that has to be there once something has cooled, by its thermometer or by the forecast."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from datetime import datetime, timedelta

from kindwhisk.bench.log.progress import Progress, StepStatus
from kindwhisk.bench.now.following import StepWatch
from kindwhisk.bench.now.outlook import Mark, Outlook
from kindwhisk.bench.now.walked import WalkedBake
from kindwhisk.core.process.awaited import Awaited, awaited
from kindwhisk.core.values.model import Value
from kindwhisk.core.values.temperature import Point


class AwaitedView(Value):
    """A foam to be begun at ``start_at``, so that it is there when what cools is right for it.

    ``start_c`` is how warm that is then; None where it has cooled by then, and other work is still to be done on it.
    ``calls`` are the steps at which it is told: the one that cools, and the work on it before both meet.
    ``whisk_title`` names the foam's step; ``read`` is whether a thermometer tells, or the forecast does.
    """

    cools: str
    whisk: str
    meets: str
    calls: tuple[str, ...]
    whisk_title: str
    start_at: datetime
    start_c: float | None
    read: bool

    def mark(self, now: datetime) -> tuple[Mark, ...]:
        """As a moment on the scale of what cools."""
        if self.start_c is None:
            return ()
        title = self.whisk_title[:1].lower() + self.whisk_title[1:]
        return (Mark(at_c=self.start_c, in_s=(self.start_at - now).total_seconds(), name=title),)


def open_awaited(
    walked: WalkedBake,
    progress: Progress,
    watch: Callable[[str], StepWatch | None],
    outlooks: Mapping[str, Outlook],
    now: datetime,
) -> tuple[AwaitedView, ...]:
    """Every foam that is still to be begun while something cools for it; of two crumbs for one, by the later."""
    found = []
    left = {s.id: s.duration_s.likely for s in walked.forecast.steps if not progress.is_over(s.id)}
    left |= {i: max(0.0, (view.likely_at - now).total_seconds()) for i, view in outlooks.items()}
    for together in _by_foam(walked):
        waiting = [StepStatus.WAITING is progress.status_of(m.cools) for m in together]
        still = all(progress.status_of(i) is StepStatus.WAITING for i in (together[0].whisk, together[0].meets))
        if any(waiting) or not still:
            continue
        last = max(together, key=lambda m: m.starts_in_s(left))
        in_s, view, seen = last.starts_in_s(left), outlooks.get(last.cools), watch(last.cools)
        while_cooling = view is not None and in_s <= left.get(last.cools, 0.0)
        found.append(
            AwaitedView(
                cools=last.cools,
                whisk=last.whisk,
                meets=last.meets,
                calls=(last.cools, *last.crumb_way),
                whisk_title=walked.forecast.step(last.whisk).title,
                start_at=now + timedelta(seconds=in_s),
                start_c=_warmth(walked, last, view, seen, now, in_s) if view and while_cooling else None,
                read=seen is not None and seen.watch.left_s is not None,
            )
        )
    return tuple(found)


def _by_foam(walked: WalkedBake) -> list[list[Awaited]]:
    """What a foam is whisked for, foam by foam: all that it meets where it is taken first."""
    order = {s.id: i for i, s in enumerate(walked.formula.steps)}
    foams: dict[str, list[Awaited]] = {}
    for one in sorted(awaited(walked.formula), key=lambda m: order[m.meets]):
        known = foams.setdefault(one.whisk, [])
        if not known or known[0].meets == one.meets:
            known.append(one)
    return list(foams.values())


# What is asked is one moment of one step.
def _warmth(
    walked: WalkedBake, meeting: Awaited, view: Outlook, seen: StepWatch | None, now: datetime, in_s: float
) -> float | None:
    """How warm what cools is then: as its thermometer heads, else as the forecast has it."""
    if seen is not None and seen.watch.ahead:
        return _at(seen.watch.ahead, in_s)
    heading = walked.formula.step(meeting.cools).expected_reading(
        (now - view.started_at).total_seconds() + in_s,
        (view.likely_at - view.started_at).total_seconds(),
        walked.before[meeting.cools],
        walked.places[meeting.cools],
    )
    return None if heading is None else heading.now_c


def _at(points: tuple[Point, ...], s: float) -> float:
    """Where a course is at a moment; at its end beyond it."""
    before = next((p for p in reversed(points) if p.s <= s), points[0])
    after = next((p for p in points if p.s > s), points[-1])
    if after.s <= before.s:
        return before.c if before.s <= s else after.c
    return before.c + (after.c - before.c) * (s - before.s) / (after.s - before.s)
