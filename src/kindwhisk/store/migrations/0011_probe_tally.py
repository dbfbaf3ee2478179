"""How much each probe has sent, beside its readings; and what a device whose clock was wrong said of the time."""

from peewee import SqliteDatabase


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Add the column and the table, and count what is there."""
    for statement in (
        """ALTER TABLE "probereading" ADD COLUMN "told_ms" INTEGER""",
        """CREATE TABLE "probetally" ("probe" TEXT NOT NULL PRIMARY KEY, "readings" INTEGER NOT NULL)""",
        """INSERT INTO "probetally" SELECT "probe", count(*) FROM "probereading" GROUP BY "probe\"""",
    ):
        db.execute_sql(statement)  # type: ignore[no-untyped-call]
