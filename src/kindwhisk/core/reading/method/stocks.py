"""The list of a recipe as a stock that its sentences take from."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass, field
from functools import lru_cache

from kindwhisk.core.ingredients import counts_as, ingredient, tell
from kindwhisk.core.ingredients.eggs import EggSize, egg_parts
from kindwhisk.core.ingredients.goods import unknown
from kindwhisk.core.reading.line import MOST_G, ReadLine
from kindwhisk.core.reading.method.making import LITTLE_G, Stock, Take
from kindwhisk.core.reading.method.shares import Mention, Share
from kindwhisk.core.reading.names.qualifiers import WORDS
from kindwhisk.core.reading.plain import REMEMBERED, folded, plain
from kindwhisk.core.reading.same import covers
from kindwhisk.core.reading.units import UNITS

EGGS = {"egg-white", "egg-yolk"}
APART = re.compile(r"separat|sépar|separa|分け|tách|divis[ei]|yolks? and whites? apart")
PART = re.compile(r"\d\W*\w* (?:of (?:the|your)|du|della|dello) ")
"""“100 g of the sugar”: a part of a line, not a line of 100 g."""
FOR_SHOW = re.compile(r"(?<!\w)(?:decor|décor|garnish|serv|finish|finition|guarnire)|飾り|仕上げ|trang trí")
"""A heading over what only goes on top."""


_LABELLED = re.compile(r"[^\W\d]{3,} (?:no\.? ?|#|\()?([abc]|i{1,3}|[1-3])(?=$|[,;:)]| ?[-–]| \d| \()")
"""“Sugar B 60 %”, “sugar b”: a letter behind a name."""


@dataclass
class Stocks:
    """Every line with a weight, in the order of the list.

    ``unmet`` are ids that the method names and the list doesn't have; ``disputed`` are lines that two sentences take
    without saying how they share it.
    """

    rows: list[Stock]
    eggs: EggSize
    unmet: dict[str, int] = field(default_factory=dict)
    disputed: list[Stock] = field(default_factory=list)
    overdrawn: list[Stock] = field(default_factory=list)
    _matching: dict[str, list[Stock]] = field(default_factory=dict, repr=False)
    _possible: dict[str, list[Stock]] = field(default_factory=dict, repr=False)
    _known_rows: int = -1

    def matching(self, ingredient_id: str) -> list[Stock]:
        """Lines that a word may mean, those that it names exactly before those that it only may stand for."""
        if self._known_rows != len(self.rows):
            # Lines are only ever added, or one is parted into two.
            self._matching, self._possible, self._known_rows = {}, {}, len(self.rows)
        found = self._matching.get(ingredient_id)
        if found is None:
            exact = [s for s in self.rows if s.ingredient == ingredient_id or counts_as(s.ingredient) == ingredient_id]
            found = exact or [s for s in self.rows if covers(ingredient_id, s.ingredient)]
            self._matching[ingredient_id] = found
        return list(found)

    def possible(self, ingredient_id: str) -> list[Stock]:
        """Every line that a word may mean, whether it names it exactly or not."""
        exact = self.matching(ingredient_id)
        found = self._possible.get(ingredient_id)
        if found is None:
            found = exact + [s for s in self.rows if s not in exact and covers(ingredient_id, s.ingredient)]
            self._possible[ingredient_id] = found
        return list(found)

    def _best(self, found: Sequence[Stock], mention: Mention, group: str, beside: set[str]) -> Stock:
        """Of several lines the one that is meant: by its amount, what it has left, its heading, the egg beside it, else the next one.

        Of sugars that nothing tells apart, whites get the largest.
        """

        grams = mention.share.grams
        told = any(s.beside in EGGS or ingredient(s.ingredient).kind != "sugar" for s in found)
        size = 0 if told or len(beside & EGGS) != 1 else -1 if "egg-white" in beside else 1

        part = PART.search(mention.words) is not None and grams is not None
        # Without headings, “50 g of the sugar” is the line of 50 g.
        part = part and any(s.group for s in found)

        label = _LABELLED.search(mention.words)
        # What is used up is meant only where a letter says so, or where nothing else is there.
        found = found if label is not None else [s for s in found if not s.gone] or found

        def rank(stock: Stock) -> tuple[bool, bool, bool, bool, bool, bool, bool, bool, bool, bool, float]:
            near = grams is not None and abs(stock.grams / max(grams, LITTLE_G) - 1) <= 0.05
            off = near if part else not near
            short = grams is not None and grams > stock.left * 1.02 + LITTLE_G
            apart = not same_group(stock.group, group) if group else bool(stock.group)
            own = _LABELLED.search(plain(stock.written))
            word = mention.words.split()[-1] if mention.words else ""
            return (
                label is not None and (own is None or own[1] != label[1]),
                stock.gone,
                # “The rest” is of what has been begun.
                mention.share.rest and not stock.takes,
                off,
                short,
                self._for_show(stock, group),
                # “The hot water”.
                " " in mention.words and mention.share.grams is None and mention.words not in plain(stock.written),
                # “The coconut” is the desiccated one rather than its cream.
                stock.ingredient != mention.ingredient
                and not re.search(
                    rf"{re.escape(word)}(?!\w| (?!(?:in|with|from|for|to)(?!\w))\w)", plain(stock.written)
                ),
                apart,
                bool(beside) and not self._beside(stock, beside),
                size * stock.grams,
            )

        return min(found, key=rank)

    def _beside(self, stock: Stock, eggs: set[str]) -> bool:
        """Whether a line stands with these eggs; what stands with eggs that are separated is for both their parts."""
        apart = stock.beside == "whole-egg" and bool(eggs & EGGS)
        return stock.beside in eggs or (
            apart and any(s.group == stock.group and counts_as(s.ingredient) in EGGS for s in self.rows)
        )

    @staticmethod
    def _for_show(stock: Stock, group: str) -> bool:
        """Whether a line only decorates, while the sentence is about something else."""
        return bool(FOR_SHOW.search(stock.group)) and not same_group(stock.group, group)

    def meant(
        self, mention: Mention, group: str = "", beside: Iterable[str] = (), along: Iterable[int] = ()
    ) -> Stock | None:
        """The line that a mention means; None where the list has none. ``along`` are lines that are named with it."""
        found = self.matching(mention.ingredient)
        mine = [s for s in found if not s.gone and (not group or same_group(s.group, group))]
        next_to = [s for s in mine if any(abs(s.line - n) == 1 for n in along)]
        alike = len({(s.group, s.ingredient) for s in mine}) == 1
        if next_to and len(next_to) < len(mine) and alike and mention.share.all:
            # “Boil the sugar and the water”: of two sugars in one part, the one that stands next to the water.
            found = next_to
        if found and not any(same_group(s.group, group) for s in found):
            # “Add the coffee” to the sponge: its instant one, though the filling has some that is called no more.
            found = self.possible(mention.ingredient)
        if found and all(self._for_show(s, group) for s in found):
            # “Mix the walnuts”: the ground ones, not the halves for the top.
            found = self.possible(mention.ingredient)
        return self._best(found, mention, group, set(beside)) if found else None

    def take(self, stock: Stock, share: Share) -> Take | None:
        """What a share of a line comes to; None where nothing is left of it."""
        if share.grams is not None:
            if share.grams > stock.left * 1.02 + LITTLE_G and stock.takes:
                self.overdrawn.append(stock)
            # A line that the text takes twice over gives what it has.
            return stock.take(share.grams, stated=True) if not stock.gone else None
        if stock.gone:
            return self._disputed(stock) if share.rest or share.fraction else None
        if share.fraction is not None:
            return stock.take(stock.grams * share.fraction, stated=True)
        return stock.take(stock.left, stated=share.rest)

    def _disputed(self, stock: Stock) -> Take | None:
        """Some of a line that an earlier sentence took whole, though another takes the rest of it."""
        first = stock.takes[-1]
        if first.stated or first.grams <= 0:
            return None
        return self.halve(first)

    def halve(self, first: Take) -> Take:
        """Half of what was taken, given to another; the text does not say how they share it."""
        stock = first.stock
        half = first.grams / 2
        first.grams -= half
        stock.left += half
        if stock not in self.disputed:
            self.disputed.append(stock)
        return stock.take(half, stated=False)

    def from_method(self, mention: Mention) -> Stock:
        """A line that stands only in the method."""
        grams = min(max(mention.share.grams or 0.01, 0.01), MOST_G)
        stock = Stock(-1, mention.ingredient, mention.words, grams, listed=False)
        self.rows.append(stock)
        return stock

    def separate(self) -> None:
        """Turn whole eggs into whites and yolks: those that the list says are separated, else all of them."""
        whole = [s for s in self.rows if s.ingredient == "whole-egg" and not s.takes]
        marked = [s for s in whole if APART.search(s.written.lower())]
        first = whole[0].group if whole else ""
        for stock in marked or [s for s in whole if s.group == first]:
            at = self.rows.index(stock)
            one = egg_parts(self.eggs)
            count = stock.grams / one.whole_g.likely
            parts = (("egg-white", one.white_g.likely), ("egg-yolk", one.yolk_g.likely))
            self.rows[at : at + 1] = [
                Stock(stock.line, name, stock.written, round(each * count, 1), stock.group, listed=stock.listed)
                for name, each in parts
            ]

    @property
    def to_separate(self) -> bool:
        """Whether the list says of whole eggs that they are separated, and nothing has taken them yet."""
        return any(s.ingredient == "whole-egg" and not s.takes and APART.search(s.written.lower()) for s in self.rows)

    @property
    def has_apart(self) -> bool:
        """Whether whites or yolks are there by themselves."""
        return any(counts_as(s.ingredient) in EGGS for s in self.rows)


def same_group(one: str, other: str) -> bool:
    """Whether two headings mean one part."""
    a, b = (set(re.findall(r"[^\W\d_]+", folded(g.lower()))) - _SMALL for g in (one, other))
    return bool(a & b) or one.strip() == other.strip()


_SMALL = {
    "the", "for", "la", "le", "les", "pour", "per", "and", "of", "de", "il", "a", "part", "parts", "phần", "parte", "partie",
    "mixture", "mix",
}  # fmt: skip


@lru_cache(maxsize=REMEMBERED)
def own_words(written: str) -> tuple[str, ...]:
    """The words of a line that tell it from others: no figures, no units, nothing that only says how it is."""
    words = re.findall(r"[^\W\d_]{3,}", plain(re.split(r"[,(]", written)[0]))
    return tuple(w for w in words if w not in UNITS and w not in WORDS and w not in _SMALL and w not in _COMMON)


_COMMON = {
    "egg",
    "eggs",
    "white",
    "whites",
    "yolk",
    "yolks",
    "cream",
    "powder",
    "water",
    "trứng",
    "bột",
    "large",
    "fresh",
}


def stocks_of(lines: Sequence[ReadLine], groups: Sequence[str], eggs: EggSize) -> Stocks:
    """The lines that have a weight, as a stock."""
    rows: list[Stock] = []
    beside = ""
    for n, (line, group) in enumerate(zip(lines, groups, strict=True)):
        if line.ingredient is None and line.unknown and line.grams:
            good = unknown(line.unknown).ingredient()
            tell((good,))
        stands = line.ingredient or (unknown(line.unknown).id if line.unknown else "")
        if not stands or not line.grams:
            continue
        if ingredient(stands).kind == "egg":
            beside = counts_as(stands)
        own = (
            re.search(r"\bwhites?\b|\bmeringue\b|blancs|albumi", line.text.lower()),
            re.search(r"\byolks?\b|jaunes|tuorli", line.text.lower()),
        )
        near = "egg-white" if own[0] and not own[1] else "egg-yolk" if own[1] else beside
        grams = min(max(line.grams, 0.01), MOST_G)
        rows.append(Stock(n, stands, line.text, grams, group, near if ingredient(stands).kind != "egg" else ""))
    return Stocks(rows, eggs)
