"""What could go otherwise from here on, so that a page offers nothing that would be refused."""

from __future__ import annotations

from kindwhisk.bench.log.progress import StepStatus
from kindwhisk.bench.now.moment import Moment
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.changes.again import found_at
from kindwhisk.core.process.changes.base import Standing
from kindwhisk.core.process.changes.order import Earlier, Together
from kindwhisk.core.process.changes.pause import Keep, fates_of
from kindwhisk.core.process.flows import NOTHING, Flows
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.substitution import Offer, offers
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value


class AgainHere(Value):
    """A step that can be begun again; ``parts``: also a part of it. ``where`` names what its content is in by now."""

    step: str
    title: str
    where: str
    parts: bool


class Into(Value):
    """A step that an ingredient still goes into, and how much."""

    step: str
    title: str
    grams: float


class StillToCome(Value):
    """An ingredient that is still to go in, and what could take its place."""

    ingredient: str
    name: str
    steps: tuple[Into, ...]
    grams: float
    offers: tuple[Offer, ...]


class ThereNow(Value):
    """A content that stands, and what would become of it over a pause; ``running``: it is being made."""

    step: str
    title: str
    where: str
    keep: Keep
    running: bool


class Offered(Value):
    """A step of which something could be said, in words: done before another, in one go with it, or already."""

    step: str
    says: str


class Could(Value):
    """All of it. ``tins`` and ``oven``: whether they can still be others; ``before``: steps that may have been done
    already; ``weighs``: steps that only weigh, and what was meant to lie in the bowl; ``sieves``: what was sieved and
    stands there."""

    again: tuple[AgainHere, ...]
    ingredients: tuple[StillToCome, ...]
    standing: tuple[ThereNow, ...]
    earlier: tuple[Offered, ...]
    together: tuple[Offered, ...]
    before: tuple[Offered, ...]
    weighs: tuple[Into, ...]
    sieves: tuple[Into, ...]
    tins: bool
    oven_c: float | None
    batch: bool


def could(at: Moment) -> Could:
    """What a bake could do otherwise at a moment."""
    document, standing = at.document, at.progress.standing(at.now)
    formula = document.formula
    ahead = [s for s in formula.steps if s.id not in standing.begun]

    def may(kind: type[Earlier | Together]) -> tuple[Offered, ...]:
        found = []
        for step in ahead:
            change = kind(step=step.id)
            try:
                change.followed(document, standing)
            except CraftError:
                continue
            found.append(Offered(step=step.id, says=change.said(document)))
        return tuple(found)

    flows = Flows(formula)
    bakes = [s for s in ahead if isinstance(s, BakeStep)]
    fill = formula.fill
    return Could(
        again=_again(at, standing),
        ingredients=_still(at, standing),
        standing=tuple(
            ThereNow(
                step=i,
                title=formula.step(i).title,
                where=formula.vessel(formula.step(i).vessel).name,
                keep=fate,
                running=i in standing.running,
            )
            for i, fate in fates_of(document, standing).items()
        ),
        earlier=may(Earlier),
        together=may(Together),
        before=tuple(Offered(step=s.id, says=s.title) for s in ahead),
        weighs=tuple(
            Into(step=s.id, title=s.title, grams=flows.mass_g(s.id))
            for s in formula.steps
            if s.only_weighs and flows.left(s.id, standing.begun)
        ),
        sieves=tuple(
            Into(step=s.id, title=s.title, grams=flows.mass_g(s.id))
            for s in formula.steps
            if isinstance(s, SiftStep) and s.id in standing.begun and flows.left(s.id, standing.begun) > NOTHING
        ),
        tins=fill is not None and fill.id not in standing.begun,
        oven_c=bakes[0].oven_c if bakes else None,
        batch=bool(ahead),
    )


def _again(at: Moment, standing: Standing) -> tuple[AgainHere, ...]:
    formula = at.document.formula
    flows = Flows(formula)
    found = []
    for step in formula.steps:
        begun = step.id in standing.begun
        if at.progress.status_of(step.id) is StepStatus.LOST:
            continue
        if not begun and not step.only_weighs:
            continue
        places = found_at(flows, step.id, standing) if begun else {step.id: 1.0}
        if places:
            where = ", ".join(dict.fromkeys(formula.vessel(formula.step(i).vessel).name for i in places))
            parts = all(formula.step(i).divides for i in places)
            found.append(AgainHere(step=step.id, title=step.title, where=where, parts=parts))
    return tuple(found)


def _still(at: Moment, standing: Standing) -> tuple[StillToCome, ...]:
    formula = at.document.formula
    found: dict[str, dict[str, float]] = {}
    for step in formula.steps:
        for portion in step.weighed if step.id not in standing.begun else ():
            into = found.setdefault(portion.ingredient, {})
            into[step.id] = into.get(step.id, 0.0) + portion.grams
    return tuple(
        StillToCome(
            ingredient=item,
            name=ingredient(item).name,
            steps=tuple(Into(step=i, title=formula.step(i).title, grams=g) for i, g in into.items()),
            grams=sum(into.values()),
            offers=offers(item, formula.goods),
        )
        for item, into in found.items()
    )
