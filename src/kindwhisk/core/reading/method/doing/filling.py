"""Pour, fill, spread and pipe."""

from __future__ import annotations

import re

from kindwhisk.core.process.steps.base import WHITES, YOLKY
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.joining import Joining
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.stream import StreamStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing.adding import add
from kindwhisk.core.reading.method.doing.common import FREE_STANDING, foam_or_here, goes_in, the_cake
from kindwhisk.core.reading.method.doing.finishing import cover, join, sandwich, soak, top
from kindwhisk.core.reading.method.doing.folding import back
from kindwhisk.core.reading.method.doing.whipping import stream, whip_foam
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.references import RESERVED
from kindwhisk.core.reading.method.shares import ALL
from kindwhisk.core.reading.method.tracker import Tracker

INTO_TIN = re.compile(
    r"(?<!\w)(?:tins?|pans?(?! of)|trays?|moulds?|molds?|sheets?|springform|rings?|glasses|dish(?:es)?|ramekins|ramequins|half[- ]spheres?|hemispheres?|demi-sphères?|semisfere|frames?|cadre|domes?|cases|liners|cups|verrines|bicchier\w*|coppett\w*|moules?|plaques?|cercles?|stamp[oi]|stampin[oi]|teglie?|tortier[ae]|pirottin[oi]|verrine|coppe|anell[oi]|"
    r"khuôn|khay|cốc|ly|hũ|paper|parchment|carta forno)(?!\w)|天板|型|カップ|セルクル|ココット|グラス"
)
MOULDED = re.compile(
    r"(?<!\w)in(?:to)? (?:the |a |an )?(?:[\w-]+ ){0,4}(?:moulds?|molds?|rings?|glasses|verrines|ramekins|tins?)(?!\w)|"
    r"(?<!\w)(?:dans|in) (?:[\w']+ ){0,3}(?:anell[oi]|stamp[oi]|cercles?|moules?)(?!\w)"
)
"""“Pipe into half-sphere moulds”: what holds it gives it its shape."""
PART_OF = re.compile(
    r"(?:thirds?|half|quarters?|moitié|tiers|metà|terzi) (?:of|de|du|della?|del|dell') ?(?!the way|la hauteur)"
)
FREE_WORD = re.compile(
    r"(?<!\w)(?:inside|within|over|onto|on|between) (?:them|the (?:marked |drawn )?(?:circles?|discs?|rounds?|outlines?))(?!\w)(?! tin)|(?<!\w)(?:in|into) (?:two|three) (?:[\w-]+ ){0,4}(?:rounds|circles|discs|rings)(?!\w)(?! tin)|(?<!\w)(?:in|into) an? (?:ring|circle|wreath|round)(?!\w)|(?<!\w)(?:blobs|heaps|mounds|dollops|spoonfuls|kisses|nests|swirls)(?!\w)"
)
"""A meringue that is spooned “in a ring” has none around it."""
SMALL_ROUNDS = re.compile(
    r"(?<!\w)(?:(?:small|little|walnut-sized|\d ?cm) )?(?:rounds|heaps|mounds|blobs|dollops|spoonfuls|teaspoonfuls|drops|fingers|kisses)(?!\w)"
)
"""“Spoon small rounds onto papered trays.”"""
HIGH = re.compile(r"(?<!\w)from (?:up )?(?:high(?: up)?|a height|above|\d+ ?cm)(?!\w)|高い(?:位置|ところ)から")
PIPE_IN = re.compile(r"(?:pipe|spoon|ladle) in(?!to)(?!\w)")
ON_IT = re.compile(r"(?<!\w)(?:over|onto|on top of|on|sur|sul|sulla|sopra) (?:the|la|le|il|lo|l'|it)(?!\w)")
RINGED = re.compile(
    r"(?<!\w)(?:in(?:to)?|dans|in) (?:an?|the|two|three|four|une?|des|deux|due|[2-9]) (?:[\w.,]+ ?(?:cm|inch) )(?:\w+ )?(?:rings|frames?|cercles?|anell[oi])(?!\w)|(?<!\w)into (?:two|three|four|[2-9]) (?:\d+ ?cm )?rings(?!\w)|(?<!\w)(?:in|into) (?:a |the )?frame(?!\w)"
)
"""Rings of a size, of metal: a meringue that is spread in them keeps their shape."""
SHEET = re.compile(r"trays?|sheets?|paper|parchment|teglia|teglie|plaques?|mats?")
FREE_SHAPE = re.compile(FREE_WORD.pattern.replace("an? ", r"an? (?:\d+ ?cm )?", 1))
"""And so of “a 20 cm round”, which anything else is poured into."""
PIECE_MM = re.compile(r"(\d{1,2}(?:[.,]\d)?)\s*-?\s*(cm|mm|inch|in\b|センチ)")


def pour(t: Tracker, clause: Clause) -> None:
    """Into a tin, over a cake, a syrup into a foam, or to what stands there."""
    if (re.match(r"back ", clause.said) and back(t, clause)) or _into_tin(t, clause) or back(t, clause):
        return
    if t.pending and t.into is not None and t.held_in == t.sentence and t.into is t.here:
        # “Add the gelatine, pour over the chocolate”: one after the other.
        t.flush()
    items = t.items(clause)
    here, cake = t.raw_here(), the_cake(t)
    if (
        re.fullmatch(r"fill(?: and)?", clause.text.strip(" ,;"))
        and cake is not None
        and here is not None
        and not here.floury
    ):
        # “Whip the cream. Fill, cover all over.”
        sandwich(t, clause)
        return
    if _over_cake(t, clause, items):
        return
    moved = [i for i in items if not i.target]
    target = next((i.made for i in items if i.target and i.made is not None), None)
    onto = [i for i in items if i.target and i.made is not t.raw_here()]  # “Pour on the syrup.”
    syrup = next(
        (i.made for i in [*moved, *onto, Item(0, made=t.raw_here())] if i.made is not None and i.made.syrup), None
    )
    raw_egg = [i for i in items if i.target and i.mention is not None and i.mention.ingredient in WHITES | YOLKY]
    if syrup is not None and raw_egg:
        # “… onto the whipped whites”: they are whipped for it.
        takes, uses = t.claim(raw_egg)
        if takes:
            target = whip_foam(t, takes, uses, clause, clause.text)
    if not raw_egg and _to_what_is_named(t, clause, items, target):
        return
    if _in(t, clause, items):
        return
    if syrup is not None and _stream(t, clause, target, syrup):
        return
    if not items and t.raw_here() is not None and re.match(r"\s*$|\d* ?\w*$|sans |senza |without ", clause.said):
        fill(t, clause)
        return
    add(t, clause)


def _into_tin(t: Tracker, clause: Clause) -> bool:
    """What stands there, into what is named to hold it; a meringue on paper stands by itself."""
    here = t.raw_here()
    free = FREE_SHAPE if here is not None and here.meringue else FREE_WORD
    into = INTO_TIN.findall(free.sub("", clause.said))
    shaped = free.search(clause.said) is not None
    ringed = RINGED.search(clause.text) is not None
    if (
        into
        and here is not None
        and here.meringue
        and not ringed
        and (shaped or all(FREE_STANDING.fullmatch(w) for w in into))
    ):
        pipe(t, clause)
        return True
    if here is not None and here.fields.get("joining") is Joining.LINE and not into:
        # “Line the tin with the fingers, pour in the cream.”
        t.flush()
        fill(t, clause)
        return True
    if (
        into
        and here is not None
        and here.airy
        and SMALL_ROUNDS.search(clause.said)
        and all(SHEET.fullmatch(w) for w in into)
    ):
        pipe(t, clause)
        return True
    named = into and not re.search(r"into (?:the|a) (?:sauce)?pan with|return", clause.text)
    if not named and (
        t.in_ring is None or (here is not None and here.syrup) or (here is None and not _raw_named(t, clause))
    ):
        return False
    if t.in_ring is None and _over_what_is_baked(t, clause):
        # “Pour the mousse over the sponge in its ring.”
        return False
    t.flush()
    fill(t, clause)
    return True


def _over_what_is_baked(t: Tracker, clause: Clause) -> bool:
    """Whether it is a baked part that something is poured on, though a ring is named around it."""
    if ON_IT.search(clause.text) is None:
        return False
    items = t.items(clause)
    here = t.raw_here()
    poured = [i.made for i in items if i.made is not None and not i.made.baked] or ([here] if here is not None else [])
    return any(i.made is not None and i.made.baked for i in items) and any(not m.floury for m in poured)


def _raw_named(t: Tracker, clause: Clause) -> bool:
    return any(i.made is not None and not i.made.baked for i in t.items(clause))


INTO_DIP = re.compile(r"(?<!\w)in(?:to)? the (?:dip|hollow|centre|center|middle|well|nests?)(?!\w)")
ALL_OVER = re.compile(r"(?:all |it |this |that )*over(?: (?:it|the top|everything))?$")


def here_over(t: Tracker, clause: Clause, items: list[Item]) -> bool:
    """“Mix the icing sugar with the juice and drizzle over”: what was mixed last, over the cake."""
    here = t.raw_here()
    loose = here is not None and not here.airy and not here.floury
    return loose and not any(i.made is not here for i in items) and ALL_OVER.match(clause.said.strip()) is not None


def _over_cake(t: Tracker, clause: Clause, items: list[Item]) -> bool:
    """Over what has been baked: it is named, or it is what stands there."""
    baked = the_cake(t)
    target = next((i.made for i in items if i.target and i.made is not None), None)
    onto = target if target is not None and target.baked else None
    unnamed = baked is t.here and not any(i.target for i in items)
    if here_over(t, clause, items) and baked is not None:
        onto = baked
    if onto is None and baked is not None and (unnamed or INTO_DIP.search(clause.text)):
        onto = baked
    if onto is None:
        return False
    over = without(items, onto)
    if not over and baked is not t.here and t.raw_here() is not None:
        over = [Item(0, made=t.raw_here())]
    cover(t, onto, over)
    return True


def _to_what_is_named(t: Tracker, clause: Clause, items: list[Item], target: Made | None) -> bool:
    """What was worked on last, to what is named."""
    here = t.raw_here()
    if here is None or not items:
        return False
    if all(i.target and i.mention is not None for i in items):
        # “… over the chopped chocolate”: to what the list still has.
        t.hold(items, here, clause.text)
        return True
    if target is not None and all(i.target for i in items) and here is not target and not target.syrup:
        # “Pour over the milk”.
        t.hold([Item(0, made=here)], target, clause.text)
        return True
    return False


def _in(t: Tracker, clause: Clause, items: list[Item]) -> bool:
    """What was worked on last goes in, though it is not said into what."""
    here = t.raw_here()
    if here is None:
        return False
    if here.meringue and FREE_STANDING.search(clause.said):
        pipe(t, clause)
        return True
    filled = re.match(r"(?:fill|remplir|riempire) it(?!\w)", clause.text)
    high = HIGH.search(clause.text) is not None and here.airy and here.floury
    if not (goes_in(clause) or filled or high) or any(i.made is not here for i in items):
        return False
    foam = foam_or_here(t)
    if foam is not here:
        # “Warm the honey and drizzle that in”.
        t.hold([Item(0, made=here)], foam, clause.text)
        return True
    if here.airy and here.floury:
        # “Pour it in from high up”: the batter, into its tin.
        fill(t, clause)
        return True
    return False


def _stream(t: Tracker, clause: Clause, target: Made | None, syrup: Made) -> bool:
    """A hot syrup into the foam that is named, or that waits for it."""
    foam = target or t.raw_here()
    if foam is syrup:
        foam = t.results.last(lambda m: m is not syrup and m.kind is WhipStep)
    if foam is None:
        return False
    if foam.kind is MixStep and foam.ids & (WHITES | YOLKY) and not foam.uses:
        # “Whisk the yolks; pour the syrup onto them”: under a syrup they are whipped.
        foam.kind, foam.fields, foam.vessel = WhipStep, {}, "mixer-bowl"
    if foam.kind not in {WhipStep, StreamStep}:
        return False
    stream(t, foam, syrup, clause)
    return True


def fill(t: Tracker, clause: Clause) -> None:
    """Into the tins, the ring or the glasses, with what lines them."""
    items = t.items(clause)
    here = t.raw_here()
    below = [i.made for i in items if i.target and i.made is not None and i.made.kind in {FillStep, ChillStep}]
    raw = [i.made for i in items if i.made is not None and not i.made.baked and i.made not in below]
    content = next((m for m in raw if m.fields.get("joining") is not Joining.LINE), here)
    if content is not None and content.fields.get("joining") is Joining.LINE:
        content = None
    if content is None:
        content = t.results.last(lambda m: not m.baked and not m.syrup and m.fields.get("joining") is not Joining.LINE)
    if content is None:
        return
    if (more := _filled_up(t, content)) is not None:
        t.say(more)
        return
    if content.kind is FillStep or (content is here and any(m.kind is PipeStep for m in content.upstream())):
        t.say(content)
        return
    others = [
        m for m in [*raw, *below] if not m.baked and m is not content and m.fields.get("joining") is not Joining.LINE
    ]
    if re.search(r"(?<!\w)(?:batters|both|two batters|two bags|stripes|in turns|alternat)", clause.text):
        others += [m for m in t.results.open if m is not content and m not in others and not m.baked and m.floury]
    lined = t.results.last(_lines)
    if lined is None and t.in_ring is not None and t.in_ring.open:
        lined, t.in_ring = t.in_ring, None
    takes, _ = t.claim([i for i in items if i.made is None and not i.target])
    vessel = (
        "ring" if lined is not None and lined.vessel == "rack" else lined.vessel if lined is not None else t.free("tin")
    )
    part = next((i.share for i in items if i.made is content), ALL)
    uses = [t.use(lined)] if lined is not None else []
    uses += [
        t.use(content, part if lined is not None or PART_OF.search(clause.text) else ALL),
        *(t.use(m) for m in others),
    ]
    into = INTO_TIN.findall(clause.said)
    t.make(FillStep, vessel, takes, uses, flat=bool(into) and all(SHEET.fullmatch(word) for word in into))


def _lines(made: Made) -> bool:
    """Whether it lines a ring, brushed with a syrup or not."""
    soaked = made.kind is SoakStep and any(u.made.fields.get("joining") is Joining.LINE for u in made.uses)
    return soaked or made.fields.get("joining") is Joining.LINE


def _filled_up(t: Tracker, content: Made) -> Made | None:
    """“Pour in half, lay the second disc on it, fill up with the rest”: one filling, with all of it."""
    here = t.here
    if here is None or content is here:
        return None
    filled = next((m for m in [here, *(u.made for u in here.uses)] if m.kind is FillStep), None)
    use = next((u for u in filled.uses if u.made is content and u.fraction), None) if filled is not None else None
    if use is None:
        return None
    use.fraction, content.left = None, 0.0
    return here


def spread(t: Tracker, clause: Clause) -> None:
    """Batter in a tin, a filling on a cake, or a meringue on paper."""
    t.flush()
    items = t.items(clause)
    baked, here = the_cake(t), t.raw_here()
    named = [i.made for i in items if i.made is not None and not i.made.baked]
    if baked is None and here is None and items and all(i.mention is not None for i in items):
        # “Spread the sugar on a tray and heat it in the oven.”
        t.hold(items, None, clause.text)
        return
    if baked is None:
        shape = FREE_SHAPE.search(clause.said)
        free = FREE_STANDING.search(clause.said) or (shape is not None and "ring" not in shape[0])
        if here is not None and here.meringue and free and not RINGED.search(clause.text):
            pipe(t, clause)
        else:
            fill(t, clause)
        return
    if not named and not any(i.mention for i in items):
        if (
            here is not None
            and not here.baked
            and ((INTO_TIN.search(clause.said) and not here.is_cream) or here.floury)
        ):
            fill(t, clause)
            return
        ready = here or t.results.last(lambda m: not m.baked and not m.dry and not m.syrup)
        if ready is not None:
            # “Unroll, spread it over”: with what was made ready last.
            items = [*items, Item(0, made=ready)]
    if named and named[0].floury and INTO_TIN.search(clause.said) and named[0].airy:
        fill(t, clause)
        return
    if named and all(m.syrup for m in named):
        # シロップを作り、スポンジに塗る。
        soak(t, clause)
        return
    join(t, clause, Joining.SPREAD, items)


def pipe(t: Tracker, clause: Clause) -> None:
    """Pieces onto a tray, or a foam spread free on paper."""
    t.flush()
    items = t.items(clause)
    raw = next((i.made for i in items if i.made is not None and not i.made.baked), None) or t.raw_here()
    if raw is None:
        baked = the_cake(t)
        if baked is not None and items:
            top(t, clause)
        return
    if raw.kind is PipeStep:
        t.say(raw)
        return
    if (
        t.in_ring is not None
        and t.in_ring.open
        and not raw.baked
        and raw.kind is not FillStep
        and PIPE_IN.match(clause.text)
    ):
        # “Place a disc in a ring … pipe in two thirds of the cream.”
        fill(t, clause)
        return
    if MOULDED.search(FREE_SHAPE.sub("", clause.said)):
        # “Pipe into half-sphere moulds”.
        fill(t, clause)
        return
    halves = next((i.made for i in items if i.made is not None and i.made.baked), None)
    if halves is not None and raw.kind is not PipeStep:
        # “Pipe ganache on half the shells”.
        join(t, clause, Joining.SANDWICH, [Item(0, made=halves), Item(0, made=raw)])
        return
    if (raw.is_cream or RESERVED in raw.names) and the_cake(t) is not None:
        join(t, clause, Joining.TOP, [Item(0, made=raw)])
        return
    size = PIECE_MM.search(clause.text)
    across = None
    if size:
        across = float(size[1].replace(",", ".")) * {"mm": 1.0, "inch": 25.4, "in": 25.4}.get(size[2], 10.0)
    t.make(
        PipeStep,
        t.free("tray"),
        [],
        [t.use(raw)],
        across=across,
        long="finger" in clause.text or "strip" in clause.text,
    )
