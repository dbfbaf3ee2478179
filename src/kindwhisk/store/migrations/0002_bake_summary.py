"""What a finished bake tells later ones, kept beside it so that learning need not replay every bake."""

from peewee import JSONField, SqliteDatabase
from playhouse.migrate import SchemaMigrator


def up(migrator: SchemaMigrator, db: SqliteDatabase) -> None:  # noqa: ARG001 - the runner passes both
    """Add the column."""
    migrator.migrate(migrator.add_column("bakerow", "summary", JSONField(null=True)))
