"""Orders as a table, both ways."""

from __future__ import annotations

from collections.abc import Iterable, Mapping
from datetime import datetime
from typing import Any

from kindwhisk.core.day.order import WEEKDAYS, Order
from kindwhisk.core.values.errors import CraftError
from kindwhisk.formats import table
from kindwhisk.formats.cells import lines

WHOLE = ("tin_count", "pieces")
AMOUNTS = (*WHOLE, "servings", "total_g", "eggs")
COLUMNS = ("formula", "title", "tin", *AMOUNTS, "due_at", "sure", "goes_to", "every", "beforehand", "note", "id")
MOST = 2000
FROZEN = "frozen"


def write(orders: Iterable[Order], titles: Mapping[str, str]) -> str:
    """One line an order; ``titles`` are those of the formulas, days of the week, and components that
    are made beforehand, are parted by ``|``."""
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
                " | ".join(f"{b.component} {FROZEN}" if b.frozen else b.component for b in order.beforehand),
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
    needs = [("due_at",), ("formula", "title")]
    return [_order(cells, row, ids, now) for row, cells in table.rows(text, COLUMNS, needs, MOST)]


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
            value = table.number_in(cells, row, name)
            wish[name] = int(value) if value.is_integer() and name in WHOLE else value
    given = {
        "formula": formula,
        "wish": wish,
        "due_at": _moment(cells.get("due_at", ""), row, now),
        "goes_to": cells.get("goes_to", ""),
        "note": cells.get("note", ""),
        "every": _days(cells.get("every", ""), row),
        "beforehand": [_beforehand(part) for part in cells.get("beforehand", "").split("|") if part.strip()],
        **({"sure": cells["sure"]} if "sure" in cells else {}),
    }
    return table.of_row(Order, given, row, "due_at")


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


def _beforehand(text: str) -> dict[str, Any]:
    component, _, how = text.strip().partition(" ")
    return {"component": component, "frozen": how.strip() == FROZEN}


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
