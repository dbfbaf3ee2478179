"""A table that somebody has made, read row by row: any of the usual separators, columns in any order, each fault told
with its row and column."""

from __future__ import annotations

import csv
import io
from collections.abc import Collection, Iterator, Mapping, Sequence
from typing import Any, TypeVar

from pydantic import BaseModel, ValidationError

from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.faults import faults
from kindwhisk.formats.cells import told

SEPARATORS = ",;\t"
T = TypeVar("T", bound=BaseModel)


def rows(
    text: str, columns: Sequence[str], needs: Sequence[Collection[str]], most: int
) -> Iterator[tuple[int, dict[str, str]]]:
    """Its rows with their numbers as a spreadsheet counts them; empty ones are left out, and empty cells.

    Args:
        text: the table.
        columns: that it may have, to be told where one is missing.
        needs: of each of these it must have one.
        most: so many rows are read.

    Raises:
        CraftError: a column is missing, or there are too many rows.
    """
    text = text.removeprefix("\ufeff")
    delimiter = max(SEPARATORS, key=text.split("\n", 1)[0].count)
    table = csv.DictReader(io.StringIO(text), delimiter=delimiter)
    heads = [(h or "").strip().lower() for h in table.fieldnames or ()]
    table.fieldnames = heads
    for names in needs:
        if not set(names) & set(heads):
            one = " or ".join(f"“{n}”" for n in names)
            raise CraftError(
                f"The table has no column {one}.",
                field=next(iter(names)),
                remedy=f"Name the columns in the first row: {', '.join(columns)}.",
            )
    count = 0
    for number, row in enumerate(table, start=2):
        cells = {k: told(v.strip()) for k, v in row.items() if k and isinstance(v, str) and v.strip()}
        if not cells:
            continue
        count += 1
        if count > most:
            raise CraftError(
                f"More than {most} rows.", field=next(iter(needs[0])), remedy="Read them in several tables."
            )
        yield number, cells


def number_in(cells: Mapping[str, str], row: int, column: str) -> float:
    """A cell as a number, with a point or a comma.

    Raises:
        CraftError: it is none; the row and the column are named.
    """
    try:
        return float(cells[column].replace(",", "."))
    except ValueError:
        raise CraftError(
            f"Row {row}, “{column}”: “{cells[column][:30]}” is no number.",
            field=column,
            remedy="Write a number, such as 12.5.",
        ) from None


def of_row(kind: type[T], given: Mapping[str, Any], row: int, column: str) -> T:
    """What a row tells.

    Args:
        kind: what it is.
        given: its fields.
        row: its number.
        column: that is named where a fault has none of its own.

    Raises:
        CraftError: it can't be one; the row is named.
    """
    try:
        return kind.model_validate(given)
    except ValidationError as error:
        first = faults(error.errors(include_url=False), given)[0]
        raise CraftError(
            f"Row {row}: {first.sentence}", field=first.field or column, remedy="Correct this row and read it again."
        ) from error
