"""The first tables, frozen as they were."""

from peewee import SqliteDatabase


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make them."""
    for statement in (
        """CREATE TABLE "kitchenrevision" (
            "id" INTEGER NOT NULL PRIMARY KEY, "saved_at" TEXT NOT NULL, "document" TEXT NOT NULL)""",
        """CREATE TABLE "formulaversion" (
            "id" INTEGER NOT NULL PRIMARY KEY, "formula" TEXT NOT NULL, "version" INTEGER NOT NULL,
            "title" TEXT NOT NULL, "technique" TEXT NOT NULL, "saved_at" TEXT NOT NULL, "document" TEXT NOT NULL)""",
        """CREATE UNIQUE INDEX "formulaversion_one" ON "formulaversion" ("formula", "version")""",
        """CREATE TABLE "bakerow" (
            "id" TEXT NOT NULL PRIMARY KEY, "formula" TEXT NOT NULL, "version" INTEGER NOT NULL,
            "title" TEXT NOT NULL, "started_at" TEXT NOT NULL, "status" TEXT NOT NULL,
            "client_key" TEXT NOT NULL UNIQUE, "document" TEXT NOT NULL)""",
        """CREATE INDEX "bakerow_started" ON "bakerow" ("started_at")""",
        """CREATE TABLE "eventrow" (
            "id" INTEGER NOT NULL PRIMARY KEY AUTOINCREMENT, "bake_id" TEXT NOT NULL REFERENCES "bakerow" ("id"),
            "sequence" INTEGER NOT NULL, "at" TEXT NOT NULL, "kind" TEXT NOT NULL, "payload" TEXT NOT NULL,
            "client_key" TEXT NOT NULL)""",
        """CREATE UNIQUE INDEX "eventrow_sequence" ON "eventrow" ("bake_id", "sequence")""",
        """CREATE UNIQUE INDEX "eventrow_key" ON "eventrow" ("bake_id", "client_key")""",
    ):
        db.execute_sql(statement)  # type: ignore[no-untyped-call]
