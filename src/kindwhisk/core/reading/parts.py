"""A pasted text in its parts: title, headings, ingredient lines, sentences, notes. Every row of it is one of these."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from enum import StrEnum
from html import unescape
from typing import NamedTuple

from rapidfuzz import fuzz, process

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.reading.amounts import amounts, in_figures
from kindwhisk.core.reading.method.clauses import STEP, sentences, step_number
from kindwhisk.core.reading.method.language import language_of
from kindwhisk.core.reading.method.verbs import GRAMMARS, Grammar
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.units import TO_TASTE
from kindwhisk.core.values.model import Value


class RowKind(StrEnum):
    """What a row of a text is."""

    TITLE = "title"
    HEADING = "heading"
    INGREDIENT = "ingredient"
    SENTENCE = "sentence"
    NOTE = "note"


class Row(Value):
    """A row, or a sentence of one. ``group`` is the heading that it stands under; ``number`` that of its step."""

    kind: RowKind
    text: str
    group: str = ""
    number: int | None = None


SHORT, LONG_LINE, LONG_TITLE = 70, 110, 100
COVERS = 0.6
ALIKE = 86
INGREDIENTS = re.compile(
    r"^(?:the )?(?:ingredients?|you(?:'ll| will) need|what you need|ingrédients?|ingredienti|材料|原料|nguyên liệu)(?:\b.*)?$|^材料"
)
LISTS = re.compile(
    r"^[ \t]*((?:ingredients?|ingrédients?|ingredienti|材料|nguyên liệu)[ \t]*(?:[(（][^)）\n]*[)）])?[ \t]*[:：])[ \t]+(?=\S)([^\n]+)$",
    re.IGNORECASE | re.MULTILINE,
)
"""“Ingredients: 3 eggs, 90 g sugar”: a heading and its list in one row."""
LETTERED = re.compile(r"^[ \t]*[A-H][.)][ \t]+(?=[A-ZÀ-Ý][^\n]{1,40}$)", re.MULTILINE)
"""“B. Italian meringue”: the letter of a part."""
OF_PART = re.compile(
    r"^ingr\w+ (?:for (?:the )?|pour (?:la |le |les |l')?|per (?:la |il |l'|lo )?)([^\d:(]{3,40}?)\s*:?$"
)
STAMPED = re.compile(r"^[ \t]*\[\d{1,2}:\d{2}(?::\d{2})?\][ \t]*", re.MULTILINE)
"""“[09:12] can you send me …”: when a message came."""
OLD_HEAD = re.compile(r"^(Ingredients|Method|Mode|Time)\.[ \t]*[—–-]+[ \t]*", re.MULTILINE | re.IGNORECASE)
BOTH_OF = re.compile(
    r"^([ \t]*[-•*]?[ \t]*)zest of (\d+) (\w+?)s? *(?:&|and|\+|,) *(\d+ ?ml) juice$", re.MULTILINE | re.IGNORECASE
)
"""“Zest of 2 oranges & 180 ml juice”."""
GREETED = re.compile(r"^([^\d\n:!]{3,80}[:：!])[ \t]+(?=\d[^\n]*,[^\n]*,)", re.MULTILINE)
"""“Here is my cake: 4 eggs, 200 g sugar, …”."""
MARKED = re.compile(r"^[ \t]*\([A-H]\)[ \t]+", re.MULTILINE)
"""“(A) 4 egg yolks”: a mark that the method may call it by."""
NEXT_LIST = re.compile(r"(?<=[a-z])\. (?=[A-Z][a-z ]{2,20}: \d)")
"""“… 1 tsp baking powder. Filling: 250 g jam.”"""
DASHED = re.compile(r"([^\W\d][^\d:.,;–—-]{1,34}?) [-–—] (\S.*)$")
"""“Rum soak - boil the water”: under a heading that the list has."""
METHOD = re.compile(
    r"^(?:the )?(?:method|directions?|instructions?|preparation|steps|procedure|how to make.*|préparation|étapes|réalisation|recette|procedimento|"
    r"preparazione|istruzioni|作り方|手順|つくり方|下準備|準備|cách làm|thực hiện|các bước.*|hướng dẫn)\s*:?\s*$"
)
NOTES = re.compile(
    r"^(?:notes?|tips?|nutrition.*|equipment|storage|conseils?|note|consigli|ポイント|コツ|mẹo)\s*:?\s*$"
)
NOTE_ROW = re.compile(
    r"^keeps? (?:for )?(?:up to )?\d|^prep(?:aration)? (?:time:? )?\d+ ?min|^(?:preparation|prep|cooking|cook|total|baking|chilling|resting|ready) time|^(?:temps|tempo|tempi) (?:de|di|d)|^(?:difficulty|calories|kcal|per serving)|^(?:q|a|variations?|storage|to store|tips?|notes?|nb|conseil|astuce|consiglio|mẹo|コツ|ポイント)\s*[:：]"
)
HEADS = ("ingredients", "method", "directions", "instructions", "preparation")
"""Headings that are found through slips of the pen as well."""
GROUP = re.compile(
    r"^(?:for (?:the )?)(?P<en>[^\d:]{2,40}):?$|^pour (?:la |le |l'|les )?(?P<fr>[^\d:]{2,40}):?$|^per (?:la |il |l'|le |lo )?(?P<it>[^\d:]{2,40}):?$|"
    r"^【(?P<ja>[^】]{1,20})】(?:[^\n]{0,16}(?:型|天板)[^\n]{0,6})?$|^[<《\[](?P<boxed>[^>》\]\n]{1,24})[>》\]]$|^<?(?P<any>[^\d:.,;]{2,40}):$|^to (?P<finish>finish|decorate|serve|assemble):?$"
)
SECTION = re.compile(
    r"^(?:for (?:the )?|to make (?:the )?|pour (?:la |le |l'|les )?|per (?:la |il |l'|lo )?)?(?P<name>[^\W\d_][^\d:.,;]{1,34}?)\s*[:：]\s+(?P<rest>\S.*)$",
    re.IGNORECASE,
)
MAKES = re.compile(
    r"^make (?:the |your )?(?P<name>[^\d:.,;]{2,34})$|^for (?:the )?(?P<other>[^\d:.,;]{2,34}?)(?=,| (?:fate|you|we|i|just|boil|put|stir|warm|cook|soak|combine|dissolve|chop|whip|whisk|beat|mix|heat|bring|melt))|"
    r"^per (?:la |il |l'|lo )(?P<it>[^\d:.,;]{2,24}?)(?=,| fate| montate| portate| mescolate)|^pour (?:la |le |l'|les )(?P<fr>[^\d:.,;]{2,24}?)(?=,)"
)
"""A sentence that begins a part of the work: ``For the filling, whip the cream``."""
USE = re.compile(
    r",? ?\(?(?:for (?:the (?:tin|pan|mould)|greas|dust|dredg|sprinkl|serv|decorat)|to (?:taste|grease|serve|dust|finish|decorate)|pour le moule|per lo stampo)"
)
"""What a line without an amount says behind its food."""
PART_IN = re.compile(r"1/\d in(?!\w)")
"""“1/3 in with the whisk”: a share, no inch."""
BARE = re.compile(r"[^\W\d_][^\d.:;!?]{1,28} \d{1,4}|\d{1,4} [^\W\d_][^\d.:;!?]{1,28}")
"""A name and a number, and nothing else: ``starch 60``."""
FOR_SHOW = re.compile(r", (?:to|for) (?:decorate|finish|serve|dust\w*|garnish)")
TIMED = re.compile(r"\d\s*(?:°|h\b|hrs?\b|hours?\b|min(?:utes?)?\b|cm(?![a-z]))|\d{3} ?c\b")
SIZES = re.compile(r"\d\s*x\s*\d")
YIELDS = re.compile(
    r"(?:makes|serves|yields?:?|for about(?= \d+ (?:people|persons|pieces|shells|kisses|cookies|cm)))(?: (?:about|approx\.?|abt\.?|around|one|two|an?))?(?=\W*\d)|(?:pour|per|dosi per)(?: (?:environ|circa))? \d+ (?:personnes|parts|macarons|persone|porzioni)"
)
WHEN = re.compile(r"(?:with|using|in|at|after|when|once|then|now) (?:an?|the|\d)")
"""How a sentence may begin in front of its verb: “at 112 start the whites”."""
TOGETHER = re.compile(r"^[^\W\d]{3,} \+ [^\W\d]{3,}")
"""“Whites + sugar in thirds”: work, no line of the list."""
RUNS_ON = re.compile(r"(?!tbsp|tsps|pkts|appr)[a-z]{4,}[.!] +[A-Z][a-z]+|[。].|(?<!\w)(?:till|until)(?!\w)")
FINISHING = re.compile(r"(?:to )?(?:assembly|assemble|finish|finishing|montage|montaggio|組み立て|仕上げ|hoàn thiện)")
"""A heading over what is done once every part is there."""
SPOKEN = re.compile(
    r"^(?:and|now|so|then|but|ok|okay|hi|hello|hey|today|first|next|the|to the|until|for about|i|we|you|it|this|that|my|i've|in the|when|once|while|after|leave|let|alright|et|puis|e|poi)\b"
)
JOINED = re.compile(
    r",\s+(?=\d|½|¼|a (?:few|pinch|little|dash|drop) |[^\W\d_]+(?: [^\W\d_]+){0,3} (?:\d|q\.? ?b))|,\s+(?=[^\d,]{3,24}$)|\s\+\s(?=\d)|\s(?:dissolved|mixed|stirred|soaked|bloomed|softened|swollen) (?:in|into|with) (?=\d)"
)
NEEDS = re.compile(
    r"(?:(?:so|ok|okay|and|right|well),? )*(?:you(?:'ll| will)?|we|i) (?:need|want|use)(?: about)?:? |il (?:vous )?faut:? |(?:ti |vi )?serv(?:e|ono):? ",
    re.IGNORECASE,
)
"""How a sentence begins that lists what is needed."""
AND = re.compile(
    r",\s*(?:and\s+)?|\s(?:and|et|e|plus)\s(?=\d|(?:an?|half|one|two|three|four|five|six|une?|un|due|tre)\s)"
)
SERVES = re.compile(
    r"(?:serves|servings?\s*:?|portions?\s*:?|yields?\s*:?)\s*(?:about |approx\.? )?(\d{1,3})(?!\s*(?:cm|g\b|min|\d))|"
    r"(\d{1,3})\s*(?:servings|portions|slices|persons?|people|personnes|persone|人分|người|glasses|verrines|bicchierini)(?!\w)",
)


class Cut(NamedTuple):
    """A text in its rows."""

    rows: tuple[Row, ...]
    language: str


def servings(text: str) -> int | None:
    """How many a text serves, by its words of serving alone."""
    found = next((m for row in text.split("\n") if (m := SERVES.search(plain(row)))), None)
    number = int(next(g for g in found.groups() if g)) if found else 0
    return number if 1 <= number <= 500 else None


def _verb_first(row: str, grammar: Grammar) -> bool:
    text = plain(STEP.sub("", row, count=1)).lstrip("-*•·–> ")
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
        or _verb_first(row, grammar)
    )


def _is_heading(row: str, following: str, grammar: Grammar, gap: bool) -> bool:
    """A short row without an amount over rows that have one; what stands in brackets is not looked at."""
    row = re.sub(r"\s*[(（][^)）]*[)）]\s*:?$|(?<=】)\d[^\n]*$", "", row) or row
    text = plain(row)
    below = bool(amounts(plain(following))) and bool(
        ingredient_like(following, grammar) or _in_one_row(following, grammar)
    )
    if below and row.endswith((":", "：")) and len(text.split()) <= 4 and not amounts(text):
        return True
    if gap and below and len(text.split()) <= 3 and not amounts(text) and not re.search(r"[.,;!]", text):
        return True
    if (
        len(text) >= 48
        or amounts(text)
        or re.search(r"[.,;!]", text)
        or _verb_first(row, grammar)
        or SPOKEN.match(text)
    ):
        return False
    if GROUP.match(text) or row.isupper():
        return True
    return below and (gap or not ingredient_like(row, grammar))


def _group_name(row: str) -> str:
    text = plain(row)
    match = GROUP.match(text)
    name = next((g for g in match.groups() if g), text) if match and not match["finish"] else text
    name = re.sub(r"\s*[(（][^)）]*[)）]|\s*[-–—,].*(?:cm|\d).*$", "", name) or name
    return name.strip(" :：").removeprefix("the ")[:60]


def _as_head(row: str) -> str | None:
    """``ingredients`` or ``method`` or ``notes``, where a row is that heading, with slips of the pen."""
    flat = plain(row).rstrip(":：").strip()
    if len(flat) >= 60:
        return None
    for pattern, part in ((INGREDIENTS, "ingredients"), (METHOD, "method"), (NOTES, "notes")):
        if pattern.match(flat):
            return part
    if 5 < len(flat) < 16 and " " not in flat:
        near = process.extractOne(flat, HEADS, scorer=fuzz.ratio, score_cutoff=ALIKE)
        if near is not None:
            return "ingredients" if near[0] == "ingredients" else "method"
    return None


def _in_one_row(row: str, grammar: Grammar) -> list[str]:
    """A row that lists several ingredients, taken apart; empty where it is something else."""
    parts = [p.strip(" .") for p in JOINED.split(row)]
    good = [p for p in parts if ingredient_like(p, grammar) and re.search(r"[^\W\d]{3,}", p)]
    if len(parts) >= 2 and len(good) == len(parts) and sum(bool(amounts(plain(p))) for p in parts) >= 2:
        return parts
    return []


def _does(sentence: str, grammar: Grammar) -> bool:
    """Whether a sentence names something to be done, or something that it is done to."""
    text = plain(sentence)
    return bool(find_all(text) or amounts(text)) or next(iter(grammar.verbs(text)), None) is not None


def _run_together(sentence: str, grammar: Grammar) -> list[str]:
    """“Three eggs ninety grams of sugar ninety grams of flour”: spoken, without a comma; empty where it is no list."""
    text = in_figures(plain(sentence))
    starts = [a.start for a in amounts(text)]
    if len(starts) < 3 or next(iter(grammar.verbs(text)), None) is not None or re.search(r"[,;]", text):
        return []
    parts = [text[a:b].removesuffix(" and ").strip() for a, b in zip(starts, [*starts[1:], len(text)], strict=True)]
    return parts if not text[: starts[0]].strip() and all(len(find_all(p)) == 1 for p in parts) else []


def _as_list(sentence: Row, grammar: Grammar) -> list[Row]:
    """A sentence that is a list of at least three ingredients, taken apart; else as it is."""
    needs = NEEDS.match(sentence.text)
    if needs is not None:
        parts = [p.strip(" .") for p in AND.split(sentence.text[needs.end() :])]
        if len(parts) >= 3 and all(find_all(plain(p)) and amounts(plain(p)) for p in parts):
            return [Row(kind=RowKind.INGREDIENT, text=words) for words in parts]
    if run := _run_together(sentence.text, grammar):
        return [Row(kind=RowKind.INGREDIENT, text=words) for words in run]
    several = _in_one_row(sentence.text, grammar)
    if len(several) < 3 or any(a.start > 1 for word in several for a in amounts(plain(word))[:1]):
        return [sentence]
    return [Row(kind=RowKind.INGREDIENT, text=words) for words in several]


def _title(rows: Sequence[str], gaps: Sequence[bool], grammar: Grammar) -> str:
    if (
        len(rows) > 2
        and gaps[1]
        and len(rows[0]) <= LONG_TITLE
        and not rows[0].endswith(":")
        and not (re.search(r"\d", rows[0]) and any(a.unit for a in amounts(plain(rows[0]))))
        and _as_head(rows[0]) is None
    ) and (
        not find_all(plain(rows[0]))
        or not ingredient_like(rows[0], grammar)
        or len(rows[0].split()) > 2
        or not amounts(plain(rows[0]))
    ):
        return rows[0]
    headed = any(_as_head(r) == "ingredients" for r in rows[1:])
    second = plain(rows[1]) if len(rows) > 1 else ""
    if rows and not re.search(r"\d|[:.]$", rows[0]) and (SERVES.match(second) or YIELDS.match(second)):
        return rows[0]
    for row in rows[:6]:
        if _as_head(row) is not None or (not headed and (ingredient_like(row, grammar) or _in_one_row(row, grammar))):
            continue
        text = plain(row)
        if len(row) > LONG_TITLE or (amounts(text) and ingredient_like(row, grammar)) or SERVES.search(text):
            return ""
        if _verb_first(row, grammar) and not grammar.verb_last and not SPOKEN.match(text):
            return ""
        return row
    return ""


def _has_list(rows: Sequence[str], grammar: Grammar) -> bool:
    """Whether ingredients are listed, rather than told in sentences."""
    run = 0
    for row in rows:
        if _as_head(row) == "ingredients" or len(_in_one_row(row, grammar)) > 1 or _listed(row, grammar):
            return True
        run = run + 1 if ingredient_like(row, grammar) else 0
        if run >= 2:
            return True
    return False


def _shared(name: str, rest: str) -> list[str]:
    """“Whites: 75 g for the paste, 75 g for the meringue”: lines of one food."""
    parts = [p.strip(" .") for p in rest.split(",")]
    found = [amounts(plain(p)) for p in parts]
    if len(parts) < 2 or not find_all(plain(name)) or any(not a or a[0].unit is None or a[0].start > 1 for a in found):
        return []
    if any(find_all(plain(p)) for p in parts):
        return []
    return [f"{plain(p)[: a[0].end]} {name} {plain(p)[a[0].end :].strip()}" for p, a in zip(parts, found, strict=True)]


def _listed(row: str, grammar: Grammar) -> list[str] | None:
    """The ingredients of a row such as ``Syrup: 150 g sugar, 40 g water``."""
    match = SECTION.match(row)
    if match is None or _verb_first(match["rest"], grammar):
        return None
    shared = _shared(match["name"], match["rest"])
    if shared:
        return shared
    inner = _in_one_row(match["rest"], grammar) or ([match["rest"]] if ingredient_like(match["rest"], grammar) else [])
    return inner or None


def cut(text: str) -> Cut:
    """Cut a text by its headings or, without any, by what its rows look like."""
    language = language_of(text)
    grammar = GRAMMARS[language]
    plainly = LETTERED.sub("", LISTS.sub(r"\1\n\2", unescape(text).replace("\u200b", "").replace("\r", "")))
    plainly = STAMPED.sub("", OLD_HEAD.sub(r"\1:\n", plainly))
    plainly = BOTH_OF.sub(r"\1zest of \2 \3\n\4 \3 juice", plainly)
    plainly = GREETED.sub(r"\1\n", plainly)
    plainly = MARKED.sub("", plainly)
    plainly = NEXT_LIST.sub("\n", plainly)
    raw = [row.strip() for row in plainly.split("\n")]
    gaps = [i == 0 or not raw[i - 1] for i, row in enumerate(raw) if row]
    rows = [row for row in raw if row]
    title = _title(rows, gaps, grammar)
    listing = _has_list([r for r in rows if r != title], grammar)
    found = list(_rows(rows, gaps, title, grammar, listing))
    if _alternates(found):
        found = list(_rows(rows, gaps, title, grammar, listing, by_parts=True))
    return Cut(tuple(_introduced(found, grammar)), language)


def _introduced(rows: Sequence[Row], grammar: Grammar) -> Iterator[Row]:
    """What is told above the list and names nothing to be done only introduces it: a note."""
    begins = next((i for i, r in enumerate(rows) if r.kind is RowKind.INGREDIENT), 0)
    for i, row in enumerate(rows):
        idle = i < begins and row.kind is RowKind.SENTENCE and not _does(row.text, grammar)
        yield row.model_copy(update={"kind": RowKind.NOTE}) if idle else row


def _alternates(rows: Sequence[Row]) -> bool:
    """Whether every part has its list and its sentences together, instead of all lists before all sentences."""
    listed = next((i for i, r in enumerate(rows) if r.kind is RowKind.INGREDIENT), len(rows))
    first = next((i for i, r in enumerate(rows) if i > listed and r.kind is RowKind.SENTENCE), len(rows))
    later = [r for r in rows[first:] if r.kind is RowKind.INGREDIENT]
    return len({r.group for r in later}) >= 1 and len(later) >= 2 and any(r.group for r in rows)


# One branch a kind of row.
def _rows(  # noqa: PLR0912
    rows: Sequence[str], gaps: Sequence[bool], title: str, grammar: Grammar, listing: bool, *, by_parts: bool = False
) -> Iterator[Row]:
    part, group, section = "", "", ""
    titled, told, heads = False, False, set[str]()
    headed = any(_as_head(row) == "method" for row in rows)
    steps = 0
    for i, row in enumerate(rows):
        following = rows[i + 1] if i + 1 < len(rows) else ""
        if row == title and not titled:
            titled = True
            yield Row(kind=RowKind.TITLE, text=row[:400])
            continue
        head = _as_head(row)
        if head is not None:
            part = head
            if head == "ingredients" and (of := OF_PART.search(plain(row))):
                # “Ingredients for the custard”.
                group = of[1][:60]
                heads.add(group)
            yield Row(kind=RowKind.HEADING, text=row[:400])
            continue
        if part == "notes" or NOTE_ROW.match(plain(row)) or YIELDS.match(plain(row)):
            yield Row(kind=RowKind.NOTE, text=row[:400])
            continue
        if listing and (inner := _listed(row, grammar)):
            match = SECTION.match(row)
            name = plain(match["name"]) if match else ""
            if not any(find_all(plain(words)) for words in inner):
                yield Row(kind=RowKind.INGREDIENT, text=row[:400], group=group)
                continue
            yield Row(kind=RowKind.HEADING, text=match["name"][:400] if match else "", group=name[:60])
            group = name[:60]
            heads.add(group)
            for words in inner:
                yield Row(kind=RowKind.INGREDIENT, text=words[:400], group=group)
            continue
        dashed = DASHED.match(row)
        if dashed is not None and plain(dashed[1]) in heads:
            row = f"{dashed[1]}: {dashed[2]}"
        numbered = STEP.match(row) is not None
        if listing and part != "method" and not numbered and _is_heading(row, following, grammar, gaps[i]):
            group = _group_name(row)
            heads.add(group)
            if by_parts or not (ingredient_like(following, grammar) or _in_one_row(following, grammar)):
                section = group
            yield Row(kind=RowKind.HEADING, text=row[:400], group=group)
            continue
        if (part == "method" or (listing and gaps[i])) and _section_row(row, grammar, heads):
            section = _group_name(row)
            yield Row(kind=RowKind.HEADING, text=row[:400], group=section)
            continue
        follows = numbered and steps > 0 and step_number(row) == steps + 1
        if listing and part != "method" and not (numbered and (follows or _verb_first(row, grammar))):
            several = _in_one_row(row, grammar)
            listed = part == "ingredients" and headed and len(row) <= LONG_LINE and not _verb_first(row, grammar)
            if several or listed or ingredient_like(row, grammar):
                for words in several or [row]:
                    yield Row(kind=RowKind.INGREDIENT, text=words[:400], group=group)
                continue
        steps = step_number(row) or steps
        if numbered and not STEP.sub("", row, count=1).strip():
            yield Row(kind=RowKind.HEADING, text=row[:400], group=section)
            continue
        spoken = list(_spoken(row, section))
        section = spoken[-1].group if spoken and (_opens(row, heads) or numbered is False) else section
        for sentence in spoken:
            # A message: “Roll for Sunday! 4 eggs, 100 sugar, 80 flour. Beat …”.
            yield from [sentence] if listing or told else _as_list(sentence, grammar)
            told = told or bool(amounts(plain(sentence.text)))


def _opens(row: str, heads: set[str]) -> bool:
    match = SECTION.match(row)
    return match is not None and plain(match["name"]) in heads


def _section_row(row: str, grammar: Grammar, heads: set[str]) -> bool:
    """Whether a row of the method is a heading of its own."""
    text = plain(row)
    if len(text) > 40 or amounts(text) or re.search(r"[.;!,]", text):
        return False
    if _group_name(row) in heads:
        return True
    if _verb_first(row, grammar):
        return False
    return row.endswith((":", "：")) or bool(GROUP.match(text)) or row.isupper() or bool(FINISHING.fullmatch(text))


def _only_food(name: str) -> bool:
    """“Flour: sift twice”: what stands in front is what the work is done to."""
    found = find_all(plain(name))
    return bool(found) and any(ingredient(n.ingredient).kind in {"flour", "egg", "sugar", "fat"} for n in found)


def _spoken(row: str, section: str) -> Iterator[Row]:
    """A row's sentences; one that begins a part of the work sets the heading of those that follow in it."""
    number = step_number(row)
    match = SECTION.match(STEP.sub("", row, count=1))
    if match is not None and len(match["name"].split()) <= 5 and not _only_food(match["name"]):
        section = plain(match["name"])
        section = re.sub(
            r"^(?:for |to make )?(?:the )?|^pour (?:la |le |l'|les )|^per (?:la |il |l'|lo )", "", section
        )[:60]
    for text in sentences(row):
        begins = MAKES.match(plain(text).rstrip("."))
        if begins is not None:
            section = next(g for g in begins.groups() if g)[:60].strip()
        yield Row(kind=RowKind.SENTENCE, text=text[:400], group=section, number=number)


__all__ = ["Cut", "Row", "RowKind", "cut", "ingredient_like", "servings"]
