"""How much of something a sentence means: all of it, a part, what is left, or so many grams."""

from __future__ import annotations

import re
from typing import NamedTuple

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.ingredients.eggs import EggSize
from kindwhisk.core.reading.amounts import WORDS, amounts
from kindwhisk.core.reading.line import read_line
from kindwhisk.core.reading.names import Named, Shelf, find_all
from kindwhisk.core.reading.plain import is_cjk
from kindwhisk.core.reading.units import MEASURES

SPOON = 0.08
"""What a spoon or two of a batter is of it. Trade habit."""


class Share(NamedTuple):
    """A part: a ``fraction`` of the whole, ``grams``, or the ``rest``; all of it where none of them is said."""

    fraction: float | None = None
    grams: float | None = None
    rest: bool = False

    @property
    def all(self) -> bool:
        """Whether nothing is said but its name."""
        return self.fraction is None and self.grams is None and not self.rest


ALL = Share()
REST = re.compile(
    r"(?<!\w)(?:rest(?!ed|ing)(?: of)?|remaining|remainder|what(?:ever)? is left(?: of)?|leftover|other half|altra metà|autre moitié|nửa còn lại|other two thirds|second and (?:the )?last third|restante?s?|reste d[eu']?|le reste|rimanent[ei]|rimast[oaie]|restant[ei]|residu[oi]|"
    r"resto|còn lại)(?!\w)|残り|残りの"
)
FRACTIONS: tuple[tuple[re.Pattern[str], float], ...] = (
    (re.compile(r"two[- ]thirds|2/3|deux tiers|due terzi"), 2 / 3),
    (re.compile(r"(?<!\w)most(?= of)"), 0.8),
    (re.compile(r"(?<!\w)some (?:of (?:the |it )?|more of )(?=\s*$|(?:\w+ )?(?:cream|buttercream|ganache|filling|mousse|icing|frosting))"), 0.5),
    (re.compile(r"three[- ]quarters|3/4(?! (?:cup|tsp|tbsp|l\b))|trois quarts|tre quarti"), 0.75),
    (re.compile(r"(?<!\w)(?:(?:a|another|one) (?:further )?third|one[- ]third|1/3(?! (?:cup|tsp|tbsp))|un tiers|le tiers|un terzo|một phần ba)|1/3"), 1 / 3),
    (re.compile(r"(?<!\w)(?:(?:a|another|one) (?:further )?quarter|one[- ]quarter|1/4(?! (?:cup|tsp|tbsp|l\b))|un quart|un quarto)(?!\w)"), 0.25),
    (re.compile(r"(?<!\w)(?:one half|half(?! an?\b)|1/2(?! (?:cup|tsp|tbsp|l\b|t\b|inch))|la moitié|moitié|metà|một nửa|nửa)(?!\w)|半量|半分"), 0.5),
    (re.compile(r"(?<!\w)(?:a |one )?(?:large |big |few |generous )?(?:spoon(?:ful)?s?|ladle(?:ful)?|tablespoons?(?= of (?:the )?(?:batter|mixture|foam|egg))|dollop|(?<!by )bit(?! by)|some(?= (?:of )?(?:the )?(?:batter|mixture|foam)(?!\w))|(?<!by )little(?! by)|handful|scoop|cupful|poc[oa](?= )|un peu (?:de|d')|un po'(?: di)?|cuillerées?|cucchiaiat[ae]|(?:small )?part|một ít)(?: of)?(?!\w)|ひとすくい|一部|少量|少し"), SPOON),
)  # fmt: skip
_STILL = re.compile(
    r"[,;]|(?<!\w)(?:and(?! cooled| sieved| sifted)|with|then|to|into|et|avec|e|con|và)(?!\w)|[をにと、]"
)
_BEHIND = re.compile(
    r"^\s*(?P<rest>còn lại|restants?|restantes?|rimanent[ei]|rimast[oaie]|restant[ei]|remaining)|^\s*の?(?P<half>半量|半分|1/3)"
)
NEAR = 28
COUNTING = {w for w, n in WORDS.items() if n >= 2 and " " not in w} | {"one"}
ONE_BY_ONE = re.compile(r"(?:at a time|after (?:the other|another))(?!\w)")

OF_ONE = re.compile(
    r"(?:zest(?:es?)?|rind|peel|juice|jus|scorza|succo) (?:of|from|de|d'|di) ?(?:an?|1|one|une?|uno|un)(?!\w)"
)
BEHIND = re.compile(
    r"(?: as \w+ of (?:them|the eggs)| half of that)?,? (?:(?:say|that is|that makes|so) )(?:about )?\d+ ?(?:g|gr|grams?)(?!\w)|"
    r"\s*\((?:about |ca\.? )?[^()]{1,16}\)|\s*\d+ ?(?:g|gr|gram|grams|ml)(?=\s*(?:$|[,;.)]| (?:rồi|và|and|then)(?!\w)))"
)
AN = re.compile(r"(?<!\w)(?:an?|une?|uno)(?!\w)")
ZEST_OF = re.compile(
    r"(?<!\w)(?:zest(?:es?)?|rind|peel|scorza|buccia) (?:of|from|de|d'|di) ?(?:(?:half an?|an?|one|two|the|half|un|une|\d) )?$"
)
"""What makes a fruit's name mean its peel."""


LABEL = re.compile(
    r" (?:no\.? ?|#)?([abc]|i{1,3}|[1-3])(?=$|[,.;:)]| (?:and|with|in|to|until|et|con|e|avec|over|into)(?!\w))"
)
"""“Sugar B”: which of two lines of one name is meant."""


class Mention(NamedTuple):
    """An ingredient in a sentence and how much of it is meant; ``words`` is how it was said, with its amount."""

    ingredient: str
    words: str
    share: Share
    start: int
    end: int


def fraction_in(text: str) -> float | None:
    """The fraction that a stretch names."""
    return next((value for pattern, value in FRACTIONS if pattern.search(text)), None)


def share_in(text: str) -> Share:
    """What a stretch in front of a name says of how much; amounts are not looked at."""
    if REST.search(text):
        return Share(rest=True)
    part = fraction_in(text)
    return Share(fraction=part) if part is not None else ALL


Stated = tuple[float | None, str, int]
"""Grams that are stated with a name, the words that state them, and where these begin."""


def _stated(before: str, name: Named, text: str, eggs: EggSize) -> Stated:
    """What is stated with a name: behind it, by the name itself, or in front of it."""
    if is_cjk(name.words):
        behind = re.match(r"\s*(?:約)?\d+(?:[./]\d+)?\s*(?:g|ml|cc|個分|個|本|枚|大さじ|小さじ)", text[name.end :])
        if behind:
            words = f"{name.words} {behind[0]}"
            return read_line(words, eggs).grams, words, name.start
        return None, name.words, name.start
    bracket = BEHIND.match(text[name.end :])
    counted = ingredient(name.ingredient).kind == "egg"
    if (
        bracket is not None
        and (said := amounts(bracket[0]))
        # “Whites (aged 24 h)” states none.
        and ((said[0].unit is not None and said[0].unit.kind in MEASURES) or (counted and said[0].unit is None))
    ):
        # “Whipped cream (1/4 pint)”, “dâu tây 100 gram rồi …”.
        words = f"{bracket[0].strip(' ()')} {name.words}"
        return read_line(words, eggs).grams, words, name.start
    if OF_ONE.match(name.words):
        # “Zest of a lemon”: the name says how much.
        return read_line(AN.sub("1", name.words), eggs).grams, name.words, name.start
    if ONE_BY_ONE.match(text[name.end :].lstrip()):
        # “One egg at a time” tells how, not how many.
        return None, name.words, name.start
    return _in_front(before, name, text, eggs)


def _in_front(before: str, name: Named, text: str, eggs: EggSize) -> Stated:
    found = [a for a in amounts(before) if not _STILL.search(before[a.end :]) and len(before) - a.end <= NEAR]
    if not found:
        # A number in words counts only at the start of what is looked at: “separate six eggs”.
        last = [m for m in re.finditer(r"[^\W\d_]+", before) if m.end() > len(before) - NEAR and m[0] in COUNTING][-1:]
        if not last:
            return None, name.words, name.start
        begins = name.start - len(before) + last[0].start()
        words = text[begins : name.end].strip()
        return read_line(words, eggs).grams, words, begins
    # “half of the 120 g”: what stands nearest counts; a plain “a” in front of a name is no amount.
    amount = found[-1]
    begins = name.start - len(before) + amount.start
    words = re.sub(r"[()（）]", " ", text[begins : name.end]).strip()
    if amount.unit is None and re.match(r"(?:an?|une?|uno|una|một)\b", words):
        return None, name.words, name.start
    if re.match(r"(?:half|a third|a quarter|\d/\d)(?: of)? (?:the|your|those) ", words):
        # “Half the whites”: no half white.
        return None, name.words, name.start
    grams = read_line(words, eggs).grams
    return grams, words, begins


def mentions(text: str, eggs: EggSize, shelf: Shelf = ()) -> list[Mention]:
    """Every ingredient that a plain stretch names, with how much of it is meant."""
    found = []
    at = 0
    for name in find_all(text, shelf):
        before = text[at : name.start]
        near = before[-NEAR:]
        near = near[max((m.end() for m in _STILL.finditer(near)), default=0) :]
        grams, words, begins = _stated(before, name, text, eggs)
        share = share_in(near)
        peeled = ZEST_OF.search(before)
        if peeled is not None and (zest := read_line(text[peeled.start() + at : name.end], eggs)).ingredient:
            begins = peeled.start() + at
            share = Share(grams=zest.grams) if not text[begins:].startswith("the ") else ALL
            found.append(Mention(zest.ingredient, text[begins : name.end], share, begins, name.end))
            at = name.end
            continue
        behind = _BEHIND.match(text[name.end :])
        if behind:
            share = Share(rest=True) if behind["rest"] else Share(fraction=fraction_in(behind["half"]))
        if grams is not None and not (share.fraction and "of" in near and not amounts(near)):
            share = Share(grams=grams)
        found.append(Mention(name.ingredient, words, share, begins, name.end))
        label = LABEL.match(text[name.end :])
        if label is not None:
            found[-1] = found[-1]._replace(words=f"{found[-1].words} {label[1]}", end=name.end + label.end())
        at = name.end
    return found
