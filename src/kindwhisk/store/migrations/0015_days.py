"""Orders, the plans made from them, and what is in stock."""

from peewee import SqliteDatabase


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the tables."""
    for sql in (
        """CREATE TABLE "day_order" ("id" TEXT NOT NULL PRIMARY KEY, "client_key" TEXT NOT NULL UNIQUE,
            "saved_at" TEXT NOT NULL, "document" TEXT NOT NULL)""",
        """CREATE TABLE "day_plan" ("id" INTEGER NOT NULL PRIMARY KEY, "day" TEXT NOT NULL, "made_at" TEXT NOT NULL,
            "document" TEXT NOT NULL)""",
        """CREATE INDEX "day_plan_day" ON "day_plan" ("day")""",
        """CREATE TABLE "stock" ("ingredient" TEXT NOT NULL PRIMARY KEY, "saved_at" TEXT NOT NULL,
            "document" TEXT NOT NULL)""",
    ):
        db.execute_sql(sql)  # type: ignore[no-untyped-call]
