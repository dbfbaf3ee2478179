"""What a clause names: results that stand on the bench, and ingredients of the list; and which of them others go to."""

from __future__ import annotations

import re
from collections.abc import Sequence
from dataclasses import dataclass, field

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.clauses import Clause
from kindwhisk.core.reading.method.collective import (
    EVERYTHING,
    PASTE_HEADINGS,
    by_heading,
    dry_ones,
    everything,
    of_a_kind,
    paste_powders,
)
from kindwhisk.core.reading.method.items import TO, Item, mark_targets
from kindwhisk.core.reading.method.making import Made, heading_of
from kindwhisk.core.reading.method.meaning import meant_by
from kindwhisk.core.reading.method.references import A_NEW, Reference, Results, of_ingredient
from kindwhisk.core.reading.method.shares import ALL, NEAR, REST, Mention, Share, fraction_in, mentions, share_in
from kindwhisk.core.reading.method.stocks import Stocks, own_words, same_group
from kindwhisk.core.reading.names import Shelf, find_all
from kindwhisk.core.reading.plain import is_cjk
from kindwhisk.core.reading.same import covers

APART = re.compile(r"[,;]|(?<!\w)(?:and|with|into|to)(?!\w)")
SUFFIX = re.compile(
    r"(?<=iamo)l[eoai]$|^(?:les |le |la |l')(?=\w+(?:er|re|ir)$)|-(?:les?|la|en)$|(?<=[aei]te)(?:l[eoai])$|(?<=r)l[eoai]$|(?<=tt[aei])l[eoai]$|(?<=[grcv][ai])l[eoai]$"
)
INSIDE = re.compile(
    r"^\s*(?:\w+ly |that |it |this |them )?(?:in(?!to| (?:(?:an?|the|another|your|one|its|their) )?(?:\w+ ){0,2}(?:bowl|pan|saucepan|pot|mixer|jug|oven|batches|additions|goes|parts|turns|thirds|times)\b)|over and)(?!\w)"
)
ASIDE = re.compile(
    r"lemon[- ]colou?red|(?:jelly|swiss)[- ]roll (?:pan|tin|tray)|^(?:when|once|as soon as) (?!the (?:sugar )?syrup|the sugar)[^,;]* (?:is|are|looks?|feels?)(?!\w)[^,;]*,|(?<!\w)(?:once|as soon as) (?:it|they) [^,;]*(?:,|$)|^(?:quand|lorsque|dès que|quando|appena) (?:(?!  )[^,;])*,|(?<!\w)(?:with|using) (?:an? |the )?(?:\w+ ){0,2}(?:spoon|spatula|whisk|fork)(?!\w)(?! of)|(?<!\w)(?:a filo|chia(?= (?:làm |thành |lòng |bột |hỗn |đều ))|chia(?= \d))(?!\w)|(?<!\w)(?:chemisée?s?[^,.;]*|beurrée?s?|farinée?s?|imburrat[oaie]|infarinat[oaie])(?!\w)|^to [a-z]+ (?:it|them|the \w+),|: (?:le mélange|il composto|the mixture|la masse|l'appareil) (?:doit|deve|should|must)[^.;]*|(?<!\w)to (?:loosen|lighten|slacken|soften|temper) (?:it|them|the \w+)(?!\w)|(?<=\w )when (?:the )?(?:\w+ )?(?:syrup|sugar) (?:is|reaches|hits|gets)[^,.;]*|(?<!\w)pour (?:la |le |les |l')?(?:détendre|assouplir|alléger)(?!\w)|(?<!\w)(?:until|till|so that|while|jusqu'\w+|fino a(?: quando)?|finch\w+|đến khi|cho đến khi)(?!\w)(?:(?![,;.]|(?<!\w)(?:and then|then|with)(?!\w)).)*|"
    r"(?<!\w)off (?:the |of the )?(?:hot |simmering )?(?:water|bath)(?!\w)|(?<!\w)(?:over|(?<=\w )in(?! the (?:hot |boiling |warm )?water(?! bath)(?!\w))(?! (?:an?|the|\d+|one|two|three) ?(?:tbsp|tablespoons?|tsp|teaspoons?|spoons?|spoonfuls?|ml|g)(?!\w))|trên) (?:(?!\w*,)\w+ ){0,6}(?:water|water bath|bain-marie|nước nóng)(?!\w)|(?:cold|hot|warm|simmering) water bath|in cold water|"
    r"dans de l'eau froide|in acqua fredda|nồi nước(?: nóng)?|(?:túi )?bắt kem|đường kính(?= (?:khoảng )?\d)|湯煎(?:で|から|にかけて)?|鍋"
)
"""What tells until when, and water that nothing is made of: no ingredient is meant in it."""

TAKEN_OF = {
    "zest": ("皮", "zest", "zeste", "rind", "peel", "scorza", "buccia"),
    "juice": ("果汁", "juice", "jus", "succo"),
    "puree": ("ピューレ",),
    "breadcrumbs": ("crumbs",),
    "nut": ("nuts", "noix", "frutta secca"),
}
"""What is taken of a fruit, by whichever word its line has."""
PULP = ("pulp", "flesh", "polpa", "pulpe", "果肉")
"""“Scoop the pulp into a pan”, of the passion fruit."""
VANILLA = ("pod", "pods", "gousse", "bacca")
"""“Infuse the split pod.”"""
PRESSED = {w for words in TAKEN_OF.values() for w in words}
HEADED = re.compile(
    r"^(?:for|to make|to assemble|pour|per) (?:the |la |le |les |l'|il |lo )?[^,;.:\d]{2,40}:(?= )|^(?:for|pour|per) (?:the |la |le |les |l'|il |lo )[^,;.:\d]{2,30}?(?:,(?= )| (?=(?:i|we|you|she|he) ))|^(?:[^\W\d]+ ){0,2}[^\W\d]+ ?:(?= )"
)
"""A heading in front of a sentence: “For the custard cream: heat the milk”."""
BARE_VERB = re.compile(r"\s*(?:with|to|until|till|avec|jusqu|con|fino)(?!\w)|\s*$")
"""“Cream: whip with sugar”: the heading is what the work is done to."""
AT_A_TIME = re.compile(r"(?:an?|one) (?:third|quarter|half|fifth)(?: of)?(?=(?: \w+){0,4} at a time)")
"""“A quarter of the flour at a time”: all of it, by and by."""
THROUGH = re.compile(r"(?<!\w)through(?= the)")
"""“Fold through the nuts”: in."""
PART_WITH = re.compile(r"\s*(?:two[- ]thirds|three[- ]quarters|half|(?:a|one) (?:third|half|quarter))(?: of it)? with ")
OF_THE = re.compile(r"(?<![\d.,])(\d{1,4}) ?(?:g|gr|grams?|ml) (?:of |de |di |d')?(?:the |la )?$")
"""“50 g of the purée”."""
OTHER_GRAMS = re.compile(
    r"(?<!\w)(?:other|remaining|last) (\d+(?:[.,]\d+)?) ?(?:g|gr|grams?)(?! (?:of )?(?:the )?[^\W\d]{3,})(?!\w)"
)
"""“With the other 50 g”: of what has been begun."""
ONTO = {Act.DUST, Act.TOP, Act.COAT, Act.SOAK}
"""What is done to a cake with something: “… with the rest” is of what the last of them left."""


def _as_named(text: str, word: str, ingredient_id: str, taken: list[tuple[int, int]]) -> re.Match[str] | None:
    """Where a text names a line by one of its words; a word that is another food's name counts in the plural alone."""
    if word not in text:
        return None
    match = re.search(word if is_cjk(word) else rf"(?<!\w){re.escape(word)}(?:s|es)?(?!\w)", text)
    if match is None or any(a <= match.start() < b for a, b in taken):
        return None
    if A_NEW.search(text[: match.start()]):
        # “Mix to a paste.”
        return None
    foods = find_all(word)
    another = bool(foods) and not any(covers(f.ingredient, ingredient_id) for f in foods)
    return None if another and match[0] == word else match


@dataclass
class Naming:
    """What stands there to be named.

    Attributes:
        stocks: what the list gives.
        results: what has been made.
        pending: what was put to something and has not been worked in yet.
        section: the heading or the “for the …” that the sentence stands under.
    """

    stocks: Stocks
    shelf: Shelf = ()
    results: Results = field(default_factory=Results)
    pending: list[Item] = field(default_factory=list)
    section: str = ""

    @property
    def here(self) -> Made | None:
        """What was worked on last, as long as some of it is left."""
        made = self.results.here
        return made if made is not None and made.open else None

    def raw_here(self) -> Made | None:
        """What was worked on last, if it is still raw."""
        return self.here if self.here is not None and not self.here.baked else None

    def _untouched(self, words: str) -> bool:
        found = mentions(words, self.stocks.eggs, self.shelf)
        stocks = [s for m in found for s in self.stocks.matching(m.ingredient)]
        if not found:
            stocks = [s for s in self.stocks.rows if any(w in own_words(s.written) for w in words.split())]
        return any(not s.gone for s in stocks)

    def items(self, clause: Clause) -> list[Item]:
        """What a clause names, in its order; what stands behind “into” or “to” is where the rest goes."""
        text = HEADED.sub(lambda m: m[0] if self._is_listed(m[0], clause) else " " * len(m[0]), clause.said)
        if clause.act is Act.FOLD:
            text = THROUGH.sub(" ", text)
        text = AT_A_TIME.sub("", ASIDE.sub(lambda m: " " * len(m[0]), text))
        suffixed = self._suffixed(clause)
        if EVERYTHING.search(text) and (all_of_it := self._by_part(text, [])):
            # “Whip everything”: all that the part lists, not what was made last.
            return all_of_it
        references = self.results.in_text(text, self._untouched, [suffixed] if suffixed is not None else [])
        lead = clause.ahead.rstrip()
        if lead.endswith(",") and mentions(lead, self.stocks.eggs, self.shelf):
            # “Now three egg whites, beat them”: those that are named in front.
            references = [r for r in references if r.made is not None or r.start < len(lead)]
        covered = [(r.start, r.end) for r in references]
        found = self._referred(references)
        for mention in mentions(text, self.stocks.eggs, self.shelf):
            if not any(mention.start < b and a < mention.end for a, b in covered):
                found.append(meant_by(mention, text, self.stocks, self.results, self.section))
        if suffixed is not None and (not found or not suffixed.baked):
            part = fraction_in(text) if clause.text[: clause.verb[1]].endswith("-en") else None
            found.insert(0, Item(0, made=suffixed, share=Share(fraction=part) if part else ALL))
        if clause.text[: clause.verb[1]].endswith("-y") and self.here is not None and not self.here.baked:
            # “Versez-y le lait”.
            found = [i for i in found if i.made is not self.here]
            found.append(Item(0, made=self.here, target=True))
        found += self._by_words(text, found, covered)
        found += self._by_part(text, found)
        found += self._shares_alone(text, found, onto=clause.act in ONTO)
        found = self._once(found)
        mark_targets(clause, text, found)
        if clause.act is Act.FOLD:
            self._into_foam(found)
        return sorted(found, key=lambda i: i.start)

    def _is_listed(self, head: str, clause: Clause) -> bool:
        """“Flour: sift twice”: what stands in front is a good of the list, no heading."""
        if self.section and same_group(head.strip(" :"), self.section) and not BARE_VERB.match(clause.after):
            return False
        named = find_all(head)
        left = head.strip(" :")
        for n in named:
            left = left.replace(n.words, "")
        return not left.strip() and any(self.stocks.matching(n.ingredient) for n in named)

    def _suffixed(self, clause: Clause) -> Made | None:
        """What a pronoun in the verb itself means: ``mélangez-les``, ``incorporateli``."""
        verb = clause.text[clause.verb[0] : clause.verb[1]]
        return self.here if SUFFIX.search(verb) and not self.pending else None

    def _referred(self, references: Sequence[Reference]) -> list[Item]:
        """References as items; “it” is what was worked on last, unless something is held ready."""
        found = []
        for reference in references:
            made = reference.made
            if made is None and not self.pending:
                made = self.here
            if made is not None:
                found.append(Item(reference.start, made=made, share=reference.share))
        return found

    def _by_part(self, text: str, found: Sequence[Item]) -> list[Item]:
        """“Sift the TPT”, “syrup to 118”, “whisk the dry ingredients”: every line of what is named, as none is used yet."""
        rows, section = self.stocks.rows, self.section
        left = [s for s in rows if s.listed and not s.gone]
        headings = {s.group for s in rows if s.group and (not found or s.group in PASTE_HEADINGS)}
        sifted = any(m.dry for m in self.results.open)
        several = (
            by_heading(text, rows, headings)
            or (dry_ones(text, left, section, self._heading_here()) if not sifted else None)
            or of_a_kind(text, left, section)
            or everything(text, rows, section)
            or paste_powders(text, left)
        )
        if several is None:
            return []
        named = {i.mention.ingredient for i in found if i.mention is not None}
        start, end, stocks = several
        return [
            Item(start + n, mention=Mention(s.ingredient, s.written, ALL, start, end))
            for n, s in enumerate(stocks)
            if s.ingredient not in named
        ]

    def _heading_here(self) -> str:
        here = self.raw_here()
        return heading_of([here] if here is not None else [])

    def _shares_alone(self, text: str, found: Sequence[Item], *, onto: bool) -> list[Item]:
        """Shares that no name stands behind: “whites stiff with the other half”, “add the rest”, “one third in”."""
        first = PART_WITH.match(text)
        here = self.raw_here()
        if first is not None and here is not None and not any(i.made is here for i in found):
            # “Mix two thirds with the berries”: of what stands there.
            return [Item(0, made=here, share=Share(fraction=fraction_in(first[0])))]
        other = OTHER_GRAMS.search(text)
        begun = next((s for s in reversed(self.stocks.rows) if s.takes and not s.gone and s.takes[-1].stated), None)
        if other is not None and begun is not None:
            share = Share(grams=float(other[1]))
            mention = Mention(begun.ingredient, other[0], share, other.start(), other.end())
            return [Item(other.start(), mention=mention, share=share)]
        rest = REST.search(text)
        if rest is None:
            # “Stir a spoonful into the chocolate”, “one third in”: of the whites, if nothing else is named for it.
            to = TO.search(text)
            aims = found and to is not None and all(i.start >= to.end() and i.share.all for i in found)
            part = fraction_in(text[: to.start()] if aims and to is not None else text) if aims or not found else None
            foam = self.results.last(lambda m: m.white_foam or (m is self.here and m.is_cream))
            if part is None or foam is None or any(i.made is foam for i in found):
                return []
            return [Item(0, made=foam, share=Share(fraction=part))]
        if any(
            i.share.rest or (0 <= i.start - rest.start() < NEAR and not APART.search(text[rest.end() : i.start]))
            for i in found
        ):
            return []
        here = self.raw_here()
        mine = begun is not None and here is not None and any(begun.takes[-1] in m.takes for m in here.upstream())
        if begun is not None and (found or self.pending or onto or mine):
            mention = Mention(begun.ingredient, rest[0], Share(rest=True), rest.start(), rest.end())
            return [Item(rest.start(), mention=mention, share=mention.share)]
        left = self.results.last(lambda m: m.left < 1)
        return [Item(0, made=left, share=Share(rest=True))] if left is not None and not found else []

    def _by_words(self, text: str, found: list[Item], covered: list[tuple[int, int]]) -> list[Item]:
        """Lines that a sentence means by a word of theirs: “the tea”, “the milks”, and what nobody knows by name."""
        named = {i.mention.ingredient for i in found if i.mention is not None}
        rows = [s for s in self.stocks.rows if not s.gone and s.listed and s.ingredient not in named]
        # “… then 150 g of cold purée”, of the kind that the method has told of.
        rows += [
            s
            for s in self.stocks.rows
            if not s.listed and s.ingredient not in named and ingredient(s.ingredient).kind == "fruit"
        ]
        firsts = {own_words(s.written)[:1] for s in rows}
        taken = [*covered, *((i.mention.start, i.mention.end) for i in found if i.mention is not None)]
        meant: list[Item] = []
        seen: set[str] = set()
        for stock in rows:
            if stock.ingredient in seen:
                continue
            own = own_words(stock.written) + TAKEN_OF.get(stock.ingredient.rpartition("-")[2], ())
            own += PULP if ingredient(stock.ingredient).kind == "fruit" else ()
            own += VANILLA if stock.ingredient.startswith("vanilla-") else ()
            nutty = ingredient(stock.ingredient).kind == "nut" and not stock.ingredient.endswith("-paste")
            own += TAKEN_OF["nut"] if nutty else ()
            # A word that another line begins with means that line.
            words = [w for w in own if w == own[0] or w in PRESSED or w in VANILLA or w in PULP or (w,) not in firsts]
            match = next((m for w in words if (m := _as_named(text, w, stock.ingredient, taken))), None)
            if match is not None:
                seen.add(stock.ingredient)
                if match[0] == own[0]:
                    # “Pistachio”, of two lines: the first, unless both are meant by a plural.
                    taken.append((match.start(), match.end()))
                behind = text[match.end() : match.end() + 4] if is_cjk(match[0]) else ""
                front = text[max(0, match.start() - NEAR) : match.start()]
                weighed = OF_THE.search(front)
                if weighed is None and not stock.listed:
                    continue
                share = Share(grams=float(weighed[1])) if weighed else share_in(APART.split(front)[-1] + behind)
                mention = Mention(stock.ingredient, match[0], share, match.start(), match.end())
                meant.append(meant_by(mention, text, self.stocks, self.results, self.section))
        return meant

    @staticmethod
    def _once(found: list[Item]) -> list[Item]:
        seen: set[int] = set()
        kept = []
        for item in found:
            if item.made is not None:
                if id(item.made) in seen:
                    continue
                seen.add(id(item.made))
            kept.append(item)
        return kept

    def _into_foam(self, found: Sequence[Item]) -> None:
        """What something is folded into was made before: “into the yolks” while another part's yolks are left."""
        for item in found:
            if item.target and item.mention is not None and item.share.all:
                made = of_ingredient(self.results.open, item.mention.ingredient)
                if made is not None and not made.baked and not any(i.made is made for i in found):
                    item.made, item.mention = made, None
