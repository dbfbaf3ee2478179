"""Readings of outside probes."""

from peewee import SqliteDatabase


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the table."""
    for statement in (
        """CREATE TABLE "probereading" (
            "id" INTEGER NOT NULL PRIMARY KEY, "probe" TEXT NOT NULL, "key" TEXT NOT NULL, "at_ms" INTEGER NOT NULL,
            "read_c" REAL NOT NULL, "celsius" REAL NOT NULL)""",
        """CREATE UNIQUE INDEX "probereading_key" ON "probereading" ("probe", "key")""",
        """CREATE INDEX "probereading_at" ON "probereading" ("probe", "at_ms")""",
    ):
        db.execute_sql(statement)  # type: ignore[no-untyped-call]
