"""After the oven: soak, layer, top, dust, coat, roll, and what is done by hand."""

from __future__ import annotations

import re

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.chill import ChillStep
from kindwhisk.core.process.steps.cool import CoolStep
from kindwhisk.core.process.steps.fill import FillStep
from kindwhisk.core.process.steps.hand import HandStep
from kindwhisk.core.process.steps.joining import Joining
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.pipe import PipeStep
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.roll import From, RollStep
from kindwhisk.core.process.steps.soak import SoakStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.doing.common import CREAMS, foam_or_here, the_cake
from kindwhisk.core.reading.method.implied import ANOTHER_LAYER
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.joined import JoinStep
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.tracker import Tracker
from kindwhisk.core.reading.plain import plain

RUNS = {"liquid", "dairy", "acid", "sugar", "flavour", "salt"}
"""What sinks into a crumb; anything else lies on it."""
CREAMY = re.compile(
    r"(?<!\w)(?:with|de|di|con|avec) (?:the |la )?(?:\w+ )?(?:buttercream|cream|ganache|mousse|frosting|crème(?: au beurre)?|crema)(?!\w)"
)
LINING = re.compile(
    r"^\s*(?:a |the |your |it )?(?:\w+ ){0,2}(?:paper|cloth|towel|tray|tin|sheet|pan|surface|board|circle)(?!\w)"
)


THICK_WATER = 0.4
"""With less water than this share, a caramel or a condensed milk lies on a crumb instead of sinking in. Trade habit."""
SECOND = re.compile(rf"(?<!\w){ANOTHER_LAYER}(?!\w)")
"""“Cover with the second sponge”: another piece of what stands there."""
FLAME = re.compile(r"(?<!\w)(?:torch|flame|blowtorch|brown it)(?!\w)")


WARM_ROLL = re.compile(
    r"(?<!\w)(?:while|still|yet)? ?(?:warm|hot|aussitôt|chaud|encore|ancora cald\w|straight away|immediately|at once)(?!\w)"
)


LEAST_WHIPPED_G = 50.0


CUT_S = 180.0
LIFTS = re.compile(r"(?<!\w)(?:peel|lift|take|remove)(?: (?:them|each))? (?:off|the paper)")
"""What is done to pieces as they leave the tray: nothing but taking them."""


def cover(t: Tracker, cake: Made, items: list[Item]) -> None:
    """A liquid soaks the crumb; what sets lies on it."""
    takes, uses = t.claim(items)
    if not takes and not uses:
        t.say(cake)
        return
    ids = {x.ingredient for x in takes} | {i for u in uses for i in u.made.raw_ids}
    thick = bool(takes) and not uses and all(ingredient(i).composition.water < THICK_WATER for i in ids)
    coats = "icing-sugar" in ids or any(ingredient(i).kind in {"chocolate", "fat"} for i in ids)
    runs = all(ingredient(i).kind in RUNS for i in ids) and not any(u.made.is_cream for u in uses)
    if coats or thick or not runs:
        t.make(JoinStep, "rack", takes, [t.use(cake), *uses], joining=Joining.GLAZE if coats else Joining.SPREAD)
        return
    milk = any(ingredient(i).kind == "dairy" for i in ids)
    t.make(SoakStep, cake.vessel, takes, [t.use(cake), *uses], flooded=milk)


def _ready(t: Tracker, clause: Clause, joining: Joining, cake: Made) -> list[Item]:
    """What is put to a cake where nothing is named: what was made ready for it."""
    here = t.raw_here()
    fills = joining is Joining.LAYER and re.match(r"sandwich|fill", clause.text)
    if joining in {Joining.SANDWICH, Joining.GLAZE} or fills:
        # “Fill half the shells”, “… and coat the torte”: with what was made ready last.
        glaze = joining is Joining.GLAZE
        ready = t.results.last(lambda m: not m.baked and not m.dry and (not m.syrup or glaze))
        if ready is not None and ready is not cake:
            return [Item(0, made=ready)]
    cooked = here is not None and here.kind in {WarmStep, RestStep} and not here.of_kind({"egg"})
    loose = here is not None and not here.airy and not here.floury and (here.kind is MixStep or cooked)
    topped = here is not None and here.is_cream and re.search(r"on (?:top|each)(?!\w)", clause.text) is not None
    if joining is Joining.TOP and (loose or topped) and here is not None and cake is not here:
        # “Toss the peaches with the honey, arrange on top.”
        return [Item(0, made=here)]
    if joining is Joining.GLAZE and CREAMY.search(clause.said):
        # “Fill with buttercream. Coat the top and sides with buttercream.”
        spent = t.results.spent(
            lambda m: not m.baked and not m.floury and (m.is_cream or "butter" in m.ids or m.of_kind({"dairy"}))
        )
        return [Item(0, made=spent)] if spent is not None else []
    return []


def join(t: Tracker, clause: Clause, joining: Joining, found: list[Item] | None = None) -> None:
    """What is put to a cake, between its layers or on it."""
    t.flush()
    items = t.items(clause) if found is None else found
    named = next((i.made for i in items if i.made is not None and i.made.baked), None)
    here = t.raw_here()
    filled = here is not None and any(m.kind is FillStep for m in here.upstream())
    moulded = filled and all(i.made is not here for i in items)
    # “Press in the frozen fruit, cover with the rest of the mousse, close with the dacquoise.”
    cake = here if moulded else named or the_cake(t)
    named_too = any(i.mention is not None for i in items) and not any(i.made is here for i in items)
    if here is not None and here.is_cream and joining is Joining.TOP and named_too:
        # “Whip the cream and serve with the berries”: both of them.
        items = [Item(0, made=here), *items]
    within = [] if cake is None or cake.baked is False else list(cake.upstream())
    others = [i for i in without(items, cake) if i.made is None or not i.made.baked or i.made not in within]
    second = named is cake and SECOND.search(clause.text) is not None
    if (
        not others
        and joining is Joining.GLAZE
        and cake is not None
        and named in within
        and (named is not cake or second)
    ):
        # “Cover with the second disc”, of those that are in it.
        t.say(cake)
        return
    crumbs = t.raw_here()
    if cake is None and others and crumbs is not None and crumbs.kind is MixStep and "ladyfinger" in crumbs.raw_ids:
        # “… into the glasses and fill with the mousse.”
        takes, uses = t.claim(without(others, crumbs))
        t.make(FillStep, t.free("tin"), takes, [t.use(crumbs), *uses])
        return
    if cake is None:
        cake = t.here if t.here is not None and t.here.kind in {PipeStep, FillStep, ChillStep, RestStep} else None
        if cake is None:
            return
        others = without(items, cake)
    others = others or _ready(t, clause, joining, cake)
    if not others and joining is Joining.TOP and here is not None and here.kind in {FillStep, ChillStep}:
        # “Pipe into moulds, press a round of cake on each”.
        t.make(JoinStep, here.vessel, [], [t.use(here), t.use(cake)], joining=joining)
        return
    takes, uses = t.claim(others)
    cream = [k for k in takes if k.ingredient in CREAMS]
    if cream and sum(k.grams for k in cream) > LEAST_WHIPPED_G and joining is not Joining.GLAZE:
        # Nobody spreads cream that runs.
        sweet = [k for k in takes if k in cream or ingredient(k.ingredient).kind == "sugar"]
        whipped = t.make(WhipStep, t.free("cream-bowl"), sweet, [], tool="hand mixer")
        if not re.search(r"(?<!\w)(?:whipped|montée|fouettée|montata)(?!\w)", clause.text):
            whipped.assumed = "Cream that is spread is whipped first; no sentence says it."
        takes = [k for k in takes if k not in sweet]
        uses = [*uses, t.use(whipped)]
    missing = [
        i.mention.ingredient for i in others if i.mention is not None and not t.stocks.matching(i.mention.ingredient)
    ]
    t.besides += missing
    if not takes and not uses:
        if missing or joining is Joining.TORCH:
            t.make(JoinStep, cake.vessel, [], [t.use(cake)], joining=joining, without_amount=missing)
        else:
            t.say(cake)
        return
    t.make(JoinStep, "rack", takes, [t.use(cake), *uses], joining=joining)


def sandwich(t: Tracker, clause: Clause) -> None:
    """Layers or pairs with what lies between them."""
    cake = the_cake(t)
    pairs = cake is not None and any(m.kind is PipeStep for m in cake.upstream())
    join(t, clause, Joining.SANDWICH if pairs else Joining.LAYER)


def _runs(ingredient_id: str) -> bool:
    """Whether it sinks into a crumb by itself: a spirit, a juice, coffee."""
    item = ingredient(ingredient_id)
    return item.kind in {"liquid", "flavour", "acid"} and item.composition.water > THICK_WATER


def top(t: Tracker, clause: Clause) -> None:
    """Something on top, or a flame over it; “sprinkle the paper with sugar” is of the paper."""
    if LINING.match(clause.after) or t.prepared == t.sentence:
        return
    items = t.items(clause)
    raw = t.raw_here()
    over = [i for i in items if i.made is None or not i.made.baked]
    if over and t.pending and t.into is None and the_cake(t) is None:
        # “Crumble the biscuits into the glasses and sprinkle with the liqueur.”
        t.pending += over
        return
    if over and the_cake(t) is not None and all(i.mention is not None and _runs(i.mention.ingredient) for i in over):
        # “Sprinkle the layers with kirsch.”
        soak(t, clause)
        return
    works_in = {"flour", "fat"} if clause.text.startswith("finish") else {"flour"}
    floury = any(i.mention is not None and ingredient(i.mention.ingredient).kind in works_in for i in items)
    if floury and raw is not None and (raw.airy or raw.kind is MixStep):
        # “Sprinkle a third of the flour over and fold in.”
        t.hold(without(items, raw), foam_or_here(t), clause.text)
        return
    spent = [i.mention.ingredient for i in items if i.mention and i.share.all and _spent(t, i.mention.ingredient)]
    onto = t.here is not None and (t.here.baked or all(ingredient(i).kind == "sugar" for i in spent))
    if spent and onto and len(spent) == len(items) and t.here is not None:
        # “Sprinkle with sugar” when the batter has all that is listed: with some more.
        t.flush()
        t.besides += spent
        t.make(JoinStep, t.here.vessel, [], [t.use(t.here)], joining=Joining.TOP, without_amount=spent)
        return
    join(t, clause, Joining.TORCH if FLAME.search(clause.text) else Joining.TOP)


def _spent(t: Tracker, ingredient_id: str) -> bool:
    rows = t.stocks.matching(ingredient_id)
    return bool(rows) and all(s.gone for s in rows)


def dust(t: Tracker, clause: Clause) -> None:
    """Through a sieve, on pieces before the oven or on a cake after it."""
    if LINING.match(clause.after):
        return
    if t.prepared == t.sentence:
        # “Butter a tall mould and dust with sugar.”
        return
    t.flush()
    items = t.items(clause)
    here = t.here
    if here is not None and not here.baked and not any(m.kind in {PipeStep, FillStep} for m in here.upstream()):
        # “Blitz the sauce. Dust the top.”: of the cake.
        here = the_cake(t) or here
    if here is None:
        return
    if here.fields.get("joining") is Joining.DUST:
        t.say(here)
        return
    # “Dust with icing sugar” that the batter has taken already: with some more, of which no amount is told.
    spent = [i for i in items if i.mention is not None and i.share.all and _spent(t, i.mention.ingredient)]
    t.besides += [i.mention.ingredient for i in spent if i.mention is not None]
    items = [i for i in items if i not in spent]
    takes, uses = t.claim([i for i in items if i.made is not here and (i.made is None or not i.made.baked)])
    t.besides += [
        i.mention.ingredient for i in items if i.mention is not None and not t.stocks.matching(i.mention.ingredient)
    ]
    t.make(JoinStep, here.vessel, takes, [t.use(here), *uses], joining=Joining.DUST)


def coat(t: Tracker, clause: Clause) -> None:
    """A coat that sets."""
    join(t, clause, Joining.GLAZE)


def _thin(made: Made) -> bool:
    """Whether a mixture is only liquid: coffee with rum."""
    return made.of_kind({"liquid"}) and not made.of_kind({"egg", "flour", "dairy", "fat", "nut", "chocolate"})


def soak(t: Tracker, clause: Clause) -> None:
    """A crumb takes a liquid in."""
    t.flush()
    items = t.items(clause)
    named = next((i.made for i in items if i.made is not None and i.made.baked), None)
    cake = named or the_cake(t)
    if cake is None:
        return
    others = without(items, cake)
    takes, uses = t.claim(others)
    if not takes and not uses:
        syrup = t.results.last(lambda m: not m.baked and (m.syrup or _thin(m)))
        uses = [t.use(syrup)] if syrup is not None else []
    if takes and not uses and all(ingredient(x.ingredient).kind == "fruit" for x in takes):
        # “Brush with the warmed jam”: it lies on it.
        t.make(JoinStep, "rack", takes, [t.use(cake)], joining=Joining.GLAZE)
        return
    if takes or uses:
        soaked = t.make(SoakStep, cake.vessel, takes, [t.use(cake), *uses])
        # What lies in a ring lies there yet.
        t.in_ring = soaked if t.in_ring is cake else t.in_ring
    else:
        t.say(cake)


UNTIL_COLD = re.compile(
    r"(?<!\w)(?:until|till|jusqu\w+|fino a|finché)[^,;.]* (?:cold|cool|froid|refroidi\w*|fredd\w+)(?!\w)"
)


def roll(t: Tracker, clause: Clause) -> None:
    """Into a roll."""
    t.flush()
    made = the_cake(t)
    if made is None:
        return
    cooled = any(m.kind is CoolStep for m in made.upstream())
    begun = From.LONG if "long" in clause.text else From.SHORT
    rolled = t.make(
        RollStep, "rack", [], [t.use(made)], warm=bool(WARM_ROLL.search(clause.text)) or not cooled, begun=begun
    )
    if not cooled and UNTIL_COLD.search(clause.text):
        # “It is rolled up in the cloth until it is cold.”
        t.make(CoolStep, "rack", [], [t.use(rolled)])


CRUSHES = re.compile(r"(?:crush|mash|purée|puree|écras\w+|schiacci\w+)[^,;]* (?:with|and|avec|con) ")


def hand(t: Tracker, clause: Clause) -> None:
    """Cut, peel, trim, prick: a step in the recipe's own words."""
    t.flush()
    items = t.items(clause)
    if re.match(r"unroll|flip", clause.text):
        # “Unroll, jam, cream”: what follows is spread.
        items = [i for i in items if i.made is not None]
    raw_only = bool(items) and all(i.made is None for i in items)
    foods = {ingredient(i.mention.ingredient).kind for i in items if i.mention is not None}
    goods = raw_only and bool(foods & {"fruit", "chocolate", "nut"})
    made = the_cake(t) if not goods and (not raw_only or the_cake(t) is t.here) else None
    if made is None and raw_only and len(items) > 1 and CRUSHES.match(clause.text):
        # “Crush half the raspberries with the icing sugar.”
        t.bring_together(items, None, clause.text)
        return
    if made is None and raw_only:
        # “Chop the chocolate and melt it”.
        t.hold(items, None, clause.text)
        t.only_cut = t.sentence
        return
    if made is None or (raw_only and not re.search(r"peel|unroll|prick|poke|cut|slice", clause.text)):
        return
    if LIFTS.search(clause.text) and any(m.kind is PipeStep for m in made.upstream()):
        t.say(made)
        return
    if made.kind is HandStep:
        t.say(made)
        made.fields["does"] = f"{made.fields['does']}; {clause.text}"[:240]
        return
    cold = re.search(r"before|serv", clause.text) and "cut" not in clause.text[:4]
    if cold:
        return
    t.make(HandStep, made.vessel, [], [t.use(made)], does=clause.text[:240], seconds=CUT_S)


def hold_the_place(t: Tracker) -> Act | None:
    """A plain step for a sentence that was not understood though it names something that stands there."""
    here = t.here
    references = t.results.in_text(plain(t.sentence_text), lambda _: False)
    if here is None or t.pending or not any(r.made is not None and r.made.open for r in references):
        return None
    made = t.make(HandStep, here.vessel, [], [t.use(here)], does=t.sentence_text[:240])
    made.assumed = "Not understood: its words hold the place."
    return Act.HAND
