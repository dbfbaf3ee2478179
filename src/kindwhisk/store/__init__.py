"""Everything kept on disk: peewee models over SQLite, migrations and repositories."""
