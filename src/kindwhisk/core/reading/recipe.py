"""A recipe as it was found: plain text, a schema.org Recipe or a table, cut into title, ingredient lines and method."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Mapping
from html import unescape
from typing import Any

from kindwhisk.core.reading.amounts import amounts
from kindwhisk.core.reading.names import find_all
from kindwhisk.core.reading.plain import plain
from kindwhisk.core.reading.units import TO_TASTE
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.model import Value

DOES = re.compile(
    r"(?:whisk|whip|beat|fold|pour|add|mix|melt|sift|boil|heat|pre-?heat|spread|stir|combine|pipe|roll|cool|turn|line|"
    r"grease|bake|cook|chill|spoon|separate|put|place|remove|let|set|dust|serve|brush|versez|ajoutez|fouettez|montez|"
    r"incorporez|mélangez|préchauffez|enfournez|montate|unite|versate|incorporate|cuocere|đánh|trộn|nướng|cho|đổ|làm)\b"
)
"""How a sentence of a method begins."""
SENTENCES = re.compile(r"[a-z]{5,}[.!] +[A-Z][a-z]+|[。].")
COVERS = 0.6
SHORT = 70
LONGEST = 40_000
MOST_LINES = 120
INGREDIENTS = re.compile(
    r"^(?:the )?(?:ingredients?|you(?:'ll| will) need|what you need|ingrédients?|ingredienti|材料|原料|"
    r"nguyên liệu)\b.*$|^材料"
)
METHOD = re.compile(
    r"^(?:the )?(?:method|directions?|instructions?|preparation|steps|procedure|how to make.*|préparation|étapes|"
    r"réalisation|"
    r"recette|procedimento|preparazione|istruzioni|作り方|手順|つくり方|cách làm|thực hiện|các bước.*|hướng dẫn)\s*:?\s*$"
)
NOTES = re.compile(
    r"^(?:notes?|tips?|nutrition.*|equipment|storage|conseils?|note|consigli|ポイント|コツ|mẹo)\s*:?\s*$"
)
NUMBERED = re.compile(r"^\s*(?:step\s*)?\d{1,2}\s*[.):]\s+\S|^\s*[①-⑳]")
GROUP = re.compile(
    r"^(?:for (?:the )?)?(?P<name>[^\d:]{2,40}):$|^for (?:the )?(?P<other>[a-z' -]{2,40})$|"
    r"^pour (?:la |le |l'|les )?(?P<fr>[^\d:]{2,40}):?$|^per (?:la |il |l'|le )?(?P<it>[^\d:]{2,40}):?$"
)


class WrittenLine(Value):
    """An ingredient line with the heading that it stands under."""

    text: str
    group: str = ""


class Written(Value):
    """A recipe in its parts."""

    title: str
    lines: tuple[WrittenLine, ...]
    method: str
    servings: int | None = None


def _ingredient_like(line: str) -> bool:
    text = plain(line)
    if not text or len(text) > 140 or (NUMBERED.match(line) and len(text) > 60):
        return False
    if len(text) >= 110 or DOES.match(text) or SENTENCES.search(line):
        return False
    named = next(iter(find_all(text)), None)
    if named is None:
        # Not a food that is known: an amount in front of it still makes it one.
        first = next(iter(amounts(text)), None)
        return first is not None and first.start <= 1 and first.unit is not None and len(text) < SHORT
    if amounts(text) or any(word in text for word in TO_TASTE):
        return True
    # Without an amount it is an ingredient only if it names nothing else: a “chocolate cake” is a title.
    return len(named.words) >= COVERS * len(text.rstrip(":"))


def _is_heading(row: str) -> bool:
    """A short line in a list without an amount, such as ``Almond paste``; amounts follow a heading."""
    text = plain(row)
    return len(text) < 40 and not amounts(text) and not _ingredient_like(row) and not re.search(r"[.,;!]", text)


def _servings(text: str) -> int | None:
    found = re.search(
        r"(?:serves|servings?|yield[s:]*|makes|pour|per|personnes?)\D{0,12}(\d{1,3})|(\d{1,3})\s*(?:servings|personnes|persone|人分|người)",
        text.lower(),
    )
    number = int(found[1] or found[2]) if found else 0
    return number if 1 <= number <= 500 else None


# One branch a kind of row.
def from_text(text: str) -> Written:  # noqa: PLR0912
    """Cut pasted text into parts, by its headings or, without any, by what the lines look like.

    Raises:
        CraftError: there is nothing in it, or too much.
    """
    if not text.strip():
        raise CraftError("There is no text to read.", field="text", remedy="Paste a recipe: ingredients and method.")
    if len(text) > LONGEST:
        raise CraftError(
            f"That is {len(text)} characters long.", field="text", remedy=f"Paste one recipe, at most {LONGEST}."
        )
    rows = [unescape(row).replace("\u200b", "").strip() for row in text.replace("\r", "").split("\n")]
    rows = [row for row in rows if row]
    headed = any(INGREDIENTS.match(plain(r)) and len(r) < 60 for r in rows[1:])
    title = next((r for r in rows if not INGREDIENTS.match(plain(r)) and (headed or not _ingredient_like(r))), "")
    if amounts(plain(title)) and _ingredient_like(title):
        title = ""
    if len(title) > 100 or METHOD.match(plain(title)):
        title = ""
    part, group = "", ""
    lines: list[WrittenLine] = []
    method: list[str] = []
    for row, following in zip(rows, [*rows[1:], ""], strict=True):
        flat = plain(row).rstrip(":").strip()
        if row is title or (row == title and not lines and not method):
            continue
        if INGREDIENTS.match(flat) and len(flat) < 60:
            part = "ingredients"
        elif METHOD.match(flat):
            part = "method"
        elif NOTES.match(flat):
            part = "notes"
        elif part == "notes":
            continue
        elif part != "method" and (heading := GROUP.match(plain(row))) and not _ingredient_like(row):
            group = next(g for g in heading.groups() if g).strip()
        elif part == "ingredients" and _is_heading(row) and (row.endswith(":") or amounts(plain(following))):
            group = plain(row).strip()
        elif (
            part == "method" or (part == "" and not _ingredient_like(row)) or (part == "ingredients" and len(row) > 160)
        ):
            method.append(row)
        else:
            lines.append(WrittenLine(text=row[:400], group=group[:60]))
    return Written(
        title=title[:120],
        lines=tuple(lines[:MOST_LINES]),
        method="\n".join(method)[:LONGEST],
        servings=_servings(text),
    )


def _texts(value: Any) -> list[str]:
    """Every text of a schema.org instruction, whatever it is nested in."""
    if isinstance(value, str):
        return [unescape(re.sub(r"<[^>]+>", " ", value))]
    if isinstance(value, list):
        return [t for item in value[:300] for t in _texts(item)]
    if isinstance(value, Mapping):
        inner = value.get("itemListElement") or value.get("text") or value.get("name")
        return _texts(inner)
    return []


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
    lines = [t.strip() for t in _texts(given) if t.strip()]
    if not lines:
        raise CraftError(
            "This recipe lists no ingredients.",
            field="recipeIngredient",
            remedy="Add its ingredients, one text each, such as “120 g caster sugar”.",
        )
    name, amount = recipe.get("name"), recipe.get("recipeYield")
    method = _texts(recipe.get("recipeInstructions") or [])
    return Written(
        title=(name if isinstance(name, str) else "Untitled")[:120] or "Untitled",
        lines=tuple(WrittenLine(text=t[:400]) for t in lines[:MOST_LINES]),
        method="\n".join(method)[:LONGEST],
        servings=_servings(f"serves {amount}") if amount else None,
    )


HEADS = {
    "ingredient": {"ingredient", "name", "item", "ingrédient", "ingrediente", "材料", "nguyên liệu"},
    "amount": {"amount", "quantity", "qty", "grams", "weight", "g", "quantité", "quantità", "分量", "lượng"},
    "unit": {"unit", "units", "unité", "unità", "単位", "đơn vị"},
    "group": {"component", "group", "part", "role"},
}


def from_csv(text: str) -> Written:
    """The ingredient lines of a table with columns for ingredient, amount and, perhaps, unit and component.

    Raises:
        CraftError: it has no column of ingredients.
    """
    if len(text) > LONGEST:
        raise CraftError("That table is too long.", field="text", remedy=f"At most {LONGEST} characters.")
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
        return row[i].strip() if i is not None and i < len(row) else ""

    amount_head = heads[columns["amount"]] if columns["amount"] is not None else ""
    lines = []
    for row in rows[1 : MOST_LINES + 1]:
        unit = cell(row, "unit") or ("g" if amount_head in {"grams", "g", "weight"} else "")
        line = f"{cell(row, 'amount')} {unit} {cell(row, 'ingredient')}".strip()
        if line:
            lines.append(WrittenLine(text=line[:400], group=cell(row, "group")[:60]))
    return Written(title="", lines=tuple(lines), method="")
