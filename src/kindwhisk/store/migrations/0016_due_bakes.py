"""Which bake an order became, in a table; and the stock by what a good goes by, whatever its label says by now."""

import re

from peewee import SqliteDatabase

BEGUN = "due-"
OWN = re.compile(r"^own-(?P<key>.+)-[0-9a-f]{8}$")


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Until now a bake's key told what it was begun for, with how often that was lost before."""
    run = db.execute_sql
    for statement in (
        """CREATE TABLE "due_bake" ("id" INTEGER NOT NULL PRIMARY KEY, "due" TEXT NOT NULL, "bake_id" TEXT NOT NULL)""",
        """CREATE INDEX "due_bake_due" ON "due_bake" ("due")""",
    ):
        run(statement)  # type: ignore[no-untyped-call]
    orders = {str(i) for (i,) in run('SELECT "id" FROM "day_order"').fetchall()}  # type: ignore[no-untyped-call]
    begun = run(  # type: ignore[no-untyped-call]
        'SELECT "id", "client_key" FROM "bakerow" WHERE "client_key" LIKE ? ORDER BY "started_at"', (f"{BEGUN}%",)
    ).fetchall()
    for bake, key in begun:
        due = _due(str(key)[len(BEGUN) :], orders)
        run('INSERT INTO "due_bake" ("due", "bake_id") VALUES (?, ?)', (due, bake))  # type: ignore[no-untyped-call]
    for (ingredient,) in run('SELECT "ingredient" FROM "stock" ORDER BY "saved_at"').fetchall():  # type: ignore[no-untyped-call]
        own = OWN.match(str(ingredient))
        if own:
            run('DELETE FROM "stock" WHERE "ingredient" = ?', (own["key"],))  # type: ignore[no-untyped-call]
            run('UPDATE "stock" SET "ingredient" = ? WHERE "ingredient" = ?', (own["key"], ingredient))  # type: ignore[no-untyped-call]


def _due(told: str, orders: set[str]) -> str:
    """What is due without the count of its losses: an order's id, or that and a date."""
    if told in orders:
        return told
    bare = re.sub(r"-\d{1,2}$", "", told)
    return bare if bare in orders or re.search(r"-\d{8}$", bare) else told
