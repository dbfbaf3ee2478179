"""Stock as a table, both ways."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from typing import Any

from kindwhisk.core.day.stock import StockItem
from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats import table
from kindwhisk.formats.cells import lines

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
    return [_item(cells, row, known) for row, cells in table.rows(text, COLUMNS, [("ingredient", "name")], MOST)]


def _item(cells: Mapping[str, str], row: int, known: Mapping[str, str]) -> StockItem:
    named = cells.get("ingredient", "")
    key = named if named in known.values() else known.get((cells.get("name") or named).lower(), "")
    if not key:
        raise CraftError(
            f"Row {row}: “{cells.get('name') or named}” is not known here.",
            field="ingredient",
            remedy="Write it as Goods has it, or add it there.",
        )
    figures = {column: table.number_in(cells, row, column) for column in FIGURES if column in cells}
    return table.of_row(StockItem, {"ingredient": key, **figures}, row, "grams")
