"""Mix, sift, take a part, keep one back."""

from __future__ import annotations

import re

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.base import YOLKY
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.sift import SiftStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.reading.amounts import amounts, inside
from kindwhisk.core.reading.method import said
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing.adding import dry_item
from kindwhisk.core.reading.method.doing.common import (
    base_of,
    foam_or_here,
    goes_in,
    more,
    target,
    with_pending,
)
from kindwhisk.core.reading.method.doing.finishing import dust
from kindwhisk.core.reading.method.doing.folding import back, other_than
from kindwhisk.core.reading.method.doing.warming import warm, warmth
from kindwhisk.core.reading.method.doing.whipping import beat
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.references import RESERVED
from kindwhisk.core.reading.method.shares import SPOON, Share, fraction_in
from kindwhisk.core.reading.method.tracker import Tracker

FOAMED = re.compile(r"(?<!\w)(?:foamy|frothy|pale|(?:until|till) (?:white|thick)|mousseux|spumos\w+|chiar\w)(?!\w)")
WITH = re.compile(r"\s*(?:(?:in)?to an? (?:\w+ )?(?:paste|dough|cream|mass) )?(?:it |them |this |these )?with (?!an? )")


def mix(t: Tracker, clause: Clause) -> None:
    """Things come together."""
    own = t.items(clause)
    heated = said.over_water(f"{t.pending_words} {clause.text}") or said.on_the_hob(clause.text)
    begun = t.raw_here()
    raw_egg = begun is not None and begun.kind is MixStep and begun.of_kind({"egg"}) and not begun.floury
    if (
        not own
        and heated
        and ((t.pending and t.into is None) or (not t.pending and raw_egg and said.on_the_hob(clause.text)))
    ):
        # “Put them in a bowl over simmering water. Stir until thick.”
        warm(t, clause)
        return
    dry_new = t.into is not None and t.into.airy and all(i.made is None for i in own)
    anew = bool(own) and not WITH.match(clause.after) and not any(i.made for i in own) and not clause.guessed
    told_apart = anew or (dry_new and not any(i.target for i in own)) or goes_in(clause) or clause.text.startswith("+")
    if t.pending and own and t.into is not None and t.held_in != t.sentence and told_apart:
        # What an earlier sentence put in is worked in first.
        t.flush()
    if t.pending and t.into is not None and own and all(i.target and i.made is not t.into for i in own):
        # “Add the gelatine and mix into the remaining purée”: one after the other.
        t.flush()
    eggs = (
        own
        and all(i.mention is not None for i in own)
        and any(i.mention is not None and ingredient(i.mention.ingredient).kind == "egg" for i in own)
    )
    if eggs and not t.pending and FOAMED.search(clause.text) and not any(i.target for i in own):
        # “Stir the yolks with the sugar until foamy.”
        beat(t, clause, own)
        return
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
    part = len(own) == 1 and own[0].made is not None and own[0].made.white_foam and own[0].share.fraction is not None
    if base is None and part and len(items) == 1:
        # “Mélanger un tiers des blancs au fouet, le reste à la maryse”: into the yolks.
        base = t.results.last(lambda m: m.ids & YOLKY and not m.baked)
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
    other = other_than(t, stands) if stands is not None else None
    if stands is not None and stands.is_cream and other is not None and said.portions(clause.text) > 1:
        # “Whip the cream and mix it in in two goes”.
        t.fold([], [t.use(other), t.use(stands)], words, portions=said.portions(clause.text))
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
        return t.results.last(lambda m: m.ids & YOLKY and not m.baked)
    rest = len(items) == 1 and items[0].share.rest and items[0].made is not here  # “Work in the rest”.
    behind = WITH.match(clause.after) and len(items) == len(own)  # “Sift almonds and sugar, mix with the whites”.
    alone = len(items) == 1 and items[0].made is None and goes_in(clause)
    added = clause.text.startswith("+")  # “+ 65 g flour, mix till smooth”.
    return here if rest or behind or clause.guessed or alone or added else None


BLITZED = re.compile(r"(?<!\w)(?:blitz|process|pulse|blend|mix(?:er|ez))(?!\w)")


def sift(t: Tracker, clause: Clause) -> None:
    """Dry goods through a sieve, by themselves or straight over what they go to."""
    items = t.items(clause)
    straight = re.search(
        r"(?<!\w)(?:over(?! (?:\w+ )?paper)|in(?! (?:a|the|una|un) (?:\w+ )?(?:bowl|ciotola|recipiente))|on(?=,|$)|on top|into(?! an? | (?:large|another|clean|separate|second|mixing|medium) (?:\w+ )?bowl)|onto (?:the|it)(?! paper)|(?:au-|par-)?dessus|sopra|vào)(?!\w)",
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
        if t.pending and t.into is not None and t.into is into and not any(map(dry_item, t.pending)):
            # “Add the oil and the milk, sieve in the flour”: one after the other.
            into = t.flush() or into
        t.hold(without(items, into), into, clause.text + " sifted over")
        return
    t.flush()
    here = t.raw_here()
    if here is not None and clause.after.lstrip().startswith("with ") and items and all(i.made is None for i in items):
        # “Toast the nuts, cool, sift with the icing sugar and flour”.
        items = [Item(0, made=here), *items]
    if here is not None and here.dry and all(i.made is here for i in items) and here.kind in {MixStep, SiftStep}:
        # “Blend them and sift”, “put together and sift”.
        here.kind, here.vessel, here.fields = SiftStep, "paper", {}
        t.say(here)
        return
    takes, uses = t.claim(items)
    wet = {ingredient(x.ingredient).kind for x in takes} & {"fruit", "liquid", "dairy"}
    if wet and BLITZED.search(clause.text):
        # “Sauce: blitz everything, pass.”
        t.make(MixStep, t.mixing_bowl(takes, uses), takes, uses)
        return
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
