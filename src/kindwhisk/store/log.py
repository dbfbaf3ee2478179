"""The Log: bakes found by what they are, how they came out and the words in them, a page at a time."""

from __future__ import annotations

import json
import re
from collections.abc import Iterator, Sequence
from datetime import datetime
from enum import StrEnum
from typing import Any, NamedTuple

from peewee import SqliteDatabase

from kindwhisk.core.values.bands import UNITS as BY_QUANTITY
from kindwhisk.core.values.errors import CraftError

MARKS = ("class", "oven", "hands", "fault", "stars")
"""What a bake is marked with. The file's own triggers keep them."""
MOST, MOST_WORDS = 200, 12
UNITS = {q.value: unit for q, unit in BY_QUANTITY.items()}
LONG = ", ".join(f"'$.{name}'" for name in ("dots", "measures", "facts", "ovens", "held"))
"""What of a summary no line shows."""
_WORD = re.compile(r"\w+", re.UNICODE)


class LogOrder(StrEnum):
    """Which bakes come first."""

    NEWEST = "newest"
    OLDEST = "oldest"
    BEST = "best"
    WORST = "worst"


STARRED = {LogOrder.BEST: "54321", LogOrder.WORST: "12345"}


class Wanted(NamedTuple):
    """What a bake has to be; what is empty does not matter. Of each mark any of its values will do. ``since`` and
    ``until`` bound when it began."""

    formula: str = ""
    status: str = ""
    marks: tuple[tuple[str, tuple[str, ...]], ...] = ()
    words: str = ""
    since: datetime | None = None
    until: datetime | None = None
    order: LogOrder = LogOrder.NEWEST


class FoundBake(NamedTuple):
    """A line of the Log."""

    id: str
    formula: str
    version: int
    title: str
    started_at: str
    status: str
    summary: str | None


class LogPages:
    """Finds bakes in one data file."""

    def __init__(self, database: SqliteDatabase) -> None:
        self._database = database

    def _rows(self, sql: str, values: Sequence[Any]) -> list[tuple[Any, ...]]:
        return list(self._database.execute_sql(sql, tuple(values)).fetchall())  # type: ignore[no-untyped-call]

    def page(
        self, wanted: Wanted, before: str | None = None, limit: int = MOST, *, short: bool = False
    ) -> list[FoundBake]:
        """Bakes in the order that was asked for; those after the one of the id ``before``. ``short``: of the summary
        only what a line shows.

        Raises:
            CraftError: there is no such bake.
        """
        if wanted.order in STARRED:
            return self._by_stars(wanted, before, limit, short=short)
        lead, conditions, values = _conditions(wanted)
        key = ('m."started_at"', 'm."bake"') if lead else ('b."started_at"', 'b."id"')
        tables = '"bake_mark" AS m JOIN "bakerow" AS b ON b."id" = m."bake"' if lead else '"bakerow" AS b'
        way, after = ("DESC", "<") if wanted.order is LogOrder.NEWEST else ("ASC", ">")
        if before is not None:
            last = self.one(before)
            conditions.append(f"({key[0]} {after} ? OR ({key[0]} = ? AND {key[1]} {after} ?))")
            values += [last.started_at, last.started_at, last.id]
        where = " AND ".join(conditions) or "1"
        summary = f'json_remove(b."summary", {LONG})' if short else 'b."summary"'
        rows = self._rows(
            f'SELECT b."id", b."formula", b."version", b."title", b."started_at", b."status", {summary} '
            f"FROM {tables} WHERE {where} ORDER BY {key[0]} {way}, {key[1]} {way} LIMIT ?",
            [*values, limit],
        )
        return [FoundBake(*row) for row in rows]

    def _by_stars(self, wanted: Wanted, before: str | None, limit: int, *, short: bool) -> list[FoundBake]:
        """Star by star, and of equal ones the newest first: each is found in the order in which it lies."""
        values = STARRED[wanted.order]
        if before is not None:
            self.one(before)
            own = self.marked(before, "stars")
            values = values[values.index(own) :] if own else ""
        found = list[FoundBake]()
        for number, value in enumerate(values):
            marks = (("stars", (value,)), *wanted.marks)
            asked = wanted._replace(order=LogOrder.NEWEST, marks=marks)
            after = before if number == 0 else None
            found += self.page(asked, after, limit - len(found), short=short)
            if len(found) == limit:
                break
        return found

    def one(self, bake: str) -> FoundBake:
        """A bake's line.

        Raises:
            CraftError: there is no such bake.
        """
        rows = self._rows(
            """SELECT "id", "formula", "version", "title", "started_at", "status", "summary" FROM "bakerow"
            WHERE "id" = ?""",
            [bake],
        )
        if not rows:
            raise CraftError(
                f"There is no bake '{bake}'.", field="bake_id", remedy="Open it from Today or from the Log."
            )
        return FoundBake(*rows[0])

    def marked(self, bake: str, mark: str) -> str:
        """A mark of a bake; empty where it has none."""
        rows = self._rows('SELECT "value" FROM "bake_mark" WHERE "bake" = ? AND "mark" = ?', [bake, mark])
        return str(rows[0][0]) if rows else ""

    def kinds(self, bake: str) -> dict[str, str]:
        """The kinds of a bake's steps, by their ids."""
        rows = self._rows(
            """SELECT json_extract(s."value", '$.id'), json_extract(s."value", '$.kind') FROM "bakerow" AS b,
            json_each(b."document", '$.formula.steps') AS s WHERE b."id" = ?1
            UNION ALL SELECT k."key", k."value" FROM "bakerow" AS b, json_each(b."document", '$.kinds') AS k
            WHERE b."id" = ?1""",
            [bake],
        )
        return {str(step): str(kind) for step, kind in rows}

    def began(self, formula: str, at: datetime) -> bool:
        """Whether a bake of a formula began at that moment."""
        found = 'SELECT 1 FROM "bakerow" WHERE "formula" = ? AND "started_at" = ?'
        return bool(self._rows(found, [formula, at.isoformat()]))

    def readings(self) -> Iterator[tuple[object, ...]]:
        """All that was read at the bench, in the order in which it was: bake, moment, step, quantity, value, unit, and
        whether it counts (it was not undone, and nothing is asked about it)."""
        after = 0
        while True:
            rows = self._rows(
                """SELECT e."id", e."bake_id", e."at", e."payload", EXISTS (
                    SELECT 1 FROM "eventrow" AS u WHERE u."bake_id" = e."bake_id" AND u."kind" = 'undone'
                    AND json_extract(u."payload", '$.sequence') = e."sequence")
                FROM "eventrow" AS e WHERE e."kind" = 'reading_added' AND e."id" > ? ORDER BY e."id" LIMIT 500""",
                [after],
            )
            for _, bake, at, payload, undone in rows:
                told = json.loads(payload)
                value = _read(told)
                counts = "no" if undone or told.get("asks") else "yes"
                yield bake, at, told["step"], told["quantity"], value, UNITS.get(told["quantity"], ""), counts
            if not rows:
                return
            after = int(rows[-1][0])

    def with_confirmed(self, limit: int = MOST) -> list[str]:
        """Summaries of the last bakes with a fault whose cause was confirmed."""
        rows = self._rows(
            """SELECT DISTINCT b."summary" FROM "bake_mark" AS m JOIN "bakerow" AS b ON b."id" = m."bake"
            WHERE m."mark" = 'confirmed' ORDER BY m."started_at" DESC LIMIT ?""",
            [limit],
        )
        return [str(r[0]) for r in rows]

    def values(self, mark: str) -> list[str]:
        """Every value of a mark that any bake has, in order; stepping from one to the next, however many bakes."""
        rows = self._rows(
            """WITH RECURSIVE v("value") AS (
                SELECT min("value") FROM "bake_mark" WHERE "mark" = ?1
                UNION ALL
                SELECT (SELECT min("value") FROM "bake_mark" WHERE "mark" = ?1 AND "value" > v."value") FROM v
                WHERE v."value" IS NOT NULL
            ) SELECT "value" FROM v WHERE "value" IS NOT NULL""",
            [mark],
        )
        return [str(r[0]) for r in rows]

    def formulas(self) -> list[tuple[str, str]]:
        """Every formula that was baked, by id with the title of its last bake."""
        rows = self._rows(
            """WITH RECURSIVE f("id") AS (
                SELECT min("formula") FROM "bakerow"
                UNION ALL SELECT (SELECT min("formula") FROM "bakerow" WHERE "formula" > f."id") FROM f
                WHERE f."id" IS NOT NULL
            ) SELECT "id", (SELECT b."title" FROM "bakerow" AS b WHERE b."formula" = f."id"
                ORDER BY b."started_at" DESC LIMIT 1) FROM f WHERE "id" IS NOT NULL""",
            [],
        )
        return [(str(r[0]), str(r[1])) for r in rows]


def _read(told: dict[str, Any]) -> float | str:
    """The value of a reading, however it was taken."""
    cup = told.get("cup")
    if cup:
        return round(float(cup["full_g"] - cup["empty_g"]) / float(cup["volume_ml"]), 4)
    if told.get("per_100_ml") is not None:
        return float(told["per_100_ml"]) / 100
    value = told.get("value")
    return "" if value is None else float(value)


def asked_words(text: str) -> list[str]:
    """Words as the file's own search takes them, one by one: each as it is, or as the beginning of one."""
    return [f'"{word}"*' for word in _WORD.findall(text)[:MOST_WORDS]]


def _conditions(wanted: Wanted) -> tuple[bool, list[str], list[Any]]:
    """Whether a mark leads, and what has to hold, with the values for it."""
    conditions, values = list[str](), list[Any]()
    # The first leads; of several values a bake may have two, so only one value can.
    lead = bool(wanted.marks) and len(wanted.marks[0][1]) == 1
    for number, (mark, any_of) in enumerate(wanted.marks):
        is_one = f"""IN ({", ".join("?" * len(any_of))})""" if len(any_of) > 1 else "= ?"
        if number == 0 and lead:
            conditions.append('m."mark" = ? AND m."value" = ?')
        else:
            conditions.append(
                'EXISTS (SELECT 1 FROM "bake_mark" AS x WHERE x."bake" = b."id" AND x."mark" = ? '
                f'AND x."value" {is_one})'
            )
        values += [mark, *any_of]
    if wanted.formula:
        conditions.append('b."formula" = ?')
        values.append(wanted.formula)
    if wanted.status:
        conditions.append('b."status" = ?')
        values.append(wanted.status)
    # Each may stand elsewhere: one in the title, another in a note.
    for word in asked_words(wanted.words):
        conditions.append(
            'b."id" IN (SELECT n."bake" FROM "bake_number" AS n WHERE n."number" IN '
            '(SELECT "rowid" >> 20 FROM "bake_words" WHERE "bake_words" MATCH ?))'
        )
        values.append(word)
    started = 'm."started_at"' if lead else 'b."started_at"'
    for sign, moment in ((">=", wanted.since), ("<", wanted.until)):
        if moment is not None:
            conditions.append(f"{started} {sign} ?")
            values.append(moment.isoformat())
    return lead, conditions, values
