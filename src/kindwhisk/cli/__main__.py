"""``python -m kindwhisk.cli``."""

from kindwhisk.cli import app

app()
