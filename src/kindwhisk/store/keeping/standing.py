"""Whether what is written still lands where it is looked for: asked before and after every write."""

from __future__ import annotations

import os
from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path
from typing import NamedTuple

from kindwhisk.store.trouble import DataTrouble, TroubleKind


class Trouble(NamedTuple):
    """What stands in the way now, and since when."""

    why: DataTrouble
    since: datetime


def _identity(path: Path) -> tuple[int, int] | None:
    try:
        found = path.stat()
    except OSError:
        return None
    return found.st_dev, found.st_ino


class Standing:
    """How the data file of an open store stands. Safe from any thread."""

    def __init__(self, path: Path) -> None:
        self.path = path
        self._log = path.with_name(path.name + "-wal")
        self._known = (_identity(path), _identity(self._log))
        self._trouble: Trouble | None = None
        self.on_change: Callable[[], None] = lambda: None

    @property
    def trouble(self) -> Trouble | None:
        """What stood in the way at the last try; None while all is well."""
        return self._trouble

    def check(self) -> None:
        """See that the file that was opened is still the one at its place.

        Raises:
            DataTrouble: it was deleted or replaced; what is written now would be lost.
        """
        found = (_identity(self.path), _identity(self._log))
        if found != self._known:
            raise self.hit(self._gone(found[0]))

    def check_sound(self) -> None:
        """See that no damage was found: what is damaged is not written into, until it was put right.

        Raises:
            DataTrouble: some was.
        """
        if self._trouble is not None and self._trouble.why.kind is TroubleKind.DAMAGED:
            raise self._trouble.why

    def _gone(self, found: tuple[int, int] | None) -> DataTrouble:
        what = "was deleted or moved away" if found is None else "was replaced"
        return DataTrouble(
            f"The data file {self.path} {what} while Kind Whisk runs, so nothing is kept any more.",
            kind=TroubleKind.GONE,
            remedy="Put the folder back as it was, and it goes on by itself; or stop Kind Whisk, restore a backup, "
            "and start it again.",
        )

    def hit(self, why: DataTrouble) -> DataTrouble:
        """Note what stands in the way."""
        if self._trouble is None or self._trouble.why.kind is not why.kind:
            self._trouble = Trouble(why, datetime.now(UTC))
            self.on_change()
        return why

    def went_well(self) -> None:
        """Something was written: nothing stands in the way."""
        if self._trouble is not None:
            self._trouble = None
            self.on_change()

    def mended(self) -> None:
        """The data were looked through and are sound, or sound ones were put in their place."""
        if self._trouble is not None and self._trouble.why.kind is TroubleKind.DAMAGED:
            self.went_well()

    def room_bytes(self) -> int | None:
        """How much room is left where the data lie; None if that can't be told."""
        try:
            left = os.statvfs(self.path.parent)
        except OSError:
            return None
        return left.f_bavail * left.f_frsize
