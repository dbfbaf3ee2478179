"""Slack: how much later each step could be before a bake is later than it is due, or than it is planned."""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence

from kindwhisk.core.day.push import pieces
from kindwhisk.core.day.supply import Supply
from kindwhisk.core.day.work import DayBake, DayTask, Key, Placed
from kindwhisk.core.planning.because import duration_in_words
from kindwhisk.core.values.model import Value

CRITICAL_S = 300.0
"""A step that could be no more than so much later is told of. Chosen."""
TOUCHING_S = 600.0
NAMED = 3


def slack(placed: Sequence[Placed], bakes: Sequence[DayBake]) -> dict[Key, float]:
    """Seconds by step, none below zero, with the order of the plan kept; what was begun has none."""
    at = {p.key: p for p in placed}
    work = {(b.id, t.id): (b, t) for b in bakes for t in b.tasks if (b.id, t.id) in at}
    after = _followers(at, work)
    spare: dict[Key, float] = {}
    takers: dict[str, list[tuple[str, Supply]]] = {}
    for bake in bakes:
        for supply in bake.supplies:
            takers.setdefault(supply.maker, []).append((bake.id, supply))
    ends = {b.id: max([b.due_s, *(p.end_s for p in placed if p.bake == b.id)]) for b in bakes}
    for key in sorted(work, key=lambda k: (-at[k].start_s, -at[k].end_s)):
        bake, task = work[key]
        own = at[key]
        room = [ends[bake.id] - own.end_s]
        for lag in bake.lags:
            if lag.earlier == task.id and (bake.id, lag.later) in spare:
                later = at[bake.id, lag.later]
                begins = own.end_s if lag.from_end else own.start_s
                room.append(spare[later.key] + later.start_s - begins - lag.at_least_s)
        for other, supply in takers.get(bake.id, ()):
            if (other, supply.later) in spare:
                later = at[other, supply.later]
                room.append(spare[later.key] + later.start_s - own.end_s - supply.at_least_s)
        room += [spare[k] + at[k].start_s - own.end_s for k in after.get(key, ()) if k in spare]
        spare[key] = 0.0 if task.id in bake.known else max(0.0, min(room))
    for bake in bakes:
        for piece in pieces(bake):
            # What can't wait for each other moves together or not at all.
            least = min((spare[bake.id, t.id] for t in piece if (bake.id, t.id) in spare), default=0.0)
            spare |= {(bake.id, t.id): least for t in piece if (bake.id, t.id) in spare}
    return spare


def _followers(at: Mapping[Key, Placed], work: Mapping[Key, tuple[DayBake, DayTask]]) -> dict[Key, list[Key]]:
    """The steps that come next on the same hands, in the same mixer, or in the same oven when it is free."""
    rows: dict[tuple[str, str], list[Key]] = {}
    for key, one in at.items():
        for kind, name in (("person", one.person), ("mixer", one.mixer), ("oven", one.oven)):
            if name and key in work:
                rows.setdefault((kind, name), []).append(key)
    found: dict[Key, list[Key]] = {}
    for keys in rows.values():
        inorder = sorted(keys, key=lambda k: at[k].start_s)
        for number, key in enumerate(inorder):
            later = [k for k in inorder[number + 1 :] if at[k].start_s >= at[key].end_s]
            found.setdefault(key, []).extend(later[:1])
    return found


class Blocker(Value):
    """What a late bake waits for: a step, of which bake, and how long it lasts."""

    bake: str
    step: str
    title: str
    seconds: float


def chain(placed: Sequence[Placed], bakes: Sequence[DayBake], bake_id: str) -> tuple[Blocker, ...]:
    """The steps that leave a bake no earlier end, the first one first: each ends where the next can begin."""
    at = {p.key: p for p in placed}
    work = {(b.id, t.id): (b, t) for b in bakes for t in b.tasks if (b.id, t.id) in at}
    before: dict[Key, list[Key]] = {}
    for key, keys in _followers(at, work).items():
        for later in keys:
            before.setdefault(later, []).append(key)
    current = max((k for k in at if k[0] == bake_id), key=lambda k: at[k].end_s)
    found = [current]
    while True:
        bake, task = work[current]
        needs = [(bake.id, g.earlier) for g in bake.lags if g.later == task.id and g.from_end]
        parts = {s.maker for s in bake.supplies if s.later == task.id}
        needs += [k for k in at if k[0] in parts]
        start = at[current].start_s
        touching = [
            k for k in {*needs, *before.get(current, ())} - set(found)
            if k in at and start - TOUCHING_S <= at[k].end_s <= start + 1
        ]  # fmt: skip
        if not touching:
            return tuple(_blocker(k, work, at) for k in reversed(found))
        current = max(touching, key=lambda k: (k in needs, at[k].end_s - at[k].start_s))
        found.append(current)


def _blocker(key: Key, work: Mapping[Key, tuple[DayBake, DayTask]], at: Mapping[Key, Placed]) -> Blocker:
    return Blocker(bake=key[0], step=key[1], title=work[key][1].title, seconds=at[key].end_s - at[key].start_s)


def why_late(blockers: Iterable[Blocker], bake: DayBake, titles: Mapping[str, str], by_s: float) -> str:
    """In a sentence or two: by how much, what takes the time, and which other bakes stand in the way."""
    blockers = tuple(blockers)
    longest = sorted(blockers, key=lambda b: -b.seconds)[:NAMED]
    named = [f"{b.title[:1].lower() + b.title[1:]} ({duration_in_words(b.seconds)})" for b in longest]
    others = list(dict.fromkeys(titles[b.bake] for b in blockers if b.bake != bake.id))
    says = f"{bake.title} is ready {duration_in_words(by_s)} late: {', '.join(named)}."
    if others:
        return f"{says} It waits for {' and '.join(others[:3])}."
    return f"{says} Nothing else stands in its way: it would have to begin sooner."
