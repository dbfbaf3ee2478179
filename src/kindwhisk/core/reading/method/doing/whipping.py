"""Beat, whisk, whip, and a hot syrup into a running foam."""

from __future__ import annotations

import re

from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.base import WHITES, YOLKY
from kindwhisk.core.process.steps.boil import HOTTEST_SYRUP_C, BoilStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method import said
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing.common import (
    CREAMS,
    base_of,
    goes_in,
    more,
    set_peak,
    sugar_school,
    target,
    with_pending,
)
from kindwhisk.core.reading.method.doing.warming import HOTTEST_WARM_C, warmth
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.making import Made, Take, Use
from kindwhisk.core.reading.method.tracker import Tracker
from kindwhisk.core.reading.plain import plain

LEAN = 0.12
"""With no more than this share of flour, fat or liquid, eggs are whipped; with more they are only mixed. Trade habit."""
CURD_C = 82.0
"""How hot yolks are when they thicken without a starch. Published for custards; trade habit for curds."""
CREAMED_S = 240.0
"""How long butter and sugar are beaten. Trade habit."""
CHANTILLY = re.compile(r"chantilly|泡立て|ホイップ|đánh bông|(?<!\w)(?:whip|soft peaks|montez|monta(?:te|re)?)(?!\w)")
"""What cream with chocolate in it becomes, once it is cold."""
COLD_OR_FOAM = re.compile(
    rf"{said.FOAM.pattern}|(?<!\w)(?:cold|cool|refroidi\w*|froid|fredd\w*|raffredda\w*|nguội|grande vitesse|alta velocità|massima velocità|tốc độ cao)(?!\w)|冷め|高速"
)
WITH = re.compile(r"(?: au fouet| au batteur| con le fruste)? (?:with|avec|con)(?!\w)")
SPEED = re.compile(r"(?:on |at )?(?:top|high|full|medium|low|first|second|third|max)(?: speed)?(?!\w)")
FOAMY = re.compile(r"(?<!\w)(?:on high|high speed|highest|full speed|foamy|frothy|thick|pale|fluffy)(?!\w)")
THICKENED = re.compile(r"(?<!\w)(?:pale and thick|thick and pale|tripled|ribbon|volume)(?!\w)")
"""What eggs with ground nuts and flour look like once they are whipped all the same."""


def whites_only(takes: list[Take], uses: list[Use]) -> bool:
    """Whether whites are in it, and no yolk."""
    ids = {t.ingredient for t in takes} | {i for u in uses for i in u.made.ids}
    return bool(ids & WHITES) and not ids & YOLKY


def foams(takes: list[Take], uses: list[Use], words: str) -> bool:
    """Whether beating these makes a foam, by what they are and what is said of how they should look."""
    ids = {t.ingredient for t in takes} | {i for u in uses for i in u.made.raw_ids}
    kinds = {ingredient(i).kind for i in ids}
    if "white-dried" in ids and not uses:
        return bool(said.FOAM.search(words))
    if whites_only(takes, uses):
        return not kinds & {"flour", "nut", "fat"} and not ids & {"icing-sugar", "almond-flour"}
    grams = {i: sum(x.grams for x in takes if x.ingredient == i) for i in {x.ingredient for x in takes}}
    heavy = sum(g for i, g in grams.items() if ingredient(i).kind in {"flour", "fat", "liquid", "chocolate"})
    lean = heavy <= LEAN * sum(grams.values()) and not any(u.made.of_kind({"flour", "fat", "chocolate"}) for u in uses)
    if (
        uses
        and not takes
        and kinds <= {"dairy", "chocolate", "flavour", "nut"}
        and ids & CREAMS
        and CHANTILLY.search(words)
    ):
        return True
    if ids & {"egg-yolk", "whole-egg", "yolk-pasteurised"}:
        thickened = (
            "whole-egg" in ids and not kinds & {"fat", "liquid", "dairy", "chocolate"} and THICKENED.search(words)
        )
        watery = (
            ("whole-egg" in ids or kinds <= {"egg", "liquid", "sugar"})
            and not kinds & {"flour", "fat", "chocolate"}
            and bool(FOAMY.search(words))
        )
        if kinds & {"dairy"} or (not lean and not thickened and not watery):
            return False
        return bool(said.FOAM.search(words)) or "whole-egg" in ids
    cream = sum(x.grams for x in takes if x.ingredient in CREAMS)
    if cream and CHANTILLY.search(words) and not kinds & {"flour", "egg", "fat"}:
        # “Whisk the mascarpone and the cream to a chantilly.”
        return True
    return (
        bool(ids)
        and (cream > (0.25 if said.FOAM.search(words) else 0.4) * sum(grams.values()) or not takes)
        and bool(kinds & {"dairy"})
        and not kinds & {"flour", "chocolate", "egg", "fat"}
        and bool(ids & CREAMS)
    )


def beat(t: Tracker, clause: Clause, named: list[Item] | None = None) -> None:
    """Beat or whisk: a foam, something warmed over water, or only a mixture."""
    own = t.items(clause) if named is None else named
    apart = bool(t.pending and own and not goes_in(clause) and target(own) is None and t.into is not None)
    if apart:
        # What was put together before is worked in first, and this begins something else.
        t.flush()
    words = f"{t.pending_words} {clause.text}"
    base = base_of(t, clause, own)
    held_into = t.into if t.pending and not own else None
    items, into, _ = with_pending(t, own)
    # “Scoop a third into the batter and whisk it in”: into the batter.
    base, here = held_into or base or into, t.raw_here()
    if (
        base is None
        and here is not None
        and here.kind is WhipStep
        and len(items) > 1
        and any(i.made is here for i in items)
    ):
        # “Tighten them with the rest of the sugar”.
        base = here
    creamy = here is not None and here.of_kind({"dairy"}) and here.kind is MixStep and not here.ids & (WHITES | YOLKY)
    if base is None and creamy and t.sweetens(items) and clause.after.lstrip().startswith("with "):
        # “Add the coffee, whip with the sugar”.
        base = here
    if base is None and here is not None and here.kind is WhipStep and here.white_foam and t.sweetens(items):
        # “Whip the whites, tighten with the sugar”.
        base = here
    rest = bool(items) and all(i.mention is not None and i.share.rest for i in items)
    if base is None and here is not None and rest and WITH.match(clause.after):
        # “Whisk with the rest of the butter”: what stands there.
        base = here
    whites = any(i.mention is not None and i.mention.ingredient in WHITES for i in items)
    goes_on = clause.guessed and here is not None and here.kind is WhipStep and here.said[-1] == t.sentence
    yolks = any(i.mention is not None and i.mention.ingredient in YOLKY for i in items)
    apart = apart or (here is not None and bool((whites and here.ids & YOLKY) or (yolks and here.white_foam)))
    if base is None and goes_on and not apart:
        # “Whisk the whites …, then the sugar”.
        base = here
    if not items or (base is None and here is not None and [i.made for i in items] == [here]):
        _go_on(t, clause, here, warmed=said.over_water(words))
    elif clause.guessed and here is not None and here.kind is MixStep and here.said[-1] == t.sentence and not apart:
        more(t, here, items)
    elif base is not None:
        _into(t, clause, base, items, words)
    else:
        _anew(t, clause, items, words)


def _into(t: Tracker, clause: Clause, base: Made, items: list[Item], words: str) -> None:
    """Something is beaten into what stands there."""
    others = without(items, base)
    late = base.of_kind({"sugar"}) and not any(
        i.mention and ingredient(i.mention.ingredient).kind == "sugar" for i in others
    )
    if base.kind is WhipStep and t.sweetens(others) and not late:
        takes, uses = t.claim(others, [Item(0, made=base)])
        t.take_in(base, takes, uses)
        sugar_school(base, clause)
        set_peak(base, words)
        t.say(base)
        return
    if _sharpened(base, others) and (base is t.off_heat or COLD_OR_FOAM.search(words)):
        # “Off the heat add the essence and whisk until cold.”
        takes, uses = t.claim(others)
        whip_foam(t, takes, [t.use(base), *uses], clause, words)
        return
    syrup = next((i.made for i in others if i.made is not None and i.made.syrup), None)
    foam: Made | None = base
    if base.syrup:
        syrup, foam = base, next((i.made for i in others if i.made is not None), None)
    if syrup is not None and foam is not None and foam.kind is WhipStep:
        stream(t, foam, syrup, clause)
        return
    fat = any(i.mention is not None and ingredient(i.mention.ingredient).kind == "fat" for i in others)
    if fat or _whips_on(base, others, words):
        takes, uses = t.claim(others)
        uses = [t.use(base), *uses]
        if fat:
            t.make(MixStep, base.vessel, takes, uses, seconds=CREAMED_S)
        else:
            whip_foam(t, takes, uses, clause, words)
        return
    t.bring_together(items, base, words)


def _anew(t: Tracker, clause: Clause, items: list[Item], words: str) -> None:
    """Something is begun in a vessel of its own."""
    takes, uses = t.claim(items)
    if not takes and not uses:
        return
    if said.on_the_hob(clause.text) and "return" not in clause.text:
        takes_all = {x.ingredient for x in takes}
        t.make(WarmStep, t.free("pot"), takes, uses, target_c=warmth(words, takes_all), over_water=False)
        return
    if said.over_water(words):
        t.make(WarmStep, t.free("heat-bowl"), takes, uses, target_c=_egg_warmth(words, takes, uses), over_water=True)
    elif foams(takes, uses, words):
        whip_foam(t, takes, uses, clause, words)
    elif any(u.made.airy for u in uses):
        t.fold(takes, uses, words)
    else:
        creamed = any(ingredient(x.ingredient).kind == "fat" for x in takes) and not uses
        extra = {"seconds": CREAMED_S, "overrun": 0.25} if creamed else {"overrun": 0.06}
        t.make(MixStep, t.mixing_bowl(takes, uses), takes, uses, **extra)


def _whips_on(base: Made, items: list[Item], words: str) -> bool:
    """Whether cream that is added is whipped with what stands there."""
    cream = any(i.mention is not None and i.mention.ingredient.startswith("cream-") for i in items) or bool(
        base.raw_ids & CREAMS
    )
    return cream and bool(said.FOAM.search(words)) and not base.floury and not base.ids & (WHITES | YOLKY)


def _egg_warmth(words: str, takes: list[Take], uses: list[Use]) -> float:
    found = said.degrees(words)
    sour = any(ingredient(x.ingredient).kind in {"acid", "fruit"} or x.ingredient.endswith("-juice") for x in takes)
    if found is None and sour and said.THICKENS.search(words):
        # A curd: “whisk the yolks with the juice over simmering water until thick”.
        return CURD_C
    usual = 55.0 if whites_only(takes, uses) else 42.0
    return found if found is not None and 25 <= found < 95 else usual


def _go_on(t: Tracker, clause: Clause, here: Made | None, *, warmed: bool) -> None:
    """A verb without anything new: the same content further on."""
    if here is None:
        return
    words = clause.text
    if here.kind is WhipStep or here.kind is StreamStep:
        set_peak(here, words)
        if here.kind is StreamStep and (c := said.degrees(words)) is not None and 20 <= c <= 70:
            here.fields["until_c"] = c
        t.say(here)
        return
    c = said.degrees(words)
    same = here.kind is WarmStep and here.said[-1] == t.sentence and not said.FOAM.search(words)
    if same and c is not None and c <= HOTTEST_WARM_C:
        # “Over the bath and whisk to 45 °C”.
        here.fields["target_c"] = c
        t.say(here)
        return
    if (here.kind is WarmStep and warmed) or _together(t, here, words):
        t.say(here)
        return
    ids = here.ids
    foamed = foams([], [Use(here)], words)
    if here.kind is WarmStep and ids & (WHITES | YOLKY) and not here.of_kind({"flour", "dairy"}):
        foamed = True
    streamed = any(m.kind is StreamStep for m in here.upstream())
    if foamed or (streamed and re.search(r"cool|cold|thick", words)):
        whip_foam(t, [], [t.use(here)], clause, words)
        return
    if clause.said and here.kind in {MixStep, FoldStep}:
        t.say(here)


def _together(t: Tracker, here: Made, words: str) -> bool:
    """“Combine yolks and sugar and whisk until pale”: one thing, which is a foam."""
    now = here.said[-1] == t.sentence or here.loose
    if here.kind is not MixStep or here.uses or not now or not foams(here.takes, [], words):
        return False
    here.kind, here.vessel = WhipStep, t.free("mixer-bowl")
    here.fields = {"peak": said.peak(words) or Peak.MEDIUM, "speed": 8, "slow_finish": True}
    return True


def go_on(t: Tracker, sentence: str) -> None:
    """A sentence that only says how long or until when: of what was worked on last."""
    here = t.here
    if here is None:
        return
    if (
        here.kind is WarmStep
        and here.of_kind({"egg"})
        and not here.of_kind({"flour", "dairy"})
        and SPEED.match(plain(sentence))
    ):
        # “Eggs, sugar 40 °C. High 4 min, low 3 min.”
        whip(t, Clause(Act.WHIP, plain(sentence), (0, 0), t.sentence))
        return
    set_peak(here, sentence.lower())
    t.say(here)


def looks_like(t: Tracker, sentence: str) -> list[Act]:
    """A sentence without a verb tells what eggs should look like: those that were only put together are whipped."""
    named = {i.mention.ingredient for i in t.pending if i.mention is not None}
    if t.into is None and named & (WHITES | YOLKY | {"whole-egg"}):
        whip(t, Clause(Act.WHIP, sentence.lower(), (0, 0), t.sentence))
        return [Act.WHIP]
    if not t.pending and t.here is not None and t.here.kind is WhipStep:
        go_on(t, sentence)
        return [Act.NOTHING]
    return []


def whip_foam(t: Tracker, takes: list[Take], uses: list[Use], clause: Clause, words: str) -> Made:
    """A foam in the mixer; cream, or what finds the mixer's bowl full, by hand mixer."""
    ids = {x.ingredient for x in takes} | {i for u in uses for i in u.made.raw_ids}
    creamy = not ids & (WHITES | YOLKY)
    vessel = t.free("cream-bowl" if creamy else "mixer-bowl")
    fields: dict[str, object] = {"peak": said.peak(words) or (Peak.SOFT if creamy else Peak.MEDIUM)}
    if vessel != "mixer-bowl":
        fields["tool"] = "hand mixer"
    if not ids & WHITES and not creamy:
        fields |= {"speed": 8, "slow_finish": True}
    made = t.make(WhipStep, vessel, takes, uses, **fields)
    sugar_school(made, clause)
    return made


def _sharpened(here: Made, own: list[Item]) -> bool:
    """Whether only a little acid, salt or flavour is named beside warmed eggs."""
    small = all(
        i.mention is not None and not i.target and ingredient(i.mention.ingredient).kind in {"acid", "salt", "flavour"}
        for i in own
    )
    return bool(own) and small and here.kind is WarmStep and here.of_kind({"egg"}) and not here.of_kind({"flour"})


def whip(t: Tracker, clause: Clause) -> None:
    """Whip: like beating, but always to a foam where one can come of it."""
    here = t.raw_here()
    own = t.items(clause)
    if any(i.mention is not None and ingredient(i.mention.ingredient).kind == "egg" for i in own):
        # “When the syrup is at 112 °C, start the whites”: it only says when.
        own = [i for i in own if i.made is None or not i.made.syrup or i.start >= clause.verb[0]]
    if here is not None and _sharpened(here, own) and not t.pending:
        # “Warm the whites and sugar … whip with the lemon juice”.
        _go_on(t, clause, here, warmed=False)
        takes, _ = t.claim(own)
        if t.results.here is not None:
            t.take_in(t.results.here, takes, [])
        return
    if own or t.pending or here is None:
        whipped = Clause(clause.act, clause.text + " volume", *clause[2:])
        beat(t, whipped, own)
        return
    if here.kind is WhipStep and not re.search(r"\bcool|cold\b", clause.text):
        _go_on(t, clause, here, warmed=False)
    elif here.kind is StreamStep or not here.of_kind({"flour"}):
        _go_on(t, Clause(clause.act, clause.text + " volume", clause.verb, clause.sentence), here, warmed=False)


def stream(t: Tracker, foam: Made, syrup: Made, clause: Clause) -> None:
    """Hot syrup into a running foam."""
    found = said.degrees(clause.text)
    if syrup.kind is BoilStep and found is not None and found > float(syrup.fields.get("target_c", 0)):
        # “At 118 °C pour the syrup …”: so far it is boiled.
        syrup.fields["target_c"] = min(found, HOTTEST_SYRUP_C)
    until = found if found is not None and 20 <= found <= 70 else 40.0
    t.make(StreamStep, foam.vessel, [], [t.use(foam), t.use(syrup)], until_c=until)
