"""Photos of bakes: files beside the database, named by what is in them, so that none is ever changed or kept twice."""

from __future__ import annotations

import contextlib
import hashlib
import os
import shutil
from pathlib import Path

from kindwhisk.store.trouble import DataTrouble, TroubleKind

FOLDER = "photos"
SMALL = "small"


class Photos:
    """The photos of one data folder."""

    def __init__(self, folder: Path) -> None:
        self.folder = folder / FOLDER

    def path(self, digest: str, *, small: bool = False) -> Path:
        """Where a photo lies, or would."""
        name = f"{digest}-{SMALL}.jpg" if small else f"{digest}.jpg"
        return self.folder / digest[:2] / name

    def keep(self, whole: bytes, small: bytes) -> str:
        """Keep a photo, whole and small, both on the disk before this returns its digest.

        Raises:
            OSError: it could not be written; nothing half is left under its name.
        """
        digest = hashlib.sha256(whole).hexdigest()
        for content, path in ((small, self.path(digest, small=True)), (whole, self.path(digest))):
            if path.exists():
                continue
            path.parent.mkdir(parents=True, exist_ok=True)
            half = path.with_name(f"{path.name}.{os.getpid()}-{id(content)}.half")
            try:
                with half.open("wb") as file:
                    file.write(content)
                    file.flush()
                    os.fsync(file.fileno())
                half.replace(path)
            finally:
                with contextlib.suppress(OSError):
                    half.unlink()
        return digest


def photos_beside(file: Path) -> Path:
    """Where the photos of a data file, or of a copy of one, lie."""
    return file.parent / FOLDER


def photos_along(source: Path, target: Path) -> int:
    """Copy the photos of a data file along with it; how many the other place had not.

    Raises:
        DataTrouble: a photo could not be copied; the copy of the data is sound all the same.
    """
    try:
        return copied_photos(photos_beside(source), photos_beside(target))
    except OSError as error:
        raise DataTrouble(
            f"The photos could not all be copied to {photos_beside(target)} ({error.strerror or error}).",
            kind=TroubleKind.FAILED,
            remedy="Make room there, or choose another folder, then make the backup again: none is copied twice.",
        ) from error


def copied_photos(source: Path, into: Path) -> int:
    """Copy the photos of a folder that another has not."""
    number = 0
    if source == into:
        return number
    for photo in sorted(source.glob("??/*.jpg")):
        target = into / photo.parent.name / photo.name
        if target.exists():
            continue
        target.parent.mkdir(parents=True, exist_ok=True)
        half = target.with_name(target.name + ".half")
        shutil.copyfile(photo, half)
        half.replace(target)
        number += 1
    return number
