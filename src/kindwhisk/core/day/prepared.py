"""An order made ready for the plan: scaled, laid out over its trays, and walked in each oven that it may go into."""

from __future__ import annotations

from typing import NamedTuple

from kindwhisk.core.day.bowls import Stay, stays_of
from kindwhisk.core.day.work import DayTask, Laid, tasks_of
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.planning.tasks import Lag
from kindwhisk.core.process.forecast import walk_prepared
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.record import KitchenRecord
from kindwhisk.core.process.scaling import Scaled, in_loads, scale
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.process.wish import Wish

MOST_OVENS = 3


class Prepared(NamedTuple):
    """A bake in its amounts, and its steps as the day's plan needs them; ``ovens`` the usual one first."""

    scaled: Scaled
    ovens: tuple[str, ...]
    tasks: tuple[DayTask, ...]
    lags: tuple[Lag, ...]
    stays: tuple[Stay, ...]


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
    return Prepared(usual, tuple(laid), tasks, lags, stays_of(laid[usual.oven].formula))


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
