"""An order made ready for the plan: scaled, laid out over its trays, and walked in each oven that it may go into."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from typing import NamedTuple

from kindwhisk.core.day.bowls import Stay, stays_of
from kindwhisk.core.day.order import Beforehand
from kindwhisk.core.day.parts import PartOffer, elsewhere, offers_of, part_of
from kindwhisk.core.day.supply import Supply, kept_together
from kindwhisk.core.day.work import DayTask, Laid, tasks_of
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.planning.tasks import Lag
from kindwhisk.core.process.forecast import forecast_of, walk_prepared
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.process.scaling import Scaled, in_loads, scale
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.values.errors import CraftError

MOST_OVENS = 3


class PartSource(NamedTuple):
    """What a part is made for: what is due, its formula and wish, and which component of it."""

    due: str
    formula: Formula
    wish: Wish
    component: str


class Prepared(NamedTuple):
    """A bake in its amounts, and its steps as the day's plan needs them; ``ovens`` the usual one first.

    ``offers`` are the parts that could be made by themselves; ``given`` the steps that are done in another bake, and
    ``supplies`` what comes from there. Of a part, ``shares`` is how much of it each order takes, by what is due.
    """

    scaled: Scaled
    ovens: tuple[str, ...]
    tasks: tuple[DayTask, ...]
    lags: tuple[Lag, ...]
    stays: tuple[Stay, ...]
    offers: tuple[PartOffer, ...] = ()
    given: frozenset[str] = frozenset()
    supplies: tuple[Supply, ...] = ()
    shares: Mapping[str, float] = {}


def prepare(formula: Formula, kitchen: Kitchen, wish: Wish, record: KitchenRecord) -> Prepared:
    """Everything that the plan has to know of it.

    Raises:
        CraftError: the wish can't be met.
    """
    usual = in_loads(scale(formula, kitchen, wish, record), kitchen, record)
    laid = {usual.oven: _laid(usual, kitchen, record)}
    if wish.oven is None:
        for oven in [o.id for o in kitchen.ovens if o.id != usual.oven][: MOST_OVENS - 1]:
            other = scale(formula, kitchen, wish.model_copy(update={"oven": oven}), record)
            laid[oven] = _laid(in_loads(other, kitchen, record), kitchen, record)
    tasks, lags = tasks_of(laid)
    own = laid[usual.oven]
    return Prepared(usual, tuple(laid), tasks, lags, stays_of(own.formula), offers_of(own.formula, own.walked, lags))


def without(whole: Prepared, beforehand: Sequence[Beforehand]) -> Prepared:
    """The rest of a bake whose parts are made beforehand; what can't be made by itself stays in it."""
    given, supplies = elsewhere(whole.offers, beforehand, whole.lags)
    lags = [g for g in whole.lags if not {g.earlier, g.later} & given]
    return whole._replace(
        tasks=tuple(t for t in whole.tasks if t.id not in given),
        lags=(*lags, *kept_together(supplies, lags)),
        stays=tuple(s for s in whole.stays if s.first not in given),
        given=given,
        supplies=supplies,
    )


def prepare_part(sources: Sequence[PartSource], kitchen: Kitchen, record: KitchenRecord) -> Prepared:
    """A part as a bake of its own, as much of it as all its sources take; they are of the same making.

    Raises:
        CraftError: a wish can't be met, or the part is one that may hardly wait.
    """
    if len(sources) == 1:
        (source,) = sources
        return _only(prepare(source.formula, kitchen, source.wish, record), source, kitchen, record)
    wholes = {s.due: scale(s.formula, kitchen, s.wish, record).formula for s in sources}
    amounts = {s.due: part_of(wholes[s.due], s.component) for s in sources}
    total = sum(a.total_g() for a in amounts.values())
    first = next(iter(amounts.values()))
    takers = " and ".join(dict.fromkeys(w.title for w in wholes.values()))
    title = f"{first.components[0].name.capitalize()} for {takers}"
    made = first.scaled(total / first.total_g()).model_copy(update={"title": title[:120]})
    shares = {due: amount.total_g() / total for due, amount in amounts.items()}
    return prepare(made, kitchen, Wish(), record)._replace(offers=(), shares=shares)


def _only(whole: Prepared, source: PartSource, kitchen: Kitchen, record: KitchenRecord) -> Prepared:
    """The steps of one part alone, as they are of the whole: its tins and trays are the same."""
    steps = {i for o in whole.offers if o.id == source.component for i in o.steps}
    if not steps:
        raise CraftError(
            f"“{source.formula.component(source.component).name}” may hardly wait: it can't be made beforehand.",
            field="beforehand",
            remedy="Make it with the rest.",
        )
    part = part_of(whole.scaled.formula, source.component)
    alone = whole.scaled.model_copy(update={"formula": part})
    forecast = forecast_of(part, _laid(alone, kitchen, record).walked)
    return whole._replace(
        scaled=alone.model_copy(update={"forecast": forecast}),
        tasks=tuple(t for t in whole.tasks if t.id in steps),
        lags=tuple(g for g in whole.lags if {g.earlier, g.later} <= steps),
        stays=tuple(s for s in whole.stays if s.first in steps),
        offers=(),
        shares={source.due: 1.0},
    )


def _laid(scaled: Scaled, kitchen: Kitchen, record: KitchenRecord) -> Laid:
    tins = TinsInUse(
        scaled.tin_name,
        scaled.tin,
        scaled.tin_count,
        wall=scaled.tin_wall,
        beside=tuple(TinsInUse(b.name, b.tin, b.count) for b in scaled.beside),
    )
    setting = Setting(kitchen=kitchen, oven=kitchen.oven(scaled.oven), tins=tins, record=record)
    walked = tuple(walk_prepared(scaled.formula, setting))
    full = scaled.formula.model_copy(update={"steps": tuple(w.step for w in walked)})
    return Laid(full, scaled.forecast, walked)
