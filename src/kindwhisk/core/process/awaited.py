"""Where a foam is whisked to be there when something has cooled: cream for a crumb, or for a ganache."""

from __future__ import annotations

from collections.abc import Iterable, Mapping

from kindwhisk.core.process.formula import Draft, upstream
from kindwhisk.core.process.meetings import meetings
from kindwhisk.core.process.outcome import Attention
from kindwhisk.core.process.steps import Step
from kindwhisk.core.values.model import Value


class Awaited(Value):
    """The steps that cool and that whip, the one in which both meet, and the hands' work on the way there.

    ``crumb_way`` are the steps between what cools and where they meet; ``foam_way`` all that the foam takes until
    then.
    """

    cools: str
    whisk: str
    meets: str
    crumb_way: tuple[str, ...]
    foam_way: tuple[str, ...]

    def starts_in_s(self, left_s: Mapping[str, float]) -> float:
        """Seconds until the foam has to be begun, so that it is there when the crumb is, and waits for nothing.

        Args:
            left_s: seconds that are still to be done of each step; what is missing takes none.

        Returns:
            Never less than 0.
        """
        crumb, foam = (sum(left_s.get(i, 0.0) for i in way) for way in ((self.cools, *self.crumb_way), self.foam_way))
        return max(0.0, crumb - foam)


def _by_hand(formula: Draft, start: Step) -> dict[str, tuple[str, ...]]:
    """What a result comes to without being left alone on the way: by step, the steps between."""
    found: dict[str, tuple[str, ...]] = {start.id: ()}
    for step in formula.steps:
        if step.id in found or step.attention is Attention.NONE:
            continue
        ways = [found[i] + ((i,) if i != start.id else ()) for i in step.taken_from if i in found]
        if ways:
            found[step.id] = max(ways, key=len)
    return found


def _of_one_foam(formula: Draft, way: Iterable[str], whisk: Step) -> bool:
    """Whether nothing else goes into a foam on its way that has to be made meanwhile."""
    before = upstream(formula, whisk.id) | {whisk.id, *way}
    return all(i in before for w in way for i in next(s for s in formula.steps if s.id == w).needs)


def awaited(formula: Draft) -> tuple[Awaited, ...]:
    """Every foam that is begun while something cools, at the first step in which both meet.

    Whites that a syrup is poured into go by their pot (:func:`kindwhisk.core.process.meetings.meetings`).
    """
    by_a_pot = {m.whisk for m in meetings(formula)}
    whisks = [s for s in formula.steps if s.begins_foam and s.id not in by_a_pot]
    found = []
    for cools in (s for s in formula.steps if s.ends_as_read):
        crumb = _by_hand(formula, cools)
        for whisk in whisks:
            foam = _by_hand(formula, whisk)
            if whisk.id in upstream(formula, cools.id) or cools.id in upstream(formula, whisk.id):
                continue
            meets = next((s.id for s in formula.steps if s.id in crumb and s.id in foam), None)
            if meets is not None and _of_one_foam(formula, foam[meets], whisk):
                way = (*sorted(upstream(formula, whisk.id)), whisk.id, *foam[meets])
                found.append(Awaited(cools=cools.id, whisk=whisk.id, meets=meets, crumb_way=crumb[meets], foam_way=way))
    return tuple(found)
