"""Where not all can be in time: the smallest changes that would make it so, each tried by a plan of its own."""

from __future__ import annotations

from collections.abc import Callable, Iterator, Sequence
from enum import StrEnum

from kindwhisk.core.day.plan import DayPlan
from kindwhisk.core.day.resources import DayResources, Hands
from kindwhisk.core.day.work import DayBake, DayTask
from kindwhisk.core.people import Span
from kindwhisk.core.planning.because import duration_in_words
from kindwhisk.core.values.model import Value

SOONER_S = (1800.0, 3600.0, 7200.0)
"""By how much sooner somebody could come: tried in turn."""
MOST_LEFT_OUT = 4

Try = Callable[[Sequence[DayBake], DayResources], DayPlan | None]


class WayKind(StrEnum):
    """What is changed."""

    LATER = "later"
    SOONER = "sooner"
    WITHOUT = "one less"
    OVEN = "another oven"
    HANDS = "more hands"


class Way(Value):
    """A change that was tried: what it asks for, and by how much all are late with it together (0: in time)."""

    kind: WayKind
    says: str
    bake: str = ""
    seconds: float = 0.0
    late_s: float = 0.0


def ways(plan: DayPlan, bakes: Sequence[DayBake], here: DayResources, now_s: float, try_it: Try) -> Iterator[Way]:
    """Changes that help, one at a time as each was tried; none for a plan that is in time.

    Args:
        plan: that is late.
        bakes: what is to be made.
        here: what is shared.
        now_s: the moment that it is.
        try_it: makes a plan.
    """
    if not plan.late:
        return
    was = sum(late.by_s for late in plan.late)
    for late in plan.late:
        yield Way(
            kind=WayKind.LATER,
            bake=late.bake,
            seconds=late.by_s,
            says=f"Promise {late.title} {duration_in_words(late.by_s)} later.",
        )

    def helps(way: Way, found: DayPlan | None) -> Way | None:
        left = was if found is None else sum(one.by_s for one in found.late)
        return way.model_copy(update={"late_s": left}) if left < was - 60 else None

    sooner = _sooner(bakes, here, now_s, try_it)
    if sooner is not None:
        yield sooner
    tried = [_another_oven(bakes, here), _more_hands(here)]
    for way, changed_bakes, changed in [t for t in tried if t is not None]:
        found = helps(way, try_it(changed_bakes or bakes, changed or here))
        if found is not None:
            yield found
    lightest = sorted((b for b in bakes if not b.known), key=lambda b: (b.weight, -b.due_s))
    for bake in lightest[:MOST_LEFT_OUT]:
        rest = [b for b in bakes if b.id != bake.id]
        way = Way(kind=WayKind.WITHOUT, bake=bake.id, says=f"Leave {bake.title} out.")
        # What is left out is not late any more, but has not been helped by that.
        others = sum(one.by_s for one in plan.late if one.bake != bake.id)
        made = try_it(rest, here)
        left = others if made is None else sum(one.by_s for one in made.late)
        if others and left < others - 60:
            yield way.model_copy(update={"late_s": left})


def _sooner(bakes: Sequence[DayBake], here: DayResources, now_s: float, try_it: Try) -> Way | None:
    """Somebody comes sooner than the kitchen opens."""
    for by_s in SOONER_S:
        people = tuple(h.model_copy(update={"away": _shorter(h.away, by_s, now_s)}) for h in here.people)
        if people == here.people:
            continue
        made = try_it(bakes, here.model_copy(update={"people": people}))
        if made is not None and not made.late:
            return Way(
                kind=WayKind.SOONER, seconds=by_s, says=f"Begin {duration_in_words(by_s)} before the kitchen opens."
            )
    return None


def _shorter(away: tuple[Span, ...], by_s: float, now_s: float) -> tuple[Span, ...]:
    """The same absences, each over so much sooner, as far as that is still ahead."""
    found = []
    for span in away:
        end = max(span.start_s, now_s, span.end_s - by_s) if span.end_s > now_s else span.end_s
        if end > span.start_s:
            found.append(span.model_copy(update={"end_s": min(end, span.end_s)}))
    return tuple(found)


Change = tuple[Way, Sequence[DayBake] | None, DayResources | None]


def _another_oven(bakes: Sequence[DayBake], here: DayResources) -> Change | None:
    """One more oven like the first."""
    if not here.ovens:
        return None
    first = here.ovens[0]
    more = first.model_copy(update={"id": "one-more", "name": f"another {first.name}"})
    free = [b for b in bakes if b.ovens and not any(k.oven for k in b.known.values())]
    freed = [_also_in(b, more.id) if b in free else b for b in bakes]
    way = Way(kind=WayKind.OVEN, says=f"Use another oven beside the {first.name}.")
    return way, freed, here.model_copy(update={"ovens": (*here.ovens, more)})


def _also_in(bake: DayBake, more: str) -> DayBake:
    """The bake, free to go into one more oven, which is like its first."""

    def with_it(task: DayTask) -> DayTask:
        if task.heat is None:
            return task
        seconds = {**task.heat.seconds, more: task.lasts_s(bake.ovens[0])}
        return task.model_copy(update={"heat": task.heat.model_copy(update={"seconds": seconds})})

    fields = {name: getattr(bake, name) for name in DayBake.model_fields}
    return DayBake(**{**fields, "ovens": (*bake.ovens, more), "tasks": tuple(map(with_it, bake.tasks))})


def _more_hands(here: DayResources) -> Change:
    helper = Hands(id="one-more", name="one more", away=here.people[0].away)
    return (
        Way(kind=WayKind.HANDS, says="Have one more pair of hands."),
        None,
        here.model_copy(update={"people": (*here.people, helper)}),
    )
