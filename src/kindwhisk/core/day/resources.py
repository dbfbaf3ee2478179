"""What a day's bakes share: hands with their hours, mixers, hob, ovens, and places to stand."""

from __future__ import annotations

import math
from datetime import datetime

from pydantic import Field

from kindwhisk.core.kitchen import Kitchen, Oven
from kindwhisk.core.people import Craft, Span, gaps, spans
from kindwhisk.core.storage import Storage
from kindwhisk.core.values.model import Value

GRID_S = 30.0
"""Days are planned in half minutes: steps are rounded up to them, what may wait is rounded down."""
SOMEBODY = "somebody"
"""Who bakes where the kitchen names nobody."""
WASH_S = 180.0
"""Bowl and whisk, from fat to whites. Trade habit."""
TURN_S = 120.0
"""What an oven needs beside its degrees when it is set to others: walls follow the air. Trade habit."""


LEFT_ON_S = 1800.0
"""So long an oven is left on for the bake after. Chosen."""


class Hands(Value):
    """One pair of hands: when they are not here, and what they may do (empty: everything)."""

    id: str
    name: str
    away: tuple[Span, ...] = ()
    does: tuple[Craft, ...] = ()

    def may(self, craft: Craft) -> bool:
        """Whether they do such work."""
        return not self.does or craft in self.does


class MixerRoom(Value):
    """A mixer and how many bowls it has."""

    id: str
    name: str
    bowls: int = 1


class OvenRoom(Value):
    """An oven: racks, and how fast it goes from one temperature to another. ``shut``: when it can't be used."""

    id: str
    name: str
    racks: int = 2
    rise_k_per_min: float = 8.0
    fall_k_per_min: float = 4.0
    shut: tuple[Span, ...] = ()

    def change_s(self, from_c: float, to_c: float) -> float:
        """Seconds from one temperature to another; none where it stays."""
        if abs(from_c - to_c) < 0.5:
            return 0.0
        rate = self.rise_k_per_min if to_c > from_c else self.fall_k_per_min
        return 60 * abs(to_c - from_c) / rate + TURN_S


class DayResources(Value):
    """All that is shared, with times in seconds from the day's origin, up to ``length_s``."""

    length_s: float = Field(gt=0)
    people: tuple[Hands, ...] = Field(min_length=1)
    mixers: tuple[MixerRoom, ...]
    rings: int
    ovens: tuple[OvenRoom, ...]
    places: dict[Storage, int]

    @property
    def bowls(self) -> int:
        """Of all mixers together. One alone is washed between fat and whites."""
        return sum(m.bowls for m in self.mixers)

    @property
    def alike(self) -> bool:
        """Whether everybody is here at the same hours and does everything."""
        return all(h.away == self.people[0].away and not h.does for h in self.people)

    def oven(self, oven_id: str) -> OvenRoom:
        """The oven of that id.

        Raises:
            KeyError: there is none.
        """
        return next(o for o in self.ovens if o.id == oven_id)


def resources_of(kitchen: Kitchen, start: datetime, length_s: float) -> DayResources:
    """What this kitchen has, from ``start`` on; one person with the kitchen's hours where it names nobody."""
    opens = spans(kitchen.hours, start, length_s)
    people = tuple(
        Hands(
            id=p.id,
            name=p.name,
            away=gaps(_both(spans(p.hours, start, length_s), opens) if p.hours else opens, length_s),
            does=p.does,
        )
        for p in kitchen.people
    )
    return DayResources(
        length_s=length_s,
        people=people or (Hands(id=SOMEBODY, name="", away=gaps(opens, length_s)),),
        mixers=tuple(MixerRoom(id=m.id, name=m.name, bowls=m.bowls) for m in kitchen.mixers),
        rings=kitchen.hob_rings,
        ovens=tuple(
            OvenRoom(
                id=o.id,
                name=o.name,
                racks=o.racks,
                rise_k_per_min=o.rise_k_per_min,
                fall_k_per_min=o.fall_k_per_min,
                shut=_out(o, start, length_s),
            )
            for o in kitchen.ovens
        ),
        places={
            Storage.FRIDGE: kitchen.fridge_places,
            Storage.FREEZER: kitchen.freezer_places,
            Storage.RACK: kitchen.rack_places,
        },
    )


def _out(oven: Oven, start: datetime, length_s: float) -> tuple[Span, ...]:
    """When an oven is out of use."""
    until = 0.0 if oven.out_until is None else (oven.out_until - start).total_seconds()
    return (Span(start_s=0.0, end_s=min(length_s, GRID_S * math.ceil(until / GRID_S))),) if until > 0 else ()


def _both(some: tuple[Span, ...], others: tuple[Span, ...]) -> tuple[Span, ...]:
    """Where both are open."""
    return tuple(
        Span(start_s=max(a.start_s, b.start_s), end_s=min(a.end_s, b.end_s))
        for a in some
        for b in others
        if min(a.end_s, b.end_s) > max(a.start_s, b.start_s)
    )
