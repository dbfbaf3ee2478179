"""A sentence cut into clauses: one thing to do each, with the words that belong to it."""

from __future__ import annotations

import re
from collections.abc import Iterator
from typing import NamedTuple

from kindwhisk.core.reading.amounts import amounts, in_figures, measures_in_figures
from kindwhisk.core.reading.method.acts import Act
from kindwhisk.core.reading.method.implied import (
    ANOTHER_LAYER,
    BAKES,
    ON_EACH_LAYER,
    ONE_IN,
    PART_IN,
    SO_FULL,
    TIN,
    implied,
)
from kindwhisk.core.reading.method.verbs import Grammar
from kindwhisk.core.reading.method.verbs.grammar import Verb
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.plain import plain

ELLIPSIS = re.compile(
    r"(?:,| e| et| and) (?=(?:i |les |the )(?:tuorli|jaunes|yolks|albumi|blancs|whites) (?:con|avec|with) )|,\s+(?=(?:the )?\w+ (?:by hand|with (?:a|the) spatula)(?=,|$))|,? and at the (?:very )?end,? (?:of all )?|,? and,? (?:last(?:ly)?|finally)(?: of all)?, |,\s+(?=(?:in |on )?(?:the )?(?:machine|mixer|planetaria|batteur)(?!\w))|,\s+(?:and )?last(?: of all)?,? (?=the (?!third|quarter|half|of )|whites)|,\s+(?=(?:the )?[^\W\d]{3,} in$|(?:the )?rest(?!\w)|le reste(?!\w)|il resto(?!\w)|upside[- ]down|(?:icing sugar|cocoa|sugar) over(?:,|$))|,?\s*followed by\s+(?!half|an? |one )|\s+and\s+(?=(?:then )?the rest(?: of (?:it|them))?$)|(?<=whipped),\s+(?=\d)|,?\s+and\s+(?=\d[^,;]* into the (?:other|second))|,\s+(?=(?:in(?:to)? the )?(?:fridge|freezer|cold room) |overnight [^,;]*in the (?:fridge|freezer))|,\s+(?=(?:onto|over) the |(?:the )?(?:\w+ )?\w+ in (?:with|by) |(?:\w+ ){0,3}(?:tin|pan|tray) \d|\d{2,3} ?(?:°|c\b|f\b|fan\b|degrees\b)[^,;]*\d ?min|[^,;]{3,40} "
    + ON_EACH_LAYER
    + r"|(?!and |then )[^,;]{3,40} on top$|(?:the )?"
    + ANOTHER_LAYER
    + r"(?=,|$))|(?:,|;|\band\b)?\s*(?:(?<!\w)(?:then|finally|lastly|puis|enfin|poi|infine|rồi)(?!\w)),?\s+"
)
_MINUTES = re.compile(r"\d ?(?:min|mins|minutes?|h)(?!\w)")
REST = re.compile(
    r"(?<!\w)(?:(?:the )?rest|the other half|the second and the last third|the remain\w+|le reste|il resto|il restante)(?!\w)"
)
TELLING = re.compile(r"(?:now|and|then|next|plus|also|maintenant|ora|adesso)\b")
"""How a spoken sentence without a verb begins: ``now the whites with the cream of tartar``."""
_WHISKED = {Act.WHIP, Act.BEAT, Act.MIX}
INTO = re.compile(r" (?:into|to) (?:the|it|them)(?!\w)[^,;]*$")
_OVEN_TOLD = re.compile(r"(?:oven|forno|four)(?!\w)")
_HEAT_MINUTES = re.compile(r"(?<!\d)[12]\d\d ?(?:°c|℃|度)\D{0,8}\d{1,3}(?:[~〜-]\d{1,3})? ?分")
_UNROLLED = re.compile(r"unroll(?:,| it,)")
EGGS_OF = re.compile(r"(?<!\w)((?:the )?(?:yolks|whites)) of (?P<count>\d{1,2}|[a-z]{3,6}) eggs(?!\w)")
"""“The yolks of eight eggs”."""
_DONE_TO = re.compile(r"(?!ら|ところ|あと|後)[^\Wのをにとは、。]{1,10}?(?=を)")


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


_LEADS = {
    Act.HEAT, Act.WHIP, Act.BOIL, Act.POUR, Act.BEAT, Act.ADD, Act.BAKE, Act.CHILL, Act.INVERT, Act.TURN_OUT, Act.PIPE,
}  # fmt: skip
"""What a stretch in front of the first verb may tell by itself."""
LAYS = re.compile(rf"[^,;]{{3,40}} {ON_EACH_LAYER}")
"""“Soak, cream and strawberries on each layer”."""
_LAID = {Act.PIPE, Act.SPREAD, Act.JOIN, Act.COAT, Act.TOP}
TOPS = re.compile(r"[^,;]{3,40} on top")
"""“Dollop on, mango and passion fruit on top.”"""
_BRINGS = {Act.ADD, Act.FOLD, Act.MIX}
STIFF_ONES = re.compile(
    r"(?:the |les |gli )?(?:(?<!\w)(?:stiff(?:ly)?|beaten|whipped|whisked)(?: \w+)? whites|blancs (?:bien )?(?:battus|montés)|albumi (?:ben )?montati)"
)
"""“Add the flour, last the stiff whites.”"""
_OF_THEIR_OWN = {Act.JOIN, Act.TOP, Act.COOL, Act.WHIP, Act.BAKE, Act.FOLD, Act.CHILL, Act.INVERT, Act.DUST}
"""What a stretch behind a verb may tell by itself; any other goes on with the verb."""
_TILL_THICK = re.compile(
    r"\d+ ?min[^,;]*(?:speed|on high|mixer|whisk)|(?:on )?(?:high|top|full) speed|(?:till|until|jusqu\w*) (?:it is |they are )?(?:thick|pale|fluffy|cold|tripled|ribbon|au ruban|froid)"
)
_MADE = re.compile(
    r"(?:the )?(?:\w+ )?(?:nuts|powders|dry (?:ingredients|mix|goods)|whites|yolks|meringue|batter|mixture|custard|syrup|foam|cream|extract)"
)
"""“…, then the nuts”: what was made ready."""


def weighed_food(text: str) -> bool:
    """Whether a plain stretch is an amount and its food: “ninety grams of sugar”."""
    found = amounts(in_figures(text))
    return bool(find_all(text)) and bool(found) and found[0].start <= 1


def _pieces(text: str, start: int, end: int) -> Iterator[tuple[int, int]]:
    """A stretch cut where something else follows: ``…, then the flour``."""
    at = start
    for match in ELLIPSIS.finditer(text, start, end):
        begins = match.start() > at or (match.start() == at == start and LAYS.match(text, match.end()))
        if begins and text[match.end() : end].strip():
            yield at, match.start()
            at = match.end()
    yield at, end


def _then_foods(words: str, number: int) -> Iterator[Clause]:
    """“Unroll, jam, whipped cream”: each is spread."""
    for part in words.split(",")[1:]:
        if find_all(part):
            yield Clause(Act.SPREAD, part.strip(), (0, 0), number, True, True)


_WHERE = re.compile(r"(?:in|on|into|onto|using|with|for|over) ")


def _before_verb(first: Verb, text: str, number: int) -> Iterator[tuple[Clause, int]]:
    """Clauses of what stands before the first verb, each with where the text after it begins."""
    lead = text[: first.start].strip(" ,;:-+")
    start = 0
    if lead and re.search(r"[,;:.+(]|\b(?:then|and)\s*$", text[: first.start]):
        for a, b in _pieces(lead, 0, len(lead)):
            words = lead[a:b].strip(" ,;")
            act = implied(words)
            if (
                act is Act.POUR
                and not text[: first.start].rstrip().endswith((",", ";"))
                and _WHERE.match(words.rpartition(": ")[2])
            ):
                # “In a 20 cm ring place one disc”: it only says where.
                continue
            clause = Clause(act or Act.NOTHING, words, (0, 0), number, start > 0, guessed=True)
            if act is Act.FOLD and PART_IN.match(lead[a:b]):
                # “1/3 in with the whisk, rest fold.”
                start = text.index(lead) + b
                yield clause, start
            if act is None and first.act is Act.BAKE and TIN.search(words):
                # “Ungreased tin, bake at 160 °C”.
                act = Act.POUR
                clause = clause._replace(act=act)
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
                again = Act.FOLD if STIFF_ONES.match(rest) and verb.act in _BRINGS else implied(rest)
                again = Act.TOP if TOPS.fullmatch(rest) and verb.act in _LAID else again
                if again in _OF_THEIR_OWN:
                    yield Clause(again, rest, (0, 0), number, True, True)
                elif verb.act is Act.HEAT and _TILL_THICK.match(rest):
                    # “Whisk warm to 40 °C, then till thick.”
                    yield Clause(Act.WHIP, rest, (0, 0), number, True, True)
                elif again is Act.HEAT or find_all(rest) or REST.search(rest) or _MADE.fullmatch(rest.split(",")[0]):
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
    if len(told) == 1 and _OVEN_TOLD.match(told[0].text) and BAKES.search(told[0].text):
        # “Forno statico 170 gradi, 40 minuti.”
        yield told[0]._replace(act=Act.BAKE)
        return
    for clause in told:
        filled = told[0].act in {Act.POUR, Act.SPREAD, Act.PIPE}
        if not bakes and filled and clause.act is Act.PREHEAT and BAKES.search(in_figures(clause.text)):
            # “A tin of 18 cm, oven 160 °C, 55 minutes”.
            yield Clause(Act.BAKE, clause.text, (0, 0), clause.sentence, True, True)
            continue
        yield clause
        if not bakes and clause.act in {Act.POUR, Act.SPREAD, Act.PIPE} and BAKES.search(in_figures(clause.text)):
            yield Clause(Act.BAKE, clause.text, (0, 0), clause.sentence, True, True)


_STACKED = re.compile(
    r"(?:assembly: |montage ?: |montaggio: )?(?:(?:in|into|dans|mount in) )?(?:an? |the |une? |le )?[^:,]{0,24}(?<!\w)(?:ring|tin|mould|mold|frame|cercle|moule|anello|stampo)(?!\w)[^:,]{0,12} ?: (?P<parts>[^.]+,[^.]+)$"
)
"""“In an 18 cm ring: half of the mousse, insert, rest of the mousse, disc.”"""


def _stacks(match: re.Match[str], number: int) -> Iterator[Clause]:
    """What is put into a ring one upon the other, each by itself."""
    for n, part in enumerate(match["parts"].split(",")):
        words = part.strip()
        words = words if re.match(r"the |an? |half|la |le |les |il |lo |\d", words) else f"the {words}"
        creamy = n == 0 or REST.search(words) or re.search(r"half|moitié|metà", words)
        yield Clause(
            Act.POUR if creamy else Act.TOP, f"{words} into the ring" if creamy else words, (0, 0), number, n > 0, True
        )


_LAYERED = re.compile(
    r"(?:build|build[- ]up|assembly|assemble|layers?|stack|order|montage|montaggio|assemblage)(?: the \w+)? ?[:–-] ?(?P<parts>(?:(?:the |a |one |1 |\d )?[^\W\d]+(?: [^\W\d]+){0,2}, ){2,}[^,.;]+)$"
)
"""“Build: disc, cream, disc, cream, disc”."""
_SYRUPY = re.compile(r"(?<!\w)(?:syrup|soak|sirop|bagna|punch)(?!\w)")


def _layers(match: re.Match[str], number: int) -> Iterator[Clause]:
    """What is stacked in turns: a syrup soaks, everything else lies between, each once."""
    parts = list(dict.fromkeys(p.strip().removesuffix("s") for p in match["parts"].split(",")))
    wet = [p for p in parts if _SYRUPY.search(p)]
    for part in wet:
        yield Clause(Act.SOAK, f"soak with the {part}", (0, 4), number, False, True)
    dry = ", the ".join(p for p in parts if p not in wet)
    yield Clause(Act.JOIN, f"layer the {dry}", (0, 5), number, bool(wet), True)


HEADS = re.compile(r"(?: upside[- ]down| the (?:cake|roll|entremet)| it| together)?:")


def clauses(sentence: str, grammar: Grammar, number: int = 0) -> list[Clause]:
    """The things to do that a sentence names, in its order.

    A stretch without a verb that names ingredients and how they should look (``whites stiff``) is one too.
    """
    text = grammar.addressed(EGGS_OF.sub(r"\1", measures_in_figures(plain(sentence)).rstrip(" .!")))
    if (stacked := _STACKED.match(text)) is not None:
        return list(_stacks(stacked, number))
    if (layered := _LAYERED.match(text)) is not None:
        return list(_layers(layered, number))
    found = list(grammar.verbs(text))
    heads = HEADS.match(text, found[0].end) if len(found) > 1 and found[0].start == 0 else None
    if heads is not None:
        # “Combine: fold a third into the batter”: only a heading.
        text = text[heads.end() :].lstrip()
        found = list(grammar.verbs(text))
    if grammar.verb_last:
        return list(_verb_last(found, text, number) if found else _only_oven(text, number))
    if found:
        return list(_with_bake(list(_first_last(found, text, number))))
    told: list[Clause] = []
    for part in re.split(r"[.;]\s+", text):
        for a, b in _pieces(part, 0, len(part)):
            told = _with_piece(told, part[a:b].strip(" ,;:"), number)
    return told


def _with_piece(told: list[Clause], words: str, number: int) -> list[Clause]:
    """What a stretch without a verb tells, behind those before it."""
    act = implied(words)
    into = act is Act.POUR and _MINUTES.search(words) is not None
    held = act is Act.BAKE and (TIN.search(words) or SO_FULL.search(words) or re.match(r"\d ?x ?\d{2}", words))
    if not told and (into or held):
        # “Into the pan, 30 minutes or till a pick comes out clean.”
        told = [Clause(Act.POUR, words, (0, 0), number, False, guessed=True)]
        act = Act.BAKE
    if act is None:
        act = _goes_on_with(told, words)
    if act is Act.ADD and ONE_IN.fullmatch(words):
        # “Oil, juice, water, zest in.”
        told = [c._replace(act=Act.ADD) if c.act is Act.PUT else c for c in told]
    return told if act is None else [*told, Clause(act, words, (0, 0), number, bool(told), guessed=True)]


def _goes_on_with(told: list[Clause], words: str) -> Act | None:
    """What words that tell nothing by themselves mean behind others."""
    last = told[-1].act if told else None
    if last is Act.HEAT and _TILL_THICK.match(words):
        return Act.WHIP
    if last is not None and REST.match(words):
        return last
    if not find_all(words):
        return None
    if last in _WHISKED:
        # “Whites: foamy, then sugar in 3, to stiff peaks”.
        return Act.ADD
    if amounts(words) or TELLING.match(words) or len(words) < 24 or " + " in words:
        return Act.ADD if re.match(r"(?:and|plus|et|e|và)\b|\+ ?\d", words) else Act.PUT
    return None
