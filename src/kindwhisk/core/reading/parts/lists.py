"""Which rows list what is weighed, by their look: a line, several in one row, a list that is spoken."""

from __future__ import annotations

import re
from collections.abc import Sequence
from functools import lru_cache

from kindwhisk.core.reading.amounts import amounts, in_figures
from kindwhisk.core.reading.method.sentences import STEP
from kindwhisk.core.reading.method.verbs import Grammar
from kindwhisk.core.reading.names import Named, find_all
from kindwhisk.core.reading.names.qualifiers import WORDS
from kindwhisk.core.reading.parts.serving import SERVES, YIELDS
from kindwhisk.core.reading.parts.told_by_eggs import BEGINS, by_the_eggs, one_by_one
from kindwhisk.core.reading.plain import REMEMBERED, plain
from kindwhisk.core.reading.units import TO_TASTE

SHORT, LONG_LINE, LONG_TITLE, LONG_ROW, TELLS_FROM = 70, 110, 100, 2_000, 24

COVERS = 0.6

SECTION = re.compile(
    r"^(?:for (?:the )?|to make (?:the )?|pour (?:la |le |l'|les )?|per (?:la |il |l'|lo |i |gli |le )?)?(?P<name>[^\W\d_][^\d:.,;]{1,34}?)\s*(?:[:：]\s+|：)(?P<rest>\S.*)$",
    re.IGNORECASE,
)

USE = re.compile(
    r",? ?\(?(?:for (?:the (?:tin|pan|mould)|greas|dust|dredg|sprinkl|serv|decorat)|to (?:taste|grease|serve|dust|dredge|sprinkle|coat|finish|decorate)|rắc|để rắc|trang trí|phết khuôn|pour le moule|pour (?:saupoudr|décor)|per lo stampo|per (?:spolver|decor|guarn))"
)
"""What a line without an amount says behind its food."""

FOR_USE = re.compile(
    r"(?<!\w)(?:per (?:spolver\w+|decorare|guarnire)|pour (?:saupoudrer|décorer)|(?:for|to) (?:dust|decorat|serv)\w*)$"
)
"""“Icing sugar and caster sugar for dusting”."""
PART_IN = re.compile(r"1/\d in(?!\w)")
"""“1/3 in with the whisk”: a share, no inch."""

BARE = re.compile(
    r"(?!about|around|ca|env)[^\W\d_][^\d.:;!?]{1,28} \d{1,4}(?: ?(?:g|gr|ml|cl))?|\d{1,4} [^\W\d_][^\d.:;!?]{1,28}"
)
"""A name and a number, and nothing else: ``starch 60``."""

FOR_SHOW = re.compile(r", (?:to|for) (?:decorate|finish|serve|dust\w*|garnish)")

TIMED = re.compile(r"\d\s*(?:°|h\b|hrs?\b|hours?\b|min(?:utes?)?\b|cm(?![a-z]))|\d{3} ?c\b")

SIZES = re.compile(r"\d\s*x\s*\d(?!\d*\s*(?:g|gr|ml)(?!\w))")

WHEN = re.compile(r"(?:with|using|in|at|after|when|once|then|now) (?:an?|the|\d)")
"""How a sentence may begin in front of its verb: “at 112 start the whites”."""

ONLY_TIN = re.compile(
    r"\d{1,2} ?(?:cm|inch|in)|(?:into |in )?(?:an? |the )?\d{2} ?(?:cm )?(?:tin|ring|tube|mould|springform|pan)"
)
"""“24 tin”."""
TOGETHER = re.compile(r"^[^\W\d]{3,} \+ [^\W\d]{3,}")
"""“Whites + sugar in thirds”: work, no line of the list."""

RUNS_ON = re.compile(
    r"\d ?(?:folds|strokes|turns)(?!\w)|(?!tbsp|tsps|pkts|appr)[a-z]{4,}[.!] +[A-Z][a-z]+|[。].|(?<!\w)(?:till|until|then|peaks?|ribbon|pale|stiff|foamy|frothy|fluffy|med(?:ium)?-stiff|tog\.|together)(?!\w)"
)

SPOKEN = re.compile(
    r"^(?:and|now|so|then|but|ok|okay|hi|hello|hey|today|first|next|the|to the|until|for about|i|we|you|it|this|that|my|i've|in the|when|once|while|after|leave|let|alright|et|puis|e|poi)\b"
)

JOINED = re.compile(
    r"[,;]\s+(?:plus\s+)?(?=\d|½|¼|(?:an? |one )?(?:few|quelques|qualche|pinch|little|dash|drop|squeeze|splash|knob|handful|drizzle|half an?) |(?:mezz[ao]|un(?:a|e)? (?:bustina|pizzico|cucchiaino|cucchiaio|bicchiere|demi|sachet|pot|boîte|paquet|pincée|cuillère|c\.)) ?|"
    + BEGINS
    + r"|[^\W\d_]+(?: [^\W\d_]+){0,3} (?:\d|q\.? ?b))|、\s*|\s*[/／]\s*(?=[\u3040-\u9fff])|,\s+(?=[^\d,]{3,24}$)|\s/\s(?=[^\W\d]{3,}|\d)|\s&\s(?=\d)|\s(?:and|et|e)\s(?="
    + BEGINS
    + r")|\s[–—/•·-]\s(?=\d)|(?<!\dg)(?<!\d g)(?<!\dml)(?<!\d ml)\s\+\s(?=\d(?! extra| more)|[^\W\d]+ \d)|\s(?:and|plus|et|e|và)\s(?=\d{1,2} (?:\w+ )?(?:egg )?(?:yolks?|whites?|jaunes?|blancs?|tuorl[io]|album[ei]|lòng)(?!\w))|\s(?:dissolved|mixed|stirred|soaked|bloomed|softened|swollen) (?:in|into|with) (?=\d)"
)


@lru_cache(maxsize=REMEMBERED)
def verb_first(row: str, grammar: Grammar) -> bool:
    """Whether a row says what to do: it begins with a verb, or is long and has one."""
    bare = re.sub(r"(?<=\w)\s*[(（][^)）]*[)）]", "", STEP.sub("", row, count=1))
    text = plain(bare).lstrip("-*•·–>→ ")
    # “Beurre fondu 30 g”, “whipping cream 300”: short rows tell nothing in another voice.
    text = grammar.addressed(text) if len(text) > TELLS_FROM else text
    verb = next(iter(grammar.verbs(text)), None)
    if verb is None:
        return False
    return verb.start == 0 or len(text) > 45 or grammar.verb_last or WHEN.match(text) is not None


@lru_cache(maxsize=REMEMBERED)
def ingredient_like(row: str, grammar: Grammar) -> bool:
    """Whether a row is an ingredient line by its look."""
    text = plain(row)
    named = next(iter(find_all(text)), None)
    first_food = named is not None and named.start == 0
    if (len(text) < LONG_LINE and by_the_eggs(row) is not None) or (
        first_food
        and named is not None
        and (USE.match(text[named.end :]) or (len(text) < SHORT and FOR_USE.search(text)))
    ):
        return True
    if not text or len(text) >= LONG_LINE or _tells(row, text, grammar) or ONLY_TIN.fullmatch(text):
        return False
    found = amounts(text)
    if row.endswith(".") and len(text.split()) > 5 and not re.search(r"\d", in_figures(text)):
        # “A good way to use up whites.”
        return False
    exclaims = row.endswith(("!", "?")) and not any(a.unit for a in found)
    if exclaims or (not found and row.endswith((".", "!", "?")) and len(text.split()) > 4):
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
        bare = BARE.fullmatch(text) is not None and len(text.split()) <= 4
        return (measured or bare) and not TIMED.search(text)
    if found or any(word in text for word in TO_TASTE) or FOR_SHOW.search(text):
        return not TIMED.search(text)
    return _names_only(text, named)


def _names_only(text: str, named: Named) -> bool:
    """Whether a row without an amount names a food and nothing else: a “chocolate cake” is a title."""
    told = [w for w in re.split(r"[,(]", text.rstrip(":"))[0].split() if w not in WORDS or w in named.words.split()]
    if named.start == 0 and len(text.split()) <= 4 and " ".join(told) == named.words:
        # “Colorante giallo”.
        return True
    return len(named.words) >= COVERS * len(re.split(r"[,(]", text.rstrip(":"))[0].strip() or text)


def _tells(row: str, text: str, grammar: Grammar) -> bool:
    """Whether a row tells something instead of listing it: a sentence, a size, how many it serves."""
    return bool(
        SPOKEN.match(text)
        or row.startswith("+ ")
        or SIZES.search(text)
        or SERVES.search(text)
        or YIELDS.match(text)
        or RUNS_ON.search(row)
        or TOGETHER.search(text)
        or verb_first(row, grammar)
        or _ends_with_work(row, text, grammar)
    )


def _ends_with_work(row: str, text: str, grammar: Grammar) -> bool:
    """“Three yolks in a bowl, 30 g sugar, whisk”; “Drop, turn out on cloth, cool.”"""
    behind = [v for v in grammar.verbs(text) if text[: v.start].rstrip().endswith(",")]
    return bool(behind) and (
        row.endswith(".") or bool(re.fullmatch(r"(?: again| well| smooth)?", text[behind[-1].end :]))
    )


HOW = re.compile(
    r"(?:finely |roughly |freshly |lightly |well |cut )?(?:broken|chopped|melted|softened|soft|sifted|whipped|separated|divided|grated|sliced|diced|cubed|hulled|ground|toasted|cold|warm|chilled|crushed|halved|beaten|drained|strained|soaked)"
    r"(?: (?:up|in|into|small|fine|finely|over|and|cold|roughly|pieces|cubes|half|two|cooled|chopped|sliced|toasted|skinned|drained))*|(?:in|into|at) (?:small |room )?(?:pieces|cubes|temperature)"
)


def with_how(parts: list[str]) -> list[str]:
    """“300 g chocolate, broken up”: what only says how belongs to what stands before it."""
    told: list[str] = []
    for part in parts:
        if told and HOW.fullmatch(plain(part)):
            told[-1] = f"{told[-1]}, {part}"
        else:
            told.append(part)
    return told


def _bare_foods(part: str) -> list[str]:
    """“60 g flour, jam”: a food without an amount behind one that has it."""
    foods = part.split(", ")
    bare = all(
        len(f) < TELLS_FROM and find_all(plain(f)) and not HOW.fullmatch(plain(f)) and not re.search(r"\d", f)
        for f in foods[1:]
    )
    return foods if len(foods) > 1 and bare and "(" not in part else [part]


def _uncommaed(row: str) -> list[str]:
    """“3 eggs 90 sugar 60 flour 15 cocoa”: figures alone part what stands in a row."""
    parts = re.split(r" (?=\d{1,4} ?(?:g |gr |ml )?[^\W\d]{3,})", row)
    bare = [re.fullmatch(r"\d{1,4} ?(?:g |gr |ml )?[^\W\d]{3,}(?: [^\W\d]{3,})?", p) for p in parts]
    return parts if len(parts) > 2 and all(bare) and all(find_all(plain(p)) for p in parts) else [row]


def _weighed(part: str) -> bool:
    return bool(amounts(plain(part))) or by_the_eggs(part) is not None


@lru_cache(maxsize=REMEMBERED)
def in_one_row(row: str, grammar: Grammar) -> Sequence[str]:
    """A row that lists several ingredients, taken apart; empty where it is something else."""
    if len(row) > LONG_ROW:
        return ()
    parts = [food for p in JOINED.split(row) for food in one_by_one(p.strip(" .")) or (p.strip(" ."),)]
    parts = with_how(parts) if len(parts) > 1 else _uncommaed(row)
    parts = [food for p in parts for food in _bare_foods(p)] if len(parts) > 2 else parts
    good = [
        p
        for p in parts
        if ingredient_like(p, grammar) and (find_all(plain(p)) or re.search(r"[^\W\d]{3,}|[\u3040-\u9fff]", p))
    ]
    whole = all(p.count("(") == p.count(")") for p in parts)
    if len(parts) >= 2 and whole and len(good) == len(parts) and sum(_weighed(p) for p in parts) >= 2:
        return tuple(parts)
    return ()


def _shared(name: str, rest: str) -> list[str]:
    """“Whites: 75 g for the paste, 75 g for the meringue”: lines of one food."""
    parts = [p.strip(" .") for p in rest.split(",")]
    found = [amounts(plain(p)) for p in parts]
    if len(parts) < 2 or not find_all(plain(name)) or any(not a or a[0].unit is None or a[0].start > 1 for a in found):
        return []
    if any(find_all(plain(p)) for p in parts):
        return []
    return [f"{plain(p)[: a[0].end]} {name} {plain(p)[a[0].end :].strip()}" for p, a in zip(parts, found, strict=True)]


def _loosely(rest: str, grammar: Grammar) -> list[str]:
    """“300 ml cream, whipped, fruit of your choice (kiwi, berries)”: the first has an amount, the others need none."""
    parts = [p.strip(" .") for p in re.split(r",\s+(?![^(]*\))", rest)]
    if len(parts) < 2 or not amounts(plain(parts[0])) or not ingredient_like(parts[0], grammar):
        return []
    return parts if all(len(p) < SHORT and find_all(plain(p)) for p in parts) else []


FOR_ONE = re.compile(
    r"^(?P<for>(?:for|makes|quantities for|pour|per) [^:]{3,60}?)\s*[:：]\s+(?P<rest>\S.*)$", re.IGNORECASE
)
"""“For one 25 cm tier: 500 g eggs, …”."""


PART_FIRST = re.compile(
    r"^(?:(?P<any>[^\W\d][^\d:.,;–—]{1,34}?) [–—-] (?P<of>\d.*)|(?P<name>(?:for the )?(?:filling|topping|cream|syrup|glaze|icing|frosting|soak|mousse|ganache|curd|meringue|base|sponge|cake|custard|insert|shells|buttercream))[ -]+(?P<rest>\d.*))$",
    re.IGNORECASE,
)
"""“Filling 300 ml cream & 200 g raspberries”."""


def part_first(row: str) -> tuple[str, str] | None:
    """The name of a part and what is listed behind it; None where a row does not begin so."""
    match = PART_FIRST.match(row)
    return (match["any"] or match["name"], match["of"] or match["rest"]) if match is not None else None


def listed(row: str, grammar: Grammar) -> Sequence[str] | None:
    """The ingredients of a row such as ``Syrup: 150 g sugar, 40 g water``."""
    match = SECTION.match(row)
    if match is None or verb_first(match["rest"], grammar):
        return None
    shared = _shared(match["name"], match["rest"])
    if shared:
        return shared
    inner = (
        in_one_row(match["rest"], grammar)
        or _loosely(match["rest"], grammar)
        or ([match["rest"]] if ingredient_like(match["rest"], grammar) else [])
    )
    return inner or None
