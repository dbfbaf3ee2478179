"""Readings of outside probes as CSV, both ways."""

from __future__ import annotations

import csv
import io
from collections.abc import Iterable, Iterator
from datetime import UTC, datetime

from pydantic import ValidationError

from kindwhisk.core.values.errors import CraftError
from kindwhisk.devices.intake import MOST_AT_ONCE, OutsideReading
from kindwhisk.formats.cells import lines, told
from kindwhisk.store.probes import StoredReading

COLUMNS = ("probe", "at", "value", "unit", "key", "set_right_c", "told_at")
NEEDED = ("probe", "value", "at")


def write(readings: Iterable[StoredReading]) -> Iterator[str]:
    """One line a reading: as it was read, and set right by its thermometer's check; where a device's clock was
    wrong, what it said of the moment stands beside."""
    yield from lines([COLUMNS])
    for r in readings:
        at = r.at.isoformat(timespec="milliseconds")
        told_at = "" if r.told_ms is None else datetime.fromtimestamp(r.told_ms / 1000, UTC).isoformat()
        yield from lines([(r.probe, at, f"{r.read_c:.6g}", "C", r.key, f"{r.celsius:.6g}", told_at)])


def read(text: str) -> list[OutsideReading]:
    """The readings of a table; columns in any order, others are left alone.

    Raises:
        CraftError: a column is missing, or a line can't be read; names it.
    """
    table = csv.DictReader(io.StringIO(text.lstrip("\ufeff")), skipinitialspace=True)
    header = [name.strip().lower() for name in table.fieldnames or ()]
    missing = [name for name in NEEDED if name not in header]
    if missing:
        raise CraftError(
            f"The table has no column {', '.join(missing)}.",
            field="text",
            remedy="The first line names the columns: probe, at, value, unit and, perhaps, key.",
        )
    table.fieldnames = header
    found = []
    for number, line in enumerate(table, start=2):
        fields = {k: told((v or "").strip()) for k, v in line.items() if k in COLUMNS[:5] and (v or "").strip()}
        if not fields:
            continue
        if "unit" in fields:
            fields["unit"] = fields["unit"].upper().lstrip("°")[:1]
        try:
            found.append(OutsideReading.model_validate(fields))
        except ValidationError as error:
            first = error.errors()[0]
            where = ".".join(str(p) for p in first["loc"])
            raise CraftError(
                f"Line {number}: {where} can't be read ({first['msg'].lower()}).",
                field=f"text, line {number}, {where}",
                remedy="Numbers with a point, times as 2026-05-01T05:30:00Z. Nothing was kept.",
            ) from error
    if not found or len(found) > MOST_AT_ONCE:
        raise CraftError(
            "There is no reading in the table." if not found else f"More than {MOST_AT_ONCE} readings at once.",
            field="text",
            remedy="Put one reading on each line, below the header; split a longer table.",
        )
    return found
