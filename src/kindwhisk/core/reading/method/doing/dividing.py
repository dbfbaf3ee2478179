"""Divide, layer, line a ring, knock."""

from __future__ import annotations

import re

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.joining import Joining
from kindwhisk.core.process.steps.knock import KnockStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.split import SplitStep
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing.common import FREE_STANDING, the_cake
from kindwhisk.core.reading.method.doing.filling import INTO_TIN, fill, pipe
from kindwhisk.core.reading.method.doing.finishing import hand, sandwich, top
from kindwhisk.core.reading.method.joined import JoinStep
from kindwhisk.core.reading.method.shares import Share, fraction_in
from kindwhisk.core.reading.method.tracker import Tracker

WEIGHED_OUT = re.compile(r"(?<!\w)\d ?[x×*] ?\d{2,4} ?g(?!\w)|\d{2,4} ?g (?:each|per|apiece)(?!\w)")
"""“Divide, 2 x 340 g”: into its tins."""


def layer(t: Tracker, clause: Clause) -> None:
    """Layers or pairs with what lies between them; what stands in a ring is filled up."""
    lined = any(m.open and m.fields.get("joining") is Joining.LINE for m in t.results.made)
    if lined or (t.in_ring is not None and t.in_ring.open and t.in_ring is the_cake(t)):
        raw = t.results.last(lambda m: not m.baked and not m.dry)
        if raw is not None and not any(i.mention is not None for i in t.items(clause)):
            t.flush()
            t.results.here = raw
            fill(t, clause)
            return
    sandwich(t, clause)


def line(t: Tracker, clause: Clause) -> None:
    """A ring lined with what was baked, or bought."""
    made = the_cake(t)
    if made is None:
        takes, uses = t.claim(
            [i for i in t.items(Clause(clause.act, clause.text, (0, 0), clause.sentence)) if i.mention]
        )
        bought = [k for k in takes if ingredient(k.ingredient).kind == "bought"]
        if bought:
            t.make(JoinStep, "ring", takes, uses, joining=Joining.LINE)
        return
    t.make(JoinStep, "ring", [], [t.use(made)], joining=Joining.LINE)


CUT = re.compile(r"^(?:i |we |when [^,]*)?cut(?!\w)")


def knock(t: Tracker, clause: Clause) -> None:
    """Bubbles out of a batter, steam out of a cake."""
    here = t.here
    if here is not None and CUT.search(clause.text) and any(m.kind is CoolStep for m in here.upstream()):
        # “Cut through once”, of a cake that is cold.
        hand(t, clause)
        return
    if here is None or not any(m.kind in {FillStep, PipeStep} for m in here.upstream()) or here.kind is KnockStep:
        return
    t.make(KnockStep, here.vessel, [], [t.use(here)])


def divide(t: Tracker, clause: Clause) -> None:
    """A batter is divided between tins, or into bowls of their own."""
    t.flush()
    here = t.raw_here()
    if INTO_TIN.search(clause.said) or (
        here is not None and here.airy and here.floury and WEIGHED_OUT.search(clause.said)
    ):
        fill(t, clause)
        return
    items = t.items(clause)
    laid = [i.mention for i in items if i.mention is not None]
    if t.here is not None and t.here.baked and laid and len(laid) == len(items):
        # “Répartissez les framboises”: on what was spread.
        top(t, clause)
        return
    made = next((i.made for i in items if i.made is not None), t.raw_here() or t.here)
    if made is not None and made.baked:
        # “When it is cold I split it.”
        hand(t, clause)
        return
    if made is None:
        return
    if made.meringue and FREE_STANDING.search(clause.said):
        pipe(t, clause)
        return
    part = fraction_in(clause.text) or 0.5
    split = t.make(SplitStep, t.free("base-bowl"), [], [t.use(made, Share(fraction=part))])
    split.names |= {"half", "part"}
