"""What the verbs share: what a clause works on, what waits, and the marks of a foam."""

from __future__ import annotations

import re

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import SugarSchool, WhipStep
from kindwhisk.core.reading.method import said
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.naming import INSIDE
from kindwhisk.core.reading.method.tracker import Tracker

CREAMS = {"cream-35", "cream-30", "cream-double", "creme-fraiche"}
"""What can be whipped."""


FREE_STANDING = re.compile(
    r"(?<!\w)(?:paper|parchment|circles?|mats?|baking sheets?|feuille(?: de papier)?(?: cuisson)?|papier(?: cuisson)?|carta(?: da)? forno|silpat)(?!\w)|クッキングシート|オーブンシート"
)
"""What a meringue stands on free."""


def target(items: list[Item]) -> Made | None:
    """The result that other things go to."""
    return next((i.made for i in items if i.target and i.made is not None), None)


INTO_A_TIN = re.compile(
    r"(?<!\w)(?:dans|in|sur|su) (?:une?|l[ea]|lo|uno?a?|des) (?:[\w'-]+ ){0,3}(?:moules?|cercle|cadre|stamp[oi]|tortiera|teglia|plaque)(?!\w)|(?<!\w)(?:in|into|on|onto) (?:(?:an?|the|your|its|ungreased|greased|lined|buttered|two|three|four|[2-9]) )(?:[\w,\"-]+ ){0,6}(?:tin|pan|springform|ring|mould|mold|tray|sheet)s?(?!\w)"
)
"""“Put it in a buttered springform”, “into a greased tin and bake”: it is said what holds it."""


def goes_in(clause: Clause) -> bool:
    """Whether it says “in”, without saying in what."""
    return bool(INSIDE.match(clause.after))


AGAIN = re.compile(r"^\s*(?:it )?(?:again|once more)(?!\w)|の順に$")
"""“Milk and oil, whisk again”: in the same bowl."""


def base_of(t: Tracker, clause: Clause, items: list[Item]) -> Made | None:
    """What a clause's things go to: what it names, or what was worked on last where it says “in” or “again”."""
    named = target(items)
    if named is not None:
        return named
    here = t.raw_here()
    if here is None:
        return None
    if here.dry and goes_in(clause) and items and all(i.made is here for i in items):
        # “Sift the flour and matcha and whisk them in.”
        return t.results.last(lambda m: m is not here and not m.baked and not m.dry)
    if goes_in(clause) and items and all(i.made is here and i.share.all for i in items):
        # “Dissolve the coffee in the water and beat that in”: into the eggs that stand there.
        other = t.results.last(lambda m: m is not here and not m.baked and not m.dry)
        return other if other is not None and (other.airy or other.kind in {WarmStep, BoilStep}) else None
    if any(i.made is here for i in items):
        return None
    return here if goes_in(clause) or AGAIN.search(clause.after) or AGAIN.search(clause.ahead) else None


def with_pending(t: Tracker, items: list[Item]) -> tuple[list[Item], Made | None, str]:
    """Items behind those that wait, what these were put to, and the words of that."""
    held, into, words = t.release()
    return [*held, *items], into, words


def foam_or_here(t: Tracker) -> Made | None:
    """What something is folded into: the foam, not the butter that was melted last."""
    here = t.raw_here()
    if here is None or here.airy or not only_warmed(here):
        return here
    foam = t.results.last(lambda m: m.airy and not m.baked and m.part == here.part)
    return foam or here


def only_warmed(made: Made) -> bool:
    """Whether it is only fat, milk or chocolate that was melted or warmed."""
    fat = {ingredient(i).kind for i in made.raw_ids} <= {"fat", "dairy", "flavour", "liquid", "sugar", "chocolate"}
    return made.kind in {WarmStep, RestStep} and fat


def the_cake(t: Tracker) -> Made | None:
    """What came out of the oven last."""
    here = t.here
    if here is not None and here.baked:
        return here
    return t.results.last(lambda m: m.baked)


def worked_on(t: Tracker, items: list[Item]) -> Made | None:
    """What a verb without a new ingredient works on: what it names, else what was worked on last."""
    named = next((i.made for i in items if i.made is not None and not i.target), None)
    return named or t.here or t.results.last(lambda _: True)


def sugar_school(foam: Made, clause: Clause) -> None:
    """When the sugar goes in, where the clause says it."""
    if said.portions(clause.text) > 1:
        foam.fields["sugar"] = SugarSchool.THIRDS
    elif said.spoonwise(clause.text):
        foam.fields["sugar"] = SugarSchool.SPOONS


def set_peak(foam: Made, text: str) -> None:
    """The peak, where a stretch names one."""
    found = said.peak(text)
    if found is not None and foam.kind is WhipStep:
        foam.fields["peak"] = found


def more(t: Tracker, made: Made, items: list[Item]) -> None:
    """Something further into the same step: “… the yolks, then the vanilla”."""
    takes, uses = t.claim(without(items, made), [Item(0, made=made)])
    t.take_in(made, takes, uses)
    t.say(made)
