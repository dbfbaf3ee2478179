"""Follows a method through its vessels: what is in which, what each clause does to it, and the steps that this makes."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from typing import Any

from kindwhisk.core.foams.foam import Peak
from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.base import WHITES, YOLKY, StepBase
from kindwhisk.core.process.steps.boil import BoilStep
from kindwhisk.core.process.steps.fold import FoldStep
from kindwhisk.core.process.steps.macaronage import MacaronageStep
from kindwhisk.core.process.steps.mix import MixStep
from kindwhisk.core.process.steps.whip import WhipStep
from kindwhisk.core.reading.goods import Question
from kindwhisk.core.reading.method.items import Item, without
from kindwhisk.core.reading.method.making import Made, Stock, Take, Use, ground_nut, heading_of
from kindwhisk.core.reading.method.naming import Naming
from kindwhisk.core.reading.method.shares import ALL, Mention, Share
from kindwhisk.core.reading.method.stocks import FOR_SHOW, same_group
from kindwhisk.core.reading.same import covers
from kindwhisk.core.reading.tins_named import NamedTin

CONTINUES = re.compile(r"(?:and|plus|et|e|và)\b", re.IGNORECASE)
"""How a sentence begins that goes on with what the one before it adds."""
STANDS_UP = re.compile(r"(?<!\w)(?:peaks?|stiff|firm|snow|neige|ferm[ae]|soda)(?!\w)")
BY_HAND = re.compile(
    r"sift|tamis|setacci|rây|ふるい|(?<!\w)(?:à la (?:maryse|main|spatule)|with (?:a|the) (?:rubber )?(?:spatula|scraper)|by hand|a mano)(?!\w)"
)
"""Icing sugar that is sifted over a meringue, or worked in by hand, is folded in; any other sugar is whipped with it."""
EXTRA = re.compile(r"(?<!\w)(?:extra|more|plus|additional|another|en plus|in più|thêm)(?!\w)")
DRY_KINDS = {"flour", "leavener", "salt", "sugar", "nut", "flavour"}


def shell_paste(takes: Sequence[Take], uses: Sequence[Use]) -> bool:
    """Whether whites meet ground nuts and icing sugar; a first part that only loosens is a fold yet."""
    ids = {i for u in uses for i in u.made.ids} | {x.ingredient for x in takes}
    nutty = any(map(ground_nut, ids))
    whites = any(m.white_foam for u in uses for m in u.made.upstream())
    if not nutty or "icing-sugar" not in ids or not whites:
        return False
    whole = not ids & (YOLKY | {"butter"}) and not any(u.fraction for u in uses)
    return whole or any(u.rest for u in uses)


def by_hand(items: Sequence[Item], words: str) -> bool:
    """Whether it is icing sugar that is folded in."""
    icing = any(i.mention is not None and i.mention.ingredient == "icing-sugar" for i in items)
    return icing and BY_HAND.search(words) is not None


def _kinds_of(item: Item) -> set[str]:
    """What kinds of goods an item is; a result that is anything but sugars is none."""
    if item.mention is not None:
        return {ingredient(item.mention.ingredient).kind}
    made = item.made
    only_sugar = made is not None and bool(made.raw_ids) and all(ingredient(i).kind == "sugar" for i in made.raw_ids)
    boiled = made is not None and any(m.kind is BoilStep for m in made.upstream())
    return {"sugar"} if only_sugar and not boiled else {""}


def _creams(takes: Sequence[Take], uses: Sequence[Use]) -> bool:
    """Whether butter goes into a foam by the half and more: a buttercream, whose air nobody minds."""
    fat = sum(x.grams for x in takes if ingredient(x.ingredient).kind == "fat" and not x.ingredient.startswith("oil"))
    return len(uses) == 1 and fat > 0.5 * uses[0].made.grams() and not uses[0].made.floury


@dataclass
class Tracker(Naming):
    """The bench while a method is read.

    Attributes:
        into: what that which waits was put to; ``held_in`` and ``held_said`` are the sentences that said so.
        besides: ids that are used without an amount; ``unweighed`` those that the list names so.
        tins: those that are named, with their sentence and how many.
        shells: whether the text is of shells.
        in_ring: what was laid into a ring or a tin.
        prepared: the last sentence that makes a tin ready.
        off_heat: what was taken off the heat last.
        shown: ids of what stands right above the sentence, and is worked on by it without being named.
        only_cut: the sentence in which goods of the list were only chopped or mashed, and are held for the rest of it.
    """

    into: Made | None = None
    pending_words: str = ""
    held_in: int = -1
    held_said: list[int] = field(default_factory=list)
    sentence: int = 0
    sentence_text: str = ""
    sentences: tuple[str, ...] = ()
    questions: list[Question] = field(default_factory=list)
    besides: list[str] = field(default_factory=list)
    tins: list[tuple[int, NamedTin, int]] = field(default_factory=list)
    oven_c: float | None = None
    oven_off: bool = False
    shells: bool = False
    unweighed: frozenset[str] = frozenset()
    in_ring: Made | None = None
    only_cut: int = -1
    prepared: int = -1
    off_heat: Made | None = None
    shown: frozenset[str] = frozenset()

    # Taking

    def _beside(self, items: Iterable[Item]) -> set[str]:
        eggs: set[str] = set()
        for item in items:
            if item.made is not None:
                ids = item.made.ids
                white = {"egg-white"} if ids & WHITES and not ids & YOLKY else set()
                eggs |= white or ids & {"egg-yolk"} or ids & {"whole-egg"}
            elif item.mention is not None and item.mention.ingredient in {"egg-white", "egg-yolk", "whole-egg"}:
                eggs.add(item.mention.ingredient)
        return eggs

    def claim(self, items: Sequence[Item], context: Iterable[Item] = ()) -> tuple[list[Take], list[Use]]:
        """Take what items mean: grams of lines, shares of results."""
        takes: list[Take] = []
        uses: list[Use] = []
        beside = self._beside([*items, *context])
        part = self.section or self._part_of(items) or heading_of(i.made for i in context if i.made is not None)
        for item in items:
            if item.made is not None:
                uses.append(self.use(item.made, item.share))
            elif item.mention is not None:
                take = self._take(item.mention, beside, part, self._lines_of(items, item))
                if take is not None:
                    takes.append(take)
                    takes += self._extra(item.mention, take)
        return takes, uses

    def _extra(self, mention: Mention, take: Take) -> list[Take]:
        """“6 eggs, separated, plus 2 extra whites”, of which a sentence says “the whites”."""
        if not mention.share.all or mention.ingredient not in WHITES:
            return []
        rows = [s for s in self.stocks.matching(mention.ingredient) if s is not take.stock and not s.gone]
        extra = [s for s in rows if same_group(s.group, take.stock.group) and EXTRA.search(s.written.lower())]
        return [more for s in extra if (more := self.stocks.take(s, mention.share)) is not None]

    def _lines_of(self, items: Sequence[Item], but: Item) -> set[int]:
        """The lines of the liquids that are named along with it, where a name means one alone."""
        along = [i.mention.ingredient for i in items if i is not but and i.mention is not None]
        rows = [self.stocks.matching(i) for i in along if ingredient(i).kind == "liquid"]
        return {found[0].line for found in rows if len(found) == 1}

    def _part_of(self, items: Sequence[Item]) -> str:
        """The part that a sentence is of by what only one part has: “with half the sugar, the oil and the juice”."""
        named = [i.mention.ingredient for i in items if i.mention is not None]
        found = [self.stocks.possible(i) for i in named if ingredient(i).kind != "egg"]
        only = [s[0].group for s in found if s and len({x.group for x in s}) == 1 and s[0].group]
        # What only decorates says nothing of the batter.
        return only[0] if len(set(only)) == 1 and not FOR_SHOW.search(only[0]) else ""

    def _take(self, mention: Mention, beside: set[str], part: str, along: set[int]) -> Take | None:
        stock = self.stocks.meant(mention, part, beside, along)
        apart = mention.ingredient in {"egg-white", "egg-yolk"}
        elsewhere = stock is not None and not same_group(stock.group, self.section) and self.stocks.to_separate
        extra = stock is not None and self.stocks.to_separate and EXTRA.search(stock.written.lower()) is not None
        if apart and ((stock is None and self.stocks.matching("whole-egg")) or elsewhere or extra):
            self.stocks.separate()
            stock = self.stocks.meant(mention, part, beside)
        stated = mention.share.grams is not None
        other = stock is not None and stock.gone and self.section and not same_group(stock.group, self.section)
        same = (
            stock is not None and not stock.gone and abs(stock.left / max(mention.share.grams or 0.0, 1e-6) - 1) < 0.05
        )
        if stock is not None and stated and ((not stock.listed and not same) or other):
            # A part that is only told brings its own.
            stock = None
        if stock is None:
            if mention.share.grams is not None and mention.share.grams > 0:
                new = self.stocks.from_method(mention)
                return new.take(new.grams, stated=True)
            self.stocks.unmet.setdefault(mention.ingredient, self.sentence)
            return None
        if mention.share.all and stock.takes and any(covers(mention.ingredient, i) for i in self.unweighed):
            # “Dust with icing sugar”: with that which the list names without an amount.
            self.besides.append(stock.ingredient)
            return None
        if mention.share.all and beside == {"egg-white"}:
            self._tell_largest(stock)
        take = self.stocks.take(stock, mention.share)
        if take is None and mention.share.all and stock.takes and ingredient(stock.ingredient).kind == "sugar":
            first = stock.takes[-1]
            take = self.stocks.halve(first) if not first.stated and first.grams > 0 else None
        return take

    def _tell_largest(self, stock: Stock) -> None:
        """Say so where only its size told which sugar is the whites'."""
        others = [
            s
            for s in self.stocks.matching(stock.ingredient)
            if s.group == stock.group and not s.gone and s is not stock
        ]
        if (
            others
            and not stock.gone
            and stock.beside not in {"egg-white", "egg-yolk"}
            and ingredient(stock.ingredient).kind == "sugar"
        ):
            self.ask("sugar", "The largest of the sugars is taken for the whites.", f"{stock.grams:.0f} g")

    def use(self, made: Made, share: Share = ALL) -> Use:
        """A share of a result."""
        if share.fraction is not None and share.fraction < made.left - 1e-6:
            made.left -= share.fraction
            return Use(made, fraction=share.fraction)
        rest = made.left < 1
        made.left = 0.0
        return Use(made, rest=rest)

    # Making

    def make(
        self, kind: type[StepBase], vessel: str, takes: Sequence[Take], uses: Sequence[Use], **fields: Any
    ) -> Made:
        """A new step; its result is what the next words mean."""
        said = sorted({*self.held_said, self.sentence})
        words = " ".join(self.sentences[n] for n in said)[:400] if self.sentences else self.sentence_text
        made = Made(kind, vessel, list(takes), list(uses), dict(fields), said, words, part=self.section)
        self.held_said = [] if not self.pending else self.held_said
        groups = [t.stock.group for t in takes if t.stock.group] + ([self.section] if self.section else [])
        for group in groups:
            made.names |= {w for w in re.findall(r"[^\W\d_]+", group.lower()) if len(w) > 2}
        for use in uses:
            made.names |= set() if use.made.baked else use.made.names
        self.results.made.append(made)
        self.results.here = made
        return made

    def take_in(self, made: Made, takes: Sequence[Take], uses: Sequence[Use]) -> None:
        """Something further goes into a step; it stands behind what it takes in, though that was made later."""
        made.take_in(takes, uses)
        steps = self.results.made
        late = max((steps.index(u.made) for u in uses), default=-1)
        if late > steps.index(made):
            steps.remove(made)
            steps.insert(late, made)

    def say(self, made: Made) -> None:
        """A further sentence tells of a step."""
        for n in sorted({*self.held_said, self.sentence}):
            if n not in made.said:
                made.said.append(n)
                made.words = f"{made.words} {self.sentences[n] if self.sentences else self.sentence_text}"[:400]
        self.held_said = [] if not self.pending else self.held_said
        self.results.here = made

    def ask(self, field_name: str, text: str, assumed: str) -> None:
        """Something that stays open."""
        self.questions.append(Question(field=field_name[:80], text=text, assumed=assumed))

    # What waits to be worked in

    def hold(self, items: Sequence[Item], into: Made | None, words: str) -> None:
        """Put something to something, until a verb works it in."""
        apart = into is not None and self.into is not None and into is not self.into
        if self.pending and (
            apart or (into is not None and self.held_in != self.sentence and not CONTINUES.match(self.sentence_text))
        ):
            old = self.into
            done = self.flush()
            into = done if into is old and done is not None else into
        self.held_in = self.sentence
        self.held_said.append(self.sentence)
        self.pending += items
        self.into = into or self.into
        self.pending_words = f"{self.pending_words} {words}".strip()

    def release(self) -> tuple[list[Item], Made | None, str]:
        """What waits, and what it was put to; nothing waits afterwards."""
        items, into, words = self.pending, self.into, self.pending_words
        self.pending, self.into, self.pending_words = [], None, ""
        return items, into if into is not None and into.open else None, words

    def flush(self) -> Made | None:
        """Work in what waits, where no verb does."""
        if not self.pending:
            self.into = None
            return None
        items, into, words = self.release()
        if into is None and STANDS_UP.search(words) and self._bare_whites(items):
            # “Six whites and 90 g sugar, till the beater leaves a peak.”
            takes, uses = self.claim(items)
            return self.make(WhipStep, self.free("mixer-bowl"), takes, uses, peak=Peak.MEDIUM)
        made = self.bring_together(items, into, words)
        if made is not None and into is None and made.kind is MixStep:
            made.loose = True
        return made

    def _bare_whites(self, items: Sequence[Item]) -> bool:
        """Whether all of it is whites with what goes into them."""
        ids = {i.mention.ingredient for i in items if i.mention is not None}
        return bool(ids & WHITES) and self.sweetens(
            [i for i in items if i.mention is None or i.mention.ingredient not in WHITES]
        )

    def bring_together(self, items: Sequence[Item], into: Made | None, words: str, **fields: Any) -> Made | None:
        """A fold where air must be minded, else a mix."""
        others = without(items, into)
        context = [Item(0, made=into)] if into is not None else []
        airy = (into is not None and into.airy) or any(i.made is not None and i.made.airy for i in others)
        late = (
            into is not None
            and into.of_kind({"sugar"})
            and not any(i.mention and ingredient(i.mention.ingredient).kind == "sugar" for i in others)
        )
        unsweetened = (
            into is not None
            and into.kind is WhipStep
            and into.said[-1] == self.sentence
            and bool(into.ids & YOLKY)
            and not into.of_kind({"flour", "fat", "dairy"})
        )
        sweetens = self.sweetens(others) and not late and not by_hand(others, words)
        if into is not None and (into.white_foam or unsweetened) and sweetens:
            takes, uses = self.claim(others, context)
            self.take_in(into, takes, uses)
            self.say(into)
            return into
        takes, uses = self.claim(others, context)
        if into is not None:
            uses = [self.use(into), *uses]
        if not takes and not uses:
            return None
        if not takes and len(uses) == 1:
            # Nothing came to it: what is named is already in there.
            uses[0].made.left = 1.0 if uses[0].fraction is None and not uses[0].rest else uses[0].made.left
            self.results.here = uses[0].made
            self.say(uses[0].made)
            return uses[0].made
        if airy and not _creams(takes, uses):
            return self.fold(takes, uses, words, **fields)
        return self.make(MixStep, self.mixing_bowl(takes, uses), takes, uses, **fields)

    def sweetens(self, items: Sequence[Item]) -> bool:
        """Whether all of it is what goes into whites while they are whipped."""
        kinds = [kind for i in items for kind in _kinds_of(i)]
        # “Add the sugar and the vanilla”: a flavour alone goes in after it.
        with_sugar = {"sugar", "acid", "salt", "flavour"} if "sugar" in kinds else {"sugar", "acid", "salt"}
        return bool(kinds) and all(kind in with_sugar for kind in kinds)

    def fold(self, takes: Sequence[Take], uses: Sequence[Use], words: str, **fields: Any) -> Made:
        """Bring something to a foam, or a foam to something; almonds and icing sugar to whites are a macaronage."""
        if self.shells and shell_paste(takes, uses):
            return self.make(MacaronageStep, "base-bowl", takes, uses)
        bowls = [u.made.vessel for u in uses if u.made.vessel != "paper"]
        return self.make(FoldStep, bowls[0] if bowls else "mixer-bowl", takes, uses, folded=words, **fields)

    def mixing_bowl(self, takes: Sequence[Take], uses: Sequence[Use]) -> str:
        """Where things are mixed: what they are put to stays in its vessel."""
        if uses:
            biggest = max(uses, key=lambda u: u.made.grams())
            held = biggest.made.vessel
            return held if held != "paper" else self.free("base-bowl")
        dry = all(
            ingredient(t.ingredient).kind in DRY_KINDS and ingredient(t.ingredient).composition.water < 0.2
            for t in takes
        )
        return self.free("dry-bowl" if dry else "base-bowl")

    def free(self, vessel: str) -> str:
        """A vessel of this kind in which nothing stands."""
        taken = {m.vessel for m in self.results.open}
        n = 1
        while (name := vessel if n == 1 else f"{vessel}-{n}") in taken and n < 9:
            n += 1
        return name
