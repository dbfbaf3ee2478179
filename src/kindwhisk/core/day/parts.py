"""Parts of a formula that can be made by themselves: beforehand, or once for several orders."""

from __future__ import annotations

import json
from collections.abc import Iterable, Sequence
from typing import Any

from kindwhisk.core.day.order import Beforehand
from kindwhisk.core.day.supply import Supply, supplies_of
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.planning.tasks import Lag
from kindwhisk.core.process.components import Component
from kindwhisk.core.process.finished import keeps, unbaked
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.portions import StepPortion
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.walk import WalkedStep
from kindwhisk.core.shelf_life.limits import DAYS, KeptAs
from kindwhisk.core.values.model import Value

DAY_S = 86400.0
WORTH_S = 3600.0
"""What waits for less than an hour is made where it is taken. Chosen."""
OTHER_DAYS = 3.0
"""Days in the cold of what no line of the table speaks of, such as a syrup. Chosen, cautious."""


class PartOffer(Value):
    """A part that could be made by itself. ``making`` is the same for what is the same work in other amounts;
    ``keeps_s`` is how long it keeps cold, or holds for the first that takes it, ``frozen_s`` in the freezer (None: it
    does not freeze well). ``steps`` are those of the process that make it, with what heats their oven."""

    id: str
    name: str
    steps: tuple[str, ...]
    making: str
    keeps_s: float
    frozen_s: float | None


def made_alone(formula: Formula, component: str) -> bool:
    """Whether a part takes nothing from other parts, and one result of it goes into them."""
    own = {s.id for s in formula.steps if s.component == component}
    taken = {p.step for s in formula.steps if s.id in own for p in s.inputs if isinstance(p, StepPortion)}
    given = {p.step for s in formula.steps if s.id not in own for p in s.inputs if isinstance(p, StepPortion)} & own
    waits = {i for s in formula.steps if s.id in own for i in s.after}
    return bool(own) and taken | waits <= own and len(given) == 1


def part_of(formula: Formula, component: str) -> Formula:
    """The part as a formula, in the same amounts; its steps keep their ids.

    Raises:
        ValueError: it can't be made by itself.
    """
    if not made_alone(formula, component):
        raise ValueError(f"'{component}' of '{formula.id}' can't be made by itself")
    steps = tuple(s for s in formula.steps if s.component == component)
    used = {s.vessel for s in steps}
    part = formula.component(component)
    alone = Formula(
        id=formula.id,
        title=f"{part.name[:1].upper()}{part.name[1:]} for {formula.title}"[:120],
        technique=part.technique or formula.technique,
        servings=formula.servings,
        components=(part,),
        vessels=tuple(v for v in formula.vessels if v.id in used),
        steps=steps,
        goods=formula.goods,
    )
    return alone.carrying()


def making_of(part: Formula) -> str:
    """What is done, whatever the amounts and whatever its steps and vessels are called: equal for the same work."""
    names = {s.id: f"step {n}" for n, s in enumerate(part.steps)}
    vessels = {v.id: f"vessel {n}" for n, v in enumerate(part.vessels)}
    total = part.total_g() or 1.0

    def plain(value: Any) -> Any:
        if isinstance(value, dict):
            return {
                k: round(v / total, 4) if k == "grams" and v is not None else plain(v)
                for k, v in value.items()
                if k not in {"title", "note", "component", "role"}
            }
        if isinstance(value, list):
            return [plain(v) for v in value]
        return names.get(value, vessels.get(value, value)) if isinstance(value, str) else value

    return json.dumps([plain(s.model_dump(mode="json")) for s in part.steps], sort_keys=True)


def alone_making(formula: Formula, component: str) -> str:
    """The making of a part that is simply more of the same where more of it is wanted; else empty: what goes into tins
    or onto trays by its count is not."""
    part = part_of(formula, component)
    return "" if any(isinstance(s, FillStep | PipeStep) for s in part.steps) else making_of(part)


def offers_of(formula: Formula, walked: Sequence[WalkedStep], lags: Sequence[Lag]) -> tuple[PartOffer, ...]:
    """Every part that could be made by itself, but for the last one, and for what may hardly wait.

    Args:
        formula: in its amounts.
        walked: all of its process, prepared.
        lags: of that process.
    """
    found = []
    for component in formula.components:
        if not made_alone(formula, component.id) or component.id == formula.steps[-1].component:
            continue
        offer = _offer(formula, component, walked)
        waits = supplies_of(offer.id, frozenset(offer.steps), lags, offer.keeps_s, frozen=False)
        shortest = min((s.at_most_s or 0.0 for s in waits), default=0.0)
        if shortest >= WORTH_S:
            found.append(offer.model_copy(update={"keeps_s": shortest}))
    return tuple(found)


def _offer(formula: Formula, component: Component, walked: Sequence[WalkedStep]) -> PartOffer:
    own = [w for w in walked if w.step.component == component.id]
    last = own[-1].outcome
    # What nothing has heated counts as raw, whatever it is.
    heated = any(isinstance(w.step, BoilStep | StreamStep | WarmStep) for w in own)
    egg = any(ingredient(i).kind == "egg" for i in unbaked(last.material).parts)
    kept = keeps(own, raw_egg=egg and not heated)
    limit = DAYS[kept]
    return PartOffer(
        id=component.id,
        name=component.name,
        steps=tuple(w.step.id for w in own),
        making=alone_making(formula, component.id),
        keeps_s=DAY_S * (limit.days if last.material.baked or kept is not KeptAs.MERINGUE else OTHER_DAYS),
        frozen_s=None if limit.frozen is None or last.hold_s is not None else limit.frozen * DAY_S,
    )


def elsewhere(
    offers: Iterable[PartOffer], beforehand: Iterable[Beforehand], lags: Iterable[Lag]
) -> tuple[frozenset[str], tuple[Supply, ...]]:
    """The steps that are done in other bakes, and what comes from there; what can't be made by itself stays."""
    by_id = {o.id: o for o in offers}
    chosen = [(by_id[b.component], b.frozen) for b in beforehand if b.component in by_id]
    given = frozenset(i for offer, _ in chosen for i in offer.steps)
    lags = tuple(lags)
    supplies: list[Supply] = []
    for offer, frozen in chosen:
        cold = offer.frozen_s is None or not frozen
        keeps_s = offer.keeps_s if cold else offer.frozen_s
        supplies += supplies_of(offer.id, frozenset(offer.steps), lags, keeps_s, frozen=not cold)
    return given, tuple(s for s in supplies if s.later not in given)
