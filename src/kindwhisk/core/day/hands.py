"""Whose hands: where everybody can do everything, whoever was at a bake last goes on with it, so that few walk."""

from __future__ import annotations

from collections.abc import Sequence

from kindwhisk.core.day.resources import DayResources
from kindwhisk.core.day.work import DayBake, Placed


def assigned(placed: Sequence[Placed], bakes: Sequence[DayBake], resources: DayResources) -> list[Placed]:
    """The same steps, each that wants hands with somebody who is free; whoever was named stays named."""
    wants = {(b.id, t.id) for b in bakes for t in b.tasks if t.hands}
    free = {h.id: -float("inf") for h in resources.people}
    at_last: dict[str, str] = {}
    found = []
    for one in sorted(placed, key=lambda p: (p.start_s, p.end_s)):
        person = one.person
        if one.key in wants and not person:
            able = [h.id for h in resources.people if free[h.id] <= one.start_s + 1e-6]
            # Of those who are free: who was at this bake; else who has been free longest.
            person = min(able, key=lambda i: (at_last.get(i) != one.bake, free[i]), default="")
        if person in free:
            free[person] = max(free[person], one.end_s)
            at_last[person] = one.bake
        found.append(one.model_copy(update={"person": person}) if person != one.person else one)
    return found


def walks(placed: Sequence[Placed]) -> int:
    """How often somebody goes from one bake to another."""
    last: dict[str, str] = {}
    number = 0
    for one in sorted((p for p in placed if p.person), key=lambda p: p.start_s):
        number += last.get(one.person, one.bake) != one.bake
        last[one.person] = one.bake
    return number
