"""The open archive: everything out and in again without loss, of a damaged file what can be read."""

from __future__ import annotations

import csv
import io
import json
import shutil
import sqlite3
import zipfile
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.formats import archive
from kindwhisk.formats.cells import guarded, lines, told
from kindwhisk.store.database import open_store
from kindwhisk.store.keeping.looking import FILE_NAME, look
from kindwhisk.store.trouble import DataTrouble
from tests.store.kitchens import a_kitchen

TABLES = (
    "kitchenrevision", "formulaversion", "bakerow", "eventrow", "probereading", "probetally", "ovennote", "good",
    "clockmove",
)  # fmt: skip


def rows(path: Path) -> dict[str, list[Any]]:
    with sqlite3.connect(path) as file:
        return {t: [_plain(r) for r in file.execute(f'SELECT * FROM "{t}" ORDER BY rowid')] for t in TABLES}


def _plain(row: tuple[Any, ...]) -> tuple[Any, ...]:
    """Documents by what they say, not by how they are written."""
    return tuple(json.dumps(json.loads(v)) if isinstance(v, str) and v[:1] in "{[" and v else v for v in row)


def packed(folder: Path, data: Path) -> Path:
    target = folder / "all.zip"
    with target.open("wb") as file:
        archive.write(data, file)
    return target


def test_all_of_it_comes_back(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path / "kitchen", bakes=3)
    store.oven_notes.keep("deck", kind="odd", payload="not JSON at all", client_key="k" * 8)
    store.oven_notes.keep("deck", kind="odd", payload='{"text":"so"}', client_key="l" * 8)
    first = packed(tmp_path, tmp_path / "kitchen" / FILE_NAME)
    written = archive.unpack(first, tmp_path / "back.sqlite3")
    store.close()
    assert written.unreadable == ()
    assert (written.rows["probereading"], written.rows["eventrow"]) == (300, 6)
    before, after = rows(tmp_path / "kitchen" / FILE_NAME), rows(tmp_path / "back.sqlite3")
    assert after == before
    assert [r for r in after["ovennote"] if r[4] == "not JSON at all"]
    assert look(tmp_path / "back.sqlite3").formulas == 2
    (tmp_path / "anew").mkdir()
    shutil.copy(tmp_path / "back.sqlite3", tmp_path / "anew" / FILE_NAME)
    anew = open_store(tmp_path / "anew")
    assert [(p.probe, p.readings) for p in anew.probes.known()] == [("pot", 300)]
    anew.close()
    # Out once more, it says the same to the letter.
    again = packed(tmp_path / "kitchen", tmp_path / "back.sqlite3")
    with zipfile.ZipFile(first) as one, zipfile.ZipFile(again) as other:
        assert {n: one.read(n) for n in one.namelist() if n != "manifest.json"} == {
            n: other.read(n) for n in other.namelist() if n != "manifest.json"
        }


def test_others_can_read_it(tmp_path: Path) -> None:
    a_kitchen(tmp_path).close()
    with zipfile.ZipFile(packed(tmp_path, tmp_path / FILE_NAME)) as opened:
        manifest = json.loads(opened.read("manifest.json"))
        assert (manifest["format"], manifest["version"]) == ("kindwhisk-archive", 1)
        event = json.loads(opened.read("tables/eventrow.jsonl").splitlines()[0])
        assert event["payload"] == {"kind": "note_added", "text": "=tea"}
        table = list(csv.DictReader(io.StringIO(opened.read("tables/probereading.csv").decode())))
        assert (len(table), table[7]["probe"], float(table[7]["read_c"])) == (300, "pot", 21)
        assert not any("session" in n or "checkpoint" in n for n in opened.namelist())


def test_of_a_damaged_file_what_can_be_read_is_saved(tmp_path: Path) -> None:
    a_kitchen(tmp_path, bakes=400).close()
    path = tmp_path / FILE_NAME
    with sqlite3.connect(path) as file:
        # A page in the middle of the events.
        root = file.execute("SELECT rootpage FROM sqlite_master WHERE name = 'eventrow'").fetchone()[0]
        pages = file.execute("PRAGMA page_count").fetchone()[0]
    spoilt = path.read_bytes()
    leaves = [
        page * 4096
        for page in range(root, pages)
        if b"note_added" in spoilt[page * 4096 :][:4096] and spoilt[page * 4096] == 0x0D
    ]
    where = leaves[len(leaves) // 2]
    path.write_bytes(spoilt[:where] + b"\xff" * 4096 + spoilt[where + 4096 :])
    with pytest.raises(DataTrouble, match="damaged"):
        look(path)
    target = tmp_path / "saved.zip"
    with target.open("wb") as file:
        written = archive.write(path, file)
    assert written.unreadable == ("eventrow",)
    assert 0 < written.rows["eventrow"] < 800
    assert written.rows["bakerow"] == 400
    assert archive.unpack(target, tmp_path / "back.sqlite3").rows == written.rows
    with sqlite3.connect(tmp_path / "back.sqlite3") as file:
        (first, last) = file.execute("SELECT min(id), max(id) FROM eventrow").fetchone()
    assert (first, last) == (1, 800)


def _emptied(opened: zipfile.ZipFile) -> dict[str, bytes]:
    return {n: opened.read(n) for n in opened.namelist()}


@pytest.mark.parametrize(
    ("spoil", "said"),
    [
        (lambda files: files.pop("manifest.json"), "no archive"),
        (lambda files: files.update({"tables/eventrow.jsonl": b'{"id": 1}\n'}), "no archive"),
        (lambda files: files.update({"tables/bakerow.jsonl": b""}), "0 rows instead of 1"),
        (lambda files: files.update({"tables/bakerow.jsonl": b'{"id": "x", "colour": 1}\n'}), "columns"),
        (
            lambda files: files.update(
                {"tables/bakerow.jsonl": files["tables/bakerow.jsonl"].replace(b"Tea chiffon", b"Tea chiffom")}
            ),
            "was changed",
        ),
        (lambda files: files.update({"tables/bakerow.jsonl": b"[[[["}), "no archive"),
        (lambda files: files.update({"manifest.json": b'{"format": "albums"}'}), "something else"),
        (
            lambda files: files.update(
                {"manifest.json": files["manifest.json"].replace(b'"0001_', b'"9999_x", "0001_', 1)}
            ),
            "newer Kind Whisk",
        ),
        (
            lambda files: files.update(
                {"manifest.json": files["manifest.json"].replace(b'"bakerow"', b'"sqlite_master"')}
            ),
            "is not known",
        ),
    ],
)
def test_what_is_no_archive_is_refused_and_leaves_nothing(tmp_path: Path, spoil: Any, said: str) -> None:
    a_kitchen(tmp_path).close()
    with zipfile.ZipFile(packed(tmp_path, tmp_path / FILE_NAME)) as opened:
        files = _emptied(opened)
    spoil(files)
    bad = tmp_path / "bad.zip"
    with zipfile.ZipFile(bad, "w") as made:
        for name, content in files.items():
            made.writestr(name, content)
    with pytest.raises(DataTrouble, match=said):
        archive.unpack(bad, tmp_path / "back.sqlite3")
    assert not (tmp_path / "back.sqlite3").exists()


def test_a_broken_zip_is_refused(tmp_path: Path) -> None:
    a_kitchen(tmp_path).close()
    whole = packed(tmp_path, tmp_path / FILE_NAME).read_bytes()
    bad = tmp_path / "bad.zip"
    for cut in (whole[:4000], whole[:2000] + b"\0" * 400 + whole[2400:], b"PK"):
        bad.write_bytes(cut)
        with pytest.raises(DataTrouble, match="no archive"):
            archive.unpack(bad, tmp_path / "back.sqlite3")


@given(
    st.text(max_size=12) | st.sampled_from(["=1+1", "'=1", "''@x", "-5", "+49 30", "\t=1", "-", "@sum", "-1e5", "--"])
)
def test_a_cell_is_never_a_formula_and_comes_back_unchanged(text: str) -> None:
    cell = guarded(text)
    assert told(cell) == text
    first = cell[:1]
    number = cell.replace(".", "", 1).lstrip("+-").replace("e", "", 1).replace("E", "", 1).replace("-", "").isascii()
    assert first not in {"=", "@", "\t", "\r", "\n"}
    if first in {"+", "-"}:
        assert number
        assert float(cell) is not None


@given(st.lists(st.lists(st.text(max_size=8), min_size=2, max_size=3), max_size=5))
def test_a_table_comes_back_unchanged(table: list[list[str]]) -> None:
    back = list(csv.reader(io.StringIO("".join(lines(table)), newline="")))
    assert [[told(c) for c in row] for row in back] == table
