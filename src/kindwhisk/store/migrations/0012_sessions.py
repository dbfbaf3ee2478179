"""Devices that were let in stay let in when the server starts again."""

from peewee import SqliteDatabase


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the table."""
    db.execute_sql(  # type: ignore[no-untyped-call]
        """CREATE TABLE "session" ("id" INTEGER NOT NULL PRIMARY KEY, "token_hash" TEXT NOT NULL UNIQUE,
            "passcode_hash" TEXT NOT NULL, "device" TEXT NOT NULL, "made_at" TEXT NOT NULL, "seen_at" TEXT NOT NULL)"""
    )
