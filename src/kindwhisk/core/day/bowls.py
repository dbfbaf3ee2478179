"""The mixer's bowls: from when something is whipped in one until the last of it has left it, it is no other bake's.

What is only weighed may wait in any bowl; a stay begins with the mixer.
"""

from __future__ import annotations

from collections.abc import Iterable, Mapping, Sequence

from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.outcome import Resource
from kindwhisk.core.process.washing import greases, must_be_clean
from kindwhisk.core.values.model import Value
from kindwhisk.core.vessels.vessel import VesselForm


class Stay(Value):
    """Something in a mixer's bowl: from the start of ``first`` to the end of the last of ``until``.

    ``greasy`` leaves fat in it, ``clean`` bears none of what was in it before.
    """

    first: str
    until: tuple[str, ...]
    vessel: str = ""
    greasy: bool = False
    clean: bool = False

    @property
    def steps(self) -> tuple[str, ...]:
        """All that it is held for."""
        return (self.first, *self.until)


def stays_of(formula: Formula) -> tuple[Stay, ...]:
    """Every stay of a prepared formula, in the order of the work."""
    bowls = {v.id for v in formula.vessels if v.form is VesselForm.MIXER_BOWL}
    held: dict[str, list[str]] = {}
    begun_by: dict[str, str] = {}
    for step in formula.steps:
        goes_on = next((begun_by[i] for i in step.taken_from if i in begun_by), None)
        if goes_on is not None:
            held[goes_on].append(step.id)
            if step.vessel in bowls:
                begun_by[step.id] = goes_on
        elif step.vessel in bowls and Resource.MIXER in step.uses:
            held[step.id] = []
            begun_by[step.id] = step.id
    found = []
    for first, until in held.items():
        inside = [formula.step(i) for i in (first, *until) if i in begun_by]
        found.append(
            Stay(
                first=first,
                until=tuple(until),
                vessel=formula.step(first).vessel,
                greasy=any(greases(formula, s) for s in inside),
                clean=must_be_clean(formula, formula.step(first)),
            )
        )
    return tuple(found)


def at_least(stays: Iterable[Sequence[Stay]], bowls: int) -> int:
    """How many bowls there are, or as many as one bake needs by itself: its formula was made with them."""
    return max([1, bowls, *(len({s.vessel for s in own}) for own in stays)])


def span_s(stay: Stay, times: Mapping[str, tuple[float, float]]) -> tuple[float, float] | None:
    """From when to when it is held, as far as its steps have times; None where the first has none."""
    if stay.first not in times:
        return None
    return times[stay.first][0], max(times[i][1] for i in stay.steps if i in times)
