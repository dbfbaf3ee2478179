"""A method cut into sentences, and a sentence into clauses: one thing to do each, with the words that belong to it."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterator
from typing import NamedTuple

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.reading.amounts import amounts, in_figures
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.verbs import Grammar
from kindwhisk.core.reading.method.verbs.grammar import Verb
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.plain import plain

LONGEST_SENTENCE = 380
ENDS = re.compile(r"\s+(?:→|->|=>|⇒)\s+|(?<=[.!?;。])(?:\s+|(?<=。))|\n+")
NOT_AN_END = re.compile(
    r"(?:\b(?:approx|ca|min|mins|env|no|pp?|th|fig|c|pt|qt|pkg|tbsp|tsp|oz|degrees [fc]|° ?[fc]|lb|etc|q\.b|vs)|^\s*\d{1,2})\.$",
    re.IGNORECASE,
)
DASH = re.compile(r"\s+[–—-]\s+")
STEP = re.compile(
    r"^\s*(?:(?:step|bước|étape|passo|fase)\s*)?(?:(?P<n>\d{1,2})\s*(?:[.):：）|](?!\d)|[-/](?=\s))|(?P<circled>[①-⑳])|(?P<letter>[a-h])\)(?=\s))\s*[:.]?\s*|^\s*(?:step|bước|étape|passo|fase)\s+(?P<told>\d{1,2})(?!\d)[\s:.)–-]*|^\s*(?P<bare>\d{1,2})\s+(?=(?-i:[A-Z][a-z])|\d+(?:に|を|℃|度)|[\u3040-\u9fff])",
    re.IGNORECASE,
)
ELLIPSIS = re.compile(
    r",? and at the (?:very )?end,? (?:of all )?|,\s+(?=(?:the )?[^\W\d]{3,} in$|(?:the )?rest(?!\w)|upside[- ]down|(?:icing sugar|cocoa|sugar) over(?:,|$))|,?\s*followed by\s+(?!half|an? |one )|(?<=whipped),\s+(?=\d)|,?\s+and\s+(?=\d[^,;]* into the (?:other|second))|,\s+(?=(?:in(?:to)? the )?(?:fridge|freezer) |overnight [^,;]*in the (?:fridge|freezer))|,\s+(?=(?:onto|over) the |(?:the )?(?:\w+ )?\w+ in (?:with|by) |(?:\w+ ){0,3}(?:tin|pan|tray) \d|\d{2,3} ?(?:°|c\b|f\b|fan\b)[^,;]*\d ?min)|(?:,|;|\band\b)?\s*(?:(?<!\w)(?:then|finally|lastly|puis|enfin|poi|infine|rồi)(?!\w)),?\s+"
)
OVER_WATER = re.compile(
    r"over (?:a )?(?:\w+ ){0,3}(?:simmering|hot|barely|warm|boiling) ?\w* ?water|double boiler|(?<!off the )(?<!from the )(?:water[- ]?bath|bain[- ]?marie)(?<!du bain-marie)(?<!du bain marie)|over water|over the (?:bath|bain)(?!\w)|"
    r"over a (?:pan|pot|saucepan) of|set over (?:a )?\w* ?(?:simmering|hot|water)|(?<!dal )bagnomaria|湯煎(?!から)|cách thủy|trên nồi nước"
)
_STIFF = re.compile(r"\b(?:stiff|peaks?|firm|neige|foamy|frothy|snow|to (?:a )?foam)\b")
_PALE = re.compile(r"\b(?:pale|thick|creamy|ribbon|fluffy|trail)\b")
_BAKES = re.compile(
    r"\d{2,3}\s*(?:°\s*[cf]?|c\b|f\b|º|fan\b|degrees|gradi|degrés|độ|度).*?\d\s*(?:min|分|h\b|hour|phút|ore\b)|\d{2,3}\s*(?:°|degrees).*?(?:\d\s*h\s*\d|hour)|\d{2,3} ?[cf]\b.{0,6}\d ?hr?\b|(?<!\d)(?:1[0-9]|2[0-4]|3[0-7])[05](?: \w+)? for (?:about )?\d+.{0,10}?min|\d\s*min.*?\d{2,3}\s*(?:°|c\b|f\b)"
)
_MINUTES = re.compile(r"\d ?(?:min|mins|minutes?|h)(?!\w)")
_TIN = re.compile(
    r"\b(?:springforms?|tins?|pans?|moulds?|trays?|rings?|dish|stampo|teglia|tortiera|moule|plaque|cercle|khuôn|khay)\b|型|天板"
)
REST = re.compile(
    r"(?<!\w)(?:(?:the )?rest|the other half|the second and the last third|the remain\w+|le reste|il resto|il restante)(?!\w)"
)
TELLING = re.compile(r"(?:now|and|then|next|plus|also|maintenant|ora|adesso)\b")
"""How a spoken sentence without a verb begins: ``now the whites with the cream of tartar``."""
_WHISKED = {Act.WHIP, Act.BEAT, Act.MIX}
_WHIPPED = re.compile(r"(?<!\w)(?:whipped|fouettée|montata)$")
_UPSIDE = re.compile(r"(?:upside[- ]down|inverted)(?!\w)")
_BEATEN = re.compile(r"(?<!\w)(?:whisked|beaten|mixed|stirred)(?! egg| white)(?!\w)")
DUSTS = {"icing-sugar", "cocoa", "sugar"}
"""What is sieved over a thing, where it goes on top."""
_ON_TOP = re.compile(r"(?<!\w)(?:on top|over(?=,|$))(?!\w)")
INTO = re.compile(r" (?:into|to) (?:the|it|them)(?!\w)[^,;]*$")
_ONE_IN = re.compile(r"(?:the )?[^\W\d]{3,} in")
"""“Zest in.”"""
_EGGS = {"whole-egg", "egg-yolk", "egg-white"}
_EGGS_WARM = re.compile(r"(?<!\d)(?:3[5-9]|[4-6]\d) ?(?:°|c(?!\w))")
_STROKES = re.compile(r"\d ?(?:folds|strokes|turns)(?!\w)")
_NOZZLE = re.compile(r"(?<!\w)(?:nozzle|piping bag|douille|bocchetta)(?!\w)")
_PART_IN = re.compile(r"(?:(?:one|a) (?:third|quarter)|\d/\d|half|(?:the )?rest)(?: of \w+)?,? in(?!\w)")
_BY_HAND_IN = re.compile(r"(?:the )?(?:\w+ )?\w+ in (?:with|by) (?:an? )?(?:hand|spatula|whisk|spoon)")
_OVEN_TOLD = re.compile(r"(?:oven|forno|four)(?!\w)")
_HEAT_MINUTES = re.compile(r"(?<!\d)[12]\d\d ?(?:°c|℃|度)\D{0,8}\d{1,3}(?:[~〜-]\d{1,3})? ?分")
_UNROLLED = re.compile(r"unroll(?:,| it,)")
EGGS_OF = re.compile(r"(?<!\w)((?:the )?(?:yolks|whites)) of (?P<count>\d{1,2}|[a-z]{3,6}) eggs(?!\w)")
"""“The yolks of eight eggs”."""
_ONTO = re.compile(r"(?:onto|over|into) the (?!oven|fridge|freezer|refrigerator)")
_COLD = re.compile(r"(?:and |then )?(?:in(?:to)? the |in |au )?(?:fridge|freezer|frigo|refrigerator)(?!\w)")
_INTO_OVEN = re.compile(r"(?<!\w)into the oven(?!\w)")
_DONE_TO = re.compile(r"(?!ら|ところ|あと|後)[^\Wのをにとは、。]{1,10}?(?=を)")
_SYRUP = re.compile(r"(?<!\d)1[0-6]\d(?!\d)(?! ?(?:g|gr|grams?|grammes?|grammi|ml|mils?)\b| (?:\w+ )?(?:sugar|flour))")
_GOES_IN = re.compile(
    r"(?<!\w)(?:go(?:es)? in|in (?:at the end|last|now|too)|in$|in(?:to)? the|onto|sifted (?:in|over|on)|on top)(?!\w)"
)
_MIXER = re.compile(r"^(?:stand )?mixer(?!\w)|(?<!\w)(?:(?:in|on)(?:to)? the (?:stand )?mixer|by machine)")


class Clause(NamedTuple):
    """One thing to do.

    ``text`` is plain and goes from what belongs to it to the next verb; ``verb`` is where the verb stands in it (start
    and end); ``sentence`` is the sentence's number, ``before`` whether it follows another clause of that sentence.
    """

    act: Act
    text: str
    verb: tuple[int, int]
    sentence: int
    follows: bool = False
    guessed: bool = False

    @property
    def said(self) -> str:
        """Its words without the verb."""
        return f"{self.text[: self.verb[0]]} {self.text[self.verb[1] :]}".strip()

    @property
    def after(self) -> str:
        """Its words behind the verb."""
        return self.text[self.verb[1] :]

    @property
    def ahead(self) -> str:
        """Its words in front of the verb."""
        return self.text[: self.verb[0]]


def sentences(text: str) -> list[str]:
    """A method cut into sentences, as they were written; numbers of steps and bullets are left out."""
    found: list[str] = []
    for piece in _short(ENDS.split(text)):
        words = piece.strip()
        if not words:
            continue
        if found and NOT_AN_END.search(found[-1]) and not words[0].isupper():
            found[-1] = f"{found[-1]} {words}"
        else:
            found.append(words)
    bare = (_undashed(STEP.sub("", s, count=1).strip(" -*•·・→")) for s in found)
    return [s for s in bare if len(s) > 1]


def _undashed(sentence: str) -> str:
    """“Yolks + sugar – whisk – oil – whisk”: dashes in place of commas."""
    return DASH.sub(", ", sentence) if len(DASH.findall(sentence)) > 1 else sentence


def _short(pieces: list[str]) -> Iterator[str]:
    """Pieces no longer than can be read at once: what runs on without an end is cut at a comma."""
    for piece in pieces:
        rest = piece
        while len(rest) > LONGEST_SENTENCE:
            cut = max(rest.rfind(mark, 0, LONGEST_SENTENCE) for mark in (", ", "、", " and ", " "))
            cut = cut if cut > 0 else LONGEST_SENTENCE
            yield rest[:cut]
            rest = rest[cut:].lstrip(", 、")
        yield rest


def step_number(text: str) -> int | None:
    """The number that stands in front of a step."""
    match = STEP.match(text)
    if match is None:
        return None
    if match["circled"]:
        return ord(match["circled"]) - ord("①") + 1
    if match["letter"]:
        return ord(match["letter"].lower()) - ord("a") + 1
    return int(match["n"] or match["told"] or match["bare"])


def _sweet_and_hot(text: str, names: set[str]) -> bool:
    return any(ingredient(i).kind == "sugar" for i in names) and bool(_SYRUP.search(text))


_IMPLIED: tuple[tuple[Callable[[str, set[str]], object], Act], ...] = (
    (lambda text, names: names and OVER_WATER.search(text), Act.HEAT),
    (lambda text, names: names & _EGGS and _EGGS_WARM.search(text), Act.HEAT),
    (lambda text, names: names and re.search(r"through the (?:blender|mixer|processor|sieve)", text), Act.SIFT),
    (lambda text, names: names and _STROKES.search(text), Act.FOLD),
    (lambda text, _: _MIXER.search(text), Act.WHIP),
    (lambda text, names: "egg-white" in names and _STIFF.search(text), Act.WHIP),
    (lambda text, names: names & {"egg-yolk", "whole-egg"} and _PALE.search(text), Act.WHIP),
    (
        lambda text, names: any(n.startswith("cream") for n in names) and amounts(text) and _WHIPPED.search(text),
        Act.WHIP,
    ),
    (lambda text, _: _NOZZLE.search(text) and re.search(r"\d", text), Act.PIPE),
    (lambda text, _: _BAKES.search(in_figures(text)), Act.BAKE),
    (lambda text, _: re.fullmatch(r"1[4-9]\d ?(?:for|/) ?\d{2}(?: ?min\w*)?", text), Act.BAKE),
    (lambda text, _: re.search(r"(?<!\w)deck(?: oven)? \d{3}", text), Act.BAKE),
    (lambda text, _: _TIN.search(text) and re.search(r"\d", text), Act.POUR),
    (
        lambda text, _: re.match(
            r"(?:in(?:to)? (?:the )?)?(?:tins?|trays?|pans?|glasses|verrines|moulds?)(?=,|$)", text
        ),
        Act.POUR,
    ),
    (lambda text, _: re.match(r"off the (?:tray|sheet|tin)(?!\w)", text), Act.TURN_OUT),
    (
        lambda text, _: re.search(
            r"(?<!\w)into the (?:lined |greased |buttered )?(?:frame|tin|mould|pan|tray|ring)s?$", text
        ),
        Act.POUR,
    ),
    (lambda text, _: re.match(r"(?:overnight|\d+ ?h\w*) [^,;]*in the (?:fridge|freezer)", text), Act.CHILL),
    (lambda text, _: _UPSIDE.match(text), Act.INVERT),
    (_sweet_and_hot, Act.BOIL),
    (lambda text, _: re.match(r"(?:the )?(?:\w+ )?syrup to (?:about )?1[0-3]\d", text), Act.BOIL),
    (lambda text, _: re.match(r"(?:the )?(?:\w+ )?syrup .*(?:stream|thread)|syrup on", text), Act.POUR),
    (
        lambda text, _: re.match(
            r"(?:the )?(?:\w+ )?(?:meringue|whites|foam|cream|snow) into (?!the (?:bag|tin))", text
        ),
        Act.FOLD,
    ),
    (
        lambda text, _: re.fullmatch(
            r"(?:the )?(?:\w+ )?(?:yolks|whites|meringue|foam|cream|snow|flour) into (?:the )?\w+", text
        ),
        Act.FOLD,
    ),
    (lambda text, names: names and _BEATEN.search(text), Act.BEAT),
    (lambda text, _: _PART_IN.match(text), Act.FOLD),
    (lambda text, names: names and _BY_HAND_IN.match(text), Act.FOLD),
    (lambda text, _: _ONTO.match(text), Act.POUR),
    (lambda text, _: _COLD.match(text), Act.CHILL),
    (lambda text, _: _INTO_OVEN.search(text), Act.BAKE),
    (lambda text, _: _ONE_IN.fullmatch(text), Act.ADD),
    (lambda text, names: names and names <= DUSTS and _ON_TOP.search(text), Act.DUST),
    (lambda text, names: names and _GOES_IN.search(text), Act.ADD),
)
"""What a stretch without a verb tells one to do, by what else it says; the first that suits it."""


_LEADS = {
    Act.HEAT, Act.WHIP, Act.BOIL, Act.POUR, Act.BEAT, Act.ADD, Act.BAKE, Act.CHILL, Act.INVERT, Act.TURN_OUT,
}  # fmt: skip
"""What a stretch in front of the first verb may tell by itself."""
_OF_THEIR_OWN = {Act.WHIP, Act.BAKE, Act.FOLD, Act.CHILL, Act.INVERT, Act.DUST}
"""What a stretch behind a verb may tell by itself; any other goes on with the verb."""


def _implied(text: str) -> Act | None:
    names = {n.ingredient for n in find_all(text)}
    return next((act for says, act in _IMPLIED if says(text, names)), None)


def weighed_food(text: str) -> bool:
    """Whether a plain stretch is an amount and its food: “ninety grams of sugar”."""
    found = amounts(in_figures(text))
    return bool(find_all(text)) and bool(found) and found[0].start <= 1


def _pieces(text: str, start: int, end: int) -> Iterator[tuple[int, int]]:
    """A stretch cut where something else follows: ``…, then the flour``."""
    at = start
    for match in ELLIPSIS.finditer(text, start, end):
        if match.start() > at and text[match.end() : end].strip():
            yield at, match.start()
            at = match.end()
    yield at, end


def _then_foods(words: str, number: int) -> Iterator[Clause]:
    """“Unroll, jam, whipped cream”: each is spread."""
    for part in words.split(",")[1:]:
        if find_all(part):
            yield Clause(Act.SPREAD, part.strip(), (0, 0), number, True, True)


def _before_verb(first: Verb, text: str, number: int) -> Iterator[tuple[Clause, int]]:
    """Clauses of what stands before the first verb, each with where the text after it begins."""
    lead = text[: first.start].strip(" ,;:-+")
    start = 0
    if lead and re.search(r"[,;:.+(]|\b(?:then|and)\s*$", text[: first.start]):
        for a, b in _pieces(lead, 0, len(lead)):
            words = lead[a:b].strip(" ,;")
            act = _implied(words)
            if act is Act.POUR and not text[: first.start].rstrip().endswith((",", ";")):
                # “In a 20 cm ring place one disc”: it only says where.
                continue
            clause = Clause(act or Act.NOTHING, words, (0, 0), number, start > 0, guessed=True)
            if act is Act.FOLD and _PART_IN.match(lead[a:b]):
                # “1/3 in with the whisk, rest fold.”
                start = text.index(lead) + b
                yield clause, start
            if act in _LEADS:
                start = first.start
                yield clause, start
    if start == 0 and first.act is Act.ADD and re.search(r",\s*$", text[: first.start]) and weighed_food(lead):
        # “Three whites, add 40 g sugar”.
        yield Clause(Act.PUT, lead, (0, 0), number, False, guessed=True), first.start


def _first_last(found: list[Verb], text: str, number: int) -> Iterator[Clause]:
    """Clauses of a language that says the verb first."""
    before = list(_before_verb(found[0], text, number))
    yield from (clause for clause, _ in before)
    start = before[-1][1] if before else 0
    for i, verb in enumerate(found):
        end = found[i + 1].start if i + 1 < len(found) else len(text)
        begin = start if i == 0 else verb.start
        pieces = list(_pieces(text, verb.end, end))
        tail = INTO.search(text[pieces[-1][0] : pieces[-1][1]]) if len(pieces) > 1 and verb.act is Act.FOLD else None
        for n, (a, b) in enumerate(pieces):
            if n == 0:
                words = text[begin:b].rstrip(" ,;:")
                if tail is not None and INTO.search(words) is None:
                    # “Fold the whites, then the cream into the mango”: both into it.
                    words += tail[0].rstrip(" ,;:")
                yield Clause(verb.act, words, (verb.start - begin, verb.end - begin), number, i > 0 or start > 0)
                if verb.act is Act.HAND and _UNROLLED.match(words):
                    yield from _then_foods(words, number)
            elif rest := text[a:b].strip(" ,;:."):
                again = _implied(rest)
                if again in _OF_THEIR_OWN:
                    yield Clause(again, rest, (0, 0), number, True, True)
                elif again is Act.HEAT or find_all(rest) or REST.search(rest):
                    yield Clause(verb.act, rest, (0, 0), number, True, True)


def _verb_last(found: list[Verb], text: str, number: int) -> Iterator[Clause]:
    """Clauses of a language that says the verb last; what stands behind the last one tells of it too."""
    at = 0
    for i, verb in enumerate(found):
        end = verb.end if i + 1 < len(found) else len(text)
        if i + 1 < len(found) and text[:end].endswith("た") and (noun := _DONE_TO.match(text, end)) is not None:
            # 泡立てた生クリームを塗る: what stands behind it is what it was done to.
            end = noun.end()
        at += len(text[at:end]) - len(text[at:end].lstrip("、。, "))
        yield Clause(verb.act, text[at:end].rstrip("、。, "), (verb.start - at, verb.end - at), number, i > 0)
        at = max(end, verb.end) if i + 1 < len(found) else verb.end


def _only_oven(text: str, number: int) -> Iterator[Clause]:
    """18cm型、170℃40分: the tin and the oven, without a verb."""
    if _HEAT_MINUTES.search(text):
        if "型" in text or "天板" in text:
            yield Clause(Act.POUR, text, (0, 0), number, False, guessed=True)
        yield Clause(Act.BAKE, text, (0, 0), number, False, guessed=True)


def _with_bake(told: list[Clause]) -> Iterator[Clause]:
    """``Spread, 210 C 9 min``: filled, and baked as the same words say."""
    bakes = any(c.act is Act.BAKE for c in told)
    if len(told) == 1 and _OVEN_TOLD.match(told[0].text) and _BAKES.search(told[0].text):
        # “Forno statico 170 gradi, 40 minuti.”
        yield told[0]._replace(act=Act.BAKE)
        return
    for clause in told:
        filled = told[0].act in {Act.POUR, Act.SPREAD, Act.PIPE}
        if not bakes and filled and clause.act is Act.PREHEAT and _BAKES.search(clause.text):
            # “A tin of 18 cm, oven 160 °C, 55 minutes”.
            yield Clause(Act.BAKE, clause.text, (0, 0), clause.sentence, True, True)
            continue
        yield clause
        if not bakes and clause.act in {Act.POUR, Act.SPREAD, Act.PIPE} and _BAKES.search(clause.text):
            yield Clause(Act.BAKE, clause.text, (0, 0), clause.sentence, True, True)


def clauses(sentence: str, grammar: Grammar, number: int = 0) -> list[Clause]:
    """The things to do that a sentence names, in its order.

    A stretch without a verb that names ingredients and how they should look (``whites stiff``) is one too.
    """
    text = grammar.addressed(EGGS_OF.sub(r"\1", plain(sentence).rstrip(" .!")))
    found = list(grammar.verbs(text))
    if len(found) > 1 and found[0].start == 0 and text[found[0].end :].startswith(":"):
        # “Combine: fold a third into the batter”: only a heading.
        text = text[found[0].end + 1 :].lstrip()
        found = list(grammar.verbs(text))
    if grammar.verb_last:
        return list(_verb_last(found, text, number) if found else _only_oven(text, number))
    if found:
        return list(_with_bake(list(_first_last(found, text, number))))
    told: list[Clause] = []
    for part in re.split(r"[.;]\s+", text):
        for a, b in _pieces(part, 0, len(part)):
            words = part[a:b].strip(" ,;:")
            act = _implied(words)
            if act is Act.POUR and _MINUTES.search(words) and not told:
                # “Into the pan, 30 minutes or till a pick comes out clean.”
                told.append(Clause(Act.POUR, words, (0, 0), number, False, guessed=True))
                act = Act.BAKE
            if act is Act.BAKE and _TIN.search(words) and not told:
                told.append(Clause(Act.POUR, words, (0, 0), number, bool(told), guessed=True))
            if act is None and told and REST.match(words):
                act = told[-1].act
            if act is None and told and told[-1].act in _WHISKED and find_all(words):
                # “Whites: foamy, then sugar in 3, to stiff peaks”.
                act = Act.ADD
            if act is None and find_all(words) and (amounts(words) or TELLING.match(words) or len(words) < 24):
                act = Act.ADD if re.match(r"(?:and|plus|et|e|và)\b|\+ ?\d", words) else Act.PUT
            if act is not None:
                told.append(Clause(act, words, (0, 0), number, bool(told), guessed=True))
    return told
