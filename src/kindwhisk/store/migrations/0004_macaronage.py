"""Deflating a batter became a step of its own: folds that did it are rewritten, in the Book and in past bakes."""

import json
from typing import Any

from peewee import SqliteDatabase


def _rewritten(step: dict[str, Any]) -> dict[str, Any]:
    if step.get("kind") != "fold" or step.get("manner") != "deflate":
        return step
    kept = {name: value for name, value in step.items() if name not in {"manner", "batter", "portions"}}
    return {**kept, "kind": "macaronage"}


def _formula(formula: dict[str, Any]) -> dict[str, Any]:
    return {**formula, "steps": [_rewritten(step) for step in formula.get("steps", [])]}


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Rewrite them."""
    found = db.execute_sql("""SELECT "id", "document" FROM "formulaversion" """).fetchall()  # type: ignore[no-untyped-call]
    for key, text in found:
        new = json.dumps(_formula(json.loads(text)))
        db.execute_sql("""UPDATE "formulaversion" SET "document" = ? WHERE "id" = ?""", (new, key))  # type: ignore[no-untyped-call]
    found = db.execute_sql("""SELECT "id", "document" FROM "bakerow" """).fetchall()  # type: ignore[no-untyped-call]
    for key, text in found:
        document = json.loads(text)
        new = json.dumps({**document, "formula": _formula(document.get("formula", {}))})
        db.execute_sql("""UPDATE "bakerow" SET "document" = ? WHERE "id" = ?""", (new, key))  # type: ignore[no-untyped-call]
