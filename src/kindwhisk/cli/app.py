"""What all commands share."""

from __future__ import annotations

from pathlib import Path
from typing import Annotated

import typer

app = typer.Typer(
    no_args_is_help=True,
    add_completion=False,
    pretty_exceptions_enable=False,
    help="Kind Whisk: the bench companion for foam bakes.",
)

DataOption = Annotated[Path, typer.Option(help="Folder of the data file.")]


def stopped(why: object) -> typer.Exit:
    """Say in one paragraph why it does not go on."""
    typer.echo(f"{why}", err=True)
    return typer.Exit(2)
