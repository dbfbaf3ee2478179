"""Classes, foams and meringues go by the names of the trade: in the Book, in past bakes, and in what they tell."""

import json
from typing import Any

from peewee import SqliteDatabase

NAMES = {
    "whole-egg sponge, warmed": "génoise",
    "whole-egg sponge, not warmed": "génoise, cold method",
    "finger biscuits": "ladyfingers",
    "finger-lined cake": "ladyfinger-lined cake",
    "syrup-cooked meringue": "Italian meringue",
    "whole-egg sponge batter": "génoise batter",
    "finger biscuit batter": "ladyfinger batter",
    "syrup-cooked": "Italian",
}
HOLD = {"technique", "batter", "foam", "method"}
"""Fields whose value is such a name. Words that a baker wrote are never touched."""


def _renamed(value: Any) -> Any:
    if isinstance(value, list):
        return [_renamed(v) for v in value]
    if isinstance(value, dict):
        return {k: NAMES.get(v, v) if k in HOLD and isinstance(v, str) else _renamed(v) for k, v in value.items()}
    return value


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Rewrite them."""
    for table, fields in (("formulaversion", ("document",)), ("bakerow", ("document", "summary"))):
        for field in fields:
            rows = db.execute_sql(f'SELECT "id", "{field}" FROM "{table}"').fetchall()  # type: ignore[no-untyped-call]
            for key, text in rows:
                if not text:
                    continue
                known = json.loads(text)
                new = _renamed(known)
                if new == known:
                    continue
                new = json.dumps(new, separators=(",", ":"), ensure_ascii=False)
                db.execute_sql(f'UPDATE "{table}" SET "{field}" = ? WHERE "id" = ?', (new, key))  # type: ignore[no-untyped-call]
    for old, name in NAMES.items():
        db.execute_sql('UPDATE "formulaversion" SET "technique" = ? WHERE "technique" = ?', (name, old))  # type: ignore[no-untyped-call]
