"""The caretaker: backups by the plan, trouble noticed and over by itself, the log brought into the file."""

from __future__ import annotations

from pathlib import Path

import pytest

from kindwhisk.bench.bench import Bench
from kindwhisk.bench.caretaker import TIDY_EVERY, Caretaker
from kindwhisk.bench.notices import NoticeKind
from kindwhisk.store.keeping.backups import BackupPlan


@pytest.fixture
def caretaker(bench: Bench) -> Caretaker:
    return Caretaker(bench, keeps_wall=True)


def a_minute(caretaker: Caretaker) -> None:
    for _ in range(TIDY_EVERY):
        caretaker.look()


def test_a_backup_is_made_when_it_is_due_and_not_before(bench: Bench, caretaker: Caretaker) -> None:
    backups = bench.store.backups
    for _ in range(TIDY_EVERY - 1):
        caretaker.look()
    assert backups.copies() == []
    caretaker.look()
    (made,) = backups.copies()
    a_minute(caretaker)
    assert backups.copies() == [made]
    old = made.path.with_name("kindwhisk-20200101T000000Z.sqlite3")
    made.path.rename(old)
    assert [n.kind for n in bench.notices()] == [NoticeKind.BACKUP]
    a_minute(caretaker)
    assert backups.copies()[0].path != old
    assert bench.notices() == ()


def test_by_hand_only_means_by_hand_only(bench: Bench, caretaker: Caretaker) -> None:
    bench.store.backups.change(BackupPlan(every_h=0))
    a_minute(caretaker)
    assert bench.store.backups.copies() == []


def test_one_that_fails_is_said_and_tried_again_later(bench: Bench, caretaker: Caretaker) -> None:
    in_the_way = bench.store.path.parent / "backups"
    in_the_way.write_text("x")
    a_minute(caretaker)
    (notice,) = bench.notices()
    assert (notice.kind, notice.grave, "was not made" in notice.text) == (NoticeKind.BACKUP, False, True)
    failed = bench.store.backups.failed
    in_the_way.unlink()
    a_minute(caretaker)
    assert bench.store.backups.failed is failed  # not every minute
    bench.store.backups.make()
    assert bench.notices() == ()


def test_a_folder_that_goes_is_noticed_though_nothing_is_written_and_its_return_too(
    bench: Bench, caretaker: Caretaker
) -> None:
    folder = bench.store.path.parent
    away = folder.with_name(f"{folder.name}-away")
    folder.rename(away)
    caretaker.look()
    assert [n.grave for n in bench.notices()] == [True]
    away.rename(folder)
    caretaker.look()
    assert bench.notices() == ()


def test_what_lies_in_the_log_is_brought_into_the_file(bench: Bench, caretaker: Caretaker) -> None:
    path: Path = bench.store.path
    before = path.stat().st_size
    bench.store.kitchens.save(bench.kitchen.model_copy(update={"cold_rule": "x" * 160}))
    a_minute(caretaker)
    assert path.stat().st_size >= before
    alone = path.with_name("alone.sqlite3")
    alone.write_bytes(path.read_bytes())
    assert b"x" * 160 in alone.read_bytes()
