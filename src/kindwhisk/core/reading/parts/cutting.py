"""A pasted text in its parts: title, headings, ingredient lines, sentences, notes. Every row of it is one of these."""

from __future__ import annotations

import re
from collections.abc import Iterator, Sequence
from dataclasses import dataclass, field
from functools import cached_property
from typing import NamedTuple

from kindwhisk.core.ingredients import ingredient
from kindwhisk.core.reading.amounts import amounts, in_figures
from kindwhisk.core.reading.method.language import language_of
from kindwhisk.core.reading.method.sentences import STEP, sentences, step_number
from kindwhisk.core.reading.method.verbs import GRAMMARS, Grammar
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.parts.headings import DAY, NOTE_ROW, OF_PART, as_head, group_name, is_heading, section_row
from kindwhisk.core.reading.parts.lists import (
    FOR_ONE,
    LONG_LINE,
    LONG_TITLE,
    SECTION,
    in_one_row,
    ingredient_like,
    listed,
    part_first,
    verb_first,
)
from kindwhisk.core.reading.parts.row import Room, Row, RowKind
from kindwhisk.core.reading.parts.serving import YIELDS
from kindwhisk.core.reading.parts.tidying import tidy
from kindwhisk.core.reading.parts.titles import has_list, title_of
from kindwhisk.core.reading.parts.told_lists import NEEDS, as_list, as_part
from kindwhisk.core.reading.plain import BULLET, plain

MAKES = re.compile(
    r"^make (?:the |your )?(?P<name>[^\d:.,;]{2,34})$|^for (?:the )?(?P<other>[^\d:.,;]{2,34}?)(?=,| (?:fate|you|we|i|she|he|they|just|boil|put|stir|warm|cook|soak|combine|dissolve|chop|whip|whisk|beat|mix|heat|bring|melt))|"
    r"^per (?:la |il |l'|lo )(?P<it>[^\d:.,;]{2,24}?)(?=,| fate| montate| portate| mescolate)|^pour (?:la |le |l'|les )(?P<fr>[^\d:.,;]{2,24}?)(?=,)"
)
"""A sentence that begins a part of the work: ``For the filling, whip the cream``."""

TURNS_TO = re.compile(
    r"(?:(?:start|begin)(?: off)? with|first(?:ly)?|now|next|then|finally|meanwhile|for|make|to make|prepare|on to|réaliser|réalisez|préparer|préparez|faire|faites|preparare|preparate|fare|fate)?,? ?(?:(?:for|make|prepare|to) )?(?:the |your |la |le |les |l'|il |lo |i )?"
    r"(?P<name>[^\W\d][^\d:.,;]{1,34}?)(?: first| next| now)?(?=[:.]|$)"
)
"""A sentence, or what stands in front of it, that only names a part: “Now the sponge.”"""
MADE_JA = re.compile(r"^(?P<name>[^、。0-9]{2,16}?)(?:を|の)(?:作る|作ります|用意する)。?$")
"""ムースを作る。"""
DASHED = re.compile(r"([^\W\d][^\d:.,;–—-]{1,34}?) [-–—] (\S.*)$")
"""“Rum soak - boil the water”: under a heading that the list has."""


class Cut(NamedTuple):
    """A text in its rows."""

    rows: tuple[Row, ...]
    language: str


def cut(text: str) -> Cut:
    """Cut a text by its headings or, without any, by what its rows look like."""
    language = language_of(text)
    grammar = GRAMMARS[language]
    raw = [row.strip() for row in tidy(text).split("\n")]
    gaps = [i == 0 or not raw[i - 1] for i, row in enumerate(raw) if row]
    rows = [row for row in raw if row]
    title = title_of(rows, gaps, grammar)
    listing = has_list([r for r in rows if r != title], grammar)
    found = Cutter(rows, gaps, title, grammar, listing).rows()
    if _alternates(found, grammar):
        found = Cutter(rows, gaps, title, grammar, listing, by_parts=True).rows()
    return Cut(tuple(_introduced(found, grammar)), language)


@dataclass
class Cutter:
    """Row after row of a text: each is asked for what it is, the surest sign first.

    ``part`` is the heading that rules, ``group`` the list's last one, ``section`` the method's; ``heads`` are the
    names that the list has used, ``steps`` the last number of a step, ``told`` whether sentences named amounts.
    """

    texts: Sequence[str]
    gaps: Sequence[bool]
    title: str
    grammar: Grammar
    listing: bool
    by_parts: bool = False
    part: str = ""
    group: str = ""
    section: str = ""
    titled: bool = False
    told: bool = False
    heads: set[str] = field(default_factory=set)
    steps: int = 0

    def rows(self) -> list[Row]:
        """Every row as what it is."""
        asked = (
            self._titles,
            self._heads,
            self._notes,
            self._lists,
            self._days,
            self._groups,
            self._sections,
            self._lines,
        )
        found: list[Row] = []
        room = Room()
        for i, text in enumerate(self.texts):
            if room.none:
                found.append(Row(kind=RowKind.NOTE, text=text[:400], beyond=True))
                continue
            row = self._undashed(text)
            rows = next((rows for ask in asked if (rows := ask(row, i)) is not None), None)
            rows = self._sentences(row) if rows is None else rows
            for each in rows:
                room.take(each)
            found += rows
        return found

    @cached_property
    def _one_method(self) -> bool:
        return sum(as_head(text) == "method" for text in self.texts) == 1

    def _undashed(self, row: str) -> str:
        """“Rum soak - boil the water”, under a heading that the list has, is “Rum soak: boil the water”."""
        dashed = DASHED.match(row)
        return f"{dashed[1]}: {dashed[2]}" if dashed is not None and plain(dashed[1]) in self.heads else row

    def _titles(self, row: str, _: int) -> list[Row] | None:
        if row != self.title or self.titled:
            return None
        self.titled = True
        return [Row(kind=RowKind.TITLE, text=row[:400])]

    def _heads(self, row: str, _: int) -> list[Row] | None:
        head = as_head(row)
        if head is None:
            return None
        self.part = head
        if head == "method" and self._one_method:
            self.section = ""
        if head == "ingredients" and (of := OF_PART.search(plain(row))):
            # “Ingredients for the custard”.
            self.group = of[1][:60]
            self.heads.add(self.group)
        return [Row(kind=RowKind.HEADING, text=row[:400])]

    def _notes(self, row: str, i: int) -> list[Row] | None:
        if i == 0 and len(row) < LONG_TITLE and MAKES_SO_MANY.search(plain(row)):
            return [Row(kind=RowKind.TITLE, text=row[:400])]
        if i < 2 and GREETING.match(plain(row)) and not amounts(plain(row)):
            return [Row(kind=RowKind.NOTE, text=row[:400])]
        following = self.texts[i + 1] if i + 1 < len(self.texts) else ""
        if TPT_TOTAL.fullmatch(plain(row)) and len(in_one_row(following, self.grammar)) > 1:
            return [Row(kind=RowKind.NOTE, text=row[:400])]
        idle = self.part == "notes" or NOTE_ROW.match(plain(row)) or YIELDS.match(plain(row))
        return [Row(kind=RowKind.NOTE, text=row[:400])] if idle else None

    def _lists(self, row: str, _: int) -> list[Row] | None:
        """“Syrup: 150 g sugar, 40 g water”."""
        one = FOR_ONE.match(row)
        if one is not None and amounts(plain(one["for"])) and len(lines := in_one_row(one["rest"], self.grammar)) > 2:
            return [Row(kind=RowKind.NOTE, text=one["for"][:400]), *(self._line(words) for words in lines)]
        headed = part_first(row)
        if headed is not None and self.listing and len(in_one_row(headed[1], self.grammar)) > 1:
            row = f"{headed[0]}: {headed[1]}"
        inner = listed(row, self.grammar) if self.listing else None
        match = SECTION.match(row)
        if not inner or match is None:
            return None
        if not any(find_all(plain(words)) for words in inner):
            return [Row(kind=RowKind.INGREDIENT, text=row[:400], group=self.group)]
        self.group = plain(match["name"])[:60]
        self.heads.add(self.group)
        heading = Row(kind=RowKind.HEADING, text=match["name"][:400], group=self.group)
        return [heading, *(self._line(words) for words in inner)]

    def _line(self, words: str) -> Row:
        return Row(kind=RowKind.INGREDIENT, text=words[:400], group=self.group)

    def _days(self, row: str, _: int) -> list[Row] | None:
        if not DAY.fullmatch(plain(row).strip(" :-–")):
            return None
        self.part, self.section = "method", ""
        return [Row(kind=RowKind.HEADING, text=row[:400], group="")]

    def _groups(self, row: str, i: int) -> list[Row] | None:
        """The heading of a part of the list."""
        following = self.texts[i + 1] if i + 1 < len(self.texts) else ""
        listing = self.listing and self.part != "method" and STEP.match(row) is None
        if BULLET.match(row) and BULLET.match(following):
            return None
        if not listing or not is_heading(row, following, self.grammar, self.gaps[i]):
            return None
        self.group = group_name(row)
        self.heads.add(self.group)
        if self.by_parts or not (ingredient_like(following, self.grammar) or in_one_row(following, self.grammar)):
            self.section = self.group
        return [Row(kind=RowKind.HEADING, text=row[:400], group=self.group)]

    def _sections(self, row: str, i: int) -> list[Row] | None:
        """The heading of a part of the method, or the bare number of a step."""
        if (self.part == "method" or (self.listing and self.gaps[i])) and section_row(row, self.grammar, self.heads):
            self.section = group_name(row)
            return [Row(kind=RowKind.HEADING, text=row[:400], group=self.section)]
        following = self.texts[i + 1] if i + 1 < len(self.texts) else ""
        between = self.steps > 0 and step_number(following) in {1, self.steps + 1} and step_number(row) is None
        if between and len(row.split()) <= 3 and not re.search(r"[\d.,;!]", row) and not verb_first(row, self.grammar):
            # “Mousse”, between step 4 and step 5.
            self.section = group_name(row)
            return [Row(kind=RowKind.HEADING, text=row[:400], group=self.section)]
        if STEP.match(row) is not None and not STEP.sub("", row, count=1).strip():
            self.steps = step_number(row) or self.steps
            return [Row(kind=RowKind.HEADING, text=row[:400], group=self.section)]
        return None

    def _lines(self, row: str, i: int) -> list[Row] | None:
        """Lines of the list; a row with the next number, or with a verb behind one, is a step."""
        if not self.listing or self.part == "method":
            return None
        needs = NEEDS.match(row)
        if needs is not None and len(in_one_row(row[needs.end() :], self.grammar)) > 2:
            # “Ti servono 5 uova, 150 g di zucchero, …”.
            row = row[needs.end() :]
        works = verb_first(row, self.grammar)
        follows = self.steps > 0 and step_number(row) == self.steps + 1
        begins = step_number(row) == 1 and i + 1 < len(self.texts) and step_number(self.texts[i + 1]) == 2
        counted = COUNTED.match(row) is not None and begins and not find_all(plain(row).split(" ")[0])
        if STEP.match(row) is not None and (follows or works or counted):
            return None
        worked = THEN_DONE.match(row)
        if worked is not None and verb_first(worked["work"], self.grammar):
            several = in_one_row(worked["list"], self.grammar)
            if len(several) > 1:
                # “150 g cream + 12 g sugar, whip”.
                done = Row(kind=RowKind.SENTENCE, text=worked["work"][:400], group=self.section)
                return [*(self._line(words) for words in several), done]
        several = in_one_row(row, self.grammar)
        headed = self.part == "ingredients" and any(as_head(text) == "method" for text in self.texts)
        under_head = headed and len(row) <= LONG_LINE and not works
        if several or under_head or ingredient_like(row, self.grammar):
            return [self._line(words) for words in several or [row]]
        return None

    def _sentences(self, row: str) -> list[Row]:
        self.steps = step_number(row) or self.steps
        spoken = list(_spoken(row, self.section, self.heads))
        if spoken and (_opens(row, self.heads) or STEP.match(row) is None):
            self.section = spoken[-1].group
        found: list[Row] = []
        for sentence in spoken:
            # A message: “Roll for Sunday! 4 eggs, 100 sugar, 80 flour. Beat …”.
            ask = as_part if self.listing or self.told else as_list
            rows = ask(sentence, self.grammar)
            found += rows
            works = next(iter(self.grammar.verbs(plain(sentence.text))), None) is not None
            self.told = self.told or (rows == [sentence] and works and bool(amounts(plain(sentence.text))))
        return found


THEN_DONE = re.compile(
    r"(?P<list>[^.;:]{0,24}\d[^.;]*?(?:[+&]| / )[^.;]*?)(?:,| →| ->|:) *(?P<work>[^\W\d][^,;]{2,60})$"
)
"""A list in one row with what is done to it."""
GREETING = re.compile(r"(?:hi|hello|hey|salut|coucou|bonjour|ciao|chào|cara|caro)(?!\w)[^.]*[:!,]?$")
"""“Salut, pour le roulé au citron :”."""
TPT_TOTAL = re.compile(r"(?:tpt|tant[ -]pour[ -]tant) ?:? ?\d+ ?g(?:r|ram\w*)?")
"""How much of both together, above a row that tells them apart."""
COUNTED = re.compile(r"\d{1,2}[.)]\s")
MAKES_SO_MANY = re.compile(r"[^\d]{8,}(?:makes|serves|yields|for about) (?:about )?\d+ ?\w*\.?$")
"""“Sponge drops for tea, makes 18 pairs.”"""
SETS_OUT = re.compile(
    r"(?:(?:right|so|ok|okay|well|hi|hello|hey)[\w ]{0,16},? )*(?:today|tonight|this time|this week|now)?,? ?(?:we're|we are|i'm|i am|let's)(?: going to be| going to| gonna)? (?:making?|bak(?:e|ing)|do(?:ing)?)(?!\w)"
)
"""“So today we're making a roulade.”"""


def _introduced(rows: Sequence[Row], grammar: Grammar) -> Iterator[Row]:
    """What is told above the list and names nothing to be done only introduces it: a note."""
    begins = next((i for i, r in enumerate(rows) if r.kind is RowKind.INGREDIENT), 0)
    for i, row in enumerate(rows):
        first = i == 0 and len(rows) > 3 and not row.group
        idle = (
            row.kind is RowKind.SENTENCE
            and i < max(begins, 2)
            and _only_opens(row.text, grammar, above=i < begins, first=first)
        )
        yield row.model_copy(update={"kind": RowKind.NOTE}) if idle else row


def _only_opens(sentence: str, grammar: Grammar, *, above: bool, first: bool) -> bool:
    text = plain(sentence)
    out = SETS_OUT.match(text)
    # What stands above a list and names no figure only praises what it makes.
    works = next(iter(grammar.verbs(text)), None) is not None
    bare = re.search(r"\d", in_figures(text)) is None
    idle = (above and (bare or not _does(sentence, grammar))) or (first and bare and not works)
    return idle or (out is not None and not amounts(text))


def _alternates(rows: Sequence[Row], grammar: Grammar) -> bool:
    """Whether every part has its list and its sentences together, instead of all lists before all sentences."""
    listed = next((i for i, r in enumerate(rows) if r.kind is RowKind.INGREDIENT), len(rows))
    first = next((i for i, r in enumerate(rows) if i > listed and r.kind is RowKind.SENTENCE), len(rows))
    later = [r for r in rows[first:] if r.kind is RowKind.INGREDIENT]
    works = first < len(rows) and next(iter(grammar.verbs(plain(rows[first].text))), None) is not None
    return works and len({r.group for r in later}) >= 1 and len(later) >= 2 and any(r.group for r in rows)


def _opens(row: str, heads: set[str]) -> bool:
    match = SECTION.match(row)
    return match is not None and plain(match["name"]) in heads


def _only_food(name: str) -> bool:
    """“Flour: sift twice”: what stands in front is what the work is done to."""
    found = find_all(plain(name))
    return bool(found) and any(ingredient(n.ingredient).kind in {"flour", "egg", "sugar", "fat"} for n in found)


def _does(sentence: str, grammar: Grammar) -> bool:
    """Whether a sentence names something to be done, or something that it is done to."""
    text = plain(sentence)
    return bool(find_all(text) or amounts(text)) or next(iter(grammar.verbs(text)), None) is not None


def _turns_to(text: str, heads: set[str]) -> str:
    """“Now the sponge.”, “Start with the curd: …”: the part of the list that a sentence turns to; empty where none."""
    match = MADE_JA.match(text) or TURNS_TO.match(text)
    if match is None:
        return ""
    name = match["name"]
    exact = next((h for h in heads if h == name or h.removesuffix("s") == name.removesuffix("s")), "")
    alike = [h for h in heads if name in h.split()]
    # “Crème.”, of the crème mousseline.
    return exact or (alike[0] if len(alike) == 1 else "")


def past_turn(text: str, part: str) -> str:
    """A sentence without what only says which part it turns to: “Start with the curd: put …” is “put …”."""
    words = text.lower()
    match = TURNS_TO.match(words)
    turns = match is not None and (match.start("name") > 0 or match.end() > match.end("name"))
    if part and MADE_JA.match(words) and _turns_to(words, {part}):
        return ""
    if part and words.strip(" .:") == (match["name"] if match is not None else "") and _turns_to(words, {part}):
        return ""
    if not part or match is None or not turns or not _turns_to(words, {part}):
        return text
    return text[match.end() :].lstrip(" :.")


NO_PART = re.compile(
    r"(?:mix|whip|whisk|beat|fold|bake|spread|pour|fill|assemble|finish|sift|pipe|cool|rest|chill|combine|method|bag|layer)$|(?:a mano$|by hand$|à la main$)|(?:in|on|at|so|and|but|well|ok|okay|note|first|then|now|finally|also) ",
    re.IGNORECASE,
)
"""“In a nutshell: …”."""


def _spoken(row: str, section: str, heads: set[str]) -> Iterator[Row]:
    """A row's sentences; one that begins a part of the work sets the heading of those that follow in it."""
    number = step_number(row)
    match = SECTION.match(STEP.sub("", row, count=1))
    head = match is not None and (as_head(match["name"]) or DAY.fullmatch(plain(match["name"])))
    if (
        match is not None
        and not head
        and len(match["name"].split()) <= 5
        and not NO_PART.match(match["name"])
        and not _only_food(match["name"])
    ):
        named = _turns_to(plain(match["name"]), heads)
        section = (
            named
            or re.sub(
                r"^(?:for |to make )?(?:the )?|^pour (?:la |le |l'|les )|^per (?:la |il |l'|lo )",
                "",
                plain(match["name"]),
            )[:60]
        )
    for text in sentences(row):
        begins = MAKES.match(plain(text).rstrip("."))
        if begins is not None:
            section = next(g for g in begins.groups() if g)[:60].strip()
        section = _turns_to(plain(text), heads) or section
        yield Row(kind=RowKind.SENTENCE, text=text[:400], group=section, number=number)
