"""What is asked for often is found at once, however many years there are."""

from peewee import SqliteDatabase


def up(migrator: object, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Make the indexes."""
    for name, place in (
        ("bakerow_formula", '"bakerow" ("formula", "started_at")'),
        ("bakerow_status", '"bakerow" ("status", "started_at")'),
        ("eventrow_at", '"eventrow" ("at")'),
    ):
        db.execute_sql(f'CREATE INDEX IF NOT EXISTS "{name}" ON {place}')  # type: ignore[no-untyped-call]
