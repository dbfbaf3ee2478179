"""A kitchen's own goods as a table, both ways."""

from __future__ import annotations

from typing import Any

from kindwhisk.core.ingredients.goods import Good, Label
from kindwhisk.formats import table
from kindwhisk.formats.cells import lines

LABEL = tuple(f"{name}_100g" for name in Label.model_fields)
FIGURES = ("density_g_per_ml", "cup_g", "piece_g", "piece_mm", "pack_g", "price_per_kg")
COLUMNS = ("name", "synonyms", "stands_for", *LABEL, *FIGURES, "allergens", "may_contain", "label_read")
LISTS = ("synonyms", "allergens", "may_contain")
YES = {"yes", "true", "1", "oui", "sì", "si", "x"}
MOST = 2000


def write(goods: tuple[Good, ...]) -> str:
    """One line a good; lists are parted by ``|``."""
    rows: list[list[Any]] = [list(COLUMNS)]
    for good in goods:
        row: list[Any] = []
        for column in COLUMNS:
            if column in LABEL:
                part = column.removesuffix("_100g")
                row.append("" if good.label is None else f"{getattr(good.label, part):g}")
            elif column in LISTS:
                row.append(" | ".join(getattr(good, column)))
            elif column == "label_read":
                row.append("yes" if good.label_read else "")
            else:
                value = getattr(good, column)
                row.append("" if value is None else f"{value:g}" if isinstance(value, float) else value)
        rows.append(row)
    return "".join(lines(rows))


def read(text: str) -> list[Good]:
    """The goods of a table with a column ``name`` and any of the others.

    Raises:
        CraftError: it has no such column, or a row is no good; the row and the column are named.
    """
    return [_good(cells, row) for row, cells in table.rows(text, COLUMNS, [("name",)], MOST)]


def _good(cells: dict[str, str], row: int) -> Good:
    given: dict[str, Any] = {"name": cells.get("name", ""), "stands_for": cells.get("stands_for", "")}
    for column in LISTS:
        given[column] = tuple(p.strip() for p in cells.get(column, "").split("|") if p.strip())
    for column in FIGURES:
        if column in cells:
            given[column] = table.number_in(cells, row, column)
    label = {c.removesuffix("_100g"): table.number_in(cells, row, c) for c in LABEL if c in cells}
    if label:
        given["label"] = label
    given["label_read"] = cells.get("label_read", "").lower() in YES
    return table.of_row(Good, given, row, "name")
