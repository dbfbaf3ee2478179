"""Fold, and press air out on purpose."""

from __future__ import annotations

import re

from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.process.steps.base import WHITES
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.macaronage import MacaronageStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method import said
from kindwhisk.core.reading.method.clauses import REST, STIFF_ONES, Clause
from kindwhisk.core.reading.method.doing.common import CREAMS, foam_or_here, goes_in, target, with_pending
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.making import Made, Take, Use
from kindwhisk.core.reading.method.shares import ALL
from kindwhisk.core.reading.method.tracker import Tracker

BACK = re.compile(
    r"(?<!\w)back in$|lại vào|(?:đổ|cho|trút) (?:trở |ngược )?lại|戻し(?:入れ)?て|(?<!\w)(?:all|everything|it|this|that|mixture|batter) back(?!\w)|(?<!\w)fold back in(?!to a)(?!\w)|(?<!\w)return (?:(?:it|this|that|everything) )?to the (?:bowl|rest|foam|batter|main|remaining)|(?<!\w)(?:with|into) (?:the )?main batter|pour back into the (?:rest|remaining)|(?<!\w)back in(?:to)? the (?:bowl|rest|foam|whites|meringue)"
)
"""“Pour it all back”, “fold this back into the rest”."""


INTO_FIRST = re.compile(r"\s*(?:\w+ly )?into ")
AND_THEN = re.compile(r"(?<!\w)(?:then|puis|poi|enfin|infine|rồi)$")
WHISKED = re.compile(r"(?<!\w)(?:en fouettant|au fouet|with (?:a|the) whisk|con (?:la|una) frusta|bằng phới)(?!\w)")
"""“Incorporate whisking”: into what has no air to lose."""


def back(t: Tracker, clause: Clause) -> bool:
    """“Pour it all back”: what was lightened with a part of the foam goes to the rest of it."""
    if BACK.search(clause.text) is None:
        return False
    t.flush()
    here = t.raw_here()
    begun = t.results.last(lambda m: m.left < 1 and m is not here)
    if here is None or begun is None:
        return False
    uses = [t.use(begun), t.use(here)]
    if any(u.made.airy for u in uses):
        t.fold([], uses, clause.text)
    else:
        # “Pour the warm purée back into the rest.”
        t.make(MixStep, begun.vessel, [], uses)
    return True


def fold(t: Tracker, clause: Clause) -> None:
    """Fold: into what is named, else into what was worked on last."""
    if back(t, clause):
        return
    blended = BLENDED.search(clause.text) is not None
    base_here = t.raw_here()
    if blended and base_here is not None and not base_here.airy and not t.pending:
        # “Incorporez le beurre au mixeur.”
        t.bring_together(without(t.items(clause), base_here), base_here, clause.text)
        return
    first = any(i.share.fraction for i in t.pending) or AND_THEN.search(t.pending_words)
    if t.pending and first and REST.search(clause.text):
        # “A third goes into the yolks, the rest is folded in”; “add the flour, then fold in the rest”.
        t.flush()
    so_far = len(t.results.made)
    own = [as_whipped(t, clause, i) for i in t.items(clause)]
    if t.pending and t.into is not None and len(t.results.made) > so_far:
        # “Add the flour, last the stiff whites”: one after the other.
        t.flush()
    earlier = t.held_in != t.sentence and (own or t.into is None or not t.into.airy)
    if t.pending and t.into is not None and earlier:
        # What an earlier sentence put in is worked in first.
        t.flush()
    items, into, words = with_pending(t, own)
    words = f"{words} {clause.text}"
    base, others = _base_and_others(t, clause, own, items, target(own) or into)
    if not others:
        _with_itself(t, clause, base, words)
        return
    dry = t.raw_here()
    if (
        dry is not None
        and dry.dry
        and dry.said[-1] == t.sentence
        and dry is not base
        and not any(i.made is dry for i in others)
    ):
        # “Nuts and flour mixed, fold in turns with the whites into the yolks”.
        others = [Item(0, made=dry), *others]
    takes, uses = t.claim(others, [Item(0, made=base)] if base is not None else [])
    if base is not None:
        # “Fold into half the curd.”
        part = next((i.share for i in items if i.made is base and i.target and i.share.fraction), ALL)
        uses = [t.use(base, part), *uses]
    if takes or len(uses) > 1:
        _bring(t, takes, uses, words)
    elif uses:
        uses[0].made.left = 1.0
        t.say(uses[0].made)


BLENDED = re.compile(
    r"(?<!\w)(?:au mixeur|mixeur plongeant|(?:with an? |stick |hand )blender|al mixer|con il mixer)(?!\w)"
)
WHIPPED = re.compile(r"(?<!\w)(?:whipped|montée|fouettée|montata)(?!\w)")


def as_whipped(t: Tracker, clause: Clause, item: Item) -> Item:
    """“Fold in the whipped cream”, which no sentence has whipped: it is whipped for it."""
    mention = item.mention
    foamed = mention is not None and (
        (mention.ingredient in CREAMS and WHIPPED.search(clause.text) is not None)
        or (mention.ingredient in WHITES and STIFF_ONES.search(clause.text) is not None)
    )
    if mention is None or not foamed:
        return item
    here = t.results.here
    takes, _ = t.claim([item])
    if not takes:
        return item
    if mention.ingredient in WHITES:
        made = t.make(WhipStep, t.free("mixer-bowl"), takes, [], peak=Peak.STIFF)
    else:
        made = t.make(WhipStep, t.free("cream-bowl"), takes, [], peak=Peak.SOFT, tool="hand mixer")
    t.results.here = here
    return Item(item.start, made=made, target=item.target)


def _base_and_others(
    t: Tracker, clause: Clause, own: list[Item], items: list[Item], named: Made | None
) -> tuple[Made | None, list[Item]]:
    """What is folded into, and what is folded in; where the words leave one of them out, what stands there."""
    here, base = foam_or_here(t), named
    made = [i.made for i in items if i.made is not None]
    if base is None and here is not None and len(made) < 2 and (here not in made or len(items) == 1):
        base = here
    if base is None and here is not None and here.kind is FoldStep and here.said[-1] == t.sentence and here not in made:
        # “…, then the nuts and the remaining whites”: into what the sentence has folded so far.
        base = here
    if base is None and here is not None and here.dry and here in made and len(items) > len(made):
        # “I mix the nuts with the flour and fold them in.”
        foam = t.results.last(lambda m: m is not here and m.airy and not m.baked)
        return foam, list(items)
    alone = base in made and (here is None or here is base)
    if (base is None or alone) and len(items) == 1 and made:
        base = other_than(t, made[0]) or base
    if base is None and own and here is not None and all(i.target for i in own) and here not in made:
        return None, [Item(0, made=here), *items]
    others = without(items, base)
    along = base is not None and base is not here and here is not None and here.airy and here not in made
    if others and along and INTO_FIRST.match(clause.after):
        # “Whip the cream and fold into the ricotta with the pears.”
        others = [Item(0, made=here), *others]
    if not others and here is not None and base is not None and base is not here:
        others = [Item(0, made=here)]
    if not others and here is not None and base is here and here.dry:
        # “Mix the flours and fold in”: into the foam that stands there.
        foam = t.results.last(lambda m: m is not here and m.airy and not m.baked)
        return (foam, [Item(0, made=here)]) if foam is not None else (base, [])
    return base, others


def other_than(t: Tracker, made: Made) -> Made | None:
    """What stands there besides a result that may take it in."""
    return t.results.last(lambda m: m is not made and not m.baked and not m.dry and not m.syrup)


def _with_itself(t: Tracker, clause: Clause, base: Made | None, words: str) -> None:
    """“Fold the two together”; else the words only say more of the same fold."""
    if base is None:
        return
    second = t.results.last(lambda m: m is not base and not m.baked and m.part == base.part)
    dry = t.results.last(lambda m: m.dry and m.part == base.part)
    if dry is not None and base.kind is WhipStep and not t.items(clause):
        # “… sift. Whites, stiff. Fold.”
        _bring(t, [], [t.use(base), t.use(dry)], words)
        return
    other = other_than(t, base) if base.airy and (goes_in(clause) or base.white_foam or not clause.said) else None
    if other is not None:
        # “Whip the cream and fold in”: into what stands there for it.
        _bring(t, [], [t.use(other), t.use(base)], words)
    elif second is not None and re.search(r"\b(?:two|together|both|due)\b", clause.text):
        _bring(t, [], [t.use(second), t.use(base)], words)
    else:
        t.say(base)


def _bring(t: Tracker, takes: list[Take], uses: list[Use], words: str) -> None:
    if WHISKED.search(words) and not any(u.made.airy for u in uses):
        t.make(MixStep, t.mixing_bowl(takes, uses), takes, uses)
        return
    t.fold(takes, uses, words, portions=said.portions(words))


def press(t: Tracker, clause: Clause) -> None:
    """Air is pressed out on purpose: the fold before it is a macaronage."""
    items, into, _ = with_pending(t, t.items(clause))
    if without(items, into or t.raw_here()):
        takes, uses = t.claim(without(items, into))
        base = into or t.raw_here()
        if base is not None and base.open:
            uses = [t.use(base), *uses]
        t.make(MacaronageStep, "base-bowl", takes, uses)
        return
    here = t.raw_here()
    if here is not None:
        if here.kind is FoldStep:
            here.kind = MacaronageStep
            here.fields = {}
        t.say(here)
