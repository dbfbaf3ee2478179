"""Everything that a data file holds as an open archive, out and in again: a zip of JSON lines and one CSV.

``manifest.json`` says what it is and how many rows each table has; ``tables/NAME.jsonl`` holds a row a line, with
documents as JSON in it, ``tables/probereading.csv`` the readings, ``photos/`` the photos. What is
worked out again is not in it.
"""

from __future__ import annotations

import csv
import hashlib
import json
import re
import sqlite3
import zipfile
import zlib
from collections.abc import Iterable, Iterator
from contextlib import closing
from datetime import UTC, datetime
from itertools import chain
from pathlib import Path
from typing import Any, BinaryIO, NamedTuple

from peewee import SqliteDatabase

from kindwhisk import __version__
from kindwhisk.formats.cells import lines, told
from kindwhisk.store.keeping.looking import HISTORY, MIGRATIONS, known_migrations, read_only
from kindwhisk.store.photos import photos_beside
from kindwhisk.store.trouble import DataTrouble, TroubleKind

FORMAT, VERSION = "kindwhisk-archive", 1
MANIFEST = "manifest.json"
AS_CSV = "probereading"
LEFT_OUT = frozenset({HISTORY, "checkpoint", "glance", "session", "bake_mark", "bake_number", "bake_words"}) | {
    f"bake_words_{part}" for part in ("data", "idx", "content", "docsize", "config")
}
"""What is worked out again, and what lets devices in."""
NESTED = frozenset({"document", "payload", "summary"})
ROWS_AT_ONCE = 1000
MOST_BYTES = 20_000_000_000
PHOTO = re.compile(r"photos/[0-9a-f]{2}/[0-9a-f]{64}(-small)?\.jpg")


class Written(NamedTuple):
    """How many rows of each table an archive holds, and the tables of which some could not be read."""

    rows: dict[str, int]
    unreadable: tuple[str, ...]


class _Counted:
    """A member of the archive while it is written: how many rows, and their digest."""

    def __init__(self, into: Any) -> None:
        self._into, self._digest, self.rows = into, hashlib.sha256(), 0

    def all_of(self, rows: Iterator[tuple[Any, ...]]) -> Iterator[tuple[Any, ...]]:
        for row in rows:
            self.rows += 1
            yield row

    def write(self, line: str) -> None:
        raw = line.encode()
        self._digest.update(raw)
        self._into.write(raw)

    @property
    def digest(self) -> str:
        return self._digest.hexdigest()


def write(source: Path, target: BinaryIO) -> Written:
    """Write all of a data file, as it is at one moment, into an archive. A damaged one gives what can be read.

    Raises:
        DataTrouble: nothing of it can be read.
    """
    try:
        with closing(read_only(source)) as connection:
            connection.execute("BEGIN")
            return _write(connection, target, photos_beside(source))
    except sqlite3.DatabaseError as error:
        raise DataTrouble(
            f"Nothing in {source} can be read ({error}).",
            kind=TroubleKind.DAMAGED,
            remedy="Restore a backup with './whisk restore FILE --data FOLDER'.",
        ) from error


def _write(connection: sqlite3.Connection, target: BinaryIO, photos: Path) -> Written:
    names = [
        str(r[0])
        for r in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table' ORDER BY name")
        if r[0] not in LEFT_OUT and not str(r[0]).startswith("sqlite_")
    ]
    tables: dict[str, Any] = {}
    with zipfile.ZipFile(target, "w", zipfile.ZIP_DEFLATED, compresslevel=4) as archive:
        for name in names:
            columns = [str(r[1]) for r in connection.execute(f'PRAGMA table_info("{name}")')]
            lost: list[str] = []
            with archive.open(_member(name), "w", force_zip64=True) as into:
                counted = _Counted(into)
                rows = counted.all_of(_rows(connection, name, lost))
                text = lines(chain([columns], rows)) if name == AS_CSV else (_line(columns, row) for row in rows)
                for line in text:
                    counted.write(line)
            tables[name] = {"rows": counted.rows, "sha256": counted.digest, "columns": columns}
            if lost:
                tables[name]["unreadable"] = lost[0]
        manifest = {
            "format": FORMAT,
            "version": VERSION,
            "made_by": f"Kind Whisk {__version__}",
            "made_at": datetime.now(UTC).isoformat(timespec="seconds"),
            "migrations": sorted(r[0] for r in connection.execute(f'SELECT name FROM "{HISTORY}"')),
            "tables": tables,
        }
        for photo in sorted(photos.glob("??/*.jpg")):
            archive.write(photo, f"photos/{photo.parent.name}/{photo.name}", zipfile.ZIP_STORED)
        archive.writestr(MANIFEST, json.dumps(manifest, indent=1, ensure_ascii=False))
    return Written({n: t["rows"] for n, t in tables.items()}, tuple(n for n, t in tables.items() if "unreadable" in t))


def _member(name: str) -> str:
    return f"tables/{name}.{'csv' if name == AS_CSV else 'jsonl'}"


def _rows(connection: sqlite3.Connection, name: str, lost: list[str]) -> Iterator[tuple[Any, ...]]:
    """The rows in order; of a damaged table those before the damage, then those after it."""
    last: int | None = None
    try:
        for row in connection.execute(f'SELECT rowid, * FROM "{name}" ORDER BY rowid'):
            last = row[0]
            yield row[1:]
        return
    except sqlite3.DatabaseError as error:
        lost.append(str(error))
    after: list[tuple[Any, ...]] = []
    try:
        above = -1 if last is None else last
        for row in connection.execute(f'SELECT rowid, * FROM "{name}" WHERE rowid > ? ORDER BY rowid DESC', (above,)):
            after.append(row[1:])
    except sqlite3.DatabaseError:
        pass
    yield from reversed(after)


def _line(columns: list[str], row: tuple[Any, ...]) -> str:
    fields = {c: _opened(v) if c in NESTED else v for c, v in zip(columns, row, strict=True)}
    return json.dumps(fields, ensure_ascii=False, separators=(",", ":")) + "\n"


def _opened(text: Any) -> Any:
    """A document as JSON in JSON; a text that is none stands as ``{"text": ...}``, so that it comes back as it was."""
    if text is None:
        return None
    try:
        value = json.loads(text)
    except ValueError:
        return {"text": text}
    return {"text": text} if isinstance(value, dict) and set(value) == {"text"} else value


def _closed(value: Any) -> Any:
    if value is None:
        return None
    if isinstance(value, dict) and set(value) == {"text"}:
        return value["text"]
    return json.dumps(value, ensure_ascii=False, separators=(",", ":"))


def _unfit(why: str) -> DataTrouble:
    return DataTrouble(
        f"This is no archive that can be read in: {why}.",
        kind=TroubleKind.UNFIT,
        remedy="Choose an archive that './whisk export' or the Kitchen page made. Nothing was changed.",
    )


def unpack(archive: Path, into: Path) -> Written:
    """Make a data file of an archive, to be looked at or restored.

    Raises:
        DataTrouble: it is none, or damaged, or was made by a newer version; ``into`` is not there then.
    """
    into.unlink(missing_ok=True)
    try:
        with zipfile.ZipFile(archive) as opened:
            return _unpack(opened, into)
    except (zipfile.BadZipFile, KeyError, ValueError, TypeError, zlib.error, OSError, EOFError, sqlite3.Error) as error:
        into.unlink(missing_ok=True)
        raise _unfit(str(error) or type(error).__name__) from error
    except DataTrouble:
        into.unlink(missing_ok=True)
        raise


def _unpack(opened: zipfile.ZipFile, into: Path) -> Written:
    if sum(i.file_size for i in opened.infolist()) > MOST_BYTES:
        raise _unfit(f"it would unpack to more than {MOST_BYTES // 1_000_000_000} GB")
    manifest = json.loads(opened.read(MANIFEST))
    if manifest.get("format") != FORMAT:
        raise _unfit("it is a zip of something else")
    applied = sorted(manifest["migrations"])
    if manifest["version"] > VERSION or not set(applied) <= set(known_migrations()):
        raise _unfit("a newer Kind Whisk made it")
    _made(into, applied)
    rows: dict[str, int] = {}
    with closing(sqlite3.connect(into)) as connection, connection:
        there = {str(r[0]) for r in connection.execute("SELECT name FROM sqlite_master WHERE type = 'table'")}
        for name, told_of in manifest["tables"].items():
            if name not in there or name in LEFT_OUT:
                raise _unfit(f"its table “{name[:40]}” is not known")
            columns = {str(r[1]) for r in connection.execute(f'PRAGMA table_info("{name}")')}
            rows[name], digest = _fill(connection, opened, name, columns)
            if digest != told_of["sha256"] and rows[name] == told_of["rows"]:
                raise _unfit(f"its table “{name}” was changed since it was written")
            if rows[name] != told_of["rows"]:
                raise _unfit(f"its table “{name}” has {rows[name]} rows instead of {told_of['rows']}")
    _photos_out(opened, photos_beside(into))
    return Written(rows, tuple(n for n, t in manifest["tables"].items() if "unreadable" in t))


def _photos_out(opened: zipfile.ZipFile, folder: Path) -> None:
    """The photos of an archive beside its data file; what is called otherwise is left where it is."""
    for name in opened.namelist():
        if PHOTO.fullmatch(name):
            target = folder / name.removeprefix("photos/")
            target.parent.mkdir(parents=True, exist_ok=True)
            target.write_bytes(opened.read(name))


def _made(path: Path, applied: list[str]) -> None:
    from playhouse.migrations import Runner

    database = SqliteDatabase(str(path))
    Runner(database, str(MIGRATIONS)).up(applied[-1] if applied else None)
    database.close()


def _fill(connection: sqlite3.Connection, opened: zipfile.ZipFile, name: str, columns: set[str]) -> tuple[int, str]:
    number, digest = 0, hashlib.sha256()
    with opened.open(_member(name)) as raw:

        def lines_read() -> Iterator[str]:
            for line in raw:
                digest.update(line)
                yield line.decode()

        text = lines_read()
        rows = _of_csv(text) if name == AS_CSV else map(json.loads, text)
        waiting: list[dict[str, Any]] = []
        for row in rows:
            if not set(row) <= columns:
                raise _unfit(f"its table “{name}” has columns that are not known")
            waiting.append({c: _closed(v) if c in NESTED else v for c, v in row.items()})
            if len(waiting) == ROWS_AT_ONCE:
                number += _insert(connection, name, waiting)
                waiting = []
        number += _insert(connection, name, waiting)
    return number, digest.hexdigest()


def _of_csv(text: Iterable[str]) -> Iterator[dict[str, Any]]:
    """The readings; numbers are parsed by the column's type in the file itself."""
    for row in csv.DictReader(text):
        yield {k: told(v) if v != "" else None for k, v in row.items()}


def _insert(connection: sqlite3.Connection, name: str, rows: list[dict[str, Any]]) -> int:
    if not rows:
        return 0
    columns = list(rows[0])
    named = ", ".join(f'"{c}"' for c in columns)
    places = ", ".join("?" * len(columns))
    connection.executemany(
        f'INSERT INTO "{name}" ({named}) VALUES ({places})', [[row[c] for c in columns] for row in rows]
    )
    return len(rows)
