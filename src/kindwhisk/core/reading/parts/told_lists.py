"""Sentences that list what is needed, as spoken: “you need four eggs, ninety grams of sugar and …”."""

from __future__ import annotations

import re
from collections.abc import Callable, Iterable, Sequence

from kindwhisk.core.reading.amounts import amounts, in_figures
from kindwhisk.core.reading.method.clauses import weighed_food
from kindwhisk.core.reading.method.verbs import Grammar
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.parts.lists import SHORT, in_one_row, part_first, with_how
from kindwhisk.core.reading.parts.row import Row, RowKind
from kindwhisk.core.reading.plain import plain

NEEDS = re.compile(
    r"(?:(?:so|ok|okay|and|right|well),? )*(?:\w+, )?(?:you(?:'ll| will)?|we|i) (?:need|want|use)(?: about)?:? |(?<![^\s])(?:take|gather)(?: about)?:? |(?:^|\. )(?:(?:it|this) (?:is|takes|needs|wants)|(?:that's|that is)) (?=\w+ eggs|\d|(?:\w+[ -]){1,2}(?:egg|yolk|white|gram))|il (?:vous )?faut:? |(?:ti |vi |ci |mi )?(?:serv(?:e|ono)|occorrono|vogliono|vuole):? ",
    re.IGNORECASE,
)
"""How a sentence begins that lists what is needed."""

OPENS = re.compile(r"^(?:(?:so|okay|ok|right|well|it's|it is|there's|there are|that's),? )+(?=\w+ )")
FOR_PART = re.compile(r"(?:and )?for (?:the )?(?P<name>[^\W\d]+(?: [^\W\d]+)?)[:,]?(?: you need)? (?P<rest>\d.*)")
"""“For the meringue 5 whites and 60 g sugar”."""
AND = re.compile(
    r",\s*(?:and\s+)?|(?<!hundred)(?<!thousand)\sand\s(?=(?:ten|fifteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)\s)|\s(?:and|et|e|plus)\s(?=\d|(?:an?(?! half| quarter)|half|one|two|three|four|five|six|une?|un|due|tre)\s|the (?:zest|juice|rind|grated) )"
)
FOR_AT_END = re.compile(r" for (?:the )?(?P<name>[^\W\d]+(?: [^\W\d]+)?)$")
"""“… and a teaspoon of vinegar for the meringue”."""
GRAMS_OF = re.compile(r"([2-9]\d|\d{3,4}) of(?= (?!the |them )[^\W\d])")
THATS_ALL = re.compile(r",? (?:and )?(?:that's (?:all|it)|nothing else|et c'est tout|e basta)\W*$", re.IGNORECASE)
FEWEST = 3
"""Fewer foods in a row are work: “beat 4 eggs with 100 g sugar”."""


def as_list(sentence: Row, grammar: Grammar) -> list[Row]:
    """A sentence that is a list of at least three ingredients, taken apart; else as it is."""
    return next((rows for ask in ASKED if (rows := ask(sentence.text, grammar))), [sentence])


def as_part(sentence: Row, grammar: Grammar) -> list[Row]:
    """A sentence that only lists what one part is made of, among others that work; else as it is."""
    return (
        _used_for(sentence.text)
        or _filled_with(sentence.text, grammar)
        or _part_first(sentence.text, grammar)
        or [sentence]
    )


FOR_USED = re.compile(
    r"for (?:the )?(?P<name>[^\d,:]{3,30}?),? (?:i|you|we)(?:'ll| will)? (?:use|need|take|want) (?P<rest>\d.*)"
)


def _used_for(sentence: str) -> list[Row]:
    """“For the génoise I use 4 eggs, 120 g sugar and 100 g flour.”"""
    found = FOR_USED.match(plain(sentence).rstrip(" ."))
    parts = _parts(found["rest"]) if found is not None else []
    return _rows(parts, found["name"]) if found is not None and len(parts) > 1 and all(map(weighed_food, parts)) else []


def _part_first(sentence: str, grammar: Grammar) -> list[Row]:
    """“Glaze 100 cream 100 chocolate.”"""
    found = part_first(plain(sentence).rstrip(" ."))
    several = in_one_row(found[1], grammar) if found is not None else []
    return _rows(several, found[0]) if found is not None and several else []


def _parts(text: str) -> list[str]:
    return [_weighed(p.strip(" .;")) for p in AND.split(text)]


def _weighed(part: str) -> str:
    """“A hundred and eighty of ground hazelnuts”: grams."""
    figures = in_figures(plain(part))
    return GRAMS_OF.sub(r"\1 g of", figures) if GRAMS_OF.match(figures) else part


def _rows(lines: Iterable[str], group: str = "") -> list[Row]:
    return [Row(kind=RowKind.INGREDIENT, text=line, group=group) for line in lines]


def _works(text: str, grammar: Grammar) -> bool:
    return next(iter(grammar.verbs(plain(text))), None) is not None


def _needed(sentence: str, grammar: Grammar) -> list[Row]:
    """“You'll want 4 whites, 200 g of sugar and a teaspoon of vinegar for the meringue.”"""
    needs = NEEDS.search(sentence)
    if needs is None or _works(sentence[: needs.start()], grammar):
        return []
    parts = with_how(_parts(THATS_ALL.sub("", sentence[needs.end() :])))
    if len(parts) < FEWEST or not all(find_all(plain(p)) and amounts(plain(p)) for p in parts):
        return []
    last = plain(parts[-1])
    part = FOR_AT_END.search(last)
    if part is None:
        return _in_parts(parts)
    return _rows([*parts[:-1], last[: part.start()]], part["name"])


def _in_parts(lines: Sequence[str]) -> list[Row]:
    """“…, 60 g of butter, and for the inside 400 ml of cream, 40 g of icing sugar”: the second part from there on."""
    rows, group = [], ""
    for line in lines:
        turns = FOR_PART.match(plain(line))
        group = turns["name"] if turns is not None else group
        rows += _rows([turns["rest"] if turns is not None else line], group)
    return rows


def _for_part(sentence: str, _: Grammar) -> list[Row]:
    """“For the meringue 5 whites and 60 g sugar”: of a part that is named, two are a list."""
    part = FOR_PART.match(in_figures(plain(sentence)))
    parts = _parts(part["rest"]) if part is not None else []
    return _rows(parts, part["name"]) if part is not None and len(parts) > 1 and all(map(weighed_food, parts)) else []


def _run_together(sentence: str, grammar: Grammar) -> list[Row]:
    """“Three eggs ninety grams of sugar ninety grams of flour”: spoken, without a comma."""
    text = in_figures(plain(sentence))
    starts = [a.start for a in amounts(text)]
    if len(starts) < FEWEST or _works(text, grammar) or re.search(r"[,;]", text):
        return []
    parts = [text[a:b].removesuffix(" and ").strip() for a, b in zip(starts, [*starts[1:], len(text)], strict=True)]
    return _rows(parts) if not text[: starts[0]].strip() and all(len(find_all(p)) == 1 for p in parts) else []


def _introduced(sentence: str, grammar: Grammar) -> list[Row]:
    """“Right, so the honey roll, four eggs, ninety grams of sugar and …”."""
    parts = _parts(in_figures(OPENS.sub("", plain(sentence))))
    begins = next((i for i, p in enumerate(parts) if any(a.start <= 1 for a in amounts(p)[:1])), len(parts))
    front, rest = parts[:begins], parts[begins:]
    opened = len(front) in {1, 2} or (not front and OPENS.match(plain(sentence)) is not None)
    if not opened or len(rest) < FEWEST or any(amounts(p) or _works(p, grammar) for p in front):
        return []
    return _rows(rest) if all(len(p) < SHORT and weighed_food(p) for p in rest) else []


def _told_for(sentence: str, grammar: Grammar) -> list[Row]:
    """“500 g of plums, 80 g of sugar and 300 ml of cream for the top”."""
    text = plain(sentence).rstrip(" .;")
    part = FOR_AT_END.search(text)
    parts = _parts(text[: part.start()] if part else text)
    lists = all(weighed_food(p) and len(p) < SHORT and not _works(p, grammar) for p in parts)
    return _rows(parts, part["name"] if part else "") if lists and len(parts) >= FEWEST else []


def _in_a_row(sentence: str, grammar: Grammar) -> list[Row]:
    """“4 eggs, 100 g sugar, 90 g flour.”"""
    several = in_one_row(sentence, grammar)
    begun = all(a.start <= 1 for word in several for a in amounts(plain(word))[:1])
    return _rows(several) if len(several) >= FEWEST and begun else []


FILLS_WITH = re.compile(
    r"(?:per (?:farcire|la farcia|il ripieno)|pour (?:garnir|la garniture|fourrer)|for (?:the )?filling)[:,]? (?P<rest>\d.*)"
)


def _filled_with(sentence: str, grammar: Grammar) -> list[Row]:
    """“Per farcire 250 g di crema di nocciole.”"""
    found = FILLS_WITH.match(plain(sentence))
    rest = found["rest"].rstrip(" .") if found is not None else ""
    return _rows([rest], "filling") if rest and weighed_food(rest) and not _works(rest, grammar) else []


ASKED: tuple[Callable[[str, Grammar], list[Row]], ...] = (
    _needed, _for_part, _run_together, _introduced, _told_for, _in_a_row, _filled_with,
)  # fmt: skip
"""How a sentence may list; the first that suits it."""
