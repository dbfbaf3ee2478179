"""What is noted of ovens; and what past bakes tell of them, from the times that were kept with them."""

import json
from typing import Any

from peewee import SqliteDatabase

FAMILIES = {"round": "round and square", "square": "round and square", "rectangular": "round and square"}
BY_SET = {"shell": "shells", "dried through": "dried meringue"}


def _ovens(document: dict[str, Any], summary: dict[str, Any]) -> list[dict[str, Any]]:
    found = []
    for step in document.get("formula", {}).get("steps", []):
        time = summary.get("times", {}).get(step.get("id"))
        if step.get("kind") != "bake" or time is None:
            continue
        shape = document.get("tin", {}).get("shape", "round")
        if isinstance(time, list):  # so the first version kept them: observed and modelled
            time = dict(zip(("observed_s", "modelled_s"), time, strict=False))
        family = BY_SET.get(step.get("sets", "crumb")) or FAMILIES.get(shape, shape)
        found.append({"step": step["id"], "oven": document.get("oven", "oven"), "family": family, **time})
    return found


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the table, and rewrite the summaries."""
    for statement in (
        """CREATE TABLE "ovennote" (
            "id" INTEGER NOT NULL PRIMARY KEY, "oven" TEXT NOT NULL, "at" TEXT NOT NULL, "kind" TEXT NOT NULL,
            "payload" TEXT NOT NULL, "client_key" TEXT NOT NULL)""",
        """CREATE UNIQUE INDEX "ovennote_client_key" ON "ovennote" ("client_key")""",
        """CREATE INDEX "ovennote_oven" ON "ovennote" ("oven")""",
    ):
        db.execute_sql(statement)  # type: ignore[no-untyped-call]
    query = """SELECT "id", "document", "summary" FROM "bakerow" WHERE "summary" IS NOT NULL"""
    for key, text, kept in db.execute_sql(query).fetchall():  # type: ignore[no-untyped-call]
        summary = json.loads(kept)
        if not summary:
            continue
        new = json.dumps({**summary, "ovens": _ovens(json.loads(text), summary)})
        db.execute_sql("""UPDATE "bakerow" SET "summary" = ? WHERE "id" = ?""", (new, key))  # type: ignore[no-untyped-call]
