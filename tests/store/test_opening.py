"""A data folder that can't be served: one paragraph, and what was there is as it was."""

from __future__ import annotations

import os
import random
import sqlite3
import subprocess
import sys
from collections.abc import Callable
from pathlib import Path

import pytest

from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import tea_chiffon
from kindwhisk.store.database import open_store
from kindwhisk.store.keeping.copies import copied
from kindwhisk.store.keeping.holding import Held
from kindwhisk.store.keeping.looking import FILE_NAME, HISTORY, look
from kindwhisk.store.trouble import DataTrouble, TroubleKind
from tests.store.kitchens import a_kitchen


def _garbage(path: Path) -> None:
    path.write_bytes(random.Random(1).randbytes(50_000))


def _empty(path: Path) -> None:
    path.write_bytes(b"")


def _a_folder(path: Path) -> None:
    path.mkdir()


def _foreign(path: Path) -> None:
    other = sqlite3.connect(path)
    other.execute("CREATE TABLE albums (title TEXT)")
    other.commit()
    other.close()


def _cut_off(path: Path) -> None:
    a_kitchen(path.parent).close()
    whole = path.read_bytes()
    path.write_bytes(whole[: len(whole) * 2 // 3])


def _overwritten_within(path: Path) -> None:
    a_kitchen(path.parent).close()
    with path.open("r+b") as file:
        for page in range(4, 20):
            file.seek(page * 4096 + 8)
            file.write(random.Random(page).randbytes(900))


def _overwritten_head(path: Path) -> None:
    a_kitchen(path.parent).close()
    with path.open("r+b") as file:
        file.write(b"x" * 512)


def _left_without_its_log(path: Path) -> None:
    """As a kitchen in use was copied by hand once: the first page, and nothing on it."""
    made = sqlite3.connect(path)
    made.execute("PRAGMA journal_mode = wal").fetchone()
    made.close()
    assert path.stat().st_size in {0, 4096}
    if not path.stat().st_size:
        pytest.skip("this SQLite writes nothing for it")


def _newer(path: Path) -> None:
    a_kitchen(path.parent).close()
    newer = sqlite3.connect(path)
    newer.execute(f"INSERT INTO {HISTORY} (name, applied) VALUES ('9999_from_tomorrow', '2030-01-01')")
    newer.commit()
    newer.close()


WRONG: dict[str, tuple[Callable[[Path], None], str]] = {
    "garbage": (_garbage, "not a data file of Kind Whisk"),
    "empty": (_empty, "is empty"),
    "a folder": (_a_folder, "is not a file"),
    "another program's": (_foreign, "belongs to another program"),
    "cut off": (_cut_off, "is damaged"),
    "damaged within": (_overwritten_within, "is damaged"),
    "damaged at its beginning": (_overwritten_head, "its beginning is damaged"),
    "without its log": (_left_without_its_log, "holds nothing"),
    "newer": (_newer, "written by a newer Kind Whisk"),
}


def _contents(path: Path) -> bytes | None:
    return path.read_bytes() if path.is_file() else None


@pytest.mark.parametrize("name", WRONG)
def test_what_is_no_sound_data_file_is_named_and_left_as_it_was(tmp_path: Path, name: str) -> None:
    spoil, said = WRONG[name]
    path = tmp_path / FILE_NAME
    spoil(path)
    before = _contents(path)
    with pytest.raises(DataTrouble, match=said) as refusal:
        open_store(tmp_path)
    assert str(path) in refusal.value.message
    assert "as it is" in refusal.value.message
    assert "--data" in refusal.value.remedy
    assert _contents(path) == before


def test_a_file_in_the_folders_place_is_named(tmp_path: Path) -> None:
    (tmp_path / "kitchen").write_text("a note")
    with pytest.raises(DataTrouble, match="is a file, not a folder"):
        open_store(tmp_path / "kitchen" / "data")
    assert (tmp_path / "kitchen").read_text() == "a note"


def test_a_folder_that_cannot_be_written_is_named(tmp_path: Path) -> None:
    if os.geteuid() == 0:
        # Whoever may write everywhere still can't where there is nothing to write on.
        with pytest.raises(DataTrouble, match="can't be written"):
            open_store(Path("/proc/kitchen"))
        return
    tmp_path.chmod(0o500)
    with pytest.raises(DataTrouble, match="can't be written"):
        open_store(tmp_path)


@pytest.mark.parametrize("name", ["garbage", "a folder", "cut off", "newer"])
def test_the_start_says_it_in_one_paragraph(tmp_path: Path, name: str) -> None:
    spoil, said = WRONG[name]
    spoil(tmp_path / FILE_NAME)
    told = subprocess.run(
        [sys.executable, "-m", "kindwhisk.cli", "serve", "--data", str(tmp_path), "--port", "0"],
        capture_output=True, text=True, timeout=60, check=False,
    )  # fmt: skip
    assert told.returncode == 2
    assert said in told.stderr
    assert len(told.stderr.strip().splitlines()) == 1
    assert "Traceback" not in told.stderr


def test_one_server_to_a_folder(tmp_path: Path) -> None:
    first = Held(tmp_path)
    first.tell("http://127.0.0.1:8321/")
    with pytest.raises(DataTrouble, match=rf"8321/ \(process {os.getpid()}, since 20") as refusal:
        Held(tmp_path)
    assert refusal.value.kind is TroubleKind.BUSY
    first.release()
    Held(tmp_path).release()


def test_a_new_file_is_there_whole_or_not_at_all(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    def stumbles(_: object) -> list[str]:
        raise RuntimeError("the power went")

    monkeypatch.setattr("kindwhisk.store.database.migrate", stumbles)
    with pytest.raises(RuntimeError):
        open_store(tmp_path)
    assert not (tmp_path / FILE_NAME).exists()
    monkeypatch.undo()
    store = open_store(tmp_path)
    assert store.formulas.entries() == []
    store.close()


def test_the_file_of_the_first_version_that_was_used_opens_and_was_copied_aside(tmp_path: Path) -> None:
    old = sqlite3.connect(tmp_path / FILE_NAME)
    old.executescript((Path(__file__).parent / "first_version.sql").read_text(encoding="utf-8"))
    old.close()
    store = open_store(tmp_path)
    told = {t.id: t.summary["ovens"] for t in store.bakes.told()}
    assert len(told) == 2
    assert all(o["observed_s"] > 0 and o["modelled_s"] > 0 for ovens in told.values() for o in ovens)
    assert sum(map(len, told.values())) == 2
    assert store.formulas.get("tea-chiffon")[1].title
    store.close()
    (kept,) = (tmp_path / "aside").glob("before-*.sqlite3")
    before = sqlite3.connect(kept)
    assert before.execute(f"SELECT count(*) FROM {HISTORY}").fetchone() == (2,)
    before.close()


def test_a_full_disk_leaves_the_shelf_as_it_lies_on_the_disk(tmp_path: Path) -> None:
    from kindwhisk.core.ingredients.goods import Good

    store = a_kitchen(tmp_path)
    store.goods.add(Good(name="Bricks", stands_for="butter"))
    store.database.pragma("max_page_count", store.database.pragma("page_count"))

    def fill_up() -> None:
        for n in range(400):
            store.goods.add(Good(name=f"Good {n}", stands_for="butter"))

    with pytest.raises(DataTrouble) as refusal:
        fill_up()
    assert refusal.value.kind is TroubleKind.FULL
    assert store.standing.trouble is not None
    there = {g.name for g in store.goods.all()}
    store.database.pragma("max_page_count", 1_000_000)
    store.goods.read_again()
    assert {g.name for g in store.goods.all()} == there
    store.goods.add(Good(name="Once more", stands_for="butter"))
    assert store.standing.trouble is None
    store.close()


def test_what_the_craft_refuses_is_no_trouble_of_the_data(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path)
    with pytest.raises(CraftError):
        store.goods.remove("nothing")
    assert store.standing.trouble is None
    store.close()


@pytest.mark.parametrize("what", ["deleted", "moved", "replaced", "log deleted"])
def test_what_would_land_nowhere_is_not_acknowledged(tmp_path: Path, what: str) -> None:
    folder = tmp_path / "kitchen"
    store = a_kitchen(folder)
    path = folder / FILE_NAME
    formula = tea_chiffon().model_copy(update={"title": "Changed"})
    copied(path, tmp_path / "copy.sqlite3")
    if what == "deleted":
        path.unlink()
    elif what == "moved":
        folder.rename(tmp_path / "elsewhere")
    elif what == "replaced":
        (tmp_path / "copy.sqlite3").replace(path)
    else:
        (folder / f"{FILE_NAME}-wal").unlink()
    with pytest.raises(DataTrouble, match="nothing is kept any more") as refusal:
        store.formulas.save(formula)
    assert refusal.value.kind is TroubleKind.GONE
    assert store.standing.trouble is not None
    if what == "moved":
        (tmp_path / "elsewhere").rename(folder)
        assert store.formulas.save(formula) == 2
        assert store.standing.trouble is None
    store.close()


def test_a_stop_leaves_everything_in_the_one_file(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path / "kitchen")
    store.close()
    (tmp_path / "alone").mkdir()
    alone = tmp_path / "alone" / FILE_NAME
    alone.write_bytes((tmp_path / "kitchen" / FILE_NAME).read_bytes())
    assert look(alone).formulas == 2
    assert not (tmp_path / "kitchen" / f"{FILE_NAME}-wal").exists()
