"""Scaling: from whatever the baker knows to the amounts that follow."""

from __future__ import annotations

import math
from typing import Annotated

from pydantic import Field

from kindwhisk.core.eggs import egg_parts
from kindwhisk.core.errors import CraftError
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.learning import NO_RECORD, KitchenRecord
from kindwhisk.core.model import Value
from kindwhisk.core.process.forecast import Forecast, forecast, walk
from kindwhisk.core.process.formula import Formula
from kindwhisk.core.process.preparation import prepared
from kindwhisk.core.process.setting import Setting, TinsInUse
from kindwhisk.core.tins import Tin


class Wish(Value):
    """What the baker knows: at most one of the amounts, and perhaps the tin.

    A tin alone sets the amounts; beside an amount it only receives the batter. ``tin`` is a tin of the
    kitchen by its id or the tin itself.
    """

    tin: str | Tin | None = None
    tin_count: int | None = Field(default=None, ge=1, le=99)
    eggs: Annotated[float, Field(gt=0, le=10_000)] | None = None
    whites_g: Annotated[float, Field(gt=0, le=1_000_000)] | None = None
    total_g: Annotated[float, Field(gt=0, le=1_000_000)] | None = None
    oven: str | None = None


class EggNeed(Value):
    """Eggs to take out, and what is left of them."""

    size: str
    count: int
    white_g: float
    yolk_g: float
    whole_g: float
    left_white_g: float
    left_yolk_g: float


class Scaled(Value):
    """A formula in the amounts asked for, with its forecast."""

    formula: Formula
    factor: float
    tin_name: str
    tin: Tin | None
    tin_count: int
    oven: str
    eggs: EggNeed | None
    forecast: Forecast


WHITES = ("egg-white", "white-pasteurised")


def _tins(formula: Formula, kitchen: Kitchen, wish: Wish) -> TinsInUse:
    fill = formula.fill
    count = wish.tin_count or 1
    if isinstance(wish.tin, str):
        item = kitchen.tin(wish.tin)
        return TinsInUse(name=item.name, tin=item.tin, count=count, on_shelf=item.count)
    if wish.tin is not None:
        return TinsInUse(name=f"{wish.tin.shape} tin", tin=wish.tin, count=count)
    if fill is None:
        raise CraftError("This formula fills no tin.", field="tin", remedy="Scale it by eggs or by total weight.")
    return TinsInUse(name=fill.tin_name, tin=fill.tin, count=count)


def _check_one_amount(wish: Wish) -> None:
    given = [name for name in ("eggs", "whites_g", "total_g") if getattr(wish, name) is not None]
    if len(given) > 1:
        raise CraftError(
            f"Both {given[0]} and {given[1]} are given.",
            field=given[1],
            remedy="Give one amount; the others follow.",
        )


def _by_eggs(formula: Formula, kitchen: Kitchen, count: float) -> float:
    one = egg_parts(kitchen.eggs)
    needs = {
        "white": formula.grams_of(*WHITES) / one.white_g.likely,
        "yolk": formula.grams_of("egg-yolk") / one.yolk_g.likely,
        "whole": formula.grams_of("whole-egg") / one.whole_g.likely,
    }
    per_batch = max(needs["white"], needs["yolk"]) + needs["whole"]
    if per_batch <= 0:
        raise CraftError("There is no egg in this formula.", field="eggs", remedy="Scale it by total weight.")
    return count / per_batch


def _by_tin(formula: Formula, setting: Setting) -> float:
    fill = formula.fill
    if fill is None:
        raise CraftError("This formula fills no tin.", field="tin", remedy="Scale it by eggs or by total weight.")
    whole = prepared(formula)
    place = Setting(setting.kitchen, setting.oven, setting.tins, {v.id: v for v in whole.vessels}, setting.record)
    batter = next(o.material for s, _, o in walk(whole, place, {}) if s.id == fill.id)
    wanted = setting.tins.tin.volume_ml() * setting.tins.count * fill.fill_fraction
    return wanted / batter.volume_ml.likely


def factor(formula: Formula, setting: Setting, wish: Wish) -> float:
    """How many times the formula's own batch the wish asks for.

    Raises:
        CraftError: more than one amount is given, or one that this formula does not have.
    """
    _check_one_amount(wish)
    if wish.whites_g is not None:
        whites = formula.grams_of(*WHITES)
        if whites <= 0:
            raise CraftError(
                "There are no separate whites in this formula.",
                field="whites_g",
                remedy="Scale it by eggs, by tin or by total weight.",
            )
        return wish.whites_g / whites
    if wish.eggs is not None:
        return _by_eggs(formula, setting.kitchen, wish.eggs)
    if wish.total_g is not None:
        return wish.total_g / formula.total_g()
    if wish.tin is not None or wish.tin_count is not None:
        return _by_tin(formula, setting)
    return 1.0


def egg_need(formula: Formula, kitchen: Kitchen) -> EggNeed | None:
    """Eggs to crack for these amounts, and what is left over; None without egg."""
    white, yolk = formula.grams_of(*WHITES), formula.grams_of("egg-yolk")
    whole = formula.grams_of("whole-egg")
    if white + yolk + whole <= 0:
        return None
    one = egg_parts(kitchen.eggs)
    slack = 1e-9
    separated = math.ceil(max(white / one.white_g.likely, yolk / one.yolk_g.likely) - slack)
    beaten = math.ceil(whole / one.whole_g.likely - slack)
    return EggNeed(
        size=kitchen.eggs.value,
        count=separated + beaten,
        white_g=white,
        yolk_g=yolk,
        whole_g=whole,
        left_white_g=separated * one.white_g.likely - white,
        left_yolk_g=separated * one.yolk_g.likely - yolk,
    )


def scale(formula: Formula, kitchen: Kitchen, wish: Wish, record: KitchenRecord = NO_RECORD) -> Scaled:
    """The formula in the amounts asked for, with its forecast.

    Raises:
        CraftError: the wish cannot be met; the error names the field and what to enter instead.
    """
    setting = Setting(kitchen=kitchen, oven=kitchen.oven(wish.oven), tins=_tins(formula, kitchen, wish), record=record)
    times = factor(formula, setting, wish)
    amounts = formula.scaled(times)
    return Scaled(
        formula=amounts,
        factor=times,
        tin_name=setting.tins.name,
        tin=setting.tins.tin,
        tin_count=setting.tins.count,
        oven=setting.oven.id,
        eggs=egg_need(amounts, kitchen),
        forecast=forecast(amounts, setting),
    )
