"""Orders as a table, both ways."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Any

from pydantic import ValidationError

from kindwhisk.core.day.order import WEEKDAYS, Order
from kindwhisk.core.values.errors import CraftError
from kindwhisk.core.values.faults import faults
from kindwhisk.formats.cells import lines, told

AMOUNTS = ("tin_count", "pieces", "servings", "total_g", "eggs")
COLUMNS = ("formula", "title", "tin", *AMOUNTS, "due_at", "sure", "goes_to", "every", "note", "id")
MOST = 2000


def write(orders: Iterable[Order], titles: Mapping[str, str]) -> str:
    """One line an order; ``titles`` are those of the formulas, days of the week are parted by ``|``."""
    rows: list[list[Any]] = [list(COLUMNS)]
    for order in orders:
        given = order.wish.model_dump(exclude_none=True)
        tin = given.get("tin", "")
        rows.append(
            [
                order.formula,
                titles.get(order.formula, ""),
                tin if isinstance(tin, str) else "",
                *(given.get(name, "") for name in AMOUNTS),
                order.due_at.isoformat(),
                order.sure.value,
                order.goes_to,
                " | ".join(WEEKDAYS[d] for d in order.every),
                order.note,
                order.id,
            ]
        )
    return "".join(lines(rows))


def read(text: str, ids: Mapping[str, str], now: datetime) -> list[Order]:
    """The orders of a table with the columns ``formula`` (or ``title``) and ``due_at``.

    Args:
        text: the table.
        ids: of formulas, by their titles in small letters.
        now: whose clock a moment without an offset is told by.

    Raises:
        CraftError: a column is missing, or a row is no order; the row and the column are named.
    """
    text = text.removeprefix("\ufeff")
    delimiter = max(",;\t", key=text.split("\n", 1)[0].count)
    rows = csv.DictReader(io.StringIO(text), delimiter=delimiter)
    heads = [(h or "").strip().lower() for h in rows.fieldnames or ()]
    rows.fieldnames = heads
    if "due_at" not in heads or not {"formula", "title"} & set(heads):
        raise CraftError(
            "The table needs the columns “formula” (or “title”) and “due_at”.",
            field="due_at",
            remedy=f"Name the columns in the first row: {', '.join(COLUMNS)}.",
        )
    found: list[Order] = []
    for number, row in enumerate(rows, start=2):
        cells = {k: told(v.strip()) for k, v in row.items() if k and isinstance(v, str) and v.strip()}
        if not cells:
            continue
        if len(found) >= MOST:
            raise CraftError(f"More than {MOST} orders.", field="due_at", remedy="Read them in several tables.")
        found.append(_order(cells, number, ids, now))
    return found


def _order(cells: Mapping[str, str], row: int, ids: Mapping[str, str], now: datetime) -> Order:
    formula = cells.get("formula") or ids.get(cells.get("title", "").lower(), "")
    if formula not in ids.values():
        raise CraftError(
            f"Row {row}: “{cells.get('formula') or cells.get('title', '')}” is no formula of the Book.",
            field="formula",
            remedy="Write its id or its title as the Book has it.",
        )
    wish: dict[str, Any] = {"tin": cells["tin"]} if "tin" in cells else {}
    for name in AMOUNTS:
        if name in cells:
            wish[name] = _number(cells[name], row, name)
    given = {
        "formula": formula,
        "wish": wish,
        "due_at": _moment(cells.get("due_at", ""), row, now),
        "goes_to": cells.get("goes_to", ""),
        "note": cells.get("note", ""),
        "every": _days(cells.get("every", ""), row),
        **({"sure": cells["sure"]} if "sure" in cells else {}),
    }
    try:
        return Order.model_validate(given)
    except ValidationError as error:
        first = faults(error.errors(include_url=False), given)[0]
        raise CraftError(
            f"Row {row}: {first.sentence}", field=first.field or "due_at", remedy="Correct this row and read it again."
        ) from error


def _number(text: str, row: int, column: str) -> float | int:
    try:
        value = float(text.replace(",", "."))
    except ValueError:
        raise CraftError(
            f"Row {row}, “{column}”: “{text[:30]}” is no number.", field=column, remedy="Write a number, such as 3."
        ) from None
    return int(value) if value.is_integer() and column in {"tin_count", "pieces"} else value


def _moment(text: str, row: int, now: datetime) -> datetime:
    try:
        found = datetime.fromisoformat(text)
    except ValueError:
        raise CraftError(
            f"Row {row}, “due_at”: “{text[:30]}” is no moment.",
            field="due_at",
            remedy="Write it as 2026-12-05T09:00.",
        ) from None
    return found if found.tzinfo else found.replace(tzinfo=now.tzinfo)


def _days(text: str, row: int) -> list[int]:
    found = []
    for part in (p.strip().lower() for p in text.split("|") if p.strip()):
        days = [n for n, name in enumerate(WEEKDAYS) if len(part) >= 3 and name.lower().startswith(part)]
        if not days:
            raise CraftError(
                f"Row {row}, “every”: “{part[:30]}” is no day of the week.",
                field="every",
                remedy="Write days such as Saturday | Sunday.",
            )
        found += days
    return found
