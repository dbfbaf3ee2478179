"""Photos: kept beside the data, and they go wherever the data go."""

from __future__ import annotations

import hashlib
import zipfile
from pathlib import Path

import pytest

from kindwhisk.formats import archive
from kindwhisk.store.database import Store, open_store
from kindwhisk.store.keeping.looking import FILE_NAME
from kindwhisk.store.keeping.restoring import restore_into
from kindwhisk.store.photos import Photos
from kindwhisk.store.trouble import DataTrouble

WHOLE, SMALL = b"whole " * 100, b"small"


@pytest.fixture
def kept(store: Store) -> str:
    return store.photos.keep(WHOLE, SMALL)


def files(folder: Path) -> set[str]:
    return {p.name for p in folder.rglob("*.jpg")}


def test_a_photo_is_named_by_what_is_in_it_and_kept_once(store: Store, kept: str) -> None:
    assert kept == hashlib.sha256(WHOLE).hexdigest()
    assert store.photos.path(kept).read_bytes() == WHOLE
    assert store.photos.path(kept, small=True).read_bytes() == SMALL
    before = store.photos.path(kept).stat().st_mtime_ns
    assert store.photos.keep(WHOLE, SMALL) == kept
    assert store.photos.path(kept).stat().st_mtime_ns == before
    assert len(files(store.photos.folder)) == 2


def test_nothing_half_is_left_where_it_could_not_be_written(tmp_path: Path) -> None:
    photos = Photos(tmp_path)
    (tmp_path / "photos").write_bytes(b"a file where the folder should be")
    with pytest.raises(OSError):  # noqa: PT011 - which one it is, is the system's to say
        photos.keep(WHOLE, SMALL)
    assert files(tmp_path) == set()


def test_a_backup_takes_photos_along_and_copies_none_twice(store: Store, kept: str) -> None:
    first = store.backups.make()
    beside = first.path.parent / "photos"
    assert files(beside) == {f"{kept}.jpg", f"{kept}-small.jpg"}
    copy = beside / kept[:2] / f"{kept}.jpg"
    before = copy.stat().st_mtime_ns
    other = store.photos.keep(b"another", SMALL)
    store.backups.make()
    assert copy.stat().st_mtime_ns == before
    assert f"{other}.jpg" in files(beside)


def test_a_backup_whose_photos_find_no_place_is_said_to_have_failed(store: Store, kept: str) -> None:
    (store.backups.folder).mkdir()
    (store.backups.folder / "photos").write_bytes(b"in the way")
    with pytest.raises(DataTrouble) as failed:
        store.backups.make()
    assert "photos" in str(failed.value)
    assert store.backups.failed is not None
    assert kept


def test_a_restore_brings_photos_back_live_and_into_an_empty_folder(store: Store, kept: str, tmp_path: Path) -> None:
    copy = store.backups.make().path
    for photo in store.photos.folder.rglob("*.jpg"):
        photo.unlink()
    store.restore(copy)
    assert store.photos.path(kept).read_bytes() == WHOLE
    into = tmp_path / "new"
    into.mkdir()
    restore_into(into, copy)
    assert Photos(into).path(kept).read_bytes() == WHOLE


def test_an_archive_holds_photos_and_nothing_is_written_outside(store: Store, kept: str, tmp_path: Path) -> None:
    file = tmp_path / "all.zip"
    with file.open("wb") as into:
        archive.write(store.path, into)
    with zipfile.ZipFile(file, "a") as opened:
        opened.writestr("photos/../../escaped.jpg", b"x")
        opened.writestr("photos/aa/not-a-photo.jpg", b"x")
    folder = tmp_path / "unpacked" / "deep"
    folder.mkdir(parents=True)
    archive.unpack(file, folder / FILE_NAME)
    assert files(tmp_path / "unpacked") == {f"{kept}.jpg", f"{kept}-small.jpg"}
    again = open_store(folder)
    assert again.photos.path(kept).read_bytes() == WHOLE
    again.close()
