"""A recipe as it was found: plain text, a schema.org Recipe or a table, cut into title, ingredient lines and method."""

from __future__ import annotations

import csv
import io
import json
import re
from collections.abc import Iterable, Iterator, Mapping
from html import unescape
from typing import Any

from kindwhisk.core.reading.amounts import amounts
from kindwhisk.core.reading.method.language import language_of
from kindwhisk.core.reading.method.sentences import sentences
from kindwhisk.core.reading.parts import Row, RowKind, cut, servings
from kindwhisk.core.reading.parts.row import one_recipe
from kindwhisk.core.reading.parts.tidying import shown_of
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

LONGEST = 50_000


class WrittenLine(Value):
    """An ingredient line with the heading that it stands under."""

    text: str
    group: str = ""


class Written(Value):
    """A recipe in its rows, each a title, a heading, an ingredient, a sentence or a note."""

    title: str
    rows: tuple[Row, ...]
    language: str = "en"
    servings: int | None = None

    @property
    def lines(self) -> tuple[WrittenLine, ...]:
        """The ingredient lines."""
        return tuple(WrittenLine(text=r.text, group=r.group) for r in self.rows if r.kind is RowKind.INGREDIENT)

    @property
    def method(self) -> str:
        """Its sentences, one a row."""
        return "\n".join(r.text for r in self.rows if r.kind is RowKind.SENTENCE)


def _short_enough(characters: int, field: str) -> None:
    if characters > LONGEST:
        raise CraftError(
            f"That is {characters} characters long.", field=field, remedy=f"Give one recipe, at most {LONGEST}."
        )


def from_text(text: str) -> Written:
    """Cut pasted text into parts, by its headings or, without any, by what the rows look like.

    Raises:
        CraftError: there is nothing in it, or too much.
    """
    if not text.strip():
        raise CraftError("There is no text to read.", field="text", remedy="Paste a recipe: ingredients and method.")
    _short_enough(len(text), "text")
    if text.lstrip().startswith(("{", "[")) and (document := _as_json(text)) is not None:
        return from_jsonld(document)
    parts = cut(text)
    rows = one_recipe(parts.rows)
    title = next((r.text for r in parts.rows if r.kind is RowKind.TITLE), "")
    return Written(title=title[:120], rows=rows, language=parts.language, servings=servings(text))


def _as_json(text: str) -> Any:
    """The document that a pasted text is, if it is one with a Recipe in it."""
    try:
        document = json.loads(text)
    except (ValueError, RecursionError):
        return None
    return document if find_recipe(document) is not None else None


def find_recipe(document: Any) -> Mapping[str, Any] | None:
    """The Recipe in a JSON-LD document: itself, one of a list, or in its ``@graph``."""
    if isinstance(document, list):
        return next((r for d in document[:200] if (r := find_recipe(d)) is not None), None)
    if not isinstance(document, Mapping):
        return None
    kinds = document.get("@type")
    if kinds == "Recipe" or (isinstance(kinds, list) and "Recipe" in kinds):
        return document
    return find_recipe(document.get("@graph")) if isinstance(document.get("@graph"), list) else None


HEADED_LINE = re.compile(r"(?:for the )?(?P<name>[^\W\d][^\d:]{1,30}): (?P<rest>\d.*)", re.IGNORECASE)


def from_jsonld(document: Any) -> Written:
    """The parts of a schema.org Recipe.

    Raises:
        CraftError: it holds no Recipe, or one without ingredients.
    """
    recipe = find_recipe(document)
    if recipe is None:
        raise CraftError(
            "This is not a schema.org Recipe.",
            field="@type",
            remedy='Give a JSON-LD object whose "@type" is "Recipe".',
        )
    given = recipe.get("recipeIngredient") or recipe.get("ingredients") or []
    lines = [text for _, text in _texts(given)]
    if not lines:
        raise CraftError(
            "This recipe lists no ingredients.",
            field="recipeIngredient",
            remedy="Add its ingredients, one text each, such as “120 g caster sugar”.",
        )
    name = recipe.get("name")
    title = next((text for _, text in _texts(name)), "Untitled")[:120]
    said = list(_texts(recipe.get("recipeInstructions") or []))
    whole = [title, *lines, *(text for _, text in said)]
    _short_enough(sum(len(text) for text in whole), "recipeInstructions")
    rows = [Row(kind=RowKind.TITLE, text=title), *_listed(lines), *_told(said)]
    return Written(
        title=title,
        rows=one_recipe(rows),
        language=language_of("\n".join(whole)),
        servings=_yield(recipe.get("recipeYield")),
    )


def _listed(lines: Iterable[str]) -> Iterator[Row]:
    """Lines under their headings, where a list holds headings too: ``For the glaze:``."""
    group = ""
    for text in lines:
        if text.endswith(":") and len(text) < 60 and not amounts(plain(text)):
            group = plain(text).strip(" :").removeprefix("for the ").removeprefix("for ")[:60]
            yield Row(kind=RowKind.HEADING, text=text, group=group)
        elif (headed := HEADED_LINE.match(text)) is not None:
            # “Syrup: 50 ml water”.
            yield Row(kind=RowKind.INGREDIENT, text=headed["rest"][:400], group=plain(headed["name"])[:60])
        else:
            yield Row(kind=RowKind.INGREDIENT, text=text[:400], group=group)


def _told(said: Iterable[tuple[str, str]]) -> Iterator[Row]:
    """Sentences under the names of their sections."""
    section = ""
    for name, text in said:
        group = plain(name)[:60]
        if group != section:
            section = group
            yield Row(kind=RowKind.HEADING, text=name[:400] or "-", group=group)
        for sentence in sentences(text):
            yield Row(kind=RowKind.SENTENCE, text=sentence[:400], group=group)


def _texts(value: Any, section: str = "", depth: int = 0) -> Iterator[tuple[str, str]]:
    """Every text of a list or an instruction with the name of its section, whatever it is nested in."""
    if isinstance(value, str):
        yield from ((section, row.strip()) for row in _clean(value).split("\n") if row.strip())
    elif isinstance(value, list) and depth < DEEPEST:
        for item in value:
            yield from _texts(item, section, depth + 1)
    elif isinstance(value, Mapping) and depth < DEEPEST:
        named = value.get("@type") == "HowToSection" and isinstance(value.get("name"), str)
        inner = value.get("itemListElement") or value.get("text") or value.get("name")
        yield from _texts(inner, _clean(value["name"])[:60] if named else section, depth + 1)


def _clean(text: str) -> str:
    """A text without marks, nor halves of a sign that was cut in two; what ends a paragraph ends a row."""
    return unescape(shown_of(text)).encode("utf-8", "ignore").decode("utf-8")


def _yield(amount: Any) -> int | None:
    """Servings of a ``recipeYield``: a plain number, or words of serving."""
    for text in [str(a) for a in amount] if isinstance(amount, list) else [str(amount)] if amount else []:
        number = int(text) if text.strip().isdigit() and len(text.strip()) < 5 else servings(text)
        if number is not None and 1 <= number <= 500:
            return number
    return None


DEEPEST = 12
HEADS = {
    "ingredient": {"ingredient", "name", "item", "ingrédient", "ingrediente", "材料", "nguyên liệu"},
    "amount": {"amount", "quantity", "qty", "grams", "weight", "g", "quantité", "quantità", "分量", "lượng"},
    "unit": {"unit", "units", "unité", "unità", "単位", "đơn vị"},
    "group": {"component", "group", "part", "role"},
}


MARKED = re.compile(r"^'(?=[=+\-@])")
"""How a table marks a text that a spreadsheet would take for a formula."""


def from_csv(text: str) -> Written:
    """The ingredient lines of a table with columns for ingredient, amount and, perhaps, unit and component.

    Raises:
        CraftError: it has no column of ingredients.
    """
    _short_enough(len(text), "text")
    delimiter = max(",;\t", key=text.split("\n", 1)[0].count)
    try:
        rows = list(csv.reader(io.StringIO(text), delimiter=delimiter))
    except csv.Error:
        rows = []
    rows = [r for r in rows if any(c.strip() for c in r)]
    heads = [plain(c) for c in rows[0]] if rows else []
    columns = {name: next((i for i, h in enumerate(heads) if h in words), None) for name, words in HEADS.items()}
    at = columns["ingredient"]
    if at is None:
        raise CraftError(
            "The table has no column “ingredient”.",
            field="text",
            remedy="Name the columns in the first row: ingredient, amount, unit.",
        )

    def cell(row: list[str], name: str) -> str:
        i = columns[name]
        text = row[i].strip() if i is not None and i < len(row) else ""
        return MARKED.sub("", text)

    amount_head = heads[columns["amount"]] if columns["amount"] is not None else ""
    made = []
    for row in rows[1:]:
        unit = cell(row, "unit") or ("g" if amount_head in {"grams", "g", "weight"} else "")
        line = f"{cell(row, 'amount')} {unit} {cell(row, 'ingredient')}".strip()
        if line:
            made.append(Row(kind=RowKind.INGREDIENT, text=line[:400], group=cell(row, "group")[:60]))
    return Written(title="", rows=one_recipe(made), language=language_of(text))
