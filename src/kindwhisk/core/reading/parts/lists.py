"""Which rows list what is weighed, by their look: a line, several in one row, a list that is spoken."""

from __future__ import annotations

import re

from kindwhisk.core.reading.amounts import amounts, in_figures
from kindwhisk.core.reading.method.clauses import STEP
from kindwhisk.core.reading.method.verbs import Grammar
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.parts.row import Row, RowKind
from kindwhisk.core.reading.parts.serving import SERVES, YIELDS
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.units import TO_TASTE

SHORT, LONG_LINE, LONG_TITLE = 70, 110, 100

COVERS = 0.6

SECTION = re.compile(
    r"^(?:for (?:the )?|to make (?:the )?|pour (?:la |le |l'|les )?|per (?:la |il |l'|lo )?)?(?P<name>[^\W\d_][^\d:.,;]{1,34}?)\s*[:：]\s+(?P<rest>\S.*)$",
    re.IGNORECASE,
)

USE = re.compile(
    r",? ?\(?(?:for (?:the (?:tin|pan|mould)|greas|dust|dredg|sprinkl|serv|decorat)|to (?:taste|grease|serve|dust|finish|decorate)|pour le moule|pour (?:saupoudr|décor)|per lo stampo|per (?:spolver|decor|guarn))"
)
"""What a line without an amount says behind its food."""

PART_IN = re.compile(r"1/\d in(?!\w)")
"""“1/3 in with the whisk”: a share, no inch."""

BARE = re.compile(r"[^\W\d_][^\d.:;!?]{1,28} \d{1,4}|\d{1,4} [^\W\d_][^\d.:;!?]{1,28}")
"""A name and a number, and nothing else: ``starch 60``."""

FOR_SHOW = re.compile(r", (?:to|for) (?:decorate|finish|serve|dust\w*|garnish)")

TIMED = re.compile(r"\d\s*(?:°|h\b|hrs?\b|hours?\b|min(?:utes?)?\b|cm(?![a-z]))|\d{3} ?c\b")

SIZES = re.compile(r"\d\s*x\s*\d(?!\d*\s*(?:g|gr|ml)(?!\w))")

WHEN = re.compile(r"(?:with|using|in|at|after|when|once|then|now) (?:an?|the|\d)")
"""How a sentence may begin in front of its verb: “at 112 start the whites”."""

TOGETHER = re.compile(r"^[^\W\d]{3,} \+ [^\W\d]{3,}")
"""“Whites + sugar in thirds”: work, no line of the list."""

RUNS_ON = re.compile(r"(?!tbsp|tsps|pkts|appr)[a-z]{4,}[.!] +[A-Z][a-z]+|[。].|(?<!\w)(?:till|until)(?!\w)")

SPOKEN = re.compile(
    r"^(?:and|now|so|then|but|ok|okay|hi|hello|hey|today|first|next|the|to the|until|for about|i|we|you|it|this|that|my|i've|in the|when|once|while|after|leave|let|alright|et|puis|e|poi)\b"
)

JOINED = re.compile(
    r",\s+(?=\d|½|¼|a (?:few|pinch|little|dash|drop) |[^\W\d_]+(?: [^\W\d_]+){0,3} (?:\d|q\.? ?b))|,\s+(?=[^\d,]{3,24}$)|\s\+\s(?=\d)|\s(?:dissolved|mixed|stirred|soaked|bloomed|softened|swollen) (?:in|into|with) (?=\d)"
)

NEEDS = re.compile(
    r"(?:(?:so|ok|okay|and|right|well),? )*(?:\w+, )?(?:you(?:'ll| will)?|we|i) (?:need|want|use)(?: about)?:? |il (?:vous )?faut:? |(?:ti |vi )?serv(?:e|ono):? ",
    re.IGNORECASE,
)
"""How a sentence begins that lists what is needed."""

AND = re.compile(
    r",\s*(?:and\s+)?|(?<!hundred)(?<!thousand)\sand\s(?=(?:ten|fifteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)\s)|\s(?:and|et|e|plus)\s(?=\d|(?:an?|half|one|two|three|four|five|six|une?|un|due|tre)\s|the (?:zest|juice|rind|grated) )"
)


def verb_first(row: str, grammar: Grammar) -> bool:
    """Whether a row says what to do: it begins with a verb, or is long and has one."""
    text = plain(STEP.sub("", row, count=1)).lstrip("-*•·–>→ ")
    verb = next(iter(grammar.verbs(text)), None)
    if verb is None:
        return False
    return verb.start == 0 or len(text) > 45 or grammar.verb_last or WHEN.match(text) is not None


def ingredient_like(row: str, grammar: Grammar) -> bool:
    """Whether a row is an ingredient line by its look."""
    text = plain(row)
    named = next(iter(find_all(text)), None)
    if named is not None and named.start == 0 and USE.match(text[named.end :]):
        return True
    if not text or len(text) >= LONG_LINE or _tells(row, text, grammar):
        return False
    found = amounts(text)
    if not found and row.endswith((".", "!", "?")) and len(text.split()) > 4:
        return False
    if named is None:
        # Not a food that is known: an amount in front of it still makes it one.
        first = next(iter(found), None)
        measured = (
            not PART_IN.match(text)
            and first is not None
            and first.start <= 1
            and first.unit is not None
            and len(text) < SHORT
        )
        return (measured and not TIMED.search(text)) or (BARE.fullmatch(text) is not None and len(text.split()) <= 4)
    if found or any(word in text for word in TO_TASTE) or FOR_SHOW.search(text):
        return not TIMED.search(text)
    # Without an amount it is an ingredient only if it names nothing else: a “chocolate cake” is a title.
    return len(named.words) >= COVERS * len(re.split(r"[,(]", text.rstrip(":"))[0].strip() or text)


def _tells(row: str, text: str, grammar: Grammar) -> bool:
    """Whether a row tells something instead of listing it: a sentence, a size, how many it serves."""
    return bool(
        SPOKEN.match(text)
        or SIZES.search(text)
        or SERVES.search(text)
        or YIELDS.match(text)
        or RUNS_ON.search(row)
        or TOGETHER.search(text)
        or verb_first(row, grammar)
    )


def in_one_row(row: str, grammar: Grammar) -> list[str]:
    """A row that lists several ingredients, taken apart; empty where it is something else."""
    parts = [p.strip(" .") for p in JOINED.split(row)]
    good = [p for p in parts if ingredient_like(p, grammar) and re.search(r"[^\W\d]{3,}", p)]
    if len(parts) >= 2 and len(good) == len(parts) and sum(bool(amounts(plain(p))) for p in parts) >= 2:
        return parts
    return []


def _run_together(sentence: str, grammar: Grammar) -> list[str]:
    """“Three eggs ninety grams of sugar ninety grams of flour”: spoken, without a comma; empty where it is no list."""
    text = in_figures(plain(sentence))
    starts = [a.start for a in amounts(text)]
    if len(starts) < 3 or next(iter(grammar.verbs(text)), None) is not None or re.search(r"[,;]", text):
        return []
    parts = [text[a:b].removesuffix(" and ").strip() for a, b in zip(starts, [*starts[1:], len(text)], strict=True)]
    return parts if not text[: starts[0]].strip() and all(len(find_all(p)) == 1 for p in parts) else []


def as_list(sentence: Row, grammar: Grammar) -> list[Row]:
    """A sentence that is a list of at least three ingredients, taken apart; else as it is."""
    needs = NEEDS.match(sentence.text)
    if needs is not None:
        parts = [p.strip(" .") for p in AND.split(sentence.text[needs.end() :])]
        if len(parts) >= 3 and all(find_all(plain(p)) and amounts(plain(p)) for p in parts):
            return [Row(kind=RowKind.INGREDIENT, text=words) for words in parts]
    if run := _run_together(sentence.text, grammar):
        return [Row(kind=RowKind.INGREDIENT, text=words) for words in run]
    several = in_one_row(sentence.text, grammar)
    if len(several) < 3 or any(a.start > 1 for word in several for a in amounts(plain(word))[:1]):
        return [sentence]
    return [Row(kind=RowKind.INGREDIENT, text=words) for words in several]


def _shared(name: str, rest: str) -> list[str]:
    """“Whites: 75 g for the paste, 75 g for the meringue”: lines of one food."""
    parts = [p.strip(" .") for p in rest.split(",")]
    found = [amounts(plain(p)) for p in parts]
    if len(parts) < 2 or not find_all(plain(name)) or any(not a or a[0].unit is None or a[0].start > 1 for a in found):
        return []
    if any(find_all(plain(p)) for p in parts):
        return []
    return [f"{plain(p)[: a[0].end]} {name} {plain(p)[a[0].end :].strip()}" for p, a in zip(parts, found, strict=True)]


def listed(row: str, grammar: Grammar) -> list[str] | None:
    """The ingredients of a row such as ``Syrup: 150 g sugar, 40 g water``."""
    match = SECTION.match(row)
    if match is None or verb_first(match["rest"], grammar):
        return None
    shared = _shared(match["name"], match["rest"])
    if shared:
        return shared
    inner = in_one_row(match["rest"], grammar) or ([match["rest"]] if ingredient_like(match["rest"], grammar) else [])
    return inner or None
