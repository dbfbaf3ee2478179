"""Backups: whole while others write, looked through, let go of in turn; and put in place again."""

from __future__ import annotations

import sqlite3
import threading
from datetime import UTC, datetime, timedelta
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from kindwhisk.core.values.errors import CraftError
from kindwhisk.demo.formulas import demo_formulas, tea_chiffon
from kindwhisk.store.keeping.backups import BackupPlan, Backups
from kindwhisk.store.keeping.copies import copied, copies_in, let_go, name_of
from kindwhisk.store.keeping.looking import FILE_NAME, look
from kindwhisk.store.keeping.restoring import restore_into
from kindwhisk.store.keeping.rotation import MONTHS, NEWEST, WEEKS, staying
from kindwhisk.store.trouble import DataTrouble
from tests.store.kitchens import NOON, a_kitchen

moments = st.lists(
    st.datetimes(datetime(2020, 1, 1), datetime(2029, 12, 31)).map(lambda m: m.replace(tzinfo=UTC)), max_size=60
)


@given(moments)
def test_of_many_copies_the_newest_stay_and_never_more_than_all_turns(all_made: list[datetime]) -> None:
    stay = staying(all_made)
    assert stay <= set(all_made)
    assert len(stay) <= NEWEST + WEEKS + MONTHS
    newest_first = sorted(set(all_made), reverse=True)
    assert set(newest_first[:NEWEST]) <= stay
    assert staying(stay) == stay


def test_of_a_week_and_of_a_month_the_newest_stays() -> None:
    days = [NOON - timedelta(days=n) for n in range(400)]
    stay = sorted((NOON - m).days for m in staying(days))
    # A Monday: then six Sundays in a row end a week, of which four weeks count with this one; then ends of months.
    assert stay[:10] == [0, 1, 2, 3, 4, 5, 6, 8, 15, 33]
    assert all((NOON - timedelta(days=n - 1)).day == 1 for n in stay[9:])


@given(moments.filter(lambda m: len(set(m)) > 1))
def test_what_is_let_go_never_comes_into_its_turn_again(all_made: list[datetime]) -> None:
    """Copies made one after the other, some let go of each time: what stays is what would stay of all at once."""
    kept: set[datetime] = set()
    for moment in sorted(set(all_made)):
        kept = staying({*kept, moment})
    assert kept == staying(all_made)


def test_a_copy_is_whole_while_others_write(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path)
    stop = threading.Event()

    def writes() -> None:
        n = 0
        while not stop.is_set():
            with store.writing():
                # Two that belong together: a copy holds both or none.
                for end in ("a", "b"):
                    store.bakes.append(
                        "bake-0", at=NOON.isoformat(), kind="note_added", payload="{}", client_key=f"{n}-{end}"
                    )
            n += 1
        store.database.close()

    writer = threading.Thread(target=writes)
    writer.start()
    try:
        for n in range(5):
            target = tmp_path / f"copy-{n}.sqlite3"
            assert copied(tmp_path / FILE_NAME, target).events >= 2
            copy = sqlite3.connect(target)
            assert copy.execute("SELECT count(*) % 2 FROM eventrow").fetchone() == (0,)
            copy.close()
    finally:
        stop.set()
        writer.join()
    assert {p.name for p in tmp_path.glob("*copy*")} == {f"copy-{n}.sqlite3" for n in range(5)}
    store.close()


def test_a_copy_that_fails_is_remembered_until_one_is_made(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path / "kitchen")
    backups = store.backups
    (tmp_path / "kitchen" / "backups").write_text("in the way")
    with pytest.raises(DataTrouble, match="was not made"):
        backups.make()
    assert backups.failed is not None
    assert backups.copies() == []
    due = backups.due_at()
    assert due is not None
    assert due > backups.failed.at
    (tmp_path / "kitchen" / "backups").unlink()
    made = backups.make()
    assert look(made.path).readings == 300
    assert store.backups.failed is None
    assert [c.path for c in backups.copies()] == [made.path]
    store.close()


def test_damage_is_never_copied_over_a_sound_backup(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path / "kitchen", bakes=40)
    good = store.backups.make()
    store.close()
    path = tmp_path / "kitchen" / FILE_NAME
    with path.open("r+b") as file:
        file.seek(4096 * 6 + 8)
        file.write(b"\xff" * 3000)
    with pytest.raises(DataTrouble, match="damaged"):
        Backups(path).make()
    assert [c.path for c in copies_in(good.path.parent)] == [good.path]
    assert look(good.path).bakes == 40


def test_the_plan_is_kept_and_a_folder_that_cannot_be_is_refused(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path / "kitchen")
    (tmp_path / "file").write_text("x")
    for wrong in ("not/whole", str(tmp_path / "file" / "in"), "/proc/none"):
        with pytest.raises(CraftError) as refusal:
            store.backups.change(BackupPlan(folder=wrong))
        assert refusal.value.field == "folder"
    assert store.backups.plan == BackupPlan()
    store.backups.change(BackupPlan(folder=str(tmp_path / "stick"), every_h=6))
    made = store.backups.make()
    assert made.path.parent == tmp_path / "stick"
    assert store.backups.due_at() == made.made_at + timedelta(hours=6)
    assert Backups(store.path).plan.every_h == 6
    store.backups.change(store.backups.plan.model_copy(update={"every_h": 0}))
    assert store.backups.due_at() is None
    store.close()


def test_other_files_of_the_folder_are_let_be(tmp_path: Path) -> None:
    mine = tmp_path / "kindwhisk-my-own-notes.sqlite3"
    mine.write_text("mine")
    for n in range(40):
        (tmp_path / name_of(NOON - timedelta(hours=n))).write_bytes(b"x")
    assert len(let_go(tmp_path)) == 40 - len(copies_in(tmp_path))
    assert len(copies_in(tmp_path)) < 15
    assert mine.read_text() == "mine"


def test_a_restore_keeps_what_was_there_aside(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path, bakes=1)
    copy = store.backups.make().path
    store.formulas.save(demo_formulas()[5])
    store.close()
    kept = restore_into(tmp_path, copy)
    assert kept is not None
    assert (look(tmp_path / FILE_NAME).formulas, look(kept).formulas) == (2, 3)
    assert restore_into(tmp_path / "new", copy) is None
    assert look(tmp_path / "new" / FILE_NAME).readings == 300


def test_no_copy_lets_in_who_was_shut_out_since(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path)
    for device in ("tablet", "phone"):
        store.sessions.keep(f"hash-{device}", "passcode", device, NOON)
    copy = store.backups.make().path
    with sqlite3.connect(copy) as file:
        assert file.execute("SELECT count(*) FROM session").fetchone() == (0,)
    store.sessions.end(store.sessions.hashes("passcode")["hash-phone"])
    before = store.sessions.listed("passcode")
    store.restore(copy)
    assert store.sessions.listed("passcode") == before
    assert [s.device for s in before] == ["tablet"]
    store.close()


def _spoil_an_index(path: Path) -> None:
    with sqlite3.connect(path) as file:
        file.execute("PRAGMA wal_checkpoint(TRUNCATE)").fetchone()
        root = file.execute("SELECT rootpage FROM sqlite_master WHERE name = 'formulaversion_one'").fetchone()[0]
    with path.open("r+b") as spoilt:
        spoilt.seek(root * 4096 - 700)
        spoilt.write(b"\xff" * 700)


def test_what_is_damaged_is_not_written_into_until_it_was_put_right(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path)
    copy = store.backups.make().path
    _spoil_an_index(store.path)
    with pytest.raises(DataTrouble, match="is damaged"):
        store.check_through()
    for write in (lambda: store.oven_notes.keep("deck", kind="k", payload="{}", client_key="a"), store.writing.try_out):
        with pytest.raises(DataTrouble, match="is damaged"):
            write()
    assert store.standing.trouble is not None
    kept = store.restore(copy)
    assert store.standing.trouble is None
    store.oven_notes.keep("deck", kind="k", payload="{}", client_key="a")
    store.check_through()
    # What was damaged is kept aside as it was.
    assert b"\xff" * 700 in kept.read_bytes()
    store.close()


def test_a_restore_of_what_is_no_copy_changes_nothing(tmp_path: Path) -> None:
    a_kitchen(tmp_path / "kitchen").close()
    before = (tmp_path / "kitchen" / FILE_NAME).read_bytes()
    (tmp_path / "bad").write_bytes(b"SQLite format 3\0" + b"x" * 5000)
    with pytest.raises(DataTrouble):
        restore_into(tmp_path / "kitchen", tmp_path / "bad")
    assert (tmp_path / "kitchen" / FILE_NAME).read_bytes() == before


def test_a_restore_while_it_runs_is_seen_by_every_thread_and_can_be_taken_back(tmp_path: Path) -> None:
    store = a_kitchen(tmp_path)
    copy = store.backups.make().path
    changed = tea_chiffon().model_copy(update={"title": "Changed"})
    store.formulas.save(changed)
    seen: list[str] = []

    def reads() -> None:
        seen.append(store.formulas.get("tea-chiffon")[1].title)
        store.database.close()

    kept = store.restore(copy)
    reader = threading.Thread(target=reads)
    reader.start()
    reader.join()
    assert seen == [tea_chiffon().title]
    assert store.formulas.save(changed) == 2
    store.restore(kept)
    assert store.formulas.get("tea-chiffon")[1].title == "Changed"
    store.close()
    assert look(tmp_path / FILE_NAME).formulas == 2
