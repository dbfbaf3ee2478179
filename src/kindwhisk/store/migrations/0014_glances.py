"""What the Book shows of each version of a formula, kept with what it was worked out from."""

from peewee import SqliteDatabase


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the table."""
    db.execute_sql(  # type: ignore[no-untyped-call]
        """CREATE TABLE "glance" ("formula" TEXT NOT NULL PRIMARY KEY, "basis" TEXT NOT NULL,
            "document" TEXT NOT NULL)"""
    )
