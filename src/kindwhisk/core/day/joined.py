"""One making for several orders: the same batter, where tins, trays and oven take all of it at once.

What is joined is due by the first of them; whether it is better made together is for the plan to say.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import Any

from kindwhisk.core.day.order import Due, Order
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.wish import Wish

APART_S = 3 * 3600.0
"""What is due farther apart is better made fresh. Chosen."""
PARTS_APART_S = 12 * 3600.0
"""Nor are parts made once for what is due farther apart. Chosen."""
MARK = "+"
"""Between the ids of what was joined."""
PART = ":"
"""Between the id of what is due and the part of it that is made beforehand."""
ADDS = ("pieces", "servings", "total_g")


def sum_of(wishes: Sequence[Wish], formula: Formula, kitchen: Kitchen) -> Wish | None:
    """One wish for all of them; None where they do not add up, or not all of it is taken at once."""
    given = [w.model_dump(exclude_none=True, exclude_defaults=True) for w in wishes]
    counted = {"tin", "tin_count"}
    if all(set(g) <= counted for g in given):
        return _of_tins(given, formula, kitchen)
    for name in ADDS:
        if all(set(g) == {name} for g in given):
            return Wish.model_validate({name: sum(g[name] for g in given)})
    return None


def _of_tins(given: Sequence[Mapping[str, Any]], formula: Formula, kitchen: Kitchen) -> Wish | None:
    fill = formula.fill
    tins = {g.get("tin", "") for g in given}
    if not isinstance(fill, FillStep) or len(tins) > 1:
        return None
    (tin,) = tins
    count = sum(int(g.get("tin_count", 1 if tin else fill.count)) for g in given)
    own = next((t for t in kitchen.tins if t.id == tin or (not tin and t.name == fill.tin_name)), None)
    if count > kitchen.ovens[0].tins_at_once or (own is not None and count > own.count):
        return None
    return Wish.model_validate({"tin_count": count, **({"tin": tin} if tin else {})})


def joined(dues: Sequence[Due], formula: Formula, kitchen: Kitchen) -> Due | None:
    """Several orders of one formula as one, by when the first of them is due; None where they can't be."""
    soonest = min(dues, key=lambda d: d.due_at)
    if any((d.due_at - soonest.due_at).total_seconds() > APART_S for d in dues):
        return None
    wish = sum_of([d.order.wish for d in dues], formula, kitchen)
    if wish is None:
        return None
    order: Order = soonest.order.model_copy(
        update={
            "wish": wish,
            "goes_to": ", ".join(dict.fromkeys(d.order.goes_to for d in dues if d.order.goes_to))[:80],
            "sure": min((d.order.sure for d in dues), key=list(type(soonest.order.sure)).index),
            "every": (),
        }
    )
    return Due(MARK.join(sorted(d.id for d in dues)), order, soonest.due_at)


def parts_together(dues: Sequence[tuple[Due, str]]) -> list[tuple[Due, ...]]:
    """Which parts could be made once, by what their work is (empty: not more than alone)."""
    by_making: dict[str, list[Due]] = {}
    for due, making in sorted(dues, key=lambda pair: pair[0].due_at):
        if making:
            by_making.setdefault(making, []).append(due)
    found: list[tuple[Due, ...]] = []
    for own in by_making.values():
        while own:
            near = [d for d in own if (d.due_at - own[0].due_at).total_seconds() <= PARTS_APART_S]
            own[:] = own[len(near) :]
            if len(near) > 1:
                found.append(tuple(near))
    return found


def together(dues: Sequence[tuple[Due, Formula]], kitchen: Kitchen) -> list[Due]:
    """What could be made in one go, the most of it: each order is in at most one of them."""
    found: list[Due] = []
    left = sorted(dues, key=lambda pair: (pair[1].id, pair[0].due_at))
    while left:
        first, formula = left.pop(0)
        group, best = [first], None
        for other, others in list(left):
            if others.id != formula.id:
                continue
            made = joined([*group, other], formula, kitchen)
            if made is not None:
                best = made
                group.append(other)
                left.remove((other, others))
        if best is not None:
            found.append(best)
    return found
