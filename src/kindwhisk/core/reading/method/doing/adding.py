"""Put together, and add to what stands there."""

from __future__ import annotations

import re
from dataclasses import replace

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.base import YOLKY
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.joining import Joining
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method import said
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing.common import (
    FREE_STANDING,
    INTO_A_TIN,
    foam_or_here,
    only_warmed,
    set_peak,
    sugar_school,
    target,
    the_cake,
)
from kindwhisk.core.reading.method.doing.finishing import top
from kindwhisk.core.reading.method.doing.folding import as_whipped, other_than
from kindwhisk.core.reading.method.doing.warming import warm
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.joined import JoinStep
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.naming import ASIDE
from kindwhisk.core.reading.method.tracker import Tracker, by_hand
from kindwhisk.core.reading.names import find_all

RING = re.compile(
    r"(?<!\w)(?:ring|springform|frame|tin|mould|mold|pan|cercle|moule|stampo|anello|khuôn)(?!\w)|型|セルクル|(?:in|at|on) the (?:bottom|base)(?!\w)|au fond|sul fondo"
)
CAKE_RING = re.compile(r"ring|springform|mould|mold|frame|cercle|anello")
ON_TOP = re.compile(r"(?<!\w)on top(?! of)(?!\w)")
IN_MIDDLE = re.compile(
    r"(?<!\w)(?:in(?:to)? the (?:middles?|centres?|centers?|holes?)|on (?:top|each(?: one)?)|inside|sopra|dessus)(?!\w)"
)
AWAY = re.compile(r"(?<!\w)(?:fridge|refrigerator|freezer|aside|frigo|oven|tủ lạnh)(?!\w)|冷蔵庫")


def put(t: Tracker, clause: Clause) -> None:
    """Things are put together; a later verb works them in. What is only put away is not."""
    if AWAY.search(clause.text):
        return
    if t.pending and said.over_water(clause.text) and not find_all(ASIDE.sub(" ", clause.said)):
        # “Put the bowl over simmering water”: with what is in it.
        t.pending_words = f"{t.pending_words} {clause.text}"
        t.held_said.append(t.sentence)
        return
    if t.pending and ON_TOP.search(clause.text):
        # “Sift the flour over, put the whites on top and fold”.
        t.pending += [i for i in t.items(clause) if not i.target]
        return
    t.flush()
    items = t.items(clause)
    cream = bool(items) and all(i.made is not None and i.made.is_cream for i in items)
    if cream and the_cake(t) is not None and IN_MIDDLE.search(clause.text):
        # “Montate la panna, mettetela sopra.”
        top(t, clause)
        return
    laid = bool(items) and all(i.mention is not None for i in items) and IN_MIDDLE.search(clause.text) is not None
    if laid and t.here is not None and t.here.baked:
        # “Put a blob of jam in the middle.”
        top(t, clause)
        return
    if _over_the_water(t, clause, items) or _into_its_place(t, clause, items) or not items:
        return
    here = t.here
    if (
        here is not None
        and here.baked
        and clause.guessed
        and all(i.mention is not None and not i.share.grams for i in items)
    ):
        # “Jam. Roll.”
        takes, uses = t.claim(items)
        if takes or uses:
            t.make(JoinStep, "rack", takes, [t.use(here), *uses], joining=Joining.SPREAD)
        return
    alone = clause.guessed and len(items) == 1 and here is not None and not here.baked and items[0].share.grams
    alone = alone and items[0].mention is not None and ingredient(items[0].mention.ingredient).kind != "egg"
    # “A teaspoon of vanilla.”: into what stands there.
    t.hold(items, target(items) or (here if alone else None), clause.text)


def _over_the_water(t: Tracker, clause: Clause, items: list[Item]) -> bool:
    """“Mélanger les œufs et le sucre. Placer au bain-marie.”: the eggs that stand there are warmed."""
    here = t.raw_here()
    if here is None or not here.of_kind({"egg"}) or not said.over_water(clause.text):
        return False
    if any(i.made is not here for i in items):
        return False
    warm(t, clause)
    return True


def _into_its_place(t: Tracker, clause: Clause, items: list[Item]) -> bool:
    """What is put into a tin, onto paper or into a ring: a batter, a meringue or a cake."""
    here = t.raw_here()
    if not items:
        if here is not None and here.airy and here.floury and INTO_A_TIN.search(clause.text):
            # “Put in ungreased tube pan.”
            t.make(FillStep, t.free("tin"), [], [t.use(here)])
            return True
        if the_cake(t) is t.here and CAKE_RING.search(clause.text):
            # “Cool and place in the bottom of a springform.”
            t.in_ring = t.here
            return True
        return False
    raw = [i.made for i in items if i.made is not None and not i.made.baked]
    free = next((made for made in raw if made.meringue), None)
    if free is not None and FREE_STANDING.search(clause.said):
        # “Déposez la meringue en cercle sur une feuille de papier cuisson”.
        t.make(PipeStep, t.free("tray"), [], [t.use(free)])
        return True
    batter = next((made for made in raw if made.floury), None)
    if batter is not None and INTO_A_TIN.search(clause.text):
        # “Put it in a buttered springform”.
        t.make(FillStep, t.free("tin"), [], [t.use(batter)])
        return True
    cake = next((i.made for i in items if i.made is not None and i.made.baked), None)
    if cake is not None:
        t.in_ring = cake if RING.search(clause.text) else t.in_ring
        return True
    return False


def _shown(t: Tracker, item: Item) -> bool:
    """“4 whites / 50 g sugar”, “whip to soft peaks, adding the sugar in three”: the sugar that is in them already."""
    return item.mention is not None and item.share.all and item.mention.ingredient in t.shown


def _added(t: Tracker, clause: Clause) -> list[Item]:
    """What is added: what is named, else what was made ready for it."""
    items = [as_whipped(t, clause, i) for i in t.items(clause) if not _shown(t, i)]
    here = t.raw_here()
    if here is not None and len(items) > 1 and clause.follows:
        # “Whip the rest of the butter, add the custard cream and the praline”: not the butter to itself.
        custard = t.results.last(
            lambda m: m is not here and not m.baked and m.of_kind({"dairy"}) and bool(m.ids & YOLKY)
        )
        itself = custard is not None and custard.part == here.part and not here.of_kind({"egg", "dairy"})
        items = [replace(i, made=custard) if itself and i.made is here and i.share.all else i for i in items]
    if all(i.made is None or (i.made is here and i.share.all) for i in items):
        # “Add the sugar and make a firm meringue”: the meringue is what stands there.
        items = without(items, here) or items
    to = next((i for i in items if i.target), None)
    alone = len(items) == 1 and here is not None and items[0].made is here and items[0].share.all and to is None
    if (
        alone
        and here is not None
        and not here.dry
        and (other := other_than(t, here)) is not None
        and other.part == here.part
    ):
        # “Whip the rest of the butter and add the custard cream”: not to itself.
        t.hold([Item(0, made=other)], here, clause.text)
        return []
    if (
        here is not None
        and here.dry
        and to is not None
        and all(i is to or i.made is here for i in items)
        and to.made is None
    ):
        # “Mélangez la farine et la fécule, ajoutez-les aux jaunes”.
        base = t.results.last(lambda m: m.ids & YOLKY and not m.baked)
        if base is not None:
            t.hold([Item(0, made=here)], base, clause.text)
            return []
    if here is not None and here.dry and items and re.match(r"\s*to(?!\w)", clause.after):
        # “Combine the flour and baking powder; add to the eggs with the milk.”
        items = [replace(items[0], target=True), *without(items[1:], here), Item(0, made=here)]
    if here is not None and here.dry and all(i.made is here for i in items):
        # “Sift the flours, add and whisk”.
        base = t.results.last(lambda m: m is not here and not m.baked and not m.dry)
        if base is not None and base.white_foam and t.sweetens([Item(0, made=here)]):
            # “Mix the two sugars and add them a spoonful at a time.”
            t.take_in(base, *t.claim([Item(0, made=here)]))
            sugar_school(base, clause)
            t.say(base)
            return []
        if base is not None:
            t.hold([Item(0, made=here)], base, clause.text)
            return []
    return items


def _with_a_little(t: Tracker, clause: Clause, items: list[Item]) -> bool:
    """“Add the melted butter mixed with a little batter”: that first, and then both together."""
    here = t.raw_here()
    bit = next((i for i in items if i.made is here and i.share.fraction), None)
    if here is None or bit is None or not here.airy or len(items) < 2 or any(i.target for i in items):
        return False
    t.flush()
    takes, uses = t.claim(items)
    lightened = t.fold(takes, uses, clause.text)
    t.fold([], [t.use(here), t.use(lightened)], clause.text)
    return True


def dry_item(item: Item) -> bool:
    """Whether it is flour, or dry goods that were made ready."""
    if item.made is not None:
        return item.made.dry
    return item.mention is not None and ingredient(item.mention.ingredient).kind == "flour"


def _on_top(t: Tracker, clause: Clause, items: list[Item]) -> bool:
    """“Spread, add the strawberries”: on top of it."""
    spread = t.here is not None and t.here.kind is JoinStep and t.here.baked and clause.follows
    fruit = all(i.made is None or (i.made.of_kind({"fruit"}) and not i.made.airy) for i in items)
    if spread and not t.pending and fruit:
        top(t, clause)
        return True
    return False


def _into_the_ring(t: Tracker, items: list[Item]) -> bool:
    """“Pipe in two thirds of the cream, add the strawberries, add the second disc”: on what fills the ring so far."""
    here = t.here
    if here is None or here.kind is not FillStep:
        return False
    if all(i.made is not None and i.made.baked for i in items):
        t.say(here)
        return True
    fruit = all(i.mention is not None and ingredient(i.mention.ingredient).kind == "fruit" for i in items)
    if not fruit or not any(m.baked for m in here.upstream()):
        return False
    t.make(JoinStep, here.vessel, t.claim(items)[0], [t.use(here)], joining=Joining.TOP)
    return True


def _one_after_the_other(t: Tracker, clause: Clause, items: list[Item]) -> None:
    """“Add the whites to the yolks, then add the flour”: what was put in before is worked in first."""
    airy = any(i.made is not None and i.made.airy for i in t.pending)
    folding = t.into is not None and (t.into.airy or t.into.kind is WhipStep) and airy
    lightens = clause.guessed and (t.into is None or t.into.airy or airy)
    if t.into is not None and (lightens or (folding and all(i.made is None for i in items))):
        t.flush()


def _several_made(t: Tracker, clause: Clause, items: list[Item]) -> bool:
    """Several results that are named: to the eggs that stand there, else to the first of them."""
    made = [i for i in items if i.made is not None]
    if len(made) < 2 or any(i.target for i in items):
        return False
    stood = t.raw_here()
    if stood is not None and stood.of_kind({"egg"}) and all(i.made is not stood for i in made):
        # “Whip the yolks with the sugar, add the chocolate and the nuts.”
        t.hold(items, stood, clause.text)
    else:
        t.bring_together(items[1:], made[0].made, clause.text)
    return True


def _put_to(t: Tracker, items: list[Item]) -> Made | None:
    """What things are added to: what is named, what was added to, or what stands there."""
    # “Melt the butter. Rain in the flour”: into the foam.
    stands = foam_or_here(t) if all(map(dry_item, items)) else t.raw_here()
    named = any(i.target and i.mention is not None for i in items) and not all(i.target for i in items)
    if named and target(items) is None:
        # “Add the sugar to the cream”, of which nothing stands there yet.
        return None
    return target(items) or (t.into if t.pending else stands)


def _nothing_named(t: Tracker, clause: Clause) -> None:
    """“Warm the butter and the milk, add it”: to the foam."""
    here, foam = t.raw_here(), foam_or_here(t)
    if here is not None and foam is not None and foam is not here and not t.pending:
        t.hold([Item(0, made=here)], foam, clause.text)


def _begins(t: Tracker, clause: Clause, items: list[Item], into: Made | None) -> bool:
    """Whether something new is begun: in another bowl, or eggs beside what was only melted."""
    if t.pending or any(i.made for i in items):
        return False
    eggs = any(i.mention is not None and i.mention.ingredient in {"whole-egg", "egg-white"} for i in items)
    apart = eggs and into is not None and only_warmed(into) and not any(i.target for i in items)
    return apart or said.ANOTHER.search(clause.text) is not None


def add(t: Tracker, clause: Clause) -> None:
    """Something is added to what stands there."""
    if _with_a_little(t, clause, t.items(clause)):
        return
    items = _added(t, clause)
    if not items:
        _nothing_named(t, clause)
        return
    if _on_top(t, clause, items) or _into_the_ring(t, items):
        return
    _one_after_the_other(t, clause, items)
    into = _put_to(t, items)
    if _begins(t, clause, items, into):
        into = None
    elif _several_made(t, clause, items):
        return
    if into is not None and any(i.made is into and not i.target for i in items):
        # “A third goes in with a whisk”: of the whites, into the batter.
        part = len(items) == 1 and into.white_foam and items[0].share.fraction is not None
        into = other_than(t, into) if part else None
    if into is None and not t.pending:
        t.hold(items, None, clause.text)
        return
    if into is not None and into.syrup and any(i.made is not None and i.made.white_foam for i in items):
        into = None
    foam = into if into is not None and into.white_foam else None
    folded = by_hand(items, clause.text)
    if foam is not None and foam is not t.off_heat and not folded and t.sweetens([i for i in items if not i.target]):
        takes, uses = t.claim([i for i in items if not i.target], [Item(0, made=foam)])
        t.take_in(foam, takes, uses)
        sugar_school(foam, clause)
        set_peak(foam, clause.text)
        t.say(foam)
        return
    t.hold(without(items, into), into, clause.text)
