"""What a sentence means by “the batter”, “the whites”, “it”: results of earlier steps, by what they are or are called."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator, Sequence
from functools import cache, partial
from itertools import islice
from typing import NamedTuple

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.reading.method.making import Made
from kindwhisk.core.reading.method.nouns import FLAVOURED, MIXTURE, NOUNS, STILL_STOCK, Test, raw
from kindwhisk.core.reading.method.shares import ALL, NEAR, Share, fraction_in, share_in
from kindwhisk.core.reading.method.stocks import own_words
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.same import covers


class Reference(NamedTuple):
    """Words that mean an earlier result, or what is held ready (``made`` is None: “it”)."""

    made: Made | None
    share: Share
    start: int
    end: int
    words: str


_MIXTURE = re.compile(
    rf"(?P<of>(?:(?<!\w)(?!(?:the|an?|main|into|to|over|in|with|and|of|onto|this|that|it|a|your|remaining|rest|al|alla|allo|agli|ai|alle|il|lo|la|gli|le|i|au|aux|du|des|les|nel|nella|dans|con|avec|sul|vào|và|với)\b)[^\W\d]+[ -]){{0,3}})(?<!\w)(?P<noun>{MIXTURE}|{FLAVOURED})(?:s|i)?(?!\w)"
    r"(?=(?: (?:d'|de |di |(?:ai|agli|aux) (?!blancs|jaunes|œufs|albumi|tuorli|bianchi|uova))?(?P<behind>(?!(?:ai|agli|aux)(?!\w))[^\W\d]+(?:[- ][^\W\d]+)?))?)|(?P<cjk>生地|粉類)"
)
_IT = re.compile(
    r"(?<!\w)(?:it|them|everything|all of it|this(?! \w*(?:time|point))|that(?= (?:back|in|through|into)(?!\w)|$)|le tutto|"
    r"tutto|il tutto|all together)(?!\w)|(?<=ez-)(?:les?|la)(?!\w)|(?<=er-)(?:les?|la)(?!\w)|(?<=incorporate)(?:le|lo|la)(?!\w)"
)
_BOTH = re.compile(
    r"(?<!\w)(?:the two creams|both creams|le due creme|les deux crèmes|the two(?! (?:batters|cakes|tins|sugars|flours))|both(?! \w)|i due composti|les deux(?: masses| préparations| mélanges)?|(?:hai|2) hỗn hợp)(?!\w)"
)
_NUMBERED = re.compile(
    r"(?P<n>[①-⑳]|(?<![\d.])[1-9]\d?(?=(?:に|を|の|へ))|(?<=(?<!\w)into )[1-9]\d?(?=$|[.,;)])|"
    r"(?:(?:the )?(?:[^\W\d]+ )?(?:mixture|batter|mix|meringue|composto|mélange|hỗn hợp) (?:from|of|in|del|de l'|ở) ?)?"
    r"(?:step|étape|passo|punto|bước) (?P<step>[1-9]\d?))(?!\d)"
)
_KEPT = re.compile(r"(?<!\w)(?:the )?reserved \w+")
_NUTS = re.compile(r"(?<!\w)(?:nuts?|nutty)(?!\w)")
LOOKS = re.compile(r"(?<!\w)(?:soft|stiff|firm|light|thick|fine|dense) $")
DRY = re.compile(r"(?<!\w)(?:dry|secs?|secco|secchi|khô|tamisée?s?|setacciat[aoei]|sifted|sieved)(?!\w)")
A_NEW = re.compile(r"(?<!\w)(?:to|into|until|make|form) (?:an?|une?) (?:[^\W\d]+,? )?$")
REST_OF = re.compile(r"(?<!\w)(?:main|bulk of the|bulk of) $")
_REST_OF_IT = re.compile(
    r"(?<!\w)(?:(?:remaining|leftover|rest of the|remainder of the|other half of the|le reste de la|il resto della|残りの) ?(?:whipped )?)$"
)
WEIGHED_OF = re.compile(r"(?<![\d.,])(\d{1,4}) ?(?:g|gr|grams?|ml) (?:of )?(?:the )?$")
"""“200 g of the batter”."""
MOST_OF_IT = 0.9
RESERVED = "reserved"
CIRCLED = "①②③④⑤⑥⑦⑧⑨⑩⑪⑫⑬⑭⑮⑯⑰⑱⑲⑳"
_A = re.compile(r"(?<!\w)(?:(?:an?|une?|uno|una)(?: \w+)?|to|until) $")
_THE = re.compile(
    r"(?<!\w)(?:the (?:\w+ )?|(?:la|le|les|il|lo|gli|alla|al|della|du|nella|sulla) |l'|dell'|all')([^\W\d_]{4,})(?!\w)"
)
_WORD = re.compile(r"(?<!\w)([^\W\d_]{3,})(?!\w)")
_ANY_PART = {
    *("part", "parts", "mixture", "mix", "base", "batter", "assembly", "method"),
    *("finish", "decoration", "topping", "top", "cake"),
}
"""Words of headings that anything may be called by."""
_APART = re.compile(
    r"[,;をに、]|(?<!\w)(?:and|with|into|onto|over|to|et|e|con|và|với|à|au|aux|dans|al|all|allo|alla|alle|ai|agli|nel|nell|nello|nella|nelle|negli|vào)(?!\w)"
)
_BEHIND = re.compile(r"[のを](1/3|半量|半分|残り|ひとすくい|一部|少量|少し)")


MOST_MADE = 200
"""What a sentence names was among so many results that were made last; a recipe of sixty rows makes fewer."""


def latest(contents: Sequence[Made], test: Test) -> Made | None:
    """The last of the open results that a test suits."""
    return next(filter(test, standing(contents)), None)


def standing(contents: Sequence[Made]) -> Iterator[Made]:
    """The open ones among the last results, the last first."""
    return (m for m in islice(reversed(contents), MOST_MADE) if m.open)


def holds(made: Made, ingredient_id: str) -> bool:
    """Whether an ingredient, by whatever word, is in a result."""
    return any(covers(ingredient_id, i) or i.startswith(f"{ingredient_id}-") for i in made.raw_ids)


def of_ingredient(contents: Sequence[Made], ingredient_id: str) -> Made | None:
    """The open result that an ingredient's name may mean once none of it is left: where much of it is.

    Sugar and water are in too many things to name one.
    """
    if ingredient(ingredient_id).kind in {"sugar", "salt"} or ingredient_id == "water":
        return None

    meant = cache(partial(covers, ingredient_id))

    def much(made: Made) -> bool:
        if not any(map(meant, made.raw_ids)):
            return False
        takes = [t for m in made.upstream() for t in m.takes]
        there = sum(t.grams for t in takes if meant(t.ingredient))
        least = 0.0 if ingredient(ingredient_id).kind == "setting" else 0.2
        # What it was dissolved in is not counted.
        return raw(made) and there > least * sum(t.grams for t in takes if t.ingredient != "water")

    there = [m for m in standing(contents) if much(m)][::-1]
    dry = [m for m in there if m.dry]
    bare = [m for m in dry if not any(other is not m and other in m.upstream() for other in dry)]
    if bare and len(there) > len(bare):
        # “The flour”, of which the cherries were tossed in a spoonful.
        return bare[-1]
    return there[-1] if there else None


def _lines_words(made: Made, words: set[str]) -> bool:
    """Whether a line that went into a result is named by one of these words."""
    return any(w in words for t in made.takes for w in own_words(t.stock.written) if len(w) > 2)


def _called(made: Made, words: set[str]) -> bool:
    """Whether a result may be called so: by its part, or by a line that went into it (“the coconut mixture”)."""
    own = {w for t in made.takes for w in own_words(t.stock.written) if len(w) > 3}
    return bool(words & (made.names | own))


class _Found:
    """References as they are found in a text: no two of the same words."""

    def __init__(self, text: str) -> None:
        self.text = text
        self.references: list[Reference] = []
        self._taken: list[tuple[int, int]] = []
        self._two: list[Reference] = []

    def put(self, made: Made | None, start: int, end: int) -> None:
        """A result that these words mean, if there is one."""
        if made is not None:
            self.take(made, start, end)

    def take(self, made: Made | None, start: int, end: int) -> None:
        """Words that mean a result, or “it”."""
        if self.has(start, end):
            return
        self.references.append(Reference(made, ALL, start, end, self.text[start:end]))
        self._taken.append((start, end))

    def _share(self, made: Made | None, start: int, end: int) -> Share:
        """How much of it is meant, by what stands around these words and behind any others."""
        begins = max([start - NEAR, 0, *(b for _, b in self._taken if b <= start)])
        near = _APART.split(self.text[begins:start])[-1]
        behind = _BEHIND.match(self.text[end:])
        weighed = WEIGHED_OF.search(near)
        if weighed is not None and made is not None:
            return Share(fraction=min(MOST_OF_IT, float(weighed[1]) / max(made.grams(), 1.0)))
        return share_in(f"{near} {behind[1] if behind else ''}")

    def in_order(self) -> list[Reference]:
        """Every reference with its share, in the order of the text."""
        shared = [
            r if r in self._two else r._replace(share=self._share(r.made, r.start, r.end)) for r in self.references
        ]
        return sorted(shared, key=lambda r: r.start)

    def has(self, start: int, end: int) -> bool:
        """Whether words are a reference already."""
        return any(start < b and a < end for a, b in self._taken)

    def both(self, two: Sequence[Made], start: int, end: int) -> None:
        """Words that mean two results."""
        self._two += [Reference(made, ALL, start, end, self.text[start:end]) for made in two]
        self.references += self._two
        self._taken.append((start, end))


class Results:
    """The results that are still open, in the order in which they were made."""

    def __init__(self) -> None:
        self.made: list[Made] = []
        self.here: Made | None = None
        self.numbered: dict[int, Made] = {}
        self.shared_out: list[Made] = []

    def spent(self, test: Test) -> Made | None:
        """What a sentence took whole and another names once more: half each, and it is asked about."""
        for made in reversed(self.made):
            users = [u for m in self.made for u in m.uses if u.made is made]
            if made.open or len(users) != 1 or users[0].fraction is not None or users[0].rest or not test(made):
                continue
            users[0].fraction = made.left = 0.5
            self.shared_out.append(made)
            return made
        return None

    @property
    def open(self) -> list[Made]:
        """What nothing has taken yet, or not all of it."""
        return [m for m in self.made if m.open]

    def last(self, test: Test) -> Made | None:
        """The last of these that a test suits."""
        return latest(self.made, test)

    def _made_of(self, ingredient_id: str) -> bool:
        return any(holds(m, ingredient_id) for m in standing(self.made))

    def _mixture(self, of: str) -> Made | None:
        ids = [n.ingredient for n in find_all(of)]
        if ids:
            with_all = self.last(
                lambda m: raw(m) and all(holds(m, i) for i in ids) and not (m.white_foam and "egg-white" not in ids),
            )
            if with_all is not None:
                return with_all
            kinds = {ingredient(i).kind for i in ids}
            if (len(ids) > 1 or "-" in of) and (some := self.last(lambda m: m.dry and m.of_kind(kinds))):
                # “Le mélange amandes-sucre”, of icing sugar.
                return some
        if DRY.search(of) and (dry := self.last(lambda m: raw(m) and m.dry)) is not None:
            return dry
        if _NUTS.search(of) and (nutty := self.last(lambda m: raw(m) and m.of_kind({"nut"}))) is not None:
            return nutty
        words = {w for w in of.split() if len(w) > 3}
        named = self.last(lambda m: raw(m) and _called(m, words)) if words else None
        if named is not None or ids:
            return named
        return None

    def _unnamed(self, noun: str, named: Sequence[Made | None]) -> Made | None:
        """What “the batter” or “the mixture” is, beside what the clause names already."""

        def free(made: Made) -> bool:
            return made not in named

        if (called := self.last(lambda m: noun in m.names and free(m))) is not None:
            return called
        if noun in {"base", "mass", "paste"} and (
            settled := self.last(lambda m: raw(m) and free(m) and not m.dry and not m.white_foam and not m.is_cream)
        ):
            return settled
        if noun in {"polveri", "poudres", "粉類"}:
            return self.last(lambda m: raw(m) and m.dry and free(m))
        if noun == "生地" and (baked := self.last(lambda m: m.baked and free(m))) is not None:
            return baked
        if noun in {"batter", "dough", "impasto", "pâte", "生地", "bột bánh", "thau bột", "phần bột"}:
            whole = self.last(lambda m: raw(m) and m.floury and not m.dry and free(m))
            return whole or self.last(lambda m: raw(m) and not m.white_foam and not m.dry and free(m))
        here = self.here
        if here is not None and here.open and raw(here) and free(here) and not (here.white_foam and named):
            return here
        return self.last(lambda m: raw(m) and free(m) and not m.dry) or self.last(free)

    def in_text(self, text: str, untouched: Callable[[str], bool], named: Sequence[Made] = ()) -> list[Reference]:
        """Every reference to a result in a plain stretch, in its order.

        Args:
            text: a clause without its verb.
            named: what the verb itself refers to (“fold them”).
            untouched: whether the list still has all of what a word names.
        """
        found = _Found(text)
        self._numbers(found)
        self._reserved(found)
        loose = self._mixtures(found, untouched)
        self._nouns(found, untouched)
        for start, end, noun in loose:
            rest = REST_OF.search(found.text[max(0, start - 12) : start]) is not None
            begun = self.last(lambda m: raw(m) and m.left < 1) if rest else None
            if begun is None and find_all(found.text[start:end]):
                # “The chocolate mixture” is not the bare whites.
                begun = self.last(lambda m: raw(m) and not m.white_foam and not m.dry and not m.is_cream)
            found.put(begun or self._unnamed(noun, [*named, *(r.made for r in found.references)]), start, end)
        self._called(found, untouched)
        for match in _BOTH.finditer(text):
            two = [m for m in reversed(self.made) if m.open and not m.baked][:2][::-1]
            found.both(two, match.start(), match.end())
        for match in _IT.finditer(text):
            found.take(None, match.start(), match.end())
        return found.in_order()

    def _numbers(self, found: _Found) -> None:
        """“③に④を”: the results of numbered steps."""
        for match in _NUMBERED.finditer(found.text):
            told = match["step"] or match["n"]
            n = CIRCLED.index(told) + 1 if told in CIRCLED else int(told)
            made = self.numbered.get(n)
            if made is not None and made.open:
                found.put(made, match.start(), match.end())

    def _mixtures(self, found: _Found, untouched: Callable[[str], bool]) -> list[tuple[int, int, str]]:
        """“The yolk mixture”; what says only “the mixture” comes back, for the end."""
        loose = []
        foods = find_all(found.text)
        for match in _MIXTURE.finditer(found.text):
            noun = "noun" if match["noun"] else "cjk"
            before = found.text[: match.start(noun)]
            if match[noun] == "foam" and LOOKS.search(before):
                # “Whites: soft foam, sugar in 3, firm peaks.”
                continue
            if _A.search(found.text[: match.start()]) and fraction_in(before[-NEAR:]) is None:
                continue
            if any(
                n.start <= match.start(noun) < n.end
                and n.words != match[noun]
                and (untouched(n.words) or not self._made_of(n.ingredient.removesuffix("-paste")))
                for n in foods
            ):
                # “The praline paste” of the list.
                continue
            of = f"{match['of'] or ''} {match['behind'] or ''}".strip()
            if re.fullmatch(FLAVOURED, match[noun]):
                words = {w for w in (match["of"] or "").split() if len(w) > 2}
                tasting = self._mixture(match["of"]) if find_all(match["of"] or "") else None
                tasting = tasting or self.last(lambda m, w=words: raw(m) and _lines_words(m, w))  # type: ignore[misc]
                found.put(tasting, match.start(), match.end(noun))
                continue
            if (
                not find_all(of)
                and not _NUTS.search(of)
                and not DRY.search(of)
                and not any(_called(m, set(of.split())) for m in standing(self.made))
            ):
                loose.append((match.start(noun), match.end(noun), match[noun]))
                continue
            made = self._mixture(of)
            if made is None:
                if find_all(of) and not untouched(of):
                    # “The chocolate batter”, of cocoa: the food only tells its kind.
                    loose.append((match.start(), match.end(noun), match[noun]))
                continue
            own = bool(match["of"] and (find_all(match["of"]) or made.names & set(match["of"].split())))
            behind = find_all(match["behind"] or "")
            found.put(
                made, match.start() if own else match.start(noun), match.end("behind") if behind else match.end(noun)
            )
        return loose

    def _reserved(self, found: _Found) -> None:
        """“The reserved cream”: what was kept back."""
        for match in _KEPT.finditer(found.text):
            found.put(self.last(lambda m: RESERVED in m.names), match.start(), match.end())

    def _nouns(self, found: _Found, untouched: Callable[[str], bool]) -> None:
        """“The whites”, “the syrup”, “the cake”."""
        for pattern, test in NOUNS:
            for match in pattern.finditer(found.text):
                if A_NEW.search(found.text[: match.start()]) or found.has(match.start(), match.end()):
                    # “To a firm meringue”: what becomes of it.
                    continue
                if not (STILL_STOCK.search(match[0]) and untouched(match[0])):
                    rest = _REST_OF_IT.search(found.text[: match.start()]) is not None
                    begun = [m for m in self.open if m.left < 1] if rest else []
                    meant = latest(begun, test) or self.last(test) or (self.spent(test) if rest else None)
                    found.put(meant, match.start(), match.end())

    def _titles(self, text: str) -> list[re.Match[str]]:
        """“Fold tpt into meringue”: words that head a part, without an article."""
        heads = {t.stock.group.lower() for m in standing(self.made) for t in m.takes}
        heads |= {m.part.lower() for m in standing(self.made)}
        words = {h.split()[-1] for h in heads if h and len(h.split()[-1]) > 2} - _ANY_PART
        return [w for w in _WORD.finditer(text) if w[1] in words and A_NEW.search(text[: w.start()]) is None]

    def _called(self, found: _Found, untouched: Callable[[str], bool]) -> None:
        """Parts by the words of their headings: “the dacquoise”; not the food that it is named by."""
        foods = find_all(found.text)
        for match in [*_THE.finditer(found.text), *self._titles(found.text)]:
            word = match[1]
            food = any(n.start <= match.start(1) < n.end and untouched(n.words) for n in foods)
            if not find_all(word) and not food and not untouched(word):
                called = [m for m in self.open if word in m.names]
                found.put(latest(called, raw) or latest(called, lambda _: True), match.start(), match.end())
