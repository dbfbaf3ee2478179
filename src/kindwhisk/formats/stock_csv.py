"""Stock as a table, both ways."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Mapping
from typing import Any

from pydantic import ValidationError

from kindwhisk.core.day.stock import StockItem
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.faults import faults
from kindwhisk.formats.cells import lines, told

FIGURES = ("grams", "least_g", "pack_g", "price_per_kg")
COLUMNS = ("ingredient", "name", *FIGURES)
MOST = 5000


def write(items: Iterable[StockItem], names: Mapping[str, str]) -> str:
    """One line an ingredient; ``names`` are what they are called."""
    rows: list[list[Any]] = [list(COLUMNS)]
    for item in items:
        figures = ["" if (v := getattr(item, f)) is None else f"{v:g}" for f in FIGURES]
        rows.append([item.ingredient, names.get(item.ingredient, ""), *figures])
    return "".join(lines(rows))


def read(text: str, known: Mapping[str, str]) -> list[StockItem]:
    """What there is, of a table with a column ``ingredient`` or ``name`` and any of the figures.

    Args:
        text: the table.
        known: ids of ingredients by their names in small letters.

    Raises:
        CraftError: a column is missing, or a row tells nothing; the row and the column are named.
    """
    text = text.removeprefix("\ufeff")
    delimiter = max(",;\t", key=text.split("\n", 1)[0].count)
    rows = csv.DictReader(io.StringIO(text), delimiter=delimiter)
    heads = [(h or "").strip().lower() for h in rows.fieldnames or ()]
    rows.fieldnames = heads
    if not {"ingredient", "name"} & set(heads):
        raise CraftError(
            "The table has no column “ingredient” or “name”.",
            field="ingredient",
            remedy=f"Name the columns in the first row: {', '.join(COLUMNS)}.",
        )
    found: list[StockItem] = []
    for number, row in enumerate(rows, start=2):
        cells = {k: told(v.strip()) for k, v in row.items() if k and isinstance(v, str) and v.strip()}
        if not cells:
            continue
        if len(found) >= MOST:
            raise CraftError(f"More than {MOST} rows.", field="ingredient", remedy="Read them in several tables.")
        found.append(_item(cells, number, known))
    return found


def _item(cells: Mapping[str, str], row: int, known: Mapping[str, str]) -> StockItem:
    named = cells.get("ingredient", "")
    key = named if named in known.values() else known.get((cells.get("name") or named).lower(), "")
    if not key:
        raise CraftError(
            f"Row {row}: “{cells.get('name') or named}” is not known here.",
            field="ingredient",
            remedy="Write it as Goods has it, or add it there.",
        )
    given: dict[str, Any] = {"ingredient": key}
    for column in FIGURES:
        if column in cells:
            try:
                given[column] = float(cells[column].replace(",", "."))
            except ValueError:
                raise CraftError(
                    f"Row {row}, “{column}”: “{cells[column][:30]}” is no number.",
                    field=column,
                    remedy="Write a number, such as 2500.",
                ) from None
    try:
        return StockItem.model_validate(given)
    except ValidationError as error:
        first = faults(error.errors(include_url=False), given)[0]
        raise CraftError(
            f"Row {row}: {first.sentence}", field=first.field or "grams", remedy="Correct this row and read it again."
        ) from error
