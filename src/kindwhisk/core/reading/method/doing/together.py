"""Put together, add, mix, sift, take a part."""

from __future__ import annotations

import re
from dataclasses import replace

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.assemble import AssembleStep, Joining
from kindwhisk.core.process.steps.base import YOLKY
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.amounts import amounts, inside
from kindwhisk.core.reading.method import said
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing.common import (
    FREE_STANDING,
    INTO_A_TIN,
    base_of,
    foam_or_here,
    goes_in,
    more,
    set_peak,
    sugar_school,
    target,
    the_cake,
    with_pending,
)
from kindwhisk.core.reading.method.doing.finishing import dust, top
from kindwhisk.core.reading.method.doing.folding import as_whipped, back
from kindwhisk.core.reading.method.doing.warming import warm, warmth
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.naming import ASIDE
from kindwhisk.core.reading.method.references import RESERVED
from kindwhisk.core.reading.method.shares import SPOON, Share, fraction_in
from kindwhisk.core.reading.method.tracker import Tracker
from kindwhisk.core.reading.names import find_all

RING = re.compile(
    r"(?<!\w)(?:ring|springform|frame|tin|mould|mold|pan|cercle|moule|stampo|anello|khuôn)(?!\w)|型|(?:in|at|on) the (?:bottom|base)(?!\w)"
)


CAKE_RING = re.compile(r"ring|springform|mould|mold|frame|cercle|anello")
SIFTED = re.compile(r"sift|tamis|setacci|rây|ふるい")
"""Icing sugar that is sifted over a meringue is folded in; any other sugar is whipped with it."""
ON_TOP = re.compile(r"(?<!\w)on top(?! of)(?!\w)")
WITH = re.compile(r"\s*(?:it |them |this |these )?with (?!an? )")
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
            t.make(AssembleStep, "rack", takes, [t.use(here), *uses], joining=Joining.SPREAD)
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


def _added(t: Tracker, clause: Clause) -> list[Item]:
    """What is added: what is named, else what was made ready for it."""
    items = [as_whipped(t, clause, i) for i in t.items(clause)]
    here = t.raw_here()
    if all(i.made is None or i.made is here for i in items):
        # “Add the sugar and make a firm meringue”: the meringue is what stands there.
        items = without(items, here) or items
    to = next((i for i in items if i.target), None)
    if (
        here is not None
        and here.dry
        and to is not None
        and all(i is to or i.made is here for i in items)
        and to.made is None
    ):
        # “Mélangez la farine et la fécule, ajoutez-les aux jaunes”.
        base = next((m for m in reversed(t.results.open) if m.ids & YOLKY and not m.baked), None)
        if base is not None:
            t.hold([Item(0, made=here)], base, clause.text)
            return []
    if here is not None and here.dry and items and re.match(r"\s*to(?!\w)", clause.after):
        # “Combine the flour and baking powder; add to the eggs with the milk.”
        items = [replace(items[0], target=True), *without(items[1:], here), Item(0, made=here)]
    if here is not None and here.dry and all(i.made is here for i in items):
        # “Sift the flours, add and whisk”.
        base = next((m for m in reversed(t.results.open) if m is not here and not m.baked and not m.dry), None)
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


def add(t: Tracker, clause: Clause) -> None:
    """Something is added to what stands there."""
    if _with_a_little(t, clause, t.items(clause)):
        return
    items = _added(t, clause)
    if not items:
        return
    spread = t.here is not None and t.here.kind is AssembleStep and t.here.baked and clause.follows
    if spread and not t.pending and all(i.made is None for i in items):
        # “Spread, add the strawberries”: on top of it.
        top(t, clause)
        return
    folding = (
        t.into is not None
        and (t.into.airy or t.into.kind is WhipStep)
        and any(i.made is not None and i.made.airy for i in t.pending)
    )
    if t.into is not None and ((clause.guessed and t.into.airy) or (folding and all(i.made is None for i in items))):
        # “Add the whites to the yolks, then add the flour”: one after the other.
        t.flush()
    into = target(items) or (t.into if t.pending else t.raw_here())
    named = any(i.target and i.mention is not None for i in items) and not all(i.target for i in items)
    if named and target(items) is None:
        # “Add the sugar to the cream”, of which nothing stands there yet.
        into = None
    if said.ANOTHER.search(clause.text) and not any(i.made for i in items) and not t.pending:
        t.hold(items, None, clause.text)
        return
    made = [i for i in items if i.made is not None]
    if len(made) > 1 and not any(i.target for i in items):
        t.bring_together(items[1:], made[0].made, clause.text)
        return
    if into is not None and any(i.made is into and not i.target for i in items):
        into = None
    if into is None and not t.pending:
        t.hold(items, None, clause.text)
        return
    if into is not None and into.syrup and any(i.made is not None and i.made.white_foam for i in items):
        into = None
    foam = into if into is not None and into.white_foam else None
    sifted = SIFTED.search(clause.text) and any(i.mention and i.mention.ingredient == "icing-sugar" for i in items)
    if foam is not None and not sifted and t.sweetens([i for i in items if not i.target]):
        takes, _ = t.claim([i for i in items if not i.target], [Item(0, made=foam)])
        foam.takes += takes
        sugar_school(foam, clause)
        set_peak(foam, clause.text)
        t.say(foam)
        return
    t.hold(without(items, into), into, clause.text)


def mix(t: Tracker, clause: Clause) -> None:
    """Things come together."""
    own = t.items(clause)
    if not own and t.pending and t.into is None and said.over_water(f"{t.pending_words} {clause.text}"):
        # “Put them in a bowl over simmering water. Stir until thick.”
        warm(t, clause)
        return
    dry_new = t.into is not None and t.into.airy and all(i.made is None for i in own)
    told_apart = (dry_new and not any(i.target for i in own)) or goes_in(clause) or clause.text.startswith("+")
    if t.pending and own and t.into is not None and t.held_in != t.sentence and told_apart:
        # What an earlier sentence put in is worked in first.
        t.flush()
    if t.pending and t.into is not None and own and all(i.target and i.made is not t.into for i in own):
        # “Add the gelatine and mix into the remaining purée”: one after the other.
        t.flush()
    base = base_of(t, clause, own)
    fresh = own and base is None and t.into is None and not goes_in(clause) and not any(i.made for i in own)
    if t.pending and fresh and said.ANOTHER.search(clause.text):
        # New things in a new vessel: what is held stays by itself.
        t.flush()
    items, into, words = with_pending(t, own)
    # What something was put to comes before what only stands there.
    base = target(own) or into or base
    words = f"{words} {clause.text}"
    stood = t.raw_here()
    if own and stood is not None and all(i.target and i.made is not stood for i in own) and len(items) == len(own):
        # “… and stir into the batter”: what was worked on last goes into what is named.
        items = [Item(0, made=stood), *items]
    if not items:
        _what_stands_there(t, clause, words)
        return
    base = base or _unnamed_base(t, clause, items, own)
    if clause.guessed and base is not None and base.kind is MixStep and base.said[-1] == t.sentence:
        more(t, base, items)
        return
    t.bring_together(items, base, words)
    back(t, clause)


def _what_stands_there(t: Tracker, clause: Clause, words: str) -> None:
    """Nothing is named: what stands there is stirred, or goes into what is bigger."""
    stands = t.raw_here()
    bigger = [m for m in t.results.open if m is not stands and not m.baked and not m.dry and m.part == t.section]
    if stands is not None and goes_in(clause) and stands.kind is WarmStep and bigger:
        # “Melt the gelatine, stir in”.
        t.bring_together([Item(0, made=stands)], bigger[-1], words)
        return
    if stands is not None and stands.kind is RestStep and len(stands.takes) + len(stands.uses) > 1:
        t.make(MixStep, stands.vessel, [], [t.use(stands)])
    elif re.match(r"(?:combine|unite|blend)", clause.text) and stands is not None:
        two = [m for m in t.results.open if not m.baked and not m.dry and not m.is_cream and not m.syrup][-2:]
        if len(two) == 2 and any(m.airy for m in two):
            t.fold([], [t.use(two[0]), t.use(two[1])], words)
    elif stands is not None and clause.said:
        if stands.kind is WarmStep and said.THICKENS.search(clause.text):
            stands.fields["target_c"] = warmth(clause.text, set(stands.raw_ids))
        t.say(stands)


def _unnamed_base(t: Tracker, clause: Clause, items: list[Item], own: list[Item]) -> Made | None:
    """What things are mixed into where no words say so; None where they begin something new."""
    here = t.raw_here()
    if here is None:
        return None
    stirred_in = goes_in(clause) or re.search(r"(?<!\w)(?:it|them|this) in(?!to)(?!\w)", clause.text)
    if here.dry and stirred_in and all(i.made is here for i in items):
        # “Sift the flour with the starch and stir it in.”
        foam = foam_or_here(t)
        return foam if foam is not here else None
    if here.white_foam and stirred_in and any(i.made is here for i in items):
        # “Whisk the whites and stir them lightly in”: to the yolks.
        return next((m for m in reversed(t.results.open) if m.ids & YOLKY and not m.baked), None)
    rest = len(items) == 1 and items[0].share.rest and items[0].made is not here  # “Work in the rest”.
    behind = WITH.match(clause.after) and len(items) == len(own)  # “Sift almonds and sugar, mix with the whites”.
    alone = len(items) == 1 and items[0].made is None and goes_in(clause)
    added = clause.text.startswith("+")  # “+ 65 g flour, mix till smooth”.
    return here if rest or behind or clause.guessed or alone or added else None


def sift(t: Tracker, clause: Clause) -> None:
    """Dry goods through a sieve, by themselves or straight over what they go to."""
    items = t.items(clause)
    straight = re.search(
        r"(?<!\w)(?:over(?! (?:\w+ )?paper)|in(?! (?:a|the|una|un) (?:\w+ )?(?:bowl|ciotola|recipiente))|on top|into(?! an? | (?:large|another|clean|separate|second|mixing|medium) (?:\w+ )?bowl)|onto (?:the|it)(?! paper)|(?:au-|par-)?dessus|sopra|vào)(?!\w)",
        clause.after,
    )
    if straight and t.here is not None and t.here.kind is PipeStep:
        # “Sift sugar over them”, of pieces.
        dust(t, clause)
        return
    stands, part = t.raw_here(), fraction_in(clause.text)
    if straight and stands is not None and stands.dry and part is not None and all(i.target for i in items):
        # “Mix the flour and almonds, then sift a third over the eggs”.
        items = [*items, Item(0, made=stands, share=Share(fraction=part))]
    if straight:
        here = foam_or_here(t)
        if here is not None and here.dry and all(i.target for i in items):
            # “Mix the flours, sift over the yolks”.
            items = [*items, Item(0, made=here)]
        into = target(items) or here
        t.hold(without(items, into), into, clause.text + " sifted over")
        return
    t.flush()
    here = t.raw_here()
    if here is not None and here.dry and all(i.made is here for i in items) and here.kind in {MixStep, SiftStep}:
        # “Blend them and sift”, “put together and sift”.
        here.kind, here.vessel, here.fields = SiftStep, "paper", {}
        t.say(here)
        return
    takes, uses = t.claim(items)
    if takes or uses:
        t.make(SiftStep, t.free("paper"), takes, uses, passes=2 if "twice" in clause.text else 1)


def take(t: Tracker, clause: Clause) -> None:
    """A part of a result is taken, to be worked into something else."""
    items = t.items(clause)
    if not items:
        return
    t.flush()
    t.hold([i for i in items if not i.target], target(items), clause.text)


def reserve(t: Tracker, clause: Clause) -> None:
    """A part of what stands there is kept back, by a share or by spoons of it."""
    t.flush()
    items = t.items(clause)
    made = next((i.made for i in items if i.made is not None), t.raw_here())
    if made is None or made.baked or not made.open:
        return
    part = fraction_in(clause.text)
    stated = next(iter(amounts(clause.text)), None)
    if stated is not None and stated.unit is not None:
        part = min(0.9, inside(stated)[1] / max(made.grams(), 1.0))
    kept = t.make(SplitStep, t.free("base-bowl"), [], [t.use(made, Share(fraction=part or SPOON))])
    kept.names |= {RESERVED}
    t.results.here = made
