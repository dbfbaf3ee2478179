"""How the clock of the machine was moved while the server ran."""

from peewee import SqliteDatabase


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the table."""
    db.execute_sql(  # type: ignore[no-untyped-call]
        """CREATE TABLE "clockmove" ("id" INTEGER NOT NULL PRIMARY KEY, "at" TEXT NOT NULL, "wall_at" TEXT NOT NULL,
            "moved_s" REAL NOT NULL, "lead_s" REAL NOT NULL)"""
    )
