"""What thermometers had told of running steps by some moment."""

from peewee import SqliteDatabase


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the table."""
    for statement in (
        """CREATE TABLE "checkpoint" (
            "id" INTEGER NOT NULL PRIMARY KEY, "bake_id" TEXT NOT NULL REFERENCES "bakerow" ("id"),
            "step" TEXT NOT NULL, "at_ms" INTEGER NOT NULL, "basis" TEXT NOT NULL, "upto_id" INTEGER NOT NULL,
            "memory" BLOB NOT NULL)""",
        """CREATE UNIQUE INDEX "checkpoint_at" ON "checkpoint" ("bake_id", "step", "at_ms")""",
    ):
        db.execute_sql(statement)  # type: ignore[no-untyped-call]
