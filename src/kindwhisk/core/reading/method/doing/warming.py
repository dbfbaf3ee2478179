"""Melt, warm, boil, steep, and let gelatine swell."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import replace

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.base import WHITES, YOLKY
from kindwhisk.core.process.steps.boil import HOTTEST_SYRUP_C, BoilStep
from kindwhisk.core.process.steps.hand import HandStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method import said
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing.common import target, with_pending
from kindwhisk.core.reading.method.implied import OVER_WATER
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.making import Made, Stock, Take, Use
from kindwhisk.core.reading.method.shares import ALL
from kindwhisk.core.reading.method.tracker import Tracker

TOGETHER = re.compile(r"合わせ|(?<!\w)(?:[Cc]ombine|[Mm]ix|[Ss]tir|[Uu]nite|[Rr]éuni\w+)(?!\w)")


DISSOLVES = re.compile(r"(?<!\w)dissolve .*\bin (?:it|the|this|an?|\d+ ?(?:g|ml)?(?: of the)?)(?!\w)")
SYRUP_AT_LEAST_C, HOTTEST_WARM_C = 101.0, 94.0


SWELLS_MIN = 10.0
ROAST_S = 600.0
"""How long nuts and fruit are roasted where nothing is said. Trade habit."""


COOKED_WITH = re.compile(r"(?: à l'anglaise| à la nappe)? (?:with|avec|con) (?:the|les?|l'|i|gli|lo|la) ?")
"""“Cook with the yolks and the sugar to 83 °C”: what stands there."""


def melt(t: Tracker, clause: Clause) -> None:
    """Melt: fat and chocolate warmed; gelatine dissolved in what is warm."""
    if t.into is not None or any(i.made is not None for i in t.pending) or (t.pending and "gelatine" in clause.text):
        t.flush()
    items = t.items(clause)
    base = target(items) or (
        next((m for m in [t.raw_here()] if m and re.search(r"\bin (?:the|it)\b|-y\b", clause.text)), None)
    )
    soaked = [i for i in items if i.made is not None and "gelatine" in i.made.ids]
    here = t.raw_here()
    if base is None and soaked and here is not None and here.kind is WarmStep and here.said[-1] == t.sentence:
        # 牛乳を温めてゼラチンを溶かす: in it.
        base = here
    held = [i for i in items if i.made is not None and "gelatine" not in i.made.ids]
    if soaked and (held or base is not None):
        into = held[0].made if held else base
        t.bring_together(soaked, into, clause.text)
        return
    if base is None and items and _dissolve(items):
        # “Sciogliere il cacao nell'acqua calda”: nothing is heated.
        t.hold([replace(i, target=False) for i in items], None, clause.text)
        t.flush()
        return
    warm(t, clause, items)


def _dissolve(items: list[Item]) -> bool:
    """Whether they are a flavour and what it dissolves in: “the coffee in a little hot cream”."""
    kinds = [ingredient(i.mention.ingredient).kind if i.mention is not None else "" for i in items]
    return set(kinds) <= {"liquid", "flavour", "dairy"} and "flavour" in kinds and len(kinds) > 1


def roast(t: Tracker, clause: Clause) -> None:
    """Nuts that are roasted before they go anywhere."""
    t.flush()
    items = t.items(clause)
    if not items or any(i.mention is None or ingredient(i.mention.ingredient).kind != "nut" for i in items):
        warm(t, clause)
        return
    takes, _ = t.claim(items)
    if takes:
        roasted(t, clause, t.free("tray"), takes, [])


def roasted(t: Tracker, clause: Clause, vessel: str, takes: Sequence[Take], uses: Sequence[Use]) -> None:
    """Nuts or fruit in the oven by themselves, as long as it says; else for a usual time, which is asked about."""
    span = said.length(clause.text)
    if span is None:
        t.ask("time", "How long it roasts is not said.", f"{ROAST_S / 60:.0f} min")
    seconds = span.high * 60 if span else ROAST_S
    t.make(HandStep, vessel, takes, uses, does=clause.text[:240], seconds=seconds)


def _warmed_so(t: Tracker, clause: Clause, here: Made) -> bool:
    """“Put together and melt”, “whisk the eggs warm to 40 °C, then till thick”: what was begun is warmed, as one thing."""
    now = here.said[-1] == t.sentence
    over = said.over_water(clause.text)
    whisked = here.kind is WhipStep and now and here.of_kind({"egg"}) and said.degrees(clause.text) is not None
    mixed = here.kind is MixStep and (
        (now and TOGETHER.search(t.sentence_text) is not None)
        or (here.of_kind({"egg"}) and over and here.said[-1] >= t.sentence - 1)
    )
    if here.uses or not (whisked or mixed):
        return False
    here.kind, here.vessel = WarmStep, t.free("heat-bowl") if over or whisked else "pot"
    here.fields = {"target_c": warmth(clause.text, set(here.raw_ids)), "over_water": over or whisked}
    return True


def warm(t: Tracker, clause: Clause, items: list[Item] | None = None) -> None:
    """On the hob or over water, to a temperature below the boil."""
    own = t.items(clause) if items is None else items
    here = t.raw_here()
    melts = any("gelatine" in (i.made.ids if i.made else {i.mention.ingredient if i.mention else ""}) for i in own)
    if melts and here is not None and not here.ids & {"gelatine"} and items is None:
        t.flush()
        t.bring_together([i for i in own if i.made is not here], here, clause.text)
        return
    if DISSOLVES.search(clause.text) and own and items is None:
        # “Bring to the boil, dissolve the coffee in it”; “… in a spoonful of the cream”.
        t.flush()
        wet = any(i.mention is not None and ingredient(i.mention.ingredient).kind == "liquid" for i in own)
        into = here if here is not None and here.kind in {BoilStep, WarmStep} and not wet else None
        t.bring_together(without(own, into), into, clause.text)
        return
    if t.into is not None and (any(i.made is not None for i in t.pending) or (own and t.held_in != t.sentence)):
        t.flush()
    itself = all(i.made is here and i.share.all for i in own)
    if itself and not t.pending and here is not None and _warmed_so(t, clause, here):
        return
    held, into, words = with_pending(t, own)
    words = f"{words} {clause.text}"
    if into is None and (not held or COOKED_WITH.match(clause.after)):
        into = t.raw_here()
    if into is not None and not any(i.made is into for i in held):
        held = [Item(0, made=into), *held]
    if not held:
        return
    only = held[0].made if len(held) == 1 else None
    takes, uses = t.claim(held)
    if not takes and not uses:
        return
    if only is not None and only.kind is WarmStep:
        uses[0].made.left = 1.0
        if said.FLUID.search(words) or said.THICKENS.search(words):
            # “Return to the pan and boil for a minute.”
            only.fields["target_c"] = max(only.fields.get("target_c", 0.0), warmth(words, set(only.raw_ids)))
        t.say(only)
        return
    ids = {x.ingredient for x in takes} | {i for u in uses for i in u.made.raw_ids}
    found = said.degrees(clause.text)
    if found is not None and found > SYRUP_AT_LEAST_C and ids <= {"water", "sugar", "glucose"} and "sugar" in ids:
        # “Cook the sugar and water to 120 °C.”
        t.make(BoilStep, t.free("syrup-pot"), takes, uses, target_c=min(found, HOTTEST_SYRUP_C))
        return
    dairy = any(ingredient(i).kind == "dairy" for i in ids)
    over = said.over_water(words) or (bool(ids & (WHITES | YOLKY)) and not dairy)
    t.make(WarmStep, t.free("heat-bowl" if over else "pot"), takes, uses, target_c=warmth(words, ids), over_water=over)


def warmth(words: str, ids: set[str]) -> float:
    """How warm (C) it is made: as the words say, else as is usual for what is in it."""
    found = said.degrees(words)
    if found is not None and 20 < found < 95:
        return found
    words = OVER_WATER.sub(" ", words)
    kinds = {ingredient(i).kind for i in ids}
    if (
        said.THICKENS.search(words)
        and ids & {"egg-yolk", "whole-egg"}
        and not ids & {"corn-starch", "plain-flour", "custard-powder"}
    ):
        return 82.0
    if said.THICKENS.search(words) or said.FLUID.search(words):
        return HOTTEST_WARM_C - 2
    if "chocolate" in kinds:
        return 55.0 if kinds & {"egg"} else 45.0
    if ids & WHITES and not ids & YOLKY:
        return 55.0
    return 42.0 if kinds & {"egg"} else 50.0 if kinds & {"fat"} else 70.0


def boil(t: Tracker, clause: Clause) -> None:
    """To the boil: a syrup where it is sugar and water, else only hot."""
    own = t.items(clause)
    ids = {i.mention.ingredient for i in own if i.mention is not None} | {
        x for i in own if i.made for x in i.made.raw_ids
    }
    sugar = any(ingredient(i).kind == "sugar" for i in ids)
    other = {ingredient(i).kind for i in ids} & {"dairy", "egg", "flour", "chocolate", "fat", "fruit"}
    if not own and t.pending:
        ids |= {i.mention.ingredient for i in t.pending if i.mention is not None}
        sugar = any(ingredient(i).kind == "sugar" for i in ids)
        other = {ingredient(i).kind for i in ids} & {"dairy", "egg", "flour", "chocolate"}
    here = t.raw_here()
    if not own and not t.pending and here is not None and here.kind is MixStep and not here.uses:
        sweet = {ingredient(i).kind for i in here.raw_ids} <= {"sugar", "liquid"} and here.of_kind({"sugar"})
        if sweet and here.said[-1] == t.sentence:
            # “Dissolve the sugar in the water, bring to the boil”: one thing.
            here.kind, here.vessel, here.fields = BoilStep, t.free("syrup-pot"), {"target_c": SYRUP_AT_LEAST_C}
            t.say(here)
            return
    if not sugar or other:
        warm(t, Clause(clause.act, clause.text + " boil", clause.verb, clause.sentence), own)
        return
    if own or t.into is not None:
        t.flush()
    else:
        own, _, _ = t.release()
    takes, uses = t.claim(own)
    if not takes and not uses:
        return
    found = said.degrees(clause.text)
    if found is not None and found > 180:
        # 245 of a syrup can only be Fahrenheit.
        found = round((found - 32) / 1.8)
    target = found if found is not None and SYRUP_AT_LEAST_C <= found <= HOTTEST_SYRUP_C else SYRUP_AT_LEAST_C
    if not any(ingredient(i).kind == "liquid" for i in ids):
        t.stocks.unmet.setdefault("water", t.sentence)
    t.make(BoilStep, t.free("syrup-pot"), takes, uses, target_c=target)


def bloom(t: Tracker, clause: Clause) -> None:
    """Gelatine swells in water of its own, which is not the recipe's."""
    t.flush()
    items = [
        i for i in t.items(_whole(clause)) if i.mention is None or i.mention.ingredient != "water" or i.share.grams
    ]
    gelatine = [i for i in items if i.mention is not None and i.mention.ingredient.startswith("gelatine")]
    takes, uses = t.claim(gelatine or items)
    takes += [took for w in _its_water(t, takes) if (took := t.stocks.take(w, ALL)) is not None]
    if takes or uses:
        span = said.length(clause.text)
        made = t.make(
            RestStep, t.free("jug"), takes, uses, minutes=span.high if span else SWELLS_MIN, sees="Swollen and soft."
        )
        made.names.add("gelatine")


def _its_water(t: Tracker, takes: list[Take]) -> list[Stock]:
    """The water that the list gives beside gelatine, to swell in."""
    lines = {k.stock.line for k in takes if k.ingredient.startswith("gelatine")}
    return [s for s in t.stocks.rows if s.ingredient == "water" and not s.gone and s.line - 1 in lines]


def _whole(clause: Clause) -> Clause:
    """The clause with its verb among its words: “soak the gelatine” names the gelatine within the verb."""
    return Clause(clause.act, clause.text, (0, 0), clause.sentence, clause.follows)


def steep(t: Tracker, clause: Clause) -> None:
    """Something gives its taste to what is warm."""
    items, into, _ = with_pending(t, t.items(clause))
    # “Infuse the tea in the melted butter”: not in what was made last.
    apart = len(items) > 1 and all(i.made is None for i in items) and into is None
    base = None if apart else into or t.raw_here()
    takes, uses = t.claim(without(items, base))
    if base is not None and base.open:
        uses = [t.use(base), *uses]
    if takes or uses:
        span = said.length(clause.text)
        t.make(
            RestStep,
            uses[0].made.vessel if uses else t.free("pot"),
            takes,
            uses,
            minutes=span.high if span else SWELLS_MIN,
        )
