"""What a text leaves out, put in by the custom of the class: where unused goods go, what holds the batter, how it cools."""

from __future__ import annotations

from collections.abc import Sequence
from typing import Any

from kindwhisk.core.ingredients import counts_as, ingredient
from kindwhisk.core.process.checking import fatty
from kindwhisk.core.process.components import Part
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.base import WHITES, YOLKY, StepBase
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.joining import Joining
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method.joined import JoinStep
from kindwhisk.core.reading.method.making import NONE_LEFT, Made, Stock, Use
from kindwhisk.core.reading.method.part_names import part_of
from kindwhisk.core.reading.method.shares import Share
from kindwhisk.core.reading.method.stocks import same_group
from kindwhisk.core.reading.method.titles import plainly, title_of
from kindwhisk.core.reading.method.tracker import Tracker

WATER_PER_SUGAR = 0.35
WORKED = (MixStep, WhipStep, WarmStep, SiftStep, FoldStep)


def _takers(t: Tracker, stock: Stock) -> list[Made]:
    """Steps that could take a line that no sentence names, those of its own heading if there are any."""
    steps = [m for m in t.results.made if m.kind in WORKED and not m.baked]
    own = [m for m in steps if any(stock.group and same_group(k.stock.group, stock.group) for k in m.takes)]
    if own or not stock.group:
        return own or steps
    return [m for m in steps if not any(k.stock.group for k in m.takes)] or steps


def place_left_over(t: Tracker) -> list[Stock]:
    """Give every line that no sentence used a place; the lines, for what is asked about them."""
    placed = []
    for stock in t.stocks.rows:
        if stock.gone or _other_half(t, stock):
            continue
        if stock.takes and stock.takes[-1].grams > 0:
            # Used in part: the rest goes where the last of it went.
            stock.takes[-1].grams += stock.left
            stock.left = 0.0
            placed.append(stock)
            continue
        into = _place_for(t, stock)
        if into is None:
            continue
        into.take_in([stock.take(stock.left, stated=False)])
        placed.append(stock)
    return placed


def _other_half(t: Tracker, stock: Stock) -> bool:
    """Whether it is what is left of eggs that were separated for their other half: nothing is made of it."""
    halves = {
        counts_as(stock.ingredient),
        *(counts_as(s.ingredient) for s in t.stocks.rows if s.line == stock.line and s is not stock),
    }
    used = any(s.takes for s in t.stocks.rows if s.line == stock.line and s is not stock)
    if halves != {"egg-white", "egg-yolk"} or stock.takes or not used:
        return False
    name = ingredient(stock.ingredient).name
    t.ask(
        stock.written,
        f"{stock.left:.0f} g of {name} are left over by the text.",
        "kept for something else: not in the process",
    )
    return True


def _place_for(t: Tracker, stock: Stock) -> Made | None:
    item = ingredient(stock.ingredient)
    steps = _takers(t, stock)
    cake = t.results.last(lambda m: m.baked)
    dressing = item.kind in {"fruit", "bought"} or (item.piece is not None and item.kind in {"chocolate", "nut"})
    # Nothing fat, and nothing unknown, goes into bare whites.
    spoils = fatty(item.id) or item.kind in {"dairy", "other"} or item.id.startswith("unknown-")
    spoils = spoils and bool(steps) and all(m.white_foam or m.meringue for m in steps)
    if cake is not None and ((dressing and not stock.group) or spoils):
        return t.make(JoinStep, "rack", [], [t.use(cake)], joining=Joining.TOP)
    if not steps:
        return None
    if item.id == "water" and (dissolved := _dissolves(steps, stock)) is not None:
        return dissolved
    if item.kind in {"flour", "leavener", "nut"} or (item.kind in {"flavour", "salt"} and item.composition.water < 0.2):
        dry = [m for m in steps if any(ingredient(k.ingredient).kind == "flour" for k in m.takes)]
        return (dry or [m for m in steps if m.kind is FoldStep] or steps)[0]
    if item.kind == "egg":
        return next((m for m in steps if m.kind is WhipStep), steps[0])
    if item.kind in {"sugar", "acid"}:
        yolks = [m for m in steps if m.ids & YOLKY and m.kind is not FoldStep]
        return next(iter([*yolks, *(m for m in steps if m.kind is WhipStep), *steps]))
    soft = [m for m in steps if m.kind in {MixStep, WarmStep} and not m.dry]
    folds = [m for m in steps if m.kind is FoldStep]
    return next(iter([m for m in soft if m.ids & YOLKY] + soft + folds[-1:] + steps))


def _dissolves(steps: Sequence[Made], water: Stock) -> Made | None:
    """What takes the line above: “1 tbsp coffee dissolved in 1 tbsp water”."""
    return next(
        (m for m in steps for k in m.takes
         if k.stock.line == water.line - 1 and ingredient(k.ingredient).kind in {"flavour", "setting", "liquid"}),
        None,
    )  # fmt: skip


def water_for_syrups(t: Tracker) -> list[Made]:
    """Syrups that name no water get some: sugar does not boil dry."""
    dry = []
    for made in t.results.made:
        if made.kind is not BoilStep or made.ids & {"water"} or made.of_kind({"acid", "liquid", "dairy"}):
            continue
        sugar = sum(k.grams for k in made.takes if ingredient(k.ingredient).kind == "sugar")
        if sugar <= 0:
            continue
        stock = Stock(-1, "water", "", round(WATER_PER_SUGAR * sugar, 1), listed=False)
        made.take_in([stock.take(stock.grams, stated=False)])
        dry.append(made)
    return dry


def _main_fill(t: Tracker) -> Made | None:
    fills = [m for m in t.results.made if m.kind in {FillStep, PipeStep}]
    baked = [m for m in fills if any(m in b.upstream() for b in t.results.made if b.kind is BakeStep)]
    return next(iter([*baked, *fills]), None)


def balance(t: Tracker) -> None:
    """What the steps really take of each other: nothing is used twice, and what no step took is left."""
    left = {id(made): 1.0 for made in t.results.made}
    for made in t.results.made:
        kept = []
        for use in made.uses:
            there = left.get(id(use.made), 0.0)
            if there <= NONE_LEFT:
                continue
            takes_all = use.rest or use.fraction is None
            left[id(use.made)] = 0.0 if takes_all else there - (use.fraction or 0.0)
            use.rest = use.rest or (use.fraction is None and there < 1.0)
            kept.append(use)
        made.use_only(kept)
    for made in t.results.made:
        made.left = left[id(made)]


def join_loose(t: Tracker) -> list[Made]:
    """Join every result that nothing uses to the whole; what was assumed so."""
    assumed: list[Made] = []
    balance(t)
    fill = _main_fill(t)
    for made in [m for m in t.results.open if not m.baked]:
        if fill is not None and made in fill.upstream():
            continue
        raw_part = (
            made.dry
            or made.floury
            or (
                bool(made.ids & (WHITES | YOLKY))
                and not made.of_kind({"dairy", "fat"})
                and not _meringue_topping(t, made)
            )
        )
        index = t.results.made.index
        if (
            fill is not None
            and raw_part
            and made is not fill
            and made.kind is not FillStep
            and index(made) < index(fill)
        ):
            if fill.uses:
                assumed.append(_before_fill(t, made, fill))
            else:
                fill.take_in(uses=[t.use(made)])
                t.ask("steps", "No sentence says what is filled in.", f"“{title_of(made)}” goes in")
    ends = t.results.open
    if not ends:
        return assumed
    cake = next((m for m in reversed(ends) if m.baked), None) or _whole(ends)
    for made in [m for m in ends if m is not cake]:
        kind, fields = _joining(cake, made)
        joined = t.make(kind, cake.vessel if not cake.baked else "rack", [], [t.use(cake), t.use(made)], **fields)
        assumed.append(_assume(joined, _nowhere(made)))
        cake = joined
    return assumed


def _nowhere(made: Made) -> str:
    return f"No sentence says where to put {plainly(made)}."


def _joining(cake: Made, made: Made) -> tuple[type[StepBase], dict[str, Any]]:
    """How something that no sentence joins comes to the whole."""
    if cake.baked and made.syrup:
        return SoakStep, {}
    if not cake.baked and cake.kind not in {FillStep, ChillStep, PipeStep}:
        return FoldStep if cake.airy or made.airy else MixStep, {}
    return JoinStep, {"joining": Joining.LAYER}


def _meringue_topping(t: Tracker, made: Made) -> bool:
    """Whether a meringue stands by itself beside a batter that has its whites."""
    fill = _main_fill(t)
    return made.white_foam and fill is not None and any(m.white_foam for m in fill.upstream())


def _before_fill(t: Tracker, made: Made, fill: Made) -> Made:
    first = fill.uses[0]
    kind = FoldStep if first.made.airy or made.airy else MixStep
    joined = Made(
        kind, first.made.vessel, [], [Use(first.made, first.fraction, first.rest), t.use(made)], part=fill.part
    )
    _assume(joined, _nowhere(made))
    joined.left = 0.0
    fill.use_only([Use(joined), *fill.uses[1:]])
    t.results.made.insert(t.results.made.index(fill), joined)
    return joined


def _whole(ends: Sequence[Made]) -> Made:
    """What is moulded or piped, else what is largest."""
    return max(ends, key=lambda m: (m.kind in {FillStep, PipeStep, ChillStep}, m.grams()))


def finish_bake(t: Tracker) -> None:
    """A raw batter is filled and baked, a bake is left to cool; a mousse is moulded and chilled."""
    baked = any(m.kind is BakeStep for m in t.results.made)
    ends = t.results.open
    if not baked:
        batter = next((m for m in reversed(ends) if m.floury and m.of_kind({"egg"})), None)
        whites = next(
            (m for m in reversed(ends) if m.ids & WHITES and not m.of_kind({"dairy", "chocolate", "fruit"})), None
        )
        raw = batter or (whites if whites is not None and whites.kind is not FillStep else None)
        if raw is not None:
            t.results.here = raw
            if not any(m.kind in {FillStep, PipeStep} for m in raw.upstream()):
                kind = PipeStep if raw.white_foam else FillStep
                raw = _assume(t.make(kind, t.free("tin"), [], [t.use(raw)]), "Something has to hold it in the oven.")
            _assume(t.make(BakeStep, raw.vessel, [], [t.use(raw)]), "No sentence bakes it; this class is baked.")
        elif ends and any(m.kind in {WhipStep, StreamStep} for m in t.results.made):
            cold = _whole(ends)
            if cold.kind is ChillStep:
                return
            if not any(m.kind is FillStep for m in cold.upstream()):
                cold = _assume(
                    t.make(FillStep, t.free("tin"), [], [t.use(cold)]), "Something has to hold it while it sets."
                )
            if cold.kind is FillStep:
                _assume(t.make(ChillStep, cold.vessel, [], [t.use(cold)], hours=4.0), "It sets in the cold.")
            return
    for made in [m for m in t.results.open if m.kind is BakeStep]:
        _assume(t.make(CoolStep, made.vessel, [], [t.use(made)]), "A crumb sets as it cools.")


def _assume(made: Made, why: str) -> Made:
    made.assumed, made.said, made.words = why, [], ""
    return made


def make_parts(t: Tracker) -> list[Stock]:
    """Parts that have a list and no sentence: cream is whipped, anything else stirred together; the lines used so."""
    groups: dict[str, list[Stock]] = {}
    for stock in t.stocks.rows:
        if stock.group:
            groups.setdefault(stock.group, []).append(stock)
    used = []
    for group, stocks in groups.items():
        if any(s.takes for s in stocks) or part_of(group) not in {Part.FILLING, Part.GLAZE, Part.DECORATION, Part.SOAK}:
            continue
        whole = sum(s.grams for s in stocks)
        creamy = sum(s.grams for s in stocks if s.ingredient.startswith("cream-")) > 0.5 * whole
        kind = WhipStep if creamy else MixStep
        fields = {"tool": "hand mixer"} if creamy else {}
        takes = [s.take(s.left, stated=False) for s in stocks]
        made = _assume(
            t.make(kind, t.free("cream-bowl"), takes, [], **fields), "The list names it, no sentence makes it."
        )
        made.names |= {"filling"}
        used += stocks
    return used


def use_up(t: Tracker) -> None:
    """The rest of what was used in part goes into the last that its other part was worked into: nothing is lost."""
    balance(t)
    for made in t.results.made:
        if made.baked or not NONE_LEFT < made.left < 1:
            continue
        takers = [m for m in t.results.made if any(u.made is made for u in m.uses)]
        last = takers[-1]
        while (after := _worked_into(t, last)) is not None:
            last = after
        last.take_in(uses=[t.use(made, Share(rest=True))])
        t.ask("steps", f"Some of “{title_of(made)}” is left over by the text.", "the rest goes in where it went last")


def _worked_into(t: Tracker, made: Made) -> Made | None:
    """The fold or mix that takes a result."""
    return next(
        (m for m in t.results.made if m.kind in {FoldStep, MixStep} and any(u.made is made for u in m.uses)), None
    )


def complete(t: Tracker) -> tuple[list[Stock], list[Made]]:
    """All of it, in its order: the lines that were given a place, the steps that were assumed."""
    syrups = water_for_syrups(t)
    for made in syrups:
        t.ask("water", "A syrup is boiled, and no water is listed for it.", f"{made.takes[-1].grams:.0f} g of water")
    placed = [*make_parts(t), *place_left_over(t)]
    before = len(t.results.made)
    use_up(t)
    finish_bake(t)
    joined = join_loose(t)
    return placed, list(dict.fromkeys([*t.results.made[before:], *joined]))
