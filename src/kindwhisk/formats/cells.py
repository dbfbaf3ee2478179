"""Cells of a table that may be opened in a spreadsheet: no text in them becomes a formula there, and all come back."""

from __future__ import annotations

import csv
import io
import re
from collections.abc import Iterable, Iterator, Sequence

STARTS = ("=", "+", "-", "@", "\t", "\r", "\n")
"""What a spreadsheet takes for the beginning of a formula, or cuts off before it looks."""
MARK = "'"


NUMBER = re.compile(r"[+-]?\d+(\.\d+)?([eE][+-]?\d+)?")


def _marked(text: str) -> bool:
    return text.lstrip(MARK).startswith(STARTS) and not NUMBER.fullmatch(text)


def guarded(text: str) -> str:
    """A text as a cell: one that could be taken for a formula is marked with an apostrophe."""
    return MARK + text if _marked(text) else text


def told(cell: str) -> str:
    """The text of a cell, as it was before it was guarded; numbers and plain texts are as they were."""
    return cell[1:] if cell.startswith(MARK) and _marked(cell) else cell


def lines(rows: Iterable[Sequence[object]]) -> Iterator[str]:
    """The rows as lines of a table, one by one; text is guarded, a number is not."""
    for row in rows:
        text = io.StringIO()
        csv.writer(text, lineterminator="\r\n").writerow([guarded(c) if isinstance(c, str) else c for c in row])
        yield text.getvalue()
