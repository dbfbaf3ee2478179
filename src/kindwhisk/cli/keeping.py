"""The data kept safe from the command line: backup, look, restore, export."""

from __future__ import annotations

import tempfile
from collections.abc import Iterator
from contextlib import contextmanager
from pathlib import Path
from typing import Annotated

import typer

from kindwhisk.cli.app import DataOption, app, stopped
from kindwhisk.store.keeping import looking
from kindwhisk.store.keeping.holding import Held
from kindwhisk.store.trouble import DataTrouble

ToOption = Annotated[Path | None, typer.Option(help="File to write; left out, a dated one in the backup folder.")]


@app.command()
def backup(data: DataOption = Path("data/kitchen"), to: ToOption = None) -> None:
    """Make a backup, while the server runs or not: in the folder of the plan, or as the file that is given."""
    from kindwhisk.store.keeping.backups import Backups
    from kindwhisk.store.keeping.copies import copied
    from kindwhisk.store.photos import photos_along

    path = data / looking.FILE_NAME
    try:
        target = to or Backups(path).make().path
        seen = looking.look(target, checked=False) if to is None else copied(path, to)
        photos_along(path, target)
    except DataTrouble as error:
        raise stopped(error) from error
    typer.echo(f"{target} holds {_told(seen)}; it was looked through and is sound.")


@app.command()
def look(file: Annotated[Path, typer.Argument(help="A data file, a backup or an archive.")]) -> None:
    """Say what a file holds, and look through it for damage; nothing is changed."""
    try:
        with _as_data_file(file) as path:
            seen = looking.look(path)
    except DataTrouble as error:
        raise stopped(error) from error
    newer = f" It was written by a newer Kind Whisk ({seen.newest_migration})." if seen.newer else ""
    typer.echo(f"{file} holds {_told(seen)}. It is sound.{newer}")


@app.command()
def restore(
    file: Annotated[Path, typer.Argument(help="A backup or an archive.")], data: DataOption = Path("data/kitchen")
) -> None:
    """Put a backup or an archive in the place of the data in a folder that no server uses; those are kept aside."""
    from kindwhisk.store.keeping.restoring import restore_into

    try:
        looking.check_folder(data)
        held = Held(data)
        with _as_data_file(file) as path:
            kept = restore_into(data, path)
            seen = looking.look(data / looking.FILE_NAME)
        held.release()
    except DataTrouble as error:
        raise stopped(error) from error
    typer.echo(f"{data} holds {_told(seen)} now." + (f" What was there before is kept as {kept}." if kept else ""))


@app.command()
def export(
    file: Annotated[Path, typer.Argument(help="The archive to write.")], data: DataOption = Path("data/kitchen")
) -> None:
    """Write everything as an open archive of JSON lines and CSV; of damaged data what can be read."""
    from kindwhisk.formats import archive

    half = file.with_name(file.name + ".half")
    try:
        with half.open("wb") as into:
            written = archive.write(data / looking.FILE_NAME, into)
        half.replace(file)
    except (DataTrouble, OSError) as error:
        half.unlink(missing_ok=True)
        raise stopped(error) from error
    lost = f" Not all could be read of: {', '.join(written.unreadable)}." if written.unreadable else ""
    typer.echo(f"{file} holds {sum(written.rows.values())} rows of {len(written.rows)} tables.{lost}")


@contextmanager
def _as_data_file(file: Path) -> Iterator[Path]:
    """The file itself, or a data file that was made of an archive."""
    from kindwhisk.formats import archive

    if not file.is_file() or file.open("rb").read(2) != b"PK":
        yield file
        return
    with tempfile.TemporaryDirectory() as folder:
        archive.unpack(file, Path(folder) / looking.FILE_NAME)
        yield Path(folder) / looking.FILE_NAME


def _told(seen: looking.Seen) -> str:
    last = f", the last thing at {seen.last_at:%Y-%m-%d %H:%M} UTC in “{seen.last_title}”" if seen.last_at else ""
    return f"{seen.bakes} bakes ({seen.running} running), {seen.formulas} formulas, {seen.readings} readings{last}"
