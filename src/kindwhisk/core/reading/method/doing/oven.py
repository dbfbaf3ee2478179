"""Bake, cool, turn over, turn out, rest, chill, and what the oven is set to."""

from __future__ import annotations

import re

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.bake import BakeStep
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.invert import InvertStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.turn_out import TurnOutStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.amounts import in_figures
from kindwhisk.core.reading.method import said
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing.common import INTO_A_TIN, the_cake, worked_on
from kindwhisk.core.reading.method.doing.filling import pour
from kindwhisk.core.reading.method.doing.finishing import hand
from kindwhisk.core.reading.method.doing.warming import HOTTEST_WARM_C, roasted, warm
from kindwhisk.core.reading.method.figures import temperatures
from kindwhisk.core.reading.method.items import without
from kindwhisk.core.reading.method.making import Made, Take, Use
from kindwhisk.core.reading.method.tracker import Tracker

COOLED = re.compile(
    r"(?<!when )(?<!once )(?<!when completely )(?<!once completely )(?<!\w)(?:cool\w*|cold|refroid\w*|raffredd\w*|nguội)(?!\w)|冷ま"
)


MORE = re.compile(r"(?<!\w)(?:another|more|further|encore|altri|ancora|thêm)(?!\w)")
FREED = re.compile(
    r"before (?:you )?(?:(?:runn?|slid|pass|loosen)\w* (?!and)[^.;,]{2,40} and )?(?:transfer|turn|remov|unmou?ld|releas|loosen|eas|lift|pris|tak)(?:r?ing|e)?(?!\w)|(?:avant de|pour) (?:le |la |les )?(?:démouler|décoller)|prima di sform"
)
"""A cake that is left to cool first and freed then."""
RING_OFF = re.compile(
    r"before (?:\w+ )?(?:remov|lift|tak|unmou?ld|releas|demou?ld)\w*(?: off)?(?: (?:the|from the|its) (?:ring|tin|mould|frame|sides))?"
)
"""“Chill for six hours before removing the ring.”"""
WHEN_COLD = re.compile(
    r"(?:when|once)(?: it is| it's)?(?: completely| quite| fully)? (?:cold|cool|cooled)(?!\w)|une fois froid|quand (?:il|elle) est froide?|quando è (?:\w+ )?fredd[oa]"
)
AFTER = re.compile(r"(?<!\w)(?:after|dopo|après|sau)(?!\w)")
"""“Turn out after five minutes”: so long it stands first."""
BARE_HEATS = (
    re.compile(r"^(?:bake )?(?:at )?(1[0-9]\d|2[0-3]\d) ?(?:/|for| (?=\d{1,2} ?min)) ?\d"),
    re.compile(r"^\d ?x ?\d{1,2} ?cm,? (?:at )?(1[3-9]\d|2[0-4]\d)(?!\d)"),
    re.compile(r"^(?:an? )?\d{2} ?cm [^\d,]{2,24}, ?(?:at )?(1[3-9]\d|2[0-4]\d)(?!\d)"),
    re.compile(r"(?:^|, )(1[3-9]\d|2[0-4]\d), ?\d{1,2}(?:-\d{1,2})? ?min"),
    re.compile(r"(?<!\w)deck(?: oven)?(?: at)? (\d{3})(?!\d)"),
    re.compile(r"(?<!\d)((?:1\d|2[0-4]|3[0-7])[05])(?= (?:\w+ )?for (?:about )?\d)"),
)
"""A heat without a unit: “170 / 30 min”, “deck 200”, “one seventy for twenty minutes”."""
UPSIDE = re.compile(r"upside[- ]down|inverted|hanging")


LEAST_OVEN_C = 60.0
COOL_MIN, LONG_REST_MIN = 20.0, 240.0


def bake(t: Tracker, clause: Clause) -> None:
    """Into the oven; what was not filled into anything is, as an assumption."""
    if _on_the_hob(t, clause):
        # “Cuocere a fuoco dolce”.
        warm(t, clause)
        return
    t.flush()
    here = t.here
    if here is not None and not here.baked and _only_fruit(here):
        # “Put the plums in a dish, trickle over the honey and bake.”
        roasted(t, clause, here.vessel, [], [t.use(here)])
        return
    if here is not None and here.kind is BakeStep:
        _further(here, t, clause)
        t.say(here)
        return
    raw = here if here is not None and not here.baked else None
    if raw is None or not (raw.of_kind({"egg", "flour", "nut"})):
        raw = t.results.last(lambda m: not m.baked and m.of_kind({"egg", "flour"}))
    if raw is None:
        return
    if not any(m.kind in {FillStep, PipeStep} for m in raw.upstream()):
        filled = t.make(FillStep, t.free("tin"), [], [t.use(raw)])
        if INTO_A_TIN.search(clause.text) is None:
            filled.assumed = "Something has to hold it in the oven."
        raw = filled
    made = t.make(BakeStep, raw.vessel, [], [t.use(raw)])
    _oven(made, t, clause)


def _on_the_hob(t: Tracker, clause: Clause) -> bool:
    """Whether “cuocere” is cooking: said to be on the hob, of a custard by its heat, of a curd until it thickens."""
    if said.on_the_hob(clause.text):
        return True
    raw = t.into if t.pending and t.into is not None else t.raw_here()
    if raw is not None and raw.kind in {FillStep, PipeStep}:
        return False
    celsius = said.degrees(clause.text)
    warm_only = celsius is not None and celsius <= HOTTEST_WARM_C
    if raw is not None and raw.of_kind({"egg"}) and not raw.floury and warm_only:
        return True
    if t.pending or _degrees(clause.text) is not None or not said.THICKENS.search(clause.text):
        return False
    kinds = {ingredient(i.mention.ingredient).kind for i in t.items(clause) if i.mention is not None}
    return bool(kinds & {"egg", "acid", "dairy", "fruit"})


def _only_fruit(made: Made) -> bool:
    """Whether it is fruit with what sweetens it, and nothing that rises."""
    kinds = {ingredient(i).kind for i in made.raw_ids}
    return "fruit" in kinds and kinds <= {"fruit", "sugar", "flavour", "liquid", "acid", "nut"} and made.kind is MixStep


def _further(made: Made, t: Tracker, clause: Clause) -> None:
    """More of the same bake: minutes are added where it says so, and another temperature is asked about."""
    before = dict(made.fields)
    _oven(made, t, clause)
    if MORE.search(clause.text) and before.get("minutes") and made.fields.get("minutes") != before["minutes"]:
        made.fields["minutes"] = float(before["minutes"]) + float(made.fields["minutes"])
    first, now = before.get("oven_c"), t.oven_c
    if first is not None:
        made.fields["oven_c"] = first
    if first is not None and now is not None and now != first:
        t.ask("oven", f"The oven is set to {now:.0f} °C on the way.", f"{first:.0f} °C from beginning to end")


def _degrees(text: str) -> float | None:
    """The oven's temperature (C) in a stretch, with or without a unit; times are not looked at."""
    text = in_figures(text)
    found = [f for f in temperatures(text) if f.low >= 60]
    if found:
        return found[0].low
    told = next((m for heat in BARE_HEATS if (m := heat.search(text))), None)
    if told is not None:
        return float(told[1])
    bare = said.degrees(re.sub(r"\d+(?:\s*-\s*\d+)? ?(?:min|h|分)\w*", "", text))
    return float(bare) if bare is not None and bare >= 80 else None


def _oven(made: Made, t: Tracker, clause: Clause) -> None:
    celsius = _degrees(clause.text)
    if celsius is not None:
        made.fields["oven_c"] = celsius
    elif t.oven_c is not None:
        made.fields.setdefault("oven_c", t.oven_c)
    span = said.length(re.sub(r"(?:turn|rotat)\w* .*", "", clause.text))
    if span is not None:
        made.fields["minutes"] = (span.low + span.high) / 2


def invert(t: Tracker, clause: Clause) -> None:
    """Upside down, and left to cool so where it says that too."""
    made = the_cake(t)
    if made is None:
        return
    hung = t.make(InvertStep, made.vessel, [], [t.use(made)])
    span = said.length(clause.after)
    if COOLED.search(clause.after) or (span is not None and span.high >= COOL_MIN):
        hung = t.make(CoolStep, hung.vessel, [], [t.use(hung)], inverted=True)
        if FREED.search(clause.text):
            t.make(TurnOutStep, "rack", [], [t.use(hung)])


def cool(t: Tracker, clause: Clause) -> None:
    """A cake down to the air; anything raw only left alone for a while."""
    t.flush()
    items = t.items(clause)
    made = worked_on(t, items)
    if made is None:
        return
    if not made.baked:
        if made.kind is WhipStep:
            t.say(made)
            return
        span = said.length(clause.text)
        c = said.degrees(clause.text)
        if made.kind is RestStep and made.said[-1] == t.sentence and span is None and c is None:
            # “Let the milk cool”.
            return
        sees = f"Down to {c:.0f} °C." if c is not None else "Cool enough to go on with."
        t.make(RestStep, made.vessel, [], [t.use(made)], minutes=span.high if span else COOL_MIN, sees=sees)
        return
    if made.kind is CoolStep:
        t.say(made)
        return
    if UPSIDE.search(clause.text) and made.kind is not InvertStep:
        made = t.make(InvertStep, made.vessel, [], [t.use(made)])
    freed = FREED.search(clause.text) is not None and not any(m.kind is PipeStep for m in made.upstream())
    if not freed and re.search(r"out of the (?:tin|pan|mould)", clause.text):
        made = t.make(TurnOutStep, "rack", [], [t.use(made)])
    vessel = "rack" if "rack" in clause.text and made.kind is not InvertStep and not freed else made.vessel
    cooled = t.make(CoolStep, vessel, [], [t.use(made)], inverted=made.kind is InvertStep)
    if freed:
        t.make(TurnOutStep, "rack", [], [t.use(cooled)])


TIPPED = re.compile(r"tip (?:it |this )?on(?:to)? ")


def turn_out(t: Tracker, clause: Clause) -> None:
    """Out of the tin; pieces are only lifted off."""
    raw = t.raw_here()
    if TIPPED.match(clause.text) and raw is not None and (raw.syrup or t.results.last(lambda m: m.baked) is None):
        # “Boil the syrup, tip onto the yolks.”
        pour(t, clause)
        return
    t.flush()
    made = the_cake(t) or t.results.last(lambda m: any(u.kind is FillStep for u in m.upstream()))
    if made is None:
        return
    cooled = any(m.kind is CoolStep for m in made.upstream())
    if not cooled and re.match(r"take (?:it|the cake) out(?! of)", clause.text):
        # “Take it out”: of the oven.
        t.say(made)
        return
    if made.kind is TurnOutStep or (made.kind is CoolStep and any(u.made.kind is TurnOutStep for u in made.uses)):
        t.say(made)
        return
    kinds = {m.kind for m in made.upstream()}
    if WHEN_COLD.search(clause.text) and CoolStep not in kinds:
        # “Unmould when cold.”
        made = t.make(CoolStep, made.vessel, [], [t.use(made)], inverted=made.kind is InvertStep)
    pieces = PipeStep in kinds and FillStep not in kinds
    span = said.length(clause.text) if AFTER.search(clause.text) else None
    if span is not None and made.kind is BakeStep:
        made = t.make(RestStep, made.vessel, [], [t.use(made)], minutes=span.low)
    if not pieces:
        made = t.make(TurnOutStep, "rack", [], [t.use(made)])
    if COOLED.search(clause.after) and made.kind is not CoolStep:
        t.make(CoolStep, "rack" if not pieces else made.vessel, [], [t.use(made)])


def rest(t: Tracker, clause: Clause) -> None:
    """Left alone: a skin forms, sugar soaks in, something sets."""
    span = said.length(clause.text)
    hot = said.degrees(clause.text)
    here = t.raw_here()
    if (
        hot is not None
        and hot >= LEAST_OVEN_C
        and here is not None
        and here.kind in {PipeStep, FillStep}
        and not t.pending
    ):
        # “Dry for 90 minutes at 100 °C.”
        bake(t, clause)
        return
    cake = the_cake(t)
    if UPSIDE.search(clause.text) and cake is not None and cake is t.here and cake.kind is not InvertStep:
        # “Rest it upside down for an hour.”
        invert(t, clause)
        return
    takes: list[Take] = []
    uses: list[Use] = []
    long = span is not None and span.low >= LONG_REST_MIN / 2
    if t.pending and long and t.into is not None and t.into.kind in {MixStep, WarmStep}:
        # “Add the butter and leave to set for two hours”: it is worked in first.
        t.flush()
    if t.pending:
        items, into, _ = t.release()
        takes, uses = t.claim(without(items, into))
        if into is not None:
            uses = [t.use(into), *uses]
    else:
        made = worked_on(t, t.items(clause))
        if made is None:
            return
        if span is None and not re.search(r"skin|set\b|dry|croût|until|till|firm|thicken|melts|absorb", clause.text):
            t.say(made)
            return
        if made.kind is RestStep and made.said[-1] == t.sentence and span is not None:
            # “Sprinkle the gelatine over the water and let stand 5 minutes.”
            made.fields["minutes"] = span.high
            t.say(made)
            return
        cools = span is None or span.high >= LONG_REST_MIN
        if made.kind is InvertStep or (
            made.kind is BakeStep and cools and (t.oven_off or OFF.search(clause.text) is not None)
        ):
            # What is left alone behind the oven cools.
            t.make(CoolStep, made.vessel, [], [t.use(made)], inverted=made.kind is InvertStep)
            return
        uses = [t.use(made)]
    if not takes and not uses:
        return
    minutes = (span.low if span.least else span.high) if span else COOL_MIN
    vessel = uses[0].made.vessel if uses else t.free("base-bowl")
    rested = t.make(RestStep, vessel, takes, uses, minutes=min(max(minutes, 0.5), 2880.0))
    if rested.baked and FREED.search(clause.text):
        t.make(TurnOutStep, "rack", [], [t.use(rested)])


def chill(t: Tracker, clause: Clause) -> None:
    """In the cold."""
    t.flush()
    made = worked_on(t, t.items(clause))
    if made is None:
        return
    span = said.length(clause.text)
    hours = ((span.low if span.least else span.high) / 60) if span else (1.0 if made.baked else 4.0)
    if re.search(r"\bto\b|\bor\b|-", clause.text) and span and not span.least:
        hours = span.low / 60
    if made.kind is ChillStep:
        t.say(made)
        return
    cold = t.make(ChillStep, made.vessel, [], [t.use(made)], hours=min(max(hours, 0.05), 96.0))
    if RING_OFF.search(clause.text):
        t.make(TurnOutStep, "rack", [], [t.use(cold)])


def preheat(t: Tracker, clause: Clause) -> None:
    """The oven's temperature; the product itself puts the pre-heating in."""
    celsius = _degrees(clause.text)
    if celsius is None:
        figure = re.search(r"(?<!\d)(\d{2,3})(?!\d|\s*(?:min|h\b|cm|mm))", clause.text)
        celsius = float(figure[1]) if figure and 80 <= int(figure[1]) <= 500 else None
    t.oven_c = celsius if celsius is not None else t.oven_c


def separate(t: Tracker, clause: Clause) -> None:
    """Eggs apart, those that are named or held ready."""
    held = [i for i in t.pending if i.mention is not None and i.mention.ingredient == "whole-egg"]
    t.pending = [i for i in t.pending if i not in held]
    for item in [*held, *t.items(Clause(clause.act, clause.text, (0, 0), clause.sentence))]:
        if (
            item.mention is not None
            and item.mention.share.grams
            and not t.stocks.matching("whole-egg")
            and not t.stocks.has_apart
        ):
            t.stocks.from_method(item.mention)
    if not t.stocks.has_apart:
        t.stocks.separate()
        if not t.stocks.has_apart and the_cake(t) is not None:
            # “Separate them”, of pieces.
            hand(t, clause)


OFF = re.compile(r"in the (?:\w+ )?oven(?!\w)|(?:turned|switched)[- ]off oven|four éteint|forno spento")


def prepare(t: Tracker, clause: Clause) -> None:
    """A tin is greased or lined: nothing is made, and what it is dusted with goes into it."""
    t.prepared = t.sentence
    nothing(t, clause)


def off(t: Tracker, clause: Clause) -> None:  # noqa: ARG001
    """Off the heat: what is added from now on is not warmed."""
    t.off_heat = t.raw_here()


def nothing(t: Tracker, clause: Clause) -> None:
    """Something that changes nothing; the oven may be off from now on."""
    if re.search(r"(?:turn|switch)|éteign|spent", clause.text):
        t.oven_off = True
    here = t.raw_here()
    again = re.match(r"repeat (?:.*(?:rest|remain|other half)|(?:once|twice|\d times|two more times))", clause.text)
    if here is not None and here.kind is FoldStep and again:
        # “Fold half of the flour in; repeat with the rest.”
        begun = next((u.made for u in here.uses if u.made.dry and u.made.open), None)
        if begun is not None:
            t.make(FoldStep, here.vessel, [], [t.use(here), t.use(begun)])
            return
        left = [x.stock for x in here.takes if not x.stock.gone]
        if left:
            t.make(FoldStep, here.vessel, [s.take(s.left, stated=True) for s in left], [t.use(here)])
