"""A kitchen's own goods as a table, both ways."""

from __future__ import annotations

import csv
import io
from typing import Any

from pydantic import ValidationError

from kindwhisk.core.ingredients.goods import Good, Label
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.faults import faults
from kindwhisk.formats.cells import lines, told

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


def _number(text: str, row: int, column: str) -> float:
    try:
        return float(text.replace(",", "."))
    except ValueError:
        raise CraftError(
            f"Row {row}, “{column}”: “{text[:30]}” is no number.", field=column, remedy="Write a number, such as 12.5."
        ) from None


def read(text: str) -> list[Good]:
    """The goods of a table with a column ``name`` and any of the others.

    Raises:
        CraftError: it has no such column, or a row is no good; the row and the column are named.
    """
    text = text.removeprefix("\ufeff")
    delimiter = max(",;\t", key=text.split("\n", 1)[0].count)
    rows = csv.DictReader(io.StringIO(text), delimiter=delimiter)
    heads = [(h or "").strip().lower() for h in rows.fieldnames or ()]
    rows.fieldnames = heads
    if "name" not in heads:
        raise CraftError(
            "The table has no column “name”.",
            field="name",
            remedy=f"Name the columns in the first row: {', '.join(COLUMNS)}.",
        )
    found: list[Good] = []
    for number, row in enumerate(rows, start=2):
        cells = {k: told(v.strip()) for k, v in row.items() if k and isinstance(v, str) and v.strip()}
        if not cells:
            continue
        if len(found) >= MOST:
            raise CraftError(f"More than {MOST} goods.", field="name", remedy="Read them in several tables.")
        found.append(_good(cells, number))
    return found


def _good(cells: dict[str, str], row: int) -> Good:
    given: dict[str, Any] = {"name": cells.get("name", ""), "stands_for": cells.get("stands_for", "")}
    for column in LISTS:
        given[column] = tuple(p.strip() for p in cells.get(column, "").split("|") if p.strip())
    for column in FIGURES:
        if column in cells:
            given[column] = _number(cells[column], row, column)
    label = {c.removesuffix("_100g"): _number(cells[c], row, c) for c in LABEL if c in cells}
    if label:
        given["label"] = label
    given["label_read"] = cells.get("label_read", "").lower() in YES
    try:
        return Good.model_validate(given)
    except ValidationError as error:
        first = faults(error.errors(include_url=False), given)[0]
        raise CraftError(
            f"Row {row}: {first.sentence}", field=first.field or "name", remedy="Correct this row and read it again."
        ) from error
