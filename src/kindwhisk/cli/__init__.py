"""The command line."""

from kindwhisk.cli import keeping, serving
from kindwhisk.cli.app import app

__all__ = ["app", "keeping", "serving"]
