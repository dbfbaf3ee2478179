"""A plan of the day: where every step lies, what is late, and how far from the best it may be."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from kindwhisk.core.day.work import DayBake, Placed
from kindwhisk.core.values.model import Value

LATE, NEAR, WAIT = 1000.0, 20.0, 1.0
"""A minute late costs its bake's weight times a thousand minutes of waiting; one behind its aim, but in time, twenty.
Chosen."""


class Late(Value):
    """A bake that is ready after it is due."""

    bake: str
    title: str
    by_s: float


class DayPlan(Value):
    """``late`` are the bakes that are not ready in time; ``cost`` is what it was judged by, in weighted minutes, and
    ``bound`` below what no plan can come (None: not known)."""

    placed: tuple[Placed, ...]
    late: tuple[Late, ...]
    waits_s: float
    cost: float
    bound: float | None = None

    @property
    def gap(self) -> float | None:
        """How much of its cost may still be saved, as a share; None where no bound is known."""
        return None if self.bound is None else max(0.0, self.cost - self.bound) / max(1.0, self.cost)

    def of(self, bake: str) -> dict[str, Placed]:
        """A bake's steps."""
        return {p.step: p for p in self.placed if p.bake == bake}


def told(placed: Sequence[Placed], bakes: Sequence[DayBake], bound: float | None = None) -> DayPlan:
    """A plan with what it costs: lateness by weight first, then from the first hand to when it is due."""
    late, waits, cost = [], 0.0, 0.0
    spans = ends_and_starts(placed)
    for bake in bakes:
        if bake.id not in spans:
            continue
        start, end = spans[bake.id]
        over = max(0.0, end - bake.due_s)
        if over > 30:
            late.append(Late(bake=bake.id, title=bake.title, by_s=over))
        near = max(0.0, min(end, bake.due_s) - bake.aims_s)
        # What is under way or was set waits for nobody: it had better be over.
        wait = (end if bake.is_set else max(end, bake.aims_s)) - start
        waits += wait
        cost += ((LATE * over + NEAR * near) * bake.weight + WAIT * wait) / 60
    return DayPlan(
        placed=tuple(sorted(placed, key=lambda p: (p.start_s, p.end_s, p.key))),
        late=tuple(late),
        waits_s=waits,
        cost=cost,
        bound=bound,
    )


def ends_and_starts(placed: Sequence[Placed]) -> Mapping[str, tuple[float, float]]:
    """When each bake begins and is over."""
    found: dict[str, tuple[float, float]] = {}
    for p in placed:
        start, end = found.get(p.bake, (p.start_s, p.end_s))
        found[p.bake] = (min(start, p.start_s), max(end, p.end_s))
    return found
