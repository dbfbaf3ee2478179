"""What an ingredient's name means here: a line of the list, or what has been made of it."""

from __future__ import annotations

import re
from dataclasses import dataclass

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.process.steps.rest import RestStep
from kindwhisk.core.process.steps.warm import WarmStep
from kindwhisk.core.reading.method.items import Item
from kindwhisk.core.reading.method.making import Made, Stock
from kindwhisk.core.reading.method.references import Results, of_ingredient
from kindwhisk.core.reading.method.shares import NEAR, Mention, Share
from kindwhisk.core.reading.method.stocks import Stocks, own_words, same_group

WORKED = re.compile(
    r"(?<!\w)(?:hot|boiling|warm|warmed|heated|cooled|soaked|bloomed|swollen|squeezed|drained|sifted|whipped|beaten|melted) (?:the )?(?:\w+ )?$"
)
"""What was done to something that is named: it has been made before."""
OF_THE = re.compile(r" of the |del|du ")
MOST_OF = 0.9
"""The most that an amount of what was made can be of it: some is always left behind."""


def meant_by(mention: Mention, text: str, stocks: Stocks, results: Results, section: str) -> Item:
    """The line or the result that an ingredient's name means in a text that stands in a section."""
    stock = stocks.meant(mention, section)
    case = _Case(mention, text, stocks, results, section)
    if stock is None:
        return case.unlisted()
    found = case.elsewhere(stock) or (case.used_up(stock) if stock.gone else None)
    return found or Item(mention.start, mention=mention, share=mention.share)


@dataclass(frozen=True)
class _Case:
    mention: Mention
    text: str
    stocks: Stocks
    results: Results
    section: str

    def _as_made(self, made: Made, share: Share | None = None) -> Item:
        return Item(self.mention.start, made=made, share=share or self.mention.share)

    def _as_line(self, stock: Stock) -> Item:
        """That line, though it has another name."""
        named = self.mention._replace(ingredient=stock.ingredient)
        return Item(self.mention.start, mention=named, share=self.mention.share)

    def unlisted(self) -> Item:
        """What no line gives: a part of a strange line's name, or what was made with it."""
        word = self.mention.words.split()[-1]
        for stock in self.stocks.rows:
            if stock.ingredient.startswith("unknown-") and not stock.gone and word in own_words(stock.written):
                # “Milk tea” is no milk.
                return self._as_line(stock)
        made = of_ingredient(self.results.made, self.mention.ingredient)
        if made is not None and self.mention.share.grams is None:
            return self._as_made(made)
        return Item(self.mention.start, mention=self.mention, share=self.mention.share)

    def elsewhere(self, stock: Stock) -> Item | None:
        """What was made of it, though another part's is still there."""
        soaked = self.results.last(lambda m: m.kind is RestStep and "gelatine" in m.names)
        if soaked is not None and stock.ingredient.startswith("gelatine") and self.mention.share.grams is None:
            # What has been soaked is meant, though another part has some in the packet.
            return self._as_made(soaked)
        if stock.ingredient.startswith("gelatine"):
            return None
        mention, other_part = self.mention, not same_group(stock.group, self.section)
        worked = WORKED.search(self.text[max(0, mention.start - NEAR) : mention.start])
        begun = mention.share.rest and bool(stock.takes) and not stock.gone
        if (worked or (self.section and other_part)) and mention.share.grams is None and stock.listed and not begun:
            # “The hot purée”.
            made = of_ingredient(self.results.open, mention.ingredient)
            if made is not None and stock.ingredient in made.raw_ids and (worked or made.part == self.section):
                return self._as_made(made)
        if stock.group and (other_part or not self.section) and not stock.gone and mention.share.all:
            # “Beat in the chocolate” that has been melted, though the glaze has some too.
            alone = {stock.ingredient}
            pure = self.results.last(lambda m: m.raw_ids == alone and not m.baked)
            return self._as_made(pure) if pure is not None else None
        return None

    def used_up(self, stock: Stock) -> Item | None:
        """What its line went into, or another line of the same word."""
        share = self.mention.share
        if share.grams and OF_THE.search(self.mention.words):
            # “45 ml of the tea milk”, of which the milk was.
            made = of_ingredient(self.results.open, self.mention.ingredient)
            if made is not None:
                return self._as_made(made, Share(fraction=min(MOST_OF, share.grams / max(made.grams(), 1.0))))
        if share.grams is not None or share.rest:
            return None
        warmed = self.results.last(lambda m: m.kind is WarmStep and m.raw_ids == {stock.ingredient})
        if warmed is not None and ingredient(stock.ingredient).kind == "sugar":
            # “Add the hot sugar”, which was in the oven.
            return self._as_made(warmed)
        word = self.mention.words.split()[-1]
        other = next((s for s in self.stocks.rows if s.listed and not s.gone and word in own_words(s.written)), None)
        other_sugar = (
            other is not None and ingredient(other.ingredient).kind == "sugar" and all(x.stated for x in stock.takes)
        )
        if other is not None and (
            _told_apart(stock, other) or (other_sugar and same_group(other.group, self.section or other.group))
        ):
            # “The coffee”: the instant one, as the strong one has gone into its syrup.
            return self._as_line(other)
        made = of_ingredient(self.results.made, self.mention.ingredient)
        return self._as_made(made) if made is not None else None


def _told_apart(one: Stock, other: Stock) -> bool:
    kinds = {ingredient(s.ingredient).kind for s in (one, other)}
    return kinds == {"liquid", "flavour"} or (len(kinds) == 1 and not kinds & {"sugar", "egg", "flour"})
