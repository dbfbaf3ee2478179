"""Scaling: from whatever the baker knows to the amounts that follow."""

from __future__ import annotations

from dataclasses import replace

from kindwhisk.core.baking.faces import TinWall
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.eggs import EggNeed, egg_need
from kindwhisk.core.ingredients.material import combine
from kindwhisk.core.kitchen import Kitchen
from kindwhisk.core.process.forecast import Forecast, forecast_of, walk_prepared
from kindwhisk.core.process.formula import LEAST_FACTOR, MOST_FACTOR, Formula, upstream
from kindwhisk.core.process.lined import lining, relined
from kindwhisk.core.process.record import NO_RECORD, KitchenRecord
from kindwhisk.core.process.setting import NO_TINS, Setting, TinsInUse
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.portion import MOST_PORTIONS, PortionStep
from kindwhisk.core.process.trays import laid_out
from kindwhisk.core.process.walk import WalkedStep, walk
from kindwhisk.core.process.wish import Wish
from kindwhisk.core.tins.shapes import Tin
from kindwhisk.core.tins.standing import levels_mm
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.estimate import Estimate
from kindwhisk.core.values.model import Value

WHITES = ("egg-white", "white-pasteurised")
AS_LARGE = 0.1
"""What one tin holds may differ by so much and is still cut as the formula's own. Chosen."""
BY_OTHER_MEANS = "Scale it by eggs, by one of its ingredients, by servings or by total weight."


class TinFill(Value):
    """One of ``count`` equal tins or pieces with what goes into it; minutes are those of this tin in its oven."""

    name: str
    tin: Tin
    count: int
    grams: float
    volume_ml: float
    level_mm: float
    rim_mm: float
    fraction: float
    rise_mm: Estimate | None
    minutes: Estimate | None
    trays: int | None


class Depth(Value):
    """How deep the formula's own tin is filled and this one, in mm, and what that does to the minutes of the bake."""

    own_mm: float
    own_minutes: float
    now_mm: float
    now_minutes: Estimate


class Scaled(Value):
    """A formula in the amounts asked for, with its forecast."""

    formula: Formula
    factor: float
    tin_name: str
    tin: Tin
    tin_wall: TinWall
    tin_count: int
    beside: tuple[TinFill, ...]
    fills: tuple[TinFill, ...]
    depth: Depth | None
    oven: str
    eggs: EggNeed | None
    forecast: Forecast


def _in_use(tin: str | Tin, count: int, kitchen: Kitchen) -> TinsInUse:
    if isinstance(tin, str):
        item = kitchen.tin(tin)
        return TinsInUse(name=item.name, tin=item.tin, count=count, on_shelf=item.count, wall=item.wall)
    return TinsInUse(name=f"{tin.shape} tin", tin=tin, count=count)


def tins_for(formula: Formula, kitchen: Kitchen, wish: Wish) -> TinsInUse:
    """The tins that a wish asks for, else those that the formula fills.

    Raises:
        CraftError: it asks for a tin that is not there, or for one where the formula fills none.
    """
    fill = formula.fill
    own = fill.count if isinstance(fill, FillStep) else 1
    count = wish.tin_count or (own if wish.tin is None else 1)
    if isinstance(fill, FillStep) and wish.pieces is not None and wish.tin_count is None:
        count = wish.pieces
    beside = tuple(_in_use(m.tin, m.count, kitchen) for m in wish.beside)
    if wish.tin is not None:
        return replace(_in_use(wish.tin, count, kitchen), beside=beside)
    if fill is None:
        if wish.sets_tins:
            raise CraftError("This formula fills no tin.", field="tin", remedy=BY_OTHER_MEANS)
        return NO_TINS
    own_tin = next((t for t in kitchen.tins if t.tin == fill.tin and t.name == fill.tin_name), None)
    named = TinsInUse(name=fill.tin_name, tin=fill.tin, count=count, beside=beside)
    return named if own_tin is None else replace(named, on_shelf=own_tin.count, wall=own_tin.wall)


def _batter_ml(formula: Formula, setting: Setting) -> float:
    """Volume in ml of what the leading step fills or pipes; walked no further than there."""
    fill = formula.fill
    assert fill is not None
    at = next(i for i, s in enumerate(formula.steps) if s.id == fill.id)
    upto = formula.model_copy(update={"steps": formula.steps[: at + 1]})
    return combine(walk(upto, replace(setting, vessels={v.id: v for v in formula.vessels}))[-1].intake).volume_ml.likely


def _by_tins(formula: Formula, setting: Setting, wish: Wish) -> float:
    fill, tins = formula.fill, setting.tins
    if fill is None:
        raise CraftError("This formula fills no tin.", field="tin", remedy=BY_OTHER_MEANS)
    if isinstance(fill, PipeStep):
        pieces = fill.per_tray(tins.tin) * tins.count + sum(fill.per_tray(t.tin) * t.count for t in tins.beside)
        wanted = pieces * fill.piece.volume_ml()
    elif wish.depth_mm is not None:
        full = tins.tin.volume_ml(min(wish.depth_mm, tins.tin.depth_mm)) / tins.tin.volume_ml()
        wanted = tins.capacity_ml * full
    else:
        wanted = tins.capacity_ml * fill.fill_fraction
    return wanted / _batter_ml(formula, setting)


def _by_pieces(formula: Formula, setting: Setting, pieces: int) -> float:
    fill = formula.fill
    if isinstance(fill, PipeStep):
        return pieces * fill.piece.volume_ml() / _batter_ml(formula, setting)
    if fill is None:
        return pieces / formula.servings
    return pieces * fill.tin.volume_ml() * fill.fill_fraction / _batter_ml(formula, setting)


def _by_eggs(formula: Formula, setting: Setting, count: float) -> float:
    one = setting.record.one_egg(setting.kitchen.eggs)
    separated = max(
        formula.grams_of("egg-white") / one.white_g.likely, formula.grams_of("egg-yolk") / one.yolk_g.likely
    )
    per_batch = separated + formula.grams_of("whole-egg") / one.whole_g.likely
    if per_batch <= 0:
        raise CraftError("There is no egg in this formula.", field="eggs", remedy="Scale it by total weight.")
    return count / per_batch


def factor(formula: Formula, setting: Setting, wish: Wish) -> float:
    """How many times the formula's own batch the wish asks for.

    Raises:
        CraftError: more than one amount is given, or one that this formula does not have.
    """
    wish.check_one_amount()
    if wish.whites_g is not None:
        whites = formula.grams_of(*WHITES)
        if whites <= 0:
            raise CraftError("There are no separate whites in this formula.", field="whites_g", remedy=BY_OTHER_MEANS)
        return wish.whites_g / whites
    if wish.limit is not None:
        there = formula.grams_of(wish.limit.ingredient)
        if there <= 0:
            name = ingredient(wish.limit.ingredient).name
            raise CraftError(
                f"There is no {name} in this formula.",
                field="limit.ingredient",
                remedy="Choose one of: " + ", ".join(sorted({p.ingredient for p in formula.portions()})) + ".",
            )
        return wish.limit.grams / there
    if wish.eggs is not None:
        return _by_eggs(formula, setting, wish.eggs)
    if wish.total_g is not None:
        return wish.total_g / formula.total_g()
    if wish.servings is not None:
        return wish.servings / formula.servings
    if wish.pieces is not None:
        return _by_pieces(formula, setting, wish.pieces)
    return _by_tins(formula, setting, wish) if wish.sets_tins else 1.0


def _fills(formula: Formula, walked: list[WalkedStep], setting: Setting) -> tuple[TinFill, ...]:
    """The tins of the leading step; minutes where what is in them is baked."""
    lead, bake = formula.fill, formula.bake
    at_fill = next((w for w in walked if lead is not None and w.step.id == lead.id), None)
    if at_fill is None:
        return ()
    baked = bake is not None and lead is not None and lead.id in upstream(formula, bake.id)
    at_bake = next((w for w in walked if baked and bake is not None and w.step.id == bake.id), None)
    content, tins = at_fill.outcome.material, at_fill.place.tins
    rises = isinstance(lead, FillStep) and lead.rises
    found = []
    for one in (tins, *tins.beside):
        share = one.tin.volume_ml() / tins.capacity_ml if tins.beside else 1 / one.count
        level = one.tin.level_mm(content.volume_ml.likely * share)
        minutes = None
        if at_bake is not None and isinstance(at_bake.step, BakeStep):
            alone = setting.in_tins(replace(one, count=1, trays=1, beside=()))
            minutes = at_bake.step.effect((combine(at_bake.intake).take(share),), alone).duration_s.scaled(1 / 60)
        found.append(
            TinFill(
                name=one.name,
                tin=one.tin,
                count=one.count,
                grams=content.mass_g * share,
                volume_ml=content.volume_ml.likely * share,
                level_mm=level,
                rim_mm=one.tin.depth_mm,
                fraction=content.volume_ml.likely * share / one.tin.volume_ml(),
                rise_mm=levels_mm(one.tin, setting.risen_ml(content), share) if rises else None,
                minutes=minutes,
                trays=one.trays,
            )
        )
    return tuple(found)


def _depth(formula: Formula, fills: tuple[TinFill, ...]) -> Depth | None:
    bake = formula.bake
    if bake is None or not fills or fills[0].minutes is None or isinstance(formula.fill, PipeStep):
        return None
    return Depth(
        own_mm=bake.reference.fill_mm,
        own_minutes=bake.reference.minutes,
        now_mm=fills[0].level_mm,
        now_minutes=fills[0].minutes,
    )


def _served(formula: Formula, each: float) -> Formula:
    """A serving stays as large: of what holds ``each`` times as much, as many times more are cut."""
    steps = tuple(
        s.model_copy(update={"portions": min(MOST_PORTIONS, max(1, round(s.portions * each)))})
        if isinstance(s, PortionStep)
        else s
        for s in formula.steps
    )
    return formula.model_copy(update={"steps": steps})


def scale(formula: Formula, kitchen: Kitchen, wish: Wish, record: KitchenRecord = NO_RECORD) -> Scaled:
    """The formula in the amounts asked for, with its forecast.

    Raises:
        CraftError: the wish cannot be met; the error names the field and what to enter instead.
    """
    if wish.egg_size is not None:
        kitchen = kitchen.model_copy(update={"eggs": wish.egg_size})
    tins = tins_for(formula, kitchen, wish)
    setting = Setting(kitchen=kitchen, oven=kitchen.oven(wish.oven), tins=tins, record=record)
    times = factor(formula, setting, wish)
    if not LEAST_FACTOR <= times <= MOST_FACTOR:
        raise CraftError(
            f"That would make {times:.3g} times the formula.",
            field=next((n for n in Wish.model_fields if getattr(wish, n) not in (None, ())), "scale"),
            remedy="Ask for between a hundredth and a thousand times the formula's own batch.",
        )
    amounts, own = formula.scaled(times), tins_for(formula, kitchen, Wish())
    if wish.sets_tins and lining(formula) is not None:
        amounts = relined(formula, own, tins)
        times = amounts.total_g() / formula.total_g()
    each = times * own.count / (tins.count + sum(t.count for t in tins.beside))
    if wish.servings is not None or abs(each - 1) > AS_LARGE:
        amounts = _served(amounts, each)
    walked = walk_prepared(amounts, setting)
    fills = _fills(amounts, walked, setting)
    lead = amounts.fill
    trays = fills[0].trays if fills and isinstance(lead, PipeStep) else None
    return Scaled(
        formula=amounts,
        factor=times,
        tin_name=setting.tins.name,
        tin=setting.tins.tin,
        tin_wall=setting.tins.wall,
        tin_count=trays or setting.tins.count,
        beside=fills[1:],
        fills=fills,
        depth=_depth(formula, fills),
        oven=setting.oven.id,
        eggs=egg_need(
            amounts.grams_of("egg-white"),
            amounts.grams_of("egg-yolk"),
            amounts.grams_of("whole-egg"),
            kitchen.eggs,
            record.one_egg(kitchen.eggs),
        ),
        forecast=forecast_of(amounts, walked),
    )


def in_loads(scaled: Scaled, kitchen: Kitchen, record: KitchenRecord = NO_RECORD) -> Scaled:
    """The same batch as it is planned and made: what is piped laid out over trays and loads of its oven."""
    tins = TinsInUse(
        scaled.tin_name,
        scaled.tin,
        scaled.tin_count,
        wall=scaled.tin_wall,
        beside=tuple(TinsInUse(b.name, b.tin, b.count) for b in scaled.beside),
    )
    setting = Setting(kitchen=kitchen, oven=kitchen.oven(scaled.oven), tins=tins, record=record)
    laid = laid_out(scaled.formula, setting)
    if laid is scaled.formula:
        return scaled
    forecast = forecast_of(laid, walk_prepared(laid, setting))
    return scaled.model_copy(update={"formula": laid, "forecast": forecast})
