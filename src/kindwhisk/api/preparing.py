"""Orders made ready for their plan: worked out beside everything else, and remembered while nothing of them changed."""

from __future__ import annotations

import asyncio
from collections import OrderedDict
from collections.abc import Hashable, Mapping, Sequence
from typing import NamedTuple

from fastapi import Request

from kindwhisk.api import sums
from kindwhisk.api.beside import beside
from kindwhisk.bench.days.wanted import Knows, Wanted
from kindwhisk.core.day.prepared import Prepared, without
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

HELD = 120


class Refused(Value):
    """An order that can't be made as it is asked for, and what to do about it."""

    id: str
    title: str
    says: str
    remedy: str


class Ready(NamedTuple):
    """What was prepared, by the ids of what is due, and what could not be."""

    prepared: Mapping[str, Prepared]
    refused: tuple[Refused, ...]


class Preparing:
    """What was worked out so far. Used from the loop alone."""

    def __init__(self) -> None:
        self._known: OrderedDict[Hashable, Prepared] = OrderedDict()
        self._record: KitchenRecord | None = None

    async def ready(self, request: Request, known: Knows, ovens: Mapping[str, str] | None = None) -> Ready:
        """Everything that is wanted; ``ovens`` are those that a plan has chosen."""
        if known.record != self._record:
            # What the kitchen has learned since is in no answer of before.
            self._known.clear()
            self._record = known.record
        answers = await asyncio.gather(
            *(self._one(request, known, w, (ovens or {}).get(w.due.id)) for w in known.wanted)
        )
        prepared = {w.due.id: a for w, a in zip(known.wanted, answers, strict=True) if isinstance(a, Prepared)}
        refused = [
            Refused(id=w.due.id, title=w.formula.title, says=a.message, remedy=a.remedy)
            for w, a in zip(known.wanted, answers, strict=True)
            if isinstance(a, CraftError)
        ]
        return Ready(prepared, tuple(refused))

    async def _one(self, request: Request, known: Knows, wanted: Wanted, oven: str | None) -> Prepared | CraftError:
        wish: Wish = wanted.due.order.wish
        if oven is not None and wish.oven is None:
            wish = wish.model_copy(update={"oven": oven})
        parts = tuple(
            (s.due, s.formula.model_dump_json(), s.wish.model_dump_json(), s.component) for s in wanted.sources
        )
        key = (wanted.formula.id, wanted.version, known.revision, wish.model_dump_json(), parts)
        found = self._known.get(key)
        if found is None:
            here = (known.kitchen, known.record)
            try:
                if wanted.sources:
                    found = await beside(request, sums.day_part_prepared, wanted.sources, *here)
                else:
                    found = await beside(request, sums.day_prepared, wanted.formula, wish, *here)
            except CraftError as error:
                return error
            self._known[key] = found
        self._known.move_to_end(key)
        while len(self._known) > HELD:
            self._known.popitem(last=False)
        return found if wanted.sources else without(found, wanted.due.order.beforehand)


def chosen_ovens(works: Sequence[tuple[str, Sequence[str]]]) -> dict[str, str]:
    """The oven of each bake by what its steps name."""
    return {i: next(o for o in ovens if o) for i, ovens in works if any(ovens)}
